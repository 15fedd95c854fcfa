package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.pictures.PictureFile;
import dev.halfdusk.core.assembly.Assembled;
import dev.halfdusk.core.assembly.Developing;
import dev.halfdusk.core.assembly.Progress;
import dev.halfdusk.core.assembly.Stack;
import dev.halfdusk.core.assembly.Taken;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.measure.Numbers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Puts frames together and keeps what came of it; the frames themselves are only read. */
@Component
class Assembly {

    private static final int SEEN_WIDE = 1600;
    private static final int MOST_FRAMES = 2000;
    private static final long ELSE_BYTES = 200L << 20;
    private static final double DARK_BYTES = 6;
    private static final double LEAST_STRIP = 40e6;
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

    /** What speaks against it before it is begun, in words; empty where nothing does. */
    Optional<String> against(Chosen chosen, Wanted wanted) {
        List<Source> sources = chosen.frames();
        if (sources.size() < 2 || sources.size() > MOST_FRAMES) {
            return Optional.of("Choose 2 to " + MOST_FRAMES + " frames; these are " + sources.size() + ".");
        }
        if (wanted.what() == Wanted.What.BLEND && chosen.land().isEmpty()) {
            return Optional.of(
                    "Choose the frames of the land too: their land stands under the sky of the others. Without them a stack keeps its own.");
        }
        Optional<String> nights = nights(chosen, wanted);
        if (nights.isPresent()) {
            return nights;
        }
        if (sources.get(0) instanceof SourceFile first && !Files.isReadable(first.file())) {
            return Optional.of(first.name() + ": it is gone, or cannot be read.");
        }
        double pixels = pixels(chosen);
        double most = (room() - (stacks(wanted) ? LEAST_STRIP : 0)) / bytes(chosen, wanted);
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

    /** All but phases are of one night. */
    private static Optional<String> nights(Chosen chosen, Wanted wanted) {
        List<Instant> times = chosen.pictured().stream()
                .flatMap(s -> s.opened().stream())
                .sorted()
                .toList();
        if (times.isEmpty() || wanted.what() == Wanted.What.PHASES) {
            return Optional.empty();
        }
        Duration apart = Duration.between(times.get(0), times.get(times.size() - 1));
        return apart.compareTo(ONE_NIGHT) > 0
                ? Optional.of("They are not of one night: the first and the last are " + apart.toHours() + " h apart.")
                : Optional.empty();
    }

    private static double room() {
        return Runtime.getRuntime().maxMemory() - (double) ELSE_BYTES;
    }

    /** That a picture's pixel takes while it is put together, beside the sums of a strip. */
    private static double bytes(Chosen chosen, Wanted wanted) {
        double own = switch (wanted.what()) {
            case TRAILS, CONTEST, BLEND -> 18;
            case STACK -> 12;
            case GLOW -> 15;
            case WAY -> 16;
            case MOON, LIGHTEST -> 21;
            case PHASES, CLIP -> 9;
        };
        return own + (chosen.dark().isEmpty() ? 0 : DARK_BYTES);
    }

    private static boolean stacks(Wanted wanted) {
        return switch (wanted.what()) {
            case STACK, BLEND, CONTEST -> true;
            default -> false;
        };
    }

    private static double pixels(Chosen chosen) {
        return 1e6 * chosen.frames().get(0).megapixels();
    }

    private static double stripBytes(Chosen chosen, Wanted wanted) {
        return Math.max(LEAST_STRIP, Math.min(Stack.STRIP_BYTES, room() - bytes(chosen, wanted) * pixels(chosen)));
    }

    /** How often progress is told. */
    int steps(Chosen chosen, Wanted wanted) {
        return Assembler.steps(chosen, wanted, pixels(chosen), stripBytes(chosen, wanted));
    }

    /** @throws NotAFrame with the reason */
    AssembledPicture put(Chosen chosen, Wanted wanted, Progress progress) throws NotAFrame {
        String title = wanted.what().words() + " of "
                + (chosen.land().isEmpty()
                        ? chosen.frames().size() + " frames"
                        : chosen.frames().size() + " and " + chosen.land().size() + " frames");
        double megapixels = pixels(chosen) / 1e6;
        if (wanted.what() == Wanted.What.CLIP) {
            return kept(megapixels, id -> clip(id, title, chosen, wanted, progress));
        }
        return kept(megapixels, id -> {
            Assembler.Made made = Assembler.put(chosen, wanted, stripBytes(chosen, wanted), progress);
            return keep(
                    id,
                    title,
                    made,
                    wanted.what().subject(),
                    chosen.frames().get(0).known(),
                    progress);
        });
    }

    /** Work that leaves nothing behind where it ends early. */
    private AssembledPicture kept(double megapixels, Making making) throws NotAFrame {
        String id = UUID.randomUUID().toString();
        try {
            return files.atLength(megapixels, () -> making.of(id));
        } catch (Taken.UnreadableFrame e) {
            pictures.forget(id);
            throw new NotAFrame(e.getMessage());
        } catch (RuntimeException | Error e) { // cancelled, or more memory than there is
            pictures.forget(id);
            throw e;
        }
    }

    private interface Making {
        AssembledPicture of(String id);
    }

    private AssembledPicture keep(
            String id, String title, Assembler.Made made, Developing.Subject subject, Known known, Progress progress) {
        Assembled picture = made.picture();
        Developing.Begun begun = Developing.of(picture, subject, known);
        progress.look();
        double times = Math.pow(2, Math.max(0, begun.stops()));
        List<AssembledPicture.Part> parts = new ArrayList<>();
        for (Map.Entry<String, Assembled> e : made.parts().entrySet()) {
            parts.add(new AssembledPicture.Part(
                    e.getKey(), e.getValue().width(), e.getValue().height()));
            forLooking(id, parts.size() + ".jpg", e.getValue().times(times), e.getKey(), progress);
        }
        if (begun.stops() > 0) {
            forLooking(id, AssembledPicture.SEEN, picture.reduced(SEEN_WIDE).times(times), title, progress);
        }
        int w = picture.width();
        int h = picture.height();
        short[] developed = picture.developed();
        PictureFile.tiff(pictures.unfinished(id, "tif"), developed, w, h, title, progress::look);
        PictureFile.jpeg(pictures.unfinished(id, "jpg"), developed, w, h, title, made.measured(), progress::look);
        return pictures.finish(new AssembledPicture(
                id, title, clock.instant(), w, h, made.measured(), parts, begun.steps(), begun.stops(), false));
    }

    private void forLooking(String id, String kind, Assembled picture, String title, Progress progress) {
        PictureFile.jpeg(
                pictures.unfinished(id, kind),
                picture.developed(),
                picture.width(),
                picture.height(),
                title,
                List.of("for looking"),
                progress::look);
    }

    private AssembledPicture clip(String id, String title, Chosen chosen, Wanted wanted, Progress progress) {
        Path film = pictures.unfinished(id, "mp4");
        Assembled shown = Clip.write(film, chosen, wanted, progress);
        List<String> measured = Clip.measured(chosen, wanted);
        PictureFile.jpeg(
                pictures.unfinished(id, "jpg"),
                shown.developed(),
                shown.width(),
                shown.height(),
                title,
                measured,
                progress::look);
        return pictures.finish(new AssembledPicture(
                id, title, clock.instant(), shown.width(), shown.height(), measured, List.of(), List.of(), 0, true));
    }
}
