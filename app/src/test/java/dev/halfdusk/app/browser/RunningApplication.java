package dev.halfdusk.app.browser;

import dev.halfdusk.app.HalfDuskApplication;
import dev.halfdusk.app.TestFolder;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** The whole application on a free port with a data folder of the test's choice. */
final class RunningApplication implements AutoCloseable {

    /** Pages that nobody asked for would only be in the way of those that a test asks for. */
    private static final String COLD = "--halfdusk.warm=false";

    /** Where the light table may read frames. */
    static final Path PICTURES = TestFolder.fresh();

    private static RunningApplication shared;
    private static Path demo;

    private final ServletWebServerApplicationContext context;

    private RunningApplication(ServletWebServerApplicationContext context) {
        this.context = context;
    }

    /** With demo data, started once: a start takes as long as many tests. */
    static RunningApplication shared() {
        if (shared == null) {
            shared = start(TestFolder.fresh(), true);
            demo = TestFolder.fresh().resolve("demo.db");
            shared.copy("backup to");
        }
        return shared;
    }

    /** Puts the data back that it began with. */
    void restore() {
        copy("restore from");
    }

    private void copy(String how) {
        try (Connection connection = context.getBean("writes", DataSource.class).getConnection();
                Statement statement = connection.createStatement()) {
            statement.executeUpdate(how + " '" + demo + "'");
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    static RunningApplication start(Path data, boolean demo) {
        return new RunningApplication((ServletWebServerApplicationContext) SpringApplication.run(
                HalfDuskApplication.class,
                "--server.port=0",
                "--halfdusk.data=" + data,
                "--halfdusk.demo=" + demo,
                "--halfdusk.pictures=" + PICTURES,
                COLD,
                "--halfdusk.season=0s",
                "--halfdusk.clock=2027-06-01T18:00:00Z"));
    }

    /** With a clock that the test moves. */
    static RunningApplication start(Path data, Clock clock) {
        return start(data, clock, 0);
    }

    /** On a port that it had before. */
    static RunningApplication start(Path data, Clock clock, int port) {
        SpringApplication application = new SpringApplication(HalfDuskApplication.class);
        application.addInitializers(c -> ((GenericApplicationContext) c)
                .registerBean("movedClock", Clock.class, () -> clock, b -> b.setPrimary(true)));
        return new RunningApplication((ServletWebServerApplicationContext)
                application.run("--server.port=" + port, "--halfdusk.data=" + data, "--halfdusk.demo=true", COLD));
    }

    int port() {
        return context.getWebServer().getPort();
    }

    String url(String path) {
        return "http://127.0.0.1:" + port() + path;
    }

    /** A page that is still open may ask once more, in vain: it is closed before. */
    @Override
    public void close() {
        context.close();
    }
}
