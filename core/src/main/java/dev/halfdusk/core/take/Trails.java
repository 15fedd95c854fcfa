package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.TrailPlan;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Star trails round the pole, or where the camera is aimed.
 *
 * @param arcDeg that a star turns
 * @param darks dark frames after them
 */
public record Trails(double arcDeg, double exposureSeconds, double pauseSeconds, int darks) implements Subject {

    private static final Range ARC = new Range("arc", 1, 180, "\u00b0");
    private static final Range EXPOSURE = new Range("exposure", 1, 3600, " s");

    /** The sky turns 15.041° an hour. */
    private static final double SECONDS_PER_DEG = 239.345;

    public static final Kind KIND = new Kind(
            "trails",
            "star trails",
            List.of(
                    Parameter.number("arcDeg", "arc", ARC, 15),
                    Parameter.number("exposureSeconds", "exposure", EXPOSURE, 30),
                    Parameter.number("pauseSeconds", "pause", Sequence.PAUSE, 1),
                    Parameter.whole("darks", "dark frames", Planning.DARKS, 5)),
            v -> new Trails(v.get(0), v.get(1), v.get(2), v.get(3).intValue()));

    public Trails {
        Sequence.ARC.check(arcDeg);
    }

    @Override
    public Kind kind() {
        return KIND;
    }

    @Override
    public List<Double> values() {
        return List.of(arcDeg, exposureSeconds, pauseSeconds, (double) darks);
    }

    @Override
    public Direction aim(Circumstances c, Instant t) {
        return Aiming.pole(c.night().site());
    }

    @Override
    public boolean layered() {
        return true;
    }

    @Override
    public List<String> bag() {
        return List.of("interval timer");
    }

    @Override
    public Optional<Subject> lasting(Duration wanted, Plan now) {
        double lit = now.lasts().toSeconds() - arcDeg * SECONDS_PER_DEG; // what dark frames take
        double arc = Math.rint((wanted.toSeconds() - lit) / SECONDS_PER_DEG * 10) / 10;
        return Optional.of(new Trails(ARC.nearest(arc), exposureSeconds, pauseSeconds, darks));
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        TrailPlan trails =
                TrailPlan.of(planning.proposal().setup(), Sequence.reaching(arcDeg, exposureSeconds, pauseSeconds));
        return planning.plan(
                false,
                t -> trails.program(t, trails.iso(), FileFormat.RAW, darks),
                List.of("Noise reduction must be off.", "A flat battery breaks the arcs."));
    }
}
