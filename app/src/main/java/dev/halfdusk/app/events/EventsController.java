package dev.halfdusk.app.events;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What is coming in the sky of a place: eclipses of the moon, full moons over lit land, near and far moons. */
@Controller
class EventsController {

    private final Places places;
    private final Skies skies;
    private final Clock clock;

    EventsController(Places places, Skies skies, Clock clock) {
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    @GetMapping("/events")
    String events(@RequestParam Optional<String> place, Model model) {
        List<Place> all = places.all();
        model.addAttribute("places", all);
        MoonSetup.place(place, all).ifPresent(p -> {
            Instant now = clock.instant();
            model.addAttribute("place", p);
            model.addAttribute("view", EventsView.of(p, places.plainMarks(p.id()), skies, now));
        });
        return "events/events";
    }
}
