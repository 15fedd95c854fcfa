package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;

/**
 * A body, a lens, what stands between them and what holds them.
 *
 * @param converter magnification of a teleconverter, 1 without one
 * @param filterStops light a filter takes, 0 without one; a solar filter of density 5 takes 16.6
 */
public record Rig(CameraBody body, Lens lens, double converter, double filterStops, Support support) {

    public static final Range CONVERTER = new Range("teleconverter", 1, 3, "\u00d7");
    public static final Range FILTER = new Range("filter", 0, 25, " stops");

    /** Stops by which a filter of a density darkens: 3.32 for each. */
    public static final double STOPS_PER_DENSITY = Math.log(10) / Math.log(2);

    /** @throws IllegalArgumentException saying why these cannot be put together */
    public Rig {
        CONVERTER.check(converter);
        FILTER.check(filterStops);
        if (converter > 1 && lens.projection() == Projection.FISHEYE) {
            throw new IllegalArgumentException(
                    "a teleconverter cannot be put behind a fisheye: its rear element is in the way");
        }
    }

    public static Rig of(CameraBody body, Lens lens) {
        return new Rig(body, lens, 1, 0, Support.TRIPOD);
    }

    /** Focal length with the converter, for one set on the lens. */
    public double focalMm(double onLensMm) {
        return lens.focalLengths().check(onLensMm) * converter;
    }

    /** The f-numbers it can be set to at a focal length on the lens; a converter narrows both ends. */
    public Range apertures(double onLensMm) {
        Range own = lens.apertures(onLensMm);
        return new Range(
                own.quantity(), Math.round(own.min() * converter * 10) / 10.0, own.max() * converter, own.unit());
    }

    public Optics optics(double onLensMm) {
        return new Optics(body.sensor(), focalMm(onLensMm), lens.projection());
    }

    /** Electrons for each photon that reaches the front element. */
    public double efficiency() {
        return body.response().quantumEfficiency() * lens.transmission() * Math.pow(2, -filterStops);
    }

    /** Body and lens, grams. */
    public double weightG() {
        return body.weightG() + lens.weightG();
    }
}
