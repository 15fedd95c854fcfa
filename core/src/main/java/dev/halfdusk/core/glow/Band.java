package dev.halfdusk.core.glow;

/**
 * The Milky Way's own brightness, smooth: V magnitudes per square arcsecond along the plane by galactic longitude,
 * falling off across it. Anchors: clouds of the core 20.7, Cygnus 21.6, winter arm 22.3; between them a smooth guess,
 * dark lanes are not in it.
 */
final class Band {

    private static final double[] LONGITUDE = {0, 30, 80, 130, 180, 230, 280, 320, 360};
    private static final double[] MAGNITUDE = {20.7, 21.1, 21.6, 22.1, 22.3, 22.1, 21.4, 21.1, 20.7};
    private static final double WIDTH_DEG = 7;
    private static final double CORE_EXTRA_WIDTH_DEG = 5;

    static final double CORE = Luminance.of(MAGNITUDE[0]);

    private Band() {}

    /** cd/m² above the air. */
    static double luminance(double longitudeDeg, double latitudeDeg) {
        int i = 1;
        while (longitudeDeg > LONGITUDE[i]) {
            i++;
        }
        double share = (longitudeDeg - LONGITUDE[i - 1]) / (LONGITUDE[i] - LONGITUDE[i - 1]);
        double magnitude = MAGNITUDE[i - 1] + (MAGNITUDE[i] - MAGNITUDE[i - 1]) * share;
        double bulge = Math.exp(-Math.pow(Math.min(longitudeDeg, 360 - longitudeDeg) / 12, 2));
        double width = WIDTH_DEG + CORE_EXTRA_WIDTH_DEG * bulge;
        return Luminance.of(magnitude) * Math.exp(-Math.pow(latitudeDeg / width, 2));
    }
}
