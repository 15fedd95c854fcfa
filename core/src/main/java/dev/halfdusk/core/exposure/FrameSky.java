package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.Arrays;

/**
 * How bright the sky is over a frame at a moment: natural sky, towns, twilight, moonlight and Milky Way in the direction
 * of each of 13 × 9 points. Points behind the skyline are ground.
 *
 * @param magnitudes of the sky points, dark first; that of the sky half way up on the equator's side where the frame holds only ground
 * @param groundShare part of the points that are ground
 * @param zenithMagnitude of the same sky overhead
 * @param groundMagnitude of open ground, lit by sky and moon
 */
public record FrameSky(double[] magnitudes, double groundShare, double zenithMagnitude, double groundMagnitude) {

    private static final int COLUMNS = 13;
    private static final int ROWS = 9;

    public static FrameSky of(Framing framing, Moment moment, Standpoint from) {
        Observer observer = from.observer();
        SunAndMoon lamps = SunAndMoon.at(moment, observer);
        Sensor sensor = framing.optics().sensor();
        double[] found = new double[COLUMNS * ROWS];
        int sky = 0;
        int drawn = 0;
        for (int i = 0; i < found.length; i++) {
            Point point = new Point(
                    sensor.widthMm() * ((double) (i % COLUMNS) / (COLUMNS - 1) - 0.5),
                    sensor.heightMm() * ((double) (i / COLUMNS) / (ROWS - 1) - 0.5));
            if (!framing.draws(point)) {
                continue;
            }
            drawn++;
            Vector seen = framing.see(point);
            if (seen.latitudeDeg() >= Math.max(0, from.skyline().altitudeAt(Direction.azimuthDeg(seen)))) {
                found[sky++] =
                        from.glow().towards(seen, moment, observer, lamps).magnitude();
            }
        }
        double share = 1 - (double) sky / drawn;
        if (sky == 0) {
            Vector open = from.site().idleAim().vector();
            found[sky++] = from.glow().towards(open, moment, observer, lamps).magnitude();
        }
        return new FrameSky(
                darkFirst(Arrays.copyOf(found, sky)),
                share,
                from.glow().zenith(lamps).magnitude(),
                Luminance.magnitude(GroundLight.luminance(from.glow(), lamps)));
    }

    private static double[] darkFirst(double[] magnitudes) {
        Arrays.sort(magnitudes);
        for (int i = 0; i < magnitudes.length / 2; i++) {
            double swap = magnitudes[i];
            magnitudes[i] = magnitudes[magnitudes.length - 1 - i];
            magnitudes[magnitudes.length - 1 - i] = swap;
        }
        return magnitudes;
    }

    /** The middle of the sky's brightness in the frame. */
    public double medianMagnitude() {
        int half = magnitudes.length / 2;
        return magnitudes.length % 2 == 1 ? magnitudes[half] : (magnitudes[half - 1] + magnitudes[half]) / 2;
    }

    public double brightestMagnitude() {
        return magnitudes[magnitudes.length - 1];
    }

    public double darkestMagnitude() {
        return magnitudes[0];
    }
}
