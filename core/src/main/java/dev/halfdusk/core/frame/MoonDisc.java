package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Shadow;
import dev.halfdusk.core.sky.Sidereal;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** The lit part of the moon's disc, to scale, carried along its way while the shutter is open. */
record MoonDisc() implements Source {

    /** Luminance of the middle of a full moon, cd/m². */
    private static final double FULL_CD = 4900;

    /** Of the picture's width. */
    private static final double RAYS_REACH = 0.12;

    /** Radii of the square that is looked at, for a lens that draws it out. */
    private static final double ROOM = 1.5;

    /** Points along the side of a pixel that are looked at, where the disc is small. */
    private static final int FINE = 4;

    private static final double SMALL_PX = 22;

    private static final long SEAS = 1969;

    private static final double SEAS_AT = 6.4;

    /** Of its radius: shores do not run straight along the lattice of the noise. */
    private static final double WARP = 0.45;

    /** Ozone takes the red at the very edge of the shadow: how narrow that rim is. */
    private static final double BLUE_EDGE = 14;

    @Override
    public void paint(Exposure exposure) {
        Scene scene = exposure.scene();
        if (scene.lamps().sunShare() < 1) {
            return; // it is dark before the sun, which draws it
        }
        Optional<Patch.Way> way = Patch.Way.of(exposure, Body.MOON);
        if (way.isEmpty()) {
            return;
        }
        Patch disc = disc(exposure, way.get());
        disc.stray(exposure);
        exposure.rays(
                way.get().centre(), disc.sum(), RAYS_REACH * exposure.window().width());
        disc.carry(exposure, way.get());
    }

    /** As it is lit in the middle of the exposure. */
    private static Patch disc(Exposure exposure, Patch.Way way) {
        Scene scene = exposure.scene();
        Moment middle = way.middle();
        Vector moon = middle.local(Body.MOON, scene.observer());
        double half = exposure.shot().seconds() / 2;
        Vector towards = exposure.inFrame(moon.unit(), half);
        Vector west = towards.cross(Sidereal.northPole(scene.observer().site())).unit();
        Vector north = west.cross(towards);
        Vector sun = middle.local(Body.SUN, scene.observer());
        Vector light = exposure.inFrame(sun.minus(moon).unit(), half);
        Darkening darkening = Darkening.at(middle, scene, v -> exposure.inFrame(v, half));
        double[] air = exposure.air(moon);
        return Patch.of(exposure, way, ROOM * way.radiusDeg(), fine(exposure, way), (seen, rgb) -> {
            Vector off =
                    seen.minus(towards.times(seen.dot(towards))).times(1 / Math.sin(Math.toRadians(way.radiusDeg())));
            double r2 = off.dot(off);
            double lit = r2 < 1 && seen.dot(towards) > 0
                    ? off.minus(towards.times(Math.sqrt(1 - r2))).dot(light)
                    : 0;
            if (lit <= 0) {
                return false;
            }
            darkening.of(off.minus(towards.times(Math.sqrt(1 - r2))), rgb);
            double ground = FULL_CD * Math.sqrt(lit) * maria(off, west, north);
            for (int c = 0; c < 3; c++) {
                rgb[c] *= ground * air[c];
            }
            return true;
        });
    }

    private static int fine(Exposure exposure, Patch.Way way) {
        double px = ROOM
                * way.radiusDeg()
                * 3600
                / exposure.shot().framing().optics().plateScaleArcsec()
                / exposure.window().binned();
        return px < SMALL_PX ? FINE : 1;
    }

    /** Seas and bright ground, in kind and not in place; the very middle keeps its brightness. */
    private static double maria(Vector off, Vector west, Vector north) {
        double right = off.dot(west);
        double up = off.dot(north);
        double bentRight = right + WARP * (Noise.fractal(SEAS + 3, 2.3 * right + 9.1, 2.3 * up + 5.2, 3) - 0.5);
        double bentUp = up + WARP * (Noise.fractal(SEAS + 6, 2.3 * right + 1.7, 2.3 * up + 7.9, 3) - 0.5);
        double seas = Noise.fractal(SEAS, 2.2 * bentRight + SEAS_AT, 2.2 * bentUp + 3.6, 5);
        double dark = Math.max(0, Math.min(1, (seas - 0.47) * 7));
        double grain = 0.12 * (Noise.fractal(SEAS + 9, 9 * right, 9 * up, 3) - 0.5);
        double weight = Math.min(1, off.dot(off) * 40);
        return 1 - weight * (0.42 * dark - grain);
    }

    /**
     * The earth's shadow on its ground: red, green and blue of what arrives.
     *
     * @param moon from the place, in the frame's directions, km
     * @param cone likewise; empty outside of eclipses
     */
    private record Darkening(Vector moon, Optional<Shadow.Cone> cone, double danjon) {

        /** Red and blue of the light that the earth's air bends inwards, green being one, by class of darkness. */
        private static final double[][] BENT = {{1.4, 0.9}, {2.2, 0.8}, {3.2, 0.7}, {3.0, 0.65}, {2.6, 0.6}};

        static Darkening at(Moment moment, Scene scene, UnaryOperator<Vector> inFrame) {
            Vector moon = inFrame.apply(moment.local(Body.MOON, scene.observer()));
            Optional<Shadow.Cone> cone = Optional.of(Shadow.Cone.at(moment, scene.observer()))
                    .filter(c -> c.shadow().falls())
                    .map(c -> new Shadow.Cone(c.shadow(), inFrame.apply(c.centre()), inFrame.apply(c.axis())));
            return new Darkening(moon, cone, scene.danjon());
        }

        /** @param surface from the moon's middle, in its radii */
        void of(Vector surface, double[] rgb) {
            if (cone.isEmpty()) {
                System.arraycopy(Tint.MOON, 0, rgb, 0, 3);
                return;
            }
            ShadowedMoon shadowed = new ShadowedMoon(cone.get().shadow(), danjon);
            double separation = cone.get().separationDeg(moon.plus(surface.times(Body.MOON.radiusKm())));
            double direct = shadowed.direct(separation);
            double bent = (1 - direct) * shadowed.bent(separation);
            int darker = (int) Math.min(danjon, BENT.length - 2);
            double between = danjon - darker;
            double edge = Math.pow(Math.min(1, separation / shadowed.shadow().umbraDeg()), BLUE_EDGE);
            for (int c = 0; c < 3; c++) {
                double deep = c == 1 ? 1 : BENT[darker][c / 2] * (1 - between) + BENT[darker + 1][c / 2] * between;
                rgb[c] = Tint.MOON[c] * (direct + bent * (deep * (1 - edge) + edge));
            }
        }
    }
}
