package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.optics.Framed;
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
 * @param id tells it from others of its night, whatever they are called
 * @param framed as asked; aimed nowhere: wherever the subject stands
 * @param pinned an opening that nothing moves; empty where the wish decides
 * @param decision what its photographer decides instead of what is proposed
 * @param stop the place at which it is taken, of those of its night, from 0
 */
public record Take(
        Id id,
        String name,
        Subject subject,
        NamedCamera camera,
        Framed framed,
        Wish wish,
        Optional<Instant> pinned,
        Decision decision,
        int stop) {

    public Take {
        if (stop < 0) {
            throw new IllegalArgumentException("stop " + stop);
        }
    }

    /** Of a subject as it is usually wished for, with the lens as people set it for that; known by its name. */
    public static Take of(String name, Subject subject, NamedCamera camera) {
        double usual = subject.usualFocalMm(camera.rig());
        return new Take(
                new Id(name),
                name,
                subject,
                camera,
                new Framed(new LensSetting(usual, subject.usualAperture(camera.rig(), usual))),
                subject.usual(),
                Optional.empty(),
                Decision.NONE,
                0);
    }

    /** With a body of its own. */
    public static Take of(String name, Subject subject, String camera, Rig rig) {
        return of(name, subject, NamedCamera.of(camera, rig));
    }

    public Take known(Id as) {
        return new Take(as, name, subject, camera, framed, wish, pinned, decision, stop);
    }

    /** One that is known by its name is then known by the other. */
    public Take named(String other) {
        Id as = id.equals(new Id(name)) ? new Id(other) : id;
        return new Take(as, other, subject, camera, framed, wish, pinned, decision, stop);
    }

    public Take with(Wish other) {
        return new Take(id, name, subject, camera, framed, other, pinned, decision, stop);
    }

    public Take with(Subject other) {
        return new Take(id, name, other, camera, framed, wish, pinned, decision, stop);
    }

    public Take with(Decision other) {
        return new Take(id, name, subject, camera, framed, wish, pinned, other, stop);
    }

    public Take with(Framed other) {
        return new Take(id, name, subject, camera, other, wish, pinned, decision, stop);
    }

    /** With the lens set so. */
    public Take set(double mm, double fNumber) {
        return with(framed.with(new LensSetting(mm, fNumber)));
    }

    public Take held(Orientation other) {
        return with(framed.held(other));
    }

    public Take aimed(Direction at) {
        return with(framed.aimed(Optional.of(at)));
    }

    public Take pinned(Optional<Instant> opening) {
        return new Take(id, name, subject, camera, framed, wish, opening, decision, stop);
    }

    public Take pinnedAt(Instant opening) {
        return pinned(Optional.of(opening));
    }

    /** At another place of its night. */
    public Take at(int other) {
        return new Take(id, name, subject, camera, framed, wish, pinned, decision, other);
    }

    public LensSetting asked() {
        return framed.lens();
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
        return camera.rig().optics(setting().onLensMm(), framed.held());
    }

    public Plan plan(Circumstances c) {
        return subject.plan(with(wish.called(c)), c);
    }

    /** The question of exposure at an instant, aimed as asked or else where the subject stands then. */
    public Setup setup(Circumstances c, Instant when) {
        Direction axis = framed.aim().orElseGet(() -> subject.aim(this, c, when));
        LensSetting set = setting();
        return new Setup(
                camera.rig(),
                set.onLensMm(),
                set.aperture(),
                new Pointing(axis, 0, framed.held()),
                c.from(),
                when,
                decided(c.demand()));
    }

    /** What is asked of stars in its night, with what its photographer decides. */
    private Demand decided(Demand demand) {
        Decision.Stars stars = decision.stars();
        return demand.within(stars.tolerancePx().orElse(demand.tolerancePx()), demand.sharp())
                .of(wish.asked().sight())
                .by(stars.rule())
                .slowest(stars.slowestSeconds().orElse(Double.POSITIVE_INFINITY));
    }
}
