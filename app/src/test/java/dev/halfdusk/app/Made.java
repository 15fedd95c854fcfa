package dev.halfdusk.app;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;

/** What tests of pages stand on, stored as the application stores it. */
public record Made(Places places, Outings outings) {

    /** A place 5 m above the sea on the west coast of Portugal, with its marks. */
    public Place coast(String name, Mark... marks) {
        return place(name, 37.6, -8.8, 5, "Europe/Lisbon", marks);
    }

    public Place place(String name, double latitude, double longitude, double height, String zone, Mark... marks) {
        Place place = places.add(Place.at(name, new Site(latitude, longitude, height), ZoneId.of(zone)));
        for (Mark mark : marks) {
            places.addMark(place.id(), mark);
        }
        return places.find(place.id()).orElseThrow();
    }

    public Outing outing(String title, Place place, String night) {
        return outings.save(Outing.fresh(title, place, LocalDate.parse(night)));
    }
}
