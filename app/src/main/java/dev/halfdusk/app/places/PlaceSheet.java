package dev.halfdusk.app.places;

import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.SkylineText;
import dev.halfdusk.core.log.Learnable;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The sheet of a place, with its forms as they stand. */
@Component
class PlaceSheet {

    private final Places places;
    private final Skies skies;

    /** Fields of the skyline. */
    static final List<String> SKYLINE = List.of("points");

    private final Clock clock;

    private final Origins origins;

    PlaceSheet(Places places, Skies skies, Clock clock, Origins origins) {
        this.origins = origins;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** The stored skyline as its field holds it. */
    static Form skyline(Place place) {
        return new Form().put("points", SkylineText.write(place.skyline()));
    }

    /** The sheet; the fields of a mark or dome hold what is stored where one is to be changed. */
    String show(Place place, Optional<Long> markId, Optional<Long> domeId, Model model) {
        Form form = markId.flatMap(id -> places.mark(place.id(), id))
                .map(m -> StaleForm.mark(PlaceForm.fields(m), PlaceForm.MARK_NAMES))
                .or(() -> domeId.flatMap(id -> places.dome(place.id(), id))
                        .map(d -> StaleForm.mark(PlaceForm.fields(d), PlaceForm.DOME_NAMES)))
                .orElseGet(Form::new);
        return show(place, form, markId, domeId, model);
    }

    /** The sheet with what was typed, and what is wrong with it. */
    String show(Place place, Form form, Optional<Long> markId, Optional<Long> domeId, Model model) {
        LocalDate today = LocalDate.now(clock.withZone(place.zone()));
        PlaceView view = PlaceView.of(place, places.domes(place.id()), places.marks(place.id()), today, skies);
        boolean drawn = form.has("points") && form.has(StaleForm.FIELD);
        model.addAttribute("skylineSeen", drawn ? form.value(StaleForm.FIELD) : StaleForm.of(skyline(place), SKYLINE));
        form.putIfEmpty("points", view.skyline());
        model.addAttribute("view", view);
        model.addAttribute("learned", origins.about(Learnable.Whose.PLACE, place.id()));
        model.addAttribute("form", form);
        model.addAttribute("markFields", ShapeForm.views(PlaceForm.MARK, Mark.SHAPE));
        model.addAttribute("domeFields", ShapeForm.views(PlaceForm.DOME, Dome.SHAPE));
        model.addAttribute("domeWrong", PlaceForm.DOME_NAMES.stream().anyMatch(n -> form.error(n) != null));
        model.addAttribute("markId", markId.orElse(null));
        model.addAttribute("domeId", domeId.orElse(null));
        return "places/show";
    }
}
