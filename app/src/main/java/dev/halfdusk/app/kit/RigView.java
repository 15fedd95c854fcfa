package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.LunarMonth;
import java.util.List;
import java.util.stream.DoubleStream;

/** What follows from a rig's numbers, at the ends of its zoom. */
public record RigView(NamedRig rig, String weight, String support, List<End> ends) {

    /** One focal length, wide open. */
    public record End(
            String focal,
            String aperture,
            String landscape,
            String portrait,
            String plate,
            String hyperfocalPrint,
            String hyperfocalPixel,
            String diffraction,
            boolean soft,
            String moonMm,
            String moonPx) {}

    static RigView of(NamedRig named) {
        Rig rig = named.rig();
        DoubleStream focals = rig.lens().isPrime()
                ? DoubleStream.of(rig.lens().shortestMm())
                : DoubleStream.of(rig.lens().shortestMm(), rig.lens().longestMm());
        return new RigView(
                named,
                Numbers.grouped(named.weightG()) + " g",
                rig.support().kind().words(),
                focals.mapToObj(f -> end(rig, f)).toList());
    }

    private static End end(Rig rig, double onLens) {
        Optics optics = rig.optics(onLens);
        Range apertures = rig.apertures(onLens);
        double aperture = apertures.min();
        double focal = optics.focalMm();
        Depth print = Depth.of(focal, aperture, Depth.printCircleMm(optics.sensor()));
        Depth pixel = Depth.of(focal, aperture, Depth.pixelCircleMm(optics.sensor()));
        double pitch = optics.sensor().pitchUm();
        double moonMm = 2 * focal * Math.tan(Math.toRadians(LunarMonth.MEAN_WIDTH_DEG / 2));
        // the disc of a star is as wide as two pixels from here on
        double limit = Depth.diffractionAperture(optics.sensor());
        return new End(
                Words.trimmed(Math.round(focal * 10) / 10.0) + " mm",
                "f/" + Words.trimmed(aperture) + " to f/" + Words.trimmed(Math.round(apertures.max() * 10) / 10.0),
                Words.number(optics.widthDeg(), 1) + "\u00b0 \u00d7 " + Words.number(optics.heightDeg(), 1) + "\u00b0",
                Words.number(optics.heightDeg(), 1) + "\u00b0 \u00d7 " + Words.number(optics.widthDeg(), 1) + "\u00b0",
                Words.number(optics.plateScaleArcsec(), 1) + "\u2033",
                Words.number(print.hyperfocalM(), 1) + " m",
                Words.number(pixel.hyperfocalM(), 1) + " m",
                "a star's disc " + Words.number(pixel.airyUm(), 1) + " \u00b5m on pixels of " + Words.number(pitch, 1)
                        + " \u00b5m; two pixels from f/" + Words.number(limit, 0) + " on",
                aperture > limit,
                Words.number(moonMm, moonMm < 1 ? 2 : 1) + " mm",
                Words.number(moonMm * 1000 / pitch, 0) + " px");
    }
}
