package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.lighttable.Cause;
import dev.halfdusk.core.lighttable.Finding;
import dev.halfdusk.core.lighttable.Known;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A verdict for people. */
public final class VerdictWords {

    private VerdictWords() {}

    /** Stable name of a cause for interfaces: "too-dark". */
    public static String key(Cause cause) {
        return cause.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The one next change, "shutter 20 s → 6 s, then ISO 3200 → 10000", and what else is done; empty where nothing is. */
    public static String change(Finding finding, Known known) {
        List<String> parts = new ArrayList<>();
        Settings before = known.settings().orElse(null);
        for (Correction.Turn t : finding.change().turns()) {
            parts.add(
                    switch (t.dial()) {
                        case SHUTTER -> "shutter " + seconds(before, known) + " \u2192 " + seconds(t.to(), known);
                        case APERTURE ->
                            "aperture f/" + Numbers.trimmed(before.aperture(), 1) + " \u2192 f/"
                                    + Numbers.trimmed(t.to().aperture(), 1);
                        case ISO ->
                            "ISO " + Numbers.plain(before.iso(), 0) + " \u2192 " + Numbers.plain(t.to().iso(), 0);
                    });
            before = t.to();
        }
        String turns = String.join(", then ", parts);
        double left = finding.change().leftStops();
        if (left != 0) {
            turns += (turns.isEmpty() ? "" : "; ") + Words.stops(-left) + " than wanted even so";
        }
        return turns.isEmpty()
                ? finding.remedy()
                : (turns + (finding.remedy().isEmpty() ? "" : ". " + finding.remedy()));
    }

    /** As the dial of its body shows it, where that is known. */
    static String seconds(Settings s, Known known) {
        return known.body().map(b -> b.label(s.seconds()) + " s").orElseGet(() -> Words.exposure(s.seconds()));
    }
}
