package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chance craters by what they must be on the average, worked out from the figures of one. */
class SmallCratersTest {

    /**
     * 0.45 craters in a square; radius of 0.12 + 0.3 p² sides has a mean square of 0.0144 + 0.024 + 0.018; the square of half of
     * sin² over a wall from 0.55 to 1 and of 0.35² sin² over a fall from 1 to 1.6, over rings of 2πr, is 0.34895 radii².
     */
    private static final double MEAN_SQUARE = 0.45 * 0.0564 * 0.34895;

    private static double[] slopes(double longitude, double latitude, double rough, double pxPerDeg) {
        double[] slopes = new double[2];
        SmallCraters.add(longitude, latitude, rough, pxPerDeg, slopes);
        return slopes;
    }

    /** East², north², east times north, east and north on the average between two latitudes. */
    private static double[] means(double south, double north, double rough, double pxPerDeg) {
        SplittableRandom random = new SplittableRandom(5);
        double[] means = new double[5];
        int n = 300_000;
        for (int i = 0; i < n; i++) {
            double at = south + (north - south) * random.nextDouble();
            double[] s = slopes(360 * random.nextDouble() - 180, at, rough, pxPerDeg);
            means[0] += s[0] * s[0] / n;
            means[1] += s[1] * s[1] / n;
            means[2] += s[0] * s[1] / n;
            means[3] += s[0] / n;
            means[4] += s[1] / n;
        }
        return means;
    }

    /** A square must be fourteen pixels wide: 2.4° at 5.83 a degree, 1.1° at 12.7, 0.5° at 28. Towards a pole they are no fewer. */
    @ParameterizedTest(name = "{0} to {1}°, rough {2}, {3} pixels a degree: {4} sizes")
    @CsvSource({
        "-60, 60, 1, 5.8, 0, 0",
        "-60, 60, 1, 5.9, 1, 0.07",
        "-60, 60, 1, 12.6, 1, 0.07",
        "-60, 60, 1, 12.8, 2, 0.06",
        "-60, 60, 1, 27.9, 2, 0.06",
        "-60, 60, 1, 28, 3, 0.05",
        "-60, 60, 0.4, 28, 1.2, 0.07",
        "62, 80, 1, 28, 3, 0.15",
        "-80, -62, 1, 28, 3, 0.15",
        "-60, 60, 0, 28, 0, 0"
    })
    void there_are_as_many_and_as_steep_as_they_should_be(
            double south, double north, double rough, double pxPerDeg, double sizes, double tolerance) {
        double[] means = means(south, north, rough, pxPerDeg);
        double wanted = sizes * MEAN_SQUARE / 2;
        assertThat(means[0]).isCloseTo(wanted, within(tolerance * wanted + 1e-6));
        assertThat(means[1]).isCloseTo(wanted, within(tolerance * wanted + 1e-6));
        assertThat(means[2]).isCloseTo(0, within(tolerance * wanted + 1e-6));
        assertThat(means[3]).isCloseTo(0, within(0.003));
        assertThat(means[4]).isCloseTo(0, within(0.003));
    }

    /** Nearer to the poles than 81° squares grow no wider: across a row there are as many as 360° × 0.15 / 2.4°. */
    @Test
    void at_the_poles_they_stay_in_bounds() {
        double crossings = 0;
        for (int i = 0; i < 36_000; i++) {
            double before = slopes(i / 100.0, 86.4, 1, 6)[0];
            double after = slopes((i + 1) / 100.0, 86.4, 1, 6)[0];
            crossings += before == 0 != (after == 0) ? 1 : 0;
        }
        // of 22 squares across ten or so have a crater, whose two walls and falls are two stretches at the most
        assertThat(crossings).isBetween(4.0, 60.0);
    }

    /** Whoever goes round in a small circle comes back to the height where he began, if east and north are what they are called. */
    @ParameterizedTest
    @CsvSource({"0", "60"})
    void slopes_are_those_of_a_ground(double latitude) {
        double wide = Math.cos(Math.toRadians(latitude));
        SplittableRandom random = new SplittableRandom(9);
        int found = 0;
        for (int i = 0; i < 3000; i++) {
            double lon = 360 * random.nextDouble() - 180;
            double lat = latitude + 4 * random.nextDouble();
            double round = 0;
            double up = 0;
            int steps = 400;
            for (int k = 0; k < steps; k++) {
                double angle = 2 * Math.PI * k / steps;
                double radius = 0.5;
                double[] s = slopes(lon + radius * Math.cos(angle) / wide, lat + radius * Math.sin(angle), 1, 6);
                double climbed = (-s[0] * Math.sin(angle) + s[1] * Math.cos(angle)) * radius * 2 * Math.PI / steps;
                round += climbed;
                up += Math.abs(climbed);
            }
            if (up > 0.1) {
                found++;
                assertThat(round).isCloseTo(0, within(0.1 * up));
            }
        }
        assertThat(found).isGreaterThan(100);
    }

    /** From a steep place its slope leads up to the rim and down behind it, the other way to a level floor. */
    @Test
    void a_floor_lies_within_a_wall() {
        SplittableRandom random = new SplittableRandom(3);
        double ahead = 0;
        double behind = 0;
        int walls = 0;
        double steepest = 0;
        for (int i = 0; i < 200_000; i++) {
            double lon = 360 * random.nextDouble() - 180;
            double lat = 10 * (random.nextDouble() - 0.5);
            double[] s = slopes(lon, lat, 1, 6);
            double steep = Math.hypot(s[0], s[1]);
            steepest = Math.max(steepest, steep);
            if (steep > 0.47) {
                walls++;
                double[] up = slopes(lon + 0.35 * s[0] / steep, lat + 0.35 * s[1] / steep, 1, 6);
                double[] down = slopes(lon - 0.35 * s[0] / steep, lat - 0.35 * s[1] / steep, 1, 6);
                ahead += (up[0] * s[0] + up[1] * s[1]) / steep;
                behind += (down[0] * s[0] + down[1] * s[1]) / steep;
            }
        }
        assertThat(walls).isGreaterThan(500);
        assertThat(steepest).isBetween(0.49, 0.8); // of one half, and somewhat more where two meet
        assertThat(ahead / walls).isLessThan(-0.02);
        assertThat(behind / walls).isBetween(-0.02, 0.1);
    }

    @Test
    void no_two_places_are_alike_and_each_stays_as_it_is() {
        int same = 0;
        int some = 0;
        for (int i = 0; i < 2000; i++) {
            double lon = i * 0.18 - 179.9;
            double lat = 30 - i % 60;
            double[] here = slopes(lon, lat, 1, 28);
            assertThat(slopes(lon, lat, 1, 28)).containsExactly(here);
            if (here[0] != 0) {
                some++;
                same += Arrays.equals(here, slopes(lon, lat + 2.4 * 5, 1, 28)) ? 1 : 0;
                same += Arrays.equals(here, slopes(lon, lat - 1.1 * 5, 1, 28)) ? 1 : 0;
            }
        }
        assertThat(some).isGreaterThan(500);
        assertThat(same).isZero();
    }
}
