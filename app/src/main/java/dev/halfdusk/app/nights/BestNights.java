package dev.halfdusk.app.nights;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.NightSearch;
import dev.halfdusk.core.night.NightWish;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Galaxy;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.util.MultiValueMap;

/** The search for nights over places and years, from the fields of its page to ranked finds. */
@Component
class BestNights {

    /** A year of one place takes some 80 ms; more than this would keep a person waiting. */
    static final int MOST_PLACE_YEARS = 12;

    private static final Range YEARS = new Range("years", 1, 10, "");

    private final Places places;

    BestNights(Places places) {
        this.places = places;
    }

    /** A night at a place. */
    record Find(Place place, NightSearch.Hit hit) {}

    /** What was asked for, as typed lists that a single-valued form cannot hold. */
    record Asked(Form form, List<String> placeIds, Set<String> weekdays, Set<String> months) {

        static Asked of(MultiValueMap<String, String> query, LocalDate today) {
            Form form = Form.of(query.toSingleValueMap())
                    .putIfMissing("from", today)
                    .putIfMissing("years", "1")
                    .putIfMissing("hours", "1")
                    .putIfMissing("altitude", "10")
                    .putIfMissing("azimuthFrom", "0")
                    .putIfMissing("azimuthTo", "0")
                    .putIfMissing("moon", "0")
                    .putIfMissing("stance", "");
            return new Asked(
                    form,
                    query.getOrDefault("place", List.of()),
                    Set.copyOf(query.getOrDefault("weekday", List.of())),
                    Set.copyOf(query.getOrDefault("month", List.of())));
        }
    }

    /** Ranked finds, best first; empty where the form now holds complaints. */
    Optional<List<Find>> search(Asked asked) {
        Form form = asked.form();
        LocalDate from = form.night("from");
        OptionalLong years = form.whole("years", YEARS);
        Optional<NightWish> wish = wish(asked);
        List<Place> chosen = chosen(asked);
        if (chosen.isEmpty()) {
            form.reject("place", "Choose at least one place.");
        }
        if (years.isPresent() && chosen.size() * years.getAsLong() > MOST_PLACE_YEARS) {
            form.reject(
                    "years",
                    "At most " + MOST_PLACE_YEARS + " years in all; " + chosen.size() + " places allow "
                            + MOST_PLACE_YEARS / chosen.size() + ".");
        }
        if (from != null && years.isPresent() && !Form.NIGHTS.contains(from.plusYears(years.getAsLong()))) {
            form.reject("years", "That would leave the years that can be computed, 2000\u20132059.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        int nights = (int) (from.plusYears(years.getAsLong()).toEpochDay() - from.toEpochDay());
        List<Find> finds = new ArrayList<>();
        for (Place place : chosen) {
            YearOfNights year =
                    YearOfNights.of(place.site(), from, nights, place.zone(), place.skyline(), place.glow());
            NightSearch.find(year, wish.orElseThrow()).forEach(hit -> finds.add(new Find(place, hit)));
        }
        finds.sort(Comparator.comparingDouble((Find f) -> f.hit().score())
                .reversed()
                .thenComparing(f -> f.hit().date()));
        return Optional.of(finds);
    }

    /** The places that were ticked; the first where none was. */
    List<Place> chosen(Asked asked) {
        List<Place> all = places.all();
        if (asked.placeIds().isEmpty()) {
            return all.stream().limit(1).toList();
        }
        return all.stream()
                .filter(p -> asked.placeIds().contains(p.id().toString()))
                .toList();
    }

    private static Optional<NightWish> wish(Asked asked) {
        Form form = asked.form();
        OptionalDouble hours = form.number("hours", NightWish.HOURS);
        OptionalDouble altitude = form.number("altitude", NightRules.CORE_ALTITUDE);
        OptionalDouble azimuthFrom = form.number("azimuthFrom", Range.AZIMUTH);
        OptionalDouble azimuthTo = form.number("azimuthTo", Range.AZIMUTH);
        OptionalDouble moon = form.number("moon", NightRules.MOON_ALLOWANCE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        return Optional.of(new NightWish(
                hours.getAsDouble(),
                NightRules.USUAL.sunDepressionDeg(),
                moon.getAsDouble(),
                altitude.getAsDouble(),
                azimuthFrom.getAsDouble(),
                azimuthTo.getAsDouble(),
                known(Galaxy.Stance.class, Set.of(form.value("stance"))),
                known(DayOfWeek.class, asked.weekdays()),
                known(Month.class, asked.months())));
    }

    /** Those of the words that name something; others say nothing. */
    private static <E extends Enum<E>> Set<E> known(Class<E> type, Set<String> words) {
        Set<E> found = EnumSet.noneOf(type);
        Arrays.stream(type.getEnumConstants())
                .filter(e -> words.contains(e.name().toLowerCase(Locale.ROOT)))
                .forEach(found::add);
        return found;
    }
}
