package dev.halfdusk.app.places;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.Site;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A place one photographs from, with what its ground does to the sky.
 *
 * @param id null until stored
 * @param zenithMagnitude a reading of the dark zenith, which overrides what the domes add up to
 * @param seaHorizon whether sun and moon set behind a sea that lies lower by the dip of this height
 * @param domes those that are switched on
 */
public record Place(
        Long id,
        String name,
        Site site,
        ZoneId zone,
        OptionalDouble zenithMagnitude,
        Skyline skyline,
        boolean seaHorizon,
        List<Dome> domes,
        Notes notes) {

    /**
     * About the ground, in words.
     *
     * @param declinationDeg by which the compass there points east of true north
     */
    public record Notes(String access, String hazards, String turnBack, String shelter, OptionalDouble declinationDeg) {

        public static final Range DECLINATION = new Range("declination", -180, 180, "\u00b0");

        public static final Notes NONE = new Notes("", "", "", "", OptionalDouble.empty());

        public static final Shape<Notes> SHAPE = new Shape<>("notes", "notes", fields(n -> n), Notes::of);

        private static <T> List<Field<T>> fields(Function<T, Notes> notes) {
            return List.of(
                    Field.<T>lines("access", "Access", t -> notes.apply(t).access)
                            .hinted("parking, walking time, permission"),
                    Field.<T>lines("hazards", "Hazards", t -> notes.apply(t).hazards)
                            .hinted("drops, water, tide, road, animals, weather, being alone"),
                    Field.<T>words("turnBack", "Turn back", t -> notes.apply(t).turnBack)
                            .hinted("when to leave, whatever the sky does"),
                    Field.<T>words("shelter", "Nearest shelter or car", t -> notes.apply(t).shelter)
                            .hinted("where, and how long it takes in the dark"),
                    Field.<T>number(
                                    "declinationDeg",
                                    "Magnetic declination, \u00b0",
                                    DECLINATION,
                                    t -> notes.apply(t).declinationDeg)
                            .hinted("east of true north positive, such as \u22121.5: from the margin of a recent"
                                    + " map or a geomagnetic model; it drifts by a degree in some years")
                            .orNone());
        }

        private static Notes of(Values v) {
            return new Notes(
                    v.text("access"),
                    v.text("hazards"),
                    v.text("turnBack"),
                    v.text("shelter"),
                    v.maybe("declinationDeg"));
        }

        /** What everyone at the place should have before the eyes, on sheet and field page. */
        public List<String> warnings() {
            return Stream.of(
                            said("Here: ", hazards),
                            said("Turn back: ", turnBack),
                            said("Nearest shelter or car: ", shelter))
                    .flatMap(Optional::stream)
                    .toList();
        }

        private static Optional<String> said(String what, String words) {
            return words.isEmpty() ? Optional.empty() : Optional.of(what + words + ".");
        }
    }

    /** Where it lies, and whose clock it keeps. */
    public static final Shape<Place> SPOT = new Shape<>("spot", "spot", spot(), Place::spot);

    /** The same in files of outings, which may leave out how high it lies. */
    public static final Shape<Place> SPOT_IN_FILES = SPOT.with("elevation", f -> f.usually(0.0));

    /** Its own fields; what stands around it is described on its own. */
    public static final Shape<Place> SHAPE = new Shape<>("place", "place", whole(), Place::whole);

    private static List<Field<Place>> spot() {
        return List.of(
                Field.<Place>name("Name of the spot", Place::name).hinted("as you call it"),
                Field.<Place>number("latitude", "Latitude", Range.LATITUDE, p -> p.site.latitudeDeg())
                        .hinted(Range.LATITUDE.allowed() + ", north positive"),
                Field.<Place>number("longitude", "Longitude", Range.LONGITUDE, p -> p.site.longitudeDeg())
                        .hinted(Range.LONGITUDE.allowed() + ", east positive"),
                Field.<Place>number("elevation", "Elevation", Range.ELEVATION, p -> p.site.elevationM())
                        .starting(0),
                Field.<Place>needed("zone", "Time zone", p -> p.zone.getId()).hinted("such as Europe/Lisbon"));
    }

    private static Place spot(Values v) {
        Site site = new Site(v.number("latitude"), v.number("longitude"), v.number("elevation"));
        try {
            return at(v.text("name"), site, ZoneId.of(v.text("zone")));
        } catch (DateTimeException e) {
            throw new Misread(
                    "zone",
                    "\u201c" + Words.clipped(v.text("zone"), 40)
                            + "\u201d is not a time zone. Allowed: names such as Europe/Lisbon, or UTC");
        }
    }

    private static List<Field<Place>> whole() {
        List<Field<Place>> all = new ArrayList<>(spot());
        all.add(Field.<Place>number(
                        "zenithMagnitude", "Dark zenith, mag/arcsec\u00b2", SkyGlow.ZENITH, Place::zenithMagnitude)
                .orNone());
        all.add(Field.yesNo("seaHorizon", "Open sea to the horizon", Place::seaHorizon));
        all.addAll(Notes.fields(Place::notes));
        return all;
    }

    private static Place whole(Values v) {
        Place spot = spot(v);
        return new Place(
                null,
                spot.name,
                spot.site,
                spot.zone,
                v.maybe("zenithMagnitude"),
                spot.skyline,
                v.yes("seaHorizon"),
                spot.domes,
                Notes.of(v));
    }

    /** A place of which only the position is known. */
    public static Place at(String name, Site site, ZoneId zone) {
        return new Place(null, name, site, zone, OptionalDouble.empty(), Skyline.FLAT, false, List.of(), Notes.NONE);
    }

    public Place withId(Long other) {
        return new Place(other, name, site, zone, zenithMagnitude, skyline, seaHorizon, domes, notes);
    }

    /** With what stands around it. */
    public Place among(Skyline hills, List<Dome> lit) {
        return new Place(id, name, site, zone, zenithMagnitude, hills, seaHorizon, lit, notes);
    }

    /** With another reading of its zenith, or none. */
    public Place read(OptionalDouble magnitude) {
        return new Place(id, name, site, zone, magnitude, skyline, seaHorizon, domes, notes);
    }

    public SkyGlow glow() {
        return SkyGlow.of(zenithMagnitude, SkyGlow.CLEAR, domes);
    }

    public Standpoint standpoint() {
        return Standpoint.at(site, skyline, glow());
    }

    /**
     * What stands before a camera here.
     *
     * @param marks those of this place, or some of them
     */
    public Scene scene(Setup setup, List<Mark> marks) {
        return Scene.open(setup.from(), setup.moment()).marked(marks).bySea(seaHorizon);
    }

    public NightRules rules() {
        return NightRules.USUAL.withSkyline(skyline).withDip(seaHorizon ? Facts.dip(site.elevationM()) : 0);
    }
}
