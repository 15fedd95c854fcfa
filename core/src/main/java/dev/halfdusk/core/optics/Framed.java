package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Misread;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * How a camera is asked to stand: its lens, where it looks, which way up. Whether its rig can be set so is another matter.
 *
 * @param aim azimuth from north through east, apparent altitude; empty: wherever its subject stands
 */
public record Framed(LensSetting lens, Optional<Direction> aim, Orientation held) {

    /** Whatever the rig. */
    public static final Shape<Framed> SHAPE = new Shape<>("framed", "framing", fields(), Framed::of);

    /** Level, at its subject. */
    public Framed(LensSetting lens) {
        this(lens, Optional.empty(), Orientation.LANDSCAPE);
    }

    public Framed with(LensSetting other) {
        return new Framed(other, aim, held);
    }

    public Framed aimed(Optional<Direction> other) {
        return new Framed(lens, other, held);
    }

    public Framed held(Orientation other) {
        return new Framed(lens, aim, other);
    }

    private static List<Field<Framed>> fields() {
        List<Field<Framed>> all = new ArrayList<>(lens(f -> f, v -> Range.FOCAL_LENGTH, v -> Range.APERTURE));
        all.addAll(aim(f -> f, "empty: where its subject stands"));
        all.add(held(f -> f));
        return all;
    }

    /** Of whatever is framed: focal length and aperture. */
    public static <T> List<Field<T>> lens(
            Function<T, Framed> of, Function<Values, Range> focals, Function<Values, Range> apertures) {
        return List.of(
                Field.<T>number(
                                "focalMm",
                                "Focal length, mm",
                                Range.FOCAL_LENGTH,
                                t -> of.apply(t).lens.onLensMm())
                        .within(focals)
                        .hinted("set on the lens"),
                Field.<T>number(
                                "aperture",
                                "Aperture, f/",
                                Range.APERTURE,
                                t -> of.apply(t).lens.aperture())
                        .within(apertures)
                        .hinted("never sent to a manual lens"));
    }

    /** Both numbers or neither. */
    public static <T> List<Field<T>> aim(Function<T, Framed> of, String empty) {
        return List.of(
                Field.<T>number(
                                "azimuth",
                                "Looks towards, \u00b0",
                                Range.AZIMUTH,
                                t -> of.apply(t).part(Direction::azimuthDeg))
                        .orNone()
                        .hinted(empty),
                Field.<T>number(
                                "altitude",
                                "as high as, \u00b0",
                                Pointing.AIM,
                                t -> of.apply(t).part(Direction::altitudeDeg))
                        .orNone()
                        .hinted(empty));
    }

    public static <T> Field<T> held(Function<T, Framed> of) {
        return Field.yesNo("upright", "upright", t -> of.apply(t).held == Orientation.PORTRAIT);
    }

    private OptionalDouble part(ToDoubleFunction<Direction> part) {
        return aim.map(a -> OptionalDouble.of(part.applyAsDouble(a))).orElse(OptionalDouble.empty());
    }

    /** @throws Misread for half a direction */
    public static Framed of(Values v) {
        if (v.has("azimuth") != v.has("altitude")) {
            throw new Misread(
                    v.has("azimuth") ? "altitude" : "azimuth", "a direction is both: towards what, and how high");
        }
        return new Framed(
                new LensSetting(v.number("focalMm"), v.number("aperture")),
                v.has("azimuth")
                        ? Optional.of(new Direction(v.number("azimuth"), v.number("altitude")))
                        : Optional.empty(),
                v.yes("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE);
    }
}
