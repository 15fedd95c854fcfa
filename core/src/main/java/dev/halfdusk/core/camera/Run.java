package dev.halfdusk.core.camera;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * What came of a program on a simulated body.
 *
 * @param shots one for each of the program's, in its order
 * @param fullest most frames that lay in the buffer
 * @param writtenMb on the card at the end
 * @param charge left in the battery, 0 to 1
 */
public record Run(List<Result> shots, int fullest, double writtenMb, double charge) {

    /** What became of a shot. */
    public enum Fate {
        TAKEN,
        LATE,
        LOST
    }

    /**
     * @param opened when it really opened; when it was asked for where it was lost
     * @param because why it was lost or late, else empty
     */
    public record Result(Program.Shot shot, Fate fate, Instant opened, String because) {}

    /**
     * Runs it: at the time of each shot the body is set and pressed, and what it says is noted.
     *
     * @param camera that no one else moves meanwhile; its mode, noise reduction and delay stay as they are
     */
    public static Run of(Program program, Camera camera) {
        return of(program, camera, List.of());
    }

    /**
     * The same with the battery changed on the way, which costs the frames of a minute.
     *
     * @param swaps numbers of frames after which another of the same sort is put in
     */
    public static Run of(Program program, Camera camera, List<Integer> swaps) {
        return of(program.shots(), camera, swaps);
    }

    /** A timer that presses at even steps whatever the body does; its dials stay as they are. */
    public static Run pressing(Camera camera, Instant first, int times, double stepSeconds) {
        Camera.Dials set = camera.dials();
        List<Program.Shot> shots = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            Instant when = first.plusNanos(i * Instants.nanos(stepSeconds));
            shots.add(new Program.Shot(i + 1, when, set.settings(), set.format(), "timer", Front.OPEN));
        }
        return of(shots, camera, List.of());
    }

    private static Run of(List<Program.Shot> shots, Camera camera, List<Integer> swaps) {
        Instant swapped = Instant.MIN;
        List<Result> results = new ArrayList<>();
        int fullest = 0;
        for (Program.Shot shot : shots) {
            Instant when = shot.opens().isBefore(camera.now()) ? camera.now() : shot.opens();
            camera.moveTo(when);
            if (swaps.contains(results.size())) {
                swapped = when.plusSeconds((long) Power.SWAP_SECONDS);
                camera.swap();
            }
            if (when.isBefore(swapped)) {
                results.add(new Result(shot, Fate.LOST, when, "the battery is being changed"));
                continue;
            }
            fit(camera, shot);
            camera.press();
            fullest = Math.max(fullest, camera.inBuffer());
            results.add(result(shot, camera));
        }
        Program.Shot last = shots.get(shots.size() - 1);
        camera.moveTo(Instants.after(camera.now(), last.settings().seconds()));
        double charge = camera.charge();
        camera.moveTo(camera.now().plus(Duration.ofDays(1))); // all is written
        return new Run(List.copyOf(results), fullest, camera.writtenMb(), charge);
    }

    private static void fit(Camera camera, Program.Shot shot) {
        FileFormat format = shot.format();
        camera.set(camera.dials().with(shot.settings()).with(format));
    }

    static Result result(Program.Shot shot, Camera camera) {
        Event said = camera.answer();
        if (said.kind() == Event.Kind.REFUSED) {
            return new Result(shot, Fate.LOST, said.when(), said.because());
        }
        Taken frame = said.frame().orElseThrow();
        return frame.late()
                ? new Result(shot, Fate.LATE, frame.opened(), "the buffer was full")
                : new Result(shot, Fate.TAKEN, frame.opened(), "");
    }

    public int taken() {
        return shots.size() - lost();
    }

    public int lost() {
        return (int) shots.stream().filter(s -> s.fate() == Fate.LOST).count();
    }

    public int late() {
        return (int) shots.stream().filter(s -> s.fate() == Fate.LATE).count();
    }

    /** From the first opening to the last closing of what was taken, seconds; 0 where nothing was. */
    public double seconds() {
        List<Result> made = shots.stream().filter(s -> s.fate() != Fate.LOST).toList();
        if (made.isEmpty()) {
            return 0;
        }
        Result last = made.get(made.size() - 1);
        double open = last.shot().settings().seconds();
        return Instants.seconds(made.get(0).opened(), last.opened()) + open;
    }
}
