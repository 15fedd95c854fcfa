package dev.halfdusk.core.practice;

import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BodyTiming;
import java.time.Duration;
import java.time.Instant;

/**
 * What an interval timer got out of the body: it presses at its steps whatever the body does, and a press while it is busy is lost.
 *
 * @param frames that were asked for
 * @param taken of them
 * @param pauseSeconds from the end of one to the beginning of the next that was taken
 */
public record Sequenced(int frames, int taken, double pauseSeconds) {

    /** No interval of it is shorter than that. */
    static final double LEAST_PAUSE_S = 0.1;

    static Sequenced of(Dials d, Settings s) {
        int frames = d.frames();
        if (frames == 1) {
            return new Sequenced(1, 1, 0);
        }
        double interval = d.value(Control.INTERVAL);
        double step = Math.max(LEAST_PAUSE_S, d.position(Control.COUNTS) == 1 ? s.seconds() + interval : interval);
        Instant first = Instant.EPOCH;
        Camera camera = new Camera(
                d.outfit().rig(),
                new Camera.Dials(
                        Camera.Mode.MANUAL, s, FileFormat.RAW, d.on(Control.REDUCTION), BodyTiming.DELAY.min(), 1),
                first,
                Duration.ZERO);
        Run run = Run.pressing(camera, first, frames, step);
        int taken = Math.max(1, run.taken());
        double between = taken > 1 ? (run.seconds() - taken * s.seconds()) / (taken - 1) : 0;
        return new Sequenced(frames, taken, Math.max(0, between));
    }

    public int lost() {
        return frames - taken;
    }
}
