package dev.halfdusk.app.browser;

import dev.halfdusk.app.HalfDuskApplication;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;

/** The whole application on a free port with a data folder of the test's choice. */
final class RunningApplication implements AutoCloseable {

    private final ServletWebServerApplicationContext context;

    private RunningApplication(ServletWebServerApplicationContext context) {
        this.context = context;
    }

    static RunningApplication start(Path data, boolean demo) {
        return new RunningApplication((ServletWebServerApplicationContext) SpringApplication.run(
                HalfDuskApplication.class,
                "--server.port=0",
                "--halfdusk.data=" + data,
                "--halfdusk.demo=" + demo,
                "--halfdusk.clock=2027-06-01T18:00:00Z"));
    }

    String url(String path) {
        return "http://127.0.0.1:" + context.getWebServer().getPort() + path;
    }

    @Override
    public void close() {
        context.close();
    }
}
