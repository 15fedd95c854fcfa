package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Symptom;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Sidereal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** How stars are drawn: twice, as lines, wide, or so in the corners. */
final class StarJudge extends Judging {

    static final double ROUND_PX = 1.5;
    private static final double SURE = 3;
    private static final double SLACK = 1.1;
    private static final double LENGTH_SHARE = 0.25;
    private static final double LENGTH_PX = 0.6;
    private static final double ANGLE_DEG = 15;
    private static final double MOST = 0.7;
    private static final double ONE_WAY = 0.9;
    private static final double CORNER = 1.5;
    private static final double CORNER_PX = 0.3;
    private static final double ONE_SIDE = 1.35;

    StarJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge() {
        if (!twins()) {
            streaks();
        }
        if (!r.ninths().isEmpty() && !width() && findings.isEmpty()) {
            corners(r.middle().or(() -> r.ninths().get(0).shape()).orElseThrow().widthPx());
        }
    }

    private boolean twins() {
        r.twins()
                .ifPresent(t -> add(
                        Cause.KNOCK,
                        Numbers.text(
                                "%.0f %% of the stars stand twice, %.0f px apart at %.0f\u00b0",
                                100 * t.share(), t.stepPx(), t.angleDeg()),
                        t.stepPx() / tolerance,
                        none(),
                        STILL));
        return r.twins().isPresent();
    }

    private static final String STILL = "Touch nothing, hang a weight, wait after the mirror; the body as a windbreak.";

    private void streaks() {
        List<Part> parts = r.ninths();
        double length = r.lengthPx().orElse(0);
        double error = Median.of(parts.stream()
                .mapToDouble(p -> p.shape().orElseThrow().lengthErrorPx())
                .toArray());
        if (length <= tolerance * SLACK || length < SURE * error) {
            return;
        }
        double weight = length / tolerance;
        long twice = parts.stream().filter(p -> p.shape().orElseThrow().twice()).count();
        if (twice > MOST * parts.size()) {
            add(
                    Cause.KNOCK,
                    Numbers.text("two positions %.1f px apart in %d of %d parts", length, twice, parts.size()),
                    weight,
                    none(),
                    STILL);
            return;
        }
        double oneWay = oneWay(parts);
        List<Part> expected = parts.stream().filter(p -> p.drift().isPresent()).toList();
        if (!expected.isEmpty()) {
            long agree = expected.stream().filter(StarJudge::agrees).count();
            double drift = Median.of(expected.stream()
                    .mapToDouble(p -> p.drift().orElseThrow().lengthPx())
                    .toArray());
            if (agree >= MOST * expected.size() && !r.known().support().tracks()) {
                add(
                        Cause.DRIFT,
                        Numbers.text(
                                "stars %.1f px long, along the expected drift of %.1f in %d of %d parts; %.1f tolerated",
                                length, drift, agree, expected.size(), tolerance),
                        weight,
                        shorter(length),
                        "");
                return;
            }
            notDrift(parts, length, drift, weight, oneWay);
            return;
        }
        double most = mostDriftPx();
        if (most == 0 || length < 1.7 * most) {
            add(
                    Cause.DRIFT,
                    most == 0
                            ? Numbers.text(
                                    "stars %.1f px long; without lens, sensor and time of the frame it cannot be told whether the sky"
                                            + " moved or the camera, and mostly it is the sky",
                                    length)
                            : Numbers.text(
                                    "stars %.1f px long; the sky can have moved by %.1f: drift, as it seems, though place, time or"
                                            + " direction of the frame are not known",
                                    length, most),
                    weight,
                    shorter(length),
                    "");
        } else {
            notDrift(parts, length, most, weight, oneWay);
        }
    }

    private void notDrift(List<Part> parts, double length, double drift, double weight, double oneWay) {
        boolean tracks = r.known().support().tracks();
        if (oneWay < ONE_WAY && turns(parts)) {
            add(
                    Cause.ROTATION,
                    Numbers.text("lines of %.1f px lie around the middle, longer outwards", length),
                    weight,
                    none(),
                    "Align the axis to the pole again; a shorter shutter meanwhile.");
        } else if (tracks) {
            add(
                    Cause.TRACKING,
                    Numbers.text(
                            "stars %.1f px long all one way (%.0f\u00b0), where the tracker should hold them",
                            length, r.angleDeg().orElse(0)),
                    weight,
                    shorter(length),
                    "Polar alignment, rate and balance.");
        } else {
            add(
                    Cause.SHAKE,
                    Numbers.text(
                            "stars %.1f px long at %.0f\u00b0 all over; the sky moved by %.1f",
                            length, r.angleDeg().orElse(0), drift),
                    weight,
                    none(),
                    "Self-timer or remote, no stabiliser on a tripod, firm ground, wait after the mirror.");
        }
    }

    private static boolean agrees(Part p) {
        StarShape s = p.shape().orElseThrow();
        Part.Drift d = p.drift().orElseThrow();
        return Math.abs(s.lengthPx() - d.lengthPx()) <= LENGTH_SHARE * d.lengthPx() + LENGTH_PX
                && (d.lengthPx() < LENGTH_PX || s.offDeg(d.angleDeg()) <= ANGLE_DEG);
    }

    /** How far the lines of all parts lie in one direction: 1 for all of them. */
    private static double oneWay(List<Part> parts) {
        double u = 0;
        double v = 0;
        double all = 0;
        for (Part p : parts) {
            StarShape s = p.shape().orElseThrow();
            u += s.lengthPx() * Math.cos(Math.toRadians(2 * s.angleDeg()));
            v += s.lengthPx() * Math.sin(Math.toRadians(2 * s.angleDeg()));
            all += s.lengthPx();
        }
        return all == 0 ? 1 : Math.hypot(u, v) / all;
    }

    /** Whether the lines lie around the middle of the frame. */
    private boolean turns(List<Part> parts) {
        int around = 0;
        int outer = 0;
        for (Part p : parts) {
            double x = (p.x() - 0.5) * r.width();
            double y = (p.y() - 0.5) * r.height();
            if (Math.hypot(x, y) > 0.1 * r.width() && p.shape().orElseThrow().lengthPx() > ROUND_PX) {
                outer++;
                double tangent = Math.toDegrees(Math.atan2(x, -y));
                around += p.shape().orElseThrow().offDeg((tangent + 360) % 180) < 25 ? 1 : 0;
            }
        }
        return outer >= 4 && around >= MOST * outer;
    }

    /** Of a star on the celestial equator in the middle of the frame, pixels; 0 where time or lens are not known. */
    private double mostDriftPx() {
        return r.known()
                .lens()
                .map(l -> Sidereal.RADIANS_PER_SECOND * r.known().seconds() * l.focalMm() / Known.pixelMm(l, r.width()))
                .orElse(0.0);
    }

    private Correction shorter(double length) {
        return limits.flatMap(l -> r.known()
                        .settings()
                        .map(s -> Correction.of(
                                Symptom.STREAKS,
                                s,
                                0,
                                new Correction.Limits(l.body(), l.apertures(), s.seconds() * tolerance / length),
                                Correction.STARS)))
                .orElse(none());
    }

    private boolean width() {
        Optional<StarShape> middle = r.middle().or(() -> r.ninths().get(0).shape());
        double inside = middle.map(StarShape::widthPx).orElse(0.0);
        double all = r.widthPx().orElse(0);
        if (Math.min(inside, all) > Judge.SHARP_PX) {
            double thin = r.ninths().stream()
                    .mapToDouble(p -> p.shape().orElseThrow().widthPx())
                    .min()
                    .orElse(all);
            add(
                    Cause.FOCUS,
                    Numbers.text(
                            "stars %.1f px wide in the middle, %.1f all over, across any line they make; up to %.1f is sharp%s",
                            inside,
                            all,
                            Judge.SHARP_PX,
                            thin < Judge.SHARP_PX ? Numbers.text(", %.1f where they are smallest", thin) : ""),
                    Math.min(inside, all) / Judge.SHARP_PX,
                    none(),
                    "Focus again on a bright star, magnified; not by the infinity mark. Tape the ring.");
            return true;
        }
        return false;
    }

    private void corners(double inside) {
        List<Part> corners = r.corners();
        double[] widths = corners.stream()
                .mapToDouble(c -> c.shape().map(s -> size(s, c)).orElse(Double.NaN))
                .toArray();
        double widest = Arrays.stream(widths).filter(Double::isFinite).max().orElse(0);
        double limit = CORNER * inside + CORNER_PX;
        String evidence = Numbers.text(
                "corners %s px, the middle %.1f",
                Arrays.stream(widths)
                        .mapToObj(w -> Double.isNaN(w) ? "\u2013" : Numbers.fixed(w, 1))
                        .collect(Collectors.joining(", ")),
                inside);
        double sides = sides(widths);
        double weight = Math.max(widest / limit, sides / ONE_SIDE);
        if (sides > ONE_SIDE && widest > ROUND_PX * 2) {
            add(Cause.TILT, evidence, weight, none(), "Check mount and adapter; focus where both sides agree.");
            return;
        }
        if (widest < limit) {
            return;
        }
        long winged = corners.stream().filter(this::outwards).count();
        add(
                winged >= 2 ? Cause.COMA : Cause.CURVATURE,
                evidence,
                weight,
                narrower(),
                winged >= 2 ? "" : "Or focus a third of the way out.");
    }

    /** How much wider stars are on one side than on the other: more than opposite corners of a centred lens differ. 1 where a corner is missing. */
    private static double sides(double[] w) {
        double across = (w[0] + w[2]) / (w[1] + w[3]);
        double down = (w[0] + w[1]) / (w[2] + w[3]);
        double most = Math.max(Math.max(across, 1 / across), Math.max(down, 1 / down));
        return Double.isNaN(most) ? 1 : most;
    }

    /** Width, with what the line is longer than drift. */
    private static double size(StarShape s, Part p) {
        double drift = p.drift().map(Part.Drift::lengthPx).orElse(s.lengthPx());
        return s.widthPx() + Math.max(0, s.lengthPx() - drift);
    }

    private boolean outwards(Part p) {
        double outwards = Math.toDegrees(Math.atan2((p.y() - 0.5) * r.height(), (p.x() - 0.5) * r.width()));
        return p.shape()
                .map(s -> s.lengthPx() > 1 && s.offDeg((outwards + 360) % 180) < 30
                        || s.oddness() > 2 * r.middle().map(StarShape::oddness).orElse(1.0))
                .orElse(false);
    }

    private Correction narrower() {
        return limits.flatMap(l -> r.known()
                        .settings()
                        .map(s -> Correction.of(Symptom.CORNERS, s, 0, unstreaked(l, s), Correction.STARS)))
                .orElse(none());
    }
}
