package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;

/** A scan of film: shadows that got no light cannot be lifted, lights that got too much mostly can be held. */
final class FilmJudge extends Judging {

    private static final double THIN = 0.07;
    private static final double WANTED = 0.14;
    private static final double DENSE = 0.12;
    private static final double RINGED = 0.25;
    private static final List<Dialled> ORDER = List.of(Dialled.SHUTTER, Dialled.APERTURE);

    FilmJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    void judge(FilmReading f) {
        if (f.shadows() < THIN) {
            double stops = Math.max(0.5, Stops.of(Tone.share(WANTED) / Math.max(1e-4, Tone.share(f.shadows()))));
            add(
                    Cause.TOO_DARK,
                    Numbers.text(
                            "the darker fifth stays below %.2f: thin shadows, about %.1f stops short",
                            f.shadows(), stops),
                    1 + stops / 2,
                    by(stops, ORDER),
                    "Meter the shadows and give two stops less than it says; of a bracket take the longer one.");
        } else if (f.burnt() > DENSE) {
            add(
                    Cause.TOO_BRIGHT,
                    Numbers.text("%.0f %% is white, %.0f %% would be lamps", 100 * f.burnt(), 100 * DENSE),
                    f.burnt() / DENSE,
                    by(-1, ORDER),
                    "");
        }
        if (f.halation() > RINGED) {
            add(
                    Cause.HALATION,
                    Numbers.text("beside lamps red is %.0f %% stronger than elsewhere", 100 * f.halation()),
                    0.5 * f.halation() / RINGED,
                    none(),
                    "The film's base sends light back: shorter, lamps out of the frame, or take it as it is.");
        }
    }
}
