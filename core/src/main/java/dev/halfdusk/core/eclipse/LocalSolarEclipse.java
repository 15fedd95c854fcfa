package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.Extreme;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Sidereal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * An eclipse of the sun as it is seen from a place. Its times belong to this place alone: a kilometre of error in it moves a contact by a
 * second or two, near the edge of the path by far more. Contacts to a second for a smooth limb against an independent ephemeris, the maximum to two.
 *
 * @param type seen here
 * @param contacts in order, those that happen, with the maximum; below the horizon too
 * @param magnitude part of the sun's diameter that is covered at the maximum
 * @param obscuration part of its area
 */
public record LocalSolarEclipse(
        SolarEclipse eclipse, Type type, List<Contact> contacts, double magnitude, double obscuration) {

    private static final Duration STEP = Duration.ofMinutes(20);

    /** An annular phase lasts up to twelve and a half minutes. */
    private static final Duration INNER = Duration.ofMinutes(9);

    /**
     * A contact.
     *
     * @param name "c1", "c2", "max", "c3", "c4"
     * @param sun where it stands
     * @param positionDeg where the limbs touch, from the north of the sun's disc through east
     * @param fromZenithDeg the same from its top, counter-clockwise
     * @param up whether the sun's middle is above skyline and horizon
     */
    public record Contact(
            String name, Instant when, Horizontal sun, double positionDeg, double fromZenithDeg, boolean up) {}

    /** Empty where the moon does not touch the sun. */
    public static Optional<LocalSolarEclipse> of(SolarEclipse e, Observer observer, Skyline skyline) {
        Fact separation = m -> Discs.at(m, observer).separationDeg();
        Events hours =
                Events.over(e.greatest().minus(MeanMoons.LONGEST), e.greatest().plus(MeanMoons.LONGEST), STEP);
        Optional<Instant> max = hours.extremes(separation).stream()
                .filter(x -> !x.highest())
                .min(Comparator.comparingDouble(Extreme::value))
                .map(Extreme::when);
        if (max.isEmpty()) {
            return Optional.empty();
        }
        Discs discs = Discs.at(Moment.at(max.get()), observer);
        if (discs.apartDeg() >= 0) {
            return Optional.empty();
        }
        List<Contact> contacts = new ArrayList<>();
        Fact apart = m -> Discs.at(m, observer).apartDeg();
        about(max.get(), MeanMoons.LONGEST, apart)
                .forEach(c -> contacts.add(contact(c.rising() ? "c4" : "c1", c.when(), observer, skyline)));
        boolean inside = discs.insideDeg() < 0;
        if (inside) {
            about(max.get(), INNER, m -> Discs.at(m, observer).insideDeg())
                    .forEach(c -> contacts.add(contact(c.rising() ? "c3" : "c2", c.when(), observer, skyline)));
        }
        contacts.add(contact("max", max.get(), observer, skyline));
        contacts.sort(Comparator.comparing(Contact::when));
        Type type = !inside ? Type.PARTIAL : discs.innerDeg() > discs.sunDeg() ? Type.TOTAL : Type.ANNULAR;
        return Optional.of(
                new LocalSolarEclipse(e, type, List.copyOf(contacts), discs.magnitude(), discs.obscuration()));
    }

    /** Before the maximum and after it: each half has one, however short the phase between them. */
    private static List<Crossing> about(Instant max, Duration reach, Fact fact) {
        List<Crossing> both =
                new ArrayList<>(Events.over(max.minus(reach), max, reach).find(fact));
        both.addAll(Events.over(max, max.plus(reach), reach).find(fact));
        return both;
    }

    private static Contact contact(String name, Instant when, Observer observer, Skyline skyline) {
        Moment moment = Moment.at(when);
        Vector sun = moment.local(Body.SUN, observer).unit();
        Vector off = moment.local(Body.MOON, observer).unit().minus(sun);
        Discs discs = Discs.at(moment, observer);
        // inside the larger disc the limbs touch on the far side
        boolean far = (name.equals("c2") || name.equals("c3")) && discs.innerDeg() > discs.sunDeg();
        Vector towards = far ? off.times(-1) : off;
        Horizontal at = moment.observed(Body.SUN, observer);
        boolean up = at.altitudeDeg() > Math.max(0, skyline.altitudeAt(at.azimuthDeg()));
        return new Contact(
                name,
                when,
                at,
                angle(towards, sun, Sidereal.northPole(observer.site())),
                angle(towards, sun, new Vector(0, 0, 1)),
                up);
    }

    /** Of a direction on the sky from that of a point above, through the left as one looks at it. */
    private static double angle(Vector towards, Vector sun, Vector top) {
        Vector left = top.cross(sun).unit();
        Vector up = sun.cross(left);
        return Angles.turn(Math.toDegrees(Math.atan2(towards.dot(left), towards.dot(up))));
    }

    public Optional<Contact> contact(String name) {
        return contacts.stream().filter(c -> c.name().equals(name)).findFirst();
    }

    public Optional<Contact> contact(Anchor anchor) {
        return contact(anchor.key());
    }

    public Contact max() {
        return contact("max").orElseThrow();
    }

    /** From the second contact to the third; none in a partial eclipse. */
    public Duration inner() {
        return contact("c2")
                .flatMap(c2 -> contact("c3").map(c3 -> Duration.between(c2.when(), c3.when())))
                .orElse(Duration.ZERO);
    }
}
