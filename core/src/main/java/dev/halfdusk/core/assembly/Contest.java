package dev.halfdusk.core.assembly;

import dev.halfdusk.core.optics.Stops;
import java.util.List;
import java.util.Optional;

/** Frames of a low ISO lifted to the brightness of frames of a high one, each stacked from as many as there are: which has less noise. */
public final class Contest {

    private Contest() {}

    /**
     * What came of it.
     *
     * @param low a part of the first, lifted
     * @param high the same of the second
     * @param liftStops by which the first was lifted
     * @param better the picture of the one with less noise, as bright as the brighter
     */
    public record Result(Crop low, Crop high, double liftStops, Assembled better) {

        /** How many times less noise the first has; below 1 it has more. */
        public double quieter() {
            return high.noise() / Math.max(1e-9, low.noise());
        }
    }

    /**
     * @param low frames of the lower ISO, in the order of time
     * @param high those of the higher
     * @param stripBytes as for a stack
     * @throws Taken.UnreadableFrame for frames that cannot be decoded, differ in size, or show too few stars to lay over each other
     */
    public static Result of(
            List<? extends Taken> low, List<? extends Taken> high, double stripBytes, Progress progress) {
        Side a = side(low, stripBytes, progress);
        Side b = side(high, stripBytes, progress);
        double times = b.crop.level() / Math.max(1e-6, a.crop.level());
        Crop lifted = times >= 1 ? a.crop.lifted(times) : a.crop;
        Crop other = times >= 1 ? b.crop : b.crop.lifted(1 / times);
        boolean first = lifted.noise() < other.noise();
        double lift = first ? Math.max(1, times) : Math.max(1, 1 / times);
        return new Result(lifted, other, Stops.of(times), (first ? a : b).picture.times(lift));
    }

    private record Side(Assembled picture, Crop crop) {}

    private static Side side(List<? extends Taken> frames, double stripBytes, Progress progress) {
        if (frames.size() == 1) {
            Assembled one = Mean.of(frames, progress);
            Crop.Frame part = Crop.Frame.in(one.width(), one.height(), Stack.IN_THE_SKY);
            double noise = Crop.noiseOfOne(one.raster(), part);
            return new Side(one, part.cut(1, (c, x, y) -> (float) one.light(c, x, y), noise));
        }
        Stack.Result r =
                Stack.of(frames, new Stack.Options(Averaging.MEAN, true, Optional.empty(), stripBytes), progress);
        return new Side(r.picture(), r.crops().get(r.crops().size() - 1));
    }
}
