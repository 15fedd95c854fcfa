package dev.halfdusk.core.search;

import dev.halfdusk.core.search.NightSearch.Hit;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The wanted nights around one new moon at one place: neighbours are nearly alike, so one looks at them as one.
 *
 * @param nights by date
 * @param best of them
 */
public record Spell(List<Hit> nights, Hit best) {

    /** A new moon, and the mean time to the next, in days since 1970: true ones stray by half a day. */
    private static final double NEW_MOON_DAY = 10_962.76;

    private static final double MONTH_DAYS = 29.530589;

    /** Groups finds by the new moon they are nearest to; the best spell first. */
    public static List<Spell> of(List<Hit> hits) {
        Map<Long, List<Hit>> byMoon = new TreeMap<>();
        for (Hit hit : hits) {
            long moon = Math.round((hit.date().toEpochDay() + 1 - NEW_MOON_DAY) / MONTH_DAYS);
            byMoon.computeIfAbsent(moon, m -> new ArrayList<>()).add(hit);
        }
        return byMoon.values().stream()
                .map(Spell::around)
                .sorted(Comparator.comparingDouble((Spell s) -> s.best.score())
                        .reversed()
                        .thenComparing(Spell::first))
                .toList();
    }

    private static Spell around(List<Hit> unsorted) {
        List<Hit> nights =
                unsorted.stream().sorted(Comparator.comparing(Hit::date)).toList();
        Hit best = nights.stream()
                .max(Comparator.comparingDouble(Hit::score)
                        .thenComparing(Comparator.comparing(Hit::date).reversed()))
                .orElseThrow();
        return new Spell(nights, best);
    }

    public LocalDate first() {
        return nights.get(0).date();
    }

    public LocalDate last() {
        return nights.get(nights.size() - 1).date();
    }
}
