package dev.halfdusk.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** How many are being answered just now. */
@Component
public class Visitors extends OncePerRequestFilter {

    private static final int LOOK_AGAIN_MS = 20;

    private final AtomicInteger here = new AtomicInteger();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        here.incrementAndGet();
        try {
            chain.doFilter(request, response);
        } finally {
            here.decrementAndGet();
        }
    }

    /** Waits until nobody is being answered. */
    void letPass() throws InterruptedException {
        letPass(Duration.ofDays(1));
    }

    /** The same, at most so long. */
    public void letPass(Duration atMost) throws InterruptedException {
        long until = System.nanoTime() + atMost.toNanos();
        while (here.get() > 0 && System.nanoTime() - until < 0) {
            Thread.sleep(LOOK_AGAIN_MS);
        }
    }
}
