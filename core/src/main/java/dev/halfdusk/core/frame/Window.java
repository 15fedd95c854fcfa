package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;

/**
 * Which part of the sensor is drawn, and how coarsely.
 *
 * @param width of the picture in its own pixels
 * @param leftPx of the sensor, at the picture's left edge
 * @param binned sensor pixels along the side of one picture pixel; 1 is full size
 */
public record Window(Sensor sensor, int width, int height, double leftPx, double topPx, double binned) {

    public static final Range WIDTH = new Range("width of the picture", 16, 2400, " px");

    /** The whole frame, reduced to a width. */
    public static Window whole(Sensor sensor, int width) {
        WIDTH.check(width);
        double binned = sensor.widthMm() * 1000 / sensor.pitchUm() / width;
        int height = (int) Math.max(1, Math.round(width * sensor.heightMm() / sensor.widthMm()));
        return new Window(sensor, width, height, 0, 0, binned);
    }

    /** A part at full size around a point of the sensor, millimetres from its centre; kept inside the frame. */
    public static Window crop(Sensor sensor, double xMm, double yMm, int width, int height) {
        WIDTH.check(width);
        WIDTH.check(height);
        double across = sensor.widthMm() * 1000 / sensor.pitchUm();
        double high = sensor.heightMm() * 1000 / sensor.pitchUm();
        double left = (xMm * 1000 / sensor.pitchUm()) + across / 2 - width / 2.0;
        double top = (yMm * 1000 / sensor.pitchUm()) + high / 2 - height / 2.0;
        return new Window(
                sensor,
                width,
                height,
                Math.max(0, Math.min(across - width, left)),
                Math.max(0, Math.min(high - height, top)),
                1);
    }

    /** A part around the middle, so many sensor pixels wide, reduced to the picture; at full size where it would be enlarged. */
    public static Window middle(Sensor sensor, double acrossPx, int width, int height) {
        WIDTH.check(width);
        WIDTH.check(height);
        double wide = sensor.widthMm() * 1000 / sensor.pitchUm();
        double high = sensor.heightMm() * 1000 / sensor.pitchUm();
        double binned = Math.max(1, Math.min(acrossPx / width, Math.min(wide / width, high / height)));
        return new Window(sensor, width, height, (wide - width * binned) / 2, (high - height * binned) / 2, binned);
    }

    /** Where a point of the picture, in its pixels, lies on the sensor. */
    Point onSensor(double x, double y) {
        double pitch = sensor.pitchUm() / 1000;
        return new Point(
                (leftPx + x * binned) * pitch - sensor.widthMm() / 2,
                (topPx + y * binned) * pitch - sensor.heightMm() / 2);
    }

    /** Where a point of the sensor lies in the picture, in its pixels. */
    Point inPicture(Point mm) {
        double pitch = sensor.pitchUm() / 1000;
        return new Point(
                ((mm.x() + sensor.widthMm() / 2) / pitch - leftPx) / binned,
                ((mm.y() + sensor.heightMm() / 2) / pitch - topPx) / binned);
    }
}
