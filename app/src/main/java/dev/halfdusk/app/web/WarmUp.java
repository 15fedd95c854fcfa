package dev.halfdusk.app.web;

import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.lighttable.LightTable;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.context.WebServerInitializedEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;

/** Asks for pages once the server is up, so that the first person does not wait for cold code; people go first. */
@Component
class WarmUp implements ApplicationListener<WebServerInitializedEvent> {

    private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);

    /** Of each kind of page one, the dearest first; and after a list the first that stands in it. */
    private static final List<String> PATHS = List.of(
            "/",
            "/outings",
            "/places",
            "/events",
            "/events/next",
            "/events/sun",
            "/nights",
            "/frame",
            "/bench",
            "/sequences",
            "/events/plans",
            "/kit",
            "/outings/new",
            "/events/moon",
            "/nights/best",
            "/events/fireworks",
            "/events/night-scene",
            "/events/eclipse",
            "/practice",
            "/practice/half-moon");

    private static final List<Pattern> FIRST_OF_A_LIST = List.of(
            Pattern.compile("href=\"(/outings/\\d+)\""),
            Pattern.compile("href=\"(/places/\\d+)\""),
            Pattern.compile("href=\"(/events/plans/\\d+)\""));

    private static final List<String> OF_AN_OUTING = List.of("/sheet", "/field");

    private final boolean trial;
    private final boolean wanted;
    private final Visitors visitors;
    private final ConfigurableApplicationContext context;

    /** @param trial to look at each page once and stop, so that the classes it takes can be archived */
    WarmUp(
            @Value("${halfdusk.trial:false}") boolean trial,
            @Value("${halfdusk.warm:true}") boolean wanted,
            Visitors visitors,
            ConfigurableApplicationContext context) {
        this.trial = trial;
        this.wanted = wanted;
        this.visitors = visitors;
        this.context = context;
    }

    @Override
    public void onApplicationEvent(WebServerInitializedEvent event) {
        int port = event.getWebServer().getPort();
        LOG.info("Half Dusk is at http://127.0.0.1:{}", port);
        if (!trial && !wanted) {
            return;
        }
        Background.start("warm-up", context, trial ? () -> tryOut(port) : () -> warm(port));
    }

    private void tryOut(int port) {
        visit(port);
        System.exit(SpringApplication.exit(context));
    }

    private void warm(int port) {
        visit(port);
        Photograph.prepare(this::peopleFirst);
        LightTable.prepare(this::peopleFirst);
    }

    private void peopleFirst() {
        try {
            visitors.letPass();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void visit(int port) {
        HttpClient client = HttpClient.newHttpClient();
        Deque<String> ahead = new ArrayDeque<>(PATHS);
        Set<String> kinds = new HashSet<>();
        try {
            for (String path = ahead.poll(); path != null; path = ahead.poll()) {
                visitors.letPass();
                URI page = URI.create("http://127.0.0.1:" + port + path);
                String body = client.send(HttpRequest.newBuilder(page).build(), HttpResponse.BodyHandlers.ofString())
                        .body();
                for (Pattern kind : FIRST_OF_A_LIST) {
                    Matcher link = kind.matcher(body);
                    if (link.find() && kinds.add(kind.pattern())) {
                        if (link.group(1).startsWith("/outings")) {
                            OF_AN_OUTING.forEach(part -> ahead.addFirst(link.group(1) + part));
                        }
                        ahead.addFirst(link.group(1));
                    }
                }
            }
        } catch (IOException e) {
            LOG.debug("nothing to warm up", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
