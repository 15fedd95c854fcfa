package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How much of the sun is covered at best, anywhere on earth, on a grid of longitude and latitude: the zone in which the eclipse is partial, and the
 * curves of equal maximum in it. From the cone of the shadow at even steps of time, at sea level; curves lie right to a few kilometres between
 * the nodes, but to a step of the grid where they end at sunrise or sunset.
 */
public final class EclipseZones {

    public static final Range STEP = new Range("step of the grid", 0.5, 10, "\u00b0");

    private static final Duration EVERY = Duration.ofMinutes(3);

    /** Where the sun is down throughout. */
    private static final float NEVER = Float.NEGATIVE_INFINITY;

    /** Sine of an altitude at which a sun is just up through the air. */
    private static final double RISEN = -0.0145;

    private final double step;
    private final int columns;
    private final int rows;
    private final float[] best;

    private EclipseZones(double step, int columns, int rows, float[] best) {
        this.step = step;
        this.columns = columns;
        this.rows = rows;
        this.best = best;
    }

    /** A piece of a curve, degrees; no piece crosses the date line. */
    public record Piece(double fromLongitudeDeg, double fromLatitudeDeg, double toLongitudeDeg, double toLatitudeDeg) {}

    public static EclipseZones of(SolarEclipse e, double stepDeg) {
        int columns = (int) Math.round(360 / STEP.check(stepDeg)) + 1;
        int rows = (int) Math.round(180 / stepDeg) + 1;
        float[] best = new float[columns * rows];
        Arrays.fill(best, NEVER);
        List<MoonShadow> shadows = new ArrayList<>();
        Instant end = e.greatest().plus(MeanMoons.LONGEST);
        for (Instant t = e.greatest().minus(MeanMoons.LONGEST); t.isBefore(end); t = t.plus(EVERY)) {
            shadows.add(MoonShadow.at(Moment.at(t)));
        }
        EclipseZones zones = new EclipseZones(stepDeg, columns, rows, best);
        IntStream.range(0, rows).parallel().forEach(row -> shadows.forEach(s -> zones.look(row, s)));
        return zones;
    }

    private void look(int row, MoonShadow shadow) {
        double latitude = Math.toRadians(-90 + row * step);
        double flat = (1 - MoonShadow.FLATTENING) * (1 - MoonShadow.FLATTENING);
        double radius =
                Discs.EARTH_KM / Math.sqrt(Math.pow(Math.cos(latitude), 2) + flat * Math.pow(Math.sin(latitude), 2));
        double across = radius * Math.cos(latitude);
        double up = radius * flat * Math.sin(latitude);
        double zero = shadow.moment().longitudeDeg(new Vector(1, 0, 0));
        Vector axis = shadow.axis();
        for (int column = 0; column < columns; column++) {
            double angle = Math.toRadians(-180 + column * step - zero);
            Vector at = new Vector(across * Math.cos(angle), across * Math.sin(angle), up);
            Vector vertical = new Vector(
                    Math.cos(latitude) * Math.cos(angle), Math.cos(latitude) * Math.sin(angle), Math.sin(latitude));
            if (-vertical.dot(axis) < RISEN) {
                continue;
            }
            Vector off = at.minus(shadow.moon());
            double from = off.minus(axis.times(off.dot(axis))).length();
            double outer = shadow.penumbraKm(at);
            float magnitude = (float) ((outer - from) / (outer - shadow.umbraKm(at)));
            int i = row * columns + column;
            best[i] = Math.max(best[i], magnitude);
        }
    }

    /** Pieces of the curve along which so much of the sun's diameter is covered at best; 0 for the edge of the eclipse. */
    public List<Piece> curve(double magnitude) {
        List<Piece> pieces = new ArrayList<>();
        for (int row = 0; row + 1 < rows; row++) {
            for (int column = 0; column + 1 < columns; column++) {
                cell(row, column, magnitude, pieces);
            }
        }
        return pieces;
    }

    /** Through a square of the grid, from side to side. */
    private void cell(int row, int column, double magnitude, List<Piece> pieces) {
        double[][] corners = {{column, row}, {column + 1, row}, {column + 1, row + 1}, {column, row + 1}};
        double[] value = new double[4];
        boolean night = false;
        for (int i = 0; i < 4; i++) {
            value[i] = best[(int) (corners[i][1] * columns + corners[i][0])] - magnitude;
            night |= Double.isInfinite(value[i]);
        }
        if (night && magnitude > 0) {
            return; // it ends at sunrise or sunset
        }
        List<double[]> crossings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int next = (i + 1) % 4;
            if (value[i] >= 0 != value[next] >= 0) {
                boolean open = Double.isInfinite(value[i]) || Double.isInfinite(value[next]);
                double share = open ? 0.5 : value[i] / (value[i] - value[next]);
                crossings.add(new double[] {
                    corners[i][0] + share * (corners[next][0] - corners[i][0]),
                    corners[i][1] + share * (corners[next][1] - corners[i][1])
                });
            }
        }
        for (int i = 0; i + 1 < crossings.size(); i += 2) {
            pieces.add(new Piece(
                    -180 + crossings.get(i)[0] * step,
                    -90 + crossings.get(i)[1] * step,
                    -180 + crossings.get(i + 1)[0] * step,
                    -90 + crossings.get(i + 1)[1] * step));
        }
    }
}
