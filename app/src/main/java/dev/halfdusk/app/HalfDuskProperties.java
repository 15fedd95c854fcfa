package dev.halfdusk.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.FileSystemUtils;

/**
 * What can be set on the command line as {@code --halfdusk.…}.
 *
 * @param data folder of the database; by default .half-dusk in the home folder, with demo data a new temporary one
 * @param demo fills an empty database with the demo scenario
 * @param clock holds the time still at an instant, for tests and pictures
 */
@ConfigurationProperties("halfdusk")
public record HalfDuskProperties(
        Path data, @DefaultValue("false") boolean demo, Instant clock) {

    public HalfDuskProperties {
        if (data == null) {
            data = demo ? temporary() : usualFolder();
        }
    }

    static Path usualFolder() {
        return Path.of(System.getProperty("user.home"), ".half-dusk");
    }

    private static Path temporary() {
        try {
            Path folder = Files.createTempDirectory("half-dusk-demo");
            // at the very end, when the database is closed
            Runtime.getRuntime().addShutdownHook(new Thread(() -> FileSystemUtils.deleteRecursively(folder.toFile())));
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException("no temporary folder can be made for the demo data", e);
        }
    }
}
