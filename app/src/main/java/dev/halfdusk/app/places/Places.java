package dev.halfdusk.app.places;

import static dev.halfdusk.app.db.Tables.PLACE;

import dev.halfdusk.app.db.tables.records.PlaceRecord;
import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The stored places. */
@Repository
public class Places {

    private final DSLContext db;

    Places(DSLContext db) {
        this.db = db;
    }

    public List<Place> all() {
        return db.selectFrom(PLACE).orderBy(PLACE.NAME).fetch(Places::place);
    }

    public Optional<Place> find(long id) {
        return db.selectFrom(PLACE).where(PLACE.ID.eq(id)).fetchOptional(Places::place);
    }

    /** Stores a new place. */
    public Place add(Place place) {
        Site site = place.site();
        Long id = db.insertInto(PLACE)
                .set(PLACE.NAME, place.name())
                .set(PLACE.LATITUDE_DEG, site.latitudeDeg())
                .set(PLACE.LONGITUDE_DEG, site.longitudeDeg())
                .set(PLACE.ELEVATION_M, site.elevationM())
                .set(PLACE.ZONE, place.zone().getId())
                .returning(PLACE.ID)
                .fetchSingle(PLACE.ID);
        return new Place(id, place.name(), site, place.zone());
    }

    private static Place place(PlaceRecord r) {
        Site site = new Site(r.getLatitudeDeg(), r.getLongitudeDeg(), r.getElevationM());
        return new Place(r.getId(), r.getName(), site, ZoneId.of(r.getZone()));
    }
}
