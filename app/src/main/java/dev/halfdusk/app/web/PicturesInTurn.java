package dev.halfdusk.app.web;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Queue;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Pictures wait for each other, pages do not wait for pictures: of many that are asked for at once a few are at work, and the others are
 * waited for without a thread, since there are no more threads than a small machine can use. Last of the filters, so that what the
 * others refuse does not wait.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class PicturesInTurn extends OncePerRequestFilter {

    static final int AT_WORK = 8;

    private static final Pattern PICTURES = Pattern.compile("/(?!assets/).*\\.(?:jpg|png|tiff)");
    private static final long PATIENCE_MS = 60_000;
    private static final String WAITED = PicturesInTurn.class.getName();

    private final Queue<Waiting> waiting = new ArrayDeque<>();
    private int atWork;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !"GET".equals(request.getMethod())
                || !PICTURES.matcher(request.getRequestURI()).matches();
    }

    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean again = request.getDispatcherType() == DispatcherType.ASYNC;
        if (again && request.getAttribute(WAITED) == null) {
            chain.doFilter(request, response); // comes again for a reason of its own
            return;
        }
        request.removeAttribute(WAITED);
        if (!again && !begins(request, response)) {
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            ended();
        }
    }

    private synchronized boolean begins(HttpServletRequest request, HttpServletResponse response) {
        if (atWork < AT_WORK) {
            atWork++;
            return true;
        }
        AsyncContext later = request.startAsync(request, response);
        later.setTimeout(PATIENCE_MS);
        request.setAttribute(WAITED, true);
        Waiting one = new Waiting(later);
        later.addListener(one);
        waiting.add(one);
        return false;
    }

    /** The next one takes its place. */
    private void ended() {
        Waiting next;
        synchronized (this) {
            next = waiting.poll();
            if (next == null) {
                atWork--;
                return;
            }
        }
        try {
            next.later.dispatch();
        } catch (IllegalStateException e) { // waited too long meanwhile
            ended();
        }
    }

    private synchronized boolean givesUp(Waiting one) {
        return waiting.remove(one);
    }

    private final class Waiting implements AsyncListener {

        private final AsyncContext later;

        Waiting(AsyncContext later) {
            this.later = later;
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            if (givesUp(this)) {
                HttpServletResponse response = (HttpServletResponse) later.getResponse();
                response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
                response.setHeader(HttpHeaders.RETRY_AFTER, "" + NotSaved.RETRY_AFTER_S);
                later.complete();
            }
        }

        @Override
        public void onError(AsyncEvent event) {
            givesUp(this);
        }

        @Override
        public void onComplete(AsyncEvent event) {
            givesUp(this);
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // it is begun once
        }
    }
}
