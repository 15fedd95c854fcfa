package dev.halfdusk.app.outings;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.Way;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The places of a night after its first. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}/stops")
class StopController {

    private static final String STOP = "/{number:[1-9]}";

    private final Outings outings;
    private final Takes takes;
    private final Places places;
    private final LastChange last;
    private final WorkspacePage page;

    StopController(Outings outings, Takes takes, Places places, LastChange last, WorkspacePage page) {
        this.outings = outings;
        this.takes = takes;
        this.places = places;
        this.last = last;
        this.page = page;
    }

    @PostMapping
    @Transactional
    String add(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Form form = Form.of(typed);
        Optional<Outing.Further> read = read(form);
        if (outing.further().size() >= Trip.MOST_FURTHER) {
            form.reject("place", "A night has at most " + (1 + Trip.MOST_FURTHER) + " places.");
        }
        if (read.isEmpty() || form.hasErrors()) {
            return refused(outing, form, model, response);
        }
        List<Outing.Further> all = new ArrayList<>(outing.further());
        all.add(read.get());
        outings.visit(id, all);
        return back(id);
    }

    @PostMapping(STOP)
    @Transactional
    String change(
            @PathVariable long id,
            @PathVariable int number,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Place before = at(outing, number, typed);
        Form form = Form.of(typed).put("number", number);
        Optional<Outing.Further> read = read(form);
        if (read.isEmpty()) {
            return refused(outing, form, model, response);
        }
        List<Outing.Further> all = new ArrayList<>(outing.further());
        all.set(number - 1, read.get());
        outings.visit(id, all);
        Place now = read.get().place();
        if (!now.id().equals(before.id())) {
            // over the mark of that name there, where there is one
            takes.of(id).stream()
                    .filter(t -> t.take().stop() == number)
                    .forEach(t -> takes.change(
                            id,
                            t.id(),
                            t.take().with(places.at(now.id(), t.take().wish())),
                            t.rig().id()));
            last.forget(id);
        }
        return back(id);
    }

    /** Only where nothing is taken there: takes are never lost with a place. */
    @PostMapping(STOP + "/remove")
    @Transactional
    String remove(
            @PathVariable long id,
            @PathVariable int number,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        at(outing, number, typed);
        if (takes.of(id).stream().anyMatch(t -> t.take().stop() == number)) {
            Form form = new Form();
            form.reject("stops", "Takes are planned there: move or delete them first.");
            return refused(outing, form, model, response);
        }
        List<Outing.Further> all = new ArrayList<>(outing.further());
        all.remove(number - 1);
        outings.visit(id, all);
        takes.without(id, number);
        last.forget(id);
        return back(id);
    }

    /** The place of a number, which must still be the one that was looked at. */
    private static Place at(Outing outing, int number, Map<String, String> typed) {
        if (number > outing.further().size()
                || !outing.place(number).id().toString().equals(typed.getOrDefault("was", ""))) {
            throw new NotFound("place " + number + " of this night as it was");
        }
        return outing.place(number);
    }

    private Optional<Outing.Further> read(Form form) {
        OptionalLong id = form.has("place") ? form.id("place") : OptionalLong.empty();
        Optional<Place> place = id.isPresent() ? places.find(id.getAsLong()) : Optional.empty();
        if (place.isEmpty()) {
            form.replaceError("place", "Choose a place from the list.");
        }
        Optional<Way> way = ShapeForm.read(form, Way.SHAPE);
        return form.hasErrors() ? Optional.empty() : way.map(w -> new Outing.Further(place.orElseThrow(), w));
    }

    private String refused(Outing outing, Form form, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        return page.refusedStop(outing, form, model);
    }

    private static String back(long id) {
        return "redirect:/outings/" + id + "#stops";
    }
}
