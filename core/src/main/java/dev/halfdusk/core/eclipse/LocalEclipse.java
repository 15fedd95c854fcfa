package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Instant;
import java.util.ArrayList;
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
     * @param up whether the moon's middle is above skyline and horizon
     */
    public record Contact(String name, Instant when, Horizontal moon, double sunAltitudeDeg, boolean up) {}

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
            boolean up = moon.altitudeDeg() > Math.max(0, skyline.altitudeAt(moon.azimuthDeg()));
            contacts.add(
                    new Contact(name, t, moon, moment.local(Body.SUN, observer).latitudeDeg(), up));
        });
    }

    public Contact contact(String name) {
        return contacts.stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
    }
}
