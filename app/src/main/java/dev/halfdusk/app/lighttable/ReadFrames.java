package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.StarShape;
import dev.halfdusk.core.log.Darkness;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Settings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/** What the light table tells of frames to who keeps them. */
@Component
public class ReadFrames {

    private final Table table;
    private final Frames frames;
    private final PlannedTakes takes;

    ReadFrames(Table table, Frames frames, PlannedTakes takes) {
        this.table = table;
        this.frames = frames;
        this.takes = takes;
    }

    /**
     * A frame that was read.
     *
     * @param take number of the take that it is for; empty for none
     * @param driftPx by its shutter, of the stars that must stay points, pixels of the sensor
     * @param widthPx of its stars across, likewise; empty for a reduced picture
     * @param cornerPx of its stars along in the corners, likewise
     * @param zenith brightness of the moonless zenith its sky tells of
     * @param verdict what is wrong with it first, or that nothing is
     */
    public record Told(
            String name,
            Optional<Long> take,
            Optional<Instant> taken,
            Optional<Settings> settings,
            OptionalDouble focalMm,
            OptionalDouble driftPx,
            OptionalDouble widthPx,
            OptionalDouble cornerPx,
            OptionalDouble zenith,
            String verdict,
            byte[] small,
            byte[] whole) {}

    /**
     * When and how a file was taken, as it says.
     *
     * @param body serial number of the camera, which tells two of one model apart; empty where it is not said
     */
    public record Head(Optional<Instant> taken, OptionalDouble focalMm, String body) {}

    /** @param zone of the camera's clock, where the file does not say */
    public Head head(Path file, ZoneId zone) {
        FileFacts facts = FileFacts.of(file);
        return new Head(facts.opened(zone, 0), facts.focalMm(), FileFacts.serial(file));
    }

    /** Those of an outing that lie on the table. */
    public List<Told> onTable(long outing) {
        return frames.all().stream()
                .filter(f -> f.plan() != null && f.plan().key().startsWith(outing + "-"))
                .map(f -> told(
                        f,
                        frames.picture(f.id(), "small").orElse(new byte[0]),
                        frames.picture(f.id(), "whole").orElse(new byte[0])))
                .toList();
    }

    /**
     * Reads a file of an outing's night.
     *
     * @param take number of the take that it is for, where that is known
     * @param ahead by which its camera's clock was wrong
     * @throws IOException where it is none, with the reason
     */
    public Told read(Path file, Optional<Outing> outing, Optional<Long> take, Duration ahead) throws IOException {
        List<PlannedTake> all = outing.map(takes::of).orElse(List.of());
        List<PlannedTake> planned = take.map(
                        number -> all.stream().filter(t -> number(t) == number).toList())
                .orElse(all);
        String name = file.getFileName().toString();
        try {
            Table.Read read = table.read(
                    name,
                    Files.readAllBytes(file),
                    new Table.Asked(planned, take.isPresent(), Optional.empty(), ahead));
            return told(
                    read.frame(), read.pictures().get("small"), read.pictures().get("whole"));
        } catch (NotAFrame e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    /** A frame that nobody took, as the simulated camera takes it for a take; empty where the take has no time or place any more. */
    public Optional<byte[]> madeUp(Outing outing, long take, Settings settings, Instant at, int seed) {
        return takes.of(outing).stream()
                .filter(t -> number(t) == take)
                .findFirst()
                .map(t -> {
                    Setup set = t.setup().at(at);
                    Shot shot = Shot.of(set, settings, Shot.USUAL_KELVIN);
                    Scene scene = Scene.open(set.from(), set.moment());
                    Window window = Window.whole(shot.framing().optics().sensor(), MADE_UP_WIDE);
                    FrameFile file = FrameFile.of(
                            CameraFile.image(Photograph.take(scene, shot, window, seed)), FileFacts.own(shot, at));
                    return file.jpeg(0, 0, file.width(), file.height(), MADE_UP_WIDE);
                });
    }

    private static final int MADE_UP_WIDE = 480;

    private static Told told(TakenFrame f, byte[] small, byte[] whole) {
        FrameReading r = f.reading();
        Known known = r.known();
        boolean stars = LookedAt.ofStars(r);
        return new Told(
                f.name(),
                Optional.ofNullable(f.plan()).map(ReadFrames::number),
                known.opened(),
                known.settings(),
                f.plan() == null
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(f.plan().setup().onLensMm()),
                stars ? drift(f) : OptionalDouble.empty(),
                stars && whole(f) ? r.widthPx() : OptionalDouble.empty(),
                stars && whole(f) ? corners(r) : OptionalDouble.empty(),
                stars ? zenith(f) : OptionalDouble.empty(),
                f.findings().stream()
                        .map(Finding::cause)
                        .map(c -> c.words())
                        .findFirst()
                        .orElse(""),
                small,
                whole);
    }

    private static long number(PlannedTake t) {
        return Long.parseLong(t.key().substring(t.key().indexOf('-') + 1));
    }

    /** What its shutter draws of the stars that must stay points: the same that is asked for when it is planned. */
    private static OptionalDouble drift(TakenFrame f) {
        return f.plan() == null
                        || f.plan().motif() != Motif.STARS
                        || f.reading().known().settings().isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Proposal.of(f.plan().setup())
                        .driftPx(f.reading().known().settings().get().seconds()));
    }

    private static OptionalDouble corners(FrameReading r) {
        return r.corners().stream()
                .flatMap(p -> p.shape().stream())
                .mapToDouble(StarShape::lengthPx)
                .average();
    }

    /** A reduced picture tells nothing of how sharp its lens is. */
    private static boolean whole(TakenFrame f) {
        int across = Math.max(f.reading().width(), f.reading().height());
        return f.plan() != null
                && across >= WHOLE * f.plan().setup().rig().body().sensor().pixelsAcross();
    }

    private static final double WHOLE = 0.9;

    private static OptionalDouble zenith(TakenFrame f) {
        FrameReading r = f.reading();
        OptionalDouble sky = r.sky().magnitude();
        Optional<Direction> at = r.aim().map(a -> a.axis()).or(() -> r.known().aim());
        if (f.plan() == null
                || sky.isEmpty()
                || at.isEmpty()
                || r.known().opened().isEmpty()) {
            return OptionalDouble.empty();
        }
        return Darkness.zenith(
                f.plan().setup().from(), r.known().opened().get(), at.get().vector(), sky.getAsDouble());
    }
}
