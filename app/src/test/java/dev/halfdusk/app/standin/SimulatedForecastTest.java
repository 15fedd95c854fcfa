package dev.halfdusk.app.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.app.weather.ForecastService;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;

class SimulatedForecastTest {

    private static final Instant NOW = Instant.parse("2027-06-01T18:00:00Z");
    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);

    private static SimulatedForecast at(Instant now, SimulatedForecast.Mode mode) {
        return new SimulatedForecast(Clock.fixed(now, ZoneOffset.UTC), mode);
    }

    private static List<WeatherHour> night(Instant now, Site site, Instant from) {
        return at(now, SimulatedForecast.Mode.OK)
                .forecast(site, new Interval(from, from.plus(Duration.ofHours(9))))
                .map(Forecast::hours)
                .orElse(List.of());
    }

    @Test
    void the_same_night_has_the_same_weather_whenever_it_is_asked() {
        Instant evening = NOW.plus(Duration.ofDays(2));
        assertThat(night(NOW, LEDGE, evening)).hasSize(10).isEqualTo(night(NOW.plusSeconds(90_000), LEDGE, evening));
        assertThat(night(NOW, LEDGE, evening)).isNotEqualTo(night(NOW, new Site(60, 10, 0), evening));
        assertThat(night(NOW, LEDGE, evening)).isNotEqualTo(night(NOW, LEDGE, evening.plus(Duration.ofDays(1))));
    }

    @Test
    void clear_and_overcast_nights_both_come() {
        long clear = 0;
        long overcast = 0;
        for (int day = 0; day < 200; day++) {
            Instant evening = NOW.plus(Duration.ofDays(day));
            double mean = night(evening, LEDGE, evening).stream()
                    .mapToDouble(WeatherHour::cloudPercent)
                    .average()
                    .orElseThrow();
            clear += mean < 25 ? 1 : 0;
            overcast += mean > 75 ? 1 : 0;
        }
        assertThat(clear).isBetween(30L, 140L);
        assertThat(overcast).isBetween(15L, 120L);
    }

    @Test
    void it_reaches_nine_days_and_works_at_the_ends_of_the_earth() {
        assertThat(night(NOW, LEDGE, NOW.plus(Duration.ofDays(12)))).isEmpty();
        assertThat(night(NOW, LEDGE, NOW.minus(Duration.ofDays(3)))).isEmpty();
        assertThat(night(NOW, new Site(-90, 0, 2800), NOW)).isNotEmpty();
        assertThat(night(NOW, new Site(0, 180, 9000), NOW)).isNotEmpty();
    }

    @Test
    void it_can_be_down() {
        SimulatedForecast down = at(NOW, SimulatedForecast.Mode.DOWN);
        Interval span = new Interval(NOW, NOW.plusSeconds(3600));
        assertThatThrownBy(() -> down.forecast(LEDGE, span)).isInstanceOf(ForecastService.Unreachable.class);
    }
}
