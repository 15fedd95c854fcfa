package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.optics.Rig;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * One thing to learn: a task before a stage, judged by measuring the frames that are taken. One file describes it, with how schools pass it and what
 * goes wrong typically.
 *
 * @param key file name without its number and ending
 * @param part of the course
 * @param outfit what it is practised with where nobody has an own one that fits
 * @param ownFocal focal lengths of an own lens that would do, mm; empty where only its own outfit serves
 * @param start where the dials stand
 * @param turned what may be turned; the rest is locked
 * @param frames that are judged together
 * @param atFullSize whether the light table looks at the middle at full size
 * @param hand how the shutter is released: by a press, held open by hand, or a filter taken off and put on
 * @param wants in the order in which they are looked at
 * @param why what one has learned when it is passed
 */
public record Lesson(
        String key,
        String title,
        String part,
        String stage,
        Outfit outfit,
        Optional<double[]> ownFocal,
        Map<String, String> start,
        List<Control> turned,
        int frames,
        boolean atFullSize,
        Hand hand,
        String task,
        String why,
        Optional<String> caution,
        List<Want> wants,
        List<Tried> schools,
        List<Tried> mistakes) {

    /** How the shutter is released. */
    public enum Hand {
        PRESS,
        HELD,
        FILTER
    }

    /**
     * A way to go about it.
     *
     * @param sets dials of each frame, beyond the start
     * @param held seconds open, counted from a launch and to its fading
     * @param open spans in which the filter is off, seconds after it may come off and before it must be on
     * @param hint the want that is not met; −1 where all are
     */
    public record Tried(
            String name, List<Map<String, String>> sets, Optional<double[]> held, Optional<double[]> open, int hint) {}

    public Lesson {
        start = Map.copyOf(start);
        turned = List.copyOf(turned);
        wants = List.copyOf(wants);
        schools = List.copyOf(schools);
        mistakes = List.copyOf(mistakes);
    }

    static Lesson read(String key, String yaml) {
        Description d = Description.read(key, yaml);
        Description kit = d.part("kit").orElseThrow(() -> new IllegalStateException(key + " has no kit"));
        return new Lesson(
                key,
                d.text("title"),
                d.text("part"),
                d.text("scene"),
                outfit(kit),
                kit.number("ownFrom").isPresent()
                        ? Optional.of(new double[] {kit.number("ownFrom", 0), kit.number("ownTo", 0)})
                        : Optional.empty(),
                d.part("start").map(Description::words).orElse(Map.of()),
                d.some("turn", Control.class),
                (int) d.number("frames", 1),
                d.maybe("look").map("full size"::equals).orElse(false),
                d.one("hand", Hand.class, Hand.PRESS),
                d.text("task"),
                d.text("why"),
                d.maybe("caution"),
                d.parts("wants").stream().map(Want::read).toList(),
                d.parts("schools").stream().map(s -> tried(s, -1)).toList(),
                d.parts("mistakes").stream()
                        .map(m -> tried(m, (int) m.number("hint", 1) - 1))
                        .toList());
    }

    private static Outfit outfit(Description kit) {
        double mm = kit.number("mm", 24);
        Outfit plain = Outfit.of(
                kit.one("sensor", Outfit.SensorSize.class, Outfit.SensorSize.FULL),
                mm,
                kit.number("to", mm),
                kit.number("widest", 2.8));
        return kit.number("film").isEmpty()
                ? plain
                : Outfit.of(
                        "ISO " + (int) kit.number("film", 800) + " film, " + (int) mm + " mm",
                        plain.rig(),
                        Optional.of(new Film(kit.number("film", 800), kit.number("exponent", 1.3))));
    }

    private static Tried tried(Description d, int hint) {
        List<Map<String, String>> sets =
                d.parts("frames").stream().map(Description::words).toList();
        return new Tried(
                d.text("name"),
                sets.isEmpty() ? List.of(d.part("set").map(Description::words).orElse(Map.of())) : sets,
                d.part("held").map(h -> new double[] {h.number("before", 0), h.number("after", 0)}),
                d.part("open").map(o -> new double[] {o.number("after", 0), o.number("before", 0)}),
                hint);
    }

    /** The dials as it begins, on its own outfit or on another. */
    public Dials begin(Outfit with) {
        Dials all = Dials.of(with);
        for (Map.Entry<String, String> e : start.entrySet()) {
            all = said(all, e.getKey(), e.getValue());
        }
        return all;
    }

    /** An own camera may not have that very click: the nearest then. */
    private Dials said(Dials all, String key, String value) {
        try {
            return all.with(Map.of(key, value));
        } catch (Wheel.NoSuchPosition e) {
            if (all.outfit().equals(outfit)) {
                throw e;
            }
            Control c = Control.valueOf(key.toUpperCase(Locale.ROOT));
            return all.nearest(c, Dials.of(outfit).with(Map.of(key, value)).value(c));
        }
    }

    /** Whether an own rig would do. */
    public boolean fits(Rig rig) {
        return ownFocal.filter(mm -> rig.focalMm(rig.lens().shortestMm()) <= mm[1]
                                && rig.focalMm(rig.lens().longestMm()) >= mm[0])
                        .isPresent()
                && rig.lens().electronic()
                && !rig.darkened();
    }

    /** Only what may be turned is; the rest stays as it was to begin with. */
    public Dials allowed(Dials wanted) {
        Dials all = begin(wanted.outfit());
        for (Control c : turned) {
            all = all.at(c, wanted.position(c));
        }
        return all;
    }

    /** What is measured on a frame. */
    public Measured measure(Exposed frame) {
        return Measured.of(this, frame);
    }

    /** What came of the frames so far: the last ones of them are judged together. */
    public Verdict judge(List<Measured> all) {
        if (all.isEmpty()) {
            return Verdict.NOTHING;
        }
        List<Measured> last = all.subList(Math.max(0, all.size() - frames), all.size());
        boolean enough = last.size() == frames;
        for (int i = 0; i < wants.size(); i++) {
            Want w = wants.get(i);
            if ((enough || w.single()) && !w.holds(last)) {
                return new Verdict(false, i, w.said(last), w.hint(), frames - last.size());
            }
        }
        return enough
                ? new Verdict(true, -1, said(last), "", 0)
                : new Verdict(false, -1, said(last), "", frames - last.size());
    }

    private String said(List<Measured> last) {
        return wants.get(0).said(last);
    }

    /** Whether a frame is what is asked for, as far as one alone can be. */
    public boolean good(Measured frame) {
        return wants.stream().filter(Want::single).allMatch(w -> w.holds(List.of(frame)));
    }

    /** What counts of a frame: what it misses, else what was looked at first. */
    public String said(Measured frame) {
        List<Measured> alone = List.of(frame);
        return wants.stream()
                .filter(Want::single)
                .filter(w -> !w.holds(alone))
                .findFirst()
                .orElse(wants.get(0))
                .said(alone);
    }

    /** How somebody goes about it, frame by frame. */
    public static String words(Tried tried) {
        return tried.sets.stream()
                .map(set -> set.entrySet().stream()
                        .map(e -> e.getKey() + " " + e.getValue())
                        .collect(Collectors.joining(", ")))
                .filter(s -> !s.isEmpty())
                .collect(Collectors.joining("; then "));
    }
}
