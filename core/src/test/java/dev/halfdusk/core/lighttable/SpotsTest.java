package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Spots in small frames of a known sky: where they are found, how bright and how wide, and what is told by many of them. */
class SpotsTest {

    private static final double WHITE = 65_535;

    private static Background sky(int width, int height, float... level) {
        char[] light = new char[width * height];
        for (int i = 0; i < light.length; i++) {
            light[i] = (char) level[i % level.length];
        }
        return Background.of(light, width, height, 1);
    }

    /** A star of 0.3 of white: its middle, its light 2πσ² times its peak, its moments σ², with the noise of a thousandth. */
    @ParameterizedTest(name = "at {0}, {1}, {2} wide, {3} long")
    @CsvSource({"60.5, 50.5, 1.6, 0, 0", "101.2, 77.9, 2.4, 0, 0", "40, 110, 1.5, 9, 30", "150, 20.3, 1.5, 9, 120"})
    void a_star_is_where_it_was_put(double x, double y, double sigma, double length, double angle) {
        MadeUpFrame frame = new MadeUpFrame(200, 130, 3).sky(0.02);
        frame.star(x, y, 0.3, sigma, length, Math.toRadians(angle), 0);
        frame.noise(0.001, 0);
        List<Spot> spots = SpotFinder.in(frame.linear16()).spots();
        assertThat(spots).hasSize(1);
        Spot s = spots.get(0);
        assertThat(s.x()).isCloseTo(x, within(0.06));
        assertThat(s.y()).isCloseTo(y, within(0.06));
        double flux = 0.3 * 2 * Math.PI * sigma * sigma * WHITE;
        assertThat(s.flux()).isCloseTo(flux, within(0.03 * flux));
        double peak = 0;
        for (float f : frame.light) {
            peak = Math.max(peak, f);
        }
        assertThat((double) s.peak()).isCloseTo(peak * WHITE, within(2.0));
        assertThat(s.signal()).isCloseTo((peak - 0.02) / 0.001, within(0.35 * peak / 0.001));
        double along = length * length / 12;
        assertThat(s.longer()).isCloseTo(sigma * sigma + along, within(0.08 * (sigma * sigma + along)));
        assertThat(s.shorter()).isCloseTo(sigma * sigma, within(0.08 * sigma * sigma));
        double doubled = Math.toRadians(2 * angle);
        assertThat(s.xx() - s.yy()).isCloseTo(along * Math.cos(doubled), within(0.3));
        assertThat(2 * s.xy()).isCloseTo(along * Math.sin(doubled), within(0.3));
        assertThat(s.left()).isLessThan((int) (x - 2)).isGreaterThan((int) (x - 16));
        assertThat(s.right()).isGreaterThan((int) (x + 2)).isLessThan((int) (x + 16));
        assertThat(s.top()).isLessThan((int) (y - 2)).isGreaterThan((int) (y - 16));
        assertThat(s.bottom()).isGreaterThan((int) (y + 2)).isLessThan((int) (y + 16));
        assertThat(s.area()).isBetween(20, (s.right() - s.left() + 1) * (s.bottom() - s.top() + 1));
        assertThat(s.burnt()).isFalse();
    }

    /** The brightest first; what touches is one; white ones are burnt. */
    @Test
    void spots_of_a_frame() {
        MadeUpFrame frame = new MadeUpFrame(400, 300, 5).sky(0.02);
        frame.star(50, 50, 0.1, 1.5, 0, 0, 0);
        frame.star(120, 50, 0.6, 1.5, 0, 0, 0);
        frame.star(200, 50, 1.5, 1.5, 0, 0, 0);
        frame.star(300, 50, 0.2, 1.5, 0, 0, 0);
        frame.star(304, 51, 0.2, 1.5, 0, 0, 0);
        frame.noise(0.001, 0);
        List<Spot> spots = SpotFinder.in(frame.linear16()).spots();
        assertThat(spots).extracting(s -> Math.round(s.x() / 10)).containsExactly(20L, 12L, 30L, 5L);
        assertThat(spots).extracting(Spot::burnt).containsExactly(true, false, false, false);
        assertThat(spots).extracting(Spot::flux).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    @Test
    void an_even_frame_has_none() {
        MadeUpFrame frame = new MadeUpFrame(300, 200, 5).sky(0.05).noise(0.003, 0);
        assertThat(SpotFinder.in(frame.linear16()).spots()).isEmpty();
    }

    /** Median and spread of the darker half of tiles of a sixth of the side; between their middles straight lines. */
    @Test
    void the_sky_behind_is_told_by_tiles() {
        int w = 384;
        int h = 384;
        Random random = new Random(2);
        char[] light = new char[w * h];
        for (int i = 0; i < light.length; i++) {
            double level = 2000 + 10 * (i % w) + 4 * (i / w);
            light[i] = (char) Math.round(level + 300 * random.nextGaussian());
        }
        Background b = Background.of(light, w, h, 1);
        // a tile's own slopes widen it: 640 / √12 and 256 / √12
        double spread = Math.sqrt(300 * 300 + 640.0 * 640 / 12 + 256.0 * 256 / 12);
        for (int ty = 0; ty < 6; ty++) {
            for (int tx = 0; tx < 6; tx++) {
                double wanted = 2000 + 10 * (64 * tx + 31.5) + 4 * (64 * ty + 31.5);
                assertThat(b.levelAt(64 * tx + 1, 64 * ty + 63)).isCloseTo(wanted, within(90.0));
                assertThat(b.sigmaAt(64 * tx + 63, 64 * ty + 1)).isCloseTo(spread, within(0.35 * spread));
            }
        }
        float[] limits = new float[w];
        for (int y : new int[] {40, 100, 200, 350}) {
            b.row(y, 5, limits);
            for (int x = 40; x < 344; x += 16) {
                double wanted = 2000 + 10 * x + 4 * y + 5 * spread;
                assertThat((double) limits[x]).isCloseTo(wanted, within(0.09 * wanted));
            }
        }
        b.row(100, 0, limits);
        float[] more = new float[w];
        b.row(100, 1, more);
        assertThat((double) more[200] - limits[200]).isCloseTo(spread, within(0.2 * spread));
        assertThat(b.levelAt(-50, -50)).isEqualTo(b.levelAt(1, 1));
        assertThat(b.levelAt(9999, 9999)).isEqualTo(b.levelAt(383, 383));
        assertThat(b.quietSigma()).isBetween(0.75 * spread, 1.05 * spread);
    }

    /** A quarter of the tiles are quieter than what is told. */
    @Test
    void the_quiet_tiles_tell_the_noise() {
        Random random = new Random(3);
        char[] light = new char[384 * 384];
        for (int i = 0; i < light.length; i++) {
            int tile = i / 384 / 64 * 6 + i % 384 / 64;
            light[i] = (char) Math.round(5000 + (36 - tile) * 20 * random.nextGaussian()); // the quietest last
        }
        assertThat(Background.of(light, 384, 384, 1).quietSigma()).isCloseTo(10 * 20, within(30.0));
    }

    /** A frame without noise has that of its steps, 0.29 of one. */
    @Test
    void a_flat_sky_has_the_noise_of_rounding() {
        assertThat(sky(64, 64, 1000).sigmaAt(30, 30)).isCloseTo(0.29, within(1e-6));
        assertThat(Background.of(new char[64 * 64], 64, 64, 257).quietSigma()).isCloseTo(74.53, within(0.01));
    }

    private static Spot spot(double x, double y, double flux, int peak) {
        return new Spot(x, y, flux, peak, 50, 9, 1, 1, 0, (int) x - 1, (int) y - 1, (int) x + 1, (int) y + 1);
    }

    /** Above the sky, as shares of white, by rank; of thirty-two from a rank on the median, of less than eight none. */
    @Test
    void stars_rank_by_how_high_they_stand() {
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            spots.add(spot(10 + i % 40, 10 + i % 30, 1, 65_535 - 1000 * i));
        }
        Starlight s = Starlight.of(spots, sky(64, 64, 535));
        assertThat(s.firstWhole()).as("to 97 %: 65 535 and 64 535").isEqualTo(2);
        assertThat(s.from(0)).isCloseTo((65_535 - 16_000 - 535) / WHITE, within(1e-6));
        assertThat(s.from(10)).isCloseTo((65_535 - 26_000 - 535) / WHITE, within(1e-6));
        assertThat(s.from(52)).isCloseTo((65_535 - 56_000 - 535) / WHITE, within(1e-6));
        assertThat(s.from(53)).isZero();
        assertThat(Starlight.of(List.of(), sky(64, 64, 535)).from(0)).isZero();
    }

    /** Half of the stars again, eleven pixels to the right and seven down: one step that most of them have. */
    @ParameterizedTest
    @CsvSource({"11, 7", "-20, 15", "30, 0", "0, 12"})
    void stars_that_stand_twice(int dx, int dy) {
        Random random = new Random(8);
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            double x = 60 + 900 * random.nextDouble();
            double y = 60 + 600 * random.nextDouble();
            double flux = 1000 * Math.pow(10, 2 * random.nextDouble());
            spots.add(spot(x, y, flux, 5000));
            if (i % 2 == 0) {
                spots.add(spot(x + dx, y + dy, flux * 1.1, 5000));
            }
        }
        Twins twins = Twins.among(spots).orElseThrow();
        assertThat(twins.stepPx()).isCloseTo(Math.hypot(dx, dy), within(1.6));
        double angle = (Math.toDegrees(Math.atan2(dy, dx)) + 360) % 180;
        assertThat(Math.abs(Math.IEEEremainder(twins.angleDeg() - angle, 180))).isLessThan(9);
        assertThat(twins.share()).isCloseTo(80 / 120.0, within(0.1));
    }

    @Test
    void stars_that_do_not() {
        Random random = new Random(8);
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            spots.add(spot(900 * random.nextDouble(), 600 * random.nextDouble(), 1000, 5000));
        }
        assertThat(Twins.among(spots)).isEqualTo(Optional.empty());
        // too few, too far apart, too unlike
        List<Spot> few = new ArrayList<>();
        List<Spot> far = new ArrayList<>();
        List<Spot> unlike = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            double x = 60 + 900 * random.nextDouble();
            double y = 60 + 600 * random.nextDouble();
            for (int k = 0; k < 2; k++) {
                if (i < 9) {
                    few.add(spot(x + 11 * k, y, 1000, 5000));
                }
                far.add(spot(x + 55 * k, y, 1000, 5000));
                unlike.add(spot(x + 11 * k, y, 1000 * (1 + 1.2 * k), 5000));
            }
        }
        assertThat(Twins.among(few)).isEmpty();
        assertThat(Twins.among(far)).isEmpty();
        assertThat(Twins.among(unlike)).isEmpty();
        assertThat(Twins.among(List.of())).isEmpty();
    }

    private static Pixels noisy(int seed, double level, double noise, float[] fixed) {
        MadeUpFrame frame = new MadeUpFrame(200, 160, seed).sky(level).noise(noise, 0);
        for (int i = 0; i < frame.light.length; i++) {
            frame.light[i] += fixed[i % fixed.length];
        }
        return frame.linear16();
    }

    /** A pixel's noise is a hundredth of a level of a tenth: 10 %; what two frames have in common does not differ. */
    @Test
    void noise_of_a_frame_and_against_the_next() {
        Patch one = Patch.of(noisy(1, 0.1, 0.01, new float[] {0}), Encoding.LINEAR);
        Patch two = Patch.of(noisy(2, 0.1, 0.01, new float[] {0}), Encoding.LINEAR);
        assertThat(one.noise()).isCloseTo(0.1, within(0.004));
        assertThat(one.noiseAgainst(two)).isCloseTo(0.1, within(0.004));
        assertThat(one.noiseAgainst(one)).isZero();
        float[] fixed = new float[200 * 160];
        Random random = new Random(7);
        for (int i = 0; i < fixed.length; i++) {
            fixed[i] = (float) (0.02 * random.nextGaussian());
        }
        Patch pattern = Patch.of(noisy(1, 0.1, 0.01, fixed), Encoding.LINEAR);
        Patch again = Patch.of(noisy(2, 0.1, 0.01, fixed), Encoding.LINEAR);
        assertThat(pattern.noise()).isCloseTo(Math.hypot(0.1, 0.2), within(0.01));
        assertThat(pattern.noiseAgainst(again)).isCloseTo(0.1, within(0.006));
        // asked again, and of another
        assertThat(pattern.noiseAgainst(again)).isCloseTo(0.1, within(0.006));
        assertThat(pattern.noiseAgainst(one)).isGreaterThan(0.12);
        // against one half as bright: of the mean level
        Patch half = Patch.of(noisy(3, 0.05, 0.01, new float[] {0}), Encoding.LINEAR);
        assertThat(one.noiseAgainst(half)).isCloseTo(0.01 / 0.075, within(0.006));
        MadeUpFrame small = new MadeUpFrame(60, 50, 1).sky(0.1).noise(0.01, 0);
        assertThat(one.noiseAgainst(Patch.of(small.linear16(), Encoding.LINEAR)))
                .isZero();
        assertThat(Patch.of(small.linear16(), Encoding.LINEAR).noise()).isCloseTo(0.1, within(0.01));
    }

    /** The numbers of a file by its curve: 0.5 of sRGB is 0.214 of the light. */
    @Test
    void curves_are_tables() {
        assertThat(Encoding.SRGB.table()[32_768]).isCloseTo(0.2140f, within(1e-4f));
        assertThat(Encoding.LINEAR.table()[32_768]).isCloseTo(0.5f, within(1e-4f));
        assertThat(Encoding.CAMERA.light(0)).isZero();
        assertThat(Encoding.CAMERA.light(1.5)).isCloseTo(1, within(1e-9));
        assertThat(Encoding.SRGB.light(-1)).isZero();
        assertThat(Arrays.stream(Encoding.values()).map(Encoding::words))
                .doesNotContain("")
                .hasSize(3);
    }
}
