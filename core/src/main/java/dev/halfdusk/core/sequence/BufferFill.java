package dev.halfdusk.core.sequence;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Gear;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * How the buffer of a body fills while it takes the shots of a program, each with its own exposure and format, by the rules of {@link BodyTiming}.
 *
 * @param levels one for each shot
 */
public record BufferFill(List<Level> levels) {

    /**
     * @param lateSeconds it opens later than planned, since the buffer is full
     * @param lost whether the body is still busy, so that it is not taken
     * @param inBuffer frames at its opening, with itself
     */
    public record Level(double lateSeconds, boolean lost, int inBuffer) {}

    public BufferFill {
        levels = List.copyOf(levels);
    }

    public static BufferFill of(List<Program.Shot> shots, CameraBody body, Optional<Gear.Card> card) {
        List<Level> levels = new ArrayList<>();
        Deque<Instant> unwritten = new ArrayDeque<>();
        Instant free = Instant.MIN;
        Instant writerFree = Instant.MIN;
        for (Program.Shot shot : shots) {
            while (!unwritten.isEmpty() && !unwritten.peekFirst().isAfter(shot.opens())) {
                unwritten.pollFirst();
            }
            if (shot.opens().isBefore(free)) {
                levels.add(new Level(0, true, unwritten.size()));
                continue;
            }
            BodyTiming pace = BodyTiming.of(body, shot.settings().seconds(), shot.format(), card);
            Instant opens = shot.opens();
            while (unwritten.size() >= pace.bufferFrames()) {
                opens = unwritten.pollFirst();
            }
            free = Instants.after(opens, pace.busySeconds());
            Instant begins = free.isAfter(writerFree) ? free : writerFree;
            writerFree = Instants.after(begins, pace.writeSeconds());
            unwritten.addLast(writerFree);
            levels.add(new Level(Instants.seconds(shot.opens(), opens), false, unwritten.size()));
        }
        return new BufferFill(levels);
    }

    /** Whether every shot is taken when it is planned. */
    public boolean smooth() {
        return levels.stream().noneMatch(l -> l.lost || l.lateSeconds > 0);
    }

    /** Most frames that lie in the buffer. */
    public int fullest() {
        return levels.stream().mapToInt(Level::inBuffer).max().orElse(0);
    }
}
