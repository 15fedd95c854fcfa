package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

@Timeout(30)
class VisitorsTest {

    private final Visitors visitors = new Visitors();
    private final CountDownLatch asked = new CountDownLatch(1);
    private final CountDownLatch answered = new CountDownLatch(1);

    /** Somebody who is answered when the latch is let go; with a fault, if there is one. */
    private CompletableFuture<Void> someone(RuntimeException fault) {
        return CompletableFuture.runAsync(() -> {
            try {
                visitors.doFilter(new MockHttpServletRequest(), new MockHttpServletResponse(), (q, a) -> {
                    asked.countDown();
                    try {
                        answered.await();
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                    if (fault != null) {
                        throw fault;
                    }
                });
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
    }

    private CompletableFuture<Void> background() {
        return CompletableFuture.runAsync(() -> {
            try {
                visitors.letPass();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    @Test
    void background_work_waits_until_people_are_answered_and_no_longer_than_it_wants() throws Exception {
        background().get(); // nobody is there
        CompletableFuture<Void> someone = someone(null);
        asked.await();
        visitors.letPass(Duration.ofMillis(1));
        CompletableFuture<Void> waiting = background();
        assertThatThrownBy(() -> waiting.get(200, TimeUnit.MILLISECONDS)).isInstanceOf(TimeoutException.class);
        answered.countDown();
        someone.get();
        waiting.get();
    }

    @Test
    void somebody_who_met_a_fault_is_gone_too() throws Exception {
        CompletableFuture<Void> someone = someone(new IllegalArgumentException("fault"));
        asked.await();
        answered.countDown();
        assertThat(someone.handle((x, fault) -> fault != null).get()).isTrue();
        background().get();
    }
}
