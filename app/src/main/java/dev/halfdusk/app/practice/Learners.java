package dev.halfdusk.app.practice;

import static dev.halfdusk.app.db.Tables.LEARNER;
import static dev.halfdusk.app.db.Tables.PRACTICE_DRILL;
import static dev.halfdusk.app.db.Tables.PRACTICE_FRAME;
import static dev.halfdusk.app.db.Tables.PRACTICE_ROUND;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.db.tables.records.PracticeFrameRecord;
import dev.halfdusk.app.kit.KeptRig;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.practice.Mastery;
import dev.halfdusk.core.practice.Measured;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Who practises, and what came of it. */
@Repository
@Transactional(readOnly = true)
public class Learners {

    /** Who practises where nobody has said a name. */
    public static final String SOMEONE = "Someone";

    public static final int LONGEST_NAME = 60;

    private final DSLContext db;
    private final ObjectMapper json;

    Learners(DSLContext db, ObjectMapper json) {
        this.db = db;
        this.json = json;
    }

    /** @param id null where nobody has practised yet */
    public record Learner(Long id, String name) {}

    /** @param ended empty while it goes on */
    public record Round(long id, String lesson, Instant began, Optional<Instant> ended, boolean passed, int extra) {}

    /**
     * A frame of a round.
     *
     * @param rig own one that it was taken with, as it was then
     * @param asked how the dials were set, by key
     */
    public record Frame(
            Long id,
            Optional<NamedRig> rig,
            double opens,
            OptionalDouble held,
            Map<String, String> asked,
            Measured measured) {}

    /** @param solved tasks of it that were right */
    public record Drill(Kind kind, Instant ended, int tasks, int solved, double stopsOff, double seconds) {

        /** What was drilled. */
        public enum Kind {
            BLIND,
            CHANGE;

            String key() {
                return name().toLowerCase(Locale.ROOT);
            }

            static Optional<Kind> of(String key) {
                return Arrays.stream(values()).filter(k -> k.key().equals(key)).findFirst();
            }
        }
    }

    public List<Learner> all() {
        return db.selectFrom(LEARNER)
                .where(LEARNER.DELETED_AT.isNull())
                .orderBy(LEARNER.ID)
                .fetch(r -> new Learner(r.getId(), r.getName()));
    }

    /** The one of that number, or the first there is, or someone. */
    public Learner of(Optional<Long> id) {
        List<Learner> all = all();
        return all.stream()
                .filter(l -> id.map(l.id::equals).orElse(false))
                .findFirst()
                .or(() -> all.stream().findFirst())
                .orElse(new Learner(null, SOMEONE));
    }

    /** Whom a browser's cookie names. */
    public Learner who(String cookie) {
        return of(Form.idIn(Optional.ofNullable(cookie)));
    }

    /** Of that name, new where there is none; who was deleted comes back. */
    @Transactional
    public Learner named(String name) {
        db.insertInto(LEARNER)
                .set(LEARNER.NAME, name)
                .onConflict(LEARNER.NAME)
                .doUpdate()
                .setNull(LEARNER.DELETED_AT)
                .execute();
        return db.selectFrom(LEARNER).where(LEARNER.NAME.eq(name)).fetchOne(r -> new Learner(r.getId(), r.getName()));
    }

    /** @return whether the name was free; those that were deleted keep theirs, to come back under it */
    @Transactional
    public boolean rename(Learner learner, String name) {
        boolean taken = db.fetchExists(LEARNER, LEARNER.NAME.eq(name).and(LEARNER.ID.ne(learner.id)));
        if (!taken) {
            db.update(LEARNER)
                    .set(LEARNER.NAME, name)
                    .where(LEARNER.ID.eq(learner.id))
                    .execute();
        }
        return !taken;
    }

    @Transactional
    public Learner stored(Learner learner) {
        return learner.id == null ? named(learner.name) : learner;
    }

    /** All rounds, in the order of their time. */
    public List<Round> rounds(Learner learner) {
        return learner.id == null
                ? List.of()
                : db.selectFrom(PRACTICE_ROUND)
                        .where(PRACTICE_ROUND.LEARNER_ID.eq(learner.id))
                        .orderBy(PRACTICE_ROUND.BEGAN_AT, PRACTICE_ROUND.ID)
                        .fetch(r -> new Round(
                                r.getId(),
                                r.getLesson(),
                                r.getBeganAt(),
                                Optional.ofNullable(r.getEndedAt()),
                                r.getPassed(),
                                r.getExtra().intValue()));
    }

    /** How sure one is of each lesson that was ended once. */
    public Map<String, Mastery> mastery(Learner learner, Instant now) {
        Map<String, List<Mastery.Round>> byLesson = new LinkedHashMap<>();
        for (Round r : rounds(learner)) {
            r.ended.ifPresent(at -> byLesson.computeIfAbsent(r.lesson, k -> new ArrayList<>())
                    .add(new Mastery.Round(at, r.extra, r.passed)));
        }
        Map<String, Mastery> all = new LinkedHashMap<>();
        byLesson.forEach((lesson, rounds) -> all.put(lesson, Mastery.of(rounds, now)));
        return all;
    }

    /** The last round of a lesson. */
    public Optional<Round> last(Learner learner, String lesson) {
        return rounds(learner).stream().filter(r -> r.lesson.equals(lesson)).reduce((a, b) -> b);
    }

    /** Begins one; frames of earlier rounds of that lesson are kept no longer. */
    @Transactional
    public Round begin(Learner learner, String lesson, Instant now) {
        forget(learner, lesson);
        long id = db.insertInto(PRACTICE_ROUND)
                .set(PRACTICE_ROUND.LEARNER_ID, learner.id)
                .set(PRACTICE_ROUND.LESSON, lesson)
                .set(PRACTICE_ROUND.BEGAN_AT, now)
                .returning(PRACTICE_ROUND.ID)
                .fetchOne()
                .getId();
        return new Round(id, lesson, now, Optional.empty(), false, 0);
    }

    /** A round that is over, as it was elsewhere; frames of an open one stay. */
    @Transactional
    public void add(Learner learner, Round r) {
        db.insertInto(PRACTICE_ROUND)
                .set(PRACTICE_ROUND.LEARNER_ID, learner.id)
                .set(PRACTICE_ROUND.LESSON, r.lesson)
                .set(PRACTICE_ROUND.BEGAN_AT, r.began)
                .set(PRACTICE_ROUND.ENDED_AT, r.ended.orElseThrow())
                .set(PRACTICE_ROUND.PASSED, r.passed)
                .set(PRACTICE_ROUND.EXTRA, (long) r.extra)
                .execute();
    }

    @Transactional
    public void end(long round, boolean passed, int extra, Instant now) {
        db.update(PRACTICE_ROUND)
                .set(PRACTICE_ROUND.ENDED_AT, now)
                .set(PRACTICE_ROUND.PASSED, passed)
                .set(PRACTICE_ROUND.EXTRA, (long) extra)
                .where(PRACTICE_ROUND.ID.eq(round).and(PRACTICE_ROUND.ENDED_AT.isNull()))
                .execute();
    }

    /** Frames of a lesson that was put aside are kept no longer; what came of its rounds is. */
    @Transactional
    public void forget(Learner learner, String lesson) {
        db.deleteFrom(PRACTICE_FRAME)
                .where(PRACTICE_FRAME.ROUND_ID.in(db.select(PRACTICE_ROUND.ID)
                        .from(PRACTICE_ROUND)
                        .where(PRACTICE_ROUND.LEARNER_ID.eq(learner.id).and(PRACTICE_ROUND.LESSON.eq(lesson)))))
                .execute();
    }

    public List<Frame> frames(long round) {
        return db.selectFrom(PRACTICE_FRAME)
                .where(PRACTICE_FRAME.ROUND_ID.eq(round))
                .orderBy(PRACTICE_FRAME.ID)
                .fetch(this::frame);
    }

    public Optional<Frame> frame(long id) {
        return db.selectFrom(PRACTICE_FRAME).where(PRACTICE_FRAME.ID.eq(id)).fetchOptional(this::frame);
    }

    /** The lesson that a frame was taken for. */
    public Optional<String> lessonOf(long frame) {
        return db.select(PRACTICE_ROUND.LESSON)
                .from(PRACTICE_FRAME)
                .join(PRACTICE_ROUND)
                .on(PRACTICE_ROUND.ID.eq(PRACTICE_FRAME.ROUND_ID))
                .where(PRACTICE_FRAME.ID.eq(frame))
                .fetchOptional(PRACTICE_ROUND.LESSON);
    }

    @Transactional
    public long add(long round, Frame f) {
        return db.insertInto(PRACTICE_FRAME)
                .set(PRACTICE_FRAME.ROUND_ID, round)
                .set(PRACTICE_FRAME.RIG, f.rig.map(KeptRig::text).orElse(null))
                .set(PRACTICE_FRAME.OPENS, f.opens)
                .set(PRACTICE_FRAME.HELD, f.held.isPresent() ? f.held.getAsDouble() : null)
                .set(PRACTICE_FRAME.ASKED, text(f.asked))
                .set(PRACTICE_FRAME.MEASURED, text(f.measured))
                .returning(PRACTICE_FRAME.ID)
                .fetchOne()
                .getId();
    }

    private Frame frame(PracticeFrameRecord r) {
        try {
            return new Frame(
                    r.getId(),
                    Optional.ofNullable(r.getRig()).map(KeptRig::read),
                    r.getOpens(),
                    r.getHeld() == null ? OptionalDouble.empty() : OptionalDouble.of(r.getHeld()),
                    json.readValue(r.getAsked(), new TypeReference<Map<String, String>>() {}),
                    json.readValue(r.getMeasured(), Measured.class));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("frame " + r.getId() + " of practice cannot be read", e);
        }
    }

    private String text(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    @Transactional
    public void add(Learner learner, Drill d) {
        add(learner, d, null);
    }

    /** One task by its number, which counts as it was answered first. */
    @Transactional
    public void addOnce(Learner learner, Drill d, long task) {
        add(learner, d, task);
    }

    private void add(Learner learner, Drill d, Long task) {
        db.insertInto(PRACTICE_DRILL)
                .set(PRACTICE_DRILL.LEARNER_ID, learner.id)
                .set(PRACTICE_DRILL.KIND, d.kind.key())
                .set(PRACTICE_DRILL.ENDED_AT, d.ended)
                .set(PRACTICE_DRILL.TASKS, (long) d.tasks)
                .set(PRACTICE_DRILL.SOLVED, (long) d.solved)
                .set(PRACTICE_DRILL.STOPS_OFF, d.stopsOff)
                .set(PRACTICE_DRILL.SECONDS, d.seconds)
                .set(PRACTICE_DRILL.TASK, task)
                .onConflictDoNothing()
                .execute();
    }

    /** All drills, in the order of their time. */
    public List<Drill> drills(Learner learner) {
        if (learner.id == null) {
            return List.of();
        }
        return db.selectFrom(PRACTICE_DRILL)
                .where(PRACTICE_DRILL.LEARNER_ID.eq(learner.id))
                .orderBy(PRACTICE_DRILL.ENDED_AT, PRACTICE_DRILL.ID)
                .fetch(r -> new Drill(
                        Drill.Kind.of(r.getKind()).orElseThrow(),
                        r.getEndedAt(),
                        r.getTasks().intValue(),
                        r.getSolved().intValue(),
                        r.getStopsOff(),
                        r.getSeconds()));
    }
}
