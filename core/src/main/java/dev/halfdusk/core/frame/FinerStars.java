package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.FaintStars;

/**
 * Stars too faint for the eye: real ones to V 9, made-up ones below, as deep as the part of the sky in the frame bears.
 *
 * @param first of them, counted from 0, and then every so manyth: so that several may paint at a time
 */
record FinerStars(int first, int step) implements Source {

    /** More would only make the sky as even as its own light already is. */
    private static final int MOST = 30_000;

    /** What may be drawn of trails, pixels of all stars together: longer ones make the sky even with fewer stars. */
    private static final double MOST_PX = 800_000;

    private static final double SPHERE_SQUARE_DEG = 41_253;

    /** Stars to V 6.5 on the whole sky, and how their number grows with the magnitude (both as logarithms of ten). */
    private static final double TO_NAKED_EYE = Math.log10(9_100);

    private static final double NAKED_EYE = 6.5;
    private static final double GROWTH = 0.45;

    @Override
    public void paint(Exposure exposure) {
        double most = Math.min(MOST, MOST_PX / Math.max(1, exposure.pathPx()));
        double bright = NAKED_EYE
                + (Math.log10(most * SPHERE_SQUARE_DEG / exposure.sweptSquareDegrees()) - TO_NAKED_EYE) / GROWTH;
        FaintStars.each(first, step, (x, y, z, magnitude, kelvin) -> {
            Vector local = exposure.local(x, y, z);
            if (magnitude < bright && exposure.near(local)) {
                exposure.point(local, magnitude, kelvin);
            }
        });
        double limit = Math.min(exposure.faintest(), MadeUpStars.limit(exposure.sweptSquareDegrees(), (int) most));
        if (bright < MadeUpStars.FIRST) { // brighter ones are left out already
            return;
        }
        MadeUpStars.each(first, step, exposure.middle(), exposure.withinDeg(), limit, (x, y, z, magnitude, kelvin) -> {
            Vector local = exposure.local(x, y, z);
            if (exposure.near(local)) {
                exposure.point(local, magnitude, kelvin);
            }
        });
    }
}
