package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Judges a reading of a frame that nobody took, and says briefly what is found. */
abstract class Judged {

    static final Correction.Limits LIMITS =
            new Correction.Limits(Readings.BODY, Range.APERTURE.from(2.8).upTo(22), 30);

    final Readings r = new Readings();

    List<Finding> found() {
        return Judge.of(r.reading(), Optional.of(LIMITS));
    }

    /** "TOO_DARK 1.29: evidence | SHUTTER 5". */
    static String said(Finding f) {
        String turns = f.change().turns().stream()
                .map(t -> t.dial() + " "
                        + switch (t.dial()) {
                            case SHUTTER -> Numbers.trimmed(t.to().seconds(), 2);
                            case APERTURE -> Numbers.trimmed(t.to().aperture(), 1);
                            case ISO -> Numbers.trimmed(t.to().iso(), 0);
                        })
                .collect(Collectors.joining(", "));
        return f.cause() + " " + Numbers.fixed(f.weight(), 2) + ": " + f.evidence()
                + (turns.isEmpty() ? "" : " | " + turns);
    }

    List<String> all() {
        return found().stream().map(Judged::said).toList();
    }

    List<Cause> causes() {
        return found().stream().map(Finding::cause).toList();
    }

    static MoonReading moon(double level, double burnt, double limb, double edge, double smear) {
        return new MoonReading(600, 400, 200, 0.5, level, burnt, limb, edge, smear, 45);
    }

    void moonOf(double level, double burnt, double limb, double edge, double smear) {
        r.moon = Optional.of(moon(level, burnt, limb, edge, smear));
    }

    /** Corners like these about a round middle. */
    void corners(StarShape... four) {
        List<Part> all = new ArrayList<>(Readings.parts(Readings.ROUND, Readings.ROUND));
        for (int i = 0; i < 4; i++) {
            Part p = all.get(9 + i);
            all.set(9 + i, new Part(p.x(), p.y(), Optional.of(four[i]), Optional.empty()));
        }
        r.parts = all;
    }
}
