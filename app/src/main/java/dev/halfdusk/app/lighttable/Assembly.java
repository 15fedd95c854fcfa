package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.PictureFile;
import dev.halfdusk.core.assembly.Assembled;
import dev.halfdusk.core.assembly.Progress;
import dev.halfdusk.core.assembly.Raster;
import dev.halfdusk.core.assembly.Stack;
import dev.halfdusk.core.assembly.Taken;
import dev.halfdusk.core.assembly.TrailOptions;
import dev.halfdusk.core.assembly.Trails;
import dev.halfdusk.core.measure.Numbers;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Puts frames together and keeps what came of it; the frames themselves are only read. */
@Component
class Assembly {

    private static final int MOST_FRAMES = 2000;
    private static final long ELSE_BYTES = 200L << 20;
    private static final double BYTES_A_PIXEL = 18;
    private static final long FREE_BYTES = 64L << 20;
    private static final int BYTES_WRITTEN = 8;
    private static final Duration ONE_NIGHT = Duration.ofHours(18);

    private final FrameFiles files;
    private final AssembledPictures pictures;
    private final Clock clock;

    Assembly(FrameFiles files, AssembledPictures pictures, Clock clock) {
        this.files = files;
        this.pictures = pictures;
        this.clock = clock;
    }

    /**
     * A frame by its file.
     *
     * @param name that it is called by where something is wrong with it
     */
    record Source(String name, Path file, Optional<Instant> opened, double seconds) implements Taken {

        @Override
        public Raster read() {
            try {
                return FrameFile.read(Files.readAllBytes(file)).raster();
            } catch (NotAFrame e) {
                throw new UnreadableFrame(name + ": " + e.getMessage());
            } catch (IOException e) {
                throw new UnreadableFrame(name + ": it is gone, or cannot be read.");
            }
        }
    }

    /** What speaks against it before it is begun, in words; empty where nothing does. */
    Optional<String> against(List<Source> sources) {
        if (sources.size() < 2 || sources.size() > MOST_FRAMES) {
            return Optional.of("Choose 2 to " + MOST_FRAMES + " frames; these are " + sources.size() + ".");
        }
        List<Instant> times =
                sources.stream().flatMap(s -> s.opened.stream()).sorted().toList();
        if (!times.isEmpty()
                && Duration.between(times.get(0), times.get(times.size() - 1)).compareTo(ONE_NIGHT) > 0) {
            return Optional.of("They are not of one night: the first and the last are "
                    + Duration.between(times.get(0), times.get(times.size() - 1))
                            .toHours() + " h apart.");
        }
        if (!Files.isReadable(sources.get(0).file)) {
            return Optional.of(sources.get(0).name + ": it is gone, or cannot be read.");
        }
        double pixels = 1e6 * megapixels(sources);
        double most = (Runtime.getRuntime().maxMemory() - ELSE_BYTES) / BYTES_A_PIXEL;
        if (pixels > most) {
            return Optional.of(Numbers.text(
                    "Frames of %.0f megapixels do not fit into the memory this runs in; %.0f do.",
                    pixels / 1e6, most / 1e6));
        }
        double needs = BYTES_WRITTEN * pixels + FREE_BYTES;
        return pictures.free() < needs
                ? Optional.of(Numbers.text(
                        "It would fill the disk: %.0f MB are needed, %.0f are free.",
                        needs / 1e6, pictures.free() / 1e6))
                : Optional.empty();
    }

    private static double megapixels(List<Source> sources) {
        return FrameFile.megapixels(sources.get(0).file);
    }

    /** How often progress is told. */
    int steps(List<Source> sources, Wanted wanted) {
        if (wanted.what() == Wanted.What.TRAILS) {
            return sources.size();
        }
        return sources.size() * Stack.strips(1e6 * megapixels(sources));
    }

    /** @throws NotAFrame with the reason */
    AssembledPicture put(List<Source> sources, Wanted wanted, Progress progress) throws NotAFrame {
        List<Source> inTime = new ArrayList<>(sources);
        inTime.sort(Comparator.comparing(s -> s.opened.orElse(Instant.EPOCH)));
        String id = UUID.randomUUID().toString();
        try {
            return files.atLength(megapixels(sources), () -> {
                List<String> measured = new ArrayList<>();
                Assembled picture = wanted.what() == Wanted.What.TRAILS
                        ? trails(inTime, wanted, progress, measured)
                        : stack(inTime, wanted, progress, measured);
                return keep(id, wanted.what(), inTime.size(), picture, measured);
            });
        } catch (Taken.UnreadableFrame e) {
            pictures.forget(id);
            throw new NotAFrame(e.getMessage());
        } catch (RuntimeException e) { // cancelled too
            pictures.forget(id);
            throw e;
        }
    }

    private AssembledPicture keep(String id, Wanted.What what, int frames, Assembled picture, List<String> measured) {
        AssembledPicture kept = new AssembledPicture(
                id,
                what.words() + " of " + frames + " frames",
                clock.instant(),
                picture.width(),
                picture.height(),
                measured);
        short[] developed = picture.developed();
        pictures.write(id, "tif", PictureFile.tiff(developed, picture.width(), picture.height(), kept.title()));
        pictures.write(
                id, "jpg", PictureFile.jpeg(developed, picture.width(), picture.height(), kept.title(), measured));
        pictures.finish(kept);
        return kept;
    }

    /** A frame of a made-up series, taken when its turn comes. */
    private record Made(MadeUp made, PlannedTake take, int number) implements Taken {

        @Override
        public Raster read() {
            return made.take(take, number).raster();
        }

        @Override
        public Optional<Instant> opened() {
            return Optional.of(made.opens(take, number));
        }

        @Override
        public double seconds() {
            return take.settings().seconds();
        }
    }

    /** Trails of a made-up series of a take. */
    AssembledPicture example(PlannedTake take, Progress progress) throws NotAFrame {
        List<MadeUp> made = MadeUp.of(take, true);
        List<Made> frames = IntStream.range(0, made.size())
                .mapToObj(i -> new Made(made.get(i), take, i))
                .toList();
        String id = UUID.randomUUID().toString();
        try {
            return files.atLength(2, () -> {
                Trails.Result r = Trails.of(frames, new TrailOptions(true, 0, true), Optional.empty(), progress);
                List<String> measured = List.of("a made-up series of " + take.words(), "what flew across is left out");
                return keep(id, Wanted.What.TRAILS, frames.size(), r.picture(), measured);
            });
        } catch (RuntimeException e) {
            pictures.forget(id);
            throw e;
        }
    }

    private static Assembled trails(List<Source> sources, Wanted wanted, Progress progress, List<String> measured) {
        Trails.Result r = Trails.of(sources, wanted.trails(), Optional.empty(), progress);
        Optional<Instant> first = sources.get(0).opened;
        Optional<Instant> last = sources.get(sources.size() - 1).opened;
        if (first.isPresent() && last.isPresent()) {
            double minutes =
                    (Duration.between(first.get(), last.get()).toSeconds() + sources.get(sources.size() - 1).seconds)
                            / 60;
            measured.add(Numbers.text("%.0f minutes of sky, arcs of %.1f\u00b0", minutes, minutes * 15.041 / 60));
        }
        if (wanted.trails().filled()) {
            measured.add(
                    r.unmeasured() == 0
                            ? "pauses filled along the way of the stars"
                            : r.unmeasured()
                                    + " times the way of the stars was not found: pauses there are not filled");
        }
        if (wanted.trails().withoutLines()) {
            measured.add("what flew across is left out");
        }
        return r.picture();
    }

    private static Assembled stack(List<Source> sources, Wanted wanted, Progress progress, List<String> measured) {
        Stack.Result r = Stack.of(sources, wanted.clipped(), wanted.groundStill(), Optional.empty(), progress);
        measured.add(Numbers.text(
                "noise in the middle %.1f times less than in one frame, faint stars counted in; the root of %d is %.1f",
                r.narrower(), r.frames(), Math.sqrt(r.frames())));
        measured.add(Numbers.text("stars laid over each other to %.2f px", r.errorPx()));
        if (!r.left().isEmpty()) {
            measured.add("left out, since their stars were not found: "
                    + String.join(
                            ", ",
                            r.left().stream().map(i -> sources.get(i).name).toList()));
        }
        return r.picture();
    }
}
