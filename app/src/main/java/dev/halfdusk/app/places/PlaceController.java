package dev.halfdusk.app.places;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Listed;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.ground.Town;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** List, find, describe and draw places. */
@Controller
@RequestMapping("/places")
class PlaceController {

    private static final String ID = "/{id:\\d{1,18}}";
    private static final int TOWNS_SHOWN = 8;

    private final Places places;
    private final PlaceSheet sheet;
    private final Skies skies;
    private final Deletions deletions;
    private final Clock clock;

    PlaceController(Places places, PlaceSheet sheet, Skies skies, Deletions deletions, Clock clock) {
        this.deletions = deletions;
        this.places = places;
        this.sheet = sheet;
        this.skies = skies;
        this.clock = clock;
    }

    @GetMapping
    String list(
            @RequestParam Optional<String> kept,
            @RequestParam Optional<String> deleted,
            @RequestParam Optional<String> imported,
            @RequestParam Optional<String> search,
            @RequestParam Optional<String> page,
            Model model) {
        model.addAttribute("places", Listed.of(places.all(), search, page, p -> p.name() + " " + p.zone()));
        imported.filter(n -> n.matches("\\d{1,4}"))
                .ifPresent(n -> model.addAttribute("imported", n.equals("1") ? "One place" : n + " places"));
        Form.idIn(kept).flatMap(id -> deletions.kept("place", id)).ifPresent(k -> model.addAttribute("kept", k));
        Form.idIn(deleted).flatMap(id -> deletions.gone("place", id)).ifPresent(g -> model.addAttribute("gone", g));
        return "places/list";
    }

    @GetMapping("/new")
    String blank(@RequestParam Map<String, String> given, Model model) {
        return form(Form.of(given), null, model);
    }

    /** Towns whose name begins with what was typed, to start a place from. */
    @GetMapping("/towns")
    String towns(@RequestParam(defaultValue = "") String town, Model model) {
        List<Town> found = Gazetteer.shipped().search(town, TOWNS_SHOWN);
        model.addAttribute("towns", found);
        model.addAttribute("searched", town);
        return "places/form :: towns";
    }

    /** How the coordinates were understood and what the sky is like there, while they are being typed. */
    @GetMapping("/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        preview(Form.of(typed), model);
        return "places/form :: preview";
    }

    private void preview(Form form, Model model) {
        Form copy = form.copy();
        if (!copy.has("name")) {
            copy.put("name", "here");
        }
        PlaceForm.read(copy, Optional.empty()).ifPresent(place -> {
            LocalDate today = LocalDate.now(clock.withZone(place.zone()));
            model.addAttribute("preview", PlaceView.of(place, List.of(), List.of(), today, skies));
            List<ZoneId> zones = PlaceForm.meeting(form, clock.instant());
            if (zones.size() > 1) {
                model.addAttribute("zonesMeet", PlaceView.zonesMeet(zones));
            }
            model.addAttribute("tonight", NightWords.verdict(skies.night(place, today), place.glow()));
            Gazetteer.shipped()
                    .nearest(place.site().latitudeDeg(), place.site().longitudeDeg())
                    .ifPresent(t -> model.addAttribute("nearest", t));
        });
    }

    @PostMapping
    String create(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        PlaceForm.askZone(form, clock.instant());
        Optional<Place> read = PlaceForm.read(form, Optional.empty());
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return form(form, null, model);
        }
        return "redirect:/places/" + places.add(read.get()).id();
    }

    @GetMapping(ID + "/edit")
    String edit(@PathVariable long id, Model model) {
        return form(StaleForm.mark(PlaceForm.fields(find(id)), PlaceForm.NAMES), id, model);
    }

    @PostMapping(ID)
    @Transactional
    String change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        PlaceForm.askZone(form, clock.instant());
        Optional<Place> read = PlaceForm.read(form, Optional.of(find(id)));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return form(form, id, model);
        }
        if (StaleForm.refuses(form, PlaceForm.fields(find(id)), PlaceForm.NAMES, (f, v) -> v, model, response)) {
            return form(form, id, model);
        }
        places.change(read.get());
        return "redirect:/places/" + id;
    }

    private String form(Form form, Long id, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("id", id);
        model.addAttribute("heading", id == null ? "New place" : "Change place");
        model.addAttribute("notes", ShapeForm.views(Place.Notes.SHAPE));
        model.addAttribute("towns", List.of());
        preview(form, model);
        return "places/form";
    }

    /** The sheet; with a mark or a dome of it opened for changing where one is named. */
    @GetMapping(ID)
    String show(
            @PathVariable long id,
            @RequestParam Optional<Long> mark,
            @RequestParam Optional<Long> dome,
            @RequestParam Optional<String> gone,
            Model model) {
        gone.flatMap(deletions::gone).ifPresent(g -> model.addAttribute("gone", g));
        return sheet.show(find(id), mark, dome, model);
    }

    @PostMapping(ID + "/delete")
    @Transactional
    String delete(@PathVariable long id) {
        find(id);
        return "redirect:/places?" + (deletions.delete("place", id) ? "deleted=" : "kept=") + id;
    }

    private Place find(long id) {
        return places.find(id).orElseThrow(() -> deletions.missing("place", id));
    }
}
