package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/**
 * The night in which takes are planned.
 *
 * @param known marks of the place, in its order
 * @param weather forecast for an instant, where there is one
 * @param celsius of the air, where no forecast says
 * @param demand of stars, for all its takes
 * @param declinationDeg of the compass there, east of true north positive, where someone has said it
 */
public record Circumstances(
        Night night,
        Standpoint from,
        Map<Id, Mark> known,
        Function<Instant, Optional<WeatherHour>> weather,
        double celsius,
        Demand demand,
        OptionalDouble declinationDeg) {

    public Circumstances {
        WeatherHour.TEMPERATURE.check(celsius);
        known = Collections.unmodifiableMap(new LinkedHashMap<>(known));
    }

    /** Without a forecast, in mild air; marks are known by their names. */
    public static Circumstances of(Night night, Standpoint from, List<Mark> marks) {
        Map<Id, Mark> known = new LinkedHashMap<>();
        marks.forEach(m -> known.put(new Id(m.name()), m));
        return new Circumstances(night, from, known, t -> Optional.empty(), 12, Demand.USUAL, OptionalDouble.empty());
    }

    public Circumstances with(Demand other) {
        return new Circumstances(night, from, known, weather, celsius, other, declinationDeg);
    }

    /** Who the marks are, in the place's order. */
    public List<Named> names() {
        return known.entrySet().stream()
                .map(e -> new Named(e.getKey(), e.getValue().name()))
                .toList();
    }

    /** Those that stand against the sky: before a higher hill something of the night is not over them, but over the hill. */
    public List<Named> against() {
        return names().stream()
                .filter(n -> {
                    Mark m = known.get(n.id());
                    return m.topAltitudeDeg() > from.skyline().altitudeAt(m.bearingDeg());
                })
                .toList();
    }

    public List<Mark> marks() {
        return List.copyOf(known.values());
    }

    public Optional<Mark> mark(Id id) {
        return Optional.ofNullable(known.get(id));
    }
}
