package dev.halfdusk.app.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.core.practice.BlindDrill;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/** Blind drills that are being played. One that is left for an hour is forgotten. */
@Component
class Drills {

    private static final int MOST = 200;

    private final AtomicLong last = new AtomicLong();
    private final Cache<Long, Running> running = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    /** @param shown when its present task was */
    record Running(long id, BlindDrill drill, List<BlindDrill.Score> scores, Instant shown) {

        /** The one it has come to. */
        BlindDrill.Task task() {
            return drill.tasks().get(scores.size());
        }
    }

    long begin(BlindDrill drill, Instant now) {
        long id = last.incrementAndGet();
        running.put(id, new Running(id, drill, List.of(), now));
        return id;
    }

    Optional<Running> find(long id) {
        return Optional.ofNullable(running.getIfPresent(id));
    }

    /** The next task is shown; after the last one it is over. */
    Running answered(Running r, BlindDrill.Score score, Instant now) {
        List<BlindDrill.Score> all = new ArrayList<>(r.scores);
        all.add(score);
        Running next = new Running(r.id, r.drill, List.copyOf(all), now);
        if (all.size() < r.drill.tasks().size()) {
            running.put(r.id, next);
        } else {
            running.invalidate(r.id);
        }
        return next;
    }
}
