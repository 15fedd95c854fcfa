package dev.halfdusk.app.places;

import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;

/** A place one photographs from. */
public record Place(Long id, String name, Site site, ZoneId zone) {}
