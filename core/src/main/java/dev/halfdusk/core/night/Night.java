package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.Moonlight;
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
import dev.halfdusk.core.sky.Interval;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One night at one site, from local noon to the next local noon: what rises and sets, when it is dark, when the dark is
 * free of moon, and when the core stands in it. Polar summer and winter and nights without darkness are results like any
 * other. Times to one second, under the conventions of {@link HorizonEvents}.
 */
public final class Night {

    private final Site site;
    private final LocalDate date;
    private final ZoneId zone;
    private final NightRules rules;
    private final Observer observer;
    private final Interval span;
    private final List<HorizonEvent> events;
    private final List<Interval> sunDown;
    private final List<Interval> dark;
    private final List<Interval> moonless;
    private final List<Interval> coreUp;
    private final List<Interval> coreDark;
    private final Extreme sunLowest;
    private final List<Crossing> coreCrossings;
    private final Optional<Instant> coreTransit;

    private Night(Site site, LocalDate date, ZoneId zone, NightRules rules) {
        this.site = site;
        this.date = date;
        this.zone = zone;
        this.rules = rules;
        observer = Observer.at(site);
        span = new Interval(noon(date), noon(date.plusDays(1)));
        Events search = Events.over(span.from(), span.to(), Events.DAILY_STEP);
        events = HorizonEvents.in(search, observer, rules.dipDeg());
        sunDown = below(search, HorizonEvent.Kind.SUN);
        Fact sun = Facts.altitude(Body.SUN, observer);
        dark = Interval.without(span, search.above(sun.above(-rules.sunDepressionDeg())));
        moonless = Interval.common(dark, moonDown(search));
        coreUp = search.above(moment -> aboveSkyline(moment, rules.coreAltitudeDeg()));
        coreDark = Interval.common(moonless, coreUp);
        sunLowest = lowest(search, sun);
        coreCrossings = search.find(moment -> aboveSkyline(moment, 0));
        coreTransit = search.find(Facts.hourAngle(FixedPoint.CORE, observer)).stream()
                .map(Crossing::when)
                .findFirst();
    }

    /**
     * @param date of the evening
     * @param zone whose noon begins and ends the night, so that it may last 23 or 25 hours
     * @throws dev.halfdusk.core.sky.DateOutOfRange outside 2000–2059
     */
    public static Night of(Site site, LocalDate date, ZoneId zone, NightRules rules) {
        return new Night(site, date, zone, rules);
    }

    private Instant noon(LocalDate day) {
        return day.atTime(LocalTime.NOON).atZone(zone).toInstant();
    }

    /** Altitude of the core above the skyline and above a wanted altitude. */
    private double aboveSkyline(Moment moment, double wantedDeg) {
        Horizontal core = moment.observed(FixedPoint.CORE, observer);
        return core.altitudeDeg() - Math.max(wantedDeg, rules.skyline().altitudeAt(core.azimuthDeg()));
    }

    private List<Interval> below(Events search, HorizonEvent.Kind kind) {
        List<Crossing> crossings = events.stream()
                .filter(e -> e.kind() == kind)
                .map(e -> new Crossing(e.when(), e.up()))
                .toList();
        return Interval.without(span, search.above(kind.fact(observer, rules.dipDeg()), crossings));
    }

    /** Moon below the horizon, or too faint to matter under the rules. */
    private List<Interval> moonDown(Events search) {
        if (rules.moonAllowanceMag() == 0) {
            return below(search, HorizonEvent.Kind.MOON);
        }
        Fact tooBright = moment -> {
            double altitude = moment.local(Body.MOON, observer).latitudeDeg();
            double phase = Illumination.of(Body.MOON, moment).phaseAngleDeg();
            return Moonlight.zenithBrightening(phase, altitude) - rules.moonAllowanceMag();
        };
        return Interval.without(span, search.above(tooBright));
    }

    private Extreme lowest(Events search, Fact fact) {
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

    public Optional<Instant> time(HorizonEvent.Kind kind, boolean up) {
        return events.stream()
                .filter(e -> e.kind() == kind && e.up() == up)
                .map(HorizonEvent::when)
                .findFirst();
    }

    /** Sun below the horizon. Empty in polar summer, the whole span in polar night. */
    public List<Interval> sunDown() {
        return sunDown;
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
        return longest(coreDark).or(() -> longest(Interval.common(dark, coreUp)));
    }

    /** The longest stretch of dark without moon, or of plain dark if the moon is up all night. */
    public Optional<Interval> darkWindow() {
        return longest(moonless).or(() -> longest(dark));
    }

    private static Optional<Interval> longest(List<Interval> intervals) {
        return intervals.stream().max(Comparator.comparing(Interval::length));
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
