package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ScriptCheckTest {

    private static final LocalSolarEclipse HERE = Suns.at(Suns.STRAIT, "2027-08-02");

    private static Setup filtered() {
        return Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5);
    }

    private static Line line(Anchor from, double offset, double seconds, boolean filter) {
        return new Line(from, offset, 1, 0, new Settings(seconds, 8, 200), FileFormat.RAW, filter, "test");
    }

    private static ScriptCheck check(Setup setup, Line... lines) {
        return ScriptCheck.of(
                new Script(List.of(lines)),
                new ScriptCheck.Against(HERE, setup, Optional.empty(), FilterWindow.Margins.LEAST, Role.CLOSE_UP));
    }

    private static void refused(ScriptCheck check, int line, String words) {
        assertThat(check.startable()).isFalse();
        assertThat(check.of(line)).anyMatch(f -> f.refused() && f.words().contains(words));
    }

    @Test
    void what_is_right_passes() {
        ScriptCheck check = check(
                filtered(),
                line(Anchor.C2, -60, 1 / 800.0, true),
                line(Anchor.C2, 3, 1 / 60.0, false),
                line(Anchor.C3, -14, 0.25, false));
        assertThat(check.findings()).isEmpty();
        assertThat(check.startable()).isTrue();
    }

    /** By its times at the place, whatever contact they are counted from; one whose contact does not happen there stays behind. */
    @Test
    void lines_are_put_in_the_order_of_their_time() {
        Script.Line late = line(Anchor.C3, -14, 0.25, false);
        Script.Line early = line(Anchor.C2, -60, 1 / 800.0, true);
        Script.Line middle = line(Anchor.C2, 3, 1 / 60.0, false);
        Script.Line first = line(Anchor.C1, 10, 1 / 800.0, true);
        Script mixed = new Script(List.of(late, early, first, middle));
        assertThat(mixed.inOrder(HERE).lines()).containsExactly(first, early, middle, late);
        assertThat(check(filtered(), late, middle).startable()).isFalse();
        assertThat(mixed.inOrder(HERE).inOrder(HERE)).isEqualTo(mixed.inOrder(HERE));
        // where it is partial there is no second contact: those lines keep their order behind the others
        LocalSolarEclipse partial = Suns.at(new Site(40.4, -3.7, 600), "2027-08-02");
        assertThat(mixed.inOrder(partial).lines()).containsExactly(first, late, early, middle);
    }

    @Test
    void the_filter_stays_on_outside_of_its_window() {
        refused(check(filtered(), line(Anchor.C2, 1.9, 1 / 60.0, false)), 0, "outside of totality");
        refused(check(filtered(), line(Anchor.C3, -12.1, 0.25, false)), 0, "outside of totality");
        refused(check(filtered(), line(Anchor.C1, 60, 1 / 60.0, false)), 0, "outside of totality");
        refused(
                check(Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY), line(Anchor.C2, -60, 1 / 60.0, true)),
                0,
                "no solar filter");
    }

    @Test
    void contacts_that_do_not_happen_are_refused() {
        Site outside = new Site(37.6, -8.7, 0);
        ScriptCheck check = ScriptCheck.of(
                new Script(List.of(line(Anchor.C1, 60, 1 / 800.0, true), line(Anchor.C2, 10, 1 / 60.0, false))),
                new ScriptCheck.Against(
                        Suns.at(outside, "2027-08-02"),
                        Suns.setup(outside, 400, 8, Suns.BODY, Suns.DENSITY_5),
                        Optional.empty(),
                        FilterWindow.Margins.LEAST,
                        Role.CLOSE_UP));
        refused(check, 1, "C2 does not happen here");
        assertThat(check.of(0)).isEmpty();
    }

    @Test
    void a_lens_without_electronics_takes_no_aperture() {
        Setup manual = Suns.setup(Suns.STRAIT, Suns.lens(800, 6.3, false), 8, Suns.BODY, Suns.DENSITY_5);
        Line other = new Line(Anchor.C2, -60, 1, 0, new Settings(1 / 800.0, 11, 200), FileFormat.RAW, true, "test");
        refused(check(manual, other), 0, "takes no aperture");
        assertThat(check(manual, line(Anchor.C2, -60, 1 / 800.0, true)).startable())
                .isTrue();
        assertThat(check(filtered(), other).startable()).isTrue();
    }

    @Test
    void a_body_has_its_limits() {
        refused(check(filtered(), line(Anchor.C2, -600, 40, true)), 0, "shutter goes from");
        refused(check(filtered(), line(Anchor.C2, -600, 1 / 9_500.0, true)), 0, "shutter goes from");
        Line high = new Line(Anchor.C2, -60, 1, 0, new Settings(1 / 800.0, 8, 51_200), FileFormat.RAW, true, "test");
        refused(check(filtered(), high), 0, "ISO 100 to 25600");
    }

    /** 15.04 ″/s cos δ of the sun on 6 µm behind 400 mm: two pixels in 0.43 s. */
    @Test
    void a_sun_that_drifts_is_said() {
        ScriptCheck check = check(filtered(), line(Anchor.C2, 60, 2, false));
        assertThat(check.startable()).isTrue();
        assertThat(check.of(0))
                .singleElement()
                .satisfies(f -> assertThat(f.words()).contains("drifts 9."));
        assertThat(check(
                                Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5, Suns.SOLAR),
                                line(Anchor.C2, 60, 2, false))
                        .findings())
                .isEmpty();
    }

    @Test
    void overlaps_and_slack() {
        ScriptCheck check = check(
                filtered(),
                line(Anchor.C2, 10, 0.25, false),
                line(Anchor.C2, 10.3, 0.25, false),
                line(Anchor.C2, 20, 0.25, false));
        refused(check, 1, "before the body is free of line 1");
        assertThat(check.slackSeconds().get(0).orElseThrow()).isCloseTo(-0.05, within(1e-6));
        assertThat(check.slackSeconds().get(1).orElseThrow()).isCloseTo(9.35, within(1e-6));
        assertThat(check.slackSeconds().get(2)).isEmpty();
        ScriptCheck touching = check(filtered(), line(Anchor.C2, 10, 0.25, false), line(Anchor.C2, 10.35, 0.25, false));
        assertThat(touching.findings()).isEmpty();
    }

    @Test
    void lines_out_of_order_are_refused() {
        refused(
                check(filtered(), line(Anchor.C2, 30, 0.25, false), line(Anchor.C2, 10, 0.25, false)),
                1,
                "earlier than line 1 above it");
    }

    @Test
    void frames_of_a_line_need_their_pause() {
        Line fast = new Line(Anchor.C2, 10, 5, 0.05, new Settings(0.01, 8, 200), FileFormat.RAW, false, "test");
        refused(check(filtered(), fast), 0, "the body needs 0.1 s");
    }

    @Test
    void a_full_buffer_is_flagged_with_its_delay() {
        CameraBody small = Suns.BODY.withFiles(new CameraBody.Files(50, 10, 4, 50));
        Line burst = new Line(Anchor.C2, 10, 20, 0.2, new Settings(0.01, 8, 200), FileFormat.RAW, false, "test");
        ScriptCheck check = ScriptCheck.of(
                new Script(List.of(burst)),
                new ScriptCheck.Against(
                        HERE,
                        Suns.setup(Suns.STRAIT, 400, 8, small, Suns.DENSITY_5),
                        Optional.empty(),
                        FilterWindow.Margins.LEAST,
                        Role.CLOSE_UP));
        assertThat(check.startable()).isTrue();
        assertThat(check.findings())
                .singleElement()
                .satisfies(f -> assertThat(f.words()).contains("buffer is full"));
    }

    /** 400 mm on 24 mm: half of 3.44° less two radii of the sun, at 14.3 ″/s. */
    @Test
    void how_long_the_sun_stays_in_the_frame() {
        SunDrift still = SunDrift.of(filtered());
        assertThat(still.arcsecPerSecond()).isCloseTo(14.3, within(0.1));
        assertThat(still.stays().orElseThrow().toSeconds()).isCloseTo(298, within(6L));
        assertThat(still.leaves()).isTrue();
        assertThat(SunDrift.of(Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.SOLAR))
                        .leaves())
                .isFalse();
        assertThat(SunDrift.of(Suns.setup(Suns.STRAIT, 1900, 8, Suns.BODY)).stays())
                .isEmpty();
        assertThat(still.longestSeconds()).isCloseTo(2 * 206_265 * 0.006 / 400 / 14.3, within(0.01));
    }

    @Test
    void a_deleted_line_buys_its_time() {
        Script script = new Script(
                List.of(line(Anchor.C2, 10, 1, false), line(Anchor.C2, 20, 1, false), line(Anchor.C2, 30, 1, false)));
        assertThat(script.without(1).lines()).extracting(Line::offsetSeconds).containsExactly(10.0, 30.0);
        assertThat(script.with(FileFormat.JPEG).lines()).allMatch(l -> l.format() == FileFormat.JPEG);
        assertThat(script.program(HERE).orElseThrow().total()).isEqualTo(Duration.ofSeconds(21));
    }
}
