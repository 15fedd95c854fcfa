package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import java.time.Instant;
import java.util.Optional;

/**
 * One thing to photograph in a night: a subject with a camera, a framing and a wish. It holds what was asked; a camera that has
 * become another since may not be set so, and is then planned as near as it can be.
 *
 * @param onLensMm focal length asked of the lens
 * @param aperture f-number asked of it
 * @param aim where the camera looks; empty: wherever the subject stands
 * @param pinned an opening that nothing moves; empty where the wish decides
 * @param decision what its photographer decides instead of what is proposed
 * @param stop the place at which it is taken, of those of its night, from 0
 */
public record Take(
        String name,
        Subject subject,
        NamedCamera camera,
        double onLensMm,
        double aperture,
        Optional<Direction> aim,
        Orientation held,
        Demand demand,
        Wish wish,
        Optional<Instant> pinned,
        Decision decision,
        int stop) {

    public Take {
        if (stop < 0) {
            throw new IllegalArgumentException("stop " + stop);
        }
    }

    /** Of a subject as it is usually wished for, with the lens as people set it for that. */
    public static Take of(String name, Subject subject, NamedCamera camera) {
        double usual = subject.usualFocalMm(camera.rig());
        return new Take(
                name,
                subject,
                camera,
                usual,
                subject.usualAperture(camera.rig(), usual),
                Optional.empty(),
                Orientation.LANDSCAPE,
                Demand.USUAL,
                subject.usual(),
                Optional.empty(),
                Decision.NONE,
                0);
    }

    /** With a body of its own. */
    public static Take of(String name, Subject subject, String camera, Rig rig) {
        return of(name, subject, NamedCamera.of(camera, rig));
    }

    public Take with(Wish other) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, held, demand, other, pinned, decision, stop);
    }

    public Take with(Demand other) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, held, other, wish, pinned, decision, stop);
    }

    public Take with(Subject other) {
        return new Take(name, other, camera, onLensMm, aperture, aim, held, demand, wish, pinned, decision, stop);
    }

    public Take with(Decision other) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, held, demand, wish, pinned, other, stop);
    }

    /** With the lens set so. */
    public Take set(double mm, double fNumber) {
        return new Take(name, subject, camera, mm, fNumber, aim, held, demand, wish, pinned, decision, stop);
    }

    public Take held(Orientation other) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, other, demand, wish, pinned, decision, stop);
    }

    public Take named(String other) {
        return new Take(other, subject, camera, onLensMm, aperture, aim, held, demand, wish, pinned, decision, stop);
    }

    public Take pinned(Optional<Instant> opening) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, held, demand, wish, opening, decision, stop);
    }

    public Take pinnedAt(Instant opening) {
        return pinned(Optional.of(opening));
    }

    public Take aimed(Direction at) {
        return new Take(
                name, subject, camera, onLensMm, aperture, Optional.of(at), held, demand, wish, pinned, decision, stop);
    }

    /** At another place of its night. */
    public Take at(int other) {
        return new Take(name, subject, camera, onLensMm, aperture, aim, held, demand, wish, pinned, decision, other);
    }

    public LensSetting asked() {
        return new LensSetting(onLensMm, aperture);
    }

    /** What it is planned with: as asked, or the nearest that its camera can be set to. */
    public LensSetting setting() {
        return camera.rig().nearest(asked());
    }

    /** Whether its camera can be set as asked. */
    public boolean fits() {
        return camera.rig().canBeSet(asked());
    }

    /** As its camera is held. */
    public Optics optics() {
        return camera.rig().optics(setting().onLensMm(), held);
    }

    public Plan plan(Circumstances c) {
        return subject.plan(with(wish.called(c)), c);
    }

    /** The question of exposure at an instant, aimed as asked or else where the subject stands then. */
    public Setup setup(Circumstances c, Instant when) {
        Direction axis = aim.orElseGet(() -> subject.aim(this, c, when));
        LensSetting set = setting();
        return new Setup(
                camera.rig(), set.onLensMm(), set.aperture(), new Pointing(axis, 0, held), c.from(), when, decided());
    }

    /** What is asked of stars, with what its photographer decides. */
    private Demand decided() {
        Decision.Stars stars = decision.stars();
        return demand.within(stars.tolerancePx().orElse(demand.tolerancePx()), demand.sharp())
                .of(wish.asked().sight())
                .by(stars.rule())
                .slowest(stars.slowestSeconds().orElse(Double.POSITIVE_INFINITY));
    }
}
