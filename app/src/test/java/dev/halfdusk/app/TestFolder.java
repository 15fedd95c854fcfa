package dev.halfdusk.app;

import java.io.IOException;
import java.nio.file.Files;
import org.springframework.test.context.DynamicPropertyRegistry;

/** A fresh data folder for a test's application, with the clock held still. */
public final class TestFolder {

    private TestFolder() {}

    public static void use(DynamicPropertyRegistry registry) throws IOException {
        String folder = Files.createTempDirectory("half-dusk-test").toString();
        registry.add("halfdusk.data", () -> folder);
        registry.add("halfdusk.clock", () -> "2027-06-01T18:00:00Z");
    }
}
