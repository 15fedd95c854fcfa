package dev.halfdusk.app.learned;

import static dev.halfdusk.app.db.Tables.HABIT;

import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Take;
import java.util.Map;
import java.util.OptionalDouble;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** One's own way beyond single takes: how long one sets up, how much brighter one likes a subject. */
@Repository
@Transactional(readOnly = true)
public class Habits {

    public static final String SET_UP = "set-up";
    public static final String DANJON = "danjon";

    /** Begins the name of that of a subject. */
    public static final String OFFSET = "offset ";

    private final DSLContext db;

    Habits(DSLContext db) {
        this.db = db;
    }

    /** Minutes to the first frame of a rig. */
    public OptionalDouble setUp() {
        return get(SET_UP);
    }

    /** Darkness that a totality of the moon is expected to have. */
    public OptionalDouble danjon() {
        return get(DANJON);
    }

    /** Stops by which a subject is exposed otherwise than proposed. */
    public OptionalDouble offset(String subject) {
        return get(OFFSET + subject);
    }

    @Transactional
    public void setUp(OptionalDouble minutes) {
        set(SET_UP, minutes);
    }

    @Transactional
    public void danjon(OptionalDouble value) {
        set(DANJON, value);
    }

    @Transactional
    public void offset(String subject, OptionalDouble stops) {
        set(OFFSET + subject, stops);
    }

    /** All that there are, by name. */
    public Map<String, Double> all() {
        return db.selectFrom(HABIT).fetchMap(HABIT.WHAT, HABIT.VALUE);
    }

    private OptionalDouble get(String what) {
        return db.selectFrom(HABIT)
                .where(HABIT.WHAT.eq(what))
                .fetchOptional()
                .map(r -> OptionalDouble.of(r.getValue()))
                .orElse(OptionalDouble.empty());
    }

    private void set(String what, OptionalDouble value) {
        if (value.isEmpty()) {
            db.deleteFrom(HABIT).where(HABIT.WHAT.eq(what)).execute();
        } else {
            db.insertInto(HABIT)
                    .set(HABIT.WHAT, what)
                    .set(HABIT.VALUE, value.getAsDouble())
                    .onConflict(HABIT.WHAT)
                    .doUpdate()
                    .set(HABIT.VALUE, value.getAsDouble())
                    .execute();
        }
    }

    /** How long work around a take takes such people. */
    public WorkTimes workTimes(int people) {
        OptionalDouble minutes = setUp();
        WorkTimes usual = WorkTimes.USUAL.with(people);
        return minutes.isPresent() ? usual.ready(minutes.getAsDouble()) : usual;
    }

    /** A take that is new, exposed as its owner likes it. */
    public Take of(Take take) {
        Take expected = take;
        OptionalDouble dark = danjon();
        if (take.subject() instanceof EclipsedMoon moon && dark.isPresent()) {
            expected = take.with(moon.dark(dark.getAsDouble()));
        }
        OptionalDouble stops = offset(take.subject().kind().key());
        return stops.isPresent()
                ? expected.subject().shifted(stops.getAsDouble(), expected).orElse(expected)
                : expected;
    }
}
