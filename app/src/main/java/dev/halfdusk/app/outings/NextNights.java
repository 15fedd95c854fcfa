package dev.halfdusk.app.outings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Take;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The next night that has a window for what a night has none for. */
@Component
class NextNights {

    /** After a year most things have come round. */
    private static final int MOST_NIGHTS = 400;

    private static final Duration ECLIPSES = Duration.ofDays(20 * 365);
    private static final double CELSIUS = 12;

    private final Skies skies;
    private final Cache<Key, Optional<LocalDate>> known =
            Caffeine.newBuilder().maximumSize(2000).build();

    NextNights(Skies skies) {
        this.skies = skies;
    }

    private record Key(Place place, Map<Id, Mark> marks, Demand demand, Take take, LocalDate after) {}

    /**
     * @param c of any of its nights
     * @param after the night that has none
     */
    Optional<LocalDate> of(Place place, Circumstances c, Take take, LocalDate after) {
        return known.get(
                new Key(place, c.known(), c.demand(), take.pinned(Optional.empty()), after), NextNights.this::find);
    }

    private Optional<LocalDate> find(Key k) {
        if (!from(k).isBefore(to(k))) {
            return Optional.empty();
        }
        Stream<LocalDate> nights = switch (k.take.wish().kind()) {
            case LUNAR_ECLIPSE -> lunar(k);
            case SOLAR_ECLIPSE -> solar(k);
            default -> Stream.iterate(k.after.plusDays(1), d -> d.plusDays(1)).limit(MOST_NIGHTS);
        };
        return nights.filter(Form.NIGHTS::contains)
                .filter(d -> Night.exists(d, k.place.zone()))
                .filter(d -> bears(k, d))
                .findFirst();
    }

    private boolean bears(Key k, LocalDate date) {
        Night night = skies.night(k.place, date);
        Circumstances c = new Circumstances(
                night, k.place.standpoint(), k.marks, t -> Optional.empty(), CELSIUS, k.demand, OptionalDouble.empty());
        return !k.take.wish().when(c).windows().isEmpty() && k.take.plan(c).possible();
    }

    private static Instant from(Key k) {
        return k.after.plusDays(1).atStartOfDay(k.place.zone()).toInstant();
    }

    private static Instant to(Key k) {
        Instant last = Form.NIGHTS.last().atStartOfDay(k.place.zone()).toInstant();
        Instant to = from(k).plus(ECLIPSES);
        return to.isAfter(last) ? last : to;
    }

    private static Stream<LocalDate> lunar(Key k) {
        List<LocalEclipse> all = LocalEclipse.between(from(k), to(k), Observer.at(k.place.site()), k.place.skyline());
        return all.stream().map(e -> Night.evening(e.eclipse().greatest(), k.place.zone()));
    }

    private static Stream<LocalDate> solar(Key k) {
        return SolarEclipses.between(from(k), to(k)).stream()
                .flatMap(e -> LocalSolarEclipse.of(e, Observer.at(k.place.site()), k.place.skyline()).stream())
                .flatMap(e -> {
                    LocalDate day = Night.evening(e.max().when(), k.place.zone());
                    return Stream.of(day.minusDays(1), day, day.plusDays(1));
                });
    }
}
