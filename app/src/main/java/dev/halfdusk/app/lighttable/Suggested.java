package dev.halfdusk.app.lighttable;

import dev.halfdusk.core.lighttable.FrameReading;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.lighttable.Series;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.take.Trails;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * What is likely to be put together with the frame that is shown, and to what: its series without what spoils it, frames of the land, dark ones.
 * Everything of it can be chosen otherwise.
 *
 * @param in ids of the frames that the picture is made of
 * @param land ids of those whose land stands under the others' sky
 * @param dark ids of those taken with the cap on
 * @param why words by id, of frames of the series that are left out
 * @param series in the order of time, without what belongs to it in another role
 * @param noticed over the series
 * @param what is likely to become of them
 */
record Suggested(
        Set<String> in,
        Set<String> land,
        Set<String> dark,
        Map<String, String> why,
        List<TakenFrame> series,
        List<Series.Noticed> noticed,
        Wanted.What what) {

    /** What is left out unless one takes it in. */
    static final Set<Series.What> USUAL = EnumSet.of(Series.What.CLOUD, Series.What.WIND);

    /** Frames in which these are seen may be left out. */
    static final Set<Series.What> SPOILT = EnumSet.of(
            Series.What.CLOUD,
            Series.What.WIND,
            Series.What.BUMP,
            Series.What.LINES,
            Series.What.BRIGHTER,
            Series.What.FLICKER);

    private static final double LONGER_STOPS = 1.5;
    private static final double BLACK = 0.06;
    private static final int NO_STARS = 3;

    static final Suggested NONE =
            new Suggested(Set.of(), Set.of(), Set.of(), Map.of(), List.of(), List.of(), Wanted.What.TRAILS);

    Suggested {
        in = Set.copyOf(in);
        land = Set.copyOf(land);
        dark = Set.copyOf(dark);
        why = Map.copyOf(why);
        series = List.copyOf(series);
        noticed = List.copyOf(noticed);
    }

    /**
     * @param leftOut what of a series is left out
     * @param looked what is noticed over a series
     */
    static Suggested of(
            TakenFrame shown,
            List<TakenFrame> all,
            Set<Series.What> leftOut,
            Function<List<TakenFrame>, List<Series.Noticed>> looked) {
        boolean moon = shown.reading().moon().isPresent();
        List<TakenFrame> series = all.stream()
                .filter(f -> moon ? sameTake(shown, f) && f.reading().moon().isPresent() : shown.together(f))
                .filter(f -> f == shown || !black(f.reading()))
                .sorted(Comparator.comparing(f -> f.reading().known().opened().orElse(Instant.EPOCH)))
                .toList();
        Map<String, String> why = new HashMap<>();
        List<Series.Noticed> noticed = looked.apply(series);
        for (Series.Noticed n : noticed) {
            if (leftOut.contains(n.what()) && n.frames().size() < series.size()) {
                n.frames()
                        .forEach(i ->
                                why.putIfAbsent(series.get(i).id(), n.what().words()));
            }
        }
        Set<String> in = new HashSet<>();
        series.stream().map(TakenFrame::id).filter(id -> !why.containsKey(id)).forEach(in::add);
        Set<String> land = new HashSet<>();
        Set<String> dark = new HashSet<>();
        for (TakenFrame f : all) {
            if (!series.contains(f) && f.reading().width() == shown.reading().width()) {
                if (black(f.reading())) {
                    dark.add(f.id());
                } else if (!moon && sameTake(shown, f) && longer(shown, f)) {
                    land.add(f.id());
                }
            }
        }
        return new Suggested(in, land, dark, why, series, noticed, what(shown, series, !land.isEmpty()));
    }

    private static boolean sameTake(TakenFrame a, TakenFrame b) {
        return a.reading().width() == b.reading().width()
                && Objects.equals(
                        a.plan() == null ? null : a.plan().key(),
                        b.plan() == null ? null : b.plan().key());
    }

    /** Nothing in it: taken with the cap on. */
    private static boolean black(FrameReading r) {
        return r.stars() < NO_STARS
                && r.sky().middle() < BLACK
                && r.moon().isEmpty()
                && r.bursts().isEmpty()
                && r.ground().isEmpty();
    }

    private static boolean longer(TakenFrame shown, TakenFrame other) {
        Optional<Settings> a = shown.reading().known().settings();
        Optional<Settings> b = other.reading().known().settings();
        return a.isPresent() && b.isPresent() && Stops.of(light(b.get()) / light(a.get())) > LONGER_STOPS;
    }

    private static double light(Settings s) {
        return s.seconds() * s.iso() / (s.aperture() * s.aperture());
    }

    private static Wanted.What what(TakenFrame shown, List<TakenFrame> series, boolean land) {
        FrameReading r = shown.reading();
        Motif motif = r.known().motif().orElse(Motif.STARS);
        if (shown.plan() != null && shown.plan().subject() instanceof Trails) {
            return Wanted.What.TRAILS;
        }
        if (r.moon().isPresent()) {
            boolean oneExposure = series.stream()
                            .map(f -> f.reading().known().settings())
                            .distinct()
                            .count()
                    == 1;
            return oneExposure ? Wanted.What.MOON : Wanted.What.PHASES;
        }
        if (r.bursts().isPresent() || motif == Motif.FIREWORKS || motif == Motif.GROUND) {
            return Wanted.What.LIGHTEST;
        }
        return land ? Wanted.What.BLEND : Wanted.What.STACK;
    }

    /** Whether something crosses, so that trails are better without it. */
    public boolean crossed() {
        return finds(Series.What.LINES);
    }

    /** Whether the camera was moved, so that frames are to be laid back. */
    public boolean knocked() {
        return finds(Series.What.BUMP);
    }

    public boolean flickers() {
        return finds(Series.What.FLICKER);
    }

    private boolean finds(Series.What what) {
        return noticed.stream().anyMatch(n -> n.what() == what);
    }
}
