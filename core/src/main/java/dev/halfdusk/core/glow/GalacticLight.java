package dev.halfdusk.core.glow;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.zip.GZIPInputStream;

/**
 * The own light of the Milky Way with its clouds and dust lanes, of the Magellanic Clouds and M31: a map by galactic
 * coordinates in eighths of a degree, within 60° of the plane. The one source for drawing, photograph, contrast and ISO.
 *
 * <p>A model: its clouds are scaled to 20.7 V mag/arcsec² at the brightest, Carina 21.1, anticentre 22.8; lanes smaller than
 * a degree are right in kind, not in detail.
 */
public final class GalacticLight {

    /** The clouds around the core, cd/m² above the air. */
    public static final double CORE = Luminance.of(20.7);

    private static final int COLUMNS = 2880;
    private static final int ROWS = 960;
    private static final int PER_DEGREE = 8;
    private static final double NORTH_DEG = 60;
    private static final double SQUARE_DEG = 3;

    /** Luminance of a value of the maps: 0 is none, n is 26 − 0.0255 n mag/arcsec². */
    private static final double[] LUMINANCE = new double[256];

    static {
        for (int n = 1; n < LUMINANCE.length; n++) {
            LUMINANCE[n] = Luminance.of(26 - 0.0255 * n);
        }
    }

    private GalacticLight() {}

    /** Starlight of a direction, cd/m² above the air, linear between the points of the map; none beyond 60° of latitude. */
    public static double stars(double longitudeDeg, double latitudeDeg) {
        return new Look().at(column(longitudeDeg), row(latitudeDeg)).stars();
    }

    /** The clouds within some degrees of a direction: of all squares of 3° there the one with most starlight, on average over it. */
    public static double clouds(double longitudeDeg, double latitudeDeg, int radiusDeg) {
        double most = 0;
        for (int b = -radiusDeg; b <= radiusDeg; b++) {
            double wide = Math.sqrt(radiusDeg * radiusDeg - b * b) / Math.cos(Math.toRadians(latitudeDeg + b));
            for (int l = (int) -wide; l <= wide; l++) {
                most = Math.max(most, mean(longitudeDeg + l, latitudeDeg + b, SQUARE_DEG));
            }
        }
        return most;
    }

    /** Starlight on average over a square round a direction, looked for every half degree. */
    public static double mean(double longitudeDeg, double latitudeDeg, double sideDeg) {
        int half = (int) Math.round(sideDeg);
        double sum = 0;
        for (int j = -half; j <= half; j++) {
            double b = latitudeDeg + j / 2.0;
            for (int i = -half; i <= half; i++) {
                sum += stars(longitudeDeg + i / 2.0 / Math.cos(Math.toRadians(b)), b);
            }
        }
        return sum / ((2 * half + 1) * (2 * half + 1));
    }

    /**
     * Light of emission nebulae as a sensor sees it that passes all of Hα (656 nm), cd/m². Brightnesses are guessed: good to
     * show what a modified sensor shows, not to measure.
     */
    public static double nebulae(double longitudeDeg, double latitudeDeg) {
        return new Look().at(column(longitudeDeg), row(latitudeDeg)).nebulae();
    }

    /** Column of the map at a longitude, growing to the right; may be off by whole turns. */
    public static double column(double longitudeDeg) {
        return (180 - longitudeDeg) * PER_DEGREE - 0.5;
    }

    /** Row of the map at a latitude, growing southwards. */
    public static double row(double latitudeDeg) {
        return (NORTH_DEG - latitudeDeg) * PER_DEGREE - 0.5;
    }

    /** Columns of a whole turn. */
    public static double turn() {
        return COLUMNS;
    }

    /** One place of the maps after another, by column and row: what both need is worked out once. For one thread. */
    public static final class Look {

        private int upper;
        private int left;
        private int beside;
        private double dx;
        private double dy;

        /** @param column as of {@link #column}, with row as of {@link #row}; between points of the map their light is mixed */
        public Look at(double column, double row) {
            upper = (int) Math.floor(row);
            int floor = (int) Math.floor(column);
            dx = column - floor;
            dy = row - upper;
            left = floor;
            while (left < 0) {
                left += COLUMNS;
            }
            while (left >= COLUMNS) {
                left -= COLUMNS;
            }
            beside = left + 1 == COLUMNS ? -left : 1;
            return this;
        }

        private boolean within() {
            return upper >= 0 && upper < ROWS - 1;
        }

        /** {@link GalacticLight#stars} there. */
        public double stars() {
            return within() ? light(Maps.STARS) : 0;
        }

        /** {@link GalacticLight#nebulae} there. */
        public double nebulae() {
            return within() && !Nebulae.empty(left, upper) ? light(Nebulae.MAP) : 0;
        }

        private double light(byte[] map) {
            int at = upper * COLUMNS + left;
            int below = at + COLUMNS;
            double above = LUMINANCE[map[at] & 0xff] * (1 - dx) + LUMINANCE[map[at + beside] & 0xff] * dx;
            double under = LUMINANCE[map[below] & 0xff] * (1 - dx) + LUMINANCE[map[below + beside] & 0xff] * dx;
            return above * (1 - dy) + under * dy;
        }
    }

    /** Read when somebody looks. */
    private static final class Maps {

        static final byte[] STARS = read("galaxy-starlight.gz");

        private static byte[] read(String name) {
            try (InputStream in = new GZIPInputStream(GalacticLight.class.getResourceAsStream(name), 1 << 16)) {
                byte[] map = in.readNBytes(COLUMNS * ROWS);
                if (map.length != COLUMNS * ROWS) {
                    throw new IOException(name + " is cut short");
                }
                return map;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Only photographs look at them. */
    private static final class Nebulae {

        static final byte[] MAP = Maps.read("galaxy-nebulae.gz");

        private static final int BLOCK = 16;
        private static final int BLOCKS = COLUMNS / BLOCK;

        /** Blocks of places with no nebula in them or next to them: few enough for a processor to keep at hand. */
        private static final boolean[] EMPTY = blocks();

        static boolean empty(int column, int row) {
            return EMPTY[row / BLOCK * BLOCKS + column / BLOCK];
        }

        private static boolean[] blocks() {
            boolean[] empty = new boolean[BLOCKS * (ROWS / BLOCK)];
            Arrays.fill(empty, true);
            for (int at = 0; at < MAP.length; at++) {
                if (MAP[at] != 0) {
                    beside(at % COLUMNS, at / COLUMNS, empty);
                }
            }
            return empty;
        }

        private static void beside(int column, int row, boolean[] empty) {
            for (int r = Math.max(0, row - 1); r <= Math.min(ROWS - 1, row + 1); r++) {
                for (int c = column - 1; c <= column + 1; c++) {
                    empty[r / BLOCK * BLOCKS + Math.floorMod(c, COLUMNS) / BLOCK] = false;
                }
            }
        }
    }
}
