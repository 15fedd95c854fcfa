package dev.halfdusk.app.kit;

import static dev.halfdusk.app.db.Tables.USUAL_DECISION;

import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Take;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the owner of the kit decides of every take of stars unless something else is said. */
@Component
public class UsualDecision {

    private static final long ONLY = 1;

    private final DSLContext db;

    UsualDecision(DSLContext db) {
        this.db = db;
    }

    public Decision get() {
        return db.selectFrom(USUAL_DECISION)
                .fetchOptional()
                .map(r -> ShapeJson.read(Decision.SHAPE, r.getDecision()))
                .orElse(Decision.NONE);
    }

    @Transactional
    public void keep(Decision decision) {
        String text = ShapeJson.text(Decision.SHAPE, decision);
        db.insertInto(USUAL_DECISION)
                .set(USUAL_DECISION.ID, ONLY)
                .set(USUAL_DECISION.DECISION, text)
                .onConflict(USUAL_DECISION.ID)
                .doUpdate()
                .set(USUAL_DECISION.DECISION, text)
                .execute();
    }

    /** A take of which nothing is decided yet, as its owner usually has it. */
    public Take of(Take take) {
        return take.subject().starsAsPoints() && take.decision().equals(Decision.NONE) ? take.with(get()) : take;
    }
}
