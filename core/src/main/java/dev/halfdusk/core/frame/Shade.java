package dev.halfdusk.core.frame;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing.Point;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** How much of each pixel the marks hide, with soft edges where a lens that is focused on the stars does not show them sharp. */
final class Shade {

    private static final int LINES = 4;
    private static final double LEAST_BLUR_PX = 0.6;

    private Shade() {}

    /** Marks first: they only say how much of each pixel they hide. On a tracker they pass before the sky. */
    static void marks(Scene scene, Shot shot, Window window, Canvas canvas) {
        if (scene.marks().isEmpty()) {
            return;
        }
        Smear smear = Smear.of(shot, scene.from().site(), window);
        float[] hidden = Planes.dark(canvas.width * canvas.height);
        for (Mark mark : scene.marks()) {
            double top = canvas.height;
            double bottom = 0;
            for (int step = 0; step < smear.steps(); step++) {
                Optional<Point[]> outline = outline(mark, scene, shot, window, smear, step);
                if (outline.isPresent()) {
                    fill(outline.get(), canvas.width, canvas.height, hidden, 1f / smear.steps());
                    for (Point p : outline.get()) {
                        top = Math.min(top, p.y());
                        bottom = Math.max(bottom, p.y());
                    }
                }
            }
            double blur = blurPx(mark, shot, window);
            if (blur > LEAST_BLUR_PX) {
                Blur.disc(hidden, canvas.width, canvas.height, blur);
                top -= blur + 1;
                bottom += blur + 1;
            }
            int last = (int) Math.min(canvas.height, Math.ceil(bottom) + 1) * canvas.width;
            for (int i = (int) Math.max(0, Math.floor(top)) * canvas.width; i < last; i++) {
                canvas.marked[i] += hidden[i] * (1 - canvas.marked[i]);
                hidden[i] = 0;
            }
        }
        Planes.done(hidden);
    }

    /** Diameter of the spot that a point of the mark makes with the stars in focus: f² / (N distance), picture pixels. */
    private static double blurPx(Mark mark, Shot shot, Window window) {
        double focal = shot.framing().optics().focalMm();
        double um = focal * focal / (shot.aperture() * mark.distanceM());
        return um / window.sensor().pitchUm() / window.binned();
    }

    private static Optional<Point[]> outline(Mark mark, Scene scene, Shot shot, Window window, Smear smear, int step) {
        List<Direction> corners = mark.outline();
        Point[] points = new Point[corners.size()];
        for (int i = 0; i < points.length; i++) {
            Direction corner = corners.get(i);
            double foot = scene.from().skyline().altitudeAt(corner.azimuthDeg());
            boolean stands = corner.altitudeDeg() <= mark.footAltitudeDeg() && foot < corner.altitudeDeg();
            Direction at =
                    stands ? new Direction(corner.azimuthDeg(), foot) : corner; // its foot does not hang in the air
            Optional<Point> p =
                    shot.framing().project(smear.before(at.vector(), step)).map(window::inPicture);
            if (p.isEmpty()) {
                return Optional.empty();
            }
            points[i] = p.get();
        }
        return Optional.of(points);
    }

    /** Adds a share to what is hidden inside of a closed line: four lines a pixel, their ends to the fraction of a pixel. */
    static void fill(Point[] corners, int width, int height, float[] hidden, float share) {
        double top = Double.POSITIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Point p : corners) {
            top = Math.min(top, p.y());
            bottom = Math.max(bottom, p.y());
        }
        double[] crossings = new double[corners.length];
        int last = (int) Math.min(height * LINES - 1L, Math.ceil(bottom * LINES));
        for (int line = (int) Math.max(0, Math.floor(top * LINES)); line <= last; line++) {
            double y = (line + 0.5) / LINES;
            int count = 0;
            for (int i = 0; i < corners.length; i++) {
                Point a = corners[i];
                Point b = corners[(i + 1) % corners.length];
                if (a.y() <= y != b.y() <= y) {
                    crossings[count++] = a.x() + (b.x() - a.x()) * (y - a.y()) / (b.y() - a.y());
                }
            }
            Arrays.sort(crossings, 0, count);
            for (int i = 0; i + 1 < count; i += 2) {
                span(hidden, line / LINES * width, width, crossings[i], crossings[i + 1], share / LINES);
            }
        }
    }

    private static void span(float[] hidden, int row, int width, double from, double to, float share) {
        int end = (int) Math.min(width - 1L, Math.floor(to));
        for (int x = (int) Math.max(0, Math.floor(from)); x <= end; x++) {
            double covered = Math.min(to, x + 1.0) - Math.max(from, x);
            hidden[row + x] += (float) (share * covered);
        }
    }
}
