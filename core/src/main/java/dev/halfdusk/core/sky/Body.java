package dev.halfdusk.core.sky;

import java.util.List;
import java.util.Locale;

/** The bodies of the solar system that matter to a night photographer. Radii: IAU; sun and moon as rise and set use them. */
public enum Body implements Target {
    SUN(696_000),
    MOON(1737.4),
    VENUS(6051.8),
    MARS(3396.2),
    JUPITER(71_492),
    SATURN(60_268);

    /** The planets that are seen without a telescope, but for faint Mercury. */
    public static final List<Body> PLANETS = List.of(VENUS, MARS, JUPITER, SATURN);

    private final double radiusKm;
    private final Ephemeris.Series series;

    Body(double radiusKm) {
        this.radiusKm = radiusKm;
        this.series = Ephemeris.DE405.series(name());
    }

    /** "Venus". */
    public String words() {
        return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
    }

    @Override
    public double radiusKm() {
        return radiusKm;
    }

    Ephemeris.Series series() {
        return series;
    }
}
