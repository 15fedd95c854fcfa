package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import java.util.Optional;

/**
 * How fast a body takes frames of one kind. A frame occupies it for its exposure, as long again for a dark frame if noise
 * reduction is on, and about a tenth of a second; then the file lies in the buffer until it is written, one after the other.
 * A full buffer delays the next opening; what is asked for while the body is busy or waits is lost. A model, right in kind;
 * times are kept to the nanosecond so that a simulated body that runs the same agrees to the frame.
 *
 * @param delaySeconds that a mirror or shutter waits before each opening
 * @param fileMb of each frame
 * @param writeMbPerSecond of body or card, whichever is slower
 */
public record BodyTiming(
        double exposureSeconds,
        boolean noiseReduction,
        double delaySeconds,
        double fileMb,
        int bufferFrames,
        double writeMbPerSecond) {

    /** Between a closing and being ready again, seconds. */
    public static final double AFTERWARDS = 0.1;

    public static final Range DELAY = new Range("delay of mirror or shutter", 0, 30, " s");

    private static final double NANOS = 1e9;

    public BodyTiming {
        Range.SHUTTER.check(exposureSeconds);
        DELAY.check(delaySeconds);
        CameraBody.Files.MEGABYTES.check(fileMb);
        CameraBody.Files.FRAMES.check(bufferFrames);
        CameraBody.Files.SPEED.check(writeMbPerSecond);
    }

    /** Of a body that writes a format to a card, or as fast as it can. */
    public static BodyTiming of(CameraBody body, double exposureSeconds, FileFormat format, Optional<Gear.Card> card) {
        CameraBody.Files files = body.files();
        double speed = card.map(c -> Math.min(c.megabytesPerSecond(), files.writeMbPerSecond()))
                .orElse(files.writeMbPerSecond());
        return new BodyTiming(
                exposureSeconds, body.noiseReduction(), 0, format.megabytes(files), files.bufferFrames(), speed);
    }

    public BodyTiming withNoiseReduction(boolean other) {
        return new BodyTiming(exposureSeconds, other, delaySeconds, fileMb, bufferFrames, writeMbPerSecond);
    }

    /** With so much more time for each file, as fast as a card may be slow. */
    public BodyTiming writingSlower(double seconds) {
        double speed = Math.max(CameraBody.Files.SPEED.min(), fileMb / (writeSeconds() + seconds));
        return new BodyTiming(exposureSeconds, noiseReduction, delaySeconds, fileMb, bufferFrames, speed);
    }

    /** From pressing until the body is free again, seconds. */
    public double busySeconds() {
        return delaySeconds + exposureSeconds * (noiseReduction ? 2 : 1) + AFTERWARDS;
    }

    public double writeSeconds() {
        return fileMb / writeMbPerSecond;
    }

    /**
     * The smallest pause with which so many frames are taken without one that is late or lost, seconds. Between openings there
     * must be the time the body is busy. While fewer frames than the buffer holds are taken nothing else counts. Then either
     * the buffer never fills because writing keeps up, or it fills just after the last frame.
     */
    public double smallestSafePause(int frames) {
        double busy = busySeconds();
        double step = busy;
        if (frames > bufferFrames) {
            double write = writeSeconds();
            double filling = (busy + (frames - bufferFrames) * write) / (frames - 1);
            step = Math.max(busy, filling < write ? filling : Math.max(write, (busy + write) / bufferFrames));
        }
        return Math.max(0, Math.rint((step - exposureSeconds) * NANOS) / NANOS);
    }

    /**
     * What becomes of frames asked for at even steps.
     *
     * @param late opened later than asked for
     * @param seconds from the first opening to the last closing
     * @param fullest most frames that were in the buffer at an opening, with the one that opened
     */
    public record Outcome(int taken, int lost, int late, double seconds, int fullest) {}

    /** By the recursion of a queue: what is asked for at k times the step opens at once, later, or not at all. */
    public Outcome outcome(int frames, double stepSeconds) {
        long step = Instants.nanos(stepSeconds);
        long busy = Instants.nanos(busySeconds());
        long write = Instants.nanos(writeSeconds());
        long[] written = new long[frames];
        int taken = 0;
        int late = 0;
        int done = 0;
        int fullest = 0;
        long free = 0;
        long opened = 0;
        for (int k = 0; k < frames; k++) {
            long asked = k * step;
            if (asked < free) {
                continue;
            }
            opened = taken < bufferFrames ? asked : Math.max(asked, written[taken - bufferFrames]);
            late += opened > asked ? 1 : 0;
            free = opened + busy;
            while (done < taken && written[done] <= opened) {
                done++;
            }
            fullest = Math.max(fullest, taken - done + 1);
            written[taken] = Math.max(free, taken == 0 ? 0 : written[taken - 1]) + write;
            taken++;
        }
        double last = (opened + Instants.nanos(delaySeconds) + Instants.nanos(exposureSeconds)) / NANOS;
        return new Outcome(taken, frames - taken, late, last - delaySeconds, fullest);
    }
}
