package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.weather.WeatherHour;

/**
 * Cloud in three layers that drift with the wind. A forecast says how much of the sky each covers, not where: that is made up,
 * always the same for an instant, and moves on from frame to frame. How thick, how bright and how fast are typical figures.
 *
 * @param low share of the sky that low cloud covers, 0 to 1; the others likewise
 * @param windMs near the ground, metres a second; higher up it blows faster
 * @param fromDeg where the wind comes from, degrees from north through east
 */
public record Clouds(double low, double middle, double high, double windMs, double fromDeg) {

    private static final Range SHARE = new Range("share of cloud", 0, 1, "");

    public static final Clouds NONE = new Clouds(0, 0, 0, 0, 0);

    /** Where the wind comes from where nobody says. */
    public static final double WEST_SOUTH_WEST = 250;

    /** Of the noise that clouds are cut out of, by five octaves. */
    private static final double SPREAD = 0.125;

    private static final int OCTAVES = 5;

    /** From the edge of a cloud to where it is as thick as usual, in units of that noise. */
    private static final double SOFT = 0.16;

    private static final double THICKEST = 1.6;

    /** At the horizon one looks through clouds as if they stood so high. */
    private static final double LOWEST_SINE = 0.05;

    private static final int MOST_MOMENTS = 8;
    private static final long SEED = 404;

    /** Where a layer hangs and what it is like. */
    enum Layer {
        LOW(1.2, 1.6, 1, 1.6, 1.5, 3.5),
        MIDDLE(4, 3.2, 1, 0.9, 2, 2.5),
        /** Streaks along the wind, thin enough for stars, of ice. */
        HIGH(9, 5, 4, 0.35, 3, 1.1);

        final double heightKm;
        final double sizeKm;
        final double stretched;
        final double depth;
        final double wind;
        /** Town light that it throws back, against that of the open sky there. */
        final double townGain;

        Layer(double heightKm, double sizeKm, double stretched, double depth, double wind, double townGain) {
            this.heightKm = heightKm;
            this.sizeKm = sizeKm;
            this.stretched = stretched;
            this.depth = depth;
            this.wind = wind;
            this.townGain = townGain;
        }
    }

    public Clouds {
        SHARE.check(low);
        SHARE.check(middle);
        SHARE.check(high);
        WeatherHour.WIND.check(windMs);
        Range.AZIMUTH.check(fromDeg);
    }

    /** As forecast. */
    public static Clouds of(WeatherHour hour, double fromDeg) {
        return new Clouds(
                hour.lowCloudPercent() / 100,
                hour.middleCloudPercent() / 100,
                hour.highCloudPercent() / 100,
                hour.windMs(),
                fromDeg);
    }

    boolean any() {
        return low + middle + high > 0;
    }

    private double cover(Layer layer) {
        return layer == Layer.LOW ? low : layer == Layer.MIDDLE ? middle : high;
    }

    /**
     * What clouds do in one direction while the shutter is open.
     *
     * @param through share of light that passes all layers
     * @param ice share that the high layer takes
     * @param townGain of what they throw back from below, the mean of the layers there
     */
    record Veil(double through, double ice, double townGain) {

        static final Veil CLEAR = new Veil(1, 0, 0);
    }

    /**
     * @param up east, north, up
     * @param begin of the exposure, seconds on a clock that all frames share
     * @param apartDeg finer structure is evened out
     */
    Veil towards(Vector up, double begin, double seconds, double apartDeg) {
        if (up.z() <= 0) {
            return Veil.CLEAR;
        }
        double through = 1;
        double ice = 0;
        double weight = 0;
        double gain = 0;
        for (Layer layer : Layer.values()) {
            if (cover(layer) > 0) {
                double passes = passes(layer, up, begin, seconds, apartDeg);
                through *= passes;
                weight += 1 - passes;
                gain += (1 - passes) * layer.townGain * (1.4 - passes); // the thicker, the more it throws back
                ice = layer == Layer.HIGH ? 1 - passes : ice;
            }
        }
        return new Veil(through, ice, weight == 0 ? 0 : gain / weight);
    }

    /** The mean over the exposure. */
    private double passes(Layer layer, Vector up, double begin, double seconds, double apartDeg) {
        double kmPerSecond = windMs * layer.wind / 1000;
        int moments = (int) Math.max(1, Math.min(MOST_MOMENTS, Math.ceil(8 * kmPerSecond * seconds / layer.sizeKm)));
        double far = layer.heightKm / (up.z() + LOWEST_SINE);
        double apart = Math.toRadians(apartDeg) * far * far / layer.heightKm / layer.sizeKm;
        int octaves = (int) Math.max(1, Math.min(OCTAVES, 1 - Math.log(2 * apart) / Math.log(2)));
        double evened = Math.max(0, Math.min(1, 2 * apart - 0.4)); // so far off clouds stand behind each other
        double sum = 0;
        for (int i = 0; i < moments; i++) {
            double blown = kmPerSecond * (begin + seconds * (i + 0.5) / moments);
            double thickness =
                    (1 - evened) * thickness(layer, up, blown, octaves) + evened * layer.depth * cover(layer);
            sum += Math.exp(-thickness / Math.max(0.2, up.z()));
        }
        return sum / moments;
    }

    /** Optical depth straight up through the part of a layer that is seen in a direction, after the wind has blown it so far. */
    private double thickness(Layer layer, Vector up, double blownKm, int octaves) {
        double far = layer.heightKm / (up.z() + LOWEST_SINE);
        double downwind = Math.toRadians(fromDeg + 180);
        double along = far * (up.x() * Math.sin(downwind) + up.y() * Math.cos(downwind)) - blownKm;
        double across = far * (up.x() * Math.cos(downwind) - up.y() * Math.sin(downwind));
        double noise = Noise.fractal(
                SEED + 16L * layer.ordinal(), along / layer.sizeKm / layer.stretched, across / layer.sizeKm, octaves);
        double over = (noise - edge(cover(layer))) / SOFT;
        return layer.depth * Math.max(0, Math.min(THICKEST, over));
    }

    /** Where the noise must be cut so that so much of it lies above. */
    private static double edge(double cover) {
        return cover >= 1 ? 0 : 0.5 + SPREAD * Noise.normalAt(1 - cover);
    }
}
