package dev.halfdusk.core.glow;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
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
        return starsAt(column(longitudeDeg), row(latitudeDeg));
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
        return nebulaeAt(column(longitudeDeg), row(latitudeDeg));
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

    /** {@link #stars} by column and row. */
    public static double starsAt(double column, double row) {
        return at(Maps.STARS, column, row);
    }

    /** {@link #nebulae} by column and row. */
    public static double nebulaeAt(double column, double row) {
        int c = (int) Math.floor(column + 0.5);
        int r = (int) Math.floor(row + 0.5);
        int at = r * COLUMNS + (c < 0 ? c + COLUMNS : c >= COLUMNS ? c - COLUMNS : c);
        if (r < 1 || r >= ROWS - 1 || at < 0 || at >= Nebulae.MAP.length || Nebulae.EMPTY[at]) {
            return 0; // most of the sky
        }
        return at(Nebulae.MAP, column, row);
    }

    private static double at(byte[] map, double column, double row) {
        int r = (int) Math.floor(row);
        if (r < 0 || r >= ROWS - 1) {
            return 0;
        }
        int floor = (int) Math.floor(column);
        double dx = column - floor;
        double dy = row - r;
        int left = floor;
        while (left < 0) {
            left += COLUMNS;
        }
        while (left >= COLUMNS) {
            left -= COLUMNS;
        }
        int right = left + 1 == COLUMNS ? 0 : left + 1;
        int upper = r * COLUMNS;
        int lower = upper + COLUMNS;
        double above = LUMINANCE[map[upper + left] & 0xff] * (1 - dx) + LUMINANCE[map[upper + right] & 0xff] * dx;
        double below = LUMINANCE[map[lower + left] & 0xff] * (1 - dx) + LUMINANCE[map[lower + right] & 0xff] * dx;
        return above * (1 - dy) + below * dy;
    }

    /** Read when first asked for. */
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

        /** Places with no nebula at them or next to them. */
        static final boolean[] EMPTY = empty();

        private static boolean[] empty() {
            byte[] across = new byte[MAP.length]; // of three neighbours in a row whatever there is
            for (int row = 0; row < MAP.length; row += COLUMNS) {
                int before = MAP[row + COLUMNS - 1];
                for (int c = 0; c < COLUMNS; c++) {
                    int next = MAP[row + (c + 1 == COLUMNS ? 0 : c + 1)];
                    across[row + c] = (byte) (before | MAP[row + c] | next);
                    before = MAP[row + c];
                }
            }
            boolean[] empty = new boolean[MAP.length];
            for (int at = COLUMNS; at < MAP.length - COLUMNS; at++) {
                empty[at] = (across[at - COLUMNS] | across[at] | across[at + COLUMNS]) == 0;
            }
            return empty;
        }
    }
}
