package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;

/** Land, streets and people: what of the frame lies below the horizon. */
final class GroundJudge extends Judging {

    private static final double DARK = 0.06;
    private static final double WANTED = 0.12;
    private static final double SOFT_PX = 5;
    private static final double MUCH_SOFTER = 2.2;
    private static final List<Dialled> ORDER = List.of(Dialled.ISO, Dialled.SHUTTER, Dialled.APERTURE);

    GroundJudge(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        super(reading, limits, findings);
    }

    /** Where it is what the frame is of. */
    void judge(GroundReading g) {
        if (g.level() < DARK) {
            double stops = Stops.of(Tone.share(WANTED) / Math.max(1e-5, Tone.share(g.level())));
            add(
                    Cause.TOO_DARK,
                    Numbers.text("the ground stands at %.2f, %.1f stops below %.2f", g.level(), stops, WANTED),
                    1 + stops / 2,
                    by(stops, ORDER),
                    "");
        }
        beside(g);
        if (g.edgePx() > SOFT_PX && findings.stream().noneMatch(f -> f.cause() == Cause.DEPTH)) {
            add(
                    Cause.FOCUS,
                    Numbers.text("edges on the ground are %.1f px wide, up to %.0f is sharp", g.edgePx(), SOFT_PX),
                    g.edgePx() / SOFT_PX,
                    none(),
                    "Focus on a lamp held where the person stands, magnified.");
        }
    }

    /** Where the sky above it counts more. */
    void beside(GroundReading g) {
        double stars = r.widthPx().orElse(0);
        if (g.twicePx() > 0 && r.twins().isEmpty()) {
            add(
                    Cause.MOVED,
                    Numbers.text("edges on the ground stand again %.0f px beside themselves", g.twicePx()),
                    1.2,
                    none(),
                    "Hold still for the whole exposure, or halve the shutter and double the ISO.");
        } else if (stars > 0 && stars < Judge.SHARP_PX && g.edgePx() > Math.max(SOFT_PX, MUCH_SOFTER * stars)) {
            add(
                    Cause.DEPTH,
                    Numbers.text("edges on the ground are %.1f px wide, stars %.1f", g.edgePx(), stars),
                    0.8 * g.edgePx() / SOFT_PX,
                    none(),
                    "One frame more, focused on the ground, and blended; or farther from what is near.");
        }
        long cars = r.lines().stream().filter(this::below).filter(Line::burnt).count();
        if (cars > 0) {
            add(
                    Cause.STRAY,
                    Numbers.text("%d burnt %s below the horizon", cars, cars == 1 ? "line" : "lines"),
                    0.7,
                    none(),
                    "Wait until it has passed; a hat over the lens meanwhile.");
        }
    }

    /** Whether a line lies in the part of the frame that ground takes up. */
    private boolean below(Line line) {
        return line.y() > r.height() * (1 - r.ground().map(GroundReading::share).orElse(0.0));
    }
}
