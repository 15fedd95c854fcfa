package dev.halfdusk.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only to localhost, to the address that the connection came in at, and to names that were allowed. Otherwise a
 * page elsewhere could give its own name the address of this machine and read the planner through the browser.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class HostGuard extends OncePerRequestFilter {

    private static final Set<String> OWN = Set.of("localhost", "127.0.0.1", "::1", "0:0:0:0:0:0:0:1");

    /** RFC 9110. */
    private static final int MISDIRECTED_REQUEST = 421;

    private final Set<String> allowed;

    HostGuard(@Value("${halfdusk.hosts:}") Set<String> hosts) {
        allowed = Set.copyOf(hosts);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = bare(request.getServerName());
        if (OWN.contains(host) || host.equals(bare(request.getLocalAddr())) || allowed.contains(host)) {
            chain.doFilter(request, response);
            return;
        }
        response.setStatus(MISDIRECTED_REQUEST);
        response.setContentType("text/plain");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter()
                .write("Half Dusk answers to localhost and to its own address. To allow a name, start it with"
                        + " --halfdusk.hosts=name.\n");
    }

    /** Without brackets of an IPv6 address. */
    private static String bare(String host) {
        return host.replaceAll("[\\[\\]]", "").toLowerCase(Locale.ROOT);
    }
}
