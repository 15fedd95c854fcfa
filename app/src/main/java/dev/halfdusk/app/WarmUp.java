package dev.halfdusk.app;

import dev.halfdusk.core.frame.Photograph;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Asks for the first pages once the server is up, so that the first person does not wait for cold code. */
@Component
class WarmUp {

    private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);
    private static final int ROUNDS = 12;

    /** The first page comes first: what is warmed up at the same time makes it late. */
    private static final Duration AFTER = Duration.ofSeconds(5);

    @EventListener
    void started(WebServerInitializedEvent event) {
        int port = event.getWebServer().getPort();
        LOG.info("Half Dusk is at http://127.0.0.1:{}", port);
        Thread thread = new Thread(() -> visit(port), "warm-up");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    private static void visit(int port) {
        HttpClient client = HttpClient.newHttpClient();
        try {
            Thread.sleep(AFTER.toMillis());
            Photograph.prepare();
            for (int round = 0; round < ROUNDS; round++) {
                for (String path : new String[] {"/", "/outings", "/outings/new", "/nights", "/bench", "/frame"}) {
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
