package dev.halfdusk.app.places;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.FullMoonEvenings;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** Computed nights and years, kept for as long as pages keep asking for them: the sky of a place never changes. */
@Component
public class Skies {

    public static final int NIGHTS_IN_A_YEAR = 366;

    /** Each holds the samples of its facts, some 45 kB. */
    private static final int NIGHTS_KEPT = 600;

    private static final int YEARS_KEPT = 24;

    /** A moon's neighbourhood before the end of the ephemeris. */
    private static final Instant LAST = Instant.parse("2059-12-20T00:00:00Z");

    private final Cache<NightKey, Night> nights =
            Caffeine.newBuilder().maximumSize(NIGHTS_KEPT).build();
    private final Cache<YearKey, YearOfNights> years =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private final Cache<MoonsKey, List<FullMoonEvenings.Evening>> moons =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private record MoonsKey(Site site, LocalDate from, ZoneId zone) {}

    private record NightKey(Site site, LocalDate date, ZoneId zone, NightRules rules) {}

    private record YearKey(
            Site site, LocalDate first, ZoneId zone, NightRules rules, OptionalDouble zenith, List<Dome> domes) {}

    public Night night(Place place, LocalDate date) {
        return nights.get(
                new NightKey(place.site(), date, place.zone(), place.rules()),
                key -> Night.of(key.site, key.date, key.zone, key.rules));
    }

    /** Full moons that rise near sunset in the year from a date on, as far as the ephemeris goes. */
    public List<FullMoonEvenings.Evening> fullMoonEvenings(Place place, LocalDate from) {
        return moons.get(new MoonsKey(place.site(), from, place.zone()), key -> {
            Instant first = key.from.atStartOfDay(key.zone).toInstant();
            Instant end = first.plus(Duration.ofDays(NIGHTS_IN_A_YEAR));
            return FullMoonEvenings.between(key.site, first, end.isAfter(LAST) ? LAST : end);
        });
    }

    /** The 366 nights from a date on. */
    public YearOfNights year(Place place, LocalDate first) {
        return years.get(
                new YearKey(place.site(), first, place.zone(), place.rules(), place.zenithMagnitude(), place.domes()),
                key -> YearOfNights.of(
                        key.site, key.first, NIGHTS_IN_A_YEAR, key.zone, key.rules.skyline(), place.glow()));
    }
}
