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

    @Override
    public void paint(Exposure exposure) {
        FaintStars.each(first, step, (x, y, z, magnitude, kelvin) -> {
            Vector local = exposure.local(x, y, z);
            if (exposure.near(local)) {
                exposure.point(local, magnitude, kelvin);
            }
        });
        double limit = Math.min(exposure.faintest(), MadeUpStars.limit(exposure.squareDegrees(), MOST));
        MadeUpStars.each(first, step, exposure.middle(), exposure.withinDeg(), limit, (x, y, z, magnitude, kelvin) -> {
            Vector local = exposure.local(x, y, z);
            if (exposure.near(local)) {
                exposure.point(local, magnitude, kelvin);
            }
        });
    }
}
