package dev.halfdusk.app.outings;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Stop;
import dev.halfdusk.core.outing.Trip;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A night at a place, with the way there and who goes.
 *
 * @param id null until stored
 * @param demand of stars, for all its takes
 * @param place the first
 * @param note in its owner's words
 * @param further places after the first, in their order
 */
public record Outing(
        Long id,
        String title,
        Place place,
        LocalDate night,
        Demand demand,
        Going going,
        String note,
        Standing standing,
        List<Further> further) {

    public Outing {
        further = List.copyOf(further);
    }

    /**
     * A place of the night after its first.
     *
     * @param driveMinutes from where one left the road for the place before
     * @param walkMinutes from the road to the spot
     */
    public record Further(Place place, int driveMinutes, int walkMinutes) {

        Stop stop() {
            return new Stop(
                    place.name(),
                    Duration.ofMinutes(driveMinutes),
                    Duration.ofMinutes(walkMinutes),
                    place.notes().hazards());
        }
    }

    /**
     * Who goes, and the way.
     *
     * @param people pairs of hands
     * @param driveMinutes from home
     * @param walkMinutes from the road to the spot
     * @param turnBack clock at which everyone must be on the way back
     */
    public record Going(int people, int driveMinutes, int walkMinutes, Optional<LocalTime> turnBack) {

        /** By oneself and at the door. */
        public static final Going ALONE = new Going(1, 0, 0, Optional.empty());
    }

    /**
     * How far it has come.
     *
     * @param way of spending the night that was asked for last
     * @param resumed when something was last said in the field; nothing can be scheduled before
     * @param revision grows by one with each change, from 1
     */
    public record Standing(int way, Optional<Instant> resumed, long revision) {

        static final Standing FIRST = new Standing(0, Optional.empty(), 1);
    }

    /** One that is not stored yet. */
    public static Outing fresh(String title, Place place, LocalDate night) {
        return new Outing(null, title, place, night, Demand.USUAL, Going.ALONE, "", Standing.FIRST, List.of());
    }

    public Outing withId(Long other) {
        return new Outing(other, title, place, night, demand, going, note, standing, further);
    }

    public Outing withNight(LocalDate other) {
        return new Outing(id, title, place, other, demand, going, note, standing, further);
    }

    public Outing with(Demand other) {
        return new Outing(id, title, place, night, other, going, note, standing, further);
    }

    public Outing with(Going other) {
        return new Outing(id, title, place, night, demand, other, note, standing, further);
    }

    public Outing noted(String other) {
        return new Outing(id, title, place, night, demand, going, other, standing, further);
    }

    public Outing visiting(List<Further> others) {
        return new Outing(id, title, place, night, demand, going, note, standing, others);
    }

    /** All its places, in their order. */
    public List<Place> places() {
        return Stream.concat(Stream.of(place), further.stream().map(Further::place))
                .toList();
    }

    /** "Salt Ledge" or "Salt Ledge, Needle Arch". */
    public String where() {
        return places().stream().map(Place::name).collect(Collectors.joining(", "));
    }

    /** What everyone should have before the eyes, of all its places. */
    public List<String> warnings() {
        return places().stream()
                .flatMap(p -> p.notes().warnings().stream())
                .distinct()
                .toList();
    }

    /** That of a take; the last where there are fewer. */
    public Place place(int stop) {
        return stop == 0 || further.isEmpty()
                ? place
                : further.get(Math.min(stop, further.size()) - 1).place();
    }

    Night night(Skies skies) {
        return skies.night(place, night);
    }

    Trip trip(Night sky) {
        Stop first = new Further(place, going.driveMinutes, going.walkMinutes).stop();
        return Trip.of(
                sky,
                Stream.concat(Stream.of(first), further.stream().map(Further::stop))
                        .toList(),
                going.turnBack);
    }

    /** When work may still be scheduled. */
    Interval open(Trip trip) {
        return standing.resumed.map(trip::from).orElse(trip.there());
    }
}
