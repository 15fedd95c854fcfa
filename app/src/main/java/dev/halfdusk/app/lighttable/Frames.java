package dev.halfdusk.app.lighttable;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import dev.halfdusk.core.lighttable.Series;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import org.springframework.web.multipart.MultipartFile;

/**
 * Frames that lie on the light table until the application stops: what was read of them, and small pictures in the data folder. The frames
 * themselves are not kept.
 */
@Component
class Frames {

    /** At the most; the oldest make room. */
    static final int MOST = 240;

    /** Small pictures of each: the whole, one for the strip, and parts at full size. */
    static final List<String> PARTS =
            List.of("whole", "small", "middle", "top-left", "top-right", "bottom-left", "bottom-right");

    /** Frames that were sent are kept at full size so long, for looking closer; those of one's own folder stay where they are. */
    private static final int CLOSER = 20;

    private static final int SERIES = 20;

    private static final Logger LOG = LoggerFactory.getLogger(Frames.class);
    private static final String ENDS = ".jpg";

    private final Path folder;
    private final Cache<String, Laid> frames;

    /** Over the series that were looked at last, by their frames: a long one is dear, and what lies under an id never changes. */
    private final Cache<List<String>, List<Series.Noticed>> noticed =
            Caffeine.newBuilder().maximumSize(SERIES).build();

    private record Laid(long number, TakenFrame frame) {}

    /** Taken off the table, and kept as long as they would have lain there. */
    private final Set<String> off = ConcurrentHashMap.newKeySet();

    private long laid;

    /** Where a frame lies at full size, the oldest first. */
    private final Map<String, Path> originals = new LinkedHashMap<>();

    Frames(Path dataFolder) {
        folder = dataFolder.resolve("lighttable");
        FileSystemUtils.deleteRecursively(folder.toFile()); // what an earlier run left
        frames = Caffeine.newBuilder()
                .maximumSize(MOST)
                .executor(Runnable::run)
                .removalListener((String id, Laid gone, RemovalCause cause) -> forget(id))
                .build();
    }

    /** A name for a frame to come. */
    static String fresh() {
        return UUID.randomUUID().toString();
    }

    void picture(String id, String part, byte[] jpeg) {
        try {
            Files.createDirectories(folder);
            Files.write(folder.resolve(id + "-" + part + ENDS), jpeg);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Keeps where a frame lies at full size.
     *
     * @param ours whether the file is a copy, of which only some are kept
     */
    synchronized void keep(String id, Path file, boolean ours) {
        originals.put(id, file);
        if (ours) {
            List<String> copies = originals.entrySet().stream()
                    .filter(e -> e.getValue().startsWith(folder))
                    .map(Map.Entry::getKey)
                    .toList();
            copies.stream().limit(Math.max(0, copies.size() - CLOSER)).forEach(this::letGo);
        }
    }

    /** One that never was a file. */
    void keep(String id, byte[] file) {
        try {
            Files.createDirectories(folder);
            Path path = folder.resolve(id + ".frame");
            Files.write(path, file);
            keep(id, path, true);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** At full size, as long as it lies there. */
    synchronized Optional<Path> original(String id) {
        return find(id).map(f -> originals.get(id)).filter(Files::isRegularFile);
    }

    /** As it is shown whole, reduced: enough for a first look at what it becomes. */
    Optional<Path> reduced(String id) {
        return find(id).map(f -> folder.resolve(id + "-whole" + ENDS)).filter(Files::isRegularFile);
    }

    private synchronized void letGo(String id) {
        Path file = originals.remove(id);
        if (file != null && file.startsWith(folder)) {
            forget(file);
        }
    }

    /** A frame that was sent, until it is read. */
    Path waiting(MultipartFile file) throws IOException {
        Files.createDirectories(folder);
        Path path = folder.resolve(fresh() + ".waiting");
        try (InputStream in = file.getInputStream()) {
            Files.copy(in, path);
        }
        return path;
    }

    Optional<byte[]> picture(String id, String part) {
        if (!PARTS.contains(part) || frames.getIfPresent(id) == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(Files.readAllBytes(folder.resolve(id + "-" + part + ENDS)));
        } catch (IOException e) {
            LOG.warn("A picture of the light table is gone: {}", e.toString());
            return Optional.empty();
        }
    }

    synchronized void lay(TakenFrame frame) {
        laid++;
        frames.put(frame.id(), new Laid(laid, frame));
    }

    /** What is noticed over frames, in the order of time. */
    List<Series.Noticed> noticed(List<TakenFrame> series) {
        return noticed.get(
                series.stream().map(TakenFrame::id).toList(),
                ids -> Series.of(series.stream().map(TakenFrame::reading).toList()));
    }

    /** In the order in which they were laid down. */
    List<TakenFrame> all() {
        List<Laid> all = new ArrayList<>(frames.asMap().values());
        all.sort(Comparator.comparingLong(Laid::number));
        return all.stream().map(Laid::frame).filter(f -> !off.contains(f.id())).toList();
    }

    Optional<TakenFrame> find(String id) {
        return Optional.ofNullable(frames.getIfPresent(id)).map(Laid::frame).filter(f -> !off.contains(id));
    }

    /** One that was taken off. */
    Optional<TakenFrame> removed(String id) {
        return Optional.ofNullable(frames.getIfPresent(id)).map(Laid::frame).filter(f -> off.contains(id));
    }

    void remove(String id) {
        if (frames.getIfPresent(id) != null) {
            off.add(id);
        }
    }

    void restore(String id) {
        off.remove(id);
    }

    private void forget(String id) {
        off.remove(id);
        letGo(id);
        PARTS.forEach(part -> forget(folder.resolve(id + "-" + part + ENDS)));
    }

    void forget(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("A file of the light table stays: {}", e.toString());
        }
    }
}
