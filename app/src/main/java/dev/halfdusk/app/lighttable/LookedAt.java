package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Line;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.SkyReading;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Trails;
import java.util.ArrayList;
import java.util.List;

/**
 * What was looked at in a frame, and what came of it.
 *
 * @param wrong whether that is a fault
 */
record LookedAt(String what, String found, boolean wrong) {

    /** More black than this is no land alone. */
    private static final double BLACK = 0.3;

    private static final double PERCENT = 100;
    private static final double LEAST_BANDING = 0.002;
    private static final double GRADIENT = 0.3;
    private static final double LEVEL_DEG = 0.1;

    static List<LookedAt> of(TakenFrame frame) {
        FrameReading r = frame.reading();
        List<LookedAt> all = new ArrayList<>();
        r.moon().ifPresent(m -> {
            all.add(new LookedAt(
                    "moon",
                    Numbers.text("%.0f px across, %.0f %% lit", 2 * m.radiusPx(), PERCENT * m.litShare()),
                    false));
            all.add(new LookedAt(
                    "lit ground",
                    Numbers.text("at %.2f of white, %.0f %% burnt", m.level(), PERCENT * m.burnt()),
                    has(frame, Cause.BURNT, Cause.TOO_DARK)));
            all.add(new LookedAt(
                    "edge",
                    Numbers.text("%.1f px wide, drawn out by %.1f", m.edgePx(), m.smearPx()),
                    has(frame, Cause.FOCUS, Cause.SHAKE, Cause.DRIFT)));
        });
        if (ofStars(r)) {
            stars(frame, all);
        }
        r.bursts()
                .ifPresent(b -> all.add(new LookedAt(
                        "bursts",
                        Numbers.text(
                                "%d, streaks at %.2f, %.0f %% burnt, smoke %.0f %%, skyline at %.2f",
                                b.bursts().size(), b.level(), PERCENT * b.burnt(), PERCENT * b.smoke(), b.skyline()),
                        has(frame, Cause.BURNT, Cause.EARLY, Cause.LATE, Cause.CROWDED, Cause.SMOKE))));
        r.ground()
                .ifPresent(g -> all.add(new LookedAt(
                        "ground",
                        Numbers.text(
                                "at %.2f%s%s",
                                g.level(),
                                g.edgePx() > 0 ? Numbers.text(", edges %.1f px wide", g.edgePx()) : "",
                                g.twicePx() > 0 ? ", twice" : ""),
                        has(frame, Cause.DEPTH, Cause.MOVED))));
        r.ruler()
                .ifPresent(u -> all.add(new LookedAt(
                        "sharpest",
                        Numbers.text(
                                "%.1f marks %s the middle, over %.0f %% of the height",
                                Math.abs(u.marks()), u.offset() > 0 ? "behind" : "before", PERCENT * u.depth()),
                        has(frame, Cause.BEHIND, Cause.BEFORE))));
        r.film()
                .ifPresent(f -> all.add(new LookedAt(
                        "tones",
                        Numbers.text(
                                "shadows %.2f, middle %.2f, %.0f %% white",
                                f.shadows(), f.middle(), PERCENT * f.burnt()),
                        has(frame, Cause.TOO_DARK, Cause.TOO_BRIGHT))));
        return all;
    }

    /** Whether the sky and its stars are what counts. */
    static boolean ofStars(FrameReading r) {
        return r.moon().isEmpty()
                && r.bursts().isEmpty()
                && r.film().isEmpty()
                && r.known().motif().filter(Motif.RULER::equals).isEmpty();
    }

    private static void stars(TakenFrame frame, List<LookedAt> all) {
        FrameReading r = frame.reading();
        r.widthPx()
                .ifPresent(
                        w -> all.add(new LookedAt("focus", Numbers.text("%.1f px wide", w), has(frame, Cause.FOCUS))));
        r.lengthPx()
                .ifPresent(l -> all.add(new LookedAt(
                        "drift",
                        Numbers.text("%.1f px, %.1f tolerated", l, Judge.allowedPx(r)),
                        has(frame, Cause.DRIFT, Cause.SHAKE, Cause.TRACKING, Cause.ROTATION, Cause.KNOCK))));
        SkyReading sky = r.sky();
        sky.magnitude()
                .ifPresent(m -> all.add(new LookedAt(
                        "sky",
                        Numbers.text(
                                "%.1f \u00b1 %.1f mag/arcsec\u00b2, as class %d",
                                m, sky.magnitudeError(), Luminance.classOf(m)),
                        false)));
        sky.contrast()
                .ifPresent(c -> all.add(
                        new LookedAt("Milky Way", Numbers.text("stands out by %.0f %%", PERCENT * c), c < 0.05)));
        if (sky.gradientStops() > GRADIENT) {
            all.add(new LookedAt(
                    "brighter side",
                    Numbers.text("%s, by %.1f stop", side(sky.gradientDeg()), sky.gradientStops()),
                    sky.gradientStops() > 1));
        }
        r.aim()
                .ifPresent(a -> all.add(new LookedAt(
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
        r.pole()
                .filter(p -> p.inside() || isOf(frame, Trails.class))
                .ifPresent(p -> all.add(new LookedAt("pole", place(p), !p.inside())));
        r.archTop()
                .filter(p -> p.inside() || isOf(frame, Arch.class))
                .ifPresent(p -> all.add(new LookedAt("arch's top", place(p), false)));
        all.add(new LookedAt(
                "histogram",
                Numbers.text(
                        "red %.2f, green %.2f, blue %.2f; %.2f from the left edge; %.1f %% black, %.1f %% burnt",
                        sky.peaks()[0],
                        sky.peaks()[1],
                        sky.peaks()[2],
                        sky.gap(),
                        PERCENT * sky.clippedLow(),
                        PERCENT * sky.clippedHigh()),
                sky.clippedLow() > BLACK));
        all.add(new LookedAt("noise", Numbers.text("%.0f %% of the sky", PERCENT * sky.noise()), false));
        all.add(new LookedAt("stars", Numbers.text("%d, %d hot pixels", r.stars(), r.hot()), false));
        if (!r.lines().isEmpty()) {
            all.add(new LookedAt("lines", lines(r), true));
        }
        all.add(new LookedAt(
                "fall-off", Numbers.text("corners darker by %.1f stop", Math.max(0, sky.fallOffStops())), false));
        all.add(new LookedAt(
                "banding",
                sky.banding() < LEAST_BANDING ? "none" : Numbers.text("%.1f %% of the sky", PERCENT * sky.banding()),
                has(frame, Cause.BANDING)));
    }

    private static boolean isOf(TakenFrame frame, Class<? extends Subject> subject) {
        return frame.plan() != null && subject.isInstance(frame.plan().subject());
    }

    private static String place(FrameReading.Place p) {
        if (!p.inside()) {
            return "outside, "
                    + (p.y() < 0 ? "above" : p.y() > 1 ? "below" : p.x() < 0 ? "to the left" : "to the right");
        }
        return Numbers.text("inside, %.0f %% across and %.0f %% down", PERCENT * p.x(), PERCENT * p.y());
    }

    private static String lines(FrameReading r) {
        List<String> parts = new ArrayList<>();
        for (Line.Kind kind : Line.Kind.values()) {
            long n = r.lines().stream().filter(l -> l.kind() == kind).count();
            if (n > 0) {
                parts.add(n + " " + kind.words() + (n > 1 && kind != Line.Kind.AIRCRAFT ? "s" : ""));
            }
        }
        return String.join(", ", parts);
    }

    private static boolean has(TakenFrame frame, Cause... causes) {
        return frame.findings().stream().map(Finding::cause).anyMatch(List.of(causes)::contains);
    }

    private static String side(double degrees) {
        String[] names = {"right", "bottom right", "bottom", "bottom left", "left", "top left", "top", "top right"};
        return names[(int) Math.round(degrees / 45) % names.length];
    }
}
