package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import java.util.Map;

/**
 * Venus, Mars, Jupiter and Saturn as points of their brightness and colour. V from distances and phase angle by the usual
 * short formulas, 0.1 mag but for Saturn, whose rings are taken half open (0.4 mag).
 */
record Planets() implements Source {

    private static final double AU_KM = 149_597_870.7;
    private static final Map<Body, Double> KELVIN =
            Map.of(Body.VENUS, 5600.0, Body.MARS, 3700.0, Body.JUPITER, 5200.0, Body.SATURN, 4900.0);

    @Override
    public void paint(Exposure exposure) {
        Scene scene = exposure.scene();
        Vector sun = scene.moment().local(Body.SUN, scene.observer());
        for (Body planet : Body.PLANETS) {
            Vector local = scene.moment().local(planet, scene.observer());
            if (exposure.near(local.unit())) {
                exposure.point(local.unit(), magnitude(planet, local, sun), KELVIN.get(planet));
            }
        }
    }

    /**
     * @param planet from the observer, km
     * @param sun likewise
     */
    static double magnitude(Body body, Vector planet, Vector sun) {
        Vector fromSun = planet.minus(sun);
        double phase = fromSun.angleTo(planet);
        double distances = 5 * Math.log10(fromSun.length() / AU_KM * planet.length() / AU_KM);
        return distances
                + switch (body) {
                    case VENUS -> -4.40 + 0.0009 * phase + 2.39e-4 * phase * phase - 6.5e-7 * phase * phase * phase;
                    case MARS -> -1.52 + 0.016 * phase;
                    case JUPITER -> -9.40 + 0.005 * phase;
                    case SATURN -> -8.88 - 0.55 + 0.044 * phase;
                    default -> throw new IllegalArgumentException(body + " is no planet");
                };
    }
}
