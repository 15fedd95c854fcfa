package dev.halfdusk.app.api;

import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Star;
import dev.halfdusk.core.sky.Target;
import java.util.Arrays;
import java.util.Locale;

/** Names of things in the sky, as the API takes them. */
final class Targets {

    static final String NAMES = "sun, moon, venus, mars, jupiter, saturn, core, or the name of a bright star";

    private Targets() {}

    static Target named(String name) {
        if (name.equalsIgnoreCase("core")) {
            return FixedPoint.CORE;
        }
        return Arrays.stream(Body.values())
                .filter(b -> b.name().equals(name.toUpperCase(Locale.ROOT)))
                .<Target>map(b -> b)
                .findFirst()
                .or(() -> Star.named(name).map(Star::place))
                .orElseThrow(() -> new BadParameter("body", "names nothing that is known", NAMES));
    }
}
