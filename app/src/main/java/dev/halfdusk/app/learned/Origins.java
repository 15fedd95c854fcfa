package dev.halfdusk.app.learned;

import static dev.halfdusk.app.db.Tables.LEARNED_USE;

import dev.halfdusk.app.db.tables.records.LearnedUseRecord;
import dev.halfdusk.core.log.Learnable;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was learned and is used, with where it comes from and what stood there before. */
@Repository
@Transactional(readOnly = true)
public class Origins {

    private final DSLContext db;
    private final Clock clock;

    Origins(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    public List<Origin> all() {
        return db.selectFrom(LEARNED_USE).orderBy(LEARNED_USE.WHAT, LEARNED_USE.WHOSE).stream()
                .flatMap(r -> origin(r).stream())
                .toList();
    }

    /** Of one value, while it is still the one that was learned. */
    public Optional<Origin> of(Learnable what, String whose, OptionalDouble now) {
        return find(what, whose).filter(o -> o.holds(now));
    }

    public Optional<Origin> find(Learnable what, String whose) {
        return db.selectFrom(LEARNED_USE)
                .where(LEARNED_USE.WHAT.eq(what.key()).and(LEARNED_USE.WHOSE.eq(whose)))
                .fetchOptional()
                .flatMap(Origins::origin);
    }

    private static Optional<Origin> origin(LearnedUseRecord r) {
        return Learnable.of(r.getWhat())
                .map(what -> new Origin(
                        what,
                        r.getWhose(),
                        r.getBefore() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getBefore()),
                        r.getUsed(),
                        r.getOrigin(),
                        r.getNights().isEmpty()
                                ? List.of()
                                : Arrays.stream(r.getNights().split(" "))
                                        .map(LocalDate::parse)
                                        .toList()));
    }

    /** What was learned and is used of one place, body, lens or battery. */
    public List<Origin> about(Learnable.Whose whose, long id) {
        return all().stream()
                .filter(o -> o.what().whose() == whose && o.whose().equals("" + id))
                .toList();
    }

    @Transactional
    public void keep(Origin o) {
        forget(o.what(), o.whose());
        db.insertInto(LEARNED_USE)
                .set(LEARNED_USE.WHAT, o.what().key())
                .set(LEARNED_USE.WHOSE, o.whose())
                .set(LEARNED_USE.BEFORE, o.before().isPresent() ? o.before().getAsDouble() : null)
                .set(LEARNED_USE.USED, o.used())
                .set(LEARNED_USE.ORIGIN, o.from())
                .set(
                        LEARNED_USE.NIGHTS,
                        o.nights().stream().map(LocalDate::toString).collect(Collectors.joining(" ")))
                .set(LEARNED_USE.USED_AT, clock.instant())
                .execute();
    }

    @Transactional
    public void forget(Learnable what, String whose) {
        db.deleteFrom(LEARNED_USE)
                .where(LEARNED_USE.WHAT.eq(what.key()).and(LEARNED_USE.WHOSE.eq(whose)))
                .execute();
    }
}
