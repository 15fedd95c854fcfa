package dev.halfdusk.app.practice;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.practice.Control;
import dev.halfdusk.core.practice.Exposed;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Stage;
import dev.halfdusk.core.practice.Verdict;
import dev.halfdusk.core.practice.Viewfinder;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Rounds of lessons: frames are taken, measured, kept, and judged together. */
@Component
public class Rounds {

    private static final String SPANS = "spans";
    private static final int MOST_FRAMES = 200;
    private static final int MOST_PRESSES = 60;
    private static final Range SECONDS = new Range("second", -60, 3600, " s");

    private final Courses courses;
    private final AskedReader reader;
    private final Learners learners;
    private final Negatives negatives;
    private final TransactionTemplate transactions;
    private final Clock clock;

    Rounds(
            Courses courses,
            AskedReader reader,
            Learners learners,
            Negatives negatives,
            TransactionTemplate transactions,
            Clock clock) {
        this.courses = courses;
        this.reader = reader;
        this.learners = learners;
        this.negatives = negatives;
        this.transactions = transactions;
        this.clock = clock;
    }

    /**
     * How the shutter was released.
     *
     * @param opens second of practice; empty: when the next frame is due
     * @param spans with the filter off
     */
    record Release(OptionalDouble opens, OptionalDouble held, List<double[]> spans) {

        static final Release PRESS = new Release(OptionalDouble.empty(), OptionalDouble.empty(), List.of());
    }

    /** As a form says; empty where it then holds a complaint. */
    static Optional<Release> release(Form form, Asked asked) {
        return switch (asked.lesson().hand()) {
            case PRESS -> Optional.of(Release.PRESS);
            case HELD -> held(form, asked.stage());
            case FILTER -> spans(form, SPANS).map(s -> new Release(middle(s), OptionalDouble.empty(), s));
        };
    }

    /** Of the longest: that is when one looks. */
    private static OptionalDouble middle(List<double[]> spans) {
        return spans.stream()
                .max(Comparator.comparingDouble(s -> s[1] - s[0]))
                .map(s -> OptionalDouble.of((s[0] + s[1]) / 2))
                .orElse(OptionalDouble.empty());
    }

    /** Of all presses that with most of a shell. */
    private static Optional<Release> held(Form form, Stage stage) {
        Optional<List<double[]>> presses = spans(form, "presses");
        if (presses.isEmpty()) {
            return Optional.empty();
        }
        Trainer round = stage.shells().orElseThrow().round();
        List<Trainer.Press> all =
                presses.get().stream().map(p -> new Trainer.Press(p[0], p[1])).toList();
        Optional<Trainer.Press> best = round.score(all).stream()
                .filter(s -> s.press().isPresent())
                .max(Comparator.comparingDouble(
                        s -> s.climb() + s.burst() + (s.verdict() == Trainer.Verdict.WHOLE ? 1 : 0)))
                .flatMap(Trainer.Scored::press)
                .or(() -> all.stream().findFirst());
        if (best.isEmpty()) {
            form.reject(
                    "presses",
                    "The shutter was never opened. Hold the button, or the space bar, from the launch until the burst fades.");
            return Optional.empty();
        }
        Trainer.Press p = best.get();
        return Optional.of(new Release(
                OptionalDouble.of(p.opens()), OptionalDouble.of(Math.max(0.1, p.closes() - p.opens())), List.of()));
    }

    /** "2.1,5.0;7,9"; empty after a complaint. */
    private static Optional<List<double[]>> spans(Form form, String field) {
        List<double[]> all = new ArrayList<>();
        for (String part : form.value(field).split(";")) {
            if (part.isBlank()) {
                continue;
            }
            String[] both = part.split(",");
            try {
                double from = SECONDS.check(Double.parseDouble(both[0]));
                double to = SECONDS.check(Double.parseDouble(both[1]));
                if (to < from || all.size() >= MOST_PRESSES) {
                    throw new IllegalArgumentException();
                }
                all.add(new double[] {from, to});
            } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
                form.reject(field, "These are no seconds from and to, " + SECONDS.allowed() + ": play it again.");
                return Optional.empty();
            }
        }
        return Optional.of(all);
    }

    /** Frames of the round that is open, or of the one that was passed last; what was put aside has none. */
    List<Learners.Frame> frames(Learners.Learner who, Lesson lesson) {
        return learners.last(who, lesson.key())
                .map(r -> learners.frames(r.id()))
                .orElse(List.of());
    }

    /** When the next frame opens. */
    double opens(Stage stage, List<Learners.Frame> frames) {
        return frames.size() * stage.apartSeconds();
    }

    byte[] picture(Lesson lesson, Learners.Frame f, Negatives.View view) {
        return negatives.picture(f.id(), view, () -> again(lesson, f));
    }

    Negatives.Counted counted(Lesson lesson, Learners.Frame f) {
        return negatives.counted(f.id(), () -> again(lesson, f));
    }

    private Exposed again(Lesson lesson, Learners.Frame f) {
        Asked asked = reader.of(lesson, f.asked(), f.rig());
        return exposed(asked, f.opens(), f.held());
    }

    private Exposed exposed(Asked asked, double opens, OptionalDouble held) {
        Viewfinder v = Viewfinder.at(asked.stage(), asked.dials(), opens);
        return Exposed.take(v, negatives.belief(v), held);
    }

    /**
     * Takes a frame and keeps it. A round that is passed has ended: the frame begins another.
     *
     * @return its number
     */
    public long expose(Learners.Learner someone, Asked as, Release release) {
        Asked asked = release.spans().isEmpty() ? as : as.with(as.dials().at(Control.FRONT, 0));
        Lesson l = asked.lesson();
        double opens = release.opens().orElseGet(() -> nextOpens(someone, asked));
        Exposed frame = exposed(asked, opens, release.held()).unfiltered(release.spans());
        Negatives.Measuring looked = negatives.measure(frame, () -> l.measure(frame));
        Map<String, String> set = new LinkedHashMap<>(asked.set());
        long id = transactions.execute(t -> {
            Learners.Learner who = learners.stored(someone);
            Learners.Round round = open(who, l).orElseGet(() -> learners.begin(who, l.key(), clock.instant()));
            long frameId = learners.add(
                    round.id(), new Learners.Frame(null, asked.rig(), opens, release.held(), set, looked.measured()));
            List<Learners.Frame> all = learners.frames(round.id());
            Verdict v = l.judge(all.stream().map(Learners.Frame::measured).toList());
            if (v.passed() || all.size() >= MOST_FRAMES) {
                learners.end(round.id(), v.passed(), extra(l, all), clock.instant());
            }
            return frameId;
        });
        negatives.keep(id, looked);
        return id;
    }

    private static int extra(Lesson l, List<Learners.Frame> taken) {
        return Math.max(0, taken.size() - l.frames());
    }

    /** The same by the names of things. */
    public long practise(Learners.Learner who, String lesson, Map<String, String> set) {
        Lesson l = courses.lesson(lesson).orElseThrow();
        return expose(who, reader.of(l, set, Optional.empty()), Release.PRESS);
    }

    private double nextOpens(Learners.Learner who, Asked asked) {
        return open(who, asked.lesson())
                .map(r -> opens(asked.stage(), learners.frames(r.id())))
                .orElse(0.0);
    }

    private Optional<Learners.Round> open(Learners.Learner who, Lesson l) {
        return who.id() == null
                ? Optional.empty()
                : learners.last(who, l.key()).filter(r -> r.ended().isEmpty());
    }

    /** Begins anew: an open round with frames is given up; a passed one is over already. */
    void end(Learners.Learner who, Lesson l) {
        transactions.executeWithoutResult(t -> {
            open(who, l)
                    .ifPresent(r -> learners.end(r.id(), false, extra(l, learners.frames(r.id())), clock.instant()));
            if (who.id() != null) {
                learners.forget(who, l.key());
            }
        });
    }
}
