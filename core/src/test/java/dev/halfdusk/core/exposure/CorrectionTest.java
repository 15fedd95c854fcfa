package dev.halfdusk.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Settings;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What is turned after a test frame: dial by dial, from what was really set, until nothing is left. */
class CorrectionTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 12_800);
    private static final Range APERTURES = new Range("aperture", 1.8, 16, "");

    private static Correction.Limits upTo(double seconds) {
        return new Correction.Limits(BODY, APERTURES, seconds);
    }

    private static List<Dialled> order(String letters) {
        return letters.chars()
                .mapToObj(c -> Arrays.stream(Dialled.values())
                        .filter(d -> d.name().charAt(0) == c)
                        .findFirst()
                        .orElseThrow())
                .toList();
    }

    private static String words(Correction c) {
        return c.turns().stream()
                .map(t -> switch (t.dial()) {
                    case SHUTTER -> BODY.label(t.to().seconds()) + " s";
                    case APERTURE -> "f/" + Numbers.trimmed(t.to().aperture(), 1);
                    case ISO -> "ISO " + Math.round(t.to().iso());
                })
                .collect(Collectors.joining(", "));
    }

    /** Counted by hand on a dial in thirds: 4 s to 8 s is a stop, f/2.8 to f/1.8 one and a third, ISO the rest. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1|4|2.8|800|10|SAI|8 s|0",
                "3|4|2.8|800|8|SAI|8 s, f/1.8, ISO 1250|0",
                "2|4|2.8|800|900|AIS|f/1.8, ISO 1250|0",
                "1|1/500|8|100|0.002|SI|ISO 200|0",
                "-1|1/500|8|100|0.1|SI|1/1000 s|0",
                "-2|4|8|100|900|AI|f/16|0",
                "-3|4|8|100|900|AI|f/16|-1",
                "9|4|1.8|3200|4|SAI|ISO 12800|7",
                "0.1|4|2.8|800|10|SAI||0",
                "-0.33|4|2.8|800|10|ISA|ISO 640|0"
            })
    void dials_are_turned_in_order_until_nothing_is_left(
            double stops,
            String seconds,
            double aperture,
            double iso,
            double longest,
            String order,
            String turned,
            double left) {
        double open =
                seconds.contains("/") ? 1 / Double.parseDouble(seconds.substring(2)) : Double.parseDouble(seconds);
        Correction c = Correction.by(stops, new Settings(open, aperture, iso), upTo(longest), order(order));
        assertThat(words(c)).isEqualTo(turned == null ? "" : turned);
        assertThat(c.leftStops()).isCloseTo(left, within(0.12));
    }

    /** Whatever is asked: what the turns give and what is left are what was asked, and every setting is on its dial. */
    @Test
    void turns_and_what_is_left_come_to_what_was_asked() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            double stops = random.nextDouble() * 12 - 6;
            Settings shot = new Settings(
                    BODY.shutters().get(random.nextInt(BODY.shutters().size())).realSeconds(),
                    2 + random.nextInt(9),
                    BODY.isoSteps().get(random.nextInt(BODY.isoSteps().size())));
            Correction c = Correction.by(stops, shot, upTo(0.01 + random.nextDouble() * 60), order("SAI"));
            double sum = c.turns().stream().mapToDouble(Correction.Turn::stops).sum();
            assertThat(sum + c.leftStops()).as(shot + " " + stops).isCloseTo(stops, within(0.25));
            assertThat(c.turns()).allMatch(t -> t.stops() * stops > 0);
            c.turns().forEach(t -> {
                assertThat(BODY.isoSteps()).contains((int) t.to().iso());
                assertThat(APERTURES.holds(t.to().aperture())).isTrue();
            });
        }
    }

    /** Streaks at 20 s where 9 are allowed: 8 s, 1.3 stops less, made up by aperture and ISO; a person moved: half. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "STREAKS|20.159|2.8|3200|9|8 s, f/1.8",
                "STREAKS|20.159|1.8|3200|9|8 s, ISO 8000",
                "STREAKS|20.159|1.8|3200|30|13 s, ISO 5000",
                "STREAKS|0.000125|1.8|3200|9|",
                "PERSON_MOVED|4|1.8|1600|900|2 s, ISO 3200",
                "CORNERS|4|1.8|1600|8|f/2.5, 8 s",
                "CORNERS|8|1.8|1600|8|f/2.5, ISO 3200",
                "CORNERS|8|16|1600|8|",
                "NOISY|10.079|2.5|6400|10|f/1.8, ISO 3200",
                "NOISY|8|1.8|6400|8|",
                "BURNT|4|8|100|900|2 s",
                "SOFT|4|8|100|900|"
            })
    void each_symptom_has_its_turns(
            Symptom seen, double seconds, double aperture, double iso, double longest, String turned) {
        Correction c = Correction.of(seen, new Settings(seconds, aperture, iso), 1, upTo(longest), order("SAI"));
        assertThat(words(c)).isEqualTo(turned == null ? "" : turned);
        double sum = c.turns().stream().mapToDouble(Correction.Turn::stops).sum();
        if (seen != Symptom.BURNT) {
            assertThat(sum).as("as bright as before").isCloseTo(0, within(0.35));
        }
    }

    @Test
    void a_sign_does_not_matter_where_the_symptom_has_one() {
        Settings shot = new Settings(4, 8, 400);
        assertThat(Correction.of(Symptom.TOO_DARK, shot, -2, upTo(60), order("S")))
                .isEqualTo(Correction.of(Symptom.TOO_DARK, shot, 2, upTo(60), order("S")));
        assertThat(words(Correction.of(Symptom.TOO_BRIGHT, shot, 2, upTo(60), order("S"))))
                .isEqualTo("1 s");
        assertThatThrownBy(() -> Correction.by(11, shot, upTo(60), order("S"))).isInstanceOf(OutOfRange.class);
    }

    @ParameterizedTest
    @EnumSource(Symptom.class)
    void every_symptom_has_causes_that_are_told_apart(Symptom seen) {
        assertThat(seen.causes()).hasSizeGreaterThanOrEqualTo(2);
        assertThat(seen.causes()).extracting(Symptom.Cause::tells).doesNotHaveDuplicates();
        assertThat(seen.causes()).allMatch(c -> !c.remedy().isBlank());
    }

    /** 120 an hour are one in 30 s: a frame of 30 s is free in e^-1 = 36.8 %, and ln 0.05 / ln 0.632 = 6.5, so seven are taken. */
    @ParameterizedTest
    @CsvSource({"120, 30, 0.3679, 7", "0, 600, 1, 1", "60, 1, 0.9835, 1", "5000, 900, 0, 10000"})
    void gaps_between_cars(double perHour, double seconds, double free, int frames) {
        Gaps gaps = new Gaps(perHour);
        assertThat(gaps.free(seconds)).isCloseTo(free, within(1e-4));
        assertThat(gaps.frames(seconds)).isEqualTo(frames);
    }

    /** A moon on a hundredth of a black frame: the mean is a hundredth, log2 100 = 6.64 stops too bright. Half against four times as bright: log2 2.5. */
    @ParameterizedTest
    @CsvSource({"0.01, -20, 6.64", "1, -5, 0", "0.5, 2, -1.32", "0.25, 0, 0", "0.1, -3, 2.23"})
    void a_meter_is_fooled_by_so_much(double share, double surroundings, double stops) {
        assertThat(new FooledMeter(share, surroundings).brighterStops()).isCloseTo(stops, within(0.01));
    }
}
