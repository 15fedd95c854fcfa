package dev.halfdusk.app.lighttable;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Directory;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How a frame was taken, as its file says; what is missing or beyond all sense is empty.
 *
 * @param focal35Mm focal length for a sensor of 36 mm
 * @param local by the camera's clock
 * @param offset of that clock from UTC, where the file says it
 * @param orientation by its tag, 1 to 8
 * @param own whether we wrote it
 */
public record FileFacts(
        OptionalDouble seconds,
        OptionalDouble aperture,
        OptionalDouble iso,
        OptionalDouble focalMm,
        OptionalDouble focal35Mm,
        Optional<LocalDateTime> local,
        Optional<ZoneOffset> offset,
        int orientation,
        boolean own) {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy:MM:dd HH:mm:ss");
    private static final double FULL_FRAME_MM = 36;
    private static final String OURS = "Half Dusk";
    private static final int MOST_ORIENTATIONS = 8;

    static final FileFacts NONE = new FileFacts(
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            Optional.empty(),
            1,
            false);

    /** Of a frame that we took ourselves. */
    static FileFacts own(Shot shot, Instant at) {
        return new FileFacts(
                OptionalDouble.of(shot.settings().seconds()),
                OptionalDouble.of(shot.settings().aperture()),
                OptionalDouble.of(shot.settings().iso()),
                OptionalDouble.of(shot.framing().optics().focalMm()),
                OptionalDouble.empty(),
                Optional.of(LocalDateTime.ofInstant(at, ZoneOffset.UTC)),
                Optional.of(ZoneOffset.UTC),
                1,
                true);
    }

    /** Whatever can be read of a file of any camera. */
    static FileFacts of(byte[] file) {
        try {
            return of(ImageMetadataReader.readMetadata(new ByteArrayInputStream(file)));
        } catch (ImageProcessingException | IOException | RuntimeException e) {
            return NONE; // made by nobody knows what: the pixels may still be good
        }
    }

    /** The same of a file on the disk, of which only its head is read. */
    static FileFacts of(Path file) {
        try {
            return of(ImageMetadataReader.readMetadata(file.toFile()));
        } catch (ImageProcessingException | IOException | RuntimeException e) {
            return NONE;
        }
    }

    /** Serial number of the body that took a file; empty where it does not say. */
    static String serial(Path file) {
        try {
            return text(ImageMetadataReader.readMetadata(file.toFile()), ExifDirectoryBase.TAG_BODY_SERIAL_NUMBER)
                    .map(String::strip)
                    .orElse("");
        } catch (ImageProcessingException | IOException | RuntimeException e) {
            return "";
        }
    }

    private static FileFacts of(Metadata metadata) {
        boolean own = text(metadata, ExifDirectoryBase.TAG_SOFTWARE)
                .map(s -> s.startsWith(OURS))
                .orElse(false);
        OptionalDouble turn =
                number(metadata, ExifDirectoryBase.TAG_ORIENTATION, new Range("", 1, MOST_ORIENTATIONS, ""));
        return new FileFacts(
                number(metadata, ExifDirectoryBase.TAG_EXPOSURE_TIME, Range.SHUTTER),
                number(metadata, ExifDirectoryBase.TAG_FNUMBER, Range.APERTURE),
                number(metadata, ExifDirectoryBase.TAG_ISO_EQUIVALENT, Range.ISO),
                number(metadata, ExifDirectoryBase.TAG_FOCAL_LENGTH, Range.FOCAL_LENGTH),
                number(metadata, ExifDirectoryBase.TAG_35MM_FILM_EQUIV_FOCAL_LENGTH, Range.FOCAL_LENGTH),
                text(metadata, ExifDirectoryBase.TAG_DATETIME_ORIGINAL).flatMap(FileFacts::time),
                own ? Optional.of(ZoneOffset.UTC) : offset(metadata),
                (int) turn.orElse(1),
                own);
    }

    private static Optional<ZoneOffset> offset(Metadata metadata) {
        return text(metadata, ExifDirectoryBase.TAG_TIME_ZONE_ORIGINAL).flatMap(t -> {
            try {
                return Optional.of(ZoneOffset.of(t.strip()));
            } catch (DateTimeException e) {
                return Optional.empty();
            }
        });
    }

    private static Optional<LocalDateTime> time(String text) {
        try {
            return Optional.of(LocalDateTime.parse(text.strip(), TIME));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Optional<String> text(Metadata metadata, int tag) {
        for (Directory d : metadata.getDirectories()) {
            if (d instanceof ExifDirectoryBase && d.getString(tag) != null) {
                return Optional.of(d.getString(tag));
            }
        }
        return Optional.empty();
    }

    private static OptionalDouble number(Metadata metadata, int tag, Range allowed) {
        for (Directory d : metadata.getDirectories()) {
            Double value = d instanceof ExifDirectoryBase ? d.getDoubleObject(tag) : null;
            if (value != null && allowed.holds(value)) {
                return OptionalDouble.of(value);
            }
        }
        return OptionalDouble.empty();
    }

    /** The same by a clock that is so much behind of the one in the file. */
    FileFacts behind(Duration ahead) {
        return new FileFacts(
                seconds, aperture, iso, focalMm, focal35Mm, local.map(t -> t.minus(ahead)), offset, orientation, own);
    }

    Optional<Settings> settings() {
        return seconds.isPresent() && aperture.isPresent() && iso.isPresent()
                ? Optional.of(new Settings(seconds.getAsDouble(), aperture.getAsDouble(), iso.getAsDouble()))
                : Optional.empty();
    }

    /** Of the sensor, by the two focal lengths. */
    OptionalDouble sensorWidthMm() {
        if (focalMm.isEmpty() || focal35Mm.isEmpty()) {
            return OptionalDouble.empty();
        }
        double width = FULL_FRAME_MM * focalMm.getAsDouble() / focal35Mm.getAsDouble();
        return Range.SENSOR_WIDTH.holds(width) ? OptionalDouble.of(width) : OptionalDouble.empty();
    }

    /**
     * When the shutter opened.
     *
     * @param zone that the camera's clock is set to where the file does not say
     * @param aheadSeconds by which that clock is ahead of the right time
     */
    Optional<Instant> opened(ZoneId zone, double aheadSeconds) {
        return local.map(t -> t.atZone(offset.<ZoneId>map(o -> o).orElse(zone))
                .toInstant()
                .minusMillis(own ? 0 : Math.round(1000 * aheadSeconds)));
    }
}
