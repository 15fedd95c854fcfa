package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.HistogramPicture;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Histogram;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.Part;
import dev.halfdusk.core.lighttable.SkyReading;
import dev.halfdusk.core.lighttable.StarShape;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A frame on the table, for its page.
 *
 * @param verdicts the worst first
 * @param next address of the frame as it will look with the first change; empty without one
 * @param shapes of the stars, drawn larger, in the picture's pixels
 * @param corners top left, top right, bottom left, bottom right
 * @param looked what was looked at, and what came of it
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
        List<Looked> looked) {

    /** Shapes are drawn so many times larger. */
    static final int TIMES = 10;

    private static final double PERCENT = 100;
    private static final double GRADIENT = 0.3;
    private static final double LEVEL_DEG = 0.1;

    /** What is wrong, its evidence and what to do. */
    record Verdict(String headline, String evidence, String change, boolean good) {}

    record Ellipse(double x, double y, double along, double across, double angle, boolean wide) {}

    record Corner(String part, String words, String size) {}

    record Looked(String what, String found, boolean wrong) {}

    static FrameView of(TakenFrame frame) {
        FrameReading r = frame.reading();
        List<Verdict> verdicts = frame.findings().stream()
                .map(f -> new Verdict(
                        f.cause().words(),
                        Words.capital(f.evidence()) + ".",
                        VerdictWords.change(f, r.known()),
                        f.cause() == Cause.GOOD))
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
                r.middle().map(FrameView::size).orElse("too few stars"),
                corners(r),
                HistogramPicture.of(
                        new Histogram(sky.histograms()[1]),
                        sky.peak(),
                        Math.max(0, from - 0.02),
                        Math.min(1, to + 0.02)),
                Words.number(sky.peak(), 2),
                Numbers.text(
                        "peak at %.2f, %s; %.1f %% of the brighter stars burnt",
                        sky.peak(),
                        r.known().planned().isPresent()
                                ? Numbers.text("planned %.2f", from)
                                : Numbers.text("%.2f to %.2f wanted", from, to),
                        PERCENT * r.burntStars()),
                looked(frame));
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

    private static List<Looked> looked(TakenFrame frame) {
        FrameReading r = frame.reading();
        List<Looked> all = new ArrayList<>();
        r.widthPx()
                .ifPresent(w -> all.add(new Looked("focus", Numbers.text("%.1f px wide", w), has(frame, Cause.FOCUS))));
        r.lengthPx()
                .ifPresent(l -> all.add(new Looked(
                        "drift",
                        Numbers.text("%.1f px, %.1f tolerated", l, Judge.allowedPx(r)),
                        has(frame, Cause.DRIFT, Cause.SHAKE, Cause.TRACKING, Cause.ROTATION, Cause.KNOCK))));
        r.moon().ifPresent(m -> {
            all.add(new Looked(
                    "moon",
                    Numbers.text("%.0f px across, %.0f %% lit", 2 * m.radiusPx(), PERCENT * m.litShare()),
                    false));
            all.add(new Looked(
                    "lit ground",
                    Numbers.text("at %.2f of white, %.0f %% burnt", m.level(), PERCENT * m.burnt()),
                    has(frame, Cause.BURNT, Cause.TOO_DARK)));
            all.add(new Looked(
                    "edge",
                    Numbers.text("%.1f px wide, drawn out by %.1f", m.edgePx(), m.smearPx()),
                    has(frame, Cause.FOCUS, Cause.SHAKE, Cause.DRIFT)));
        });
        SkyReading sky = r.sky();
        sky.magnitude()
                .ifPresent(m -> all.add(new Looked(
                        "sky",
                        Numbers.text(
                                "%.1f \u00b1 %.1f mag/arcsec\u00b2, as class %d",
                                m, sky.magnitudeError(), Luminance.classOf(m)),
                        false)));
        sky.contrast()
                .ifPresent(c ->
                        all.add(new Looked("Milky Way", Numbers.text("stands out by %.0f %%", PERCENT * c), c < 0.05)));
        if (sky.gradientStops() > GRADIENT) {
            all.add(new Looked(
                    "brighter side",
                    Numbers.text("%s, by %.1f stop", side(sky.gradientDeg()), sky.gradientStops()),
                    sky.gradientStops() > 1));
        }
        r.aim()
                .ifPresent(a -> all.add(new Looked(
                        "looked at",
                        Numbers.text(
                                "%.1f\u00b0 %s, %.1f\u00b0 up, %s",
                                a.axis().azimuthDeg(),
                                a.axis().compass(),
                                a.axis().altitudeDeg(),
                                Math.abs(a.rollDeg()) < LEVEL_DEG
                                        ? "level"
                                        : Numbers.text("turned by %.1f\u00b0", a.rollDeg())),
                        has(frame, Cause.AIM, Cause.LEVEL))));
        all.add(new Looked("noise", Numbers.text("%.0f %% of the sky", PERCENT * sky.noise()), false));
        all.add(new Looked("stars", Numbers.text("%d, %d hot pixels", r.stars(), r.hot()), false));
        if (!r.lines().isEmpty()) {
            all.add(new Looked(
                    "lines", Numbers.text("%d across the sky", r.lines().size()), true));
        }
        return all;
    }

    /** A line of the table in which frames are compared. */
    record Compared(String id, String name, String width, String length, String peak, String verdict, boolean best) {}

    /** Frames beside each other; the best is the one least wrong, among those the one with the smallest stars. */
    static List<Compared> compared(List<TakenFrame> frames) {
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
                        frames.size() > 1 && f == best.orElseThrow()))
                .toList();
    }

    private static boolean has(TakenFrame frame, Cause... causes) {
        return frame.findings().stream().map(Finding::cause).anyMatch(List.of(causes)::contains);
    }

    private static String side(double degrees) {
        String[] names = {"right", "bottom right", "bottom", "bottom left", "left", "top left", "top", "top right"};
        return names[(int) Math.round(degrees / 45) % names.length];
    }
}
