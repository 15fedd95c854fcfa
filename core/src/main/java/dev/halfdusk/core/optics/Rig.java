package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Gear.Filter;
import dev.halfdusk.core.optics.Gear.Teleconverter;
import java.util.List;

/**
 * A body, a lens, what stands between them and what holds them.
 *
 * @param converter magnification of a teleconverter, 1 without one
 * @param filterStops light a filter takes, 0 without one; a solar filter of density 5 takes 16.6
 */
public record Rig(CameraBody body, Lens lens, double converter, double filterStops, Support support) {

    /** Through more than this only the sun shows. */
    private static final double DARK_FILTER_STOPS = 8;

    /** Stops by which a filter of a density darkens: 3.32 for each. */
    public static final double STOPS_PER_DENSITY = Stops.of(10);

    /** @throws IllegalArgumentException saying why these cannot be put together */
    public Rig {
        Teleconverter.FACTOR.check(converter);
        Filter.STOPS.check(filterStops);
        if (converter > 1 && lens.projection() == Projection.FISHEYE) {
            throw new IllegalArgumentException(
                    "a teleconverter cannot be put behind a fisheye: its rear element is in the way");
        }
    }

    /** On a tripod, with nothing between. */
    public static Rig of(CameraBody body, Lens lens) {
        return of(body, lens, List.of());
    }

    /**
     * With gear of any sort; without a support it stands on a tripod.
     *
     * @throws IllegalArgumentException saying why these cannot be put together
     */
    public static Rig of(CameraBody body, Lens lens, List<Gear> gear) {
        List<Support> supports = all(gear, Support.class);
        List<Teleconverter> converters = all(gear, Teleconverter.class);
        if (supports.size() > 1) {
            throw new IllegalArgumentException("one rig stands on one support only");
        }
        if (converters.size() > 1) {
            throw new IllegalArgumentException("teleconverters cannot be put behind each other");
        }
        return new Rig(
                body,
                lens,
                converters.isEmpty() ? 1 : converters.get(0).factor(),
                all(gear, Filter.class).stream().mapToDouble(Filter::stops).sum(),
                supports.isEmpty() ? Support.TRIPOD : supports.get(0));
    }

    private static <T extends Gear> List<T> all(List<Gear> gear, Class<T> sort) {
        return gear.stream().filter(sort::isInstance).map(sort::cast).toList();
    }

    /** With every filter off. */
    public Rig withoutFilters() {
        return new Rig(body, lens, converter, 0, support);
    }

    /** Focal length with the converter, for one set on the lens. */
    public double focalMm(double onLensMm) {
        return lens.focalLengths().check(onLensMm) * converter;
    }

    /** The f-numbers it can be set to at a focal length on the lens; a converter narrows both ends. */
    public Range apertures(double onLensMm) {
        Range own = lens.apertures(onLensMm);
        return converter == 1
                ? own
                : new Range(
                        own.quantity(),
                        Math.round(own.min() * converter * 10) / 10.0,
                        own.max() * converter,
                        own.unit());
    }

    /** The nearest that it can be set to; the same where it can be set so. */
    public LensSetting nearest(LensSetting asked) {
        double mm = lens.focalLengths().nearest(asked.onLensMm());
        return new LensSetting(mm, apertures(mm).nearest(asked.aperture()));
    }

    public boolean canBeSet(LensSetting asked) {
        return nearest(asked).equals(asked);
    }

    public Optics optics(double onLensMm) {
        return lens.optics(body.sensor(), onLensMm, converter);
    }

    /** The same with the camera as it is held. */
    public Optics optics(double onLensMm, Orientation held) {
        return held.turn(optics(onLensMm));
    }

    /** Electrons for each photon that reaches the front element. */
    public double efficiency() {
        return body.response().quantumEfficiency() * lens.transmission() * Stops.ratio(-filterStops);
    }

    /** Whether stars can be taken with it: not from the hand, nor at the rate of moon or sun, nor through a dark filter. */
    public boolean takesStars() {
        boolean held = support.kind() == Support.Kind.TRIPOD || support.kind() == Support.Kind.SIDEREAL;
        return held && !darkened();
    }

    /** Whether a solar filter is on it. */
    public boolean darkened() {
        return filterStops >= DARK_FILTER_STOPS;
    }

    /** Body and lens, grams. */
    public double weightG() {
        return body.weightG() + lens.weightG();
    }
}
