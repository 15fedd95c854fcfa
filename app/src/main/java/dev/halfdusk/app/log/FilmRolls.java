package dev.halfdusk.app.log;

import static dev.halfdusk.app.db.Tables.LOG_FILM;
import static dev.halfdusk.app.db.Tables.LOG_STAY;

import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.log.FilmFrame;
import dev.halfdusk.core.log.Stay;
import dev.halfdusk.core.measure.Interval;
import java.util.Comparator;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What of a night comes from elsewhere than a camera's card: frames on film, and where one stood. */
@Repository
@Transactional(readOnly = true)
public class FilmRolls {

    private final DSLContext db;

    FilmRolls(DSLContext db) {
        this.db = db;
    }

    /** A frame as it is stored. */
    public record Stored(long id, FilmFrame frame) {}

    /** Those of a night, roll by roll. */
    public List<Stored> of(long entry) {
        return db
                .selectFrom(LOG_FILM)
                .where(LOG_FILM.ENTRY_ID.eq(entry))
                .orderBy(LOG_FILM.ID)
                .fetch(r -> new Stored(r.getId(), ShapeJson.read(FilmFrame.SHAPE, r.getFields())))
                .stream()
                .sorted(Comparator.comparing((Stored s) -> s.frame.roll()).thenComparing(s -> s.frame.number()))
                .toList();
    }

    @Transactional
    public void add(long entry, FilmFrame frame) {
        db.insertInto(LOG_FILM)
                .set(LOG_FILM.ENTRY_ID, entry)
                .set(LOG_FILM.FIELDS, ShapeJson.text(FilmFrame.SHAPE, frame))
                .execute();
    }

    @Transactional
    void remove(long entry, long frame) {
        db.deleteFrom(LOG_FILM)
                .where(LOG_FILM.ID.eq(frame).and(LOG_FILM.ENTRY_ID.eq(entry)))
                .execute();
    }

    /** Where one stood in a night. */
    public List<Stay> stays(long entry) {
        return db.selectFrom(LOG_STAY)
                .where(LOG_STAY.ENTRY_ID.eq(entry))
                .orderBy(LOG_STAY.FROM_AT)
                .fetch(r ->
                        new Stay(r.getLatitudeDeg(), r.getLongitudeDeg(), new Interval(r.getFromAt(), r.getToAt())));
    }

    /** In the place of what an earlier track said. */
    @Transactional
    public void stood(long entry, List<Stay> stays) {
        db.deleteFrom(LOG_STAY).where(LOG_STAY.ENTRY_ID.eq(entry)).execute();
        stays.forEach(s -> db.insertInto(LOG_STAY)
                .set(LOG_STAY.ENTRY_ID, entry)
                .set(LOG_STAY.LATITUDE_DEG, s.latitudeDeg())
                .set(LOG_STAY.LONGITUDE_DEG, s.longitudeDeg())
                .set(LOG_STAY.FROM_AT, s.when().from())
                .set(LOG_STAY.TO_AT, s.when().to())
                .execute());
    }
}
