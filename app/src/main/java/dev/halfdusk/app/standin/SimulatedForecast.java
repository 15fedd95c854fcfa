package dev.halfdusk.app.standin;

import dev.halfdusk.app.weather.ForecastService;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A made-up forecast service: the weather is a smooth function of place and hour, so that the same night always has the
 * same weather. It reaches nine days ahead, is renewed every six hours, and can be told to be slow or down.
 */
@Component
class SimulatedForecast implements ForecastService {

    private static final Duration AHEAD = Duration.ofDays(9);
    private static final Duration BEHIND = Duration.ofDays(1);
    private static final Duration CYCLE = Duration.ofHours(6);
    private static final Duration SLOW = Duration.ofSeconds(6);

    private final Clock clock;
    /** How the service behaves: {@code --halfdusk.forecast=ok|slow|down}. */
    enum Mode {
        OK,
        SLOW,
        DOWN
    }

    private final Mode mode;

    SimulatedForecast(Clock clock, @Value("${halfdusk.forecast:ok}") Mode mode) {
        this.clock = clock;
        this.mode = mode;
    }

    @Override
    public Optional<Forecast> forecast(Site site, Interval span) {
        switch (mode) {
            case DOWN -> throw new Unreachable("the forecast service is down");
            case SLOW -> sleep();
            default -> {}
        }
        Instant now = clock.instant();
        Instant issued =
                Instant.ofEpochSecond(Math.floorDiv(now.getEpochSecond(), CYCLE.toSeconds()) * CYCLE.toSeconds());
        List<WeatherHour> hours = new ArrayList<>();
        long first = Math.floorDiv(span.from().getEpochSecond(), 3600L);
        for (long h = first; h * 3600 <= span.to().getEpochSecond(); h++) {
            Instant when = Instant.ofEpochSecond(h * 3600);
            if (when.isAfter(now.minus(BEHIND)) && when.isBefore(now.plus(AHEAD))) {
                hours.add(hour(site, when));
            }
        }
        return hours.isEmpty() ? Optional.empty() : Optional.of(new Forecast(Forecast.Source.SERVICE, issued, hours));
    }

    private static void sleep() {
        try {
            Thread.sleep(SLOW.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Unreachable("the forecast service did not answer in time");
        }
    }

    private static WeatherHour hour(Site site, Instant when) {
        double latitude = site.latitudeDeg();
        double day = when.getEpochSecond() / 86_400.0;
        double solarHour =
                when.atZone(ZoneOffset.UTC).toLocalTime().toSecondOfDay() / 3600.0 + site.longitudeDeg() / 15;
        double season = Math.cos(2 * Math.PI * (day - 200) / 365.25) * Math.signum(latitude);
        double wet = 0.36 + 0.5 * noise(site, 1, day / 3.1);
        double low = cover(wet + 0.45 * noise(site, 2, day * 2.3));
        double middle = cover(wet - 0.1 + 0.5 * noise(site, 3, day * 1.7));
        double high = cover(0.25 + 0.5 * noise(site, 4, day * 1.1));
        double wind = 3.5 + 3 * noise(site, 5, day / 1.9) + 1.5 * noise(site, 6, day * 3.7);
        double temperature = 27
                - 0.45 * Math.abs(latitude)
                + (2 + 0.14 * Math.abs(latitude)) * season
                + 4 * Math.cos(2 * Math.PI * (solarHour - 15) / 24)
                + 3 * noise(site, 7, day / 2.7)
                - 0.0065 * site.elevationM();
        double humidity = 72 - 16 * Math.cos(2 * Math.PI * (solarHour - 15) / 24) + 14 * noise(site, 8, day / 1.3);
        return new WeatherHour(
                when,
                low,
                middle,
                high,
                Math.round(10 * Math.max(0.3, wind)) / 10.0,
                Math.round(10 * Math.max(-55, temperature)) / 10.0,
                Math.round(Math.max(15, Math.min(99, humidity))));
    }

    /** From a wish for cloud, mostly between 0 and 1, to percent: clear and overcast are both common. */
    private static double cover(double wish) {
        return Math.round(100 * Math.max(0, Math.min(1, 1.6 * wish - 0.6)));
    }

    /** Smooth noise between about −1 and 1, the same for places within some 10 km. */
    private static double noise(Site site, int kind, double at) {
        long cell = Math.round(site.latitudeDeg() * 10) * 4001 + Math.round(site.longitudeDeg() * 10) * 31L + kind;
        double sum = 0;
        for (int k = 1; k <= 3; k++) {
            double phase = 2 * Math.PI * ((Math.floorMod(cell * 2_654_435_761L * (k + 6), 1_000_003L)) / 1_000_003.0);
            sum += Math.sin(2 * Math.PI * at * (k * 0.7 + 0.11 * kind / k) + phase);
        }
        return sum / 2;
    }
}
