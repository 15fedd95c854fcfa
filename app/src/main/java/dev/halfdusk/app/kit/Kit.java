package dev.halfdusk.app.kit;

import static dev.halfdusk.app.db.Tables.BODY;
import static dev.halfdusk.app.db.Tables.LENS;

import dev.halfdusk.app.db.tables.records.BodyRecord;
import dev.halfdusk.app.db.tables.records.LensRecord;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The stored bodies and lenses. */
@Repository
public class Kit {

    private final DSLContext db;

    Kit(DSLContext db) {
        this.db = db;
    }

    /**
     * A camera body.
     *
     * @param topIso the highest it offers
     */
    public record Body(Long id, String name, Sensor sensor, Dial dial, int topIso) {}

    /** A lens under the name its owner gave it. */
    public record NamedLens(Long id, String name, Lens lens) {}

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

    private static Body body(BodyRecord r) {
        Sensor sensor = Sensor.of(
                r.getSensorWidthMm(), r.getSensorHeightMm(), r.getPixelsAcross().intValue());
        return new Body(
                r.getId(),
                r.getName(),
                sensor,
                Dial.valueOf(r.getDial()),
                r.getTopIso().intValue());
    }

    private static NamedLens lens(LensRecord r) {
        Lens lens = new Lens(
                r.getShortestMm(),
                r.getLongestMm(),
                r.getWidestAtShort(),
                r.getWidestAtLong(),
                Projection.valueOf(r.getProjection()));
        return new NamedLens(r.getId(), r.getName(), lens);
    }
}
