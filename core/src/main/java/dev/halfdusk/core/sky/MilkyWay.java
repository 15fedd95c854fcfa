package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;
import java.util.ArrayList;
import java.util.List;

/**
 * The outline of the Milky Way in five nested levels, 1 the faint rim to 5 the brightest clouds. The levels are classes
 * drawn by eye, not measured brightness; {@code glow} anchors them.
 */
public final class MilkyWay {

    public static final int LEVELS = 5;

    /** Far from the band, outside every ring. */
    private static final Vector OUTSIDE = Galaxy.icrs(0, 90);

    private MilkyWay() {}

    /** The rings of a level, as ICRS unit vectors; a direction lies in the level if an odd number of rings surround it. */
    public static List<List<Vector>> rings(int level) {
        if (level < 1 || level > LEVELS) {
            throw new IllegalArgumentException("the Milky Way has levels 1 to " + LEVELS + ", not " + level);
        }
        return Outline.RINGS.get(level - 1);
    }

    /** The highest level that contains an ICRS direction, 0 outside the Milky Way. Levels are nested but for small faults. */
    public static int level(Vector icrs) {
        for (int level = LEVELS; level >= 1; level--) {
            if (holds(level, icrs)) {
                return level;
            }
        }
        return 0;
    }

    /**
     * Whether a level contains a direction: even-odd on the sphere, by counting how often the great circle from the
     * direction to the north galactic pole crosses the rings. In the plane of a map the band would not close.
     */
    public static boolean holds(int level, Vector icrs) {
        boolean inside = false;
        Vector normal = icrs.cross(OUTSIDE);
        for (List<Vector> ring : rings(level)) {
            Vector from = ring.get(ring.size() - 1);
            double fromSide = normal.dot(from);
            for (Vector to : ring) {
                double toSide = normal.dot(to);
                if (fromSide < 0 != toSide < 0 && crosses(icrs, normal, from, to, fromSide, toSide)) {
                    inside = !inside;
                }
                from = to;
                fromSide = toSide;
            }
        }
        return inside;
    }

    /** Whether the short arc from–to meets the arc from the direction to the pole, and not its antipodal part. */
    private static boolean crosses(Vector icrs, Vector normal, Vector from, Vector to, double fromSide, double toSide) {
        double share = fromSide / (fromSide - toSide);
        Vector meeting = from.plus(to.minus(from).times(share));
        Vector after = normal.cross(icrs); // towards the pole from the direction
        Vector before = OUTSIDE.cross(normal); // towards the direction from the pole
        return meeting.dot(after) > 0 && meeting.dot(before) > 0;
    }

    private static final class Outline {

        private static final List<List<List<Vector>>> RINGS = load();

        private static List<List<List<Vector>>> load() {
            List<List<List<Vector>>> levels = new ArrayList<>();
            for (int level = 1; level <= LEVELS; level++) {
                levels.add(new ArrayList<>());
            }
            for (String line : Resources.lines("milky-way.txt")) {
                int separator = line.indexOf(';');
                int level = Integer.parseInt(line.substring(0, separator));
                levels.get(level - 1).add(Resources.points(line.substring(separator + 1)));
            }
            return List.copyOf(levels);
        }
    }
}
