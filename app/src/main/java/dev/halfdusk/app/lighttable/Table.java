package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Judge;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.lighttable.LightTable;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.Pixels;
import dev.halfdusk.core.measure.Numbers;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Lays frames on the light table: reads, judges, keeps small pictures. */
@Component
class Table {

    private static final int WHOLE = 960;
    private static final int SMALL = 150;
    private static final int PART_WIDE = 240;
    private static final int PART_HIGH = 160;
    private static final Duration EARLY = Duration.ofHours(1);

    /** Of the part that is looked at closer. */
    static final int CLOSE_WIDE = 720;

    static final int CLOSE_HIGH = 480;

    private final Frames frames;
    private final FrameFiles files;

    Table(Frames frames, FrameFiles files) {
        this.frames = frames;
        this.files = files;
    }

    /**
     * What a frame may be for, and of.
     *
     * @param takes it is for the one in whose time it was taken
     * @param said whether it is for the first of them whatever its time
     * @param motif what it is of, where that is said
     * @param ahead by which its camera's clock was wrong
     */
    record Asked(List<PlannedTake> takes, boolean said, Optional<Motif> motif, Duration ahead) {

        Asked(List<PlannedTake> takes, boolean said, Optional<Motif> motif) {
            this(takes, said, motif, Duration.ZERO);
        }
    }

    /**
     * One frame, read and judged but not on the table yet.
     *
     * @throws NotAFrame with the reason
     */
    Read read(String name, byte[] bytes, Asked asked) throws NotAFrame {
        return files.inTurn(FrameFile.megapixels(bytes), () -> read(name, FrameFile.read(bytes), asked));
    }

    /** A frame and its small pictures, which are written when it is laid down: nothing is left of one that never is. */
    record Read(TakenFrame frame, Map<String, byte[]> pictures) {}

    /** Lays it down. */
    TakenFrame lay(Read read, Path file, boolean ours) {
        lay(read);
        frames.keep(read.frame.id(), file, ours);
        return read.frame;
    }

    private void lay(Read read) {
        read.pictures.forEach((part, jpeg) -> frames.picture(read.frame.id(), part, jpeg));
        frames.lay(read.frame);
    }

    private Read read(String name, FrameFile file, Asked asked) {
        Pixels pixels = file.pixels();
        FileFacts facts = file.facts().behind(asked.ahead);
        PlannedTake plan = matching(facts, asked.takes, asked.said);
        Known known = plan == null
                ? FrameFiles.known(file, FrameFiles.Told.of(asked.motif))
                : plan.known(facts, file.width(), file.height());
        known = asked.motif.map(known::of).orElse(known);
        FrameReading reading = LightTable.read(pixels, known);
        TakenFrame frame = new TakenFrame(
                Frames.fresh(),
                name,
                about(facts, plan),
                reading,
                plan == null ? Judge.of(reading) : Judge.of(reading, Optional.of(plan.limits())),
                plan,
                file.preview()
                        ? "Read from the picture within a raw file: noise, colour and what is burnt are the camera's own."
                        : "",
                facts.local());
        return new Read(frame, pictures(file));
    }

    private static PlannedTake matching(FileFacts facts, List<PlannedTake> takes, boolean said) {
        if (said && !takes.isEmpty()) {
            return takes.get(0);
        }
        return takes.stream()
                .filter(t -> facts.opened(t.zone(), t.setup().rig().body().clockOffsetSeconds())
                        .filter(at -> at.isAfter(t.opens().minus(EARLY)) && at.isBefore(t.closes()))
                        .isPresent())
                .findFirst()
                .orElse(null);
    }

    private static String about(FileFacts facts, PlannedTake plan) {
        List<String> parts = new ArrayList<>();
        ZoneOffset utc = ZoneOffset.UTC;
        facts.local()
                .ifPresent(t -> parts.add("taken "
                        + (plan != null && facts.offset().isPresent()
                                        ? t.atOffset(facts.offset().orElse(utc))
                                                .atZoneSameInstant(plan.zone())
                                                .toLocalTime()
                                                .truncatedTo(ChronoUnit.SECONDS)
                                        : t.toLocalTime().truncatedTo(ChronoUnit.SECONDS))
                                .toString()
                        + " by the camera's clock"));
        facts.seconds()
                .ifPresent(s -> parts.add(
                        plan == null
                                ? Words.exposure(s)
                                : plan.setup().rig().body().label(s) + " s"));
        facts.aperture().ifPresent(a -> parts.add("f/" + Numbers.trimmed(a, 1)));
        facts.iso().ifPresent(i -> parts.add("ISO " + Numbers.plain(i, 0)));
        facts.focalMm().ifPresent(f -> parts.add(Numbers.trimmed(f, 0) + " mm"));
        return parts.isEmpty() ? "its file does not say how it was taken" : String.join(" \u00b7 ", parts);
    }

    private static Map<String, byte[]> pictures(FrameFile file) {
        Map<String, byte[]> all = new HashMap<>();
        int w = file.width();
        int h = file.height();
        all.put("whole", file.jpeg(0, 0, w, h, WHOLE));
        all.put("small", file.jpeg(0, 0, w, h, SMALL));
        int wide = Math.min(PART_WIDE, w);
        int high = Math.min(PART_HIGH, h);
        all.put("middle", file.jpeg((w - wide) / 2, (h - high) / 2, wide, high, wide));
        all.put("top-left", file.jpeg(0, 0, wide, high, wide));
        all.put("top-right", file.jpeg(w - wide, 0, wide, high, wide));
        all.put("bottom-left", file.jpeg(0, h - high, wide, high, wide));
        all.put("bottom-right", file.jpeg(w - wide, h - high, wide, high, wide));
        return all;
    }

    /**
     * A frame that the simulated camera takes for a take, onto the table.
     *
     * @param series one of a series, instead of a test
     */
    TakenFrame example(int which, boolean series, PlannedTake take) throws NotAFrame {
        MadeUp made = MadeUp.of(take, series).get(which);
        return files.inTurn(made.megapixels(), () -> {
            FrameFile file = made.take(take, which);
            Read read = read(made.name() + ", made up", file, new Asked(List.of(take), true, Optional.empty()));
            lay(read);
            frames.keep(read.frame.id(), file.jpeg(0, 0, file.width(), file.height(), file.width()));
            return read.frame;
        });
    }

    /** A part of a frame at full size; empty where the frame does not lie there any more. */
    Optional<byte[]> part(String id, double x, double y) throws IOException, NotAFrame {
        Optional<Path> original = frames.original(id);
        if (original.isEmpty()) {
            return Optional.empty();
        }
        byte[] bytes = Files.readAllBytes(original.get());
        return Optional.of(files.looking(FrameFile.megapixels(bytes), () -> {
            FrameFile file = FrameFile.read(bytes);
            int wide = Math.min(CLOSE_WIDE, file.width());
            int high = Math.min(CLOSE_HIGH, file.height());
            int left = (int) Math.max(0, Math.min(file.width() - wide, x * file.width() - wide / 2.0));
            int top = (int) Math.max(0, Math.min(file.height() - high, y * file.height() - high / 2.0));
            return file.jpeg(left, top, wide, high, wide);
        }));
    }
}
