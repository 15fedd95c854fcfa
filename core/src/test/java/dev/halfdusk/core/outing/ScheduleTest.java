package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class ScheduleTest {

    private static final Instant DUSK = Instant.parse("2027-06-08T20:00:00Z");
    private static final Interval THERE = new Interval(DUSK, DUSK.plus(Duration.ofHours(9)));
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));

    private static Instant at(int minute) {
        return DUSK.plus(Duration.ofMinutes(minute));
    }

    /** A plan is all that a schedule knows: this one is of no subject that there is. */
    private static Plan plan(
            String name, String camera, int minutes, boolean hands, Optional<Instant> best, Interval... windows) {
        Take take = Take.of(name, new Subject.Free(name, Math.max(1, minutes), hands), camera, RIG);
        return new Plan(
                take,
                new Wish.When(List.of(windows), best),
                Duration.ofMinutes(minutes),
                hands,
                t -> Program.of(name, new Program.Step(t, new Settings(1, 1.8, 100), 1, 0, FileFormat.RAW, name)),
                List.of(),
                List.of());
    }

    private static Interval window(int from, int to) {
        return new Interval(at(from), at(to));
    }

    private static Slot slot(Schedule s, String name) {
        return s.slots().stream()
                .filter(x -> x.plan().take().name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Schedule arrange(Plan... plans) {
        return Schedule.arrange(List.of(plans), Habits.USUAL, THERE);
    }

    /** Unpack, focus and test take 8 + 5 + 3 minutes before the first take of a camera, 3 + 3 before the next. */
    @Test
    void work_comes_before_each_take() {
        Schedule s = arrange(
                plan("core", "A", 30, false, Optional.of(at(200)), window(100, 400)),
                plan("trails", "A", 60, false, Optional.of(at(250)), window(100, 400)));
        assertThat(slot(s, "core").runs()).isEqualTo(window(200, 230));
        assertThat(slot(s, "core").prepares()).isEqualTo(window(184, 200));
        assertThat(slot(s, "trails").runs()).isEqualTo(window(250, 310));
        assertThat(slot(s, "trails").prepares()).isEqualTo(window(244, 250));
        assertThat(s.left()).isEmpty();
    }

    /** With the best of both at one time the second waits until camera and hands are free: 230 + 6 minutes of work. */
    @Test
    void one_camera_takes_one_after_the_other() {
        Schedule s = arrange(
                plan("a", "A", 30, false, Optional.of(at(200)), window(180, 240)),
                plan("b", "A", 30, false, Optional.of(at(210)), window(100, 400)));
        assertThat(slot(s, "a").runs().from()).isEqualTo(at(200));
        assertThat(slot(s, "b").runs().from()).isEqualTo(at(236));
    }

    /** Another camera runs beside one that needs nobody; but while hands are at a panorama nothing else is set up. */
    @Test
    void several_cameras_share_one_pair_of_hands() {
        Schedule free = arrange(
                plan("trails", "A", 120, false, Optional.of(at(100)), window(60, 400)),
                plan("core", "B", 30, false, Optional.of(at(130)), window(100, 400)));
        assertThat(slot(free, "core").runs().from()).isEqualTo(at(130));
        Schedule held = arrange(
                plan("panorama", "A", 40, true, Optional.of(at(100)), window(90, 145)),
                plan("core", "B", 30, false, Optional.of(at(120)), window(60, 400)));
        assertThat(slot(held, "panorama").runs().from()).isEqualTo(at(100));
        // 100 + 40 + 16 minutes of work is 36 late; set up before the panorama's own work begins at 84: 16 earlier
        assertThat(slot(held, "core").runs().from()).isEqualTo(at(84));
    }

    @Test
    void pinned_takes_stay_and_what_finds_no_room_says_why() {
        Plan pinned = plan("free", "A", 60, false, Optional.empty());
        Plan stays = new Plan(
                pinned.take().pinnedAt(at(150)),
                pinned.when(),
                pinned.lasts(),
                false,
                pinned.program(),
                List.of(),
                List.of());
        Schedule s = arrange(
                stays,
                plan("arch", "A", 30, false, Optional.empty(), window(160, 200)),
                plan("moon", "A", 30, false, Optional.empty()),
                plan("early", "B", 30, false, Optional.empty(), window(-90, -30)));
        assertThat(slot(s, "free").runs()).isEqualTo(window(150, 210));
        assertThat(s.left()).extracting(l -> l.plan().take().name()).containsExactlyInAnyOrder("arch", "moon", "early");
        assertThat(why(s, "arch")).isEqualTo("its window is taken by free");
        assertThat(why(s, "moon")).startsWith("the night has no window");
        assertThat(why(s, "early")).contains("before you arrive");
    }

    private static String why(Schedule s, String name) {
        return s.left().stream()
                .filter(l -> l.plan().take().name().equals(name))
                .findFirst()
                .orElseThrow()
                .why();
    }

    /** Placed by the order of their freedom alone the long one would be shut out; tried again first it is not. */
    @Test
    void what_is_stuck_is_tried_before_the_others() {
        Schedule s = arrange(
                plan("a", "A", 20, false, Optional.of(at(150)), window(100, 200)),
                plan("b", "A", 90, false, Optional.of(at(100)), window(60, 240)),
                plan("c", "A", 20, false, Optional.of(at(190)), window(100, 260)));
        assertThat(s.left()).isEmpty();
    }

    private static List<Plan> some(SplittableRandom random) {
        List<Plan> plans = new ArrayList<>();
        int count = 1 + random.nextInt(12);
        for (int i = 0; i < count; i++) {
            List<Interval> windows = new ArrayList<>();
            int from = random.nextInt(200) - 20;
            int minutes = 3 + random.nextInt(100);
            for (int k = random.nextInt(3); k > 0; k--) {
                int to = from + minutes + random.nextInt(150);
                windows.add(window(from, to));
                from = to + 5 + random.nextInt(60);
            }
            Optional<Instant> best = random.nextBoolean() ? Optional.of(at(random.nextInt(500))) : Optional.empty();
            Plan p = plan(
                    "take " + i,
                    "camera " + random.nextInt(3),
                    minutes,
                    random.nextInt(3) == 0,
                    best,
                    windows.toArray(Interval[]::new));
            plans.add(p);
        }
        return plans;
    }

    @Test
    void a_thousand_nights_keep_windows_cameras_and_hands() {
        SplittableRandom random = new SplittableRandom(14);
        int placed = 0;
        for (int night = 0; night < 1000; night++) {
            List<Plan> plans = some(random);
            Schedule s = Schedule.arrange(plans, Habits.USUAL, THERE);
            assertThat(s.slots().size() + s.left().size()).isEqualTo(plans.size());
            for (Slot slot : s.slots()) {
                assertThat(slot.plan().when().windows())
                        .anyMatch(w -> !slot.runs().from().isBefore(w.from())
                                && !slot.runs().to().isAfter(w.to()));
                assertThat(slot.prepares().from()).isAfterOrEqualTo(THERE.from());
                assertThat(slot.runs().to()).isBeforeOrEqualTo(THERE.to());
                assertThat(slot.program().span().from()).isEqualTo(slot.runs().from());
                boolean first = s.slots().stream()
                        .filter(o -> o.camera().equals(slot.camera()))
                        .allMatch(o -> !o.runs().from().isBefore(slot.runs().from()));
                assertThat(slot.prepares().length())
                        .isGreaterThanOrEqualTo(first ? Habits.USUAL.first() : Habits.USUAL.next());
                for (Slot other : s.slots()) {
                    assertThat(other != slot && slot.collides(other)).isFalse();
                }
            }
            placed += s.slots().size();
            // the same whatever order they are named in
            List<Plan> shuffled = new ArrayList<>(plans);
            Collections.shuffle(shuffled, new Random(night));
            assertThat(Schedule.arrange(shuffled, Habits.USUAL, THERE).slots()).isEqualTo(s.slots());
        }
        assertThat(placed).isGreaterThan(2000);
    }
}
