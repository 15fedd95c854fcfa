package dev.halfdusk.core.outing;

import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Offer;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Clip;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Meteors;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.NightScene;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * What could be taken next at a place: of each subject the first night of the coming weeks that is nearly as good for it as the best
 * of them. Habits of the craft, to be argued with.
 */
public final class NextTakes {

    /** A lunation: every moon there is. */
    private static final int NIGHTS = 30;

    private static final int YEARS_OF_ECLIPSES = 3;

    /** As good as the best. */
    private static final double NEARLY = 0.9;

    /** When a sickle is left: in totality a lens with its filter sees nothing. */
    private static final Duration BEFORE_TOTALITY = Duration.ofMinutes(12);

    /** Of the sun's area. */
    private static final double LEAST_COVERED = 0.05;

    private static final double ENOUGH_HOURS = 3;
    private static final double FEWEST_METEORS = 10;
    private static final Duration DARK_WORTH = Duration.ofMinutes(90);
    private static final double THIN = 0.14;
    private static final double THINNEST = 0.01;
    private static final double THIN_MOON_DEG = 6;
    private static final double DUSK_SUN_DEG = -7;
    private static final LocalTime DISPLAY = LocalTime.of(22, 30);

    private final Function<LocalDate, Circumstances> circumstances;
    private final List<Circumstances> coming;
    private final Cameras cameras;

    private NextTakes(Function<LocalDate, Circumstances> circumstances, List<Circumstances> coming, Cameras cameras) {
        this.circumstances = circumstances;
        this.coming = coming;
        this.cameras = cameras;
    }

    /**
     * One of them.
     *
     * @param c of its night
     * @param at an instant to look at it
     */
    public record Next(Take take, Circumstances c, Instant at, String why) {

        public Night night() {
            return c.night();
        }

        /** The date by which people call it: that of the evening, and by day its own. */
        public LocalDate day() {
            return altitude(Body.SUN, at, c) > 0
                    ? LocalDate.ofInstant(at, c.night().zone())
                    : c.night().date();
        }
    }

    /**
     * @param circumstances of a night at the place
     * @param from the first evening that is looked at
     * @param last evening that can be reckoned
     * @return in order of their nights; none without a camera for stars
     */
    public static List<Next> of(
            Function<LocalDate, Circumstances> circumstances,
            LocalDate from,
            LocalDate last,
            List<NightProposal.Ranked> ranked) {
        Optional<Cameras> cameras = Cameras.of(ranked);
        if (cameras.isEmpty()) {
            return List.of();
        }
        List<Circumstances> coming = new ArrayList<>();
        for (int i = 0; i < NIGHTS && !from.plusDays(i).isAfter(last); i++) {
            coming.add(circumstances.apply(from.plusDays(i)));
        }
        if (coming.isEmpty()) {
            return List.of();
        }
        NextTakes next = new NextTakes(circumstances, coming, cameras.get());
        List<Optional<Next>> all = List.of(
                next.milkyWay(),
                next.arch(),
                next.trails(),
                next.clip(),
                next.portrait(),
                next.moonOverMark(),
                next.thinMoon(),
                next.eclipse(last),
                next.solarEclipse(last),
                next.meteors(last),
                next.fireworks(),
                next.nightScene());
        return all.stream()
                .flatMap(Optional::stream)
                .sorted(Comparator.comparing((Next n) -> n.night().date()))
                .toList();
    }

    /** The first that is nearly as good as the best; empty where none is good at all. */
    private Optional<Circumstances> first(ToDoubleFunction<Circumstances> worth) {
        double[] all = coming.stream().mapToDouble(worth).toArray();
        double best = 0;
        for (double w : all) {
            best = Math.max(best, w);
        }
        for (int i = 0; i < all.length; i++) {
            if (best > 0 && all[i] >= NEARLY * best) {
                return Optional.of(coming.get(i));
            }
        }
        return Optional.empty();
    }

    private Optional<Next> milkyWay() {
        return first(c -> offers(c).map(NextTakes::worth).orElse(0.0))
                .flatMap(c -> offers(c)
                        .map(o -> new Next(
                                Take.of("Milky Way", new MilkyWay(5), cameras.first())
                                        .with(Wish.highest(o.asked())),
                                c,
                                o.best(),
                                Numbers.text(
                                        "%s, %.0f\u00b0 high, %.0f %% brighter than %s sky",
                                        o.sight().title(),
                                        o.at().altitudeDeg(),
                                        o.contrastPercent(),
                                        o.sight().verb("its", "their")))));
    }

    private static Optional<Offer> offers(Circumstances c) {
        return Offer.of(Sight.MILKY_WAY, c.night(), c.from().glow()).stream()
                .filter(o -> !o.sight().equals(Sight.ARCH))
                .filter(o -> o.window().isPresent() && o.contrastPercent() >= NightSearch.CONTRAST_PLAIN)
                .max(Comparator.comparingDouble(NextTakes::worth));
    }

    private static double worth(Offer o) {
        double hours = o.window().orElseThrow().length().toMinutes() / 60.0;
        return o.contrastPercent() * Math.min(1, hours / ENOUGH_HOURS);
    }

    private Optional<Next> arch() {
        Wish wish = Wish.of(Wish.Kind.ARCH_LOWEST);
        return first(c -> wish.when(c)
                        .best()
                        .filter(t -> c.night().arch(t).topAltitudeDeg() <= NightProposal.LOW_ARCH_DEG)
                        .map(t -> hours(c.night().core().inDark()))
                        .orElse(0.0))
                .map(c -> {
                    Instant t = wish.when(c).best().orElseThrow();
                    return new Next(
                            Take.of("Arch", Arch.KIND.usual(), cameras.first()),
                            c,
                            t,
                            Numbers.text(
                                    "only %.0f\u00b0 high as it rises",
                                    c.night().arch(t).topAltitudeDeg()));
                });
    }

    private static double hours(List<Interval> times) {
        return Interval.longest(times).map(i -> i.length().toMinutes() / 60.0).orElse(0.0);
    }

    private Optional<Circumstances> dark() {
        return first(c -> Interval.longest(c.night().moonless())
                .filter(d -> d.length().compareTo(DARK_WORTH) >= 0)
                .map(d -> Math.min(ENOUGH_HOURS, d.length().toMinutes() / 60.0))
                .orElse(0.0));
    }

    private static Interval longestDark(Circumstances c) {
        return Interval.longest(c.night().moonless()).orElseThrow();
    }

    private Optional<Next> trails() {
        return dark().map(c -> new Next(
                Take.of("Star trails", new Trails(20, 30, 1, 5), cameras.second()),
                c,
                longestDark(c).from(),
                "circles of 20\u00b0 in a dark sky without moon"));
    }

    private Optional<Next> clip() {
        return dark().map(c -> new Next(
                Take.of("Time-lapse", new Clip(10, 25, 15), cameras.second()).with(Wish.of(Wish.Kind.DARK)),
                c,
                longestDark(c).middle(),
                "ten seconds of the turning sky"));
    }

    private Optional<Next> portrait() {
        return dark().map(c -> new Next(
                Take.of("Friend under the stars", new People(4), cameras.first()),
                c,
                longestDark(c).from(),
                "someone who holds still, and a dark sky"));
    }

    /** Over a mark while land and moon are about as bright. */
    private Optional<Next> moonOverMark() {
        for (Circumstances c : coming) {
            if (!RoundMoon.is(c.night().moon().fraction())) {
                continue;
            }
            for (Named mark : c.against()) {
                Wish over = Wish.over(Wish.Kind.MOON_OVER_MARK, mark);
                Optional<Instant> best = over.when(c).best().filter(t -> RoundMoon.balanced(altitude(Body.SUN, t, c)));
                if (best.isPresent()) {
                    return Optional.of(new Next(
                            atLongEnd(Take.of("Moon over " + mark.name(), Moon.KIND.usual(), cameras.longest()))
                                    .with(over),
                            c,
                            best.get(),
                            Numbers.text("%.0f %% lit, with light on the land", 100 * fraction(best.get()))));
                }
            }
        }
        return Optional.empty();
    }

    private static double altitude(Body body, Instant t, Circumstances c) {
        return Moment.at(t).local(body, c.night().observer()).latitudeDeg();
    }

    private static double fraction(Instant t) {
        return Illumination.of(Body.MOON, Moment.at(t)).fraction();
    }

    private static Take atLongEnd(Take take) {
        Rig rig = take.camera().rig();
        double mm = rig.lens().longestMm();
        return take.set(mm, take.subject().usualAperture(rig, mm));
    }

    /** A sickle in the dusk, with the earth's light on the rest. */
    private Optional<Next> thinMoon() {
        for (Circumstances c : coming) {
            Optional<Instant> dusk = dusk(c.night());
            if (dusk.isEmpty()) {
                continue;
            }
            double lit = fraction(dusk.get());
            double high = altitude(Body.MOON, dusk.get(), c);
            boolean before = LocalTime.ofInstant(dusk.get(), c.night().zone()).isAfter(LocalTime.NOON);
            if (before && lit > THINNEST && lit < THIN && high > THIN_MOON_DEG) {
                LocalTime clock = LocalTime.ofInstant(dusk.get(), c.night().zone())
                        .withSecond(0)
                        .withNano(0);
                return Optional.of(new Next(
                        atLongEnd(Take.of("Thin moon", Moon.KIND.usual(), cameras.longest()))
                                .with(Wish.at(clock)),
                        c,
                        dusk.get(),
                        Numbers.text("%.0f %% lit, %.0f\u00b0 high at dusk, earthshine on the rest", 100 * lit, high)));
            }
        }
        return Optional.empty();
    }

    /** When the sun has gone so deep that thin moons shine. */
    private static Optional<Instant> dusk(Night night) {
        Extreme lowest = night.sunLowest();
        return lowest.value() > DUSK_SUN_DEG
                ? Optional.empty()
                : Interval.without(
                                night.span(),
                                night.when(
                                        m -> m.local(Body.SUN, night.observer()).latitudeDeg() - DUSK_SUN_DEG))
                        .stream()
                        .map(Interval::from)
                        .findFirst();
    }

    private Optional<Next> eclipse(LocalDate last) {
        Night first = coming.get(0).night();
        Interval ahead = ahead(first, YEARS_OF_ECLIPSES, last);
        return LocalEclipse.between(
                        ahead.from(),
                        ahead.to(),
                        first.observer(),
                        coming.get(0).from().skyline())
                .stream()
                .filter(e -> e.eclipse().u1().isPresent() && e.seen() != LocalEclipse.Seen.NOT)
                .findFirst()
                .map(e -> {
                    Circumstances c =
                            circumstances.apply(Night.evening(e.eclipse().greatest(), first.zone()));
                    Take take = atLongEnd(Take.of("Eclipse of the moon", EclipsedMoon.KIND.usual(), cameras.longest()));
                    Wish.When when = take.wish().when(c);
                    Instant at = when.windows().stream()
                                    .anyMatch(w -> w.contains(e.eclipse().greatest()))
                            ? e.eclipse().greatest()
                            : when.windows().stream()
                                    .findFirst()
                                    .map(Interval::middle)
                                    .orElse(e.eclipse().greatest());
                    return new Next(take, c, at, e.eclipse().type().words() + ", from this place");
                });
    }

    /** With a filter on the lens, or not at all; nothing that one would hardly notice. */
    private Optional<Next> solarEclipse(LocalDate last) {
        Night first = coming.get(0).night();
        Interval ahead = ahead(first, YEARS_OF_ECLIPSES, last);
        return cameras.filtered()
                .flatMap(camera -> SolarEclipses.between(ahead.from(), ahead.to()).stream()
                        .flatMap(
                                e -> LocalSolarEclipse.of(
                                        e,
                                        first.observer(),
                                        coming.get(0).from().skyline())
                                        .stream())
                        .filter(e -> e.seen()
                                .filter(s -> s.obscuration() >= LEAST_COVERED)
                                .isPresent())
                        .findFirst()
                        .flatMap(e -> solarEclipse(camera, e)));
    }

    /** In the night that has its day between its two noons: that of the evening before it where it is over by noon. */
    private Optional<Next> solarEclipse(NamedCamera camera, LocalSolarEclipse e) {
        LocalSolarEclipse.Seen seen = e.seen().orElseThrow();
        boolean total = e.type() == SolarEclipse.Type.TOTAL;
        Instant looked = total ? seen.when().minus(BEFORE_TOTALITY) : seen.when();
        LocalDate day = LocalDate.ofInstant(seen.when(), coming.get(0).night().zone());
        Take take = atLongEnd(Take.of("Eclipse of the sun", EclipsedSun.KIND.usual(), camera));
        return Stream.of(day.minusDays(1), day)
                .map(circumstances)
                .filter(c -> !take.wish().when(c).windows().isEmpty())
                .findFirst()
                .map(c -> new Next(
                        take,
                        c,
                        looked.truncatedTo(ChronoUnit.MINUTES),
                        Numbers.text(
                                "%s here, %.0f %% of the sun covered, %s",
                                e.type().words(),
                                100 * seen.obscuration(),
                                seen.sun().high())));
    }

    private Optional<Next> meteors(LocalDate last) {
        Night first = coming.get(0).night();
        return ShowerNight.coming(
                        first.date(),
                        ahead(first, 1, last).to(),
                        date -> circumstances.apply(date).night(),
                        coming.get(0).from().glow(),
                        first.zone())
                .filter(n -> n.perHour() >= FEWEST_METEORS)
                .flatMap(n -> meteors(n).stream())
                .findFirst();
    }

    /** Of the times at which it would be taken the nearest to that at which most are seen, which may be in twilight. */
    private Optional<Next> meteors(ShowerNight n) {
        Circumstances c = circumstances.apply(n.night().date());
        Take take = Take.of(n.shower().name(), new Meteors(120), cameras.first())
                .with(Wish.highest(Asked.of(Sight.of(n.shower()))));
        return take.wish().when(c).windows().stream()
                .map(w -> w.nearest(n.best()))
                .min(Comparator.comparing(t -> Duration.between(t, n.best()).abs()))
                .map(t -> new Next(take, c, t, Numbers.text("up to %.0f meteors an hour", n.perHour())));
    }

    /** As many years from a night on as can be reckoned. */
    private static Interval ahead(Night first, int years, LocalDate last) {
        Instant from = first.span().from();
        Instant wanted = from.plus(Duration.ofDays(365L * years));
        Instant end = Night.at(last, LocalTime.NOON.minusMinutes(1), first.zone());
        Instant to = wanted.isBefore(end) ? wanted : end;
        return new Interval(from, to.isBefore(from) ? from : to);
    }

    /** A display is on a Saturday, where nobody says more. */
    private Optional<Next> fireworks() {
        return coming.stream()
                .filter(c -> c.night().date().getDayOfWeek() == DayOfWeek.SATURDAY)
                .findFirst()
                .map(c -> new Next(
                        Take.of("Fireworks", Fireworks.KIND.usual(), cameras.first())
                                .with(Wish.at(DISPLAY)),
                        c,
                        Night.at(c.night().date(), DISPLAY, c.night().zone()).plusSeconds(60),
                        "a display of your town: set its evening and where it is fired"));
    }

    private Optional<Next> nightScene() {
        Circumstances c = coming.get(0);
        Wish wish = Wish.of(Wish.Kind.BLUE_HOUR);
        return wish.when(c).windows().stream()
                .findFirst()
                .map(w -> new Next(
                        Take.of("Night scene", NightScene.KIND.usual(), cameras.first()),
                        c,
                        w.middle(),
                        "lamps and blue hour, any evening"));
    }
}
