package dev.halfdusk.app.events;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LocalEclipse.Contact;
import dev.halfdusk.core.measure.Angles;
import java.time.ZoneId;
import java.util.List;

/** How much of an eclipse is seen from a place, and why. */
final class EclipseWords {

    private EclipseWords() {}

    static String why(LocalEclipse local, ZoneId zone) {
        Contact max = local.contact("max");
        String stands = Words.number(max.moon().altitudeDeg(), 0) + "\u00b0 high in the "
                + Angles.compass(max.moon().azimuthDeg()) + " at its greatest"
                + (max.sunAltitudeDeg() > -6 ? ", in daylight or bright twilight" : "");
        List<Contact> up = local.contacts().stream().filter(Contact::up).toList();
        return switch (local.seen()) {
            case WHOLE -> "seen from beginning to end, " + stands;
            case NOT ->
                max.sunAltitudeDeg() > 0
                        ? "not seen: it is day here, and the moon is down"
                        : "not seen: the moon is down or behind the skyline";
            case PARTLY -> {
                boolean rises = !local.contacts().get(0).up();
                Contact edge = rises ? up.get(0) : up.get(up.size() - 1);
                yield (rises
                                ? "the moon rises eclipsed: seen from before "
                                : "the moon sets eclipsed: seen until after ")
                        + Words.clock(edge.when(), zone)
                        + (max.up() ? ", " + stands : "; its greatest is not seen");
            }
        };
    }
}
