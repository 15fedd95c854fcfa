package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import java.util.Optional;

/** The lit part of the moon's disc, to scale, carried along its way while the shutter is open. */
record MoonDisc() implements Source {

    /** Luminance of the middle of a full moon, cd/m². */
    private static final double FULL_CD = 4900;

    /** Of the picture's width. */
    private static final double RAYS_REACH = 0.12;

    private static final int MOST_STEPS = 240;
    private static final long SEAS = 1969;

    /** Points along the side of a pixel that are looked at, where the disc is small. */
    private static final int FINE = 4;

    private static final double SMALL_PX = 24;

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
        Disc disc = Disc.of(exposure, moon, middle.local(Body.SUN, scene.observer()), radius, centre.get());
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

    /** Electrons of the disc at the middle of the exposure, and where its corner lies. */
    private record Disc(int left, int top, int size, float[] electrons) {

        static Disc of(Exposure exposure, Vector moon, Vector sun, double radius, Point p) {
            Shot shot = exposure.shot();
            Vector towards = exposure.inFrame(moon.unit(), shot.seconds() / 2);
            Vector light = exposure.inFrame(sun.minus(moon).unit(), shot.seconds() / 2);
            double px = 1.5
                            * Math.toDegrees(radius)
                            * 3600
                            / shot.framing().optics().plateScaleArcsec()
                            / exposure.window().binned()
                    + 2;
            int left = (int) Math.floor(p.x() - px);
            int top = (int) Math.floor(p.y() - px);
            int size = (int) Math.ceil(2 * px) + 1;
            int fine = px < SMALL_PX ? FINE : 1;
            float[] electrons = new float[size * size];
            if (left > exposure.window().width() + size || left + 2 * size < 0) {
                return new Disc(left, top, 0, electrons);
            }
            double full = FULL_CD * exposure.perLuminance() * shot.seconds();
            for (int i = 0; i < size * size; i++) {
                double sum = 0;
                for (int k = 0; k < fine * fine; k++) {
                    double x = left + i % size + (k % fine + 0.5) / fine;
                    double y = top + i / size + (k / fine + 0.5) / fine;
                    Vector seen = shot.framing().see(exposure.window().onSensor(x, y));
                    Vector off = seen.minus(towards.times(seen.dot(towards))).times(1 / Math.sin(radius));
                    double r2 = off.dot(off);
                    if (r2 < 1 && seen.dot(towards) > 0) {
                        double lit = off.minus(towards.times(Math.sqrt(1 - r2))).dot(light);
                        sum += lit > 0 ? Math.sqrt(lit) * maria(off, towards) : 0;
                    }
                }
                electrons[i] = (float) (full * sum / (fine * fine));
            }
            return new Disc(left, top, size, electrons);
        }

        double sum() {
            double sum = 0;
            for (float e : electrons) {
                sum += e;
            }
            return sum;
        }

        /** Seas and bright ground, in kind and not in place; the very middle keeps its brightness. */
        private static double maria(Vector off, Vector towards) {
            double right = off.dot(new Vector(-towards.y(), towards.x(), 0).unit());
            double up = off.z();
            double seas = Noise.fractal(SEAS, 1.6 * right + 4.3, 1.6 * up + 2.7, 4);
            double dark = Math.max(0, Math.min(1, (seas - 0.47) * 7));
            double grain = 0.12 * (Noise.fractal(SEAS + 9, 9 * right, 9 * up, 3) - 0.5);
            double weight = Math.min(1, off.dot(off) * 12);
            return 1 - weight * (0.42 * dark - grain);
        }

        /** Adds a share of it, moved by some pixels; light between two pixels goes to both. */
        void stamp(Exposure exposure, double byX, double byY, double share) {
            Canvas canvas = exposure.canvas();
            int dx = (int) Math.floor(byX);
            int dy = (int) Math.floor(byY);
            double[] across = {1 - (byX - dx), byX - dx};
            double[] down = {1 - (byY - dy), byY - dy};
            for (int j = 0; j < size; j++) {
                for (int i = 0; i < size; i++) {
                    double e = electrons[j * size + i] * share;
                    for (int k = 0; e > 0 && k < 4; k++) {
                        canvas.add(
                                left + i + dx + k % 2,
                                top + j + dy + k / 2,
                                e * across[k % 2] * down[k / 2],
                                Tint.MOON);
                    }
                }
            }
        }
    }
}
