package dev.halfdusk.core.log;

import dev.halfdusk.core.optics.Settings;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A frame of a night, as far as it is known.
 *
 * @param taken by a clock that is right
 * @param driftPx of the stars that must stay points, by its shutter
 * @param widthPx of its stars across
 * @param zenith brightness of a moonless zenith that its sky tells of, V mag/arcsec²
 */
public record LivedFrame(
        Optional<Instant> taken,
        Optional<Settings> settings,
        OptionalDouble driftPx,
        OptionalDouble widthPx,
        OptionalDouble zenith,
        Said said) {}
