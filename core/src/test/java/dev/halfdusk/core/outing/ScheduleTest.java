package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;
import static org.assertj.core.api.Assertions.tuple;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
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
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Answer;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Focus;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
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

    private static final Site SITE = new Site(37.6, -8.8, 0);
    private static final Circumstances C = Circumstances.of(
            Night.of(SITE, LocalDate.parse("2027-06-08"), ZoneId.of("Europe/Lisbon"), NightRules.USUAL),
            Standpoint.at(SITE, Skyline.FLAT, SkyGlow.natural()),
            List.of());

    private static Instant at(int minute) {
        return DUSK.plus(Duration.ofMinutes(minute));
    }

    /** A plan is all that a schedule knows: this one is of no subject that there is. */
    private static Plan plan(
            String name, String camera, int minutes, boolean hands, Optional<Instant> best, Interval... windows) {
        return plan(name, NamedCamera.of(camera, RIG), minutes, hands, best, 0, windows);
    }

    private static Plan plan(
            String name,
            NamedCamera camera,
            int minutes,
            boolean hands,
            Optional<Instant> best,
            double battery,
            Interval... windows) {
        Take take = Take.of(name, new Free(Math.max(1, minutes), hands), camera);
        return new Plan(
                take,
                C,
                new Wish.When(List.of(windows), best),
                Duration.ofMinutes(minutes),
                hands,
                t -> Program.of(name, new Program.Step(t, new Settings(1, 1.8, 100), 1, 0, FileFormat.RAW, name)),
                t -> new Answer(new Direction(180, 20), Focus.STARS, Optional.empty(), List::of, List.of()),
                battery,
                0,
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
        return Schedule.arrange(List.of(plans), WorkTimes.USUAL, THERE);
    }

    /** Unpack, focus and test take 8 + 5 + 3 minutes before the first take of a camera, 3 + 3 before the next. */
    /** Two of one name and kind, each known by its own: both stand, one after the other; one take twice is no night. */
    @Test
    void takes_that_are_alike_are_told_apart_by_what_they_are_known_by() {
        Plan once = plan("core", "A", 30, false, Optional.of(at(60)), new Interval(at(0), at(120)));
        Plan again = new Plan(
                once.take().known(new Id("2")),
                once.c(),
                once.when(),
                once.lasts(),
                once.hands(),
                once.program(),
                once.answers(),
                once.battery(),
                once.megabytes(),
                once.risks(),
                once.chores());
        Schedule night = Schedule.arrange(List.of(once, again), WorkTimes.USUAL, THERE);
        assertThat(night.left()).isEmpty();
        assertThat(night.slots()).extracting(Slot::id).containsExactlyInAnyOrder(once.id(), new Id("2"));
        assertThat(night.slots().get(1).prepares().from())
                .isAfterOrEqualTo(night.slots().get(0).runs().to());
        assertThatThrownBy(() ->
                        Schedule.arrange(List.of(once, once.lasting(Duration.ofHours(1))), WorkTimes.USUAL, THERE))
                .isInstanceOf(IllegalArgumentException.class);
    }

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
        Plan stays = pinned.pinned(Optional.of(at(150)));
        Schedule s = arrange(
                stays,
                plan("arch", "A", 30, false, Optional.empty(), window(160, 200)),
                plan("moon", "A", 30, false, Optional.empty()),
                plan("early", "B", 30, false, Optional.empty(), window(-90, -30)));
        assertThat(slot(s, "free").runs()).isEqualTo(window(150, 210));
        assertThat(s.left()).extracting(l -> l.plan().take().name()).containsExactlyInAnyOrder("arch", "moon", "early");
        assertThat(why(s, "arch")).isEqualTo(new Schedule.Why.Taken(List.of("free"), false));
        assertThat(why(s, "moon")).isEqualTo(new Schedule.Why.NoWindow());
        assertThat(why(s, "early")).isEqualTo(new Schedule.Why.NotThere());
    }

    private static Schedule.Why why(Schedule s, String name) {
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
            WorkTimes habits = WorkTimes.USUAL.with(1 + night % 2);
            Schedule s = Schedule.arrange(plans, habits, THERE);
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
                        .isGreaterThanOrEqualTo(first ? WorkTimes.USUAL.first() : WorkTimes.USUAL.next());
                // from the times themselves: one body at a time, and no more that want hands than there are people
                assertThat(s.slots())
                        .noneMatch(o -> o != slot
                                && o.body().equals(slot.body())
                                && o.prepares().from().isBefore(slot.runs().to())
                                && slot.prepares().from().isBefore(o.runs().to()));
                Instant wanted = slot.prepares().from();
                assertThat(s.slots().stream()
                                .filter(o -> !o.prepares().from().isAfter(wanted)
                                        && wanted.isBefore(
                                                o.plan().hands()
                                                        ? o.runs().to()
                                                        : o.prepares().to())))
                        .hasSizeLessThanOrEqualTo(habits.people());
            }
            placed += s.slots().size();
            // the same whatever order they are named in
            List<Plan> shuffled = new ArrayList<>(plans);
            Collections.shuffle(shuffled, new Random(night));
            assertThat(Schedule.arrange(shuffled, habits, THERE).slots()).isEqualTo(s.slots());
        }
        assertThat(placed).isGreaterThan(2000);
    }

    /** Two rigs on one body: never at one time, and the second is unpacked and focused anew. */
    @Test
    void rigs_on_one_body_wait_for_each_other() {
        NamedCamera wide = new NamedCamera(Named.of("Wide"), Named.of("Body"), RIG, Optional.empty(), Optional.empty());
        NamedCamera tele = new NamedCamera(Named.of("Tele"), Named.of("Body"), RIG, Optional.empty(), Optional.empty());
        Schedule s = arrange(
                plan("a", wide, 30, false, Optional.of(at(200)), 0, window(190, 240)),
                plan("b", tele, 30, false, Optional.of(at(210)), 0, window(200, 400)));
        assertThat(slot(s, "b").runs().from()).isEqualTo(at(246)); // 230 and sixteen minutes of work
    }

    /** Two bodies of one model, which their owner calls the same, work side by side. */
    @Test
    void bodies_of_one_name_are_two() {
        Named first = new Named(Id.of(1), "Body");
        Named second = new Named(Id.of(2), "Body");
        NamedCamera one = new NamedCamera(new Named(Id.of(3), "Wide"), first, RIG, Optional.empty(), Optional.empty());
        NamedCamera other =
                new NamedCamera(new Named(Id.of(4), "Wide"), second, RIG, Optional.empty(), Optional.empty());
        Schedule s = arrange(
                plan("a", one, 60, false, Optional.of(at(200)), 0, window(190, 300)),
                plan("b", other, 30, false, Optional.of(at(230)), 0, window(200, 400)),
                plan("c", other, 10, false, Optional.of(at(300)), 0, window(290, 400)));
        assertThat(slot(s, "b").runs().from()).isEqualTo(at(230));
        assertThat(slot(s, "b").prepares()).isEqualTo(window(214, 230)); // its own setting up
        assertThat(slot(s, "c").prepares()).isEqualTo(window(294, 300));
        assertThat(slot(s, "a").sharesBody(slot(s, "b"))).isFalse();
    }

    /** 60 % and 50 % of one battery do not go together: one minute more before the second; after it 50 % are left. */
    @Test
    void a_battery_is_changed_between_takes_that_it_does_not_see_through() {
        NamedCamera a = NamedCamera.of("A", RIG);
        Schedule s = arrange(
                plan("one", a, 30, false, Optional.of(at(100)), 0.6, window(90, 400)),
                plan("two", a, 30, false, Optional.of(at(200)), 0.5, window(90, 400)),
                plan("three", a, 30, false, Optional.of(at(300)), 0.5, window(90, 400)),
                plan("other", NamedCamera.of("B", RIG), 30, false, Optional.of(at(380)), 0.6, window(90, 500)));
        assertThat(s.slots()).extracting(Slot::swap).containsExactly(false, true, false, false);
        assertThat(slot(s, "two").prepares()).isEqualTo(window(193, 200));
        assertThat(slot(s, "three").prepares()).isEqualTo(window(294, 300));
        // 2.3 batteries leave 0.3 used
        assertThat(Batteries.after(0, 2.3)).isCloseTo(0.3, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(Batteries.after(0.4, 0.6)).isEqualTo(1);
        assertThat(Batteries.swaps(0.4, 0.6)).isFalse();
        assertThat(Batteries.swaps(0, 1.5)).isFalse();
    }

    /** What two must do one after the other alone they do at once together; three at a time they are not. */
    @Test
    void two_pairs_of_hands_do_two_things_at_once() {
        List<Plan> plans = List.of(
                plan("a", "A", 40, true, Optional.of(at(100)), window(90, 145)),
                plan("b", "B", 40, true, Optional.of(at(100)), window(90, 145)),
                plan("c", "C", 40, true, Optional.of(at(100)), window(90, 145)));
        Schedule alone = Schedule.arrange(plans, WorkTimes.USUAL, THERE);
        assertThat(alone.slots()).extracting(Slot::name).containsExactly("a");
        Schedule both = Schedule.arrange(plans, WorkTimes.USUAL.with(2), THERE);
        assertThat(both.slots()).extracting(Slot::name).containsExactly("a", "b");
        assertThat(both.left()).extracting(l -> l.plan().take().name()).containsExactly("c");
        assertThat(Schedule.arrange(plans, WorkTimes.USUAL.with(3), THERE).left())
                .isEmpty();
    }

    /** Begun, it stays; done, it frees what follows; late, it pushes; skipped, it is gone. */
    @Test
    void what_happened_in_the_field_decides() {
        Plan first = plan("first", "A", 60, false, Optional.of(at(100)), window(90, 400));
        Plan next = plan("next", "A", 30, false, Optional.of(at(120)), window(90, 400));
        Schedule planned = arrange(first, next);
        assertThat(slot(planned, "next").runs().from()).isEqualTo(at(166));
        Slot running = slot(planned, "first");

        Plan done = Progress.done(running, at(120)).of(first);
        Schedule after = Schedule.arrange(List.of(done, next), WorkTimes.USUAL, new Interval(at(120), THERE.to()));
        assertThat(slot(after, "first").runs()).isEqualTo(window(100, 120));
        assertThat(slot(after, "next").runs().from()).isEqualTo(at(126));

        Plan late = Progress.late(running, Duration.ofMinutes(10)).of(first);
        Schedule pushed = arrange(late, next);
        assertThat(slot(pushed, "first").runs()).isEqualTo(window(110, 170));
        assertThat(slot(pushed, "next").runs().from()).isEqualTo(at(176));

        // what is said keeps what has begun, unless something was said of it before
        assertThat(Progress.said(planned, at(110), x -> false, Map.of()))
                .hasSize(1)
                .containsKey(running)
                .allSatisfy((x, p) -> assertThat(p.of(first).take().pinned()).contains(at(100)));
        assertThat(Progress.said(planned, at(110), x -> true, Map.of())).isEmpty();
        assertThat(Progress.said(planned, at(80), x -> false, Map.of())).isEmpty();
        assertThat(Progress.said(planned, at(110), x -> false, Map.of(running, Progress.leftOut())))
                .containsExactly(entry(running, Progress.leftOut()));
        // at 84 the first is prepared, at 160 it has closed and the next is prepared, at 170 that runs; done ones do
        // not count
        assertThat(planned.at(at(83), x -> false)).extracting(Slot::name).containsExactly("first");
        assertThat(planned.at(at(120), x -> false)).extracting(Slot::name).containsExactly("first");
        assertThat(planned.at(at(160), x -> false)).extracting(Slot::name).containsExactly("next");
        assertThat(planned.at(at(120), x -> x == running))
                .extracting(Slot::name)
                .containsExactly("next");
        assertThat(planned.at(at(500), x -> false)).isEmpty();
        assertThat(Progress.AHEAD.of(first)).isEqualTo(first);
        // done before it began takes no time; done after its end keeps its end
        assertThat(Progress.done(running, at(80)).of(first).lasts()).isZero();
        assertThat(Progress.done(running, at(300)).closed()).contains(at(160));
        assertThat(Progress.leftOut().skipped()).isTrue();
    }

    /** Late by ten minutes: one held right after it is pushed on, one held an hour later is not, one held before neither. */
    @Test
    void who_is_late_pushes_what_is_held_right_behind() {
        Plan before = plan("before", "A", 10, false, Optional.empty()).pinned(Optional.of(at(50)));
        Plan first = plan("first", "A", 60, false, Optional.empty()).pinned(Optional.of(at(100)));
        Plan behind = plan("behind", "A", 20, false, Optional.empty()).pinned(Optional.of(at(168)));
        Plan later = plan("later", "A", 20, false, Optional.empty()).pinned(Optional.of(at(260)));
        Plan other = plan("other", "B", 20, false, Optional.empty()).pinned(Optional.of(at(130)));
        Schedule s = arrange(before, first, behind, later, other);
        assertThat(Progress.late(s, slot(s, "first"), Duration.ofMinutes(10)).entrySet())
                .extracting(e -> e.getKey().name(), e -> e.getValue().opened().orElseThrow())
                .containsExactly(tuple("first", at(110)), tuple("behind", at(178)));
    }

    /** The later opens when the other did; that one after its thirty minutes and six of work. */
    @Test
    void a_take_changes_places_with_the_one_before_it() {
        Schedule s = arrange(
                plan("a", "A", 20, false, Optional.of(at(100)), window(90, 400)),
                plan("b", "A", 30, false, Optional.of(at(200)), window(90, 400)));
        assertThat(s.earlier(slot(s, "b"), WorkTimes.USUAL))
                .containsOnly(entry(slot(s, "b"), at(100)), entry(slot(s, "a"), at(136)));
        assertThat(s.earlier(slot(s, "a"), WorkTimes.USUAL)).isEmpty();
    }
}
