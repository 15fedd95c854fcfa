package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.TAKE;

import dev.halfdusk.app.db.tables.records.TakeRecord;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.take.Take;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored takes of outings. A deleted one is kept until its deletion can no longer be undone. */
@Repository
@Transactional
class Takes {

    private final DSLContext db;
    private final Kit kit;
    private final TakeJson json;
    private final Clock clock;

    Takes(DSLContext db, Kit kit, TakeJson json, Clock clock) {
        this.db = db;
        this.kit = kit;
        this.json = json;
        this.clock = clock;
    }

    /** A take as it is stored. */
    record Stored(long id, Take take) {}

    List<Stored> of(long outing) {
        List<TakeRecord> records = db.selectFrom(TAKE)
                .where(TAKE.OUTING_ID.eq(outing).and(TAKE.DELETED_AT.isNull()))
                .orderBy(TAKE.ID)
                .fetch();
        Map<Long, NamedRig> rigs =
                kit.rigs(records.stream().map(TakeRecord::getRigId).distinct().toList());
        return records.stream()
                .map(r -> new Stored(r.getId(), take(r, rigs.get(r.getRigId()))))
                .toList();
    }

    private Take take(TakeRecord r, NamedRig rig) {
        Optional<Direction> aim = r.getAzimuthDeg() == null
                ? Optional.empty()
                : Optional.of(new Direction(r.getAzimuthDeg(), r.getAltitudeDeg()));
        return new Take(
                r.getName(),
                json.subject(r.getSubject(), r.getParameters()),
                rig.name(),
                rig.rig(),
                r.getFocalMm(),
                r.getAperture(),
                aim,
                r.getUpright() ? Orientation.PORTRAIT : Orientation.LANDSCAPE,
                Demand.USUAL,
                json.wish(r.getWish()),
                Optional.ofNullable(r.getPinnedAt()));
    }

    long add(long outing, Take take, long rig) {
        TakeRecord r = db.newRecord(TAKE);
        r.setOutingId(outing);
        r.setName(take.name());
        r.setSubject(TakeJson.key(take.subject()));
        r.setParameters(json.write(take.subject()));
        r.setRigId(rig);
        r.setFocalMm(take.onLensMm());
        r.setAperture(take.aperture());
        r.setAzimuthDeg(take.aim().map(Direction::azimuthDeg).orElse(null));
        r.setAltitudeDeg(take.aim().map(Direction::altitudeDeg).orElse(null));
        r.setUpright(take.held() == Orientation.PORTRAIT);
        r.setWish(json.write(take.wish()));
        r.setPinnedAt(take.pinned().orElse(null));
        r.insert();
        return r.getId();
    }

    /** @param opening empty to let the wish decide again */
    void pin(long outing, long take, Optional<Instant> opening) {
        db.update(TAKE)
                .set(TAKE.PINNED_AT, opening.orElse(null))
                .where(TAKE.ID.eq(take).and(TAKE.OUTING_ID.eq(outing)))
                .execute();
    }

    /** @return whether there was one to delete */
    boolean delete(long outing, long take) {
        return mark(outing, take, clock.instant());
    }

    /** @return whether there was one to bring back */
    boolean restore(long outing, long take) {
        return mark(outing, take, null);
    }

    private boolean mark(long outing, long take, Instant deleted) {
        return db.update(TAKE)
                        .set(TAKE.DELETED_AT, deleted)
                        .where(TAKE.ID.eq(take).and(TAKE.OUTING_ID.eq(outing)))
                        .execute()
                == 1;
    }
}
