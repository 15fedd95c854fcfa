package dev.halfdusk.core.glow;

/**
 * A colour for the sky, for the ribbon: hue by the height of the sun, lifted towards a cool grey by the computed
 * moonlight and towards a warm brown by the computed light of towns. A drawing's colour, not a measurement.
 */
public final class SkyColour {

    /** Sun altitude in degrees and the colour of the sky there, high to low. */
    private static final double[] ALTITUDE = {8, 2, 0, -3, -6, -9, -12, -15, -18};

    private static final int[] COLOUR = {
        0xe2a878, 0xd68456, 0xbe684e, 0x8b4e54, 0x5c3c58, 0x3a2e4e, 0x24203a, 0x17162a, 0x0d0d18
    };
    private static final int MOONLIT = 0x707c8c;
    private static final int TOWNLIT = 0x6b4a2e;
    private static final int CORE = 0xe0b98a;
    private static final double CORE_SHARE = 0.85;
    private static final double LOWER_SKY_DEG = 2.5;
    private static final double MOON_SHARE = 0.62;
    private static final double TOWN_SHARE = 0.55;

    /** Times the natural sky at which moonlight and town light colour the drawing fully. */
    private static final double FULL_LIGHT = 25;

    private static final double NATURAL = Luminance.of(SkyGlow.NATURAL_MAGNITUDE);

    private SkyColour() {}

    /**
     * @param sunAltitudeDeg airless
     * @param parts brightness of the same sky
     * @return red, green and blue, eight bits each
     */
    public static int of(double sunAltitudeDeg, SkyGlow.Parts parts) {
        double night = Math.max(0, Math.min(1, (-3 - sunAltitudeDeg) / 9));
        int moonlit = mix(bySun(sunAltitudeDeg), MOONLIT, MOON_SHARE * night * strength(parts.moon()));
        return mix(moonlit, TOWNLIT, TOWN_SHARE * night * strength(parts.towns()));
    }

    /** The sky near the horizon: as if the sun stood a little higher. */
    public static int low(double sunAltitudeDeg, SkyGlow.Parts parts) {
        return of(Math.min(ALTITUDE[0], sunAltitudeDeg + LOWER_SKY_DEG), parts);
    }

    /** A sky in which the core stands out, warmer the more: 0 not at all, 1 fully. */
    public static int withCore(int sky, double share) {
        return share == 0 ? sky : mix(sky, CORE, CORE_SHARE * share);
    }

    /** Light against the natural sky on a logarithmic scale, as eyes and ribbons see it: 0 to 1. */
    private static double strength(double luminance) {
        return Math.min(1, Math.log1p(luminance / NATURAL) / Math.log1p(FULL_LIGHT));
    }

    private static int bySun(double altitude) {
        if (altitude >= ALTITUDE[0]) {
            return COLOUR[0];
        }
        for (int i = 1; i < ALTITUDE.length; i++) {
            if (altitude >= ALTITUDE[i]) {
                return mix(COLOUR[i], COLOUR[i - 1], (altitude - ALTITUDE[i]) / (ALTITUDE[i - 1] - ALTITUDE[i]));
            }
        }
        return COLOUR[COLOUR.length - 1];
    }

    /** Between two colours, channel by channel. */
    public static int mix(int a, int b, double share) {
        int result = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            int from = a >> shift & 0xff;
            int to = b >> shift & 0xff;
            result |= (int) Math.round(from + (to - from) * share) << shift;
        }
        return result;
    }

    /** The largest difference of two colours in any channel, 0 to 255. */
    public static int difference(int a, int b) {
        int largest = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            largest = Math.max(largest, Math.abs((a >> shift & 0xff) - (b >> shift & 0xff)));
        }
        return largest;
    }

    /** As written in style sheets: "#5c3c58". */
    public static String hex(int rgb) {
        return String.format("#%06x", rgb);
    }
}
