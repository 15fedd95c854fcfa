package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Component;

/** Reads frames: as many at a time as fit into the memory for it, so a large one alone, and small ones beside each other. */
@Component
public class FrameFiles {

    /** Megapixels that are read at a time. */
    private static final int ROOM = 32;

    private static final int LOOKING = 6;

    private final Semaphore room = new Semaphore(ROOM, true);

    /** What is known besides the file, and counts more than it. */
    public record Told(
            Optional<Site> site,
            Optional<Instant> time,
            OptionalDouble focalMm,
            OptionalDouble sensorWidthMm,
            Optional<Direction> aim,
            Optional<Motif> motif) {

        static final Told NOTHING = new Told(
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());

        static Told of(Optional<Motif> motif) {
            return new Told(
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Optional.empty(),
                    motif);
        }
    }

    /** @param fromRawPreview whether only the picture within a raw file was read */
    public record Result(FrameReading reading, boolean fromRawPreview) {}

    /** @throws NotAFrame with the reason */
    public Result read(byte[] bytes, Told told) throws NotAFrame {
        return inTurn(FrameFile.megapixels(bytes), () -> {
            FrameFile file = FrameFile.read(bytes);
            Pixels pixels = file.pixels();
            return new Result(LightTable.read(pixels, known(file, told)), file.preview());
        });
    }

    static Known known(FrameFile file, Told told) {
        FileFacts facts = file.facts();
        Known known = new Known(
                facts.settings(),
                told.time.or(() -> facts.opened(ZoneOffset.UTC, 0)),
                Optional.empty(),
                Optional.empty(),
                Known.USUAL_EFFICIENCY,
                told.site,
                told.aim,
                Known.NOTHING.support(),
                Optional.empty(),
                told.motif);
        OptionalDouble focal = told.focalMm.isPresent() ? told.focalMm : facts.focalMm();
        OptionalDouble sensor = told.sensorWidthMm.isPresent() ? told.sensorWidthMm : facts.sensorWidthMm();
        if (focal.isEmpty() || sensor.isEmpty()) {
            return known;
        }
        // the sensor's width is that of its longer side
        double width = file.width() >= file.height()
                ? sensor.getAsDouble()
                : sensor.getAsDouble() * file.width() / file.height();
        return known.through(
                Known.lens(width, focal.getAsDouble(), file.width(), file.height(), Projection.RECTILINEAR));
    }

    /** Long work with frames of so many megapixels leaves room for looking at parts of others meanwhile. */
    <T> T atLength(double megapixels, Work<T> work) throws NotAFrame {
        return inTurn(Math.min(ROOM - LOOKING, 2 * megapixels), work);
    }

    /** A frame is only decoded, to look at a part of it. */
    <T> T looking(double megapixels, Work<T> work) throws NotAFrame {
        return inTurn(Math.min(LOOKING, megapixels / 4), work);
    }

    /** Work with a frame of so many megapixels, when there is room for it. */
    <T> T inTurn(double megapixels, Work<T> work) throws NotAFrame {
        int needs = (int) Math.max(1, Math.min(ROOM, Math.ceil(megapixels)));
        room.acquireUninterruptibly(needs);
        try {
            return work.run();
        } finally {
            room.release(needs);
        }
    }

    /** @param <T> what comes of it */
    interface Work<T> {
        T run() throws NotAFrame;
    }
}
