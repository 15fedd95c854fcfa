package dev.halfdusk.app.lighttable;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Frames that were chosen, in the order of time.
 *
 * @param frames that the picture is made of
 * @param land whose land is taken for a blend
 * @param dark taken with the cap on
 */
record Chosen(List<Source> frames, List<Source> land, List<Source> dark) {

    Chosen {
        frames = inTime(frames);
        land = inTime(land);
        dark = inTime(dark);
    }

    private static List<Source> inTime(List<Source> some) {
        return some.stream()
                .sorted(Comparator.comparing(s -> s.opened().orElse(Instant.EPOCH)))
                .toList();
    }

    /** Those that must be of one night and one size. */
    List<Source> pictured() {
        return Stream.concat(frames.stream(), land.stream()).toList();
    }

    String name(int frame) {
        return frames.get(frame).name();
    }
}
