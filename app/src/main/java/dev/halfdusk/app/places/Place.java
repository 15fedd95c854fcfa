package dev.halfdusk.app.places;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
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

        public static final Shape<Notes> SHAPE = new Shape<>(
                "notes",
                "notes",
                List.of(
                        Field.<Notes>lines("access", "Access", Notes::access)
                                .hinted("parking, walking time, permission"),
                        Field.<Notes>lines("hazards", "Hazards", Notes::hazards)
                                .hinted("drops, water, tide, road, animals, weather, being alone"),
                        Field.<Notes>words("turnBack", "Turn back", Notes::turnBack)
                                .hinted("when to leave, whatever the sky does"),
                        Field.<Notes>words("shelter", "Nearest shelter or car", Notes::shelter)
                                .hinted("where, and how long it takes in the dark"),
                        Field.<Notes>number(
                                        "declinationDeg",
                                        "Magnetic declination, \u00b0",
                                        DECLINATION,
                                        Notes::declinationDeg)
                                .hinted("east of true north positive, such as \u22121.5: from the margin of a recent"
                                        + " map or a geomagnetic model; it drifts by a degree in some years")
                                .orNone()),
                v -> new Notes(
                        v.text("access"),
                        v.text("hazards"),
                        v.text("turnBack"),
                        v.text("shelter"),
                        v.maybe("declinationDeg")));

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

    /** A place of which only the position is known. */
    public static Place at(String name, Site site, ZoneId zone) {
        return new Place(null, name, site, zone, OptionalDouble.empty(), Skyline.FLAT, false, List.of(), Notes.NONE);
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

    public NightRules rules() {
        return NightRules.USUAL.withSkyline(skyline).withDip(seaHorizon ? Facts.dip(site.elevationM()) : 0);
    }
}
