package dev.halfdusk.app.stand;

import dev.halfdusk.app.Skies;
import dev.halfdusk.app.exchange.Spot;
import dev.halfdusk.app.exchange.SpotFiles;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.ground.Mark;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
    private final SpotFiles files;
    private final Skies skies;
    private final Clock clock;

    StandController(Places places, SpotFiles files, Skies skies, Clock clock) {
        this.places = places;
        this.files = files;
        this.skies = skies;
        this.clock = clock;
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
        Optional<StandForm> asked = StandForm.read(form, place.zone(), found);
        if (asked.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        model.addAttribute("place", place);
        model.addAttribute("markId", mark);
        model.addAttribute("mark", found);
        model.addAttribute("form", form);
        model.addAttribute("farthest", StandForm.FARTHEST_STEP);
        asked.ifPresent(a -> model.addAttribute("view", StandView.of(place, mark, found, form.value("body"), a)));
        return "stand/stand";
    }

    /** The spots of the line as waypoints, the chosen one first. */
    @GetMapping("/stand.gpx")
    ResponseEntity<String> gpx(
            @PathVariable long id, @PathVariable long mark, @RequestParam Map<String, String> typed) {
        Place place = place(id);
        Mark found = mark(id, mark);
        Form form = Form.of(typed);
        StandForm.fill(form, place, found, clock.instant(), skies);
        Optional<StandForm> asked = StandForm.read(form, place.zone(), found);
        if (asked.isEmpty()) {
            return ResponseEntity.unprocessableEntity()
                    .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                    .body(String.join("\n", form.errors().values()));
        }
        StandView view = StandView.of(place, mark, found, form.value("body"), asked.get());
        List<Spot> spots = new ArrayList<>();
        if (view.chosen() != null) {
            spots.add(spot(view, view.chosen(), place));
        }
        view.rows().forEach(r -> spots.add(spot(view, r, place)));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/gpx+xml;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"standing-spots.gpx\"")
                .body(files.writeGpx(spots));
    }

    private static Spot spot(StandView view, StandView.Row row, Place place) {
        String[] at = row.at().split(", ");
        String name = view.mark().name() + ", " + row.distance() + (row.why().isEmpty() ? "" : ", " + row.why());
        return new Spot(
                name,
                Double.parseDouble(at[0]),
                Double.parseDouble(at[1]),
                OptionalDouble.of(place.site().elevationM()));
    }

    private Place place(long id) {
        return places.find(id).orElseThrow(() -> new NotFound("place " + id));
    }

    private Mark mark(long place, long mark) {
        return places.mark(place, mark).orElseThrow(() -> new NotFound("mark " + mark));
    }
}
