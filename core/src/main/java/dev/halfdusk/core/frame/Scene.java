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
 * What stands before the camera when the shutter opens. One begins with {@link #open} and adds to it.
 *
 * @param marks seen from there, as upright boxes
 * @param lampLux light of a lamp on the ground, lux while the shutter is open
 * @param passing seed of an aircraft and a satellite that cross the frame; empty for none
 * @param sea whether water lies below the horizon where the skyline is lower than a degree
 * @param fired shells, with their seconds counted from the opening
 * @param danjon darkness of the earth's shadow, in case the moon is in it
 * @param street lamps and vehicles of a town
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
        List<Fired> fired,
        Optional<Street> street) {

    public Scene {
        fired = List.copyOf(fired);
        ShadowedMoon.DANJON.check(danjon);
        GroundLight.LUX.check(lampLux);
        marks = List.copyOf(marks);
    }

    /** Sky and skyline alone. */
    public static Scene open(Standpoint from, Moment moment) {
        return new Scene(
                from,
                moment,
                List.of(),
                0,
                Optional.empty(),
                false,
                Clouds.NONE,
                ShadowedMoon.USUAL_DANJON,
                List.of(),
                Optional.empty());
    }

    public Scene marked(List<Mark> others) {
        return new Scene(from, moment, others, lampLux, passing, sea, clouds, danjon, fired, street);
    }

    /** With the ground in so much lamplight. */
    public Scene lit(double lux) {
        return new Scene(from, moment, marks, lux, passing, sea, clouds, danjon, fired, street);
    }

    /** With what flies across the frame. */
    public Scene crossed(Optional<Long> seed) {
        return new Scene(from, moment, marks, lampLux, seed, sea, clouds, danjon, fired, street);
    }

    public Scene bySea(boolean water) {
        return new Scene(from, moment, marks, lampLux, passing, water, clouds, danjon, fired, street);
    }

    public Scene with(Clouds other) {
        return new Scene(from, moment, marks, lampLux, passing, sea, other, danjon, fired, street);
    }

    /** With another darkness of the earth's shadow. */
    public Scene shadowed(double otherDanjon) {
        return new Scene(from, moment, marks, lampLux, passing, sea, clouds, otherDanjon, fired, street);
    }

    /** With shells that are fired while the shutter is open, or were before. */
    public Scene firing(List<Fired> shells) {
        return new Scene(from, moment, marks, lampLux, passing, sea, clouds, danjon, shells, street);
    }

    /** With a town: its houses, its lamps on the ground, its traffic. */
    public Scene in(Street town) {
        List<Mark> all = new ArrayList<>(marks);
        all.addAll(town.built());
        return new Scene(from, moment, all, lampLux, passing, sea, clouds, danjon, fired, Optional.of(town));
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
        street.ifPresent(s -> sources.add(new TownLights(s)));
        return sources;
    }

    public Observer observer() {
        return from.observer();
    }

    public SunAndMoon lamps() {
        SunAndMoon usual = SunAndMoon.at(moment, from.observer());
        return usual.moonShare() == 1 ? usual : usual.eclipsed(new ShadowedMoon(Shadow.at(moment), danjon));
    }
}
