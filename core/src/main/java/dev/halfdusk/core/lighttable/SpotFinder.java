package dev.halfdusk.core.lighttable;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Finds patches of light: means of 3 × 3 pixels that stand out of the sky by five times their noise, with what touches them. What is larger
 * than any star is land or a lamp's halo and left out; the brightest thousands are kept.
 */
final class SpotFinder {

    static final double STANDS_OUT = 5;
    private static final int LEAST_PIXELS = 3;
    private static final int MOST_PIXELS = 20_000;
    private static final int KEPT = 6000;
    private static final int NINE = 9;

    private final char[] light;
    private final char[] smooth;
    private final int width;
    private final int height;
    private final Background sky;
    private final Background noise;

    private SpotFinder(Pixels pixels) {
        width = pixels.width();
        height = pixels.height();
        light = pixels.light();
        smooth = smooth(light, width, height);
        sky = Background.of(smooth, width, height, pixels.step() / 3);
        noise = Background.of(light, width, height, pixels.step());
    }

    /** What was found, and the sky it was found in. */
    record Found(List<Spot> spots, Background noise) {}

    static Found in(Pixels pixels) {
        SpotFinder finder = new SpotFinder(pixels);
        return new Found(finder.find(), finder.noise);
    }

    private static char[] smooth(char[] light, int width, int height) {
        char[] out = new char[light.length];
        IntStream.range(0, height).parallel().forEach(y -> {
            int above = Math.max(0, y - 1) * width;
            int below = Math.min(height - 1, y + 1) * width;
            int row = y * width;
            int before = 0;
            int now = light[above] + light[row] + light[below];
            before = now;
            for (int x = 0; x < width; x++) {
                int right = Math.min(width - 1, x + 1);
                int next = light[above + right] + light[row + right] + light[below + right];
                out[row + x] = (char) ((before + now + next) / NINE);
                before = now;
                now = next;
            }
        });
        return out;
    }

    private List<Spot> find() {
        BitSet[] bright = new BitSet[height];
        IntStream.range(0, height).parallel().forEach(y -> {
            float[] limits = new float[width];
            sky.row(y, STANDS_OUT, limits);
            BitSet row = new BitSet(width);
            for (int x = 0; x < width; x++) {
                if (smooth[y * width + x] > limits[x]) {
                    row.set(x);
                }
            }
            bright[y] = row;
        });
        List<Spot> spots = new ArrayList<>();
        int[] stack = new int[MOST_PIXELS + NINE];
        for (int y = 0; y < height; y++) {
            for (int x = bright[y].nextSetBit(0); x >= 0; x = bright[y].nextSetBit(x + 1)) {
                grow(x, y, bright, stack, spots);
            }
        }
        spots.sort(Comparator.comparingDouble(Spot::flux).reversed());
        return List.copyOf(spots.subList(0, Math.min(KEPT, spots.size())));
    }

    private void grow(int x0, int y0, BitSet[] bright, int[] pixels, List<Spot> spots) {
        int count = 0;
        int next = 0;
        boolean tooLarge = false;
        pixels[count++] = y0 * width + x0;
        bright[y0].clear(x0);
        while (next < count) {
            int at = pixels[next++];
            int x = at % width;
            int y = at / width;
            for (int j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
                for (int i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
                    if (bright[j].get(i)) {
                        bright[j].clear(i);
                        pixels[count++] = j * width + i;
                    }
                }
            }
            if (count > MOST_PIXELS) { // go on clearing, with the part that is not done yet
                tooLarge = true;
                System.arraycopy(pixels, next, pixels, 0, count - next);
                count -= next;
                next = 0;
                if (count > MOST_PIXELS) {
                    return;
                }
            }
        }
        if (!tooLarge && count >= LEAST_PIXELS) {
            measure(pixels, count).filter(s -> s.flux() > 0).ifPresent(spots::add);
        }
    }

    private Optional<Spot> measure(int[] pixels, int count) {
        double sum = 0;
        double sumX = 0;
        double sumY = 0;
        double xx = 0;
        double yy = 0;
        double xy = 0;
        int peak = 0;
        int left = width;
        int right = 0;
        int top = height;
        int bottom = 0;
        int x0 = pixels[0] % width;
        int y0 = pixels[0] / width;
        double level = sky.levelAt(x0, y0);
        for (int k = 0; k < count; k++) {
            int x = pixels[k] % width;
            int y = pixels[k] / width;
            double above = Math.max(0, light[pixels[k]] - level);
            double dx = x - x0;
            double dy = y - y0;
            sum += above;
            sumX += above * dx;
            sumY += above * dy;
            xx += above * dx * dx;
            yy += above * dy * dy;
            xy += above * dx * dy;
            peak = Math.max(peak, light[pixels[k]]);
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
        }
        if (sum <= 0) {
            return Optional.empty();
        }
        double mx = sumX / sum;
        double my = sumY / sum;
        return Optional.of(new Spot(
                x0 + mx + 0.5,
                y0 + my + 0.5,
                sum,
                peak,
                (peak - level) / noise.sigmaAt(x0, y0),
                count,
                xx / sum - mx * mx,
                yy / sum - my * my,
                xy / sum - mx * my,
                left,
                top,
                right,
                bottom));
    }
}
