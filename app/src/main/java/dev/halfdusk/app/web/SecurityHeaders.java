package dev.halfdusk.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** No inline script, nothing from elsewhere; and no other site may make this browser change something here. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SecurityHeaders extends OncePerRequestFilter {

    private static final String POLICY = "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none';"
            + " form-action 'self'; frame-ancestors 'none'";

    /** The API browser is a library of its own that styles itself in the page. */
    private static final String DOCS_POLICY = POLICY + "; style-src 'self' 'unsafe-inline'";

    private static final String ERROR = "/error";
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
    private static final Set<String> OWN = Set.of("same-origin", "none");

    /** Whether a page of another site asks. Browsers say so in the one header or, to plain addresses on a network, in the other alone. */
    private static boolean foreign(HttpServletRequest request) {
        String from = request.getHeader("Sec-Fetch-Site");
        if (from != null && !OWN.contains(from)) {
            return true;
        }
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        String host = request.getHeader(HttpHeaders.HOST);
        return origin != null && !origin.replaceFirst("^https?://", "").equalsIgnoreCase(host);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean docs = request.getRequestURI().startsWith("/api/swagger-ui");
        response.setHeader("Content-Security-Policy", docs ? DOCS_POLICY : POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "same-origin");
        if (!request.getRequestURI().startsWith("/assets/")
                && !request.getRequestURI().endsWith(".png")) {
            response.setHeader(HttpHeaders.CACHE_CONTROL, "no-cache");
        }
        if (request.getRequestURI().equals(ERROR)) { // only the server itself goes there
            response.sendError(HttpServletResponse.SC_NOT_FOUND);
            return;
        }
        if (!READING.contains(request.getMethod()) && foreign(request)) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
            return;
        }
        chain.doFilter(request, response);
    }
}
