package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.Tone;

/**
 * The curve of a camera's own pictures: shadows lifted by a stop, lights held back, sRGB, then a gentle S. Ours; real ones differ by
 * half a stop either way.
 */
public final class CameraCurve {

    private static final double LIFT = 2.2;
    private static final double S = 0.7;
    private static final double PIVOT = 0.25;
    private static final int HALVINGS = 40;

    /** The black point stands at so much of the darker parts of the picture's sky, and no higher than so much of white. */
    private static final double BLACK = 0.32;

    private static final double MOST_BLACK = 0.02;

    /** So large a share of the picture is darker than its darker parts' level. */
    private static final double DARKER = 0.4;

    private CameraCurve() {}

    /**
     * Share of white that becomes black: from the sky if there is one, hardly any for a picture of daylight.
     *
     * @param light of pixels all over the picture, shares of white, the darkest first
     */
    static double black(double[] light) {
        return Math.min(MOST_BLACK, BLACK * light[(int) (light.length * DARKER)]);
    }

    /**
     * The same, from a picture in which it has become black already.
     *
     * @param light as it now is, after the curve was taken back
     */
    public static double blackBefore(double[] light) {
        double seen = light[(int) (light.length * DARKER)];
        return Math.min(MOST_BLACK, BLACK * seen / (1 - BLACK + BLACK * seen));
    }

    /** Place on the axis, 0 to 1, of a share of white. */
    public static double position(double share) {
        double v = Tone.position(LIFT * share / (1 + (LIFT - 1) * share));
        return Math.max(0, Math.min(1, bent(v)));
    }

    /** Share of white at a place on the axis; the other way round, to 1e-9. */
    public static double share(double position) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (bent(middle) < position) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double lifted = Tone.share((low + high) / 2);
        return lifted / (LIFT - (LIFT - 1) * lifted);
    }

    private static double bent(double v) {
        return v + S * v * (1 - v) * (v - PIVOT);
    }
}
