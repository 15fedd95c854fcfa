package dev.halfdusk.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;

/** A fresh data folder for the tests' application, removed at the end, with the clock held still. */
public final class TestFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {

    public static final String NOW = "2027-06-01T18:00:00Z";

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        TestPropertyValues.of("halfdusk.data=" + fresh(), "halfdusk.clock=" + NOW, "halfdusk.season=0s")
                .applyTo(context);
    }

    /** A temporary folder that goes when the tests end. */
    public static Path fresh() {
        try {
            Path folder = Files.createTempDirectory("half-dusk-test");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> FileSystemUtils.deleteRecursively(folder.toFile())));
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
