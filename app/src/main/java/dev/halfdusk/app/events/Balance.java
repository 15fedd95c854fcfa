package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.moon.LandBalance;
import dev.halfdusk.core.moon.LandBalance.Way;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.HorizonEvent;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Moon and land around sunset or sunrise: two curves of exposure value, brighter above, in a box of {@value #WIDTH} × {@value #HEIGHT},
 * and when one frame holds both.
 *
 * @param moon path of the moon's curve, where it is up
 * @param frames stretches across in which one frame holds both
 * @param ways in words, in order
 */
record Balance(
        String title,
        String moon,
        String land,
        List<Stretch> frames,
        List<Tick> ticks,
        double notch,
        List<String> ways) {

    static final int WIDTH = 900;
    static final int HEIGHT = 150;
    private static final Duration AROUND = Duration.ofMinutes(70);
    private static final Duration STEP = Duration.ofMinutes(2);
    private static final double TOP_EV = 16;
    private static final double BOTTOM_EV = -4;

    record Stretch(double x, double width) {}

    record Tick(double x, String clock) {}

    /** Around sunset and sunrise, where the night has them. */
    static List<Interval> spans(Night night) {
        return Stream.of(night.set(HorizonEvent.Kind.SUN), night.rise(HorizonEvent.Kind.SUN))
                .flatMap(Optional::stream)
                .map(t -> new Interval(t.minus(AROUND), t.plus(AROUND)))
                .toList();
    }

    static List<LandBalance> of(Interval span, Standpoint from, double haze) {
        return LandBalance.over(span, STEP, from, haze);
    }

    /** @return none where the moon is down all the time */
    static List<Balance> all(Night night, Standpoint from, double haze, Instant now, ZoneId zone) {
        List<Balance> all = new ArrayList<>();
        for (Interval span : spans(night)) {
            List<LandBalance> minutes = of(span, from, haze);
            if (minutes.stream().anyMatch(b -> b.way() != Way.NO_MOON)) {
                boolean evening = span.middle().isBefore(night.sunLowest().when());
                all.add(of(evening ? "Evening" : "Morning", span, minutes, now, zone));
            }
        }
        return all;
    }

    private static Balance of(String title, Interval span, List<LandBalance> minutes, Instant now, ZoneId zone) {
        StringBuilder moon = new StringBuilder();
        StringBuilder land = new StringBuilder();
        List<Stretch> frames = new ArrayList<>();
        List<String> ways = new ArrayList<>();
        List<Tick> ticks = new ArrayList<>();
        boolean up = false;
        Way way = null;
        Instant since = span.from();
        for (LandBalance b : minutes) {
            double x = x(span, b.when());
            land.append(land.isEmpty() ? 'M' : 'L').append(point(x, b.landEv100()));
            if (b.moonClearDeg() > 0) {
                moon.append(up ? 'L' : 'M').append(point(x, b.moonEv100()));
            }
            up = b.moonClearDeg() > 0;
            if (b.way() != way) {
                said(ways, frames, way, span, since, b.when(), zone);
                way = b.way();
                since = b.when();
            }
        }
        said(ways, frames, way, span, since, span.to(), zone);
        for (int i = 0; i <= 4; i++) {
            Instant t = span.from().plus(span.length().multipliedBy(i).dividedBy(4));
            ticks.add(new Tick(PathText.tenth(x(span, t)), Words.clock(t, zone)));
        }
        return new Balance(
                title,
                moon.toString(),
                land.toString(),
                frames,
                ticks,
                span.contains(now) ? PathText.tenth(x(span, now)) : -1,
                ways);
    }

    private static void said(
            List<String> ways, List<Stretch> frames, Way way, Interval span, Instant from, Instant to, ZoneId zone) {
        if (way == null) {
            return;
        }
        ways.add(Words.clock(from, zone) + " to " + Words.clock(to, zone) + ": " + way.words());
        if (way == Way.ONE_FRAME) {
            double x = x(span, from);
            frames.add(new Stretch(PathText.tenth(x), PathText.tenth(x(span, to) - x)));
        }
    }

    private static double x(Interval span, Instant t) {
        return WIDTH
                * (double) Duration.between(span.from(), t).toMillis()
                / span.length().toMillis();
    }

    private static String point(double x, double ev) {
        double share = (TOP_EV - Math.max(BOTTOM_EV, Math.min(TOP_EV, ev))) / (TOP_EV - BOTTOM_EV);
        return PathText.tenth(x) + "," + PathText.tenth(share * HEIGHT);
    }
}
