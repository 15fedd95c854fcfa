package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What stands before the camera when the shutter opens.
 *
 * @param marks seen from there, as upright boxes
 * @param lampLux light of lamps on the ground, lux while the shutter is open
 * @param passing seed of an aircraft and a satellite that cross the frame; empty for none
 * @param sea whether water lies below the horizon where the skyline is lower than a degree
 */
public record Scene(
        Standpoint from,
        Moment moment,
        List<Mark> marks,
        double lampLux,
        Optional<Long> passing,
        boolean sea,
        Clouds clouds) {

    public Scene {
        GroundLight.LUX.check(lampLux);
        marks = List.copyOf(marks);
    }

    /** With nothing that passes. */
    public Scene(Standpoint from, Moment moment, List<Mark> marks, double lampLux) {
        this(from, moment, marks, lampLux, Optional.empty(), false, Clouds.NONE);
    }

    public Scene with(Clouds other) {
        return new Scene(from, moment, marks, lampLux, passing, sea, other);
    }

    /** All that sends light but the faint stars. */
    List<Source> sources() {
        List<Source> sources = new ArrayList<>(List.of(new MoonDisc(), new CatalogueStars(), new Planets()));
        passing.ifPresent(seed -> {
            sources.add(new Passing(Passing.Kind.AIRCRAFT, seed));
            sources.add(new Passing(Passing.Kind.SATELLITE, seed + 1));
        });
        return sources;
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
