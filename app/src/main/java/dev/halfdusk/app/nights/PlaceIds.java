package dev.halfdusk.app.nights;

import java.util.ArrayList;
import java.util.List;

/**
 * The places of a search as an address holds them: "7", "3-40" for all from 3 to 40, or "all", so that hundreds of ticked
 * places still make a short address.
 */
record PlaceIds(boolean all, List<long[]> spans) {

    static final String ALL = "all";

    private static final int SHORTEST_SPAN = 3;

    /** What names no place says nothing. */
    static PlaceIds of(List<String> words) {
        List<long[]> spans = new ArrayList<>();
        for (String word : words) {
            if (word.matches("\\d{1,18}")) {
                long id = Long.parseLong(word);
                spans.add(new long[] {id, id});
            } else if (word.matches("\\d{1,18}-\\d{1,18}")) {
                String[] ends = word.split("-");
                spans.add(new long[] {Long.parseLong(ends[0]), Long.parseLong(ends[1])});
            }
        }
        return new PlaceIds(words.contains(ALL), List.copyOf(spans));
    }

    boolean holds(long id) {
        return all || spans.stream().anyMatch(s -> id >= s[0] && id <= s[1]);
    }

    /** As few words as say the same: "all" stays alone, neighbours become spans. */
    List<String> words() {
        if (all) {
            return List.of(ALL);
        }
        List<Long> ids = spans.stream()
                .filter(s -> s[0] == s[1])
                .map(s -> s[0])
                .sorted()
                .distinct()
                .toList();
        List<String> words = new ArrayList<>();
        spans.stream().filter(s -> s[0] != s[1]).forEach(s -> words.add(s[0] + "-" + s[1]));
        for (int i = 0; i < ids.size(); ) {
            int end = i;
            while (end + 1 < ids.size() && ids.get(end + 1) == ids.get(end) + 1) {
                end++;
            }
            if (end - i + 1 >= SHORTEST_SPAN) {
                words.add(ids.get(i) + "-" + ids.get(end));
                i = end + 1;
            } else {
                words.add(ids.get(i).toString());
                i++;
            }
        }
        return words;
    }
}
