package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.FixedPoint;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Shutter, ISO and number of frames for one framing of one sky with one rig, and why.
 *
 * @param shutter the limit of stars, or of the tracker
 * @param settings recommended; seconds are those the shutter is really open
 * @param label of the shutter as the dial or the timer shows it
 * @param sky brightness over the frame
 * @param light what a pixel of middling sky collects
 * @param isos every school, the recommended one first
 * @param histogram predicted at the recommended ISO
 * @param stack of the clouds of what one comes for, for the wanted signal to noise; empty where stacking is pointless
 * @param warnings those of the reasons that one should not overlook
 */
public record Proposal(
        Setup setup,
        Optional<ShutterAdvice> shutter,
        Optional<Tracking> tracking,
        double limitSeconds,
        Settings settings,
        String label,
        DriftField drift,
        FrameSky sky,
        Light light,
        List<IsoChoice> isos,
        Histogram histogram,
        Optional<Stacking> stack,
        List<Reason> reasons,
        List<Reason> warnings) {

    /** Brightness of the core's clouds, the usual thing to want. */
    public static final double CORE_CLOUDS = 20.7;

    private static final double BRIGHTEST_CLASS = Luminance.ofClass(Luminance.BRIGHTEST_CLASS);

    private static final double LONGEST_TIMED = 300;
    private static final double TIMER_STEP = 30;

    public static Proposal of(Setup s) {
        Framing framing = s.framing();
        double latitude = s.from().site().latitudeDeg();
        CameraBody body = s.rig().body();
        boolean tracked = s.rig().support().tracks();
        Optional<ShutterAdvice> still =
                tracked ? Optional.empty() : Optional.of(ShutterAdvice.of(framing, latitude, s.demand(), body.dial()));
        Optional<Tracking> tracking = tracked
                ? Optional.of(Tracking.of(
                        s.rig().support(), framing.optics(), s.demand().tolerancePx()))
                : Optional.empty();
        boolean held = s.rig().support().kind() == Support.Kind.HAND;
        double shakes = held ? framing.optics().handHeldSeconds() : Double.POSITIVE_INFINITY;
        TrailingRule.Case at = new TrailingRule.Case(framing.optics(), s.aperture(), FixedPoint.CORE.declinationDeg());
        double stars = still.map(a -> s.demand().plannedBy().seconds(at).orElse(a.limitSeconds()))
                .orElseGet(() -> tracking.orElseThrow().limitSeconds());
        double planned = s.demand().plannedBy() == PlannedBy.DRIFT ? stars : labelled(body, stars);
        double limit =
                Math.min(Math.min(shakes, planned), labelled(body, s.demand().slowestSeconds()));
        Dial.Stop sharp = click(body, limit, tracked);
        FrameSky sky = FrameSky.of(framing, s.moment(), s.from());
        Light sharpLight = new Light(body.response(), s.electronsPerSecond(sky.medianMagnitude()), sharp.realSeconds());
        double unburnt = IsoChoice.longestUnburnt(sharpLight, body);
        Dial.Stop click = unburnt < sharp.realSeconds() ? click(body, unburnt, tracked) : sharp;
        double seconds = click.realSeconds();
        Light light = sharpLight.during(seconds);
        DriftField drift = DriftField.of(framing, latitude, seconds);
        List<IsoChoice> isos = IsoChoice.all(light, body);
        IsoChoice best = isos.get(0);
        Optional<Stacking> enough = stack(s, light, best.iso());
        boolean hopeless = enough.isPresent() && sky.medianMagnitude() < BRIGHTEST_CLASS;
        Optional<Stacking> stack = hopeless ? Optional.empty() : enough;
        List<Reason> reasons = new ArrayList<>();
        still.ifPresent(a -> reasons.addAll(a.reasons()));
        if (still.isPresent() && s.demand().plannedBy() != PlannedBy.DRIFT) {
            reasons.add(new Reason(
                    "Planned by another school: " + s.demand().plannedBy().words(),
                    stars,
                    "s",
                    Numbers.text(
                            "stars that matter then drift by %.1f px; %.1f were to be kept",
                            drift.px(s.demand().sharp()), s.demand().tolerancePx()),
                    "as you decided"));
        }
        if (s.demand().slowestSeconds() < planned) {
            reasons.add(new Reason(
                    "Never slower than",
                    s.demand().slowestSeconds(),
                    "s",
                    "drift alone would allow " + Numbers.trimmed(planned, 1) + " s",
                    "as you decided"));
        }
        tracking.ifPresent(t -> reasons.addAll(tracked(t, s, seconds)));
        List<Reason> warnings = new ArrayList<>();
        if (held) {
            warnings.add(inTheHand(shakes));
        }
        if (seconds < sharp.realSeconds()) {
            warnings.add(givesWay(sharpLight, sharp, click, body));
        }
        overTolerated(s, light, best, stack).ifPresent(warnings::add);
        Reason stacked = hopeless ? hopeless(sky) : stacked(s, light, best, stack);
        if (stack.isEmpty()) {
            warnings.add(stacked);
        } else {
            reasons.add(stacked);
        }
        reasons.addAll(light(s, sky, light, best));
        reasons.addAll(warnings);
        reasons.addAll(sensitivity(s, light.seconds()));
        return new Proposal(
                s,
                still,
                tracking,
                limit,
                new Settings(seconds, s.aperture(), best.iso()),
                click.label(),
                drift,
                sky,
                light,
                isos,
                Histogram.of(sky, s::electronsPerSecond, body.response(), seconds, best.iso()),
                stack,
                List.copyOf(reasons),
                List.copyOf(warnings));
    }

    /** A rule of thumb is not meant to the hundredth. */
    private static final double ROUNDED = 1.01;

    /** Rules of thumb mean what the dial says: 20 s, though it is open a little longer. */
    private static double labelled(CameraBody body, double seconds) {
        return body.shutters().stream()
                .filter(s -> s.nominalSeconds() <= ROUNDED * seconds)
                .findFirst()
                .map(s -> Math.max(seconds, s.realSeconds()))
                .orElse(seconds);
    }

    private static Optional<Stacking> stack(Setup s, Light light, int iso) {
        return Stacking.of(light, s.demand().signalToNoise(), s.electronsPerSecond(clouds(s)), iso);
    }

    /** Of the sight that is asked for, mag/arcsec\u00b2; a point of light has none, and then the core's are meant. */
    private static double clouds(Setup s) {
        Sight sight = s.demand().sight();
        return sight.glows() && !sight.equals(Sight.CORE)
                ? Luminance.magnitude(sight.luminance(s.moment(), s.from().observer()))
                : CORE_CLOUDS;
    }

    private static String whose(Sight sight) {
        return sight.glows() && !sight.equals(Sight.CORE) ? "the clouds of " + sight.name() : "the core's clouds";
    }

    /** On the dial; on a tracker that allows a minute and more, on a timer in half minutes up to five. */
    private static Dial.Stop click(CameraBody body, double limit, boolean tracked) {
        if (tracked && limit >= 2 * TIMER_STEP) {
            double seconds = Math.min(LONGEST_TIMED, Math.floor(limit / TIMER_STEP) * TIMER_STEP);
            return new Dial.Stop(Numbers.plain(seconds), seconds, seconds);
        }
        return body.shutterAtMost(limit).orElseGet(() -> body.shortest());
    }

    /** Longest shutter with which the sky does not burn at the lowest ISO. */
    public double unburntSeconds() {
        return IsoChoice.longestUnburnt(light, setup.rig().body());
    }

    /** Worst drift of a star while the shutter is open: by the turning sky, or by the tracker's error. Pixels. */
    public double worstPx() {
        return tracking.map(t -> t.starPx(settings.seconds()))
                .orElse(drift.worst().px());
    }

    /** Drift that none of the stars that matter exceeds, likewise. */
    public double judgedPx() {
        return tracking.map(t -> t.starPx(settings.seconds()))
                .orElse(drift.px(setup.demand().sharp()));
    }

    /** The same while it would be open for some seconds. */
    public double driftPx(double seconds) {
        return tracking.map(t -> t.starPx(seconds))
                .orElseGet(
                        () -> DriftField.of(setup.framing(), setup.from().site().latitudeDeg(), seconds)
                                .px(setup.demand().sharp()));
    }

    /** Drift of the middle star of the frame, likewise. */
    public double medianPx() {
        return tracking.map(t -> t.starPx(settings.seconds())).orElse(drift.medianPx());
    }

    /** Longest shutter for each of those that may have to stay sharp; none on a tracker, which treats all alike. */
    public Map<Sharp, Double> limits() {
        Map<Sharp, Double> limits = new EnumMap<>(Sharp.class);
        if (tracking.isEmpty()) {
            double latitude = setup.from().site().latitudeDeg();
            double tolerance = setup.demand().tolerancePx();
            Framing framing = setup.framing();
            for (Sharp who : Sharp.values()) {
                limits.put(who, DriftField.longestSeconds(framing, latitude, tolerance, who));
            }
        }
        return limits;
    }

    /** Every school's shutter, with what it would do in this frame. */
    public List<TrailingInFrame> rules() {
        return TrailingInFrame.all(setup);
    }

    /** Short frames as bright as this one, for finding the composition. */
    public List<CompositionFrame> compositionFrames() {
        return CompositionFrame.all(settings, setup.rig().body());
    }

    private static List<Reason> tracked(Tracking t, Setup s, double seconds) {
        return List.of(
                new Reason(
                        "The tracker keeps every star within " + s.demand().tolerancePx() + " px for",
                        t.limitSeconds(),
                        "s",
                        Numbers.text(
                                "%.1f px \u00d7 %.1f\u2033 / error",
                                s.demand().tolerancePx(), t.optics().plateScaleArcsec()),
                        "error of the tracker, its rate against the stars'"),
                new Reason("Stars creep by", t.starPx(seconds), "px", Numbers.text("in %.0f s", seconds), "the same"),
                new Reason(
                        "The ground is smeared by up to",
                        t.groundPx(seconds),
                        "px",
                        "take the ground with the tracker stopped",
                        "rate of the tracker"));
    }

    private static Reason inTheHand(double shakes) {
        return new Reason(
                "Held in the hand, no longer than",
                shakes,
                "s",
                "1 / (focal length \u00d7 crop): put it on something",
                "a rule of the craft");
    }

    private static Reason givesWay(Light sharp, Dial.Stop wanted, Dial.Stop click, CameraBody body) {
        int lowest = body.isoSteps().get(0);
        return new Reason(
                "The sky is bright: the shutter gives way to it, from " + wanted.label() + " s down to",
                click.realSeconds(),
                "s",
                Numbers.text("at ISO %d its peak would stand at %.2f of the axis", lowest, sharp.peak(lowest)),
                "sRGB curve of electrons / white");
    }

    /** A sky brighter than any class of darkness: frames do not help. */
    private static Reason hopeless(FrameSky sky) {
        return new Reason(
                "Hopeless for the Milky Way, however many frames: this sky is brighter than the brightest class of darkness (9) by",
                BRIGHTEST_CLASS - sky.medianMagnitude(),
                "mag/arcsec\u00b2",
                Numbers.text("%.1f against %.1f mag/arcsec\u00b2", sky.medianMagnitude(), BRIGHTEST_CLASS),
                "town, moon or twilight in the frame");
    }

    private static Reason stacked(Setup s, Light light, IsoChoice best, Optional<Stacking> stack) {
        String goal = "a signal to noise of " + Numbers.text("%.0f", s.demand().signalToNoise()) + " on "
                + whose(s.demand().sight());
        String formula = "n S / \u221a(n (S + B + D + R\u00b2))";
        String source = "photon, dark and read noise";
        double clouds = s.electronsPerSecond(clouds(s));
        return stack.map(k -> new Reason("Frames to stack for " + goal, k.frames(), "frames", formula, source))
                .orElseGet(() -> new Reason(
                        "Stacking for " + goal + " is pointless: to this sky they add only",
                        100 * clouds / light.skyPerSecond(),
                        "%",
                        Numbers.text(
                                "one frame reaches %.2f; two hours of frames are not enough",
                                light.signalToNoise(clouds, best.iso(), 1)),
                        source));
    }

    /** What it means to go over the ISO that the owner tolerates, and what staying there would cost. */
    private static Optional<Reason> overTolerated(Setup s, Light light, IsoChoice best, Optional<Stacking> stack) {
        CameraBody body = s.rig().body();
        IsoChoice kept = IsoChoice.comfortable(light, body);
        if (best.iso() <= body.comfortableIso() || kept.iso() >= best.iso()) {
            return Optional.empty();
        }
        String more = stack.flatMap(k -> stack(s, light, kept.iso())
                        .filter(other -> other.frames() != k.frames())
                        .map(other -> Numbers.text(", %d frames instead of %d", other.frames(), k.frames())))
                .orElse("");
        return Optional.of(new Reason(
                Numbers.text("ISO %d is over the %d that you tolerate, by", best.iso(), kept.iso()),
                Stops.of((double) best.iso() / kept.iso()),
                "stops",
                Numbers.text(
                                "bright stars burn that much sooner; at ISO %d: peak at %.2f, read noise +%.0f %%",
                                kept.iso(), kept.peak(), 100 * kept.readNoiseShare())
                        + more,
                "your body's limit"));
    }

    private static List<Reason> light(Setup s, FrameSky sky, Light light, IsoChoice best) {
        double read = light.response().readNoiseE(best.iso());
        return List.of(
                new Reason(
                        "Sky in the frame, middle",
                        sky.medianMagnitude(),
                        "mag/arcsec\u00b2",
                        Numbers.text(
                                "from %.1f to %.1f over the frame", sky.darkestMagnitude(), sky.brightestMagnitude()),
                        "natural sky, towns, twilight, moon and Milky Way in these directions"),
                new Reason(
                        "A pixel of it collects",
                        light.skyPerSecond(),
                        "e\u207b/s",
                        Numbers.text(
                                "8.8e5 \u00d7 10^(\u22120.4 \u00d7 %.2f) \u00d7 \u03c0/4 \u00d7 (206265 \u00d7 %.2f \u00b5m)\u00b2 / %.1f\u00b2 \u00d7 %.2f",
                                sky.medianMagnitude(),
                                s.rig().body().sensor().pitchUm(),
                                s.aperture(),
                                s.rig().efficiency()),
                        "photons of a V band sky"),
                new Reason(
                        "In this shutter",
                        light.skyE(),
                        "e\u207b",
                        Numbers.text(
                                "\u00d7 %.1f s; white at %.0f",
                                light.seconds(), light.response().saturationE(best.iso())),
                        "full well \u00d7 base ISO / ISO"),
                new Reason(
                        "Read noise raises the noise of the sky by",
                        100 * best.readNoiseShare(),
                        "%",
                        Numbers.text("read noise %.1f e\u207b at ISO %d", read, best.iso()),
                        "\u221a(after\u00b2/gain\u00b2 + before\u00b2)"),
                new Reason(
                        "Peak of the sky on the histogram",
                        best.peak(),
                        "of the axis",
                        "sRGB curve of electrons / white",
                        "sRGB"));
    }

    /** What the ISO would be if the place were a class darker or brighter than thought. */
    private static List<Reason> sensitivity(Setup s, double seconds) {
        double zenith = s.from().glow().zenith(SunAndMoon.NEITHER).magnitude();
        int nearest = 1;
        for (int c = 2; c <= 9; c++) {
            if (Math.abs(Luminance.ofClass(c) - zenith) < Math.abs(Luminance.ofClass(nearest) - zenith)) {
                nearest = c;
            }
        }
        List<Reason> reasons = new ArrayList<>();
        if (nearest > 1) {
            reasons.add(atClass(s, seconds, nearest - 1, "One class darker"));
        }
        if (nearest < 9) {
            reasons.add(atClass(s, seconds, nearest + 1, "One class brighter"));
        }
        return reasons;
    }

    private static Reason atClass(Setup s, double seconds, int darknessClass, String words) {
        SkyGlow glow = s.from().glow().read(Luminance.ofClass(darknessClass)); // its towns still stand where they are
        FrameSky sky = FrameSky.of(s.framing(), s.moment(), s.from().under(glow));
        CameraBody body = s.rig().body();
        Light light = new Light(body.response(), s.electronsPerSecond(sky.medianMagnitude()), seconds);
        IsoChoice best = IsoChoice.recommended(light, body);
        return new Reason(
                words + ", class " + darknessClass + ": ISO",
                best.iso(),
                "",
                Numbers.text("sky %.1f mag/arcsec\u00b2, peak at %.2f", sky.medianMagnitude(), best.peak()),
                "the same, with that zenith");
    }
}
