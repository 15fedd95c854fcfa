package dev.halfdusk.core.take;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What each subject asks of the sky, brings along and warns of; and that a take changes in one thing at a time. */
class SubjectTest {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 35, 2.8, 2.8, Projection.RECTILINEAR));

    private static final String TIMER = "interval timer";
    private static final Set<Need> NONE = Set.of();
    private static final Set<Need> DARK = Set.of(Need.DARK);
    private static final Set<Need> DEEP = Set.of(Need.DARK, Need.NO_MOON);

    static Stream<Arguments> subjects() {
        return Stream.of(
                Arguments.of(
                        new MilkyWay(5), Set.of(Need.DARK, Need.NO_MOON, Need.SIGHT), List.of(TIMER), List.of(), false),
                Arguments.of(new Arch(0.3, 15, 5), DEEP, List.of("level base"), List.of(), false),
                Arguments.of(new Stack(20, 5), DEEP, List.of(TIMER), List.of(), false),
                Arguments.of(new Ground(3, 60), NONE, List.of(), List.of(), false),
                Arguments.of(
                        new SkyAndGround(2, 240, 5),
                        Set.of(Need.DARK, Need.NO_MOON, Need.SIGHT),
                        List.of(TIMER, "release"),
                        List.of(),
                        false),
                Arguments.of(new People(4, 4), DARK, List.of(), List.of(Caution.Known.LED_WITH_A_LAMP), false),
                Arguments.of(
                        new Painting(new LightPainting(100, 30, 5), 20, 800, 3, 20),
                        DARK,
                        List.of("hand lamp"),
                        List.of(Caution.Known.GROUND_TO_PAINT),
                        false),
                Arguments.of(new Trails(15, 30, 1, 5), DARK, List.of(TIMER), List.of(), true),
                Arguments.of(new Meteors(120), DARK, List.of(TIMER, "heater band"), List.of(), false),
                Arguments.of(new Clip(10, 25, 15), NONE, List.of(TIMER), List.of(), false),
                Arguments.of(new Variety(3, 3), DARK, List.of(TIMER), List.of(), false),
                Arguments.of(new Free(20, false), NONE, List.of(), List.of(), false),
                Arguments.of(
                        new Moon(1, 2),
                        Set.of(Need.MOON),
                        List.of("remote release"),
                        List.of(Caution.Known.MOON_DAZZLES),
                        false),
                Arguments.of(
                        new EclipsedMoon(150, 0.8, 2.5, 0, 0),
                        Set.of(Need.MOON),
                        List.of(TIMER, "remote release"),
                        List.of(Caution.Known.MOON_DAZZLES),
                        false),
                Arguments.of(
                        new EclipsedSun(300, 200, 8, true),
                        NONE,
                        List.of("solar filter", "glasses for everyone"),
                        List.of(Caution.Known.SUN_THROUGH_OPTICS, Caution.Known.FILTER_STAYS),
                        false),
                Arguments.of(
                        new Fireworks(18, 4, 100, 90, Fireworks.Seen.USUAL, Fireworks.Changes.NONE),
                        NONE,
                        List.of("ear plugs", "eye protection"),
                        List.of(Caution.Known.SHELLS),
                        false),
                Arguments.of(
                        new NightScene(100, 3, 3, 1, false, NightSceneKind.STREET),
                        NONE,
                        List.of("cable release", "lens hood"),
                        List.of(Caution.Known.TRAFFIC, Caution.Known.EDGES),
                        false));
    }

    @ParameterizedTest
    @MethodSource("subjects")
    void each_asks_brings_and_warns(
            Subject subject, Set<Need> needs, List<String> bag, List<Caution> cautions, boolean layered) {
        assertThat(subject.needs()).isEqualTo(needs);
        assertThat(bag).allSatisfy(b -> assertThat(subject.bag()).anyMatch(s -> s.contains(b)));
        assertThat(subject.cautions()).containsAll(cautions);
        assertThat(subject.bag().isEmpty()).isEqualTo(bag.isEmpty());
        assertThat(subject.cautions().isEmpty()).isEqualTo(cautions.isEmpty());
        assertThat(subject.layered()).isEqualTo(layered);
        assertThat(subject.shifts()).isEqualTo(subject instanceof EclipsedMoon);
    }

    /** Every kind of subject there is stands in the table above. */
    @Test
    void none_is_missing() {
        assertThat(subjects().map(a -> ((Subject) a.get()[0]).kind()))
                .containsExactlyInAnyOrderElementsOf(Subjects.ALL);
    }

    /** Each with another value; all else stays. */
    @Test
    void a_take_changes_in_one_thing() {
        Instant at = Instant.parse("2027-06-04T23:00:00Z");
        Direction aim = new Direction(176, 20);
        Wish wish = Wish.of(Wish.Kind.BLUE_HOUR);
        Decision decision = Decision.of(
                PlannedBy.N400,
                OptionalDouble.of(4),
                OptionalDouble.of(800),
                OptionalDouble.of(7),
                OptionalDouble.of(3));
        Take take = Take.of("first", new People(4, 4), "A", RIG)
                .named("second")
                .with(new Trails(15, 30, 1, 5))
                .with(wish)
                .set(24, 4)
                .aimed(aim)
                .held(Orientation.PORTRAIT)
                .pinnedAt(at)
                .with(decision)
                .at(2);
        assertThat(take)
                .isEqualTo(new Take(
                        new Id("second"),
                        "second",
                        new Trails(15, 30, 1, 5),
                        NamedCamera.of("A", RIG),
                        new Framed(new LensSetting(24, 4), Optional.of(aim), Orientation.PORTRAIT),
                        wish,
                        Optional.of(at),
                        decision,
                        2));
        assertThat(take.pinned(Optional.empty()).pinned()).isEmpty();
        assertThat(take.known(new Id("7")).named("third").id()).isEqualTo(new Id("7"));
        Gear.Battery battery = new Gear.Battery(400, 180);
        Gear.Card card = new Gear.Card(64, 100);
        assertThat(NamedCamera.of("A", RIG).with(battery).with(card))
                .isEqualTo(new NamedCamera(Named.of("A"), Named.of("A"), RIG, Optional.of(battery), Optional.of(card)));
    }

    @ParameterizedTest
    @EnumSource(Wish.Kind.class)
    void a_wish_is_named_by_its_key(Wish.Kind kind) {
        assertThat(kind.key())
                .isEqualTo(kind.toString().toLowerCase(Locale.ROOT).replace('_', '-'));
        assertThat(Arrays.stream(Wish.Kind.values()).filter(k -> k.key().equals(kind.key())))
                .hasSize(1);
    }
}
