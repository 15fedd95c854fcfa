package dev.halfdusk.core.frame;

/**
 * What is left of a point's light where the sensor's pixels burn out before the picture is reduced: that is why bright stars
 * are discs in a small picture and not one white pixel. For a Gaussian spot drawn along a line; between a point and a long
 * line good to a tenth.
 */
final class Burnt {

    private Burnt() {}

    /**
     * @param electrons of the whole light
     * @param sigma of the spot, sensor pixels
     * @param length of its way, sensor pixels
     * @param full electrons at which a pixel is white
     */
    static double kept(double electrons, double sigma, double length, double full) {
        double ratio = peak(electrons, sigma, length) / full;
        if (ratio <= 1) {
            return electrons;
        }
        double log = Math.log(ratio);
        double u = Math.sqrt(2 * log);
        double ends = 2 * Math.PI * sigma * sigma * (1 + log);
        double line = sigma * length * (2 * u + 2.5066 / (1 + 0.8 * u));
        return Math.min(electrons, full * (ends + line));
    }

    /** Radius of the white disc, sensor pixels; 0 where nothing burns. */
    static double radius(double electrons, double sigma, double length, double full) {
        double ratio = peak(electrons, sigma, length) / full;
        return ratio <= 1 ? 0 : sigma * Math.sqrt(2 * Math.log(ratio));
    }

    private static double peak(double electrons, double sigma, double length) {
        return electrons / (2 * Math.PI * sigma * sigma + 2.5066 * sigma * length);
    }
}
