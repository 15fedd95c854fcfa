package dev.halfdusk.app.lighttable;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Folders of frames under the one that was allowed when the application was started ({@code --halfdusk.pictures=DIR}); nothing outside of it is
 * read, whatever links say.
 */
@Component
public class PictureFolders {

    private static final Logger LOG = LoggerFactory.getLogger(PictureFolders.class);
    private static final int DEEP = 4;
    private static final int MOST = 200;
    /** Of a disk full of pictures no more is looked through each time the page is shown. */
    private static final int LOOKED_AT = 20_000;

    private static final Set<String> ENDINGS = Set.of(
            "jpg", "jpeg", "png", "tif", "tiff", "dng", "raw", "arw", "cr2", "cr3", "nef", "orf", "raf", "rw2", "pef");

    private final Optional<Path> root;

    PictureFolders(@Value("${halfdusk.pictures:}") String folder) {
        Path path = null;
        try {
            path = folder.isBlank() ? null : Path.of(folder).toRealPath();
        } catch (IOException | InvalidPathException e) {
            LOG.warn("The folder of pictures {} cannot be found; the light table takes single frames alone.", folder);
        }
        root = Optional.ofNullable(path);
    }

    /** Those that hold frames, relative to the root, by name. */
    public List<String> all() {
        if (root.isEmpty()) {
            return List.of();
        }
        try (Stream<Path> below = Files.walk(root.get(), DEEP + 1)) {
            return below.limit(LOOKED_AT)
                    .filter(PictureFolders::frame)
                    .map(p -> root.get().relativize(p.getParent()).toString())
                    .distinct()
                    .sorted()
                    .limit(MOST)
                    .toList();
        } catch (IOException | UncheckedIOException e) {
            return List.of(); // a folder that may not be looked into
        }
    }

    /** Its frames by name, no more than the table holds; empty for a folder that is none of them. */
    public List<Path> frames(String folder) {
        if (root.isEmpty()) {
            return List.of();
        }
        try {
            Path asked = root.get().resolve(folder).toRealPath();
            return asked.startsWith(root.get()) && Files.isDirectory(asked) ? frames(asked) : List.of();
        } catch (IOException | RuntimeException e) {
            return List.of();
        }
    }

    private static List<Path> frames(Path folder) {
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.filter(PictureFolders::frame)
                    .sorted()
                    .limit(Frames.MOST)
                    .toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    private static boolean frame(Path file) {
        String name = file.getFileName().toString();
        String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return ENDINGS.contains(ending) && Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS);
    }
}
