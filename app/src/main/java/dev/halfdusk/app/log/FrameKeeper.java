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
import dev.halfdusk.core.take.Free;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
            String digest = digest((f.name() + f.taken() + f.settings()).getBytes(StandardCharsets.UTF_8));
            if (keep(e, f, "", digest, takeOf(e, f.take()), Said.NOTHING)) {
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
        Folder folder = new Folder(e, job);
        byCamera(e, files).forEach(folder::camera);
        matched(e);
        return new Result(folder.fresh, folder.before, folder.elsewhere, folder.clocks, folder.refused);
    }

    /** A folder being brought in. */
    private final class Folder {

        private final Entry e;
        private final Job<?> job;
        private final Optional<Outing> outing;
        private final Set<String> known;

        /** Takes of the plan; none in a night without. */
        private final List<EntryTake> ran;

        /** When each was to run and when it ran: frames may be of the one or the other. */
        private final List<Ran> times;

        private int fresh;
        private int before;
        private final List<String> elsewhere = new ArrayList<>();
        private final List<String> clocks = new ArrayList<>();
        private final List<String> refused = new ArrayList<>();

        Folder(Entry e, Job<?> job) {
            this.e = e;
            this.job = job;
            outing = e.outing().flatMap(outings::find);
            ran = entries.takes(e.id()).stream()
                    .filter(t -> t.take().isPresent() || t.plan().isPresent())
                    .toList();
            times = ran.stream()
                    .flatMap(t -> Stream.concat(t.plan().map(EntryTake.Plan::runs).stream(), t.went().stream())
                            .map(when -> new Ran(t, when)))
                    .toList();
            known = entries.frames(e.id()).stream()
                    .map(EntryFrame::digest)
                    .collect(Collectors.toCollection(HashSet::new));
        }

        /** The files of one body: it has its own clock. */
        void camera(String name, Map<Path, ReadFrames.Head> heads) {
            ClockFit fit = ClockFit.of(
                    heads.values().stream().flatMap(h -> h.taken().stream()).toList(),
                    times.isEmpty()
                            ? List.of(e.span())
                            : times.stream().map(Ran::when).toList());
            if (!fit.ahead().isZero()) {
                clocks.add("The clock of " + name + "\u2026 was " + fit.words() + ": so " + fit.fits() + " of "
                        + fit.of() + " frames fall into the night's takes.");
            }
            Optional<Long> own = ran.isEmpty() ? takeOf(name, heads, fit.ahead()) : Optional.empty();
            heads.forEach((file, head) -> {
                one(file, head, fit.ahead(), own);
                job.step();
            });
        }

        /** A night without plan has a take for each body, as long as its frames. */
        private Optional<Long> takeOf(String name, Map<Path, ReadFrames.Head> heads, Duration ahead) {
            List<Instant> taken = heads.values().stream()
                    .flatMap(h -> h.taken().stream())
                    .map(t -> t.minus(ahead))
                    .filter(e.day()::contains)
                    .sorted()
                    .toList();
            if (taken.isEmpty()) {
                return Optional.empty();
            }
            String called = name.isEmpty() ? "Frames" : "Frames of " + name + "\u2026";
            Optional<Long> before = called(called);
            if (before.isPresent()) {
                return before;
            }
            OptionalDouble focal = heads.values().stream()
                    .map(ReadFrames.Head::focalMm)
                    .filter(OptionalDouble::isPresent)
                    .findFirst()
                    .orElse(OptionalDouble.empty());
            entries.save(
                    e.id(),
                    new EntryTake(
                            null,
                            Optional.empty(),
                            called,
                            Free.KIND.key(),
                            Optional.empty(),
                            new EntryTake.Kit(called, Optional.empty(), Optional.empty(), Optional.empty()),
                            focal,
                            Optional.empty(),
                            taken.size(),
                            Optional.of(new Interval(taken.get(0), taken.get(taken.size() - 1))),
                            false,
                            "",
                            OptionalDouble.empty()));
            return called(called);
        }

        private Optional<Long> called(String name) {
            return entries.takes(e.id()).stream()
                    .filter(t -> t.name().equals(name))
                    .findFirst()
                    .map(EntryTake::id);
        }

        private void one(Path file, ReadFrames.Head head, Duration ahead, Optional<Long> own) {
            String name = file.getFileName().toString();
            Optional<Instant> at = head.taken().map(t -> t.minus(ahead));
            if (at.isPresent() && !e.day().contains(at.get())) {
                elsewhere.add(name);
                return;
            }
            try {
                String digest = digest(file);
                if (known.contains(digest)) {
                    entries.moved(e.id(), digest, name, file.getParent().toString());
                    before++;
                    return;
                }
                Optional<EntryTake> take = at.flatMap(t -> belongs(t, head.focalMm()));
                ReadFrames.Told told = reader.read(file, outing, take.flatMap(EntryTake::take), ahead);
                known.add(digest);
                fresh++;
                keep(
                        e,
                        told,
                        file.getParent().toString(),
                        digest,
                        take.map(EntryTake::id).or(() -> own),
                        Sidecar.said(file));
            } catch (IOException x) {
                refused.add(name + ": " + x.getMessage());
            }
        }

        private Optional<EntryTake> belongs(Instant at, OptionalDouble focalMm) {
            OptionalInt which = Belonging.of(
                    at,
                    focalMm,
                    times.stream()
                            .map(r -> new Belonging.Ran(r.when, r.take.focalMm()))
                            .toList());
            return which.isPresent() ? Optional.of(times.get(which.getAsInt()).take) : Optional.empty();
        }
    }

    private record Ran(EntryTake take, Interval when) {}

    /** Each body has its serial number, or names its files in its own way, and has its own clock. */
    private Map<String, Map<Path, ReadFrames.Head>> byCamera(Entry e, List<Path> files) {
        Map<String, Map<Path, ReadFrames.Head>> all = new LinkedHashMap<>();
        for (Path f : files) {
            ReadFrames.Head head = reader.head(f, e.where().zone());
            String prefix = NUMBER.matcher(f.getFileName().toString()).replaceAll("");
            String camera = head.body().isEmpty() ? prefix : prefix + " " + head.body();
            all.computeIfAbsent(camera, c -> new LinkedHashMap<>()).put(f, head);
        }
        return all;
    }

    private boolean keep(Entry e, ReadFrames.Told f, String where, String digest, Optional<Long> take, Said said) {
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
                        new EntryFrame.Read(f.driftPx(), f.widthPx(), f.cornerPx(), f.zenith(), f.verdict()),
                        Said.NOTHING));
        if (said != Said.NOTHING) {
            entries.say(e.id(), kept.id(), said);
        }
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
            md.update(("" + Files.size(file)).getBytes(StandardCharsets.UTF_8));
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
