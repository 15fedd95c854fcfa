package dev.halfdusk.core.log;

import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A spot at which one stood for a while, by a track. Receivers wander by some ten metres while one stands still, so a stay is a stretch
 * of {@value #LEAST_MINUTES} minutes and more in which no point lies farther than {@value #WITHIN_M} m from the stretch's mean.
 *
 * @param latitudeDeg mean of its points, with longitudeDeg
 */
public record Stay(double latitudeDeg, double longitudeDeg, Interval when) {

    static final int LEAST_MINUTES = 10;
    static final double WITHIN_M = 60;

    /** A point of a track. */
    public record Fix(double latitudeDeg, double longitudeDeg, Instant when) {}

    /** In the order of their times; points need not be. */
    public static List<Stay> of(List<Fix> track) {
        List<Fix> sorted =
                track.stream().sorted(Comparator.comparing(Fix::when)).toList();
        List<Stay> all = new ArrayList<>();
        int first = 0;
        double latitude = 0;
        double longitude = 0;
        for (int i = 0; i < sorted.size(); i++) {
            Fix f = sorted.get(i);
            int n = i - first;
            if (n > 0 && metres(f, latitude / n, longitude / n) > WITHIN_M) {
                end(sorted, first, i, latitude / n, longitude / n, all);
                first = i;
                latitude = 0;
                longitude = 0;
            }
            latitude += f.latitudeDeg;
            longitude += near(f.longitudeDeg, sorted.get(first).longitudeDeg);
        }
        int n = sorted.size() - first;
        if (n > 0) {
            end(sorted, first, sorted.size(), latitude / n, longitude / n, all);
        }
        return List.copyOf(all);
    }

    private static void end(List<Fix> track, int first, int end, double latitude, double longitude, List<Stay> all) {
        Interval when = new Interval(track.get(first).when, track.get(end - 1).when);
        if (when.length().compareTo(Duration.ofMinutes(LEAST_MINUTES)) >= 0) {
            all.add(new Stay(latitude, Angles.halfTurn(longitude), when));
        }
    }

    /** The same meridian less than half a turn from another, so that a mean holds across the date line. */
    private static double near(double longitudeDeg, double otherDeg) {
        return otherDeg + Angles.halfTurn(longitudeDeg - otherDeg);
    }

    private static double metres(Fix f, double latitude, double longitude) {
        return 1000 * Geodesy.distanceKm(f.latitudeDeg, f.longitudeDeg, latitude, longitude);
    }

    /** From another spot, metres. */
    public double metresFrom(double latitude, double longitude) {
        return 1000 * Geodesy.distanceKm(latitudeDeg, longitudeDeg, latitude, longitude);
    }
}
