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
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
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
                        gear.getOrDefault(r.value1().getId(), List.of())));
    }

    public Optional<NamedRig> rig(long id) {
        return rigs(RIG.ID.eq(id).and(RIG.DELETED_AT.isNull())).stream().findFirst();
    }

    /** Stores a body, new where it has no id; hands back its id. */
    @Transactional
    long save(NamedBody b) {
        BodyRecord r = b.id() == null ? db.newRecord(BODY) : db.fetchSingle(BODY, BODY.ID.eq(b.id()));
        CameraBody c = b.camera();
        r.setName(b.name());
        r.setSensorWidthMm(c.sensor().widthMm());
        r.setSensorHeightMm(c.sensor().heightMm());
        r.setPixelsAcross((long) c.sensor().pixelsAcross());
        r.setDial(c.dial().name());
        r.setFastestPerS(Math.round(1 / c.fastestSeconds()));
        r.setTopIso((long) c.topIso());
        r.setComfortableIso((long) c.comfortableIso());
        r.setBaseIso(Math.round(c.response().baseIso()));
        r.setFullWellE(c.response().fullWellE());
        r.setReadBeforeE(c.response().readBeforeE());
        r.setReadAfterE(c.response().readAfterE());
        r.setDarkEPerS(c.response().darkEPerSecond());
        r.setQuantumEfficiency(c.response().quantumEfficiency());
        r.setModified(c.modified());
        r.setRawMb(c.files().rawMb());
        r.setJpegMb(c.files().jpegMb());
        r.setBufferFrames((long) c.files().bufferFrames());
        r.setWriteMbPerS(c.files().writeMbPerSecond());
        r.setNoiseReduction(c.noiseReduction());
        r.setClockOffsetS(c.clockOffsetSeconds());
        r.setWeightG(c.weightG());
        r.setNote(b.note());
        if (b.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    @Transactional
    long save(NamedLens l) {
        LensRecord r = l.id() == null ? db.newRecord(LENS) : db.fetchSingle(LENS, LENS.ID.eq(l.id()));
        r.setName(l.name());
        r.setShortestMm(l.lens().shortestMm());
        r.setLongestMm(l.lens().longestMm());
        r.setWidestAtShort(l.lens().widestAtShort());
        r.setWidestAtLong(l.lens().widestAtLong());
        r.setNarrowest(l.lens().narrowest());
        r.setProjection(l.lens().projection().name());
        r.setTransmission(l.lens().transmission());
        r.setElectronic(l.lens().electronic());
        r.setWeightG(l.lens().weightG());
        r.setImageCircleMm(boxed(l.lens().imageCircleMm()));
        r.setNote(l.note());
        if (l.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    /** Stores a piece of gear, new where it has no id; hands back its id. */
    @Transactional
    public long save(NamedGear g) {
        GearRecord r = g.id() == null ? db.newRecord(GEAR) : db.fetchSingle(GEAR, GEAR.ID.eq(g.id()));
        r.setKind(g.sort().name());
        r.setName(g.name());
        r.setWeightG(g.weightG());
        r.setNote(g.note());
        GearColumns.fill(r, g.gear());
        if (g.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    /** Stores a rig, new where it has no id; hands back its id. */
    @Transactional
    public long save(NamedRig rig) {
        RigRecord r = rig.id() == null ? db.newRecord(RIG) : db.fetchSingle(RIG, RIG.ID.eq(rig.id()));
        r.setName(rig.name());
        r.setBodyId(rig.body().id());
        r.setLensId(rig.lens().id());
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
        db.update(BODY)
                .set(BODY.CLOCK_OFFSET_S, CameraBody.CLOCK_OFFSET.check(aheadSeconds))
                .where(BODY.ID.eq(body))
                .execute();
    }

    private static NamedBody body(BodyRecord r) {
        Sensor sensor = Sensor.of(
                r.getSensorWidthMm(), r.getSensorHeightMm(), r.getPixelsAcross().intValue());
        CameraBody camera = new CameraBody(
                sensor,
                Dial.valueOf(r.getDial()),
                1.0 / r.getFastestPerS(),
                r.getTopIso().intValue(),
                r.getComfortableIso().intValue(),
                new Response(
                        r.getFullWellE(),
                        r.getBaseIso(),
                        r.getReadBeforeE(),
                        r.getReadAfterE(),
                        r.getDarkEPerS(),
                        r.getQuantumEfficiency()),
                r.getModified(),
                new CameraBody.Files(
                        r.getRawMb(), r.getJpegMb(), r.getBufferFrames().intValue(), r.getWriteMbPerS()),
                r.getNoiseReduction(),
                r.getClockOffsetS(),
                r.getWeightG());
        return new NamedBody(r.getId(), r.getName(), camera, r.getNote());
    }

    private static NamedLens lens(LensRecord r) {
        Lens lens = new Lens(
                r.getShortestMm(),
                r.getLongestMm(),
                r.getWidestAtShort(),
                r.getWidestAtLong(),
                r.getNarrowest(),
                Projection.valueOf(r.getProjection()),
                r.getTransmission(),
                r.getElectronic(),
                r.getWeightG(),
                r.getImageCircleMm() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getImageCircleMm()));
        return new NamedLens(r.getId(), r.getName(), lens, r.getNote());
    }

    private static NamedGear gear(GearRecord r) {
        return new NamedGear(r.getId(), r.getName(), r.getWeightG(), GearColumns.read(r), r.getNote());
    }

    private static Double boxed(OptionalDouble number) {
        return number.isPresent() ? number.getAsDouble() : null;
    }
}
