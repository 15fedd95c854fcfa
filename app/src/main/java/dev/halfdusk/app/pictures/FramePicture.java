package dev.halfdusk.app.pictures;

import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.exposure.Sidereal;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Figure;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Star;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a camera frames, as a drawing: sky, Milky Way, stars, moon, ground, marks. Units are a twentieth of a millimetre on
 * the sensor, the origin in the top left corner.
 */
public record FramePicture(
        double width,
        double height,
        String skyTop,
        String skyLow,
        List<Light> milkyWay,
        List<SkyStrip.Stars> stars,
        String figures,
        String grid,
        String horizon,
        String ground,
        List<MarkShape> marks,
        List<Named> named,
        Moon moon,
        Named pole,
        DriftPicture drift,
        String trails) {

    private static final double SCALE = 20;
    private static final int COLUMNS = 54;
    private static final int ROWS = 36;
    private static final double FAINTEST = 5.6;
    private static final double STARS_SHOW_DEG = -8;
    private static final String[] STAR_COLOURS = {"#cfdcff", "#fff6ea", "#ffd2a3"};
    private static final double[] STEPS = {0.06, 0.16, 0.32, 0.55, 0.85};
    private static final double TRAIL_FAINTEST = 4.8;
    private static final double LEAST_MOON = 5;

    /** A grade of the Milky Way's light. */
    public record Light(String path, double opacity) {}

    /** A mark's outline and its words. */
    public record MarkShape(String outline, double x, double y, String name) {}

    /** Something with a word beside it. */
    public record Named(double x, double y, String text, double radius) {}

    /** The moon's disc and the lit part of it. */
    public record Moon(double x, double y, double radius, String turn, String lit) {}

    /**
     * What is drawn beside the sky itself.
     *
     * @param trailSeconds how long trails last, 0 for none
     * @param sharpFromM nearer marks are soft when the stars are in focus
     */
    public record Options(
            boolean figures,
            boolean grid,
            Optional<DriftField> drift,
            double trailSeconds,
            double shutterSeconds,
            double pauseSeconds,
            double sharpFromM) {}

    public static FramePicture of(Scene scene, Framing framing, Options options) {
        Drawing d = new Drawing(scene, framing);
        SkyGlow.Lamps lamps = scene.lamps();
        SkyGlow.Parts zenith = scene.glow().zenith(lamps);
        double sun = lamps.sunAltitudeDeg();
        boolean dark = sun < STARS_SHOW_DEG;
        Sensor sensor = framing.optics().sensor();
        return new FramePicture(
                sensor.widthMm() * SCALE,
                sensor.heightMm() * SCALE,
                SkyColour.hex(SkyColour.of(sun, zenith)),
                SkyColour.hex(SkyColour.of(Math.min(8, sun + 2.5), zenith)),
                dark && options.trailSeconds == 0 ? d.milkyWay(lamps) : List.of(),
                dark && options.trailSeconds == 0 ? d.stars() : List.of(),
                dark && options.figures ? d.figures() : "",
                options.grid ? d.grid() : "",
                d.altitudeLine(0),
                d.ground(),
                scene.marks().stream()
                        .flatMap(m -> d.mark(m, options.sharpFromM).stream())
                        .toList(),
                d.planets(),
                d.moon(),
                d.pole(),
                options.drift.map(f -> DriftPicture.of(f, sensor)).orElse(null),
                options.trailSeconds > 0 ? d.trails(options) : "");
    }

    /** One framing of one scene. */
    private static final class Drawing {

        private final Scene scene;
        private final Framing framing;
        private final Sensor sensor;
        private final double axisAzimuth;
        private final double axisAltitude;

        Drawing(Scene scene, Framing framing) {
            this.scene = scene;
            this.framing = framing;
            sensor = framing.optics().sensor();
            Vector axis = framing.see(new Point(0, 0));
            axisAzimuth = Moment.azimuth(axis);
            axisAltitude = axis.latitudeDeg();
        }

        private Optional<Point> at(Vector direction) {
            return framing.project(direction)
                    .map(p ->
                            new Point((p.x() + sensor.widthMm() / 2) * SCALE, (p.y() + sensor.heightMm() / 2) * SCALE));
        }

        private boolean near(Point p) {
            double w = sensor.widthMm() * SCALE;
            double h = sensor.heightMm() * SCALE;
            return p.x() > -0.1 * w && p.y() > -0.1 * h && p.x() < 1.1 * w && p.y() < 1.1 * h;
        }

        /** Runs of cells, grade upon grade; the page blurs them. */
        List<Light> milkyWay(SkyGlow.Lamps lamps) {
            double cellX = sensor.widthMm() / COLUMNS;
            double cellY = sensor.heightMm() / ROWS;
            double[] light = new double[COLUMNS * ROWS];
            for (int i = 0; i < light.length; i++) {
                Point mm = new Point(
                        (i % COLUMNS + 0.5) * cellX - sensor.widthMm() / 2,
                        (i / COLUMNS + 0.5) * cellY - sensor.heightMm() / 2);
                Vector direction = framing.see(mm);
                if (direction.z() > 0) {
                    Vector equatorial = scene.moment().equatorOfDate(direction, scene.observer());
                    SkyGlow.Parts parts = scene.glow()
                            .towards(
                                    Moment.azimuth(direction),
                                    direction.latitudeDeg(),
                                    Galaxy.longitudeDeg(equatorial),
                                    Galaxy.latitudeDeg(equatorial),
                                    lamps);
                    light[i] = parts.milkyWay() * Clouds.factor(equatorial) / parts.background();
                }
            }
            List<Light> grades = new ArrayList<>();
            for (double step : STEPS) {
                StringBuilder path = new StringBuilder();
                for (int row = 0; row < ROWS; row++) {
                    int from = -1;
                    for (int column = 0; column <= COLUMNS; column++) {
                        boolean lit = column < COLUMNS && light[row * COLUMNS + column] > step;
                        if (lit && from < 0) {
                            from = column;
                        } else if (!lit && from >= 0) {
                            path.append(String.format(
                                    Locale.ROOT,
                                    "M%.0f,%.0fH%.0fV%.0fH%.0fZ",
                                    from * cellX * SCALE,
                                    row * cellY * SCALE,
                                    column * cellX * SCALE,
                                    (row + 1) * cellY * SCALE,
                                    from * cellX * SCALE));
                            from = -1;
                        }
                    }
                }
                if (!path.isEmpty()) {
                    grades.add(new Light(path.toString(), 0.16));
                }
            }
            return List.copyOf(grades);
        }

        List<SkyStrip.Stars> stars() {
            Map<Integer, StringBuilder> paths = new TreeMap<>();
            for (Star star : Star.brighterThan(FAINTEST)) {
                Vector local = scene.moment().local(star.place(), scene.observer());
                if (local.z() > 0 && local.dot(framing.see(new Point(0, 0))) > -0.2) {
                    Optional<Point> p = at(local).filter(this::near);
                    if (p.isPresent()) {
                        int brightness = (int) Math.max(0, Math.min(6, Math.floor(star.magnitude() + 1)));
                        int warmth = star.temperatureK() > 8000 ? 0 : star.temperatureK() > 5200 ? 1 : 2;
                        paths.computeIfAbsent(brightness * 3 + warmth, k -> new StringBuilder())
                                .append(String.format(
                                        Locale.ROOT,
                                        "M%.1f,%.1fh0",
                                        p.get().x(),
                                        p.get().y()));
                    }
                }
            }
            return paths.entrySet().stream()
                    .map(e -> new SkyStrip.Stars(
                            e.getValue().toString(), 5.2 - 0.68 * (e.getKey() / 3), STAR_COLOURS[e.getKey() % 3]))
                    .toList();
        }

        String figures() {
            StringBuilder path = new StringBuilder();
            for (Figure figure : Figure.all()) {
                polyline(
                        path,
                        figure.points().stream()
                                .map(p -> scene.moment()
                                        .local(new FixedPoint(p.longitudeDeg(), p.latitudeDeg()), scene.observer()))
                                .toList());
            }
            return path.toString();
        }

        /** Pieces of a line that lie near the frame. */
        private void polyline(StringBuilder path, List<Vector> points) {
            boolean drawing = false;
            Point last = null;
            for (Vector v : points) {
                Optional<Point> p = v.dot(framing.see(new Point(0, 0))) > 0.02
                                || framing.optics().widthDeg() > 120
                        ? at(v)
                        : Optional.empty();
                if (p.isEmpty()) {
                    drawing = false;
                    last = null;
                } else {
                    boolean wanted = near(p.get()) || last != null && near(last);
                    if (wanted) {
                        if (!drawing && last != null) {
                            path.append(String.format(Locale.ROOT, "M%.1f,%.1f", last.x(), last.y()));
                            drawing = true;
                        }
                        path.append(drawing ? 'L' : 'M')
                                .append(String.format(
                                        Locale.ROOT,
                                        "%.1f,%.1f",
                                        p.get().x(),
                                        p.get().y()));
                        drawing = true;
                    } else {
                        drawing = false;
                    }
                    last = p.get();
                }
            }
        }

        String altitudeLine(double altitude) {
            StringBuilder path = new StringBuilder();
            List<Vector> points = new ArrayList<>();
            for (int a = -180; a <= 180; a += 3) {
                points.add(Framing.direction(axisAzimuth + a, altitude));
            }
            polyline(path, points);
            return path.toString();
        }

        String grid() {
            StringBuilder path = new StringBuilder();
            for (int altitude = 10; altitude < 90; altitude += 10) {
                path.append(altitudeLine(altitude));
            }
            for (int azimuth = 0; azimuth < 360; azimuth += 15) {
                List<Vector> points = new ArrayList<>();
                for (int altitude = 0; altitude <= 88; altitude += 4) {
                    points.add(Framing.direction(azimuth, altitude));
                }
                polyline(path, points);
            }
            return path.toString();
        }

        /** The skyline from left to right, and back far below the frame. */
        String ground() {
            List<Point> outline = new ArrayList<>();
            double low = Math.max(-89, Math.min(-30, axisAltitude - 80));
            double half = Math.min(
                    178,
                    Math.max(
                            50,
                            framing.optics().diagonalDeg()
                                            * 0.5
                                            / Math.max(0.25, Math.cos(Math.toRadians(axisAltitude)))
                                    + 15));
            double step = half / 120;
            for (double a = -half; a <= half; a += step) {
                double azimuth = axisAzimuth + a;
                at(Framing.direction(azimuth, scene.skyline().altitudeAt(Angles.turn(azimuth))))
                        .ifPresent(outline::add);
            }
            for (double a = half; a >= -half; a -= 6 * step) {
                at(Framing.direction(axisAzimuth + a, low)).ifPresent(outline::add);
            }
            StringBuilder path = new StringBuilder();
            for (Point p : outline) {
                double x = Math.max(-20_000, Math.min(20_000, p.x()));
                double y = Math.max(-20_000, Math.min(20_000, p.y()));
                path.append(path.isEmpty() ? 'M' : 'L').append(String.format(Locale.ROOT, "%.0f,%.0f", x, y));
            }
            return path.isEmpty() ? "" : path.append('Z').toString();
        }

        Optional<MarkShape> mark(Mark m, double sharpFromM) {
            double half = m.widthDeg() / 2;
            double[][] corners = {
                {m.bearingDeg() - half, m.footAltitudeDeg() - 3},
                {m.bearingDeg() - half, m.topAltitudeDeg()},
                {m.bearingDeg() + half, m.topAltitudeDeg()},
                {m.bearingDeg() + half, m.footAltitudeDeg() - 3}
            };
            StringBuilder path = new StringBuilder();
            for (double[] c : corners) {
                Optional<Point> p = at(Framing.direction(c[0], c[1]));
                if (p.isEmpty()) {
                    return Optional.empty();
                }
                path.append(path.isEmpty() ? 'M' : 'L')
                        .append(String.format(
                                Locale.ROOT, "%.1f,%.1f", p.get().x(), p.get().y()));
            }
            String words = m.distanceM() < sharpFromM ? m.name() + ", soft" : m.name();
            return at(Framing.direction(m.bearingDeg(), m.topAltitudeDeg()))
                    .filter(this::near)
                    .map(p -> new MarkShape(path + "Z", Math.round(p.x()), Math.round(p.y() - 8), words));
        }

        List<Named> planets() {
            List<Named> all = new ArrayList<>();
            for (Body body : new Body[] {Body.VENUS, Body.MARS, Body.JUPITER, Body.SATURN}) {
                Vector local = scene.moment().local(body, scene.observer()).unit();
                if (local.z() > 0) {
                    String name =
                            body.name().charAt(0) + body.name().substring(1).toLowerCase(Locale.ROOT);
                    at(local).filter(this::near).ifPresent(p -> all.add(named(p, name, 3.5)));
                }
            }
            Vector core = scene.moment().local(FixedPoint.CORE, scene.observer());
            if (core.z() > 0) {
                at(core).filter(this::near).ifPresent(p -> all.add(named(p, "core", 5)));
            }
            return List.copyOf(all);
        }

        private static Named named(Point p, String text, double radius) {
            return new Named(Math.round(p.x() * 10) / 10.0, Math.round(p.y() * 10) / 10.0, text, radius);
        }

        Named pole() {
            double latitude = scene.observer().site().latitudeDeg();
            Vector pole = latitude < 0 ? Framing.direction(180, -latitude) : Framing.direction(0, latitude);
            return at(pole).filter(this::near).map(p -> named(p, "pole", 4)).orElse(null);
        }

        /** The disc with its lit part turned towards the sun as the picture shows it. */
        Moon moon() {
            Vector moon = scene.moment().local(Body.MOON, scene.observer());
            Vector unit = moon.unit();
            Optional<Point> p = unit.z() > -0.01 ? at(unit).filter(this::near) : Optional.empty();
            if (p.isEmpty()) {
                return null;
            }
            Vector light =
                    scene.moment().local(Body.SUN, scene.observer()).minus(moon).unit();
            Vector sideways = light.minus(unit.times(light.dot(unit)));
            double toSun = sideways.length();
            Point beside = at(unit.plus(sideways.times(0.002 / Math.max(1e-9, toSun)))
                            .unit())
                    .orElse(p.get());
            double angle = Math.toDegrees(
                    Math.atan2(beside.y() - p.get().y(), beside.x() - p.get().x()));
            double radiusMm = framing.optics().focalMm() * Math.asin(Body.MOON.radiusKm() / moon.length());
            double r = Math.max(LEAST_MOON, radiusMm * SCALE);
            double bulge = -light.dot(unit); // 1 full, −1 new: half the width of the lit part beyond the middle
            String lit = String.format(
                    Locale.ROOT,
                    "M0,%.2fA%.2f,%.2f 0 0 1 0,%.2fA%.2f,%.2f 0 0 %d 0,%.2fZ",
                    -r,
                    r,
                    r,
                    r,
                    Math.abs(bulge) * r,
                    r,
                    bulge > 0 ? 1 : 0,
                    -r);
            String place = String.format(
                    Locale.ROOT,
                    "translate(%.1f,%.1f) rotate(%.1f)",
                    p.get().x(),
                    p.get().y(),
                    angle);
            return new Moon(p.get().x(), p.get().y(), r, place, lit);
        }

        /** Arcs of the brighter stars while the sequence runs, broken where the pauses would show. */
        String trails(Options o) {
            StringBuilder path = new StringBuilder();
            Vector pole = Framing.direction(0, scene.observer().site().latitudeDeg());
            double frames =
                    Math.max(1, Math.round((o.trailSeconds + o.pauseSeconds) / (o.shutterSeconds + o.pauseSeconds)));
            boolean gaps = o.pauseSeconds
                            * Sidereal.ARCSEC_PER_SECOND
                            / framing.optics().plateScaleArcsec()
                    >= 1;
            double piece = gaps && frames <= 60 ? o.shutterSeconds : Math.min(600, o.trailSeconds);
            double pause = gaps && frames <= 60 ? o.pauseSeconds : 0;
            for (Star star : Star.brighterThan(TRAIL_FAINTEST)) {
                Vector local = scene.moment().local(star.place(), scene.observer());
                for (double t = 0; t < o.trailSeconds - 0.1; t += piece + pause) {
                    List<Vector> points = new ArrayList<>();
                    double end = Math.min(o.trailSeconds, t + piece);
                    int steps = (int) Math.max(1, Math.ceil((end - t) / 300));
                    for (int i = 0; i <= steps; i++) {
                        double at = t + (end - t) * i / steps;
                        Vector v = local.turnedAbout(pole, -Math.toRadians(Sidereal.ARCSEC_PER_SECOND / 3600 * at));
                        if (v.z() > 0) {
                            points.add(v);
                        }
                    }
                    polyline(path, points);
                }
            }
            return path.toString();
        }
    }
}
