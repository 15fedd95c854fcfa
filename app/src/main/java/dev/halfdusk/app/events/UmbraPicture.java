package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Shadow;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * The way of the moon through the earth's shadow as it is seen from a place, up being the zenith at the greatest eclipse. The
 * middle of the shadow is the origin; a degree is {@value #SCALE} units.
 *
 * @param now where the moon is at the minute that is looked at; null where none is
 */
record UmbraPicture(double umbra, double penumbra, List<Disc> moons, Disc now) {

    static final int SCALE = 60;

    /** Degrees from the axis that the picture shows. */
    private static final double NEAR = 1.9;

    /** The moon at a contact; where it is down it is only outlined. */
    record Disc(double x, double y, double radius, String name, boolean up) {}

    static UmbraPicture of(LocalEclipse local, Observer observer) {
        return of(local, observer, Optional.empty());
    }

    /** @param now an instant that is looked at; far from the shadow it is not drawn */
    static UmbraPicture of(LocalEclipse local, Observer observer, Optional<Instant> now) {
        Moment greatest = Moment.at(local.contact("max").when());
        Shadow deepest = Shadow.at(greatest);
        double zenith = Math.toRadians(greatest.parallacticAngleDeg(Body.MOON, observer));
        return new UmbraPicture(
                PathText.tenth(deepest.umbraDeg() * SCALE),
                PathText.tenth(deepest.penumbraDeg() * SCALE),
                local.contacts().stream()
                        .map(c -> disc(c.when(), c.name(), c.up(), zenith))
                        .toList(),
                now.map(t -> disc(t, "now", true, zenith))
                        .filter(d -> Math.hypot(d.x, d.y) < NEAR * SCALE)
                        .orElse(null));
    }

    /**
     * Against the stars, seen from the middle of the earth, and turned as it stands at the place: the parallax of the moon moves the
     * shadow with it.
     *
     * @param zenith its position angle, from north over east, which is to the left
     */
    private static Disc disc(Instant when, String name, boolean up, double zenith) {
        Moment moment = Moment.at(when);
        Shadow.Offset off = Shadow.Offset.at(moment);
        double e = off.eastDeg() * SCALE;
        double n = off.northDeg() * SCALE;
        return new Disc(
                PathText.tenth(n * Math.sin(zenith) - e * Math.cos(zenith)),
                PathText.tenth(-(e * Math.sin(zenith) + n * Math.cos(zenith))),
                PathText.tenth(Shadow.at(moment).moonDeg() * SCALE),
                name,
                up);
    }
}
