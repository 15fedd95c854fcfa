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
 * @param seen the most of it that is seen while the sun is up; empty where nothing of it is
 */
public record LocalSolarEclipse(
        SolarEclipse eclipse,
        Type type,
        List<Contact> contacts,
        double magnitude,
        double obscuration,
        Optional<Seen> seen) {

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
     * @param up whether some of the sun is above skyline and horizon, as in rise and set
     */
    public record Contact(
            String name, Instant when, Horizontal sun, double positionDeg, double fromZenithDeg, boolean up) {}

    /** The largest magnitude and obscuration while the sun is up, and when. */
    public record Seen(Instant when, double magnitude, double obscuration, Horizontal sun) {}

    private static final Duration LOOK = Duration.ofMinutes(2);

    /** At the maximum; where that is hidden, when the sun that is up stands nearest to it in time, to the second. */
    private static Optional<Seen> seen(List<Contact> contacts, Observer observer, Skyline skyline) {
        Instant first = contacts.get(0).when();
        Instant last = contacts.get(contacts.size() - 1).when();
        Instant max = contacts.stream()
                .filter(c -> c.name().equals("max"))
                .findFirst()
                .orElseThrow()
                .when();
        Instant best = null;
        for (Instant t = first; !t.isAfter(last); t = t.plus(LOOK)) {
            boolean nearer = best == null
                    || Duration.between(t, max)
                                    .abs()
                                    .compareTo(Duration.between(best, max).abs())
                            < 0;
            best = nearer && up(t, observer, skyline) ? t : best;
        }
        if (up(max, observer, skyline)) {
            best = max;
        }
        if (best == null) {
            return Optional.empty();
        }
        Instant hidden = best.isBefore(max) ? best.plus(LOOK) : best.minus(LOOK);
        while (!best.equals(max) && Duration.between(best, hidden).abs().toMillis() > 500) {
            Instant between = best.plus(Duration.between(best, hidden).dividedBy(2));
            boolean here = up(between, observer, skyline);
            best = here ? between : best;
            hidden = here ? hidden : between;
        }
        Discs discs = Discs.at(Moment.at(best), observer);
        return discs.apartDeg() >= 0
                ? Optional.empty()
                : Optional.of(new Seen(
                        best,
                        discs.magnitude(),
                        Math.min(1, discs.obscuration()),
                        Moment.at(best).observed(Body.SUN, observer)));
    }

    private static boolean up(Instant t, Observer observer, Skyline skyline) {
        Horizontal sun = Moment.at(t).observed(Body.SUN, observer);
        return sun.up(skyline.altitudeAt(sun.azimuthDeg()));
    }

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
        return Optional.of(new LocalSolarEclipse(
                e,
                type,
                List.copyOf(contacts),
                discs.magnitude(),
                Math.min(1, discs.obscuration()),
                seen(contacts, observer, skyline)));
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
        boolean up = at.up(skyline.altitudeAt(at.azimuthDeg()));
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
