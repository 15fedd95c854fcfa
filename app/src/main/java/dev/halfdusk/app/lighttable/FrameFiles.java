package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
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

/** Reads frames, one at a time: each takes both cores and a few hundred megabytes. */
@Component
public class FrameFiles {

    private final Semaphore turn = new Semaphore(1, true);

    /** What is known besides the file, and counts more than it. */
    public record Told(
            Optional<Site> site,
            Optional<Instant> time,
            OptionalDouble focalMm,
            OptionalDouble sensorWidthMm,
            Optional<Direction> aim) {

        static final Told NOTHING = new Told(
                Optional.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty(), Optional.empty());
    }

    /** @param fromRawPreview whether only the picture within a raw file was read */
    public record Result(FrameReading reading, boolean fromRawPreview) {}

    /** @throws NotAFrame with the reason */
    public Result read(byte[] bytes, Told told) throws NotAFrame {
        turn.acquireUninterruptibly();
        try {
            FrameFile file = FrameFile.read(bytes);
            Pixels pixels = file.pixels();
            return new Result(LightTable.read(pixels, known(file, told)), file.preview());
        } finally {
            turn.release();
        }
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
                Optional.empty());
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

    /** Work with a frame in its turn. */
    <T> T inTurn(Work<T> work) throws NotAFrame {
        turn.acquireUninterruptibly();
        try {
            return work.run();
        } finally {
            turn.release();
        }
    }

    /** @param <T> what comes of it */
    interface Work<T> {
        T run() throws NotAFrame;
    }
}
