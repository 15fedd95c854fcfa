package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.MilkyWay;
import java.util.stream.IntStream;

/**
 * The Milky Way's clouds and lanes: how much brighter or fainter a direction is than the smooth band there, from the
 * levels of its outline, smoothed over 1.5°. Drawn by eye, not measured.
 */
public final class Clouds {

    private static final int LONGITUDES = 360;
    private static final int LATITUDES = 81;
    private static final int NORTH = 40;
    private static final double FAINTEST = 0.3;
    private static final double PER_LEVEL = 0.26;

    private static final float[] MAP = smooth(Survey.levels());

    private Clouds() {}

    private static float[] smooth(float[] from) {
        float[] to = new float[from.length];
        for (int row = 0; row < LATITUDES; row++) {
            for (int l = 0; l < LONGITUDES; l++) {
                float sum = 0;
                float weights = 0;
                for (int dr = -1; dr <= 1; dr++) {
                    for (int dl = -1; dl <= 1; dl++) {
                        int r = Math.max(0, Math.min(LATITUDES - 1, row + dr));
                        float weight = dr == 0 && dl == 0 ? 2 : 1;
                        sum += weight * from[r * LONGITUDES + Math.floorMod(l + dl, LONGITUDES)];
                        weights += weight;
                    }
                }
                to[row * LONGITUDES + l] = sum / weights;
            }
        }
        return to;
    }

    /** Loads the map, which takes half a second, before someone waits for it. */
    public static void prepare() {
        factor(new Vector(1, 0, 0));
    }

    /** Times the smooth band, 0.3 to 1.6; for directions in ICRS or of date alike. */
    public static double factor(Vector equatorial) {
        double longitude = Galaxy.longitudeDeg(equatorial);
        double row = Math.max(0, Math.min(LATITUDES - 1.001, Galaxy.latitudeDeg(equatorial) + NORTH));
        int r = (int) row;
        int l = (int) longitude;
        double dr = row - r;
        double dl = longitude - l;
        double upper =
                MAP[r * LONGITUDES + l % LONGITUDES] * (1 - dl) + MAP[r * LONGITUDES + (l + 1) % LONGITUDES] * dl;
        double lower = MAP[(r + 1) * LONGITUDES + l % LONGITUDES] * (1 - dl)
                + MAP[(r + 1) * LONGITUDES + (l + 1) % LONGITUDES] * dl;
        return FAINTEST + PER_LEVEL * (upper * (1 - dr) + lower * dr);
    }

    /** In a class of its own: threads that help may not wait for the class that is being made. */
    private static final class Survey {

        static float[] levels() {
            float[] map = new float[LONGITUDES * LATITUDES];
            IntStream.range(0, LATITUDES).parallel().forEach(row -> {
                for (int l = 0; l < LONGITUDES; l++) {
                    map[row * LONGITUDES + l] = MilkyWay.level(Galaxy.icrs(l, row - NORTH));
                }
            });
            return map;
        }
    }
}
