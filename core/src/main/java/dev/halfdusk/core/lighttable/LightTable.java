package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.optics.Framing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads a frame: its stars, its sky, where it looked. A picture of 24 megapixels takes two seconds on two cores. */
public final class LightTable {

    /** A smaller moon is one of the lights of a landscape. */
    private static final double MOON = 0.02;

    private static final double HOT_VARIANCE = 0.12;
    private static final double LINE = 0.02;
    private static final double THIN = 40;
    private static final int PIECES = 16;
    private static final double FADED = 0.6;

    private LightTable() {}

    public static FrameReading read(Pixels pixels, Known known) {
        SpotFinder.Found all = SpotFinder.in(pixels);
        double usual = ShapeFit.median(all.spots().stream()
                .limit(400)
                .mapToDouble(s -> Math.sqrt(s.longer()))
                .toArray());
        double longest = Math.max(LINE * Math.hypot(pixels.width(), pixels.height()), 8 * usual);
        List<FrameReading.Line> lines = new ArrayList<>();
        List<Spot> stars = new ArrayList<>();
        int hot = 0;
        for (Spot s : all.spots()) {
            double length = Math.sqrt(12 * s.longer());
            if (length > longest) {
                if (s.longer() > THIN * s.shorter()) {
                    line(s, pixels, length).ifPresent(lines::add);
                }
            } else if (s.longer() < HOT_VARIANCE) {
                hot++;
            } else {
                stars.add(s);
            }
        }
        SpotFinder.Found found = new SpotFinder.Found(stars, all.noise());
        Encoding encoding = StarField.encoding(pixels, found);
        Optional<Aim> aim = aim(stars, pixels, known);
        List<Part> parts = StarField.parts(pixels, found, encoding, known, aim);
        Optional<Framing> framing = StarField.framing(known, aim);
        SkyReading sky = SkyReading.of(pixels, all.noise(), encoding, known, framing);
        long brighter = stars.size() / 2;
        double burnt = brighter == 0
                ? 0
                : stars.stream().limit(brighter).filter(Spot::burnt).count() / (double) brighter;
        Optional<MoonReading> moon = MoonReading.of(pixels, encoding).filter(m -> m.radiusPx() > MOON * pixels.width());
        return new FrameReading(
                pixels.width(),
                pixels.height(),
                encoding,
                stars.size(),
                burnt,
                hot,
                parts,
                sky,
                aim,
                moon,
                Twins.among(stars),
                lines,
                known);
    }

    private static Optional<Aim> aim(List<Spot> stars, Pixels pixels, Known known) {
        if (known.lens().isEmpty()
                || known.aim().isEmpty()
                || known.moment().isEmpty()
                || known.site().isEmpty()) {
            return Optional.empty();
        }
        return PlateSolver.solve(
                stars,
                pixels,
                known.lens().get(),
                known.aim().get(),
                known.moment().get(),
                known.observer().orElseThrow());
    }

    /** How the light goes along a line; empty for an edge, whose one side is as bright as itself. */
    private static Optional<FrameReading.Line> line(Spot s, Pixels pixels, double length) {
        double angle = Math.atan2(2 * s.xy(), s.xx() - s.yy()) / 2;
        double aside = 4 + 3 * Math.sqrt(Math.max(0, s.shorter()));
        double[] along = new double[PIECES];
        double lightest = 0;
        double darkest = 0;
        double sum = 0;
        for (int i = 0; i < PIECES; i++) {
            double by = length * ((i + 0.5) / PIECES - 0.5);
            for (int off = -2; off <= 2; off++) {
                along[i] = Math.max(along[i], at(s, pixels, angle, by, off));
            }
            double one = at(s, pixels, angle, by, aside);
            double other = at(s, pixels, angle, by, -aside);
            lightest += Math.max(one, other);
            darkest += Math.min(one, other);
            sum += along[i];
        }
        if (sum - lightest < lightest - darkest) {
            return Optional.empty();
        }
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 2; i < PIECES - 2; i++) {
            least = Math.min(least, along[i]);
            most = Math.max(most, along[i]);
        }
        boolean fades = along[0] < FADED * most && along[PIECES - 1] < FADED * most;
        double degrees = Math.toDegrees(angle);
        return Optional.of(new FrameReading.Line(
                s.x(), s.y(), length, degrees < 0 ? degrees + 180 : degrees, most == 0 ? 0 : least / most, fades));
    }

    private static double at(Spot s, Pixels pixels, double angle, double along, double aside) {
        int x = (int) Math.round(s.x() + along * Math.cos(angle) - aside * Math.sin(angle) - 0.5);
        int y = (int) Math.round(s.y() + along * Math.sin(angle) + aside * Math.cos(angle) - 0.5);
        boolean inside = x >= 0 && y >= 0 && x < pixels.width() && y < pixels.height();
        return inside ? pixels.light()[y * pixels.width() + x] : 0;
    }
}
