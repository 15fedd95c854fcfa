package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A night at three places: 40 min from home and 15 on foot, then 25 and 10, then 30 to a car park. */
class StopsTest {

    private static final LocalDate DATE = LocalDate.parse("2027-06-04");
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Interval THERE = new Interval(clock(20, 0), clock(5, 0));
    private static final Trip TRIP = new Trip(
            THERE,
            List.of(stop("ledge", 40, 15, "loose edge"), stop("mole", 25, 10, "wet stone"), stop("quay", 30, 0, "")),
            Optional.empty());

    private static Stop stop(String name, int drive, int walk, String hazards) {
        return new Stop(name, Duration.ofMinutes(drive), Duration.ofMinutes(walk), hazards);
    }

    private static Instant clock(int hour, int minute) {
        return Night.at(DATE, LocalTime.of(hour, minute), ZONE);
    }

    private static Circumstances at(double latitude, double longitude) {
        Site site = new Site(latitude, longitude, 0);
        return Circumstances.of(
                Night.of(site, DATE, ZONE, NightRules.USUAL),
                Standpoint.at(site, Skyline.FLAT, SkyGlow.natural()),
                List.of());
    }

    private static final Circumstances C = at(37.6, -8.8);

    private static Plan plan(String name, int stop, int minutes, Wish wish) {
        return Take.of(name, new Free(minutes, false), name, RIG)
                .with(wish)
                .at(stop)
                .plan(C);
    }

    private static Plan at(String name, int stop, int minutes, int hour, int minute) {
        return plan(name, stop, minutes, Wish.at(LocalTime.of(hour, minute)));
    }

    private static Schedule arrange(Plan... plans) {
        return Schedule.arrange(List.of(plans), WorkTimes.USUAL, TRIP, THERE);
    }

    private static Instant opens(Schedule s, String name) {
        return s.slots().stream()
                .filter(x -> x.name().equals(name))
                .findFirst()
                .orElseThrow()
                .runs()
                .from();
    }

    @Test
    void the_way_goes_back_to_the_road_and_out_again() {
        assertThat(TRIP.way(0, 0)).isZero();
        assertThat(TRIP.way(0, 1)).isEqualTo(Duration.ofMinutes(15 + 25 + 10));
        assertThat(TRIP.way(0, 2)).isEqualTo(Duration.ofMinutes(15 + 25 + 30));
        assertThat(TRIP.change(1, 2)).isEqualTo(Duration.ofMinutes(15 + 10 + 30));
        assertThat(TRIP.change(1, 1)).isZero();
        assertThat(TRIP.wayTo(2)).isEqualTo(Duration.ofMinutes(40 + 25 + 30));
        assertThat(TRIP.stop(9).name()).isEqualTo("quay");
        assertThat(TRIP.way(1, 9)).isEqualTo(TRIP.way(1, 2));
        assertThatThrownBy(() -> new Trip(THERE, List.of(), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** The first ends at 22:30; packed at 22:45, there at 23:35, set up, focused and tested at 23:51. Another camera, and yet no sooner. */
    @Test
    void what_follows_elsewhere_waits_for_the_way_and_for_setting_up_anew() {
        Plan later = plan("later", 1, 10, Wish.of(Wish.Kind.DARK));
        Schedule s = arrange(at("first", 0, 30, 22, 0), later);
        assertThat(s.left()).isEmpty();
        assertThat(opens(s, "later")).isAfterOrEqualTo(clock(23, 51));
        Slot same = Schedule.arrange(
                        List.of(
                                Take.of("a", new Free(30, false), "one", RIG)
                                        .with(Wish.at(LocalTime.of(22, 0)))
                                        .plan(C),
                                Take.of("b", new Free(10, false), "one", RIG)
                                        .with(Wish.at(LocalTime.of(23, 51)))
                                        .at(1)
                                        .plan(C)),
                        WorkTimes.USUAL,
                        TRIP,
                        THERE)
                .slots()
                .get(1);
        assertThat(same.prepares().length()).isEqualTo(WorkTimes.USUAL.first());
    }

    @Test
    void a_minute_too_little_is_too_little() {
        assertThat(arrange(at("first", 0, 30, 22, 0), at("second", 1, 10, 23, 51))
                        .left())
                .isEmpty();
        assertThat(arrange(at("first", 0, 30, 22, 0), at("second", 1, 10, 23, 50))
                        .left())
                .singleElement()
                .satisfies(l -> assertThat(l.why())
                        .isInstanceOfSatisfying(
                                Schedule.Why.Taken.class,
                                w -> assertThat(w.several()).isTrue()));
    }

    /** Nobody goes back to a place that lies behind. */
    @Test
    void places_are_taken_in_their_order() {
        Schedule s = arrange(at("second", 1, 10, 22, 0), at("first", 0, 10, 23, 59));
        assertThat(s.slots()).hasSize(1);
        assertThat(s.left()).hasSize(1);
        assertThat(arrange(at("second", 0, 10, 22, 0), at("first", 0, 10, 23, 59))
                        .slots())
                .hasSize(2);
    }

    @Test
    void two_held_too_near_each_other_are_a_clash_with_a_way_out() {
        Plan first = at("first", 0, 30, 22, 0);
        Plan second = at("second", 1, 10, 23, 0).pinned(Optional.of(clock(23, 0)));
        Schedule s = new Schedule(
                List.of(
                        Slot.of(first, clock(22, 0), WorkTimes.USUAL.first(), false),
                        Slot.of(second, clock(23, 0), WorkTimes.USUAL.first(), false)),
                List.of());
        List<Clash> found = Clashes.of(s, TRIP, WorkTimes.USUAL).stream()
                .filter(k -> k.kind() == Clash.Kind.WAY)
                .toList();
        assertThat(found).singleElement().satisfies(k -> {
            assertThat(k.kind().hard()).isTrue();
            assertThat(k.takes()).containsExactly("first", "second");
            assertThat(k.reason()).isInstanceOfSatisfying(Clash.Reason.TooFar.class, r -> {
                assertThat(List.of(r.from().name(), r.to().name())).containsExactly("ledge", "mole");
                assertThat(r.change()).isEqualTo(Duration.ofMinutes(65));
                assertThat(r.begins()).isEqualTo(clock(23, 51));
            });
            assertThat(k.steps().get(0).at()).contains(clock(23, 51));
        });
        assertThat(Clashes.of(arrange(first, at("second", 1, 10, 23, 51)), TRIP, WorkTimes.USUAL))
                .extracting(Clash::kind)
                .containsOnly(Clash.Kind.WAY_BACK);
        // from the ledge and from the mole
        assertThat(Clashes.of(arrange(first, at("second", 1, 10, 23, 51)), TRIP, WorkTimes.USUAL))
                .hasSize(2)
                .first()
                .satisfies(k -> assertThat(k.reason()).isInstanceOfSatisfying(Clash.Reason.DarkWay.class, r -> {
                    assertThat(r.from().name()).isEqualTo("ledge");
                    assertThat(r.from().walk()).isEqualTo(Duration.ofMinutes(15));
                    assertThat(r.several()).isTrue();
                }));
    }

    /** From home 55 min before; without takes at the ledge nobody stops there, 65 min of road and 10 on foot to the mole. */
    @Test
    void the_sheet_goes_from_place_to_place() {
        Schedule s = arrange(at("first", 0, 30, 22, 0), at("second", 1, 10, 23, 51));
        List<RunSheet.Line> acts = RunSheet.of(C, s, TRIP, WorkTimes.USUAL).stream()
                .filter(l -> l.task().act() && l.take().isEmpty())
                .toList();
        assertThat(acts)
                .extracting(RunSheet.Line::when)
                .containsExactly(
                        clock(19, 5),
                        clock(20, 0),
                        clock(20, 1),
                        clock(22, 45),
                        clock(23, 35),
                        clock(0, 16),
                        clock(1, 31));
        assertThat(acts.get(1).task()).isEqualTo(new Task.Arrive(TRIP.stop(0), true, TRIP.turnBack()));
        assertThat(acts.get(3).task()).isEqualTo(new Task.GoOn(TRIP.stop(0), TRIP.stop(1), Duration.ofMinutes(25)));
        assertThat(acts.get(4).task()).isEqualTo(new Task.ArriveInTheDark(TRIP.stop(1)));
        assertThat(TRIP.stop(1).hazards()).isEqualTo("wet stone");
        assertThat(acts.get(5).task()).isEqualTo(new Task.Leave(TRIP.stop(1), true));
        assertThat(RunSheet.of(C, s, TRIP, WorkTimes.USUAL))
                .filteredOn(l -> l.task() instanceof Task.SetUp)
                .hasSize(2);
        assertThat(TRIP.stays(s))
                .containsExactly(
                        new Trip.Stay(0, new Interval(clock(20, 0), clock(22, 45))),
                        new Trip.Stay(1, new Interval(clock(23, 35), clock(0, 16))));
        assertThat(TRIP.stays(new Schedule(List.of(), List.of()))).containsExactly(new Trip.Stay(0, THERE));
        Schedule one = arrange(at("second", 1, 10, 23, 51));
        assertThat(TRIP.moves(one)).isEmpty();
        assertThat(TRIP.leavesHome(one)).isEqualTo(clock(18, 45));
        assertThat(TRIP.fromHome(one))
                .isEqualTo(new Stop("mole", Duration.ofMinutes(65), Duration.ofMinutes(10), "wet stone"));
        assertThat(TRIP.first(new Schedule(List.of(), List.of()))).isZero();
    }

    /** However takes are held, there is an answer: before one arrives, at the same hour in three places, after one has left. */
    @Test
    void takes_that_are_held_where_they_cannot_be_still_have_a_sheet() {
        for (int[] hours : new int[][] {{18, 23, 2}, {23, 23, 23}, {18, 18, 18}, {2, 23, 18}, {6, 6, 7}}) {
            List<Slot> slots = new ArrayList<>();
            for (int stop = 0; stop < 3; stop++) {
                Plan plan = at("take " + stop, stop, 10, 22, 0);
                slots.add(Slot.of(plan, clock(hours[stop], 0), WorkTimes.USUAL.first(), false));
            }
            slots.sort(Comparator.comparing(x -> x.runs().from()));
            Schedule s = new Schedule(slots, List.of());
            assertThat(TRIP.stays(s)).hasSize(3).extracting(Trip.Stay::stop).containsExactly(0, 1, 2);
            assertThat(RunSheet.of(C, s, TRIP, WorkTimes.USUAL)).isNotEmpty();
            assertThat(Clashes.of(s, TRIP, WorkTimes.USUAL)).isNotEmpty();
        }
    }

    /** 30° further east the core stands highest two hours earlier. */
    @Test
    void each_take_is_planned_under_the_sky_of_its_place() {
        Plan here = Take.of("here", new Free(10, false), "one", RIG)
                .with(Wish.of(Wish.Kind.SIGHT_HIGHEST))
                .plan(C);
        Plan there = here.take().at(1).plan(at(37.6, 21.2));
        assertThat(Duration.between(
                        there.when().best().orElseThrow(), here.when().best().orElseThrow()))
                .isBetween(Duration.ofMinutes(115), Duration.ofMinutes(125));
        assertThat(there.c().night().observer()).isNotEqualTo(here.c().night().observer());
    }

    @Test
    void a_take_before_one_at_another_place_does_not_change_places_with_it() {
        Schedule s = arrange(at("first", 0, 30, 22, 0), at("second", 1, 10, 23, 51));
        assertThat(s.earlier(s.slots().get(1), WorkTimes.USUAL)).isEmpty();
    }
}
