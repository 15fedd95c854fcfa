package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.Raster;
import java.io.IOException;
import java.io.InputStream;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The maps as they are read, against the pictures that they are read from: 0.0879° and 0.3516° a point. */
class LunarGroundTest {

    private static final double ALBEDO_DEG = 180 / 2048.0;
    private static final double HEIGHT_DEG = 360 / 1024.0;

    private static int[][] picture(String name) {
        try (InputStream in = LunarGround.class.getResourceAsStream(name)) {
            Raster raster = ImageIO.read(in).getRaster();
            int[][] points = new int[raster.getHeight()][raster.getWidth()];
            for (int j = 0; j < points.length; j++) {
                raster.getSamples(0, j, points[j].length, 1, 0, points[j]);
            }
            return points;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static double mean(int[][] points, int i, int j, int side) {
        double sum = 0;
        for (int k = 0; k < side * side; k++) {
            sum += points[j + k / side][i + k % side];
        }
        return sum / side / side;
    }

    /** At the middle of each square of so many points their mean; each halving rounds to a 128th of a step. */
    @ParameterizedTest
    @CsvSource({"0, 1", "1, 2", "3, 8", "5, 32"})
    void light_is_the_mean_of_the_map_s_points(int level, int side) {
        int[][] map = picture("moon-albedo.png");
        LunarGround.Albedo albedo = new LunarGround.Albedo();
        SplittableRandom random = new SplittableRandom(level);
        for (int n = 0; n < 200; n++) {
            int i = random.nextInt(2276 / side - 1) * side;
            int j = random.nextInt(2048 / side - 1) * side;
            double longitude = -100.02 + (i + side / 2.0) * ALBEDO_DEG;
            double latitude = 90 - (j + side / 2.0) * ALBEDO_DEG;
            double here = mean(map, i, j, side);
            assertThat(albedo.at(level, longitude, latitude) / 128).isCloseTo(here, within(0.02));
            // a quarter of the way to the next, and a quarter of the way down
            double east = mean(map, i + side, j, side);
            double south = mean(map, i, j + side, side);
            assertThat(albedo.at(level, longitude + 0.25 * side * ALBEDO_DEG, latitude) / 128)
                    .isCloseTo(0.75 * here + 0.25 * east, within(0.02));
            assertThat(albedo.at(level, longitude, latitude - 0.25 * side * ALBEDO_DEG) / 128)
                    .isCloseTo(0.75 * here + 0.25 * south, within(0.02));
        }
        // beyond the map's edges its last points
        assertThat(albedo.at(0, 20, 90) / 128)
                .isCloseTo(map[0][(int) ((20 + 100.02) / ALBEDO_DEG - 0.5)], within(10.0));
        assertThat(albedo.at(0, -140, 0) / 128).isCloseTo((map[1023][0] + map[1024][0]) / 2.0, within(0.02));
        assertThat(albedo.at(0, 140, 0) / 128).isCloseTo((map[1023][2275] + map[1024][2275]) / 2.0, within(1.0));
    }

    /** One on the average of the disc, where a place counts by how much of it is seen. */
    @Test
    void light_is_against_that_of_the_whole_disc() {
        double sum = 0;
        double weight = 0;
        for (double y = -0.995; y < 1; y += 0.01) {
            for (double x = -0.995; x < 1; x += 0.01) {
                double z2 = 1 - x * x - y * y;
                if (z2 > 0) {
                    double latitude = Math.toDegrees(Math.asin(y));
                    double longitude = Math.toDegrees(Math.atan2(x, Math.sqrt(z2)));
                    sum += LunarGround.albedo(3, longitude, latitude);
                    weight++;
                }
            }
        }
        assertThat(sum / weight).isCloseTo(1, within(0.005));
        LunarGround.Albedo fresh = new LunarGround.Albedo();
        assertThat(LunarGround.albedo(2, -30, 20)).isCloseTo(fresh.at(2, -30, 20) / fresh.mean, within(1e-9));
        // a plain is dark and highland bright
        assertThat(LunarGround.albedo(2, 31, 8)).isLessThan(0.85);
        assertThat(LunarGround.albedo(2, -11, -43)).isGreaterThan(1.1);
    }

    /** Heights of three columns one after the other, each a mean of three points of which the middle counts twice. */
    private static double east(int[][] map, int i, int j) {
        double by = 0;
        for (int side = -1; side <= 1; side += 2) {
            for (int k = -1; k <= 1; k++) {
                int row = Math.max(0, Math.min(511, j + k));
                by += side * (k == 0 ? 0.5 : 0.25) * map[row][(i + side + 1024) % 1024];
            }
        }
        double wide = Math.max(0.2, Math.cos(Math.toRadians(90 - (j + 0.5) * HEIGHT_DEG)));
        return steep(0.04 * by / wide);
    }

    private static double north(int[][] map, int i, int j) {
        double by = 0;
        for (int side = -1; side <= 1; side += 2) {
            for (int k = -1; k <= 1; k++) {
                int row = Math.max(0, Math.min(511, j - side));
                by += side * (k == 0 ? 0.5 : 0.25) * map[row][(i + k + 1024) % 1024];
            }
        }
        return steep(0.04 * by);
    }

    /** Never more than 0.42. */
    private static double steep(double slope) {
        return slope / Math.sqrt(1 + slope * slope / (0.42 * 0.42));
    }

    @Test
    void slopes_are_the_differences_of_heights() {
        int[][] map = picture("moon-height.png");
        LunarGround.Slopes slopes = new LunarGround.Slopes();
        SplittableRandom random = new SplittableRandom(4);
        double steepest = 0;
        for (int n = 0; n < 2000; n++) {
            int i = n < 20 ? 1023 * (n % 2) : random.nextInt(1024);
            int j = n < 40 ? 511 * (n / 20) : random.nextInt(512);
            double east = slopes.east[0][j * 1024 + i] * 0.42 / 32_767;
            double north = slopes.north[0][j * 1024 + i] * 0.42 / 32_767;
            assertThat(east).isCloseTo(east(map, i, j), within(2e-5));
            assertThat(north).isCloseTo(north(map, i, j), within(2e-5));
            steepest = Math.max(steepest, Math.abs(east));
        }
        assertThat(steepest).isBetween(0.1, 0.42);
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "1, 2", "4, 16"})
    void slopes_of_less_detail_are_means(int level, int side) {
        int[][] map = picture("moon-height.png");
        SplittableRandom random = new SplittableRandom(level);
        LunarGround.Slopes fresh = new LunarGround.Slopes();
        for (int n = 0; n < 100; n++) {
            int i = random.nextInt(1024 / side) * side;
            int j = random.nextInt(512 / side - 1) * side;
            double longitude = -180 + (i + side / 2.0) * HEIGHT_DEG;
            double latitude = 90 - (j + side / 2.0) * HEIGHT_DEG;
            double east = 0;
            double north = 0;
            for (int k = 0; k < side * side; k++) {
                east += east(map, i + k % side, j + k / side) / side / side;
                north += north(map, i + k % side, j + k / side) / side / side;
            }
            if (i + side < 1024) {
                assertThat(LunarGround.slopeEast(level, longitude, latitude)).isCloseTo(east, within(1e-4));
                assertThat(LunarGround.slopeNorth(level, longitude, latitude)).isCloseTo(north, within(1e-4));
            }
            int at = j / side * (1024 / side) + i / side;
            assertThat(fresh.east[level][at] * 0.42 / 32_767).isCloseTo(east, within(1e-4));
            assertThat(fresh.north[level][at] * 0.42 / 32_767).isCloseTo(north, within(1e-4));
        }
    }

    /** A degree of the disc's middle is a 57th of its radius: 11.4 points of light and 2.8 of height in as many pixels. */
    @ParameterizedTest
    @CsvSource({"2000, 0, 0", "652, 0, 0", "326, 1, 0", "163, 2, 0", "82, 3, 1", "41, 4, 2", "10, 5, 4", "1, 5, 4"})
    void detail_is_that_of_a_pixel(double radiusPx, int light, int slope) {
        assertThat(LunarGround.level(radiusPx)).isEqualTo(light);
        assertThat(LunarGround.slopeLevel(radiusPx)).isEqualTo(slope);
    }
}
