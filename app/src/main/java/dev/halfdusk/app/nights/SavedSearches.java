package dev.halfdusk.app.nights;

import static dev.halfdusk.app.db.Tables.SAVED_SEARCH;

import dev.halfdusk.app.web.ByName;
import java.time.Instant;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Searches someone wants to run again, as the address they had. */
@Repository
@Transactional(readOnly = true)
class SavedSearches {

    private final DSLContext db;

    SavedSearches(DSLContext db) {
        this.db = db;
    }

    /** A kept search. */
    public record Saved(long id, String name, String query) {}

    List<Saved> all() {
        return db.selectFrom(SAVED_SEARCH).fetch(r -> new Saved(r.getId(), r.getName(), r.getQuery())).stream()
                .sorted(ByName.of(Saved::name))
                .toList();
    }

    /** A search of the same name is replaced. */
    @Transactional
    void keep(String name, String query, Instant now) {
        db.deleteFrom(SAVED_SEARCH).where(SAVED_SEARCH.NAME.eq(name)).execute();
        db.insertInto(SAVED_SEARCH)
                .set(SAVED_SEARCH.NAME, name)
                .set(SAVED_SEARCH.QUERY, query)
                .set(SAVED_SEARCH.SAVED_AT, now)
                .execute();
    }

    @Transactional
    void forget(long id) {
        db.deleteFrom(SAVED_SEARCH).where(SAVED_SEARCH.ID.eq(id)).execute();
    }
}
