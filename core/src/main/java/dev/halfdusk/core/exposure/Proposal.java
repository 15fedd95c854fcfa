package dev.halfdusk.core.exposure;

import dev.halfdusk.core.glow.Luminance;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Skyline;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Shutter, ISO and number of frames for one framing of one sky with one rig, and why.
 *
 * @param shutter the limit of stars, or of the tracker
 * @param seconds the shutter is really open
 * @param label as the dial or the timer shows it
 * @param sky brightness over the frame
 * @param light what a pixel of middling sky collects
 * @param isos every school, the recommended one first
 * @param histogram predicted at the recommended ISO
 * @param frames of the Milky Way's core clouds to stack for the wanted signal to noise
 */
public record Proposal(
        Request request,
        Optional<ShutterAdvice> shutter,
        Optional<Tracking> tracking,
        double limitSeconds,
        double seconds,
        String label,
        DriftField drift,
        FrameSky sky,
        Light light,
        List<IsoChoice> isos,
        Histogram histogram,
        int frames,
        List<Reason> reasons) {

    public static final Range SIGNAL_TO_NOISE = new Range("signal to noise", 1, 500, "");

    /** Brightness of the core's clouds, the usual thing to want. */
    public static final double CORE_CLOUDS = 20.7;

    private static final double LONGEST_TIMED = 300;
    private static final double TIMER_STEP = 30;

    /**
     * What is asked.
     *
     * @param framing with the optics of the rig
     * @param aperture with the converter, as it works on the sensor
     */
    public record Request(
            Framing framing,
            Moment moment,
            Observer observer,
            SkyGlow glow,
            Skyline skyline,
            Rig rig,
            double aperture,
            double tolerancePx,
            double signalToNoise) {

        double latitudeDeg() {
            return observer.site().latitudeDeg();
        }

        /** Electrons a second of a sky of some brightness. */
        public double electronsPerSecond(double magnitude) {
            return SkyElectrons.perSecond(
                    magnitude, aperture, framing.optics().sensor().pitchUm(), rig.efficiency());
        }
    }

    public static Proposal of(Request r) {
        Range.TOLERANCE.check(r.tolerancePx);
        SIGNAL_TO_NOISE.check(r.signalToNoise);
        boolean tracked = r.rig.support().tracks();
        Optional<ShutterAdvice> still = tracked
                ? Optional.empty()
                : Optional.of(ShutterAdvice.of(
                        r.framing, r.latitudeDeg(), r.tolerancePx, r.rig.body().dial()));
        Optional<Tracking> tracking = tracked
                ? Optional.of(Tracking.of(r.rig.support(), r.framing.optics(), r.tolerancePx))
                : Optional.empty();
        double limit = tracked
                ? tracking.orElseThrow().limitSeconds()
                : still.orElseThrow().limitSeconds();
        Optional<Dial.Stop> stop = r.rig.body().shutterAtMost(limit);
        boolean timed = tracked && limit >= 2 * TIMER_STEP;
        double seconds = timed
                ? Math.min(LONGEST_TIMED, Math.floor(limit / TIMER_STEP) * TIMER_STEP)
                : stop.map(Dial.Stop::realSeconds).orElse(limit);
        String label = timed
                ? String.format(Locale.ROOT, "%.0f", seconds)
                : stop.map(Dial.Stop::label).orElse("\u2014");
        DriftField drift =
                still.map(ShutterAdvice::field).orElseGet(() -> DriftField.of(r.framing, r.latitudeDeg(), seconds));

        FrameSky sky = FrameSky.of(r.framing, r.moment, r.observer, r.glow, r.skyline);
        Light light = new Light(r.rig.body().response(), r.electronsPerSecond(sky.medianMagnitude()), seconds);
        List<IsoChoice> isos = IsoChoice.all(light, r.rig.body());
        int iso = isos.get(0).iso();
        Histogram histogram =
                Histogram.of(sky, r::electronsPerSecond, r.rig.body().response(), seconds, iso);
        int frames = light.framesFor(r.signalToNoise, r.electronsPerSecond(CORE_CLOUDS), iso);
        List<Reason> reasons = new ArrayList<>();
        still.ifPresent(s -> reasons.addAll(s.reasons()));
        tracking.ifPresent(t -> reasons.addAll(tracked(t, r, seconds)));
        reasons.addAll(light(r, sky, light, isos.get(0), frames));
        return new Proposal(
                r,
                still,
                tracking,
                limit,
                seconds,
                label,
                drift,
                sky,
                light,
                isos,
                histogram,
                frames,
                List.copyOf(reasons));
    }

    private static List<Reason> tracked(Tracking t, Request r, double seconds) {
        return List.of(
                new Reason(
                        "The tracker keeps every star within " + r.tolerancePx + " px for",
                        t.limitSeconds(),
                        "s",
                        text(
                                "%.1f px \u00d7 %.1f\u2033 / error",
                                r.tolerancePx, t.optics().plateScaleArcsec()),
                        "error of the tracker, its rate against the stars'"),
                new Reason("Stars creep by", t.starPx(seconds), "px", text("in %.0f s", seconds), "the same"),
                new Reason(
                        "The ground is smeared by up to",
                        t.groundPx(seconds),
                        "px",
                        "take the ground with the tracker stopped",
                        "rate of the tracker"));
    }

    private static List<Reason> light(Request r, FrameSky sky, Light light, IsoChoice best, int frames) {
        double read = light.response().readNoiseE(best.iso());
        List<Reason> reasons = new ArrayList<>(List.of(
                new Reason(
                        "Sky in the frame, middle",
                        sky.medianMagnitude(),
                        "mag/arcsec\u00b2",
                        text("from %.1f to %.1f over the frame", sky.darkestMagnitude(), sky.brightestMagnitude()),
                        "natural sky, towns, twilight, moon and Milky Way in these directions"),
                new Reason(
                        "A pixel of it collects",
                        light.skyPerSecond(),
                        "e\u207b/s",
                        text(
                                "8.8e5 \u00d7 10^(\u22120.4 \u00d7 %.2f) \u00d7 \u03c0/4 \u00d7 (206265 \u00d7 %.2f \u00b5m)\u00b2 / %.1f\u00b2 \u00d7 %.2f",
                                sky.medianMagnitude(),
                                r.framing.optics().sensor().pitchUm(),
                                r.aperture,
                                r.rig.efficiency()),
                        "photons of a V band sky"),
                new Reason(
                        "In this shutter",
                        light.skyE(),
                        "e\u207b",
                        text(
                                "\u00d7 %.1f s; white at %.0f",
                                light.seconds(), light.response().saturationE(best.iso())),
                        "full well \u00d7 base ISO / ISO"),
                new Reason(
                        "Read noise raises the noise of the sky by",
                        100 * best.readNoiseShare(),
                        "%",
                        text("read noise %.1f e\u207b at ISO %d", read, best.iso()),
                        "\u221a(after\u00b2/gain\u00b2 + before\u00b2)"),
                new Reason(
                        "Peak of the sky on the histogram",
                        best.peak(),
                        "of the axis",
                        "sRGB curve of electrons / white",
                        "sRGB"),
                new Reason(
                        "Frames to stack for a signal to noise of " + text("%.0f", r.signalToNoise)
                                + " on the core's clouds",
                        frames,
                        "frames",
                        "n S / \u221a(n (S + B + D + R\u00b2))",
                        "photon, dark and read noise")));
        reasons.addAll(sensitivity(r, light.seconds()));
        return reasons;
    }

    /** What the ISO would be if the place were a class darker or brighter than thought. */
    private static List<Reason> sensitivity(Request r, double seconds) {
        double zenith = r.glow.zenith(new SkyGlow.Lamps(-60, 0, -60, 0, 180)).magnitude();
        int nearest = 1;
        for (int c = 2; c <= 9; c++) {
            if (Math.abs(Luminance.ofClass(c) - zenith) < Math.abs(Luminance.ofClass(nearest) - zenith)) {
                nearest = c;
            }
        }
        List<Reason> reasons = new ArrayList<>();
        if (nearest > 1) {
            reasons.add(atClass(r, seconds, nearest - 1, "One class darker"));
        }
        if (nearest < 9) {
            reasons.add(atClass(r, seconds, nearest + 1, "One class brighter"));
        }
        return reasons;
    }

    private static Reason atClass(Request r, double seconds, int darknessClass, String words) {
        SkyGlow glow = SkyGlow.ofZenith(Luminance.ofClass(darknessClass));
        FrameSky sky = FrameSky.of(r.framing, r.moment, r.observer, glow, r.skyline);
        Light light = new Light(r.rig.body().response(), r.electronsPerSecond(sky.medianMagnitude()), seconds);
        IsoChoice best = IsoChoice.all(light, r.rig.body()).get(0);
        return new Reason(
                words + ", class " + darknessClass + ": ISO",
                best.iso(),
                "",
                text("sky %.1f mag/arcsec\u00b2, peak at %.2f", sky.medianMagnitude(), best.peak()),
                "the same, with that zenith");
    }

    /** How far the sky turns against the ground while the frames are taken, pauses of a second between them; degrees. */
    public double turnDeg() {
        double whole = frames * seconds + Math.max(0, frames - 1);
        return whole * Sidereal.ARCSEC_PER_SECOND / 3600;
    }

    /** Time for all frames with a pause of a second between them. */
    public double stackSeconds() {
        return frames * seconds + Math.max(0, frames - 1);
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
