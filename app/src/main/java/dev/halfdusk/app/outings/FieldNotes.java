package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.FIELD_NOTE;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was noted in the field, with its time and the take it belongs to. */
@Repository
@Transactional(readOnly = true)
public class FieldNotes {

    private final DSLContext db;

    FieldNotes(DSLContext db) {
        this.db = db;
    }

    /** @param take by name; empty for none */
    public record Note(Instant at, String take, String words) {}

    public List<Note> of(long outing) {
        return db.selectFrom(FIELD_NOTE)
                .where(FIELD_NOTE.OUTING_ID.eq(outing))
                .orderBy(FIELD_NOTE.NOTED_AT, FIELD_NOTE.ID)
                .fetch(r -> new Note(r.getNotedAt(), r.getTake(), r.getWords()));
    }

    /** Of all outings, by their ids. */
    Map<Long, List<Note>> all() {
        return db.selectFrom(FIELD_NOTE).orderBy(FIELD_NOTE.NOTED_AT, FIELD_NOTE.ID).stream()
                .collect(Collectors.groupingBy(
                        r -> r.getOutingId(),
                        Collectors.mapping(
                                r -> new Note(r.getNotedAt(), r.getTake(), r.getWords()), Collectors.toList())));
    }

    @Transactional
    public void add(long outing, Note note) {
        db.insertInto(FIELD_NOTE, FIELD_NOTE.OUTING_ID, FIELD_NOTE.NOTED_AT, FIELD_NOTE.TAKE, FIELD_NOTE.WORDS)
                .values(outing, note.at(), note.take(), note.words())
                .execute();
    }
}
