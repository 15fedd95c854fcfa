package dev.halfdusk.core.outing;

import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.RuleInFrame;
import dev.halfdusk.core.exposure.ShutterAdvice;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Interval;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A plan for sharp stars around the core: when, where to look, and the longest shutter by every school and for the frame
 * itself.
 */
public final class SharpStars {

    /** Where the camera looks when the core is down all night: south of the zenith or north of it, half way up. */
    private static final double IDLE_ALTITUDE_DEG = 45;

    private final Night night;
    private final Optics optics;
    private final double aperture;
    private final double tolerancePx;
    private final Dial dial;

    private SharpStars(Night night, Optics optics, double aperture, double tolerancePx, Dial dial) {
        this.night = night;
        this.optics = optics;
        this.aperture = aperture;
        this.tolerancePx = tolerancePx;
        this.dial = dial;
    }

    /** @param tolerancePx drift in pixels that still counts as a point */
    public static SharpStars of(Night night, Optics optics, double aperture, double tolerancePx, Dial dial) {
        return new SharpStars(night, optics, aperture, tolerancePx, dial);
    }

    /** Where the camera points, and whether that is the core. */
    public record Aim(Instant when, double azimuthDeg, double altitudeDeg, boolean atCore) {}

    public Night night() {
        return night;
    }

    public Optics optics() {
        return optics;
    }

    /** When to shoot: core in the moonless dark, or what comes nearest to it; empty where nothing does. */
    public Optional<Interval> window() {
        return night.coreWindow().or(night::darkWindow);
    }

    /** The instant the plan looks at first: the middle of the window, or the deepest night. */
    public Instant best() {
        return window().map(Interval::middle).orElse(night.sunLowest().when());
    }

    /** The core if it is up at the instant; otherwise halfway up, towards the equator's side of the sky. */
    public Aim aim(Instant when) {
        Horizontal core = night.core(when);
        if (core.altitudeDeg() > 0) {
            return new Aim(when, core.azimuthDeg(), core.altitudeDeg(), true);
        }
        double azimuth = night.site().latitudeDeg() < 0 ? 0 : 180;
        return new Aim(when, azimuth, IDLE_ALTITUDE_DEG, false);
    }

    /** Level camera towards the aim. */
    public Framing framing(Aim aim) {
        return Framing.of(optics, aim.azimuthDeg(), aim.altitudeDeg(), 0);
    }

    public ShutterAdvice shutter(Aim aim) {
        return ShutterAdvice.of(framing(aim), night.site().latitudeDeg(), tolerancePx, dial);
    }

    /** Shutter, ISO and frames for the aim, with everything that went in. */
    public Proposal proposal(Aim aim, Rig rig, SkyGlow glow, double signalToNoise) {
        return Proposal.of(new Proposal.Request(
                framing(aim),
                Moment.at(aim.when()),
                night.observer(),
                glow,
                night.rules().skyline(),
                rig,
                aperture,
                tolerancePx,
                signalToNoise));
    }

    /** Every school's answer, with what it would do in this frame. */
    public List<RuleInFrame> rules(Aim aim) {
        return RuleInFrame.all(framing(aim), night.site().latitudeDeg(), aperture, dial);
    }
}
