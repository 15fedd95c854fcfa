package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.web.FileSizes;
import dev.halfdusk.core.optics.Projection;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.stereotype.Component;

/** Lays frames on the table, sent ones and made-up ones: work that one waits for, found again by a token. */
@Component
class Laying {

    private static final int BESIDE_EACH_OTHER = 2;

    private final Jobs jobs;
    private final Frames frames;
    private final Table table;
    private final PlannedTakes takes;

    Laying(Jobs jobs, Frames frames, Table table, PlannedTakes takes) {
        this.jobs = jobs;
        this.frames = frames;
        this.table = table;
        this.takes = takes;
    }

    /** Frames being read. */
    private record Reading(String token) {}

    /**
     * A frame to be read, when its turn comes.
     *
     * @param ours whether the file is a copy that nobody needs afterwards
     */
    record Waiting(String name, Path file, boolean ours) {}

    /**
     * What came of them.
     *
     * @param first id of the first that could be read
     * @param refused names of those that could not, with the reason
     */
    record Laid(Optional<String> first, List<String> refused) {

        static final Laid NOTHING = new Laid(Optional.empty(), List.of());
    }

    Optional<Job<?>> find(String token) {
        return jobs.find(new Reading(token));
    }

    /** Frames that are not read yet stay unread. */
    void cancel(String token) {
        jobs.cancel(new Reading(token));
    }

    /** Two are read beside each other, and laid down in their order; few and small ones are there at once. */
    String lay(List<Waiting> sent, Table.Asked asked) {
        String token = UUID.randomUUID().toString();
        jobs.of(new Reading(token), sent.size(), job -> {
            List<String> refused = new ArrayList<>();
            Optional<String> first = Optional.empty();
            Set<Waiting> ahead = new HashSet<>(sent);
            ExecutorService readers = Executors.newFixedThreadPool(BESIDE_EACH_OTHER);
            try {
                List<Future<Table.Read>> read = sent.stream()
                        .map(one -> readers.submit(() -> table.read(one.name, bytes(one.file), asked)))
                        .toList();
                for (int i = 0; i < sent.size(); i++) {
                    Waiting one = sent.get(i);
                    try {
                        TakenFrame frame = table.lay(read.get(i).get(), one.file, one.ours);
                        ahead.remove(one);
                        first = first.or(() -> Optional.of(frame.id()));
                    } catch (ExecutionException e) {
                        refused.add(one.name + ": " + reason(e.getCause()));
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                        throw new CancellationException();
                    }
                    job.step();
                }
            } finally { // copies that did not come to lie on the table, whatever the reason
                readers.shutdownNow();
                ahead.stream().filter(Waiting::ours).forEach(w -> frames.forget(w.file));
            }
            return new Laid(first, refused);
        });
        return token;
    }

    private static byte[] bytes(Path file) throws IOException, NotAFrame {
        if (Files.size(file) > (long) FileSizes.FRAME << 20) {
            throw new NotAFrame("It is larger than " + FileSizes.FRAME + " MB.");
        }
        return Files.readAllBytes(file);
    }

    private static String reason(Throwable e) {
        if (e instanceof NotAFrame) {
            return e.getMessage();
        }
        if (e instanceof IOException) {
            return "it cannot be read.";
        }
        throw e instanceof RuntimeException r ? r : new IllegalStateException(e);
    }

    /** Made-up tests of the next nights of stars, whose planning is part of the work. */
    String tests() {
        return begin(MadeUp.TESTS, job -> {
            List<PlannedTake> planned = takes.ofStars();
            return planned.isEmpty() ? Laid.NOTHING : make(plainest(planned), false, job);
        });
    }

    /**
     * Made-up frames: three tests, or a series. Empty where there are none of that take, or no take that there are some of.
     *
     * @param take for one take by its key; else for the next of stars
     */
    Optional<String> madeUp(Optional<String> take, boolean series) {
        List<PlannedTake> planned =
                take.map(takes::find).map(found -> found.stream().toList()).orElseGet(takes::ofStars).stream()
                        .filter(t -> !MadeUp.of(t, series).isEmpty())
                        .toList();
        if (planned.isEmpty()) {
            return Optional.empty();
        }
        PlannedTake plain = plainest(planned);
        return Optional.of(begin(MadeUp.of(plain, series).size(), job -> make(plain, series, job)));
    }

    /** It takes seconds, so nobody waits whether it is there at once. */
    private String begin(int frames, Job.Work<Laid> work) {
        String token = UUID.randomUUID().toString();
        jobs.begun(new Reading(token), frames, work);
        return token;
    }

    /** Through a lens that draws straight, where there is one: its frame is easier to read. */
    private static PlannedTake plainest(List<PlannedTake> planned) {
        return planned.stream()
                .filter(t -> t.setup().optics().projection() == Projection.RECTILINEAR)
                .findFirst()
                .orElse(planned.get(0));
    }

    private Laid make(PlannedTake plain, boolean series, Job<Laid> job) {
        Optional<String> first = Optional.empty();
        int frames = MadeUp.of(plain, series).size();
        for (int i = 0; i < frames; i++) {
            try {
                TakenFrame laid = table.example(i, series, plain);
                first = first.or(() -> Optional.of(laid.id()));
            } catch (NotAFrame e) {
                throw new IllegalStateException(e);
            }
            job.step();
        }
        return new Laid(first, List.of());
    }
}
