package dev.halfdusk.core.take;

import java.util.List;
import java.util.Optional;

/** The subjects there are, in the order in which they are offered. */
public final class Subjects {

    public static final List<Subject.Kind> ALL = List.of(
            MilkyWay.KIND,
            Arch.KIND,
            Stack.KIND,
            Ground.KIND,
            SkyAndGround.KIND,
            People.KIND,
            Painting.KIND,
            Trails.KIND,
            Meteors.KIND,
            Moon.KIND,
            EclipsedMoon.KIND,
            EclipsedSun.KIND,
            Fireworks.KIND,
            NightScene.KIND,
            Clip.KIND,
            Variety.KIND,
            Free.KIND);

    private Subjects() {}

    public static Optional<Subject.Kind> of(String key) {
        return ALL.stream().filter(k -> k.key().equals(key)).findFirst();
    }
}
