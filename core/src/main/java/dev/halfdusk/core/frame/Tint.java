package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;

/**
 * How light of a colour divides among a sensor's red, green and blue pixels, against daylight at 5500 K, green always 1.
 * Black bodies by a fit to Planck's law at 620, 540 and 460 nm.
 */
final class Tint {

    private static final double[] NANOMETRES = {620, 540, 460};
    private static final double SECOND_RADIATION_NM_K = 1.438777e7;
    private static final double DAYLIGHT_K = 5500;
    private static final double[] DAYLIGHT = planck(DAYLIGHT_K);

    private static final double COOLEST_STAR_K = 1500;
    private static final double STAR_STEPS = 100;
    private static final double[][] STARS = stars();

    /** Extinction against that of green: air takes blue before red. */
    static final double[] EXTINCTION = {0.65, 1, 1.5};

    /** Airglow: a little green in it. */
    static final double[] NATURAL = {0.9, 1, 1.02};

    /** Grass and rock. */
    static final double[] SOIL = {1.12, 1, 0.84};

    /** Nebulae shine in the red line of hydrogen, somewhat in blue and green. */
    static final double[] NEBULA = {1, 0.08, 0.16};

    private static final double[] TOWNS = of(Dome.Lamps.WARM.kelvin());
    private static final double[] WHITE_TOWNS = of(Dome.Lamps.WHITE.kelvin());
    static final double[] MOON = of(5200);
    /** Air scatters moonlight as it does sunlight. */
    static final double[] MOONLIT_AIR = of(9500);

    static final double[] TWILIGHT = of(14_000);
    private static final double[] TOTAL = of(9000);
    private static final double[] SUNSET = of(2500);

    /** Higher than this the sun reddens no horizon. */
    private static final double RED_UNTIL_DEG = 12;

    /** With less than a thirtieth of the sun left the horizon takes the colours of its sunset. */
    private static final double TOTAL_FROM = 30;

    private static final double[] BELT = {1.35, 1, 1.2};

    /** Of the light that falls on a cloud it sends so much on. */
    private static final double CLOUD_WHITE = 0.6;

    private static final double SILVER = 6;
    private static final double SILVER_DEG = 5;
    private static final double[] HALO_DEG = {21.6, 21.8, 22.2};
    private static final double HALO = 0.35;

    private Tint() {}

    /** Red, green and blue of a black body. */
    static double[] of(double kelvin) {
        double[] body = planck(kelvin);
        return new double[] {
            body[0] / DAYLIGHT[0] / (body[1] / DAYLIGHT[1]), 1, body[2] / DAYLIGHT[2] / (body[1] / DAYLIGHT[1])
        };
    }

    /** The same of a star, in steps of a hundredth of its temperature. */
    static double[] star(double kelvin) {
        int step = (int) Math.round(STAR_STEPS * Math.log(kelvin / COOLEST_STAR_K));
        return STARS[Math.max(0, Math.min(STARS.length - 1, step))].clone();
    }

    private static double[][] stars() {
        double[][] tints = new double[341][];
        for (int i = 0; i < tints.length; i++) {
            tints[i] = of(COOLEST_STAR_K * Math.exp(i / STAR_STEPS));
        }
        return tints;
    }

    private static double[] planck(double kelvin) {
        double[] power = new double[3];
        for (int c = 0; c < 3; c++) {
            double x = SECOND_RADIATION_NM_K / (NANOMETRES[c] * kelvin);
            power[c] = 1 / (Math.pow(NANOMETRES[c] / 540, 4) * (Math.exp(x) - 1));
        }
        return power;
    }

    /** The bulge is older and redder than the arms. */
    static double galaxyKelvin(double longitudeDeg, double latitudeDeg) {
        double along = Angles.halfTurn(longitudeDeg) / 28;
        double across = latitudeDeg / 14;
        return 5300 - 1150 * Math.exp(-along * along - across * across);
    }

    /**
     * The twilit sky: blue high up, orange low towards the sun; opposite it the belt of Venus, rosy, above the earth's shadow,
     * as high as the sun is low. In a total eclipse of the sun it is orange all round.
     */
    static double[] twilight(Direction seen, SunAndMoon lamps) {
        double towards = Math.cos(Math.toRadians(seen.azimuthDeg() - lamps.sunAzimuthDeg()));
        double byDay = Math.max(0, Math.min(1, 1 - lamps.sunAltitudeDeg() / RED_UNTIL_DEG));
        double sunset = byDay * Math.exp(-seen.altitudeDeg() / 9) * Math.pow((1 + towards) / 2, 1.5);
        double total = Math.max(0, 1 - TOTAL_FROM * lamps.sunShare());
        double low = sunset * (1 - total) + total * Math.exp(-seen.altitudeDeg() / 9);
        double depression = -lamps.sunAltitudeDeg();
        double above = (seen.altitudeDeg() - depression - 4) / 5;
        double belt = depression > -1 && depression < 8 ? 0.9 * Math.max(0, -towards) * Math.exp(-above * above) : 0;
        double[] tint = new double[3];
        for (int c = 0; c < 3; c++) {
            double high = TWILIGHT[c] * (1 - total) + TOTAL[c] * total;
            tint[c] = high * (1 - low) * (1 - belt) + SUNSET[c] * low + BELT[c] * belt * (1 - low);
        }
        return tint;
    }

    /** A direction's light of towns: warm and white lamps mixed. */
    static double[] towns(SkyGlow glow, Direction seen) {
        double white = glow.whiteShare(seen);
        double[] tint = new double[3];
        for (int c = 0; c < 3; c++) {
            tint[c] = TOWNS[c] * (1 - white) + WHITE_TOWNS[c] * white;
        }
        return tint;
    }

    /** cd/m² of red, green and blue of a direction's sky without the Milky Way. */
    static double[] sky(SkyGlow glow, SkyGlow.Parts parts, Direction seen, SunAndMoon lamps) {
        double[] dusk = twilight(seen, lamps);
        double[] towns = towns(glow, seen);
        double[] sum = new double[3];
        for (int c = 0; c < 3; c++) {
            sum[c] = parts.natural() * NATURAL[c]
                    + parts.towns() * towns[c]
                    + parts.twilight() * dusk[c]
                    + parts.moon() * MOONLIT_AIR[c];
        }
        return sum;
    }

    /**
     * cd/m² of red, green and blue of clouds that let nothing through: what comes from above spread out, towns thrown back,
     * and moonlight, most of it close to the moon.
     */
    static double[] clouds(
            SkyGlow glow,
            SkyGlow.Parts parts,
            Direction seen,
            SunAndMoon lamps,
            double townGain,
            double moonLux,
            double fromMoonDeg) {
        double[] dusk = twilight(seen, lamps);
        double[] towns = towns(glow, seen);
        double moonlit = moonLux / Math.PI * (CLOUD_WHITE + SILVER * Math.exp(-fromMoonDeg / SILVER_DEG));
        double[] sum = new double[3];
        for (int c = 0; c < 3; c++) {
            sum[c] = CLOUD_WHITE * (parts.natural() * NATURAL[c] + parts.twilight() * dusk[c])
                    + townGain * parts.towns() * towns[c]
                    + moonlit * MOON[c];
        }
        return sum;
    }

    /** Ice crystals bend moonlight by 22° and more, red least: a ring with a sharp inner edge, for one lux of moonlight. */
    static double[] halo(double fromMoonDeg) {
        double[] ring = new double[3];
        for (int c = 0; c < 3; c++) {
            double off = fromMoonDeg - HALO_DEG[c];
            ring[c] = HALO * MOON[c] * Math.exp(off < 0 ? off / 0.5 : -off / 2.4);
        }
        return ring;
    }

    /** Gains that make light of a colour temperature grey. */
    static double[] balance(double kelvin) {
        double[] tint = of(kelvin);
        return new double[] {1 / tint[0], 1, 1 / tint[2]};
    }
}
