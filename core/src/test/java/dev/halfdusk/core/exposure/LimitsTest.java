package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Choices at their limits, against a count or arithmetic beside them. */
class LimitsTest {

    private static final Response SENSOR = new Response(50_000, 100, 1.6, 4.5, 4, 0.5);

    /** 300 000 pixels drawn one by one with light, dark current and read noise. */
    @Test
    void a_histogram_is_what_drawing_pixels_gives() {
        FrameSky sky = new FrameSky(new double[] {20, 21}, 0.3, 21, 24);
        Histogram h = Histogram.of(sky, m -> 90 * Math.pow(10, -0.4 * (m - 20)), SENSOR, 10, 1600);
        double white = 50_000 / 16.0;
        double read = Math.hypot(1.6, 4.5 / 16);
        double[] light = {900, 900 * 0.398107, 900 * 0.0251189};
        double[] share = {0.35, 0.35, 0.3};
        Random random = new Random(3);
        double[] drawn = new double[Histogram.BINS];
        for (int heap = 0; heap < 3; heap++) {
            for (int i = 0; i < 100_000; i++) {
                double e = light[heap] + Math.sqrt(light[heap] + 40 + read * read) * random.nextGaussian();
                double linear = Math.max(0, e / white);
                double axis = linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
                drawn[Math.min(Histogram.BINS - 1, (int) (axis * Histogram.BINS))] += share[heap] / 100_000;
            }
        }
        double apart = 0;
        for (int i = 0; i < drawn.length; i++) {
            apart += Math.abs(drawn[i] - h.bins()[i]);
        }
        assertThat(apart).isLessThan(0.15);
    }

    /** The least ISO with a peak from 0.15 and read noise within ten percent, by trying each; else as documented. */
    @ParameterizedTest
    @CsvSource({
        "5, 6, 1.6, 4.5", // usual
        "0.2, 4, 1.6, 4.5", // hardly any light: the left edge decides
        "400, 8, 1.6, 4.5", // bright
        "30, 6, 0, 30", // read noise after the amplifier alone
        "3000, 6, 1.6, 4.5" // burns at base ISO
    })
    void iso_by_the_sky(double perSecond, double seconds, double before, double after) {
        CameraBody body = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
        Response response = new Response(50_000, 100, before, after, 0, 0.5);
        Light light = new Light(response, perSecond, seconds);
        int wanted = 0;
        int edge = 0;
        int highestThatFits = 0;
        for (int iso : body.isoSteps()) {
            double share = perSecond * seconds / (50_000 * 100.0 / iso);
            double peak = share <= 0.0031308 ? 12.92 * share : Math.min(1, 1.055 * Math.pow(share, 1 / 2.4) - 0.055);
            double read2 = before * before + Math.pow(after * 100 / iso, 2);
            double more = Math.sqrt((perSecond * seconds + read2) / (perSecond * seconds)) - 1;
            wanted = wanted == 0 && peak >= 0.15 && more <= 0.1 ? iso : wanted;
            edge = edge == 0 && peak >= 0.15 ? iso : edge;
            highestThatFits = peak <= 0.33 ? iso : highestThatFits;
        }
        int chosen = wanted > 0 ? wanted : edge > 0 ? edge : 51_200;
        int expected = highestThatFits == 0 ? 100 : Math.min(chosen, highestThatFits);
        assertThat(IsoChoice.all(light, body).get(0).iso()).isEqualTo(expected);
    }

    /** Every star, at 40 000 places of frames that a horizon cuts, and where the worst of them is. */
    @ParameterizedTest
    @CsvSource({
        "180, 20, 37.6, 20, RECTILINEAR",
        "0, 12, 37.6, 14, RECTILINEAR",
        "75, 8, -33, 24, RECTILINEAR",
        "120, 3, 10, 12, FISHEYE"
    })
    void the_worst_of_a_frame(double azimuth, double altitude, double latitude, double focal, Projection projection) {
        Sensor sensor = new Sensor(36, 24, 5);
        Framing framing = Framing.of(new Optics(sensor, focal, projection), new Direction(azimuth, altitude), 12);
        Vector pole = new Direction(0, latitude).vector();
        double worst = 0;
        double sky = 0;
        for (int i = 0; i < 40_000; i++) {
            Framing.Point from =
                    new Framing.Point(36 * ((i % 200 + 0.5) / 200 - 0.5), 24 * ((i / 200 + 0.5) / 200 - 0.5));
            Vector star = framing.see(from);
            if (star.z() < 0 || !framing.draws(from)) {
                continue;
            }
            sky++;
            Framing.Point to = framing.project(Sidereal.later(star, pole, 10)).orElse(from);
            worst = Math.max(worst, Math.hypot(to.x() - from.x(), to.y() - from.y()) * 200);
        }
        assertThat(sky).isBetween(4_000.0, 39_000.0);
        DriftField field = DriftField.of(framing, latitude, 10);
        assertThat(field.worst().px()).isCloseTo(worst, within(0.012 * worst));
    }

    @ParameterizedTest
    @CsvSource({
        "-17, -11, top left",
        "17, 11, bottom right",
        "0, -8, top",
        "-9, 0, left",
        "4, 3, centre",
        "0, 5, bottom",
        "7, 0, right"
    })
    void places_of_a_picture_have_names(double x, double y, String name) {
        Framing framing =
                Framing.of(new Optics(new Sensor(36, 24, 5), 24, Projection.RECTILINEAR), new Direction(180, 45), 0);
        assertThat(DriftField.where(new Framing.Point(x, y), framing)).isEqualTo(name);
    }

    @Test
    void ground_is_exposed_at_whole_stops_that_the_body_has_and_no_longer_than_four_hours() {
        Response from200 = new Response(50_000, 200, 1.6, 4.5, 0, 0.5);
        List<Foreground.Choice> choices = Foreground.choices(1, from200, 1600);
        assertThat(choices).extracting(Foreground.Choice::iso).containsExactly(200, 400, 800, 1600);
        assertThat(choices.get(1).seconds()).isCloseTo(0.0331048 * 25_000, within(0.1)); // sRGB 0.2 is 0.0331
        assertThat(Foreground.choices(0.1, from200, 1600))
                .extracting(Foreground.Choice::iso)
                .containsExactly(400, 800, 1600); // ISO 200 would take 16 552 s
    }

    @Test
    void a_bracket_stays_on_the_dial() {
        assertThat(Equivalents.bracket(Dial.THIRD, 8, 2, 1).stream()
                        .map(s -> String.format(Locale.ROOT, "%.3f", s.realSeconds())))
                .containsExactly("2.000", "4.000", "8.000", "16.000", "32.000");
        assertThat(Equivalents.bracket(Dial.THIRD, 32, 2, 1)).hasSize(3); // longer ones are not on the dial
        assertThat(Equivalents.bracket(Dial.THIRD, 1 / 8192.0, 2, 1)).hasSize(3);
    }

    @Test
    void a_stack_is_its_frames_and_the_seconds_between_them() {
        assertThat(new Stacking(10, 8).seconds()).isEqualTo(89);
        assertThat(new Stacking(10, 8).turnDeg()).isCloseTo(89 * 15.0411 / 3600, within(1e-4));
        assertThat(new Stacking(1, 8).seconds()).isEqualTo(8);
    }
}
