package dev.halfdusk.app.nights;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.NightWish;
import dev.halfdusk.core.search.OverMark;
import dev.halfdusk.core.search.Relaxation;
import dev.halfdusk.core.search.Season;
import dev.halfdusk.core.search.Spell;
import dev.halfdusk.core.search.Wanted;
import dev.halfdusk.core.sky.Galaxy;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.springframework.util.MultiValueMap;

/** The search for nights over places and years, from the fields of its page to ranked finds. */
@Component
class BestNights {

    /** A year of one place takes some 80 ms: a minute of work at the most. */
    static final int MOST_PLACE_YEARS = 1000;

    private static final Range PART_ALTITUDE = new Range("height of the part", 0, 90, "\u00b0");
    private static final Range YEARS = new Range("years", 1, 10, "");

    private final Places places;
    private final Jobs jobs;

    BestNights(Places places, Jobs jobs) {
        this.places = places;
        this.jobs = jobs;
    }

    /** A night at a place. */
    record Find(Place place, NightSearch.Hit hit) {}

    /** What letting go of one limit would bring. */
    record Give(String what, int nights, Find best) {}

    /** When the sight's season runs at a place. */
    record SeasonAt(Place place, Season season) {}

    /** Neighbouring nights at one place. */
    record SpellAt(Place place, Spell spell) {}

    /**
     * Ranked finds, and what would have to give for more.
     *
     * @param spells the same finds by place and new moon, the best first
     * @param seasons of the places, where a sight was asked for
     */
    record Found(
            List<Find> finds,
            List<SpellAt> spells,
            List<Give> gives,
            List<SeasonAt> seasons,
            Sight sight,
            NightWish wish) {}

    /** What was asked for, as typed lists that a single-valued form cannot hold. */
    record Asked(Form form, List<String> placeIds, Set<String> weekdays, Set<String> months) {

        static Asked of(MultiValueMap<String, String> query, LocalDate today) {
            Form form = AskedSky.begin(Form.of(query.toSingleValueMap()))
                    .putIfMissing("from", today)
                    .putIfMissing("years", "1")
                    .putIfMissing("hours", "1")
                    .putIfMissing("wanted", "sight")
                    .putIfMissing("altitudeTo", "90")
                    .allows("partAzimuth", Range.AZIMUTH)
                    .allows("partAltitude", PART_ALTITUDE)
                    .allows("aside", OverMark.ASIDE)
                    .allows("overTo", OverMark.HIGHEST)
                    .putIfMissing("partAzimuth", "0")
                    .putIfMissing("partAltitude", "45")
                    .putIfMissing("altitude", "10")
                    .putIfMissing("azimuthFrom", "0")
                    .putIfMissing("azimuthTo", "0")
                    .putIfMissing("moon", "0")
                    .putIfMissing("over", "")
                    .putIfMissing("aside", "10")
                    .putIfMissing("overTo", "30")
                    .putIfMissing("stance", "");
            return new Asked(
                    form,
                    query.getOrDefault("place", List.of()),
                    Set.copyOf(query.getOrDefault("weekday", List.of())),
                    Set.copyOf(query.getOrDefault("month", List.of())));
        }
    }

    /** Everything that decides a result, so that equal searches are one job. */
    private record Key(List<Place> places, LocalDate from, int years, NightWish wish, Sight sight, OptionalDouble sky) {

        /** At a place; empty where its sky is never as dark as asked. */
        Optional<NightWish> at(Place place) {
            return sky.isEmpty()
                    ? Optional.of(wish)
                    : Dark.sky(sky.getAsDouble(), place.glow()).map(wish::asDarkAs);
        }
    }

    /** The search as a job that may be finished already; empty where the form now holds complaints. */
    Optional<Job<Found>> search(Asked asked) {
        return key(asked).map(key -> jobs.of(key, key.places.size() * key.years, job -> run(key, job)));
    }

    /** Stops a search that runs. */
    void cancel(Asked asked) {
        key(asked).ifPresent(jobs::cancel);
    }

    private Optional<Key> key(Asked asked) {
        Form form = asked.form();
        LocalDate from = form.night("from");
        OptionalLong years = form.whole("years", YEARS);
        List<Place> chosen = chosen(asked);
        Optional<NightWish> wish = wish(asked);
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
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(
                        new Key(chosen, from, (int) years.getAsLong(), wish.orElseThrow(), sight(form), sky(form)));
    }

    private static final Comparator<Find> RANK = Comparator.comparingDouble(
                    (Find f) -> f.hit().score())
            .reversed()
            .thenComparing(f -> f.hit().date());

    /** Place-years are independent of each other, so both hands of the machine work on them. */
    private static Found run(Key key, Job<Found> job) {
        List<Relaxation> relaxations = Relaxation.of(key.wish, key.sight);
        List<Find> finds = new ArrayList<>();
        List<List<Find>> eased = relaxations.stream()
                .map(r -> (List<Find>) new ArrayList<Find>())
                .toList();
        Map<Integer, SeasonAt> seasons = new TreeMap<>();
        IntStream.range(0, key.places.size() * key.years).parallel().forEach(i -> {
            Place place = key.places.get(i / key.years);
            LocalDate first = key.from.plusYears(i % key.years);
            job.step();
            int nights = (int) (first.plusYears(1).toEpochDay() - first.toEpochDay());
            YearOfNights year = YearOfNights.of(
                    place.site(), first, nights, place.zone(), place.skyline(), place.glow(), key.sight);
            List<NightSearch.Hit> hits =
                    key.at(place).map(w -> NightSearch.find(year, w)).orElse(List.of());
            List<List<NightSearch.Hit>> more = relaxations.stream()
                    .map(r -> NightSearch.find(year, r.wish()))
                    .toList();
            boolean season = i % key.years == 0 && key.wish.wanted() instanceof Wanted.Standing;
            Optional<Season> runs = season ? Optional.of(Season.of(year, key.wish)) : Optional.empty();
            synchronized (finds) {
                hits.forEach(hit -> finds.add(new Find(place, hit)));
                runs.ifPresent(s -> seasons.put(i, new SeasonAt(place, s)));
                for (int r = 0; r < more.size(); r++) {
                    for (NightSearch.Hit hit : more.get(r)) {
                        eased.get(r).add(new Find(place, hit));
                    }
                }
            }
        });
        finds.sort(RANK);
        List<Give> gives = new ArrayList<>();
        for (int r = 0; r < relaxations.size(); r++) {
            int nights = eased.get(r).size();
            if (nights > finds.size()) {
                String what = relaxations.get(r).what();
                eased.get(r).stream().min(RANK).ifPresent(best -> gives.add(new Give(what, nights, best)));
            }
        }
        gives.sort(Comparator.comparingInt(Give::nights).reversed());
        return new Found(
                List.copyOf(finds),
                spells(finds),
                List.copyOf(gives),
                List.copyOf(seasons.values()),
                key.sight,
                key.wish);
    }

    private static List<SpellAt> spells(List<Find> ranked) {
        Map<Place, List<NightSearch.Hit>> byPlace = ranked.stream()
                .collect(Collectors.groupingBy(
                        Find::place, LinkedHashMap::new, Collectors.mapping(Find::hit, Collectors.toList())));
        return byPlace.entrySet().stream()
                .flatMap(e -> Spell.of(e.getValue()).stream().map(s -> new SpellAt(e.getKey(), s)))
                .sorted(Comparator.comparingDouble(
                                (SpellAt s) -> s.spell().best().score())
                        .reversed()
                        .thenComparing(s -> s.spell().first()))
                .toList();
    }

    /** The place of the mark, where one is chosen; else those that were ticked; the first where none was. */
    List<Place> chosen(Asked asked) {
        List<Place> all = places.all();
        Optional<MarkAt> over = over(asked.form());
        if (over.isPresent()) {
            return all.stream().filter(p -> p.id() == over.get().place).toList();
        }
        if (asked.placeIds().isEmpty()) {
            return all.stream().limit(1).toList();
        }
        PlaceIds ids = PlaceIds.of(asked.placeIds());
        return all.stream().filter(p -> ids.holds(p.id())).toList();
    }

    private record MarkAt(long place, Mark mark) {}

    /** The mark the sight is to stand over: "place-mark". */
    private Optional<MarkAt> over(Form form) {
        String[] ids = form.value("over").split("-");
        if (ids.length != 2 || !ids[0].matches("\\d{1,18}") || !ids[1].matches("\\d{1,18}")) {
            return Optional.empty();
        }
        long place = Long.parseLong(ids[0]);
        return places.mark(place, Long.parseLong(ids[1])).map(m -> new MarkAt(place, m));
    }

    /** What is asked for; the core where it is not a sight at all. */
    private static Sight sight(Form form) {
        return form.value("wanted").equals("sight") ? AskedSky.sight(form).orElse(Sight.CORE) : Sight.CORE;
    }

    /** What an outing in a found night would come for, as the fields of an address: darkness as it was asked for. */
    static String planned(Asked asked) {
        Form form = asked.form().copy();
        return form.value("wanted").equals("sight") ? AskedSky.query(form.put("least", form.value("altitude"))) : "";
    }

    /** The brightness of the sky, where darkness is asked for so. */
    private static OptionalDouble sky(Form form) {
        return form.value("dark").equals("sky") ? form.number("sky", AskedSky.ZENITH) : OptionalDouble.empty();
    }

    private Optional<NightWish> wish(Asked asked) {
        Form form = asked.form();
        OptionalDouble hours = form.number("hours", NightWish.HOURS);
        OptionalDouble moon = form.number("moon", NightRules.MOON_ALLOWANCE);
        Optional<Wanted> wanted = wanted(form);
        Optional<Dark> dark =
                sky(form).isPresent() ? Optional.of(Dark.ASTRONOMICAL) : AskedSky.dark(form, SkyGlow.natural());
        if (form.hasErrors()) {
            return Optional.empty();
        }
        boolean core =
                wanted.orElseThrow() instanceof Wanted.Standing && sight(form).equals(Sight.CORE);
        return Optional.of(new NightWish(
                hours.getAsDouble(),
                dark.orElseThrow(),
                moon.getAsDouble(),
                wanted.get(),
                core ? known(Galaxy.Stance.class, Set.of(form.value("stance"))) : Set.of(),
                known(DayOfWeek.class, asked.weekdays()),
                known(Month.class, asked.months())));
    }

    /** Reads only the fields that belong to what is wanted; empty after a complaint. */
    private Optional<Wanted> wanted(Form form) {
        switch (form.value("wanted")) {
            case "dark" -> {
                return Optional.of(new Wanted.DarkSky());
            }
            case "part" -> {
                OptionalDouble azimuth = form.number("partAzimuth", Range.AZIMUTH);
                OptionalDouble altitude = form.number("partAltitude", PART_ALTITUDE);
                return azimuth.isEmpty() || altitude.isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                                new Wanted.PartOfSky(new Direction(azimuth.getAsDouble(), altitude.getAsDouble())));
            }
            case "sight", "core" -> { // as it was called when there was no other sight
                form.put("wanted", "sight");
                AskedSky.sight(form);
                return over(form).map(m -> overMark(form, m.mark)).orElseGet(() -> standing(form));
            }
            default -> {
                form.reject("wanted", "Choose something in the sky, a dark sky, or a part of it.");
                return Optional.empty();
            }
        }
    }

    private static Optional<Wanted> overMark(Form form, Mark mark) {
        OptionalDouble lowest = form.number("altitude", NightRules.LEAST_ALTITUDE);
        OptionalDouble aside = form.number("aside", OverMark.ASIDE);
        OptionalDouble highest = form.number("overTo", OverMark.HIGHEST);
        if (highest.isPresent() && highest.getAsDouble() <= mark.topAltitudeDeg()) {
            form.reject(
                    "overTo",
                    "The mark's top is already " + Words.number(mark.topAltitudeDeg(), 1) + "\u00b0 high: enter more.");
        }
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(OverMark.of(mark, aside.getAsDouble(), highest.getAsDouble())
                        .standing(lowest.getAsDouble()));
    }

    private static Optional<Wanted> standing(Form form) {
        OptionalDouble lowest = form.number("altitude", NightRules.LEAST_ALTITUDE);
        OptionalDouble highest = form.number("altitudeTo", Wanted.Standing.HIGHEST);
        OptionalDouble left = form.number("azimuthFrom", Range.AZIMUTH);
        OptionalDouble right = form.number("azimuthTo", Range.AZIMUTH);
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new Wanted.Standing(
                        lowest.getAsDouble(), highest.getAsDouble(), left.getAsDouble(), right.getAsDouble()));
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
