package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.sky.Sidereal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * One school's answer to how long the shutter may stay open before stars become lines. None of the rules of thumb knows
 * where in the frame a star stands; {@link DriftField} does.
 *
 * @param key stable name for interfaces
 * @param label for people
 * @param formula in words and symbols: f focal length in mm, N f-number, p pixel pitch in µm, δ declination
 * @param seconds of a case; infinite where the rule sets no limit (a star at the pole)
 */
public record TrailingRule(String key, String label, String formula, String source, ToDoubleFunction<Case> seconds) {

    /**
     * What a rule may look at.
     *
     * @param declinationDeg of the stars that matter
     */
    public record Case(Optics optics, double aperture, double declinationDeg) {

        double cosDeclination() {
            double cos = Math.cos(Math.toRadians(declinationDeg));
            return cos < 1e-12 ? 0 : cos;
        }
    }

    /** Every rule, from the most generous family to the pixel-aware ones. */
    public static final List<TrailingRule> ALL = all();

    private static final double APS_C_FROM = 1.25;
    private static final double FOUR_THIRDS_FROM = 1.8;

    public double seconds(Case c) {
        return seconds.applyAsDouble(c);
    }

    /** Drift in pixels of a star at the declination of the case, on the axis, in a time. */
    public static double driftPx(Case c, double seconds) {
        return c.optics.driftPx(Sidereal.ARCSEC_PER_SECOND * c.cosDeclination(), seconds);
    }

    /** Longest time in which such a star drifts by no more than so many pixels. */
    public static double secondsForDrift(Case c, double pixels) {
        return pixels * c.optics.plateScaleArcsec() / (Sidereal.ARCSEC_PER_SECOND * c.cosDeclination());
    }

    private static List<TrailingRule> all() {
        List<TrailingRule> rules = new ArrayList<>();
        for (int n : new int[] {500, 400, 300, 250, 200}) {
            rules.add(new TrailingRule(
                    Integer.toString(n),
                    n + " \u00f7 focal length",
                    n + " / (f \u00d7 crop)",
                    "rule of thumb from film",
                    c -> n / (c.optics.focalMm() * c.optics.sensor().crop())));
        }
        rules.add(new TrailingRule(
                "by-format",
                "Number by format",
                "500 / f full frame, 300 / f APS-C, 250 / f four-thirds",
                "rule of thumb",
                c -> numberByFormat(c.optics.sensor().crop()) / c.optics.focalMm()));
        String[] strictness = {"strict", "usual", "lenient"};
        for (int k = 1; k <= 3; k++) {
            int factor = k;
            rules.add(new TrailingRule(
                    "npf-" + k,
                    "NPF, " + strictness[k - 1],
                    (k == 1 ? "" : k + " \u00d7 ") + "(16.856 N + 0.0997 f + 13.713 p) / (f cos \u03b4)",
                    "NPF rule, full form",
                    c -> factor
                            * (16.856 * c.aperture
                                    + 0.0997 * c.optics.focalMm()
                                    + 13.713 * c.optics.sensor().pitchUm())
                            / (c.optics.focalMm() * c.cosDeclination())));
        }
        rules.add(new TrailingRule(
                "npf-short",
                "NPF, short form",
                "(35 N + 30 p) / f",
                "NPF rule, short form",
                c -> (35 * c.aperture + 30 * c.optics.sensor().pitchUm()) / c.optics.focalMm()));
        for (double px : new double[] {1.5, 3, 6}) {
            String name = Numbers.plain(px);
            rules.add(new TrailingRule(
                    "drift-" + name,
                    name + " px at this declination",
                    Numbers.text("%s \u00d7 206.265 p / f / (15.0411 cos \u03b4)", name),
                    "sidereal rate and plate scale",
                    c -> secondsForDrift(c, px)));
        }
        return List.copyOf(rules);
    }

    private static double numberByFormat(double crop) {
        if (crop >= FOUR_THIRDS_FROM) {
            return 250;
        }
        return crop >= APS_C_FROM ? 300 : 500;
    }
}
