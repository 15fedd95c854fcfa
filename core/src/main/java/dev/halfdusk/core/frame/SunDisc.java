package dev.halfdusk.core.frame;

import dev.halfdusk.core.eclipse.Discs;
import dev.halfdusk.core.eclipse.SolarLight;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Sidereal;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The sun with the moon before it: a disc that darkens to its limb, the valleys of the moon's edge that break its last sickle into beads,
 * chromosphere, prominences, and in totality the corona by {@link SolarLight}. Valleys, prominences and streamers are right in kind, not
 * in place. A filter is that of the shot.
 */
record SunDisc() implements Source {

    /** I = 1 − u (1 − µ) in red, green and blue. */
    private static final double[] LIMB = {0.5, 0.6, 0.75};

    private static final double[] WHITE = Tint.of(5800);

    /** The red line of hydrogen with a little violet. */
    private static final double[] HYDROGEN = {2.4, 0.5, 1.1};

    /** Radii of the square in which the disc is looked at. */
    private static final double ROOM = 1.25;

    /** Of the sun's radius. */
    private static final double CHROMOSPHERE = 0.006;

    /** With less of the sun than this the corona is no longer lost in the daylight. */
    private static final double CORONA_FROM = 0.02;

    /** Lower it does not rise while a shutter is open. */
    private static final double LOWEST_DEG = -2;

    private static final double SMALL_PX = 64;
    private static final double LARGE_PX = 220;

    @Override
    public void paint(Exposure exposure) {
        Scene scene = exposure.scene();
        if (scene.moment().local(Body.SUN, scene.observer()).latitudeDeg() < LOWEST_DEG) {
            return;
        }
        Optional<Patch.Way> way = Patch.Way.of(exposure, Body.SUN);
        if (way.isEmpty()) {
            return;
        }
        Before before = Before.of(exposure, way.get());
        Patch disc =
                Patch.of(exposure, way.get(), ROOM * way.get().radiusDeg(), fine(exposure, way.get()), before::light);
        disc.stray(exposure);
        disc.rays(exposure, way.get());
        disc.carry(exposure, way.get());
        if (scene.lamps().sunShare() < CORONA_FROM) {
            corona(exposure, before);
        }
    }

    /** A sickle of half a pixel must not fall between the points that are looked at. */
    private static int fine(Exposure exposure, Patch.Way way) {
        double px = way.radiusPx(exposure);
        return px < SMALL_PX ? 4 : px < LARGE_PX ? 2 : 1;
    }

    private static void corona(Exposure exposure, Before before) {
        Window window = exposure.window();
        Canvas canvas = exposure.canvas();
        double each = exposure.perLuminance() * exposure.shot().seconds();
        double pixel = exposure.shot().pixelDeg(window) / before.sunDeg;
        Corona corona = Corona.USUAL;
        IntStream.range(0, window.height()).parallel().forEach(y -> {
            double[] rgb = new double[3];
            for (int x = 0; x < window.width(); x++) {
                Vector seen = exposure.shot().framing().see(window.onSensor(x + 0.5, y + 0.5));
                double u = before.right(seen);
                double v = before.up(seen);
                double hidden = before.hidden(u, v, pixel);
                double light = corona.luminance(u, v, pixel) * (1 - hidden)
                        + SolarLight.luminance(SolarLight.EARTHSHINE) * hidden;
                if (light > 0 && seen.dot(before.towards) > 0) {
                    for (int c = 0; c < 3; c++) {
                        rgb[c] = light * WHITE[c] * before.air[c];
                    }
                    canvas.add(x, y, each * exposure.lens(x + 0.5, y + 0.5), rgb);
                }
            }
        });
    }

    /**
     * The moon before the sun, in radii of the sun to the right and up of its middle, north being up.
     *
     * @param moonRadius likewise
     */
    record Before(
            Vector towards,
            Vector west,
            Vector north,
            double sunDeg,
            double moonX,
            double moonY,
            double moonRadius,
            double[] air) {

        static Before of(Exposure exposure, Patch.Way way) {
            Scene scene = exposure.scene();
            Moment middle = way.middle();
            double half = exposure.shot().seconds() / 2;
            Vector sun = middle.local(Body.SUN, scene.observer());
            Vector moon = middle.local(Body.MOON, scene.observer());
            Vector towards = exposure.inFrame(sun.unit(), half);
            Vector moonwards = exposure.inFrame(moon.unit(), half);
            Vector west =
                    towards.cross(Sidereal.northPole(scene.observer().site())).unit();
            Vector north = west.cross(towards);
            double radius = Math.sin(Math.toRadians(way.radiusDeg()));
            return new Before(
                    towards,
                    west,
                    north,
                    way.radiusDeg(),
                    moonwards.dot(west) / radius,
                    moonwards.dot(north) / radius,
                    moonwards.dot(towards) > 0 ? Discs.INNER_KM / moon.length() / radius : 0,
                    exposure.air(sun));
        }

        double right(Vector seen) {
            return seen.dot(west) / Math.sin(Math.toRadians(sunDeg));
        }

        double up(Vector seen) {
            return seen.dot(north) / Math.sin(Math.toRadians(sunDeg));
        }

        /** How much of a place the moon hides, 0 to 1, at an edge as soft as a pixel. */
        double hidden(double u, double v, double pixel) {
            double x = u - moonX;
            double y = v - moonY;
            double r = Math.sqrt(x * x + y * y);
            if (Math.abs(r - moonRadius) > 2 * pixel + VALLEYS) {
                return r < moonRadius ? 1 : 0;
            }
            return Math.max(0, Math.min(1, 0.5 + (edge(x, y, r) - r) / pixel));
        }

        private static final double VALLEYS = 0.0022;
        private static final long RELIEF = 27;

        private double edge(double x, double y, double r) {
            double relief = Noise.fractal(RELIEF, 22 * x / r + 40, 22 * y / r + 40, 4) - 0.5;
            return moonRadius * (1 + VALLEYS * relief);
        }

        /** Disc, chromosphere and prominences where the moon leaves them. */
        boolean light(Vector seen, double[] rgb) {
            double u = right(seen);
            double v = up(seen);
            double r = Math.sqrt(u * u + v * v);
            double x = u - moonX;
            double y = v - moonY;
            double moon = Math.sqrt(x * x + y * y);
            if (seen.dot(towards) < 0 || r > ROOM || moon < moonRadius * (1 + VALLEYS) && moon < edge(x, y, moon)) {
                return false;
            }
            if (r < 1) {
                double mu = Math.sqrt(1 - r * r);
                for (int c = 0; c < 3; c++) {
                    rgb[c] = SolarLight.PHOTOSPHERE_CD * WHITE[c] * (1 - LIMB[c] * (1 - mu)) * air[c];
                }
                return true;
            }
            double q = r < 1 + CHROMOSPHERE ? SolarLight.CHROMOSPHERE : SolarLight.PROMINENCES;
            double glows = r < 1 + CHROMOSPHERE ? 1 : Corona.prominence(u, v, r);
            for (int c = 0; c < 3; c++) {
                rgb[c] = glows * SolarLight.luminance(q) * HYDROGEN[c] * air[c];
            }
            return glows > 0;
        }
    }
}
