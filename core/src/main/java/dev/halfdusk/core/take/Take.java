package dev.halfdusk.core.take;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import java.time.Instant;
import java.util.Optional;

/**
 * One thing to photograph in a night: a subject with a rig, a framing and a wish.
 *
 * @param camera name of the rig: takes of one name share it
 * @param onLensMm focal length set on the lens
 * @param aim where the camera looks; empty: wherever the subject stands
 * @param pinned an opening that nothing moves; empty where the wish decides
 */
public record Take(
        String name,
        Subject subject,
        String camera,
        Rig rig,
        double onLensMm,
        double aperture,
        Optional<Direction> aim,
        Orientation held,
        Demand demand,
        Wish wish,
        Optional<Instant> pinned) {

    public Take {
        rig.apertures(onLensMm).check(aperture);
    }

    /** Of a subject as it is usually wished for, with the lens wide open at its short end. */
    public static Take of(String name, Subject subject, String camera, Rig rig) {
        double shortest = rig.lens().shortestMm();
        return new Take(
                name,
                subject,
                camera,
                rig,
                shortest,
                rig.apertures(shortest).min(),
                Optional.empty(),
                Orientation.LANDSCAPE,
                Demand.USUAL,
                subject.usual(),
                Optional.empty());
    }

    public Take with(Wish other) {
        return new Take(name, subject, camera, rig, onLensMm, aperture, aim, held, demand, other, pinned);
    }

    public Take pinnedAt(Instant opening) {
        return new Take(name, subject, camera, rig, onLensMm, aperture, aim, held, demand, wish, Optional.of(opening));
    }

    public Take aimed(Direction at) {
        return new Take(name, subject, camera, rig, onLensMm, aperture, Optional.of(at), held, demand, wish, pinned);
    }

    public Plan plan(Circumstances c) {
        return subject.plan(this, c);
    }

    /** The question of exposure at an instant, aimed as asked or else where the subject stands then. */
    Setup setup(Circumstances c, Instant when, Direction usual) {
        Direction axis = aim.orElse(usual);
        return new Setup(rig, onLensMm, aperture, new Pointing(axis, 0, held), c.from(), when, demand);
    }
}
