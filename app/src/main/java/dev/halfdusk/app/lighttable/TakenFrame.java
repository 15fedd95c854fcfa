package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * A frame on the light table.
 *
 * @param id made up; part of the addresses of its pictures
 * @param name of the file
 * @param about what was read of it, "20 s, f/1.8, ISO 3200"
 * @param plan the take that it was for; null where it was for none
 * @param note what of it could not be judged, or nothing
 * @param local when it was taken by the camera's clock, as its file says
 */
record TakenFrame(
        String id,
        String name,
        String about,
        FrameReading reading,
        List<Finding> findings,
        PlannedTake plan,
        String note,
        Optional<LocalDateTime> local) {

    TakenFrame {
        findings = List.copyOf(findings);
    }

    /** Whether two are of one series: for the same take, with the same settings. */
    boolean together(TakenFrame other) {
        return Objects.equals(plan == null ? null : plan.key(), other.plan == null ? null : other.plan.key())
                && reading.known().settings().equals(other.reading.known().settings())
                && reading.width() == other.reading.width();
    }
}
