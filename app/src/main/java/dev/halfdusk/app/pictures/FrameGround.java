package dev.halfdusk.app.pictures;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Horizon, grid, ground and marks in a frame. */
record FrameGround(FrameSheet sheet) {

    private static final double FARTHEST = 20_000;
    private static final int BELOW_MARK_DEG = 3;

    String horizon() {
        PathText path = new PathText();
        altitude(path, 0);
        return path.toString();
    }

    private void altitude(PathText path, double altitudeDeg) {
        List<Vector> points = new ArrayList<>();
        for (int a = -180; a <= 180; a += 3) {
            points.add(new Direction(sheet.axis.azimuthDeg() + a, altitudeDeg).vector());
        }
        sheet.line(path, points);
    }

    String grid() {
        PathText path = new PathText();
        for (int altitude = 10; altitude < 90; altitude += 10) {
            altitude(path, altitude);
        }
        for (int azimuth = 0; azimuth < 360; azimuth += 15) {
            List<Vector> points = new ArrayList<>();
            for (int altitude = 0; altitude <= 88; altitude += 4) {
                points.add(new Direction(azimuth, altitude).vector());
            }
            sheet.line(path, points);
        }
        return path.toString();
    }

    /** The skyline from left to right, and back far below the frame. */
    String ground() {
        double azimuth = sheet.axis.azimuthDeg();
        double altitude = sheet.axis.altitudeDeg();
        double low = Math.max(-89, Math.min(-30, altitude - 80));
        double lean = Math.max(0.25, Math.cos(Math.toRadians(altitude)));
        double half = Math.min(178, Math.max(50, sheet.framing.optics().diagonalDeg() * 0.5 / lean + 15));
        double step = half / 120;
        PathText path = new PathText();
        for (double a = -half; a <= half; a += step) {
            double skyline = sheet.scene.from().skyline().altitudeAt(Angles.turn(azimuth + a));
            corner(path, new Direction(azimuth + a, skyline));
        }
        for (double a = half; a >= -half; a -= 6 * step) {
            corner(path, new Direction(azimuth + a, low));
        }
        return path.isEmpty() ? "" : path.close().toString();
    }

    private void corner(PathText path, Direction direction) {
        sheet.at(direction.vector())
                .ifPresent(p -> path.to(
                        path.isEmpty() ? 'M' : 'L',
                        Math.max(-FARTHEST, Math.min(FARTHEST, p.x())),
                        Math.max(-FARTHEST, Math.min(FARTHEST, p.y()))));
    }

    /** @param sharpFromM nearer marks are soft when the stars are in focus */
    List<FramePicture.MarkShape> marks(double sharpFromM) {
        return sheet.scene.marks().stream()
                .flatMap(m -> mark(m, sharpFromM).stream())
                .toList();
    }

    private Optional<FramePicture.MarkShape> mark(Mark m, double sharpFromM) {
        PathText path = new PathText();
        for (Direction corner : m.outline()) {
            boolean foot = corner.altitudeDeg() <= m.footAltitudeDeg();
            Optional<Point> p =
                    sheet.at((foot ? new Direction(corner.azimuthDeg(), corner.altitudeDeg() - BELOW_MARK_DEG) : corner)
                            .vector());
            if (p.isEmpty()) {
                return Optional.empty();
            }
            path.to(path.isEmpty() ? 'M' : 'L', p.get().x(), p.get().y());
        }
        String outline = path.close().toString();
        String words = m.distanceM() < sharpFromM ? m.name() + ", soft" : m.name();
        return sheet.near(m.top().vector())
                .map(p -> new FramePicture.MarkShape(outline, Math.round(p.x()), Math.round(p.y() - 8), words));
    }
}
