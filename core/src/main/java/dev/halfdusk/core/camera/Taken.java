package dev.halfdusk.core.camera;

import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;

/**
 * A frame that a body took.
 *
 * @param stamped when it opened by the body's own clock
 * @param late whether it opened later than asked for, since the buffer was full
 */
public record Taken(Instant opened, Instant stamped, Settings settings, FileFormat format, boolean late) {

    /** The same, to be seen: as a rig that is aimed so would have taken it. */
    public Shot shot(Setup aimed, double kelvin) {
        return Shot.of(aimed.at(opened), settings, kelvin);
    }
}
