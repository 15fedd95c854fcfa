package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * An eclipse of the moon as it is seen from a place.
 *
 * @param contacts in order, those that happen
 * @param seen how much of it
 */
public record LocalEclipse(LunarEclipse eclipse, List<Contact> contacts, Seen seen) {

    private static final Duration LOOK = Duration.ofMinutes(2);

    /** How much of it can be seen: all contacts of what is worth seeing, some of it, or none. */
    public enum Seen {
        WHOLE,
        PARTLY,
        NOT;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A contact.
     *
     * @param name "p1", "u1", "u2", "max", "u3", "u4", "p4"
     * @param moon where it stands
     * @param sunAltitudeDeg that tells how dark the sky is
     * @param up whether some of the moon is above skyline and horizon, as in rise and set
     */
    public record Contact(String name, Instant when, Horizontal moon, double sunAltitudeDeg, boolean up) {}

    /** The one that is most worth it: deepest, then most of it seen, then first. Empty where none is seen. */
    public static Optional<LocalEclipse> best(List<LocalEclipse> all) {
        return all.stream()
                .filter(e -> e.seen != Seen.NOT)
                .max(Comparator.comparing((LocalEclipse e) -> e.eclipse.type())
                        .thenComparing(LocalEclipse::seen, Comparator.reverseOrder())
                        .thenComparing(e -> e.eclipse.greatest(), Comparator.reverseOrder()));
    }

    /** All that come to their deepest in from (included) to to (excluded). */
    public static List<LocalEclipse> between(Instant from, Instant to, Observer observer, Skyline skyline) {
        return LunarEclipses.between(from, to).stream()
                .map(e -> of(e, observer, skyline))
                .toList();
    }

    public static LocalEclipse of(LunarEclipse e, Observer observer, Skyline skyline) {
        List<Contact> contacts = new ArrayList<>();
        add(contacts, "p1", Optional.of(e.p1()), observer, skyline);
        add(contacts, "u1", e.u1(), observer, skyline);
        add(contacts, "u2", e.u2(), observer, skyline);
        add(contacts, "max", Optional.of(e.greatest()), observer, skyline);
        add(contacts, "u3", e.u3(), observer, skyline);
        add(contacts, "u4", e.u4(), observer, skyline);
        add(contacts, "p4", Optional.of(e.p4()), observer, skyline);
        long up = contacts.stream().filter(Contact::up).count();
        Seen seen = up == contacts.size() ? Seen.WHOLE : up > 0 ? Seen.PARTLY : Seen.NOT;
        return new LocalEclipse(e, List.copyOf(contacts), seen);
    }

    private static void add(
            List<Contact> contacts, String name, Optional<Instant> when, Observer observer, Skyline skyline) {
        when.ifPresent(t -> {
            Moment moment = Moment.at(t);
            Horizontal moon = moment.observed(Body.MOON, observer);
            double sun = moment.local(Body.SUN, observer).latitudeDeg();
            contacts.add(new Contact(name, t, moon, sun, stands(moon, skyline)));
        });
    }

    /** What of it is seen: while some of the moon is above skyline and horizon, looked at every two minutes. Empty where none is. */
    public Optional<Interval> up(Observer observer, Skyline skyline) {
        Instant first = null;
        Instant last = null;
        for (Instant t = eclipse.p1(); !t.isAfter(eclipse.p4()); t = t.plus(LOOK)) {
            if (stands(Moment.at(t).observed(Body.MOON, observer), skyline)) {
                first = first == null ? t : first;
                last = t;
            }
        }
        return first == null ? Optional.empty() : Optional.of(new Interval(first, last));
    }

    /** By how many magnitudes a square arcsecond the zenith is darker at the greatest eclipse than under a full moon. */
    public double darkerBy(SkyGlow glow, Observer observer) {
        SunAndMoon lamps = SunAndMoon.at(Moment.at(eclipse.greatest()), observer);
        return glow.zenith(lamps).magnitude() - glow.zenith(lamps.uneclipsed()).magnitude();
    }

    private static boolean stands(Horizontal moon, Skyline skyline) {
        return moon.up(skyline.altitudeAt(moon.azimuthDeg()));
    }

    public Contact contact(String name) {
        return contacts.stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
    }
}
