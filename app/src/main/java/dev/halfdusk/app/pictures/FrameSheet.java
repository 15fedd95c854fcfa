package dev.halfdusk.app.pictures;

import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import java.util.List;
import java.util.Optional;

/** One framing of one scene on the sheet of a drawing: where directions fall, and lines that leave the sheet. */
final class FrameSheet {

    static final double SCALE = 20;
    private static final double MARGIN = 0.1;
    private static final double WIDE_DEG = 120;

    final Scene scene;
    final Framing framing;
    final Sensor sensor;
    final Vector forward;
    final Direction axis;
    final double width;
    final double height;

    FrameSheet(Scene scene, Framing framing) {
        this.scene = scene;
        this.framing = framing;
        sensor = framing.optics().sensor();
        forward = framing.see(new Point(0, 0));
        axis = Direction.of(forward);
        width = sensor.widthMm() * SCALE;
        height = sensor.heightMm() * SCALE;
    }

    /** Where a direction falls, also beside the sheet; empty where the lens cannot draw it. */
    Optional<Point> at(Vector direction) {
        return framing.project(direction).map(p -> new Point(p.x() * SCALE + width / 2, p.y() * SCALE + height / 2));
    }

    /** The same, for what is on the sheet or a little beside it. */
    Optional<Point> near(Vector direction) {
        return at(direction).filter(this::holds);
    }

    private boolean holds(Point p) {
        return p.x() > -MARGIN * width
                && p.y() > -MARGIN * height
                && p.x() < (1 + MARGIN) * width
                && p.y() < (1 + MARGIN) * height;
    }

    /** The pieces of a line that lie near the frame. */
    void line(PathText path, List<Vector> points) {
        boolean drawing = false;
        Point last = null;
        for (Vector v : points) {
            boolean ahead = v.dot(forward) > 0.02 || framing.optics().widthDeg() > WIDE_DEG;
            Optional<Point> found = ahead ? at(v) : Optional.empty();
            if (found.isEmpty()) {
                drawing = false;
                last = null;
                continue;
            }
            Point p = found.get();
            boolean wanted = holds(p) || last != null && holds(last);
            if (wanted && !drawing && last != null) {
                path.to('M', last.x(), last.y());
                drawing = true;
            }
            if (wanted) {
                path.to(drawing ? 'L' : 'M', p.x(), p.y());
            }
            drawing = wanted;
            last = p;
        }
    }
}
