package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Field;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.measure.Values;
import java.util.List;

/** What is kept of a lens. */
public final class LensShape {

    private LensShape() {}

    public static final Shape<Lens> SHAPE = new Shape<>(
            "lens",
            "lens",
            List.of(
                    Field.<Lens>number("shortest", "Focal length, mm", Range.FOCAL_LENGTH, Lens::shortestMm)
                            .hinted("short end of a zoom; " + Range.FOCAL_LENGTH.allowed())
                            .starting(24),
                    Field.<Lens>number("longest", "Long end, mm", Range.FOCAL_LENGTH, Lens::longestMm)
                            .within(v -> v.has("shortest")
                                    ? Range.FOCAL_LENGTH.from(v.number("shortest"))
                                    : Range.FOCAL_LENGTH)
                            .usually(v -> v.get("shortest"))
                            .hinted("left empty: a prime"),
                    Field.<Lens>number("widestShort", "Widest f/", Lens.APERTURE, Lens::widestAtShort)
                            .hinted("at the short end")
                            .starting(2.8),
                    Field.<Lens>number("widestLong", "and at the long end", Lens.APERTURE, Lens::widestAtLong)
                            .usually(v -> v.get("widestShort"))
                            .hinted("left empty: the same"),
                    Field.<Lens>number("narrowest", "Narrowest f/", Lens.APERTURE, Lens::narrowest)
                            .within(LensShape::narrowest)
                            .usually(22.0)
                            .starting(22),
                    Field.<Lens>number("transmission", "Transmission", Lens.TRANSMISSION, Lens::transmission)
                            .hinted("light that passes the glass, " + Lens.TRANSMISSION.allowed())
                            .usually(Lens.USUAL_TRANSMISSION)
                            .starting(Lens.USUAL_TRANSMISSION),
                    Field.<Lens, Projection>choice(
                                    "projection",
                                    "Draws",
                                    Projection.class,
                                    p -> p == Projection.RECTILINEAR
                                            ? "straight lines (rectilinear)"
                                            : "as a fisheye (equidistant)",
                                    Lens::projection)
                            .starting(Projection.RECTILINEAR),
                    Field.<Lens>number("imageCircle", "Image circle, mm", Lens.IMAGE_CIRCLE, Lens::imageCircleMm)
                            .hinted(Lens.IMAGE_CIRCLE.allowed() + "; empty: fills the sensor, a fisheye 180\u00b0")
                            .orNone(),
                    Field.<Lens>number("sharpest", "Sharpest f/", Lens.APERTURE, Lens::sharpest)
                            .within(v -> v.has("widestShort") && v.has("narrowest")
                                    ? Lens.APERTURE
                                            .from(v.number("widestShort"))
                                            .upTo(v.number("narrowest"))
                                    : Lens.APERTURE)
                            .hinted("where its stars are smallest; empty: not looked at yet")
                            .orNone(),
                    Field.<Lens>number("infinity", "Infinity, mm before the stop", Lens.INFINITY, Lens::infinityMm)
                            .hinted("of the ring, when stars are sharp; empty: not looked at yet")
                            .orNone(),
                    Field.<Lens>number("weight", "Weight, g", CameraBody.WEIGHT, Lens::weightG)
                            .usually(450.0)
                            .starting(450),
                    Field.<Lens>yesNo(
                                    "electronic", "The body sets the aperture (else a script cannot)", Lens::electronic)
                            .starting(true)),
            v -> new Lens(
                    v.number("shortest"),
                    v.number("longest"),
                    v.number("widestShort"),
                    v.number("widestLong"),
                    v.number("narrowest"),
                    v.choice("projection", Projection.class),
                    v.number("transmission"),
                    v.yes("electronic"),
                    v.number("weight"),
                    v.maybe("imageCircle"),
                    v.maybe("sharpest"),
                    v.maybe("infinity")));

    private static Range narrowest(Values v) {
        return v.has("widestShort") && v.has("widestLong")
                ? Lens.APERTURE.from(Math.max(v.number("widestShort"), v.number("widestLong")))
                : Lens.APERTURE;
    }
}
