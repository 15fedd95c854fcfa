package dev.halfdusk.app.log;

import dev.halfdusk.core.log.LivedFrame;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A frame of a night in the log.
 *
 * @param id null until stored
 * @param take number of the take in the log that it belongs to; empty for none
 * @param folder in which its file was last seen; empty where it is not known
 * @param digest of the file, by which it is known again
 * @param read what the light table found in it
 */
public record EntryFrame(
        Long id,
        Optional<Long> take,
        String name,
        String folder,
        String digest,
        Optional<Instant> taken,
        Optional<Settings> settings,
        OptionalDouble focalMm,
        Read read,
        Said said) {

    /**
     * @param driftPx of the stars that must stay points, by its shutter, pixels of the sensor
     * @param widthPx of stars across in the middle
     * @param cornerPx of stars along in the corners, where a lens draws wings
     * @param zenith of the moonless sky it tells of, V mag/arcsec²
     * @param verdict in words
     */
    public record Read(
            OptionalDouble driftPx,
            OptionalDouble widthPx,
            OptionalDouble cornerPx,
            OptionalDouble zenith,
            String verdict) {

        static final Read NOTHING = new Read(
                OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), "");
    }

    LivedFrame lived() {
        return new LivedFrame(taken, settings, read.driftPx, read.widthPx, read.zenith, said);
    }
}
