package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Star;

/** The stars to V 6.5, with proper motion and aberration. */
record CatalogueStars() implements Source {

    @Override
    public void paint(Exposure exposure) {
        Scene scene = exposure.scene();
        for (Star star : Star.all()) {
            Vector icrs = Vector.towards(
                    star.place().rightAscensionDeg(), star.place().declinationDeg());
            if (exposure.near(exposure.local(icrs.x(), icrs.y(), icrs.z()))) {
                exposure.point(
                        scene.moment().local(star.place(), scene.observer()), star.magnitude(), star.temperatureK());
            }
        }
    }
}
