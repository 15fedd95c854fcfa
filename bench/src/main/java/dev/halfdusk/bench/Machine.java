package dev.halfdusk.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** How busy this machine is, part by part, and how much others on the same host take from it: what is slow then is not the server. */
final class Machine {

    /** Of Linux: in its first line ticks of user, nice, system, idle, waiting, interrupts, soft ones, and stolen by the host. */
    private static final Path COUNTS = Path.of("/proc/stat");

    private static final int IDLE = 3;
    private static final int WAITING = 4;
    private static final int STOLEN = 7;
    private static final int KINDS = 8;

    private final List<long[]> counts = new CopyOnWriteArrayList<>();

    /** From now on, as long as the program runs. */
    void watch(int partS) {
        Thread watching = new Thread(
                () -> {
                    while (Files.exists(COUNTS)) {
                        counts.add(read());
                        try {
                            Thread.sleep(partS * 1000L);
                        } catch (InterruptedException e) {
                            return;
                        }
                    }
                },
                "machine");
        watching.setDaemon(true);
        watching.start();
    }

    private static long[] read() {
        try {
            String all = Files.readAllLines(COUNTS).get(0);
            return Arrays.stream(all.split("\\s+"))
                    .skip(1)
                    .limit(KINDS)
                    .mapToLong(Long::parseLong)
                    .toArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** "busy 98, 60 %; taken by others 1, 40 %", of each part; empty where nobody counts. */
    String words() {
        if (counts.size() < 2) {
            return "";
        }
        return "busy " + parts(t -> total(t) - t[IDLE] - t[WAITING] - t[STOLEN]) + " %; taken by others on this host "
                + parts(t -> t[STOLEN]) + " %";
    }

    private String parts(ToLongFunction<long[]> kind) {
        return IntStream.range(1, counts.size())
                .mapToObj(i -> {
                    long[] before = counts.get(i - 1);
                    long[] after = counts.get(i);
                    long all = Math.max(1, total(after) - total(before));
                    return "" + Math.round(100.0 * (kind.applyAsLong(after) - kind.applyAsLong(before)) / all);
                })
                .collect(Collectors.joining(", "));
    }

    private static long total(long[] ticks) {
        return Arrays.stream(ticks).sum();
    }
}
