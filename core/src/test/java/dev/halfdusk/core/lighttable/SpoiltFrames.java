package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.Random;

/** Frames of stars at random places, each spoilt in one way, by a generator that shares nothing with our camera. */
final class SpoiltFrames {

    static final int WIDTH = 1200;
    static final int HEIGHT = 800;
    private static final Site SITE = new Site(37.6, -8.8, 20);
    private static final Instant WHEN = Instant.parse("2027-06-08T01:30:00Z");

    private final Random random;
    private final Sensor sensor = Sensor.of(36, 24, 6000);

    SpoiltFrames(long seed) {
        random = new Random(seed);
    }

    private double between(double from, double to) {
        return from + random.nextDouble() * (to - from);
    }

    FrameReading frame(Cause cause) {
        double focal = between(18, 50);
        Optics lens = new Optics(sensor, focal, Projection.RECTILINEAR);
        Direction aim = new Direction(between(120, 240), between(25, 60));
        Framing framing = Framing.of(lens, aim, 0);
        double tolerance = 2;
        double perPixel = lens.plateScaleArcsec() * 6000 / WIDTH;
        double still = 0.5 * perPixel / Sidereal.ARCSEC_PER_SECOND;
        double seconds = cause == Cause.DRIFT ? between(14, 30) * still : still;
        Vector pole = Sidereal.northPole(SITE);
        double sigma = cause == Cause.FOCUS ? between(2, 3.5) : between(0.75, 1.15);
        double shake = between(3.5, 9);
        double way = between(0, 180);
        double winged = between(5, 8);
        MadeUpFrame.Drawing drawing = (x, y) -> {
            double u = x / WIDTH - 0.5;
            double v = y / HEIGHT - 0.5;
            double out = Math.hypot(x - WIDTH / 2.0, y - HEIGHT / 2.0) / Math.hypot(WIDTH / 2.0, HEIGHT / 2.0);
            switch (cause) {
                case DRIFT:
                    Framing.Point from = new Framing.Point(u * 36, v * 24);
                    Framing.Point to = framing.project(Sidereal.later(framing.see(from), pole, seconds))
                            .orElseThrow();
                    double dx = (to.x() - from.x()) * WIDTH / 36;
                    double dy = (to.y() - from.y()) * WIDTH / 36;
                    return new double[] {sigma, Math.hypot(dx, dy), Math.toDegrees(Math.atan2(dy, dx))};
                case SHAKE, TRACKING:
                    return new double[] {sigma, shake, way};
                case ROTATION:
                    double tangent = Math.toDegrees(Math.atan2(u * WIDTH, -v * HEIGHT));
                    return new double[] {sigma, 2.2 * shake * out, tangent};
                case COMA:
                    double radial = Math.toDegrees(Math.atan2(v * HEIGHT, u * WIDTH));
                    return new double[] {sigma, winged * out * out * out, radial};
                case CURVATURE:
                    return new double[] {sigma * (1 + 1.6 * out * out), 0, 0};
                case TILT:
                    return new double[] {sigma * (1 + 1.8 * Math.max(0, u + 0.1)), 0, 0};
                default:
                    return new double[] {sigma, 0, 0};
            }
        };
        double level = cause == Cause.TOO_DARK
                ? between(0.0012, 0.003)
                : cause == Cause.TOO_BRIGHT ? between(0.3, 0.6) : 0.035;
        double faint = 0.3 * level + 0.006;
        MadeUpFrame frame = new MadeUpFrame(WIDTH, HEIGHT, random.nextLong()).sky(level);
        int stars = (int) between(300, 700);
        double brightest = cause == Cause.BURNT ? 40 : 0.5;
        if (cause == Cause.KNOCK) {
            for (int i = 0; i < stars; i++) {
                double peak = faint * Math.pow(brightest / faint, Math.pow(random.nextDouble(), 3));
                double x = random.nextDouble() * WIDTH;
                double y = random.nextDouble() * HEIGHT;
                double half = (shake + 2) / 2;
                for (int end = -1; end <= 1; end += 2) {
                    frame.star(
                            x + end * half * Math.cos(Math.toRadians(way)),
                            y + end * half * Math.sin(Math.toRadians(way)),
                            peak,
                            sigma,
                            0,
                            0,
                            0);
                }
            }
        } else {
            double longer = cause == Cause.DRIFT
                    ? 8
                    : cause == Cause.SHAKE || cause == Cause.TRACKING || cause == Cause.ROTATION ? 3 : 1;
            frame.stars(stars, cause == Cause.BURNT ? 1 : faint * longer, brightest * longer, 0, drawing);
        }
        frame.noise(0.0015, 0.008);
        Known known = Known.NOTHING
                .taken(new Settings(seconds, 2, 3200), WHEN)
                .through(lens)
                .from(SITE, aim)
                .on(
                        cause == Cause.TRACKING || cause == Cause.ROTATION
                                ? new Support(Support.Kind.SIDEREAL, 0)
                                : Support.TRIPOD)
                .planned(new Known.Planned(new Settings(still * 4, 2, 3200), 0.2, tolerance, 0));
        return LightTable.read(frame.linear16(), known);
    }
}
