package dev.halfdusk.core.exposure;

import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;

/**
 * The one question of exposure: which rig, set how, where, when, aimed at what, and what is asked of the picture. The answer
 * is a {@link Proposal}.
 *
 * @param onLensMm focal length set on the lens, without a converter
 * @param aperture f-number as it works on the sensor, with the converter
 */
public record Setup(
        Rig rig, double onLensMm, double aperture, Pointing pointing, Standpoint from, Instant when, Demand demand) {

    /** @throws dev.halfdusk.core.measure.OutOfRange for a focal length or aperture that the rig cannot be set to */
    public Setup {
        rig.apertures(onLensMm).check(aperture);
    }

    /** As the camera is held. */
    public Optics optics() {
        return rig.optics(onLensMm, pointing.held());
    }

    public Framing framing() {
        return pointing.framing(rig.optics(onLensMm));
    }

    public Moment moment() {
        return Moment.at(when);
    }

    public Setup pointing(Pointing other) {
        return new Setup(rig, onLensMm, aperture, other, from, when, demand);
    }

    public Setup with(Rig other) {
        return new Setup(other, onLensMm, aperture, pointing, from, when, demand);
    }

    public Setup at(Instant other) {
        return new Setup(rig, onLensMm, aperture, pointing, from, other, demand);
    }

    /** Electrons that a surface of some brightness (V magnitudes per square arcsecond) frees in a pixel each second. */
    public double electronsPerSecond(double magnitude) {
        return SkyElectrons.perSecond(magnitude, aperture, rig.body().sensor().pitchUm(), rig.efficiency());
    }

    /** Of the lens as it is set, for a spot that still counts as a point. */
    public Depth depth(double circleMm) {
        return Depth.of(optics().focalMm(), aperture, circleMm);
    }

    public Proposal proposal() {
        return Proposal.of(this);
    }
}
