package dev.halfdusk.app.jobs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.web.Background;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import org.springframework.stereotype.Component;

/** Running and finished jobs by what they compute: asking for the same again finds the same job, for half an hour. */
@Component
public class Jobs {

    private static final int KEPT = 64;
    private static final Duration KEPT_FOR = Duration.ofMinutes(30);

    /** Long enough that short work needs no progress, short enough to answer at once. */
    private static final long AT_ONCE_MILLIS = 900;

    private final Cache<Object, Job<?>> jobs =
            Caffeine.newBuilder().maximumSize(KEPT).expireAfterAccess(KEPT_FOR).build();
    private final ExecutorService running =
            Background.threads("job", Math.max(1, Runtime.getRuntime().availableProcessors()));

    @PreDestroy
    void stop() {
        running.shutdownNow();
    }

    /**
     * The job for a key, begun if there is none; waits a moment for it, since most are short.
     *
     * @param key equal for equal work
     */
    public <T> Job<T> of(Object key, int steps, Job.Work<T> work) {
        Job<T> job = begun(key, steps, work);
        job.await(AT_ONCE_MILLIS);
        return job;
    }

    /** The same without waiting: for what will be asked for soon. */
    @SuppressWarnings("unchecked") // one key always stands for one kind of result
    public <T> Job<T> begun(Object key, int steps, Job.Work<T> work) {
        return (Job<T>) jobs.get(key, k -> {
            Job<T> fresh = new Job<>(steps);
            running.execute(() -> fresh.run(work));
            return fresh;
        });
    }

    public Optional<Job<?>> find(Object key) {
        return Optional.ofNullable(jobs.getIfPresent(key));
    }

    /** Stops it and forgets it, so that asking again begins anew. */
    public void cancel(Object key) {
        find(key).ifPresent(Job::cancel);
        jobs.invalidate(key);
    }
}
