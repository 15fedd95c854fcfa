package dev.halfdusk.app.web;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/**
 * One page of a list, after a search in it.
 *
 * @param rows of this page
 * @param found by the search in all
 * @param all there are without it
 * @param number of this page, from 1
 */
public record Listed<T>(List<T> rows, String search, int found, int all, int number, int pages) {

    public static final int ROWS = 50;

    /** The rows whose text holds every word of the search, accents and case aside; a page that is none is the nearest. */
    public static <T> Listed<T> of(
            List<T> all, Optional<String> search, Optional<String> page, Function<T, String> text) {
        String wanted = search.map(String::strip).orElse("");
        String[] words = plain(wanted).split("\\s+");
        List<T> found = wanted.isEmpty()
                ? all
                : all.stream()
                        .filter(t -> {
                            String in = plain(text.apply(t));
                            return Arrays.stream(words).allMatch(in::contains);
                        })
                        .toList();
        int pages = Math.max(1, (found.size() + ROWS - 1) / ROWS);
        int number = Math.max(1, Math.min(pages, page.map(Listed::whole).orElse(1)));
        List<T> rows = found.subList((number - 1) * ROWS, Math.min(found.size(), number * ROWS));
        return new Listed<>(List.copyOf(rows), wanted, found.size(), all.size(), number, pages);
    }

    private static int whole(String text) {
        return text.matches("\\d{1,6}") ? Integer.parseInt(text) : 1;
    }

    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
    }

    /** Whether a search box is of any use. */
    public boolean searchable() {
        return all > 8 || !search.isEmpty();
    }

    public boolean hasBefore() {
        return number > 1;
    }

    public boolean hasAfter() {
        return number < pages;
    }
}
