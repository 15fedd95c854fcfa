package dev.halfdusk.app.places;

import static dev.halfdusk.app.db.Tables.DOME;
import static dev.halfdusk.app.db.Tables.MARK;
import static dev.halfdusk.app.db.Tables.PLACE;
import static dev.halfdusk.app.db.Tables.SKYLINE_POINT;
import static dev.halfdusk.app.db.Tables.TAKE;

import dev.halfdusk.app.db.tables.records.DomeRecord;
import dev.halfdusk.app.db.tables.records.MarkRecord;
import dev.halfdusk.app.db.tables.records.PlaceRecord;
import dev.halfdusk.app.web.ByName;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Wish;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored places with their skylines, marks and domes. */
@Repository
@Transactional(readOnly = true)
public class Places {

    private final DSLContext db;

    Places(DSLContext db) {
        this.db = db;
    }

    /** A dome as it is listed, whether it counts or not. */
    public record ListedDome(long id, Dome dome, boolean lit) {}

    /** A mark as it is listed. */
    public record ListedMark(long id, Mark mark) {}

    public List<Place> all() {
        return select(PLACE.DELETED_AT.isNull());
    }

    /** The places of a list of ids, by id. */
    public Map<Long, Place> byIds(Collection<Long> ids) {
        return select(PLACE.ID.in(ids)).stream().collect(Collectors.toMap(Place::id, p -> p));
    }

    public Optional<Place> find(long id) {
        return select(PLACE.ID.eq(id).and(PLACE.DELETED_AT.isNull())).stream().findFirst();
    }

    /** Stores a new place with its skyline and domes. */
    @Transactional
    public Place add(Place place) {
        PlaceRecord r = db.newRecord(PLACE);
        fill(r, place);
        r.insert();
        saveSkyline(r.getId(), place.skyline());
        place.domes().forEach(d -> addDome(r.getId(), d));
        return find(r.getId()).orElseThrow();
    }

    /** Stores new places, all or none. */
    @Transactional
    public void addAll(List<Place> fresh) {
        fresh.forEach(this::add);
    }

    /** Stores name, position, zone, reading and notes; skyline, marks and domes have their own. */
    @Transactional
    public void change(Place place) {
        PlaceRecord r = db.fetchSingle(PLACE, PLACE.ID.eq(place.id()));
        fill(r, place);
        r.update();
    }

    private static void fill(PlaceRecord r, Place place) {
        r.setName(place.name());
        r.setLatitudeDeg(place.site().latitudeDeg());
        r.setLongitudeDeg(place.site().longitudeDeg());
        r.setElevationM(place.site().elevationM());
        r.setZone(place.zone().getId());
        r.setZenithMagnitude(
                place.zenithMagnitude().isPresent() ? place.zenithMagnitude().getAsDouble() : null);
        r.setSeaHorizon(place.seaHorizon());
        r.setNotes(ShapeJson.text(Place.Notes.SHAPE, place.notes()));
    }

    @Transactional
    public void saveSkyline(long place, Skyline skyline) {
        db.deleteFrom(SKYLINE_POINT).where(SKYLINE_POINT.PLACE_ID.eq(place)).execute();
        for (Skyline.Point p : skyline.points()) {
            db.insertInto(SKYLINE_POINT)
                    .values(place, p.azimuthDeg(), p.altitudeDeg())
                    .execute();
        }
    }

    public List<ListedDome> domes(long place) {
        return db.selectFrom(DOME)
                .where(DOME.PLACE_ID.eq(place).and(DOME.DELETED_AT.isNull()))
                .orderBy(DOME.ID)
                .fetch(Places::dome);
    }

    private static ListedDome dome(DomeRecord r) {
        return new ListedDome(r.getId(), ShapeJson.read(Dome.SHAPE, r.getFields()), r.getLit());
    }

    @Transactional
    public void addDome(long place, Dome dome) {
        db.insertInto(DOME, DOME.PLACE_ID, DOME.FIELDS)
                .values(place, ShapeJson.text(Dome.SHAPE, dome))
                .execute();
    }

    @Transactional
    public void changeDome(long place, long dome, Dome d) {
        db.update(DOME)
                .set(DOME.FIELDS, ShapeJson.text(Dome.SHAPE, d))
                .where(DOME.ID.eq(dome).and(DOME.PLACE_ID.eq(place)))
                .execute();
    }

    @Transactional
    public void lightDome(long place, long dome, boolean lit) {
        db.update(DOME)
                .set(DOME.LIT, lit)
                .where(DOME.ID.eq(dome).and(DOME.PLACE_ID.eq(place)))
                .execute();
    }

    public List<ListedMark> marks(long place) {
        return db.selectFrom(MARK)
                .where(MARK.PLACE_ID.eq(place).and(MARK.DELETED_AT.isNull()))
                .orderBy(MARK.ID)
                .fetch(Places::mark);
    }

    /** The same as a night knows them. */
    public Map<Id, Mark> known(long place) {
        Map<Id, Mark> known = new LinkedHashMap<>();
        marks(place).forEach(m -> known.put(Id.of(m.id()), m.mark()));
        return known;
    }

    /** A place whose zenith was read. */
    public record Read(double latitudeDeg, double longitudeDeg, double zenithMagnitude) {}

    /** All that were read, without their grounds. */
    public List<Read> read() {
        return db.select(PLACE.LATITUDE_DEG, PLACE.LONGITUDE_DEG, PLACE.ZENITH_MAGNITUDE)
                .from(PLACE)
                .where(PLACE.ZENITH_MAGNITUDE.isNotNull().and(PLACE.DELETED_AT.isNull()))
                .orderBy(PLACE.ID)
                .fetch(r -> new Read(r.value1(), r.value2(), r.value3()));
    }

    /**
     * A wish as it is at a place: one over a mark that does not stand there is over the one of that name, where there is one.
     */
    public Wish at(long place, Wish wish) {
        Map<Id, Mark> known = wish.mark().isEmpty() ? Map.of() : known(place);
        return wish.mark()
                .filter(m -> !known.containsKey(m.id()))
                .flatMap(m -> known.entrySet().stream()
                        .filter(e -> e.getValue().name().equals(m.name()))
                        .findFirst())
                .map(e -> Wish.over(
                                wish.kind(), new Named(e.getKey(), e.getValue().name()))
                        .asking(wish.asked()))
                .orElse(wish);
    }

    /** The one that a page is asked for, among some; the first where it is not among them. */
    public static Optional<Place> chosen(Optional<String> id, List<Place> all) {
        return all.stream()
                .filter(p -> id.filter(p.id().toString()::equals).isPresent())
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /** The same as they are on the ground, without their ids. */
    public List<Mark> plainMarks(long place) {
        return marks(place).stream().map(ListedMark::mark).toList();
    }

    /** The marks of all places, by place. */
    public Map<Long, List<ListedMark>> marks() {
        return db.selectFrom(MARK)
                .where(MARK.DELETED_AT.isNull())
                .orderBy(MARK.ID)
                .fetchGroups(MARK.PLACE_ID, Places::mark);
    }

    private static ListedMark mark(MarkRecord r) {
        return new ListedMark(r.getId(), ShapeJson.read(Mark.SHAPE, r.getFields()));
    }

    public Optional<Mark> mark(long place, long mark) {
        return marks(place).stream()
                .filter(m -> m.id() == mark)
                .map(ListedMark::mark)
                .findFirst();
    }

    public Optional<Dome> dome(long place, long dome) {
        return domes(place).stream()
                .filter(d -> d.id() == dome)
                .map(ListedDome::dome)
                .findFirst();
    }

    @Transactional
    public void addMark(long place, Mark m) {
        db.insertInto(MARK, MARK.PLACE_ID, MARK.FIELDS)
                .values(place, ShapeJson.text(Mark.SHAPE, m))
                .execute();
    }

    @Transactional
    public void changeMark(long place, long mark, Mark m) {
        db.update(MARK)
                .set(MARK.FIELDS, ShapeJson.text(Mark.SHAPE, m))
                .where(MARK.ID.eq(mark).and(MARK.PLACE_ID.eq(place)))
                .execute();
        // takes know it by its identity; what it is called stands beside that for files and people
        db.update(TAKE)
                .set(TAKE.WISH, DSL.field("json_set({0}, '$.mark', {1})", String.class, TAKE.WISH, DSL.val(m.name())))
                .where(DSL.field("json_extract({0}, '$.markId')", String.class, TAKE.WISH)
                        .eq(Id.of(mark).text()))
                .execute();
    }

    /** Takes away domes for good, for what replaces them. */
    @Transactional
    public void clearDomes(long place) {
        db.deleteFrom(DOME).where(DOME.PLACE_ID.eq(place)).execute();
    }

    /** Puts other marks in the place of those there are. One that is called as before is the same mark: takes go on knowing it. */
    @Transactional
    public void replaceMarks(long place, List<Mark> others) {
        List<ListedMark> before = new ArrayList<>(marks(place));
        for (Mark m : others) {
            Optional<ListedMark> same = before.stream()
                    .filter(b -> b.mark().name().equals(m.name()))
                    .findFirst();
            same.ifPresentOrElse(b -> changeMark(place, b.id(), m), () -> addMark(place, m));
            same.ifPresent(before::remove);
        }
        before.forEach(b -> db.deleteFrom(MARK).where(MARK.ID.eq(b.id())).execute());
    }

    /** Three questions to the database, however many places there are. */
    private List<Place> select(Condition which) {
        Map<Long, List<Skyline.Point>> skylines = db.select(SKYLINE_POINT.fields())
                .from(SKYLINE_POINT)
                .join(PLACE)
                .on(PLACE.ID.eq(SKYLINE_POINT.PLACE_ID))
                .where(which)
                .orderBy(SKYLINE_POINT.AZIMUTH_DEG)
                .fetchGroups(
                        SKYLINE_POINT.PLACE_ID,
                        r -> new Skyline.Point(r.get(SKYLINE_POINT.AZIMUTH_DEG), r.get(SKYLINE_POINT.ALTITUDE_DEG)));
        Map<Long, List<Dome>> domes = db.select(DOME.fields())
                .from(DOME)
                .join(PLACE)
                .on(PLACE.ID.eq(DOME.PLACE_ID))
                .where(which.and(DOME.LIT).and(DOME.DELETED_AT.isNull()))
                .orderBy(DOME.ID)
                .fetchGroups(DOME.PLACE_ID, r -> dome(r.into(DOME)).dome());
        return db
                .selectFrom(PLACE)
                .where(which)
                .fetch(r -> new Place(
                        r.getId(),
                        r.getName(),
                        new Site(r.getLatitudeDeg(), r.getLongitudeDeg(), r.getElevationM()),
                        ZoneId.of(r.getZone()),
                        r.getZenithMagnitude() == null
                                ? OptionalDouble.empty()
                                : OptionalDouble.of(r.getZenithMagnitude()),
                        Skyline.of(skylines.getOrDefault(r.getId(), List.of())),
                        r.getSeaHorizon(),
                        domes.getOrDefault(r.getId(), List.of()),
                        ShapeJson.read(Place.Notes.SHAPE, r.getNotes())))
                .stream()
                .sorted(ByName.of(Place::name))
                .toList();
    }
}
