package dev.halfdusk.app.outings;

import static dev.halfdusk.app.db.Tables.CANDIDATE;
import static dev.halfdusk.app.db.Tables.FIELD_NOTE;
import static dev.halfdusk.app.db.Tables.OUTING;
import static dev.halfdusk.app.db.Tables.PACKED;
import static dev.halfdusk.app.db.Tables.PLACE;
import static dev.halfdusk.app.db.Tables.STOP;
import static dev.halfdusk.app.db.Tables.TAKE;

import dev.halfdusk.app.db.tables.records.OutingRecord;
import dev.halfdusk.app.db.tables.records.StopRecord;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Way;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.SortField;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored outings. A deleted one is kept until its deletion can no longer be undone. */
@Repository
@Transactional(readOnly = true)
public class Outings {

    private final DSLContext db;
    private final Places places;
    private final Deletions deletions;

    Outings(DSLContext db, Places places, Deletions deletions) {
        this.db = db;
        this.places = places;
        this.deletions = deletions;
    }

    /** What a list says of an outing. */
    public record Brief(long id, String title, String place, LocalDate night) {}

    /** All but the deleted, by night; without their places' grounds, so that thousands are no work. */
    public List<Brief> briefs() {
        return briefs(Integer.MAX_VALUE, OUTING.NIGHT.asc());
    }

    /** Those of the last nights, the very last first. */
    List<Brief> latest(int most) {
        return briefs(most, OUTING.NIGHT.desc());
    }

    private List<Brief> briefs(int most, SortField<LocalDate> order) {
        Map<Long, List<String>> further = further();
        return db.select(OUTING.ID, OUTING.TITLE, PLACE.NAME, OUTING.NIGHT)
                .from(OUTING)
                .join(PLACE)
                .on(PLACE.ID.eq(OUTING.PLACE_ID))
                .where(OUTING.DELETED_AT.isNull())
                .orderBy(order, OUTING.ID.asc())
                .limit(most)
                .fetch(r -> new Brief(
                        r.value1(),
                        r.value2(),
                        r.value3()
                                + further.getOrDefault(r.value1(), List.of()).stream()
                                        .map(name -> ", " + name)
                                        .collect(Collectors.joining()),
                        r.value4()));
    }

    /** Names of the places after the first, by outings. */
    private Map<Long, List<String>> further() {
        return db.select(STOP.OUTING_ID, PLACE.NAME)
                .from(STOP)
                .join(PLACE)
                .on(PLACE.ID.eq(STOP.PLACE_ID))
                .orderBy(STOP.OUTING_ID, STOP.POSITION)
                .fetchGroups(STOP.OUTING_ID, PLACE.NAME);
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

    /** Takes away all that belongs to an outing, for what replaces it. */
    @Transactional
    void clear(long id) {
        db.deleteFrom(TAKE).where(TAKE.OUTING_ID.eq(id)).execute();
        db.deleteFrom(CANDIDATE).where(CANDIDATE.OUTING_ID.eq(id)).execute();
        db.deleteFrom(PACKED).where(PACKED.OUTING_ID.eq(id)).execute();
        db.deleteFrom(FIELD_NOTE).where(FIELD_NOTE.OUTING_ID.eq(id)).execute();
    }

    public Optional<Outing> find(long id) {
        return select(OUTING.ID.eq(id).and(OUTING.DELETED_AT.isNull())).stream().findFirst();
    }

    public Outing existing(long id) {
        return find(id).orElseThrow(() -> deletions.missing("outing", id));
    }

    public Optional<Outing> findDeleted(long id) {
        return select(OUTING.ID.eq(id).and(OUTING.DELETED_AT.isNotNull())).stream()
                .findFirst();
    }

    /** Stores a new outing, and its place first where that is new. */
    @Transactional
    public Outing save(Outing outing) {
        Place place = outing.place().id() == null ? places.add(outing.place()) : outing.place();
        OutingRecord r = outing.id() == null ? db.newRecord(OUTING) : db.fetchSingle(OUTING, OUTING.ID.eq(outing.id()));
        r.setTitle(outing.title());
        r.setPlaceId(place.id());
        r.setNight(outing.night());
        Terms terms = outing.terms();
        r.setTolerancePx(terms.demand().tolerancePx());
        r.setSharp(terms.demand().sharp().name());
        r.setPeople((long) terms.people());
        r.setDriveMin((long) terms.way().driveMinutes());
        r.setWalkMin((long) terms.way().walkMinutes());
        r.setTurnBack(terms.turnBack().map(LocalTime::toString).orElse(null));
        r.setNote(terms.note());
        if (outing.id() == null) {
            r.setRevision(1L);
            r.insert();
        } else {
            r.setRevision(r.getRevision() + 1);
            r.update();
        }
        return existing(r.getId());
    }

    /** Its places after the first, as they are now; a place that is new is stored first. */
    @Transactional
    public Outing visit(long id, List<Outing.Further> further) {
        db.deleteFrom(STOP).where(STOP.OUTING_ID.eq(id)).execute();
        List<Place> known = new ArrayList<>(List.of(existing(id).place()));
        for (int i = 0; i < further.size(); i++) {
            Outing.Further f = further.get(i);
            Place place = f.place().id() != null
                    ? f.place()
                    : known.stream()
                            .filter(k -> k.name().equals(f.place().name())
                                    && k.site().equals(f.place().site()))
                            .findFirst()
                            .orElseGet(() -> places.add(f.place()));
            known.add(place);
            db.insertInto(STOP, STOP.OUTING_ID, STOP.POSITION, STOP.PLACE_ID, STOP.DRIVE_MIN, STOP.WALK_MIN)
                    .values(id, i + 1L, place.id(), (long) f.way().driveMinutes(), (long)
                            f.way().walkMinutes())
                    .execute();
        }
        return existing(id);
    }

    /** What is proposed next for its night. */
    @Transactional
    void another(long id) {
        db.update(OUTING)
                .set(OUTING.WAY, OUTING.WAY.plus(1))
                .where(OUTING.ID.eq(id))
                .execute();
    }

    /** @param now empty to schedule from the beginning again */
    @Transactional
    public void resume(long id, Optional<Instant> now) {
        db.update(OUTING)
                .set(OUTING.RESUMED_AT, now.orElse(null))
                .where(OUTING.ID.eq(id))
                .execute();
    }

    /** Other nights of the same plan, in order. */
    public List<LocalDate> candidates(long id) {
        return db.select(CANDIDATE.NIGHT)
                .from(CANDIDATE)
                .where(CANDIDATE.OUTING_ID.eq(id))
                .orderBy(CANDIDATE.NIGHT)
                .fetch(CANDIDATE.NIGHT);
    }

    /** Of all outings, by their ids. */
    Map<Long, List<LocalDate>> candidates() {
        return db.selectFrom(CANDIDATE).orderBy(CANDIDATE.NIGHT).fetchGroups(CANDIDATE.OUTING_ID, CANDIDATE.NIGHT);
    }

    /** Of all outings, by their ids. */
    Map<Long, List<String>> packed() {
        return db.selectFrom(PACKED).fetchGroups(PACKED.OUTING_ID, PACKED.WHAT);
    }

    @Transactional
    public void keep(long id, LocalDate candidate) {
        db.insertInto(CANDIDATE, CANDIDATE.OUTING_ID, CANDIDATE.NIGHT)
                .values(id, candidate)
                .onConflictDoNothing()
                .execute();
    }

    @Transactional
    void drop(long id, LocalDate candidate) {
        db.deleteFrom(CANDIDATE)
                .where(CANDIDATE.OUTING_ID.eq(id).and(CANDIDATE.NIGHT.eq(candidate)))
                .execute();
    }

    /** Goes on another night; the one that was planned stays as a candidate. */
    @Transactional
    void move(Outing outing, LocalDate other) {
        if (!outing.night().equals(other)) {
            drop(outing.id(), other);
            keep(outing.id(), outing.night());
            save(outing.withNight(other));
        }
    }

    /** What of the bag is ticked off, in its words. */
    public Set<String> packed(long id) {
        return db.select(PACKED.WHAT)
                .from(PACKED)
                .where(PACKED.OUTING_ID.eq(id))
                .fetchSet(PACKED.WHAT);
    }

    @Transactional
    public void pack(long id, String what, boolean packed) {
        if (packed) {
            db.insertInto(PACKED, PACKED.OUTING_ID, PACKED.WHAT)
                    .values(id, what)
                    .onConflictDoNothing()
                    .execute();
        } else {
            db.deleteFrom(PACKED)
                    .where(PACKED.OUTING_ID.eq(id).and(PACKED.WHAT.eq(what)))
                    .execute();
        }
    }

    /** The same few questions to the database, however many outings there are. */
    private List<Outing> select(Condition which) {
        List<OutingRecord> records = db.selectFrom(OUTING)
                .where(which)
                .orderBy(OUTING.NIGHT, OUTING.ID)
                .fetch();
        Map<Long, List<StopRecord>> stops = db
                .selectFrom(STOP)
                .where(STOP.OUTING_ID.in(
                        records.stream().map(OutingRecord::getId).toList()))
                .orderBy(STOP.POSITION)
                .stream()
                .collect(Collectors.groupingBy(StopRecord::getOutingId));
        Map<Long, Place> at = places.byIds(Stream.concat(
                        records.stream().map(OutingRecord::getPlaceId),
                        stops.values().stream().flatMap(List::stream).map(StopRecord::getPlaceId))
                .distinct()
                .toList());
        return records.stream()
                .map(r -> outing(r, at.get(r.getPlaceId()))
                        .visiting(stops.getOrDefault(r.getId(), List.of()).stream()
                                .map(s -> new Outing.Further(
                                        at.get(s.getPlaceId()),
                                        new Way(
                                                s.getDriveMin().intValue(),
                                                s.getWalkMin().intValue())))
                                .toList()))
                .toList();
    }

    private static Outing outing(OutingRecord r, Place place) {
        return new Outing(
                r.getId(),
                r.getTitle(),
                place,
                r.getNight(),
                new Terms(
                        r.getPeople().intValue(),
                        new Way(r.getDriveMin().intValue(), r.getWalkMin().intValue()),
                        Optional.ofNullable(r.getTurnBack()).map(LocalTime::parse),
                        Demand.USUAL.within(r.getTolerancePx(), Sharp.valueOf(r.getSharp())),
                        r.getNote()),
                new Outing.Standing(r.getWay().intValue(), Optional.ofNullable(r.getResumedAt()), r.getRevision()),
                List.of());
    }
}
