package dev.halfdusk.app.stand;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.PlaceForm;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.search.FullMoonEvenings;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where to stand so that moon, sun or core is seen over a mark at a wanted minute. */
@Controller
@RequestMapping("/places/{id:\\d{1,18}}/marks/{mark:\\d{1,18}}")
class StandController {

    private final Places places;
    private final Skies skies;
    private final Clock clock;

    StandController(Places places, Skies skies, Clock clock) {
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** An evening to choose: the minute to look at, and the moonrise in words. */
    public record Evening(String when, String day, String words, boolean chosen) {

        static Evening of(FullMoonEvenings.Evening e, ZoneId zone, Form form) {
            LocalDateTime free =
                    LocalDateTime.ofInstant(StandForm.free(e), zone).truncatedTo(ChronoUnit.MINUTES);
            long minutes = Math.round(e.afterSunset().toSeconds() / 60.0);
            String sunset = Math.abs(minutes) + " min " + (minutes < 0 ? "before" : "after") + " sunset";
            return new Evening(
                    free.toString(),
                    Words.shortDay(free.toLocalDate()) + " " + free.getYear(),
                    sunset + ", " + Words.number(e.azimuthDeg(), 0) + "\u00b0 " + Angles.compass(e.azimuthDeg()) + ", "
                            + NightWords.moonSize(e.size()),
                    form.value("date").equals(free.toLocalDate().toString()));
        }
    }

    @GetMapping("/stand")
    String stand(
            @PathVariable long id,
            @PathVariable long mark,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Place place = place(id);
        Mark found = mark(id, mark);
        Form form = Form.of(typed);
        StandForm.fill(form, place, found, clock.instant(), skies);
        Optional<StandForm> asked = StandForm.read(form, place, found);
        if (asked.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        model.addAttribute("place", place);
        model.addAttribute("markId", mark);
        model.addAttribute("mark", found);
        model.addAttribute("form", form);
        model.addAttribute("farthest", StandForm.FARTHEST_STEP);
        model.addAttribute("watched", PlaceForm.WATCHED);
        if ("moon".equals(form.value("body"))) {
            LocalDate today = LocalDate.ofInstant(clock.instant(), place.zone());
            model.addAttribute(
                    "evenings",
                    skies.fullMoonEvenings(place, today).stream()
                            .map(e -> Evening.of(e, place.zone(), form))
                            .toList());
        }
        asked.ifPresent(a ->
                model.addAttribute("view", StandView.of(place, mark, found, PlaceForm.bare(form.value("body")), a)));
        return "stand/stand";
    }

    private Place place(long id) {
        return places.find(id).orElseThrow(() -> new NotFound("place " + id));
    }

    private Mark mark(long place, long mark) {
        return places.mark(place, mark).orElseThrow(() -> new NotFound("mark " + mark));
    }
}
