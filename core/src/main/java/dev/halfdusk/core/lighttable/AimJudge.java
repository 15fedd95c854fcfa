package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.sky.Sidereal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Where the frame looks, against where it was to look. */
final class AimJudge extends Judging {

    private static final double AIM_SHARE = 0.02;
    private static final double AIM_DEG = 0.5;
    private static final double LEVEL_DEG = 1;
    private static final double LEAST_DEG = 0.05;

    /** An hour turns the sky by 15°. */
    private static final double FAR_DEG = 2;

    private static final double AGREES_DEG = 1.5;
    private static final int QUARTER_MINUTES = 15;
    private static final double QUARTER_SECONDS = 900;
    private static final int MOST_QUARTERS = 56;

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
        OptionalInt clock = Math.hypot(off[0], off[1]) > FAR_DEG ? clockAhead(aim) : OptionalInt.empty();
        if (clock.isPresent()) {
            add(
                    Cause.CLOCK,
                    Numbers.text(
                            "by its clock it looked %.1f\u00b0 beside the plan; taken %s %s, as planned and level, by %d stars",
                            Math.hypot(off[0], off[1]),
                            hours(Math.abs(clock.getAsInt())),
                            clock.getAsInt() > 0 ? "earlier" : "later",
                            aim.stars()),
                    2,
                    none(),
                    Numbers.text(
                            "Set the camera's clock %s by %s; what was taken is aimed right.",
                            clock.getAsInt() > 0 ? "back" : "forward", hours(Math.abs(clock.getAsInt()))));
            return;
        }
        if (Math.hypot(off[0], off[1]) > limit) {
            add(
                    Cause.AIM,
                    Numbers.text(
                            "the frame's middle is %s the plan's, by %d stars",
                            sides(side(-off[0], "right of", "left of"), side(-off[1], "above", "below"), " and "),
                            aim.stars()),
                    0.6 * Math.hypot(off[0], off[1]) / limit,
                    none(),
                    Numbers.text(
                            "Aim %s; then focus again.",
                            sides(side(off[1], "higher", "lower"), side(off[0], "to the right", "to the left"), ", ")));
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

    /**
     * Quarters of an hour by which the clock is ahead, if that is why the frame seems to look elsewhere: in no other night do direction and roll
     * both agree with the plan. Empty where they do for none.
     */
    private OptionalInt clockAhead(Aim aim) {
        Vector pole = Sidereal.northPole(r.known().site().orElseThrow());
        Vector planned = r.known().aim().orElseThrow().vector();
        double plannedRoll = r.known().planned().map(Known.Planned::rollDeg).orElse(0.0);
        Vector axis = aim.framing().see(new Framing.Point(0, 0));
        Vector above = aim.framing()
                .see(new Framing.Point(0, -0.01 * aim.framing().optics().focalMm()));
        double tilt = aim.rollDeg() - turned(axis, above); // whichever way round they are counted
        int best = 0;
        double least = AGREES_DEG;
        for (int quarters = -MOST_QUARTERS; quarters <= MOST_QUARTERS; quarters++) {
            Vector then = Sidereal.later(axis, pole, -QUARTER_SECONDS * quarters);
            double roll = turned(then, Sidereal.later(above, pole, -QUARTER_SECONDS * quarters)) + tilt;
            double off = then.angleTo(planned) + Math.abs(Angles.halfTurn(roll - plannedRoll));
            if (quarters != 0 && off < least) {
                least = off;
                best = quarters;
            }
        }
        return best == 0 ? OptionalInt.empty() : OptionalInt.of(best);
    }

    /** How far the line from a direction to one above it in the picture is turned out of the vertical, degrees. */
    private static double turned(Vector axis, Vector above) {
        Vector right = axis.cross(new Vector(0, 0, 1)).unit();
        Vector up = right.cross(axis);
        Vector line = above.minus(axis);
        return Math.toDegrees(Math.atan2(line.dot(right), line.dot(up)));
    }

    private static String hours(int quarters) {
        int minutes = QUARTER_MINUTES * quarters;
        return minutes % 60 == 0
                ? Numbers.text("%d h", minutes / 60)
                : minutes < 60
                        ? Numbers.text("%d min", minutes)
                        : Numbers.text("%d h %d min", minutes / 60, minutes % 60);
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

    /** Empty where it is none that can be set. */
    private static Optional<String> side(double degrees, String more, String less) {
        return Math.abs(degrees) < LEAST_DEG
                ? Optional.empty()
                : Optional.of(Numbers.text("%.1f\u00b0 %s", Math.abs(degrees), degrees >= 0 ? more : less));
    }

    private static String sides(Optional<String> one, Optional<String> other, String between) {
        return Stream.concat(one.stream(), other.stream()).collect(Collectors.joining(between));
    }
}
