package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;
import java.util.OptionalDouble;

/**
 * A lens with its zoom range; a prime has both ends alike.
 *
 * @param widestAtShort smallest f-number at the short end
 * @param widestAtLong smallest f-number at the long end
 * @param narrowest largest f-number
 * @param transmission part of the light that passes the glass, 0 to 1
 * @param electronic whether the body sets the aperture, so that a script can
 * @param imageCircleMm diameter of the picture it draws; empty: as large as any sensor, or 180° of a fisheye
 * @param sharpest aperture at which its stars are smallest, where somebody has looked
 * @param infinityMm by which the ring stands before its stop when stars are sharp, likewise
 */
public record Lens(
        double shortestMm,
        double longestMm,
        double widestAtShort,
        double widestAtLong,
        double narrowest,
        Projection projection,
        double transmission,
        boolean electronic,
        double weightG,
        OptionalDouble imageCircleMm,
        OptionalDouble sharpest,
        OptionalDouble infinityMm) {

    /** Engraved on a lens; what works on the sensor goes beyond it with a converter. */
    public static final Range APERTURE = Range.APERTURE.upTo(64);

    public static final Range INFINITY = new Range("infinity", 0, 20, " mm");

    public static final Range IMAGE_CIRCLE = new Range("image circle", 3, 200, " mm");
    public static final Range TRANSMISSION = new Range("transmission", 0.1, 1, "");

    /** Of an ordinary lens. */
    public static final double USUAL_TRANSMISSION = 0.9;

    private static final double USUAL_NARROWEST = 22;

    public Lens {
        Range.FOCAL_LENGTH.check(shortestMm);
        Range.FOCAL_LENGTH.check(longestMm);
        APERTURE.check(widestAtShort);
        APERTURE.check(widestAtLong);
        APERTURE.check(narrowest);
        TRANSMISSION.check(transmission);
        CameraBody.WEIGHT.check(weightG);
        imageCircleMm.ifPresent(IMAGE_CIRCLE::check);
        sharpest.ifPresent(APERTURE::check);
        infinityMm.ifPresent(INFINITY::check);
        if (narrowest < Math.max(widestAtShort, widestAtLong)) {
            throw new IllegalArgumentException("the narrowest aperture cannot be wider than the widest");
        }
        if (longestMm < shortestMm) {
            throw new IllegalArgumentException("the long end of a zoom cannot be shorter than its short end");
        }
    }

    /** Of which nobody has looked where it is sharpest. */
    public Lens(
            double shortestMm,
            double longestMm,
            double widestAtShort,
            double widestAtLong,
            double narrowest,
            Projection projection,
            double transmission,
            boolean electronic,
            double weightG,
            OptionalDouble imageCircleMm) {
        this(
                shortestMm,
                longestMm,
                widestAtShort,
                widestAtLong,
                narrowest,
                projection,
                transmission,
                electronic,
                weightG,
                imageCircleMm,
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    /** A lens of which only the numbers on its ring are known. */
    public Lens(double shortestMm, double longestMm, double widestAtShort, double widestAtLong, Projection projection) {
        this(
                shortestMm,
                longestMm,
                widestAtShort,
                widestAtLong,
                Math.max(USUAL_NARROWEST, Math.max(widestAtShort, widestAtLong)),
                projection,
                USUAL_TRANSMISSION,
                true,
                400,
                OptionalDouble.empty());
    }

    /** Sharpest at another aperture, or at none that is known. */
    public Lens sharpestAt(OptionalDouble other) {
        return found(other, infinityMm);
    }

    /** With stars sharp so far before the ring's stop, or nowhere that is known. */
    public Lens infinityAt(OptionalDouble otherMm) {
        return found(sharpest, otherMm);
    }

    private Lens found(OptionalDouble otherSharpest, OptionalDouble otherInfinityMm) {
        return new Lens(
                shortestMm,
                longestMm,
                widestAtShort,
                widestAtLong,
                narrowest,
                projection,
                transmission,
                electronic,
                weightG,
                imageCircleMm,
                otherSharpest,
                otherInfinityMm);
    }

    /** In front of a sensor, at a focal length on its ring; a converter enlarges the picture with everything in it. */
    public Optics optics(Sensor sensor, double onLensMm, double converter) {
        double focal = focalLengths().check(onLensMm) * converter;
        double circle = imageCircleMm.orElse(Optics.usualCircleMm(projection, onLensMm)) * converter;
        return new Optics(sensor, focal, projection, circle);
    }

    public boolean isPrime() {
        return shortestMm == longestMm;
    }

    /** The focal lengths this lens can be set to. */
    public Range focalLengths() {
        return new Range(Range.FOCAL_LENGTH.quantity(), shortestMm, longestMm, Range.FOCAL_LENGTH.unit());
    }

    /** The f-numbers this lens can be set to at a focal length. */
    public Range apertures(double focalMm) {
        return new Range(Range.APERTURE.quantity(), widestAt(focalMm), narrowest, "");
    }

    /**
     * The smallest f-number at a focal length. Between the ends it is interpolated in stops over the logarithm of the
     * focal length and rounded to a tenth: real zooms step, so this may be off by a third of a stop.
     */
    public double widestAt(double focalMm) {
        focalLengths().check(focalMm);
        if (isPrime() || widestAtShort == widestAtLong) {
            return widestAtShort;
        }
        double share = Math.log(focalMm / shortestMm) / Math.log(longestMm / shortestMm);
        return Math.round(10 * widestAtShort * Math.pow(widestAtLong / widestAtShort, share)) / 10.0;
    }
}
