package dev.halfdusk.app.lighttable;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Pictures put together, in the data folder until they are thrown away: a TIFF of sixteen bits, a JPEG, what was measured. */
@Component
class AssembledPictures {

    private static final Logger LOG = LoggerFactory.getLogger(AssembledPictures.class);
    private static final Pattern ID = Pattern.compile("[0-9a-f-]{36}");
    private static final String WORDS = ".json";
    private static final String UNFINISHED = ".part";
    /** Thrown away, and kept until the application starts again. */
    private static final String OFF = ".off";

    private static final int ID_LENGTH = 36;

    private final Path folder;
    private final ObjectMapper json;

    AssembledPictures(Path dataFolder, ObjectMapper json) {
        folder = dataFolder.resolve("assembled");
        this.json = json;
        if (Files.isDirectory(folder)) { // of a run that was killed, and what was thrown away
            files(UNFINISHED).forEach(this::delete);
            files(OFF).forEach(p -> forget(p.getFileName().toString().substring(0, ID_LENGTH)));
        }
    }

    private List<Path> files(String ending) {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(p -> p.getFileName().toString().endsWith(ending)).toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    /** Bytes that can still be written there. */
    long free() {
        try {
            Files.createDirectories(folder);
            return Files.getFileStore(folder).getUsableSpace();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where one of its files is written; none of them counts before {@link #finish}. */
    Path unfinished(String id, String kind) {
        try {
            Files.createDirectories(folder);
            return folder.resolve(id + "." + kind + UNFINISHED);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** From now on it is there, whole. */
    AssembledPicture finish(AssembledPicture picture) {
        try {
            for (Path part : files(UNFINISHED)) {
                String name = part.getFileName().toString();
                if (name.startsWith(picture.id())) {
                    Path whole = folder.resolve(name.substring(0, name.length() - UNFINISHED.length()));
                    Files.move(part, whole, StandardCopyOption.ATOMIC_MOVE);
                }
            }
            Files.write(folder.resolve(picture.id() + WORDS), json.writeValueAsBytes(picture));
            return picture;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The newest first. */
    List<AssembledPicture> all() {
        return files(WORDS).stream()
                .flatMap(p -> read(p).stream())
                .sorted(Comparator.comparing(AssembledPicture::at).reversed())
                .toList();
    }

    Optional<AssembledPicture> find(String id) {
        return ID.matcher(id).matches() ? read(folder.resolve(id + WORDS)) : Optional.empty();
    }

    private Optional<AssembledPicture> read(Path words) {
        try {
            return Files.isRegularFile(words)
                    ? Optional.of(json.readValue(Files.readAllBytes(words), AssembledPicture.class))
                    : Optional.empty();
        } catch (IOException e) {
            LOG.warn("What is said of a picture cannot be read: {}", e.toString());
            return Optional.empty();
        }
    }

    Optional<Path> file(String id, String kind) {
        return find(id).map(p -> folder.resolve(id + "." + kind)).filter(Files::isRegularFile);
    }

    /** Thrown away, or taken back. */
    Optional<AssembledPicture> thrown(String id, boolean away) {
        if (!ID.matcher(id).matches()) {
            return Optional.empty();
        }
        Path here = folder.resolve(id + WORDS);
        Path gone = folder.resolve(id + OFF);
        try {
            Files.move(away ? here : gone, away ? gone : here, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            return Optional.empty();
        }
        return read(away ? gone : here);
    }

    /** Throws all of its files away. */
    void forget(String id) {
        if (ID.matcher(id).matches() && Files.isDirectory(folder)) {
            try (Stream<Path> all = Files.list(folder)) {
                all.filter(p -> p.getFileName().toString().startsWith(id)).forEach(this::delete);
            } catch (IOException e) {
                LOG.warn("A picture stays: {}", e.toString());
            }
        }
    }

    private void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("A file of a picture stays: {}", e.toString());
        }
    }
}
