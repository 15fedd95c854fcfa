package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.exposure.Tone;
import dev.halfdusk.core.frame.CameraCurve;
import dev.halfdusk.core.measure.Linear;
import dev.halfdusk.core.measure.Median;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * The sky of a frame, without its stars.
 *
 * @param peak of the histogram on the axis of the sRGB curve, 0 to 1, beside dark land
 * @param middle where the sky in the frame's middle stands on that axis, which the lens's fall-off does not touch
 * @param peaks the same of red, green and blue
 * @param gap from the left edge to where the histogram begins to rise, 0 to 1
 * @param histograms of red, green and blue on that axis, shares of the pixels
 * @param clippedLow share of the pixels that are black
 * @param clippedHigh share that is burnt in a colour
 * @param magnitude of the sky in the middle, V mag/arcsec²; empty without settings or lens
 * @param magnitudeError standard error of that
 * @param gradientStops by which the brighter side is brighter than the other, the lens's fall-off taken out
 * @param gradientDeg towards the brighter side, from +x towards +y, 0 to 360
 * @param contrast by how much the Milky Way's band is brighter than the sky beside it, as a share; empty where it is not in the frame or the
 *     frame's direction is not known
 * @param magenta green against red and blue: above 0 purple, below 0 green, as a share of the sky
 * @param noise of a pixel against the sky's level, as a share
 * @param fallOffStops by which the corners are darker than the middle, as a bowl: the lens's, and what of the sky looks like it
 * @param banding of rows or columns against those beside them, beyond their noise, as a share of the sky
 */
public record SkyReading(
        double peak,
        double middle,
        double[] peaks,
        double gap,
        double[][] histograms,
        double clippedLow,
        double clippedHigh,
        OptionalDouble magnitude,
        double magnitudeError,
        double gradientStops,
        double gradientDeg,
        OptionalDouble contrast,
        double magenta,
        double noise,
        double fallOffStops,
        double banding) {

    static final int BINS = 128;
    private static final int LOWEST = BINS / 32;
    private static final double RISES = 0.002;
    private static final double MIDDLE = 0.15;
    private static final double LAND = 0.4;
    private static final double OWN_BODY = 0.12;
    private static final double USUAL_BODY = 0.35;
    private static final double CURVE = 0.4;
    private static final double IN_BAND_DEG = 6;
    private static final double BESIDE_FROM_DEG = 14;
    private static final double BESIDE_TO_DEG = 26;
    private static final double LOWEST_DEG = 8;
    private static final int LEAST_PLACES = 30;
    private static final double TO_MAGNITUDE = 2.5;
    private static final double OF_MEDIAN = 1.4826;

    static SkyReading of(Pixels pixels, Background noise, Encoding encoding, Known known, Optional<Framing> framing) {
        double[] peaks = new double[3];
        double[][] histograms = new double[3][];
        double black = encoding == Encoding.CAMERA ? black(pixels, encoding) : 0;
        for (int c = 0; c < 3; c++) {
            histograms[c] = pixels.histogram(c, encoding, black, BINS);
            peaks[c] = peak(histograms[c]);
        }
        double[] middle = new double[3];
        for (int c = 0; c < 3; c++) {
            middle[c] = middle(pixels, encoding, c);
        }
        double[] plane = plane(pixels, encoding);
        OptionalDouble magnitude = magnitude(middle[1] + black * (1 - middle[1]), known);
        double sky = Math.max(1e-9, 0.25 * (middle[0] + 2 * middle[1] + middle[2]));
        double level = noise.levelAt(pixels.width() / 2.0, pixels.height() / 2.0);
        double spread = noise.sigmaAt(pixels.width() / 2.0, pixels.height() / 2.0);
        double noisy = encoding.light((level + spread) / Encoding.WHITE) - encoding.light(level / Encoding.WHITE);
        double sides = (middle[0] + middle[2]) / 2;
        return new SkyReading(
                peaks[1],
                Tone.position(middle[1] + black * (1 - middle[1])),
                peaks,
                gap(histograms[1]),
                histograms,
                pixels.clippedLow(),
                pixels.clippedHigh(),
                magnitude,
                Math.hypot(known.body().isPresent() ? OWN_BODY : USUAL_BODY, encoding == Encoding.LINEAR ? 0 : CURVE),
                Math.hypot(plane[1], plane[2]),
                (Math.toDegrees(Math.atan2(plane[2], plane[1])) + 360) % 360,
                contrast(pixels, encoding, known, framing, plane),
                (sides - middle[1]) / Math.max(1e-9, (sides + middle[1]) / 2),
                noisy / sky,
                -plane[3] / 2,
                Math.max(
                        banding(pixels, noise, encoding, pixels.height(), pixels.width(), pixels.width(), 1),
                        banding(pixels, noise, encoding, pixels.width(), pixels.height(), 1, pixels.width())));
    }

    /** Spread of the means of lines against the two beside them, beyond what noise makes of it. */
    private static double banding(
            Pixels pixels, Background noise, Encoding encoding, int lines, int length, int next, int along) {
        double[] means = new double[lines];
        double[] spreads = new double[lines];
        float[] table = encoding.table();
        char[] light = pixels.light();
        double usual = noise.levelAt(pixels.width() / 2.0, pixels.height() / 2.0);
        double sigma = noise.sigmaAt(pixels.width() / 2.0, pixels.height() / 2.0);
        char most = (char) Math.min(Encoding.WHITE, usual + 4 * sigma);
        IntStream.range(0, lines).parallel().forEach(i -> {
            double sum = 0;
            double square = 0;
            int n = 0;
            for (int k = length / 4;
                    k < length - length / 4;
                    k++) { // the middle, where the sky is even and land is rare
                char c = light[i * next + k * along];
                if (c <= most) {
                    sum += table[c];
                    square += (double) table[c] * table[c];
                    n++;
                }
            }
            means[i] = n < LEAST_PLACES ? Double.NaN : sum / n;
            spreads[i] = n < LEAST_PLACES ? 0 : Math.max(0, square / n - means[i] * means[i]) / n;
        });
        double[] off = new double[lines];
        double expected = 0;
        int count = 0;
        for (int i = 1; i < lines - 1; i++) {
            double d = means[i] - (means[i - 1] + means[i + 1]) / 2;
            if (!Double.isNaN(d)) {
                off[count++] = Math.abs(d);
                expected += spreads[i] + (spreads[i - 1] + spreads[i + 1]) / 4;
            }
        }
        if (count < LEAST_PLACES) {
            return 0;
        }
        double found = OF_MEDIAN * Median.of(Arrays.copyOf(off, count));
        double beyond = found * found - expected / count;
        double level = encoding.light(usual / Encoding.WHITE);
        return beyond <= 0 || level <= 0 ? 0 : Math.sqrt(beyond / 1.5) / level;
    }

    /** Where most pixels are beside the darkest, between bins by a parabola. */
    private static double peak(double[] histogram) {
        int best = LOWEST;
        double[] smooth = histogram.clone();
        for (int i = 1; i < BINS - 1; i++) {
            smooth[i] = (histogram[i - 1] + 2 * histogram[i] + histogram[i + 1]) / 4;
        }
        for (int i = LOWEST; i < BINS - 1; i++) {
            best = smooth[i] > smooth[best] ? i : best;
        }
        double down = smooth[best - 1];
        double up = smooth[best + 1];
        double curve = down - 2 * smooth[best] + up;
        double off = curve == 0 ? 0 : Math.max(-0.5, Math.min(0.5, (down - up) / (2 * curve)));
        return (best + 0.5 + off) / BINS;
    }

    private static double gap(double[] histogram) {
        double sum = 0;
        for (int i = 0; i < BINS; i++) {
            sum += histogram[i];
            if (sum > RISES) {
                return (double) i / BINS;
            }
        }
        return 1;
    }

    /** What a camera's curve took off as black, as a share of white. */
    private static double black(Pixels pixels, Encoding encoding) {
        float[] green = pixels.coarse(1).clone();
        Arrays.sort(green);
        return CameraCurve.blackBefore(IntStream.range(0, green.length)
                .mapToDouble(i -> encoding.light(green[i]))
                .toArray());
    }

    private static double middle(Pixels pixels, Encoding encoding, int channel) {
        int across = pixels.coarseWidth();
        int down = pixels.coarseHeight();
        float[] all = pixels.coarse(channel);
        double radius = MIDDLE * Math.hypot(across, down);
        double[] inside = new double[all.length];
        int count = 0;
        for (int y = 0; y < down; y++) {
            for (int x = 0; x < across; x++) {
                if (Math.hypot(x - across / 2.0, y - down / 2.0) < radius) {
                    inside[count++] = all[y * across + x];
                }
            }
        }
        return encoding.light(Median.of(Arrays.copyOf(inside, Math.max(1, count))));
    }

    private static OptionalDouble magnitude(double light, Known known) {
        if (known.settings().isEmpty() || known.lens().isEmpty() || light <= 0) {
            return OptionalDouble.empty();
        }
        Settings s = known.settings().get();
        Response response = known.response().orElseThrow();
        double pitch = known.pitchUm(known.lens().get());
        double perSecond = light * response.saturationE(s.iso()) / s.seconds();
        double atZero = SkyElectrons.perSecond(0, s.aperture(), pitch, known.efficiency());
        return OptionalDouble.of(TO_MAGNITUDE * Math.log10(atZero / perSecond));
    }

    /** log2 of the sky's light as a plane and a bowl: constant, across the width, down the height, outwards; land left out. */
    private static double[] plane(Pixels pixels, Encoding encoding) {
        int across = pixels.coarseWidth();
        int down = pixels.coarseHeight();
        float[] green = pixels.coarse(1);
        float[] sorted = green.clone();
        Arrays.sort(sorted);
        double typical = encoding.light(sorted[sorted.length * 6 / 10]);
        double[][] m = new double[4][5];
        for (int round = 0; round < 3; round++) {
            double[] found = {m[0][4], m[1][4], m[2][4], m[3][4]};
            m = new double[4][5];
            int every = Math.max(1, Math.min(across, down) / 60);
            for (int y = 0; y < down; y += every) {
                for (int x = 0; x < across; x += every) {
                    double light = encoding.light(green[y * across + x]);
                    if (light < LAND * typical || light > 0.9) {
                        continue;
                    }
                    double u = (x + 0.5) / across - 0.5;
                    double v = (y + 0.5) / down - 0.5;
                    double[] row = {1, u, v, u * u + v * v};
                    double value = Math.log(light) / Math.log(2);
                    double off = round == 0 ? 0 : value - found[0] - found[1] * u - found[2] * v - found[3] * row[3];
                    double weight = 1 / (1 + off * off / (0.2 * 0.2));
                    Linear.add(m, weight, row, value);
                }
            }
            if (!Linear.solve(m)) {
                return new double[4];
            }
        }
        return new double[] {m[0][4], m[1][4], m[2][4], m[3][4]};
    }

    /** Band against sky beside it, after the frame's plane and bowl are taken out. */
    private static OptionalDouble contrast(
            Pixels pixels, Encoding encoding, Known known, Optional<Framing> framing, double[] plane) {
        Optional<Moment> moment = known.moment();
        if (framing.isEmpty() || moment.isEmpty() || known.site().isEmpty()) {
            return OptionalDouble.empty();
        }
        int across = pixels.coarseWidth();
        int down = pixels.coarseHeight();
        int every = Math.max(1, Math.min(across, down) / 60);
        double[] band = new double[across * down];
        double[] beside = new double[across * down];
        int bands = 0;
        int besides = 0;
        double pitch = Known.pixelMm(framing.get().optics(), pixels.width()) * Pixels.COARSE;
        for (int y = 0; y < down; y += every) {
            for (int x = 0; x < across; x += every) {
                Vector seen = framing.get()
                        .see(new Framing.Point((x + 0.5 - across / 2.0) * pitch, (y + 0.5 - down / 2.0) * pitch));
                if (seen.latitudeDeg() < LOWEST_DEG) {
                    continue;
                }
                double latitude = Math.abs(Galaxy.latitudeDeg(
                        moment.get().icrs(seen, known.observer().orElseThrow())));
                double u = (x + 0.5) / across - 0.5;
                double v = (y + 0.5) / down - 0.5;
                double light = encoding.light(pixels.coarse(1)[y * across + x])
                        / Math.pow(2, plane[1] * u + plane[2] * v + plane[3] * (u * u + v * v));
                if (latitude < IN_BAND_DEG) {
                    band[bands++] = light;
                } else if (latitude > BESIDE_FROM_DEG && latitude < BESIDE_TO_DEG) {
                    beside[besides++] = light;
                }
            }
        }
        if (bands < LEAST_PLACES || besides < LEAST_PLACES) {
            return OptionalDouble.empty();
        }
        double in = Median.of(Arrays.copyOf(band, bands));
        double out = Median.of(Arrays.copyOf(beside, besides));
        return OptionalDouble.of(in / out - 1);
    }
}
