package dev.halfdusk.app.deleted;

import static dev.halfdusk.app.db.Tables.BODY;
import static dev.halfdusk.app.db.Tables.DOME;
import static dev.halfdusk.app.db.Tables.ECLIPSE_CAMERA;
import static dev.halfdusk.app.db.Tables.ECLIPSE_PLAN;
import static dev.halfdusk.app.db.Tables.GEAR;
import static dev.halfdusk.app.db.Tables.LEARNER;
import static dev.halfdusk.app.db.Tables.LENS;
import static dev.halfdusk.app.db.Tables.LOG_ENTRY;
import static dev.halfdusk.app.db.Tables.MARK;
import static dev.halfdusk.app.db.Tables.OUTING;
import static dev.halfdusk.app.db.Tables.PLACE;
import static dev.halfdusk.app.db.Tables.RIG;
import static dev.halfdusk.app.db.Tables.RIG_GEAR;
import static dev.halfdusk.app.db.Tables.SCRIPT_CUT;
import static dev.halfdusk.app.db.Tables.STOP;
import static dev.halfdusk.app.db.Tables.TAKE;

import dev.halfdusk.app.web.NotFound;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.ForeignKey;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was deleted. It stays in its table, marked, until it is brought back, with all that it needs, or until the list is emptied;
 * repositories leave it out of what they list. What something else needs is not deleted.
 */
@Repository
@Transactional(readOnly = true)
public class Deletions {

    private static final int MOST = 200;

    private final DSLContext db;
    private final Clock clock;

    Deletions(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * A table whose rows can be marked as deleted.
     *
     * @param path of the page on which a row is found again
     */
    private record Shelf(String words, Table<?> table, Field<?> name, String path) {

        Field<Long> id() {
            return table.field("id", Long.class);
        }

        Field<Instant> deleted() {
            return table.field("deleted_at", Instant.class);
        }
    }

    /** By the word in addresses. Those that others need come last, so that emptying in this order breaks no reference. */
    private static final Map<String, Shelf> SHELVES = shelves();

    private static Map<String, Shelf> shelves() {
        Map<String, Shelf> all = new LinkedHashMap<>();
        all.put("camera", new Shelf("camera of an eclipse", ECLIPSE_CAMERA, ECLIPSE_CAMERA.NAME, "/events/plans"));
        all.put("take", new Shelf("take", TAKE, TAKE.NAME, "/outings"));
        all.put("plan", new Shelf("plan of an eclipse", ECLIPSE_PLAN, ECLIPSE_PLAN.ECLIPSE_DATE, "/events/plans/%d"));
        all.put("night", new Shelf("night of the log", LOG_ENTRY, LOG_ENTRY.TITLE, "/log/%d"));
        all.put("learner", new Shelf("learner", LEARNER, LEARNER.NAME, "/practice"));
        all.put("outing", new Shelf("outing", OUTING, OUTING.TITLE, "/outings/%d"));
        all.put("rig", new Shelf("rig", RIG, RIG.NAME, "/kit/rig/%d"));
        all.put("mark", new Shelf("mark", MARK, MARK.NAME, "/places"));
        all.put("dome", new Shelf("light of a town", DOME, DOME.NAME, "/places"));
        all.put("gear", new Shelf("gear", GEAR, GEAR.NAME, "/kit/gear/%d"));
        all.put("lens", new Shelf("lens", LENS, LENS.NAME, "/kit/lens/%d"));
        all.put("body", new Shelf("body", BODY, BODY.NAME, "/kit/body/%d"));
        all.put("place", new Shelf("place", PLACE, PLACE.NAME, "/places/%d"));
        return all;
    }

    private static Shelf shelf(String kind) {
        return Optional.ofNullable(SHELVES.get(kind)).orElseThrow(() -> new NotFound(kind));
    }

    /**
     * Marks something as deleted, unless something needs it.
     *
     * @return whether there was such a thing, not deleted before and not needed
     */
    @Transactional
    public boolean delete(String kind, long id) {
        Shelf s = shelf(kind);
        return neededBy(kind, id).isEmpty()
                && db.update(s.table)
                                .set(s.deleted(), clock.instant())
                                .where(s.id().eq(id).and(s.deleted().isNull()))
                                .execute()
                        > 0;
    }

    /** Brings something back, and what it needs with it. Nothing happens to what is not deleted. */
    @Transactional
    public void restore(String kind, long id) {
        restore(shelf(kind), id);
    }

    private void restore(Shelf s, long id) {
        Record row = db.selectFrom(s.table).where(s.id().eq(id)).fetchOne();
        if (row == null) {
            throw new NotFound(s.words + " " + id);
        }
        db.update(s.table).setNull(s.deleted()).where(s.id().eq(id)).execute();
        if (s.table.equals(LOG_ENTRY)) {
            return; // a night stands by itself, whatever became of its place and its plan
        }
        for (ForeignKey<?, ?> key : s.table.getReferences()) {
            Table<?> needed = key.getKey().getTable();
            TableField<?, ?> field = key.getFields().get(0);
            SHELVES.values().stream()
                    .filter(o -> o.table.equals(needed) && row.get(field) != null)
                    .forEach(o -> restore(o, (Long) row.get(field)));
        }
        if (s.table.equals(RIG)) {
            ids(RIG_GEAR.GEAR_ID, RIG_GEAR.RIG_ID.eq(id)).forEach(g -> restore(shelf("gear"), g));
        } else if (s.table.equals(OUTING)) {
            ids(TAKE.RIG_ID, TAKE.OUTING_ID.eq(id).and(TAKE.DELETED_AT.isNull()))
                    .forEach(r -> restore(shelf("rig"), r));
            ids(STOP.PLACE_ID, STOP.OUTING_ID.eq(id)).forEach(p -> restore(shelf("place"), p));
        } else if (s.table.equals(ECLIPSE_PLAN)) {
            ids(ECLIPSE_CAMERA.RIG_ID, ECLIPSE_CAMERA.PLAN_ID.eq(id).and(ECLIPSE_CAMERA.DELETED_AT.isNull()))
                    .forEach(r -> restore(shelf("rig"), r));
        }
    }

    private List<Long> ids(TableField<?, Long> of, Condition which) {
        return db.selectDistinct(of).from(of.getTable()).where(which).fetch(of);
    }

    /** What needs something and is not deleted itself; a deleted outing needs nothing until it is brought back. */
    public List<Need> neededBy(String kind, long id) {
        List<Need> all = new ArrayList<>();
        switch (kind) {
            case "place" -> {
                all.addAll(needs(
                        "outing",
                        OUTING.PLACE_ID
                                .eq(id)
                                .or(OUTING.ID.in(
                                        db.select(STOP.OUTING_ID).from(STOP).where(STOP.PLACE_ID.eq(id))))));
                all.addAll(needs("plan", ECLIPSE_PLAN.PLACE_ID.eq(id).or(ECLIPSE_PLAN.OTHER_PLACE_ID.eq(id))));
            }
            case "body" -> all.addAll(needs("rig", RIG.BODY_ID.eq(id)));
            case "lens" -> all.addAll(needs("rig", RIG.LENS_ID.eq(id)));
            case "gear" ->
                all.addAll(needs(
                        "rig",
                        RIG.ID.in(db.select(RIG_GEAR.RIG_ID).from(RIG_GEAR).where(RIG_GEAR.GEAR_ID.eq(id)))));
            case "rig" -> {
                all.addAll(needs(
                        "outing",
                        OUTING.ID.in(db.select(TAKE.OUTING_ID)
                                .from(TAKE)
                                .where(TAKE.RIG_ID.eq(id).and(TAKE.DELETED_AT.isNull())))));
                all.addAll(needs(
                        "plan",
                        ECLIPSE_PLAN.ID.in(db.select(ECLIPSE_CAMERA.PLAN_ID)
                                .from(ECLIPSE_CAMERA)
                                .where(ECLIPSE_CAMERA.RIG_ID.eq(id).and(ECLIPSE_CAMERA.DELETED_AT.isNull())))));
            }
            default -> {} // nothing refers to it
        }
        return all;
    }

    private List<Need> needs(String kind, Condition which) {
        Shelf s = shelf(kind);
        return db.select(s.id(), s.name)
                .from(s.table)
                .where(which.and(s.deleted().isNull()))
                .orderBy(s.id())
                .limit(MOST)
                .fetch(r -> new Need(s.words + " " + r.get(s.name), s.path.formatted(r.get(s.id()))));
    }

    /** Where something is found again. */
    public String path(String kind, long id) {
        return shelf(kind).path.formatted(id);
    }

    /** The same of "mark-3", as addresses say it; empty where that names nothing. */
    public Optional<Thing> gone(String named) {
        return of(named, this::gone);
    }

    /** The same of "rig-3". */
    public Optional<Kept> kept(String named) {
        return of(named, this::kept);
    }

    private static <T> Optional<T> of(String named, BiFunction<String, Long, Optional<T>> says) {
        Matcher m = NAMED.matcher(named);
        return m.matches() && SHELVES.containsKey(m.group(1))
                ? says.apply(m.group(1), Long.parseLong(m.group(2)))
                : Optional.empty();
    }

    private static final Pattern NAMED = Pattern.compile("([a-z]+)-(\\d{1,18})");

    /** A deletion that was refused, and why. */
    public record Kept(String words, List<Need> needs) {}

    /** Why something was not deleted; empty where nothing needs it any more. */
    public Optional<Kept> kept(String kind, long id) {
        List<Need> needs = neededBy(kind, id);
        return needs.isEmpty() ? Optional.empty() : Optional.of(new Kept(shelf(kind).words, needs));
    }

    /** What has just been deleted, with its way back; empty where it is there again. */
    public Optional<Thing> gone(String kind, long id) {
        return things(kind, shelf(kind).id().eq(id)).stream().findFirst();
    }

    /** What to throw where a thing is not listed: {@link Gone} where it was deleted, else plainly not found. */
    public NotFound missing(String kind, long id) {
        return gone(kind, id).<NotFound>map(Gone::new).orElseGet(() -> new NotFound(shelf(kind).words + " " + id));
    }

    private List<Thing> things(String kind, Condition which) {
        Shelf s = shelf(kind);
        return db.select(s.id(), s.name, s.deleted())
                .from(s.table)
                .where(which.and(s.deleted().isNotNull()))
                .orderBy(s.deleted().desc())
                .limit(MOST)
                .fetch(r -> new Thing(
                        s.words,
                        String.valueOf(r.get(s.name)),
                        r.get(s.deleted()),
                        "/deleted/" + kind + "/" + r.get(s.id())));
    }

    /** The last deleted first. */
    public List<Thing> all() {
        List<Thing> all = new ArrayList<>();
        SHELVES.keySet().forEach(kind -> all.addAll(things(kind, DSL.noCondition())));
        db.select(SCRIPT_CUT.fields())
                .select(ECLIPSE_CAMERA.PLAN_ID)
                .from(SCRIPT_CUT)
                .join(ECLIPSE_CAMERA)
                .on(ECLIPSE_CAMERA.ID.eq(SCRIPT_CUT.CAMERA_ID))
                .where(ECLIPSE_CAMERA.DELETED_AT.isNull())
                .orderBy(SCRIPT_CUT.DELETED_AT.desc())
                .limit(MOST)
                .forEach(r -> all.add(new Thing(
                        r.get(SCRIPT_CUT.WHOLE) ? "script" : "line of a script",
                        r.get(SCRIPT_CUT.NAME),
                        r.get(SCRIPT_CUT.DELETED_AT),
                        "/events/plans/" + r.get(ECLIPSE_CAMERA.PLAN_ID) + "/cameras/" + r.get(SCRIPT_CUT.CAMERA_ID)
                                + "/script/cuts/" + r.get(SCRIPT_CUT.ID))));
        all.sort(Comparator.comparing(Thing::when).reversed());
        return all.subList(0, Math.min(MOST, all.size()));
    }

    /** Forgets all of it for good. */
    @Transactional
    public void empty() {
        db.deleteFrom(SCRIPT_CUT).execute();
        SHELVES.values()
                .forEach(s ->
                        db.deleteFrom(s.table).where(s.deleted().isNotNull()).execute());
    }
}
