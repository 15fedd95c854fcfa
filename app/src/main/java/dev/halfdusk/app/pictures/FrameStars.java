package dev.halfdusk.app.pictures;

import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Figure;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Star;
import java.util.ArrayList;
import java.util.List;

/** Stars, their figures and trails, and the Milky Way in a frame. */
record FrameStars(FrameSheet sheet) {

    private static final int COLUMNS = 54;
    private static final int ROWS = 36;
    private static final double FAINTEST = 5.6;
    private static final double TRAIL_FAINTEST = 5.6;
    private static final int MOST_BROKEN = 60;
    private static final double LONGEST_PIECE = 7200;
    private static final double STRAIGHT_SECONDS = 900;
    private static final double[] STEPS = {0.06, 0.16, 0.32, 0.55, 0.85};
    private static final double STEP_OPACITY = 0.16;

    /** Runs of cells, grade upon grade; the page blurs them. */
    List<FramePicture.Light> milkyWay(SunAndMoon lamps) {
        double[] light = light(lamps);
        List<FramePicture.Light> grades = new ArrayList<>();
        for (double step : STEPS) {
            PathText path = new PathText();
            for (int row = 0; row < ROWS; row++) {
                int from = -1;
                for (int column = 0; column <= COLUMNS; column++) {
                    boolean lit = column < COLUMNS && light[row * COLUMNS + column] > step;
                    if (lit && from < 0) {
                        from = column;
                    } else if (!lit && from >= 0) {
                        cells(path, row, from, column);
                        from = -1;
                    }
                }
            }
            if (!path.isEmpty()) {
                grades.add(new FramePicture.Light(path.toString(), STEP_OPACITY));
            }
        }
        return List.copyOf(grades);
    }

    private void cells(PathText path, int row, int from, int to) {
        double cellX = sheet.width / COLUMNS;
        double cellY = sheet.height / ROWS;
        path.to('M', from * cellX, row * cellY)
                .to('H', to * cellX)
                .to('V', (row + 1) * cellY)
                .to('H', from * cellX)
                .close();
    }

    /** How far the band stands out from its sky, cell by cell. */
    private double[] light(SunAndMoon lamps) {
        Observer observer = sheet.scene.observer();
        SkyGlow glow = sheet.scene.from().glow();
        double[] light = new double[COLUMNS * ROWS];
        for (int i = 0; i < light.length; i++) {
            Vector direction = sheet.framing.see(new Point(
                    ((i % COLUMNS + 0.5) / COLUMNS - 0.5) * sheet.sensor.widthMm(),
                    ((i / COLUMNS + 0.5) / ROWS - 0.5) * sheet.sensor.heightMm()));
            if (direction.z() > 0) {
                SkyGlow.Parts parts = glow.towards(direction, sheet.scene.moment(), observer, lamps);
                light[i] = parts.milkyWay() / parts.background();
            }
        }
        return light;
    }

    private Vector local(FixedPoint place) {
        return sheet.scene.moment().local(place, sheet.scene.observer());
    }

    List<StarDots.Stars> dots() {
        StarDots dots = new StarDots(6, 5.2, 0.68);
        for (Star star : Star.brighterThan(FAINTEST)) {
            Vector local = local(star.place());
            if (local.z() > 0 && local.dot(sheet.forward) > -0.2) {
                sheet.near(local).ifPresent(p -> dots.add(star, p.x(), p.y()));
            }
        }
        return dots.all();
    }

    String figures() {
        PathText path = new PathText();
        for (Figure figure : Figure.all()) {
            sheet.line(
                    path,
                    figure.points().stream()
                            .map(p -> local(new FixedPoint(p.longitudeDeg(), p.latitudeDeg())))
                            .toList());
        }
        return path.toString();
    }

    /** Arcs of the brighter stars while the sequence runs, broken where the pauses would show. */
    List<StarDots.Stars> trails(TrailFrames trails, double shutterSeconds) {
        StarDots lines = new StarDots(6, 4.4, 0.6);
        Vector pole = Sidereal.northPole(sheet.scene.from().site());
        boolean broken = trails.frames() <= MOST_BROKEN && trails.gapPx(sheet.framing.optics()) >= 1;
        double whole = trails.seconds(shutterSeconds);
        double piece = broken ? shutterSeconds : Math.min(LONGEST_PIECE, whole);
        double pause = broken ? trails.pauseSeconds() : 0;
        for (Star star : Star.brighterThan(TRAIL_FAINTEST)) {
            Vector local = local(star.place());
            for (double t = 0; t < whole - 0.1; t += piece + pause) {
                sheet.line(lines.path(star), arc(local, pole, t, Math.min(whole, t + piece)));
            }
        }
        return lines.all();
    }

    private static List<Vector> arc(Vector star, Vector pole, double from, double to) {
        List<Vector> points = new ArrayList<>();
        int steps = (int) Math.max(1, Math.ceil((to - from) / STRAIGHT_SECONDS));
        for (int i = 0; i <= steps; i++) {
            Vector v = Sidereal.later(star, pole, from + (to - from) * i / steps);
            if (v.z() > 0) {
                points.add(v);
            }
        }
        return points;
    }
}
