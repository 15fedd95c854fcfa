package dev.halfdusk.app.pictures;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.PoleSigns;
import dev.halfdusk.core.sky.Figure;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Star;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The stars round the pole as one looks at it, up being up: degrees from it are even in every direction.
 *
 * @param figures of constellations, as a path
 * @param ways to the pole, as a path
 * @param ground the true horizon, as a path; empty where it lies farther off
 */
public record PolePicture(List<Dot> stars, String figures, String ways, String ground) {

    public static final int SIZE = 300;

    private static final double REACH_DEG = 42;
    private static final double FAINTEST = 3.4;
    private static final int STEP_DEG = 3;
    private static final double ABOVE = 5;
    private static final double BELOW = 16;

    /** A star; its name where a way begins or turns, above it or so far below. */
    public record Dot(double x, double y, double r, String name, double nameY) {}

    public static PolePicture of(PoleSigns signs) {
        Observer observer = signs.observer();
        Moment moment = Moment.at(signs.when());
        View view = View.of(observer);
        List<String> named =
                signs.signs().stream().flatMap(s -> s.stars().stream()).toList();
        List<String> turning =
                signs.signs().stream().flatMap(s -> s.stars().stream().skip(1)).toList();
        List<Dot> dots = new ArrayList<>();
        for (Star s : Star.brighterThan(FAINTEST)) {
            Vector at = moment.local(s.place(), observer);
            if (view.awayDeg(at) < REACH_DEG) {
                double[] p = view.project(at);
                String name = named.contains(s.name()) ? s.name() : "";
                double nameY = turning.contains(s.name()) ? p[1] + BELOW : p[1] - ABOVE;
                dots.add(new Dot(p[0], p[1], Math.max(0.8, 3.6 - 0.8 * s.magnitude()), name, nameY));
            }
        }
        String figures = Figure.all().stream()
                .map(f -> path(
                        f.points().stream()
                                .map(v -> moment.localOfIcrs(v, observer))
                                .toList(),
                        view))
                .collect(Collectors.joining());
        String ways = signs.signs().stream()
                .map(s -> s.stars().stream()
                        .map(n -> moment.local(Star.named(n).orElseThrow().place(), observer))
                        .toList())
                .map(all -> way(all, view))
                .collect(Collectors.joining());
        return new PolePicture(List.copyOf(dots), figures, ways, ground(view));
    }

    /** From the first star over the next to the pole, wherever that lies. */
    private static String way(List<Vector> stars, View view) {
        List<double[]> points =
                new ArrayList<>(stars.stream().map(view::project).toList());
        points.add(new double[] {SIZE / 2.0, SIZE / 2.0});
        if (stars.size() == 2 && stars.get(0).angleTo(stars.get(1)) > REACH_DEG) {
            points.add(1, points.remove(2)); // the pole lies between them
        }
        return line(points);
    }

    private static String path(List<Vector> points, View view) {
        StringBuilder path = new StringBuilder();
        List<double[]> run = new ArrayList<>();
        for (Vector v : points) {
            if (view.awayDeg(v) < REACH_DEG) {
                run.add(view.project(v));
            } else {
                path.append(line(run));
                run.clear();
            }
        }
        return path.append(line(run)).toString();
    }

    private static String line(List<double[]> points) {
        return points.size() < 2
                ? ""
                : points.stream()
                        .map(p -> Numbers.fixed(p[0], 1) + "," + Numbers.fixed(p[1], 1))
                        .collect(Collectors.joining("L", "M", ""));
    }

    private static String ground(View view) {
        List<double[]> points = new ArrayList<>();
        for (int a = -90; a <= 90; a += STEP_DEG) {
            Vector v = new Direction(view.azimuthDeg + a, 0).vector();
            if (view.awayDeg(v) < REACH_DEG) {
                points.add(view.project(v));
            }
        }
        return line(points);
    }

    /** Towards the pole. */
    private record View(double azimuthDeg, Vector pole, Vector right, Vector up) {

        static View of(Observer observer) {
            double latitude = observer.site().latitudeDeg();
            double azimuth = latitude >= 0 ? 0 : 180;
            Vector pole = new Direction(azimuth, Math.abs(latitude)).vector();
            Vector right = new Direction(azimuth + 90, 0).vector();
            return new View(azimuth, pole, right, right.cross(pole));
        }

        double awayDeg(Vector v) {
            return v.angleTo(pole);
        }

        double[] project(Vector v) {
            double x = v.dot(right);
            double y = v.dot(up);
            double across = Math.hypot(x, y);
            double px = across == 0 ? 0 : awayDeg(v) / REACH_DEG * SIZE / 2 / across;
            return new double[] {
                Math.round(10 * (SIZE / 2.0 + px * x)) / 10.0, Math.round(10 * (SIZE / 2.0 - px * y)) / 10.0
            };
        }
    }
}
