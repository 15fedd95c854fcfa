package dev.halfdusk.core.lighttable;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/** Frames that our own camera did not take: other star profiles, other noise, other curves. */
final class MadeUpFrame {

    final int width;
    final int height;
    final float[] light;
    private final Random random;

    MadeUpFrame(int width, int height, long seed) {
        this.width = width;
        this.height = height;
        light = new float[width * height];
        random = new Random(seed);
    }

    MadeUpFrame sky(double level) {
        for (int i = 0; i < light.length; i++) {
            light[i] += (float) level;
        }
        return this;
    }

    /** Brighter by so many stops at the left edge, fading over a third of the width. */
    MadeUpFrame dome(double level, double stops) {
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                light[y * width + x] += (float) (level * (Math.pow(2, stops) - 1) * Math.exp(-3.0 * x / width));
            }
        }
        return this;
    }

    /** How a star is drawn at a place: sigma, length and direction. */
    interface Drawing {
        double[] at(double x, double y);
    }

    /** @param wings exponent of a Moffat profile; 0 for a normal one */
    MadeUpFrame stars(int count, double faintest, double brightest, double wings, Drawing drawing) {
        for (int i = 0; i < count; i++) {
            double x = random.nextDouble() * width;
            double y = random.nextDouble() * height;
            double peak = faintest * Math.pow(brightest / faintest, Math.pow(random.nextDouble(), 3));
            double[] d = drawing.at(x, y);
            star(x, y, peak, d[0], d[1], Math.toRadians(d[2]), wings);
        }
        return this;
    }

    /** A star whose peak would be so high if it stood still, drawn out over a line. */
    void star(double x, double y, double peak, double sigma, double length, double angle, double wings) {
        int steps = Math.max(1, (int) Math.ceil(length * 3));
        double reach = wings > 0 ? 8 * sigma : 5 * sigma;
        double fwhm = 2.35482 * sigma;
        double alpha = wings > 0 ? fwhm / 2 / Math.sqrt(Math.pow(2, 1 / wings) - 1) : 1;
        for (int k = 0; k < steps; k++) {
            double along = length * ((k + 0.5) / steps - 0.5);
            double cx = x + along * Math.cos(angle);
            double cy = y + along * Math.sin(angle);
            for (int j = (int) Math.max(0, cy - reach); j <= Math.min(height - 1, cy + reach); j++) {
                for (int i = (int) Math.max(0, cx - reach); i <= Math.min(width - 1, cx + reach); i++) {
                    double r2 = (i + 0.5 - cx) * (i + 0.5 - cx) + (j + 0.5 - cy) * (j + 0.5 - cy);
                    double each = wings > 0
                            ? Math.pow(1 + r2 / (alpha * alpha), -wings)
                            : Math.exp(-r2 / (2 * sigma * sigma));
                    light[j * width + i] += (float) (peak * each / steps);
                }
            }
        }
    }

    /** Noise of so much, and of the square root of the light. */
    MadeUpFrame noise(double read, double shot) {
        for (int i = 0; i < light.length; i++) {
            light[i] += (float) (random.nextGaussian() * Math.sqrt(read * read + shot * shot * Math.max(0, light[i])));
        }
        return this;
    }

    Pixels pixels(int bits, Encoding said, DoubleUnaryOperator curve) {
        return pixels(bits, said, false, curve);
    }

    Pixels pixels(int bits, Encoding said, boolean compressed, DoubleUnaryOperator curve) {
        int steps = (1 << bits) - 1;
        return Pixels.read(width, height, bits, said, compressed, (y, red, green, blue) -> {
            for (int x = 0; x < width; x++) {
                double v = curve.applyAsDouble(Math.max(0, Math.min(1, light[y * width + x])));
                int value = (int) (Math.round(v * steps) * 65_535L / steps);
                red[x] = value;
                green[x] = value;
                blue[x] = value;
            }
        });
    }

    Pixels linear16() {
        return pixels(16, Encoding.LINEAR, v -> v);
    }

    Pixels srgb8() {
        return pixels(8, Encoding.SRGB, dev.halfdusk.core.exposure.Tone::position);
    }
}
