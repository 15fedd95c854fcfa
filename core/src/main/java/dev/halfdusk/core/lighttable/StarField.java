package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Site;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The shapes of stars all over a frame. */
final class StarField {

    private static final int ACROSS = 3;
    /** A corner reaches so far, as a share of width and height. */
    private static final double CORNER = 0.22;
    /** Another curve must fit so much better than the one that the file says. */
    private static final double CLEARLY = 0.7;

    private StarField() {}

    /**
     * The curve under which faint and bright stars are of one shape: the file's own unless another fits clearly better. A frame without stars
     * keeps its own.
     */
    static Encoding encoding(Pixels pixels, SpotFinder.Found found) {
        Encoding said = pixels.encoding();
        if (said == Encoding.LINEAR) {
            return said;
        }
        Encoding best = said;
        double least = 0;
        for (Encoding e : List.of(said, Encoding.SRGB, Encoding.CAMERA, Encoding.LINEAR)) {
            if (e == said && least > 0 || e == Encoding.LINEAR && pixels.compressed()) {
                continue;
            }
            Optional<ShapeFit.Result> r = new ShapeFit(pixels, found.noise(), e).of(found.spots(), found.spots());
            if (r.isEmpty()) {
                return said;
            }
            double misses = r.get().misfit() * r.get().shape().oddness() / (e == said ? 1 : CLEARLY);
            if (least == 0 || misses < least) {
                best = e;
                least = misses;
            }
        }
        return best;
    }

    /** Nine parts, then the four corners: top left, top right, bottom left, bottom right. */
    static List<Part> parts(Pixels pixels, SpotFinder.Found found, Encoding encoding, Known known, Optional<Aim> aim) {
        ShapeFit fit = new ShapeFit(pixels, found.noise(), encoding);
        Optional<Framing> framing = framing(known, aim);
        List<double[]> places = new ArrayList<>();
        for (int row = 0; row < ACROSS; row++) {
            for (int column = 0; column < ACROSS; column++) {
                places.add(new double[] {(column + 0.5) / ACROSS, (row + 0.5) / ACROSS, 0.5 / ACROSS});
            }
        }
        for (double y : new double[] {CORNER / 2, 1 - CORNER / 2}) {
            for (double x : new double[] {CORNER / 2, 1 - CORNER / 2}) {
                places.add(new double[] {x, y, CORNER / 2});
            }
        }
        return places.parallelStream()
                .map(p -> {
                    Predicate<Spot> inside = s -> Math.abs(s.x() / pixels.width() - p[0]) <= p[2]
                            && Math.abs(s.y() / pixels.height() - p[1]) <= p[2];
                    List<Spot> part = found.spots().stream().filter(inside).toList();
                    Optional<StarShape> shape = shape(fit, part, found.spots());
                    return new Part(
                            p[0], p[1], shape, framing.flatMap(f -> drift(f, known, p[0], p[1], pixels.width())));
                })
                .toList();
    }

    /** Of the whole frame at once; where stars stand twice, as such. */
    static Optional<StarShape> shape(ShapeFit fit, List<Spot> part, List<Spot> all) {
        return fit.of(part, all).map(r -> {
            if (r.shape().lengthPx() < 1.5 * r.shape().widthPx()) {
                return r.shape();
            }
            return fit.twice(part, all, r.profile())
                    .filter(t -> t.misfit() < CLEARLY * r.misfit())
                    .map(ShapeFit.Result::shape)
                    .orElse(r.shape());
        });
    }

    /** Where it looked, by its stars if they were recognised, else as it was meant to. */
    static Optional<Framing> framing(Known known, Optional<Aim> aim) {
        return aim.map(Aim::framing)
                .or(() -> known.lens()
                        .flatMap(l -> known.aim()
                                .map(a -> Framing.of(
                                        l,
                                        a,
                                        known.planned()
                                                .map(Known.Planned::rollDeg)
                                                .orElse(0.0)))));
    }

    private static Optional<Part.Drift> drift(Framing framing, Known known, double x, double y, int width) {
        if (known.settings().isEmpty() || known.site().isEmpty()) {
            return Optional.empty();
        }
        Sensor sensor = framing.optics().sensor();
        Point from = new Point((x - 0.5) * sensor.widthMm(), (y - 0.5) * sensor.heightMm());
        if (!framing.draws(from)) {
            return Optional.empty();
        }
        Site site = known.site().get();
        double rate = 1 - known.support().kind().arcsecPerSecond() / Sidereal.ARCSEC_PER_SECOND;
        Vector later = Sidereal.later(framing.see(from), Sidereal.northPole(site), known.seconds() * rate);
        return framing.project(later).map(to -> {
            double dx = (to.x() - from.x()) / Known.pixelMm(framing.optics(), width);
            double dy = (to.y() - from.y()) / Known.pixelMm(framing.optics(), width);
            double angle = Math.toDegrees(Math.atan2(dy, dx));
            return new Part.Drift(Math.hypot(dx, dy), (angle + 360) % 180);
        });
    }

    /** The parts of a frame that have a shape, the least drawn out first. */
    static List<Part> shaped(List<Part> parts) {
        return parts.stream()
                .filter(p -> p.shape().isPresent())
                .sorted(Comparator.comparingDouble(p -> p.shape().orElseThrow().lengthPx()))
                .toList();
    }
}
