package dev.halfdusk.core.exposure;

import dev.halfdusk.core.optics.Sequence;
import java.util.Optional;

/**
 * Equal frames one after the other, to be averaged.
 *
 * @param frames at least one
 * @param shutterSeconds of each
 */
public record Stacking(int frames, double shutterSeconds) {

    /** A stack that takes longer is none: the sky has turned by thirty degrees, and the night is over. */
    public static final double LONGEST_SECONDS = 7200;

    private static final double PAUSE_SECONDS = 1;

    /** For a wanted signal to noise on the core's clouds; empty where that would take longer than is of use. */
    static Optional<Stacking> of(Light light, double wanted, double cloudsPerSecond, int iso) {
        Stacking stack = new Stacking(light.framesFor(wanted, cloudsPerSecond, iso), light.seconds());
        return stack.seconds() <= LONGEST_SECONDS ? Optional.of(stack) : Optional.empty();
    }

    /** With a pause of a second between them. */
    public Sequence sequence() {
        return new Sequence(Math.min(frames, (int) Sequence.FRAMES.max()), shutterSeconds, PAUSE_SECONDS);
    }

    /** Time for all frames. */
    public double seconds() {
        return sequence().seconds();
    }

    /** How far the sky turns against the ground while the frames are taken, degrees. */
    public double turnDeg() {
        return sequence().turnDeg();
    }
}
