package dev.halfdusk.app.jobs;

import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * A piece of work in steps, and how far it has come.
 *
 * @param <T> what it leads to
 */
public final class Job<T> {

    private final CompletableFuture<T> result = new CompletableFuture<>();
    private final int steps;
    private volatile int done;
    private volatile boolean cancelled;

    Job(int steps) {
        this.steps = steps;
    }

    /** The work itself; it tells the job of every step, and ends there when nobody wants it any more. */
    public interface Work<T> {
        T run(Job<T> job);
    }

    void run(Work<T> work) {
        try {
            result.complete(work.run(this));
        } catch (CancellationException e) {
            result.cancel(false);
        } catch (RuntimeException e) {
            result.completeExceptionally(e);
        }
    }

    /** @throws CancellationException when the job was cancelled; the work lets it pass */
    public void step() {
        look();
        done++;
    }

    /** @throws CancellationException when the job was cancelled, between steps that take long */
    public void look() {
        if (cancelled) {
            throw new CancellationException();
        }
    }

    public int steps() {
        return steps;
    }

    public int done() {
        return done;
    }

    public int percent() {
        return steps == 0 ? 100 : Math.min(100, 100 * done / steps);
    }

    public void cancel() {
        cancelled = true;
    }

    public boolean cancelled() {
        return cancelled && !finished();
    }

    public boolean finished() {
        return result.isDone() && !result.isCancelled();
    }

    /**
     * What came out; empty while it runs and after it was cancelled.
     *
     * @throws RuntimeException that ended the work
     */
    public Optional<T> result() {
        if (!finished()) {
            return Optional.empty();
        }
        try {
            return Optional.of(result.join());
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : e;
        }
    }

    /** What came out, as soon as it has; empty where that takes longer. */
    public Optional<T> within(Duration patience) {
        await(patience.toMillis());
        return result();
    }

    /** Waits for the end, but not longer; whether it came. */
    boolean await(long millis) {
        try {
            result.get(millis, TimeUnit.MILLISECONDS);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        } catch (TimeoutException e) {
            return false;
        } catch (ExecutionException | CancellationException e) {
            return true;
        }
    }
}
