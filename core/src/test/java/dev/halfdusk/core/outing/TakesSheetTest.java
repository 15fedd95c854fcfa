package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
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
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Ground;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.Cold;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** One night of takes by hand-made values: 4 June 2027 on a coast at 37.6° N, new moon. */
class TakesSheetTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Night NIGHT = Night.of(LEDGE, LocalDate.parse("2027-06-04"), ZONE, NightRules.USUAL);
    private static final Circumstances C = Circumstances.of(
            NIGHT,
            Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)),
            List.of(new Mark("Arch", 176, 140, 24, 13, 0)));
    private static final Interval THERE = new Interval(clock(19, 0), clock(4, 30));

    private static Instant clock(int hour, int minute) {
        return Night.at(LocalDate.parse("2027-06-04"), LocalTime.of(hour, minute), ZONE);
    }

    private static Plan at(String name, Subject subject, String camera, int hour, int minute) {
        return Take.of(name, subject, camera, RIG)
                .with(Wish.at(LocalTime.of(hour, minute)))
                .plan(C);
    }

    private static Schedule night() {
        return Schedule.arrange(
                List.of(
                        at("Circles", new Trails(15, 30, 1, 5), "Wide", 23, 0),
                        at("Coffee", new Free(15, false), "Wide", 0, 30)),
                WorkTimes.USUAL,
                THERE);
    }

    private static final Trip TRIP = new Trip(
            THERE,
            List.of(new Stop("", Duration.ofMinutes(40), Duration.ofMinutes(15), "cliff edge without fence")),
            Optional.of(clock(4, 30)));

    /** The same takes at the same times, under another forecast. */
    private static Schedule under(Circumstances c, Schedule s) {
        return new Schedule(
                s.slots().stream()
                        .map(x -> new Slot(x.plan().take().plan(c), x.prepares(), x.runs(), x.swap()))
                        .toList(),
                s.left());
    }

    private static List<RunSheet.Line> acts(Circumstances c, Schedule schedule) {
        return RunSheet.of(c, under(c, schedule), TRIP, WorkTimes.USUAL).stream()
                .filter(l -> l.task().act())
                .toList();
    }

    /** Those of a kind. */
    private static <T extends Task> List<T> tasks(List<RunSheet.Line> lines, Class<T> kind) {
        return lines.stream()
                .map(RunSheet.Line::task)
                .filter(kind::isInstance)
                .map(kind::cast)
                .toList();
    }

    /** Home 55 minutes before 19:00; out fifteen minutes after the last frame at 00:45; home 55 minutes later. */
    @Test
    void every_line_of_the_sheet() {
        List<RunSheet.Line> acts = acts(C, night());
        assertThat(acts)
                .extracting(RunSheet.Line::when)
                .containsExactly(
                        clock(18, 5),
                        clock(19, 0),
                        clock(19, 1),
                        clock(22, 44),
                        clock(22, 57),
                        clock(23, 0),
                        clock(23, 0).plusSeconds(3595 + 60),
                        clock(0, 24),
                        clock(0, 27),
                        clock(0, 30),
                        clock(1, 0),
                        clock(1, 55));
        assertThat(acts)
                .extracting(l -> (Object) l.task().getClass())
                .containsExactly(
                        Task.LeaveHome.class,
                        Task.Arrive.class,
                        Task.SeeByDaylight.class,
                        Task.SetUp.class,
                        Task.Compose.class,
                        Task.Shoot.class,
                        Task.Shoot.class,
                        Task.AimAnew.class,
                        Task.Compose.class,
                        Task.Shoot.class,
                        Task.Leave.class,
                        Task.Home.class);
        Stop home = tasks(acts, Task.LeaveHome.class).get(0).to();
        assertThat(List.of(home.drive().toMinutes(), home.walk().toMinutes())).containsExactly(40L, 15L);
        assertThat(tasks(acts, Task.Arrive.class).get(0).turnBack()).contains(clock(4, 30));
        // at 22:44 Arcturus stands too high to look at; Vega, second to it in the north, is half way up in the east
        Task.FocusAid aid = tasks(acts, Task.SetUp.class).get(0).aid();
        assertThat(aid.stillLight()).isFalse();
        assertThat(aid.star().orElseThrow().name()).isEqualTo("Vega");
        assertThat(aid.at().orElseThrow().altitudeDeg()).isBetween(20.0, 65.0);
        assertThat(aid.at().orElseThrow().azimuthDeg()).isBetween(60.0, 100.0);
        assertThat(tasks(acts, Task.Compose.class).get(0).frame().settings().iso())
                .isEqualTo(51_200);
        assertThat(tasks(acts, Task.Shoot.class))
                .extracting(
                        t -> t.slot().name(),
                        t -> t.step().frames(),
                        t -> t.step().dark())
                .containsExactly(tuple("Circles", 116, false), tuple("Circles", 5, true), tuple("Coffee", 1, false));
        assertThat(acts)
                .extracting(RunSheet.Line::take)
                .startsWith("", "", "", "Circles")
                .endsWith("Coffee", "", "");
    }

    /** Who is still at it when it is time is told to go: at that minute, and not before or after. */
    @Test
    void who_is_not_done_turns_back_on_time() {
        Trip tide = new Trip(new Interval(clock(19, 0), clock(0, 50)), List.of(Stop.HERE), Optional.of(clock(0, 50)));
        assertThat(RunSheet.of(C, night(), tide, WorkTimes.USUAL))
                .filteredOn(l -> l.task() instanceof Task.TurnBack)
                .extracting(RunSheet.Line::when)
                .containsExactly(clock(0, 50));
    }

    /** Without a way nothing is said of it, and there is no turning back where none is set. */
    @Test
    void a_night_at_the_door_has_no_way() {
        List<RunSheet.Line> lines = RunSheet.of(C, night(), Trip.of(NIGHT), WorkTimes.USUAL);
        assertThat(lines)
                .noneMatch(l -> l.task() instanceof Task.LeaveHome
                        || l.task() instanceof Task.Home
                        || l.task() instanceof Task.TurnBack
                        || l.task() instanceof Task.SeeByDaylight);
        assertThat(tasks(lines, Task.Leave.class))
                .singleElement()
                .satisfies(t -> assertThat(t.several()).isFalse());
    }

    @Test
    void what_the_sky_does_stands_between() {
        List<RunSheet.Line> lines = RunSheet.of(C, night(), TRIP, WorkTimes.USUAL);
        assertThat(lines)
                .filteredOn(l -> !l.task().act())
                .hasSize(NIGHT.events().size());
        for (int i = 1; i < lines.size(); i++) {
            assertThat(lines.get(i).when()).isAfterOrEqualTo(lines.get(i - 1).when());
        }
    }

    @Test
    void someone_stays_with_a_panorama() {
        Schedule s = Schedule.arrange(List.of(at("Arch", Arch.KIND.usual(), "Wide", 23, 30)), WorkTimes.USUAL, THERE);
        assertThat(tasks(acts(C, s), Task.Stay.class))
                .extracting(t -> t.slot().name())
                .containsExactly("Arch");
    }

    private static Circumstances weather(Function<Instant, WeatherHour> hour) {
        return new Circumstances(
                C.night(),
                C.from(),
                C.known(),
                t -> Optional.of(hour.apply(t)),
                12,
                Demand.USUAL,
                OptionalDouble.empty());
    }

    /** A battery for 50 of 116 frames: changed after 16 and 66, so that the long arcs come last, in the pause of a second. */
    @Test
    void batteries_are_changed_where_the_arcs_are_short() {
        double factor = Cold.batteryFactor(C.celsius());
        NamedCamera weak = NamedCamera.of("Wide", RIG).with(new Gear.Battery(50 / factor, 10_000));
        Plan plan = Take.of("Circles", new Trails(15, 30, 1, 0), weak)
                .with(Wish.at(LocalTime.of(23, 0)))
                .plan(C);
        Schedule s = Schedule.arrange(List.of(plan), WorkTimes.USUAL, THERE);
        assertThat(acts(C, s))
                .filteredOn(l -> l.task() instanceof Task.ChangeBatteryAfter)
                .extracting(l -> ((Task.ChangeBatteryAfter) l.task()).frame(), RunSheet.Line::when)
                .containsExactly(
                        tuple(16, clock(23, 0).plusSeconds(16 * 31 - 1)),
                        tuple(66, clock(23, 0).plusSeconds(66 * 31 - 1)));
        assertThat(clashes(C, s, TRIP))
                .filteredOn(k -> k.kind() == Clash.Kind.BATTERY)
                .singleElement()
                .satisfies(k -> assertThat(k.reason())
                        .isInstanceOfSatisfying(
                                Clash.Reason.Batteries.class,
                                r -> assertThat(r.slot().plan().battery()).isCloseTo(2.3, within(0.05))));
    }

    /** Two takes of 61 minutes on a supply for 100: none is changed, and the second is told that it runs out. */
    @Test
    void a_supply_is_never_changed_and_runs_out_once_for_the_night() {
        double factor = Cold.batteryFactor(C.celsius());
        NamedCamera fed = NamedCamera.of("Wide", RIG).with(new Gear.Battery(20_000, 100 / factor, true));
        List<Plan> plans = Stream.of(LocalTime.of(22, 30), LocalTime.of(23, 45))
                .map(t -> Take.of("Circles " + t, new Trails(15, 30, 1, 0), fed)
                        .with(Wish.at(t))
                        .plan(C))
                .toList();
        Schedule s = Schedule.arrange(plans, WorkTimes.USUAL, THERE);
        assertThat(s.slots()).hasSize(2).noneMatch(Slot::swap);
        assertThat(acts(C, s))
                .noneMatch(l -> l.task() instanceof Task.ChangeBattery || l.task() instanceof Task.ChangeBatteryAfter);
        assertThat(clashes(C, s, TRIP))
                .filteredOn(k -> k.kind() == Clash.Kind.BATTERY)
                .singleElement()
                .satisfies(k -> assertThat(k.reason()).isInstanceOfSatisfying(Clash.Reason.SupplyEmpty.class, r -> {
                    assertThat(r.slot().name()).isEqualTo("Circles 23:45");
                    assertThat(r.share()).isCloseTo(1.21, within(0.02)); // twice an hour, of 100 minutes
                }));
        assertThat(Power.swaps(new Gear.Battery(20_000, 100, true), 20, new Sequence(300, 30, 1)))
                .isEmpty();
    }

    /** Five degrees an hour from 22:00 on: four less than at 22:44 come at 23:32, looked for each ten minutes from 23:00. */
    @Test
    void a_colder_lens_is_focused_again() {
        Circumstances cooling = weather(t -> new WeatherHour(
                t, 0, 0, 0, 1, 15 - Duration.between(clock(22, 0), t).toSeconds() / 720.0, 50));
        assertThat(acts(cooling, night()))
                .filteredOn(l -> l.task() instanceof Task.Refocus)
                .singleElement()
                .satisfies(l -> {
                    assertThat(l.when()).isEqualTo(clock(23, 40));
                    // 56 minutes at five degrees an hour, by hours of forecast that are met in between
                    assertThat(((Task.Refocus) l.task()).colderK()).isCloseTo(4.67, within(0.1));
                });
        Circumstances steady = weather(t -> new WeatherHour(t, 0, 0, 0, 1, 15, 50));
        assertThat(tasks(acts(steady, night()), Task.Refocus.class)).isEmpty();
    }

    /** An hour before the sunset of 20:55, half an hour after the sunrise of 06:13 or at the clock of turning back. */
    @Test
    void the_trip_is_the_suns_unless_one_must_turn_back() {
        Trip free = Trip.of(NIGHT);
        assertThat(Duration.between(
                        free.there().from(), NIGHT.set(HorizonEvent.Kind.SUN).orElseThrow()))
                .isEqualTo(Duration.ofMinutes(60));
        assertThat(Duration.between(
                        NIGHT.rise(HorizonEvent.Kind.SUN).orElseThrow(),
                        free.there().to()))
                .isEqualTo(Duration.ofMinutes(30));
        Trip tide = Trip.of(NIGHT, List.of(Stop.HERE), Optional.of(LocalTime.of(3, 10)));
        assertThat(tide.there().to()).isEqualTo(clock(3, 10));
        assertThat(tide.turnBack()).contains(clock(3, 10));
        // by day there is no turning back from the night
        assertThat(Trip.of(NIGHT, List.of(Stop.HERE), Optional.of(LocalTime.of(15, 0)))
                        .turnBack())
                .isEmpty();
        assertThat(free.from(clock(23, 30)).from()).isEqualTo(clock(23, 30));
        assertThat(free.from(clock(18, 0))).isEqualTo(free.there());
        assertThat(free.from(clock(11, 0)).length()).isZero();
        assertThat(tide.leaves(night())).isEqualTo(clock(1, 0));
        assertThat(tide.leaves(new Schedule(List.of(), List.of()))).isEqualTo(clock(3, 10));
    }

    private static List<String> bag(double celsius, double humidity, double wind) {
        return Checklist.of(night(), t -> Optional.of(new WeatherHour(t, 0, 0, 0, wind, celsius, humidity)), 12)
                .stream()
                .map(Checklist.Item::what)
                .toList();
    }

    /** 12 °C and 90 % are 1.6 K over the dew point, 12 °C and 50 % ten; the night goes from 22:44 to 00:45. */
    @Test
    void the_bag_follows_takes_and_weather() {
        assertThat(bag(12, 50, 2))
                .contains("tripod", "interval timer", "lens cap", "a spare battery")
                .contains("Wide, its card empty and battery full")
                .doesNotContain("heater band and its power bank", "warm clothes, gloves that turn a ring")
                .doesNotContain("a weight for the tripod's hook", "water, something to eat, a seat")
                .doesNotHaveDuplicates();
        assertThat(bag(12, 90, 7)).contains("heater band and its power bank", "a weight for the tripod's hook");
        assertThat(bag(-3, 50, 2))
                .contains("warm clothes, gloves that turn a ring", "twice the batteries, kept warm")
                .doesNotContain("a spare battery");
        Schedule none = new Schedule(List.of(), List.of());
        assertThat(Checklist.of(none, t -> Optional.empty(), 12)).hasSize(2);
    }

    private static List<Clash> clashes(Circumstances c, Schedule s, Trip trip) {
        return Clashes.of(under(c, s), trip, WorkTimes.USUAL);
    }

    private static Slot slot(Plan plan, Instant opens) {
        return Slot.of(plan, opens, Duration.ofMinutes(6), false);
    }

    private static Schedule by(Slot... slots) {
        return new Schedule(List.of(slots), List.of());
    }

    private static final Trip WHOLE = Trip.of(NIGHT);

    @Test
    void clashes_of_a_night_arranged_by_hand() {
        Plan trails = at("Circles", new Trails(15, 30, 1, 5), "Wide", 23, 0);
        Plan portrait = at("Friend", new People(4, 4), "Wide", 23, 30);
        Plan panorama = at("Arch", Arch.KIND.usual(), "Other", 23, 30);
        Plan lamp = at("Hut", new Free(10, true), "Third", 23, 31);
        List<Clash> found = clashes(
                C,
                by(
                        slot(trails, clock(23, 0)),
                        slot(portrait, clock(23, 30)),
                        slot(panorama, clock(23, 30)),
                        slot(lamp, clock(5, 0))),
                new Trip(THERE, List.of(Stop.HERE), Optional.empty()));
        assertThat(found)
                .extracting(Clash::kind)
                .containsExactly(Clash.Kind.CAMERA, Clash.Kind.HANDS, Clash.Kind.AWAY, Clash.Kind.WINDOW);
        // 64 minutes and six of work
        assertThat(found.get(0).reason()).isInstanceOfSatisfying(Clash.Reason.OneCamera.class, r -> {
            assertThat(List.of(r.first().name(), r.second().name())).containsExactly("Circles", "Friend");
            assertThat(NIGHT.clock(r.begins())).isEqualTo("00:10");
        });
        assertThat(found.get(1).takes()).containsExactly("Friend", "Arch");
        assertThat(found.get(3).reason())
                .isInstanceOfSatisfying(
                        Clash.Reason.OutsideWish.class,
                        r -> assertThat(r.slot().plan().when().windows())
                                .containsExactly(new Interval(clock(23, 31), clock(23, 41))));
        assertThat(clashes(C, night(), WHOLE)).isEmpty();
        // one after the other is none: 23:30 is when the first has just ended
        Plan first = at("First", new Free(24, false), "Wide", 23, 0);
        assertThat(clashes(C, by(slot(first, clock(23, 0)), slot(portrait, clock(23, 30))), WHOLE))
                .isEmpty();
    }

    private static Slot held(Subject subject, int hour, int minute) {
        return slot(at("T", subject, "Wide", hour, minute), clock(hour, minute));
    }

    private static List<Clash.Kind> kinds(Circumstances c, Slot... slots) {
        return clashes(c, by(slots), WHOLE).stream().map(Clash::kind).toList();
    }

    /** Dark from about 22:50 to 04:15; the core, 10° up from about 23:40, is lower before. */
    @Test
    void what_the_sky_does_not_give_is_said() {
        assertThat(kinds(C, held(new MilkyWay(0), 1, 30))).isEmpty();
        assertThat(kinds(C, held(new MilkyWay(0), 22, 15))).containsExactly(Clash.Kind.TWILIGHT, Clash.Kind.SKYLINE);
        assertThat(kinds(C, held(new Ground(2, 30), 22, 15))).isEmpty();
        Clash twilight = clashes(C, by(held(new People(3, 4), 22, 0)), WHOLE).get(0);
        assertThat(twilight.reason()).isInstanceOfSatisfying(Clash.Reason.Twilight.class, r -> {
            assertThat(r.sunDeg()).isBetween(-18.0, -8.0); // it set at 20:54 and is 18\u00b0 down at 22:50
            assertThat(r.dark()).isEqualTo(NIGHT.dark());
        });
        // a week later the moon is up until after midnight
        Night later = Night.of(LEDGE, LocalDate.parse("2027-06-11"), ZONE, NightRules.USUAL);
        Circumstances moon = Circumstances.of(later, C.from(), List.of());
        Slot early = slot(
                Take.of("T", new Stack(5, 0), "Wide", RIG)
                        .with(Wish.at(LocalTime.of(23, 30)))
                        .plan(moon),
                Night.at(LocalDate.parse("2027-06-11"), LocalTime.of(23, 30), ZONE));
        Clash up = clashes(moon, by(early), Trip.of(later)).get(0);
        assertThat(up.kind()).isEqualTo(Clash.Kind.MOON);
        assertThat(up.reason()).isInstanceOfSatisfying(Clash.Reason.Moonlight.class, r -> {
            assertThat(r.lit()).isCloseTo(0.55, within(0.05)); // first quarter at noon of 11 June
            assertThat(r.moonless()).isEqualTo(later.moonless()).isNotEmpty();
        });
    }

    @Test
    void cloud_card_and_the_way_back_are_said() {
        Slot core = held(new MilkyWay(0), 1, 30);
        Circumstances cloud = weather(t -> new WeatherHour(t, t.isBefore(clock(1, 0)) ? 10 : 80, 0, 0, 1, 12, 50));
        Clash cloudy = clashes(cloud, by(core), WHOLE).get(0);
        assertThat(cloudy.kind()).isEqualTo(Clash.Kind.CLOUD);
        assertThat(cloudy.reason()).isInstanceOfSatisfying(Clash.Reason.Cloudy.class, r -> {
            assertThat(r.percent()).isEqualTo(80);
            assertThat(r.when()).isEqualTo(clock(1, 30));
            assertThat(r.given()).isFalse();
            assertThat(r.clearer()).contains(WHOLE.there().from());
        });
        Slot display = held(Fireworks.KIND.usual(), 1, 30);
        assertThat(clashes(cloud, by(display), WHOLE))
                .filteredOn(k -> k.kind() == Clash.Kind.CLOUD)
                .singleElement()
                .satisfies(k -> assertThat(k.reason()).isInstanceOfSatisfying(Clash.Reason.Cloudy.class, r -> {
                    assertThat(r.given()).isTrue();
                    assertThat(r.clearer()).isEmpty();
                }));
        assertThat(tasks(acts(C, by(display)), Task.Shoot.class))
                .hasSizeGreaterThan(1)
                .allMatch(t -> t.slot().plan().take().subject().byHand().isPresent());
        assertThat(kinds(weather(t -> new WeatherHour(t, 60, 0, 0, 1, 12, 50)), core))
                .isEmpty();

        double each = FileFormat.RAW.megabytes(RIG.body().files()) / 1000;
        NamedCamera small = NamedCamera.of("Wide", RIG).with(new Gear.Card(Math.max(0.5, 117 * each), 90));
        Plan trails = Take.of("Circles", new Trails(15, 30, 1, 0), small)
                .with(Wish.at(LocalTime.of(23, 0)))
                .plan(C);
        assertThat(kinds(C, slot(trails, clock(23, 0)))).isEmpty();
        Plan more = Take.of("More", new People(3, 4), small)
                .with(Wish.at(LocalTime.of(1, 0)))
                .plan(C);
        assertThat(kinds(C, slot(trails, clock(23, 0)), slot(more, clock(1, 0))))
                .containsExactly(Clash.Kind.CARD);

        Trip walk = new Trip(
                WHOLE.there(), List.of(new Stop("", Duration.ZERO, Duration.ofMinutes(15), "")), Optional.empty());
        assertThat(clashes(C, by(core), walk)).extracting(Clash::kind).containsExactly(Clash.Kind.WAY_BACK);
        assertThat(clashes(C, by(), walk)).isEmpty();
    }

    @Test
    void who_stays_too_long_is_told_to_turn_back() {
        Trip tide = Trip.of(NIGHT, List.of(Stop.HERE), Optional.of(LocalTime.of(1, 40)));
        Slot core = held(new Free(20, false), 1, 30);
        Clash late = clashes(C, by(core), tide).get(0);
        assertThat(late.kind()).isEqualTo(Clash.Kind.TURN_BACK);
        assertThat(late.kind().hard()).isTrue();
        assertThat(late.reason()).isInstanceOfSatisfying(Clash.Reason.AfterTurnBack.class, r -> {
            assertThat(r.packed()).isEqualTo(clock(1, 25));
            assertThat(r.turnBack()).isEqualTo(clock(1, 40));
        });
    }

    /** Two at one time are two too many for one, enough for two, and three too many for them. */
    @Test
    void hands_are_counted() {
        Slot a = slot(at("a", new Free(10, true), "A", 23, 0), clock(23, 0));
        Slot b = slot(at("b", new Free(10, true), "B", 23, 2), clock(23, 2));
        Slot d = slot(at("d", new Free(10, true), "D", 23, 4), clock(23, 4));
        Schedule three = by(a, b, d);
        assertThat(Clashes.of(three, WHOLE, WorkTimes.USUAL)).hasSize(2);
        List<Clash> two = Clashes.of(three, WHOLE, WorkTimes.USUAL.with(2));
        assertThat(two).extracting(Clash::takes).containsExactly(List.of("a", "b", "d"));
        assertThat(two.get(0).reason()).isEqualTo(new Clash.Reason.FewHands(List.of(a, b, d), 2, clock(23, 16)));
        assertThat(Clashes.of(three, WHOLE, WorkTimes.USUAL.with(3))).isEmpty();
    }

    /** At new moon the moon sets with the sun: at midnight it is down. */
    @Test
    void a_moon_that_is_down_is_said() {
        Clash down = clashes(C, by(held(new Moon(1, 1), 0, 30)), WHOLE).get(0);
        assertThat(down.kind()).isEqualTo(Clash.Kind.SKYLINE);
        assertThat(down.reason())
                .isInstanceOfSatisfying(
                        Clash.Reason.MoonHidden.class,
                        r -> assertThat(r.slot().name()).isEqualTo("T"));
    }
}
