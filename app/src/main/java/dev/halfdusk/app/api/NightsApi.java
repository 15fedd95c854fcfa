package dev.halfdusk.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.search.Wanted;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Refraction;
import dev.halfdusk.core.sky.Site;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Nights as a whole, and the search among them. */
@RestController
@RequestMapping("/api")
@Tag(name = "nights", description = "One night, the best nights, alignments")
class NightsApi {

    private static final long MOST_NIGHTS = 3700;

    private static final Duration LONGEST_OF_SHOWERS = Duration.ofDays(366);

    private final Clock clock;

    NightsApi(Clock clock) {
        this.clock = clock;
    }

    public record Span(Instant from, Instant to, double hours) {

        static Span of(Interval i) {
            return new Span(i.from(), i.to(), i.length().toMillis() / 3_600_000.0);
        }
    }

    public record Core(Instant utc, double airlessAltitudeDeg, double altitudeDeg, double azimuthDeg, Band milkyWay) {}

    public record Band(
            String stance,
            double tiltDeg,
            boolean climbsToTheLeft,
            double leftFootAzimuthDeg,
            double rightFootAzimuthDeg,
            double topAltitudeDeg,
            double topAzimuthDeg) {}

    /** @param darkness dark, twilight_only, sun_stays_up or sun_stays_down */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record NightAnswer(
            LocalDate date,
            String zone,
            Span span,
            String darkness,
            double lowestSunAltitudeDeg,
            Instant lowestSunUtc,
            List<SkyApi.Event> events,
            List<Span> dark,
            List<Span> darkWithoutMoon,
            List<Span> coreUp,
            List<Span> coreInTheDark,
            @Nullable Instant coreRise,
            @Nullable Instant coreSet,
            @Nullable Core coreBest,
            SightAnswer sight,
            double moonIlluminatedFraction,
            double moonSizeToMean,
            double poleAltitudeDeg) {}

    /**
     * What one comes for.
     *
     * @param best when it stands highest in the dark, and how; null where it never is up in it
     */
    public record SightAnswer(
            String key,
            List<Span> up,
            List<Span> inTheDark,
            @Nullable Instant rise,
            @Nullable Instant set,
            @Nullable Best best) {}

    /** @param contrastPercent by which it outshines its sky; of a point of light how much of its sky is natural */
    public record Best(Instant utc, double airlessAltitudeDeg, double azimuthDeg, double contrastPercent) {}

    /**
     * A ranked night; what is said of the core, or of the sight instead, is null where a dark sky was asked for.
     *
     * @param skyMagnitude of the zenith, or of the wanted part of the sky, in the middle of the window
     */
    public record Ranked(
            LocalDate date,
            double score,
            Span window,
            double hours,
            Double coreTopAltitudeDeg,
            Double coreTopAzimuthDeg,
            Double contrastPercent,
            double moonIlluminatedFraction,
            @Nullable String stance,
            double skyMagnitude,
            List<String> reasons) {}

    /** What a search is for. */
    public enum For {
        CORE,
        DARK,
        PART
    }

    /** @param perHourInTheDark at the best, without moon, lamps and twilight */
    public record ShowerAnswer(
            String shower,
            LocalDate night,
            Instant bestUtc,
            double perHour,
            double perHourInTheDark,
            Span window,
            double radiantAltitudeDeg) {}

    public record AlignmentAnswer(
            Instant utc,
            double separationDeg,
            double azimuthDeg,
            double airlessAltitudeDeg,
            double sunAltitudeDeg,
            String light,
            double moonIlluminatedFraction,
            double moonAltitudeDeg) {}

    @GetMapping("/night")
    @Operation(
            summary = "One night, from local noon to local noon",
            description = "zone: a time zone name; without it the hour zone of the longitude. moonAllowanceMag: by how"
                    + " much moonlight may brighten the zenith before the sky no longer counts as dark (0: moon down)."
                    + " coreAltitude: how high core and sight must stand. deepest: where the sun never is so low, as dark"
                    + " as the night gets. zenithMagnitude: of the dark zenith, for the contrast.")
    NightAnswer night(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam LocalDate date,
            @RequestParam Optional<ZoneId> zone,
            @RequestParam(defaultValue = "18") double depression,
            @RequestParam(defaultValue = "0") double moonAllowanceMag,
            @RequestParam(defaultValue = "10") double coreAltitude,
            @Parameter(description = "what one comes for: " + Targets.SIGHTS) @RequestParam(defaultValue = "core")
                    String sight,
            @RequestParam(defaultValue = "false") boolean deepest,
            @RequestParam(defaultValue = "21.9") double zenithMagnitude) {
        Site site = new Site(latitudeDeg, longitudeDeg, elevationM);
        Sight sought = Targets.sight(sight);
        NightRules rules =
                new NightRules(new Dark(depression, deepest), moonAllowanceMag, coreAltitude, Skyline.FLAT, 0);
        Night night = Night.of(site, date, zone.orElseGet(site::hourZone), rules);
        return new NightAnswer(
                night.date(),
                night.zone().getId(),
                Span.of(night.span()),
                night.darkness().key(),
                night.sunLowest().value(),
                night.sunLowest().when(),
                night.events().stream()
                        .map(e -> new SkyApi.Event(e.name(), e.when(), e.azimuthDeg()))
                        .toList(),
                spans(night.dark()),
                spans(night.moonless()),
                spans(night.core().up()),
                spans(night.core().inDark()),
                night.core().rise().orElse(null),
                night.core().set().orElse(null),
                night.core().best().map(when -> core(night, when)).orElse(null),
                answer(night.showing(sought), SkyGlow.ofZenith(zenithMagnitude)),
                night.moon().fraction(),
                night.moonSize(),
                night.poleAltitudeDeg());
    }

    private static SightAnswer answer(Showing showing, SkyGlow glow) {
        return new SightAnswer(
                showing.sight().key(),
                spans(showing.up()),
                spans(showing.inDark()),
                showing.rise().orElse(null),
                showing.set().orElse(null),
                showing.best()
                        .map(t -> new Best(
                                t,
                                showing.at(t).altitudeDeg(),
                                showing.at(t).azimuthDeg(),
                                showing.contrastPercent(t, glow)))
                        .orElse(null));
    }

    private static List<Span> spans(List<Interval> intervals) {
        return intervals.stream().map(Span::of).toList();
    }

    private static Core core(Night night, Instant when) {
        Direction core = night.core().at(when);
        Galaxy.Arch arch = night.arch(when);
        Band band = new Band(
                arch.stance().key(),
                arch.tiltDeg(),
                arch.risesToLeft(),
                arch.leftFootDeg(),
                arch.rightFootDeg(),
                arch.topAltitudeDeg(),
                arch.topAzimuthDeg());
        return new Core(
                when, core.altitudeDeg(), Refraction.STANDARD.lifted(core.altitudeDeg()), core.azimuthDeg(), band);
    }

    @GetMapping("/nights/search")
    @Operation(
            summary = "Nights that fulfil a wish, best first",
            description = "Every constraint is optional: least hours of core in the dark, depth of the sun, moonlight"
                    + " allowed, core altitude and azimuth range, stance (lying, leaning, standing), weekday, month,"
                    + " darkness of the zenith. from: today unless given; to: a year later, ten years at most.")
    List<Ranked> search(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Optional<LocalDate> from,
            @RequestParam Optional<LocalDate> to,
            @RequestParam Optional<ZoneId> zone,
            @RequestParam(defaultValue = "1") double hours,
            @RequestParam(defaultValue = "18") double depression,
            @RequestParam(defaultValue = "0") double moonAllowanceMag,
            @RequestParam(defaultValue = "10") double coreAltitude,
            @RequestParam(defaultValue = "90") double coreAltitudeTo,
            @RequestParam(defaultValue = "0") double azimuthFrom,
            @RequestParam(defaultValue = "0") double azimuthTo,
            @RequestParam(defaultValue = "") Set<Galaxy.Stance> stance,
            @RequestParam(defaultValue = "") Set<DayOfWeek> weekday,
            @RequestParam(defaultValue = "") Set<Month> month,
            @RequestParam(defaultValue = "21.9") double zenithMagnitude,
            @Parameter(description = "core, dark (sky without moon, whatever stands in it) or part (of the sky)")
                    @RequestParam(defaultValue = "core")
                    For wanted,
            @Parameter(description = "of the wanted part of the sky") @RequestParam(defaultValue = "0")
                    double azimuthDeg,
            @Parameter(description = "of the wanted part of the sky") @RequestParam(defaultValue = "45")
                    double altitudeDeg,
            @Parameter(description = "what is looked for where core is wanted: " + Targets.SIGHTS)
                    @RequestParam(defaultValue = "core")
                    String sight,
            @Parameter(description = "in nights that never are so dark, as dark as they get")
                    @RequestParam(defaultValue = "false")
                    boolean deepest,
            @RequestParam(defaultValue = "400") int limit) {
        Sight sought = Targets.sight(sight);
        Site site = new Site(latitudeDeg, longitudeDeg, elevationM);
        ZoneId placeZone = zone.orElseGet(site::hourZone);
        LocalDate first = from.orElseGet(() -> LocalDate.now(clock.withZone(placeZone)));
        LocalDate last = to.orElseGet(() -> first.plusYears(1));
        long nights = ChronoUnit.DAYS.between(first, last) + 1;
        if (nights < 1 || nights > MOST_NIGHTS) {
            throw new BadParameter("to", "is not in reach", "from " + first + " to " + first.plusDays(MOST_NIGHTS - 1));
        }
        Wanted what = switch (wanted) {
            case CORE -> new Wanted.Standing(coreAltitude, coreAltitudeTo, azimuthFrom, azimuthTo);
            case DARK -> new Wanted.DarkSky();
            case PART ->
                new Wanted.PartOfSky(new Direction(Range.AZIMUTH.check(azimuthDeg), Range.ALTITUDE.check(altitudeDeg)));
        };
        NightWish wish =
                new NightWish(hours, new Dark(depression, deepest), moonAllowanceMag, what, stance, weekday, month);
        YearOfNights year = YearOfNights.of(
                site, first, (int) nights, placeZone, Skyline.FLAT, SkyGlow.ofZenith(zenithMagnitude), sought);
        return NightSearch.find(year, wish).stream()
                .limit(limit)
                .map(NightsApi::ranked)
                .toList();
    }

    private static Ranked ranked(NightSearch.Hit h) {
        return new Ranked(
                h.date(),
                h.score(),
                Span.of(h.window()),
                h.hours(),
                h.top().map(NightSearch.Top::altitudeDeg).orElse(null),
                h.top().map(NightSearch.Top::azimuthDeg).orElse(null),
                h.top().map(NightSearch.Top::contrastPercent).orElse(null),
                h.moonFraction(),
                h.top().map(c -> c.stance().key()).orElse(null),
                h.skyMagnitude(),
                h.reasons());
    }

    @GetMapping("/showers")
    @Operation(
            summary = "Showers of meteors, each in the richest of its nights at a site",
            description =
                    "Those whose peak lies between from and to, up to a year apart. Meteors an hour for one person.")
    List<ShowerAnswer> showers(
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam Instant from,
            @RequestParam Instant to,
            @RequestParam Optional<ZoneId> zone,
            @RequestParam(defaultValue = "21.9") double zenithMagnitude) {
        if (to.isBefore(from) || Duration.between(from, to).compareTo(LONGEST_OF_SHOWERS) > 0) {
            throw new BadParameter("to", "is not in reach", "from " + from + " to " + from.plus(LONGEST_OF_SHOWERS));
        }
        Site site = new Site(latitudeDeg, longitudeDeg, elevationM);
        ZoneId there = zone.orElseGet(site::hourZone);
        return ShowerNight.between(
                        from,
                        to,
                        date -> Night.of(site, date, there, NightRules.USUAL),
                        SkyGlow.ofZenith(zenithMagnitude),
                        there)
                .stream()
                .map(n -> new ShowerAnswer(
                        n.shower().name(),
                        n.night().date(),
                        n.best(),
                        n.perHour(),
                        n.perHourInTheDark(),
                        Span.of(n.window()),
                        n.radiantDeg()))
                .toList();
    }

    @GetMapping("/alignments")
    @Operation(
            summary = "When something stands in a wanted direction",
            description = "body: " + Targets.NAMES + ". tolerance: angle on the sky, 0.01 to 10\u00b0. years: 1 to 20.")
    List<AlignmentAnswer> alignments(
            @RequestParam String body,
            @RequestParam double latitudeDeg,
            @RequestParam double longitudeDeg,
            @RequestParam(defaultValue = "0") double elevationM,
            @RequestParam double azimuthDeg,
            @RequestParam double airlessAltitudeDeg,
            @RequestParam(defaultValue = "0.5") double tolerance,
            @RequestParam Instant from,
            @RequestParam(defaultValue = "1") int years) {
        Site site = new Site(latitudeDeg, longitudeDeg, elevationM);
        return Alignments.find(
                        Targets.named(body),
                        site,
                        new Direction(Range.AZIMUTH.check(azimuthDeg), airlessAltitudeDeg),
                        tolerance,
                        from,
                        years)
                .stream()
                .map(a -> new AlignmentAnswer(
                        a.when(),
                        a.separationDeg(),
                        a.azimuthDeg(),
                        a.altitudeDeg(),
                        a.sunAltitudeDeg(),
                        a.light().key(),
                        a.moonFraction(),
                        a.moonAltitudeDeg()))
                .toList();
    }
}
