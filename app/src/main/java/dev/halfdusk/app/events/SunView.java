package dev.halfdusk.app.events;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.CentralLine;
import dev.halfdusk.core.eclipse.Discs;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse.Contact;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * An eclipse of the sun at a place, as its page shows it. All times are those of the place.
 *
 * @param filter what holds for the filter here
 * @param line how far the central line is, and what one would gain there; null where there is none
 */
record SunView(
        String title,
        String headline,
        String filter,
        List<Row> rows,
        String line,
        List<Elsewhere> places,
        MapPicture map) {

    /**
     * A contact, with the discs as they stand here, up being up.
     *
     * @param moonX of the moon's middle in radii of the sun, to the right; moonY downwards
     */
    record Row(
            String name,
            String what,
            String local,
            String utc,
            String stands,
            String position,
            boolean up,
            double moonX,
            double moonY,
            double moonRadius) {}

    /** What another place sees. */
    record Elsewhere(long id, String name, String type, String inner, String covered, String stands, boolean here) {}

    private static final int MOST_PLACES = 20;

    private static final Map<String, String> WORDS = Map.of(
            "c1", "the moon touches the sun",
            "c4", "the moon leaves it",
            "max", "most of it covered");

    static SunView of(SolarEclipse e, LocalSolarEclipse local, Place here, List<Place> all, MapPicture map) {
        Observer observer = Observer.at(here.site());
        String type = local.type().words();
        return new SunView(
                Words.capital(type) + " eclipse of the sun at " + here.name(),
                headline(local, here.zone()),
                FilterWindow.words(local, FilterWindow.of(local, FilterWindow.Margins.LEAST)),
                local.contacts().stream()
                        .map(c -> row(c, local.type(), observer, here.zone()))
                        .toList(),
                line(e, local, here),
                elsewhere(e, here, all),
                map);
    }

    private static String headline(LocalSolarEclipse local, ZoneId zone) {
        Contact max = local.max();
        if (!max.up()) {
            return hidden(local, zone);
        }
        return Words.day(LocalDate.ofInstant(max.when(), zone)) + " \u00b7 "
                + (local.inner().isZero()
                        ? ""
                        : local.type().words() + " for " + Words.seconds(local.inner()) + " \u00b7 ")
                + Words.covered(local.obscuration()) + " of the sun covered, magnitude "
                + Words.number(local.magnitude(), 3) + " \u00b7 sun "
                + max.sun().high() + " in the "
                + Angles.compass(max.sun().azimuthDeg()) + " \u00b7 times belong to this place only";
    }

    /** Of an eclipse whose maximum comes while the sun is down: what of it is seen first. */
    private static String hidden(LocalSolarEclipse local, ZoneId zone) {
        Contact max = local.max();
        String geometric = Words.covered(local.obscuration()) + " at " + Words.clockSeconds(max.when(), zone);
        return Words.day(LocalDate.ofInstant(max.when(), zone)) + " \u00b7 "
                + local.seen()
                        .map(s -> "at most " + Words.covered(s.obscuration())
                                + " of the sun covered while it is up, magnitude "
                                + Words.number(s.magnitude(), 3) + " at " + Words.clockSeconds(s.when(), zone)
                                + ", " + s.sun().high() + " in the "
                                + Angles.compass(s.sun().azimuthDeg())
                                + " \u00b7 its maximum, " + geometric + ", is not seen")
                        .orElse("nothing of it is seen: the sun is down; its maximum would be " + geometric)
                + " \u00b7 times belong to this place only";
    }

    private static Row row(Contact c, Type type, Observer observer, ZoneId zone) {
        Moment moment = Moment.at(c.when());
        Discs discs = Discs.at(moment, observer);
        // from the sun's middle to the moon's: the angle is that of the touching point, which lies the other way inside
        // a larger disc
        boolean far = type == Type.TOTAL && (c.name().equals("c2") || c.name().equals("c3"));
        double angle = Math.toRadians(c.fromZenithDeg() + (far ? 180 : 0));
        double apart = discs.separationDeg() / discs.sunDeg();
        return new Row(
                c.name().equals("max") ? "maximum" : c.name().toUpperCase(Locale.ROOT),
                WORDS.getOrDefault(
                        c.name(),
                        c.name().equals("c2") ? type.words() + " phase begins" : type.words() + " phase ends"),
                Words.clockSeconds(c.when(), zone),
                Words.clockSeconds(c.when(), ZoneOffset.UTC),
                Words.number(c.sun().altitudeDeg(), 1) + "\u00b0 "
                        + Angles.compass(c.sun().azimuthDeg()),
                Words.number(c.positionDeg(), 0) + "\u00b0",
                c.up(),
                -apart * Math.sin(angle),
                -apart * Math.cos(angle),
                discs.moonDeg() / discs.sunDeg());
    }

    private static String line(SolarEclipse e, LocalSolarEclipse local, Place here) {
        Optional<CentralLine.Place> nearest = CentralLine.nearest(e, here.site());
        if (nearest.isEmpty()) {
            return null;
        }
        Site there = nearest.get().site();
        double km = CentralLine.distanceKm(here.site(), there);
        double bearing = Geodesy.bearingDeg(
                here.site().latitudeDeg(), here.site().longitudeDeg(), there.latitudeDeg(), there.longitudeDeg());
        double longer = LocalSolarEclipse.of(e, Observer.at(there), Skyline.FLAT)
                        .map(l -> l.inner().toMillis() / 1000.0)
                        .orElse(0.0)
                - local.inner().toMillis() / 1000.0;
        return "The central line passes " + Words.number(km, km < 10 ? 1 : 0) + " km to the " + Angles.compass(bearing)
                + ", at "
                + Words.number(there.latitudeDeg(), 3) + "\u00b0, " + Words.number(there.longitudeDeg(), 3)
                + "\u00b0. There it lasts "
                + Words.number(longer, 0) + " s longer"
                + (local.inner().isZero() || km < 1
                        ? "."
                        : ": " + Words.number(longer / km, 1)
                                + " s a kilometre on the average, most of it near the edge.");
    }

    private static List<Elsewhere> elsewhere(SolarEclipse e, Place here, List<Place> all) {
        return all.stream()
                .sorted(Comparator.comparingDouble(p -> CentralLine.distanceKm(here.site(), p.site())))
                .limit(MOST_PLACES)
                .map(p -> LocalSolarEclipse.of(e, Observer.at(p.site()), p.skyline())
                        .map(l -> new Elsewhere(
                                p.id(),
                                p.name(),
                                l.type().words(),
                                l.inner().isZero() ? "" : Words.seconds(l.inner()),
                                Words.covered(l.seen()
                                        .map(LocalSolarEclipse.Seen::obscuration)
                                        .orElse(l.obscuration())),
                                Words.number(l.max().sun().altitudeDeg(), 0) + "\u00b0"
                                        + (l.max().up()
                                                ? ""
                                                : l.seen().isPresent() ? ", its maximum not seen" : ", not seen"),
                                p.id().equals(here.id())))
                        .orElse(new Elsewhere(p.id(), p.name(), "none", "", "", "", false)))
                .toList();
    }
}
