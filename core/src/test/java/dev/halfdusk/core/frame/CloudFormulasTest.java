package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Cloud in one direction by the noise that it is cut out of, reckoned from the figures of its layer. */
class CloudFormulasTest {

    /** Height, size along and across the wind, depth, the wind there against that near the ground, light thrown back. */
    private enum Figures {
        LOW(1.2, 1.6, 1.6, 1.6, 1.5, 3.5),
        MIDDLE(4, 3.2, 3.2, 0.9, 2, 2.5),
        HIGH(9, 20, 5, 0.35, 3, 1.1);

        final double height;
        final double along;
        final double across;
        final double depth;
        final double wind;
        final double gain;

        Figures(double height, double along, double across, double depth, double wind, double gain) {
            this.height = height;
            this.along = along;
            this.across = across;
            this.depth = depth;
            this.wind = wind;
            this.gain = gain;
        }

        Clouds alone(double cover, double windMs, double fromDeg) {
            return new Clouds(
                    this == LOW ? cover : 0, this == MIDDLE ? cover : 0, this == HIGH ? cover : 0, windMs, fromDeg);
        }

        /** Optical depth straight up, where clouds that lay windward have been blown to. */
        double thickness(Direction at, double cover, double fromDeg, double blownKm, int octaves) {
            double far = height / (Math.sin(Math.toRadians(at.altitudeDeg())) + 0.05);
            double level = far * Math.cos(Math.toRadians(at.altitudeDeg()));
            double off = Math.toRadians(at.azimuthDeg() - fromDeg - 180);
            double noise = Noise.fractal(
                    404 + 16L * ordinal(),
                    (level * Math.cos(off) - blownKm) / along,
                    level * Math.sin(off) / across,
                    octaves);
            double edge = cover == 1 ? 0 : 0.5 + 0.125 * Noise.normalAt(1 - cover);
            return depth * Math.max(0, Math.min(1.6, (noise - edge) / 0.16));
        }
    }

    private static double passes(double thickness, Direction at) {
        return Math.exp(-thickness / Math.max(0.2, Math.sin(Math.toRadians(at.altitudeDeg()))));
    }

    @ParameterizedTest(name = "{0} {1}, wind of {2} m/s from {3}°, after {4} s")
    @CsvSource({
        "LOW, 0.5, 0, 250, 0",
        "LOW, 0.8, 6, 250, 400",
        "MIDDLE, 0.4, 9, 30, 1000",
        "MIDDLE, 1, 4, 180, 77",
        "HIGH, 0.6, 12, 300, 500",
        "HIGH, 0.9, 3, 90, 5000"
    })
    void a_moment_s_cloud_is_cut_out_of_noise(Figures layer, double cover, double wind, double from, double begin) {
        Clouds clouds = layer.alone(cover, wind, from);
        int cloudy = 0;
        for (int azimuth = 0; azimuth < 360; azimuth += 31) {
            for (double altitude : new double[] {4, 12, 35, 60, 88}) {
                Direction at = new Direction(azimuth, altitude);
                double wanted =
                        passes(layer.thickness(at, cover, from, wind * layer.wind / 1000 * (begin + 5e-4), 5), at);
                Clouds.Veil veil = clouds.towards(at.vector(), begin, 1e-3, 1e-9);
                assertThat(veil.through()).isCloseTo(wanted, within(1e-6));
                assertThat(veil.ice()).isCloseTo(layer == Figures.HIGH ? 1 - wanted : 0, within(1e-6));
                double gain = wanted == 1 ? 0 : layer.gain * (1.4 - wanted);
                assertThat(veil.townGain()).isCloseTo(gain, within(1e-5));
                cloudy += wanted < 1 ? 1 : 0;
            }
        }
        assertThat(cloudy).isGreaterThan(10);
    }

    /** Blown by its own size it is looked at in eight moments, by a part of that in as many eighths, begun ones too. */
    @ParameterizedTest(name = "{0} at {1} m/s, {2} s: {3}")
    @CsvSource({
        "LOW, 20, 50, 8", // 0.03 km/s: 1.5 of 1.6 km
        "LOW, 20, 25, 4",
        "LOW, 20, 800, 8",
        "LOW, 20, 5, 1",
        "MIDDLE, 10, 59, 3", // 0.02 km/s: 1.18 of 3.2 km
        "HIGH, 10, 100, 5" // 0.03 km/s: 3 of 5 km
    })
    void an_exposure_is_the_mean_of_moments(Figures layer, double wind, double seconds, int moments) {
        Clouds clouds = layer.alone(0.6, wind, 250);
        for (int azimuth = 0; azimuth < 360; azimuth += 40) {
            Direction at = new Direction(azimuth, 50);
            double sum = 0;
            for (int i = 0; i < moments; i++) {
                double blown = wind * layer.wind / 1000 * (100 + seconds * (i + 0.5) / moments);
                sum += passes(layer.thickness(at, 0.6, 250, blown, 5), at) / moments;
            }
            assertThat(clouds.towards(at.vector(), 100, seconds, 1e-9).through())
                    .isCloseTo(sum, within(1e-6));
        }
    }

    /** Points that lie a part of a cloud apart need no finer noise: an octave less for each doubling, until only the cover is left. */
    @ParameterizedTest(name = "{0} of a cloud apart: {1} octaves, {2} evened")
    @CsvSource({
        "0.02, 5, 0",
        "0.04, 4, 0",
        "0.07, 3, 0",
        "0.13, 2, 0",
        "0.3, 1, 0.2",
        "0.45, 1, 0.5",
        "0.7, 1, 1",
        "3, 1, 1"
    })
    void far_off_clouds_are_evened_out(double apart, int octaves, double evened) {
        Clouds clouds = Figures.MIDDLE.alone(0.5, 0, 250);
        for (int azimuth = 0; azimuth < 360; azimuth += 45) {
            Direction at = new Direction(azimuth, 30);
            double far = 4 / 0.55;
            double apartDeg = Math.toDegrees(apart * 3.2 * 4 / far / far);
            double thickness = (1 - evened) * Figures.MIDDLE.thickness(at, 0.5, 250, 0, octaves) + evened * 0.9 * 0.5;
            assertThat(clouds.towards(at.vector(), 0, 1, apartDeg).through())
                    .isCloseTo(passes(thickness, at), within(1e-6));
        }
    }

    /** What passes all of them is the product; what they throw back their mean by what each takes. */
    @Test
    void layers_lie_over_each_other() {
        Clouds all = new Clouds(0.7, 0.8, 1, 5, 250);
        int several = 0;
        for (int azimuth = 0; azimuth < 360; azimuth += 20) {
            Vector up = new Direction(azimuth, 55).vector();
            Clouds.Veil[] each = {
                new Clouds(0.7, 0, 0, 5, 250).towards(up, 40, 2, 1e-9),
                new Clouds(0, 0.8, 0, 5, 250).towards(up, 40, 2, 1e-9),
                new Clouds(0, 0, 1, 5, 250).towards(up, 40, 2, 1e-9)
            };
            double through = 1;
            double gain = 0;
            double weight = 0;
            for (Clouds.Veil veil : each) {
                through *= veil.through();
                gain += veil.townGain() * (1 - veil.through());
                weight += 1 - veil.through();
            }
            Clouds.Veil together = all.towards(up, 40, 2, 1e-9);
            assertThat(together.through()).isCloseTo(through, within(1e-9));
            assertThat(together.ice()).isCloseTo(each[2].ice(), within(1e-9));
            assertThat(together.townGain()).isCloseTo(gain / weight, within(1e-9));
            several += each[0].through() < 1 && each[1].through() < 1 ? 1 : 0;
        }
        assertThat(several).isGreaterThan(3);
    }

    /** At the horizon there are none: one looks past below them. */
    @Test
    void none_hang_below_the_horizon() {
        Clouds all = new Clouds(1, 1, 1, 5, 250);
        assertThat(all.towards(new Direction(20, 0).vector(), 0, 1, 0.1)).isSameAs(Clouds.Veil.CLEAR);
        assertThat(all.towards(new Direction(20, 0.5).vector(), 0, 1, 0.1).through())
                .isLessThan(0.5);
    }
}
