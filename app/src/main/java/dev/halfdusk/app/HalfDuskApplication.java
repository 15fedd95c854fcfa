package dev.halfdusk.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** Starts the web application. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class HalfDuskApplication {

    private static final int REFUSED = 2;

    public static void main(String[] args) {
        try {
            Startup.check(args);
        } catch (Startup.Refused e) {
            System.err.println(e.getMessage());
            System.exit(REFUSED);
        }
        SpringApplication.run(HalfDuskApplication.class, args);
    }
}
