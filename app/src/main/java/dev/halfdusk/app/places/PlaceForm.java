package dev.halfdusk.app.places;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Town;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.Alignments;
import dev.halfdusk.core.search.OverMark;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Stream;

/** Between a place and the fields of its page. What is left empty is filled from the gazetteer. */
public final class PlaceForm {

    private static final int STRONGEST_DOMES = 12;

    private PlaceForm() {}

    /** What the fields of a place hold. */
    static final List<String> NAMES = Stream.concat(
                    Stream.of("name", "coordinates", "elevation", "zone", "darkness", "seaHorizon"),
                    Place.Notes.SHAPE.keys().stream())
            .toList();

    static Form fields(Place place) {
        Form form = new Form()
                .put("name", place.name())
                .put(
                        "coordinates",
                        Numbers.plain(place.site().latitudeDeg()) + ", "
                                + Numbers.plain(place.site().longitudeDeg()))
                .put("elevation", place.site().elevationM())
                .put("zone", place.zone())
                .put(
                        "darkness",
                        place.zenithMagnitude().isPresent()
                                ? place.zenithMagnitude().getAsDouble()
                                : "")
                .put("seaHorizon", place.seaHorizon() ? "on" : "");
        return ShapeForm.fill(form, Place.Notes.SHAPE, place.notes());
    }

    /** Reads a place; empty where the form now holds complaints. A new one gets its domes, an old one keeps what it had. */
    public static Optional<Place> read(Form form, Optional<Place> old) {
        String name = form.text("name", "a name");
        Coordinates at = coordinates(form);
        Optional<Town> nearest =
                at == null ? Optional.empty() : Gazetteer.shipped().nearest(at.latitudeDeg(), at.longitudeDeg());
        OptionalDouble elevation = elevation(form, at, nearest);
        ZoneId zone = form.has("zone") ? form.zone("zone") : at == null ? null : guessZone(at, nearest);
        OptionalDouble zenith = darkness(form);
        Optional<Place.Notes> notes = ShapeForm.read(form, Place.Notes.SHAPE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Site site = new Site(at.latitudeDeg(), at.longitudeDeg(), elevation.getAsDouble());
        Place fresh = Place.at(name, site, zone);
        return Optional.of(new Place(
                old.map(Place::id).orElse(null),
                name,
                site,
                zone,
                zenith,
                old.map(Place::skyline).orElse(fresh.skyline()),
                form.has("seaHorizon"),
                old.map(Place::domes)
                        .orElseGet(() ->
                                Gazetteer.shipped().domes(site.latitudeDeg(), site.longitudeDeg(), STRONGEST_DOMES)),
                notes.orElseThrow()));
    }

    private static Coordinates coordinates(Form form) {
        try {
            return Coordinates.parse(form.value("coordinates"));
        } catch (IllegalArgumentException e) {
            form.reject("coordinates", e.getMessage());
            return null;
        }
    }

    /** The typed elevation, else that of the link, else that of the nearest town as a first guess. */
    private static OptionalDouble elevation(Form form, Coordinates at, Optional<Town> nearest) {
        if (form.has("elevation")) {
            return form.number("elevation", Range.ELEVATION);
        }
        if (at != null
                && at.elevationM().isPresent()
                && Range.ELEVATION.holds(at.elevationM().getAsDouble())) {
            return at.elevationM();
        }
        return OptionalDouble.of(nearest.map(t -> t.elevationM().orElse(0)).orElse(0.0));
    }

    /** The zones whose clocks meet at the typed coordinates where none was typed; fewer than two where there is nothing to ask. */
    static List<ZoneId> meeting(Form form, Instant now) {
        if (form.has("zone")) {
            return List.of();
        }
        try {
            Coordinates at = Coordinates.parse(form.value("coordinates"));
            return Gazetteer.shipped().zones(at.latitudeDeg(), at.longitudeDeg(), now);
        } catch (IllegalArgumentException e) {
            return List.of();
        }
    }

    /** Asks which of several clocks counts. */
    static void askZone(Form form, Instant now) {
        List<ZoneId> zones = meeting(form, now);
        if (zones.size() > 1) {
            form.reject("zone", PlaceView.zonesMeet(zones) + " Enter the one whose clock you keep.");
        }
    }

    /** The nearest town's zone; far from any town, and where this Java does not know it, the hour zone of the longitude. */
    private static ZoneId guessZone(Coordinates at, Optional<Town> nearest) {
        try {
            if (nearest.isPresent()) {
                return ZoneId.of(nearest.get().zone());
            }
        } catch (DateTimeException e) {
            // a zone younger than this Java
        }
        return new Site(at.latitudeDeg(), at.longitudeDeg(), 0).hourZone();
    }

    /** Empty, a darkness class from 1 to 9, or a meter's reading. */
    public static OptionalDouble darkness(Form form) {
        if (!form.has("darkness")) {
            return OptionalDouble.empty();
        }
        String text = form.value("darkness");
        if (text.matches("[1-9]")) {
            return OptionalDouble.of(Luminance.ofClass(Integer.parseInt(text)));
        }
        OptionalDouble reading = form.number("darkness", SkyGlow.ZENITH);
        if (reading.isEmpty()) {
            form.replaceError(
                    "darkness", "A darkness class from 1 to 9, or a reading: " + SkyGlow.ZENITH.allowed() + ".");
        }
        return reading;
    }

    /** Before the names of the fields of a mark and a dome: both stand on the sheet of a place. */
    static final String MARK = "mark-";

    static final String DOME = "dome-";

    /** Coordinates of a mark, instead of bearing and distance. */
    private static final String AT = MARK + "at";

    static final List<String> MARK_NAMES = ShapeForm.names(MARK, Mark.SHAPE);

    static final List<String> DOME_NAMES = ShapeForm.names(DOME, Dome.SHAPE);

    static Form fields(Mark mark) {
        return ShapeForm.fill(MARK, new Form(), Mark.SHAPE, mark);
    }

    static Form fields(Dome dome) {
        return ShapeForm.fill(DOME, new Form(), Dome.SHAPE, dome);
    }

    /** Reads a dome; empty where the form now holds complaints. */
    static Optional<Dome> dome(Form form) {
        return ShapeForm.read(DOME, form, Dome.SHAPE);
    }

    /** From the mark's coordinates, where they were given, to its bearing and distance. */
    private static void placeMark(Form form, Site from) {
        if (!form.has(AT)) {
            return;
        }
        try {
            Coordinates at = Coordinates.parse(form.value(AT));
            double km =
                    Geodesy.distanceKm(from.latitudeDeg(), from.longitudeDeg(), at.latitudeDeg(), at.longitudeDeg());
            if (!Mark.DISTANCE.holds(km * 1000)) {
                form.reject(
                        AT,
                        String.format(
                                Locale.ROOT,
                                "That is %.0f m from here. Allowed: %s.",
                                km * 1000,
                                Mark.DISTANCE.allowed()));
                return;
            }
            double bearing =
                    Geodesy.bearingDeg(from.latitudeDeg(), from.longitudeDeg(), at.latitudeDeg(), at.longitudeDeg());
            form.put(MARK + "bearing", Math.round(bearing * 1000) / 1000.0);
            form.put(MARK + "distance", Math.round(km * 10_000) / 10.0);
        } catch (IllegalArgumentException e) {
            form.reject(AT, e.getMessage());
        }
    }

    /** Reads a mark by bearing and distance, or by coordinates; empty where the form now holds complaints. */
    static Optional<Mark> mark(Form form, Site from) {
        placeMark(form, from);
        Optional<Mark> mark = ShapeForm.read(MARK, form, Mark.SHAPE);
        return form.hasErrors() ? Optional.empty() : mark;
    }

    /** What to watch for over a mark. */
    record Watch(Target target, OverMark over, int years) {}

    /** Reads it; null where the form now holds complaints. */
    static Watch watch(Form form, Mark mark) {
        OptionalDouble aside = form.number("aside", OverMark.ASIDE);
        OptionalDouble upTo = form.number("upTo", OverMark.HIGHEST);
        OptionalLong years = form.whole("years", Alignments.YEARS);
        Target target = watched(form).orElse(null);
        if (upTo.isPresent() && upTo.getAsDouble() < mark.topAltitudeDeg()) {
            form.reject(
                    "upTo",
                    "The mark's top is already " + Words.number(mark.topAltitudeDeg(), 1) + "\u00b0 high: enter more.");
        }
        return form.hasErrors()
                ? null
                : new Watch(
                        target, OverMark.of(mark, aside.getAsDouble(), upTo.getAsDouble()), (int) years.getAsLong());
    }

    /** What can stand over a mark. */
    public static final List<Choice> WATCHED = Stream.concat(
                    Stream.of(new Choice("moon", "the moon"), new Choice("sun", "the sun")),
                    Sight.ALL.stream().filter(s -> s.target().isPresent()).map(s -> new Choice(s.key(), s.name())))
            .toList();

    /** The chosen one of those; empty after a complaint. */
    public static Optional<Target> watched(Form form) {
        Optional<Target> target = switch (form.value("body")) {
            case "moon" -> Optional.of(Body.MOON);
            case "sun" -> Optional.of(Body.SUN);
            default -> Sight.of(form.value("body")).flatMap(Sight::target);
        };
        if (target.isEmpty()) {
            form.reject("body", "Choose the moon, the sun, or something of the night sky.");
        }
        return target;
    }

    /** "moon", "core": without its article. */
    public static String bare(String body) {
        return Sight.of(body).map(Sight::bare).orElse(body);
    }
}
