package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** Eclipses of the sun, places and rigs for tests. */
public final class Suns {

    public static final Site STRAIT = new Site(36.0104, -5.6120, 50);
    public static final Gear.Filter DENSITY_5 = new Gear.Filter(16.6);
    public static final Support SOLAR = new Support(Support.Kind.SOLAR, 0);
    public static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 25_600);

    private Suns() {}

    /** The eclipse of a date, UTC. */
    public static SolarEclipse on(String date) {
        Instant midnight = Instant.parse(date + "T00:00:00Z");
        return SolarEclipses.between(midnight, midnight.plus(Duration.ofDays(1)))
                .get(0);
    }

    public static LocalSolarEclipse at(Site site, String date) {
        return LocalSolarEclipse.of(on(date), Observer.at(site), Skyline.FLAT).orElseThrow();
    }

    public static Lens lens(double mm, double widest, boolean electronic) {
        return new Lens(
                mm, mm, widest, widest, 22, Projection.RECTILINEAR, 0.9, electronic, 1000, OptionalDouble.empty());
    }

    /** A rig on its place, aimed at nothing in particular. */
    public static Setup setup(Site site, double mm, double aperture, CameraBody body, Gear... gear) {
        return setup(site, lens(mm, Math.min(4, aperture), true), aperture, body, gear);
    }

    public static Setup setup(Site site, Lens lens, double aperture, CameraBody body, Gear... gear) {
        return new Setup(
                Rig.of(body, lens, new ArrayList<>(List.of(gear))),
                lens.shortestMm(),
                aperture,
                Pointing.level(new Direction(93, 22)),
                Standpoint.open(site, SkyGlow.natural()),
                Instant.parse("2027-08-02T08:47:00Z"),
                Demand.USUAL);
    }
}
