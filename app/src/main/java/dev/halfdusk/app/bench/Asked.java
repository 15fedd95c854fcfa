package dev.halfdusk.app.bench;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;

/**
 * What the bench was asked.
 *
 * @param onLensMm focal length set on the lens, without a converter
 * @param glow the place's, or that of a darkness typed instead
 */
record Asked(
        NamedRig named,
        Rig rig,
        double onLensMm,
        double aperture,
        boolean upright,
        double tolerancePx,
        double signalToNoise,
        Place place,
        SkyGlow glow,
        Night night,
        Instant when,
        double azimuthDeg,
        double altitudeDeg,
        boolean atCore) {

    Optics optics() {
        Optics level = rig.optics(onLensMm);
        return upright ? level.portrait() : level;
    }

    Proposal proposal() {
        return Proposal.of(new Proposal.Request(
                Framing.of(optics(), azimuthDeg, altitudeDeg, 0),
                Moment.at(when),
                night.observer(),
                glow,
                place.skyline(),
                rig,
                aperture,
                tolerancePx,
                signalToNoise));
    }
}
