package dev.halfdusk.core.assembly;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Of each pixel the lightest of all frames: bursts over one skyline, land painted with a lamp bit by bit. What stands still in them tells whether
 * the tripod did: a frame that was moved is laid back, or left out where that cannot be found.
 */
public final class Lighter {

    /** Of the height: what is to stand still lies below, whatever burst is above. */
    private static final double LOWEST = 0.6;

    private Lighter() {}

    /**
     * A frame that is not like the first.
     *
     * @param frame counted from 0
     * @param movedPx by which it was laid back
     * @param stops by which what stands still in it is brighter
     */
    public record Unlike(int frame, double movedPx, double stops) {}

    /**
     * @param unlike frames that were moved or brighter or darker
     * @param unsure frames in which too little stands still to tell: they lie as they are
     * @param stillStops the most by which what stands still differs between two frames
     */
    public record Result(Assembled picture, int frames, List<Unlike> unlike, List<Integer> unsure, double stillStops) {
        public Result {
            unlike = List.copyOf(unlike);
            unsure = List.copyOf(unsure);
        }
    }

    /**
     * @param taken of one size
     * @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size
     */
    public static Result of(List<? extends Taken> taken, Progress progress) {
        try (Ahead ahead = new Ahead(taken, IntStream.range(0, taken.size()).toArray(), progress)) {
            Raster first = ahead.next();
            Skyline line = Skyline.at(first.width(), first.height(), LOWEST);
            char[][] lightest = new char[3][first.width() * first.height()];
            List<Unlike> unlike = new ArrayList<>();
            List<Integer> unsure = new ArrayList<>();
            double least = 0;
            double most = 0;
            for (int i = 0; i < taken.size(); i++) {
                Raster raster = i == 0 ? first : ahead.next().like(first);
                if (i > 0) {
                    Optional<Steady.Off> off = Steady.between(first, raster, line);
                    if (off.isEmpty()) {
                        unsure.add(i);
                    } else {
                        least = Math.min(least, off.get().stops());
                        most = Math.max(most, off.get().stops());
                        if (off.get().moved()) {
                            unlike.add(new Unlike(i, off.get().px(), off.get().stops()));
                            raster = raster.moved(-off.get().right(), -off.get().down());
                        }
                    }
                }
                lighten(raster, lightest, progress);
                progress.step();
            }
            return new Result(
                    new Assembled(first.width(), first.height(), lightest), taken.size(), unlike, unsure, most - least);
        }
    }

    static void lighten(Raster raster, char[][] lightest, Progress progress) {
        char[] numbers = raster.numbers(1);
        IntStream.range(0, raster.height()).parallel().forEach(y -> {
            if (y % Raster.LOOK == 0) {
                progress.look();
            }
            for (int c = 0; c < 3; c++) {
                raster.lighter(y, c, numbers, lightest[c]);
            }
        });
    }
}
