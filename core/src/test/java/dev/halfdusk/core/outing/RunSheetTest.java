package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunSheetTest {

    private static Night night(double latitude, double longitude, String date, String zone) {
        return Night.of(new Site(latitude, longitude, 0), LocalDate.parse(date), ZoneId.of(zone), NightRules.USUAL);
    }

    private static Instant when(List<RunSheet.Line> lines, String words) {
        return lines.stream()
                .filter(l -> l.act() && l.what().startsWith(words))
                .findFirst()
                .orElseThrow()
                .when();
    }

    @Test
    void work_hangs_on_the_sky_at_the_times_the_craft_keeps() {
        Night june = night(37.6, -8.79, "2027-06-08", "Europe/Lisbon");
        List<RunSheet.Line> lines = RunSheet.of(june);
        Instant sunset = june.set(HorizonEvent.Kind.SUN).orElseThrow();
        Interval window = june.window().orElseThrow();
        assertThat(when(lines, "Be there")).isEqualTo(sunset.minus(Duration.ofMinutes(60)));
        assertThat(when(lines, "First stars")).isEqualTo(sunset.plus(Duration.ofMinutes(30)));
        assertThat(when(lines, "Composition")).isEqualTo(window.from().minus(Duration.ofMinutes(20)));
        assertThat(when(lines, "Begin")).isEqualTo(window.from());
        assertThat(when(lines, "Check focus")).isEqualTo(window.from().plus(Duration.ofMinutes(60)));
        assertThat(when(lines, "Window ends")).isEqualTo(window.to());
        // every hour, but not within half an hour of the end
        long whole = window.length().minusMinutes(30).toMinutes() / 60;
        assertThat(lines).filteredOn(l -> l.what().startsWith("Check focus")).hasSize((int) whole);
        assertThat(lines).filteredOn(l -> !l.act()).hasSize(june.events().size());
    }

    @ParameterizedTest
    @CsvSource({
        "37.6, -8.79, 2027-06-08, Europe/Lisbon, true",
        "69.65, 18.96, 2027-06-21, Europe/Oslo, false",
        "78.2, 15.6, 2026-12-23, Arctic/Longyearbyen, true",
        "90, 0, 2027-03-01, UTC, false",
        "-90, 0, 2027-06-21, UTC, true",
        "0, 180, 2028-02-29, UTC, true"
    })
    void a_run_sheet_is_in_order_wherever_it_is_made(
            double latitude, double longitude, String date, String zone, boolean dark) {
        List<RunSheet.Line> lines = RunSheet.of(night(latitude, longitude, date, zone));
        assertThat(lines).isSortedAccordingTo(Comparator.comparing(RunSheet.Line::when));
        assertThat(lines.stream().anyMatch(l -> l.what().startsWith("Begin"))).isEqualTo(dark);
    }
}
