package dev.halfdusk.core.lighttable;

/**
 * How the stars of a part of the frame are drawn.
 *
 * @param stars that it was measured on
 * @param widthPx full width at half maximum across the line
 * @param lengthPx by which they are drawn out beyond a point; 0 where that is not above its uncertainty
 * @param angleDeg of the line, from the picture's +x towards +y, 0 to 180
 * @param lengthErrorPx standard error of the length
 * @param twice whether each star stands twice instead of being drawn along
 * @param oddness share of their light that is drawn otherwise than as a spot on a line
 */
public record StarShape(
        int stars,
        double widthPx,
        double lengthPx,
        double angleDeg,
        double lengthErrorPx,
        boolean twice,
        double oddness) {

    /** Ratio of the longer to the shorter axis, by second moments. */
    public double elongation() {
        double sigma = widthPx / Profile.FWHM;
        return Math.sqrt(1 + lengthPx * lengthPx / (twice ? 4 : 12) / (sigma * sigma));
    }

    /** Of a length and a direction, the angle between it and the line, 0 to 90°. */
    public double offDeg(double otherAngleDeg) {
        double off = Math.abs(angleDeg - otherAngleDeg) % 180;
        return Math.min(off, 180 - off);
    }
}
