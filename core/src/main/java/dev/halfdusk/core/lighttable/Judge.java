package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a frame of stars or of the moon shows to be wrong, the worst first, each with its evidence and one change. Limits are the craft's: what cannot be seen at
 * full size is not wrong.
 */
public final class Judge {

    /** Drift tolerated where no plan says otherwise, pixels. */
    public static final double TOLERANCE_PX = 3;

    /** Wider than this a star in the middle is out of focus, pixels. */
    public static final double SHARP_PX = 3.3;

    private static final int LEAST_STARS = 12;
    private static final double LEAST_OFF = 0.02;

    private Judge() {}

    /**
     * Lengths up to here are points, pixels of the picture: what was to be kept, but no less than what can be seen, nor than the drift of the shutter
     * that was planned, which may have been decided to be longer than points allow.
     */
    public static double allowedPx(FrameReading reading) {
        Optional<Known.Planned> planned = reading.known().planned();
        double kept = planned.map(Known.Planned::tolerancePx).orElse(TOLERANCE_PX);
        return Math.max(
                Math.max(StarJudge.ROUND_PX, kept),
                planned.map(p -> driftPx(reading, p)).orElse(0.0));
    }

    private static double driftPx(FrameReading reading, Known.Planned planned) {
        double drift = Median.of(reading.ninths().stream()
                .flatMap(p -> p.drift().stream())
                .mapToDouble(Part.Drift::lengthPx)
                .toArray());
        double seconds = reading.known().seconds();
        return seconds == 0 ? 0 : drift * planned.settings().seconds() / seconds;
    }

    /** With a body and a lens of which only what the file says is known: it may not open wider than it did. */
    public static List<Finding> of(FrameReading reading) {
        Known known = reading.known();
        return of(
                reading,
                known.settings()
                        .flatMap(s -> known.lens().map(l -> {
                            CameraBody body = known.body()
                                    .orElseGet(() -> CameraBody.generic(known.sensor(l), Dial.THIRD, (int)
                                            Math.min(Range.ISO.max(), Math.max(25_600, s.iso()))));
                            return new Correction.Limits(body, Range.APERTURE.from(s.aperture()), s.seconds());
                        })));
    }

    /** @param limits of the camera's dials; without them no change is given */
    public static List<Finding> of(FrameReading r, Optional<Correction.Limits> limits) {
        List<Finding> findings = new ArrayList<>();
        if (r.screen()) {
            cannot(
                    findings,
                    "a bright rectangle with dark all round it: this is a camera's screen, photographed; send the small JPEG"
                            + " that the camera itself sends, and it can be measured");
        } else if (r.known().motif().map(Motif.RULER::equals).orElse(false)) {
            ruler(r, findings);
        } else if (r.film().isPresent()) {
            new FilmJudge(r, limits, findings).judge(r.film().get());
        } else if (r.moon().isPresent()
                && r.known().motif().map(Motif.MOON::equals).orElse(true)) {
            new MoonJudge(r, limits, findings).judge(r.moon().get());
        } else if (r.bursts().isPresent()) {
            new BurstJudge(r, limits, findings).judge(r.bursts().get());
        } else if (r.known().motif().map(Motif.FIREWORKS::equals).orElse(false)) {
            cannot(findings, "no burst is in it: opened between two of them, or aimed elsewhere");
        } else if (r.known().motif().map(Motif.GROUND::equals).orElse(false)
                && r.ground().isPresent()) {
            new GroundJudge(r, limits, findings).judge(r.ground().get());
        } else if (unclear(r)) {
            cannot(findings, why(r.sky(), r.stars()));
        } else {
            new StarJudge(r, limits, findings).judge();
            new LightJudge(r, limits, findings).judge();
            new AimJudge(r, limits, findings).judge();
            r.ground().ifPresent(g -> new GroundJudge(r, limits, findings).beside(g));
        }
        findings.sort(Comparator.comparingDouble(Finding::weight).reversed());
        if (findings.isEmpty()) {
            findings.add(new Finding(Cause.GOOD, good(r), 0, Judging.none(), ""));
        }
        return List.copyOf(findings);
    }

    /** Off by more than half the depth in which it is sharp it shows. */
    private static void ruler(FrameReading r, List<Finding> findings) {
        if (r.ruler().isEmpty()) {
            cannot(findings, "no row of marks runs through the middle of the picture, one above the other");
            return;
        }
        RulerReading ruler = r.ruler().get();
        double limit = Math.max(LEAST_OFF, ruler.depth() / 2);
        if (Math.abs(ruler.offset()) > limit) {
            findings.add(new Finding(
                    ruler.offset() > 0 ? Cause.BEHIND : Cause.BEFORE,
                    Numbers.text(
                            "sharpest %.1f marks %s the middle, %.0f %% of the height; sharp over %.0f %%",
                            Math.abs(ruler.marks()),
                            ruler.offset() > 0 ? "behind" : "before",
                            100 * Math.abs(ruler.offset()),
                            100 * ruler.depth()),
                    Math.abs(ruler.offset()) / limit,
                    Judging.none(),
                    "Take five, focusing anew each time: always to one side is calibration, to both is not."));
        }
    }

    private static boolean unclear(FrameReading r) {
        return r.stars() < LEAST_STARS || r.ninths().isEmpty() && r.twins().isEmpty();
    }

    private static void cannot(List<Finding> findings, String why) {
        findings.add(new Finding(Cause.CANNOT_JUDGE, why, 1, Judging.none(), ""));
    }

    private static String why(SkyReading sky, int stars) {
        if (sky.clippedLow() > 0.98) {
            return Numbers.text(
                    "%.0f %% of it is black: the cap is on, or far too little light", 100 * sky.clippedLow());
        }
        if (sky.peak() > 0.75 || sky.clippedHigh() > 0.5) {
            return Numbers.text(
                    "the peak stands at %.2f and %.0f %% is burnt: daylight, or far too much light",
                    sky.peak(), 100 * sky.clippedHigh());
        }
        return Numbers.text("%d stars stand out of it: cloud, far out of focus, or not the sky", stars);
    }

    /** What was looked at and is as it should be. */
    private static String good(FrameReading r) {
        if (r.ruler().isPresent()) {
            return Numbers.text(
                    "sharpest %.1f marks from the middle",
                    Math.abs(r.ruler().get().marks()));
        }
        if (r.film().isPresent()) {
            FilmReading f = r.film().get();
            return Numbers.text(
                    "shadows at %.2f, the middle at %.2f, %.0f %% burnt", f.shadows(), f.middle(), 100 * f.burnt());
        }
        if (r.moon().isPresent()) {
            MoonReading m = r.moon().get();
            return Numbers.text(
                    "lit ground at %.2f of white, nothing burnt; its edge %.1f px wide", m.level(), m.edgePx());
        }
        if (r.bursts().isPresent()) {
            BurstReading b = r.bursts().get();
            return Numbers.text(
                    "%d %s, whole, streaks at %.2f, %.0f %% of them burnt",
                    b.bursts().size(), b.bursts().size() == 1 ? "burst" : "bursts", b.level(), 100 * b.burnt());
        }
        if (r.widthPx().isEmpty() && r.ground().isPresent()) {
            return Numbers.text(
                    "ground at %.2f, its edges %.1f px wide",
                    r.ground().get().level(), r.ground().get().edgePx());
        }
        return Numbers.text(
                "stars %.1f px wide and drawn out by %.1f, %.1f tolerated; peak at %.2f",
                r.widthPx().orElse(0),
                r.lengthPx().orElse(0),
                allowedPx(r),
                r.sky().peak());
    }
}
