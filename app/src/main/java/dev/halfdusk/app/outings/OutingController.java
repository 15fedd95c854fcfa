package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Listed;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Seen;
import dev.halfdusk.app.web.Words;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** List, plan, change, print and delete outings. */
@Controller
@RequestMapping("/outings")
class OutingController {

    private static final String ID = "/{id:\\d{1,18}}";

    private final Outings outings;
    private final OutingForm forms;
    private final Places places;
    private final Kit kit;
    private final Skies skies;
    private final Clock clock;

    OutingController(Outings outings, OutingForm forms, Places places, Kit kit, Skies skies, Clock clock) {
        this.outings = outings;
        this.forms = forms;
        this.places = places;
        this.kit = kit;
        this.skies = skies;
        this.clock = clock;
    }

    /** A line of the list. */
    public record Row(long id, String title, String place, String night, String away, String kit, boolean past) {}

    @GetMapping
    String list(
            @RequestParam Optional<String> deleted,
            @RequestParam Optional<String> search,
            @RequestParam Optional<String> page,
            Model model) {
        LocalDate today = LocalDate.now(clock);
        List<Row> rows = outings.all().stream()
                .map(o -> row(o, today))
                .sorted(Comparator.comparing(Row::past)) // what comes first, then the past; each by night
                .toList();
        Listed<Row> listed =
                Listed.of(rows, search, page, r -> String.join(" ", r.title(), r.place(), r.night(), r.kit()));
        model.addAttribute("outings", listed);
        model.addAttribute(
                "coming", listed.rows().stream().filter(r -> !r.past()).toList());
        model.addAttribute("past", listed.rows().stream().filter(Row::past).toList());
        deleted.map(id -> Form.of(Map.of("id", id)).id("id"))
                .filter(id -> id.isPresent())
                .flatMap(id -> outings.findDeleted(id.getAsLong()))
                .ifPresent(o -> model.addAttribute("deleted", o));
        return "outings/list";
    }

    private static Row row(Outing o, LocalDate today) {
        return new Row(
                o.id(),
                o.title(),
                o.place().name(),
                Words.night(o.night()),
                Words.away(today, o.night()),
                o.rig().name(),
                o.night().isBefore(today));
    }

    @GetMapping("/new")
    String blank(@RequestParam Map<String, String> given, Model model) {
        ZoneId zone = places.all().stream().findFirst().map(p -> p.zone()).orElse(ZoneId.systemDefault());
        Form form = forms.blank(LocalDate.now(clock.withZone(zone)), zone);
        given.forEach(form::put); // a link may fill in fields, such as the place and the night
        return page(forms.fit(form), null, model);
    }

    @PostMapping
    String create(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return save(Form.of(typed), null, model, response);
    }

    @GetMapping(ID + "/edit")
    String edit(@PathVariable long id, Model model) {
        return page(forms.fit(Seen.mark(forms.fields(find(id)), OutingForm.NAMES)), id, model);
    }

    @PostMapping(ID)
    String change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        find(id);
        return save(Form.of(typed), id, model, response);
    }

    private String save(Form form, Long id, Model model, HttpServletResponse response) {
        Optional<Outing> read = forms.read(form, id);
        if (read.isEmpty() || form.noted()) {
            model.addAttribute("refused", true);
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(form, id, model);
        }
        if (id != null && Seen.refuses(form, forms.fields(find(id)), OutingForm.NAMES, forms::words, model, response)) {
            return page(form, id, model);
        }
        return "redirect:/outings/" + outings.save(read.get()).id();
    }

    private String page(Form form, Long id, Model model) {
        fill(form, id, model);
        return "outings/form";
    }

    private void fill(Form form, Long id, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("id", id);
        model.addAttribute("heading", id == null ? "New outing" : "Change outing");
        model.addAttribute("places", places.all());
        model.addAttribute("rigs", kit.rigs());
        model.addAttribute("sharps", SetupReader.SHARPS);
        preview(form, model);
    }

    /** What the fields lead to, while they are being filled in; works on a copy so that no complaint shows too early. */
    @GetMapping("/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        Form copy = preview(Form.of(typed), model);
        if (copy.noted()) {
            model.addAttribute("moved", copy);
        }
        return "outings/form :: preview";
    }

    private Form preview(Form form, Model model) {
        Form copy = form.copy();
        forms.read(copy, null).ifPresent(o -> model.addAttribute("view", OutingView.of(o, skies, Optional.empty())));
        model.addAttribute("missing", copy.errors());
        return copy;
    }

    /** The outing at a minute of its night, or as it would be on another night. */
    @GetMapping(ID)
    String show(
            @PathVariable long id,
            @RequestParam Optional<String> minute,
            @RequestParam Optional<String> night,
            Model model) {
        Outing stored = find(id);
        Outing shown = night.flatMap(Form::nightIn).map(stored::withNight).orElse(stored);
        model.addAttribute("view", OutingView.of(shown, skies, minute.flatMap(OutingController::whole)));
        model.addAttribute("planned", stored.night());
        return "outings/show";
    }

    @GetMapping(ID + "/print")
    String print(
            @PathVariable long id,
            @RequestParam Optional<String> minute,
            @RequestParam Optional<String> night,
            Model model) {
        show(id, minute, night, model);
        return "outings/print";
    }

    @PostMapping(ID + "/night")
    String move(@PathVariable long id, @RequestParam String night) {
        Outing outing = find(id);
        Form.nightIn(night).ifPresent(date -> {
            skies.night(outing.place(), date);
            outings.save(outing.withNight(date));
        });
        return "redirect:/outings/" + id;
    }

    @PostMapping(ID + "/delete")
    String delete(@PathVariable long id) {
        find(id);
        outings.delete(id);
        return "redirect:/outings?deleted=" + id;
    }

    @PostMapping(ID + "/restore")
    String restore(@PathVariable long id) {
        if (!outings.restore(id)) {
            throw new NotFound("outing " + id);
        }
        return "redirect:/outings/" + id;
    }

    private Outing find(long id) {
        return outings.find(id).orElseThrow(() -> new NotFound("outing " + id));
    }

    /** A minute that is no number is no reason to refuse a page: it then shows its own choice. */
    private static Optional<Integer> whole(String text) {
        try {
            return Optional.of(Integer.parseInt(text));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
