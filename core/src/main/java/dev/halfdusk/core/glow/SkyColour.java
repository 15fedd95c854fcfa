package dev.halfdusk.core.glow;

/**
 * A colour for the sky by the height of the sun, lifted towards a cool grey by moonlight: what the ribbon is filled with.
 * A drawing's colour, not a measurement.
 */
public final class SkyColour {

    /** Sun altitude in degrees and the colour of the sky there, high to low. */
    private static final double[] ALTITUDE = {8, 2, 0, -3, -6, -9, -12, -15, -18};

    private static final int[] COLOUR = {
        0xe2a878, 0xd68456, 0xbe684e, 0x8b4e54, 0x5c3c58, 0x3a2e4e, 0x24203a, 0x17162a, 0x0d0d18
    };
    private static final int MOONLIT = 0x707c8c;
    private static final double MOON_SHARE = 0.62;

    private SkyColour() {}

    /**
     * @param sunAltitudeDeg airless
     * @param moonlight 0 without moon to 1 for a full moon overhead
     * @return red, green and blue, eight bits each
     */
    public static int of(double sunAltitudeDeg, double moonlight) {
        int base = bySun(sunAltitudeDeg);
        double night = Math.max(0, Math.min(1, (-3 - sunAltitudeDeg) / 9));
        return mix(base, MOONLIT, MOON_SHARE * Math.max(0, Math.min(1, moonlight)) * night);
    }

    /**
     * How much the moon lights the sky, 0 to 1, on a scale that follows the eye rather than the meter.
     *
     * @param phaseAngleDeg 0 full to 180 new
     */
    public static double moonlight(double moonAltitudeDeg, double phaseAngleDeg) {
        if (moonAltitudeDeg <= 0) {
            return 0;
        }
        double a = Math.abs(phaseAngleDeg);
        double illuminance = Math.pow(10, -0.4 * (0.026 * a + 4e-9 * a * a * a * a)); // Krisciunas and Schaefer
        return Math.pow(illuminance * Math.sin(Math.toRadians(moonAltitudeDeg)), 0.4);
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
