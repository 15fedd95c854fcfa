package dev.halfdusk.core.frame;

import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Shadow;
import dev.halfdusk.core.sky.Sidereal;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** The lit part of the moon's disc, to scale, carried along its way while the shutter is open. */
record MoonDisc() implements Source {

    /** Luminance of the middle of a full moon, cd/m². */
    private static final double FULL_CD = 4900;

    /** Of the picture's width. */
    private static final double RAYS_REACH = 0.12;

    private static final int MOST_STEPS = 240;
    private static final long SEAS = 1969;

    private static final double SEAS_AT = 6.4;

    /** Of its radius: shores do not run straight along the lattice of the noise. */
    private static final double WARP = 0.45;

    /** Points along the side of a pixel that are looked at, where the disc is small. */
    private static final int FINE = 4;

    private static final double SMALL_PX = 24;

    /** Narrower stray light stays within what the disc itself covers. */
    private static final double LEAST_STRAY_PX = 3;

    /** Ozone takes the red at the very edge of the shadow: how narrow that rim is. */
    private static final double BLUE_EDGE = 14;

    @Override
    public void paint(Exposure exposure) {
        Scene scene = exposure.scene();
        double seconds = exposure.shot().seconds();
        Moment middle = Moment.at(scene.moment().instant().plusMillis(Math.round(500 * seconds)));
        Vector moon = middle.local(Body.MOON, scene.observer());
        double radius = Math.asin(Body.MOON.radiusKm() / moon.length());
        Optional<Point> begins =
                exposure.at(scene.moment().local(Body.MOON, scene.observer()).unit(), 0);
        Moment closing = Moment.at(scene.moment().instant().plusMillis(Math.round(1000 * seconds)));
        Optional<Point> ends =
                exposure.at(closing.local(Body.MOON, scene.observer()).unit(), seconds);
        Optional<Point> centre = exposure.at(moon.unit(), seconds / 2);
        if (begins.isEmpty()
                || ends.isEmpty()
                || centre.isEmpty()
                || moon.unit().z() < -radius) {
            return;
        }
        Disc disc = Disc.of(exposure, middle, moon, radius, centre.get());
        disc.stray(exposure);
        exposure.rays(centre.get(), disc.sum(), RAYS_REACH * exposure.window().width());
        double way = Math.hypot(
                ends.get().x() - begins.get().x(), ends.get().y() - begins.get().y());
        int steps = (int) Math.max(1, Math.min(MOST_STEPS, Math.ceil(way * 2)));
        for (int i = 0; i < steps; i++) {
            double along = (i + 0.5) / steps;
            double x = begins.get().x() + (ends.get().x() - begins.get().x()) * along;
            double y = begins.get().y() + (ends.get().y() - begins.get().y()) * along;
            disc.stamp(exposure, x - centre.get().x(), y - centre.get().y(), 1.0 / steps);
        }
    }

    /** Electrons of the disc at the middle of the exposure by colour, and where its corner lies. */
    private record Disc(int left, int top, int size, float[][] electrons) {

        static Disc of(Exposure exposure, Moment middle, Vector moon, double radius, Point p) {
            Shot shot = exposure.shot();
            Scene scene = exposure.scene();
            double half = shot.seconds() / 2;
            Vector towards = exposure.inFrame(moon.unit(), half);
            Vector west =
                    towards.cross(Sidereal.northPole(scene.observer().site())).unit();
            Vector north = west.cross(towards);
            Vector sun = middle.local(Body.SUN, scene.observer());
            Vector light = exposure.inFrame(sun.minus(moon).unit(), half);
            Darkening darkening = Darkening.at(middle, scene, v -> exposure.inFrame(v, half));
            double px = 1.5
                            * Math.toDegrees(radius)
                            * 3600
                            / shot.framing().optics().plateScaleArcsec()
                            / exposure.window().binned()
                    + 2;
            int left = (int) Math.floor(p.x() - px);
            int top = (int) Math.floor(p.y() - px);
            int size = (int) Math.ceil(2 * px) + 1;
            if (left > exposure.window().width() + size || left + 2 * size < 0) {
                return new Disc(left, top, 0, new float[3][0]);
            }
            int fine = px < SMALL_PX ? FINE : 1;
            float[][] electrons = new float[3][size * size];
            double full = FULL_CD * exposure.perLuminance() * shot.seconds() / (fine * fine);
            double[] air = air(scene, moon);
            IntStream.range(0, size).parallel().forEach(row -> {
                double[] share = new double[3];
                for (int i = row * size; i < (row + 1) * size; i++) {
                    for (int k = 0; k < fine * fine; k++) {
                        double x = left + i % size + (k % fine + 0.5) / fine;
                        double y = top + row + (k / fine + 0.5) / fine;
                        Vector seen = shot.framing().see(exposure.window().onSensor(x, y));
                        Vector off =
                                seen.minus(towards.times(seen.dot(towards))).times(1 / Math.sin(radius));
                        double r2 = off.dot(off);
                        if (r2 < 1 && seen.dot(towards) > 0) {
                            Vector surface = off.minus(towards.times(Math.sqrt(1 - r2)));
                            double lit = surface.dot(light);
                            double ground = lit > 0 ? full * Math.sqrt(lit) * maria(off, west, north) : 0;
                            darkening.of(surface, share);
                            for (int c = 0; ground > 0 && c < 3; c++) {
                                electrons[c][i] += (float) (ground * air[c] * share[c]);
                            }
                        }
                    }
                }
            });
            return new Disc(left, top, size, electrons);
        }

        /** What the air lets through: blue least, so that a low moon is orange. */
        private static double[] air(Scene scene, Vector moon) {
            double path = Air.path(Math.max(0, moon.latitudeDeg()));
            double extinction = scene.from().glow().extinction();
            double[] through = new double[3];
            for (int c = 0; c < 3; c++) {
                through[c] = Air.transmission(extinction * Tint.EXTINCTION[c], path);
            }
            return through;
        }

        /** Of green. */
        double sum() {
            double sum = 0;
            for (float e : electrons[1]) {
                sum += e;
            }
            return sum;
        }

        /** Sends some of its light astray, as much as the lens does. */
        void stray(Exposure exposure) {
            double kept = 1;
            for (Exposure.Halo halo : exposure.halos()) {
                double sigma = halo.sigmaUm() / exposure.pixelUm();
                if (sigma > LEAST_STRAY_PX && size > 0) {
                    kept -= halo.share();
                    Stray.of(electrons, size, sigma).add(exposure.canvas(), left, top, halo.share());
                }
            }
            for (float[] colour : electrons) {
                for (int i = 0; i < colour.length; i++) {
                    colour[i] *= (float) kept;
                }
            }
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

        /** Adds a share of it, moved by some pixels; light between two pixels goes to both. */
        void stamp(Exposure exposure, double byX, double byY, double share) {
            Canvas canvas = exposure.canvas();
            int dx = (int) Math.floor(byX);
            int dy = (int) Math.floor(byY);
            double[] across = {1 - (byX - dx), byX - dx};
            double[] down = {1 - (byY - dy), byY - dy};
            double[] light = new double[3];
            for (int j = 0; j < size; j++) {
                for (int i = 0; i < size; i++) {
                    int at = j * size + i;
                    for (int c = 0; c < 3; c++) {
                        light[c] = electrons[c][at];
                    }
                    for (int k = 0; light[1] > 0 && k < 4; k++) {
                        double part = share * across[k % 2] * down[k / 2];
                        canvas.add(left + i + dx + k % 2, top + j + dy + k / 2, part, light);
                    }
                }
            }
        }
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
