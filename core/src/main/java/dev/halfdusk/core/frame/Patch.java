package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import java.util.Optional;
import java.util.stream.IntStream;

/** A disc's electrons by colour in a square of pixels, and where its corner lies; carried along its way while the shutter is open. */
record Patch(int left, int top, int size, float[][] electrons) {

    private static final int MOST_STEPS = 240;

    /** Carried farther than this, parts of a pixel do not show; nor do steps of two pixels of what is large. */
    private static final double FAR_PX = 30;

    private static final int LARGE_PX = 200;

    /** Narrower stray light stays within what the disc itself covers. */
    private static final double LEAST_STRAY_PX = 3;

    private static final double LEAST_BLUR_PX = 0.3;

    /** A larger disc is no point from which blades draw rays. */
    private static final double RAYS_TO_PX = 25;

    /** Of the picture's width. */
    private static final double RAYS_REACH = 0.12;

    /** Of a disc against its spread. */
    private static final double DIAMETERS = 4;

    /** What comes from a direction. */
    interface Light {

        /** Writes cd/m² of red, green and blue; false for none. */
        boolean of(Vector seen, double[] rgb);
    }

    /** Where the middle of a body stands in the picture from opening to closing. */
    record Way(Moment middle, double radiusDeg, Point begins, Point centre, Point ends) {

        double lengthPx() {
            return Math.hypot(ends.x() - begins.x(), ends.y() - begins.y());
        }

        /** Of the body in the picture. */
        double radiusPx(Exposure exposure) {
            return radiusDeg / exposure.shot().pixelDeg(exposure.window());
        }

        /** Empty where it lies behind the camera or below the horizon. */
        static Optional<Way> of(Exposure exposure, Body body) {
            Scene scene = exposure.scene();
            double seconds = exposure.shot().seconds();
            Moment middle = Moment.at(scene.moment().instant().plusMillis(Math.round(500 * seconds)));
            Moment closing = Moment.at(scene.moment().instant().plusMillis(Math.round(1000 * seconds)));
            Vector there = middle.local(body, scene.observer());
            double radius = Math.asin(body.radiusKm() / there.length());
            if (there.unit().z() < -radius) {
                return Optional.empty();
            }
            Optional<Point> begins =
                    exposure.at(scene.moment().local(body, scene.observer()).unit(), 0);
            Optional<Point> centre = exposure.at(there.unit(), seconds / 2);
            Optional<Point> ends =
                    exposure.at(closing.local(body, scene.observer()).unit(), seconds);
            return begins.isEmpty() || centre.isEmpty() || ends.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Way(middle, Math.toDegrees(radius), begins.get(), centre.get(), ends.get()));
        }
    }

    /**
     * Within so many degrees of the middle.
     *
     * @param fine points along the side of a pixel that are looked at
     */
    static Patch of(Exposure exposure, Way way, double reachDeg, int fine, Light light) {
        Window window = exposure.window();
        double blur = exposure.shot().defocusUm() / 2 / exposure.pixelUm(); // spread of a star, see LensDrawing
        double px = reachDeg / exposure.shot().pixelDeg(window) + 2 + 3 * blur;
        int whole = (int) Math.ceil(2 * px) + 1;
        int square = Math.max(window.width(), window.height()) + 2 * AROUND;
        boolean clipped = whole > square && way.lengthPx() < AROUND / 2.0;
        int left = (int) Math.floor(way.centre().x() - px);
        int top = (int) Math.floor(way.centre().y() - px);
        if (clipped) {
            left = Math.max(left, Math.min(-AROUND, left + whole - square));
            top = Math.max(top, Math.min(-AROUND, top + whole - square));
        }
        int size = clipped ? square : whole;
        return within(exposure, left, top, size, fine, light).outOfFocus(blur);
    }

    /** @param spread in pixels */
    private Patch outOfFocus(double spread) {
        if (spread > LEAST_BLUR_PX && size > 0) {
            for (float[] colour : electrons) {
                Blur.disc(colour, size, size, DIAMETERS * spread);
            }
        }
        return this;
    }

    /** What lies farther beside the picture sends no light into it that counts. */
    private static final int AROUND = 200;

    private static Patch within(Exposure exposure, int left, int top, int size, int fine, Light light) {
        Shot shot = exposure.shot();
        Window window = exposure.window();
        if (left > window.width() + size || left + 2 * size < 0) {
            return new Patch(left, top, 0, new float[3][0]);
        }
        float[][] electrons = new float[3][size * size];
        double each = exposure.perLuminance() * shot.seconds() / (fine * fine);
        IntStream.range(0, size).parallel().forEach(row -> {
            double[] rgb = new double[3];
            for (int i = row * size; i < (row + 1) * size; i++) {
                double through = each * exposure.lens(left + i % size + 0.5, top + row + 0.5);
                for (int k = 0; k < fine * fine; k++) {
                    double x = left + i % size + (k % fine + 0.5) / fine;
                    double y = top + row + (k / fine + 0.5) / fine;
                    if (light.of(shot.framing().see(window.onSensor(x, y)), rgb)) {
                        for (int c = 0; c < 3; c++) {
                            electrons[c][i] += (float) (through * rgb[c]);
                        }
                    }
                }
            }
        });
        return new Patch(left, top, size, electrons);
    }

    /** Of green. */
    double sum() {
        double sum = 0;
        for (float e : electrons[1]) {
            sum += e;
        }
        return sum;
    }

    /** Sends some of its light astray, as much as the lens does. */
    void stray(Exposure exposure) {
        double kept = 1;
        for (Halo halo : exposure.halos()) {
            double sigma = halo.sigmaUm() / exposure.pixelUm();
            if (sigma > LEAST_STRAY_PX && size > 0) {
                kept -= halo.share();
                HaloTiles.of(electrons, size, sigma).add(exposure.canvas(), left, top, halo.share());
            }
        }
        for (float[] colour : electrons) {
            for (int i = 0; i < colour.length; i++) {
                colour[i] *= (float) kept;
            }
        }
    }

    /** From a disc so small that it is a point for the blades; a larger one's rays lie over each other and do not show. */
    void rays(Exposure exposure, Way way) {
        if (way.radiusPx(exposure) < RAYS_TO_PX) {
            exposure.rays(way.centre, sum(), RAYS_REACH * exposure.window().width());
        }
    }

    /** Along its way, as long in each place. */
    void carry(Exposure exposure, Way way) {
        Point from = way.begins();
        double dx = way.ends().x() - from.x();
        double dy = way.ends().y() - from.y();
        double length = Math.hypot(dx, dy);
        boolean far = length > FAR_PX;
        double each = !far ? 0.5 : size > LARGE_PX ? 2 : 1;
        int steps = (int) Math.max(1, Math.min(MOST_STEPS, Math.ceil(length / each)));
        for (int i = 0; i < steps; i++) {
            double along = (i + 0.5) / steps;
            double x = from.x() + dx * along - way.centre().x();
            double y = from.y() + dy * along - way.centre().y();
            stamp(exposure, far ? Math.rint(x) : x, far ? Math.rint(y) : y, 1.0 / steps);
        }
    }

    /** Adds a share of it, moved by some pixels; light between two pixels goes to both. */
    private void stamp(Exposure exposure, double byX, double byY, double share) {
        Canvas canvas = exposure.canvas();
        int dx = (int) Math.floor(byX);
        int dy = (int) Math.floor(byY);
        double[] across = {1 - (byX - dx), byX - dx};
        double[] down = {1 - (byY - dy), byY - dy};
        double[] light = new double[3];
        for (int j = 0; j < size; j++) {
            for (int i = 0; i < size; i++) {
                int at = j * size + i;
                for (int c = 0; c < 3; c++) {
                    light[c] = electrons[c][at];
                }
                for (int k = 0; light[1] > 0 && k < 4; k++) {
                    double part = share * across[k % 2] * down[k / 2];
                    if (part == 0) {
                        continue;
                    }
                    canvas.add(left + i + dx + k % 2, top + j + dy + k / 2, part, light);
                }
            }
        }
    }
}
