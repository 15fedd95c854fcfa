package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.Arrays;

/** Single lights painted on a canvas, and where and how much they are. */
abstract class Painted {

    static final Sensor SENSOR = Sensor.of(36, 24, 6000);
    static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    static final Moment NIGHT = Moment.at(Instant.parse("2027-06-08T01:00:00Z"));
    static final Scene SCENE = Scene.open(Standpoint.open(LEDGE, SkyGlow.ofZenith(21.5)), NIGHT);

    /** Half a million electrons deep. */
    static final Response DEEP = new Response(500_000, 100, 1, 1, 0, 0.5);

    final Canvas canvas;

    Painted(int width, int height) {
        canvas = new Canvas(width, height);
    }

    static Shot shot(double focal, Direction at, double seconds, double aperture, double defocusUm) {
        Framing framing = Framing.of(new Optics(SENSOR, focal, Projection.RECTILINEAR), at, 0);
        return new Shot(
                framing, DEEP, 0.45, new Settings(seconds, aperture, 100), 2.8, defocusUm, 5500, Support.TRIPOD);
    }

    /** With the sky open everywhere. */
    Exposure open(Shot shot, Window window, double perLuminance) {
        Arrays.fill(canvas.open, 1);
        return new Exposure(SCENE, shot, window, TrailFrames.NONE, canvas, perLuminance);
    }

    static double sum(float[] light) {
        double sum = 0;
        for (float e : light) {
            sum += e;
        }
        return sum;
    }

    double sum(int colour) {
        return sum(canvas.electrons[colour]);
    }

    /** Middle of the light in the picture. */
    double[] middle() {
        double[] middle = new double[2];
        double sum = sum(1);
        for (int i = 0; i < canvas.electrons[1].length; i++) {
            middle[0] += canvas.electrons[1][i] / sum * (i % canvas.width + 0.5);
            middle[1] += canvas.electrons[1][i] / sum * (i / canvas.width + 0.5);
        }
        return middle;
    }

    /** Root of its variance across or down. */
    double spread(boolean across) {
        double middle = middle()[across ? 0 : 1];
        double sum = 0;
        for (int i = 0; i < canvas.electrons[1].length; i++) {
            double at = (across ? i % canvas.width : i / canvas.width) + 0.5;
            sum += canvas.electrons[1][i] * Math.pow(at - middle, 2);
        }
        return Math.sqrt(sum / sum(1));
    }
}
