package dev.halfdusk.app.outings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Plans that were worked out before: when one take of a night is moved, the others are not planned again. */
@Component
class Plans {

    private static final int MOST = 400;
    private static final Duration HOUR = Duration.ofHours(1);

    private final Cache<Key, Plan> known =
            Caffeine.newBuilder().maximumSize(MOST).build();

    /** All that a plan depends on. */
    private record Key(
            Take take,
            Place place,
            Map<Id, Mark> marks,
            LocalDate date,
            Demand demand,
            List<Optional<WeatherHour>> weather) {}

    Plan of(Take take, Place place, Circumstances c) {
        List<Optional<WeatherHour>> weather = new ArrayList<>();
        for (Instant t = c.night().span().from(); !t.isAfter(c.night().span().to()); t = t.plus(HOUR)) {
            weather.add(c.weather().apply(t));
        }
        return known.get(new Key(take, place, c.known(), c.night().date(), c.demand(), weather), key -> take.plan(c));
    }
}
