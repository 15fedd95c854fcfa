package dev.halfdusk.core.sky;

import dev.halfdusk.core.measure.Vector;

/**
 * A star or another direction outside the solar system, ICRS at J2000.0. Parallax is left out (below 0.8″ for every
 * star).
 *
 * @param rightAscensionDeg 0 to 360
 * @param declinationDeg −90 to 90
 * @param motionRaMas proper motion in right ascension times cos declination, milliarcseconds a year
 * @param motionDecMas proper motion in declination, milliarcseconds a year
 */
public record FixedPoint(double rightAscensionDeg, double declinationDeg, double motionRaMas, double motionDecMas)
        implements Target {

    /** The galactic centre, which photographers call the core (ICRS). */
    public static final FixedPoint CORE = new FixedPoint(266.4168, -29.0078);

    private static final double MAS = Math.toRadians(1 / 3_600_000.0);
    private static final double DAYS_PER_YEAR = 365.25;

    public FixedPoint(double rightAscensionDeg, double declinationDeg) {
        this(rightAscensionDeg, declinationDeg, 0, 0);
    }

    @Override
    public double radiusKm() {
        return 0;
    }

    /** Unit vector in ICRS at TT days since J2000.0. */
    Vector direction(double ttDays) {
        Vector at = Vector.towards(rightAscensionDeg, declinationDeg);
        if (motionRaMas == 0 && motionDecMas == 0) {
            return at;
        }
        double ra = Math.toRadians(rightAscensionDeg);
        double dec = Math.toRadians(declinationDeg);
        Vector east = new Vector(-Math.sin(ra), Math.cos(ra), 0);
        Vector north = new Vector(-Math.sin(dec) * Math.cos(ra), -Math.sin(dec) * Math.sin(ra), Math.cos(dec));
        double years = ttDays / DAYS_PER_YEAR;
        return at.plus(east.times(motionRaMas * MAS * years))
                .plus(north.times(motionDecMas * MAS * years))
                .unit();
    }
}
