package dev.halfdusk.core.optics;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The shutter speeds a body offers from 30 s down to 1/8000 s. What the dial says is a nominal value; the shutter really
 * runs 2^(k/n) seconds with n steps to the stop, so that "30" is 32 s and "25" is 25.4 s.
 */
public enum Dial {
    FULL(1, "30 15 8 4 2 1 1/2 1/4 1/8 1/15 1/30 1/60 1/125 1/250 1/500 1/1000 1/2000 1/4000 1/8000"),
    HALF(
            2,
            "30 20 15 10 8 6 4 3 2 1.5 1 0.7 0.5 1/3 1/4 1/6 1/8 1/10 1/15 1/20 1/30 1/45 1/60 1/90 1/125 1/180 1/250"
                    + " 1/350 1/500 1/750 1/1000 1/1500 1/2000 1/3000 1/4000 1/6000 1/8000"),
    THIRD(
            3,
            "30 25 20 15 13 10 8 6 5 4 3.2 2.5 2 1.6 1.3 1 0.8 0.6 0.5 0.4 0.3 1/4 1/5 1/6 1/8 1/10 1/13 1/15 1/20 1/25"
                    + " 1/30 1/40 1/50 1/60 1/80 1/100 1/125 1/160 1/200 1/250 1/320 1/400 1/500 1/640 1/800 1/1000"
                    + " 1/1250 1/1600 1/2000 1/2500 1/3200 1/4000 1/5000 1/6400 1/8000");

    private static final int STOPS_ABOVE_ONE_SECOND = 5;
    private static final double ROUNDING = 1e-9;

    /** A click is called by its name as exactly as people type it. */
    private static final double NAME = 0.004;

    private final int stepsPerStop;
    private final List<Stop> shutters;

    Dial(int stepsPerStop, String labels) {
        this.stepsPerStop = stepsPerStop;
        String[] each = labels.split(" ");
        List<Stop> list = new ArrayList<>();
        for (int i = 0; i < each.length; i++) {
            double real = Math.pow(2, STOPS_ABOVE_ONE_SECOND - (double) i / stepsPerStop);
            list.add(new Stop(each[i], nominal(each[i]), real));
        }
        shutters = List.copyOf(list);
    }

    /** Stops by which settings on a dial of thirds may miss what is wanted: a third, and the rounding of its clicks. */
    public static final double THIRD_STOP = 0.34;

    /**
     * One click of the dial.
     *
     * @param label what the camera shows
     * @param nominalSeconds the label as a number
     * @param realSeconds how long the shutter is open
     */
    public record Stop(String label, double nominalSeconds, double realSeconds) {}

    private static double nominal(String label) {
        return label.startsWith("1/") ? 1 / Double.parseDouble(label.substring(2)) : Double.parseDouble(label);
    }

    /** From the longest to the shortest. */
    public List<Stop> shutters() {
        return shutters;
    }

    public int stepsPerStop() {
        return stepsPerStop;
    }

    /**
     * The longest click that keeps within a limit, both by its label and by what the shutter really does. Empty below
     * the shortest. A limit over 30 s still gives 30: longer is for bulb or an interval timer.
     */
    public Optional<Stop> atMost(double limitSeconds) {
        return shutters.stream()
                .filter(s -> Math.max(s.nominalSeconds, s.realSeconds) <= limitSeconds * (1 + ROUNDING))
                .findFirst();
    }

    /** The click nearest in stops, for settings that need not keep a limit. */
    public Stop nearest(double seconds) {
        return shutters.stream()
                .min(Comparator.comparingDouble(s -> Math.abs(Math.log(s.realSeconds / seconds))))
                .orElseThrow();
    }

    /** How long the shutter is really open when someone says a time: a click by its name, else the time itself. */
    public double meant(double saidSeconds) {
        return shutters.stream()
                .filter(s -> Math.abs(s.nominalSeconds() - saidSeconds) <= NAME * saidSeconds)
                .mapToDouble(Stop::realSeconds)
                .findFirst()
                .orElse(saidSeconds);
    }
}
