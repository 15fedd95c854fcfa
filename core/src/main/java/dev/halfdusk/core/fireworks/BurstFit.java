package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Whether a lens holds climb and bursts of a display in one orientation, aimed as well as can be.
 *
 * @param axis where the camera looks so that what it must hold is in the middle
 * @param spareDeg left at the tighter pair of edges; below 0 what is cut
 * @param sideways whether that pair are the sides
 */
public record BurstFit(Orientation held, Direction axis, double spareDeg, boolean sideways) {

    /** Bursts are not alike: so much more of their width and height is kept free. */
    public static final double MARGIN = 0.1;

    private static final Optics ANY = new Optics(new Sensor(36, 24, 5), 35, Projection.RECTILINEAR);
    private static final Vector UP = new Vector(0, 0, 1);
    private static final double HIGHEST = 80;
    private static final double LOWEST = -30;
    private static final int ROUNDS = 40;

    /** Directions along the edge of a burst: a multiple of four, so that its top is one of them. */
    private static final int ROUND = 48;

    private static final int SHORTEST_MM = 8;

    public boolean holds() {
        return spareDeg >= 0;
    }

    /**
     * @param level optics of the camera held level
     * @param points at least one
     * @param shell the largest
     */
    public static BurstFit of(Optics level, Orientation held, List<FiringPoint> points, Shell shell) {
        Optics optics = held.turn(level);
        Direction axis = axis(points, shell);
        return extent(optics, axis, corners(points, shell))
                .map(e -> fit(optics, held, axis, e))
                .orElse(new BurstFit(held, axis, -90, false));
    }

    /** Where a camera looks so that climb and bursts are in the middle: the same through every rectilinear lens, whichever way it is held. */
    public static Direction axis(List<FiringPoint> points, Shell shell) {
        List<Direction> all = corners(points, shell);
        double azimuth = middle(points);
        double low = LOWEST;
        double high = HIGHEST;
        for (int i = 0; i < ROUNDS; i++) {
            double altitude = (low + high) / 2;
            Optional<Extent> e = extent(ANY, new Direction(azimuth, altitude), all);
            boolean up = e.isEmpty() ? altitude < 30 : e.get().top + e.get().bottom > 0;
            low = up ? altitude : low;
            high = up ? high : altitude;
        }
        return new Direction(azimuth, (low + high) / 2);
    }

    private static BurstFit fit(Optics optics, Orientation held, Direction axis, Extent e) {
        double tall = spare(optics.sensor().heightMm() / 2, Math.max(e.top, -e.bottom), optics.focalMm());
        double wide = spare(optics.sensor().widthMm() / 2, e.aside, optics.focalMm());
        return new BurstFit(held, axis, Math.min(tall, wide), wide < tall);
    }

    private static double spare(double edgeMm, double atMm, double focalMm) {
        return Math.toDegrees(Math.atan(edgeMm / focalMm) - Math.atan(atMm / focalMm));
    }

    /** The longest lens that holds it, focal length in whole millimetres; empty where even 8 mm cut it. */
    public static Optional<Integer> longestMm(Sensor sensor, Orientation held, List<FiringPoint> points, Shell shell) {
        int holds = SHORTEST_MM - 1;
        int cuts = (int) Range.FOCAL_LENGTH.max() + 1;
        while (cuts - holds > 1) { // a longer lens never holds more
            int mm = (holds + cuts) / 2;
            boolean fits = of(new Optics(sensor, mm, Projection.RECTILINEAR), held, points, shell)
                    .holds();
            holds = fits ? mm : holds;
            cuts = fits ? cuts : mm;
        }
        return holds < SHORTEST_MM ? Optional.empty() : Optional.of(holds);
    }

    /** In the middle of all points, by the way round that is shorter. */
    static double middle(List<FiringPoint> points) {
        double first = points.get(0).bearingDeg();
        double least = 0;
        double most = 0;
        for (FiringPoint p : points) {
            double off = Math.IEEEremainder(p.bearingDeg() - first, 360);
            least = Math.min(least, off);
            most = Math.max(most, off);
        }
        return ((first + (least + most) / 2) % 360 + 360) % 360;
    }

    /** Mortar, and the bursts of each point all round. */
    private static List<Direction> corners(List<FiringPoint> points, Shell shell) {
        List<Direction> all = new ArrayList<>();
        for (FiringPoint p : points) {
            all.add(p.towards(0, 0));
            double reach = Math.toRadians(p.reachDeg(shell, 1 + MARGIN));
            Vector middle = p.towards(0, shell.heightM()).vector();
            Vector right = middle.cross(UP).unit();
            Vector up = right.cross(middle);
            for (int i = 0; i < ROUND; i++) {
                double turn = 2 * Math.PI * i / ROUND;
                Vector edge = right.times(Math.cos(turn)).plus(up.times(Math.sin(turn)));
                all.add(Direction.of(middle.times(Math.cos(reach)).plus(edge.times(Math.sin(reach)))));
            }
        }
        return all;
    }

    /** Millimetres from the middle: up, down (below 0) and to either side. */
    private record Extent(double top, double bottom, double aside) {}

    private static Optional<Extent> extent(Optics optics, Direction axis, List<Direction> all) {
        Framing framing = Framing.of(optics, axis, 0);
        double top = Double.NEGATIVE_INFINITY;
        double bottom = Double.POSITIVE_INFINITY;
        double aside = 0;
        for (Direction d : all) {
            Optional<Point> at = framing.project(d.vector());
            if (at.isEmpty()) {
                return Optional.empty();
            }
            top = Math.max(top, -at.get().y());
            bottom = Math.min(bottom, -at.get().y());
            aside = Math.max(aside, Math.abs(at.get().x()));
        }
        return Optional.of(new Extent(top, bottom, aside));
    }
}
