package dev.halfdusk.core.ground;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;

/**
 * Where a camera stands, and what its ground does to the sky.
 *
 * @param skyline that hides the low sky
 * @param glow how bright the sky is there
 */
public record Standpoint(Observer observer, Skyline skyline, SkyGlow glow) {

    public static Standpoint at(Site site, Skyline skyline, SkyGlow glow) {
        return new Standpoint(Observer.at(site), skyline, glow);
    }

    /** On open ground. */
    public static Standpoint open(Site site, SkyGlow glow) {
        return at(site, Skyline.FLAT, glow);
    }

    public Site site() {
        return observer.site();
    }

    public Standpoint under(SkyGlow other) {
        return new Standpoint(observer, skyline, other);
    }
}
