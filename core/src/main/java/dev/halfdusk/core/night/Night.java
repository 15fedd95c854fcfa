package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.HorizonEvents;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * One night at one site, from local noon to the next local noon: what rises and sets, when it is dark, when the dark is
 * free of moon, and when the core stands in it. Polar summer and winter and nights without darkness are results like any
 * other. Times to one second, under the conventions of {@link HorizonEvents}.
 */
public final class Night {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    private final Site site;
    private final LocalDate date;
    private final ZoneId zone;
    private final NightRules rules;
    private final Observer observer;
    private final Interval span;
    private final Events search;
    private final List<HorizonEvent> events;
    private final List<Interval> sunDown;
    private final List<Interval> dark;
    private final List<Interval> moonless;
    private final List<Interval> coreUp;
    private final List<Interval> coreDark;
    private final Extreme sunLowest;
    /** In the night of an eclipse the middle of it is no farther from full. */
    private static final double NEAR_FULL_DEG = 10;

    /** A moon that has less of its light left brightens a natural sky by less than a tenth of it. */
    private static final double SHADOWED = 1e-3;

    private final List<Crossing> coreCrossings;
    private final Optional<Instant> coreTransit;

    private Night(Site site, LocalDate date, ZoneId zone, NightRules rules) {
        this.site = site;
        this.date = date;
        this.zone = zone;
        this.rules = rules;
        observer = Observer.at(site);
        span = new Interval(noon(date, zone), noon(date.plusDays(1), zone));
        search = Events.over(span.from(), span.to(), Events.DAILY_STEP);
        events = HorizonEvents.in(search, observer, rules.dipDeg());
        sunDown = below(HorizonEvent.Kind.SUN);
        Fact sun = Facts.altitude(Body.SUN, observer);
        dark = Interval.without(span, search.above(sun.above(-rules.sunDepressionDeg())));
        moonless = Interval.common(dark, moonDown());
        coreUp = when(above(FixedPoint.CORE, rules.coreAltitudeDeg()));
        coreDark = Interval.common(moonless, coreUp);
        sunLowest = lowest(sun);
        coreCrossings = search.find(above(FixedPoint.CORE, 0));
        coreTransit = search.find(Facts.hourAngle(FixedPoint.CORE, observer)).stream()
                .map(Crossing::when)
                .findFirst();
    }

    /**
     * @param date of the evening
     * @param zone whose noon begins and ends the night, so that it may last 23 or 25 hours
     * @throws dev.halfdusk.core.sky.DateOutOfRange outside 2000–2059
     * @throws NoSuchDate for a date that the zone skipped
     */
    public static Night of(Site site, LocalDate date, ZoneId zone, NightRules rules) {
        if (!exists(date, zone)) {
            throw new NoSuchDate(date, zone);
        }
        return new Night(site, date, zone, rules);
    }

    /** Whether clocks of the zone showed the date at all. */
    public static boolean exists(LocalDate date, ZoneId zone) {
        return noon(date, zone).atZone(zone).toLocalDate().equals(date);
    }

    /** Noon of a day, which begins a night; never skipped by daylight saving. */
    static Instant noon(LocalDate day, ZoneId zone) {
        return day.atTime(LocalTime.NOON).atZone(zone).toInstant();
    }

    /** The evening's date of the night to which an instant belongs: before noon it is still the night before. */
    public static LocalDate evening(Instant when, ZoneId zone) {
        LocalDateTime wall = LocalDateTime.ofInstant(when, zone);
        return wall.toLocalTime().isBefore(LocalTime.NOON) ? wall.toLocalDate().minusDays(1) : wall.toLocalDate();
    }

    /** The instant at which the clock on the wall shows a time in the night of an evening. */
    public static Instant at(LocalDate evening, LocalTime clock, ZoneId zone) {
        LocalDate day = clock.isBefore(LocalTime.NOON) ? evening.plusDays(1) : evening;
        return day.atTime(clock).atZone(zone).toInstant();
    }

    /**
     * The stretches of the night in which a fact is above zero: every subject asks for its own windows here. The samples
     * of the night are used again.
     */
    public List<Interval> when(Fact fact) {
        return search.above(fact);
    }

    /** Airless altitude of a target above the skyline, and above a wanted altitude where that is higher. */
    public Fact above(Target target, double wantedDeg) {
        return moment -> {
            Direction at = Direction.of(moment.local(target, observer));
            return at.altitudeDeg() - Math.max(wantedDeg, rules.skyline().altitudeAt(at.azimuthDeg()));
        };
    }

    private List<Interval> below(HorizonEvent.Kind kind) {
        List<Crossing> crossings = events.stream()
                .filter(e -> e.kind() == kind)
                .map(e -> new Crossing(e.when(), e.up()))
                .toList();
        return Interval.without(span, search.above(kind.fact(observer, rules.dipDeg()), crossings));
    }

    /** Moon below the horizon, or too faint to matter under the rules. */
    private List<Interval> moonDown() {
        if (rules.moonAllowanceMag() == 0) {
            List<Interval> up = Interval.without(span, below(HorizonEvent.Kind.MOON));
            return Interval.without(span, Interval.common(up, Interval.without(span, shadowed())));
        }
        Fact tooBright = moment -> {
            SunAndMoon lamps = SunAndMoon.at(moment, observer);
            return Moonlight.zenithBrightening(lamps) - rules.moonAllowanceMag();
        };
        return Interval.without(span, when(tooBright));
    }

    /** The moon so deep in the earth's shadow that it lights nothing. */
    private List<Interval> shadowed() {
        double phase = Illumination.of(Body.MOON, Moment.at(span.middle())).phaseAngleDeg();
        return phase > NEAR_FULL_DEG
                ? List.of()
                : when(moment -> SHADOWED - SunAndMoon.at(moment, observer).moonShare());
    }

    /** When a target stands highest in the night, or at an end of it where it does not turn. */
    public Instant highest(Target target) {
        Fact altitude = Facts.altitude(target, observer);
        return lowest(m -> -altitude.at(m)).when();
    }

    private Extreme lowest(Fact fact) {
        return search.extremes(fact).stream()
                .filter(e -> !e.highest())
                .min(Comparator.comparingDouble(Extreme::value))
                .orElseGet(() -> lowerEnd(fact)); // at the poles an altitude need not turn within a day
    }

    private Extreme lowerEnd(Fact fact) {
        double first = fact.at(Moment.at(span.from()));
        double last = fact.at(Moment.at(span.to()));
        return first <= last ? new Extreme(span.from(), first, false) : new Extreme(span.to(), last, false);
    }

    public Site site() {
        return site;
    }

    /** The evening's date. */
    public LocalDate date() {
        return date;
    }

    public ZoneId zone() {
        return zone;
    }

    public NightRules rules() {
        return rules;
    }

    public Observer observer() {
        return observer;
    }

    /** Noon to noon. */
    public Interval span() {
        return span;
    }

    /** Rise, set and twilight of sun and moon, in order. */
    public List<HorizonEvent> events() {
        return events;
    }

    /** When sun or moon rises, or a twilight ends in the morning, for the first time; empty where it does not. */
    public Optional<Instant> rise(HorizonEvent.Kind kind) {
        return times(kind, HorizonEvent::up);
    }

    /** When sun or moon sets, or a twilight begins in the evening, for the first time; empty where it does not. */
    public Optional<Instant> set(HorizonEvent.Kind kind) {
        return times(kind, e -> !e.up());
    }

    private Optional<Instant> times(HorizonEvent.Kind kind, Predicate<HorizonEvent> way) {
        return events.stream()
                .filter(e -> e.kind() == kind)
                .filter(way)
                .map(HorizonEvent::when)
                .findFirst();
    }

    /** "23:05": what clocks of the zone show, to the nearest minute. */
    public String clock(Instant when) {
        return CLOCK.format(when.plusSeconds(30).atZone(zone));
    }

    /** The instant so many minutes after the noon that begins the night. */
    public Instant at(int minute) {
        return span.from().plus(Duration.ofMinutes(minute));
    }

    /** Whole minutes from the noon that begins the night. */
    public int minute(Instant when) {
        return (int) Math.floorDiv(Duration.between(span.from(), when).toSeconds() + 30, 60);
    }

    /** When to shoot: core in the moonless dark, or what comes nearest to it; empty where it never gets dark. */
    public Optional<Interval> window() {
        return coreWindow().or(this::darkWindow);
    }

    /** The instant to look at first: the middle of the window, or the deepest of the night, to ten minutes. */
    public Instant best() {
        Instant middle = window().map(Interval::middle).orElse(sunLowest.when());
        return at((int) Math.rint(minute(middle) / 10.0) * 10);
    }

    /** What a camera is pointed at when nobody says otherwise. */
    public enum Towards {
        CORE,
        OPEN_SKY
    }

    /** Where to point, and at what. */
    public record Aim(Direction direction, Towards towards) {}

    /** The core while it is above the level horizon; otherwise half way up on the equator's side of the sky. */
    public Aim aim(Instant when) {
        Direction core = core(when).direction();
        return core.altitudeDeg() > 0 ? new Aim(core, Towards.CORE) : new Aim(site.idleAim(), Towards.OPEN_SKY);
    }

    /** Whether the core stands above the skyline and the level horizon at an instant. */
    public boolean coreSeen(Instant when) {
        return rules.skyline().shows(core(when).direction());
    }

    /** Sun below the horizon. Empty in polar summer, the whole span in polar night. */
    public List<Interval> sunDown() {
        return sunDown;
    }

    /** The stretch without sun that holds the deepest of the night; all of it where the sun never sets. */
    public Interval down() {
        return sunDown.stream()
                .filter(i -> !sunLowest.when().isBefore(i.from())
                        && !sunLowest.when().isAfter(i.to()))
                .findFirst()
                .orElse(span);
    }

    /** Sun deeper than the rules ask. */
    public List<Interval> dark() {
        return dark;
    }

    /** Dark, with the moon below the horizon. */
    public List<Interval> moonless() {
        return moonless;
    }

    /** Core high enough and above the skyline, whatever the light. */
    public List<Interval> coreUp() {
        return coreUp;
    }

    /** Core up in a dark sky without moon: what a Milky Way picture wants. */
    public List<Interval> coreDark() {
        return coreDark;
    }

    /** The longest of the core's dark stretches; without one the longest in which the core is up in the dark under a moon. */
    public Optional<Interval> coreWindow() {
        return Interval.longest(coreDark).or(() -> Interval.longest(Interval.common(dark, coreUp)));
    }

    /** Whether the core is up in the dark at all, under a moon or not: in winter and far north nothing is said of it. */
    public boolean hasCore() {
        return coreWindow().isPresent();
    }

    /** The longest stretch of dark without moon, or of plain dark if the moon is up all night. */
    public Optional<Interval> darkWindow() {
        return Interval.longest(moonless).or(() -> Interval.longest(dark));
    }

    /** When the core comes over the skyline. Empty where it is up or down all day. */
    public Optional<Instant> coreRise() {
        return coreCrossings.stream()
                .filter(Crossing::rising)
                .map(Crossing::when)
                .findFirst();
    }

    /** When the core goes behind the skyline. */
    public Optional<Instant> coreSet() {
        return coreCrossings.stream()
                .filter(c -> !c.rising())
                .map(Crossing::when)
                .findFirst();
    }

    /** When the core stands highest within its window: at its transit, or at the end of the window nearer to it. */
    public Optional<Instant> coreBest() {
        return coreWindow()
                .map(w -> coreTransit
                        .filter(w::contains)
                        .orElseGet(() ->
                                core(w.from()).altitudeDeg() >= core(w.to()).altitudeDeg() ? w.from() : w.to()));
    }

    /** When the core passes the meridian at its highest. */
    public Optional<Instant> coreTransit() {
        return coreTransit;
    }

    /** Airless altitude of the celestial pole that is up: the latitude. It stands in the north or in the south. */
    public double poleAltitudeDeg() {
        return Math.abs(site.latitudeDeg());
    }

    /** How much wider than on average the moon looks, at the deepest of the night: 1.07 wide, 0.93 narrow. */
    public double moonSize() {
        return LunarMonth.size(Moment.at(sunLowest.when()));
    }

    /** Lowest altitude of the sun's centre and when. */
    public Extreme sunLowest() {
        return sunLowest;
    }

    /** The moon's light at the middle of the night. */
    public Illumination moon() {
        return Illumination.of(Body.MOON, Moment.at(sunLowest.when()));
    }

    /** Where the core is at an instant, airless. */
    public Horizontal core(Instant when) {
        return Moment.at(when).observed(FixedPoint.CORE, observer);
    }

    /** Why the core is not up within some times, to be followed by what times they are. */
    public String whyNoCore(List<Interval> times) {
        double highest = times.stream()
                .flatMap(w -> Stream.concat(Stream.of(w.from(), w.to()), coreTransit.filter(w::contains).stream()))
                .mapToDouble(t -> core(t).altitudeDeg())
                .max()
                .orElse(-90);
        if (highest < 0) {
            return "the core stays below the horizon";
        }
        return highest < rules.coreAltitudeDeg()
                ? Numbers.text(
                        "the core stands no higher than %.1f\u00b0 (%.0f\u00b0 is wanted)",
                        highest, rules.coreAltitudeDeg())
                : "the skyline hides the core";
    }

    /** The arch of the Milky Way at an instant. */
    public Galaxy.Arch arch(Instant when) {
        return Galaxy.arch(Moment.at(when), observer);
    }

    /** What kind of night the sun makes of it. */
    public Darkness darkness() {
        if (sunDown.isEmpty()) {
            return Darkness.SUN_STAYS_UP;
        }
        if (dark.isEmpty()) {
            return Darkness.TWILIGHT_ONLY;
        }
        return sunDown.get(0).equals(span) ? Darkness.SUN_STAYS_DOWN : Darkness.DARK;
    }

    /** The four kinds of night. */
    public enum Darkness {
        DARK,
        TWILIGHT_ONLY,
        SUN_STAYS_UP,
        SUN_STAYS_DOWN;

        /** Stable name for interfaces. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
