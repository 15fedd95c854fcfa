package dev.halfdusk.core.take;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * The night in which takes are planned.
 *
 * @param weather forecast for an instant, where there is one
 * @param celsius of the air, where no forecast says
 */
public record Circumstances(
        Night night,
        Standpoint from,
        List<Mark> marks,
        Function<Instant, Optional<WeatherHour>> weather,
        double celsius) {

    public Circumstances {
        WeatherHour.TEMPERATURE.check(celsius);
        marks = List.copyOf(marks);
    }

    /** Without a forecast, in mild air. */
    public static Circumstances of(Night night, Standpoint from, List<Mark> marks) {
        return new Circumstances(night, from, marks, t -> Optional.empty(), 12);
    }

    Optional<Mark> mark(String name) {
        return marks.stream().filter(m -> m.name().equals(name)).findFirst();
    }
}
