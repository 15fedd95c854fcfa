package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import java.util.List;
import java.util.Optional;

/** Where the frame looks, against where it was to look. */
final class AimJudge extends Judging {

    private static final double AIM_SHARE = 0.02;
    private static final double AIM_DEG = 0.5;
    private static final double LEVEL_DEG = 1;

    AimJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge() {
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
    static double[] off(Framing framing, Vector direction) {
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
