package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Sidereal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

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
 * @param frames of the Milky Way's core clouds to stack for the wanted signal to noise
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
        int frames,
        List<Reason> reasons) {

    /** Brightness of the core's clouds, the usual thing to want. */
    public static final double CORE_CLOUDS = 20.7;

    private static final double LONGEST_TIMED = 300;
    private static final double TIMER_STEP = 30;
    private static final double PAUSE_SECONDS = 1;

    public static Proposal of(Setup s) {
        Framing framing = s.framing();
        double latitude = s.from().site().latitudeDeg();
        double tolerance = s.demand().tolerancePx();
        CameraBody body = s.rig().body();
        boolean tracked = s.rig().support().tracks();
        Optional<ShutterAdvice> still =
                tracked ? Optional.empty() : Optional.of(ShutterAdvice.of(framing, latitude, tolerance, body.dial()));
        Optional<Tracking> tracking =
                tracked ? Optional.of(Tracking.of(s.rig().support(), framing.optics(), tolerance)) : Optional.empty();
        double limit = still.map(ShutterAdvice::limitSeconds)
                .orElseGet(() -> tracking.orElseThrow().limitSeconds());
        Dial.Stop click = click(body, limit, tracked);
        double seconds = click.realSeconds();
        DriftField drift = still.map(ShutterAdvice::field).orElseGet(() -> DriftField.of(framing, latitude, seconds));
        FrameSky sky = FrameSky.of(framing, s.moment(), s.from());
        Light light = new Light(body.response(), s.electronsPerSecond(sky.medianMagnitude()), seconds);
        List<IsoChoice> isos = IsoChoice.all(light, body);
        IsoChoice best = isos.get(0);
        int frames = light.framesFor(s.demand().signalToNoise(), s.electronsPerSecond(CORE_CLOUDS), best.iso());
        List<Reason> reasons = new ArrayList<>();
        still.ifPresent(a -> reasons.addAll(a.reasons()));
        tracking.ifPresent(t -> reasons.addAll(tracked(t, s, seconds)));
        reasons.addAll(light(s, sky, light, best, frames));
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
                frames,
                List.copyOf(reasons));
    }

    /** On the dial; on a tracker that allows a minute and more, on a timer in half minutes up to five. */
    private static Dial.Stop click(CameraBody body, double limit, boolean tracked) {
        if (tracked && limit >= 2 * TIMER_STEP) {
            double seconds = Math.min(LONGEST_TIMED, Math.floor(limit / TIMER_STEP) * TIMER_STEP);
            return new Dial.Stop(Numbers.plain(seconds), seconds, seconds);
        }
        return body.shutterAtMost(limit).orElse(new Dial.Stop("\u2014", limit, limit));
    }

    /** Worst drift of a star while the shutter is open: by the turning sky, or by the tracker's error. Pixels. */
    public double worstPx() {
        return tracking.map(t -> t.starPx(settings.seconds()))
                .orElse(drift.worst().px());
    }

    /** Drift of the middle star of the frame, likewise. */
    public double medianPx() {
        return tracking.map(t -> t.starPx(settings.seconds())).orElse(drift.medianPx());
    }

    /** Seconds in which half of the stars in the frame stay within the tolerance; empty on a tracker and where nothing drifts. */
    public OptionalDouble halfSeconds() {
        return tracking.isPresent() || drift.medianPx() == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(settings.seconds() * setup.demand().tolerancePx() / drift.medianPx());
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

    private static List<Reason> light(Setup s, FrameSky sky, Light light, IsoChoice best, int frames) {
        double read = light.response().readNoiseE(best.iso());
        List<Reason> reasons = new ArrayList<>(List.of(
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
                        "sRGB"),
                new Reason(
                        "Frames to stack for a signal to noise of "
                                + Numbers.text("%.0f", s.demand().signalToNoise()) + " on the core's clouds",
                        frames,
                        "frames",
                        "n S / \u221a(n (S + B + D + R\u00b2))",
                        "photon, dark and read noise")));
        reasons.addAll(sensitivity(s, light.seconds()));
        return reasons;
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
        SkyGlow glow = SkyGlow.ofZenith(Luminance.ofClass(darknessClass));
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

    /** How far the sky turns against the ground while the frames are taken, degrees. */
    public double turnDeg() {
        return stackSeconds() * Sidereal.DEGREES_PER_SECOND;
    }

    /** Time for all frames with a pause of a second between them. */
    public double stackSeconds() {
        return frames * settings.seconds() + Math.max(0, frames - 1) * PAUSE_SECONDS;
    }
}
