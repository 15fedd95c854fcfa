package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;
import java.util.Optional;

/**
 * The shutter to set for sharp stars in one framing, and why.
 *
 * @param limitSeconds longest time in which the stars that matter stay within the tolerance
 * @param dial the click that keeps it; empty only below 1/8000 s
 * @param field drift over the frame at that click
 */
public record ShutterAdvice(double limitSeconds, Optional<Dial.Stop> dial, DriftField field, List<Reason> reasons) {

    public static ShutterAdvice of(Framing framing, double latitudeDeg, Demand demand, Dial dial) {
        double limit = DriftField.longestSeconds(framing, latitudeDeg, demand.tolerancePx(), demand.sharp());
        Optional<Dial.Stop> stop = dial.atMost(limit);
        double open = stop.map(Dial.Stop::realSeconds).orElse(limit);
        DriftField field = DriftField.of(framing, latitudeDeg, open);
        double plate = framing.optics().plateScaleArcsec();
        List<Reason> reasons = List.of(
                new Reason(
                        "One pixel sees",
                        plate,
                        "\u2033",
                        Numbers.text(
                                "206.265 \u00d7 %.2f \u00b5m / %.0f mm",
                                framing.optics().sensor().pitchUm(),
                                framing.optics().focalMm()),
                        "plate scale"),
                new Reason(
                        "A star on the celestial equator crosses",
                        Sidereal.ARCSEC_PER_SECOND / plate,
                        "px/s",
                        Numbers.text("15.0411\u2033 / %.2f\u2033", plate),
                        "sidereal rate"),
                new Reason(
                        "Longest shutter that keeps " + demand.sharp().words() + " within "
                                + Numbers.trimmed(demand.tolerancePx(), 1) + " px",
                        limit,
                        "s",
                        "sky turned about the pole, through the lens, at 925 points of the frame",
                        "projection of this framing"),
                new Reason(
                        "Rounded down to the dial, really open for",
                        open,
                        "s",
                        stop.map(c -> "the click marked " + c.label()).orElse("shorter than the dial goes"),
                        "dial of the body"),
                new Reason(
                        "Worst drift at that shutter, " + field.worstWhere(framing),
                        field.worst().px(),
                        "px",
                        Numbers.text("median over the frame %.1f px", field.medianPx()),
                        "projection of this framing"));
        return new ShutterAdvice(limit, stop, field, reasons);
    }
}
