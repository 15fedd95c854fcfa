package dev.halfdusk.app.log;

import dev.halfdusk.app.pictures.Block;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A night of the log, for its page.
 *
 * @param lanes a rig each, in the order of their first takes
 * @param loose frames that belong to none of its takes
 * @param seen what it showed that holds for others too
 */
public record EntryView(
        Entry entry, String night, List<Lane> lanes, List<Row> takes, List<Shot> loose, List<Seen> seen) {

    /** What a camera was to do and what it did, on the ribbon's axis. */
    public record Lane(String camera, List<Mark> planned, List<Mark> went) {}

    /** A take on the ribbon. */
    public record Mark(String number, String words, Block at) {

        /** Whether its number must stand beside it. */
        public boolean narrow() {
            return Double.parseDouble(at.width().replace("%", "")) < NARROW_PERCENT;
        }
    }

    private static final double NARROW_PERCENT = 2.2;

    /**
     * A take.
     *
     * @param planned clock from and to; empty without plan
     * @param went likewise; empty where nobody said
     * @param late minutes behind its plan, or before it, in words
     * @param ended how long before its plan the frames end, in words; empty where they do not
     * @param more frames that are not shown
     * @param ran minutes of it, where its frames end early: a battery may have given out
     */
    public record Row(
            long id,
            String number,
            String name,
            String subject,
            String rig,
            String planned,
            String went,
            String late,
            String set,
            String kept,
            String ended,
            String ran,
            String battery,
            boolean powered,
            List<Shot> frames,
            int more,
            List<Bar> bars) {}

    /**
     * A frame.
     *
     * @param gone whether its file is not where it was
     */
    public record Shot(
            long id, String name, String clock, String set, String read, String verdict, Said said, boolean gone) {}

    /** Drift of a frame, as a bar: its height in percent of the highest. */
    public record Bar(double height, boolean kept) {}

    /**
     * What was seen.
     *
     * @param whose by name
     */
    public record Seen(long id, String what, String whose, String value, String how, boolean counts, boolean byHand) {}

    private static final Duration EARLY_END = Duration.ofMinutes(5);
    private static final int CLOCKS_LATE = 2;

    /** @param most frames of a take that are shown */
    static EntryView of(Entry e, List<EntryTake> takes, List<EntryFrame> frames, List<Seen> seen, int most) {
        ZoneId zone = e.where().zone();
        Map<Long, List<EntryFrame>> byTake = frames.stream()
                .filter(f -> f.take().isPresent())
                .collect(Collectors.groupingBy(f -> f.take().get()));
        List<Row> rows = new ArrayList<>();
        Map<String, Lane> lanes = new LinkedHashMap<>();
        for (int i = 0; i < takes.size(); i++) {
            EntryTake t = takes.get(i);
            String number = "" + (i + 1);
            Lane lane =
                    lanes.computeIfAbsent(t.kit().rig(), rig -> new Lane(rig, new ArrayList<>(), new ArrayList<>()));
            t.plan().ifPresent(p -> lane.planned.add(mark(number, t.name(), e, p.runs())));
            t.went().ifPresent(w -> lane.went.add(mark(number, t.name(), e, w)));
            rows.add(row(number, t, byTake.getOrDefault(t.id(), List.of()), zone, most));
        }
        return new EntryView(
                e,
                Words.night(e.night()),
                List.copyOf(lanes.values()),
                rows,
                frames.stream()
                        .filter(f -> f.take().isEmpty())
                        .map(f -> shot(f, zone))
                        .toList(),
                seen);
    }

    static Mark mark(String number, String name, Entry e, Interval time) {
        return new Mark(number, name, block(e, time));
    }

    private static Block block(Entry e, Interval time) {
        Ribbon r = e.sky();
        Instant noon = e.day().from();
        double from = Duration.between(noon, time.from()).toSeconds() / 60.0;
        double length = Math.max(1, time.length().toSeconds() / 60.0);
        return new Block(r.at(from), r.length(length), "", "light");
    }

    private static Row row(String number, EntryTake t, List<EntryFrame> frames, ZoneId zone, int most) {
        Optional<Interval> planned = t.plan().map(EntryTake.Plan::runs);
        Optional<Duration> short_ = frames.isEmpty()
                ? Optional.empty()
                : planned.flatMap(p -> t.went().map(w -> Duration.between(w.to(), p.to())))
                        .filter(d -> d.compareTo(EARLY_END) > 0);
        long kept = frames.stream().filter(f -> f.said().kept()).count();
        double longest = frames.stream()
                .flatMapToDouble(f -> f.read().driftPx().stream())
                .max()
                .orElse(0);
        return new Row(
                t.id(),
                number,
                t.name(),
                t.subject(),
                t.kit().rig(),
                planned.map(p -> clocks(p, zone)).orElse(t.why()),
                t.skipped() ? "left out" : t.went().map(w -> clocks(w, zone)).orElse("not said"),
                planned.flatMap(p -> t.went().map(w -> late(Duration.between(p.from(), w.from()))))
                        .orElse(""),
                t.plan()
                        .map(p -> words(p.settings()) + (t.frames() > 1 ? ", " + t.frames() + " frames" : ""))
                        .orElse(""),
                frames.isEmpty() ? "" : kept + " of " + frames.size() + " kept",
                short_.map(d -> "Its frames end " + Words.span(d) + " before the plan did.")
                        .orElse(""),
                short_.flatMap(d -> t.went())
                        .map(w -> "" + w.length().toMinutes())
                        .orElse(""),
                t.batteryMinutes().isPresent()
                        ? Numbers.trimmed(t.batteryMinutes().getAsDouble(), 0)
                        : "",
                t.kit().battery().isPresent(),
                frames.stream().limit(most).map(f -> shot(f, zone)).toList(),
                Math.max(0, frames.size() - most),
                longest == 0
                        ? List.of()
                        : frames.stream()
                                .map(f -> new Bar(
                                        100 * f.read().driftPx().orElse(0) / longest,
                                        f.said().kept()))
                                .toList());
    }

    private static String late(Duration by) {
        long minutes = by.abs().toMinutes();
        return minutes < CLOCKS_LATE ? "" : minutes + " min " + (by.isNegative() ? "early" : "late");
    }

    private static String clocks(Interval i, ZoneId zone) {
        return Words.clock(i.from(), zone) + " to " + Words.clock(i.to(), zone);
    }

    static String words(Settings s) {
        return Words.exposure(s.seconds()) + ", f/" + Numbers.trimmed(s.aperture(), 1) + ", ISO "
                + Numbers.plain(s.iso(), 0);
    }

    private static Shot shot(EntryFrame f, ZoneId zone) {
        List<String> read = new ArrayList<>();
        f.read().driftPx().ifPresent(d -> read.add(Numbers.text("drift %.1f px", d)));
        f.read().zenith().ifPresent(z -> read.add(Numbers.text("zenith %.1f", z)));
        return new Shot(
                f.id(),
                f.name(),
                f.taken().map(t -> Words.clockSeconds(t, zone)).orElse(""),
                f.settings().map(EntryView::words).orElse(""),
                String.join(", ", read),
                f.read().verdict(),
                f.said(),
                !f.folder().isEmpty() && !Files.exists(Path.of(f.folder(), f.name())));
    }
}
