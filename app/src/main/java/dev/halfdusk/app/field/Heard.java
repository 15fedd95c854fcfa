package dev.halfdusk.app.field;

import static dev.halfdusk.app.db.Tables.HEARD;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * What phones said, by the key they gave it: a phone without server keeps what is said and sends it later, and sends it again where it
 * saw no answer. It counts once, for the time at which it was said.
 */
@Repository
@Transactional(readOnly = true)
class Heard {

    private static final int LONGEST_KEY = 60;

    /** A phone's clock may be ahead of this one by so much. */
    private static final Duration AHEAD = Duration.ofMinutes(2);

    /** A night's talk is not believed to be older. */
    private static final Duration OLDEST = Duration.ofHours(36);

    private final DSLContext db;
    private final Clock clock;

    Heard(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * What comes with everything that is said.
     *
     * @param key empty from a page without script
     * @param at epoch milliseconds by the server's clock, empty for now
     */
    record Said(String key, String at) {}

    /** Remembers the key; false where it was heard before. Without a key everything counts. */
    @Transactional
    boolean first(long outing, Said said) {
        String key = said.key() == null ? "" : said.key().strip();
        return key.isEmpty()
                || key.length() > LONGEST_KEY
                || db.insertInto(HEARD)
                                .set(HEARD.KEY, key)
                                .set(HEARD.OUTING_ID, outing)
                                .set(HEARD.HEARD_AT, clock.instant())
                                .onConflictDoNothing()
                                .execute()
                        == 1;
    }

    /** When it was said; now where that cannot be. */
    Instant at(Said said) {
        Instant now = clock.instant();
        try {
            Instant at = Instant.ofEpochMilli(Long.parseLong(said.at()));
            boolean believed = !at.isAfter(now.plus(AHEAD)) && at.isAfter(now.minus(OLDEST));
            return believed ? at : now;
        } catch (NumberFormatException | DateTimeException e) {
            return now;
        }
    }
}
