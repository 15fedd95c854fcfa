package dev.halfdusk.app;

import dev.halfdusk.core.frame.Photograph;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.context.WebServerInitializedEvent;
import org.springframework.context.ApplicationContext;
import org.springframework.context.ApplicationListener;
import org.springframework.stereotype.Component;

/** Asks for the first pages once the server is up, so that the first person does not wait for cold code. */
@Component
class WarmUp implements ApplicationListener<WebServerInitializedEvent> {

    private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);
    private static final int ROUNDS = 12;
    private static final List<String> PATHS = List.of("/", "/outings", "/outings/new", "/nights", "/bench", "/frame");

    /** The first page comes first: what is warmed up at the same time makes it late. */
    private static final Duration AFTER = Duration.ofSeconds(5);

    private final boolean trial;
    private final ApplicationContext context;

    /** @param trial to look at each page once and stop, so that the classes it takes can be archived */
    WarmUp(@Value("${halfdusk.trial:false}") boolean trial, ApplicationContext context) {
        this.trial = trial;
        this.context = context;
    }

    @Override
    public void onApplicationEvent(WebServerInitializedEvent event) {
        int port = event.getWebServer().getPort();
        LOG.info("Half Dusk is at http://127.0.0.1:{}", port);
        Thread thread = new Thread(trial ? () -> tryOut(port) : () -> warm(port), "warm-up");
        thread.setDaemon(!trial);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    private void tryOut(int port) {
        visit(port, 1);
        System.exit(SpringApplication.exit(context));
    }

    private static void warm(int port) {
        try {
            Thread.sleep(AFTER.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return;
        }
        Photograph.prepare();
        visit(port, ROUNDS);
    }

    private static void visit(int port, int rounds) {
        HttpClient client = HttpClient.newHttpClient();
        try {
            for (int round = 0; round < rounds; round++) {
                for (String path : PATHS) {
                    URI page = URI.create("http://127.0.0.1:" + port + path);
                    client.send(HttpRequest.newBuilder(page).build(), HttpResponse.BodyHandlers.discarding());
                }
            }
        } catch (IOException e) {
            LOG.debug("nothing to warm up", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
