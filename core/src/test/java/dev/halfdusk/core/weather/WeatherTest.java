package dev.halfdusk.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.OutOfRange;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WeatherTest {

    private static final Instant EVENING = Instant.parse("2027-06-08T20:00:00Z");

    private static WeatherHour hour(int after, double cloud, double wind, double celsius, double humidity) {
        return new WeatherHour(EVENING.plusSeconds(3600L * after), cloud, 0, 0, wind, celsius, humidity);
    }

    @ParameterizedTest(name = "{0} °C at {1} % condenses at {2} °C")
    @CsvSource({"20, 50, 9.26", "10, 80, 6.71", "0, 90, -1.44", "-10, 70, -14.38", "25, 100, 25.0"})
    void dew_point_as_in_psychrometric_tables(double celsius, double humidity, double point) {
        assertThat(Dew.pointC(celsius, humidity)).isCloseTo(point, within(0.06));
    }

    @ParameterizedTest
    @CsvSource({
        "2.9, 1.9, HIGH",
        "2.9, 2, SOME",
        "3, 1, SOME",
        "3.5, 1.0, SOME",
        "4, 1, LOW",
        "3.5, 2, LOW",
        "8, 0, LOW"
    })
    void dew_risk_by_spread_and_wind(double spread, double wind, Dew.Risk risk) {
        assertThat(Dew.risk(spread, wind)).isEqualTo(risk);
    }

    @ParameterizedTest
    @CsvSource({
        "20, 1.0",
        "0, 0.8",
        "-10, 0.65",
        "-20, 0.5",
        "40, 0.9",
        "10, 0.9",
        "-15, 0.575",
        "30, 0.95",
        "60, 0.8",
        "-60, 0.1"
    })
    void battery_in_cold_and_heat(double celsius, double factor) {
        assertThat(Cold.batteryFactor(celsius)).isCloseTo(factor, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"0, STEADY", "3.9, STEADY", "4, WEIGH_DOWN", "8, SHELTER"})
    void tripod_in_the_wind(double wind, Steadiness steadiness) {
        assertThat(Steadiness.in(wind)).isEqualTo(steadiness);
    }

    @ParameterizedTest
    @CsvSource({"50, 50, 0, 75", "0, 0, 40, 40", "20, 0, 0, 20", "0, 30, 0, 30", "50, 20, 10, 64", "100, 0, 0, 100"})
    void layers_cover_each_other_by_chance(double low, double middle, double high, double all) {
        WeatherHour h = new WeatherHour(EVENING, low, middle, high, 1, 10, 80);
        assertThat(h.cloudPercent()).isCloseTo(all, within(1e-9));
        assertThat(h.batteryFactor()).isCloseTo(0.9, within(1e-9));
    }

    /** 40 percent points of cloud, 5 K, or 5 m/s of wind, each way. */
    @ParameterizedTest
    @CsvSource({
        "40, 0, 0, true",
        "39.9, 0, 0, false",
        "0, 5, 0, true",
        "0, 4.9, 0, false",
        "0, 0, 5, true",
        "0, 0, 4.9, false",
        "0, 0, -5, true",
        "0, -5, 0, true"
    })
    void forecasts_that_differ_are_disputed(double cloud, double wind, double celsius, boolean disputed) {
        Forecast hand = new Forecast(Forecast.Source.HAND, EVENING, List.of(hour(0, 0, 10, 10, 60)));
        Forecast other = new Forecast(
                Forecast.Source.IMPORT, EVENING.minusSeconds(60), List.of(hour(0, cloud, 10 + wind, 10 + celsius, 60)));
        Outlook outlook = Outlook.of(List.of(hand, other), new Interval(EVENING, EVENING.plusSeconds(60)));
        assertThat(outlook.disputed()).isEqualTo(disputed);
        assertThat(outlook.gaps()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"25, true", "25.1, false"})
    void a_quarter_of_cloud_is_clear_enough(double cloud, boolean clear) {
        Forecast f = new Forecast(Forecast.Source.SERVICE, EVENING, List.of(hour(0, cloud, 1, 10, 60)));
        assertThat(Outlook.of(List.of(f), new Interval(EVENING, EVENING))
                        .clearest()
                        .isPresent())
                .isEqualTo(clear);
    }

    @Test
    void of_equal_runs_the_first_is_the_clearest_and_sources_have_names() {
        Forecast f = new Forecast(
                Forecast.Source.SERVICE,
                EVENING,
                List.of(hour(0, 0, 1, 10, 60), hour(1, 90, 1, 10, 60), hour(2, 0, 1, 10, 60)));
        Interval clearest = Outlook.of(List.of(f), new Interval(EVENING, EVENING.plusSeconds(7200)))
                .clearest()
                .orElseThrow();
        assertThat(clearest).isEqualTo(new Interval(EVENING, EVENING.plusSeconds(3600)));
        assertThat(Forecast.Source.HAND.words()).isEqualTo("your own entry");
        // 100 minutes from an hour its weather still holds
        assertThat(f.at(EVENING.plusSeconds(7200 + 6000))).isPresent();
        assertThat(f.at(EVENING.plusSeconds(7200 + 6001))).isEmpty();
    }

    @Test
    void impossible_weather_is_refused() {
        assertThatThrownBy(() -> hour(0, 101, 1, 10, 80)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> hour(0, 0, 1, 10, 0)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> hour(0, 0, 1, Double.NaN, 50)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void between_hours_it_is_interpolated_and_far_from_them_unknown() {
        Forecast f =
                new Forecast(Forecast.Source.SERVICE, EVENING, List.of(hour(1, 100, 4, 8, 90), hour(0, 0, 2, 10, 80)));
        assertThat(f.at(EVENING.plusSeconds(900)).orElseThrow().lowCloudPercent())
                .isCloseTo(25, within(1e-9));
        assertThat(f.at(EVENING.plusSeconds(3600 + 5400)).orElseThrow().lowCloudPercent())
                .isEqualTo(100);
        assertThat(f.at(EVENING.plusSeconds(3 * 3600))).isEmpty();
        assertThat(f.at(EVENING.minusSeconds(7200))).isEmpty();
    }

    @Test
    void one_hour_cannot_have_two_forecasts() {
        List<WeatherHour> twice = List.of(hour(0, 0, 1, 1, 50), hour(0, 10, 1, 1, 50));
        assertThatThrownBy(() -> new Forecast(Forecast.Source.HAND, EVENING, twice))
                .hasMessageContaining("2027-06-08T20:00:00Z");
    }

    @Test
    void forecasts_grow_stale() {
        Forecast f = new Forecast(Forecast.Source.SERVICE, EVENING, List.of());
        assertThat(f.staleAt(EVENING.plusSeconds(12 * 3600))).isFalse();
        assertThat(f.staleAt(EVENING.plusSeconds(12 * 3600 + 1))).isTrue();
    }

    @Test
    void the_newest_is_believed_and_the_other_shown_where_it_differs() {
        Forecast old = new Forecast(
                Forecast.Source.SERVICE,
                EVENING.minusSeconds(7200),
                List.of(hour(1, 0, 1, 10, 60), hour(2, 0, 1, 10, 60)));
        Forecast hand =
                new Forecast(Forecast.Source.HAND, EVENING, List.of(hour(1, 10, 1, 12, 60), hour(2, 80, 1, 10, 60)));
        Outlook outlook =
                Outlook.of(List.of(old, hand), new Interval(EVENING.plusSeconds(1), EVENING.plusSeconds(5 * 3600)));
        assertThat(outlook.hours()).hasSize(5);
        assertThat(outlook.hours().get(0).believed().orElseThrow().source()).isEqualTo(Forecast.Source.HAND);
        assertThat(outlook.hours().get(0).disputes()).isEmpty();
        assertThat(outlook.hours().get(1).disputes()).hasSize(1);
        assertThat(outlook.disputed()).isTrue();
        assertThat(outlook.gaps()).isTrue();
        assertThat(outlook.empty()).isFalse();
    }

    @Test
    void the_clearest_run_and_the_extremes_of_the_night() {
        Forecast f = new Forecast(
                Forecast.Source.SERVICE,
                EVENING,
                List.of(hour(0, 10, 1, 12, 70), hour(1, 90, 6, 10, 80), hour(2, 20, 1, 8, 85), hour(3, 0, 1, 4, 97)));
        Outlook outlook = Outlook.of(List.of(f), new Interval(EVENING, EVENING.plusSeconds(3 * 3600)));
        assertThat(outlook.clearest().orElseThrow())
                .isEqualTo(new Interval(EVENING.plusSeconds(7200), EVENING.plusSeconds(4 * 3600)));
        assertThat(outlook.dewFrom(Dew.Risk.HIGH)).contains(EVENING.plusSeconds(7200));
        assertThat(outlook.coldest().orElseThrow().temperatureC()).isEqualTo(4);
        assertThat(outlook.windiest().orElseThrow().windMs()).isEqualTo(6);
        Outlook none = Outlook.of(List.of(), new Interval(EVENING, EVENING.plusSeconds(3600)));
        assertThat(none.empty()).isTrue();
        assertThat(none.clearest()).isEmpty();
    }
}
