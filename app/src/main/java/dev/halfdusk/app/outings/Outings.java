package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.OUTING;

import dev.halfdusk.app.db.tables.records.OutingRecord;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.Sharp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored outings. A deleted one is kept until its deletion can no longer be undone. */
@Repository
@Transactional
public class Outings {

    private final DSLContext db;
    private final Places places;
    private final Kit kit;
    private final Clock clock;

    Outings(DSLContext db, Places places, Kit kit, Clock clock) {
        this.db = db;
        this.places = places;
        this.kit = kit;
        this.clock = clock;
    }

    /** All but the deleted, by night. */
    public List<Outing> all() {
        return select(OUTING.DELETED_AT.isNull());
    }

    /** The first outing on or after a date. */
    public Optional<Outing> nextFrom(LocalDate today) {
        return db.select(OUTING.ID)
                .from(OUTING)
                .where(OUTING.DELETED_AT.isNull().and(OUTING.NIGHT.ge(today)))
                .orderBy(OUTING.NIGHT, OUTING.ID)
                .limit(1)
                .fetchOptional(OUTING.ID)
                .flatMap(this::find);
    }

    public Optional<Outing> find(long id) {
        return select(OUTING.ID.eq(id).and(OUTING.DELETED_AT.isNull())).stream().findFirst();
    }

    public Optional<Outing> findDeleted(long id) {
        return select(OUTING.ID.eq(id).and(OUTING.DELETED_AT.isNotNull())).stream()
                .findFirst();
    }

    /** Stores a new outing, and its place first where that is new. */
    public Outing save(Outing outing) {
        Place place = outing.place().id() == null ? places.add(outing.place()) : outing.place();
        OutingRecord r = outing.id() == null ? db.newRecord(OUTING) : db.fetchSingle(OUTING, OUTING.ID.eq(outing.id()));
        r.setTitle(outing.title());
        r.setPlaceId(place.id());
        r.setNight(outing.night());
        r.setRigId(outing.rig().id());
        r.setFocalMm(outing.focalMm());
        r.setAperture(outing.aperture());
        r.setTolerancePx(outing.tolerancePx());
        r.setSharp(outing.sharp().name());
        r.setIso((long) outing.iso());
        if (outing.id() == null) {
            r.setRevision(1L);
            r.insert();
        } else {
            r.setRevision(r.getRevision() + 1);
            r.update();
        }
        return find(r.getId()).orElseThrow();
    }

    /** @return whether there was one to delete */
    public boolean delete(long id) {
        return mark(id, clock.instant());
    }

    /** @return whether there was one to bring back */
    public boolean restore(long id) {
        return mark(id, null);
    }

    private boolean mark(long id, Instant deleted) {
        return db.update(OUTING)
                        .set(OUTING.DELETED_AT, deleted)
                        .where(OUTING.ID.eq(id))
                        .execute()
                == 1;
    }

    /** The same few questions to the database, however many outings there are. */
    private List<Outing> select(Condition which) {
        List<OutingRecord> records = db.selectFrom(OUTING)
                .where(which)
                .orderBy(OUTING.NIGHT, OUTING.ID)
                .fetch();
        Map<Long, Place> at = places.byIds(
                records.stream().map(OutingRecord::getPlaceId).distinct().toList());
        Map<Long, NamedRig> with =
                kit.rigs(records.stream().map(OutingRecord::getRigId).distinct().toList());
        return records.stream()
                .map(r -> new Outing(
                        r.getId(),
                        r.getTitle(),
                        at.get(r.getPlaceId()),
                        r.getNight(),
                        with.get(r.getRigId()),
                        r.getFocalMm(),
                        r.getAperture(),
                        r.getTolerancePx(),
                        Sharp.valueOf(r.getSharp()),
                        r.getIso().intValue(),
                        r.getRevision()))
                .toList();
    }
}
