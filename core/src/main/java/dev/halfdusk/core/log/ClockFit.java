package dev.halfdusk.core.log;

import dev.halfdusk.core.measure.Interval;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * By how much a camera's clock was wrong, told from when its frames fall against the takes of a night. A clock is wrong by a zone, by
 * hours, by half a day or by a year, seldom by anything else: it is corrected only by such a shift, and only where that brings by far
 * more frames into the takes than the clock as it is. Of shifts that serve alike it is the smallest.
 *
 * @param ahead of the right time; zero where the clock is believed
 * @param fits frames that then fall into a take
 * @param of frames looked at
 */
public record ClockFit(Duration ahead, int fits, int of) {

    /** Before a take begins a test is shot, after it another frame. */
    public static final Duration AROUND = Duration.ofMinutes(15);

    private static final Duration STEP = Duration.ofMinutes(30);
    private static final int STEPS = 28;
    private static final List<Duration> YEARS = List.of(
            Duration.ZERO,
            Duration.ofDays(365),
            Duration.ofDays(-365),
            Duration.ofDays(366),
            Duration.ofDays(-366),
            Duration.ofDays(1),
            Duration.ofDays(-1));

    /** What a wrong clock must explain at least, of all frames. */
    private static final double MOST = 2.0 / 3;

    /** And how many more of them than a right one does. */
    private static final double MORE = 1.0 / 3;

    /**
     * @param frames when they were taken, by the camera's clock
     * @param takes when they ran
     */
    public static ClockFit of(List<Instant> frames, List<Interval> takes) {
        int right = fitting(frames, takes, Duration.ZERO);
        ClockFit asItIs = new ClockFit(Duration.ZERO, right, frames.size());
        if (frames.isEmpty() || takes.isEmpty()) {
            return asItIs;
        }
        ClockFit best = asItIs;
        for (Duration ahead : shifts()) {
            int fits = fitting(frames, takes, ahead);
            if (fits > best.fits) {
                best = new ClockFit(ahead, fits, frames.size());
            }
        }
        boolean sure = best.fits >= MOST * frames.size() && best.fits - right >= MORE * frames.size();
        return sure ? best : asItIs;
    }

    /** The smallest first. */
    private static List<Duration> shifts() {
        List<Duration> all = new ArrayList<>();
        for (Duration year : YEARS) {
            for (int i = -STEPS; i <= STEPS; i++) {
                all.add(year.plus(STEP.multipliedBy(i)));
            }
        }
        all.sort(Comparator.comparing(Duration::abs));
        return all;
    }

    private static int fitting(List<Instant> frames, List<Interval> takes, Duration ahead) {
        return (int) frames.stream()
                .map(t -> t.minus(ahead))
                .filter(t -> takes.stream().anyMatch(i -> around(i).contains(t)))
                .count();
    }

    static Interval around(Interval take) {
        return new Interval(take.from().minus(AROUND), take.to().plus(AROUND));
    }

    /** "an hour ahead", as far as it is wrong. */
    public String words() {
        long minutes = ahead.abs().toMinutes();
        long days = minutes / (24 * 60);
        long hours = minutes / 60 % 24;
        List<String> parts = new ArrayList<>();
        if (days >= 365) {
            parts.add("a year");
        } else if (days > 0) {
            parts.add("a day");
        }
        if (hours > 0) {
            parts.add(hours + " h");
        }
        if (minutes % 60 > 0) {
            parts.add(minutes % 60 + " min");
        }
        return parts.isEmpty() ? "right" : String.join(" ", parts) + (ahead.isNegative() ? " behind" : " ahead");
    }
}
