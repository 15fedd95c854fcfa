package dev.halfdusk.app.kit;

import static dev.halfdusk.app.db.Tables.BODY;
import static dev.halfdusk.app.db.Tables.GEAR;
import static dev.halfdusk.app.db.Tables.LENS;
import static dev.halfdusk.app.db.Tables.OUTING;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored bodies, lenses, gear, and the rigs put together from them. */
@Repository
@Transactional
public class Kit {

    private final DSLContext db;

    Kit(DSLContext db) {
        this.db = db;
    }

    /** A camera body under the name its owner gave it. */
    public record Body(Long id, String name, CameraBody camera, String note) {

        public Sensor sensor() {
            return camera.sensor();
        }

        public Dial dial() {
            return camera.dial();
        }

        public int topIso() {
            return camera.topIso();
        }
    }

    /** A lens under the name its owner gave it. */
    public record NamedLens(Long id, String name, Lens lens, String note) {}

    public List<Body> bodies() {
        return db.selectFrom(BODY).orderBy(BODY.ID).fetch(Kit::body);
    }

    public Optional<Body> body(long id) {
        return db.selectFrom(BODY).where(BODY.ID.eq(id)).fetchOptional(Kit::body);
    }

    public List<NamedLens> lenses() {
        return db.selectFrom(LENS).orderBy(LENS.ID).fetch(Kit::lens);
    }

    public Optional<NamedLens> lens(long id) {
        return db.selectFrom(LENS).where(LENS.ID.eq(id)).fetchOptional(Kit::lens);
    }

    public List<Gear> gear() {
        return db.selectFrom(GEAR).orderBy(GEAR.KIND, GEAR.ID).fetch(Kit::gear);
    }

    public Optional<Gear> gear(long id) {
        return db.selectFrom(GEAR).where(GEAR.ID.eq(id)).fetchOptional(Kit::gear);
    }

    /** All rigs, with four questions to the database however many there are. */
    public List<NamedRig> rigs() {
        Map<Long, Body> bodies = bodies().stream().collect(Collectors.toMap(Body::id, b -> b));
        Map<Long, NamedLens> lenses = lenses().stream().collect(Collectors.toMap(NamedLens::id, l -> l));
        Map<Long, Gear> all =
                gear().stream().collect(Collectors.toMap(Gear::id, g -> g, (x, y) -> x, LinkedHashMap::new));
        Map<Long, List<Long>> used = db.selectFrom(RIG_GEAR).fetchGroups(RIG_GEAR.RIG_ID, RIG_GEAR.GEAR_ID);
        return db.selectFrom(RIG)
                .orderBy(RIG.ID)
                .fetch(r -> new NamedRig(
                        r.getId(),
                        r.getName(),
                        bodies.get(r.getBodyId()),
                        lenses.get(r.getLensId()),
                        all.values().stream()
                                .filter(g ->
                                        used.getOrDefault(r.getId(), List.of()).contains(g.id()))
                                .toList()));
    }

    public Optional<NamedRig> rig(long id) {
        return rigs().stream().filter(r -> r.id() == id).findFirst();
    }

    /** Stores a body, new where it has no id; hands back its id. */
    long save(Body b) {
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
        r.setNote(l.note());
        if (l.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    long save(Gear g) {
        GearRecord r = g.id() == null ? db.newRecord(GEAR) : db.fetchSingle(GEAR, GEAR.ID.eq(g.id()));
        r.setKind(g.kind().name());
        r.setName(g.name());
        r.setWeightG(g.weightG());
        r.setMode(g.mode());
        r.setAmount(g.amount());
        r.setDetail(g.detail());
        r.setNote(g.note());
        if (g.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return r.getId();
    }

    long save(NamedRig rig) {
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

    /** @return false where an outing or a rig still needs it, and nothing was deleted */
    boolean deleteBody(long id) {
        if (db.fetchExists(OUTING, OUTING.BODY_ID.eq(id)) || db.fetchExists(RIG, RIG.BODY_ID.eq(id))) {
            return false;
        }
        return db.deleteFrom(BODY).where(BODY.ID.eq(id)).execute() > 0;
    }

    /** @return false where an outing or a rig still needs it, and nothing was deleted */
    boolean deleteLens(long id) {
        if (db.fetchExists(OUTING, OUTING.LENS_ID.eq(id)) || db.fetchExists(RIG, RIG.LENS_ID.eq(id))) {
            return false;
        }
        return db.deleteFrom(LENS).where(LENS.ID.eq(id)).execute() > 0;
    }

    /** @return false where a rig still needs it, and nothing was deleted */
    boolean deleteGear(long id) {
        if (db.fetchExists(RIG_GEAR, RIG_GEAR.GEAR_ID.eq(id))) {
            return false;
        }
        return db.deleteFrom(GEAR).where(GEAR.ID.eq(id)).execute() > 0;
    }

    boolean deleteRig(long id) {
        return db.deleteFrom(RIG).where(RIG.ID.eq(id)).execute() > 0;
    }

    private static Body body(BodyRecord r) {
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
        return new Body(r.getId(), r.getName(), camera, r.getNote());
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
                r.getWeightG());
        return new NamedLens(r.getId(), r.getName(), lens, r.getNote());
    }

    private static Gear gear(GearRecord r) {
        return new Gear(
                r.getId(),
                Gear.Kind.valueOf(r.getKind()),
                r.getName(),
                r.getWeightG(),
                r.getMode(),
                r.getAmount(),
                r.getDetail(),
                r.getNote());
    }
}
