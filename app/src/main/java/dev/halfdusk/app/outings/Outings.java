package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.OUTING;

import dev.halfdusk.app.db.tables.records.OutingRecord;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
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
        return select(OUTING.DELETED_AT.isNull().and(OUTING.NIGHT.ge(today))).stream()
                .findFirst();
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
        r.setBodyId(outing.body().id());
        r.setLensId(outing.lens().id());
        r.setFocalMm(outing.focalMm());
        r.setAperture(outing.aperture());
        r.setTolerancePx(outing.tolerancePx());
        r.setIso((long) outing.iso());
        if (outing.id() == null) {
            r.insert();
        } else {
            r.update();
        }
        return outing(r);
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

    private List<Outing> select(Condition which) {
        return db.selectFrom(OUTING)
                .where(which)
                .orderBy(OUTING.NIGHT, OUTING.ID)
                .fetch(this::outing);
    }

    private Outing outing(OutingRecord r) {
        return new Outing(
                r.getId(),
                r.getTitle(),
                places.find(r.getPlaceId()).orElseThrow(),
                r.getNight(),
                kit.body(r.getBodyId()).orElseThrow(),
                kit.lens(r.getLensId()).orElseThrow(),
                r.getFocalMm(),
                r.getAperture(),
                r.getTolerancePx(),
                r.getIso().intValue());
    }
}
