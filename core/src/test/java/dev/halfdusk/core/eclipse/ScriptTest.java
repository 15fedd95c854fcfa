package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Lines taken out, shots left out, the sun centred between them, and what people hear meanwhile. */
class ScriptTest {

    private static final LocalSolarEclipse HERE = Suns.at(Suns.STRAIT, "2027-08-02");
    private static final LocalSolarEclipse PARTIAL = Suns.at(new dev.halfdusk.core.sky.Site(48, 2, 50), "2027-08-02");

    private static Line line(Anchor from, double offset, int frames, double pause, boolean filter) {
        return new Line(from, offset, frames, pause, new Settings(0.5, 8, 200), FileFormat.RAW, filter, "test");
    }

    private static Instant contact(Anchor a) {
        return HERE.contact(a).orElseThrow().when();
    }

    private static final Line FIRST = line(Anchor.C1, 10, 3, 60, true);
    private static final Line SECOND = line(Anchor.C2, 3, 2, 1, false);
    private static final Line THIRD = line(Anchor.C3, -20, 1, 0, false);
    private static final Script SCRIPT = new Script(List.of(THIRD, FIRST, SECOND));

    @Test
    void a_program_knows_what_stands_before_the_lens() {
        Program program = SCRIPT.program(HERE).orElseThrow();
        assertThat(program.filtered()).isTrue();
        assertThat(program.shots())
                .extracting(Program.Shot::front)
                .containsExactly(Front.FILTER, Front.FILTER, Front.FILTER, Front.OPEN, Front.OPEN, Front.OPEN);
        assertThat(new Script(List.of(SECOND)).program(HERE).orElseThrow().filtered())
                .isFalse();
        Program darks = program.withDarks(2);
        assertThat(darks.shots().get(6).front()).isEqualTo(Front.CAP);
        assertThat(darks.lit(4).steps())
                .extracting(Program.Step::front)
                .containsExactly(Front.FILTER, Front.OPEN, Front.CAP);
    }

    @Test
    void lines_and_shots_are_left_out() {
        assertThat(SCRIPT.without(1).lines()).containsExactly(THIRD, SECOND);
        // shots by time: 1 to 3 of the first line, 4 and 5 of the second, 6 of the third
        assertThat(SCRIPT.without(Set.of(2), HERE).lines()).containsExactly(THIRD, FIRST.withFrames(1), SECOND);
        assertThat(SCRIPT.without(Set.of(3, 4), HERE).lines()).containsExactly(THIRD, FIRST.withFrames(2));
        assertThat(SCRIPT.without(Set.of(6), HERE).lines()).containsExactly(FIRST, SECOND);
        assertThat(SCRIPT.without(Set.of(), HERE)).isEqualTo(SCRIPT);
        // there is no second contact there: those lines do nothing, and stay
        assertThat(SCRIPT.without(Set.of(1, 2, 3), PARTIAL).lines()).containsExactly(THIRD, SECOND);
        assertThat(FIRST.withFrames(2)).isEqualTo(line(Anchor.C1, 10, 2, 60, true));
        assertThat(FIRST.at(99)).isEqualTo(line(Anchor.C1, 99, 3, 60, true));
        assertThat(FIRST.seconds()).isEqualTo(3 * 0.5 + 2 * 60);
    }

    private static SunDrift leaving(double seconds) {
        return new SunDrift(15, 1, Optional.of(Duration.ofMillis(Math.round(seconds * 1000))));
    }

    /** The sun stays 400 s in the frame; pauses of 15 s and more stand after the first, second and fourth line. */
    @Test
    void the_sun_is_centred_in_the_last_pause_before_it_leaves() {
        double[] begins = {0, 100, 300, 301, 500, 800};
        Script script = new Script(java.util.Arrays.stream(begins)
                .mapToObj(t -> line(Anchor.C1, t, 1, 0, true))
                .toList());
        // without a hand it is gone 400 s after the first: before the line at 500, last pause after that at 301
        assertThat(leaving(400).centreAfter(script, HERE)).containsExactly(3);
        // 250 s: gone before 300, centred after the one at 100; then before 800, after the one at 500
        assertThat(leaving(250).centreAfter(script, HERE)).containsExactly(1, 4);
        assertThat(leaving(801).centreAfter(script, HERE)).isEmpty();
        assertThat(leaving(800.4).centreAfter(script, HERE)).containsExactly(4);
        assertThat(leaving(4 * 3600).centreAfter(script, HERE)).isEmpty();
        assertThat(leaving(4 * 3600).leaves()).isFalse();
        assertThat(new SunDrift(15, 1, Optional.empty()).centreAfter(script, HERE))
                .isEmpty();
        assertThat(leaving(10).centreAfter(new Script(List.of()), HERE)).isEmpty();
        // a pause of 14 s is none for hands
        Script quick = new Script(List.of(
                line(Anchor.C1, 0, 1, 0, true), line(Anchor.C1, 14.5, 1, 0, true), line(Anchor.C1, 40, 1, 0, true)));
        assertThat(leaving(10).centreAfter(quick, HERE)).containsExactly(1);
    }

    /** On a tripod the sun moves 15″ a second times the cosine of its declination, 17.8°: 14.3″. */
    @Test
    void a_still_camera_sees_the_sun_drift_with_the_sky() {
        SunDrift still = SunDrift.of(Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.DENSITY_5));
        assertThat(still.arcsecPerSecond()).isCloseTo(14.3, within(0.05));
        // 6 µm over 400 mm are 3.094″ a pixel; two of them
        assertThat(still.longestSeconds()).isCloseTo(2 * 3.094 / still.arcsecPerSecond(), within(0.002));
        // half of 24 mm at 400 mm are 1.718°, less 0.532° for the sun and its corona
        assertThat(still.stays().orElseThrow().toSeconds())
                .isCloseTo(Math.round(1.1864 * 3600 / still.arcsecPerSecond()), within(2L));
        SunDrift tracked = SunDrift.of(Suns.setup(
                Suns.STRAIT,
                400,
                8,
                Suns.BODY,
                Suns.DENSITY_5,
                new dev.halfdusk.core.optics.Support(dev.halfdusk.core.optics.Support.Kind.SIDEREAL, 6)));
        // stars gain 0.0411″ a second on the sun, and the mount errs by 6″ a minute
        assertThat(tracked.arcsecPerSecond()).isCloseTo(0.0411 * 0.952 + 0.1, within(0.001));
        assertThat(SunDrift.of(Suns.setup(Suns.STRAIT, 400, 8, Suns.BODY, Suns.SOLAR))
                        .leaves())
                .isFalse();
        assertThat(SunDrift.of(Suns.setup(Suns.STRAIT, 1500, 8, Suns.BODY, Suns.SOLAR))
                        .stays())
                .isEmpty();
    }

    @Test
    void a_recording_is_started_before_totality_and_stopped_after_it() {
        List<Cue> alone = Cue.of(HERE, FilterWindow.Margins.LEAST);
        List<Cue> cues = Cue.of(HERE, FilterWindow.Margins.LEAST, List.of("Video"));
        assertThat(cues).containsAll(alone).hasSize(alone.size() + 2);
        assertThat(cues).extracting(Cue::when).isSorted();
        assertThat(cues)
                .filteredOn(q -> q.kind() == Cue.Kind.RECORDING)
                .extracting(Cue::when)
                .containsExactly(
                        contact(Anchor.C2).minusSeconds(180), contact(Anchor.C3).plusSeconds(180));
        assertThat(alone).extracting(Cue::when).isSorted();
        assertThat(alone.get(alone.size() - 1))
                .isEqualTo(new Cue(contact(Anchor.C4), Cue.Kind.CONTACT, "Fourth contact. Back up the cards."));
        List<Cue> partial = Cue.of(PARTIAL, FilterWindow.Margins.LEAST, List.of("Video"));
        assertThat(partial)
                .filteredOn(q -> q.kind() == Cue.Kind.RECORDING)
                .extracting(Cue::when)
                .containsExactly(
                        PARTIAL.max().when().minusSeconds(180),
                        PARTIAL.max().when().plusSeconds(180));
    }

    @Test
    void roles_are_told_by_word_and_key() {
        assertThat(Role.CLOSE_UP.key()).isEqualTo("close-up");
        assertThat(Role.VIDEO.words()).isEqualTo("hydrogen-alpha video");
        assertThat(Role.LAND.ladder()).isEmpty();
        assertThat(Role.CLOSE_UP.ladder()).allMatch(c -> c.radii() <= 1).isNotEmpty();
        assertThat(Role.CORONA.ladder())
                .hasSizeGreaterThan(Role.CLOSE_UP.ladder().size());
        // a stop and a half above middle grey of 18 %
        assertThat(SolarLight.luminance(3)).isCloseTo(8 * SolarLight.luminance(0), within(1e-9));
        assertThat(SolarLight.luminance(0)).isPositive();
    }
}
