package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.TAKE;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.db.tables.records.TakeRecord;
import dev.halfdusk.app.web.KeptPages;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was last done to the takes of an outing, which other takes it moved, and the way back. It is told for a few minutes, as long as
 * nothing else has been done since.
 */
@Component
public class LastChange {

    private static final Duration TOLD = Duration.ofMinutes(3);
    private static final int MOST = 500;

    private final DSLContext db;
    private final Outings outings;
    private final Clock clock;
    private final Cache<Long, Step> steps =
            Caffeine.newBuilder().maximumSize(MOST).build();

    LastChange(DSLContext db, Outings outings, Clock clock) {
        this.db = db;
        this.outings = outings;
        this.clock = clock;
    }

    /** When a take opened before; empty where it had no place. */
    private record Stood(String name, String opens) {}

    private record Step(
            String did,
            Map<Long, Stood> stood,
            List<TakeRecord> before,
            List<TakeRecord> after,
            Optional<Instant> resumed,
            Instant at) {}

    /**
     * What was done, told.
     *
     * @param moved other takes, each in words
     */
    public record Told(String did, List<String> moved) {}

    /**
     * Does something to the takes of an outing and remembers how they stood.
     *
     * @param did in words: "Star trails was held"
     */
    public <T> T of(OutingPlanner.Arranged night, String did, Function<OutingPlanner.Arranged, T> change) {
        long outing = night.outing().id();
        List<TakeRecord> before = rows(outing);
        T result = change.apply(night);
        List<TakeRecord> after = rows(outing);
        if (!after.equals(before)) {
            Map<Long, Stood> stood = new HashMap<>();
            night.takes().forEach(t -> stood.put(t.id(), new Stood(t.take().name(), opens(night, t))));
            steps.put(
                    outing,
                    new Step(
                            did, stood, before, after, night.outing().standing().resumed(), clock.instant()));
        }
        return result;
    }

    private static String opens(OutingPlanner.Arranged night, OutingPlanner.Planned t) {
        return night.slot(t).map(s -> night.night().clock(s.runs().from())).orElse("");
    }

    private List<TakeRecord> rows(long outing) {
        return new ArrayList<>(db.selectFrom(TAKE)
                .where(TAKE.OUTING_ID.eq(outing))
                .orderBy(TAKE.ID)
                .fetch());
    }

    private Optional<Step> fresh(long outing) {
        return Optional.ofNullable(steps.getIfPresent(outing))
                .filter(s -> clock.instant().isBefore(s.at.plus(TOLD)))
                .filter(s -> rows(outing).equals(s.after));
    }

    /** What is told of it in the night as it now stands; nothing where something else has been done since. */
    public Optional<Told> told(OutingPlanner.Arranged now) {
        Optional<Step> step = now.outing().id() == null
                ? Optional.empty()
                : fresh(now.outing().id());
        step.ifPresent(s -> KeptPages.unkept());
        return step.map(s -> new Told(s.did, moved(s, now)));
    }

    private static List<String> moved(Step s, OutingPlanner.Arranged now) {
        List<String> moved = new ArrayList<>();
        for (OutingPlanner.Planned t : now.takes()) {
            Stood stood = s.stood.get(t.id());
            String opens = opens(now, t);
            if (stood != null && !stood.opens.equals(opens)) {
                moved.add(stood.name + ": " + (stood.opens.isEmpty() ? "no place" : stood.opens) + " \u2192 "
                        + (opens.isEmpty() ? "no place" : opens));
            }
        }
        return List.copyOf(moved);
    }

    /** Where the takes as they were would not fit any more. */
    void forget(long outing) {
        steps.invalidate(outing);
    }

    /** As it was before; nothing where something else has been done since. */
    @Transactional
    public void undo(long outing) {
        fresh(outing).ifPresent(s -> {
            Map<Long, TakeRecord> before = s.before.stream().collect(Collectors.toMap(TakeRecord::getId, r -> r));
            for (TakeRecord r : s.after) {
                TakeRecord was = before.get(r.getId());
                if (was == null) {
                    db.update(TAKE)
                            .set(TAKE.DELETED_AT, clock.instant())
                            .where(TAKE.ID.eq(r.getId()))
                            .execute();
                } else {
                    was.changed(true); // all of it, whatever has become of it
                    db.update(TAKE).set(was).where(TAKE.ID.eq(r.getId())).execute();
                }
            }
            outings.resume(outing, s.resumed);
            steps.invalidate(outing);
        });
    }
}
