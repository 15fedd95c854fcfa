package dev.halfdusk.app.web;

import java.text.Collator;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Order of names as people expect it: whatever their case and accents, and numbers in them by size. */
public final class ByName implements Comparator<String> {

    private static final Pattern PARTS = Pattern.compile("\\d+|\\D+");

    private final Collator letters = Collator.getInstance(Locale.ENGLISH);

    private ByName() {
        letters.setStrength(Collator.SECONDARY);
    }

    /** Things by their names. */
    public static <T> Comparator<T> of(Function<T, String> name) {
        return Comparator.comparing(name, new ByName());
    }

    @Override
    public int compare(String one, String other) {
        List<String> a = parts(one);
        List<String> b = parts(other);
        for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
            int order = comparePart(a.get(i), b.get(i));
            if (order != 0) {
                return order;
            }
        }
        return a.size() == b.size() ? one.compareTo(other) : Integer.compare(a.size(), b.size());
    }

    private static List<String> parts(String name) {
        return PARTS.matcher(name).results().map(MatchResult::group).toList();
    }

    private int comparePart(String a, String b) {
        if (Character.isDigit(a.charAt(0)) && Character.isDigit(b.charAt(0))) {
            String one = a.replaceFirst("^0+(?=.)", "");
            String other = b.replaceFirst("^0+(?=.)", "");
            return one.length() == other.length()
                    ? one.compareTo(other)
                    : Integer.compare(one.length(), other.length());
        }
        return letters.compare(a, b);
    }
}
