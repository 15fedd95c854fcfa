package dev.halfdusk.core.practice;

import dev.halfdusk.core.measure.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import java.util.stream.Collectors;

/**
 * The positions of a control, in the order in which it is turned.
 *
 * @param start where it stands when the camera comes out of its bag
 */
public record Wheel(Control control, List<Position> positions, int start) {

    private static final double SAME = 1e-3;
    private static final int FEW = 12;

    /**
     * Where it can stand.
     *
     * @param label what the camera shows
     * @param value in the control's unit; a switch counts its positions from 0
     */
    public record Position(String label, double value) {}

    /** A position that the control does not have. */
    public static final class NoSuchPosition extends IllegalArgumentException {
        private static final long serialVersionUID = 1;

        NoSuchPosition(Wheel wheel, String typed) {
            super(wheel.control.words() + " \u201c" + typed + "\u201d is not there; " + wheel.allowed());
        }
    }

    public Wheel {
        positions = List.copyOf(positions);
    }

    static Wheel of(Control control, List<Double> values, DoubleFunction<String> label, double start) {
        return near(
                control,
                values.stream().map(v -> new Position(label.apply(v), v)).toList(),
                start);
    }

    /** It begins at the position nearest to that value. */
    static Wheel near(Control control, List<Position> positions, double start) {
        return new Wheel(control, positions, new Wheel(control, positions, 0).nearest(start));
    }

    /** A switch with words on it; it begins at the first. */
    static Wheel words(Control control, String... labels) {
        List<Position> all = new ArrayList<>();
        for (String label : labels) {
            all.add(new Position(label, all.size()));
        }
        return new Wheel(control, all, 0);
    }

    /** Even steps. */
    static Wheel even(Control control, double from, double to, double step, String unit, double start) {
        List<Double> values = new ArrayList<>();
        for (int i = 0; from + i * step < to + step / 2; i++) {
            values.add(from + i * step);
        }
        return of(
                control,
                values,
                v -> (v > 0 && from < 0 ? "+" : "") + Numbers.trimmed(Math.abs(v) < SAME ? 0 : v, 2) + unit,
                start);
    }

    /** What may be said of it in a refusal. */
    public String allowed() {
        return positions.size() <= FEW
                ? positions.stream().map(Position::label).collect(Collectors.joining(", "))
                : "it goes from " + positions.get(0).label() + " to "
                        + positions.get(positions.size() - 1).label();
    }

    /**
     * The position of that label, or of that number.
     *
     * @throws NoSuchPosition for any other
     */
    public int find(String typed) {
        for (int i = 0; i < positions.size(); i++) {
            if (positions.get(i).label().equalsIgnoreCase(typed)) {
                return i;
            }
        }
        try {
            double value = Double.parseDouble(typed);
            for (int i = 0; Double.isFinite(value) && i < positions.size(); i++) {
                if (Math.abs(positions.get(i).value() - value) <= slack(value)) {
                    return i;
                }
            }
        } catch (NumberFormatException e) {
            throw new NoSuchPosition(this, typed);
        }
        throw new NoSuchPosition(this, typed);
    }

    /** An aim may be said between its clicks; a number on a dial must be there. */
    private double slack(double value) {
        return control.aims()
                ? (positions.get(1).value() - positions.get(0).value()) / 2
                : SAME * Math.max(1e-3, Math.abs(value));
    }

    /** The position nearest to a value, in stops for what is counted in them; never an automatic one. */
    public int nearest(double value) {
        int best = 0;
        for (int i = 1; i < positions.size(); i++) {
            if (off(i, value) < off(best, value)) {
                best = i;
            }
        }
        return best;
    }

    private double off(int i, double value) {
        double off = Math.abs(control.inSteps(positions.get(i).value()) - control.inSteps(value));
        return Double.isNaN(off) ? Double.POSITIVE_INFINITY : off;
    }

    /** By so many clicks; what goes round goes round, others end. */
    public int turned(int from, int clicks) {
        int to = from + clicks;
        return control.round() ? Math.floorMod(to, positions.size()) : Math.max(0, Math.min(positions.size() - 1, to));
    }
}
