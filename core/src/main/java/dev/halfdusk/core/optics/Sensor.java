package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/**
 * The light-sensitive rectangle, landscape.
 *
 * @param pitchUm distance from pixel to pixel in micrometres
 */
public record Sensor(double widthMm, double heightMm, double pitchUm) {

    /** Diagonal of the 36 × 24 mm frame, to which crop factors refer. */
    public static final double FULL_FRAME_DIAGONAL_MM = 43.27;

    public Sensor {
        Range.SENSOR_WIDTH.check(widthMm);
        Range.SENSOR_HEIGHT.check(heightMm);
        Range.PIXEL_PITCH.check(pitchUm);
    }

    /** Pitch from the pixels counted across the width. */
    public static Sensor of(double widthMm, double heightMm, int pixelsAcross) {
        Range.PIXELS.check(pixelsAcross);
        return new Sensor(widthMm, heightMm, widthMm * 1000 / pixelsAcross);
    }

    public int pixelsAcross() {
        return (int) Math.round(widthMm * 1000 / pitchUm);
    }

    public int pixelsHigh() {
        return (int) Math.round(heightMm * 1000 / pitchUm);
    }

    public double megapixels() {
        return (double) pixelsAcross() * pixelsHigh() / 1e6;
    }

    public double diagonalMm() {
        return Math.hypot(widthMm, heightMm);
    }

    /** How many times narrower the view is than on a 36 × 24 mm frame. */
    public double crop() {
        return FULL_FRAME_DIAGONAL_MM / diagonalMm();
    }

    /** Turned on its side. */
    public Sensor portrait() {
        return new Sensor(heightMm, widthMm, pitchUm);
    }
}
