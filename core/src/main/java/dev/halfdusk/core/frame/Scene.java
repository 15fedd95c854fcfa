package dev.halfdusk.core.frame;

import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;
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
 * @param fired shells, with their seconds counted from the opening
 * @param danjon darkness of the earth's shadow, in case the moon is in it
 */
public record Scene(
        Standpoint from,
        Moment moment,
        List<Mark> marks,
        double lampLux,
        Optional<Long> passing,
        boolean sea,
        Clouds clouds,
        double danjon,
        List<Fired> fired) {

    public Scene {
        fired = List.copyOf(fired);
        ShadowedMoon.DANJON.check(danjon);
        GroundLight.LUX.check(lampLux);
        marks = List.copyOf(marks);
    }

    /** With a shadow of the earth that is as dark as usual. */
    public Scene(
            Standpoint from,
            Moment moment,
            List<Mark> marks,
            double lampLux,
            Optional<Long> passing,
            boolean sea,
            Clouds clouds) {
        this(from, moment, marks, lampLux, passing, sea, clouds, ShadowedMoon.USUAL_DANJON, List.of());
    }

    /** With nothing that passes. */
    public Scene(Standpoint from, Moment moment, List<Mark> marks, double lampLux) {
        this(from, moment, marks, lampLux, Optional.empty(), false, Clouds.NONE);
    }

    public Scene with(Clouds other) {
        return new Scene(from, moment, marks, lampLux, passing, sea, other, danjon, fired);
    }

    /** With another darkness of the earth's shadow. */
    public Scene shadowed(double otherDanjon) {
        return new Scene(from, moment, marks, lampLux, passing, sea, clouds, otherDanjon, fired);
    }

    /** With shells that are fired while the shutter is open, or were before. */
    public Scene with(List<Fired> shells) {
        return new Scene(from, moment, marks, lampLux, passing, sea, clouds, danjon, shells);
    }

    /** All that sends light but the faint stars. */
    List<Source> sources() {
        List<Source> sources =
                new ArrayList<>(List.of(new SunDisc(), new MoonDisc(), new CatalogueStars(), new Planets()));
        if (!fired.isEmpty()) {
            sources.add(new Bursts(fired));
        }
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
        SunAndMoon usual = SunAndMoon.at(moment, from.observer());
        return usual.moonShare() == 1 ? usual : usual.eclipsed(new ShadowedMoon(Shadow.at(moment), danjon));
    }
}
