package dev.halfdusk.core.frame;

import dev.halfdusk.core.fireworks.Fired;
import dev.halfdusk.core.measure.Vector;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** Fireworks while the shutter is open: climb, flash, stars on their way down, smoke of earlier bursts lit by later ones, and all of it in water. */
record Bursts(List<Fired> fired) implements Source {

    private static final Map<Fired.Colour, double[]> TINTS = Map.of(
            Fired.Colour.RED, new double[] {2.6, 0.75, 0.55},
            Fired.Colour.BLUE, new double[] {0.75, 0.9, 2.4},
            Fired.Colour.GREEN, new double[] {0.7, 1.5, 0.7},
            Fired.Colour.GOLD, new double[] {2.0, 1.2, 0.5},
            Fired.Colour.WHITE, new double[] {1.2, 1.1, 1.0});

    private static final double[] TAIL = {2.0, 1.1, 0.4};
    private static final int STARS = 70;
    private static final double STEP_SECONDS = 0.12;
    private static final double FLASH_SECONDS = 0.04;

    /** What water sends back of a light above it. */
    private static final double MIRRORED = 0.25;

    /** Of a burst's light that the smoke of one before it sends on. */
    private static final double SMOKE = 0.06;

    /** It thins out by e in so long. */
    private static final double SMOKE_SECONDS = 12;

    @Override
    public void paint(Exposure exposure) {
        for (Fired f : fired) {
            climb(exposure, f);
            stars(exposure, f);
            smoke(exposure, f);
        }
    }

    private static double lux(Fired f, double candela) {
        double metres = f.from().slantM(f.shell());
        return candela / (metres * metres);
    }

    private static void climb(Exposure exposure, Fired f) {
        double begin = Math.max(0, f.launchSeconds());
        double end = Math.min(exposure.shot().seconds(), f.breaksSeconds());
        for (double t = begin; t < end; t += STEP_SECONDS) {
            double to = Math.min(end, t + STEP_SECONDS);
            glow(
                    exposure,
                    f.climbing(t - f.launchSeconds()),
                    t,
                    f.climbing(to - f.launchSeconds()),
                    to,
                    lux(f, Fired.TAIL_CD),
                    TAIL);
        }
        double flash = Math.min(exposure.shot().seconds(), f.breaksSeconds() + FLASH_SECONDS);
        if (f.breaksSeconds() >= 0 && f.breaksSeconds() < exposure.shot().seconds()) {
            Vector at = f.climbing(f.shell().flightSeconds());
            glow(exposure, at, f.breaksSeconds(), at, flash, lux(f, Fired.FLASH_CD), TINTS.get(Fired.Colour.WHITE));
        }
    }

    private static void stars(Exposure exposure, Fired f) {
        double begin = Math.max(0, f.breaksSeconds());
        double end = Math.min(exposure.shot().seconds(), f.fadesSeconds());
        SplittableRandom random = new SplittableRandom(f.seed());
        double[] tint = TINTS.get(f.colour());
        for (int i = 0; i < STARS; i++) {
            Vector apart = apart(random);
            double bright = random.nextDouble(0.6, 1.2);
            for (double t = begin; t < end; t += STEP_SECONDS) {
                double to = Math.min(end, t + STEP_SECONDS);
                double after = t - f.breaksSeconds();
                glow(
                        exposure,
                        f.falling(apart, after),
                        t,
                        f.falling(apart, to - f.breaksSeconds()),
                        to,
                        lux(f, Fired.STAR_CD) * bright * f.left(after),
                        tint);
            }
        }
    }

    /** Evenly over a sphere. */
    private static Vector apart(SplittableRandom random) {
        double z = random.nextDouble(-1, 1);
        double angle = random.nextDouble(0, 2 * Math.PI);
        double r = Math.sqrt(1 - z * z);
        return new Vector(r * Math.cos(angle), r * Math.sin(angle), z);
    }

    /** Puffs of what broke before, lit by this one. */
    private void smoke(Exposure exposure, Fired f) {
        double begin = Math.max(0, f.breaksSeconds());
        double end = Math.min(exposure.shot().seconds(), f.fadesSeconds());
        if (end <= begin) {
            return;
        }
        double light = SMOKE * STARS * lux(f, Fired.STAR_CD) * 0.5;
        for (Fired before : fired) {
            if (before.breaksSeconds() < f.breaksSeconds()) {
                double thin = Math.exp((before.breaksSeconds() - f.breaksSeconds()) / SMOKE_SECONDS);
                SplittableRandom random = new SplittableRandom(before.seed() + 1);
                for (int i = 0; i < 9; i++) {
                    Vector at =
                            before.falling(apart(random), before.shell().showSeconds() * random.nextDouble(0.2, 0.9));
                    double wide = before.shell().widthM()
                            * random.nextDouble(0.12, 0.3)
                            / before.from().slantM(before.shell());
                    exposure.puff(at, Math.toDegrees(wide), thin * light / 9 * (end - begin), TINTS.get(f.colour()));
                }
            }
        }
    }

    private static void glow(
            Exposure exposure, Vector from, double begin, Vector to, double end, double lux, double[] tint) {
        exposure.glow(from, begin, to, end, lux, tint);
        if (exposure.scene().sea()) {
            exposure.mirrored(from, begin, to, end, MIRRORED * lux, tint);
        }
    }
}
