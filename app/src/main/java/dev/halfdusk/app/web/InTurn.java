package dev.halfdusk.app.web;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Optional;
import java.util.Queue;
import java.util.regex.Pattern;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Who looks waits for others who look, who saves does not: of many pages, or pictures, that are asked for at once a few are at work, and
 * the others are waited for without a thread, since there are no more threads than a small machine can use. Before what keeps pages and
 * counts visitors, so that nobody holds a place in them while he waits; to all after it a request that comes again is as if it came just
 * now.
 */
@Component
@Order(0)
class InTurn extends OncePerRequestFilter {

    /** Of each kind; all three leave threads to who saves. */
    static final int AT_WORK = Math.min(12, Math.max(4, 2 * Runtime.getRuntime().availableProcessors()));

    private static final Pattern PICTURES = Pattern.compile(".*\\.(?:jpg|png|tiff)");
    private static final Pattern AT_ONCE = Pattern.compile("/assets/.*|/clock");
    private static final String API = "/api/";
    private static final long PATIENCE_MS = 60_000;
    static final String WHY = "Too many pages are asked for just now.";

    /** Where a request says what became of its waiting. */
    private static final String WAITED = InTurn.class.getName();

    private enum Waited {
        HAS_TURN,
        TOO_LONG
    }

    private final Line pictures = new Line();
    private final Line pages = new Line();
    private final Line programs = new Line();
    private final KeptPages kept;
    private final ObjectMapper json;

    InTurn(KeptPages kept, ObjectMapper json) {
        this.kept = kept;
        this.json = json;
    }

    private Optional<Line> line(HttpServletRequest request) {
        String path = request.getRequestURI();
        if (!"GET".equals(request.getMethod()) || AT_ONCE.matcher(path).matches()) {
            return Optional.empty();
        }
        if (PICTURES.matcher(path).matches()) {
            return Optional.of(pictures);
        }
        return Optional.of(path.startsWith(API) ? programs : pages);
    }

    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Line> line = line(request);
        boolean again = request.getDispatcherType() == DispatcherType.ASYNC;
        Object waited = request.getAttribute(WAITED);
        request.removeAttribute(WAITED);
        if (waited == Waited.TOO_LONG) {
            busy(request, response);
        } else if (line.isEmpty()
                || !again && kept.atHand(request)
                || again && waited == null) { // comes for another reason
            chain.doFilter(request, response);
        } else if (waited == Waited.HAS_TURN || line.get().begins(request, response)) {
            try {
                chain.doFilter(again ? new AsIfNew(request) : request, response);
            } finally {
                line.get().ended();
            }
        }
    }

    private void busy(HttpServletRequest request, HttpServletResponse response) throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, "" + NotSaved.RETRY_AFTER_S);
        if (request.getRequestURI().startsWith(API)) {
            response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            json.writeValue(
                    response.getOutputStream(), ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, WHY));
        } else {
            response.sendError(HttpStatus.SERVICE_UNAVAILABLE.value());
        }
    }

    /** Filters pass over what comes again, or take it for what they have seen before. */
    private static final class AsIfNew extends HttpServletRequestWrapper {

        AsIfNew(HttpServletRequest request) {
            super(request);
        }

        @Override
        public DispatcherType getDispatcherType() {
            return DispatcherType.REQUEST;
        }
    }

    /** Those who are at work, and those who wait for a place among them, the first first. */
    private static final class Line {

        private final Queue<Waiting> waiting = new ArrayDeque<>();
        private int free = AT_WORK;

        /** Whether there is a place; otherwise the request comes again. */
        synchronized boolean begins(HttpServletRequest request, HttpServletResponse response) {
            if (free > 0) {
                free--;
                return true;
            }
            AsyncContext later = request.startAsync(request, response);
            later.setTimeout(PATIENCE_MS);
            Waiting one = new Waiting(later, this);
            later.addListener(one);
            waiting.add(one);
            return false;
        }

        /** The next one takes its place. */
        void ended() {
            Waiting next;
            synchronized (this) {
                next = waiting.poll();
                if (next == null) {
                    free++;
                    return;
                }
            }
            try {
                next.comesAgain(Waited.HAS_TURN);
            } catch (IllegalStateException e) { // waited too long meanwhile
                ended();
            }
        }

        synchronized boolean givesUp(Waiting one) {
            return waiting.remove(one);
        }
    }

    private record Waiting(AsyncContext later, Line line) implements AsyncListener {

        void comesAgain(Waited how) {
            later.getRequest().setAttribute(WAITED, how);
            later.dispatch();
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            if (line.givesUp(this)) {
                comesAgain(Waited.TOO_LONG);
            }
        }

        @Override
        public void onError(AsyncEvent event) {
            line.givesUp(this);
        }

        @Override
        public void onComplete(AsyncEvent event) {
            line.givesUp(this);
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // it is begun once
        }
    }
}
