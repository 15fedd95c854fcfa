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
 * @param px drift at that click of the stars that matter to the setup; without a click at the rule's own seconds
 */
public record TrailingInFrame(TrailingRule rule, double seconds, Optional<Dial.Stop> dial, double px) {

    /** A drift this little over the tolerance is rounding, not a longer trail. */
    private static final double ROUNDING = 1.005;

    /** By how many pixels it is over the tolerance; 0 within it. */
    public double overPx(double tolerancePx) {
        return px > tolerancePx * ROUNDING ? px - tolerancePx : 0;
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
                    Optional<Dial.Stop> click = dial.atMost(seconds);
                    double open = click.map(Dial.Stop::realSeconds).orElse(seconds);
                    double px = DriftField.of(framing, latitude, open)
                            .px(setup.demand().sharp());
                    return new TrailingInFrame(rule, seconds, click, px);
                })
                .toList();
    }
}
