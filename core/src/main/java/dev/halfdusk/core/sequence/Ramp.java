package dev.halfdusk.core.sequence;

import dev.halfdusk.core.exposure.Light;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * From day to night and back: settings that follow the brightness of the zenith in steps of the dial, changed in the pauses.
 * First the shutter grows, up to the interval less the smallest safe pause, then ISO. A change is made when the picture would be
 * brighter or darker than wanted by half a step; so neighbours differ by one step of the dial. Brightness as {@code glow} has it
 * from the sun at −5° down; above it is taken to go on by its law, and the camera's own picture tells better.
 *
 * @param lines in the order of their time
 * @param ends when the last frame closes at the latest
 */
public record Ramp(List<Line> lines, double intervalSeconds, Instant ends) {

    /** Where the sky's peak is kept on the histogram's axis. */
    public static final double PEAK = 0.3;

    private static final Duration LOOK = Duration.ofSeconds(30);

    /**
     * From when on what is set.
     *
     * @param label of the shutter on the dial
     * @param stops by which it is brighter than the line before; 0 for the first
     * @param peak where the sky then stands on the axis
     */
    public record Line(Instant from, Settings settings, String label, double stops, double peak) {}

    /**
     * @param span that is to be covered
     * @param longestSeconds of the shutter: the interval less the smallest safe pause
     * @param topIso that is tolerated
     */
    public static Ramp of(Setup setup, Interval span, double intervalSeconds, double longestSeconds, int topIso) {
        List<Rung> ladder = ladder(setup, longestSeconds, topIso);
        List<Line> lines = new ArrayList<>();
        int set = -1;
        for (Instant t = span.from(); t.isBefore(span.to()); t = t.plus(LOOK)) {
            double perSecond = electrons(setup, t);
            if (set < 0) {
                set = best(ladder, setup, perSecond);
                lines.add(line(t, ladder.get(set), 0, setup, perSecond));
                continue;
            }
            int before = set;
            double off = off(ladder.get(set), setup, perSecond);
            while (off < -halfAbove(ladder, set) && set < ladder.size() - 1) {
                set++;
                off = off(ladder.get(set), setup, perSecond);
            }
            while (set > 0 && off > halfAbove(ladder, set - 1)) {
                set--;
                off = off(ladder.get(set), setup, perSecond);
            }
            if (set != before) {
                double stops = ladder.get(before).settings.stopsTo(ladder.get(set).settings);
                lines.add(line(t, ladder.get(set), stops, setup, perSecond));
            }
        }
        return new Ramp(List.copyOf(lines), intervalSeconds, span.to());
    }

    private record Rung(Settings settings, String label) {}

    /** All settings from the darkest to the brightest: the shutter at the lowest ISO, then ISO at the longest shutter. */
    private static List<Rung> ladder(Setup setup, double longestSeconds, int topIso) {
        List<Integer> isos = setup.rig().body().isoSteps();
        List<Dial.Stop> clicks = setup.rig().body().shutters().stream()
                .filter(s -> s.realSeconds() <= longestSeconds)
                .toList();
        if (clicks.isEmpty()) {
            throw new IllegalArgumentException("the interval leaves no time for a shutter of this body");
        }
        List<Rung> ladder = new ArrayList<>();
        for (int i = clicks.size() - 1; i >= 0; i--) {
            ladder.add(rung(setup, clicks.get(i), isos.get(0)));
        }
        isos.stream().skip(1).filter(iso -> iso <= topIso).forEach(iso -> ladder.add(rung(setup, clicks.get(0), iso)));
        return ladder;
    }

    private static Rung rung(Setup setup, Dial.Stop click, int iso) {
        return new Rung(new Settings(click.realSeconds(), setup.aperture(), iso), click.label());
    }

    private static int best(List<Rung> ladder, Setup setup, double perSecond) {
        return IntStream.range(0, ladder.size())
                .boxed()
                .min((a, b) -> Double.compare(
                        Math.abs(off(ladder.get(a), setup, perSecond)), Math.abs(off(ladder.get(b), setup, perSecond))))
                .orElseThrow();
    }

    /** Stops by which a picture with these settings is brighter than wanted. */
    private static double off(Rung rung, Setup setup, double perSecond) {
        double share = perSecond * rung.settings.seconds() / white(setup, rung.settings.iso());
        return Stops.of(share / Tone.share(PEAK));
    }

    private static double halfAbove(List<Rung> ladder, int rung) {
        return rung + 1 >= ladder.size()
                ? Double.POSITIVE_INFINITY
                : ladder.get(rung).settings.stopsTo(ladder.get(rung + 1).settings) / 2;
    }

    private static double white(Setup setup, double iso) {
        return setup.rig().body().response().saturationE(iso);
    }

    private static double electrons(Setup setup, Instant t) {
        SunAndMoon lamps = SunAndMoon.at(Moment.at(t), setup.from().observer());
        return setup.electronsPerSecond(
                Math.max(-5, setup.from().glow().zenith(lamps).magnitude()));
    }

    private static Line line(Instant t, Rung rung, double stops, Setup setup, double perSecond) {
        Light light = new Light(setup.rig().body().response(), perSecond, rung.settings.seconds());
        return new Line(t, rung.settings, rung.label, stops, light.peak(rung.settings.iso()));
    }

    /** Equal frames from line to line, at one interval throughout; a change is made before the next opening. */
    public Program program(FileFormat format) {
        List<Program.Step> steps = new ArrayList<>();
        Instant first = lines.get(0).from();
        long all = frames(Duration.between(first, ends).toMillis());
        for (int i = 0; i < lines.size(); i++) {
            long from = i == 0
                    ? 0
                    : frames(Duration.between(first, lines.get(i).from()).toMillis());
            long to = i + 1 < lines.size()
                    ? frames(Duration.between(first, lines.get(i + 1).from()).toMillis())
                    : all;
            Settings s = lines.get(i).settings();
            if (to > from) {
                steps.add(new Program.Step(
                        Instants.after(first, from * intervalSeconds),
                        s,
                        (int) (to - from),
                        intervalSeconds - s.seconds(),
                        format,
                        "day to night"));
            }
        }
        return new Program("Time-lapse with changing light", steps);
    }

    /** Openings before a time. */
    private long frames(long millis) {
        return (long) Math.ceil(millis / (intervalSeconds * 1000) - 1e-9);
    }
}
