package dev.halfdusk.app.rehearsal;

import static dev.halfdusk.app.db.Tables.CLOUD_ODDS;
import static dev.halfdusk.app.db.Tables.ECLIPSE_CAMERA;
import static dev.halfdusk.app.db.Tables.ECLIPSE_PLAN;
import static dev.halfdusk.app.db.Tables.PLACE;
import static dev.halfdusk.app.db.Tables.SCRIPT_CUT;

import dev.halfdusk.app.db.tables.records.EclipseCameraRecord;
import dev.halfdusk.app.db.tables.records.EclipsePlanRecord;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.Script;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The stored plans of eclipses. A deleted one, or one of its cameras, is kept until its deletion can no longer be undone. */
@Repository
@Transactional(readOnly = true)
public class EclipsePlans {

    private final DSLContext db;
    private final Places places;
    private final Kit kit;
    private final Deletions deletions;
    private final Clock clock;

    EclipsePlans(DSLContext db, Places places, Kit kit, Deletions deletions, Clock clock) {
        this.clock = clock;
        this.db = db;
        this.places = places;
        this.kit = kit;
        this.deletions = deletions;
    }

    /** What a list says of a plan. */
    public record Brief(long id, LocalDate date, String place) {}

    /** By date. */
    public List<Brief> briefs() {
        return db.select(ECLIPSE_PLAN.ID, ECLIPSE_PLAN.ECLIPSE_DATE, PLACE.NAME)
                .from(ECLIPSE_PLAN)
                .join(PLACE)
                .on(PLACE.ID.eq(ECLIPSE_PLAN.PLACE_ID))
                .where(ECLIPSE_PLAN.DELETED_AT.isNull())
                .orderBy(ECLIPSE_PLAN.ECLIPSE_DATE, ECLIPSE_PLAN.ID)
                .fetch(r -> new Brief(r.value1(), r.value2(), r.value3()));
    }

    /** The first plan of an eclipse at a place. */
    Optional<Long> find(long place, LocalDate date) {
        return db.select(ECLIPSE_PLAN.ID)
                .from(ECLIPSE_PLAN)
                .where(ECLIPSE_PLAN.PLACE_ID.eq(place))
                .and(ECLIPSE_PLAN.ECLIPSE_DATE.eq(date))
                .and(ECLIPSE_PLAN.DELETED_AT.isNull())
                .orderBy(ECLIPSE_PLAN.ID)
                .limit(1)
                .fetchOptional(ECLIPSE_PLAN.ID);
    }

    private Place place(long id) {
        return places.find(id).orElseThrow(() -> new NotFound("place " + id));
    }

    EclipsePlan existing(long id) {
        EclipsePlanRecord r = db.fetchOne(ECLIPSE_PLAN, ECLIPSE_PLAN.ID.eq(id).and(ECLIPSE_PLAN.DELETED_AT.isNull()));
        if (r == null) {
            throw deletions.missing("plan", id);
        }
        Stored s = stored(r);
        return new EclipsePlan(
                id,
                s.place,
                s.other,
                s.date,
                s.terms,
                EclipsePlan.seen(s.date, s.place)
                        .orElseThrow(() -> new NotFound("eclipse of " + s.date + " at " + s.place.name())),
                s.cameras);
    }

    /** What is kept of a plan, whether or not its place still sees the eclipse: someone may have moved it. */
    record Stored(Place place, Optional<Place> other, LocalDate date, EclipseTerms terms, List<PlanCamera> cameras) {}

    Stored stored(long id) {
        return stored(db.fetchSingle(ECLIPSE_PLAN, ECLIPSE_PLAN.ID.eq(id)));
    }

    private Stored stored(EclipsePlanRecord r) {
        FilterWindow.Margins margins = new FilterWindow.Margins(r.getAfterC2S(), r.getBeforeC3S());
        return new Stored(
                place(r.getPlaceId()),
                Optional.ofNullable(r.getOtherPlaceId()).map(this::place),
                r.getEclipseDate(),
                new EclipseTerms(margins, r.getCelsius()),
                cameras(r.getId(), margins));
    }

    private List<PlanCamera> cameras(long plan, FilterWindow.Margins margins) {
        List<EclipseCameraRecord> records = db.selectFrom(ECLIPSE_CAMERA)
                .where(ECLIPSE_CAMERA.PLAN_ID.eq(plan).and(ECLIPSE_CAMERA.DELETED_AT.isNull()))
                .orderBy(ECLIPSE_CAMERA.ID)
                .fetch();
        Map<Long, NamedRig> rigs = kit.rigs(
                records.stream().map(EclipseCameraRecord::getRigId).distinct().toList());
        return records.stream()
                .map(r -> camera(r, rigs.get(r.getRigId()), margins))
                .collect(Collectors.toList());
    }

    private static PlanCamera camera(EclipseCameraRecord r, NamedRig rig, FilterWindow.Margins margins) {
        return new PlanCamera(
                r.getId(),
                r.getName(),
                rig,
                ShapeJson.read(EclipseCamera.SHAPE, r.getFields()).within(margins),
                Optional.ofNullable(r.getScript())
                        .map(t -> ScriptFile.read(t).script().orElseThrow()));
    }

    @Transactional
    public long add(long place, LocalDate date) {
        EclipsePlanRecord r = db.newRecord(ECLIPSE_PLAN);
        r.setPlaceId(place);
        r.setEclipseDate(date);
        r.setAfterC2S(EclipseTerms.USUAL.margins().afterC2());
        r.setBeforeC3S(EclipseTerms.USUAL.margins().beforeC3());
        r.setCelsius(EclipseTerms.USUAL.celsius());
        r.insert();
        return r.getId();
    }

    /** Another place beside a plan's own, and the air of the day. */
    @Transactional
    public void keep(long id, long other, double celsius) {
        db.update(ECLIPSE_PLAN)
                .set(ECLIPSE_PLAN.OTHER_PLACE_ID, other)
                .set(ECLIPSE_PLAN.CELSIUS, celsius)
                .where(ECLIPSE_PLAN.ID.eq(id))
                .execute();
    }

    @Transactional
    void change(long id, long place, Optional<Long> other, EclipseTerms terms) {
        db.update(ECLIPSE_PLAN)
                .set(ECLIPSE_PLAN.PLACE_ID, place)
                .set(ECLIPSE_PLAN.OTHER_PLACE_ID, other.orElse(null))
                .set(ECLIPSE_PLAN.AFTER_C2_S, terms.margins().afterC2())
                .set(ECLIPSE_PLAN.BEFORE_C3_S, terms.margins().beforeC3())
                .set(ECLIPSE_PLAN.CELSIUS, terms.celsius())
                .where(ECLIPSE_PLAN.ID.eq(id))
                .execute();
    }

    /** @return its id; the camera's own does not count */
    @Transactional
    public long addCamera(long plan, PlanCamera camera) {
        EclipseCameraRecord r = db.newRecord(ECLIPSE_CAMERA);
        r.setPlanId(plan);
        fill(r, camera);
        r.insert();
        return r.getId();
    }

    @Transactional
    void change(long plan, PlanCamera camera) {
        EclipseCameraRecord r =
                db.fetchSingle(ECLIPSE_CAMERA, ECLIPSE_CAMERA.ID.eq(camera.id()).and(ECLIPSE_CAMERA.PLAN_ID.eq(plan)));
        fill(r, camera);
        r.update();
    }

    private static void fill(EclipseCameraRecord r, PlanCamera c) {
        r.setName(c.name());
        r.setRigId(c.rig().id());
        r.setFields(ShapeJson.text(EclipseCamera.SHAPE, c.set()));
        r.setScript(c.byHand().map(ScriptFile::write).orElse(null));
    }

    /** Keeps a script that was changed by hand; empty to have it made again. */
    @Transactional
    void script(long plan, long camera, Optional<Script> script) {
        db.update(ECLIPSE_CAMERA)
                .set(ECLIPSE_CAMERA.SCRIPT, script.map(ScriptFile::write).orElse(null))
                .where(ECLIPSE_CAMERA.ID.eq(camera).and(ECLIPSE_CAMERA.PLAN_ID.eq(plan)))
                .execute();
    }

    /** What was cut from a script, or all of it. */
    record Cut(boolean whole, Script script) {}

    /** Keeps what is cut from a camera's script; hands back its number. */
    @Transactional
    long cut(long camera, String name, boolean whole, Script script) {
        return db.insertInto(SCRIPT_CUT)
                .set(SCRIPT_CUT.CAMERA_ID, camera)
                .set(SCRIPT_CUT.NAME, name)
                .set(SCRIPT_CUT.WHOLE, whole)
                .set(SCRIPT_CUT.SCRIPT, ScriptFile.write(script))
                .set(SCRIPT_CUT.DELETED_AT, clock.instant())
                .returning(SCRIPT_CUT.ID)
                .fetchSingle(SCRIPT_CUT.ID);
    }

    /** Takes a cut out of what is kept; empty where it was taken already. */
    @Transactional
    Optional<Cut> uncut(long camera, long cut) {
        Optional<Cut> kept = db.selectFrom(SCRIPT_CUT)
                .where(SCRIPT_CUT.ID.eq(cut).and(SCRIPT_CUT.CAMERA_ID.eq(camera)))
                .fetchOptional(r -> new Cut(
                        r.getWhole(), ScriptFile.read(r.getScript()).script().orElseThrow()));
        kept.ifPresent(
                k -> db.deleteFrom(SCRIPT_CUT).where(SCRIPT_CUT.ID.eq(cut)).execute());
        return kept;
    }

    /** Takes all cameras out for good, so that others take their place. */
    @Transactional
    void clearCameras(long plan) {
        db.deleteFrom(ECLIPSE_CAMERA).where(ECLIPSE_CAMERA.PLAN_ID.eq(plan)).execute();
    }

    /** Percent by place. */
    Map<Long, Double> cloudOdds(LocalDate date) {
        return db.selectFrom(CLOUD_ODDS)
                .where(CLOUD_ODDS.ECLIPSE_DATE.eq(date))
                .fetchMap(CLOUD_ODDS.PLACE_ID, CLOUD_ODDS.PERCENT);
    }

    /** @param percent empty to forget it */
    @Transactional
    public void cloudOdds(long place, LocalDate date, Optional<Double> percent) {
        db.deleteFrom(CLOUD_ODDS)
                .where(CLOUD_ODDS.PLACE_ID.eq(place).and(CLOUD_ODDS.ECLIPSE_DATE.eq(date)))
                .execute();
        percent.ifPresent(p -> db.insertInto(CLOUD_ODDS).values(place, date, p).execute());
    }
}
