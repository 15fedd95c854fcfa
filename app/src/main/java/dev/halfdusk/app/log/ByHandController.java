package dev.halfdusk.app.log;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.log.FilmFrame;
import dev.halfdusk.core.log.Stay;
import dev.halfdusk.core.night.Night;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** What no plan and no card knows: a night without plan, frames on film, a track. */
@Controller
@RequestMapping("/log")
class ByHandController {

    private static final String ID = "/{id:\\d{1,18}}";

    private final Entries entries;
    private final FilmRolls film;
    private final Places places;
    private final Skies skies;
    private final NightPage page;
    private final Clock clock;

    ByHandController(Entries entries, FilmRolls film, Places places, Skies skies, NightPage page, Clock clock) {
        this.entries = entries;
        this.film = film;
        this.places = places;
        this.skies = skies;
        this.page = page;
        this.clock = clock;
    }

    @GetMapping("/new")
    String blank(Model model) {
        Form form = new Form().put("night", LocalDate.now(clock).minusDays(1)).put("title", "");
        places.all().stream().findFirst().ifPresent(p -> form.put("place", p.id()));
        return blank(form, model);
    }

    private String blank(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("places", places.all());
        read(form.copy(), false).ifPresent(e -> model.addAttribute("sky", e.sky()));
        return "log/new";
    }

    /** What the fields lead to. */
    @GetMapping("/new/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        read(Form.of(typed), false).ifPresent(e -> model.addAttribute("sky", e.sky()));
        return "log/new :: preview";
    }

    @PostMapping("/new")
    @Transactional
    String make(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Optional<Entry> read = read(form, true);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return blank(form, model);
        }
        return "redirect:/log/" + entries.add(read.get(), List.of());
    }

    private Optional<Entry> read(Form form, boolean titled) {
        String title = form.has("title") || titled ? form.text("title", "what the night was") : "";
        OptionalLong id = form.id("place");
        Optional<Place> place = id.isPresent() ? places.find(id.getAsLong()) : Optional.empty();
        if (place.isEmpty()) {
            form.reject("place", "Choose a place from the list.");
            return Optional.empty();
        }
        LocalDate date = form.night("night", place.get().zone());
        if (date != null
                && date.isAfter(LocalDate.now(clock.withZone(place.get().zone())))) {
            form.reject("night", "This night is still to come: plan an outing for it.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Night night = skies.night(place.get(), date);
        return Optional.of(new Entry(
                null,
                Optional.empty(),
                title,
                new Entry.Where(
                        Optional.of(place.get().id()),
                        place.get().name(),
                        place.get().zone()),
                date,
                Ribbon.of(night, place.get().glow()),
                night.moon().fraction(),
                Entry.Told.NOTHING,
                Optional.empty()));
    }

    /** A frame on film. */
    @PostMapping(ID + "/film")
    @Transactional
    String film(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Entry e = entries.existing(id);
        Form form = Form.of(typed);
        Optional<FilmFrame> frame = ShapeForm.read(form, FilmFrame.SHAPE);
        if (frame.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("filmForm", form);
            return page.show(e, model);
        }
        film.add(id, frame.get());
        return "redirect:/log/" + id + "?roll=" + frame.get().number() + "#film";
    }

    @PostMapping(ID + "/film/{frame:\\d{1,18}}/remove")
    @Transactional
    String remove(@PathVariable long id, @PathVariable long frame) {
        entries.existing(id);
        film.remove(id, frame);
        return "redirect:/log/" + id + "#film";
    }

    /** Where one stood, by a track. */
    @PostMapping(ID + "/track")
    @Transactional
    String track(@PathVariable long id, @RequestParam MultipartFile track, Model model, HttpServletResponse response)
            throws IOException {
        Entry e = entries.existing(id);
        try {
            List<Stay> all = Stay.of(TrackFile.read(track.getBytes()));
            List<Stay> stays =
                    all.stream().filter(s -> s.when().and(e.day()).isPresent()).toList();
            if (stays.isEmpty()) {
                throw new IllegalArgumentException(
                        all.isEmpty()
                                ? "In this track nobody stands still for ten minutes."
                                : "This track is of another day: "
                                        + all.get(0)
                                                .when()
                                                .from()
                                                .atZone(e.where().zone())
                                                .toLocalDate() + ".");
            }
            film.stood(id, stays);
        } catch (IllegalArgumentException x) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("trackWrong", x.getMessage());
            return page.show(e, model);
        }
        return "redirect:/log/" + id + "#track";
    }
}
