package dev.halfdusk.core.exposure;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Optics;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How far stars move on the sensor while the shutter is open, all over the frame: the real sky turned about the real
 * pole, through the real projection, at the beginning and at the end. Points that look below the level horizon are left
 * out, unless nothing else is in the frame.
 */
public final class DriftField {

    private static final int COLUMNS = 13;
    private static final int ROWS = 9;

    private final double seconds;
    private final List<Drift> drifts;
    private final Drift worst;
    private final double medianPx;

    private DriftField(double seconds, List<Drift> drifts) {
        this.seconds = seconds;
        this.drifts = List.copyOf(drifts);
        worst = drifts.stream().max(Comparator.comparingDouble(Drift::px)).orElseThrow();
        double[] sorted = drifts.stream().mapToDouble(Drift::px).sorted().toArray();
        int half = sorted.length / 2;
        medianPx = sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }

    /**
     * The way of one star.
     *
     * @param from where it starts in the picture, mm
     * @param to where it ends
     * @param px length of the way in pixels
     */
    public record Drift(Point from, Point to, double px) {}

    /** @param latitudeDeg of the place, which sets where the pole stands */
    public static DriftField of(Framing framing, double latitudeDeg, double seconds) {
        List<Drift> sky = drifts(framing, latitudeDeg, seconds, true);
        return new DriftField(seconds, sky.isEmpty() ? drifts(framing, latitudeDeg, seconds, false) : sky);
    }

    private static List<Drift> drifts(Framing framing, double latitudeDeg, double seconds, boolean onlySky) {
        Vector pole = Framing.direction(0, latitudeDeg);
        Optics optics = framing.optics();
        List<Drift> drifts = new ArrayList<>();
        for (int row = 0; row < ROWS; row++) {
            for (int column = 0; column < COLUMNS; column++) {
                Point from = new Point(
                        optics.sensor().widthMm() * ((double) column / (COLUMNS - 1) - 0.5),
                        optics.sensor().heightMm() * ((double) row / (ROWS - 1) - 0.5));
                Vector star = framing.see(from);
                if (onlySky && star.z() < 0) {
                    continue;
                }
                // the sky turns against the earth, from east to west
                Optional<Point> to = framing.project(star.turnedAbout(pole, -Sidereal.RADIANS_PER_SECOND * seconds));
                if (to.isPresent()) {
                    double mm = Math.hypot(to.get().x() - from.x(), to.get().y() - from.y());
                    drifts.add(new Drift(
                            from, to.get(), mm * 1000 / optics.sensor().pitchUm()));
                }
            }
        }
        return drifts;
    }

    /**
     * The longest time in which no star in the frame drifts by more than so many pixels, by repeated proportion; drift
     * grows almost evenly with time, so a few rounds settle it to 0.1 %. At most four hours.
     */
    public static double longestSeconds(Framing framing, double latitudeDeg, double tolerancePx) {
        double limit = Range.SHUTTER.max();
        double seconds = 10;
        for (int round = 0; round < 5; round++) {
            double px = of(framing, latitudeDeg, seconds).worst().px();
            seconds = px == 0 ? limit : Math.min(limit, seconds * tolerancePx / px);
        }
        return seconds;
    }

    public double seconds() {
        return seconds;
    }

    public List<Drift> drifts() {
        return drifts;
    }

    public Drift worst() {
        return worst;
    }

    public double medianPx() {
        return medianPx;
    }

    /** Where in the picture the worst drift is: "top left", "centre". */
    public String worstWhere(Framing framing) {
        double x = worst.from.x() / framing.optics().sensor().widthMm();
        double y = worst.from.y() / framing.optics().sensor().heightMm();
        String vertical = y < -0.17 ? "top" : y > 0.17 ? "bottom" : "";
        String horizontal = x < -0.17 ? "left" : x > 0.17 ? "right" : "";
        String both = (vertical + " " + horizontal).trim();
        return both.isEmpty() ? "centre" : both;
    }
}
