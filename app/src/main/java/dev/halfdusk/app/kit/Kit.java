package dev.halfdusk.app.kit;

import static dev.halfdusk.app.db.Tables.BODY;
import static dev.halfdusk.app.db.Tables.GEAR;
import static dev.halfdusk.app.db.Tables.LENS;
import static dev.halfdusk.app.db.Tables.RIG;
import static dev.halfdusk.app.db.Tables.RIG_GEAR;

import dev.halfdusk.app.db.tables.records.BodyRecord;
import dev.halfdusk.app.db.tables.records.GearRecord;
import dev.halfdusk.app.db.tables.records.LensRecord;
import dev.halfdusk.app.db.tables.records.RigRecord;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensShape;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.UpdatableRecord;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored bodies, lenses, gear, and the rigs put together from them. */
@Repository
@Transactional(readOnly = true)
public class Kit {

    private final DSLContext db;

    Kit(DSLContext db) {
        this.db = db;
    }

    public List<NamedBody> bodies() {
        return db.selectFrom(BODY)
                .where(BODY.DELETED_AT.isNull())
                .orderBy(BODY.ID)
                .fetch(Kit::body);
    }

    public Optional<NamedBody> body(long id) {
        return db.selectFrom(BODY)
                .where(BODY.ID.eq(id).and(BODY.DELETED_AT.isNull()))
                .fetchOptional(Kit::body);
    }

    public List<NamedLens> lenses() {
        return db.selectFrom(LENS)
                .where(LENS.DELETED_AT.isNull())
                .orderBy(LENS.ID)
                .fetch(Kit::lens);
    }

    public Optional<NamedLens> lens(long id) {
        return db.selectFrom(LENS)
                .where(LENS.ID.eq(id).and(LENS.DELETED_AT.isNull()))
                .fetchOptional(Kit::lens);
    }

    public List<NamedGear> gear() {
        return db.selectFrom(GEAR)
                .where(GEAR.DELETED_AT.isNull())
                .orderBy(GEAR.KIND, GEAR.ID)
                .fetch(Kit::gear);
    }

    public Optional<NamedGear> gear(long id) {
        return db.selectFrom(GEAR)
                .where(GEAR.ID.eq(id).and(GEAR.DELETED_AT.isNull()))
                .fetchOptional(Kit::gear);
    }

    /** All rigs. */
    public List<NamedRig> rigs() {
        return rigs(RIG.DELETED_AT.isNull());
    }

    /** The rigs of a list of ids, by id. */
    public Map<Long, NamedRig> rigs(Collection<Long> ids) {
        return rigs(RIG.ID.in(ids)).stream().collect(Collectors.toMap(NamedRig::id, r -> r));
    }

    /** Two questions to the database, however many rigs there are. */
    private List<NamedRig> rigs(Condition which) {
        Map<Long, List<NamedGear>> gear = db.select(RIG_GEAR.RIG_ID, GEAR)
                .from(RIG_GEAR)
                .join(GEAR)
                .on(GEAR.ID.eq(RIG_GEAR.GEAR_ID))
                .join(RIG)
                .on(RIG.ID.eq(RIG_GEAR.RIG_ID))
                .where(which)
                .orderBy(GEAR.KIND, GEAR.ID)
                .fetchGroups(r -> r.value1(), r -> gear(r.value2()));
        return db.select(RIG, BODY, LENS)
                .from(RIG)
                .join(BODY)
                .on(BODY.ID.eq(RIG.BODY_ID))
                .join(LENS)
                .on(LENS.ID.eq(RIG.LENS_ID))
                .where(which)
                .orderBy(RIG.ID)
                .fetch(r -> new NamedRig(
                        r.value1().getId(),
                        r.value1().getName(),
                        body(r.value2()),
                        lens(r.value3()),
                        gear.getOrDefault(r.value1().getId(), List.of()),
                        r.value1().getOwn()));
    }

    public Optional<NamedRig> rig(long id) {
        return rigs(RIG.ID.eq(id).and(RIG.DELETED_AT.isNull())).stream().findFirst();
    }

    /** Stores a body, new where it has no id; hands back its id. */
    @Transactional
    public long save(NamedBody b) {
        return keep(BODY, b, r -> {});
    }

    @Transactional
    public long save(NamedLens l) {
        return keep(LENS, l, r -> {});
    }

    /** Stores a piece of gear, new where it has no id; hands back its id. */
    @Transactional
    public long save(NamedGear g) {
        return keep(GEAR, g, r -> {
            r.setKind(g.sort().name());
            r.setWeightG(g.weightG());
        });
    }

    /** What all sorts have: a name, a note, and fields as they are described, as JSON. */
    private <T, R extends UpdatableRecord<R>> long keep(Table<R> table, KitThing<T> thing, Consumer<R> more) {
        Field<Long> id = table.field("id", Long.class);
        R r = thing.id() == null ? db.newRecord(table) : db.fetchSingle(table, id.eq(thing.id()));
        r.set(table.field("name", String.class), thing.name());
        r.set(table.field("note", String.class), thing.note());
        r.set(table.field("fields", String.class), ShapeJson.text(thing.shape(), thing.thing()));
        more.accept(r);
        if (thing.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.get(id);
    }

    /** Stores a rig, new where it has no id; hands back its id. */
    @Transactional
    public long save(NamedRig rig) {
        RigRecord r = rig.id() == null ? db.newRecord(RIG) : db.fetchSingle(RIG, RIG.ID.eq(rig.id()));
        r.setName(rig.name());
        r.setBodyId(rig.body().id());
        r.setLensId(rig.lens().id());
        r.setOwn(rig.own());
        if (rig.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        db.deleteFrom(RIG_GEAR).where(RIG_GEAR.RIG_ID.eq(r.getId())).execute();
        rig.gear()
                .forEach(g -> db.insertInto(RIG_GEAR, RIG_GEAR.RIG_ID, RIG_GEAR.GEAR_ID)
                        .values(r.getId(), g.id())
                        .execute());
        return r.getId();
    }

    /** By how much a body's clock is ahead, seconds. */
    @Transactional
    public void setClock(long body, double aheadSeconds) {
        body(body)
                .ifPresent(
                        b -> save(new NamedBody(b.id(), b.name(), b.camera().withClockAhead(aheadSeconds), b.note())));
    }

    private static NamedBody body(BodyRecord r) {
        return new NamedBody(r.getId(), r.getName(), ShapeJson.read(BodyShape.SHAPE, r.getFields()), r.getNote());
    }

    private static NamedLens lens(LensRecord r) {
        return new NamedLens(r.getId(), r.getName(), ShapeJson.read(LensShape.SHAPE, r.getFields()), r.getNote());
    }

    private static NamedGear gear(GearRecord r) {
        Shape<Gear> shape = Gear.Sort.valueOf(r.getKind()).shape();
        return new NamedGear(r.getId(), r.getName(), r.getWeightG(), ShapeJson.read(shape, r.getFields()), r.getNote());
    }
}
