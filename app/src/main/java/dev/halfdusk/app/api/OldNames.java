package dev.halfdusk.app.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Parameters by the names they had before each said its unit: programs that were written with them go on working. */
@Component
class OldNames extends OncePerRequestFilter {

    private static final Map<String, String> NEW = Map.of(
            "lat", "latitudeDeg",
            "lon", "longitudeDeg",
            "elevation", "elevationM",
            "azimuth", "azimuthDeg",
            "altitude", "altitudeDeg",
            "shutter", "shutterSeconds",
            "exposure", "shutterSeconds");

    private static final String ALIGNMENTS = "/api/alignments";

    /** What a parameter was called before; empty where it has always been called so. */
    static Optional<String> before(String path, String name) {
        return NEW.keySet().stream()
                .filter(old -> now(path, old).equals(name))
                .filter(old -> !old.equals("exposure") || path.startsWith("/api/sequence"))
                .filter(old -> !old.equals("shutter") || !path.startsWith("/api/sequence"))
                .findFirst();
    }

    private static String now(String path, String name) {
        return path.equals(ALIGNMENTS) && name.equals("altitude") ? "airlessAltitudeDeg" : NEW.getOrDefault(name, name);
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/")
                || request.getParameterMap().keySet().stream().noneMatch(NEW::containsKey);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Map<String, String[]> renamed = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, values) -> {
            String now = now(request.getRequestURI(), name);
            if (!now.equals(name) && request.getParameterMap().containsKey(now)) {
                renamed.put(name, values); // both: refused as one that is not known
            } else {
                renamed.put(now, values);
            }
        });
        chain.doFilter(new Renamed(request, renamed), response);
    }

    private static final class Renamed extends HttpServletRequestWrapper {

        private final Map<String, String[]> parameters;

        Renamed(HttpServletRequest request, Map<String, String[]> parameters) {
            super(request);
            this.parameters = Collections.unmodifiableMap(parameters);
        }

        @Override
        public String getParameter(String name) {
            String[] values = parameters.get(name);
            return values == null ? null : values[0];
        }

        @Override
        public String[] getParameterValues(String name) {
            return parameters.get(name);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return parameters;
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(parameters.keySet());
        }
    }
}
