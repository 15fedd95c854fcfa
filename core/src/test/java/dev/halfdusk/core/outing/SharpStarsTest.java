package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SharpStarsTest {

    private static SharpStars plan(double latitude, double longitude, String date, String zone) {
        Night night =
                Night.of(new Site(latitude, longitude, 0), LocalDate.parse(date), ZoneId.of(zone), NightRules.USUAL);
        return SharpStars.of(
                night, new Optics(Sensor.of(36, 24, 7040), 20, Projection.RECTILINEAR), 1.8, 3, Dial.THIRD);
    }

    @Test
    void looks_at_the_core_while_it_is_up_and_towards_the_equator_while_it_is_not() {
        SharpStars june = plan(37.6, -8.79, "2027-06-08", "Europe/Lisbon");
        SharpStars.Aim aim = june.aim(june.best());
        assertThat(aim.atCore()).isTrue();
        assertThat(aim.altitudeDeg()).isCloseTo(june.night().core(june.best()).altitudeDeg(), within(1e-9));

        assertThat(plan(37.6, -8.79, "2027-12-20", "Europe/Lisbon")
                        .aim(june.night().span().from())
                        .azimuthDeg())
                .isEqualTo(180);
        SharpStars south = plan(-33.9, 151.2, "2027-12-20", "Australia/Sydney");
        SharpStars.Aim idle = south.aim(south.best());
        assertThat(idle.atCore() || idle.azimuthDeg() == 0).isTrue();
    }

    @Test
    void every_school_is_there_and_none_of_the_generous_ones_keeps_three_pixels() {
        SharpStars june = plan(37.6, -8.79, "2027-06-08", "Europe/Lisbon");
        var rules = june.rules(june.aim(june.best()));
        assertThat(rules).hasSize(12);
        assertThat(rules)
                .allSatisfy(r ->
                        r.dial().ifPresent(d -> assertThat(d.realSeconds()).isLessThanOrEqualTo(r.seconds() + 1e-9)));
        assertThat(rules.get(0).worstPx()).isGreaterThan(3);
    }

    @ParameterizedTest
    @CsvSource({
        "37.6, -8.79, 2027-06-08, Europe/Lisbon",
        "69.65, 18.96, 2027-06-21, Europe/Oslo",
        "78.2, 15.6, 2026-12-23, Arctic/Longyearbyen",
        "90, 0, 2027-03-01, UTC",
        "-90, 0, 2027-06-21, UTC",
        "0, 180, 2028-02-29, UTC"
    })
    void a_run_sheet_is_in_order_wherever_it_is_made(double latitude, double longitude, String date, String zone) {
        var lines = RunSheet.of(plan(latitude, longitude, date, zone));
        assertThat(lines).isSortedAccordingTo(Comparator.comparing(RunSheet.Line::when));
        assertThat(RunSheet.CAUTIONS).isNotEmpty();
    }
}
