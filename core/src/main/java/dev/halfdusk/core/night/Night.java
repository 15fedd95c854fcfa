package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.Moonlight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.HorizonEvents;
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
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;

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
    private final Map<Sight, Showing> showings = new ConcurrentHashMap<>();

    /** Whoever asks of all sights by all darknesses asks of fewer. */
    private static final int MOST_KNOWN = 60;

    /** The same night by other rules, found once. */
    private final Map<NightRules, Night> others;

    private final Extreme sunLowest;
    /** In the night of an eclipse the middle of it is no farther from full. */
    private static final double NEAR_FULL_DEG = 10;

    /** A moon that has less of its light left brightens a natural sky by less than a tenth of it. */
    private static final double SHADOWED = 1e-3;

    private Night(
            Site site, LocalDate date, ZoneId zone, NightRules rules, Events search, Map<NightRules, Night> others) {
        this.site = site;
        this.date = date;
        this.zone = zone;
        this.rules = rules;
        this.search = search;
        this.others = others;
        observer = Observer.at(site);
        span = span(date, zone);
        events = HorizonEvents.in(search, observer, rules.dipDeg());
        sunDown = below(HorizonEvent.Kind.SUN);
        Fact sun = Facts.altitude(Body.SUN, observer);
        sunLowest = lowest(sun);
        dark = Interval.without(span, search.above(sun.above(-rules.dark().depressionDeg(sunLowest.value()))));
        moonless = Interval.common(dark, moonDown());
    }

    private static Interval span(LocalDate date, ZoneId zone) {
        return new Interval(noon(date, zone), noon(date.plusDays(1), zone));
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
        Interval span = span(date, zone);
        Events search = Events.over(span.from(), span.to(), Events.DAILY_STEP);
        return new Night(site, date, zone, rules, search, new ConcurrentHashMap<>());
    }

    /** The same night by other rules; its samples are used again. */
    public Night by(NightRules other) {
        if (other.equals(rules)) {
            return this;
        }
        if (others.size() > MOST_KNOWN) {
            others.clear();
        }
        return others.computeIfAbsent(other, r -> new Night(site, date, zone, r, search, others));
    }

    /** What is seen of a sight in it. */
    public Showing showing(Sight sight) {
        if (showings.size() > MOST_KNOWN) {
            showings.clear();
        }
        return showings.computeIfAbsent(sight, s -> new Showing(this, s));
    }

    /** What is seen of the core. */
    public Showing core() {
        return showing(Sight.CORE);
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
        return above(m -> m.local(target, observer), wantedDeg);
    }

    /** The same of whatever has a place in the sky: east, north, up. */
    Fact above(Function<Moment, Vector> local, double wantedDeg) {
        return moment -> {
            Direction at = Direction.of(local.apply(moment));
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

    /** Where a fact passes zero between the noons. */
    List<Crossing> crossings(Fact fact) {
        return search.find(fact);
    }

    /** When a fact is at its highest between the noons; empty where it never turns. */
    Optional<Instant> highest(Fact fact) {
        return search.extremes(fact).stream()
                .filter(Extreme::highest)
                .max(Comparator.comparingDouble(Extreme::value))
                .map(Extreme::when);
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
        return core().window().or(this::darkWindow);
    }

    /** The instant to look at first: the middle of the window, or the deepest of the night, to ten minutes. */
    public Instant best() {
        Instant middle = window().map(Interval::middle).orElse(sunLowest.when());
        return at((int) Math.rint(minute(middle) / 10.0) * 10);
    }

    /**
     * Where to point, and at what.
     *
     * @param at empty for open sky
     */
    public record Aim(Direction direction, Optional<Sight> at) {

        /** At nothing in particular. */
        public static Aim open(Direction direction) {
            return new Aim(direction, Optional.empty());
        }
    }

    /** Less of a band than this much height lies in haze. */
    private static final double LOWEST_AIM_DEG = 15;

    /**
     * The core while it is above the level horizon; otherwise the part of the Milky Way that reaches the eye brightest; half way up on
     * the equator's side of the sky where none is well up.
     */
    public Aim aim(Instant when) {
        Direction core = core().at(when);
        if (core.altitudeDeg() > 0) {
            return new Aim(core, Optional.of(Sight.CORE));
        }
        Moment moment = Moment.at(when);
        return Sight.MILKY_WAY.stream()
                .filter(s -> s.luminance() > 0)
                .map(s -> new Aim(Direction.of(s.local(moment, observer)), Optional.of(s)))
                .filter(a -> a.direction.altitudeDeg() >= LOWEST_AIM_DEG)
                .max(Comparator.comparingDouble(a -> a.at.orElseThrow().luminance()
                        * Air.transmission(SkyGlow.CLEAR, Air.mass(a.direction.altitudeDeg()))))
                .orElseGet(() -> Aim.open(site.idleAim()));
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

    /** Whether the rules make do with less darkness than they ask. */
    public boolean neverDarkEnough() {
        return rules.dark().depressionDeg(sunLowest.value()) < rules.dark().sunDepressionDeg();
    }

    /** Dark, with the moon below the horizon. */
    public List<Interval> moonless() {
        return moonless;
    }

    /** The longest stretch of dark without moon, or of plain dark if the moon is up all night. */
    public Optional<Interval> darkWindow() {
        return Interval.longest(moonless).or(() -> Interval.longest(dark));
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
