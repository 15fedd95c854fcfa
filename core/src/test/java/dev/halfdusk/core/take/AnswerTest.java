package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.moon.MoonLimit;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What is said of a take is said of the instant at which it begins, and by people's usual settings for its subject. */
class AnswerTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Rig WIDE = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Rig ZOOM = Rig.of(BODY, new Lens(100, 400, 4.5, 5.6, Projection.RECTILINEAR));
    private static final Mark ARCH = new Mark("Arch", 176, 140, 24, 13, 0);

    private static Circumstances june(int day) {
        Standpoint from = Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5));
        LocalDate date = LocalDate.of(2027, 6, day);
        return Circumstances.of(Night.of(LEDGE, date, ZONE, NightRules.USUAL), from, List.of(ARCH));
    }

    private static Settings first(Plan plan, Instant t) {
        return plan.program().apply(t).steps().get(0).settings();
    }

    /** Schools agree on f/11 at ISO 100; two stops of ISO are two of aperture. */
    @ParameterizedTest
    @CsvSource({"100, 11", "200, 16", "50, 8"})
    void a_display_is_exposed_by_its_aperture(double iso, double aperture) {
        Fireworks usual = (Fireworks) Fireworks.KIND.usual();
        Fireworks at = new Fireworks(18, 4, iso, 90, usual.seen(), usual.changes());
        Plan plan = Take.of("display", at, "A", WIDE).plan(june(18));
        Instant t = june(18).night().sunLowest().when();
        assertThat(first(plan, t).aperture()).isEqualTo(aperture);
        Program whole = plan.program().apply(t);
        double finale = whole.steps().get(whole.steps().size() - 1).settings().aperture();
        assertThat(finale / aperture).isCloseTo(Math.sqrt(2), within(0.05));
        assertThat(plan.answer(t).focus()).isEqualTo(new Focus(Focus.On.BURST, 600));
        assertThat(plan.answer(t).reasons()).extracting(Reason::what).contains("streaks");
        assertThat(plan.answer(t).reasons().get(0).value()).isCloseTo(0, within(0.15));
    }

    /** In the falling light of blue hour each opening has its own frame, and the test frame is as bright as that one. */
    @Test
    void the_test_frame_is_as_bright_as_the_frame_that_it_stands_for() {
        Circumstances c = june(4);
        Plan plan = Take.of("ground", Ground.KIND.usual(), "A", WIDE).plan(c);
        int looked = 0;
        for (Interval w : plan.when().windows()) {
            for (Instant t = w.from(); t.isBefore(w.to().minus(plan.lasts())); t = t.plusSeconds(300)) {
                Settings real = first(plan, t);
                plan.answer(t).test().ifPresent(test -> {
                    Settings quick = test.settings();
                    assertThat(quick.seconds() * quick.iso()).isCloseTo(real.seconds() * real.iso(), within(1e-6));
                });
                assertThat(BODY.dial().nearest(real.seconds()).realSeconds()).isCloseTo(real.seconds(), within(1e-9));
                Reason share = plan.answer(t).reasons().get(1);
                assertThat(share.formula()).contains("ISO " + (int) real.iso());
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(3);
        assertThat(plan.answer(c.night().best()).focus()).isEqualTo(new Focus(Focus.On.SCENE, 140));
    }

    static List<Subject> subjects() {
        return List.of(
                Fireworks.KIND.usual(),
                Trails.KIND.usual(),
                Painting.KIND.usual(),
                Ground.KIND.usual(),
                NightScene.KIND.usual(),
                Moon.KIND.usual(),
                Arch.KIND.usual());
    }

    /** None of them is exposed for the core's clouds. */
    @ParameterizedTest
    @MethodSource("subjects")
    void reasons_are_of_the_subject(Subject subject) {
        Circumstances c = june(18);
        Instant t = c.night().highest(Body.MOON);
        assertThat(Take.of("take", subject, "A", WIDE).plan(c).answer(t).reasons())
                .isNotEmpty()
                .noneMatch(r -> (r.what() + r.formula()).contains("core"))
                .noneMatch(r -> r.what().contains("frames to stack"));
    }

    /** Stars run evenly: who allows twice the drift, and is not held by anything else, opens twice as long to a third of a stop. */
    @Test
    void stars_are_exposed_as_their_night_asks() {
        Circumstances c = june(4);
        Instant t = c.night().best();
        Take core = Take.of("core", new MilkyWay(0), "A", WIDE);
        double strict =
                first(core.plan(c.with(Demand.USUAL.within(2, Sharp.AIM))), t).seconds();
        double easy =
                first(core.plan(c.with(Demand.USUAL.within(4, Sharp.AIM))), t).seconds();
        assertThat(easy / strict).isCloseTo(2, within(0.5));
        Decision own = new Decision(
                new Decision.Stars(PlannedBy.DRIFT, OptionalDouble.empty(), OptionalDouble.of(4)),
                Decision.NONE.light(),
                Decision.NONE.frames(),
                Decision.NONE.focus(),
                Decision.NONE.focusM(),
                Decision.NONE.inCamera());
        assertThat(first(core.with(own).plan(c.with(Demand.USUAL.within(2, Sharp.AIM))), t)
                        .seconds())
                .isEqualTo(easy);
    }

    /** A full moon through 400 mm, wind of 6 m/s: no longer than 1/(400 × crop), in any frame of the bracket, and at f/8. */
    @Test
    void a_moon_is_held_by_the_wind_of_its_hour_in_each_frame_of_its_bracket() {
        Circumstances calm = june(18);
        Instant t = calm.night().highest(Body.MOON);
        Circumstances windy = new Circumstances(
                calm.night(),
                calm.from(),
                calm.known(),
                i -> Optional.of(new WeatherHour(i, 0, 0, 0, 6, 15, 50)),
                12,
                Demand.USUAL,
                OptionalDouble.empty());
        Take take = Take.of("moon", new Moon(3, 1), "A", ZOOM);
        assertThat(take.asked().onLensMm()).isEqualTo(400);
        assertThat(take.asked().aperture()).isEqualTo(8);
        double hand = MoonLimit.handHeldSeconds(ZOOM.optics(400), 0);
        List<Program.Step> steps = take.plan(windy).program().apply(t).steps();
        assertThat(steps).hasSize(7).allMatch(s -> s.settings().seconds() <= hand * 1.001);
        double[] stops = steps.stream()
                .mapToDouble(s -> Math.log(s.settings().seconds() * s.settings().iso()) / Math.log(2))
                .toArray();
        for (int i = 0; i < stops.length; i++) {
            int by = (i + 1) / 2 * (i % 2 == 0 ? 1 : -1);
            assertThat(stops[i] - stops[0]).as("frame %d", i).isCloseTo(by, within(0.18));
        }
        Rig held = Rig.of(BODY, ZOOM.lens(), List.of(new Support(Support.Kind.HAND, 0)));
        assertThat(first(Take.of("moon", new Moon(1, 1), "A", held).plan(calm), t)
                        .seconds())
                .isLessThanOrEqualTo(hand * 1.001);
        assertThat(first(take.plan(calm), t).seconds())
                .isGreaterThanOrEqualTo(first(take.plan(windy), t).seconds());
        assertThat(take.plan(calm).answer(t).focus().on()).isEqualTo(Focus.On.MOON);
    }

    /** People have good pictures of a totality at 2 s, ISO 400 and f/8 behind a tracker; within the two stops by which totalities differ. */
    @Test
    void a_totality_is_exposed_as_people_do() {
        Night night = Night.of(LEDGE, LocalDate.parse("2029-12-20"), ZONE, NightRules.USUAL);
        Circumstances c =
                Circumstances.of(night, Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)), List.of());
        Rig tracked = Rig.of(
                BODY,
                new Lens(300, 300, 2.8, 2.8, Projection.RECTILINEAR),
                List.of(new Support(Support.Kind.LUNAR, 5)));
        EclipsedMoon usual = (EclipsedMoon) EclipsedMoon.KIND.usual();
        Take take = Take.of("totality", usual, "A", tracked).set(300, 8);
        Instant middle = LunarEclipses.between(
                        Instant.parse("2029-12-20T00:00:00Z"), Instant.parse("2029-12-22T00:00:00Z"))
                .get(0)
                .greatest();
        assertThat(usual.shortStops(take, c, middle)).isZero();
        EclipseLadder.Step step = EclipseLadder.at(take.setup(c, middle), usual.ladder());
        assertThat(step.settings().seconds()).isLessThanOrEqualTo(2);
        double stops = Math.log(step.settings().seconds() * step.settings().iso() / 800) / Math.log(2);
        assertThat(stops).isBetween(-1.5, 2.1);
    }

    /** Every frame of the arch has its azimuth, its tilt and the clicks from the last; the test frame looks at the highest. */
    @Test
    void a_panorama_says_how_to_turn() {
        Circumstances c = june(4);
        Plan plan = Take.of("arch", Arch.USUAL, "A", WIDE).plan(c);
        Instant t = plan.when().windows().get(0).from();
        Answer a = plan.answer(t);
        assertThat(a.turns()).hasSize(plan.program().apply(t).frames()).hasSizeGreaterThan(3);
        double highest = a.turns().stream()
                .mapToDouble(x -> x.axis().altitudeDeg())
                .max()
                .orElseThrow();
        assertThat(a.aim().altitudeDeg()).isEqualTo(highest);
        for (int i = 1; i < a.turns().size(); i++) {
            Panorama.Turn before = a.turns().get(i - 1);
            Panorama.Turn now = a.turns().get(i);
            double turned = now.axis().azimuthDeg() - before.axis().azimuthDeg();
            assertThat(Math.cos(Math.toRadians(turned - now.azimuthStepDeg()))).isCloseTo(1, within(1e-9));
            assertThat(now.clicks().orElseThrow() * 15.0).isCloseTo(now.azimuthStepDeg(), within(1e-9));
        }
        assertThat(plan.chores()).anyMatch(x -> x.what().contains("entrance pupil"));
    }

    /** One walks and paints for twenty seconds; the lamp burns for some of them. */
    @Test
    void light_painting_is_open_as_long_as_one_chooses() {
        Plan plan = Take.of("paint", Painting.KIND.usual(), "A", WIDE).plan(june(4));
        Instant t = june(4).night().best();
        assertThat(first(plan, t).seconds()).isCloseTo(20, within(0.5));
        assertThat(plan.chores())
                .singleElement()
                .satisfies(x -> assertThat(x.what()).startsWith("sweep the lamp for"));
    }

    /** 35 mm f/1.4 at 3 m: f² / (N (s − f)) = 1225 / (1.4 × 2965) = 0.295 mm on a star, 49 pixels of 6 µm. */
    @Test
    void a_portrait_is_focused_on_the_person() {
        Rig fast = Rig.of(BODY, new Lens(35, 35, 1.4, 1.4, Projection.RECTILINEAR));
        Plan plan = Take.of("friend", new People(4, 3), "A", fast).plan(june(4));
        Answer a = plan.answer(june(4).night().best());
        assertThat(a.focus()).isEqualTo(new Focus(Focus.On.LAMP_OF_PERSON, 3));
        Reason blur = a.reasons().get(a.reasons().size() - 1);
        assertThat(blur.value()).isCloseTo(49.2, within(0.1));
    }

    /** Metered 2 s become 2.5 s at p = 1.31; a stop less is one second, for which film needs nothing, a stop more 4 s and 6.1 s. */
    @Test
    void a_bracket_on_film_is_a_stop_in_what_film_sees() {
        NightScene film = new NightScene(100, Math.log(64 / 2.0) / Math.log(2), 5, 1.31, false, NightSceneKind.STREET);
        List<Program.Step> steps = Take.of("street", film, "A", WIDE)
                .set(20, 8)
                .plan(june(4))
                .program()
                .apply(june(4).night().best())
                .steps();
        assertThat(steps)
                .extracting(s -> Math.round(100 * s.settings().seconds()) / 100.0)
                .containsExactly(2.48, 1.0, 6.15, 0.5, 15.24);
    }
}
