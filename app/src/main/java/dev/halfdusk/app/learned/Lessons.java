package dev.halfdusk.app.learned;

import static dev.halfdusk.app.db.Tables.LOG_ENTRY;

import java.time.LocalDate;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was to be done better the next time, by the place at which that will be. */
@Repository
@Transactional(readOnly = true)
public class Lessons {

    private static final int MOST = 3;

    private final DSLContext db;

    Lessons(DSLContext db) {
        this.db = db;
    }

    /** @param entry number of the night in the log */
    public record Lesson(long entry, LocalDate night, String words) {}

    /** Of the nights at a place before one, the last first. */
    public List<Lesson> at(Long place, LocalDate before) {
        return place == null
                ? List.of()
                : db.select(LOG_ENTRY.ID, LOG_ENTRY.NIGHT, LOG_ENTRY.BETTER)
                        .from(LOG_ENTRY)
                        .where(LOG_ENTRY.PLACE_ID.eq(place))
                        .and(LOG_ENTRY.NIGHT.lt(before))
                        .and(LOG_ENTRY.BETTER.ne(""))
                        .and(LOG_ENTRY.DELETED_AT.isNull())
                        .orderBy(LOG_ENTRY.NIGHT.desc(), LOG_ENTRY.ID.desc())
                        .limit(MOST)
                        .fetch(r -> new Lesson(r.value1(), r.value2(), r.value3()));
    }
}
