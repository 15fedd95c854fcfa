package dev.halfdusk.app.weather;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.weather.Forecast;
import java.util.Optional;

/** Somebody who forecasts the weather by the hour. May be slow, and may be down. */
public interface ForecastService {

    /**
     * @return empty where no forecast reaches that far
     * @throws Unreachable when it does not answer
     */
    Optional<Forecast> forecast(Site site, Interval span);

    /** It did not answer. */
    class Unreachable extends RuntimeException {

        public Unreachable(String why) {
            super(why, null, false, false);
        }
    }
}
