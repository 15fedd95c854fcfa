package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Schedule;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Stop;
import dev.halfdusk.core.outing.Task;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** The sentences of the run sheet, of a night whose times the core's test knows. */
class SheetWordsTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final LocalDate DAY = LocalDate.parse("2027-06-04");
    private static final Lens LENS = new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR);
    private static final Rig RIG = rig(LENS);
    private static final Night NIGHT = Night.of(LEDGE, DAY, ZONE, NightRules.USUAL);
    private static final Circumstances C =
            Circumstances.of(NIGHT, Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)), List.of());
    private static final Stop CLIFF =
            new Stop("ledge", Duration.ofMinutes(40), Duration.ofMinutes(15), "cliff edge without fence");
    private static final Stop MOLE = new Stop("mole", Duration.ofMinutes(50), Duration.ofMinutes(10), "wet stone");
    private static final Trip TRIP =
            new Trip(new Interval(clock(19, 0), clock(4, 30)), List.of(CLIFF), Optional.of(clock(4, 30)));

    private static Rig rig(Lens lens) {
        return Rig.of(CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200), lens);
    }

    private static Instant clock(int hour, int minute) {
        return Night.at(DAY, LocalTime.of(hour, minute), ZONE);
    }

    private static Plan at(Rig rig, String name, Subject subject, int hour, int minute) {
        return Take.of(name, subject, "Wide", rig)
                .with(Wish.at(LocalTime.of(hour, minute)))
                .plan(C);
    }

    private static List<String> said(Circumstances c, Trip trip, Plan... plans) {
        Schedule schedule = Schedule.arrange(List.of(plans), WorkTimes.USUAL, trip, trip.there());
        return RunSheet.of(c, schedule, trip, WorkTimes.USUAL).stream()
                .map(l -> SheetWords.Line.of(l, NIGHT))
                .filter(SheetWords.Line::act)
                .map(SheetWords.Line::what)
                .toList();
    }

    @Test
    void every_line_of_the_sheet() {
        List<String> acts = said(
                C,
                TRIP,
                at(RIG, "Circles", new Trails(15, 30, 1, 5), 23, 0),
                at(RIG, "Coffee", new Free(15, false), 0, 30));
        assertThat(acts).hasSize(12);
        assertThat(acts.get(0))
                .isEqualTo("Leave home: 40 min on the road, 15 min on foot;"
                        + " say where you go and when you will be back");
        assertThat(acts.get(1))
                .isEqualTo("Arrive: walk the ground by daylight, note the way back;"
                        + " on the way back by 04:30 at the latest");
        assertThat(acts.get(2)).isEqualTo("See by daylight: cliff edge without fence");
        assertThat(acts.get(3))
                .matches("Set up Wide for Circles: tripod, level; focus on Vega, E(NE)?, \\d\\d\u00b0 up");
        assertThat(acts.get(4))
                .matches("Composition frame of Circles, looking 0\u00b0, 22\u00b0 up: .* s at ISO 51200 is as bright"
                        + " as the real one");
        assertThat(acts.get(5))
                .startsWith("Circles: 116 \u00d7 30 s, f/1.8, ISO ")
                .endsWith(", pause 1 s: timer 31 s from start to start");
        assertThat(acts.get(6)).startsWith("Circles: 5 \u00d7 30 s").endsWith("; dark frames, cap on");
        assertThat(acts.get(7)).isEqualTo("Aim Wide anew for Coffee, look at a star at full size");
        assertThat(acts.get(9)).startsWith("Coffee: 1 \u00d7 ").doesNotContain("timer");
        assertThat(acts.get(10)).isEqualTo("Leave: count what you carry, and say that you are on the way");
        assertThat(acts.get(11)).isEqualTo("Home: say so; dry lenses, charge, copy the cards");
    }

    /** Where the needle points 3.5\u00b0 west of north a true 172\u00b0 reads 176\u00b0. */
    @Test
    void bearings_are_the_compass_s_too_where_one_knows_how_far_it_is_off() {
        assertThat(SheetWords.bearing(172, OptionalDouble.empty())).isEqualTo("172\u00b0");
        assertThat(SheetWords.bearing(172, OptionalDouble.of(-3.5))).isEqualTo("172\u00b0 (176\u00b0 by compass)");
        assertThat(SheetWords.bearing(2, OptionalDouble.of(12))).isEqualTo("2\u00b0 (350\u00b0 by compass)");
        Circumstances known = new Circumstances(
                NIGHT, C.from(), C.known(), t -> Optional.empty(), 12, Demand.USUAL, OptionalDouble.of(10));
        Plan circles = Take.of("Circles", new Trails(15, 30, 1, 5), "Wide", RIG)
                .with(Wish.at(LocalTime.of(23, 0)))
                .plan(known);
        assertThat(said(known, TRIP, circles))
                .anyMatch(w -> w.contains("looking 0\u00b0 (350\u00b0 by compass), 22\u00b0 up"));
    }

    @Test
    void the_way_goes_from_place_to_place() {
        assertThat(words(new Task.Arrive(CLIFF, true, Optional.empty())))
                .isEqualTo("Arrive at ledge: walk the ground by daylight, note the way back");
        assertThat(words(new Task.GoOn(CLIFF, MOLE, Duration.ofMinutes(25))))
                .isEqualTo("Leave ledge for mole: count what you carry; 15 min back to the road, 25 min along it,"
                        + " 10 min on foot");
        assertThat(words(new Task.ArriveInTheDark(MOLE)))
                .isEqualTo("Arrive at mole: look over the ground with a lamp before anything is set up;"
                        + " hazards: wet stone");
        assertThat(words(new Task.ArriveInTheDark(Stop.HERE))).endsWith("before anything is set up");
        assertThat(words(new Task.Leave(MOLE, true))).startsWith("Leave mole: count what you carry");
        assertThat(words(new Task.TurnBack())).isEqualTo("Turn back now, whatever is unfinished");
    }

    private static String words(Task task) {
        return SheetWords.words(task, NIGHT);
    }

    private static Slot slot(Rig rig, Subject subject, int hour, int minute) {
        Plan plan = at(rig, "T", subject, hour, minute);
        Instant opens = clock(hour, minute);
        return new Slot(
                plan,
                new Interval(opens.minusSeconds(900), opens),
                new Interval(opens, opens.plus(plan.lasts())),
                true);
    }

    @Test
    void what_hands_do_at_the_camera() {
        Slot core = slot(RIG, new MilkyWay(0), 1, 30);
        String body = core.body().name();
        assertThat(words(new Task.ChangeBattery(core))).isEqualTo("Change the battery of " + body + " before T");
        assertThat(words(new Task.ChangeBatteryAfter(core, 16)))
                .isEqualTo("Change the battery of " + body + " after frame 16 of T");
        assertThat(words(new Task.Refocus(core, 4.4)))
                .isEqualTo("It is 4 \u00b0C colder than when Wide was focused: look at its last frame at full size,"
                        + " refocus between two frames");
        assertThat(words(new Task.Stay(core))).isEqualTo("T: stay with the camera");
        assertThat(words(new Task.TurnRing(core))).isEqualTo("Turn the lens of Wide to f/1.8 by hand");
        Slot display = slot(RIG, Fireworks.KIND.usual(), 23, 0);
        assertThat(words(new Task.Shoot(display, display.program().steps().get(0))))
                .startsWith("T: about ")
                .endsWith(", by hand: open at the flash, close when it fades");
        Slot arch = slot(RIG, Arch.KIND.usual(), 23, 30);
        assertThat(words(new Task.TurnCamera(arch, 0)))
                .startsWith("T: frame 1 of ")
                .endsWith("up, row 1");
        assertThat(words(new Task.TurnCamera(arch, 1))).matches("T: frame 2 of \\d+: .* up; .*(right|left)");
    }

    /** Many fast steps are one line; what stands before the lens is said where it changes. */
    @Test
    void a_script_is_one_line() {
        Slot core = slot(RIG, new MilkyWay(0), 1, 30);
        List<Program.Step> steps = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            steps.add(new Program.Step(
                    clock(1, 30).plusSeconds(i), new Settings(0.01, 8, 100), 2, 0, FileFormat.RAW, "beads " + i));
        }
        assertThat(words(new Task.Script(core, steps)))
                .startsWith("T: 18 frames by script, beads 0 to beads 8, until 01:30:08");
    }

    @Test
    void each_thing_is_focused_on_as_people_do() {
        Task.FocusAid light = new Task.FocusAid(true, Optional.empty(), Optional.empty());
        Task.FocusAid none = new Task.FocusAid(false, Optional.empty(), Optional.empty());
        assertThat(setUp(RIG, new MilkyWay(0), light)).endsWith("focus on something far while there is light");
        assertThat(setUp(RIG, new MilkyWay(0), none)).endsWith("focus on a distant light, ten metres off and more");
        assertThat(setUp(RIG, new Moon(1, 1), none)).endsWith("focus on the moon: a crater or its edge at full size");
        assertThat(setUp(RIG, new People(3, 4), none)).matches(".* on a lamp in the person's hand, [0-9.]+ m away");
        assertThat(setUp(RIG, Fireworks.KIND.usual(), none))
                .matches(".* on something as far as the bursts, [0-9.]+ m away, while there is light");
        assertThat(setUp(rig(LENS.infinityAt(OptionalDouble.of(1.2))), new MilkyWay(0), none))
                .endsWith("; the ring 1.2 mm before its stop, as last time");
        assertThat(setUp(rig(LENS.infinityAt(OptionalDouble.of(0))), new MilkyWay(0), none))
                .endsWith("; the ring at its stop before");
    }

    private static String setUp(Rig rig, Subject subject, Task.FocusAid aid) {
        return words(new Task.SetUp(slot(rig, subject, 1, 0), aid));
    }

    /** {@link Task.FocusAid} is no task. */
    @Test
    void no_task_is_without_words() {
        Slot core = slot(RIG, new MilkyWay(0), 1, 30);
        List<Class<?>> known = Arrays.asList(Task.class.getPermittedSubclasses());
        assertThat(known).hasSize(21);
        for (Task t : List.of(
                new Task.Home(),
                new Task.AimAnew(core),
                new Task.Sky(NIGHT.events().get(0)))) {
            assertThat(words(t)).isNotBlank();
        }
        assertThat(new Task.Sky(NIGHT.events().get(0)).act()).isFalse();
        assertThat(known).allMatch(SheetWords::says);
    }
}
