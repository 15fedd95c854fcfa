package dev.halfdusk.core.frame;

import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Vector;
import java.util.SplittableRandom;

/** An aircraft with its flashing lights or a satellite, crossing the frame while the shutter is open; where, the seed says. */
record Passing(Kind kind, long seed) implements Source {

    /** What passes. */
    enum Kind {
        /** Steady lights and a white flash every 1.1 seconds. */
        AIRCRAFT(0.35, 0.5),
        /** One even, thin line. */
        SATELLITE(0.6, 2.5);

        private final double degreesPerSecond;
        private final double magnitude;

        Kind(double degreesPerSecond, double magnitude) {
            this.degreesPerSecond = degreesPerSecond;
            this.magnitude = magnitude;
        }
    }

    private static final double FLASH_SECONDS = 1.1;
    private static final double FLASH_LASTS = 0.05;
    private static final double FLASH_MAGNITUDE = -2.5;
    private static final double STEP_SECONDS = 0.5;
    private static final double LAMP_K = 3500;
    private static final double FLASH_K = 7000;
    private static final double SUNLIT_K = 5500;

    @Override
    public void paint(Exposure exposure) {
        SplittableRandom random = new SplittableRandom(seed);
        Vector middle = exposure.forward();
        Vector side = middle.cross(new Vector(0, 0, 1)).unit();
        Vector up = side.cross(middle);
        double half = Math.toRadians(exposure.withinDeg()) * 0.5;
        double turn = 2 * Math.PI * random.nextDouble();
        Vector along =
                side.times(Math.cos(turn)).plus(up.times(0.35 * Math.sin(turn))).unit();
        Vector through = middle.plus(side.times(half * (2 * random.nextDouble() - 1)))
                .plus(up.times(half * 0.5 * (random.nextDouble() - 0.3)));
        double seconds = exposure.shot().seconds();
        double rate = Math.toRadians(kind.degreesPerSecond);
        double begin = -seconds / 2 - 3 * random.nextDouble();
        for (double t = 0; t < seconds; t += STEP_SECONDS) {
            double end = Math.min(seconds, t + STEP_SECONDS);
            Vector from = through.plus(along.times(rate * (begin + t))).unit();
            Vector to = through.plus(along.times(rate * (begin + end))).unit();
            if (Direction.of(from).altitudeDeg() > 1) {
                exposure.line(from, t, to, end, kind.magnitude, kind == Kind.AIRCRAFT ? LAMP_K : SUNLIT_K);
            }
        }
        for (double t = FLASH_SECONDS * random.nextDouble(); kind == Kind.AIRCRAFT && t < seconds; t += FLASH_SECONDS) {
            Vector at = through.plus(along.times(rate * (begin + t))).unit();
            if (Direction.of(at).altitudeDeg() > 1) {
                exposure.line(at, t, at, t + FLASH_LASTS, FLASH_MAGNITUDE, FLASH_K);
            }
        }
    }
}
