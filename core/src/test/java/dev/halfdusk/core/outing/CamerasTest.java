package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.take.NamedCamera;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Which of some cameras is for what; no two tests want the same rule. */
class CamerasTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);

    private static NamedCamera camera(String name, double shortest, double longest, double f, Support... under) {
        return NamedCamera.of(
                name, Rig.of(BODY, new Lens(shortest, longest, f, f, Projection.RECTILINEAR), List.of(under)));
    }

    private static NamedCamera filtered(String name, double mm) {
        return NamedCamera.of(name, Rig.of(Suns.BODY, Suns.lens(mm, 5.6, true), List.of(Suns.DENSITY_5)));
    }

    private static Cameras of(NamedCamera... all) {
        return Cameras.of(
                        Stream.of(all).map(k -> new NightProposal.Ranked(k, 0)).toList())
                .orElseThrow();
    }

    private static String first(NamedCamera... all) {
        return of(all).first().name();
    }

    /** Up to 36 mm is wide; the faster of two is first, a tracker counts for a third of a stop and more, names decide the rest. */
    @Test
    void the_first_is_wide_and_fast() {
        assertThat(first(camera("fast", 50, 50, 1.2), camera("wide", 36, 36, 2.8)))
                .isEqualTo("wide");
        assertThat(first(camera("fast", 36.1, 36.1, 2.0), camera("less", 85, 85, 2.0)))
                .isEqualTo("fast");
        // of those that are not wide 2 at 50 mm counts 2.8, 2.5 at 36.1 mm hardly more than 2.5
        assertThat(first(camera("near", 36.1, 36.1, 2.5), camera("far", 50, 50, 2)))
                .isEqualTo("near");
        assertThat(first(camera("slow", 20, 20, 2.8), camera("fast", 24, 24, 1.8)))
                .isEqualTo("fast");
        // 1.4 on a tracker counts 1.82, just behind 1.8 on legs; 1.2 counts 1.56
        Support tracker = new Support(Support.Kind.SIDEREAL, 10);
        assertThat(first(camera("tracked", 20, 20, 1.4, tracker), camera("still", 20, 20, 1.8)))
                .isEqualTo("still");
        assertThat(first(camera("tracked", 20, 20, 1.2, tracker), camera("still", 20, 20, 1.8)))
                .isEqualTo("tracked");
        assertThat(first(camera("b", 20, 20, 1.8), camera("a", 20, 20, 1.8))).isEqualTo("a");
    }

    /** What is at hand comes before what is fast, though not before what is wide. */
    @Test
    void what_is_at_hand_comes_first() {
        List<NightProposal.Ranked> ranked = List.of(
                new NightProposal.Ranked(camera("fast", 20, 20, 1.4), 1),
                new NightProposal.Ranked(camera("near", 20, 20, 2.8), 0),
                new NightProposal.Ranked(camera("nearest", 85, 85, 1.2), -1));
        assertThat(Cameras.of(ranked).orElseThrow().first().name()).isEqualTo("near");
        List<NightProposal.Ranked> longs = List.of(
                new NightProposal.Ranked(camera("wide", 20, 20, 1.4), 0),
                new NightProposal.Ranked(camera("longer", 400, 400, 5.6), 2),
                new NightProposal.Ranked(camera("at hand", 200, 200, 5.6), 1));
        assertThat(Cameras.of(longs).orElseThrow().longest().name()).isEqualTo("at hand");
    }

    /** For hours by itself: wide, on legs, of another body; else the first does that too. */
    @Test
    void the_second_stands_still_on_a_body_of_its_own() {
        NamedCamera first = camera("first", 20, 20, 1.4);
        NamedCamera twin =
                new NamedCamera(Named.of("twin"), first.body(), first.rig(), Optional.empty(), Optional.empty());
        NamedCamera tracked = camera("tracked", 20, 20, 1.8, new Support(Support.Kind.SIDEREAL, 10));
        assertThat(of(first, twin, tracked, camera("long", 50, 50, 2)).second().name())
                .isEqualTo("first");
        assertThat(of(first, tracked, camera("other", 24, 24, 4)).second().name())
                .isEqualTo("other");
    }

    /** From 200 mm on long; below that the longest end there is, and of two as long the nearer at hand. */
    @Test
    void the_moon_wants_the_longest() {
        assertThat(of(camera("wide", 20, 20, 1.4), camera("half", 70, 199, 4))
                        .longest()
                        .name())
                .isEqualTo("half");
        assertThat(of(camera("a", 100, 200, 4), camera("b", 100, 400, 5.6))
                        .longest()
                        .name())
                .isEqualTo("b");
        assertThat(Cameras.isLong(camera("long", 100, 200, 4))).isTrue();
        assertThat(Cameras.isLong(camera("not", 100, 199.9, 4))).isFalse();
    }

    /** Only through its filter at the sun, and only without one at stars and moon. */
    @Test
    void a_filtered_lens_is_for_the_sun_alone() {
        Cameras all = of(filtered("b", 400), camera("wide", 20, 20, 1.8), filtered("short", 200), filtered("a", 400));
        assertThat(all.filtered().orElseThrow().name()).isEqualTo("a");
        assertThat(all.longest().name()).isEqualTo("wide");
        assertThat(of(camera("wide", 20, 20, 1.8)).filtered()).isEmpty();
        assertThat(Cameras.of(List.of(new NightProposal.Ranked(filtered("sun", 400), 0))))
                .isEmpty();
    }
}
