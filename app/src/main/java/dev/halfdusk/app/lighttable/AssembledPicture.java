package dev.halfdusk.app.lighttable;

import java.time.Instant;
import java.util.List;

/**
 * A picture put together, as it is kept beside its files.
 *
 * @param id part of the names of its files
 * @param title "Trails of 24 frames"
 * @param at when it was put together
 * @param measured what was measured of it, in words
 */
record AssembledPicture(String id, String title, Instant at, int width, int height, List<String> measured) {

    AssembledPicture {
        measured = List.copyOf(measured);
    }
}
