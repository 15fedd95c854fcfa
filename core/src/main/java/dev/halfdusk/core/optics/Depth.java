package dev.halfdusk.core.optics;

import dev.halfdusk.core.measure.Range;
import java.util.ArrayList;
import java.util.List;

/**
 * What is sharp from where to where, thin-lens geometry: right to a few percent for distances over ten focal lengths.
 * Distances in metres from the camera.
 *
 * @param hyperfocalM f² / (N c) + f: focused there, everything from half of it to the stars is sharp enough
 * @param circleMm diameter of the largest spot that still counts as a point
 */
public record Depth(double focalMm, double aperture, double circleMm, double hyperfocalM) {

    public static final Range CIRCLE = new Range("circle of confusion", 0.001, 0.2, " mm");
    public static final Range DISTANCE = new Range("focus distance", 0.1, 100_000, " m");

    private static final double FULL_FRAME_CIRCLE_MM = 0.03;
    private static final double GREEN_UM = 0.55;
    private static final double AIRY = 2.44;
    private static final int MOST_FRAMES = 100;

    public static Depth of(double focalMm, double aperture, double circleMm) {
        CIRCLE.check(circleMm);
        return new Depth(focalMm, aperture, circleMm, (focalMm * focalMm / (aperture * circleMm) + focalMm) / 1000);
    }

    /** For prints: 0.03 mm on full frame, smaller by the crop factor. */
    public static double printCircleMm(Sensor sensor) {
        return FULL_FRAME_CIRCLE_MM / sensor.crop();
    }

    /** For viewing at full size: two pixels. */
    public static double pixelCircleMm(Sensor sensor) {
        return 2 * sensor.pitchUm() / 1000;
    }

    /** Nearest sharp distance when focused at a distance. */
    public double nearM(double focusM) {
        double h = hyperfocalM;
        double f = focalMm / 1000;
        return focusM * (h - f) / (h + focusM - 2 * f);
    }

    /** Farthest sharp distance; infinite from the hyperfocal distance on. */
    public double farM(double focusM) {
        double f = focalMm / 1000;
        return focusM >= hyperfocalM ? Double.POSITIVE_INFINITY : focusM * (hyperfocalM - f) / (hyperfocalM - focusM);
    }

    /** Nearest sharp distance with the stars in focus. */
    public double nearAtStarsM() {
        return hyperfocalM - focalMm / 1000;
    }

    /** Diameter of the spot of a star while focused at a distance, millimetres: f² / (N (s − f)). */
    public double blurAtStarsMm(double focusM) {
        return focalMm * focalMm / (aperture * (focusM * 1000 - focalMm));
    }

    /** Where to focus a second frame so that it is sharp from a nearest thing up to where the frame of the stars takes over. */
    public double blendFocusM(double nearestM) {
        // near limit of the focus = nearest; solved from s (H − f) / (H + s − 2 f) = n
        double f = focalMm / 1000;
        return nearestM * (hyperfocalM - 2 * f) / (hyperfocalM - f - nearestM);
    }

    /**
     * Where to focus the frames that, with the frame of the stars, are sharp from a nearest thing to infinity, nearest
     * first; none where the frame of the stars reaches it. As many as it takes, up to a hundred.
     */
    public List<Double> blend(double nearestM) {
        List<Double> focuses = new ArrayList<>();
        double nearest = nearestM;
        while (nearest < nearAtStarsM() && focuses.size() < MOST_FRAMES) {
            double focus = nearest < hyperfocalM / 2 ? blendFocusM(nearest) : hyperfocalM;
            focuses.add(focus);
            nearest = farM(focus);
        }
        return List.copyOf(focuses);
    }

    /** The f-number from which diffraction makes a star as wide as two pixels. */
    public static double diffractionAperture(Sensor sensor) {
        return 2 * sensor.pitchUm() / (AIRY * GREEN_UM);
    }

    /**
     * Where a lens draws best far away: two stops down from wide open, but no farther than diffraction allows, in clicks. A rule of the
     * craft; lenses differ.
     *
     * @param apertures that it can be set to
     */
    public static double sharpestAperture(Range apertures, Sensor sensor) {
        double wanted = Math.min(2 * apertures.min(), diffractionAperture(sensor));
        double within = apertures.nearest(wanted);
        return ApertureDial.nearest(ApertureDial.between(apertures.min(), apertures.max()), within);
    }

    /** Diameter of the spot that diffraction makes of a star: 2.44 λ N at 0.55 µm. */
    public double airyUm() {
        return AIRY * GREEN_UM * aperture;
    }
}
