package dev.halfdusk.app.outings;

import dev.halfdusk.app.Skies;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.CompositionTest;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.outing.SharpStars;
import java.time.LocalDate;

/**
 * A night at a place with a kit.
 *
 * @param id null until stored
 * @param aperture f-number to shoot at
 * @param tolerancePx drift that still counts as a point
 * @param iso the photographer intends to shoot at
 */
public record Outing(
        Long id,
        String title,
        Place place,
        LocalDate night,
        Kit.Body body,
        Kit.NamedLens lens,
        double focalMm,
        double aperture,
        double tolerancePx,
        int iso) {

    Outing withNight(LocalDate other) {
        return new Outing(id, title, place, other, body, lens, focalMm, aperture, tolerancePx, iso);
    }

    /** Body and lens on a tripod. */
    public Rig rig() {
        return Rig.of(body.camera(), lens.lens());
    }

    public SharpStars plan(Skies skies) {
        Night sky = skies.night(place, night);
        Optics optics = new Optics(body.sensor(), focalMm, lens.lens().projection());
        return SharpStars.of(sky, optics, aperture, tolerancePx, body.dial());
    }

    /** Seconds of a test frame at another ISO that is as bright as the real one. */
    public double compositionTest(double seconds, int testIso) {
        return CompositionTest.seconds(seconds, aperture, iso, aperture, testIso);
    }
}
