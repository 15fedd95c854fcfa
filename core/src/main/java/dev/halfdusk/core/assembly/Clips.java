package dev.halfdusk.core.assembly;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/** Frames of a clip: each reduced, evened out if that is wanted. */
public final class Clips {

    private Clips() {}

    /**
     * @param wide that frames are reduced to; sides become even, as films need them
     * @param even whether frames whose sky is brighter or darker than those before are evened out
     * @param each takes one after the other
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size
     */
    public static void each(
            List<? extends Taken> taken, int wide, boolean even, Progress progress, Consumer<Assembled> each) {
        try (Ahead ahead = new Ahead(taken, IntStream.range(0, taken.size()).toArray(), progress)) {
            Raster first = null;
            Evenness evenness = new Evenness();
            for (int i = 0; i < taken.size(); i++) {
                Raster raster = ahead.next();
                first = first == null ? raster : first;
                raster.like(first);
                each.accept(raster.reduced(wide, even ? evenness.times(raster) : 1));
                progress.step();
            }
        }
    }
}
