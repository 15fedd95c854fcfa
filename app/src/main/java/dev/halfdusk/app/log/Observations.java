package dev.halfdusk.app.log;

import static dev.halfdusk.app.db.Tables.FORECAST_SAID;
import static dev.halfdusk.app.db.Tables.LOG_ENTRY;
import static dev.halfdusk.app.db.Tables.OBSERVATION;

import dev.halfdusk.app.db.tables.records.ObservationRecord;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Learned;
import dev.halfdusk.core.log.LivedFrame;
import dev.halfdusk.core.log.LivedTake;
import dev.halfdusk.core.log.Observation;
import dev.halfdusk.core.log.Observing;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What the nights of the log showed. */
@Repository
@Transactional(readOnly = true)
public class Observations {

    /** Of one thing the last of them are drawn and counted. */
    private static final int MOST = 3 * Learned.MOST_NIGHTS / 2;

    private final DSLContext db;
    private final Entries entries;
    private final Kit kit;

    Observations(DSLContext db, Entries entries, Kit kit) {
        this.db = db;
        this.entries = entries;
        this.kit = kit;
    }

    /**
     * One of a night.
     *
     * @param byHand whether somebody typed it
     * @param ahead days before the night at which a forecast was made
     */
    public record Noted(long id, long entry, Observation seen, boolean byHand, OptionalDouble ahead) {}

    /** What something is that is learned about. */
    public record Thing(Learnable what, String whose) {}

    /** Those of a night. */
    public List<Noted> of(long entry) {
        return select(OBSERVATION.ENTRY_ID.eq(entry), Integer.MAX_VALUE);
    }

    /** Those of one thing, the last night first. */
    public List<Noted> of(Thing thing) {
        return select(OBSERVATION.WHAT.eq(thing.what.key()).and(OBSERVATION.WHOSE.eq(thing.whose)), MOST);
    }

    /** All things that anything was observed of, in the order of what is learned. */
    public List<Thing> things() {
        Set<Thing> found = new HashSet<>(db
                .selectDistinct(OBSERVATION.WHAT, OBSERVATION.WHOSE)
                .from(OBSERVATION)
                .fetch(r -> Learnable.of(r.value1()).map(w -> new Thing(w, r.value2())))
                .stream()
                .flatMap(Optional::stream)
                .toList());
        List<Thing> all = new ArrayList<>(found);
        all.sort((a, b) -> a.what == b.what ? a.whose.compareTo(b.whose) : a.what.compareTo(b.what));
        return all;
    }

    /** What nights come to for one thing. */
    public Optional<Learned> learned(Thing thing) {
        List<Noted> all = of(thing);
        return all.isEmpty()
                ? Optional.empty()
                : Learned.of(all.stream().map(Noted::seen).toList());
    }

    private List<Noted> select(Condition which, int most) {
        return db
                .select(OBSERVATION)
                .from(OBSERVATION)
                .where(which)
                .andExists(db.selectOne()
                        .from(LOG_ENTRY)
                        .where(LOG_ENTRY.ID.eq(OBSERVATION.ENTRY_ID).and(LOG_ENTRY.DELETED_AT.isNull())))
                .orderBy(OBSERVATION.NIGHT.desc(), OBSERVATION.ID)
                .limit(most)
                .fetch(r -> noted(r.value1()))
                .stream()
                .flatMap(Optional::stream)
                .toList();
    }

    private static Optional<Noted> noted(ObservationRecord r) {
        return Learnable.of(r.getWhat())
                .filter(what -> what.range().holds(r.getValue()))
                .map(what -> new Noted(
                        r.getId(),
                        r.getEntryId(),
                        new Observation(
                                what,
                                r.getWhose(),
                                r.getNight(),
                                r.getValue(),
                                r.getCelsius() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getCelsius()),
                                r.getCounts(),
                                r.getHow()),
                        r.getByHand(),
                        r.getAhead() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getAhead())));
    }

    /** Looks at a night anew: what was typed stays, and what was not to count does not. */
    @Transactional
    public void renew(Entry e) {
        Set<Thing> left = of(e.id()).stream()
                .filter(n -> !n.byHand && !n.seen.counts())
                .map(n -> new Thing(n.seen.what(), n.seen.whose()))
                .collect(Collectors.toSet());
        db.deleteFrom(OBSERVATION)
                .where(OBSERVATION.ENTRY_ID.eq(e.id()).and(OBSERVATION.BY_HAND.isFalse()))
                .execute();
        seen(e).forEach(o ->
                insert(e.id(), o, false, !left.contains(new Thing(o.what(), o.whose())), OptionalDouble.empty()));
        forecasts(e, left);
    }

    private List<Observation> seen(Entry e) {
        Map<Long, List<LivedFrame>> frames = new LinkedHashMap<>();
        entries.frames(e.id())
                .forEach(f -> f.take()
                        .ifPresent(t -> frames.computeIfAbsent(t, x -> new ArrayList<>())
                                .add(f.lived())));
        List<LivedTake> takes = entries.takes(e.id()).stream()
                .map(t -> t.lived(comfortable(t), e.where().place(), frames.getOrDefault(t.id(), List.of())))
                .toList();
        return Observing.of(e.night(), e.told().celsius(), takes, shifting());
    }

    private double comfortable(EntryTake t) {
        return t.kit()
                .body()
                .flatMap(kit::body)
                .map(NamedBody::camera)
                .map(c -> (double) c.comfortableIso())
                .orElse(Range.ISO.max());
    }

    /** Subjects whose brightness is a matter of taste. */
    private static List<String> shifting() {
        return Subjects.ALL.stream()
                .filter(k -> k.usual().tasted())
                .map(Subject.Kind::key)
                .toList();
    }

    private void forecasts(Entry e, Set<Thing> left) {
        if (e.where().place().isEmpty() || e.told().cloudPercent().isEmpty()) {
            return;
        }
        String whose = "" + e.where().place().get();
        db.selectFrom(FORECAST_SAID)
                .where(FORECAST_SAID.PLACE_ID.eq(e.where().place().get()))
                .and(FORECAST_SAID.NIGHT.eq(e.night()))
                .orderBy(FORECAST_SAID.DAYS_AHEAD)
                .forEach(r -> insert(
                        e.id(),
                        Observing.forecast(
                                e.night(),
                                whose,
                                r.getDaysAhead().intValue(),
                                r.getCloudPercent(),
                                e.told().cloudPercent().getAsDouble()),
                        false,
                        !left.contains(new Thing(Learnable.FORECAST, whose)),
                        OptionalDouble.of(r.getDaysAhead())));
    }

    private void insert(long entry, Observation o, boolean byHand, boolean counts, OptionalDouble ahead) {
        db.insertInto(OBSERVATION)
                .set(OBSERVATION.ENTRY_ID, entry)
                .set(
                        OBSERVATION.NIGHT,
                        db.select(LOG_ENTRY.NIGHT).from(LOG_ENTRY).where(LOG_ENTRY.ID.eq(entry)))
                .set(OBSERVATION.WHAT, o.what().key())
                .set(OBSERVATION.WHOSE, o.whose())
                .set(OBSERVATION.VALUE, o.value())
                .set(OBSERVATION.CELSIUS, o.celsius().isPresent() ? o.celsius().getAsDouble() : null)
                .set(OBSERVATION.AHEAD, ahead.isPresent() ? ahead.getAsDouble() : null)
                .set(OBSERVATION.HOW, o.how())
                .set(OBSERVATION.BY_HAND, byHand)
                .set(OBSERVATION.COUNTS, counts)
                .execute();
    }

    /** What somebody found out; it takes the place of what was typed of the same thing in that night. */
    @Transactional
    public void note(long entry, Observation o) {
        db.deleteFrom(OBSERVATION)
                .where(OBSERVATION.ENTRY_ID.eq(entry).and(OBSERVATION.BY_HAND.isTrue()))
                .and(OBSERVATION.WHAT.eq(o.what().key()).and(OBSERVATION.WHOSE.eq(o.whose())))
                .execute();
        insert(entry, o, true, true, OptionalDouble.empty());
    }

    /** Lets one count, or not. */
    @Transactional
    public void count(long entry, long id, boolean counts) {
        db.update(OBSERVATION)
                .set(OBSERVATION.COUNTS, counts)
                .where(OBSERVATION.ID.eq(id).and(OBSERVATION.ENTRY_ID.eq(entry)))
                .execute();
    }
}
