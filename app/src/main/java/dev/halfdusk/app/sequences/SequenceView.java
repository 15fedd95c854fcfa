package dev.halfdusk.app.sequences;

import dev.halfdusk.app.pictures.Block;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.sequences.SequenceRequest.Kind;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.camera.Endurance;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.Conflict;
import dev.halfdusk.core.sequence.IntervalTimer;
import dev.halfdusk.core.sequence.Lapse;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sequence.Ramp;
import dev.halfdusk.core.sequence.SequenceConflicts;
import dev.halfdusk.core.sequence.TrailPlan;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** A sequence in the words and numbers of its page. */
record SequenceView(
        List<Figure> figures,
        List<String> summary,
        List<ConflictRow> conflicts,
        List<Block> blocks,
        Timer timer,
        Trails trails,
        List<Line> camera,
        List<School> schools,
        List<RampRow> ramp,
        List<Line> power) {

    /** A large figure and what it counts. */
    public record Figure(String number, String what) {}

    /** Something in the way, and the addresses of the ways out. */
    public record ConflictRow(String words, boolean hard, List<Way> ways) {}

    public record Way(String words, String query) {}

    public record Line(String what, String value) {}

    /** What to set on an interval timer. */
    public record Timer(List<Line> lines, List<String> remarks) {}

    /**
     * How trails look.
     *
     * @param inset drawn lengths of two pieces and the gap between them, in its units
     */
    public record Trails(List<Line> arcs, List<Line> gaps, List<Line> light, Inset inset, String pole) {}

    /** Two pieces of a trail, much enlarged. */
    public record Inset(double firstEnds, double secondBegins, String gap, String times, String shows) {}

    /** Another way to the same arcs. */
    public record School(String what, String verdict, boolean bad, String query) {}

    /** A line of the table of changing light. */
    public record RampRow(String from, String shutter, String iso, String stops, String peak) {}

    private static final double INSET_WIDTH = 180;
    private static final int TIMES = 20;

    /** For the hand to leave the camera. */
    private static final double WAIT_SECONDS = 5;

    private static final double HEATER_W = 5;
    private static final double BANK_MAH = 10_000;

    static SequenceView of(
            SequenceRequest a, Endurance endurance, Ribbon ribbon, Function<Map<String, String>, String> address) {
        List<Integer> swaps = endurance.swaps();
        TrailPlan plan = a.trails();
        boolean trails = a.kind() == Kind.TRAILS;
        return new SequenceView(
                figures(a),
                summary(a, plan),
                a.conflicts(endurance).stream()
                        .map(c -> conflict(c, a, address))
                        .toList(),
                blocks(a, swaps, ribbon),
                timer(a),
                trails ? trails(a, plan) : null,
                camera(a),
                trails
                        ? plan.schools().stream()
                                .map(s -> school(s, plan, address))
                                .toList()
                        : List.of(),
                a.ramp().map(r -> ramp(r, a)).orElse(List.of()),
                power(a, swaps));
    }

    private static List<Figure> figures(SequenceRequest a) {
        Sequence s = a.sequence();
        List<Figure> figures = new ArrayList<>();
        figures.add(new Figure(Numbers.plain(s.frames()), s.frames() == 1 ? "frame" : "frames"));
        if (a.ramp().isEmpty()) {
            figures.add(new Figure(Numbers.trimmed(s.exposureSeconds(), 2), "seconds"));
        }
        figures.add(
                a.kind() == Kind.LAPSE
                        ? new Figure(Numbers.trimmed(s.stepSeconds(), 2), "interval, s")
                        : new Figure(Numbers.trimmed(s.pauseSeconds(), 2), "pause, s"));
        return figures;
    }

    private static String clock(Instant t, SequenceRequest a) {
        return Words.clock(t, a.setup().place().zone());
    }

    private static List<String> summary(SequenceRequest a, TrailPlan plan) {
        Sequence s = a.sequence();
        List<String> words = new ArrayList<>();
        if (a.ramp().isEmpty()) {
            words.add("ISO " + a.iso() + ", f/"
                    + Numbers.trimmed(a.setup().setup().aperture(), 1) + ".");
        }
        String time = Words.span(Duration.ofSeconds(Math.max(60, Math.round(s.seconds()))));
        switch (a.kind()) {
            case TRAILS -> {
                words.add("Arcs of " + Words.number(s.turnDeg(), 1) + "\u00b0, " + time + ", from "
                        + clock(a.begins(), a) + " until " + clock(a.ends(), a) + ".");
                words.add(
                        plan.pole().isPresent()
                                ? "Circles close round the pole in the frame."
                                : "The pole is outside the frame: arcs, the straighter and longer the farther from it.");
                Lapse clip = new Lapse(s.frames(), s.stepSeconds(), a.perSecond());
                words.add("As a clip the same frames last " + Words.number(clip.clipSeconds(), 1) + " s.");
            }
            case LAPSE -> {
                Lapse lapse = new Lapse(s.frames(), s.stepSeconds(), a.perSecond());
                words.add(time + " become " + Words.number(lapse.clipSeconds(), 1) + " s of clip, from "
                        + clock(a.begins(), a) + " until " + clock(a.ends(), a) + ".");
                words.add("Stars move by "
                        + Words.number(lapse.motionPx(a.setup().optics(), TrailPlan.SCREEN), 1)
                        + " px from frame to frame on a screen of " + TrailPlan.SCREEN
                        + ": a tenth looks still, three hurried.");
                words.add("The same frames laid over each other are trails of " + Words.number(s.turnDeg(), 1)
                        + "\u00b0, with gaps of " + Words.number(plan.gapPx(), 1) + " px.");
            }
            default -> {
                words.add(s.frames() + " frames in " + time + ", until " + clock(a.ends(), a) + "; noise falls to a "
                        + Words.number(Math.sqrt(s.frames()), 1) + "th of that of one.");
                words.add("The sky turns by " + Words.number(s.turnDeg(), 1)
                        + "\u00b0 against the ground: align the sky, and take the ground from one frame.");
                words.add(
                        "Turn the camera by a few pixels now and then (dither): what the sensor always does alike then averages out.");
            }
        }
        return words;
    }

    private static ConflictRow conflict(Conflict c, SequenceRequest a, Function<Map<String, String>, String> address) {
        List<Way> ways = c.ways().stream()
                .map(w -> new Way(w.words(), address.apply(changed(a, w))))
                .toList();
        return new ConflictRow(c.words(), c.kind() != Conflict.Kind.CLOUD, ways);
    }

    /** Fields of the page that a way out changes. */
    private static Map<String, String> changed(SequenceRequest a, Conflict.WayOut w) {
        Map<String, String> fields = new HashMap<>(Map.of(
                "minute",
                "" + a.setup().night().minute(w.begins()),
                "want",
                "frames",
                "frames",
                "" + w.sequence().frames(),
                "pause",
                Numbers.plain(w.sequence().pauseSeconds()),
                "exposure",
                Numbers.plain(w.sequence().exposureSeconds()),
                "interval",
                Numbers.plain(w.sequence().stepSeconds()),
                "clip",
                Numbers.plain(w.sequence().frames() / a.perSecond(), 4),
                "reduction",
                w.noiseReduction() ? "on" : ""));
        w.batteries().ifPresent(n -> fields.put("batteries", "" + n));
        return fields;
    }

    private static List<Block> blocks(SequenceRequest a, List<Integer> swaps, Ribbon ribbon) {
        List<Block> blocks = new ArrayList<>();
        Interval light = a.span();
        blocks.add(block(
                a,
                ribbon,
                light.from().minus(Duration.ofMinutes(25)),
                light.from().minus(Duration.ofMinutes(3)),
                "focus",
                "before"));
        String words = a.sequence().frames() + " \u00d7 "
                + Numbers.trimmed(a.sequence().exposureSeconds(), 1) + " s";
        Block frames = block(
                a,
                ribbon,
                light.from(),
                light.to(),
                a.ramp().isPresent() ? a.sequence().frames() + " frames" : words,
                "light");
        Optional<Program.Step> darks =
                a.program().steps().stream().filter(Program.Step::dark).findFirst();
        boolean inside = darks.isEmpty() || frames.beside().equals("inside");
        blocks.add(inside ? frames : frames.unnamed());
        // what has no room in a block stands after the last of them, in one line
        darks.ifPresent(d -> blocks.add(block(
                a,
                ribbon,
                d.begins(),
                d.ends(),
                (inside ? "" : frames.words() + ", ") + d.frames() + " darks",
                "other")));
        for (Interval lit : Interval.without(light, a.setup().night().moonless())) {
            blocks.add(block(a, ribbon, lit.from(), lit.to(), "", "lit"));
        }
        for (int after : swaps) {
            Instant at = opening(a, after);
            blocks.add(block(a, ribbon, at, at.plusSeconds(90), "", "swap"));
        }
        return blocks;
    }

    private static Instant opening(SequenceRequest a, int frame) {
        return Instants.after(a.begins(), frame * a.sequence().stepSeconds());
    }

    private static Block block(SequenceRequest a, Ribbon ribbon, Instant from, Instant to, String words, String kind) {
        return Block.of(ribbon, a.setup().night(), new Interval(from, to), words, kind);
    }

    static Timer timer(SequenceRequest a) {
        IntervalTimer.Card card = a.ramp().isPresent()
                ? IntervalTimer.presses(a.sequence().frames(), a.sequence().stepSeconds(), WAIT_SECONDS)
                : IntervalTimer.card(a.sequence(), WAIT_SECONDS, a.body().dial());
        List<Line> lines = List.of(
                new Line("wait", IntervalTimer.text(card.waitSeconds())),
                new Line(card.bulb() ? "open" : "press", IntervalTimer.text(card.openSeconds())),
                new Line("from opening to opening", IntervalTimer.text(card.stepSeconds())),
                new Line("if yours counts the pause", IntervalTimer.text(card.pauseSeconds())),
                new Line("times", card.times() == 0 ? "endless" : "" + card.times()));
        return new Timer(lines, card.remarks());
    }

    private static Trails trails(SequenceRequest a, TrailPlan plan) {
        List<Line> arcs = plan.arcs().stream()
                .map(arc -> new Line(
                        arc.where(),
                        Numbers.grouped(Math.rint(arc.px())) + " px, gaps of " + Words.number(arc.gapPx(), 2)))
                .toList();
        double gap = plan.gapPx();
        double print = plan.gapOnPrintMm(a.printCm());
        double screen = plan.gapOnScreenPx();
        List<Line> gaps = List.of(
                new Line("at full size", seen(gap, TrailPlan.SHOWS_PX, " px")),
                new Line(
                        "in a print of " + Numbers.trimmed(a.printCm(), 0) + " cm",
                        seen(print, TrailPlan.SHOWS_MM, " mm")),
                new Line("on a screen", seen(screen, TrailPlan.SHOWS_ON_SCREEN, " px")));
        double peak = plan.light().peak(a.iso());
        List<Line> light = List.of(
                new Line(
                        "peak of a frame's sky",
                        Words.number(peak, 2) + (peak > TrailPlan.GREY ? ": the stack turns grey" : "")),
                new Line(
                        "faintest trail",
                        peak >= SequenceConflicts.WHITE
                                ? "none: the sky is white"
                                : "V " + Words.number(plan.faintest(a.iso()), 1)),
                new Line(
                        "a star of V 3 leaves",
                        Numbers.grouped(Math.rint(plan.trailE(3))) + " e\u207b on "
                                + Numbers.grouped(Math.rint(plan.light().skyE())) + " of sky"));
        return new Trails(arcs, gaps, light, inset(gap), pole(a, plan));
    }

    private static String seen(double value, double from, String unit) {
        return Words.number(value, 2) + unit + (value < from ? ": not seen" : ": shows");
    }

    private static Inset inset(double gap) {
        double drawn = Math.min(INSET_WIDTH * 0.7, gap * TIMES);
        boolean shows = gap >= TrailPlan.SHOWS_PX;
        return new Inset(
                Math.round((INSET_WIDTH - drawn) * 5) / 10.0,
                Math.round((INSET_WIDTH + drawn) * 5) / 10.0,
                Words.number(gap, 1) + " px",
                "twenty times larger",
                shows ? "it shows at full size" : "not to be seen at full size");
    }

    private static String pole(SequenceRequest a, TrailPlan plan) {
        boolean south = a.setup().place().site().latitudeDeg() < 0;
        String where = "The pole stands "
                + Words.number(Math.abs(a.setup().place().site().latitudeDeg()), 0) + "\u00b0 up in the "
                + (south ? "south" : "north");
        return plan.pole().isPresent()
                ? where + ", in the frame: circles. For long, straight arcs aim east or west."
                : where + ". For circles aim there.";
    }

    private static List<Line> camera(SequenceRequest a) {
        BodyTiming pace = a.pace();
        List<Line> lines = new ArrayList<>();
        lines.add(new Line(
                "smallest safe pause",
                Words.number(pace.smallestSafePause(a.sequence().frames()), 1) + " s"));
        double gigabytes = a.program().megabytes(a.body().files()) / 1000;
        lines.add(new Line(
                "on the card",
                Words.number(gigabytes, 1) + " GB"
                        + a.card()
                                .map(c -> " of " + Numbers.trimmed(c.gigabytes(), 0))
                                .orElse("")));
        lines.add(new Line("shutter openings", Numbers.plain(a.program().frames())));
        if (a.kind() == Kind.TRAILS) {
            lines.add(new Line("white balance", "fixed, 3800 to 4000 K"));
        }
        if (a.program().darks() > 0) {
            lines.add(new Line(
                    "dark frames",
                    a.program().darks()
                            + ", cap on, at once: the sensor must be as warm; the noise of five adds a tenth"));
        }
        return lines;
    }

    private static List<Line> power(SequenceRequest a, List<Integer> swaps) {
        List<Line> lines = new ArrayList<>();
        Optional<Gear.Battery> battery = a.battery();
        if (battery.isPresent()) {
            int each = Power.frames(battery.get(), a.celsius(), a.sequence().withFrames((int) Sequence.FRAMES.max()));
            lines.add(new Line(
                    "a battery at " + Numbers.trimmed(a.celsius(), 0) + " \u00b0C",
                    each + " such frames, "
                            + Words.span(Duration.ofSeconds(
                                    Math.max(60, Math.round(each * a.sequence().stepSeconds()))))));
            for (int after : swaps) {
                Instant at = opening(a, after);
                lines.add(new Line("change it", "at " + clock(at, a) + ", after " + after + " frames"));
            }
            if (!swaps.isEmpty()) {
                lines.add(new Line(
                        "why then",
                        early(a, swaps)
                                ? "early, so that the long arc stays whole"
                                : "at the end of a charge: there is none to spare"));
            }
        }
        double seconds = a.sequence().seconds();
        lines.add(new Line(
                "a heater of " + Numbers.plain(HEATER_W) + " W",
                Words.number(Power.heaterWh(HEATER_W, seconds), 1) + " Wh; " + Numbers.grouped(BANK_MAH) + " mAh hold "
                        + Words.number(Power.bankWh(BANK_MAH, a.celsius()), 0)));
        return lines;
    }

    private static boolean early(SequenceRequest a, List<Integer> swaps) {
        int each = Power.frames(
                a.battery().orElseThrow(), a.celsius(), a.sequence().withFrames((int) Sequence.FRAMES.max()));
        return swaps.get(0) < each;
    }

    private static School school(TrailPlan.School s, TrailPlan plan, Function<Map<String, String>, String> address) {
        Sequence q = s.sequence();
        String what = q.frames() == 1
                ? "one frame of " + Words.span(Duration.ofSeconds(Math.round(q.exposureSeconds())))
                : q.frames() + " \u00d7 " + Words.exposure(q.exposureSeconds()) + ", pause "
                        + Numbers.trimmed(q.pauseSeconds(), 1) + " s";
        List<String> words = new ArrayList<>();
        boolean bad = false;
        if (s.burnt()) {
            words.add("sky burnt even at the lowest ISO");
            bad = true;
        } else if (s.peak() > TrailPlan.GREY) {
            words.add("sky at " + Words.number(s.peak(), 2) + ": grey");
            bad = true;
        }
        if (s.gapPx() >= TrailPlan.SHOWS_PX) {
            words.add("gaps of " + Words.number(s.gapPx(), 1) + " px show");
            bad = true;
        }
        if (q.frames() == 1) {
            words.add("one bump ruins all, hot pixels of " + Numbers.grouped(Math.rint(s.hotE())) + " e\u207b dark");
        }
        if (q.frames() > plan.sequence().frames()) {
            words.add("twice the card");
        }
        String query = address.apply(Map.of(
                "want",
                "frames",
                "frames",
                "" + q.frames(),
                "exposure",
                Numbers.plain(Math.floor(q.exposureSeconds())),
                "pause",
                Numbers.plain(q.pauseSeconds()),
                "iso",
                ""));
        return new School(what, words.isEmpty() ? "as good" : String.join("; ", words), bad, query);
    }

    private static List<RampRow> ramp(Ramp r, SequenceRequest a) {
        return r.lines().stream()
                .map(l -> new RampRow(
                        clock(l.from(), a),
                        l.label(),
                        Numbers.plain(l.settings().iso()),
                        l.stops() == 0 ? "" : Words.number(l.stops(), 1),
                        Words.number(l.peak(), 2)))
                .toList();
    }
}
