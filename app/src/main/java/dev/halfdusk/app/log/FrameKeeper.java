package dev.halfdusk.app.log;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.lighttable.ReadFrames;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.core.log.Belonging;
import dev.halfdusk.core.log.ClockFit;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Settings;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Brings frames into the log: matches them to the takes of their night, keeps what was read of them and a small picture. */
@Component
public class FrameKeeper {

    /** Of a file, enough to know it again without reading a gigabyte. */
    private static final int HEAD = 1 << 18;

    /** Begins the digest of a frame that the simulated camera takes. */
    public static final String MADE_UP = "made-up ";

    /** "ABC_0123.JPG" is of the body that names its files so. */
    private static final Pattern NUMBER = Pattern.compile("\\d+\\.[^.]*$");

    private final Entries entries;
    private final Observations observations;
    private final Outings outings;
    private final ReadFrames reader;
    private final Path folder;

    FrameKeeper(Entries entries, Observations observations, Outings outings, ReadFrames reader, Path dataFolder) {
        this.entries = entries;
        this.observations = observations;
        this.outings = outings;
        this.reader = reader;
        folder = dataFolder.resolve("log");
    }

    /**
     * What came of it.
     *
     * @param known files that were in the log already
     * @param elsewhere names of frames of another night
     * @param clocks what was found of the cameras' clocks, in words
     * @param refused names of files that could not be read, with the reason
     */
    public record Result(int fresh, int known, List<String> elsewhere, List<String> clocks, List<String> refused) {}

    /** Frames of the night's takes that lie on the light table. */
    public Result fromTable(Entry e) {
        int fresh = 0;
        List<ReadFrames.Told> told = e.outing().map(reader::onTable).orElse(List.of());
        for (ReadFrames.Told f : told) {
            String digest =
                    digest((f.name() + f.taken() + f.settings()).getBytes(java.nio.charset.StandardCharsets.UTF_8));
            if (keep(e, f, "", digest, takeOf(e, f.take()))) {
                fresh++;
            }
        }
        matched(e);
        return new Result(fresh, told.size() - fresh, List.of(), List.of(), List.of());
    }

    private Optional<Long> takeOf(Entry e, Optional<Long> take) {
        return take.flatMap(number -> entries.takes(e.id()).stream()
                .filter(t -> t.take().equals(Optional.of(number)))
                .map(EntryTake::id)
                .findFirst());
    }

    /** Files of a folder, whatever their cameras' clocks said. */
    public Result fromFiles(Entry e, List<Path> files, Job<?> job) {
        List<EntryTake> takes = entries.takes(e.id());
        List<EntryTake> ran = takes.stream().filter(t -> when(t).isPresent()).toList();
        List<Interval> times = ran.stream().map(t -> when(t).orElseThrow()).toList();
        Optional<Outing> outing = e.outing().flatMap(outings::find);
        Map<String, String> known = entries.frames(e.id()).stream()
                .collect(Collectors.toMap(EntryFrame::digest, EntryFrame::name, (a, b) -> a));
        int[] fresh = new int[1];
        int[] before = new int[1];
        List<String> elsewhere = new ArrayList<>();
        List<String> clocks = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        byCamera(files).forEach((camera, of) -> {
            Map<Path, ReadFrames.Head> heads = new LinkedHashMap<>();
            of.forEach(f -> heads.put(f, reader.head(f, e.where().zone())));
            List<Instant> taken =
                    heads.values().stream().flatMap(h -> h.taken().stream()).toList();
            ClockFit fit = ClockFit.of(taken, times);
            if (!fit.ahead().isZero()) {
                clocks.add("The clock of " + camera + "\u2026 was " + fit.words() + ": " + fit.fits() + " of "
                        + fit.of() + " frames then fall into the takes.");
            }
            heads.forEach((file, head) -> {
                String name = file.getFileName().toString();
                Optional<Instant> at = head.taken().map(t -> t.minus(fit.ahead()));
                if (at.isPresent() && !times.isEmpty() && !ofTheNight(at.get(), times)) {
                    elsewhere.add(name);
                    job.step();
                    return;
                }
                try {
                    String digest = digest(file);
                    if (known.containsKey(digest)) {
                        moved(e, digest, file);
                        before[0]++;
                    } else {
                        List<Belonging.Ran> as = ran.stream()
                                .map(t -> new Belonging.Ran(when(t).orElseThrow(), t.focalMm()))
                                .toList();
                        OptionalInt of2 =
                                at.isPresent() ? Belonging.of(at.get(), head.focalMm(), as) : OptionalInt.empty();
                        Optional<Long> take = of2.isPresent()
                                ? Optional.of(ran.get(of2.getAsInt()).id())
                                : Optional.empty();
                        Optional<Long> planned =
                                of2.isPresent() ? ran.get(of2.getAsInt()).take() : Optional.empty();
                        ReadFrames.Told told = reader.read(file, outing, planned, fit.ahead());
                        if (keep(e, told, file.getParent().toString(), digest, take)) {
                            fresh[0]++;
                        }
                        known.put(digest, name);
                    }
                } catch (IOException x) {
                    refused.add(name + ": " + x.getMessage());
                }
                job.step();
            });
        });
        matched(e);
        return new Result(fresh[0], before[0], elsewhere, clocks, refused);
    }

    private void moved(Entry e, String digest, Path file) {
        entries.keep(
                e.id(),
                new EntryFrame(
                        null,
                        Optional.empty(),
                        file.getFileName().toString(),
                        file.getParent().toString(),
                        digest,
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        EntryFrame.Read.NOTHING,
                        Said.NOTHING));
    }

    /** Each body names its files in its own way, and has its own clock. */
    private static Map<String, List<Path>> byCamera(List<Path> files) {
        return files.stream()
                .collect(Collectors.groupingBy(
                        f -> NUMBER.matcher(f.getFileName().toString()).replaceAll(""),
                        LinkedHashMap::new,
                        Collectors.toList()));
    }

    private static boolean ofTheNight(Instant t, List<Interval> takes) {
        Instant from =
                takes.stream().map(Interval::from).min(Instant::compareTo).orElseThrow();
        Instant to = takes.stream().map(Interval::to).max(Instant::compareTo).orElseThrow();
        Duration around = Duration.ofHours(3);
        return !t.isBefore(from.minus(around)) && t.isBefore(to.plus(around));
    }

    private static Optional<Interval> when(EntryTake t) {
        return t.went().or(() -> t.plan().map(EntryTake.Plan::runs));
    }

    private boolean keep(Entry e, ReadFrames.Told f, String where, String digest, Optional<Long> take) {
        Entries.Kept kept = entries.keep(
                e.id(),
                new EntryFrame(
                        null,
                        take,
                        f.name(),
                        where,
                        digest,
                        f.taken(),
                        f.settings(),
                        f.focalMm(),
                        new EntryFrame.Read(f.driftPx(), f.widthPx(), f.zenith(), f.verdict()),
                        Said.NOTHING));
        if (kept.fresh()) {
            picture(e.id(), kept.id(), "small", f.small());
            picture(e.id(), kept.id(), "whole", f.whole());
        }
        return kept.fresh();
    }

    /** Frames say to the second when a take ran. */
    private void matched(Entry e) {
        Map<Long, List<EntryFrame>> byTake = entries.frames(e.id()).stream()
                .filter(f -> f.take().isPresent() && f.taken().isPresent())
                .collect(Collectors.groupingBy(f -> f.take().get()));
        entries.takes(e.id()).stream().filter(t -> byTake.containsKey(t.id())).forEach(t -> {
            List<EntryFrame> of = byTake.get(t.id());
            Instant from = of.stream()
                    .map(f -> f.taken().get())
                    .min(Instant::compareTo)
                    .orElseThrow();
            Instant to = of.stream()
                    .map(f -> f.taken()
                            .get()
                            .plusMillis(Math.round(
                                    1000 * f.settings().map(Settings::seconds).orElse(0.0))))
                    .max(Instant::compareTo)
                    .orElseThrow();
            entries.save(e.id(), t.went(new Interval(from, to)));
        });
        observations.renew(entries.existing(e.id()));
    }

    /** A small picture of a frame; empty where there is none. */
    Optional<byte[]> picture(long entry, long frame, String part) {
        Path file = file(entry, frame, part);
        try {
            return Files.isRegularFile(file) ? Optional.of(Files.readAllBytes(file)) : madeUp(entry, frame);
        } catch (IOException x) {
            return Optional.empty();
        }
    }

    /** Frames that nobody took are taken when somebody looks at them. */
    private Optional<byte[]> madeUp(long entry, long frame) {
        Optional<EntryFrame> of =
                entries.frame(entry, frame).filter(f -> f.digest().startsWith(MADE_UP));
        Optional<Outing> outing = entries.find(entry).flatMap(Entry::outing).flatMap(outings::find);
        Optional<Long> take = of.flatMap(EntryFrame::take)
                .flatMap(number -> entries.takes(entry).stream()
                        .filter(t -> t.id().equals(number))
                        .findFirst()
                        .flatMap(EntryTake::take));
        if (outing.isEmpty()
                || take.isEmpty()
                || of.get().settings().isEmpty()
                || of.get().taken().isEmpty()) {
            return Optional.empty();
        }
        Optional<byte[]> jpeg = reader.madeUp(
                outing.get(),
                take.get(),
                of.get().settings().get(),
                of.get().taken().get(),
                (int) frame);
        jpeg.ifPresent(j -> List.of("small", "whole").forEach(p -> picture(entry, frame, p, j)));
        return jpeg;
    }

    void picture(long entry, long frame, String part, byte[] jpeg) {
        if (jpeg == null || jpeg.length == 0) {
            return;
        }
        Path file = file(entry, frame, part);
        try {
            Files.createDirectories(file.getParent());
            Files.write(file, jpeg);
        } catch (IOException x) {
            throw new UncheckedIOException(x);
        }
    }

    private Path file(long entry, long frame, String part) {
        return folder.resolve("" + entry).resolve(frame + "-" + part + ".jpg");
    }

    private static String digest(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(HEAD);
            MessageDigest md = sha();
            md.update(head);
            md.update(("" + Files.size(file)).getBytes(java.nio.charset.StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(md.digest());
        }
    }

    private static String digest(byte[] bytes) {
        return HexFormat.of().formatHex(sha().digest(bytes));
    }

    private static MessageDigest sha() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
