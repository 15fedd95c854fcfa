package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LightTest {

    private static final Response SENSOR = new Response(50_000, 100, 2, 8, 0, 0.5);
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);

    @ParameterizedTest(name = "µ {0}, f/{1}, {2} µm → {4} e/s")
    @CsvSource({"21.5, 2.8, 4.3, 0.45, 0.784", "20.0, 1.8, 5.94, 0.45, 14.4", "18.0, 2.8, 3.9, 0.45, 16.2"})
    void electrons_of_the_sky(double magnitude, double aperture, double pitch, double efficiency, double electrons) {
        assertThat(SkyElectrons.perSecond(magnitude, aperture, pitch, efficiency))
                .isCloseTo(electrons, within(electrons * 0.005));
    }

    @Test
    void a_peak_at_a_fifth_of_the_axis_is_a_thirtieth_of_white() {
        assertThat(Tone.share(0.20)).isCloseTo(0.033, within(0.0002));
        assertThat(Tone.position(0.0331)).isCloseTo(0.2, within(0.001));
        for (double p = 0; p <= 1; p += 0.01) {
            assertThat(Tone.position(Tone.share(p))).isCloseTo(p, within(1e-6));
        }
    }

    @Test
    void noise_of_stacked_frames() {
        Light light = new Light(SENSOR, 10, 10); // 100 electrons of sky, read noise 2.06 at 1600
        double read2 = 4.25;
        double one = 50 / Math.sqrt(50 + 100 + read2);
        assertThat(light.signalToNoise(5, 1600, 1)).isCloseTo(one, within(1e-9));
        assertThat(light.signalToNoise(5, 1600, 16)).isCloseTo(4 * one, within(1e-9));
        int frames = light.framesFor(20, 5, 1600);
        assertThat(light.signalToNoise(5, 1600, frames)).isGreaterThanOrEqualTo(20);
        assertThat(light.signalToNoise(5, 1600, frames - 1)).isLessThan(20);
        assertThat(light.framesFor(20, 0, 1600)).isEqualTo(Integer.MAX_VALUE);
    }

    @Test
    void the_recommended_iso_is_the_lowest_that_keeps_both_conditions() {
        Light light = new Light(BODY.response(), 6, 8);
        IsoChoice best = IsoChoice.all(light, BODY).get(0);
        assertThat(best.readNoiseShare()).isLessThanOrEqualTo(0.10);
        assertThat(best.peak()).isGreaterThanOrEqualTo(0.15);
        List<Integer> steps = BODY.isoSteps();
        int below = steps.get(steps.indexOf(best.iso()) - 1);
        assertThat(light.readNoiseShare(below) > 0.10 || light.peak(below) < 0.15)
                .isTrue();
    }

    @Test
    void a_sky_too_faint_for_any_iso_takes_the_one_that_clears_the_edge_or_the_highest() {
        IsoChoice faint =
                IsoChoice.all(new Light(BODY.response(), 0.02, 2), BODY).get(0);
        assertThat(faint.iso()).isEqualTo(51_200);
        assertThat(faint.remark()).contains("left edge");
        IsoChoice bright =
                IsoChoice.all(new Light(BODY.response(), 50_000, 2), BODY).get(0);
        assertThat(bright.iso()).isEqualTo(100);
        assertThat(bright.remark()).contains("burn out");
    }

    /** Read noise of 6 before the amplifier never falls under a tenth of this sky's noise until far up: the peak decides. */
    @Test
    void the_peak_never_passes_a_third_of_the_axis_while_a_lower_iso_exists() {
        CameraBody noisy = new CameraBody(
                BODY.sensor(),
                Dial.THIRD,
                1 / 4000.0,
                51_200,
                3200,
                new Response(20_000, 100, 6, 60, 0, 0.5),
                false,
                new CameraBody.Files(30, 10, 20, 100),
                false,
                0,
                600);
        boolean limitedByNoise = false;
        for (double electrons = 1; electrons < 20_000; electrons *= 1.1) {
            Light light = new Light(noisy.response(), electrons / 8, 8);
            IsoChoice best = IsoChoice.all(light, noisy).get(0);
            assertThat(best.peak() <= 0.33 || best.iso() == 100).isTrue();
            int next = noisy.isoSteps().indexOf(best.iso()) + 1;
            limitedByNoise |= best.readNoiseShare() > 0.10
                    && next < noisy.isoSteps().size()
                    && light.peak(noisy.isoSteps().get(next)) > 0.33;
        }
        assertThat(limitedByNoise).isTrue();
    }

    @Test
    void schools_differ_as_they_say() {
        List<IsoChoice> all = IsoChoice.all(new Light(BODY.response(), 6, 8), BODY);
        assertThat(all)
                .extracting(IsoChoice::key)
                .containsExactly("sky-limited", "lift", "comfortable", "push", "stack");
        assertThat(all.get(1).peak()).isBetween(0.22, 0.28);
        assertThat(all.get(2).iso()).isEqualTo(3200);
        assertThat(all.get(3).iso()).isEqualTo(4 * all.get(0).iso());
        assertThat(all.get(4).iso()).isEqualTo(all.get(0).iso() / 4);
    }

    @Test
    void bodies_that_contradict_themselves_are_refused() {
        Sensor sensor = Sensor.of(36, 24, 6000);
        CameraBody.Files files = new CameraBody.Files(30, 10, 20, 100);
        assertThatThrownBy(() -> new CameraBody(
                        sensor, Dial.THIRD, 1 / 4000.0, 6400, 12_800, SENSOR, false, files, false, 0, 600))
                .hasMessageContaining("tolerates");
        assertThatThrownBy(() -> new Response(10, 100, 1, 1, 0, 0.5)).hasMessageContaining("full well 10");
    }
}
