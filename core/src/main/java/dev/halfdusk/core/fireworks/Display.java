package dev.halfdusk.core.fireworks;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A display as it is seen from one place.
 *
 * @param points where shells are fired, from one to {@value #MOST_POINTS}
 * @param shell the largest
 */
public record Display(List<FiringPoint> points, Show show, Shell shell) {

    public static final int MOST_POINTS = 6;

    /** What has broken before a frame opens still smokes: so many shells. */
    private static final int BEFORE = 3;

    private static final int MOST_FIRED = 60;
    private static final int LARGEST_ONE_IN = 3;

    public Display {
        points = List.copyOf(points);
        if (points.isEmpty() || points.size() > MOST_POINTS) {
            throw new IllegalArgumentException("a display is fired from 1 to " + MOST_POINTS + " points");
        }
    }

    /** To the nearest point, metres. */
    public double nearestM() {
        return points.stream().mapToDouble(FiringPoint::distanceM).min().orElseThrow();
    }

    /** Whether one stands inside the usual clear distance of the largest shell. */
    public boolean near() {
        return nearestM() < shell.clearDistanceM();
    }

    /** From the leftmost to the rightmost of its points, across the line of sight to their middle, metres. */
    public double frontM() {
        double middle = middle().bearingDeg();
        double left = 0;
        double right = 0;
        for (FiringPoint p : points) {
            double across = p.distanceM() * Math.sin(Math.toRadians(p.bearingDeg() - middle));
            left = Math.min(left, across);
            right = Math.max(right, across);
        }
        return right - left;
    }

    /** In the middle between its points: on the average as far along the line of sight to it, and as high. That of a front is where the front was laid. */
    public FiringPoint middle() {
        double middle = BurstFit.middle(points);
        double along = points.stream()
                .mapToDouble(p -> p.distanceM() * Math.cos(Math.toRadians(p.bearingDeg() - middle)))
                .average()
                .orElseThrow();
        return new FiringPoint(
                FiringPoint.DISTANCE.nearest(along),
                middle,
                points.stream().mapToDouble(FiringPoint::heightM).average().orElseThrow());
    }

    /** Shells of a frame, seconds counted from its opening: those that break in it, and those just before, whose smoke hangs. Made up, always the same. */
    public List<Fired> during(double seconds) {
        List<Fired> fired = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(11);
        List<Shell> sizes = show.shells();
        double every = show.everySeconds();
        int count = (int) Math.min(MOST_FIRED, Math.ceil(seconds / every) + BEFORE);
        for (int i = 0; i < count; i++) {
            boolean largest = i % LARGEST_ONE_IN == 1;
            Shell one = largest ? shell : sizes.get(random.nextInt(sizes.size()));
            double breaks = (i - 2.2) * every + random.nextDouble(-0.2, 0.2) * every;
            double aside = largest ? 0 : random.nextDouble(-0.7, 0.7) * shell.widthM();
            fired.add(new Fired(
                    points.get(i % points.size()),
                    one,
                    breaks - one.flightSeconds(),
                    aside,
                    Fired.Colour.values()[(i * 2 + 3) % Fired.Colour.values().length],
                    31 + i));
        }
        return fired;
    }
}
