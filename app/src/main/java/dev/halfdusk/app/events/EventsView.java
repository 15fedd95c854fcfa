package dev.halfdusk.app.events;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.sky.MoonPhase;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.TimeScale;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Coming events at a place, in words and numbers. */
record EventsView(
        List<EclipseRow> eclipses,
        List<SolarRow> suns,
        List<ShowerRow> showers,
        List<FullMoonRow> fullMoons,
        List<MoonRow> moons) {

    private static final Duration ECLIPSES = Duration.ofDays(5 * 365);
    private static final Duration MOONS = Duration.ofDays(100);
    private static final int MOST_FULL = 14;

    /** Fewer meteors an hour are no event. */
    private static final double FEWEST = 1.5;

    private static final Duration PATH_STEP = Duration.ofMinutes(15);
    private static final Sensor FULL_FRAME = Sensor.of(36, 24, 6000);
    private static final double BEHIND_DEG = 6;

    /**
     * An eclipse of the moon.
     *
     * @param night evening of the night to plan; null where nothing of it is seen or the night cannot be reckoned
     * @param why how much of it is seen, and why
     * @param path the moon's way over the skyline while it is up; null where nothing of it is seen
     */
    record EclipseRow(
            LocalDate night,
            String date,
            String type,
            String magnitude,
            String greatest,
            String totality,
            String why,
            boolean seen,
            UmbraPicture picture,
            PathPicture path) {}

    /**
     * An eclipse of the sun as it is seen from the place; its times belong to this place alone.
     *
     * @param inner how long it is total or annular here; empty where it is neither
     * @param covered part of the sun's area
     */
    record SolarRow(
            LocalDate utc, String date, String type, String times, String inner, String covered, String stands) {}

    /**
     * A shower of meteors in its best night here.
     *
     * @param inTheDark meteors an hour without moon, lamps and twilight
     * @param curve path of the rate through the night, in a box of 100 by 24
     * @param query that asks for its radiant
     */
    record ShowerRow(
            String name,
            LocalDate night,
            String date,
            String best,
            String times,
            String perHour,
            String inTheDark,
            String radiant,
            String moon,
            String curve,
            String query) {}

    /** A nearly full moon that rises or sets while the land is lit. */
    record FullMoonRow(
            Instant when,
            LocalDate night,
            String date,
            String clock,
            String sun,
            String towards,
            String size,
            String stands) {}

    /** A phase, or the moon near and far. */
    record MoonRow(LocalDate night, String date, String clock, String what) {}

    static EventsView of(Place place, List<Mark> marks, Skies skies, Instant now) {
        Observer observer = Observer.at(place.site());
        ZoneId zone = place.zone();
        LocalDate today = LocalDate.ofInstant(now, zone);
        Instant to = within(now.plus(ECLIPSES));
        return new EventsView(
                LocalEclipse.between(now, to, observer, place.skyline()).stream()
                        .map(e -> eclipse(e, observer, place, marks))
                        .toList(),
                suns(now, to, observer, place),
                skies.showers(place, today).stream()
                        .filter(n -> n.perHour() >= FEWEST)
                        .map(n -> shower(n, place))
                        .toList(),
                fullMoons(place, marks, skies, today),
                moons(now, within(now.plus(MOONS)), zone));
    }

    /** Not beyond what can be reckoned. */
    static Instant within(Instant t) {
        return t.isBefore(TimeScale.LAST) ? t : TimeScale.LAST;
    }

    private static EclipseRow eclipse(LocalEclipse local, Observer observer, Place place, List<Mark> marks) {
        ZoneId zone = place.zone();
        LunarEclipse e = local.eclipse();
        LocalDate evening = Night.evening(e.greatest(), zone);
        boolean seen = local.seen() != LocalEclipse.Seen.NOT;
        return new EclipseRow(
                seen && Form.NIGHTS.contains(evening) ? evening : null,
                Words.day(LocalDate.ofInstant(e.greatest(), zone)),
                e.type().words(),
                Words.number(e.type() == LunarEclipse.Type.PENUMBRAL ? e.penumbralMagnitude() : e.umbralMagnitude(), 2),
                Words.clock(e.greatest(), zone),
                e.u2().map(u2 -> Words.span(Duration.between(u2, e.u3().orElseThrow())))
                        .orElse(""),
                EclipseWords.why(local, zone),
                seen,
                UmbraPicture.of(local, observer),
                local.up(observer, place.skyline())
                        .filter(u -> u.length().compareTo(PATH_STEP) > 0)
                        .map(u -> PathPicture.of(u, PATH_STEP, place, marks, FULL_FRAME, true))
                        .orElse(null));
    }

    private static List<SolarRow> suns(Instant from, Instant to, Observer observer, Place place) {
        return SolarEclipses.between(from, to).stream()
                .flatMap(e -> LocalSolarEclipse.of(e, observer, place.skyline()).stream())
                .filter(e -> e.seen().isPresent())
                .map(e -> sun(e, place.zone()))
                .toList();
    }

    private static SolarRow sun(LocalSolarEclipse e, ZoneId zone) {
        LocalSolarEclipse.Contact max = e.max();
        String times = e.contacts().stream()
                .map(c -> c.name().equals("max")
                        ? "maximum " + Words.clockSeconds(c.when(), zone)
                        : c.name().toUpperCase(Locale.ROOT) + " " + Words.clockSeconds(c.when(), zone)
                                + (c.up() ? "" : " (sun down)"))
                .collect(Collectors.joining(" \u00b7 "));
        return new SolarRow(
                LocalDate.ofInstant(e.eclipse().greatest(), ZoneOffset.UTC),
                Words.day(LocalDate.ofInstant(max.when(), zone)),
                e.type().words(),
                times,
                e.inner().isZero() ? "" : Words.seconds(e.inner()),
                Words.covered(e.seen().map(LocalSolarEclipse.Seen::obscuration).orElse(0.0)),
                max.up()
                        ? max.sun().high() + " in the "
                                + Angles.compass(max.sun().azimuthDeg())
                        : e.seen()
                                .map(s -> "most of it at " + Words.clock(s.when(), zone) + ", "
                                        + s.sun().high() + " in the "
                                        + Angles.compass(s.sun().azimuthDeg()))
                                .orElse(""));
    }

    private static ShowerRow shower(ShowerNight n, Place place) {
        ZoneId zone = place.zone();
        Sight radiant = Sight.of(n.shower());
        return new ShowerRow(
                n.shower().name(),
                n.night().date(),
                Words.shortDay(n.night().date()) + " " + n.night().date().getYear(),
                Words.clock(n.best(), zone),
                Words.clock(n.window().from(), zone) + " to "
                        + Words.clock(n.window().to(), zone),
                Words.number(n.perHour(), 0),
                Words.number(n.perHourInTheDark(), 0),
                Words.number(n.radiantDeg(), 0) + "\u00b0",
                Words.percent(n.night().moon().fraction()),
                curve(n),
                AskedSky.query(Asked.of(radiant)));
    }

    /** In a box of 100 by 24, filled to its foot. */
    private static String curve(ShowerNight n) {
        StringBuilder path = new StringBuilder("M0,24");
        int last = n.rates().size() - 1;
        for (int i = 0; i <= last; i++) {
            double x = last == 0 ? 0 : 100.0 * i / last;
            path.append(Numbers.text(" L%.1f,%.1f", x, 24 - 22 * n.rates().get(i) / n.perHour()));
        }
        return path.append(" L100,24Z").toString();
    }

    private static List<FullMoonRow> fullMoons(Place place, List<Mark> marks, Skies skies, LocalDate today) {
        ZoneId zone = place.zone();
        Stream<FullMoonRow> rise = skies.fullMoonEvenings(place, today).stream()
                .map(e -> row(
                        "rises ", e.moonrise(), sun(e.afterSunset(), "sunset"), e.azimuthDeg(), e.size(), zone, marks));
        Stream<FullMoonRow> set = skies.fullMoonMornings(place, today).stream()
                .map(m -> row(
                        "sets ",
                        m.moonset(),
                        sun(m.beforeSunrise().negated(), "sunrise"),
                        m.azimuthDeg(),
                        m.size(),
                        zone,
                        marks));
        return Stream.concat(rise, set)
                .sorted(Comparator.comparing(FullMoonRow::when))
                .limit(MOST_FULL)
                .toList();
    }

    private static String sun(Duration after, String event) {
        long minutes = after.toMinutes();
        return Math.abs(minutes) + (minutes < 0 ? " min before " : " min after ") + event;
    }

    private static FullMoonRow row(
            String way, Instant when, String sun, double azimuthDeg, double size, ZoneId zone, List<Mark> marks) {
        String stands = marks.stream()
                .filter(m -> Math.abs(Angles.halfTurn(m.bearingDeg() - azimuthDeg)) < BEHIND_DEG)
                .map(Mark::name)
                .collect(Collectors.joining(", "));
        return new FullMoonRow(
                when,
                Night.evening(when, zone),
                Words.day(LocalDate.ofInstant(when, zone)),
                way + Words.clock(when, zone),
                sun,
                Words.number(azimuthDeg, 0) + "\u00b0 " + Angles.compass(azimuthDeg),
                NightWords.moonSize(size),
                stands);
    }

    private static List<MoonRow> moons(Instant from, Instant to, ZoneId zone) {
        record At(Instant when, String what) {}
        List<At> all = new ArrayList<>();
        MoonPhase.between(from, to)
                .forEach(p -> all.add(new At(p.when(), p.quarter().key().replace("_", " "))));
        LunarMonth.apsides(from, to)
                .forEach(a -> all.add(new At(
                        a.when(),
                        (a.perigee() ? "nearest, " : "farthest, ") + Words.number(a.distanceKm() / 1000, 0)
                                + " thousand km")));
        return all.stream()
                .sorted(Comparator.comparing(At::when))
                .map(x -> new MoonRow(
                        Night.evening(x.when(), zone),
                        Words.shortDay(LocalDate.ofInstant(x.when(), zone)),
                        Words.clock(x.when(), zone),
                        x.what()))
                .toList();
    }

    /** The next that is seen; near the end of what can be reckoned there is none. */
    public Optional<EclipseRow> next() {
        return eclipses.stream().filter(EclipseRow::seen).findFirst();
    }
}
