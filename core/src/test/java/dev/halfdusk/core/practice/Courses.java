package dev.halfdusk.core.practice;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;

/** The lessons and scenes as they lie in their folders. */
final class Courses {

    static final Course ALL = Course.of(files("lessons"), files("scenes"));

    private Courses() {}

    static Map<String, String> files(String folder) {
        try {
            Path at = Path.of(
                    Objects.requireNonNull(Course.class.getResource(folder)).toURI());
            Map<String, String> all = new TreeMap<>();
            try (Stream<Path> found = Files.list(at)) {
                for (Path file : (Iterable<Path>) found::iterator) {
                    all.put(file.getFileName().toString(), Files.readString(file));
                }
            }
            return all;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (URISyntaxException e) {
            throw new IllegalStateException(e);
        }
    }

    static Lesson lesson(String key) {
        return ALL.find(key).orElseThrow();
    }

    static Stage stage(String key) {
        return Objects.requireNonNull(ALL.stages().get(key));
    }
}
