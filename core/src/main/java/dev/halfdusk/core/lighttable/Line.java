package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Median;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A line across the frame, longer than any star is drawn.
 *
 * @param x of its middle in pixels, with y
 * @param lengthPx of it
 * @param angleDeg from +x towards +y, 0 to 180
 * @param flashes places, evenly apart, that are much brighter than what lies between them
 * @param fades whether both ends are fainter than the middle
 * @param burnt whether its middle is white
 */
public record Line(double x, double y, double lengthPx, double angleDeg, int flashes, boolean fades, boolean burnt) {

    /** What draws such lines. */
    public enum Kind {
        AIRCRAFT("aircraft"),
        SATELLITE("satellite"),
        METEOR("meteor");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final int LEAST_PIECES = 16;
    private static final int MOST_PIECES = 160;
    private static final int LEAST_FLASHES = 3;
    private static final double FADED = 0.6;
    /** A flash stands out of the line before and after it by so much of its light. */
    private static final double FLASH = 0.35;

    private static final double UNEVEN = 0.25;
    private static final double EVENLY = 0.7;

    /** A meteor flares up and dies, an aircraft flashes, a satellite is even. */
    public Kind kind() {
        return flashes >= LEAST_FLASHES ? Kind.AIRCRAFT : fades ? Kind.METEOR : Kind.SATELLITE;
    }

    /** How the light goes along a long patch of it; empty for an edge, whose one side is as bright as itself. */
    static Optional<Line> of(Spot s, Pixels pixels, double length) {
        double angle = Math.atan2(2 * s.xy(), s.xx() - s.yy()) / 2;
        double aside = 4 + 3 * Math.sqrt(Math.max(0, s.shorter()));
        int pieces = (int) Math.max(LEAST_PIECES, Math.min(MOST_PIECES, length / 2));
        double[] along = new double[pieces];
        double lightest = 0;
        double darkest = 0;
        double sum = 0;
        for (int i = 0; i < pieces; i++) {
            double by = length * ((i + 0.5) / pieces - 0.5);
            for (int off = -2; off <= 2; off++) {
                along[i] = Math.max(along[i], at(s, pixels, angle, by, off));
            }
            double one = at(s, pixels, angle, by, aside);
            double other = at(s, pixels, angle, by, -aside);
            lightest += Math.max(one, other);
            darkest += Math.min(one, other);
            sum += along[i];
            along[i] = Math.max(0, along[i] - (one + other) / 2);
        }
        if (sum - lightest < lightest - darkest) {
            return Optional.empty();
        }
        double[] sorted = along.clone();
        Arrays.sort(sorted);
        double most = sorted[pieces * 4 / 5]; // stars on its way are brighter
        double begin = end(along, 0, 1);
        double end = end(along, pieces - 1, -1);
        double degrees = Math.toDegrees(angle);
        return Optional.of(new Line(
                s.x(),
                s.y(),
                length,
                degrees < 0 ? degrees + 180 : degrees,
                flashes(along),
                begin < FADED * most && end < FADED * most,
                s.burnt()));
    }

    /** Mean of the last twentieth of it, beside its very end, which a star may touch. */
    private static double end(double[] along, int from, int step) {
        double sum = 0;
        for (int i = 1; i < 4; i++) {
            sum += along[from + i * step];
        }
        return sum / 3;
    }

    /** Up and down again by a good part of the height: once for every flash. Those of stars on the way are not evenly apart. */
    private static int flashes(double[] along) {
        List<Integer> at = new ArrayList<>();
        double low = along[0];
        double high = along[0];
        boolean rising = false;
        int top = 0;
        for (int i = 0; i < along.length; i++) {
            double a = along[i];
            if (rising) {
                top = a > high ? i : top;
                high = Math.max(high, a);
                if (a < (1 - FLASH) * high) {
                    at.add(top);
                    rising = false;
                    low = a;
                }
            } else {
                low = Math.min(low, a);
                if (low < (1 - FLASH) * a) {
                    rising = true;
                    high = a;
                    top = i;
                }
            }
        }
        if (at.size() < LEAST_FLASHES) {
            return at.size();
        }
        double[] apart = IntStream.range(1, at.size())
                .mapToDouble(i -> at.get(i) - at.get(i - 1))
                .toArray();
        double usual = Median.of(apart);
        long even = Arrays.stream(apart)
                .filter(d -> Math.abs(d - usual) <= Math.max(1, UNEVEN * usual))
                .count();
        return even >= EVENLY * apart.length ? at.size() : 0;
    }

    private static double at(Spot s, Pixels pixels, double angle, double along, double aside) {
        int x = (int) Math.round(s.x() + along * Math.cos(angle) - aside * Math.sin(angle) - 0.5);
        int y = (int) Math.round(s.y() + along * Math.sin(angle) + aside * Math.cos(angle) - 0.5);
        boolean inside = x >= 0 && y >= 0 && x < pixels.width() && y < pixels.height();
        return inside ? pixels.light()[y * pixels.width() + x] : 0;
    }
}
