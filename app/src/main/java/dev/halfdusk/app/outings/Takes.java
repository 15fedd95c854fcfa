package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.BODY;
import static dev.halfdusk.app.db.Tables.OUTING;
import static dev.halfdusk.app.db.Tables.RIG;
import static dev.halfdusk.app.db.Tables.TAKE;

import dev.halfdusk.app.db.tables.records.TakeRecord;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Take;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored takes of outings. A deleted one is kept until its deletion can no longer be undone. */
@Repository
@Transactional(readOnly = true)
public class Takes {

    private final DSLContext db;
    private final Kit kit;
    private final TakeJson json;
    private final Deletions deletions;

    Takes(DSLContext db, Kit kit, TakeJson json, Deletions deletions) {
        this.db = db;
        this.kit = kit;
        this.json = json;
        this.deletions = deletions;
    }

    /**
     * A take as it is stored.
     *
     * @param progress in the field
     */
    public record Stored(long id, NamedRig rig, Take take, Progress progress) {}

    /** A body that another outing of the same night wants. */
    record Elsewhere(long outing, String title, long body, String name) {}

    /** A rig as a camera of takes. */
    public static NamedCamera camera(NamedRig rig) {
        return new NamedCamera(
                new Named(Id.of(rig.id()), rig.name()),
                new Named(Id.of(rig.body().id()), rig.body().name()),
                rig.rig(),
                rig.battery(),
                rig.first(Gear.Card.class));
    }

    public List<Stored> of(long outing) {
        return select(TAKE.OUTING_ID.eq(outing).and(TAKE.DELETED_AT.isNull()));
    }

    /** Of all outings, by their ids. */
    Map<Long, List<Stored>> all() {
        Map<Long, NamedRig> rigs = kit.rigs().stream().collect(Collectors.toMap(NamedRig::id, r -> r));
        return db.selectFrom(TAKE).where(TAKE.DELETED_AT.isNull()).orderBy(TAKE.ID).stream()
                .collect(Collectors.groupingBy(
                        TakeRecord::getOutingId,
                        Collectors.mapping(r -> stored(r, rigs.get(r.getRigId())), Collectors.toList())));
    }

    public Optional<Stored> find(long outing, long take) {
        return select(TAKE.OUTING_ID.eq(outing).and(TAKE.ID.eq(take)).and(TAKE.DELETED_AT.isNull())).stream()
                .findFirst();
    }

    public Stored existing(long outing, long take) {
        return find(outing, take).orElseThrow(() -> deletions.missing("take", take));
    }

    private List<Stored> select(Condition which) {
        List<TakeRecord> records =
                db.selectFrom(TAKE).where(which).orderBy(TAKE.ID).fetch();
        Map<Long, NamedRig> rigs =
                kit.rigs(records.stream().map(TakeRecord::getRigId).distinct().toList());
        return records.stream().map(r -> stored(r, rigs.get(r.getRigId()))).toList();
    }

    private Stored stored(TakeRecord r, NamedRig rig) {
        Progress progress = new Progress(
                Optional.ofNullable(r.getOpenedAt()), Optional.ofNullable(r.getClosedAt()), r.getSkipped());
        return new Stored(r.getId(), rig, take(r, rig), progress);
    }

    private Take take(TakeRecord r, NamedRig rig) {
        Optional<Direction> aim = r.getAzimuthDeg() == null
                ? Optional.empty()
                : Optional.of(new Direction(r.getAzimuthDeg(), r.getAltitudeDeg()));
        return new Take(
                Id.of(r.getId()),
                r.getName(),
                json.subject(r.getSubject(), r.getParameters()),
                camera(rig),
                new Framed(
                        new LensSetting(r.getFocalMm(), r.getAperture()),
                        aim,
                        r.getUpright() ? Orientation.PORTRAIT : Orientation.LANDSCAPE),
                json.wish(r.getWish()),
                Optional.ofNullable(r.getPinnedAt()),
                ShapeJson.read(Decision.SHAPE, r.getDecision()),
                r.getStop().intValue());
    }

    @Transactional
    public long add(long outing, Take take, long rig) {
        TakeRecord r = db.newRecord(TAKE);
        r.setOutingId(outing);
        fill(r, take, rig);
        r.insert();
        return r.getId();
    }

    /** Everything about a take but what happened in the field. */
    @Transactional
    public void change(long outing, long id, Take take, long rig) {
        TakeRecord r = db.fetchSingle(TAKE, TAKE.ID.eq(id).and(TAKE.OUTING_ID.eq(outing)));
        fill(r, take, rig);
        r.update();
    }

    private void fill(TakeRecord r, Take take, long rig) {
        r.setName(take.name());
        r.setSubject(take.subject().kind().key());
        r.setParameters(json.write(take.subject()));
        r.setRigId(rig);
        Framed framed = take.framed();
        r.setFocalMm(framed.lens().onLensMm());
        r.setAperture(framed.lens().aperture());
        r.setAzimuthDeg(framed.aim().map(Direction::azimuthDeg).orElse(null));
        r.setAltitudeDeg(framed.aim().map(Direction::altitudeDeg).orElse(null));
        r.setUpright(framed.held() == Orientation.PORTRAIT);
        r.setWish(json.write(take.wish()));
        r.setPinnedAt(take.pinned().orElse(null));
        r.setStop((long) take.stop());
        r.setDecision(ShapeJson.text(Decision.SHAPE, take.decision()));
    }

    /** Takes of an outing beside some outing's, on its night, with rigs that stand on bodies of its own. */
    List<Elsewhere> elsewhere(Outing outing) {
        return db.selectDistinct(OUTING.ID, OUTING.TITLE, RIG.BODY_ID, BODY.NAME)
                .from(TAKE)
                .join(OUTING)
                .on(OUTING.ID.eq(TAKE.OUTING_ID))
                .join(RIG)
                .on(RIG.ID.eq(TAKE.RIG_ID))
                .join(BODY)
                .on(BODY.ID.eq(RIG.BODY_ID))
                .where(OUTING.NIGHT.eq(outing.night()))
                .and(OUTING.ID.ne(outing.id()))
                .and(OUTING.DELETED_AT.isNull())
                .and(TAKE.DELETED_AT.isNull())
                .orderBy(OUTING.ID, RIG.BODY_ID)
                .fetch(r -> new Elsewhere(r.value1(), r.value2(), r.value3(), r.value4()));
    }

    /** When a place of an outing is gone: what was taken after it is so at one less, deleted takes as well. */
    @Transactional
    void without(long outing, int stop) {
        db.update(TAKE)
                .set(TAKE.STOP, TAKE.STOP.minus(1))
                .where(TAKE.OUTING_ID.eq(outing).and(TAKE.STOP.ge((long) stop)))
                .execute();
    }

    /** @param opening empty to let the wish decide again */
    @Transactional
    public void pin(long outing, long take, Optional<Instant> opening) {
        db.update(TAKE)
                .set(TAKE.PINNED_AT, opening.orElse(null))
                .where(TAKE.ID.eq(take).and(TAKE.OUTING_ID.eq(outing)))
                .execute();
    }

    @Transactional
    public void progress(long outing, long take, Progress p) {
        db.update(TAKE)
                .set(TAKE.OPENED_AT, p.opened().orElse(null))
                .set(TAKE.CLOSED_AT, p.closed().orElse(null))
                .set(TAKE.SKIPPED, p.skipped())
                .where(TAKE.ID.eq(take).and(TAKE.OUTING_ID.eq(outing)))
                .execute();
    }
}
