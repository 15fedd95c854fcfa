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
    private final boolean reuse;
    private CompletableFuture<Raster> next;
    private Raster last;
    private int at;

    Ahead(List<? extends Taken> taken, int[] order, Progress progress) {
        this(taken, order, progress, false);
    }

    /** @param reuse whether a frame is not needed any more when the next is asked for */
    Ahead(List<? extends Taken> taken, int[] order, Progress progress, boolean reuse) {
        this.reuse = reuse;
        this.taken = taken;
        this.order = order;
        this.progress = progress;
        begin();
    }

    private void begin() {
        Raster spent = reuse ? last : null;
        if (at < order.length) {
            Taken frame = taken.get(order[at]);
            next = CompletableFuture.supplyAsync(() -> spent == null ? frame.read() : frame.read(spent), reader);
        } else {
            next = CompletableFuture.completedFuture(null);
        }
        at++;
    }

    /** @throws Taken.UnreadableFrame of that frame */
    Raster next() {
        try {
            Raster raster = next.join();
            progress.look();
            begin();
            last = raster;
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
