package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.Cold;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class TakesTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Mark ARCH = new Mark("Arch", 176, 140, 24, 13, 0);

    private static Circumstances night(Site site, String date, ZoneId zone) {
        Standpoint from = Standpoint.at(site, Skyline.FLAT, SkyGlow.ofZenith(21.5));
        Night night = Night.of(site, LocalDate.parse(date), zone, NightRules.USUAL);
        return Circumstances.of(night, from, List.of(ARCH));
    }

    private static Circumstances june(int day) {
        return night(LEDGE, "2027-06-" + (day < 10 ? "0" : "") + day, ZONE);
    }

    private static final ZoneId MADRID = ZoneId.of("Europe/Madrid");

    static List<Subject> subjects() {
        return List.of(
                new MilkyWay(5),
                new Arch(0.3, 15, 5),
                new Ground(3, 60),
                new People(4, 4),
                new Painting(new LightPainting(100, 30, 5), 20, 800, 3, 20),
                new Trails(15, 30, 1, 5),
                new Clip(10, 25, 15),
                new Stack(20, 5),
                new Moon(1, 2),
                new EclipsedMoon(150, 0.8, 2.5, 0.5, -1),
                new EclipsedSun(300, 200, 8, true),
                new Fireworks(18, 4, 100, 90, Fireworks.Seen.USUAL, Fireworks.Changes.NONE),
                new NightScene(100, 3, 3, 1, false, NightSceneKind.STREET),
                new Free(20, false));
    }

    /** Whatever the subject: its windows are long enough, its program begins when asked and lasts no longer than said. */
    @ParameterizedTest
    @MethodSource("subjects")
    void every_subject_has_a_plan_that_keeps_its_word(Subject subject) {
        Circumstances c = subject instanceof EclipsedMoon
                ? night(LEDGE, "2029-12-20", ZONE)
                : subject instanceof EclipsedSun ? night(Suns.STRAIT, "2027-08-01", MADRID) : june(4);
        Plan plan = Take.of("take", subject, "A", RIG).plan(c);
        assertThat(plan.possible()).isTrue();
        for (Interval w : plan.when().windows()) {
            assertThat(plan.answer(w.from()).reasons().isEmpty()).isEqualTo(subject instanceof EclipsedSun);
            assertThat(w.length()).isGreaterThanOrEqualTo(plan.lasts());
            Program program = plan.program().apply(w.from());
            assertThat(program.span().from()).isEqualTo(w.from());
            for (Instant t = w.from(); !t.plus(plan.lasts()).isAfter(w.to()); t = t.plusSeconds(420)) {
                assertThat(plan.program().apply(t).total()).isLessThanOrEqualTo(plan.lasts());
            }
        }
        assertThat(subject.kind().words()).isNotBlank();
    }

    @ParameterizedTest
    @MethodSource("subjects")
    void nothing_fails_where_the_sun_never_sets_or_rises(Subject subject) {
        Site tromso = new Site(69.65, 18.96, 10);
        for (String date : List.of("2027-06-21", "2027-12-21")) {
            Plan plan = Take.of("take", subject, "A", RIG).plan(night(tromso, date, ZoneId.of("Europe/Oslo")));
            assertThat(plan.lasts()).isPositive();
        }
        Plan south =
                Take.of("take", subject, "A", RIG).plan(night(new Site(-90, 0, 2800), "2027-06-21", ZoneId.of("UTC")));
        assertThat(south.lasts()).isPositive();
    }

    /** The whole of an eclipse, limb and shadow, on the simulated body: every frame is taken and none is late. */
    @Test
    void an_eclipse_runs_on_the_simulated_camera() {
        Circumstances c = night(LEDGE, "2029-12-20", ZoneId.of("Europe/Lisbon"));
        Plan plan = Take.of("eclipse", new EclipsedMoon(60, 0.78, 2, 0, 0), "A", RIG)
                .plan(c);
        Program program = plan.program().apply(plan.when().best().orElseThrow());
        assertThat(program.steps()).extracting(Program.Step::what).contains("for the lit limb", "for the shadow");
        dev.halfdusk.core.camera.Camera.Dials dials = new dev.halfdusk.core.camera.Camera.Dials(
                dev.halfdusk.core.camera.Camera.Mode.MANUAL,
                program.steps().get(0).settings(),
                FileFormat.RAW,
                false,
                0,
                1);
        Run run = Run.of(
                program,
                new dev.halfdusk.core.camera.Camera(
                        RIG, dials, program.span().from().minusSeconds(60), Duration.ZERO));
        assertThat(run.taken()).isEqualTo(program.frames()).isGreaterThan(200);
        assertThat(run.lost()).isZero();
        assertThat(run.late()).isZero();
    }

    /** A stop brighter is a stop more of light at every frame that the rig can give it. */
    @Test
    void an_eclipse_can_be_shifted_and_no_farther_than_its_range() {
        Circumstances c = night(LEDGE, "2029-12-20", ZoneId.of("Europe/Lisbon"));
        Instant limb = Instant.parse("2029-12-20T21:10:00Z");
        Instant totality = Instant.parse("2029-12-20T22:42:00Z");
        EclipsedMoon planned = new EclipsedMoon(60, 0.78, 4, 0, 5.5);
        Take take = Take.of("eclipse", planned, "A", RIG);
        assertThat(planned.shortStops(take, c, totality))
                .as("a bright totality is in reach")
                .isZero();
        // what is pressed in totality leaves the lit limb alone, and the other way round
        assertThat(planned.brighter(1, take, c, totality)).contains(new EclipsedMoon(60, 0.78, 4, 1, 5.5));
        assertThat(planned.brighter(0.5, take, c, limb)).contains(new EclipsedMoon(60, 0.78, 4, 0, 6));
        assertThat(planned.brighter(1, take, c, limb))
                .as("no farther than its range")
                .isEmpty();
        assertThat(planned.brighter(-11.5, take, c, limb)).contains(new EclipsedMoon(60, 0.78, 4, 0, -6));
        assertThat(new Moon(1, 2).brighter(1, take, c, limb)).isEmpty();
        assertThat(new Moon(1, 2).shifts()).isFalse();
    }

    /** A black totality that the rig cannot reach: brighter is refused with what is missing, darker counts from what it gives. */
    @Test
    void where_the_rig_ends_a_shift_counts_from_what_it_gives() {
        Circumstances c = night(LEDGE, "2029-12-20", ZoneId.of("Europe/Lisbon"));
        Instant totality = Instant.parse("2029-12-20T22:42:00Z");
        EclipsedMoon black = new EclipsedMoon(60, 0.78, 0, 0, 0);
        Take take = Take.of("eclipse", black, "A", RIG).set(RIG.lens().longestMm(), 16);
        double missing = black.shortStops(take, c, totality);
        assertThat(missing).isGreaterThan(1);
        assertThat(black.brighter(1, take, c, totality)).isEmpty();
        EclipsedMoon darker =
                (EclipsedMoon) black.brighter(-1, take, c, totality).orElseThrow();
        assertThat(darker.brighterStops()).isCloseTo(-missing - 1, within(1e-9));
        assertThat(darker.limbBrighterStops()).isZero();
        Program before = take.plan(c).program().apply(totality);
        Program after = take.with(darker).plan(c).program().apply(totality);
        assertThat(Stops.of(light(before) / light(after)))
                .as("a stop less light")
                .isCloseTo(1, within(0.4));
    }

    private static double light(Program program) {
        Settings s = program.steps().get(0).settings();
        return s.seconds() * s.iso() / (s.aperture() * s.aperture());
    }

    /** 116 × 30 s with pauses of 1 s, a minute for the cap, 5 × 30 s with 4 pauses: 3595 + 60 + 154 s, 63.5 minutes. */
    @Test
    void trails_last_with_their_dark_frames() {
        Plan plan = Take.of("trails", new Trails(15, 30, 1, 5), "A", RIG).plan(june(4));
        assertThat(plan.lasts()).isEqualTo(Duration.ofMinutes(64));
        assertThat(plan.hands()).isFalse();
        assertThat(Take.of("arch", new Arch(0.3, 15, 5), "A", RIG).plan(june(4)).hands())
                .isTrue();
    }

    @Test
    void the_core_is_taken_about_its_best_instant() {
        Circumstances c = june(8);
        Wish.When when = Wish.of(Wish.Kind.SIGHT_HIGHEST).when(c).lasting(Duration.ofMinutes(20));
        assertThat(when.windows()).isEqualTo(c.night().core().inDark());
        assertThat(when.best()).contains(c.night().core().best().orElseThrow().minus(Duration.ofMinutes(10)));
    }

    /** From the sun at −4° to −8°, by its own altitude; in the evening and in the morning. */
    @ParameterizedTest
    @EnumSource(
            value = Wish.Kind.class,
            names = {"BLUE_HOUR", "BLUE_MORNING"})
    void blue_hour_is_the_suns(Wish.Kind kind) {
        Circumstances c = june(8);
        Interval blue =
                Wish.of(kind).when(c).lasting(Duration.ofMinutes(5)).windows().get(0);
        boolean evening = kind == Wish.Kind.BLUE_HOUR;
        assertThat(sun(c, evening ? blue.from() : blue.to())).isCloseTo(-4, within(0.02));
        assertThat(sun(c, evening ? blue.to() : blue.from())).isCloseTo(-8, within(0.02));
        assertThat(blue.from().isBefore(c.night().sunLowest().when())).isEqualTo(evening);
        assertThat(blue.length()).isBetween(Duration.ofMinutes(20), Duration.ofMinutes(30));
    }

    private static double sun(Circumstances c, Instant t) {
        return Moment.at(t).local(Body.SUN, c.night().observer()).latitudeDeg();
    }

    @Test
    void before_moonrise_ends_with_it() {
        Circumstances c = night(LEDGE, "2027-05-27", ZONE);
        Instant rise = c.night().rise(HorizonEvent.Kind.MOON).orElseThrow();
        Wish.When when = Wish.of(Wish.Kind.BEFORE_MOONRISE).when(c).lasting(Duration.ofMinutes(30));
        assertThat(when.best()).contains(rise.minus(Duration.ofMinutes(30)));
        assertThat(when.windows()).hasSize(1);
        assertThat(Duration.between(when.windows().get(0).to(), rise).abs()).isLessThan(Duration.ofMinutes(1));
    }

    /** The core passes 176° when it is nearly highest; within 3° to either side it stays for about 24 minutes. */
    @Test
    void the_core_over_a_mark() {
        Circumstances c = june(8);
        Wish.When when =
                Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Arch")).when(c).lasting(Duration.ofMinutes(10));
        assertThat(when.windows()).hasSize(1);
        Instant middle = when.best().orElseThrow().plus(Duration.ofMinutes(5));
        assertThat(c.night().core().at(middle).azimuthDeg()).isCloseTo(176, within(0.5));
        assertThat(when.windows().get(0).length()).isBetween(Duration.ofMinutes(16), Duration.ofMinutes(28));
        assertThat(c.night().core().at(when.windows().get(0).from()).azimuthDeg())
                .isBetween(172.5, 174.0);
        assertThat(Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Barn"))
                        .when(c)
                        .windows())
                .isEmpty();
    }

    @Test
    void clocks_are_those_of_the_night() {
        Circumstances c = june(8);
        Wish.When fixed = Wish.at(LocalTime.of(1, 30)).when(c).lasting(Duration.ofMinutes(10));
        assertThat(fixed.best()).contains(Instant.parse("2027-06-09T00:30:00Z"));
        Wish.When between =
                Wish.between(LocalTime.of(23, 0), LocalTime.of(2, 0)).when(c).lasting(Duration.ofMinutes(10));
        assertThat(between.windows())
                .containsExactly(
                        new Interval(Instant.parse("2027-06-08T22:00:00Z"), Instant.parse("2027-06-09T01:00:00Z")));
        assertThat(between.lasting(Duration.ofHours(4)).windows()).isEmpty();
        assertThat(Wish.between(LocalTime.of(2, 0), LocalTime.of(23, 0)).when(c).windows())
                .isEmpty();
    }

    @Test
    void what_a_wish_lacks_is_refused() {
        assertThatThrownBy(() -> Wish.of(Wish.Kind.FIXED)).hasMessageContaining("needs the time");
        assertThatThrownBy(() -> Wish.of(Wish.Kind.MOON_OVER_MARK)).hasMessageContaining("needs the mark");
        assertThatThrownBy(() -> new Free(0, false)).hasMessageContaining("1 to 720");
    }

    /** The ground gets the lowest ISO that a minute allows: in blue hour less light, so longer, as it goes on. */
    @Test
    void ground_is_exposed_by_the_light_of_its_instant() {
        Circumstances c = june(8);
        Plan plan = Take.of("ground", new Ground(3, 60), "A", RIG).plan(c);
        Interval blue = plan.when().windows().get(0);
        var early = plan.program().apply(blue.from()).steps().get(0).settings();
        var late = plan.program()
                .apply(blue.to().minus(plan.lasts()))
                .steps()
                .get(0)
                .settings();
        assertThat(early.stopsTo(late)).isGreaterThan(2);
        assertThat(early.iso()).isEqualTo(100);
        assertThat(RIG.body().dial().shutters())
                .as("a click of the dial, not 0.362 s")
                .anyMatch(s -> s.realSeconds() == early.seconds());
        assertThat(late.seconds()).isLessThanOrEqualTo(60);
    }

    /** A subject that nothing knows of: whatever a plan is made of, it is planned, scheduled and printed like any other. */
    private record Comet(int frames) implements Subject {

        static final Kind KIND = new Kind(
                "comet",
                "comet",
                List.of(Parameter.whole("frames", "frames", Planning.FRAMES, 7)),
                v -> new Comet(v.get(0).intValue()));

        @Override
        public Kind kind() {
            return KIND;
        }

        @Override
        public List<Double> values() {
            return List.of((double) frames);
        }

        @Override
        public Plan plan(Take take, Circumstances c) {
            Planning planning = Planning.of(take, c);
            return planning.plan(
                    false,
                    t -> Program.of(
                            "comet",
                            new Program.Step(t, planning.proposal(t).settings(), frames, 1, FileFormat.RAW, "comet")),
                    List.of());
        }
    }

    @Test
    void a_new_subject_is_one_record() {
        Plan plan = Take.of("Comet", Comet.KIND.usual(), "A", RIG).plan(june(4));
        assertThat(plan.possible()).isTrue();
        assertThat(plan.program().apply(plan.when().windows().get(0).from()).frames())
                .isEqualTo(7);
    }

    /** What is stored and asked for: a kind makes the same subject of the values that the subject gives. */
    @ParameterizedTest
    @MethodSource("subjects")
    void a_kind_and_its_values_are_the_subject(Subject subject) {
        assertThat(Subjects.of(subject.kind().key())).contains(subject.kind());
        assertThat(subject.kind().of(subject.values())).isEqualTo(subject);
        assertThat(subject.kind().usual().values()).hasSameSizeAs(subject.values());
        assertThatThrownBy(() -> subject.kind().of(List.of())).isInstanceOf(IllegalArgumentException.class);
        List<Double> bad = new ArrayList<>(subject.values());
        bad.set(0, -1.0);
        assertThatThrownBy(() -> subject.kind().of(bad)).isInstanceOf(OutOfRange.class);
    }

    /** 30 min for trails of 15.041°/h: what is left beside the dark frames' 4 min is 26 min, 6.5°. */
    @Test
    void some_takes_can_be_stretched() {
        assertThat(stretched(new Trails(15, 30, 1, 5), 30)).contains(new Trails(6.5, 30, 1, 5));
        assertThat(stretched(new Free(20, true), 45)).contains(new Free(45, true));
        // a quarter of an hour at a frame each 15 s are 60 frames, 2.4 s of clip
        assertThat(stretched(new Clip(10, 25, 15), 15)).contains(new Clip(2.4, 25, 15));
        assertThat(stretched(new Arch(0.3, 15, 5), 45)).isEmpty();
        assertThat(stretched(new Trails(15, 30, 1, 5), 3000)).contains(new Trails(360, 30, 1, 5));
        assertThat(stretched(new Free(20, true), 0)).contains(new Free(1, true));
        Circumstances c = june(4);
        Take stack = Take.of("stack", new Stack(20, 5), "A", RIG);
        Subject twice = stack.subject()
                .lasting(stack.plan(c).lasts().multipliedBy(2), stack.plan(c))
                .orElseThrow();
        Duration now = stack.with(twice).plan(c).lasts();
        assertThat(now)
                .isBetween(
                        stack.plan(c).lasts().multipliedBy(2).minusMinutes(2),
                        stack.plan(c).lasts().multipliedBy(2).plusMinutes(2));
    }

    private static Optional<Subject> stretched(Subject s, int minutes) {
        return s.lasting(
                Duration.ofMinutes(minutes), Take.of("take", s, "A", RIG).plan(june(4)));
    }

    /** 121 frames and 64 minutes: of a battery for 242 frames half, of one for 32 minutes two; 11.4 K below 20 °C counts. */
    @Test
    void a_plan_knows_what_it_takes_of_battery_and_card() {
        NamedCamera camera = NamedCamera.of("A", RIG).with(new Gear.Battery(242, 10_000));
        Circumstances c = june(4);
        double factor = Cold.batteryFactor(c.celsius());
        Plan plan = Take.of("trails", new Trails(15, 30, 1, 5), camera).plan(c);
        assertThat(plan.battery()).isCloseTo(0.5 / factor, within(1e-9));
        Plan slow = Take.of("trails", new Trails(15, 30, 1, 5), camera.with(new Gear.Battery(10_000, 32)))
                .plan(c);
        assertThat(slow.battery()).isCloseTo(2 / factor, within(1e-9));
        assertThat(Take.of("trails", new Trails(15, 30, 1, 5), "A", RIG).plan(c).battery())
                .isZero();
        double each = FileFormat.RAW.megabytes(RIG.body().files());
        assertThat(plan.megabytes()).isCloseTo(121 * each, within(1e-6));
    }

    @Test
    void wishes_have_words() {
        assertThat(Wish.between(LocalTime.of(23, 0), LocalTime.of(2, 0)).words())
                .isEqualTo("between two times: 23:00 to 02:00");
        assertThat(Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Arch")).words())
                .isEqualTo("core over a mark: Arch");
        assertThat(Wish.of(Wish.Kind.DARK).words()).isEqualTo("while it is dark, without moon");
    }

    /** A bracket about the exposure of this moon, twice: three frames a stop apart, darker and brighter. */
    @Test
    void the_moon_is_bracketed_about_its_own_light() {
        Circumstances full = june(18);
        Plan plan = Take.of("moon", new Moon(1, 2), "A", RIG).plan(full);
        Instant opens = plan.when().best().orElseThrow();
        Program program = plan.program().apply(opens);
        assertThat(program.frames()).isEqualTo(6);
        var steps = program.steps();
        assertThat(steps.get(1).settings().stopsTo(steps.get(2).settings())).isCloseTo(2, within(1e-9));
        assertThat(steps.get(3).settings()).isEqualTo(steps.get(0).settings());
        var middle = steps.get(0).settings();
        double ev = MoonLight.ev100(middle.seconds(), middle.aperture(), middle.iso());
        double altitude = Math.max(
                0, Moment.at(opens).local(Body.MOON, full.night().observer()).latitudeDeg());
        assertThat(ev).isCloseTo(new MoonLight(3, altitude, MoonLight.USUAL_EXTINCTION).proposedEv100(), within(0.6));
        assertThat(middle.iso()).isEqualTo(100);
        assertThat(plan.take().setup(full, opens).pointing().axis().azimuthDeg())
                .isBetween(120.0, 132.0);
    }

    /** From the sun at −7° to 1°, both twilights of a full moon's night, while it is up. */
    @Test
    void moon_and_land_balance_in_twilight() {
        Circumstances full = june(18);
        for (Interval w : Wish.of(Wish.Kind.MOON_BALANCED).when(full).windows()) {
            for (Instant t : List.of(w.from().plusSeconds(5), w.to().minusSeconds(5))) {
                assertThat(sun(full, t)).isBetween(-7.0, 1.0);
                assertThat(Moment.at(t)
                                .local(Body.MOON, full.night().observer())
                                .latitudeDeg())
                        .isGreaterThan(-0.2);
            }
        }
        assertThat(Wish.of(Wish.Kind.MOON_BALANCED).when(full).windows()).hasSizeBetween(1, 2);
        List<Interval> up = Wish.of(Wish.Kind.MOON_UP).when(full).windows();
        assertThat(Interval.total(up)).isBetween(Duration.ofHours(8), Duration.ofHours(10));
    }

    /** 20 December 2029, all of it seen: from ten minutes before U1 to ten after U4 a frame each two minutes, for the limb, the shadow, the limb. */
    @Test
    void an_eclipse_is_followed_from_limb_to_shadow_and_back() {
        Circumstances c = night(LEDGE, "2029-12-20", ZONE);
        LunarEclipse e = LunarEclipses.between(
                        c.night().span().from(), c.night().span().to())
                .get(0);
        Plan plan = Take.of("eclipse", EclipsedMoon.KIND.usual(), "A", RIG).plan(c);
        Interval window = plan.when().windows().get(0);
        assertThat(window.from()).isEqualTo(e.u1().orElseThrow().minus(Duration.ofMinutes(10)));
        assertThat(window.to()).isEqualTo(e.u4().orElseThrow().plus(Duration.ofMinutes(10)));
        Program program = plan.program().apply(window.from());
        assertThat(program.frames()).isEqualTo((int) (plan.lasts().toSeconds() / 120));
        List<String> aims = new ArrayList<>();
        program.steps().forEach(s -> {
            if (aims.isEmpty() || !aims.get(aims.size() - 1).equals(s.what())) {
                aims.add(s.what());
            }
        });
        assertThat(aims).containsExactly("for the lit limb", "for the shadow", "for the lit limb");
        assertThat(program.steps().size()).isLessThan(40);
        Plan none = Take.of("eclipse", EclipsedMoon.KIND.usual(), "A", RIG).plan(june(4));
        assertThat(none.possible()).isFalse();
    }

    /** On the morning that ends the night of the first: by its own contacts, wherever it is asked to begin; without filter only totality. */
    @Test
    void an_eclipse_of_the_sun_runs_by_its_contacts() {
        Circumstances c = night(Suns.STRAIT, "2027-08-01", MADRID);
        Plan plan = Take.of("sun", new EclipsedSun(300, 200, 8, true), "A", RIG).plan(c);
        Interval window = plan.when().windows().get(0);
        Instant c2 = Instant.parse("2027-08-02T08:45:08.73Z");
        assertThat(Duration.between(c2, window.from()).toMillis()).isBetween(3900L, 4100L);
        Program program = plan.program().apply(window.from().plusSeconds(3600));
        assertThat(program.span()).isEqualTo(window);
        assertThat(program.steps()).allMatch(s -> s.front() == Front.OPEN);
        Rig filtered = Rig.of(RIG.body(), RIG.lens(), List.of(new Gear.Filter(16.6)));
        Plan whole = Take.of("sun", new EclipsedSun(300, 200, 8, true), "A", filtered)
                .plan(c);
        assertThat(whole.lasts()).isGreaterThan(Duration.ofMinutes(100));
        assertThat(whole.program().apply(window.from()).steps())
                .anyMatch(s -> s.what().equals("partial phase") && s.front() == Front.FILTER);
        assertThat(whole.take().subject().cautions()).contains(Caution.Known.SUN_THROUGH_OPTICS);
        Plan none = Take.of("sun", EclipsedSun.KIND.usual(), "A", filtered).plan(june(4));
        assertThat(none.possible()).isFalse();
    }

    /** Eighteen minutes: opening at 4 s, body at 5, the last ninety seconds at 2 s and a stop narrower; never into each other, never longer. */
    @Test
    void a_display_has_three_stages() {
        Circumstances c = june(4);
        Take take = Take.of(
                        "display",
                        new Fireworks(18, 4, 100, 90, Fireworks.Seen.USUAL, Fireworks.Changes.NONE),
                        "A",
                        RIG)
                .set(20, 11);
        Plan plan = take.plan(c);
        Instant half = Night.at(c.night().date(), LocalTime.of(22, 30), ZONE);
        assertThat(plan.when().best()).contains(half);
        Program p = plan.program().apply(half);
        assertThat(p.steps()).extracting(Program.Step::what).containsExactly("opening", "body", "finale");
        assertThat(p.steps()).extracting(s -> s.settings().seconds()).containsExactly(4.0, 5.0, 2.0);
        assertThat(p.steps().get(2).begins()).isEqualTo(half.plusSeconds(18 * 60 - 90));
        assertThat(p.steps().get(2).settings().aperture()).isGreaterThan(15);
        assertThat(p.total()).isBetween(Duration.ofSeconds(1070), Duration.ofSeconds(1080));
        assertThat(plan.hands()).isTrue();
        Plan brief = Take.of(
                        "display", new Fireworks(1, 30, 100, 0, Fireworks.Seen.USUAL, Fireworks.Changes.NONE), "A", RIG)
                .plan(c);
        assertThat(brief.program().apply(half).frames()).isGreaterThan(0);
    }

    /** Opening of 148.5 s; then a minute for another lens, 20 s for turning alone; what hands do stands at its time. */
    @Test
    void a_display_leaves_time_for_hands() {
        Circumstances c = june(4);
        Instant half = Night.at(c.night().date(), LocalTime.of(22, 30), ZONE);
        Fireworks plain = new Fireworks(18, 4, 100, 90, Fireworks.Seen.USUAL, Fireworks.Changes.NONE);
        Plan quiet = Take.of("display", plain, "A", RIG).set(20, 11).plan(c);
        assertThat(quiet.chores()).extracting(x -> x.after().toMinutes()).containsExactly(-60L, -10L, 0L);
        assertThat(quiet.program().apply(half).steps().get(1).begins()).isEqualTo(half.plusMillis(148_500));
        Plan busy = Take.of(
                        "display",
                        new Fireworks(18, 4, 100, 90, plain.seen(), new Fireworks.Changes(85, true, 3)),
                        "A",
                        RIG)
                .set(20, 11)
                .held(Orientation.PORTRAIT)
                .plan(c);
        assertThat(busy.chores())
                .extracting(Plan.Chore::what)
                .contains("change to the lens of 85 mm, focus, lock", "turn the camera across, skyline in, level")
                .anyMatch(w -> w.startsWith("It is given on 3 nights"));
        assertThat(busy.chores().get(3).after()).isEqualTo(Duration.ofMillis(148_500));
        assertThat(busy.chores().get(5).after()).isEqualTo(Duration.ofMinutes(20));
        assertThat(busy.program().apply(half).steps().get(1).begins()).isEqualTo(half.plusMillis(208_500));
        assertThat(busy.risks()).anyMatch(r -> r.contains("3 nights"));
        assertThat(busy.pinned(Optional.of(half)).chores()).isEqualTo(busy.chores());
        Plan turned = Take.of(
                        "display",
                        new Fireworks(18, 4, 100, 90, plain.seen(), new Fireworks.Changes(0, true, 1)),
                        "A",
                        RIG)
                .set(20, 11)
                .plan(c);
        assertThat(turned.program().apply(half).steps().get(1).begins()).isEqualTo(half.plusMillis(168_500));
        assertThat(turned.chores())
                .extracting(Plan.Chore::what)
                .contains("turn the camera upright, room above the bursts, level");
        assertThat(busy.take().subject().bag()).anyMatch(b -> b.contains("lens of 85 mm"));
    }

    /** A test frame is as bright as what is taken: 8 s at ISO 100 are 0.03125 s at 25 600; of a moon at 1/100 s and of shells there is none. */
    @Test
    void the_composition_frame_is_as_bright_as_the_take() {
        Circumstances c = june(18);
        Plan street = Take.of("street", new NightScene(100, 3, 1, 1, false, NightSceneKind.STREET), "A", RIG)
                .set(20, 8)
                .plan(c);
        CompositionFrame test =
                street.answer(c.night().sunLowest().when()).test().orElseThrow();
        assertThat(test.settings().iso()).isEqualTo(RIG.body().topIso());
        assertThat(test.settings().seconds() * test.settings().iso()).isCloseTo(800, within(1e-6));
        assertThat(Take.of("moon", new Moon(1, 2), "A", RIG)
                        .plan(c)
                        .answer(c.night().highest(Body.MOON))
                        .test())
                .isEmpty();
        assertThat(Take.of("display", Fireworks.KIND.usual(), "A", RIG)
                        .plan(c)
                        .answer(c.night().sunLowest().when())
                        .test())
                .isEmpty();
        Plan trails = Take.of("trails", new Trails(15, 30, 1, 5), "A", RIG).plan(june(4));
        Instant opens = trails.when().windows().get(0).from();
        Settings real = trails.program().apply(opens).steps().get(0).settings();
        CompositionFrame quick = trails.answer(opens).test().orElseThrow();
        assertThat(quick.settings().seconds() * quick.settings().iso())
                .isCloseTo(real.seconds() * real.iso(), within(1e-6));
    }

    /** Aimed at what is fired from 640 m at 248°: 190 m and half a burst with its margin above, so some 11° up; its cautions know 126 m. */
    @Test
    void a_display_is_where_it_is_fired() {
        Fireworks far = new Fireworks(18, 4, 100, 90, new Fireworks.Seen(640, 248, 0, 150, 80), Fireworks.Changes.NONE);
        Take take = Take.of("display", far, "A", RIG);
        Direction axis = take.setup(june(4), june(4).night().best()).pointing().axis();
        assertThat(axis.azimuthDeg()).isCloseTo(248, within(1e-6));
        assertThat(axis.altitudeDeg()).isBetween(10.5, 12.5);
        assertThat(far.display().orElseThrow().points()).hasSize(3);
        assertThat(far.display().orElseThrow().show()).isEqualTo(Show.TOWN);
        assertThat(far.cautions().get(0)).isInstanceOfSatisfying(Caution.ClearDistance.class, d -> {
            assertThat(d.clearM()).isCloseTo(126, within(0.5));
            assertThat(d.shellMm()).isEqualTo(150);
            assertThat(d.near()).isFalse();
        });
        Fireworks near = new Fireworks(18, 4, 100, 90, new Fireworks.Seen(125, 248, 0, 150, 0), Fireworks.Changes.NONE);
        assertThat(near.cautions().get(0)).isInstanceOfSatisfying(Caution.ClearDistance.class, d -> {
            assertThat(d.nearestM()).isEqualTo(125);
            assertThat(d.near()).isTrue();
        });
        assertThat(near.cautions().get(1)).isEqualTo(Caution.Known.SHELLS);
        assertThat(Fireworks.KIND.of(far.values())).isEqualTo(far);
        assertThat(new Free(20, false).display()).isEmpty();
    }

    /** Read off the shadows at EV 3, f/8: two stops less than 8 s; a sensor and film of exponent 1.3, 2^1.3 s. */
    @Test
    void shadows_get_two_stops_less() {
        assertThat(new NightScene(100, 3, 1, 1, true, NightSceneKind.STREET)
                        .settings(RIG.body(), 8)
                        .seconds())
                .isCloseTo(2, within(0.01));
        assertThat(new NightScene(100, 3, 1, 1.3, true, NightSceneKind.STREET)
                        .settings(RIG.body(), 8)
                        .seconds())
                .isCloseTo(2.462, within(0.001));
        NightScene scene = new NightScene(100, 3, 1, 1.3, true, NightSceneKind.STREET);
        assertThat(scene.midEv100()).isEqualTo(5);
        assertThat(new NightScene(100, 3, 1, 1.3, false, NightSceneKind.STREET).midEv100())
                .isEqualTo(3);
        // open 2.462 s for the 2 s that the meter says: as slow as ISO 81
        Settings open = scene.settings(RIG.body(), 8);
        assertThat(scene.metered(open)).isCloseTo(2, within(1e-9));
        assertThat(scene.asSensor(open).iso()).isCloseTo(81.2, within(0.05));
        assertThat(scene.asSensor(open).seconds()).isEqualTo(open.seconds());
        assertThat(NightScene.KIND.of(scene.values())).isEqualTo(scene);
    }

    /** EV 3 at f/8 and ISO 100: 64 / 8 = 8 s; a stop either way 4 and 16; on film of exponent 1.3 8^1.3 = 14.9 s. */
    @Test
    void a_night_scene_goes_by_its_light() {
        NightScene street = new NightScene(100, 3, 3, 1, false, NightSceneKind.STREET);
        assertThat(street.settings(RIG.body(), 8).seconds()).isCloseTo(8, within(0.01));
        assertThat(new NightScene(100, 3, 3, 1.3, false, NightSceneKind.STREET)
                        .settings(RIG.body(), 8)
                        .seconds())
                .isCloseTo(14.93, within(0.01));
        assertThat(new NightScene(100, -6, 1, 1, false, NightSceneKind.STREET)
                        .settings(RIG.body(), 8)
                        .seconds())
                .isEqualTo(900);
        assertThat(new NightScene(100, 20, 1, 1, false, NightSceneKind.STREET)
                        .settings(RIG.body(), 2)
                        .seconds())
                .isCloseTo(1 / 8192.0, within(1e-6));
        Plan plan = Take.of("street", street, "A", RIG).set(20, 8).plan(june(4));
        Program p = plan.program().apply(plan.when().windows().get(0).from());
        assertThat(p.steps())
                .extracting(s -> Math.round(s.settings().seconds()))
                .containsExactly(8L, 4L, 16L);
        Plan one = Take.of("street", new NightScene(100, 3, 2, 1, false, NightSceneKind.STREET), "A", RIG)
                .set(20, 8)
                .plan(june(4));
        assertThat(one.program().apply(plan.when().windows().get(0).from()).frames())
                .isEqualTo(1);
    }

    /** The circles of the southern sky close round the southern pole; ground stands below where the pole is low enough for that. */
    @Test
    void trails_turn_round_the_pole_of_their_half_of_the_earth() {
        Circumstances south = night(new Site(-45, 170.5, 5), "2027-06-04", ZoneId.of("Pacific/Auckland"));
        Circumstances north = night(LEDGE, "2027-06-04", ZoneId.of("Europe/Lisbon"));
        Instant when = south.night().best();
        Direction below = Take.of("trails", new Trails(15, 30, 1, 5), "A", RIG)
                .setup(south, when)
                .pointing()
                .axis();
        assertThat(below.azimuthDeg()).isCloseTo(180, within(1.0));
        // too high for ground: the pole at the lower third, 4 mm below the middle of a 20 mm lens
        assertThat(below.altitudeDeg()).isCloseTo(45 + Math.toDegrees(Math.atan2(4, 20)), within(0.1));
        Direction above = Take.of("trails", new Trails(15, 30, 1, 5), "A", RIG)
                .setup(north, when)
                .pointing()
                .axis();
        assertThat(Math.cos(Math.toRadians(above.azimuthDeg()))).isCloseTo(1, within(0.001));
        // nine degrees of ground below the horizon at the lower edge: atan(12 / 20) less nine
        assertThat(above.altitudeDeg()).isCloseTo(Math.toDegrees(Math.atan2(12, 20)) - 9, within(0.1));
    }
}
