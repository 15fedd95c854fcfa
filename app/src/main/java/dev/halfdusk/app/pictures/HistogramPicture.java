package dev.halfdusk.app.pictures;

import dev.halfdusk.core.exposure.Histogram;
import java.util.Arrays;

/**
 * A predicted histogram in a box of {@value #WIDTH} × {@value #HEIGHT}, heights by their square root so that small heaps
 * show.
 *
 * @param shape outline
 * @param peakX where the sky's peak stands
 * @param fromX left end of where it should stand
 * @param toX right end; not drawn where it is no farther right
 */
public record HistogramPicture(String shape, double peakX, double fromX, double toX) {

    public static final int WIDTH = 300;
    public static final int HEIGHT = 70;

    public static HistogramPicture of(Histogram histogram, double peak, double from, double to) {
        double[] bins = histogram.bins();
        double top = Math.sqrt(Math.max(1e-9, Arrays.stream(bins).max().orElse(1)));
        PathText path = new PathText().to('M', 0, HEIGHT);
        for (int i = 0; i < bins.length; i++) {
            double x = (i + 0.5) / bins.length * WIDTH;
            double y = HEIGHT * (1 - Math.sqrt(bins[i]) / top);
            path.to('L', x, y);
        }
        path.to('L', WIDTH, HEIGHT).close();
        return new HistogramPicture(path.toString(), round(peak), round(from), round(to));
    }

    private static double round(double share) {
        return Math.round(share * WIDTH * 10) / 10.0;
    }
}
