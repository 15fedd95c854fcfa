package dev.halfdusk.app.places;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;

/** A place one photographs from. */
public record Place(Long id, String name, Site site, ZoneId zone) {

    /** The sky of the place: natural, as long as nothing else is known of it. */
    public SkyGlow glow() {
        return SkyGlow.natural();
    }
}
