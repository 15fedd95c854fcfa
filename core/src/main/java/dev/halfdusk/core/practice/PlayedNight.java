package dev.halfdusk.core.practice;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A planned night played at the table, with things that go wrong: each asks for a decision, and what each decision costs in frames is reckoned by
 * plain rules. The figures are typical, what counts is which of them is the smaller.
 *
 * @param parts takes in the order of their time
 * @param troubles in the order of theirs
 */
public record PlayedNight(List<Part> parts, List<Trouble> troubles) {

    /** Seconds in which one has to decide; who does not goes on. */
    public static final int DECIDE_S = 45;

    private static final double LATE_MIN = 14;
    private static final double CLOUD_MIN = 17;
    private static final double LOOK_MIN = 2;
    private static final double HEATER_MIN = 2;
    private static final double DEWY_AFTER_MIN = 9;
    private static final double WIPED_FOR_MIN = 8;
    private static final double SWAP_MIN = 1.5;
    private static final double NOTICED_MIN = 12;
    private static final double CHARGE_MIN = 25;
    private static final double TORCH_MIN = 0.7;
    private static final double ASK_MIN = 0.5;

    /** A take shorter than that has no room for what goes wrong. */
    private static final double LEAST_MIN = 6;

    /** A take of it. */
    public record Part(String name, Interval runs, int frames) {

        double minutes() {
            return Instants.seconds(runs.from(), runs.to()) / 60;
        }

        /** Taken until then, where nothing went wrong. */
        public int framesBy(Instant then) {
            return framesOf(Instants.seconds(runs.from(), then) / 60);
        }

        int framesOf(double minutes) {
            double share = minutes() == 0 ? 1 : Math.max(0, Math.min(1, minutes / minutes()));
            return (int) Math.min(frames, Math.ceil(share * frames - 1e-9));
        }
    }

    /** What goes wrong. */
    public enum Kind {
        LATE(
                "You are late: the road was closed",
                "Fourteen minutes behind, and the first take is running without you."),
        CLOUD(
                "Cloud comes in from the sea",
                "It covers the part of the sky you are aimed at. The forecast had it pass in a quarter of an hour."),
        DEW("The stars grow wider", "Calm and clear, and the front of the lens is damp."),
        BATTERY("The battery shows one bar", "In this cold that may be twenty-five minutes, or five."),
        TORCH("A stranger's torch", "Someone comes down the path and lights the rocks before you.");

        private final String words;
        private final String told;

        Kind(String words, String told) {
            this.words = words;
            this.told = told;
        }

        public String words() {
            return words;
        }

        public String told() {
            return told;
        }
    }

    /** @param at when it comes */
    public record Trouble(Kind kind, int part, Instant at) {}

    /**
     * A decision.
     *
     * @param lost frames that it costs in all
     * @param because what they are lost to
     * @param from of the time that is lost, to its end
     * @param begins by which the take begins later, minutes
     * @param ends by which it ends sooner, minutes
     */
    public record Choice(String words, int lost, String because, Interval from, double begins, double ends) {}

    /** What became of a take. */
    public record Went(Part part, Interval runs, int kept, List<String> lost) {}

    public PlayedNight {
        parts = List.copyOf(parts);
        troubles = List.copyOf(troubles);
    }

    /** The same for the same seed; with no take long enough nothing goes wrong. */
    public static PlayedNight of(List<Part> parts, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Integer> may = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).minutes() >= LEAST_MIN && parts.get(i).frames() > 1) {
                may.add(i);
            }
        }
        List<Trouble> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            if (may.isEmpty()) {
                break;
            }
            int part = kind == Kind.LATE ? may.get(0) : may.get(random.nextInt(may.size()));
            Part p = parts.get(part);
            double share = kind == Kind.LATE ? 0 : random.nextDouble(0.15, 0.6);
            all.add(new Trouble(kind, part, p.runs().from().plusMillis(Math.round(share * p.minutes() * 60_000))));
        }
        all.sort(Comparator.comparing(Trouble::at));
        return new PlayedNight(parts, all);
    }

    /** What may be done about it; the last of them is to go on as if nothing were. */
    public List<Choice> choices(Trouble t) {
        Part p = parts.get(t.part);
        double left = Instants.seconds(t.at, p.runs().to()) / 60;
        return switch (t.kind) {
            case LATE -> {
                double late = Math.min(LATE_MIN, left);
                double runsOver = Math.max(0, late - room(t.part));
                yield List.of(
                        choice(t, "set up calmly, begin late, close as planned", late, "begun late", late, 0),
                        choice(
                                t,
                                "begin late and run over by as much",
                                runsOver,
                                "the next take had to begin",
                                late,
                                runsOver - late),
                        choice(t, "leave this take out and be in time for the next", left, "left out", 0, left));
            }
            case CLOUD ->
                List.of(
                        choice(
                                t,
                                "stop, wait until it has passed, look, begin again",
                                Math.min(left, CLOUD_MIN + LOOK_MIN),
                                "waited for the cloud",
                                0,
                                0),
                        choice(t, "pack up", left, "packed up", 0, left),
                        choice(t, "let it run", Math.min(left, CLOUD_MIN), "under cloud", 0, 0));
            case DEW ->
                List.of(
                        choice(
                                t,
                                "heater on, dry the lens, focus once more",
                                Math.min(left, HEATER_MIN),
                                "drying the lens",
                                0,
                                0),
                        choice(
                                t,
                                "wipe it and go on",
                                left <= WIPED_FOR_MIN ? 0 : left - WIPED_FOR_MIN,
                                "dew came back",
                                0,
                                0),
                        choice(t, "go on", Math.max(0, left - DEWY_AFTER_MIN), "dew", 0, 0));
            case BATTERY ->
                List.of(
                        choice(
                                t,
                                "change it now, between two frames",
                                Math.min(left, SWAP_MIN),
                                "changing the battery",
                                0,
                                0),
                        choice(
                                t,
                                "change it after this take",
                                left > CHARGE_MIN ? left - CHARGE_MIN : 0,
                                "the battery gave out",
                                0,
                                0),
                        choice(
                                t,
                                "go on until it is empty",
                                left > CHARGE_MIN ? Math.min(left - CHARGE_MIN, NOTICED_MIN) : 0,
                                "the battery gave out unnoticed",
                                0,
                                0));
            case TORCH ->
                List.of(
                        choice(t, "a hat over the lens, and a friendly word", Math.min(left, ASK_MIN), "covered", 0, 0),
                        choice(t, "stop, begin the take anew", p.minutes() - left, "begun anew", p.minutes() - left, 0),
                        choice(
                                t,
                                "say nothing and go on",
                                Math.min(left, 3 * TORCH_MIN),
                                "a torch in the frame",
                                0,
                                0));
        };
    }

    /** Minutes between the end of a take and the beginning of the next. */
    private double room(int part) {
        Instant ends = parts.get(part).runs().to();
        return parts.stream()
                .map(p -> p.runs().from())
                .filter(from -> !from.isBefore(ends))
                .mapToDouble(from -> Instants.seconds(ends, from) / 60)
                .min()
                .orElse(0);
    }

    private Choice choice(Trouble t, String words, double minutes, String because, double begins, double ends) {
        Part p = parts.get(t.part);
        Instant to = t.at.plusMillis(Math.round(minutes * 60_000));
        return new Choice(words, p.framesOf(minutes), because, new Interval(t.at, to), begins, ends);
    }

    /** The decision that costs least. */
    public Choice best(Trouble t) {
        return choices(t).stream().min(Comparator.comparingInt(Choice::lost)).orElseThrow();
    }

    /**
     * What came of all takes.
     *
     * @param decided number of the decision for each trouble so far
     */
    public List<Went> went(List<Integer> decided) {
        List<Went> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            Part p = parts.get(i);
            int kept = p.frames();
            double begins = 0;
            double ends = 0;
            double over = 0;
            List<String> lost = new ArrayList<>();
            for (int k = 0; k < Math.min(decided.size(), troubles.size()); k++) {
                Trouble t = troubles.get(k);
                if (t.part == i) {
                    Choice c = choices(t).get(decided.get(k));
                    int lostNow = Math.min(kept, c.lost);
                    kept -= lostNow;
                    begins = Math.max(begins, c.begins);
                    ends = Math.max(ends, c.ends);
                    over = Math.max(over, -c.ends);
                    if (lostNow > 0) {
                        lost.add(Numbers.text("%d %s", lostNow, c.because));
                    }
                }
            }
            Instant from = p.runs().from().plus(Duration.ofSeconds(Math.round(60 * begins)));
            Instant to = p.runs().to().minus(Duration.ofSeconds(Math.round(60 * (ends > 0 ? ends : -over))));
            all.add(new Went(p, new Interval(from, to.isBefore(from) ? from : to), kept, lost));
        }
        return all;
    }
}
