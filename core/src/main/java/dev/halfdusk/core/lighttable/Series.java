package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Sidereal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * What frames taken one after the other show together that none shows alone: what is missing, a tripod that was knocked, cloud, dew, focus that
 * creeps, dawn, flicker, lines by frame, the air before the moon. From three frames on; they should be of one take.
 */
public final class Series {

    private static final int LEAST = 3;
    private static final double GAP = 1.6;
    private static final double MOVED_DEG = 0.06;
    private static final double WIDER = 1.25;
    private static final double FAINTER = 0.8;
    private static final double CLOUDED = 0.6;
    private static final double DAWN_STOPS = 0.4;
    private static final double FLICKER_STOPS = 0.12;
    private static final int FLICKER_FRAMES = 6;
    private static final double AS_SHARP = 1.15;
    private static final double AIR = 1.25;
    /** Below this part of the whole the rest is a pattern. */
    private static final double STAYS = 0.85;

    private static final double SURE = 2.5;
    private static final double LEAST_MARKS = 0.5;
    private static final int MOST_RANK = 300;
    private static final double APART_PX = 5;
    /** Away from the equator stars move less. */
    private static final double LEAST_OF_EQUATOR = 0.5;

    private static final double SHADOWS_WANTED = 0.14;

    private final List<FrameReading> frames;
    private final List<Noticed> noticed = new ArrayList<>();

    private Series(List<FrameReading> frames) {
        this.frames = frames;
    }

    /** What is noticed. */
    public enum What {
        MISSING("Frames are missing"),
        BUMP("The camera was moved"),
        WIND("Some frames are shaken"),
        CLOUD("Cloud passed"),
        DEW("Dew: stars widen and fade"),
        FOCUS("Focus creeps away"),
        BRIGHTER("The sky grows brighter"),
        FLICKER("Brightness flickers"),
        LINES("Something crosses"),
        METEOR("A meteor falls"),
        AIR("The air moves"),
        BRACKET("Of the bracket"),
        CALIBRATION("Focus is off to one side"),
        SCATTER("Focus is off to both sides"),
        PATTERN("Part of the noise stays the same");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param frames that it was seen in, counted from 0
     * @param evidence in numbers
     * @param remedy what is done about it; empty where nothing is
     */
    public record Noticed(What what, List<Integer> frames, String evidence, String remedy) {
        public Noticed {
            frames = List.copyOf(frames);
        }
    }

    /** @param frames in the order in which they were taken */
    public static List<Noticed> of(List<FrameReading> frames) {
        Series series = new Series(List.copyOf(frames));
        boolean moon = frames.stream().anyMatch(f -> f.moon().isPresent()); // its seas and craters are no stars
        if (frames.size() >= LEAST) {
            series.missing();
            if (!moon) {
                series.bump();
                series.shaken();
                series.stars();
                series.sky();
            }
            series.moon();
            series.bracket();
            series.ruler();
        }
        if (!moon) {
            series.lines();
            series.noise();
        }
        return List.copyOf(series.noticed);
    }

    private void add(What what, List<Integer> where, String evidence, String remedy) {
        noticed.add(new Noticed(what, where, evidence, remedy));
    }

    private void missing() {
        List<Instant> opened =
                frames.stream().map(f -> f.known().opened().orElse(null)).toList();
        if (opened.stream().anyMatch(Objects::isNull)) {
            return;
        }
        double[] steps = IntStream.range(1, opened.size())
                .mapToDouble(
                        i -> Duration.between(opened.get(i - 1), opened.get(i)).toMillis() / 1000.0)
                .toArray();
        double usual = Median.of(steps);
        List<Integer> after = IntStream.range(0, steps.length)
                .filter(i -> usual > 0 && steps[i] > GAP * usual)
                .map(i -> i + 1)
                .boxed()
                .toList();
        if (!after.isEmpty()) {
            double lost = after.stream()
                    .mapToDouble(i -> Math.round(steps[i - 1] / usual) - 1)
                    .sum();
            add(
                    What.MISSING,
                    after,
                    Numbers.text("a frame every %.1f s, and %d longer pauses: %.0f missing", usual, after.size(), lost),
                    "Card, buffer, battery, noise reduction in the camera; trails have gaps there.");
        }
    }

    private void bump() {
        List<Integer> where = new ArrayList<>();
        double most = 0;
        for (int i = 1; i < frames.size(); i++) {
            FrameReading a = frames.get(i - 1);
            FrameReading b = frames.get(i);
            if (a.aim().isPresent()
                    && b.aim().isPresent()
                    && !b.known().support().tracks()) {
                double turned = a.aim()
                        .get()
                        .axis()
                        .vector()
                        .angleTo(b.aim().get().axis().vector());
                if (turned > MOVED_DEG) {
                    where.add(i);
                    most = Math.max(most, turned);
                }
            }
        }
        if (!where.isEmpty()) {
            add(
                    What.BUMP,
                    where,
                    Numbers.text("it looks up to %.2f\u00b0 elsewhere than in the frame before", most),
                    "Frames before and after are two trails, two stacks; a weight under the tripod, legs away from the path.");
        }
    }

    private void shaken() {
        double[] lengths = of(f -> f.lengthPx().orElse(0));
        double usual = Median.of(lengths);
        List<Integer> where = IntStream.range(0, frames.size())
                .filter(i -> frames.get(i).twins().isPresent() || lengths[i] > 2 * usual + 1.5)
                .boxed()
                .toList();
        if (!where.isEmpty() && where.size() < frames.size()) {
            add(
                    What.WIND,
                    where,
                    Numbers.text(
                            "stars stand twice or are longer than the usual %.1f px in %d frames", usual, where.size()),
                    "Leave them out; shelter, lower the tripod, hang a weight.");
        }
    }

    private double[] of(ToDoubleFunction<FrameReading> number) {
        return frames.stream().mapToDouble(number).toArray();
    }

    /** The last third of some numbers against the first. */
    private static double trend(double[] v) {
        int third = Math.max(1, v.length / 3);
        double before = Median.of(Arrays.copyOf(v, third));
        double after = Median.of(Arrays.copyOfRange(v, v.length - third, v.length));
        return before == 0 ? 1 : after / before;
    }

    private static boolean grows(double[] v, double sign) {
        int ups = 0;
        for (int i = 1; i < v.length; i++) {
            ups += (v[i] - v[i - 1]) * sign > 0 ? 1 : 0;
        }
        return ups >= 0.6 * (v.length - 1);
    }

    private void stars() {
        double[] counts = of(FrameReading::stars);
        int burnt =
                frames.stream().mapToInt(f -> f.starlight().firstWhole()).max().orElse(0);
        // the brightest are burnt, or were before the picture was reduced
        int rank = Math.max(burnt, (int) Math.min(MOST_RANK, Median.of(counts) / 4));
        double[] light = of(f -> f.starlight().from(rank) * area(f));
        double[] widths = of(f -> f.widthPx().orElse(0));
        boolean measured = Arrays.stream(widths).allMatch(w -> w > 0);
        if (measured && trend(widths) > WIDER && grows(widths, 1)) {
            boolean known = Arrays.stream(light).allMatch(l -> l > 0);
            boolean dew = known && trend(light) < FAINTER;
            add(
                    dew ? What.DEW : What.FOCUS,
                    List.of(frames.size() - 1),
                    Numbers.text(
                            "stars %.1f px wide at first, %.1f at last%s",
                            widths[0],
                            widths[widths.length - 1],
                            known ? Numbers.text(", with %.0f %% of their light", 100 * trend(light)) : ""),
                    dew
                            ? "A heating band or a hand warmer; wipe nothing, blow. The frames from there on are softer."
                            : "The ring turned, or the lens cooled: focus again and tape it.");
            return;
        }
        double usual = Median.of(counts);
        List<Integer> where = IntStream.range(0, counts.length)
                .filter(i -> usual > 0 && counts[i] < CLOUDED * usual)
                .boxed()
                .toList();
        if (!where.isEmpty()) {
            int fewest = where.stream()
                    .min((a, b) -> Double.compare(counts[a], counts[b]))
                    .orElseThrow();
            add(
                    What.CLOUD,
                    where,
                    Numbers.text("%.0f stars where %.0f are usual", counts[fewest], usual),
                    "Leave them out of a stack; trails keep them, fainter.");
        }
    }

    /** That a star's light is spread over, but for a factor. */
    private static double area(FrameReading f) {
        double width = f.widthPx().orElse(0);
        return width * (width + f.lengthPx().orElse(0));
    }

    private void sky() {
        double[] stops = of(f -> Stops.of(Math.max(1e-6, Tone.share(f.sky().peak()))));
        double rise = stops[stops.length - 1] - stops[0];
        boolean same = frames.stream().map(f -> f.known().settings()).distinct().count() == 1;
        if (!same) {
            return;
        }
        if (rise > DAWN_STOPS && grows(stops, 1)) {
            add(
                    What.BRIGHTER,
                    List.of(frames.size() - 1),
                    Numbers.text("by %.1f stops over the frames", rise),
                    "Dawn, the moon or a dome: end there, or develop the last ones darker.");
            return;
        }
        if (stops.length >= FLICKER_FRAMES) {
            double sum = 0;
            List<Integer> where = new ArrayList<>();
            for (int i = 1; i < stops.length - 1; i++) {
                double off = stops[i] - Median.of(new double[] {stops[i - 1], stops[i], stops[i + 1]});
                sum += off * off;
                if (Math.abs(off) > FLICKER_STOPS) {
                    where.add(i);
                }
            }
            double spread = Math.sqrt(sum / (stops.length - 2));
            if (!where.isEmpty() && spread > FLICKER_STOPS / 2) {
                add(
                        What.FLICKER,
                        where,
                        Numbers.text("single frames differ from those beside them, %.2f stop on the average", spread),
                        "Everything by hand, the aperture too; level the frames before they become a clip.");
            }
        }
    }

    /** What flies is one thing to leave out, whatever it is; a meteor is another, and is kept. */
    private void lines() {
        Set<Integer> flown = new TreeSet<>();
        List<String> which = new ArrayList<>();
        for (Line.Kind kind : List.of(Line.Kind.AIRCRAFT, Line.Kind.SATELLITE)) {
            List<Integer> where = crossed(kind);
            if (!where.isEmpty()) {
                flown.addAll(where);
                which.add(in(where, kind));
            }
        }
        if (!flown.isEmpty()) {
            add(
                    What.LINES,
                    List.copyOf(flown),
                    String.join(", ", which),
                    "A stack leaves it out with what stands out, trails without aircraft.");
        }
        List<Integer> meteors = crossed(Line.Kind.METEOR);
        if (!meteors.isEmpty()) {
            add(What.METEOR, meteors, in(meteors, Line.Kind.METEOR), "Keep it: it belongs to the picture.");
        }
    }

    private String in(List<Integer> where, Line.Kind kind) {
        return Numbers.text("%s in %d of %d frames", kind.words(), where.size(), frames.size());
    }

    private List<Integer> crossed(Line.Kind kind) {
        return IntStream.range(0, frames.size())
                .filter(i -> frames.get(i).lines().stream().anyMatch(l -> l.kind() == kind))
                .boxed()
                .toList();
    }

    /**
     * What a sensor does in every frame cancels between two of them, what stars and the sky do does not where they have moved on meanwhile.
     */
    private void noise() {
        List<Double> between = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            for (int j = i + 1; j < frames.size(); j++) {
                if (apart(frames.get(i), frames.get(j))) {
                    double n = frames.get(j).patch().noiseAgainst(frames.get(i).patch());
                    between.add(n);
                    break;
                }
            }
        }
        double all = Median.of(of(f -> f.patch().noise()));
        double differs = Median.of(
                between.stream().filter(n -> n > 0).mapToDouble(n -> n).toArray());
        if (differs > 0 && differs < STAYS * all) {
            add(
                    What.PATTERN,
                    List.of(),
                    Numbers.text("%.1f %% of the sky in each frame, %.1f %% between frames", 100 * all, 100 * differs),
                    "What stays the same does not average out: take dark frames, or move the camera a little between frames.");
        }
    }

    /** Whether the sky has moved on between two frames that are otherwise alike. */
    private static boolean apart(FrameReading a, FrameReading b) {
        Known one = a.known();
        Known other = b.known();
        if (!one.settings().equals(other.settings())
                || one.lens().isEmpty()
                || one.opened().isEmpty()
                || other.opened().isEmpty()
                || one.support().tracks()) {
            return false;
        }
        double seconds = Math.abs(
                Duration.between(one.opened().get(), other.opened().get()).toMillis() / 1000.0);
        double perSecond = Sidereal.RADIANS_PER_SECOND
                * one.lens().get().focalMm()
                / Known.pixelMm(one.lens().get(), a.width());
        return seconds * perSecond * LEAST_OF_EQUATOR > APART_PX;
    }

    private void moon() {
        OptionalDouble[] edges = frames.stream()
                .map(f -> f.moon().map(m -> OptionalDouble.of(m.edgePx())).orElse(OptionalDouble.empty()))
                .toArray(OptionalDouble[]::new);
        if (!Arrays.stream(edges).allMatch(OptionalDouble::isPresent)) {
            return;
        }
        double[] px =
                Arrays.stream(edges).mapToDouble(OptionalDouble::getAsDouble).toArray();
        double sharpest = Arrays.stream(px).min().orElseThrow();
        double softest = Arrays.stream(px).max().orElseThrow();
        List<Integer> best = IntStream.range(0, px.length)
                .filter(i -> px[i] <= AS_SHARP * sharpest)
                .boxed()
                .toList();
        if (softest > AIR * sharpest) {
            add(
                    What.AIR,
                    best,
                    Numbers.text(
                            "edges from %.1f to %.1f px: %d of %d frames are as sharp as the sharpest",
                            sharpest, softest, best.size(), px.length),
                    "The average of these has less noise and keeps their drawing.");
        }
    }

    /** Always to one side is the adjustment of the lens to the body, to both is the focusing itself. */
    private void ruler() {
        if (!frames.stream().allMatch(f -> f.ruler().isPresent())) {
            return;
        }
        double[] off = of(f -> f.ruler().orElseThrow().marks());
        double mean = Arrays.stream(off).average().orElse(0);
        double spread =
                Math.sqrt(Arrays.stream(off).map(o -> (o - mean) * (o - mean)).sum() / (off.length - 1));
        boolean oneSide = Math.abs(mean) > SURE * spread / Math.sqrt(off.length);
        String evidence = Numbers.text(
                "%.1f marks %s the middle on the average, \u00b1 %.1f from frame to frame",
                Math.abs(mean), mean > 0 ? "behind" : "before", spread);
        if (oneSide && Math.abs(mean) > LEAST_MARKS) {
            add(
                    What.CALIBRATION,
                    List.of(),
                    evidence,
                    "Fine adjustment in the body, where it has one; else focus by the magnified picture.");
        } else if (spread > LEAST_MARKS) {
            add(
                    What.SCATTER,
                    List.of(),
                    evidence,
                    "The way of focusing, not the lens: more light, more contrast, magnified, by hand.");
        }
    }

    private void bracket() {
        if (!frames.stream().allMatch(f -> f.film().isPresent())) {
            return;
        }
        double[] off = of(f -> Math.abs(f.film().orElseThrow().shadows() - SHADOWS_WANTED)
                + 2 * f.film().orElseThrow().burnt());
        int best = 0;
        for (int i = 1; i < off.length; i++) {
            best = off[i] < off[best] ? i : best;
        }
        FilmReading f = frames.get(best).film().orElseThrow();
        add(
                What.BRACKET,
                List.of(best),
                Numbers.text("the best has its shadows at %.2f and %.0f %% burnt", f.shadows(), 100 * f.burnt()),
                "");
    }
}
