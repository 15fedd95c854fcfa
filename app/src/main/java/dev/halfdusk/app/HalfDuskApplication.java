package dev.halfdusk.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** Starts the web application. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class HalfDuskApplication {

    public static void main(String[] args) {
        SpringApplication.run(HalfDuskApplication.class, args);
    }

    /** Makes the data folder, or says in one line why it cannot. */
    static Path dataFolder(Path folder) {
        try {
            return Files.createDirectories(folder);
        } catch (IOException e) {
            throw new IllegalStateException("The data folder " + folder + " cannot be made: " + e.getMessage(), e);
        }
    }
}
