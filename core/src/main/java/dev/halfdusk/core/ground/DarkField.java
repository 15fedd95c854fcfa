package dev.halfdusk.core.ground;

import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Range;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How dark the zenith is round a place: the light of all towns within {@value Gazetteer#DOME_REACH_KM} km of each point of a grid, by the
 * same law as that of a single place (Walker's, see {@link Dome}), in clear air without moon. Good to some 0.3 magnitudes; towns that
 * shield their lamps are darker, industry and ports brighter. The grid lies evenly in distance and bearing from its middle.
 *
 * @param columns of points from west to east, an odd number
 * @param rows from north to south, an odd number
 * @param stepKm between points
 * @param magnitudes V of the zenith per square arcsecond, row by row
 * @param towns that were counted
 */
public record DarkField(
        double latitudeDeg, double longitudeDeg, int columns, int rows, double stepKm, float[] magnitudes, int towns) {

    public static final Range WITHIN = new Range("distance", 5, 200, " km");
    public static final Range STEP = new Range("step", 0.5, 50, " km");

    /** Of the estimate, magnitudes. */
    public static final double UNCERTAINTY = 0.3;

    private static final int MOST_POINTS = 200_000;

    /** Share at the zenith of what a town sends to 45° towards it. */
    private static final double AT_ZENITH = new Dome("", 0, 10, 1).share(0, 90) / new Dome("", 0, 10, 1).shareAt45();

    /** Towns as points of the plane of the grid. */
    private record Lights(float[] east, float[] north, float[] people) {}

    /**
     * @param acrossKm from the middle to the sides
     * @param upKm from the middle to top and bottom
     * @param readings by which the estimate is corrected where several lie near
     */
    public static DarkField around(
            Gazetteer gazetteer,
            double latitude,
            double longitude,
            double acrossKm,
            double upKm,
            double stepKm,
            Readings readings) {
        int columns = 2 * (int) Math.ceil(acrossKm / STEP.check(stepKm)) + 1;
        int rows = 2 * (int) Math.ceil(upKm / stepKm) + 1;
        if ((long) columns * rows > MOST_POINTS) {
            throw new IllegalArgumentException(
                    "at most " + MOST_POINTS + " points; with this step there would be " + (long) columns * rows);
        }
        Lights lights = lights(gazetteer, latitude, longitude, Math.hypot(acrossKm, upKm));
        float[] magnitudes = new float[columns * rows];
        IntStream.range(0, rows).parallel().forEach(j -> {
            for (int i = 0; i < columns; i++) {
                double east = (i - columns / 2) * stepKm;
                double north = (rows / 2 - j) * stepKm;
                double share = share(lights, east, north) * times(readings, latitude, longitude, east, north);
                magnitudes[j * columns + i] = (float) magnitude(share);
            }
        });
        return new DarkField(latitude, longitude, columns, rows, stepKm, magnitudes, lights.people.length);
    }

    private static double times(Readings readings, double latitude, double longitude, double east, double north) {
        if (readings.all().size() < 2) {
            return 1;
        }
        Coordinates at = Geodesy.destination(
                latitude, longitude, Math.toDegrees(Math.atan2(east, north)), Math.hypot(east, north));
        return readings.times(at.latitudeDeg(), at.longitudeDeg());
    }

    private static Lights lights(Gazetteer gazetteer, double latitude, double longitude, double reachKm) {
        List<Town> towns = gazetteer.within(latitude, longitude, reachKm + Gazetteer.DOME_REACH_KM);
        Lights lights = new Lights(new float[towns.size()], new float[towns.size()], new float[towns.size()]);
        for (int k = 0; k < towns.size(); k++) {
            Town t = towns.get(k);
            double away = t.distanceKm(latitude, longitude);
            double bearing = Math.toRadians(Geodesy.bearingDeg(latitude, longitude, t.latitudeDeg(), t.longitudeDeg()));
            lights.east[k] = (float) (away * Math.sin(bearing));
            lights.north[k] = (float) (away * Math.cos(bearing));
            lights.people[k] = Gazetteer.lighting(t);
        }
        return lights;
    }

    /** Of the natural sky that towns add at a point, by those that a single place counts too. */
    private static double share(Lights lights, double east, double north) {
        double sum = 0;
        for (int k = 0; k < lights.people.length; k++) {
            double dx = lights.east[k] - east;
            double dy = lights.north[k] - north;
            double d2 = dx * dx + dy * dy;
            if (d2 <= Gazetteer.DOME_REACH_KM * Gazetteer.DOME_REACH_KM) {
                double near = Math.max(Dome.NEAREST_KM * Dome.NEAREST_KM, d2);
                double one = 0.01 * lights.people[k] / (near * Math.sqrt(Math.sqrt(near)));
                sum += one >= Gazetteer.FAINTEST_DOME ? one : 0;
            }
        }
        return AT_ZENITH * sum;
    }

    private static double magnitude(double share) {
        return Luminance.magnitude(Luminance.of(SkyGlow.NATURAL_MAGNITUDE) * (1 + share));
    }

    public double magnitude(int column, int row) {
        return magnitudes[row * columns + column];
    }

    /** Where a point lies. */
    public Coordinates at(int column, int row) {
        return place((column - columns / 2) * stepKm, (rows / 2 - row) * stepKm);
    }

    /** Where something so far to the east and north of the middle lies. */
    public Coordinates place(double eastKm, double northKm) {
        return Geodesy.destination(
                latitudeDeg, longitudeDeg, Math.toDegrees(Math.atan2(eastKm, northKm)), Math.hypot(eastKm, northKm));
    }

    public double distanceKm(int column, int row) {
        return stepKm * Math.hypot(column - columns / 2, rows / 2 - row);
    }
}
