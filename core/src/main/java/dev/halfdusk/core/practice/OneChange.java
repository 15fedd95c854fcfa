package dev.halfdusk.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * "What would you change?": a frame with one thing wrong, and changes to choose from. Which of them is right is found by taking the frame again with
 * each of them.
 *
 * @param mistake by which the frame was taken
 * @param options one change each
 */
public record OneChange(Lesson lesson, Lesson.Tried mistake, List<Option> options) {

    private static final int MOST = 5;
    private static final int STOP = 3;

    /**
     * One dial turned.
     *
     * @param to the label it then shows
     */
    public record Option(Control control, String from, String to) {

        public String words() {
            return control.words() + " " + from + " \u2192 " + to;
        }
    }

    /**
     * @param right whether what was wrong is wrong no more
     * @param verdict of the frame taken again
     */
    public record Answer(Option option, boolean right, Verdict verdict) {}

    public OneChange {
        options = List.copyOf(options);
    }

    /** One that suits: of a lesson with single frames, with a mistake that one dial mends. The same for the same seed. */
    public static OneChange of(Course course, long seed) {
        List<OneChange> all = new ArrayList<>();
        for (Lesson lesson : course.lessons()) {
            if (lesson.frames() > 1 || lesson.hand() != Lesson.Hand.PRESS) {
                continue;
            }
            for (Lesson.Tried mistake : lesson.mistakes()) {
                if (mends(lesson, mistake).size() > 0) {
                    all.add(new OneChange(lesson, mistake, List.of()));
                }
            }
        }
        Random random = new Random(seed * 7919 + 13);
        OneChange chosen = all.get(Math.floorMod((int) (seed * 37 + 5), all.size()));
        return new OneChange(chosen.lesson, chosen.mistake, options(chosen.lesson, chosen.mistake, random));
    }

    private static Dials dials(Lesson lesson, Lesson.Tried tried) {
        return lesson.begin(lesson.outfit()).with(tried.sets().get(0));
    }

    /** Schools from which the mistake differs by one control that counts. */
    private static List<Option> mends(Lesson lesson, Lesson.Tried mistake) {
        Dials wrong = dials(lesson, mistake);
        List<Option> all = new ArrayList<>();
        for (Lesson.Tried school : lesson.schools()) {
            Map<Control, String> differ = dials(lesson, school).differing(wrong);
            if (differ.size() == 1) {
                Control c = differ.keySet().iterator().next();
                all.add(new Option(c, wrong.label(c), differ.get(c)));
            }
        }
        return all;
    }

    private static List<Option> options(Lesson lesson, Lesson.Tried mistake, Random random) {
        Dials wrong = dials(lesson, mistake);
        List<Option> all = new ArrayList<>(mends(lesson, mistake).subList(0, 1));
        for (Control c : offered(lesson)) {
            for (int clicks : new int[] {STOP, -STOP}) {
                Dials turned = wrong.turned(c, c.round() ? Integer.signum(clicks) : clicks);
                Option o = new Option(c, wrong.label(c), turned.label(c));
                boolean same =
                        turned.position(c) == wrong.position(c) || all.stream().anyMatch(a -> like(a, o, wrong));
                if (!same && all.size() < MOST) {
                    all.add(o);
                }
            }
        }
        Collections.shuffle(all, random);
        return all;
    }

    /** What the lesson lets be turned, then the dials that everybody thinks of. */
    private static List<Control> offered(Lesson lesson) {
        List<Control> all = new ArrayList<>(lesson.turned());
        for (Control c : List.of(Control.SHUTTER, Control.ISO, Control.APERTURE, Control.FOCUS)) {
            if (!all.contains(c)) {
                all.add(c);
            }
        }
        return all;
    }

    /** Whether both turn one dial the same way. */
    private static boolean like(Option a, Option b, Dials from) {
        if (a.control != b.control) {
            return false;
        }
        Wheel w = from.outfit().wheel(a.control);
        int at = from.position(a.control);
        return Integer.signum(w.find(a.to) - at) == Integer.signum(w.find(b.to) - at);
    }

    /** The frame as it was taken. */
    public Exposed frame(Course course) {
        return Play.exposures(course, lesson, mistake).get(0);
    }

    /** With one of the changes. */
    public Exposed changed(Course course, Option option) {
        Dials d = dials(lesson, mistake).with(Map.of(option.control.key(), option.to));
        return Exposed.take(course.stage(lesson), d, 0, OptionalDouble.empty());
    }

    /** What came of a change. */
    public Answer answer(Course course, Option option) {
        Verdict now = lesson.judge(List.of(lesson.measure(changed(course, option))));
        return new Answer(option, now.passed() || now.missed() > mistake.hint(), now);
    }
}
