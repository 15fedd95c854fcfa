package dev.halfdusk.core.log;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.OptionalDouble;

/**
 * The zenith that the sky in a frame tells of: the one under which that direction, with its part of the Milky Way, its air and its
 * towns, would be as bright as it was measured. Good to the frame's own error; told only by skies without moon, twilight and clouds.
 */
public final class Darkness {

    private static final double DARK_DEG = -18;
    private static final double LOWEST_DEG = 15;
    private static final int HALVINGS = 30;

    private Darkness() {}

    /**
     * @param at where the frame looked
     * @param magnitude measured there, V mag/arcsec²
     * @return V mag/arcsec² of the zenith; empty where no zenith explains it, or the sky had other light
     */
    public static OptionalDouble zenith(Standpoint from, Instant taken, Vector at, double magnitude) {
        Moment moment = Moment.at(taken);
        SunAndMoon lamps = SunAndMoon.at(moment, from.observer());
        if (lamps.sunAltitudeDeg() > DARK_DEG || lamps.moonAltitudeDeg() > 0 || at.latitudeDeg() < LOWEST_DEG) {
            return OptionalDouble.empty();
        }
        double bright = SkyGlow.ZENITH.min();
        double dark = SkyGlow.NATURAL_MAGNITUDE;
        if (seen(from, moment, at, lamps, bright) > magnitude || seen(from, moment, at, lamps, dark) < magnitude) {
            return OptionalDouble.empty();
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (bright + dark) / 2;
            if (seen(from, moment, at, lamps, middle) < magnitude) {
                bright = middle;
            } else {
                dark = middle;
            }
        }
        return OptionalDouble.of((bright + dark) / 2);
    }

    private static double seen(Standpoint from, Moment moment, Vector at, SunAndMoon lamps, double zenith) {
        return from.glow()
                .read(zenith)
                .towards(at, moment, from.observer(), lamps)
                .magnitude();
    }
}
