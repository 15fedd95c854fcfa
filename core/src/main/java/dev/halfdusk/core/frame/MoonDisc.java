package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.MoonAxes;
import dev.halfdusk.core.sky.Shadow;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The moon's disc, to scale, with its own ground turned as it stands, carried along its way while the shutter is open: the lit part, the
 * dark part by the light of the earth, and the earth's shadow on it.
 */
record MoonDisc() implements Source {

    /** Mean luminance of a full moon, cd/m²: magnitude \u221212.73 over a disc of 0.259°. */
    private static final double FULL_CD = 4890;

    /** Beyond this the magnitude's law no longer holds: a thinner crescent keeps its ground's brightness. */
    private static final double LAW_ENDS_DEG = 155;

    /** Light of a full earth on the moon against the sun's. */
    private static final double FULL_EARTH = 1.18e-4;

    private static final double LEAST_COS = 0.02;

    /** Radii of the square that is looked at, for a lens that draws it out. */
    private static final double ROOM = 1.5;

    /** Points along the side of a pixel that are looked at, where the disc is small. */
    private static final int FINE = 4;

    private static final double SMALL_PX = 22;

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
        disc.rays(exposure, way.get());
        disc.carry(exposure, way.get());
    }

    /** As it is lit in the middle of the exposure. */
    private static Patch disc(Exposure exposure, Patch.Way way) {
        Scene scene = exposure.scene();
        Moment middle = way.middle();
        Vector moon = middle.local(Body.MOON, scene.observer());
        double half = exposure.shot().seconds() / 2;
        Vector towards = exposure.inFrame(moon.unit(), half);
        Vector sun = middle.local(Body.SUN, scene.observer());
        Vector light = exposure.inFrame(sun.minus(moon).unit(), half);
        Darkening darkening = Darkening.at(middle, scene, v -> exposure.inFrame(v, half));
        double[] air = exposure.air(moon);
        MoonAxes axes = MoonAxes.local(middle, scene.observer());
        Ground ground = new Ground(
                new MoonAxes(
                        exposure.inFrame(axes.prime(), half),
                        exposure.inFrame(axes.east(), half),
                        exposure.inFrame(axes.north(), half)),
                towards,
                light,
                way.radiusPx(exposure));
        return Patch.of(exposure, way, ROOM * way.radiusDeg(), fine(exposure, way), (seen, rgb) -> {
            Vector off =
                    seen.minus(towards.times(seen.dot(towards))).times(1 / Math.sin(Math.toRadians(way.radiusDeg())));
            double r2 = off.dot(off);
            if (r2 >= 1 || seen.dot(towards) <= 0) {
                return false;
            }
            Vector surface = off.minus(towards.times(Math.sqrt(1 - r2)));
            double shone = FULL_CD * ground.of(surface);
            if (shone <= 0) {
                return false;
            }
            darkening.of(surface, rgb);
            for (int c = 0; c < 3; c++) {
                rgb[c] *= shone * air[c];
            }
            return true;
        });
    }

    /** Its ground as it is turned and lit. */
    static final class Ground {

        private final MoonAxes axes;
        private final Vector towards;
        private final Vector light;
        private final int level;
        private final int slopeLevel;
        private final double pxPerDeg;
        private final double byPhase;
        private final double byEarth;

        Ground(MoonAxes axes, Vector towards, Vector light, double radiusPx) {
            this.axes = axes;
            this.towards = towards;
            this.light = light;
            level = LunarGround.level(radiusPx);
            slopeLevel = LunarGround.slopeLevel(radiusPx);
            pxPerDeg = Math.toRadians(radiusPx);
            double phase = Math.toRadians(towards.times(-1).angleTo(light));
            byPhase = byPhase(Math.min(Math.toRadians(LAW_ENDS_DEG), phase));
            byEarth = FULL_EARTH
                    * (Math.sin(phase) - phase * Math.cos(phase))
                    / Math.PI; // the earth's phase is the rest of the moon's
        }

        /**
         * What the whole moon gives at a phase (Krisciunas and Schaefer 1991) against what ground that scatters by Lommel and Seeliger
         * would: with it the disc as a whole is as bright as it is known to be.
         */
        static double byPhase(double phase) {
            double deg = Math.toDegrees(phase);
            double known = Math.pow(10, -0.4 * (0.026 * deg + 4e-9 * Math.pow(deg, 4)));
            if (phase < 1e-3) {
                return known;
            }
            double half = phase / 2;
            double scattered = 1 - Math.sin(half) * Math.tan(half) * Math.log(1 / Math.tan(half / 2));
            return known / scattered;
        }

        /** Luminance of a place against the mean of the full disc. */
        double of(Vector surface) {
            MoonAxes.Place place = axes.facing(surface);
            double albedo = LunarGround.albedo(level, place.longitudeDeg(), place.latitudeDeg());
            double sun = surface.dot(light);
            double dark = byEarth * albedo;
            if (sun < -LOW) {
                return dark;
            }
            Vector normal = sloped(surface, place, albedo);
            double in = normal.dot(light);
            double out = Math.max(LEAST_COS, -normal.dot(towards));
            double lit = in <= 0 ? 0 : 2 * in / (in + out) * Math.min(1, (sun + LOW) / LOW);
            return byPhase * albedo * lit + dark;
        }

        private static final double FORESHORTENED = 1.7;

        /** The sun's middle so far below the level still lights what stands high. */
        private static final double LOW = 0.035;

        private Vector sloped(Vector surface, MoonAxes.Place place, double albedo) {
            double[] slopes = {
                LunarGround.slopeEast(slopeLevel, place.longitudeDeg(), place.latitudeDeg()),
                LunarGround.slopeNorth(slopeLevel, place.longitudeDeg(), place.latitudeDeg())
            };
            double rough = Math.max(0.08, Math.min(1, (albedo - 0.7) * 2.5));
            SmallCraters.add(place.longitudeDeg(), place.latitudeDeg(), rough, pxPerDeg, slopes);
            double flat = Math.min(1, FORESHORTENED * -surface.dot(towards)); // slopes share a pixel towards the limb
            Vector east = axes.north().cross(surface);
            double length = east.length();
            if (length < 1e-6) {
                return surface;
            }
            east = east.times(1 / length);
            Vector north = surface.cross(east);
            return surface.minus(east.times(flat * slopes[0]))
                    .minus(north.times(flat * slopes[1]))
                    .unit();
        }
    }

    private static int fine(Exposure exposure, Patch.Way way) {
        return ROOM * way.radiusPx(exposure) < SMALL_PX ? FINE : 1;
    }

    /**
     * The earth's shadow on its ground: red, green and blue of what arrives.
     *
     * @param moon from the place, in the frame's directions, km
     * @param cone likewise; empty outside of eclipses
     */
    record Darkening(Vector moon, Optional<Shadow.Cone> cone, double danjon) {

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
