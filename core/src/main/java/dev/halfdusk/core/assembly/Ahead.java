package dev.halfdusk.core.assembly;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** Frames in an order, of which the next is decoded while one is worked with: two are in memory, and both cores busy. */
final class Ahead implements AutoCloseable {

    private final List<? extends Taken> taken;
    private final int[] order;
    private final Progress progress;
    private final ExecutorService reader = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "next frame");
        thread.setDaemon(true);
        return thread;
    });
    private CompletableFuture<Raster> next;
    private int at;

    Ahead(List<? extends Taken> taken, int[] order, Progress progress) {
        this.taken = taken;
        this.order = order;
        this.progress = progress;
        begin();
    }

    private void begin() {
        next = at < order.length
                ? CompletableFuture.supplyAsync(taken.get(order[at])::read, reader)
                : CompletableFuture.completedFuture(null);
        at++;
    }

    /** @throws Taken.UnreadableFrame of that frame */
    Raster next() {
        try {
            Raster raster = next.join();
            progress.look();
            begin();
            return raster;
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : e;
        }
    }

    @Override
    public void close() {
        reader.shutdownNow();
    }
}
