package dev.halfdusk.app.outings;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Stop;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.Way;
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
 * @param place the first
 * @param further places after the first, in their order
 */
public record Outing(
        Long id, String title, Place place, LocalDate night, Terms terms, Standing standing, List<Further> further) {

    public Outing {
        further = List.copyOf(further);
    }

    /** A place of the night after its first, with the way from the one before. */
    public record Further(Place place, Way way) {

        Stop stop() {
            return new Stop(
                    place.name(),
                    Duration.ofMinutes(way.driveMinutes()),
                    Duration.ofMinutes(way.walkMinutes()),
                    place.notes().hazards());
        }
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
        return new Outing(null, title, place, night, Terms.ALONE, Standing.FIRST, List.of());
    }

    public Outing withId(Long other) {
        return new Outing(other, title, place, night, terms, standing, further);
    }

    public Outing withNight(LocalDate other) {
        return new Outing(id, title, place, other, terms, standing, further);
    }

    public Outing with(Terms other) {
        return new Outing(id, title, place, night, other, standing, further);
    }

    public Outing with(Demand other) {
        return with(terms.with(other));
    }

    /** @param turnBack clock at which everyone must be on the way back */
    public Outing going(int people, Way way, Optional<LocalTime> turnBack) {
        return with(terms.going(people, way, turnBack));
    }

    public Outing noted(String other) {
        return with(terms.noted(other));
    }

    public Outing visiting(List<Further> others) {
        return new Outing(id, title, place, night, terms, standing, others);
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

    /** To a place of its night, from home or from the one before. */
    Way way(int stop) {
        return stop == 0 ? terms.way() : further.get(stop - 1).way();
    }

    Night night(Skies skies) {
        return skies.night(place, night);
    }

    Trip trip(Night sky) {
        Stop first = new Further(place, terms.way()).stop();
        return Trip.of(
                sky,
                Stream.concat(Stream.of(first), further.stream().map(Further::stop))
                        .toList(),
                terms.turnBack());
    }

    /** When work may still be scheduled. */
    Interval open(Trip trip) {
        return standing.resumed.map(trip::from).orElse(trip.there());
    }
}
