package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.CompositionFrame;
import dev.halfdusk.core.exposure.Reason;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.sequence.Panorama;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * What is said of a take that begins at an instant, beside its program. Nothing is said of it from any other instant.
 *
 * @param aim where the camera looks for its first frame, or to find the composition
 * @param test a short frame as bright as its first, to find the composition; empty where that is its own test
 * @param working reasons for the settings of its first frame, worked out when they are asked for
 * @param turns of the camera from frame to frame; empty where it stays
 */
public record Answer(
        Direction aim,
        Focus focus,
        Optional<CompositionFrame> test,
        Supplier<List<Reason>> working,
        List<Panorama.Turn> turns) {

    public Answer {
        turns = List.copyOf(turns);
    }

    /** Why its first frame is exposed so. */
    public List<Reason> reasons() {
        return working.get();
    }
}
