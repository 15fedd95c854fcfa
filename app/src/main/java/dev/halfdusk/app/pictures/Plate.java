package dev.halfdusk.app.pictures;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * A plain plate: azimuth across, altitude up, both evenly.
 *
 * @param middleDeg azimuth in its middle
 * @param spanDeg azimuths across its width
 */
record Plate(double width, double height, double middleDeg, double spanDeg, double bottomDeg, double topDeg) {

    private static final int SIDE_POINTS = 24;
    private static final Duration STEP = Duration.ofMinutes(10);

    double x(double azimuthDeg) {
        return width / 2 + Angles.halfTurn(azimuthDeg - middleDeg) / spanDeg * width;
    }

    double y(double altitudeDeg) {
        return height * (topDeg - altitudeDeg) / (topDeg - bottomDeg);
    }

    /** Broken where the azimuth jumps from one edge to the other. */
    String line(List<Vector> points) {
        return path(points, false);
    }

    /** The outline of what a camera frames. */
    String outline(Framing framing) {
        Sensor sensor = framing.optics().sensor();
        double w = sensor.widthMm() / 2;
        double h = sensor.heightMm() / 2;
        double[][] corners = {{-w, -h}, {w, -h}, {w, h}, {-w, h}};
        List<Vector> points = new ArrayList<>();
        for (int side = 0; side < corners.length; side++) {
            double[] a = corners[side];
            double[] b = corners[(side + 1) % corners.length];
            for (int i = 0; i < SIDE_POINTS; i++) {
                double share = (double) i / SIDE_POINTS;
                points.add(framing.see(new Point(a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share)));
            }
        }
        return path(points, true);
    }

    /** The way of a target while the sky turns. */
    String way(Target target, Interval during, Observer observer) {
        List<Vector> points = new ArrayList<>();
        for (Instant t = during.from(); t.isBefore(during.to()); t = t.plus(STEP)) {
            points.add(Moment.at(t).local(target, observer));
        }
        points.add(Moment.at(during.to()).local(target, observer));
        return line(points);
    }

    /** The ground under a skyline all around, from one edge of a full turn to the other. */
    String ground(Skyline skyline) {
        PathText path = new PathText().to('M', 0, height);
        for (int a = 0; a <= 360; a++) {
            path.to('L', a / 360.0 * width, y(skyline.altitudeAt(Angles.turn(middleDeg - 180 + a))));
        }
        return path.to('L', width, height).close().toString();
    }

    private String path(List<Vector> points, boolean closed) {
        PathText path = new PathText();
        double last = Double.NaN;
        boolean broken = false;
        for (Vector p : points) {
            double x = x(Direction.azimuthDeg(p));
            boolean jump = Math.abs(x - last) > width * 180 / spanDeg;
            broken |= jump;
            path.to(Double.isNaN(last) || jump ? 'M' : 'L', x, y(p.latitudeDeg()));
            last = x;
        }
        return closed && !broken ? path.close().toString() : path.toString();
    }
}
