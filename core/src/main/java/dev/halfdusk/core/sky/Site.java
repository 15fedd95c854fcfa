package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.measure.Vector;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jastronomy.jsofa.JSOFA;
import org.jastronomy.jsofa.JSOFAException;

/**
 * A point on the ground, geodetic on WGS84.
 *
 * @param latitudeDeg −90 to 90, north positive
 * @param longitudeDeg −180 to 180, east positive
 * @param elevationM metres above the ellipsoid; heights above sea level differ by up to 100 m, which moves a rise by
 *     less than 0.01 s
 */
public record Site(double latitudeDeg, double longitudeDeg, double elevationM) {

    /** @throws dev.halfdusk.core.measure.OutOfRange naming the first value that is not allowed */
    public Site {
        Range.LATITUDE.check(latitudeDeg);
        Range.LONGITUDE.check(longitudeDeg);
        Range.ELEVATION.check(elevationM);
    }

    /** The whole-hour zone of the longitude: a guess where no better zone is known. */
    public ZoneId hourZone() {
        return ZoneOffset.ofHours((int) Math.rint(longitudeDeg / 15));
    }

    /** Where to look when nothing in particular is up: half way up on the equator's side of the sky. */
    public Direction idleAim() {
        return new Direction(latitudeDeg < 0 ? 0 : 180, 45);
    }

    /** Earth-fixed position in kilometres: x towards Greenwich on the equator, z towards the north pole. */
    Vector earthFixed() {
        try {
            double[] m = JSOFA.jauGd2gc(1, Math.toRadians(longitudeDeg), Math.toRadians(latitudeDeg), elevationM);
            return new Vector(m[0] / 1000, m[1] / 1000, m[2] / 1000);
        } catch (JSOFAException e) {
            throw new IllegalStateException("WGS84 refused " + this, e);
        }
    }
}
