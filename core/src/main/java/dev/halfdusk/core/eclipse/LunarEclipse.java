package dev.halfdusk.core.eclipse;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * An eclipse of the moon, the same for the whole earth; whether the moon is up is another matter. Contacts of the umbra and the
 * maximum to 5 s, of the penumbra to 10 s, magnitudes to 0.003, against an independent ephemeris with the same shadow.
 *
 * @param p1 the penumbra touches the moon; p4 leaves it
 * @param u1 the umbra touches it; u4 leaves it; empty in a penumbral one, as the others of the umbra
 * @param u2 totality begins; u3 it ends; empty in a partial one
 * @param greatest the moon's centre is nearest to the axis of the shadow
 */
public record LunarEclipse(
        Type type,
        double umbralMagnitude,
        double penumbralMagnitude,
        Instant p1,
        Optional<Instant> u1,
        Optional<Instant> u2,
        Instant greatest,
        Optional<Instant> u3,
        Optional<Instant> u4,
        Instant p4) {

    /** How deep it goes. */
    public enum Type {
        PENUMBRAL,
        PARTIAL,
        TOTAL;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
