package dev.halfdusk.app.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Answers what the server refuses before any page of the application sees it, such as an address that is far too long. */
@Configuration
class RefusedRequests {

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> ownPage() {
        return factory -> factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(Page.class.getName());
            }
        });
    }

    /** In the words of the application instead of the server's. Made by the server, by its name. */
    public static final class Page extends ErrorReportValve {

        private static final int REFUSED = 400;

        @Override
        protected void report(Request request, Response response, Throwable throwable) {
            if (response.getStatus() < REFUSED || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType("text/html");
                response.setCharacterEncoding(StandardCharsets.UTF_8.name());
                response.getReporter().write(HTML);
                response.finishResponse();
            } catch (IOException e) {
                // whoever asked is gone
            }
        }

        private static final String HTML = """
                <!DOCTYPE html>
                <html lang="en" data-lamp="dusk"><head><meta charset="utf-8"><title>Refused · Half Dusk</title>
                <link rel="stylesheet" href="/assets/app.css"></head>
                <body><main class="px-6 py-4 max-w-[44rem]"><h1>That cannot be done</h1>
                <p class="mt-2">The address is too long, or holds signs that an address may not hold. Nothing was changed.</p>
                <p class="mt-4"><a class="button button-main" href="/">Dusk board</a></p></main></body></html>
                """;
    }
}
