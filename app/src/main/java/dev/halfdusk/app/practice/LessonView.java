package dev.halfdusk.app.practice;

import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.practice.Belief;
import dev.halfdusk.core.practice.Control;
import dev.halfdusk.core.practice.Course;
import dev.halfdusk.core.practice.Dials;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Measure;
import dev.halfdusk.core.practice.Measured;
import dev.halfdusk.core.practice.Verdict;
import dev.halfdusk.core.practice.Wheel;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A lesson, for its page.
 *
 * @param number of all
 * @param dials that may be turned
 * @param locked the others that matter, in words
 * @param needle what the camera believes
 * @param so far, the last frame first
 * @param next lesson, where this one is passed; empty after the last
 */
record LessonView(
        Lesson lesson,
        String scene,
        int number,
        int all,
        List<Dial> dials,
        String locked,
        Needle needle,
        List<SoFar> sofar,
        Verdict verdict,
        Optional<Shown> shown,
        List<Other> others,
        Optional<Lesson> next) {

    /** Neighbours to each side, fewer where their labels are long. */
    private static final int BESIDE = 2;

    private static final int LONG_LABEL = 4;
    private static final double SCALE_PX = 20;
    private static final double MIDDLE_PX = 70;

    /**
     * A control.
     *
     * @param beside its neighbours, itself among them
     */
    record Dial(
            Control control,
            String label,
            List<Stop> stops,
            List<Stop> beside,
            String unit,
            String keys,
            boolean wide) {}

    /** A position: its number, and the seconds or stops that it stands for. */
    record Stop(int index, String label, double value, boolean here) {}

    /**
     * @param x of its pointer on a scale of {@value #SCALE_PX} px a stop
     * @param seconds that the shutter will be open, as the camera has it
     */
    record Needle(double x, String words, boolean blinks, String mode, String set, double seconds) {}

    /** @param said what was measured that counts */
    record SoFar(int number, long id, String set, String said, boolean good) {}

    /** The frame that is looked at. */
    record Shown(int number, long id, String headline, String meter, HistogramPicture histogram, String peak) {}

    /** How a school does it. */
    record Other(String name, String set) {}

    static LessonView of(
            Course course,
            Asked asked,
            Belief belief,
            List<Learners.Frame> frames,
            Optional<Negatives.Counted> counted,
            Optional<Learners.Frame> looked) {
        Lesson l = asked.lesson();
        List<Measured> measured = frames.stream().map(Learners.Frame::measured).toList();
        Verdict verdict = l.judge(measured);
        int at = course.number(l);
        return new LessonView(
                l,
                course.stage(l).title(),
                at,
                course.lessons().size(),
                l.turned().stream().map(c -> dial(asked, c)).toList(),
                locked(asked),
                needle(asked, belief),
                sofar(l, frames, asked),
                verdict,
                looked.flatMap(f -> counted.map(d -> shown(l, frames, f, d))),
                verdict.passed() ? others(asked) : List.of(),
                verdict.passed() && at < course.lessons().size()
                        ? Optional.of(course.lessons().get(at))
                        : Optional.empty());
    }

    private static Dial dial(Asked asked, Control c) {
        Wheel wheel = asked.outfit().wheel(c);
        int here = asked.dials().position(c);
        List<Stop> stops = IntStream.range(0, wheel.positions().size())
                .mapToObj(i -> stop(wheel, i, here))
                .toList();
        int side = stops.get(here).label().length() >= LONG_LABEL ? 1 : BESIDE;
        int from = Math.max(0, Math.min(stops.size() - 2 * side - 1, here - side));
        List<Stop> beside = stops.subList(from, Math.min(stops.size(), from + 2 * side + 1));
        boolean wide = stops.get(here).label().length() > 7;
        return new Dial(
                c,
                c.words(),
                stops,
                beside,
                c == Control.SHUTTER && stops.get(here).label().matches("[0-9.]+") ? "s" : "",
                c.round() ? c.back() : c.back() + " " + c.on(),
                wide);
    }

    private static Stop stop(Wheel wheel, int i, int here) {
        Wheel.Position p = wheel.positions().get(i);
        return new Stop(i, p.label(), p.value(), i == here);
    }

    private static final List<Control> MATTER =
            List.of(Control.MODE, Control.SHUTTER, Control.APERTURE, Control.ISO, Control.METERING, Control.TIMER);

    private static String locked(Asked asked) {
        List<String> all = new ArrayList<>();
        for (Control c : MATTER) {
            if (!asked.lesson().turned().contains(c)) {
                all.add(c.words() + " " + asked.dials().label(c));
            }
        }
        return String.join(", ", all);
    }

    private static Needle needle(Asked asked, Belief b) {
        boolean beyond = Math.abs(b.needle()) > Belief.SCALE;
        return new Needle(
                MIDDLE_PX + SCALE_PX * b.shown(),
                b.tooDark() ? "too dark for the meter" : stood(b.needle()),
                b.tooDark() || beyond,
                asked.dials().label(Control.METERING),
                settings(b.dials()),
                b.dials().value(Control.SHUTTER));
    }

    private static final double ZERO = 0.17;

    /** Where it stands, in words. */
    private static String stood(double needle) {
        if (Math.abs(needle) < ZERO) {
            return "at zero";
        }
        String way = needle > 0 ? "over" : "under";
        return Math.abs(needle) > Belief.SCALE
                ? "beyond the scale, " + way
                : Numbers.text("%.1f stops %s", Math.abs(needle), way);
    }

    /** "1/125 f/8 ISO 1600". */
    static String settings(Dials d) {
        return d.label(Control.SHUTTER) + " f/" + d.label(Control.APERTURE) + " ISO " + d.label(Control.ISO);
    }

    private static String settings(Measured m) {
        Map<String, String> d = m.dials();
        return d.get(Control.SHUTTER.key()) + " f/" + d.get(Control.APERTURE.key()) + " ISO "
                + d.get(Control.ISO.key());
    }

    private static List<SoFar> sofar(Lesson l, List<Learners.Frame> frames, Asked asked) {
        List<SoFar> all = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            Measured m = frames.get(i).measured();
            all.add(new SoFar(i + 1, frames.get(i).id(), settings(m) + others(l, m, asked), off(m), l.good(m)));
        }
        return all;
    }

    /** What else is turned in this lesson. */
    private static String others(Lesson l, Measured m, Asked asked) {
        List<String> all = new ArrayList<>();
        for (Control c : l.turned()) {
            boolean light = c == Control.SHUTTER || c == Control.APERTURE || c == Control.ISO;
            if (!light
                    && !m.dials()
                            .get(c.key())
                            .equals(asked.lesson().begin(asked.outfit()).label(c))) {
                all.add(c.words() + " " + m.dials().get(c.key()));
            }
        }
        return all.isEmpty() ? "" : ", " + String.join(", ", all);
    }

    /** By how much it is over, where that is reckoned; what the needle said otherwise. */
    private static String off(Measured m) {
        Double over = m.values().get(Measure.OVER.key());
        return over == null ? "" : Numbers.text("%+.1f", over).replace('-', '\u2212');
    }

    private static Shown shown(Lesson l, List<Learners.Frame> frames, Learners.Frame f, Negatives.Counted d) {
        double needle = f.measured().values().getOrDefault(Measure.NEEDLE.key(), 0.0);
        int number = frames.indexOf(f) + 1;
        String meter = "The meter stood " + stood(needle) + ".";
        return new Shown(number, f.id(), l.said(f.measured()), meter, d.histogram(), d.peak());
    }

    private static List<Other> others(Asked asked) {
        Lesson l = asked.lesson();
        return l.schools().stream()
                .map(s -> new Other(s.name(), Lesson.words(s)))
                .toList();
    }
}
