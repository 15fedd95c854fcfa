package dev.halfdusk.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.weather.Cold;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What a night shows by itself. */
class ObservingTest {

    private static final LocalDate NIGHT = LocalDate.parse("2027-06-05");
    private static final Instant AT = Instant.parse("2027-06-05T23:00:00Z");
    private static final Settings PLANNED = new Settings(8, 1.8, 3200);
    private static final LivedTake.With KIT = new LivedTake.With("1", "2", "4");

    private static Interval from(int minute, int minutes) {
        return new Interval(AT.plusSeconds(60L * minute), AT.plusSeconds(60L * (minute + minutes)));
    }

    private static LivedTake take(List<LivedFrame> frames) {
        return take("milky-way", frames, Optional.of(from(30, 20)), OptionalDouble.empty());
    }

    private static LivedTake take(
            String subject, List<LivedFrame> frames, Optional<Interval> went, OptionalDouble battery) {
        return new LivedTake(
                "Core",
                subject,
                "7",
                KIT,
                Optional.of(new LivedTake.Planned(AT, from(16, 20), PLANNED, 3, true, 3200, 0)),
                went,
                battery,
                frames);
    }

    private static LivedTake at(String place, LivedTake t) {
        return new LivedTake(
                t.name(), t.subject(), place, t.kit(), t.planned(), t.went(), t.batteryMinutes(), t.frames());
    }

    private static LivedFrame frame(Settings set, double drift, double width, double zenith, Said said) {
        return new LivedFrame(
                Optional.of(AT),
                Optional.of(set),
                OptionalDouble.of(drift),
                OptionalDouble.of(width),
                zenith > 0 ? OptionalDouble.of(zenith) : OptionalDouble.empty(),
                said);
    }

    private static LivedFrame drawn(double drift, Said said) {
        return frame(PLANNED, drift, 2, 0, said);
    }

    private static Optional<Observation> one(Learnable what, OptionalDouble celsius, LivedTake... takes) {
        List<Observation> all = Observing.of(NIGHT, celsius, List.of(takes), List.of("moon")).stream()
                .filter(o -> o.what() == what)
                .toList();
        assertThat(all).hasSizeLessThan(2);
        return all.stream().findFirst();
    }

    private static Optional<Observation> one(Learnable what, LivedTake... takes) {
        return one(what, OptionalDouble.of(4), takes);
    }

    @Test
    void the_middle_of_three_skies_and_more_tells_how_dark_a_place_is() {
        List<LivedFrame> frames = new ArrayList<>(
                List.of(frame(PLANNED, 2, 2, 21.2, Said.NOTHING), frame(PLANNED, 2, 2, 21.4, Said.NOTHING)));
        assertThat(one(Learnable.DARKNESS, take(frames))).isEmpty();
        frames.add(frame(PLANNED, 2, 2, 19, Said.NOTHING));
        Observation o = one(Learnable.DARKNESS, take(frames)).orElseThrow();
        assertThat(o.value()).isEqualTo(21.2);
        assertThat(o.whose()).isEqualTo("7");
        assertThat(o.night()).isEqualTo(NIGHT);
    }

    @Test
    void a_night_at_no_known_place_tells_nothing_of_places() {
        List<LivedFrame> frames = List.of(
                frame(PLANNED, 2, 2, 21, Said.KEPT),
                frame(PLANNED, 2, 2, 21, Said.KEPT),
                frame(PLANNED, 2, 2, 21, Said.KEPT));
        assertThat(Observing.of(NIGHT, OptionalDouble.empty(), List.of(at("", take(frames))), List.of()))
                .noneMatch(o -> o.what() == Learnable.DARKNESS);
    }

    @Test
    void longer_stars_that_were_kept_say_that_more_is_fine() {
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(2.9, Said.KEPT))))).isEmpty();
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(4.5, Said.NOTHING)))))
                .isEmpty();
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(4.5, Said.KEPT), drawn(3.2, Said.BEST))))
                        .orElseThrow()
                        .value())
                .isEqualTo(4.5);
    }

    @Test
    void stars_that_were_lines_say_that_less_is_wanted() {
        Observation o = one(Learnable.DRIFT, take(List.of(drawn(2.6, Said.LINES), drawn(1.8, Said.KEPT))))
                .orElseThrow();
        assertThat(o.value()).isEqualTo(1.8);
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(2.6, Said.LINES))))
                        .orElseThrow()
                        .value())
                .isCloseTo(2.4, within(1e-9));
        // what was kept although longer ones were lines: up to there
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(6, Said.LINES), drawn(4, Said.KEPT), drawn(7, Said.KEPT))))
                        .orElseThrow()
                        .value())
                .isEqualTo(4);
    }

    @Test
    void grain_that_was_borne_belongs_to_the_body() {
        LivedFrame high = frame(PLANNED.withIso(6400), 2, 2, 0, Said.KEPT);
        LivedFrame higher = frame(PLANNED.withIso(12_800), 2, 2, 0, Said.GRAIN);
        Observation o = one(Learnable.ISO, take(List.of(high, higher))).orElseThrow();
        assertThat(o.value()).isEqualTo(6400);
        assertThat(o.whose()).isEqualTo("1");
        assertThat(one(Learnable.ISO, take(List.of(frame(PLANNED, 2, 2, 0, Said.KEPT)))))
                .isEmpty();
        assertThat(one(Learnable.ISO, take(List.of(frame(PLANNED, 2, 2, 0, Said.GRAIN))))
                        .orElseThrow()
                        .value())
                .isEqualTo(1600);
    }

    /** 60 minutes at −10 °C, where a battery has 0.65 of what it has at 20 °C and 0.8 at freezing: 60 · 0.8 / 0.65 = 73.8 at 0 °C. */
    @Test
    void a_battery_that_gave_out_in_the_cold_tells_of_the_cold() {
        LivedTake t = take("trails", List.of(), Optional.empty(), OptionalDouble.of(60));
        Observation o = one(Learnable.BATTERY_COLD, OptionalDouble.of(-10), t).orElseThrow();
        assertThat(o.value()).isCloseTo(73.85, within(0.01));
        assertThat(o.whose()).isEqualTo("4");
        assertThat(one(Learnable.BATTERY, OptionalDouble.of(-10), t)).isEmpty();
    }

    /** A run in a warm room does not count for the cold. */
    @Test
    void a_warm_battery_tells_of_the_warmth() {
        LivedTake t = take("trails", List.of(), Optional.empty(), OptionalDouble.of(150));
        assertThat(one(Learnable.BATTERY, OptionalDouble.of(20), t)
                        .orElseThrow()
                        .value())
                .isCloseTo(150, within(1e-9));
        assertThat(one(Learnable.BATTERY_COLD, OptionalDouble.of(20), t)).isEmpty();
        assertThat(one(Learnable.BATTERY, OptionalDouble.empty(), t)).isEmpty();
        assertThat(one(Learnable.BATTERY_COLD, OptionalDouble.empty(), t)).isEmpty();
    }

    @Test
    void the_widest_of_apertures_that_are_about_as_sharp_is_the_one() {
        LivedTake t = take(List.of(
                frame(PLANNED, 2, 2.6, 0, Said.KEPT),
                frame(PLANNED.withAperture(2.2), 2, 2.05, 0, Said.KEPT),
                frame(PLANNED.withAperture(2.8), 2, 2.0, 0, Said.KEPT),
                frame(PLANNED.withAperture(4), 2, 1.0, 0, Said.SOFT)));
        assertThat(one(Learnable.SHARPEST, t).orElseThrow().value()).isEqualTo(2.2);
        assertThat(one(Learnable.SHARPEST, take(List.of(frame(PLANNED, 2, 2.6, 0, Said.KEPT)))))
                .isEmpty();
    }

    @Test
    void set_up_lasts_from_the_first_hand_to_the_first_frame() {
        assertThat(one(Learnable.SET_UP, take(List.of())).orElseThrow().value()).isEqualTo(30);
        assertThat(one(Learnable.SET_UP, take("moon", List.of(), Optional.empty(), OptionalDouble.empty())))
                .isEmpty();
        // begun hours late, for whatever reason: that is no set-up
        assertThat(one(Learnable.SET_UP, take("moon", List.of(), Optional.of(from(200, 5)), OptionalDouble.empty())))
                .isEmpty();
    }

    /** Twice the time and a stop wider is two stops brighter; a third of a stop is less than is asked about with others. */
    @Test
    void what_was_kept_otherwise_than_proposed_is_a_matter_of_taste() {
        Settings brighter = PLANNED.withSeconds(16);
        LivedTake moon = take(
                "moon",
                List.of(
                        frame(PLANNED, 2, 2, 0, Said.DARK),
                        frame(brighter, 2, 2, 0, Said.KEPT),
                        frame(brighter.withAperture(1.8 / Math.sqrt(2)), 2, 2, 0, Said.BRIGHT)),
                Optional.empty(),
                OptionalDouble.empty());
        Observation o = one(Learnable.OFFSET, moon).orElseThrow();
        assertThat(o.value()).isCloseTo(1, within(1e-9));
        assertThat(o.whose()).isEqualTo("moon");
        assertThat(Observing.brighter(brighter.withAperture(1.8 / Math.sqrt(2)), PLANNED))
                .isCloseTo(2, within(1e-9));
        assertThat(one(Learnable.OFFSET, take(List.of(frame(brighter, 2, 2, 0, Said.KEPT)))))
                .isEmpty();
    }

    private static List<LivedFrame> three(double zenith) {
        LivedFrame one = frame(PLANNED, 2, 2, zenith, Said.KEPT);
        return List.of(one, one, one);
    }

    /** Of two places of one night each has its own sky. */
    @Test
    void a_sky_belongs_to_the_place_of_its_take() {
        List<LivedTake> takes = List.of(take(three(21)), at("8", take(three(20))));
        assertThat(Observing.of(NIGHT, OptionalDouble.empty(), takes, List.of()))
                .filteredOn(o -> o.what() == Learnable.DARKNESS)
                .extracting(o -> o.whose() + " " + o.value())
                .containsExactly("7 21.0", "8 20.0");
    }

    /** Planned two thirds brighter by taste, kept a third brighter still: a whole stop beside what is proposed. */
    @Test
    void taste_is_counted_from_what_is_proposed_not_from_what_is_learned() {
        LivedTake t = new LivedTake(
                "Moon",
                "moon",
                "7",
                KIT,
                Optional.of(new LivedTake.Planned(AT, from(16, 20), PLANNED, 3, true, 3200, 2 / 3.0)),
                Optional.empty(),
                OptionalDouble.empty(),
                List.of(frame(PLANNED.withSeconds(8 * Math.cbrt(2)), 2, 2, 0, Said.KEPT)));
        assertThat(one(Learnable.OFFSET, t).orElseThrow().value()).isCloseTo(1, within(1e-9));
    }

    /** A frame of which only one thing is known tells of that alone, and stands in no other's way. */
    @Test
    void a_frame_that_lacks_something_tells_of_the_rest() {
        OptionalDouble no = OptionalDouble.empty();
        LivedFrame bare = new LivedFrame(Optional.of(AT), Optional.empty(), no, no, no, Said.KEPT);
        LivedFrame grainy = new LivedFrame(Optional.of(AT), Optional.empty(), no, no, no, Said.GRAIN);
        LivedFrame set = new LivedFrame(Optional.of(AT), Optional.of(PLANNED.withIso(6400)), no, no, no, Said.KEPT);
        LivedFrame lines =
                new LivedFrame(Optional.of(AT), Optional.empty(), OptionalDouble.of(2.5), no, no, Said.LINES);
        LivedTake t = take("moon", List.of(bare, grainy, set, lines), Optional.empty(), no);
        assertThat(Observing.of(NIGHT, OptionalDouble.of(4), List.of(t), List.of("moon")))
                .extracting(o -> o.what() + " " + Math.rint(o.value() * 100) / 100)
                .containsExactly("DRIFT 2.3", "ISO 6400.0", "OFFSET 1.0");
    }

    /** Drift just as far beyond what was asked for as measuring may err tells nothing; a stop's tenth is taste. */
    @Test
    void what_lies_within_the_error_of_measuring_tells_nothing() {
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(3 + 0.2, Said.KEPT)))))
                .isEmpty();
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(3 + 0.21, Said.KEPT)))))
                .isPresent();
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(3, Said.LINES))))).isPresent();
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(3.01, Said.LINES))))).isEmpty();
        // of the same drift once lines, once kept, only what was shorter was fine
        assertThat(one(Learnable.DRIFT, take(List.of(drawn(4, Said.LINES), drawn(4, Said.KEPT)))))
                .isEmpty();
        assertThat(one(Learnable.OFFSET, taste(Math.pow(2, 0.09)))).isEmpty();
        assertThat(one(Learnable.OFFSET, taste(Math.pow(2, -0.11)))
                        .orElseThrow()
                        .value())
                .isCloseTo(-0.11, within(1e-9));
    }

    private static LivedTake taste(double times) {
        List<LivedFrame> kept = List.of(frame(PLANNED.withSeconds(8 * times), 2, 2, 0, Said.KEPT));
        return take("moon", kept, Optional.empty(), OptionalDouble.empty());
    }

    /** At 10 °C a battery counts as warm: 150 min there are 150 / 0.9 at 20 °C by what temperature leaves of it. */
    @Test
    void a_battery_at_the_edge_of_warmth() {
        LivedTake t = take("trails", List.of(), Optional.empty(), OptionalDouble.of(150));
        double factor = Cold.batteryFactor(10);
        assertThat(factor).isBetween(0.8, 0.99);
        assertThat(one(Learnable.BATTERY, OptionalDouble.of(10), t)
                        .orElseThrow()
                        .value())
                .isCloseTo(150 / factor, within(1e-9));
        assertThat(one(Learnable.BATTERY_COLD, OptionalDouble.of(10), t)).isEmpty();
    }

    /** Begun at the very minute it was prepared for, before it, or as the second of its rig. */
    @Test
    void a_set_up_of_no_length_or_less_is_none() {
        OptionalDouble no = OptionalDouble.empty();
        assertThat(one(Learnable.SET_UP, take("moon", List.of(), Optional.of(from(-5, 20)), no)))
                .isEmpty();
        LivedTake second = new LivedTake(
                "Core",
                "moon",
                "7",
                KIT,
                Optional.of(new LivedTake.Planned(AT, from(16, 20), PLANNED, 3, false, 3200, 0)),
                Optional.of(from(30, 20)),
                no,
                List.of());
        assertThat(one(Learnable.SET_UP, second)).isEmpty();
    }
}
