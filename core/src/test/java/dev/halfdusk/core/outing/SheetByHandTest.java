package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Answer;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Focus;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.Dew;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Run sheet, clashes and bag of plans that are put together by hand, each with one thing that a usual night has not. */
class SheetByHandTest {

    private static final Site SITE = new Site(37.6, -8.8, 0);
    private static final Night NIGHT =
            Night.of(SITE, LocalDate.parse("2027-06-04"), ZoneId.of("Europe/Lisbon"), NightRules.USUAL);
    private static final Circumstances C =
            Circumstances.of(NIGHT, Standpoint.at(SITE, Skyline.FLAT, SkyGlow.natural()), List.of());
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final Rig RIG = Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Instant OPENS = Instant.parse("2027-06-04T23:00:00Z");

    private static Plan plan(Rig rig, Program program, int minutes) {
        return plan(NamedCamera.of("Wide", rig), program, minutes, 0);
    }

    private static Plan plan(NamedCamera camera, Program program, int minutes, double battery) {
        Interval all = new Interval(OPENS.minusSeconds(7200), OPENS.plusSeconds(7200));
        return new Plan(
                Take.of("Take", new Free(minutes, false), camera),
                C,
                new Wish.When(List.of(all), Optional.empty()),
                Duration.ofMinutes(minutes),
                false,
                t -> program,
                t -> new Answer(new Direction(180, 20), Focus.STARS, Optional.empty(), List::of, List.of()),
                battery,
                0,
                List.of(),
                List.of());
    }

    private static Program.Step step(double after, double seconds, Front front) {
        return new Program.Step(
                OPENS.plusMillis(Math.round(1000 * after)),
                new Settings(seconds, 1.8, 800),
                1,
                0,
                FileFormat.RAW,
                "one",
                front);
    }

    /** One frame after the other, each a second and so much of a pause. */
    private static List<Program.Step> steps(int count, double pause) {
        List<Program.Step> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(step(i * (1 + pause), 1, Front.OPEN));
        }
        return all;
    }

    private static Slot slot(Plan plan, boolean swap) {
        return Slot.of(plan, OPENS, Duration.ofMinutes(16), swap);
    }

    private static List<Task> tasks(Slot slot) {
        Schedule one = new Schedule(List.of(slot), List.of());
        return RunSheet.of(C, one, Trip.of(NIGHT), WorkTimes.USUAL).stream()
                .filter(l -> l.take().equals("Take"))
                .map(RunSheet.Line::task)
                .toList();
    }

    private static Rig withRing() {
        Lens l = RIG.lens();
        return Rig.of(
                BODY,
                new Lens(
                        20,
                        20,
                        1.8,
                        1.8,
                        16,
                        Projection.RECTILINEAR,
                        l.transmission(),
                        false,
                        500,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty()));
    }

    /** A battery that is changed comes first, a ring that only a hand turns after setting up, at the same minute. */
    @Test
    void batteries_and_rings_are_for_hands() {
        Program one = Program.of("one", step(0, 1, Front.OPEN));
        assertThat(tasks(slot(plan(withRing(), one, 1), true)))
                .extracting(t -> (Object) t.getClass())
                .containsExactly(Task.ChangeBattery.class, Task.SetUp.class, Task.TurnRing.class, Task.Shoot.class);
        assertThat(tasks(slot(plan(RIG, one, 1), false)))
                .extracting(t -> (Object) t.getClass())
                .containsExactly(Task.SetUp.class, Task.Shoot.class);
    }

    /** Nine in a row are a script, eight are eight lines; five seconds of pause part them, and so does the cap. */
    @ParameterizedTest
    @CsvSource({"9, 0, 8", "8, 0, 0", "9, 4.9, 8", "9, 5, 0", "20, 0, 19"})
    void nobody_opens_nine_in_a_row_by_hand(int count, double pause, int last) {
        List<Program.Step> all = steps(count, pause);
        assertThat(RunSheet.fast(all, 0)).isEqualTo(last);
        assertThat(RunSheet.fast(all, 1)).isEqualTo(count - 2 >= 8 && last > 0 ? count - 1 : 1);
    }

    @Test
    void a_script_is_one_line_up_to_the_cap() {
        List<Program.Step> open = steps(10, 0.5);
        List<Program.Step> all =
                Stream.concat(open.stream(), Stream.of(step(15, 1, Front.CAP))).toList();
        assertThat(RunSheet.fast(all, 0)).isEqualTo(9);
        List<Task> tasks = tasks(slot(plan(RIG, Program.of("many", all.toArray(Program.Step[]::new)), 1), false));
        assertThat(tasks).hasSize(3);
        assertThat(tasks.get(1))
                .isInstanceOfSatisfying(
                        Task.Script.class, s -> assertThat(s.steps()).isEqualTo(open));
        assertThat(tasks.get(2))
                .isInstanceOfSatisfying(
                        Task.Shoot.class, s -> assertThat(s.step().front()).isEqualTo(Front.CAP));
    }

    /** A row is turned frame by frame, each line at the frame's own opening. */
    @Test
    void a_row_is_turned_frame_by_frame() {
        Plan row = Take.of("Take", Arch.KIND.usual(), "Wide", RIG)
                .with(Wish.at(LocalTime.of(23, 30)))
                .plan(C);
        Slot slot = slot(row, false);
        int frames = slot.answer().turns().size();
        assertThat(frames).isGreaterThan(3);
        Program.Step first = slot.program().steps().get(0);
        List<RunSheet.Line> lines =
                RunSheet.of(C, new Schedule(List.of(slot), List.of()), Trip.of(NIGHT), WorkTimes.USUAL);
        assertThat(lines)
                .filteredOn(l -> l.task() instanceof Task.TurnCamera)
                .hasSize(Math.min(frames, first.frames()))
                .extracting(l -> ((Task.TurnCamera) l.task()).frame(), RunSheet.Line::when)
                .startsWith(tuple(0, first.opening(0)), tuple(1, first.opening(1)));
    }

    /** On a lens of 20 mm somebody asks for 50, whether it has a time or not; one that can be set is not told of. */
    @Test
    void what_cannot_be_set_is_said() {
        Program one = Program.of("one", step(0, 1, Front.OPEN));
        Plan good = plan(RIG, one, 1);
        Plan asks = new Plan(
                good.take().set(50, 1.8),
                C,
                good.when(),
                good.lasts(),
                false,
                good.program(),
                good.answers(),
                0,
                0,
                List.of(),
                List.of());
        Trip trip = Trip.of(NIGHT);
        List<Clash> planned = Clashes.of(new Schedule(List.of(slot(asks, false)), List.of()), trip, WorkTimes.USUAL);
        assertThat(planned).singleElement().satisfies(k -> {
            assertThat(k.kind()).isEqualTo(Clash.Kind.LENS);
            assertThat(k.takes()).containsExactly("Take");
            assertThat(k.reason())
                    .isInstanceOfSatisfying(
                            Clash.Reason.Unset.class,
                            r -> assertThat(r.take().asked().onLensMm()).isEqualTo(50));
        });
        Schedule left = Schedule.arrange(
                List.of(asks), WorkTimes.USUAL, new Interval(OPENS.plusSeconds(20_000), OPENS.plusSeconds(20_060)));
        assertThat(left.slots()).isEmpty();
        assertThat(Clashes.of(left, trip, WorkTimes.USUAL))
                .extracting(Clash::kind)
                .containsExactly(Clash.Kind.LENS);
        assertThat(Clashes.of(new Schedule(List.of(slot(good, false)), List.of()), trip, WorkTimes.USUAL))
                .isEmpty();
    }

    /** A whole battery is enough; a little more is not, and a supply is not asked for what it has given already. */
    @Test
    void a_battery_may_be_emptied_to_the_last() {
        Program one = Program.of("one", step(0, 1, Front.OPEN));
        NamedCamera camera = NamedCamera.of("Wide", RIG);
        NamedCamera supplied = camera.with(new Gear.Battery(100, 100, true));
        assertThat(battery(plan(camera, one, 1, 1))).isEmpty();
        assertThat(battery(plan(camera, one, 1, 1.001))).containsExactly(Clash.Kind.BATTERY);
        assertThat(battery(plan(supplied, one, 1, 1))).isEmpty();
        assertThat(battery(plan(supplied, one, 1, 1.001))).containsExactly(Clash.Kind.BATTERY);
    }

    private static List<Clash.Kind> battery(Plan plan) {
        return Clashes.of(new Schedule(List.of(slot(plan, false)), List.of()), Trip.of(NIGHT), WorkTimes.USUAL).stream()
                .map(Clash::kind)
                .toList();
    }

    private static List<String> bag(int minutes, double celsius, double wind, double humidity, Program program) {
        Schedule one = new Schedule(List.of(slot(plan(RIG, program, minutes), false)), List.of());
        return Checklist.of(one, t -> Optional.of(new WeatherHour(t, 0, 0, 0, wind, celsius, humidity)), 12).stream()
                .map(Checklist.Item::what)
                .toList();
    }

    /** At each limit and just beyond it; the work of sixteen minutes counts to the night. */
    @Test
    void the_bag_changes_beyond_its_limits() {
        Program one = Program.of("one", step(0, 1, Front.OPEN));
        assertThat(bag(10, 10, 6, 30, one))
                .contains("a spare battery")
                .doesNotContain("warm clothes, gloves that turn a ring", "a weight for the tripod's hook", "lens cap");
        assertThat(bag(10, 9.9, 6.1, 30, one))
                .contains("warm clothes, gloves that turn a ring", "a weight for the tripod's hook");
        assertThat(bag(10, 0, 0, 30, one)).contains("a spare battery");
        assertThat(bag(10, -0.1, 0, 30, one)).contains("twice the batteries, kept warm");
        assertThat(bag(164, 12, 0, 30, one)).doesNotContain("water, something to eat, a seat");
        assertThat(bag(165, 12, 0, 30, one)).contains("water, something to eat, a seat");
        double spread3 = humidityOfSpread(3);
        assertThat(bag(10, 12, 0, spread3 - 0.01, one)).doesNotContain("heater band and its power bank");
        assertThat(bag(10, 12, 0, spread3 + 0.01, one)).contains("heater band and its power bank");
        assertThat(bag(10, 12, 0, 30, Program.of("dark", step(0, 1, Front.OPEN), step(2, 1, Front.CAP))))
                .contains("lens cap");
    }

    /** At 12 °C, by halving. */
    private static double humidityOfSpread(double kelvin) {
        double low = 1;
        double high = 100;
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            if (12 - Dew.pointC(12, middle) > kelvin) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
