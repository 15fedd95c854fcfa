package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import java.util.List;

/**
 * A frame on the light table.
 *
 * @param id made up; part of the addresses of its pictures
 * @param name of the file
 * @param about what was read of it, "20 s, f/1.8, ISO 3200"
 * @param plan the take that it was for; null where it was for none
 * @param note what of it could not be judged, or nothing
 */
record TakenFrame(
        String id,
        String name,
        String about,
        FrameReading reading,
        List<Finding> findings,
        PlannedTake plan,
        String note) {

    TakenFrame {
        findings = List.copyOf(findings);
    }
}
