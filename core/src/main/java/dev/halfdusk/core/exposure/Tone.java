package dev.halfdusk.core.exposure;

/** From light to the axis of a histogram: the sRGB curve, with 1 at saturation. */
public final class Tone {

    private Tone() {}

    /** Place on the axis, 0 to 1, of a share of saturation. */
    public static double position(double share) {
        double c = Math.max(0, Math.min(1, share));
        return c <= 0.0031308 ? 12.92 * c : 1.055 * Math.pow(c, 1 / 2.4) - 0.055;
    }

    /** Share of saturation at a place on the axis. */
    public static double share(double position) {
        double p = Math.max(0, Math.min(1, position));
        return p <= 0.04045 ? p / 12.92 : Math.pow((p + 0.055) / 1.055, 2.4);
    }
}
