package dev.halfdusk.core.frame;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import java.util.Arrays;

/**
 * The skyline as it might look between the corners that someone drew: humps and teeth that are always the same for a place
 * and vanish at its corners. A flat skyline stays flat.
 */
final class Ridge {

    private static final int PER_DEGREE = 40;
    private static final double ROUGH_SHARE = 0.16;
    private static final double ROUGH_LEAST_DEG = 0.25;
    private static final double LOW_DEG = 0.6;

    /** The one that was made last: many pictures are taken from one place. */
    private static volatile Made last;

    private record Made(Skyline skyline, long seed, Ridge ridge) {}

    private final float[] table = new float[360 * PER_DEGREE + 1];
    private final float[] drawn = new float[table.length];
    private final double lowest;
    private final Span[] spans;

    private Ridge(Skyline skyline, long seed) {
        float[] off = offCorners(skyline);
        double bottom = 90;
        for (int i = 0; i < table.length; i++) {
            double azimuth = (double) i / PER_DEGREE;
            double plain = skyline.altitudeAt(azimuth);
            double formed = plain;
            if (!skyline.points().isEmpty()) {
                double rough = (ROUGH_LEAST_DEG + ROUGH_SHARE * plain) * Math.min(1, plain / LOW_DEG);
                formed += rough * off[i] * shape(seed, azimuth);
            }
            drawn[i] = (float) plain;
            table[i] = (float) formed;
            bottom = Math.min(bottom, formed);
        }
        lowest = bottom;
        spans = spans(table);
    }

    static Ridge of(Standpoint from) {
        long seed = Math.round(from.site().latitudeDeg() * 10_000) * 4_000_037
                + Math.round(from.site().longitudeDeg() * 10_000);
        Made made = last;
        if (made == null || made.seed != seed || !made.skyline.equals(from.skyline())) {
            made = new Made(from.skyline(), seed, new Ridge(from.skyline(), seed));
            last = made;
        }
        return made.ridge;
    }

    /** Ridges from −1 to 1: hills of ten degrees down to teeth of a tenth; the same at 0 and 360°. */
    private static double shape(long seed, double azimuth) {
        double sum = 0;
        double size = 1;
        for (int octave = 0, perTurn = 36; octave < 7; octave++, perTurn *= 2) {
            double x = azimuth / 360 * perTurn;
            double noise = Noise.around(seed + octave, x, perTurn);
            sum += size * (octave < 2 ? 2 * noise - 1 : 1 - 2 * Math.abs(2 * noise - 1));
            size *= 0.52;
        }
        return sum / 1.7;
    }

    /** 0 at the corners, one from a degree off them on: looked for once around from either side, however many there are. */
    private float[] offCorners(Skyline skyline) {
        float[] off = new float[table.length];
        Arrays.fill(off, 1);
        for (Skyline.Point p : skyline.points()) {
            int before = (int) (Angles.turn(p.azimuthDeg()) * PER_DEGREE);
            for (int i = before; i <= before + 1; i++) {
                double away = Math.abs(Angles.halfTurn((double) i / PER_DEGREE - p.azimuthDeg()));
                int at = i % (table.length - 1);
                off[at] = (float) Math.min(off[at], away);
            }
        }
        int turn = table.length - 1;
        for (int i = 1; i < 2 * turn; i++) {
            off[i % turn] = Math.min(off[i % turn], off[(i - 1) % turn] + 1f / PER_DEGREE);
        }
        for (int i = 2 * turn - 1; i > 0; i--) {
            off[(i - 1) % turn] = Math.min(off[(i - 1) % turn], off[i % turn] + 1f / PER_DEGREE);
        }
        off[turn] = off[0];
        return off;
    }

    double altitudeDeg(double azimuthDeg) {
        return between(table, azimuthDeg);
    }

    /** Without humps and teeth. */
    double drawnDeg(double azimuthDeg) {
        return between(drawn, azimuthDeg);
    }

    private static double between(float[] table, double azimuthDeg) {
        double x = Angles.turn(azimuthDeg) * PER_DEGREE;
        int i = Math.min(table.length - 2, (int) x);
        return table[i] + (table[i + 1] - table[i]) * (x - i);
    }

    /** Lowest and highest of a stretch. */
    record Span(float lowest, float highest) {}

    /** From one azimuth to another by the shorter way, and up to a degree beyond. */
    Span between(double oneDeg, double otherDeg) {
        double by = Angles.halfTurn(otherDeg - oneDeg);
        int first = (int) Math.floor(by < 0 ? oneDeg + by : oneDeg);
        int last = (int) Math.floor(by < 0 ? oneDeg : oneDeg + by);
        float least = Float.POSITIVE_INFINITY;
        float most = Float.NEGATIVE_INFINITY;
        for (int degree = first; degree <= last; degree++) {
            Span span = spans[Math.floorMod(degree, 360)];
            least = Math.min(least, span.lowest);
            most = Math.max(most, span.highest);
        }
        return new Span(least, most);
    }

    /** Of each degree. */
    private static Span[] spans(float[] table) {
        Span[] spans = new Span[360];
        for (int degree = 0; degree < 360; degree++) {
            float least = Float.POSITIVE_INFINITY;
            float most = Float.NEGATIVE_INFINITY;
            for (int i = degree * PER_DEGREE; i <= (degree + 1) * PER_DEGREE; i++) {
                least = Math.min(least, table[i]);
                most = Math.max(most, table[i]);
            }
            spans[degree] = new Span(least, most);
        }
        return spans;
    }

    double lowestDeg() {
        return lowest;
    }
}
