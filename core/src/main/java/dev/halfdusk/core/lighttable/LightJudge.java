package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.IsoChoice;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;

/** How much light the sky and the stars have, and of which colour. */
final class LightJudge extends Judging {

    private static final double EXPOSURE_STOPS = 0.7;
    private static final double BURNT = 0.3;
    private static final double BANDED = 0.03;
    private static final double TINTED = 0.15;
    private static final double TOP_ISO_STOPS = 5;

    LightJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge() {
        exposure();
        burnt();
        tint();
        banding();
    }

    private void banding() {
        if (r.sky().banding() > BANDED) {
            add(
                    Cause.BANDING,
                    Numbers.text(
                            "lines differ from those beside them by %.1f %% of the sky",
                            100 * r.sky().banding()),
                    0.4 * r.sky().banding() / BANDED,
                    none(),
                    "More light at a lower ISO lifts the sky out of it; lifted darkness shows it first.");
        }
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
}
