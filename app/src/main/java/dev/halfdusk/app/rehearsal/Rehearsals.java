package dev.halfdusk.app.rehearsal;

import static dev.halfdusk.app.db.Tables.REHEARSAL;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.db.tables.records.RehearsalRecord;
import dev.halfdusk.core.camera.Rehearsal.Kind;
import dev.halfdusk.core.measure.Instants;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The clocks of rehearsals. What was shot is not stored: it follows, the same every time, from what is. */
@Repository
@Transactional(readOnly = true)
class Rehearsals {

    static final List<Integer> SPEEDS = List.of(0, 1, 10, 60);

    private final DSLContext db;
    private final ObjectMapper json;
    private final Clock clock;

    Rehearsals(DSLContext db, ObjectMapper json, Clock clock) {
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    /** Something that happened to a camera, by its number: its position changes when another one is deleted. */
    record Broken(Instant when, long camera, Kind kind) {}

    /**
     * A rehearsal that has been begun.
     *
     * @param begins what its clock showed first
     * @param shown what it showed at the instant it was last set
     * @param set that instant
     * @param speed by which it goes faster than time, 0 standing still
     */
    record Running(Instant begins, Instant shown, Instant set, int speed, List<Broken> happenings) {

        Instant at(Instant now) {
            return Instants.after(shown, speed * Math.max(0, Instants.seconds(set, now)));
        }
    }

    /** As it is written: in milliseconds, so that it can be read by anyone. */
    private record Written(String at, long camera, String what) {}

    Optional<Running> find(long plan) {
        return Optional.ofNullable(db.fetchOne(REHEARSAL, REHEARSAL.PLAN_ID.eq(plan)))
                .map(r -> new Running(
                        r.getBeginsAt(),
                        r.getShownAt(),
                        r.getSetAt(),
                        r.getSpeed().intValue(),
                        happenings(r)));
    }

    private List<Broken> happenings(RehearsalRecord r) {
        try {
            return json.readValue(r.getHappenings(), new TypeReference<List<Written>>() {}).stream()
                    .map(w -> new Broken(Instant.parse(w.at), w.camera, Kind.valueOf(w.what)))
                    .toList();
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored rehearsal cannot be read", e);
        }
    }

    /** Begins anew, standing or running. */
    @Transactional
    void begin(long plan, Instant shown, int speed) {
        save(plan, new Running(shown, shown, clock.instant(), speed, List.of()));
    }

    @Transactional
    void speed(long plan, int speed) {
        find(plan).ifPresent(r -> {
            Instant now = clock.instant();
            save(plan, new Running(r.begins, r.at(now), now, speed, r.happenings));
        });
    }

    /** Something happens now. */
    @Transactional
    void happen(long plan, long camera, Kind kind) {
        find(plan).ifPresent(r -> {
            List<Broken> all = new ArrayList<>(r.happenings);
            all.add(new Broken(r.at(clock.instant()), camera, kind));
            save(plan, new Running(r.begins, r.shown, r.set, r.speed, all));
        });
    }

    @Transactional
    void end(long plan) {
        db.deleteFrom(REHEARSAL).where(REHEARSAL.PLAN_ID.eq(plan)).execute();
    }

    private void save(long plan, Running running) {
        RehearsalRecord r = db.newRecord(REHEARSAL);
        r.setPlanId(plan);
        r.setBeginsAt(running.begins);
        r.setShownAt(running.shown);
        r.setSetAt(running.set);
        r.setSpeed((long) running.speed);
        try {
            r.setHappenings(json.writeValueAsString(running.happenings.stream()
                    .map(h -> new Written(
                            h.when().toString(), h.camera(), h.kind().name()))
                    .toList()));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
        db.insertInto(REHEARSAL).set(r).onDuplicateKeyUpdate().set(r).execute();
    }
}
