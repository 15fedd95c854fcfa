package dev.halfdusk.core.frame;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/**
 * The moon's ground: how much light it gives back and how it slopes, from a spacecraft's mosaic and altimeter (public domain, see
 * THIRD-PARTY.md). The albedo is that of the side that is ever seen, 0.09° a point, smeared within 20° of the poles; heights are 0.35° a
 * point on a scale for display, so slopes are right in kind and place, not in measure. Read when first asked for.
 */
final class LunarGround {

    private static final int ALBEDO_COLUMNS = 2276;
    private static final int ALBEDO_ROWS = 2048;
    private static final double ALBEDO_DEG = 180.0 / ALBEDO_ROWS;
    private static final double FIRST_LONGITUDE = -100.02;

    private static final int HEIGHT_COLUMNS = 1024;
    private static final int HEIGHT_ROWS = 512;
    private static final double HEIGHT_DEG = 360.0 / HEIGHT_COLUMNS;

    /** Slope of the ground for a step of the scale from one point of it to the next but one, chosen by eye beside photographs. */
    private static final double SLOPE = 0.04;

    private static final double STEEPEST = 0.42;

    private static final int LEVELS = 6;
    private static final int SLOPE_LEVELS = 5;

    private LunarGround() {}

    private record Maps(Albedo albedo, Slopes slopes) {}

    private static volatile Maps maps;

    /**
     * Read when first needed, under a lock: when it was a class's initializer, threads that came while another was still at it
     * sometimes got no number for their first point, which the lens then spread over the picture.
     */
    private static Maps maps() {
        Maps known = maps;
        if (known == null) {
            synchronized (LunarGround.class) {
                known = maps;
                if (known == null) {
                    known = new Maps(new Albedo(), new Slopes());
                    maps = known;
                }
            }
        }
        return known;
    }

    /** In 128ths of the map's steps. Halved again and again, so that a small disc is no chance of single points. */
    static final class Albedo {

        private static final int PARTS = 128;

        private final short[][] level = new short[LEVELS][];
        final double mean;

        Albedo() {
            byte[] map = read("moon-albedo.png", ALBEDO_COLUMNS * ALBEDO_ROWS);
            level[0] = new short[map.length];
            for (int i = 0; i < map.length; i++) {
                level[0][i] = (short) ((map[i] & 0xff) * PARTS);
            }
            for (int l = 1; l < LEVELS; l++) {
                level[l] = halved(level[l - 1], columns(l - 1), rows(l - 1));
            }
            mean = mean();
        }

        static int columns(int level) {
            return ALBEDO_COLUMNS >> level;
        }

        static int rows(int level) {
            return ALBEDO_ROWS >> level;
        }

        /** Over the disc of the mean libration, as the eye weighs it. */
        private double mean() {
            double sum = 0;
            double weight = 0;
            for (int lat = -88; lat <= 88; lat += 2) {
                for (int lon = -88; lon <= 88; lon += 2) {
                    double w = Math.pow(Math.cos(Math.toRadians(lat)), 2) * Math.cos(Math.toRadians(lon));
                    sum += w * at(3, lon, lat);
                    weight += w;
                }
            }
            return sum / weight;
        }

        double at(int l, double longitudeDeg, double latitudeDeg) {
            double step = ALBEDO_DEG * (1 << l);
            double x = (longitudeDeg - FIRST_LONGITUDE) / step - 0.5;
            double y = (90 - latitudeDeg) / step - 0.5;
            return between(level[l], columns(l), rows(l), x, y);
        }
    }

    /** Slopes to the east and to the north, in parts of the steepest; halved again and again as well. */
    static final class Slopes {

        private static final double PARTS = Short.MAX_VALUE / STEEPEST;

        final short[][] east = new short[SLOPE_LEVELS][];
        final short[][] north = new short[SLOPE_LEVELS][];

        Slopes() {
            byte[] map = read("moon-height.png", HEIGHT_COLUMNS * HEIGHT_ROWS);
            east[0] = new short[map.length];
            north[0] = new short[map.length];
            for (int j = 0; j < HEIGHT_ROWS; j++) {
                double wide = Math.max(0.2, Math.cos(Math.toRadians(90 - (j + 0.5) * HEIGHT_DEG)));
                for (int i = 0; i < HEIGHT_COLUMNS; i++) {
                    double dx = column(map, i + 1, j) - column(map, i - 1, j);
                    double dy = row(map, i, j - 1) - row(map, i, j + 1);
                    east[0][j * HEIGHT_COLUMNS + i] = parts(SLOPE * dx / wide);
                    north[0][j * HEIGHT_COLUMNS + i] = parts(SLOPE * dy);
                }
            }
            for (int l = 1; l < SLOPE_LEVELS; l++) {
                east[l] = halved(east[l - 1], HEIGHT_COLUMNS >> l - 1, HEIGHT_ROWS >> l - 1);
                north[l] = halved(north[l - 1], HEIGHT_COLUMNS >> l - 1, HEIGHT_ROWS >> l - 1);
            }
        }

        /** Walls of the moon are hardly steeper than stones lie. */
        private static short parts(double slope) {
            return (short) Math.round(PARTS * slope / Math.sqrt(1 + slope * slope / (STEEPEST * STEEPEST)));
        }

        /** A column with its neighbours above and below, so that the steps of the scale do not show. */
        private static double column(byte[] map, int i, int j) {
            return (height(map, i, j - 1) + 2 * height(map, i, j) + height(map, i, j + 1)) / 4;
        }

        private static double row(byte[] map, int i, int j) {
            return (height(map, i - 1, j) + 2 * height(map, i, j) + height(map, i + 1, j)) / 4;
        }

        private static double height(byte[] map, int i, int j) {
            int row = Math.max(0, Math.min(HEIGHT_ROWS - 1, j));
            return map[row * HEIGHT_COLUMNS + Math.floorMod(i, HEIGHT_COLUMNS)] & 0xff;
        }
    }

    private static short[] halved(short[] map, int columns, int rows) {
        int across = columns / 2;
        short[] half = new short[across * (rows / 2)];
        for (int j = 0; j < rows / 2; j++) {
            for (int i = 0; i < across; i++) {
                int at = 2 * j * columns + 2 * i;
                int sum = map[at] + map[at + 1] + map[at + columns] + map[at + columns + 1];
                half[j * across + i] = (short) (sum + 2 >> 2);
            }
        }
        return half;
    }

    private static byte[] read(String name, int size) {
        try (InputStream in = LunarGround.class.getResourceAsStream(name)) {
            BufferedImage image = ImageIO.read(in);
            byte[] map = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
            if (map.length != size) {
                throw new IllegalStateException(name + " has " + map.length + " points");
            }
            return map;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static double between(short[] map, int columns, int rows, double x, double y) {
        double cx = Math.max(0, Math.min(columns - 1.001, x));
        double cy = Math.max(0, Math.min(rows - 1.001, y));
        int i = (int) cx;
        int j = (int) cy;
        double dx = cx - i;
        double dy = cy - j;
        int at = j * columns + i;
        double above = map[at] * (1 - dx) + map[at + 1] * dx;
        double below = map[at + columns] * (1 - dx) + map[at + columns + 1] * dx;
        return above * (1 - dy) + below * dy;
    }

    /**
     * Light that a place gives back against the mean of the disc.
     *
     * @param level of detail, from {@link #level}
     */
    static double albedo(int level, double longitudeDeg, double latitudeDeg) {
        Albedo a = maps().albedo;
        return a.at(level, longitudeDeg, latitudeDeg) / a.mean;
    }

    /** The level whose points are about as large as a pixel in the middle of a disc. */
    static int level(double radiusPx) {
        return level(radiusPx, ALBEDO_DEG, LEVELS);
    }

    /** The same of its slopes. */
    static int slopeLevel(double radiusPx) {
        return level(radiusPx, HEIGHT_DEG, SLOPE_LEVELS);
    }

    private static int level(double radiusPx, double pointDeg, int levels) {
        double points = 180 / Math.PI / pointDeg / radiusPx;
        int level = (int) Math.round(Math.log(Math.max(1, points)) / Math.log(2));
        return Math.min(levels - 1, level);
    }

    static double slopeEast(int level, double longitudeDeg, double latitudeDeg) {
        return slope(maps().slopes.east, level, longitudeDeg, latitudeDeg);
    }

    static double slopeNorth(int level, double longitudeDeg, double latitudeDeg) {
        return slope(maps().slopes.north, level, longitudeDeg, latitudeDeg);
    }

    private static double slope(short[][] map, int level, double longitudeDeg, double latitudeDeg) {
        double step = HEIGHT_DEG * (1 << level);
        double x = (longitudeDeg + 180) / step - 0.5;
        double y = (90 - latitudeDeg) / step - 0.5;
        return between(map[level], HEIGHT_COLUMNS >> level, HEIGHT_ROWS >> level, x, y) / Slopes.PARTS;
    }
}
