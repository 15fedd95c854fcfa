package dev.halfdusk.core.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MoonPhasesTest {

    @Test
    void two_years_of_phases_agree_to_two_seconds() {
        List<Map<String, String>> expected = Reference.rows("moon_phases.csv");
        List<MoonPhase> found =
                MoonPhase.between(Instant.parse("2026-01-01T00:00:00Z"), Instant.parse("2028-01-01T00:00:00Z"));

        assertThat(found.stream().map(p -> p.quarter().key()).toList())
                .isEqualTo(expected.stream().map(row -> row.get("phase")).toList());
        for (int i = 0; i < found.size(); i++) {
            assertThat(found.get(i).when())
                    .isCloseTo(Instant.parse(expected.get(i).get("utc")), within(2, ChronoUnit.SECONDS));
        }
    }
}
