package dev.halfdusk.core.camera;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sequence;
import dev.halfdusk.core.sequence.Conflict;
import dev.halfdusk.core.sequence.Conflict.WayOut;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;

/**
 * Whether batteries and card last for a program, dark frames too: it is played on the simulated body, so that what is planned and what the
 * body does are one. Batteries are changed early where there are enough of them, so that the long arc after it stays whole, and at the end of
 * a charge where they are scarce.
 *
 * @param swaps numbers of frames after which a battery is changed
 */
public record Endurance(List<Integer> swaps, Run run) {

    private static final double SLACK = 1e-9;
    private static final String FLAT = Camera.Fault.FLAT_BATTERY.words();
    private static final String FULL = Camera.Fault.FULL_CARD.words();

    /** Nobody carries more. */
    public static final int MOST_BATTERIES = 20;

    /**
     * What a program runs on.
     *
     * @param batteries full ones, the first of them in the body
     */
    public record Kit(
            Rig rig,
            Camera.Dials dials,
            Optional<Gear.Battery> battery,
            int batteries,
            double celsius,
            Gear.Card card) {

        private Kit with(int otherBatteries) {
            return new Kit(rig, dials, battery, otherBatteries, celsius, card);
        }
    }

    public static Endurance of(Program program, Kit kit) {
        List<Integer> late = atTheEnd(program, kit);
        List<Integer> early = early(program, kit, late.size());
        if (!early.isEmpty()) {
            Endurance first = new Endurance(early, play(program, kit, early));
            if (first.holds()) {
                return first;
            }
        }
        return new Endurance(late, play(program, kit, late));
    }

    /** Whether nothing is lost but what is missed while a battery is changed. */
    public boolean holds() {
        return run.shots().stream().noneMatch(Endurance::ended);
    }

    private static boolean ended(Run.Result r) {
        return r.because().equals(FLAT) || r.because().equals(FULL);
    }

    private static Run play(Program program, Kit kit, List<Integer> swaps) {
        Camera camera = new Camera(kit.rig, kit.dials, program.span().from(), Duration.ZERO);
        camera.insert(kit.card);
        kit.battery.ifPresent(b -> camera.insert(b, kit.celsius));
        return Run.of(program, camera, swaps);
    }

    /** Each when the one before is empty, as many as there are. */
    private static List<Integer> atTheEnd(Program program, Kit kit) {
        List<Integer> swaps = new ArrayList<>();
        while (kit.battery.isPresent() && swaps.size() < kit.batteries - 1) {
            Optional<Integer> empty = first(play(program, kit, swaps), FLAT);
            if (empty.isEmpty() || empty.get() == 0 || swaps.contains(empty.get())) {
                break;
            }
            swaps.add(empty.get());
        }
        return swaps;
    }

    /** As few as there must be, as early as can be, reckoned as if all frames were alike; none where they are not enough. */
    private static List<Integer> early(Program program, Kit kit, int needed) {
        Program.Step step = program.steps().get(0);
        int frames = Math.min((int) Sequence.FRAMES.max(), program.frames());
        Sequence all = new Sequence(frames, step.settings().seconds(), step.pauseSeconds());
        if (needed == 0 || kit.battery.isEmpty() || Power.frames(kit.battery.get(), kit.celsius, all) == 0) {
            return List.of();
        }
        List<Integer> swaps = Power.swaps(kit.battery.get(), kit.celsius, all);
        return swaps.size() < kit.batteries ? swaps : List.of();
    }

    /** Index of the first frame that is lost for a reason. */
    private static Optional<Integer> first(Run run, String because) {
        for (int i = 0; i < run.shots().size(); i++) {
            if (run.shots().get(i).because().equals(because)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /**
     * What ends before the program does, with the ways out.
     *
     * @param whole what came of the whole program
     * @param sequence its frames of light
     * @param shortened the program with fewer of them
     */
    public static List<Conflict> conflicts(
            Endurance whole, Kit kit, Sequence sequence, IntFunction<Program> shortened) {
        Program program = shortened.apply(sequence.frames());
        List<Conflict> found = new ArrayList<>();
        if (kit.battery.isPresent()) {
            first(whole.run, FLAT)
                    .ifPresent(end -> found.add(battery(kit, sequence, shortened, program, taken(whole.run, end))));
        }
        first(whole.run, FULL)
                .ifPresent(end -> found.add(card(kit, sequence, shortened, program, taken(whole.run, end))));
        return found;
    }

    /** Said where a program holds, but on the last of its battery. */
    public static Optional<Conflict> reserve(Endurance whole, Kit kit, Sequence sequence, Instant begins) {
        double kept = Power.reserve(kit.celsius);
        if (kit.battery.isEmpty()
                || !whole.holds()
                || whole.run.charge() > kept - SLACK
                || kit.batteries >= MOST_BATTERIES) {
            return Optional.empty();
        }
        List<WayOut> ways = kit.battery.get().outside()
                ? List.of()
                : List.of(new WayOut("take " + words(kit.batteries + 1), begins, sequence, false)
                        .batteries(kit.batteries + 1));
        return Optional.of(new Conflict(
                Conflict.Kind.RESERVE,
                Numbers.text(
                        "It ends on %.0f %% of the battery; at %.0f \u00b0C keep %.0f %% back, as its indicator lies.",
                        100 * whole.run.charge(), kit.celsius, 100 * kept),
                ways));
    }

    /** Of those before one. */
    private static int taken(Run run, int end) {
        return (int) run.shots().subList(0, end).stream()
                .filter(r -> r.fate() != Run.Fate.LOST)
                .count();
    }

    private static Conflict battery(
            Kit kit, Sequence sequence, IntFunction<Program> shortened, Program program, int taken) {
        if (taken == 0) {
            return new Conflict(
                    Conflict.Kind.BATTERY, "One battery does not last for a single frame of that length.", List.of());
        }
        List<WayOut> ways = new ArrayList<>();
        boolean outside = kit.battery.filter(Gear.Battery::outside).isPresent();
        int needed = outside ? MOST_BATTERIES + 1 : kit.batteries + 1;
        while (needed <= MOST_BATTERIES && lacksPower(of(program, kit.with(needed)))) {
            needed++;
        }
        String takes = outside
                ? "it takes a larger one, or less on it"
                : needed <= MOST_BATTERIES ? "it takes " + needed : "more than " + MOST_BATTERIES + " would not do";
        if (needed <= MOST_BATTERIES) {
            ways.add(new WayOut("take " + words(needed), program.span().from(), sequence, false).batteries(needed));
        }
        stopping(kit, sequence, shortened, program).ifPresent(ways::add);
        String have = outside
                ? "the supply lasts"
                : kit.batteries == 1 ? "one battery lasts" : kit.batteries + " batteries last";
        return new Conflict(
                Conflict.Kind.BATTERY,
                Numbers.text(
                        "At %.0f \u00b0C %s for %d of %d frames%s: %s.",
                        kit.celsius, have, taken, program.frames(), darks(program), takes),
                ways);
    }

    private static boolean lacksPower(Endurance e) {
        return first(e.run, FLAT).isPresent();
    }

    private static String words(int batteries) {
        String[] few = {"", "one battery", "two batteries", "three batteries", "four batteries", "five batteries"};
        return batteries < few.length ? few[batteries] : batteries + " batteries";
    }

    private static String darks(Program program) {
        return program.darks() == 0 ? "" : Numbers.text(" (%d of them dark)", program.darks());
    }

    private static Conflict card(
            Kit kit, Sequence sequence, IntFunction<Program> shortened, Program program, int taken) {
        List<WayOut> ways = new ArrayList<>();
        stopping(kit, sequence, shortened, program).ifPresent(ways::add);
        return new Conflict(
                Conflict.Kind.CARD,
                Numbers.text("The card holds %d of %d frames%s.", taken, program.frames(), darks(program)),
                ways);
    }

    /** With as many frames of light as last, dark ones after them. */
    private static Optional<WayOut> stopping(
            Kit kit, Sequence sequence, IntFunction<Program> shortened, Program program) {
        int few = 0;
        int many = sequence.frames();
        while (many - few > 1) {
            int middle = (few + many) / 2;
            boolean holds = of(shortened.apply(middle), kit).holds();
            few = holds ? middle : few;
            many = holds ? many : middle;
        }
        return few == 0
                ? Optional.empty()
                : Optional.of(new WayOut(
                        "stop at " + (few == 1 ? "one frame" : few + " frames"),
                        program.span().from(),
                        sequence.withFrames(few),
                        false));
    }
}
