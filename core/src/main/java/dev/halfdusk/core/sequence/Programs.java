package dev.halfdusk.core.sequence;

import dev.halfdusk.core.exposure.Stacking;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import java.util.stream.IntStream;

/** Programs of what is not a plan of its own: stacks, panoramas and brackets. */
public final class Programs {

    public static final Range BRACKET = new Range("frames of a bracket", 3, 9, "");
    public static final Range BRACKET_STEP = new Range("step of a bracket", 1 / 3.0, 4, " stops");

    private Programs() {}

    /**
     * Equal frames to be averaged, and dark ones after them.
     *
     * @param darks none, or so many with the cap on
     */
    public static Program stack(Stacking stack, Settings settings, Instant begins, FileFormat format, int darks) {
        double pause = stack.sequence().pauseSeconds();
        Settings open = settings.withSeconds(stack.shutterSeconds());
        return Program.of(
                        "Stack",
                        new Program.Step(begins, open, stack.sequence().frames(), pause, format, "frames to stack"))
                .withDarks(darks);
    }

    /** Frame by frame, with time to turn and settle between them. */
    public static Program panorama(
            Panorama panorama, Settings settings, double settleSeconds, Instant begins, FileFormat format) {
        int frames = panorama.frames().size();
        return Program.of(
                "Panorama",
                new Program.Step(begins, settings, frames, settleSeconds, format, "row by row, from left to right"));
    }

    /**
     * The same picture darker and brighter, by the shutter: first as proposed, then by turns darker and brighter.
     *
     * @param frames an odd number
     */
    public static Program bracket(
            Settings middle, int frames, double stepStops, double pauseSeconds, Instant begins, FileFormat format) {
        return bracket(
                even(frames, stepStops),
                by -> middle.withSeconds(middle.seconds() * Stops.ratio(by)),
                pauseSeconds,
                begins,
                format);
    }

    /**
     * Frames so many stops brighter than proposed, in their order, where more than the shutter may decide.
     *
     * @param brighter settings so many stops brighter than proposed
     */
    public static Program bracket(
            List<Double> stops,
            DoubleFunction<Settings> brighter,
            double pauseSeconds,
            Instant begins,
            FileFormat format) {
        List<Program.Step> steps = new ArrayList<>();
        Instant at = begins;
        for (double by : stops) {
            Program.Step step = new Program.Step(at, brighter.apply(by), 1, 0, format, "bracket");
            steps.add(step);
            at = Instants.after(step.ends(), pauseSeconds);
        }
        return new Program("Bracket", steps);
    }

    /** As proposed first, then by turns darker and brighter. */
    private static List<Double> even(int frames, double stepStops) {
        BRACKET.check(frames);
        BRACKET_STEP.check(stepStops);
        if (frames % 2 == 0) {
            throw new IllegalArgumentException("a bracket has a middle: take an odd number of frames");
        }
        return IntStream.range(0, frames)
                .mapToObj(i -> (i + 1) / 2 * (i % 2 == 0 ? 1 : -1) * stepStops)
                .toList();
    }
}
