package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.Part;
import dev.halfdusk.core.lighttable.Series;
import dev.halfdusk.core.lighttable.SkyReading;
import dev.halfdusk.core.lighttable.SoftCause;
import dev.halfdusk.core.lighttable.StarShape;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A frame on the table, for its page.
 *
 * @param verdicts the worst first
 * @param next address of the frame as it will look with the first change; empty without one
 * @param shapes of the stars, drawn larger, in the picture's pixels
 * @param corners top left, top right, bottom left, bottom right
 * @param looked what was looked at, and what came of it
 * @param causes why a picture is soft, the six in their order
 * @param soft whether one of them is likely
 * @param series what frames that were taken with it show together
 */
record FrameView(
        TakenFrame frame,
        String planned,
        List<Verdict> verdicts,
        String next,
        List<Ellipse> shapes,
        String middle,
        List<Corner> corners,
        HistogramPicture histogram,
        String peak,
        String peakWords,
        List<LookedAt> looked,
        List<SoftCause> causes,
        boolean soft,
        List<Together> series) {

    /** Shapes are drawn so many times larger. */
    static final int TIMES = 10;

    private static final double PERCENT = 100;

    /**
     * What is wrong, its evidence and what to do.
     *
     * @param turned whether that is a dial
     */
    record Verdict(String headline, String evidence, String change, boolean good, boolean turned) {}

    record Ellipse(double x, double y, double along, double across, double angle, boolean wide) {}

    record Corner(String part, String words, String size) {}

    /**
     * What is noticed over several frames.
     *
     * @param frames that it was seen in
     * @param out whether they are left out of what is put together
     * @param turned the address at which that is the other way round; empty where they are not what spoils it
     */
    record Together(String what, String evidence, String remedy, List<TakenFrame> frames, boolean out, String turned) {}

    /**
     * @param suggested what is likely to be put together with it
     * @param leftOut what is left out of that
     */
    static FrameView of(TakenFrame frame, Suggested suggested, Set<Series.What> leftOut) {
        FrameReading r = frame.reading();
        List<SoftCause> causes =
                r.bursts().isPresent() || r.film().isPresent() || r.ruler().isPresent() ? List.of() : SoftCause.of(r);
        List<Verdict> verdicts = frame.findings().stream()
                .map(f -> new Verdict(
                        f.cause().words(),
                        Words.capital(f.evidence()) + ".",
                        VerdictWords.change(f, r.known()),
                        f.cause() == Cause.GOOD,
                        !f.change().turns().isEmpty()))
                .toList();
        SkyReading sky = r.sky();
        double from = r.known().planned().map(Known.Planned::peak).orElse(IsoChoice.PEAK_FROM);
        double to = r.known().planned().map(Known.Planned::peak).orElse(IsoChoice.PEAK_TO);
        return new FrameView(
                frame,
                frame.plan() == null ? "" : planned(frame.plan()),
                verdicts,
                next(frame),
                shapes(r),
                r.middle()
                        .filter(m -> LookedAt.ofStars(r))
                        .map(FrameView::size)
                        .orElse(LookedAt.ofStars(r) ? "too few stars" : ""),
                corners(r),
                HistogramPicture.of(
                        new Histogram(sky.histograms()[1]),
                        sky.peak(),
                        LookedAt.ofStars(r) ? Math.max(0, from - 0.02) : 0,
                        LookedAt.ofStars(r) ? Math.min(1, to + 0.02) : 0),
                Words.number(sky.peak(), 2),
                !LookedAt.ofStars(r)
                        ? Numbers.text("peak at %.2f", sky.peak())
                        : Numbers.text(
                                "peak at %.2f, %s; %.1f %% of the brighter stars burnt",
                                sky.peak(),
                                r.known().planned().isPresent()
                                        ? Numbers.text("planned %.2f", from)
                                        : Numbers.text("%.2f to %.2f wanted", from, to),
                                PERCENT * r.burntStars()),
                LookedAt.of(frame),
                causes,
                causes.stream().anyMatch(c -> c.sign() == SoftCause.Sign.FOR),
                series(frame, suggested, leftOut));
    }

    private static List<Together> series(TakenFrame frame, Suggested suggested, Set<Series.What> leftOut) {
        return suggested.noticed().stream()
                .map(n -> new Together(
                        n.what().words(),
                        Words.capital(n.evidence()) + ".",
                        n.remedy(),
                        n.frames().stream().map(suggested.series()::get).toList(),
                        leftOut.contains(n.what()),
                        Suggested.SPOILT.contains(n.what()) && !n.frames().isEmpty()
                                ? turned(frame, leftOut, n.what())
                                : ""))
                .toList();
    }

    private static String turned(TakenFrame frame, Set<Series.What> leftOut, Series.What what) {
        String out = Arrays.stream(Series.What.values())
                .filter(w -> leftOut.contains(w) != (w == what))
                .map(w -> w.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(","));
        return "/lighttable?frame=" + frame.id() + "&out=" + out + "#compared";
    }

    private static String planned(PlannedTake plan) {
        Settings s = plan.settings();
        return plan.setup().rig().body().label(s.seconds()) + " s, f/" + Numbers.trimmed(s.aperture(), 1) + ", ISO "
                + Numbers.plain(s.iso(), 0);
    }

    private static String next(TakenFrame frame) {
        if (frame.plan() == null || frame.reading().known().settings().isEmpty()) {
            return "";
        }
        List<Correction.Turn> turns = frame.findings().get(0).change().turns();
        Settings to = turns.isEmpty()
                ? frame.reading().known().settings().get()
                : turns.get(turns.size() - 1).to();
        return frame.plan().frame() + "&aperture=" + Numbers.plain(to.aperture()) + "&shutter="
                + Numbers.plain(to.seconds(), 3) + "&iso=" + Numbers.plain(to.iso(), 0);
    }

    private static List<Ellipse> shapes(FrameReading r) {
        List<Ellipse> all = new ArrayList<>();
        if (!LookedAt.ofStars(r)) {
            return all;
        }
        for (Part p : r.parts()) {
            p.shape()
                    .ifPresent(s -> all.add(new Ellipse(
                            Math.round(p.x() * r.width()),
                            Math.round(p.y() * r.height()),
                            Math.round(TIMES * (s.widthPx() + s.lengthPx()) / 2),
                            Math.round(TIMES * s.widthPx() / 2),
                            Math.round(s.angleDeg()),
                            s.widthPx() > Judge.SHARP_PX || s.lengthPx() > Judge.allowedPx(r))));
        }
        return all;
    }

    private static String size(StarShape s) {
        return Numbers.text("%.1f px wide, drawn out by %.1f", s.widthPx(), s.lengthPx());
    }

    private static List<Corner> corners(FrameReading r) {
        if (!LookedAt.ofStars(r)) {
            return List.of();
        }
        List<String> names = Frames.PARTS.subList(3, Frames.PARTS.size());
        List<Corner> all = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            all.add(new Corner(
                    names.get(i),
                    names.get(i).replace('-', ' '),
                    r.corners()
                            .get(i)
                            .shape()
                            .map(s -> Numbers.text("%.1f \u00d7 %.1f px", s.widthPx() + s.lengthPx(), s.widthPx()))
                            .orElse("too few stars")));
        }
        return all;
    }

    /**
     * A line of the table in which frames are compared.
     *
     * @param why it is left out of its series; empty where it is not
     */
    record Compared(
            String id,
            String name,
            String width,
            String length,
            String peak,
            String verdict,
            boolean best,
            boolean in,
            boolean land,
            boolean dark,
            String why) {}

    /** Frames beside each other; the best is the one least wrong, among those the one with the smallest stars. */
    static List<Compared> compared(List<TakenFrame> frames, Suggested suggested) {
        Optional<TakenFrame> best = frames.stream()
                .min(Comparator.comparingDouble(
                                (TakenFrame f) -> f.findings().get(0).weight())
                        .thenComparingDouble(f -> f.reading().widthPx().orElse(Double.MAX_VALUE)));
        return frames.stream()
                .map(f -> new Compared(
                        f.id(),
                        f.name(),
                        f.reading().widthPx().isPresent()
                                ? Numbers.fixed(f.reading().widthPx().getAsDouble(), 1)
                                : "\u2013",
                        f.reading().lengthPx().isPresent()
                                ? Numbers.fixed(f.reading().lengthPx().getAsDouble(), 1)
                                : "\u2013",
                        Numbers.fixed(f.reading().sky().peak(), 2),
                        f.findings().get(0).cause().words(),
                        frames.size() > 1 && f == best.orElseThrow(),
                        suggested.in().contains(f.id()),
                        suggested.land().contains(f.id()),
                        suggested.dark().contains(f.id()),
                        suggested.why().getOrDefault(f.id(), "")))
                .toList();
    }

    /** Those of the series first, then what belongs to it, then all others. */
    static List<Compared> inOrder(List<Compared> all) {
        return all.stream()
                .sorted(Comparator.comparingInt(
                        c -> c.in || !c.why.isEmpty() ? 0 : c.land || c.dark ? 1 : 2)) // keeps the order within each
                .toList();
    }
}
