package dev.halfdusk.app.places;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.FullMoonEvenings;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Computed nights and years, kept for as long as pages keep asking for them: the sky of a place never changes. */
@Component
public class Skies {

    public static final int NIGHTS_IN_A_YEAR = 366;

    /** Each holds the samples of its facts, some 45 kB. */
    private static final int NIGHTS_KEPT = 600;

    private static final int YEARS_KEPT = 24;

    private static final int SOON_DAYS = 10;
    private static final int MONTH_DAYS = 30;

    /** A moon's neighbourhood before the end of the ephemeris. */
    private static final Instant LAST = Instant.parse("2059-12-20T00:00:00Z");

    private final Cache<NightKey, Night> nights =
            Caffeine.newBuilder().maximumSize(NIGHTS_KEPT).build();
    private final Cache<YearKey, YearOfNights> years =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private final Cache<MoonsKey, List<FullMoonEvenings.Evening>> moons =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private final Cache<MoonsKey, List<FullMoonEvenings.Morning>> mornings =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private final Cache<YearKey, List<ShowerNight>> showers =
            Caffeine.newBuilder().maximumSize(YEARS_KEPT).build();

    private final Cache<NightKey, LocalDate> worth =
            Caffeine.newBuilder().maximumSize(NIGHTS_KEPT).build();

    private record MoonsKey(Site site, LocalDate from, ZoneId zone) {}

    private record NightKey(Site site, LocalDate date, ZoneId zone, NightRules rules) {}

    private record YearKey(
            Site site,
            LocalDate first,
            ZoneId zone,
            NightRules rules,
            OptionalDouble zenith,
            List<Dome> domes,
            Sight sight) {}

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

    /** Showers of meteors in the year from a date on, as far as the ephemeris goes. */
    public List<ShowerNight> showers(Place place, LocalDate from) {
        YearKey asked = new YearKey(
                place.site(), from, place.zone(), place.rules(), place.zenithMagnitude(), place.domes(), Sight.CORE);
        return showers.get(asked, key -> {
            Instant first = from.atStartOfDay(place.zone()).toInstant();
            Instant end = first.plus(Duration.ofDays(NIGHTS_IN_A_YEAR));
            return ShowerNight.between(
                    first, end.isAfter(LAST) ? LAST : end, date -> night(place, date), place.glow(), place.zone());
        });
    }

    /** Full moons that set near sunrise in the year from a date on, likewise. */
    public List<FullMoonEvenings.Morning> fullMoonMornings(Place place, LocalDate from) {
        return mornings.get(new MoonsKey(place.site(), from, place.zone()), key -> {
            Instant first = key.from.atStartOfDay(key.zone).toInstant();
            Instant end = first.plus(Duration.ofDays(NIGHTS_IN_A_YEAR));
            return FullMoonEvenings.mornings(key.site, first, end.isAfter(LAST) ? LAST : end);
        });
    }

    /**
     * The night worth looking at first: of the coming month the first ten with an hour of core in the dark, or of dark sky where the
     * core is not up then, and the best of those; where the month has neither, the next of the year; else the date itself.
     */
    public LocalDate worthSeeing(Place place, LocalDate from) {
        if (from.plusDays(NIGHTS_IN_A_YEAR)
                .atStartOfDay(place.zone())
                .toInstant()
                .isAfter(LAST)) {
            return from;
        }
        return worth.get(new NightKey(place.site(), from, place.zone(), place.rules()), key -> {
            YearOfNights year = year(place, from);
            LocalDate month = from.plusDays(MONTH_DAYS);
            return Stream.of(month, from.plusDays(NIGHTS_IN_A_YEAR))
                    .flatMap(until -> Stream.of(NightWish.USUAL, NightWish.DARK)
                            .map(wish -> next(NightSearch.find(year, wish).stream()
                                    .filter(h -> h.date().isBefore(until))
                                    .toList())))
                    .flatMap(Optional::stream)
                    .findFirst()
                    .orElse(from);
        });
    }

    private static Optional<LocalDate> next(List<NightSearch.Hit> hits) {
        return hits.stream()
                .map(NightSearch.Hit::date)
                .min(Comparator.naturalOrder())
                .flatMap(first -> hits.stream()
                        .filter(h -> h.date().isBefore(first.plusDays(SOON_DAYS)))
                        .max(Comparator.comparingDouble(NightSearch.Hit::score))
                        .map(NightSearch.Hit::date));
    }

    /** The 366 nights from a date on, with the core. */
    public YearOfNights year(Place place, LocalDate first) {
        return year(place, first, Sight.CORE);
    }

    /** The same with another sight. */
    public YearOfNights year(Place place, LocalDate first, Sight sight) {
        YearKey asked = new YearKey(
                place.site(), first, place.zone(), place.rules(), place.zenithMagnitude(), place.domes(), sight);
        return years.get(
                asked,
                key -> YearOfNights.of(
                        key.site, key.first, NIGHTS_IN_A_YEAR, key.zone, key.rules.skyline(), place.glow(), key.sight));
    }
}
