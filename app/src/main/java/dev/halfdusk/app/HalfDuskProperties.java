package dev.halfdusk.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What can be set on the command line as {@code --halfdusk.…}.
 *
 * @param data folder of the database; by default .half-dusk in the home folder, with demo data a new temporary one
 * @param demo fills an empty database with the demo scenario
 * @param forecast how the simulated forecast service behaves: ok, slow or down
 * @param clock holds the time still at an instant, for tests and pictures
 */
@ConfigurationProperties("halfdusk")
public record HalfDuskProperties(
        Path data,
        @DefaultValue("false") boolean demo,
        Instant clock,
        @DefaultValue("ok") ForecastMode forecast) {

    /** How the simulated forecast service behaves. */
    public enum ForecastMode {
        OK,
        SLOW,
        DOWN
    }

    public HalfDuskProperties {
        if (data == null) {
            data = demo ? temporary() : Path.of(System.getProperty("user.home"), ".half-dusk");
        }
    }

    private static Path temporary() {
        try {
            return Files.createTempDirectory("half-dusk-demo");
        } catch (IOException e) {
            throw new UncheckedIOException("no temporary folder can be made for the demo data", e);
        }
    }
}
