package dev.halfdusk.core.lighttable;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.lighttable.Series.Noticed;
import dev.halfdusk.core.lighttable.Series.What;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.ObjIntConsumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a series shows, by readings of frames that nobody took: each finding on both sides of its limit. */
class SeriesFindingsTest {

    private static final Instant BEGIN = Instant.parse("2027-06-08T01:30:00Z");
    private static final Patch EVEN = patch(1, 0);

    private static Patch patch(int seed, double fixed) {
        MadeUpFrame frame = new MadeUpFrame(96, 64, seed).sky(0.1).noise(0.01, 0);
        MadeUpFrame same = new MadeUpFrame(96, 64, 77).noise(1, 0);
        for (int i = 0; i < frame.light.length; i++) {
            frame.light[i] += (float) fixed * same.light[i];
        }
        return Patch.of(frame.linear16(), Encoding.LINEAR);
    }

    private static Starlight starlight(double peak) {
        char[] dark = new char[64 * 64];
        Spot s = new Spot(20, 20, 1, (int) Math.round(65_535 * peak), 50, 9, 1, 1, 0, 19, 19, 21, 21);
        return Starlight.of(Collections.nCopies(400, s), Background.of(dark, 64, 64, 1));
    }

    /** Ten seconds apart, alike but for what is done to each. */
    private static List<FrameReading> frames(int count, ObjIntConsumer<Readings> each) {
        return IntStream.range(0, count)
                .mapToObj(i -> {
                    Readings r = new Readings();
                    r.patch = EVEN;
                    r.starlight = starlight(0.1);
                    r.known = r.known.taken(Readings.SHOT, BEGIN.plusSeconds(10L * i));
                    each.accept(r, i);
                    return r.reading();
                })
                .toList();
    }

    private static List<String> said(List<FrameReading> frames) {
        return Series.of(frames).stream()
                .map(n -> n.what() + " " + n.frames() + ": " + n.evidence())
                .toList();
    }

    private static List<String> said(int count, ObjIntConsumer<Readings> each) {
        return said(frames(count, each));
    }

    @Test
    void alike_they_show_nothing() {
        assertThat(said(7, (r, i) -> {})).isEmpty();
        assertThat(What.values()).extracting(What::words).doesNotContain("").doesNotHaveDuplicates();
    }

    /** A pause of up to 1.6 times the usual is none; one of 35 s where 10 are usual has lost two and a half, so three. */
    @Test
    void frames_are_missing() {
        double[] fine = {0, 10, 20, 36, 46};
        double[] lost = {0, 10, 20, 36.1, 46.1, 81.1};
        assertThat(said(5, (r, i) -> r.known = at(r, fine[i]))).isEmpty();
        assertThat(said(6, (r, i) -> r.known = at(r, lost[i])))
                .containsExactly("MISSING [3, 5]: a frame every 10.0 s, and 2 longer pauses: 4 missing");
        assertThat(said(2, (r, i) -> r.known = at(r, 40 * i)))
                .as("two are no series")
                .isEmpty();
        assertThat(said(6, (r, i) -> r.known = i == 2 ? Known.NOTHING : at(r, lost[i])))
                .as("one of them does not say when")
                .noneMatch(s -> s.startsWith("MISSING"));
    }

    private static Known at(Readings r, double seconds) {
        return r.known.taken(Readings.SHOT, BEGIN.plusMillis(Math.round(1000 * seconds)));
    }

    private static void looks(Readings r, double altitude) {
        Direction axis = new Direction(180, altitude);
        r.known = r.known.from(new Site(37.6, -8.8, 20), new Direction(180, 30));
        r.aim = Optional.of(new Aim(axis, 0, 24, 0, 40, 0.5, Framing.of(Readings.LENS, axis, 0)));
    }

    /** By more than 0.06° from one frame to the next, on what stands still. */
    @Test
    void the_camera_was_moved() {
        assertThat(said(5, (r, i) -> looks(r, 30 + 0.05 * i))).isEmpty();
        assertThat(said(5, (r, i) -> looks(r, i < 2 ? 30 : i < 4 ? 30.1 : 30.5)))
                .containsExactly("BUMP [2, 4]: it looks up to 0.40\u00b0 elsewhere than in the frame before");
        assertThat(said(5, (r, i) -> {
                    looks(r, 30 + 0.5 * i);
                    r.known = r.known.on(new Support(Support.Kind.SIDEREAL, 0));
                }))
                .isEmpty();
        assertThat(said(5, (r, i) -> {
                    if (i != 2) {
                        looks(r, i < 2 ? 30 : 31);
                    }
                }))
                .as("of a frame whose stars are not known nothing is said")
                .isEmpty();
    }

    /** Longer than twice the usual and a pixel and a half, or twice, in some of them but not all. */
    @Test
    void some_are_shaken() {
        assertThat(said(5, (r, i) -> r.parts = Readings.parts(Readings.line(i == 3 ? 5.4 : 2, 30), Readings.ROUND)))
                .isEmpty();
        assertThat(said(5, (r, i) -> r.parts = Readings.parts(Readings.line(i == 3 ? 5.6 : 2, 30), Readings.ROUND)))
                .containsExactly("WIND [3]: stars stand twice or are longer than the usual 2.0 px in 1 frames");
        assertThat(said(5, (r, i) -> r.twins = i < 2 ? Optional.of(new Twins(9, 0, 0.6)) : Optional.empty()))
                .containsExactly("WIND [0, 1]: stars stand twice or are longer than the usual 0.0 px in 2 frames");
        assertThat(said(5, (r, i) -> r.twins = Optional.of(new Twins(9, 0, 0.6))))
                .isEmpty();
    }

    /**
     * By more than a quarter from the first third to the last, growing in three of five steps: focus, and dew if their light, height times
     * width squared, is under four fifths.
     */
    @ParameterizedTest(name = "width to {0}, height to {1}: {2}")
    @CsvSource({
        "1.2, 0.2, ''",
        "1.3, 0.9, 'FOCUS [5]: stars 2.0 px wide at first, 2.6 at last, with 152 % of their light'",
        "1.3, 0.48, 'FOCUS [5]: stars 2.0 px wide at first, 2.6 at last, with 81 % of their light'",
        "1.3, 0.46, 'DEW [5]: stars 2.0 px wide at first, 2.6 at last, with 78 % of their light'",
        "2, 0.1, 'DEW [5]: stars 2.0 px wide at first, 4.0 at last, with 40 % of their light'"
    })
    void stars_widen(double wider, double height, String what) {
        assertThat(String.join("; ", said(6, (r, i) -> {
                    boolean last = i >= 4;
                    // a step every two frames, a little in each
                    double by = last ? wider : i >= 2 ? 1 + (wider - 1) / 2 : 1;
                    r.parts = Readings.parts(Readings.wide(2 * by + 1e-4 * i), Readings.ROUND);
                    r.starlight = starlight(0.1 * (last ? height : 1));
                })))
                .isEqualTo(what);
    }

    /** It jumps up and down: no trend. */
    @Test
    void a_trend_grows() {
        assertThat(said(
                        7,
                        (r, i) -> r.parts =
                                Readings.parts(Readings.wide(i > 4 ? 3 - 0.01 * i : 2 - 0.01 * i), Readings.ROUND)))
                .isEmpty();
        // without stars to be measured nothing is said of their width
        assertThat(said(6, (r, i) -> {
                    r.parts = i == 3 ? List.of() : Readings.parts(Readings.wide(2 + 0.3 * i), Readings.ROUND);
                }))
                .isEmpty();
    }

    @Test
    void cloud_hides_stars() {
        assertThat(said(5, (r, i) -> r.stars = i == 2 ? 121 : 200)).isEmpty();
        assertThat(said(5, (r, i) -> r.stars = i == 2 ? 119 : i == 3 ? 80 : 200))
                .containsExactly("CLOUD [2, 3]: 80 stars where 200 are usual");
        assertThat(said(5, (r, i) -> r.stars = 0)).isEmpty();
    }

    /** By more than 0.4 stops, growing; frames of other settings are not compared. */
    @Test
    void the_sky_grows_brighter() {
        assertThat(said(5, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, 0.098 * i))))
                .isEmpty();
        assertThat(said(5, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, 0.11 * i))))
                .containsExactly("BRIGHTER [4]: by 0.4 stops over the frames");
        assertThat(said(5, (r, i) -> {
                    r.peak = Tone.position(0.05 * Math.pow(2, 0.3 * i));
                    r.known = r.known.taken(new Settings(10 + i, 4, 1600), BEGIN.plusSeconds(10L * i));
                }))
                .isEmpty();
        assertThat(said(5, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, i == 4 ? 0.9 : -0.05 * i))))
                .as("it fell before")
                .isEmpty();
    }

    /** Against those beside it, more than 0.12 stops, and 0.06 on the average of six frames at least. */
    @Test
    void brightness_flickers() {
        assertThat(said(8, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, i == 2 || i == 5 ? 0.3 : 0))))
                .containsExactly(
                        "FLICKER [2, 5]: single frames differ from those beside them, 0.17 stop on the average");
        assertThat(said(8, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, i == 2 || i == 5 ? 0.11 : 0))))
                .isEmpty();
        assertThat(said(5, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, i == 2 ? 0.3 : 0))))
                .as("five are too few")
                .isEmpty();
        assertThat(said(40, (r, i) -> r.peak = Tone.position(0.05 * Math.pow(2, i == 20 ? 0.13 : 0))))
                .as("one of forty")
                .isEmpty();
    }

    @Test
    void what_crosses_and_what_is_kept() {
        Line aircraft = new Line(10, 10, 200, 30, 9, false, false);
        Line satellite = new Line(10, 10, 200, 30, 0, false, false);
        Line meteor = new Line(10, 10, 200, 30, 0, true, false);
        assertThat(said(
                        4,
                        (r, i) ->
                                r.lines = i == 0 ? List.of(satellite) : i == 3 ? List.of(aircraft, meteor) : List.of()))
                .containsExactly(
                        "LINES [0, 3]: aircraft in 1 of 4 frames, satellite in 1 of 4 frames",
                        "METEOR [3]: meteor in 1 of 4 frames");
        assertThat(said(2, (r, i) -> r.lines = List.of(satellite)))
                .containsExactly("LINES [0, 1]: satellite in 2 of 2 frames");
    }

    /** 85 % of a frame's noise; of frames between which a star on half of the equator's rate moves five pixels, 171 s behind 24 mm. */
    @Test
    void noise_that_stays() {
        assertThat(said(4, (r, i) -> {
                    r.patch = patch(i, 0.012);
                    r.known = at(r, 200 * i);
                }))
                .singleElement()
                .asString()
                .matches("PATTERN \\[]: 1[4-7]\\.\\d % of the sky in each frame, 10\\.\\d % between frames|"
                        + "PATTERN \\[]: 1[4-7]\\.\\d % of the sky in each frame, 9\\.\\d % between frames");
        assertThat(said(4, (r, i) -> {
                    r.patch = patch(i, 0.003);
                    r.known = at(r, 200 * i);
                }))
                .as("hardly any of it stays")
                .isEmpty();
        // the sky's own noise is the same where it has not moved on
        double perSecond = 7.2921e-5 * 24 / (36.0 / Readings.WIDTH);
        double enough = 5 / perSecond / 0.5;
        for (double factor : new double[] {0.3, 0.4}) {
            assertThat(said(3, (r, i) -> {
                        r.patch = patch(i, 0.012);
                        r.known = at(r, factor * enough * i);
                    }))
                    .as("first and third lie %s of the way apart", 2 * factor)
                    .isEmpty();
        }
        assertThat(said(3, (r, i) -> {
                    r.patch = patch(i, 0.012);
                    r.known = at(r, 0.6 * enough * i);
                }))
                .hasSize(1);
        assertThat(said(4, (r, i) -> {
                    r.patch = patch(i, 0.012);
                    r.known = at(r, 300 * i).on(new Support(Support.Kind.SIDEREAL, 0));
                }))
                .isEmpty();
        assertThat(said(4, (r, i) -> {
                    r.patch = patch(i, 0.012);
                    r.known = r.known.taken(new Settings(10 + i, 4, 1600), BEGIN.plusSeconds(300L * i));
                }))
                .isEmpty();
    }

    /** By more than a quarter; as sharp as the sharpest are those within 15 %. Stars are not looked at: seas and craters are none. */
    @Test
    void the_air_before_a_moon() {
        double[] calm = {2, 2.4, 2.1, 2.49};
        double[] moved = {2.6, 2, 2.29, 2.31};
        assertThat(said(4, (r, i) -> r.moon = Optional.of(Judged.moon(0.3, 0, 0, calm[i], 0))))
                .isEmpty();
        assertThat(said(4, (r, i) -> {
                    r.moon = Optional.of(Judged.moon(0.3, 0, 0, moved[i], 0));
                    r.stars = i == 2 ? 10 : 200;
                    r.lines = List.of(new Line(10, 10, 200, 30, 0, false, false));
                }))
                .containsExactly("AIR [1, 2]: edges from 2.0 to 2.6 px: 2 of 4 frames are as sharp as the sharpest");
        assertThat(said(
                        4,
                        (r, i) ->
                                r.moon = i == 2 ? Optional.empty() : Optional.of(Judged.moon(0.3, 0, 0, moved[i], 0))))
                .as("one without a moon")
                .isEmpty();
    }

    private static List<String> rulers(double... marks) {
        return said(marks.length, (r, i) -> r.ruler = Optional.of(new RulerReading(0, marks[i], 0.2)));
    }

    /** To one side by two and a half times its uncertainty and half a mark: the adjustment; else what is spread over half a mark. */
    @Test
    void a_ruler_again_and_again() {
        assertThat(rulers(0.9, 1, 1.1, 1))
                .containsExactly(
                        "CALIBRATION []: 1.0 marks behind the middle on the average, \u00b1 0.1 from frame to frame");
        assertThat(rulers(-2.5, -2, -3, -2.5))
                .containsExactly(
                        "CALIBRATION []: 2.5 marks before the middle on the average, \u00b1 0.4 from frame to frame");
        assertThat(rulers(0.45, 0.4, 0.5, 0.45)).isEmpty();
        assertThat(rulers(-2, 2, -1, 1.5))
                .containsExactly(
                        "SCATTER []: 0.1 marks behind the middle on the average, \u00b1 1.9 from frame to frame");
        assertThat(rulers(-0.4, 0.3, -0.1, 0.2)).isEmpty();
        assertThat(said(3, (r, i) -> r.ruler = i == 1 ? Optional.empty() : Optional.of(new RulerReading(0, 2, 0.2))))
                .isEmpty();
    }

    /** Shadows wanted at 0.14; twice as bad is what is burnt. */
    @Test
    void the_best_of_a_bracket() {
        double[][] film = {{0.05, 0}, {0.12, 0.01}, {0.15, 0.05}};
        assertThat(said(3, (r, i) -> r.film = Optional.of(new FilmReading(0.02, film[i][0], 0.4, film[i][1], 0))))
                .containsExactly("BRACKET [1]: the best has its shadows at 0.12 and 1 % burnt");
        double[][] burnt = {{0.05, 0}, {0.12, 0.04}, {0.14, 0.06}};
        assertThat(said(3, (r, i) -> r.film = Optional.of(new FilmReading(0.02, burnt[i][0], 0.4, burnt[i][1], 0))))
                .containsExactly("BRACKET [0]: the best has its shadows at 0.05 and 0 % burnt");
        List<FrameReading> two =
                new ArrayList<>(frames(3, (r, i) -> r.film = Optional.of(new FilmReading(0.02, 0.1, 0.4, 0, 0))));
        two.set(1, frames(1, (r, i) -> {}).get(0));
        assertThat(Series.of(two)).extracting(Noticed::what).doesNotContain(What.BRACKET);
    }
}
