package dev.halfdusk.app;

import java.net.URL;
import org.springframework.aot.AotDetector;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.core.SpringProperties;

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
        if (packaged()) {
            SpringProperties.setFlag(AotDetector.AOT_ENABLED);
        }
        SpringApplication.run(HalfDuskApplication.class, args);
    }

    /** As a jar it has its beans worked out at the build; classes in a folder may be newer than those. */
    private static boolean packaged() {
        URL here = HalfDuskApplication.class.getResource("HalfDuskApplication.class");
        return here != null && here.getProtocol().equals("jar");
    }
}
