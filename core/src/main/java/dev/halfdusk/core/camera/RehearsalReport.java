package dev.halfdusk.core.camera;

import dev.halfdusk.core.camera.Rehearsal.Standing;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a rehearsal came to, and what to change in the plan.
 *
 * @param free stretches in which no camera takes anything, longest first
 */
public record RehearsalReport(List<OfCamera> cameras, List<Interval> free, List<Correction> corrections) {

    /** Less charge than this is no reserve. */
    private static final double LEAST_CHARGE = 0.3;

    /** Less of a card than this neither. */
    private static final double LEAST_CARD = 0.15;

    private static final long SHORTEST_FREE = 20;
    private static final int MOST_FREE = 6;

    /** @param because reasons of what was late or lost, with how many each */
    public record OfCamera(Standing standing, int planned, Map<String, Integer> because) {}

    /** What can be done to the plan. */
    public enum Change {
        /** Write raw alone. */
        RAW_ALONE,
        /** Leave out what came late or not at all. */
        LEAVE_OUT,
        /** Nothing in the script: something to do or to bring. */
        BY_HAND
    }

    /** @param part counted from 0 */
    public record Correction(int part, Change change, String words) {}

    public static RehearsalReport of(List<Standing> standings) {
        List<OfCamera> cameras = new ArrayList<>();
        List<Correction> corrections = new ArrayList<>();
        for (int i = 0; i < standings.size(); i++) {
            Standing s = standings.get(i);
            Map<String, Integer> because = new LinkedHashMap<>();
            s.log().stream()
                    .filter(r -> r.fate() != Run.Fate.TAKEN)
                    .forEach(r -> because.merge(r.because(), 1, Integer::sum));
            cameras.add(new OfCamera(s, s.part().program().map(Program::frames).orElse(0), because));
            correct(i, s, because, corrections);
        }
        return new RehearsalReport(List.copyOf(cameras), free(standings), List.copyOf(corrections));
    }

    private static void correct(int i, Standing s, Map<String, Integer> because, List<Correction> corrections) {
        boolean jpegs = s.log().stream().anyMatch(r -> r.shot().format() == FileFormat.RAW_AND_JPEG);
        boolean slow = s.late() > 0;
        boolean busy = because.containsKey(Camera.Fault.BUSY.words());
        double cardLeft = s.cardLeftGb()
                .map(gb -> gb / s.part().card().orElseThrow().gigabytes())
                .orElse(1.0);
        if ((slow || cardLeft < LEAST_CARD) && jpegs) {
            corrections.add(new Correction(
                    i, Change.RAW_ALONE, "Write raw alone: files get smaller and the buffer empties sooner."));
        } else if (cardLeft < LEAST_CARD) {
            corrections.add(new Correction(i, Change.BY_HAND, "Bring a larger card: this one is nearly full."));
        }
        if (slow && !jpegs || busy) {
            corrections.add(new Correction(
                    i,
                    Change.LEAVE_OUT,
                    "Leave out the shots that came late or not at all, and copy no files near them."));
        }
        if (s.charge() < LEAST_CHARGE || because.containsKey(Camera.Fault.FLAT_BATTERY.words())) {
            corrections.add(new Correction(
                    i, Change.BY_HAND, "Change its battery before totality, whatever it reads, and carry one more."));
        }
        if (because.containsKey(Camera.Fault.LOST_LINK.words())) {
            corrections.add(new Correction(i, Change.BY_HAND, "Tape the cable to tripod and body, and carry another."));
        }
        if (because.containsKey(Camera.Fault.WRONG_MODE.words())) {
            corrections.add(new Correction(i, Change.BY_HAND, "Tape the mode dial at manual."));
        }
        if (because.containsKey(Camera.Fault.FULL_CARD.words())) {
            corrections.add(new Correction(i, Change.BY_HAND, "Put in an empty card before first contact."));
        }
        if (because.keySet().stream().anyMatch(b -> b.startsWith("an aperture was sent"))) {
            corrections.add(new Correction(i, Change.BY_HAND, "Tape the aperture ring at the value of the script."));
        }
        if (because.keySet().stream().anyMatch(b -> b.startsWith("another controller"))) {
            corrections.add(
                    new Correction(i, Change.BY_HAND, "One controller at a time: leave phones and remotes off."));
        }
    }

    /** Between the shots of all cameras. */
    private static List<Interval> free(List<Standing> standings) {
        List<Program.Shot> shots = standings.stream()
                .flatMap(s -> s.part().program().stream())
                .flatMap(p -> p.shots().stream())
                .sorted(Comparator.comparing(Program.Shot::opens))
                .toList();
        List<Interval> free = new ArrayList<>();
        Optional<Instant> closed = Optional.empty();
        for (Program.Shot shot : shots) {
            if (closed.isPresent() && closed.get().plusSeconds(SHORTEST_FREE).isBefore(shot.opens())) {
                free.add(new Interval(closed.get(), shot.opens()));
            }
            Instant closes = Instants.after(shot.opens(), shot.settings().seconds());
            closed = closed.filter(c -> c.isAfter(closes)).or(() -> Optional.of(closes));
        }
        return free.stream()
                .sorted(Comparator.comparing(Interval::length).reversed())
                .limit(MOST_FREE)
                .toList();
    }
}
