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
    void cloud_is_named_with_its_frames() {
        List<Noticed> all = noticed(i -> with(i, 2, i == 3 || i == 4 ? 40 : 160));
        assertThat(all).hasSize(1);
        assertThat(all.get(0).what()).isEqualTo(What.CLOUD);
        assertThat(all.get(0).frames()).containsExactly(3, 4);
    }

    @Test
    void what_is_missing_is_counted() {
        List<Noticed> all = noticed(i -> with(i, 4, i < 4 ? 10.0 * i : 10.0 * i + 30));
        assertThat(all).hasSize(1);
        assertThat(all.get(0).what()).isEqualTo(What.MISSING);
        assertThat(all.get(0).frames()).containsExactly(4);
        assertThat(all.get(0).evidence()).contains("every 10.0 s").contains("3 missing");
    }

    @Test
    void dawn_rises_and_flicker_jumps() {
        assertThat(what(i -> with(i, 3, 0.03 * Math.pow(2, 0.12 * i)))).containsExactly(What.BRIGHTER);
        List<Noticed> flicker = noticed(i -> with(i, 3, i == 2 || i == 5 ? 0.039 : 0.03));
        assertThat(flicker).extracting(Noticed::what).containsExactly(What.FLICKER);
        assertThat(flicker.get(0).frames()).containsExactly(2, 5);
    }

    @Test
    void noise_that_stays_is_told_from_noise_that_does_not() {
        assertThat(what(i -> with(i, 5, 0.004))).containsExactly(What.PATTERN);
    }

    @Test
    void two_frames_are_no_series() {
        assertThat(Series.of(night(i -> with(i, 0, 1 + 0.3 * i)).subList(0, 2))).isEmpty();
        assertThat(Series.of(List.of())).isEmpty();
    }

    /** One of them stands twice. */
    @Test
    void a_gust_is_told_from_a_night_that_is_shaken_throughout() {
        SpoiltFrames good = new SpoiltFrames(5);
        SpoiltFrames knocked = new SpoiltFrames(6);
        List<FrameReading> frames = List.of(good.frame(Cause.GOOD), knocked.frame(Cause.KNOCK), good.frame(Cause.GOOD));
        assertThat(Series.of(frames))
                .filteredOn(n -> n.what() == What.WIND)
                .singleElement()
                .satisfies(n -> assertThat(n.frames()).containsExactly(1));
    }

    private static FrameReading crossed(FrameReading f, Line... lines) {
        return new FrameReading(
                f.width(),
                f.height(),
                f.encoding(),
                f.stars(),
                f.burntStars(),
                f.hot(),
                f.parts(),
                f.sky(),
                f.aim(),
                f.moon(),
                f.twins(),
                List.of(lines),
                f.bursts(),
                f.ground(),
                f.film(),
                f.ruler(),
                f.screen(),
                f.patch(),
                f.starlight(),
                f.known());
    }

    /** Aircraft and satellites are left out together, so they are one finding; a meteor is another, and nothing to leave out. */
    @Test
    void what_flies_is_one_thing_and_a_meteor_another() {
        List<FrameReading> night = new ArrayList<>(night(SeriesTest::usual));
        Line aircraft = new Line(10, 10, 200, 30, 9, false, false);
        Line satellite = new Line(10, 10, 200, 30, 0, false, false);
        Line meteor = new Line(10, 10, 200, 30, 0, true, false);
        assertThat(List.of(aircraft.kind(), satellite.kind(), meteor.kind()))
                .containsExactly(Line.Kind.AIRCRAFT, Line.Kind.SATELLITE, Line.Kind.METEOR);
        night.set(2, crossed(night.get(2), aircraft, satellite));
        night.set(5, crossed(night.get(5), satellite));
        night.set(6, crossed(night.get(6), meteor));
        List<Noticed> found = Series.of(night);
        assertThat(found).extracting(Noticed::what).containsExactly(What.LINES, What.METEOR);
        assertThat(found.get(0).frames()).containsExactly(2, 5);
        assertThat(found.get(0).evidence()).isEqualTo("aircraft in 1 of 7 frames, satellite in 2 of 7 frames");
        assertThat(found.get(1).frames()).containsExactly(6);
        assertThat(found.get(1).evidence()).isEqualTo("meteor in 1 of 7 frames");
    }
}
