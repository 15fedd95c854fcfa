package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.lighttable.Series.Noticed;
import dev.halfdusk.core.lighttable.Series.What;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Nights of seven frames, each with one thing that happens to it. */
class SeriesTest {

    private static final int W = 480;
    private static final int H = 320;
    private static final int FRAMES = 7;
    private static final Instant BEGIN = Instant.parse("2027-06-08T01:30:00Z");

    /** On it stars at the equator move 10 pixels in 10 s. */
    private static final Optics LENS = new Optics(Sensor.of(36, 24, 6000), 1030, Projection.RECTILINEAR);

    private interface Happening {
        /** Spread of the stars, their light, how many, the sky, seconds since the first, pattern in the noise. */
        double[] at(int frame);
    }

    private static List<FrameReading> night(Happening happens) {
        Random fixed = new Random(77);
        float[] pattern = new float[W * H];
        for (int i = 0; i < pattern.length; i++) {
            pattern[i] = (float) fixed.nextGaussian();
        }
        List<FrameReading> all = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            double[] h = happens.at(i);
            MadeUpFrame frame = new MadeUpFrame(W, H, 40 + i).sky(h[3]);
            Random places = new Random(5);
            for (int k = 0; k < h[2]; k++) {
                double peak = h[1] * 0.02 * Math.pow(20, Math.pow(places.nextDouble(), 3)) / (h[0] * h[0]);
                frame.star((places.nextDouble() * W + 6 * i) % W, places.nextDouble() * H, peak, h[0], 0, 0, 0);
            }
            for (int k = 0; k < pattern.length; k++) {
                frame.light[k] += (float) (h[5] * pattern[k]);
            }
            all.add(LightTable.read(
                    frame.noise(0.001, 0.008).linear16(),
                    Known.NOTHING
                            .taken(new Settings(8, 2, 3200), BEGIN.plusMillis(Math.round(1000 * h[4])))
                            .through(LENS)));
        }
        return all;
    }

    private static double[] usual(int i) {
        return new double[] {1, 1, 160, 0.03, 10.0 * i, 0};
    }

    private static double[] with(int i, int which, double value) {
        double[] all = usual(i);
        all[which] = value;
        return all;
    }

    private static List<Noticed> noticed(Happening happens) {
        return Series.of(night(happens));
    }

    private static List<What> what(Happening happens) {
        return noticed(happens).stream().map(Noticed::what).toList();
    }

    @Test
    void a_quiet_night_shows_nothing() {
        assertThat(what(SeriesTest::usual)).isEmpty();
    }

    @Test
    void dew_widens_and_fades_and_creeping_focus_only_widens() {
        assertThat(what(i -> new double[] {1 + 0.12 * i, 1 - 0.09 * i, 160, 0.03, 10.0 * i, 0}))
                .containsExactly(What.DEW);
        assertThat(what(i -> with(i, 0, 1 + 0.12 * i))).containsExactly(What.FOCUS);
    }

    @Test
    void noise_that_stays_is_told_from_noise_that_does_not() {
        assertThat(what(i -> with(i, 5, 0.004))).containsExactly(What.PATTERN);
    }
}
