package dev.halfdusk.core.fireworks;

import dev.halfdusk.core.measure.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/**
 * Practice for bulb by hand: launches come, one holds a key from the launch until the burst fades, and hears what came of it. Times are seconds
 * from the beginning of the round; it has no clock of its own.
 *
 * @param launches in the order of their time
 */
public record Trainer(List<Launch> launches) {

    public static final Range LAUNCHES = new Range("launches", 1, 40, "");

    /** So much of the climb may be missed, and so much of the burst. */
    private static final double MISSED = 0.2;

    /** Open so long before the launch only gathers the sky. */
    private static final double TOO_EARLY = 1;

    /** Between a burst that has faded and the next launch there is at least so much. */
    private static final double PAUSE = 0.4;

    /** Held so much longer than it shows it waits for the next. */
    private static final double TOO_LONG = 1.5;

    /**
     * A shell.
     *
     * @param fires when it leaves the mortar
     */
    public record Launch(double fires, Shell shell) {

        public double breaks() {
            return fires + shell.flightSeconds();
        }

        public double fades() {
            return breaks() + shell.showSeconds();
        }
    }

    /** The key was down. */
    public record Press(double opens, double closes) {

        public Press {
            if (closes < opens) {
                throw new IllegalArgumentException("a shutter cannot close before it opens");
            }
        }

        double shared(double from, double to) {
            return Math.max(0, Math.min(closes, to) - Math.max(opens, from));
        }
    }

    /** What became of a shell. */
    public enum Verdict {
        WHOLE("whole: climb and burst"),
        EARLY("opened long before the launch"),
        LATE("opened late: the climb is missing"),
        CUT("closed too soon: the burst is cut"),
        LONG("held too long after it had faded"),
        OVERLAPPED("two bursts in one frame"),
        MISSED("not taken");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param climb part of it that was drawn, 0 to 1
     * @param burst likewise
     * @param press whose frame has most of it; empty where none has any
     */
    public record Scored(Launch launch, Verdict verdict, double climb, double burst, Optional<Press> press) {}

    public Trainer {
        launches = List.copyOf(launches);
    }

    /** A round of a show: the same for the same seed. */
    public static Trainer of(Show show, int launches, long seed) {
        LAUNCHES.check(launches);
        SplittableRandom random = new SplittableRandom(seed);
        List<Launch> all = new ArrayList<>();
        double t = 2;
        for (int i = 0; i < launches; i++) {
            List<Shell> shells = show.shells();
            Shell shell = shells.get(random.nextInt(shells.size()));
            Shell one = random.nextInt(6) == 0 ? shell.willow() : shell;
            all.add(new Launch(t, one));
            t = all.get(i).fades() + random.nextDouble(PAUSE, 3); // whoever holds each to its end takes all of them
        }
        return new Trainer(all);
    }

    /** All of its shells, seconds counted from the opening of a frame, fired from points in turn. */
    public List<Fired> during(Press press, List<FiringPoint> points) {
        List<Fired> fired = new ArrayList<>();
        Fired.Colour[] colours = Fired.Colour.values();
        for (int i = 0; i < launches.size(); i++) {
            Launch l = launches.get(i);
            fired.add(new Fired(
                    points.get(i % points.size()),
                    l.shell,
                    l.fires - press.opens,
                    0,
                    colours[i % colours.length],
                    71 + i));
        }
        return fired;
    }

    /** When nothing more is seen. */
    public double seconds() {
        return launches.stream().mapToDouble(Launch::fades).max().orElse(0) + 1;
    }

    /** What came of each shell with these presses, in any order. */
    public List<Scored> score(List<Press> presses) {
        return launches.stream().map(l -> score(l, presses)).toList();
    }

    private Scored score(Launch l, List<Press> presses) {
        Press best = null;
        double most = 0;
        for (Press p : presses) {
            double shared = p.shared(l.fires, l.fades());
            if (shared > most) {
                most = shared;
                best = p;
            }
        }
        if (best == null) {
            return new Scored(l, Verdict.MISSED, 0, 0, Optional.empty());
        }
        double climb = best.shared(l.fires, l.breaks()) / l.shell.flightSeconds();
        double burst = best.shared(l.breaks(), l.fades()) / l.shell.showSeconds();
        return new Scored(l, verdict(l, best, climb, burst), climb, burst, Optional.of(best));
    }

    private Verdict verdict(Launch l, Press p, double climb, double burst) {
        if (burst == 0) {
            return Verdict.MISSED;
        }
        boolean two = launches.stream()
                .anyMatch(o -> o != l && p.shared(o.breaks(), o.fades()) > MISSED * o.shell.showSeconds());
        if (two) {
            return Verdict.OVERLAPPED;
        }
        if (climb < 1 - MISSED) {
            return Verdict.LATE;
        }
        if (burst < 1 - MISSED) {
            return Verdict.CUT;
        }
        if (l.fires - p.opens > TOO_EARLY) {
            return Verdict.EARLY;
        }
        return p.closes - l.fades() > TOO_LONG ? Verdict.LONG : Verdict.WHOLE;
    }
}
