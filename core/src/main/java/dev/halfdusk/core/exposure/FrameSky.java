package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Skyline;
import java.util.Arrays;

/**
 * How bright the sky is over a frame at a moment: natural sky, towns, twilight, moonlight and Milky Way in the direction
 * of each of 13 × 9 points. Points behind the skyline are ground.
 *
 * @param magnitudes of the sky points, dark first; those of a level sky at 45° where the frame holds only ground
 * @param groundShare part of the points that are ground
 * @param zenithMagnitude of the same sky overhead
 * @param groundMagnitude of open ground, lit by sky and moon
 */
public record FrameSky(double[] magnitudes, double groundShare, double zenithMagnitude, double groundMagnitude) {

    private static final int COLUMNS = 13;
    private static final int ROWS = 9;

    public static FrameSky of(Framing framing, Moment moment, Observer observer, SkyGlow glow, Skyline skyline) {
        SkyGlow.Lamps lamps = lamps(moment, observer);
        double[] found = new double[COLUMNS * ROWS];
        int sky = 0;
        for (int i = 0; i < found.length; i++) {
            Point point = new Point(
                    framing.optics().sensor().widthMm() * ((double) (i % COLUMNS) / (COLUMNS - 1) - 0.5),
                    framing.optics().sensor().heightMm() * ((double) (i / COLUMNS) / (ROWS - 1) - 0.5));
            Vector direction = framing.see(point);
            double altitude = direction.latitudeDeg();
            double azimuth = Moment.azimuth(direction);
            if (altitude >= Math.max(0, skyline.altitudeAt(azimuth))) {
                found[sky++] = magnitude(direction, azimuth, altitude, moment, observer, glow, lamps);
            }
        }
        double zenith = glow.zenith(lamps).magnitude();
        double ground = Luminance.magnitude(GroundLight.luminance(glow, lamps));
        double share = 1 - (double) sky / found.length;
        if (sky == 0) {
            Vector half = Framing.direction(180, 45);
            return new FrameSky(
                    new double[] {magnitude(half, 180, 45, moment, observer, glow, lamps)}, share, zenith, ground);
        }
        double[] sorted = Arrays.copyOf(found, sky);
        Arrays.sort(sorted);
        for (int i = 0; i < sorted.length / 2; i++) {
            double swap = sorted[i];
            sorted[i] = sorted[sorted.length - 1 - i];
            sorted[sorted.length - 1 - i] = swap;
        }
        return new FrameSky(sorted, share, zenith, ground);
    }

    /** Sun and moon as the sky needs them. */
    public static SkyGlow.Lamps lamps(Moment moment, Observer observer) {
        Horizontal sun = moment.observed(Body.SUN, observer);
        Horizontal moon = moment.observed(Body.MOON, observer);
        double phase = Illumination.of(Body.MOON, moment).phaseAngleDeg();
        return new SkyGlow.Lamps(sun.altitudeDeg(), sun.azimuthDeg(), moon.altitudeDeg(), moon.azimuthDeg(), phase);
    }

    private static double magnitude(
            Vector direction,
            double azimuth,
            double altitude,
            Moment moment,
            Observer observer,
            SkyGlow glow,
            SkyGlow.Lamps lamps) {
        Vector equatorial =
                moment.equatorOfDate(direction, observer); // of date: 0.4° off ICRS, which the band does not show
        return glow.towards(azimuth, altitude, Galaxy.longitudeDeg(equatorial), Galaxy.latitudeDeg(equatorial), lamps)
                .magnitude();
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
