package dev.halfdusk.core.assembly;

import java.util.List;
import java.util.stream.IntStream;

/** The plain mean of frames, nothing turned: of dark frames what the sensor sends without light, of frames of the land its light with less noise. */
public final class Mean {

    private Mean() {}

    /** @throws Taken.UnreadableFrame for a frame that cannot be decoded or is of another size than the first */
    public static Assembled of(List<? extends Taken> taken, Progress progress) {
        try (Ahead ahead = new Ahead(taken, IntStream.range(0, taken.size()).toArray(), progress)) {
            Raster first = ahead.next();
            int w = first.width();
            int h = first.height();
            float[][] sums = new float[3][w * h];
            for (int k = 0; k < taken.size(); k++) {
                Raster raster = k == 0 ? first : ahead.next().like(first);
                IntStream.range(0, h).parallel().forEach(y -> {
                    for (int x = 0; x < w; x++) {
                        for (int c = 0; c < 3; c++) {
                            sums[c][y * w + x] += raster.light(c, x, y);
                        }
                    }
                });
                progress.step();
            }
            return Assembled.mean(w, h, sums, taken.size());
        }
    }
}
