package dev.halfdusk.app.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class JobsTest {

    private final Jobs jobs = new Jobs();

    @AfterEach
    void stop() {
        jobs.stop();
    }

    @Test
    void short_work_is_finished_when_it_is_handed_back() {
        Job<Integer> job = jobs.of("sum", 2, j -> {
            j.step();
            j.step();
            return 42;
        });
        assertThat(job.result()).contains(42);
        assertThat(job.percent()).isEqualTo(100);
        assertThat(jobs.<Integer>of("sum", 2, j -> 7).result()).contains(42);
    }

    /** What was begun ahead is the same job when it is asked for; who has no patience gets nothing yet. */
    @Test
    void work_that_was_begun_ahead_is_found() {
        CountDownLatch go = new CountDownLatch(1);
        Job<Integer> ahead = jobs.begun("ahead", 1, j -> {
            try {
                go.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return 42;
        });
        assertThat(ahead.within(Duration.ofMillis(1))).isEmpty();
        go.countDown();
        assertThat(jobs.<Integer>begun("ahead", 1, j -> 7).within(Duration.ofSeconds(5)))
                .contains(42);
    }

    @Test
    void long_work_shows_progress_and_can_be_cancelled() throws Exception {
        CountDownLatch go = new CountDownLatch(1);
        CountDownLatch stopped = new CountDownLatch(1);
        Job<String> job = jobs.of("long", 10, j -> {
            try {
                j.step();
                go.await();
                j.step();
                return "never";
            } catch (InterruptedException e) {
                return "interrupted";
            } finally {
                stopped.countDown();
            }
        });
        assertThat(job.result()).isEmpty();
        assertThat(job.percent()).isEqualTo(10);
        jobs.cancel("long");
        go.countDown();
        assertThat(stopped.await(5, TimeUnit.SECONDS)).isTrue();
        assertThat(job.cancelled()).isTrue();
        assertThat(job.result()).isEmpty();
        assertThat(jobs.<String>of("long", 1, j -> "again").result()).contains("again");
    }

    @Test
    void a_fault_in_the_work_comes_out_again() {
        Job<String> job = jobs.of("bad", 1, j -> {
            throw new IllegalStateException("no");
        });
        assertThatThrownBy(job::result)
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("no");
    }
}
