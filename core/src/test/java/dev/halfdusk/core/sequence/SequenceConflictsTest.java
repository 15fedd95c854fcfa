package dev.halfdusk.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Conflict.Kind;
import dev.halfdusk.core.sequence.Conflict.WayOut;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SequenceConflictsTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final BodyTiming FAST = new BodyTiming(30, false, 0, 40, 30, 150);
    private static final Function<Instant, Optional<WeatherHour>> NO_FORECAST = t -> Optional.empty();

    private static Night night(Site site, String date, ZoneId zone) {
        return Night.of(site, LocalDate.parse(date), zone, NightRules.USUAL);
    }

    private static Setup setup(Site site, Direction at) {
        return new Setup(
                RIG,
                20,
                1.8,
                Pointing.level(at),
                Standpoint.open(site, SkyGlow.ofZenith(21.5)),
                Instant.parse("2027-06-08T22:00:00Z"),
                Demand.USUAL);
    }

    private static SequenceConflicts.Circumstances around(Night night) {
        return new SequenceConflicts.Circumstances(
                night, setup(night.site(), new Direction(0, 46)), NO_FORECAST, Optional.empty(), false);
    }

    private static String clock(Instant t) {
        return t.atZone(ZONE).toLocalTime().toString().substring(0, 5);
    }

    private static List<Conflict> of(Sequence s, Instant begins, Night night) {
        return SequenceConflicts.of(s, begins, FAST, around(night));
    }

    private static Conflict only(List<Conflict> found, Kind kind) {
        assertThat(found).extracting(Conflict::kind).containsExactly(kind);
        return found.get(0);
    }

    /** Each way out is one: with it nothing of the same kind is left. */
    private static void waysLeadOut(Conflict c, Night night, int expected) {
        assertThat(c.ways()).hasSize(expected);
        for (WayOut way : c.ways()) {
            assertThat(of(way.sequence(), way.begins(), night)).as(way.words()).isEmpty();
        }
    }

    private static List<Conflict> atCore(Sequence s, Instant begins, Night night) {
        Direction core = Direction.of(Moment.at(begins).local(FixedPoint.CORE, night.observer()));
        SequenceConflicts.Circumstances around = new SequenceConflicts.Circumstances(
                night, setup(night.site(), core), NO_FORECAST, Optional.empty(), false);
        return SequenceConflicts.of(s, begins, FAST, around).stream()
                .filter(c -> c.kind() == Kind.CORE)
                .toList();
    }

    /** Twenty minutes that begin five before the core has risen may wait for it. */
    @Test
    void the_core_must_be_up_when_it_begins() {
        Night night = night(LEDGE, "2027-04-06", ZONE);
        Interval up = night.core().up().get(0);
        Sequence s = new Sequence(40, 30, 1);
        Conflict c = atCore(s, up.from().minusSeconds(300), night).get(0);
        assertThat(c.words()).isEqualTo("The core is up from " + clock(up.from()) + " to " + clock(up.to()) + " only.");
        assertThat(c.ways()).hasSize(1);
        assertThat(c.ways().get(0).begins()).isBetween(up.from(), up.from().plusSeconds(60));
        assertThat(c.ways().get(0).sequence()).isEqualTo(s);
        assertThat(atCore(s, up.from().plusSeconds(60), night)).isEmpty();
        assertThat(of(s, up.from().minusSeconds(300), night))
                .as("nobody asked for the core")
                .noneMatch(x -> x.kind() == Kind.CORE);
    }

    /** Ten minutes are left: 19 frames close within 19 × 31 − 1 = 588 s, the twentieth at 619 s. */
    @Test
    void the_core_must_be_up_when_it_ends() {
        Night night = night(LEDGE, "2027-08-02", ZONE);
        Interval up = night.core().up().get(0);
        Conflict c = atCore(new Sequence(40, 30, 1), up.to().minusSeconds(600), night)
                .get(0);
        assertThat(c.ways()).extracting(WayOut::words).containsExactly("stop at 19 frames");
        assertThat(c.ways().get(0).sequence().frames()).isEqualTo(19);
    }

    /** At 60.4° N it stands 0.5° high at best. */
    @Test
    void the_core_does_not_rise_everywhere() {
        Night night = night(new Site(60.4, 5.3, 10), "2027-09-01", ZoneId.of("Europe/Oslo"));
        Moment transit = Moment.at(Instant.parse("2027-09-01T18:50:00Z"));
        Direction core = Direction.of(transit.local(FixedPoint.CORE, night.observer()));
        assertThat(core.altitudeDeg()).isBetween(0.0, 1.5);
        SequenceConflicts.Circumstances around = new SequenceConflicts.Circumstances(
                night,
                setup(night.site(), new Direction(core.azimuthDeg(), core.altitudeDeg() + 10)),
                NO_FORECAST,
                Optional.empty(),
                false);
        assertThat(SequenceConflicts.of(new Sequence(3, 30, 1), Instant.parse("2027-09-01T18:50:00Z"), FAST, around))
                .filteredOn(c -> c.kind() == Kind.CORE)
                .extracting(Conflict::words)
                .containsExactly("The core does not rise that night.");
    }

    @Test
    void a_dark_hour_without_moon_fits() {
        Night night = night(LEDGE, "2027-06-04", ZONE);
        Interval dark = Interval.longest(night.moonless()).orElseThrow();
        assertThat(of(new Sequence(60, 30, 1), dark.from(), night)).isEmpty();
    }

    /** Begun an hour before it gets dark: an hour is 117 openings of 31 s (0, 31, … 3596 s). */
    @Test
    void dusk_lights_the_first_frames() {
        Night night = night(LEDGE, "2027-06-04", ZONE);
        Instant dark = night.dark().get(0).from();
        Conflict c = only(of(new Sequence(121, 30, 1), dark.minusSeconds(3600), night), Kind.TWILIGHT);
        assertThat(c.words()).startsWith("Dusk lights the first 117 frames");
        waysLeadOut(c, night, 2);
        assertThat(c.ways().get(0).sequence().frames()).isEqualTo(121);
        assertThat(c.ways().get(1).sequence().frames()).isBetween(1, 4);
        assertThat(c.words()).endsWith("dark from " + clock(dark) + ".");
        WayOut rest = c.ways().get(1);
        assertThat(rest.words())
                .isEqualTo("leave out the first " + (121 - rest.sequence().frames()) + " frames");
        // what opens at the very instant is not lit
        assertThat(of(new Sequence(60, 30, 1), dark.minusSeconds(310), night)
                        .get(0)
                        .words())
                .startsWith("Dusk lights the first 10 frames");
        double ends = Duration.between(dark.minusSeconds(3600), rest.begins()).toSeconds()
                + rest.sequence().seconds();
        assertThat(ends).as("the others end when they would have").isCloseTo(3750, within(62.0));
    }

    @Test
    void dawn_lights_the_last_frames() {
        Night night = night(LEDGE, "2027-06-07", ZONE);
        Instant ends = night.dark().get(0).to();
        Conflict c = only(of(new Sequence(121, 30, 1), ends.minusSeconds(3100), night), Kind.TWILIGHT);
        // 100 frames close within 100 × 31 − 1 s
        assertThat(c.words()).startsWith("Dawn lights the last 21 frames");
        waysLeadOut(c, night, 2);
        assertThat(c.ways().get(1).words()).isEqualTo("stop at 100 frames");
        assertThat(Duration.between(c.ways().get(0).begins(), ends).toSeconds()).isBetween(3750L, 3810L);
    }

    @ParameterizedTest
    @ValueSource(ints = {600, 3000})
    void moonrise_lights_the_last_frames(int before) {
        Night night = night(LEDGE, "2027-05-27", ZONE);
        Interval moonless = night.moonless().get(0);
        assertThat(moonless.to()).isBefore(night.dark().get(0).to());
        Conflict c = only(of(new Sequence(121, 30, 1), moonless.to().minusSeconds(before), night), Kind.MOON);
        int kept = (before + 1) / 31;
        assertThat(c.words())
                .contains("lights the last " + (121 - kept) + " frames")
                .startsWith("Moonrise");
        assertThat(c.ways()).extracting(WayOut::words).contains("stop at " + kept + " frames");
        for (WayOut way : c.ways()) {
            assertThat(of(way.sequence(), way.begins(), night)).as(way.words()).isEmpty();
        }
    }

    @Test
    void a_moon_that_sets_lights_the_first_frames() {
        Night night = night(LEDGE, "2027-06-11", ZONE);
        Interval moonless = Interval.longest(night.moonless()).orElseThrow();
        assertThat(moonless.from()).isAfter(night.dark().get(0).from());
        Conflict c = only(of(new Sequence(121, 30, 1), moonless.from().minusSeconds(1000), night), Kind.MOON);
        assertThat(c.words()).contains("until it sets");
        waysLeadOut(c, night, 2);
    }

    @Test
    void a_full_moon_is_up_all_night() {
        Night night = night(LEDGE, "2027-06-18", ZONE);
        Conflict c = only(of(new Sequence(20, 30, 1), night.dark().get(0).middle(), night), Kind.MOON);
        assertThat(c.words()).contains("up all the time");
        assertThat(c.ways()).isEmpty();
        // with the moon up until 03:00 the dark rest of the night is the way out
        Night waning = night(LEDGE, "2027-06-13", ZONE);
        Interval rest = Interval.longest(waning.moonless()).orElseThrow();
        Conflict early = only(of(new Sequence(20, 30, 1), waning.dark().get(0).from(), waning), Kind.MOON);
        waysLeadOut(early, waning, 1);
        assertThat(early.ways().get(0).begins())
                .isBetween(rest.from(), rest.from().plusSeconds(60));
    }

    /** Settings that follow the light have neither dusk nor moon in their way. */
    @Test
    void a_ramp_is_made_for_changing_light() {
        Night night = night(LEDGE, "2027-06-18", ZONE);
        SequenceConflicts.Circumstances follows = new SequenceConflicts.Circumstances(
                night, setup(LEDGE, new Direction(0, 46)), NO_FORECAST, Optional.empty(), true);
        Instant dusk = night.dark().get(0).from().minusSeconds(1800);
        assertThat(SequenceConflicts.of(new Sequence(121, 30, 1), dusk, FAST, follows))
                .isEmpty();
        assertThat(of(new Sequence(121, 30, 1), dusk, night)).isNotEmpty();
    }

    /** What is longer than the dark, or than its moonless rest, has no hour of the night to go to. */
    @Test
    void a_run_that_no_dark_holds_has_no_way_out() {
        Night night = night(LEDGE, "2027-06-04", ZONE);
        Interval dark = night.dark().get(0);
        int longer = (int) (dark.length().toSeconds() / 31) + 3;
        Conflict day = of(new Sequence(longer, 30, 1), Instant.parse("2027-06-04T13:00:00Z"), night)
                .get(0);
        assertThat(day.words()).startsWith("It is not dark then");
        assertThat(day.ways()).isEmpty();
        Night late = night(LEDGE, "2027-06-15", ZONE);
        Interval rest = Interval.longest(late.moonless()).orElseThrow();
        Interval lit = new Interval(late.dark().get(0).from(), rest.from());
        assertThat(lit.length()).isGreaterThan(rest.length().plusMinutes(10));
        Sequence s = new Sequence((int) (rest.length().toSeconds() / 31) + 3, 30, 1);
        Conflict moon = only(of(s, lit.from(), late), Kind.MOON);
        assertThat(moon.words()).startsWith("The moon is up all the time");
        assertThat(moon.ways()).isEmpty();
    }

    @Test
    void a_thin_moon_does_not_count() {
        Night night = night(LEDGE, "2027-06-06", ZONE);
        Interval dark = night.dark().get(0);
        assertThat(of(new Sequence(20, 30, 1), dark.from(), night)).isEmpty();
    }

    @Test
    void a_window_by_daylight_or_in_a_white_night_is_said_to_be_one() {
        Night night = night(LEDGE, "2027-06-04", ZONE);
        Conflict day = only(of(new Sequence(121, 30, 1), Instant.parse("2027-06-04T14:00:00Z"), night), Kind.TWILIGHT);
        assertThat(day.words()).startsWith("It is not dark then");
        waysLeadOut(day, night, 1);
        Site north = new Site(69.65, 18.96, 10);
        Night white = night(north, "2027-06-21", ZoneId.of("Europe/Oslo"));
        Conflict never =
                of(new Sequence(121, 30, 1), white.span().middle(), white).get(0);
        assertThat(never.words()).startsWith("It never gets dark");
        assertThat(never.ways()).isEmpty();
    }

    @Test
    void cloud_turn_back_ground_and_core() {
        Night night = night(LEDGE, "2027-06-07", ZONE);
        Instant begins = Interval.longest(night.moonless()).orElseThrow().from();
        Sequence s = new Sequence(60, 30, 1);
        Function<Instant, Optional<WeatherHour>> clouding =
                t -> Optional.of(new WeatherHour(t, t.isAfter(begins.plusSeconds(800)) ? 70 : 0, 0, 0, 2, 12, 60));
        Instant back = begins.plusSeconds(929);
        Setup down = setup(LEDGE, new Direction(0, -60));
        SequenceConflicts.Circumstances hard =
                new SequenceConflicts.Circumstances(night, down, clouding, Optional.of(back), false);
        List<Conflict> found = SequenceConflicts.of(s, begins, FAST, hard);
        assertThat(found).extracting(Conflict::kind).containsExactly(Kind.SKYLINE, Kind.CLOUD, Kind.TURN_BACK);
        assertThat(found.get(0).words()).contains("fills 100 %");
        assertThat(found.get(1).words()).contains("70 % of cloud");
        assertThat(found.get(2).words()).contains("before the last 30 frames"); // 30 × 31 − 1 s
        Instant early = night.core().up().get(0).from().minusSeconds(1200);
        var core = night.core().at(early);
        SequenceConflicts.Circumstances atCore = new SequenceConflicts.Circumstances(
                night,
                setup(LEDGE, new Direction(core.azimuthDeg(), core.altitudeDeg())),
                NO_FORECAST,
                Optional.empty(),
                false);
        Conflict low = SequenceConflicts.of(s, early, FAST, atCore).stream()
                .filter(f -> f.kind() == Kind.CORE)
                .findFirst()
                .orElseThrow();
        assertThat(low.words())
                .contains("is up from " + clock(night.core().up().get(0).from()));
        WayOut later = low.ways().get(0);
        assertThat(later.begins())
                .isBetween(
                        night.core().up().get(0).from(),
                        night.core().up().get(0).from().plusSeconds(60));
        // towards the end of its time so many frames are left as close before it sets: 31 × 20 − 1 s
        Instant late = night.core().up().get(0).to().minusSeconds(619);
        var setting = night.core().at(late);
        SequenceConflicts.Circumstances atSetting = new SequenceConflicts.Circumstances(
                night,
                setup(LEDGE, new Direction(setting.azimuthDeg(), setting.altitudeDeg())),
                NO_FORECAST,
                Optional.empty(),
                false);
        assertThat(SequenceConflicts.of(s, late, FAST, atSetting).stream()
                        .filter(f -> f.kind() == Kind.CORE)
                        .flatMap(f -> f.ways().stream())
                        .map(WayOut::words))
                .containsExactly("stop at 20 frames");
    }

    @Test
    void a_pause_shorter_than_the_body_can_and_noise_reduction() {
        Night night = night(LEDGE, "2027-06-07", ZONE);
        Instant begins = Interval.longest(night.moonless()).orElseThrow().from();
        BodyTiming slow = new BodyTiming(1, true, 0, 60, 5, 10);
        List<Conflict> found = SequenceConflicts.of(new Sequence(100, 1, 0), begins, slow, around(night));
        assertThat(found).extracting(Conflict::kind).containsExactly(Kind.NOISE_REDUCTION, Kind.PAUSE);
        assertThat(found.get(0).ways().get(0).noiseReduction()).isFalse();
        WayOut longer = found.get(1).ways().get(0);
        assertThat(longer.sequence().pauseSeconds()).isEqualTo(5); // 4.77 s, in whole seconds
        BodyTiming without = slow.withNoiseReduction(false);
        assertThat(SequenceConflicts.of(longer.sequence(), begins, without, around(night)))
                .isEmpty();
        assertThat(without.outcome(100, longer.sequence().stepSeconds()).lost()).isZero();
        assertThat(SequenceConflicts.of(new Sequence(1, 1, 0), begins, slow, around(night)))
                .isEmpty();
        assertThat(without.smallestSafePause(100)).isCloseTo(4.768, within(0.001));
    }

    /** Frames of four minutes under a town's sky at a high ISO are white; as long in shorter ones they are not. */
    @Test
    void frames_that_burn_have_a_way_out() {
        Standpoint town = Standpoint.open(LEDGE, SkyGlow.ofZenith(18.5));
        Setup setup = new Setup(
                RIG,
                20,
                1.8,
                Pointing.level(new Direction(0, 46)),
                town,
                Instant.parse("2027-06-08T23:30:00Z"),
                Demand.USUAL);
        Instant begins = Instant.parse("2027-06-08T23:30:00Z");
        TrailPlan plan = TrailPlan.of(setup, new Sequence(10, 240, 2));
        assertThat(plan.light().peak(6400)).isGreaterThanOrEqualTo(SequenceConflicts.WHITE);
        Conflict c = SequenceConflicts.burnt(plan, 6400, begins, true).orElseThrow();
        assertThat(c.kind()).isEqualTo(Kind.BURNT);
        assertThat(c.words()).contains("ISO 6400 and 240 s").contains("1.00 of the axis");
        WayOut way = c.ways().get(0);
        assertThat(c.ways()).hasSize(1);
        assertThat(way.begins()).isEqualTo(begins);
        double shorter = way.sequence().exposureSeconds();
        assertThat(way.words()).isEqualTo("frames of " + RIG.body().label(shorter) + " s");
        assertThat(plan.with(way.sequence()).light().peak(6400)).isLessThanOrEqualTo(TrailPlan.GREY);
        double next = RIG.body().shutters().stream()
                .mapToDouble(Dial.Stop::realSeconds)
                .filter(s -> s > shorter)
                .min()
                .orElseThrow();
        assertThat(plan.with(new Sequence(1, next, 0)).light().peak(6400))
                .as("a click longer would be grey")
                .isGreaterThan(TrailPlan.GREY);
        assertThat(way.sequence().seconds()).isCloseTo(plan.sequence().seconds(), within(shorter + 2.1));
        assertThat(SequenceConflicts.burnt(plan.with(new Sequence(10, 15, 2)), 400, begins, true))
                .isEmpty();
    }

    /** While the body is still busy a press is lost; where only the buffer is full it opens late. */
    @Test
    void a_short_pause_says_what_becomes_of_the_frames() {
        Night night = night(LEDGE, "2027-06-08", ZONE);
        Instant begins = Instant.parse("2027-06-08T23:30:00Z");
        BodyTiming quick = new BodyTiming(5, false, 0, 40, 30, 150);
        Conflict busy = only(SequenceConflicts.of(new Sequence(20, 5, 0), begins, quick, around(night)), Kind.PAUSE);
        assertThat(busy.words()).contains("A pause of 0 s", "it loses 1").doesNotContain("late");
        BodyTiming slow = new BodyTiming(1, false, 0, 40, 2, 10); // four seconds for each file, two of them held
        Conflict full = only(SequenceConflicts.of(new Sequence(20, 1, 1), begins, slow, around(night)), Kind.PAUSE);
        BodyTiming.Outcome outcome = slow.outcome(20, 2);
        assertThat(full.words())
                .contains(outcome.lost() > 0 ? "it loses " + outcome.lost() : "it opens " + outcome.late());
        assertThat(full.ways().get(0).sequence().pauseSeconds())
                .isEqualTo(Math.ceil(slow.smallestSafePause(20) - 1e-9));
    }
}
