package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Sidereal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * How far stars move on the sensor while the shutter is open, all over the frame: the real sky turned about the real
 * pole, through the real projection, at the beginning and at the end. The worst is looked for more closely. Points that look below the level horizon are left
 * out, unless nothing else is in the frame.
 */
public final class DriftField {

    private static final int COLUMNS = 13;
    private static final int ROWS = 9;
    private static final int FINER = 4;

    /** Parts of the frame are told from so many points each way for one of the grid: a share then lies within 1 % of that of any finer grid. */
    private static final int SHARES = 3;

    private final double seconds;
    private final List<Drift> drifts;
    private final Drift worst;
    private final double aimPx;
    private final Turn turn;
    private final boolean onlySky;

    private DriftField(Turn turn, boolean onlySky, List<Drift> drifts, Drift worst, double aimPx) {
        this.turn = turn;
        this.onlySky = onlySky;
        seconds = turn.seconds;
        this.drifts =
                drifts.stream().sorted(Comparator.comparingDouble(Drift::px)).toList();
        this.worst = worst;
        this.aimPx = aimPx;
    }

    /**
     * The way of one star.
     *
     * @param from where it starts in the picture, mm
     * @param to where it ends
     * @param px length of the way in pixels
     * @param area of the frame that it speaks for: 1 inside, a half at an edge, a quarter in a corner
     */
    public record Drift(Point from, Point to, double px, double area) {}

    /** @param latitudeDeg of the place, which sets where the pole stands */
    public static DriftField of(Framing framing, double latitudeDeg, double seconds) {
        Turn turn = Turn.of(framing, latitudeDeg, seconds);
        List<Drift> drifts = grid(turn, true, 1);
        boolean onlySky = !drifts.isEmpty();
        if (!onlySky) {
            drifts = grid(turn, false, 1);
        }
        Drift worst = drifts.stream().max(Comparator.comparingDouble(Drift::px)).orElseThrow();
        double aimPx = turn.at(0, 0, false).map(Drift::px).orElse(worst.px);
        return new DriftField(turn, onlySky, drifts, closer(turn, worst, onlySky), aimPx);
    }

    private static List<Drift> grid(Turn turn, boolean onlySky, int finer) {
        return stars(turn.framing, onlySky, finer).stream()
                .flatMap(s -> turn.of(s).stream())
                .toList();
    }

    /** What is seen at points all over the frame; none of ground and where the lens draws nothing. */
    private static List<Star> stars(Framing framing, boolean onlySky, int finer) {
        List<Star> stars = new ArrayList<>();
        int columns = finer * (COLUMNS - 1);
        int rows = finer * (ROWS - 1);
        for (int row = 0; row <= rows; row++) {
            for (int column = 0; column <= columns; column++) {
                Star.at(framing, (double) column / columns - 0.5, (double) row / rows - 0.5, onlySky)
                        .ifPresent(stars::add);
            }
        }
        return stars;
    }

    /** The worst may lie between the points of the grid, on a horizon that cuts through a cell: looks around it. */
    private static Drift closer(Turn turn, Drift about, boolean onlySky) {
        Drift worst = about;
        Sensor sensor = turn.framing.optics().sensor();
        double x0 = about.from.x() / sensor.widthMm();
        double y0 = about.from.y() / sensor.heightMm();
        for (int i = -FINER; i <= FINER; i++) {
            for (int j = -FINER; j <= FINER; j++) {
                double x = Math.max(-0.5, Math.min(0.5, x0 + (double) i / FINER / (COLUMNS - 1)));
                double y = Math.max(-0.5, Math.min(0.5, y0 + (double) j / FINER / (ROWS - 1)));
                Optional<Drift> drift = turn.at(x, y, onlySky);
                if (drift.isPresent() && drift.get().px > worst.px) {
                    worst = drift.get();
                }
            }
        }
        return worst;
    }

    /**
     * A star in the frame before the sky has turned.
     *
     * @param area of the frame that it speaks for, as that of a drift
     */
    private record Star(Point from, Vector seen, double area) {

        /** At a share of width and height from the centre. */
        static Optional<Star> at(Framing framing, double x, double y, boolean onlySky) {
            Sensor sensor = framing.optics().sensor();
            Point from = new Point(sensor.widthMm() * x, sensor.heightMm() * y);
            Vector seen = framing.see(from);
            double area = (Math.abs(x) < 0.5 ? 1 : 0.5) * (Math.abs(y) < 0.5 ? 1 : 0.5);
            return !framing.draws(from) || onlySky && seen.z() < 0
                    ? Optional.empty()
                    : Optional.of(new Star(from, seen, area));
        }
    }

    /**
     * The sky turning against the earth, from east to west, in front of a camera.
     *
     * @param later as if the camera had been turned instead, the other way
     */
    private record Turn(Framing framing, Framing later, double seconds) {

        static Turn of(Framing framing, double latitudeDeg, double seconds) {
            Vector pole = new Direction(0, latitudeDeg).vector();
            return new Turn(framing, framing.turnedAbout(pole, Sidereal.RADIANS_PER_SECOND * seconds), seconds);
        }

        /** The way of a star; empty where it leaves the lens. */
        Optional<Drift> of(Star star) {
            return later.project(star.seen).map(to -> {
                double x = to.x() - star.from.x();
                double y = to.y() - star.from.y();
                double mm = Math.sqrt(x * x + y * y); // hypot takes as long as all the rest
                return new Drift(
                        star.from, to, mm * 1000 / framing.optics().sensor().pitchUm(), star.area);
            });
        }

        Optional<Drift> at(double x, double y, boolean onlySky) {
            return Star.at(framing, x, y, onlySky).flatMap(this::of);
        }
    }

    /**
     * The longest time in which the stars that matter drift by no more than so many pixels, by repeated proportion; drift
     * grows almost evenly with time, so a few rounds settle it to 0.1 %. At most four hours.
     */
    public static double longestSeconds(Framing framing, double latitudeDeg, double tolerancePx, Sharp who) {
        double limit = Range.SHUTTER.max();
        ToDoubleFunction<Turn> drift = drift(framing, latitudeDeg, who);
        double seconds = 10;
        for (int round = 0; round < 5; round++) {
            double px = drift.applyAsDouble(Turn.of(framing, latitudeDeg, seconds));
            double next = px == 0 ? limit : Math.min(limit, seconds * tolerancePx / px);
            boolean settled = Math.abs(next / seconds - 1) < SETTLED;
            seconds = next;
            if (settled) {
                break;
            }
        }
        return seconds;
    }

    /** Of a share of the frame the same stars are followed for longer or shorter. */
    private static ToDoubleFunction<Turn> drift(Framing framing, double latitudeDeg, Sharp who) {
        if (who.share().isEmpty()) {
            return turn -> of(framing, latitudeDeg, turn.seconds).px(who);
        }
        List<Star> fine = stars(framing, !stars(framing, true, 1).isEmpty(), SHARES);
        return turn -> within(who.share().getAsDouble(), fine, turn);
    }

    /** A round that changes less than this is the last. */
    private static final double SETTLED = 2e-4;

    /** Drift that none of the stars that matter exceeds, pixels. */
    public double px(Sharp who) {
        return switch (who) {
            case ALL -> worst.px;
            case AIM -> aimPx;
            default -> within(who.share().orElseThrow(), stars(turn.framing, onlySky, SHARES), turn);
        };
    }

    /** The drift that so large a share of the frame's sky does not exceed. */
    private static double within(double share, List<Star> fine, Turn turn) {
        Drift[] ways = new Drift[fine.size()];
        int n = 0;
        double wanted = 0;
        for (Star star : fine) {
            Optional<Drift> way = turn.of(star);
            if (way.isPresent()) {
                ways[n++] = way.get();
                wanted += share * star.area;
            }
        }
        Arrays.sort(ways, 0, n, Comparator.comparingDouble(Drift::px));
        double area = 0;
        Drift before = ways[0];
        for (int i = 0; i < n; i++) { // each speaks for the area around it, half of it on either side
            Drift d = ways[i];
            double middle = area + d.area / 2;
            if (middle >= wanted) {
                double from = area - before.area / 2;
                double part = middle > from ? (wanted - from) / (middle - from) : 1;
                return before.px + Math.max(0, Math.min(1, part)) * (d.px - before.px);
            }
            area += d.area;
            before = d;
        }
        return before.px;
    }

    public double seconds() {
        return seconds;
    }

    /** The least first. */
    public List<Drift> drifts() {
        return drifts;
    }

    public Drift worst() {
        return worst;
    }

    public double medianPx() {
        return px(Sharp.HALF);
    }

    /** Where in the picture the worst drift is: "top left", "centre". */
    public String worstWhere(Framing framing) {
        return where(worst.from, framing);
    }

    static String where(Point point, Framing framing) {
        double x = point.x() / framing.optics().sensor().widthMm();
        double y = point.y() / framing.optics().sensor().heightMm();
        String vertical = y < -0.17 ? "top" : y > 0.17 ? "bottom" : "";
        String horizontal = x < -0.17 ? "left" : x > 0.17 ? "right" : "";
        String both = (vertical + " " + horizontal).trim();
        return both.isEmpty() ? "centre" : both;
    }
}
