package dev.halfdusk.app;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import org.springframework.stereotype.Component;

/** Computed nights, kept for as long as pages keep asking for them: a night never changes. */
@Component
public class Skies {

    private static final int KEPT = 2000;

    private final Cache<Key, Night> nights =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    private record Key(Site site, LocalDate date, ZoneId zone) {}

    public Night night(Place place, LocalDate date) {
        return nights.get(
                new Key(place.site(), date, place.zone()),
                key -> Night.of(key.site(), key.date(), key.zone(), NightRules.USUAL));
    }
}
