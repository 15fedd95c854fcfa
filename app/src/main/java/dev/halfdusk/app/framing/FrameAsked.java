package dev.halfdusk.app.framing;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.FramePicture;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.DriftField;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Trails;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** What is seen through which lens, when. */
public record FrameAsked(
        NamedRig named,
        Rig rig,
        double onLensMm,
        double aperture,
        boolean upright,
        Place place,
        List<Mark> marks,
        Night night,
        Ribbon ribbon,
        int minute,
        Instant when,
        double azimuthDeg,
        double altitudeDeg,
        double rollDeg,
        OptionalDouble shutter,
        OptionalInt iso,
        int frames,
        double pause,
        double lampLux,
        double kelvin) {

    public Optics optics() {
        Optics level = rig.optics(onLensMm);
        return upright ? level.portrait() : level;
    }

    Framing framing() {
        return Framing.of(optics(), azimuthDeg, altitudeDeg, rollDeg);
    }

    Scene scene() {
        return new Scene(Moment.at(when), night.observer(), place.glow(), place.skyline(), marks, lampLux);
    }

    Proposal proposal() {
        return Proposal.of(new Proposal.Request(
                framing(), Moment.at(when), night.observer(), place.glow(), place.skyline(), rig, aperture, 3, 10));
    }

    /** With the stars in focus, by two pixels. */
    Depth depth() {
        return Depth.of(
                optics().focalMm(), aperture, Depth.pixelCircleMm(rig.body().sensor()));
    }

    double seconds(Proposal p) {
        return shutter.orElse(p.seconds());
    }

    int isoOr(Proposal p) {
        return iso.orElse(p.isos().get(0).iso());
    }

    Shot shot(Proposal p) {
        return new Shot(
                framing(),
                rig.body().response(),
                rig.efficiency(),
                aperture,
                rig.apertures(onLensMm).min(),
                seconds(p),
                isoOr(p),
                0,
                kelvin,
                rig.support().tracks());
    }

    Trails trails() {
        return new Trails(frames, pause);
    }

    FramePicture picture(Proposal p, boolean figures, boolean grid, boolean drift) {
        Optional<DriftField> field = drift
                ? Optional.of(DriftField.of(framing(), night.site().latitudeDeg(), seconds(p)))
                : Optional.empty();
        double whole = frames > 1 ? trails().seconds(seconds(p)) : 0;
        return FramePicture.of(
                scene(),
                framing(),
                new FramePicture.Options(figures, grid, field, whole, seconds(p), pause, depth().nearAtStarsM()));
    }
}
