package dev.halfdusk.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.NightScene;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.Cold;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What was learned makes another plan, and nothing where nothing was. */
class LearnedIntoPlansTest {

    private static final Lens LENS = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Circumstances C = Circumstances.of(
            Night.of(
                    new Site(37.6, -8.8, 0),
                    LocalDate.parse("2027-06-05"),
                    ZoneId.of("Europe/Lisbon"),
                    NightRules.USUAL),
            Standpoint.open(new Site(37.6, -8.8, 0), SkyGlow.ofZenith(21.4)),
            List.of());

    private static Rig rig(Lens lens) {
        return Rig.of(BODY, lens, List.of());
    }

    /** 150 min at 20 °C, 60 at freezing: 105 half way; at −10 °C as much less as any battery: 60 · 0.65 / 0.8 = 48.75. */
    @Test
    void a_battery_that_was_tried_in_the_cold_is_reckoned_by_that() {
        Gear.Battery tried = new Gear.Battery(900, 150, OptionalDouble.of(60), false);
        assertThat(150 * Cold.factor(tried, 20)).isCloseTo(150, within(1e-9));
        assertThat(150 * Cold.factor(tried, 10)).isCloseTo(105, within(1e-9));
        assertThat(150 * Cold.factor(tried, 0)).isCloseTo(60, within(1e-9));
        assertThat(150 * Cold.factor(tried, -10)).isCloseTo(48.75, within(1e-9));
        assertThat(Cold.factor(tried, 30)).isEqualTo(Cold.batteryFactor(30));
        assertThat(Cold.factor(new Gear.Battery(900, 150), 0)).isEqualTo(Cold.batteryFactor(0));
        assertThat(Power.used(tried, 0, 1, 3600)).isCloseTo(1, within(1e-9));
        assertThatThrownBy(() -> new Gear.Battery(900, 150, OptionalDouble.of(0), false))
                .isInstanceOf(OutOfRange.class);
    }

    @Test
    void who_is_slow_has_more_time_to_set_up_and_as_much_to_focus() {
        WorkTimes slow = WorkTimes.USUAL.with(2).ready(28);
        assertThat(slow.first()).isEqualTo(Duration.ofMinutes(28));
        assertThat(slow.focus()).isEqualTo(WorkTimes.USUAL.focus());
        assertThat(slow.next()).isEqualTo(WorkTimes.USUAL.next());
        assertThat(slow.people()).isEqualTo(2);
        assertThatThrownBy(() -> WorkTimes.USUAL.ready(8)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void a_lens_is_closed_to_where_it_is_sharpest_unless_that_is_dark() {
        assertThat(new MilkyWay(5).usualAperture(rig(LENS), 20)).isEqualTo(1.8);
        assertThat(new MilkyWay(5).usualAperture(rig(LENS.sharpestAt(OptionalDouble.of(2.2))), 20))
                .isEqualTo(2.2);
        assertThat(new MilkyWay(5).usualAperture(rig(LENS.sharpestAt(OptionalDouble.of(4))), 20))
                .isEqualTo(1.8);
        Lens tele = new Lens(400, 400, 5.6, 5.6, Projection.RECTILINEAR);
        assertThat(new Moon(1, 1).usualAperture(rig(tele), 400)).isEqualTo(8);
        assertThat(new Moon(1, 1).usualAperture(rig(tele.sharpestAt(OptionalDouble.of(7.1))), 400))
                .isEqualTo(7.1);
    }

    private static Settings first(Take take, Instant at) {
        return take.plan(C).program().apply(at).steps().get(0).settings();
    }

    private static double stops(Take brighter, Take than, Instant at) {
        return Observing.brighter(first(brighter, at), first(than, at));
    }

    @Test
    void one_s_taste_makes_subjects_brighter_by_as_much() {
        Instant at = Instant.parse("2027-06-16T22:00:00Z");
        Take moon = Take.of("Moon", new Moon(1, 1), "Long", rig(new Lens(400, 400, 5.6, 5.6, Projection.RECTILINEAR)));
        assertThat(stops(moon.subject().shifted(1, moon).orElseThrow(), moon, at))
                .isCloseTo(1, within(0.1));
        assertThat(stops(moon.subject().shifted(-1, moon).orElseThrow(), moon, at))
                .isCloseTo(-1, within(0.1));
        Take scene = Take.of("Harbour", NightScene.KIND.usual(), "Wide", rig(LENS));
        assertThat(((NightScene) scene.subject().shifted(1, scene).orElseThrow().subject()).ev100())
                .isEqualTo(((NightScene) scene.subject()).ev100() - 1);
        Take show =
                Take.of("Display", Fireworks.KIND.usual(), "Wide", rig(LENS)).set(20, 11);
        assertThat(show.subject().shifted(2, show).orElseThrow().asked().aperture())
                .isCloseTo(5.6, within(0.01));
        Take dark = Take.of("Eclipse", EclipsedMoon.KIND.usual(), "Wide", rig(LENS));
        EclipsedMoon usual = (EclipsedMoon) dark.subject();
        EclipsedMoon shifted =
                (EclipsedMoon) dark.subject().shifted(1, dark).orElseThrow().subject();
        assertThat(shifted.brighterStops()).isEqualTo(usual.brighterStops() + 1);
        assertThat(shifted.limbBrighterStops()).isEqualTo(usual.limbBrighterStops() + 1);
        assertThat(usual.dark(1).danjon()).isEqualTo(1);
        assertThat(SceneLight.EV.holds(((NightScene)
                                scene.subject().shifted(90, scene).orElseThrow().subject())
                        .ev100()))
                .isTrue();
    }

    /** Whoever says that he has a taste can be asked for it, and only he. */
    @Test
    void subjects_know_whether_their_brightness_is_a_matter_of_taste() {
        Subjects.ALL.forEach(k -> {
            Take take = Take.of("x", k.usual(), "Wide", rig(LENS));
            assertThat(take.subject().shifted(0.5, take).isPresent())
                    .as(k.key())
                    .isEqualTo(k.usual().tasted());
        });
    }

    /** Eleven minutes at one spot with a receiver that wanders by 20 m, a drive, nine minutes at another: one stay. */
    @Test
    void a_stay_is_where_one_stands_for_ten_minutes() {
        List<Stay.Fix> track = new ArrayList<>();
        Instant at = Instant.parse("2027-06-05T22:00:00Z");
        for (int i = 0; i <= 11; i++) {
            track.add(new Stay.Fix(37.6 + (i % 2) * 0.0002, -8.8, at.plusSeconds(60L * i)));
        }
        for (int i = 1; i <= 9; i++) {
            track.add(new Stay.Fix(37.7 + i * 0.01, -8.8, at.plusSeconds(60L * (11 + i))));
        }
        for (int i = 0; i <= 9; i++) {
            track.add(new Stay.Fix(37.9, -8.8, at.plusSeconds(60L * (30 + i))));
        }
        Collections.reverse(track); // points need not be in their order
        List<Stay> all = Stay.of(track);
        assertThat(all).hasSize(1);
        assertThat(all.get(0).when().length()).isEqualTo(Duration.ofMinutes(11));
        assertThat(all.get(0).latitudeDeg()).isCloseTo(37.6001, within(1e-6));
        // a hundredth of a degree of latitude is 1.11 km
        assertThat(all.get(0).metresFrom(37.6101, -8.8)).isCloseTo(1110, within(5.0));
        assertThat(Stay.of(List.of())).isEmpty();
    }

    /** A receiver that wanders to and fro over the date line stands on it, not on the other side of the world. */
    @Test
    void one_may_stand_on_the_date_line() {
        Instant at = Instant.parse("2027-06-05T10:00:00Z");
        List<Stay> all = Stay.of(IntStream.rangeClosed(0, 11)
                .mapToObj(i -> new Stay.Fix(-16.8, i % 2 == 0 ? 179.9999 : -179.9999, at.plusSeconds(60L * i)))
                .toList());
        assertThat(all).hasSize(1);
        assertThat(all.get(0).metresFrom(-16.8, 180)).isLessThan(1);
        assertThat(Range.LONGITUDE.holds(all.get(0).longitudeDeg())).isTrue();
    }

    /** 32 s for 8 metered are two stops more. */
    @Test
    void film_says_how_much_more_it_was_given() {
        FilmFrame f = new FilmFrame("A", 7, "400", 400, 8, OptionalDouble.of(8), 32, "22:41", 1, true, "dense");
        assertThat(f.moreThanMetered().getAsDouble()).isCloseTo(2, within(1e-9));
        assertThat(FilmFrame.SHAPE.of(FilmFrame.SHAPE.values(f))).isEqualTo(f);
        assertThat(new FilmFrame("A", 7, "", 400, 8, OptionalDouble.empty(), 32, "", 0, false, "").moreThanMetered())
                .isEmpty();
    }
}
