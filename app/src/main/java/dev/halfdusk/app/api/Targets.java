package dev.halfdusk.app.api;

import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Target;
import java.util.Optional;

/** Names of things in the sky, as the API takes them. */
final class Targets {

    private static final String OF_THE_SKY =
            "core, carina, cygnus, winter, magellanic, andromeda, pleiades, orion, venus,"
                    + " mars, jupiter, saturn, the name of a bright star, or a figure by its three letters";

    /** What has one place in the sky. */
    static final String NAMES = "sun, moon, " + OF_THE_SKY;

    /** What one can come for. */
    static final String SIGHTS = "arch, pole, " + OF_THE_SKY + "; or azimuth,altitude";

    private Targets() {}

    static Target named(String name) {
        return Optional.<Target>ofNullable(
                        name.equalsIgnoreCase("sun") ? Body.SUN : name.equalsIgnoreCase("moon") ? Body.MOON : null)
                .or(() -> Sight.of(name).flatMap(Sight::target))
                .orElseThrow(() -> new BadParameter("body", "names nothing that is known", NAMES));
    }

    static Sight sight(String name) {
        return Sight.of(name).orElseThrow(() -> new BadParameter("sight", "names nothing that is known", SIGHTS));
    }
}
