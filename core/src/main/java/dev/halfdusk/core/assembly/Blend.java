package dev.halfdusk.core.assembly;

import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The sky of some frames over the land of others, which were open longer, or stopped down: stars laid over each other above the skyline, the land
 * averaged as it stood below it, and a soft seam along it. Land of a camera that had moved by then is laid back by its edges.
 */
public final class Blend {

    private static final int SEAM_PX = 2;
    private static final int BELOW_PX = 8;

    private Blend() {}

    /**
     * @param sky how its stack went
     * @param movedPx by which the land was laid back
     * @param landStops by which the land is brighter than in the frames of the sky
     * @param land share of the picture
     */
    public record Result(Assembled picture, Stack.Result sky, double movedPx, double landStops, double land) {}

    /**
     * @param sky in the order of time
     * @param land frames whose land is taken, all of one exposure
     * @param stripBytes as for a stack
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size, and where no skyline is found
     */
    public static Result of(
            List<? extends Taken> sky,
            List<? extends Taken> land,
            Averaging averaging,
            double stripBytes,
            Progress progress) {
        Seam seam = Seam.of(sky.get(sky.size() / 2), land.get(0));
        Stack.Result stack = Stack.of(sky, new Stack.Options(averaging, true, Optional.empty(), stripBytes), progress);
        lay(stack.picture(), land, seam, progress);
        return new Result(stack.picture(), stack, seam.off.px(), seam.landStops, seam.line.share());
    }

    /**
     * Where the two meet.
     *
     * @param off by which the land has moved
     */
    private record Seam(Skyline line, Steady.Off off, double landStops) {

        static Seam of(Taken sky, Taken land) {
            Raster reference = sky.read();
            Skyline line = Skyline.of(reference);
            if (!line.found()) {
                throw new Taken.UnreadableFrame("shows no line between sky and land that could be found");
            }
            Raster ground = land.read().like(reference);
            Steady.Off off = Steady.between(reference, ground, line)
                    .filter(Steady.Off::moved)
                    .orElse(new Steady.Off(0, 0, 0));
            return new Seam(line, off, Stops.of(below(line, ground) / below(line, reference)));
        }

        /** The first row that land is needed of. */
        int top(int width, int height) {
            int top = height;
            for (int x = 0; x < width; x++) {
                top = Math.min(top, line.row(x));
            }
            return Math.max(0, top - SEAM_PX - (int) Math.ceil(Math.abs(off.down())) - 1);
        }
    }

    /** Into the picture of the sky, in memory for the rows below the highest land alone. */
    private static void lay(Assembled picture, List<? extends Taken> land, Seam seam, Progress progress) {
        int w = picture.width();
        int h = picture.height();
        int top = seam.top(w, h);
        float[][] sums = new float[3][w * (h - top)];
        try (Ahead ahead = new Ahead(land, IntStream.range(0, land.size()).toArray(), progress, true)) {
            for (int k = 0; k < land.size(); k++) {
                Raster raster = ahead.next().sized(w, h, "those of the sky");
                IntStream.range(top, h).parallel().forEach(y -> {
                    float[] u = new float[w];
                    float[] v = new float[w];
                    float[][] rgb = new float[3][w];
                    for (int x = 0; x < w; x++) {
                        u[x] = (float) Math.max(0, x + seam.off.right());
                        v[x] = (float) Math.max(0, y + seam.off.down());
                    }
                    raster.row(u, v, rgb);
                    for (int c = 0; c < 3; c++) {
                        for (int x = 0; x < w; x++) {
                            sums[c][(y - top) * w + x] += rgb[c][x] / land.size();
                        }
                    }
                });
                progress.step();
            }
        }
        IntStream.range(top, h).parallel().forEach(y -> {
            for (int x = 0; x < w; x++) {
                float share = seam.line.weight(x, y, SEAM_PX);
                for (int c = 0; share > 0 && c < 3; c++) {
                    picture.mix(c, x, y, share, sums[c][(y - top) * w + x]);
                }
            }
        });
    }

    /** Mean light of the land, its edge left out. */
    private static double below(Skyline line, Raster frame) {
        double sum = 0;
        int n = 0;
        for (int y = 0; y < frame.height(); y += 4) {
            for (int x = 0; x < frame.width(); x += 4) {
                if (line.land(x, Math.max(0, y - BELOW_PX))) {
                    sum += frame.light(1, x, y);
                    n++;
                }
            }
        }
        return Math.max(1e-5, sum / Math.max(1, n));
    }
}
