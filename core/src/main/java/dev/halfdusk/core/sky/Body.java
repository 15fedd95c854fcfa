package dev.halfdusk.core.sky;

/** The bodies of the solar system that matter to a night photographer. Radii: IAU; sun and moon as rise and set use them. */
public enum Body implements Target {
    SUN(696_000),
    MOON(1737.4),
    VENUS(6051.8),
    MARS(3396.2),
    JUPITER(71_492),
    SATURN(60_268);

    private final double radiusKm;
    private final Ephemeris.Series series;

    Body(double radiusKm) {
        this.radiusKm = radiusKm;
        this.series = Ephemeris.DE405.series(name());
    }

    @Override
    public double radiusKm() {
        return radiusKm;
    }

    Ephemeris.Series series() {
        return series;
    }
}
