package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.sky.FixedPoint;
import java.util.List;
import java.util.Optional;

/**
 * What a school's shutter does in a frame.
 *
 * @param dial the click it is rounded down to; empty where it is under the shortest
 * @param worstPx worst drift anywhere in the frame at the rule's own seconds
 */
public record TrailingInFrame(TrailingRule rule, double seconds, Optional<Dial.Stop> dial, double worstPx) {

    /** A drift this little over the tolerance is rounding, not a longer trail. */
    private static final double ROUNDING = 1.005;

    /** Whether some star of the frame drifts by more than so many pixels. */
    public boolean exceeds(double tolerancePx) {
        return worstPx > tolerancePx * ROUNDING;
    }

    /** Every school's answer for the core's declination, with what it would do in this frame. */
    public static List<TrailingInFrame> all(Setup setup) {
        Framing framing = setup.framing();
        TrailingRule.Case core =
                new TrailingRule.Case(framing.optics(), setup.aperture(), FixedPoint.CORE.declinationDeg());
        double latitude = setup.from().site().latitudeDeg();
        Dial dial = setup.rig().body().dial();
        return TrailingRule.ALL.stream()
                .map(rule -> {
                    double seconds = rule.seconds(core);
                    double worst =
                            DriftField.of(framing, latitude, seconds).worst().px();
                    return new TrailingInFrame(rule, seconds, dial.atMost(seconds), worst);
                })
                .toList();
    }
}
