package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.assembly.Developing;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A picture put together, as it is kept beside its files.
 *
 * @param id part of the names of its files
 * @param title "Trails of 24 frames"
 * @param at when it was put together
 * @param measured what was measured of it, in words
 * @param parts smaller pictures beside it, for comparing
 * @param steps what is left to develop, in the order people do it
 * @param stops by which the one that is looked at is brighter
 * @param clip whether it is a film
 */
record AssembledPicture(
        String id,
        String title,
        Instant at,
        int width,
        int height,
        List<String> measured,
        List<Part> parts,
        List<Developing.Step> steps,
        double stops,
        boolean clip) {

    /** The file of the one that is brighter. */
    static final String SEEN = "seen.jpg";

    /** @param words what it shows, "after 10 of 40 frames" */
    record Part(String words, int width, int height) {}

    /** Whether what is looked at is brighter than the files. */
    public boolean lifted() {
        return stops > 0;
    }

    AssembledPicture {
        measured = List.copyOf(measured);
        parts = Optional.ofNullable(parts).map(List::copyOf).orElse(List.of()); // kept by an earlier version
        steps = Optional.ofNullable(steps).map(List::copyOf).orElse(List.of());
    }
}
