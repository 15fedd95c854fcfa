package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Aiming;
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
    default List<String> cautions() {
        return List.of("A bright moon in a telescope dazzles: you will not see the ground for some minutes.");
    }
}
