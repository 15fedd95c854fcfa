package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Symptom;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Sidereal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

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
    private static final double ROUND_PX = 1.5;
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
    private static final double EXPOSURE_STOPS = 0.7;
    private static final double BURNT = 0.3;
    private static final double TINTED = 0.15;
    private static final double AIM_SHARE = 0.02;
    private static final double AIM_DEG = 0.5;
    private static final double LEVEL_DEG = 1;
    private static final double TOP_ISO_STOPS = 5;

    private final FrameReading r;
    private final Optional<Correction.Limits> limits;
    private final double tolerance;
    private final List<Finding> findings = new ArrayList<>();

    private Judge(FrameReading reading, Optional<Correction.Limits> limits) {
        r = reading;
        this.limits = limits;
        tolerance = allowedPx(reading);
    }

    /**
     * Lengths up to here are points, pixels of the picture: what was to be kept, but no less than what can be seen, nor than the drift of the shutter
     * that was planned, which may have been decided to be longer than points allow.
     */
    public static double allowedPx(FrameReading reading) {
        Optional<Known.Planned> planned = reading.known().planned();
        double kept = planned.map(Known.Planned::tolerancePx).orElse(TOLERANCE_PX);
        return Math.max(
                Math.max(ROUND_PX, kept), planned.map(p -> driftPx(reading, p)).orElse(0.0));
    }

    private static double driftPx(FrameReading reading, Known.Planned planned) {
        double drift = ShapeFit.median(reading.ninths().stream()
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
    public static List<Finding> of(FrameReading reading, Optional<Correction.Limits> limits) {
        if (reading.moon().isPresent()) {
            return MoonJudge.of(reading.moon().get(), reading, limits);
        }
        Judge judge = new Judge(reading, limits);
        if (!judge.cannot()) {
            if (!judge.twins()) {
                judge.streaks();
            }
            if (!reading.ninths().isEmpty() && !judge.width() && judge.findings.isEmpty()) {
                judge.corners(reading.middle()
                        .or(() -> reading.ninths().get(0).shape())
                        .orElseThrow()
                        .widthPx());
            }
            judge.exposure();
            judge.burnt();
            judge.tint();
            judge.aim();
            judge.findings.sort(Comparator.comparingDouble(Finding::weight).reversed());
            if (judge.findings.isEmpty()) {
                judge.good();
            }
        }
        return List.copyOf(judge.findings);
    }

    private boolean cannot() {
        if (r.stars() >= LEAST_STARS && !(r.ninths().isEmpty() && r.twins().isEmpty())) {
            return false;
        }
        SkyReading sky = r.sky();
        String why;
        if (sky.clippedLow() > 0.98) {
            why = Numbers.text(
                    "%.0f %% of it is black: the cap is on, or far too little light", 100 * sky.clippedLow());
        } else if (sky.peak() > 0.75 || sky.clippedHigh() > 0.5) {
            why = Numbers.text(
                    "the peak stands at %.2f and %.0f %% is burnt: daylight, or far too much light",
                    sky.peak(), 100 * sky.clippedHigh());
        } else {
            why = Numbers.text("%d stars stand out of it: cloud, far out of focus, or not the sky", r.stars());
        }
        add(Cause.CANNOT_JUDGE, why, 1, none(), "");
        return true;
    }

    private void good() {
        add(
                Cause.GOOD,
                Numbers.text(
                        "stars %.1f px wide and drawn out by %.1f, %.1f tolerated; peak at %.2f",
                        r.widthPx().orElse(0),
                        r.lengthPx().orElse(0),
                        tolerance,
                        r.sky().peak()),
                0,
                none(),
                "");
    }

    private void add(Cause cause, String evidence, double weight, Correction change, String remedy) {
        findings.add(new Finding(cause, evidence, weight, change, remedy));
    }

    private static Correction none() {
        return new Correction(List.of(), 0);
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
        double error = ShapeFit.median(parts.stream()
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
            long agree = expected.stream().filter(Judge::agrees).count();
            double drift = ShapeFit.median(expected.stream()
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
        if (Math.min(inside, all) > SHARP_PX) {
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
                            SHARP_PX,
                            thin < SHARP_PX ? Numbers.text(", %.1f where they are smallest", thin) : ""),
                    Math.min(inside, all) / SHARP_PX,
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

    /** As long as stars stay points, by what was measured. */
    private Correction.Limits unstreaked(Correction.Limits l, Settings s) {
        double length = Math.max(0.2, r.lengthPx().orElse(0));
        double longest = Math.max(s.seconds(), s.seconds() * tolerance / length);
        return new Correction.Limits(l.body(), l.apertures(), Math.min(Range.SHUTTER.max(), longest));
    }

    private void exposure() {
        double peak = Math.max(r.sky().peak(), r.sky().middle());
        Optional<Known.Planned> planned = r.known().planned();
        double from = planned.map(Known.Planned::peak).orElse(IsoChoice.PEAK_FROM);
        double to = planned.map(Known.Planned::peak).orElse(IsoChoice.PEAK_TO);
        double target = peak < from ? from : peak > to ? to : peak;
        double stops = Stops.of(Tone.share(peak) / Tone.share(target));
        double slack = r.encoding() == Encoding.LINEAR ? EXPOSURE_STOPS : 2 * EXPOSURE_STOPS;
        if (Math.abs(stops) < slack) {
            return;
        }
        Correction change = limits.flatMap(l -> r.known()
                        .settings()
                        .map(s -> Correction.by(
                                Correction.STOPS.nearest(-stops),
                                s,
                                unstreaked(l, s),
                                stops < 0
                                        ? Correction.STARS
                                        : List.of(Dialled.ISO, Dialled.SHUTTER, Dialled.APERTURE))))
                .orElse(none());
        add(
                stops < 0 ? Cause.TOO_DARK : Cause.TOO_BRIGHT,
                Numbers.text(
                        "%s at %.2f, %s %.2f: %.1f stops %s%s",
                        r.sky().middle() > r.sky().peak() ? "the sky in the middle stands" : "the sky's peak stands",
                        peak,
                        planned.isPresent() ? "planned" : stops < 0 ? "wanted from" : "wanted up to",
                        target,
                        Math.abs(stops),
                        stops < 0 ? "too dark" : "too bright",
                        r.encoding() == Encoding.LINEAR ? "" : " (in a picture that the camera developed)"),
                Math.min(TOP_ISO_STOPS, Math.abs(stops) / slack),
                change,
                "");
    }

    private void burnt() {
        if (r.burntStars() > BURNT) {
            Correction change = limits.flatMap(l ->
                            r.known().settings().map(s -> Correction.by(-1, s, unstreaked(l, s), List.of(Dialled.ISO))))
                    .orElse(none());
            add(
                    Cause.BURNT,
                    Numbers.text("%.0f %% of the brighter stars are white", 100 * r.burntStars()),
                    0.5 * r.burntStars() / BURNT,
                    change,
                    "");
        }
    }

    private void tint() {
        double magenta = r.sky().magenta();
        if (Math.abs(magenta) > TINTED && r.encoding() != Encoding.LINEAR) {
            add(
                    Cause.TINT,
                    Numbers.text(
                            "the sky is %s by %.0f %%; cool or coppery is a taste, this is a mistake",
                            magenta > 0 ? "purple" : "green", 100 * Math.abs(magenta)),
                    0.4 * Math.abs(magenta) / TINTED,
                    none(),
                    "Set the white balance by hand; in the raw file it can still be chosen.");
        }
    }

    private void aim() {
        if (r.aim().isEmpty() || r.known().aim().isEmpty()) {
            return;
        }
        Aim aim = r.aim().get();
        Framing framing = aim.framing();
        double[] off = off(framing, r.known().aim().get().vector());
        double limit = Math.max(
                AIM_DEG * Math.min(1, framing.optics().widthDeg() / 30),
                AIM_SHARE * framing.optics().widthDeg());
        if (Math.hypot(off[0], off[1]) > limit) {
            add(
                    Cause.AIM,
                    Numbers.text(
                            "the frame's middle is %s and %s of the plan's, by %d stars",
                            side(-off[0], "right", "left"), side(-off[1], "above", "below"), aim.stars()),
                    0.6 * Math.hypot(off[0], off[1]) / limit,
                    none(),
                    Numbers.text(
                            "Aim %s, %s; then focus again.",
                            side(off[1], "higher", "lower"), side(off[0], "to the right", "to the left")));
        }
        double roll = Angles.halfTurn(
                aim.rollDeg() - r.known().planned().map(Known.Planned::rollDeg).orElse(0.0));
        double level = Math.abs(roll) > 45 ? 0 : roll; // held upright, not tilted
        if (Math.abs(level) > LEVEL_DEG) {
            add(
                    Cause.LEVEL,
                    Numbers.text(
                            "the camera is turned %.1f\u00b0 %s",
                            Math.abs(level), level > 0 ? "clockwise" : "anticlockwise"),
                    0.5 * Math.abs(level) / LEVEL_DEG,
                    none(),
                    Numbers.text(
                            "Turn it %.1f\u00b0 %s, seen from behind.",
                            Math.abs(level), level > 0 ? "anticlockwise" : "clockwise"));
        }
    }

    /** By how many degrees a direction lies to the right of the frame's middle, and above it. */
    public static double[] off(Framing framing, Vector direction) {
        return framing.project(direction)
                .map(p -> new double[] {
                    Math.toDegrees(Math.atan(p.x() / framing.optics().focalMm())),
                    -Math.toDegrees(Math.atan(p.y() / framing.optics().focalMm()))
                })
                .orElse(new double[] {180, 0});
    }

    private static String side(double degrees, String more, String less) {
        return Numbers.text("%.1f\u00b0 %s", Math.abs(degrees), degrees >= 0 ? more : less);
    }
}
