package dev.halfdusk.app.places;

import static dev.halfdusk.app.db.Tables.DOME;
import static dev.halfdusk.app.db.Tables.MARK;
import static dev.halfdusk.app.db.Tables.OUTING;
import static dev.halfdusk.app.db.Tables.PLACE;
import static dev.halfdusk.app.db.Tables.SKYLINE_POINT;

import dev.halfdusk.app.db.tables.records.PlaceRecord;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Skyline;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored places with their skylines, marks and domes. */
@Repository
@Transactional
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
        return db.selectFrom(PLACE).orderBy(PLACE.NAME).fetch(this::place);
    }

    public Optional<Place> find(long id) {
        return db.selectFrom(PLACE).where(PLACE.ID.eq(id)).fetchOptional(this::place);
    }

    /** Stores a new place with its skyline and domes. */
    public Place add(Place place) {
        PlaceRecord r = db.newRecord(PLACE);
        fill(r, place);
        r.insert();
        saveSkyline(r.getId(), place.skyline());
        place.domes().forEach(d -> addDome(r.getId(), d));
        return find(r.getId()).orElseThrow();
    }

    /** Stores new places, all or none. */
    public void addAll(List<Place> fresh) {
        fresh.forEach(this::add);
    }

    /** Stores name, position, zone, reading and notes; skyline, marks and domes have their own. */
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
        r.setAccess(place.notes().access());
        r.setHazards(place.notes().hazards());
        r.setTurnBack(place.notes().turnBack());
    }

    /** @return false where outings still need the place, and nothing was deleted */
    public boolean delete(long id) {
        if (db.fetchExists(OUTING, OUTING.PLACE_ID.eq(id))) {
            return false;
        }
        db.deleteFrom(PLACE).where(PLACE.ID.eq(id)).execute();
        return true;
    }

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
                .where(DOME.PLACE_ID.eq(place))
                .orderBy(DOME.ID)
                .fetch(r -> new ListedDome(
                        r.getId(),
                        new Dome(r.getName(), r.getBearingDeg(), r.getDistanceKm(), r.getPeople()),
                        r.getLit()));
    }

    public void addDome(long place, Dome dome) {
        db.insertInto(DOME, DOME.PLACE_ID, DOME.NAME, DOME.BEARING_DEG, DOME.DISTANCE_KM, DOME.PEOPLE)
                .values(place, dome.name(), dome.bearingDeg(), dome.distanceKm(), dome.people())
                .execute();
    }

    public void changeDome(long place, long dome, Dome d) {
        db.update(DOME)
                .set(DOME.NAME, d.name())
                .set(DOME.BEARING_DEG, d.bearingDeg())
                .set(DOME.DISTANCE_KM, d.distanceKm())
                .set(DOME.PEOPLE, d.people())
                .where(DOME.ID.eq(dome).and(DOME.PLACE_ID.eq(place)))
                .execute();
    }

    public void removeDome(long place, long dome) {
        db.deleteFrom(DOME).where(DOME.ID.eq(dome).and(DOME.PLACE_ID.eq(place))).execute();
    }

    public void lightDome(long place, long dome, boolean lit) {
        db.update(DOME)
                .set(DOME.LIT, lit)
                .where(DOME.ID.eq(dome).and(DOME.PLACE_ID.eq(place)))
                .execute();
    }

    public List<ListedMark> marks(long place) {
        return db.selectFrom(MARK)
                .where(MARK.PLACE_ID.eq(place))
                .orderBy(MARK.ID)
                .fetch(r -> new ListedMark(
                        r.getId(),
                        new Mark(
                                r.getName(),
                                r.getBearingDeg(),
                                r.getDistanceM(),
                                r.getHeightM(),
                                r.getWidthM(),
                                r.getFootM())));
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

    public void addMark(long place, Mark m) {
        db.insertInto(
                        MARK,
                        MARK.PLACE_ID,
                        MARK.NAME,
                        MARK.BEARING_DEG,
                        MARK.DISTANCE_M,
                        MARK.HEIGHT_M,
                        MARK.WIDTH_M,
                        MARK.FOOT_M)
                .values(place, m.name(), m.bearingDeg(), m.distanceM(), m.heightM(), m.widthM(), m.footM())
                .execute();
    }

    public void changeMark(long place, long mark, Mark m) {
        db.update(MARK)
                .set(MARK.NAME, m.name())
                .set(MARK.BEARING_DEG, m.bearingDeg())
                .set(MARK.DISTANCE_M, m.distanceM())
                .set(MARK.HEIGHT_M, m.heightM())
                .set(MARK.WIDTH_M, m.widthM())
                .set(MARK.FOOT_M, m.footM())
                .where(MARK.ID.eq(mark).and(MARK.PLACE_ID.eq(place)))
                .execute();
    }

    public void removeMark(long place, long mark) {
        db.deleteFrom(MARK).where(MARK.ID.eq(mark).and(MARK.PLACE_ID.eq(place))).execute();
    }

    private Place place(PlaceRecord r) {
        Skyline skyline = Skyline.of(db.selectFrom(SKYLINE_POINT)
                .where(SKYLINE_POINT.PLACE_ID.eq(r.getId()))
                .orderBy(SKYLINE_POINT.AZIMUTH_DEG)
                .fetch(p -> new Skyline.Point(p.getAzimuthDeg(), p.getAltitudeDeg())));
        List<Dome> lit = domes(r.getId()).stream()
                .filter(ListedDome::lit)
                .map(ListedDome::dome)
                .toList();
        return new Place(
                r.getId(),
                r.getName(),
                new Site(r.getLatitudeDeg(), r.getLongitudeDeg(), r.getElevationM()),
                ZoneId.of(r.getZone()),
                r.getZenithMagnitude() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getZenithMagnitude()),
                skyline,
                r.getSeaHorizon(),
                lit,
                new Place.Notes(r.getAccess(), r.getHazards(), r.getTurnBack()));
    }
}
