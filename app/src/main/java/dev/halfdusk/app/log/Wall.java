package dev.halfdusk.app.log;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * The nights of the log, a page of them.
 *
 * @param found that the filter lets through
 * @param number of this page, from 1
 */
record Wall(List<Card> cards, int found, int number, int pages, String query) {

    static final int CARDS = 12;

    /**
     * Which nights are asked for.
     *
     * @param month 1 to 12, of any year
     * @param rating at least
     */
    record Asked(Optional<Long> place, String subject, String rig, OptionalInt month, OptionalInt rating) {

        static Asked of(Map<String, String> typed) {
            return new Asked(
                    Form.idIn(Optional.ofNullable(typed.get("place"))),
                    typed.getOrDefault("subject", ""),
                    typed.getOrDefault("rig", ""),
                    whole(typed.get("month"), 12),
                    whole(typed.get("rating"), 5));
        }

        private static OptionalInt whole(String text, int most) {
            return text != null
                            && text.matches("\\d{1,2}")
                            && Integer.parseInt(text) >= 1
                            && Integer.parseInt(text) <= most
                    ? OptionalInt.of(Integer.parseInt(text))
                    : OptionalInt.empty();
        }

        public boolean any() {
            return place.isPresent() || !subject.isEmpty() || !rig.isEmpty() || month.isPresent() || rating.isPresent();
        }
    }

    /**
     * A night on the wall.
     *
     * @param picture number of its best frame; null where it has none
     * @param line what came of it
     */
    record Card(
            long id,
            String title,
            String place,
            String night,
            Ribbon sky,
            Long picture,
            int rating,
            String line,
            String better) {}

    static Card card(Entry e, List<EntryTake> takes, Entries.Counted frames) {
        return new Card(
                e.id(),
                e.title(),
                e.where().name(),
                Words.night(e.night()),
                e.sky(),
                e.best().orElse(null),
                e.told().rating().orElse(0),
                line(takes, frames),
                e.told().better());
    }

    /** "3 of 4 takes, 12 of 48 frames kept". */
    static String line(List<EntryTake> takes, Entries.Counted frames) {
        long went = takes.stream().filter(t -> t.went().isPresent()).count();
        List<String> parts = new ArrayList<>();
        if (!takes.isEmpty()) {
            parts.add(
                    takes.stream().allMatch(EntryTake::skipped)
                            ? takes.size() + (takes.size() == 1 ? " take" : " takes") + " left out"
                            : went == 0
                                    ? takes.size() + (takes.size() == 1 ? " take planned" : " takes planned")
                                            + ", nothing said"
                                    : went + " of " + takes.size() + (takes.size() == 1 ? " take" : " takes"));
        }
        if (frames.frames() > 0) {
            parts.add(frames.kept() + " of " + frames.frames() + " frames kept");
        }
        return String.join(", ", parts);
    }

    static List<Choice> months() {
        return IntStream.rangeClosed(1, 12)
                .mapToObj(m -> new Choice("" + m, Month.of(m).getDisplayName(TextStyle.FULL, Locale.ENGLISH)))
                .toList();
    }

    static List<Choice> subjects(List<String> keys) {
        return keys.stream()
                .map(k -> new Choice(k, Subjects.of(k).map(Subject.Kind::words).orElse(k)))
                .toList();
    }
}
