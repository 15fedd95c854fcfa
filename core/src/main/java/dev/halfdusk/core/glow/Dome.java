package dev.halfdusk.core.glow;

import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import java.util.List;
import java.util.Locale;

/**
 * The light dome of a town, by its people and distance. An estimate: real lamps differ by a factor of three and more.
 *
 * <p>At 45° altitude towards the town Walker's law gives 0.01 P d^−2.5 of the natural sky. From there it grows towards
 * the town and falls away from it by e every {@value #SCALE_DEG}° of angle from the town's point on the horizon. Towns
 * nearer than {@value #NEAREST_KM} km count as that far, where the law ends.
 *
 * @param bearingDeg from the place to the town, from north through east
 * @param lamps what its streets are lit by
 */
public record Dome(String name, double bearingDeg, double distanceKm, double people, Lamps lamps) {

    /** Street lamps, by the colour of the dome they make. */
    public enum Lamps {
        /** Sodium, and warm light-emitting diodes. */
        WARM("warm lamps", 2700),
        /** White light-emitting diodes of 4000 K: air scatters their blue twice as well as their red. */
        WHITE("white LEDs", 7500);

        private final String words;
        private final double kelvin;

        Lamps(String words, double kelvin) {
            this.words = words;
            this.kelvin = kelvin;
        }

        public String words() {
            return words;
        }

        /** Short name for addresses and files. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Colour temperature of the dome. */
        public double kelvin() {
            return kelvin;
        }
    }

    public static final Range DISTANCE = new Range("distance", 0, 500, " km");
    public static final Range PEOPLE = new Range("people", 1, 50_000_000, "");

    public static final Shape<Dome> SHAPE = new Shape<>(
            "dome",
            "light",
            List.of(
                    Field.<Dome>name("Light", Dome::name).hinted("a town, a port, a greenhouse"),
                    Field.number("bearing", "Direction", Range.AZIMUTH, Dome::bearingDeg),
                    Field.number("distanceKm", "Kilometres away", DISTANCE, Dome::distanceKm),
                    Field.number("people", "As bright as a town of", PEOPLE, Dome::people),
                    Field.<Dome, Lamps>choice("lamps", "Lit by", Lamps.class, Lamps::words, Dome::lamps)
                            .usually(Lamps.WARM.name())),
            v -> new Dome(
                    v.text("name"),
                    v.number("bearing"),
                    v.number("distanceKm"),
                    v.number("people"),
                    v.choice("lamps", Lamps.class)));

    private static final double SCALE_DEG = 22;
    public static final double NEAREST_KM = 3;

    /** With warm lamps. */
    public Dome(String name, double bearingDeg, double distanceKm, double people) {
        this(name, bearingDeg, distanceKm, people, Lamps.WARM);
    }

    public Dome {
        Range.AZIMUTH.check(bearingDeg);
        DISTANCE.check(distanceKm);
        PEOPLE.check(people);
    }

    /** Share of the natural sky that it adds at 45° altitude towards it. */
    public double shareAt45() {
        return 0.01 * people * Math.pow(Math.max(NEAREST_KM, distanceKm), -2.5);
    }

    /** Share of the natural zenith sky that it adds in a direction. */
    public double share(double azimuthDeg, double altitudeDeg) {
        return shareAt45() * fallOff(azimuthDeg, altitudeDeg);
    }

    /** Its light in a direction against that at 45° towards it. */
    double fallOff(double azimuthDeg, double altitudeDeg) {
        double cos = Math.cos(Math.toRadians(altitudeDeg)) * Math.cos(Math.toRadians(azimuthDeg - bearingDeg));
        double angle = Math.toDegrees(Angles.arcCosine(cos));
        return Math.exp((45 - angle) / SCALE_DEG);
    }
}
