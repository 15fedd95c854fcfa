package dev.halfdusk.core.lighttable;

import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Optional;

/** What all judges share: the reading, how far the camera can be turned, and what they find. */
abstract class Judging {

    final FrameReading r;
    final Optional<Correction.Limits> limits;
    final double tolerance;
    final List<Finding> findings;

    Judging(FrameReading reading, Optional<Correction.Limits> limits, List<Finding> findings) {
        r = reading;
        this.limits = limits;
        this.findings = findings;
        tolerance = Judge.allowedPx(reading);
    }

    void add(Cause cause, String evidence, double weight, Correction change, String remedy) {
        findings.add(new Finding(cause, evidence, weight, change, remedy));
    }

    static Correction none() {
        return new Correction(List.of(), 0);
    }

    /** So many stops brighter, below 0 darker, as long as stars stay points. */
    Correction by(double stops, List<Correction.Dialled> order) {
        return limits.flatMap(l -> r.known()
                        .settings()
                        .map(s -> Correction.by(Correction.STOPS.nearest(stops), s, unstreaked(l, s), order)))
                .orElse(none());
    }

    /** As long as stars stay points, by what was measured. */
    Correction.Limits unstreaked(Correction.Limits l, Settings s) {
        double length = Math.max(0.2, r.lengthPx().orElse(0));
        double longest = Math.max(s.seconds(), s.seconds() * tolerance / length);
        return new Correction.Limits(l.body(), l.apertures(), Math.min(Range.SHUTTER.max(), longest));
    }
}
