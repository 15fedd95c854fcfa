package dev.halfdusk.app.log;

import static dev.halfdusk.app.db.Tables.LOG_ENTRY;
import static dev.halfdusk.app.db.Tables.LOG_FRAME;
import static dev.halfdusk.app.db.Tables.LOG_TAKE;

import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Settings whose frames were kept, by subject and moon, and how many frames that took. */
@Repository
@Transactional(readOnly = true)
class Worked {

    /** Older nights tell of older lenses and habits. */
    private static final int LAST_NIGHTS = 400;

    private static final int MOST_SHOWN = 3;
    private static final String[] MOONS = {"dark or thin moon", "about half a moon", "bright moon"};

    private final DSLContext db;

    Worked(DSLContext db) {
        this.db = db;
    }

    /**
     * A subject under a moon.
     *
     * @param settings the most frequent first
     * @param percent of its frames that were kept
     */
    record Row(String subject, String moon, List<Often> settings, long kept, long frames, double percent) {}

    /** @param share of the kept, percent */
    record Often(String words, long times, double share) {}

    private record Key(String subject, int moon) {}

    private record Frame(Key key, Settings settings) {}

    List<Row> all() {
        List<Long> last = db.select(LOG_ENTRY.ID)
                .from(LOG_ENTRY)
                .where(LOG_ENTRY.DELETED_AT.isNull())
                .orderBy(LOG_ENTRY.NIGHT.desc())
                .limit(LAST_NIGHTS)
                .fetch(LOG_ENTRY.ID);
        Map<Key, Long> frames = db
                .select(LOG_TAKE.SUBJECT, LOG_ENTRY.MOON, DSL.count())
                .from(LOG_TAKE)
                .join(LOG_ENTRY)
                .on(LOG_ENTRY.ID.eq(LOG_TAKE.ENTRY_ID))
                .join(LOG_FRAME)
                .on(LOG_FRAME.TAKE_ID.eq(LOG_TAKE.ID))
                .where(LOG_FRAME.SAID.ne("").and(LOG_FRAME.ENTRY_ID.in(last)))
                .groupBy(LOG_TAKE.SUBJECT, LOG_ENTRY.MOON)
                .stream()
                .collect(Collectors.toMap(
                        r -> new Key(r.value1(), moon(r.value2())), r -> (long) r.value3(), Long::sum));
        List<Frame> kept = db.select(
                        LOG_TAKE.SUBJECT, LOG_ENTRY.MOON, LOG_FRAME.SECONDS, LOG_FRAME.APERTURE, LOG_FRAME.ISO)
                .from(LOG_FRAME)
                .join(LOG_TAKE)
                .on(LOG_TAKE.ID.eq(LOG_FRAME.TAKE_ID))
                .join(LOG_ENTRY)
                .on(LOG_ENTRY.ID.eq(LOG_FRAME.ENTRY_ID))
                .where(LOG_FRAME.SAID.in(Said.KEPT.key(), Said.BEST.key()))
                .and(LOG_FRAME.SECONDS.isNotNull())
                .and(LOG_FRAME.ENTRY_ID.in(last))
                .fetch(r -> new Frame(
                        new Key(r.value1(), moon(r.value2())), new Settings(r.value3(), r.value4(), r.value5())));
        Map<Key, List<Frame>> byKey = kept.stream()
                .collect(Collectors.groupingBy(
                        Frame::key,
                        () -> new TreeMap<>(Comparator.comparing(Key::subject).thenComparing(Key::moon)),
                        Collectors.toList()));
        List<Row> rows = new ArrayList<>();
        byKey.forEach((key, of) -> {
            long all = Math.max(of.size(), frames.getOrDefault(key, 0L));
            rows.add(new Row(
                    Subjects.of(key.subject).map(Subject.Kind::words).orElse(key.subject),
                    MOONS[key.moon],
                    often(of),
                    of.size(),
                    all,
                    100.0 * of.size() / all));
        });
        return rows;
    }

    private static List<Often> often(List<Frame> frames) {
        return frames.stream()
                .collect(Collectors.groupingBy(f -> EntryView.words(f.settings), Collectors.counting()))
                .entrySet()
                .stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey()))
                .limit(MOST_SHOWN)
                .map(e -> new Often(e.getKey(), e.getValue(), 100.0 * e.getValue() / frames.size()))
                .toList();
    }

    /** Thirds of the lit part, since that is how people speak of it. */
    private static int moon(double lit) {
        return lit < 0.3 ? 0 : lit < 0.7 ? 1 : 2;
    }
}
