package dev.halfdusk.core.assembly;

import dev.halfdusk.core.optics.Stops;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How far the camera has moved between two frames, by what stands still in both: the edges of land and houses. Nothing above a line counts, since
 * stars move together and bursts are alike; below it most edges that go on for some way must agree with one shift, and clearly fewer with any
 * other. To 0.4 pixels, up to three per cent of the width.
 */
final class Steady {

    private static final double SEEN_PX = 0.7;
    private static final int WIDE = 640;
    private static final double FARTHEST = 0.03;
    private static final double CLEAR = 0.97;
    private static final int LEAST_EDGES = 60;
    private static final double LEAST_SHARE = 0.3;
    private static final double CLEARER = 1.3;
    private static final int APART = 4;
    private static final float DARK = 0.004f;
    private static final int MOST_PLACES = 3000;
    private static final int AROUND = 2;
    private static final double GOES_ON = 0.05;

    private Steady() {}

    /**
     * @param right by which things lie farther right in the second, pixels
     * @param down and farther down
     * @param stops by which they are brighter there
     */
    record Off(double right, double down, double stops) {
        double px() {
            return Math.hypot(right, down);
        }

        /** Whether it can be seen. */
        boolean moved() {
            return px() > SEEN_PX;
        }
    }

    /**
     * Empty where too little stands still in both.
     *
     * @param line of the first
     */
    static Optional<Off> between(Raster a, Raster b, Skyline line) {
        int each = Math.max(1, Math.round((float) a.width() / WIDE));
        Small one = new Small(a, each);
        Small two = new Small(b, each);
        if (line.found()) {
            one.below(line, each);
        }
        one.lines();
        int far = (int) Math.ceil(FARTHEST * one.width);
        int[] best = one.shift(two, far);
        if (best.length == 0) {
            return Optional.empty();
        }
        return finer(a, b, one, two, best, each);
    }

    /** A frame reduced, in stops, with its clear edges. */
    private static final class Small {
        final int width;
        final int height;
        final float[] stops;
        final boolean[] edge;
        int edges;

        Small(Raster raster, int each) {
            width = raster.width() / each;
            height = raster.height() / each;
            stops = new float[width * height];
            int take = Math.min(each, 3);
            for (int i = 0; i < stops.length; i++) {
                float sum = 0;
                for (int k = 0; k < take * take; k++) {
                    sum += raster.light(
                            1, i % width * each + k % take * each / take, i / width * each + k / take * each / take);
                }
                stops[i] = (float) Stops.of(sum / (take * take) + 0.002);
            }
            float[] steep = new float[stops.length];
            for (int y = 1; y < height - 1; y++) {
                for (int x = 1; x < width - 1; x++) {
                    int at = y * width + x;
                    steep[at] =
                            Math.abs(stops[at + 1] - stops[at - 1]) + Math.abs(stops[at + width] - stops[at - width]);
                }
            }
            float[] sorted = steep.clone();
            Arrays.sort(sorted);
            float limit = Math.max(0.15f, sorted[(int) (CLEAR * (sorted.length - 1))]);
            edge = new boolean[stops.length];
            for (int i = 0; i < edge.length; i++) {
                edge[i] = steep[i] >= limit;
                edges += edge[i] ? 1 : 0;
            }
        }

        /** Only what stands on the land, or is its edge, counts. */
        void below(Skyline line, int each) {
            for (int i = 0; i < edge.length; i++) {
                if (edge[i] && !line.land(i % width * each, i / width * each + 2 * each)) {
                    edge[i] = false;
                    edges--;
                }
            }
        }

        /** What stands by itself is a star or a lamp: only edges that go on for some way count. */
        void lines() {
            boolean[] seen = new boolean[edge.length];
            int[] patch = new int[edge.length];
            for (int i = 0; i < edge.length; i++) {
                if (edge[i] && !seen[i] && !goesOn(i, seen, patch)) {
                    for (int k = 0; patch[k] >= 0; k++) {
                        edge[patch[k]] = false;
                        edges--;
                    }
                }
            }
        }

        /** Whether the edges that hang together with one reach far; they are left in {@code patch}, up to a −1. */
        private boolean goesOn(int from, boolean[] seen, int[] patch) {
            int left = width;
            int right = 0;
            int top = height;
            int bottom = 0;
            int n = 1;
            patch[0] = from;
            seen[from] = true;
            for (int k = 0; k < n; k++) {
                int x = patch[k] % width;
                int y = patch[k] / width;
                left = Math.min(left, x);
                right = Math.max(right, x);
                top = Math.min(top, y);
                bottom = Math.max(bottom, y);
                for (int j = 0; j < 9; j++) {
                    int u = x + j % 3 - 1;
                    int v = y + j / 3 - 1;
                    int at = v * width + u;
                    if (u >= 0 && v >= 0 && u < width && v < height && edge[at] && !seen[at]) {
                        seen[at] = true;
                        patch[n++] = at;
                    }
                }
            }
            if (n < patch.length) {
                patch[n] = -1;
            }
            return Math.max(right - left, bottom - top) > GOES_ON * width;
        }

        /** Whether there is one at a place or beside it. */
        boolean edgeNear(int x, int y) {
            for (int k = 0; k < 9; k++) {
                int u = x + k % 3 - 1;
                int v = y + k / 3 - 1;
                if (u >= 0 && v >= 0 && u < width && v < height && edge[v * width + u]) {
                    return true;
                }
            }
            return false;
        }

        /** Shift in reduced pixels at which most edges meet such; nothing where no shift stands out. */
        int[] shift(Small other, int far) {
            if (edges < LEAST_EDGES || other.edges < LEAST_EDGES || other.width != width || other.height != height) {
                return new int[0];
            }
            int[] places = new int[edges];
            int n = 0;
            for (int i = 0; i < edge.length; i++) {
                if (edge[i]) {
                    places[n++] = i;
                }
            }
            int side = 2 * far + 1;
            int[] meet = new int[side * side];
            IntStream.range(0, meet.length).parallel().forEach(k -> {
                for (int i : places) {
                    int x = i % width + k % side - far;
                    int y = i / width + k / side - far;
                    meet[k] += x >= 0 && y >= 0 && x < width && y < height && other.edge[y * width + x] ? 1 : 0;
                }
            });
            int best = 0;
            for (int k = 0; k < meet.length; k++) {
                best = meet[k] > meet[best] ? k : best;
            }
            int second = 0;
            for (int k = 0; k < meet.length; k++) {
                boolean apart = Math.abs(k % side - best % side) > APART || Math.abs(k / side - best / side) > APART;
                second = apart ? Math.max(second, meet[k]) : second;
            }
            boolean sure =
                    meet[best] >= LEAST_EDGES / 2 && meet[best] > LEAST_SHARE * edges && meet[best] > CLEARER * second;
            return sure ? new int[] {best % side - far, best / side - far} : new int[0];
        }
    }

    /** On the frames themselves, by how steep they are about the edges that both have at that shift. */
    private static Optional<Off> finer(Raster a, Raster b, Small one, Small two, int[] shift, int each) {
        int[] places = new int[one.edges];
        Arrays.fill(places, -1);
        int n = 0;
        for (int i = 0; i < one.edge.length; i++) {
            if (one.edge[i] && two.edgeNear(i % one.width + shift[0], i / one.width + shift[1])) {
                places[n++] = i;
            }
        }
        if (n < LEAST_EDGES / 2) {
            return Optional.empty();
        }
        int skip = Math.max(1, n / MOST_PLACES);
        int reach = each + AROUND;
        int side = 2 * reach + 1;
        double[] alike = new double[side * side];
        IntStream.range(0, alike.length).parallel().forEach(k -> {
            int dx = shift[0] * each + k % side - reach;
            int dy = shift[1] * each + k / side - reach;
            for (int p = 0; p < places.length && places[p] >= 0; p += skip) {
                int x = places[p] % one.width * each;
                int y = places[p] / one.width * each;
                alike[k] += steep(a, x, y) * steep(b, x + dx, y + dy);
            }
        });
        int best = 0;
        for (int k = 0; k < alike.length; k++) {
            best = alike[k] > alike[best] ? k : best;
        }
        double right = best % side - reach + between(alike, best, 1, best % side > 0 && best % side < side - 1);
        double down = best / side - reach + between(alike, best, side, best / side > 0 && best / side < side - 1);
        return Optional.of(new Off(
                shift[0] * (double) each + right, shift[1] * (double) each + down, stops(one, two, places, n, shift)));
    }

    /** Change of light across a place as a share of it, whichever side is the lighter, up to what a clear edge has. */
    private static double steep(Raster r, int x, int y) {
        if (x < 2 || y < 2 || x >= r.width() - 2 || y >= r.height() - 2) {
            return 0;
        }
        float right = r.light(1, x + 1, y) + r.light(1, x + 2, y);
        float left = r.light(1, x - 1, y) + r.light(1, x - 2, y);
        float down = r.light(1, x, y + 1) + r.light(1, x, y + 2);
        float up = r.light(1, x, y - 1) + r.light(1, x, y - 2);
        return Math.min(1, Math.hypot((right - left) / (right + left + DARK), (down - up) / (down + up + DARK)));
    }

    private static double stops(Small one, Small two, int[] places, int n, int[] shift) {
        double[] by = new double[n];
        for (int p = 0; p < n; p++) {
            int x = Math.max(0, Math.min(two.width - 1, places[p] % one.width + shift[0]));
            int y = Math.max(0, Math.min(two.height - 1, places[p] / one.width + shift[1]));
            int at = y * two.width + x;
            by[p] = two.stops[at] - (double) one.stops[places[p]];
        }
        Arrays.sort(by);
        return by[n / 2];
    }

    /** Top of the hill that three neighbours make, in steps. */
    private static double between(double[] alike, int at, int step, boolean inside) {
        if (!inside) {
            return 0;
        }
        double before = alike[at - step];
        double after = alike[at + step];
        double curve = before - 2 * alike[at] + after;
        return curve >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * curve)));
    }
}
