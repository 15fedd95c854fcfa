package dev.halfdusk.app.exchange;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.stand.StandForm;
import dev.halfdusk.app.stand.StandView;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.ground.Mark;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The spots from which something is seen over a mark, for a map or a receiver. */
@Controller
class StandExchangeController {

    private final Places places;
    private final SpotFiles files;
    private final Skies skies;
    private final Clock clock;

    StandExchangeController(Places places, SpotFiles files, Skies skies, Clock clock) {
        this.places = places;
        this.files = files;
        this.skies = skies;
        this.clock = clock;
    }

    /** The spots of the line as waypoints, the chosen one first. */
    @GetMapping("/places/{id:\\d{1,18}}/marks/{mark:\\d{1,18}}/stand.gpx")
    ResponseEntity<String> gpx(
            @PathVariable long id, @PathVariable long mark, @RequestParam Map<String, String> typed) {
        Place place = places.find(id).orElseThrow(() -> new NotFound("place " + id));
        Mark found = places.mark(id, mark).orElseThrow(() -> new NotFound("mark " + mark));
        Form form = Form.of(typed);
        StandForm.fill(form, place, found, clock.instant(), skies);
        Optional<StandForm> asked = StandForm.read(form, place, found);
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
        return Attachment.of("standing-spots.gpx", "application/gpx+xml", files.writeGpx(spots));
    }

    private static Spot spot(StandView view, StandView.Row row, Place place) {
        String name = view.mark().name() + ", " + row.distance() + (row.why().isEmpty() ? "" : ", " + row.why());
        return new Spot(
                name,
                row.spot().latitudeDeg(),
                row.spot().longitudeDeg(),
                OptionalDouble.of(place.site().elevationM()));
    }
}
