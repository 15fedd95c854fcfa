package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.List;

/**
 * What stands before the camera when the shutter opens.
 *
 * @param marks seen from there, as upright boxes
 * @param lampLux light of lamps on the ground, lux while the shutter is open
 */
public record Scene(Standpoint from, Moment moment, List<Mark> marks, double lampLux) {

    public Scene {
        GroundLight.LUX.check(lampLux);
        marks = List.copyOf(marks);
    }

    /** Sky and skyline alone: no marks, no lamps. */
    public static Scene open(Standpoint from, Moment moment) {
        return new Scene(from, moment, List.of(), 0);
    }

    public Observer observer() {
        return from.observer();
    }

    public SunAndMoon lamps() {
        return SunAndMoon.at(moment, from.observer());
    }
}
