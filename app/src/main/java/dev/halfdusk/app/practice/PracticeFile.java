package dev.halfdusk.app.practice;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.practice.Learners.Drill;
import dev.halfdusk.app.practice.Learners.Learner;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.measure.Range;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who practises and what came of it, as a file. Frames of a round that is open are not in it: they can be taken again. */
@Component
public class PracticeFile {

    private static final String FORMAT = "half-dusk-practice";
    private static final int VERSION = 1;
    private static final int MOST = 100_000;
    private static final Pattern LESSON = Pattern.compile("[a-z0-9]+(?:-[a-z0-9]+)*");
    private static final Range EXTRA = new Range("extra", -100, 1000, "");
    private static final Range TASKS = new Range("tasks", 1, 100, "");
    private static final Range SOLVED = new Range("solved", 0, 100, "");
    private static final Range AMOUNT = new Range("amount", 0, 100_000, "");
    private static final Instant FIRST = Instant.parse("2000-01-01T00:00:00Z");
    private static final Instant LAST = Instant.parse("2060-01-01T00:00:00Z");

    private final Learners learners;
    private final ObjectMapper json;

    PracticeFile(Learners learners, ObjectMapper json) {
        this.learners = learners;
        this.json = json;
    }

    /** @param extra frames beyond those that the lesson needs */
    record RoundOf(String lesson, Instant began, Instant ended, boolean passed, int extra) {}

    record DrillOf(String kind, Instant ended, int tasks, int solved, double stopsOff, double seconds) {}

    record LearnerOf(String name, List<RoundOf> rounds, List<DrillOf> drills) {}

    record PracticeOf(String format, int version, List<LearnerOf> learners) {}

    public static boolean isPractice(JsonNode tree) {
        return FORMAT.equals(tree.path("format").asText());
    }

    /** Empty where nobody has practised. */
    @Transactional(readOnly = true)
    public Optional<ObjectNode> tree() {
        List<LearnerOf> all = learners.all().stream().map(this::of).toList();
        return all.isEmpty() ? Optional.empty() : Optional.of(json.valueToTree(new PracticeOf(FORMAT, VERSION, all)));
    }

    private LearnerOf of(Learner l) {
        return new LearnerOf(
                l.name(),
                learners.rounds(l).stream()
                        .filter(r -> r.ended().isPresent())
                        .map(r -> new RoundOf(r.lesson(), r.began(), r.ended().get(), r.passed(), r.extra()))
                        .toList(),
                learners.drills(l).stream()
                        .map(d -> new DrillOf(
                                d.kind().key(), d.ended(), d.tasks(), d.solved(), d.stopsOff(), d.seconds()))
                        .toList());
    }

    /** Rounds and drills that are not here are added, as far as that is wanted; nothing is taken away. */
    public List<Imported> read(JsonNode root, Imported.Wanted wanted) {
        try {
            PracticeOf file = json.convertValue(root, PracticeOf.class);
            if (!FORMAT.equals(file.format) || file.version != VERSION || file.learners == null) {
                throw new IllegalArgumentException("This is no practice of version " + VERSION + ".");
            }
            List<Imported> all = new ArrayList<>();
            for (LearnerOf l : file.learners) {
                all.add(read(checked(l), wanted));
            }
            return all;
        } catch (IllegalArgumentException e) {
            return List.of(new Imported("practice", "lessons and drills", Imported.State.REFUSED, reason(e)));
        }
    }

    private static String reason(IllegalArgumentException e) {
        return e.getCause() == null ? e.getMessage() : "Its fields are not those of a practice file.";
    }

    private Imported read(LearnerOf l, Imported.Wanted wanted) {
        Optional<Learner> here =
                learners.all().stream().filter(x -> x.name().equals(l.name)).findFirst();
        LearnerOf now = here.map(this::written).orElse(new LearnerOf(l.name, List.of(), List.of()));
        boolean same = missing(l.rounds, now.rounds).isEmpty()
                && missing(l.drills, now.drills).isEmpty();
        Imported.State state = Imported.State.of(here.isPresent(), same);
        if (wanted.stores(state)) {
            Learner who = learners.named(l.name);
            LearnerOf has = written(who); // somebody deleted comes back with what was there
            missing(l.rounds, has.rounds)
                    .forEach(r -> learners.add(
                            who, new Learners.Round(0, r.lesson, r.began, Optional.of(r.ended), r.passed, r.extra)));
            missing(l.drills, has.drills)
                    .forEach(d -> learners.add(
                            who,
                            new Drill(
                                    Drill.Kind.of(d.kind).orElseThrow(),
                                    d.ended,
                                    d.tasks,
                                    d.solved,
                                    d.stopsOff,
                                    d.seconds)));
        }
        return Imported.of("practice", l.name, state);
    }

    /** As a file has them: times to the millisecond, where storage has them to the clock's last digit. */
    private LearnerOf written(Learner l) {
        return json.convertValue(json.valueToTree(of(l)), LearnerOf.class);
    }

    private static <T> List<T> missing(List<T> told, List<T> here) {
        Set<T> known = new HashSet<>(here);
        return told.stream().filter(known::add).toList();
    }

    private static LearnerOf checked(LearnerOf l) {
        if (l == null
                || l.name == null
                || l.name.isBlank()
                || l.name.length() > Learners.LONGEST_NAME
                || l.rounds == null
                || l.drills == null
                || l.rounds.size() > MOST
                || l.drills.size() > MOST) {
            throw new IllegalArgumentException(
                    "Each who practises has a name of up to " + Learners.LONGEST_NAME + " letters, rounds and drills.");
        }
        for (RoundOf r : l.rounds) {
            if (r.lesson == null
                    || r.lesson.length() > Learners.LONGEST_NAME
                    || !LESSON.matcher(r.lesson).matches()) {
                throw new IllegalArgumentException("A lesson is small letters, digits and hyphens.");
            }
            checked(r.began);
            checked(r.ended);
            EXTRA.check(r.extra);
        }
        for (DrillOf d : l.drills) {
            if (Drill.Kind.of(d.kind).isEmpty()) {
                throw new IllegalArgumentException("A drill is blind or change.");
            }
            checked(d.ended);
            TASKS.check(d.tasks);
            SOLVED.upTo(d.tasks).check(d.solved);
            AMOUNT.check(d.stopsOff);
            AMOUNT.check(d.seconds);
        }
        return l;
    }

    private static void checked(Instant at) {
        if (at == null || at.isBefore(FIRST) || at.isAfter(LAST)) {
            throw new IllegalArgumentException("Times lie between 2000 and 2059.");
        }
    }
}
