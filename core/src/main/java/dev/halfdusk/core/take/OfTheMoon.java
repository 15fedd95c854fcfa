package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Aiming;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Set;

/** What all takes of the moon have in common. */
interface OfTheMoon extends Subject {

    @Override
    default Set<Need> needs() {
        return Set.of(Need.MOON);
    }

    @Override
    default Direction aim(Circumstances c, Instant t) {
        return Aiming.towards(Body.MOON, Moment.at(t), c.night().observer());
    }

    @Override
    default List<String> bag() {
        return List.of("cable or remote release");
    }

    @Override
    default List<Caution> cautions() {
        return List.of(Caution.Known.MOON_DAZZLES);
    }

    @Override
    default Focus focus(Take take, Circumstances c, Instant t) {
        return Focus.far(Focus.On.MOON);
    }

    @Override
    default double usualFocalMm(Rig rig) {
        return rig.lens().longestMm();
    }

    @Override
    default double usualAperture(Rig rig, double onLensMm) {
        return sharpest(rig, onLensMm);
    }

    /** Where it is known to be sharpest; else two stops down from wide open, but from f/5.6 to f/8 where lens and diffraction allow. */
    static double sharpest(Rig rig, double onLensMm) {
        Range range = rig.apertures(onLensMm);
        double wanted = rig.lens().sharpest().orElse(Math.max(5.6, Math.min(8, 2 * range.min())));
        return ApertureDial.nearest(ApertureDial.between(range.min(), range.max()), range.nearest(wanted));
    }
}
