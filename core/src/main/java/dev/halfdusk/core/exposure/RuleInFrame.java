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
public record RuleInFrame(TrailingRule rule, double seconds, Optional<Dial.Stop> dial, double worstPx) {

    /** Every school's answer for the core's declination, with what it would do in this frame. */
    public static List<RuleInFrame> all(Framing framing, double latitudeDeg, double aperture, Dial dial) {
        TrailingRule.Case core = new TrailingRule.Case(framing.optics(), aperture, FixedPoint.CORE.declinationDeg());
        return TrailingRule.ALL.stream()
                .map(rule -> {
                    double seconds = rule.seconds(core);
                    double worst =
                            DriftField.of(framing, latitudeDeg, seconds).worst().px();
                    return new RuleInFrame(rule, seconds, dial.atMost(seconds), worst);
                })
                .toList();
    }
}
