package dev.halfdusk.core.assembly;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The sky of some frames over the land of others, which were open longer, or stopped down: stars laid over each other above the skyline, the land
 * averaged as it stood below it, and a soft seam along it. Land of a camera that had moved by then is laid back by its edges.
 */
public final class Blend {

    private static final int SEAM_PX = 4;
    private static final double MOVED_PX = 0.7;
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
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size, and where no skyline is found
     */
    public static Result of(
            List<? extends Taken> sky, List<? extends Taken> land, Averaging averaging, Progress progress) {
        Raster reference = sky.get(sky.size() / 2).read();
        Skyline line = Skyline.of(reference);
        if (!line.found()) {
            throw new Taken.UnreadableFrame("shows no line between sky and land that could be found");
        }
        Assembled ground = Mean.of(land, progress);
        Raster still = ground.raster();
        Optional<Steady.Off> off = Steady.between(reference, still.like(reference), line);
        if (off.filter(o -> o.px() > MOVED_PX).isPresent()) {
            still = still.moved(-off.get().right(), -off.get().down());
        }
        Raster laid = still;
        double stops = Math.log(below(line, laid) / below(line, reference)) / Math.log(2);
        Stack.Result stack = Stack.of(sky, new Stack.Options(averaging, true, Optional.empty()), progress);
        int w = reference.width();
        int h = reference.height();
        char[][] out = new char[3][w * h];
        IntStream.range(0, h).parallel().forEach(y -> {
            for (int x = 0; x < w; x++) {
                float share = line.weight(x, y, SEAM_PX);
                for (int c = 0; c < 3; c++) {
                    out[c][y * w + x] = Assembled.number(share * laid.light(c, x, y)
                            + (1 - share) * stack.picture().light(c, x, y));
                }
            }
        });
        return new Result(
                new Assembled(w, h, out),
                stack,
                off.map(Steady.Off::px).filter(px -> px > MOVED_PX).orElse(0.0),
                stops,
                line.share());
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
