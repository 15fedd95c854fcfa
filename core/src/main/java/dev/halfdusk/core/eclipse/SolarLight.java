package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.util.List;

/**
 * How bright what one sees of an eclipsed sun is, by its exponent Q: t = N² / (ISO × 2^Q), after Espenak. Good to a stop: the corona differs
 * from eclipse to eclipse, and haze takes its part, which is why one brackets.
 */
public final class SolarLight {

    /** A filter of at least this density is made for the sun; a weaker one, however dark, is not. */
    public static final double LEAST_DENSITY = 3.8;

    public static final double BEADS = 11;
    public static final double CHROMOSPHERE = 10;
    public static final double PROMINENCES = 9;

    /** The moon's dark side in the light of a full earth, 13 stops below a full moon of Q 8. */
    public static final double EARTHSHINE = -5;

    /** Heights above the limb, in radii of the sun, that a ladder of shutter speeds is made for. */
    public static final List<Corona> CORONA = List.of(
            new Corona(0.1, 7),
            new Corona(0.2, 5),
            new Corona(0.5, 3),
            new Corona(1, 1),
            new Corona(2, 0),
            new Corona(4, -1),
            new Corona(8, -3));

    public static final Range RADII = new Range("height in the corona", 0.1, 8, " radii of the sun");

    /** Luminance of the middle of the sun's disc, cd/m². */
    public static final double PHOTOSPHERE_CD = 1.6e9;

    /** Exponent through a filter of density 5, and by how much a filter of one density less raises it. */
    private static final double THROUGH_DENSITY_5 = 8;

    private static final double EACH_DENSITY = 3;

    /** Of reflected-light meters: cd/m² × s × ISO / N² that become middle grey. */
    private static final double GREY = 12.5;

    /** What is exposed for lies so much above middle grey. */
    private static final double ABOVE_GREY = 3;

    private SolarLight() {}

    /** A height in the corona with its exponent. */
    public record Corona(double radii, double q) {}

    /** Whether the rig's filter is made for the sun. */
    public static boolean filtered(Rig rig) {
        return density(rig) >= LEAST_DENSITY;
    }

    private static double density(Rig rig) {
        return rig.filterStops() / Rig.STOPS_PER_DENSITY;
    }

    /** Exponent of the partial phase through the rig's filter. */
    public static double partial(Rig rig) {
        return THROUGH_DENSITY_5 + EACH_DENSITY * (5 - density(rig));
    }

    /** Seconds for an exponent. */
    public static double seconds(double q, double aperture, double iso) {
        return aperture * aperture / (iso * Math.pow(2, q));
    }

    /**
     * On the dial: at the ISO that is asked for, or the lowest above it whose shutter keeps within a limit; cut to the limit where none does.
     *
     * @param limitSeconds longest shutter
     */
    public static Settings settings(Rig rig, double q, double aperture, double iso, double limitSeconds) {
        for (int step : rig.body().isoSteps()) {
            double wanted = seconds(q, aperture, Math.max(step, iso));
            if (step >= iso && wanted <= limitSeconds) {
                return new Settings(rig.body().click(wanted, limitSeconds), aperture, step);
            }
        }
        return new Settings(
                rig.body().longestClick(limitSeconds),
                aperture,
                Math.max(iso, rig.body().topIso()));
    }

    /** Stops by which settings are darker than an exponent asks for; below 0 brighter. A sixth or less is the dial. */
    public static double shortOfStops(Settings s, double q) {
        return Stops.of(seconds(q, s.aperture(), s.iso()) / s.seconds());
    }

    /** Luminance in cd/m² of what an exponent exposes well: a stop and a half above middle grey. */
    public static double luminance(double q) {
        return ABOVE_GREY * GREY * Math.pow(2, q);
    }

    /** Exponent of the corona at a height above the limb in radii of the sun, straight in its logarithm, going on so beyond both ends. */
    public static double corona(double radii) {
        double x = Math.log(Math.max(1e-3, radii));
        int i = 1;
        while (i < CORONA.size() - 1 && radii > CORONA.get(i).radii) {
            i++;
        }
        Corona below = CORONA.get(i - 1);
        Corona above = CORONA.get(i);
        double share = (x - Math.log(below.radii)) / (Math.log(above.radii) - Math.log(below.radii));
        return below.q + share * (above.q - below.q);
    }
}
