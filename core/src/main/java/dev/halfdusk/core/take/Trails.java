package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Program;
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

    private static final Range ARC = new Range("arc", Sequence.ARC.min(), Sequence.ARC.max(), "\u00b0");
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

    /** Round the pole, with ground below it to stand on. */
    @Override
    public Direction aim(Take take, Circumstances c, Instant t) {
        return Aiming.circles(c.night().site(), take.optics());
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
    public List<Correction.Dialled> turnsFirst() {
        return List.of(Correction.Dialled.ISO, Correction.Dialled.APERTURE, Correction.Dialled.SHUTTER);
    }

    @Override
    public Plan plan(Take take, Circumstances c) {
        Planning planning = Planning.of(take, c);
        return planning.plan(
                false,
                t -> {
                    TrailPlan trails = trails(take, c, t);
                    return trails.program(t, trails.iso(), FileFormat.RAW, darks);
                },
                List.of("Noise reduction must be off.", "A flat battery breaks the arcs."));
    }

    private TrailPlan trails(Take take, Circumstances c, Instant t) {
        return TrailPlan.of(take.setup(c, t), Sequence.reaching(arcDeg, exposureSeconds, pauseSeconds));
    }

    @Override
    public Optional<List<Reason>> reasons(Take take, Circumstances c, Instant t, Program program) {
        TrailPlan plan = trails(take, c, t);
        int iso = plan.iso();
        return Optional.of(List.of(
                new Reason(
                        "frames for the arc",
                        plan.sequence().frames(),
                        "",
                        Numbers.text(
                                "%.1f\u00b0 at 15.041\u00b0 an hour, %.0f s and a pause of %.1f s",
                                arcDeg, exposureSeconds, pauseSeconds),
                        "sidereal rate"),
                new Reason(
                        "ISO",
                        iso,
                        "",
                        Numbers.text(
                                "the highest up to %d at which the sky's peak stays below %.2f: it stands at %.2f",
                                take.camera().rig().body().comfortableIso(),
                                TrailPlan.GREY,
                                plan.light().peak(iso)),
                        "brightness of trails is aperture and ISO; of the sky, the shutter"),
                new Reason(
                        "faintest trail",
                        plan.faintest(iso),
                        "mag",
                        Numbers.text(
                                "five times the noise of %d frames laid over each other",
                                plan.sequence().frames()),
                        "F / v electrons a pixel of the path"),
                new Reason(
                        "gap of a pause",
                        plan.gapPx(),
                        "px",
                        Numbers.text("drift in %.1f s; shows from %.0f px on", pauseSeconds, TrailPlan.SHOWS_PX),
                        "projection of the frame")));
    }
}
