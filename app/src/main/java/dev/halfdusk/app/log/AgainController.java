package dev.halfdusk.app.log;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Words;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Places to come again to: why, and when it would be worth it next. */
@Controller
class AgainController {

    private static final int MOST = 4;

    private final Entries entries;
    private final Places places;
    private final Skies skies;
    private final Clock clock;

    AgainController(Entries entries, Places places, Skies skies, Clock clock) {
        this.entries = entries;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /**
     * A place.
     *
     * @param why what was to be better there
     * @param like number of the outing to begin like; null where there is none
     */
    record Row(long place, String name, String why, long entry, String last, LocalDate date, String next, Long like) {}

    @GetMapping("/log/again")
    String again(Model model) {
        List<Row> rows = entries.toBeBetter(MOST).stream()
                .flatMap(e -> e.where().place().flatMap(places::find).map(p -> row(e, p)).stream())
                .toList();
        model.addAttribute("rows", rows);
        return "log/again";
    }

    private Row row(Entry e, Place p) {
        LocalDate next = skies.worthSeeing(p, LocalDate.now(clock.withZone(p.zone())));
        Optional<Long> like = e.outing();
        return new Row(
                p.id(),
                p.name(),
                e.told().better(),
                e.id(),
                Words.day(e.night()),
                next,
                Words.night(next),
                like.orElse(null));
    }
}
