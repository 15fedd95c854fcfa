package dev.halfdusk.app.places;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Coordinates;
import dev.halfdusk.core.ground.DarkField;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Readings;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.Sight;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Where it is dark round a start: the field, its darkest spots on land apart from each other, and what a longer way would gain. */
@Component
public class DarkGround {

    /** Of the map, so that its height is twice the distance. */
    static final int WIDTH = 776;

    static final int HEIGHT = 520;

    private static final int STEPS = 50;
    private static final int MOST_SPOTS = 5;

    /** Spots are farther from each other than this part of the distance. */
    private static final double APART = 0.3;

    private static final int RINGS = 10;
    private static final int DOMES = 300;
    private static final double DARK_AT_DEG = 15;

    /** Half as bright again as the natural sky, a direction is not free. */
    private static final double FREE = 1.5;

    /** The moon down, the sun far down. */
    static final SunAndMoon NIGHT = new SunAndMoon(-40, 0, -40, 0, 180);

    private final Cache<List<Object>, Found> known =
            Caffeine.newBuilder().maximumSize(16).build();

    private final Cache<List<Places.Read>, Readings> against =
            Caffeine.newBuilder().maximumSize(4).build();

    /**
     * What was found.
     *
     * @param readings that corrected it
     * @param better the nearest of a class darker than the start, at least of the third; empty where there is none
     */
    record Found(
            DarkField field, Spot home, List<Spot> spots, List<Gain> gains, Optional<Spot> better, Readings readings) {}

    /**
     * A place on the map.
     *
     * @param contrastPercent by which the sight stands out at its highest; 0 where it never rises
     * @param free directions without a dome
     */
    record Spot(
            Coordinates at,
            double magnitude,
            int darknessClass,
            double distanceKm,
            double bearingDeg,
            double contrastPercent,
            List<String> free) {}

    private final Places places;

    DarkGround(Places places) {
        this.places = places;
    }

    /** Readings of one's own, against what the towns would make of them. */
    public Readings readings() {
        return against.get(places.read(), DarkGround::readings);
    }

    /** One alone says nothing of a region, and need not wait for the gazetteer. */
    private static Readings readings(List<Places.Read> read) {
        return read.size() < 2
                ? Readings.NONE
                : new Readings(read.stream()
                        .map(p -> Readings.Reading.of(
                                p.latitudeDeg(),
                                p.longitudeDeg(),
                                p.zenithMagnitude(),
                                zenith(p.latitudeDeg(), p.longitudeDeg(), Readings.NONE)))
                        .toList());
    }

    /** Best contrast of the sight within a distance. */
    record Gain(double km, double contrastPercent) {}

    /**
     * @param withinKm that one would drive
     * @param sight one of those that have a culmination
     */
    Found around(double latitude, double longitude, double withinKm, Sight sight) {
        Readings readings = readings();
        double lat = Math.rint(latitude * 1000) / 1000;
        double lon = Math.rint(longitude * 1000) / 1000;
        return known.get(List.of(lat, lon, withinKm, sight, readings), k -> find(lat, lon, withinKm, sight, readings));
    }

    private static Found find(double lat, double lon, double within, Sight sight, Readings readings) {
        double step = Math.max(DarkField.STEP.min(), within / STEPS);
        DarkField field =
                DarkField.around(Gazetteer.shipped(), lat, lon, within * WIDTH / HEIGHT, within, step, readings);
        boolean[] land = land(field);
        List<int[]> cells = new ArrayList<>();
        for (int j = 0; j < field.rows(); j++) {
            for (int i = 0; i < field.columns(); i++) {
                if (land[j * field.columns() + i] && field.distanceKm(i, j) <= within) {
                    cells.add(new int[] {i, j});
                }
            }
        }
        cells.sort(Comparator.comparingDouble(c -> -field.magnitude(c[0], c[1])));
        Spot home = spot(field, lat, lon, field.columns() / 2, field.rows() / 2, sight, readings);
        List<Spot> spots = new ArrayList<>();
        for (int[] c : cells) {
            if (spots.size() == MOST_SPOTS) {
                break;
            }
            Coordinates at = field.at(c[0], c[1]);
            if (spots.stream()
                    .allMatch(s -> Geodesy.distanceKm(
                                    s.at.latitudeDeg(), s.at.longitudeDeg(), at.latitudeDeg(), at.longitudeDeg())
                            > APART * within)) {
                spots.add(spot(field, lat, lon, c[0], c[1], sight, readings));
            }
        }
        int wanted = Math.min(3, home.darknessClass - 1);
        Optional<Spot> better = cells.stream()
                .filter(c -> Luminance.classOf(field.magnitude(c[0], c[1])) <= wanted)
                .min(Comparator.comparingDouble(c -> field.distanceKm(c[0], c[1])))
                .map(c -> spot(field, lat, lon, c[0], c[1], sight, readings));
        return new Found(
                field, home, spots, gains(field, lat, lon, within, cells, home, sight, readings), better, readings);
    }

    private static boolean[] land(DarkField field) {
        boolean[] land = new boolean[field.columns() * field.rows()];
        for (int j = 0; j < field.rows(); j++) {
            double[] longitudes = new double[field.columns()];
            double latitude = field.at(field.columns() / 2, j).latitudeDeg();
            for (int i = 0; i < field.columns(); i++) {
                longitudes[i] = field.at(i, j).longitudeDeg();
            }
            System.arraycopy(Coast.near().land(latitude, longitudes), 0, land, j * field.columns(), field.columns());
        }
        return land;
    }

    /** The best of the darkest few of each ring, which can only grow with the way. */
    private static List<Gain> gains(
            DarkField field,
            double lat,
            double lon,
            double within,
            List<int[]> darkestFirst,
            Spot home,
            Sight sight,
            Readings readings) {
        List<Gain> gains = new ArrayList<>();
        double best = home.contrastPercent;
        gains.add(new Gain(0, best));
        for (int ring = 1; ring <= RINGS; ring++) {
            double from = within * (ring - 1) / RINGS;
            double to = within * ring / RINGS;
            List<int[]> few = darkestFirst.stream()
                    .filter(c -> field.distanceKm(c[0], c[1]) > from && field.distanceKm(c[0], c[1]) <= to)
                    .limit(3)
                    .toList();
            for (int[] c : few) {
                best = Math.max(best, spot(field, lat, lon, c[0], c[1], sight, readings).contrastPercent);
            }
            gains.add(new Gain(to, best));
        }
        return List.copyOf(gains);
    }

    private static Spot spot(
            DarkField field, double lat, double lon, int column, int row, Sight sight, Readings readings) {
        return spot(field.at(column, row), lat, lon, field.magnitude(column, row), sight, readings);
    }

    /** A place, from a start. */
    static Spot spot(
            Coordinates at,
            double fromLatitude,
            double fromLongitude,
            double magnitude,
            Sight sight,
            Readings readings) {
        SkyGlow glow = glow(at.latitudeDeg(), at.longitudeDeg(), readings);
        List<String> free = new ArrayList<>();
        double natural = SkyGlow.natural()
                .withoutMilkyWay(new Direction(0, DARK_AT_DEG), NIGHT)
                .total();
        for (int k = 0; k < 8; k++) {
            double light = glow.withoutMilkyWay(new Direction(45.0 * k, DARK_AT_DEG), NIGHT)
                    .total();
            if (light < FREE * natural) {
                free.add(Angles.compass(45.0 * k));
            }
        }
        return new Spot(
                at,
                magnitude,
                Luminance.classOf(magnitude),
                Geodesy.distanceKm(fromLatitude, fromLongitude, at.latitudeDeg(), at.longitudeDeg()),
                Geodesy.bearingDeg(fromLatitude, fromLongitude, at.latitudeDeg(), at.longitudeDeg()),
                glow.contrastPercent(sight.culmination(at.latitudeDeg()).orElseThrow(), sight.luminance(), NIGHT),
                List.copyOf(free));
    }

    /** V of the zenith by the towns, per square arcsecond. */
    public static double zenith(double latitude, double longitude, Readings readings) {
        return glow(latitude, longitude, readings).zenith(NIGHT).magnitude();
    }

    /** The same low above the horizon. */
    public static double towards(double latitude, double longitude, double azimuthDeg, Readings readings) {
        return glow(latitude, longitude, readings)
                .withoutMilkyWay(new Direction(azimuthDeg, DARK_AT_DEG), NIGHT)
                .magnitude();
    }

    private static SkyGlow glow(double latitude, double longitude, Readings readings) {
        return SkyGlow.ofTowns(
                Gazetteer.shipped().domes(latitude, longitude, DOMES), readings.times(latitude, longitude));
    }
}
