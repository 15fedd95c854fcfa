package dev.halfdusk.app.rehearsal;

import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.measure.Instants;
import java.time.Instant;
import java.util.List;
import java.util.Locale;

/** Times as an eclipse is counted: from its contacts. */
final class Countdown {

    /** The last that happened counts in and around totality, the next one before. */
    private static final List<Anchor> COUNTED = List.of(Anchor.C1, Anchor.C2, Anchor.C3, Anchor.C4);

    private static final double NEAR = 600;

    private Countdown() {}

    /** "1:07", "1:02:30". */
    static String span(long seconds) {
        return seconds >= 3600
                ? String.format(Locale.ROOT, "%d:%02d:%02d", seconds / 3600, seconds / 60 % 60, seconds % 60)
                : String.format(Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
    }

    /** The contact that an instant is counted from. */
    static LocalSolarEclipse.Contact from(Instant t, LocalSolarEclipse here) {
        LocalSolarEclipse.Contact last = null;
        LocalSolarEclipse.Contact next = null;
        for (Anchor a : COUNTED) {
            LocalSolarEclipse.Contact c = here.contact(a).orElse(null);
            if (c != null && !c.when().isAfter(t)) {
                last = c;
            } else if (c != null && next == null) {
                next = c;
            }
        }
        boolean within = last != null && (next == null || Instants.seconds(last.when(), t) < NEAR && !soon(t, next));
        return within ? last : next == null ? here.max() : next;
    }

    private static boolean soon(Instant t, LocalSolarEclipse.Contact next) {
        return Instants.seconds(t, next.when()) < 30;
    }

    /** "C2 + 1:07". */
    static String words(Instant t, LocalSolarEclipse here) {
        LocalSolarEclipse.Contact c = from(t, here);
        double seconds = Instants.seconds(c.when(), t);
        return name(c.name())
                + (seconds < 0 ? " \u2212 " : " + ")
                + span((long) (seconds < 0 ? Math.ceil(-seconds - 1e-6) : Math.floor(seconds)));
    }

    static String name(String contact) {
        return Anchor.valueOf(contact.toUpperCase(Locale.ROOT)).words();
    }

    /** "C2 + 12.4 s": of a line of a script. */
    static String offset(Anchor from, double seconds) {
        double size = Math.abs(seconds);
        String words = size < 100 ? String.format(Locale.ROOT, "%.1f s", size) : span(Math.round(size));
        return from.words() + (seconds < 0 ? " \u2212 " : " + ") + words;
    }
}
