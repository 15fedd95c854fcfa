package dev.halfdusk.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rays of a stopped-down lens in a picture of 480 × 320 pixels: how much light, how long, and where. */
class RaysTest extends Painted {

    private static final int WIDTH = 480;
    private static final double LIGHT = 1e9;

    RaysTest() {
        super(WIDTH, 320);
    }

    private Exposure exposure(double aperture, int blades) {
        Shot shot = shot(24, new Direction(180, 0), 2, aperture, 0).withDetails(Shot.Details.USUAL.withBlades(blades));
        return open(shot, Window.whole(SENSOR, WIDTH), 1);
    }

    /** How far the light of a direction reaches, looked at in a wedge of 2°. */
    private double reaches(double angleDeg) {
        double farthest = 0;
        for (int i = 0; i < canvas.electrons[1].length; i++) {
            double dx = i % WIDTH + 0.5 - 240;
            double dy = i / WIDTH + 0.5 - 160;
            double off = Math.abs(Math.IEEEremainder(Math.toDegrees(Math.atan2(dy, dx)) - angleDeg, 360));
            double r = Math.hypot(dx, dy);
            if (off < 1 && r > 10 && canvas.electrons[1][i] > 1) {
                farthest = Math.max(farthest, r);
            }
        }
        return farthest;
    }

    /**
     * A five-thousandth of the light; from f/2.8 it is 1.029 stops to f/4, where the blades only begin to show, 0.2 + 0.8 × 0.129 / 1.1 of it.
     * Along a ray from pixel to pixel by 3 (1 − r/l)² / l, which is one in all.
     */
    @ParameterizedTest(name = "f/{0}, {1} blades: {2} rays, {3}")
    @CsvSource({"8, 9, 18, 1", "16, 6, 6, 1", "4, 8, 8, 0.2938883", "5.6, 7, 14, 1"})
    void their_light_is_a_share(double aperture, int blades, int rays, double strong) {
        exposure(aperture, blades).rays(new Point(240, 160), LIGHT, 90);
        double wanted = 0;
        for (int ray = 0; ray < rays; ray++) {
            double angle = Math.toRadians(11 + 360.0 * ray / rays);
            double length = 90 * (0.75 + 0.25 * Math.cos(3 * angle));
            for (int r = 1; r < length; r++) {
                wanted += LIGHT * 2e-4 * strong / rays * 3 / length * Math.pow(1 - r / length, 2);
            }
            assertThat(reaches(Math.toDegrees(angle))).isBetween(0.8 * length, length + 3);
        }
        assertThat(sum(1)).isCloseTo(wanted * Tint.MOON[1], within(0.01 * wanted));
        assertThat(sum(0)).isCloseTo(wanted * Tint.MOON[0], within(0.01 * wanted));
        assertThat(wanted).isCloseTo(LIGHT * 2e-4 * strong, within(0.05 * LIGHT * 2e-4 * strong));
    }

    /** Between two rays there is nothing, and where the ground hides half of the light there is half. */
    @Test
    void they_begin_at_eleven_degrees() {
        Exposure e = exposure(8, 6);
        e.rays(new Point(240, 160), LIGHT, 90);
        assertThat(reaches(11 + 30)).isLessThan(12);
        double all = sum(1);
        Arrays.fill(canvas.electrons[1], 0);
        canvas.open[160 * WIDTH + 240] = 0.5f;
        e.rays(new Point(240, 160), LIGHT, 90);
        assertThat(sum(1)).isCloseTo(all / 2, within(1e-3 * all));
    }

    @Test
    void behind_the_ground_and_beside_the_picture_there_are_none() {
        Exposure e = exposure(8, 6);
        canvas.open[160 * WIDTH + 240] = 0;
        e.rays(new Point(240, 160), LIGHT, 90);
        e.rays(new Point(-3, 160), LIGHT, 90);
        assertThat(sum(1)).isZero();
    }

    /** Half a stop closed they do not show, though the light is there. */
    @Test
    void nearly_wide_open_there_are_none() {
        exposure(3.5, 9).rays(new Point(240, 160), LIGHT, 90);
        assertThat(sum(1)).isZero();
    }

    /**
     * A lamp that burns: what is over a thousand times too bright makes rays of 1.4 % of the picture's width for each factor of ten, twelve
     * times a disc's; a fainter one none, nor one that moves.
     */
    @Test
    void a_lamp_has_rays_by_how_far_it_burns() {
        Exposure e = exposure(8, 6);
        Vector at = new Direction(180, 0).vector();
        double zero = SkyElectrons.ofStar(0, 24, 8, 0.45);
        double perLux = 2 * zero / 2.54e-6;
        double full = 500_000;
        e.lamp(at, 0, at, 2, 900 * full / perLux, new double[] {1, 1, 1});
        assertThat(against(20)).isCloseTo(1, within(0.2));
        Arrays.fill(canvas.electrons[1], 0);
        e.lamp(at, 0, at, 2, 1e8 * full / perLux, new double[] {1, 1, 1});
        double length = 0.014 * 5 * WIDTH * (0.75 + 0.25 * Math.cos(Math.toRadians(33)));
        assertThat(against(0.8 * length)).isGreaterThan(2);
        assertThat(against(1.3 * length)).isLessThan(1.3);
        Arrays.fill(canvas.electrons[1], 0);
        e.lamp(at, 0, new Direction(180, 0.001).vector(), 2, 1e8 * full / perLux, new double[] {1, 1, 1});
        assertThat(against(0.8 * length)).isCloseTo(1, within(0.2));
    }

    /** The light of the first ray so far out against that between it and the next, of some pixels each. */
    private double against(double radius) {
        return light(11, radius) / light(41, radius);
    }

    private double light(double angleDeg, double radius) {
        double sum = 0;
        for (double r = radius - 3; r <= radius + 3; r += 0.5) {
            double a = Math.toRadians(angleDeg);
            sum += canvas.electrons[1][(int) (160 + r * Math.sin(a)) * WIDTH + (int) (240 + r * Math.cos(a))];
        }
        return sum;
    }
}
