package dev.halfdusk.app.pictures;

import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;

/**
 * The drift of stars over a frame, every way drawn so much longer that the worst is well seen.
 *
 * @param width of the frame, millimetres of sensor × 20
 * @param height of the frame
 * @param margin about it, as wide as the longest way, which may leave the frame
 * @param ways all ways as one path
 * @param dots where they start
 * @param worst the worst way
 * @param times how much longer they are drawn
 */
public record DriftPicture(
        double width, double height, double margin, String ways, String dots, String worst, Point worstAt, long times) {

    private static final double SCALE = 20;

    /** The worst is drawn as long as this share of the width. */
    private static final double LONGEST = 0.06;

    public static DriftPicture of(DriftField field, Sensor sensor) {
        double worstMm = field.worst().px() * sensor.pitchUm() / 1000;
        double times = worstMm == 0 ? 1 : LONGEST * sensor.widthMm() / worstMm;
        PathText ways = new PathText();
        PathText dots = new PathText();
        for (DriftField.Drift d : field.drifts()) {
            way(ways, d, sensor, times);
            Point from = at(d.from(), sensor);
            dots.dot(from.x(), from.y());
        }
        return new DriftPicture(
                sensor.widthMm() * SCALE,
                sensor.heightMm() * SCALE,
                LONGEST * sensor.widthMm() * SCALE,
                ways.toString(),
                dots.toString(),
                way(new PathText(), field.worst(), sensor, times).toString(),
                at(field.worst().from(), sensor),
                Math.round(times));
    }

    private static Point at(Point mm, Sensor sensor) {
        return new Point((mm.x() + sensor.widthMm() / 2) * SCALE, (mm.y() + sensor.heightMm() / 2) * SCALE);
    }

    private static PathText way(PathText path, DriftField.Drift d, Sensor sensor, double times) {
        Point from = at(d.from(), sensor);
        double dx = (d.to().x() - d.from().x()) * times * SCALE;
        double dy = (d.to().y() - d.from().y()) * times * SCALE;
        return path.to('M', from.x(), from.y()).to('l', dx, dy);
    }
}
