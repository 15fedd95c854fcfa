package dev.halfdusk.app.outings;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Listed;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.ground.Gazetteer;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.outing.NightProposal;
import dev.halfdusk.core.outing.Terms;
import dev.halfdusk.core.take.Take;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** List, plan, change and delete outings. */
@Controller
@RequestMapping("/outings")
class OutingController {

    private static final String ID = "/{id:\\d{1,18}}";

    private static final int TOWNS_SHOWN = 8;

    /** Outings to begin like. */
    private static final int MOST_EARLIER = 100;

    /** Its fields by their keys, for a page that lays them out itself. */
    private static final Map<String, ShapeForm.View> TERMS =
            ShapeForm.views(Terms.SHAPE).stream().collect(Collectors.toUnmodifiableMap(ShapeForm.View::key, v -> v));

    private final Outings outings;
    private final OutingForm forms;
    private final TakeForm takeForms;
    private final OutingPlanner evening;
    private final Takes takes;
    private final Places places;
    private final Skies skies;
    private final Deletions deletions;
    private final Clock clock;

    OutingController(
            Outings outings,
            OutingForm forms,
            TakeForm takeForms,
            OutingPlanner evening,
            Takes takes,
            Places places,
            Skies skies,
            Deletions deletions,
            Clock clock) {
        this.deletions = deletions;
        this.outings = outings;
        this.forms = forms;
        this.takeForms = takeForms;
        this.evening = evening;
        this.takes = takes;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** A line of the list. */
    public record Row(long id, String title, String place, String night, String away, boolean past) {}

    @GetMapping
    String list(
            @RequestParam Optional<String> deleted,
            @RequestParam Optional<String> search,
            @RequestParam Optional<String> page,
            Model model) {
        LocalDate today = LocalDate.now(clock);
        List<Outings.Brief> briefs = new ArrayList<>();
        List<Outings.Brief> all = outings.briefs();
        all.stream().filter(b -> !b.night().isBefore(today)).forEach(briefs::add); // what comes first, by night
        all.stream().filter(b -> b.night().isBefore(today)).forEach(briefs::add);
        Listed<Outings.Brief> listed =
                Listed.of(briefs, search, page, b -> String.join(" ", b.title(), b.place(), Words.night(b.night())));
        List<Row> rows = listed.rows().stream().map(b -> row(b, today)).toList();
        model.addAttribute("outings", listed);
        model.addAttribute("coming", rows.stream().filter(r -> !r.past()).toList());
        model.addAttribute("past", rows.stream().filter(Row::past).toList());
        Form.idIn(deleted).flatMap(id -> deletions.gone("outing", id)).ifPresent(g -> model.addAttribute("gone", g));
        return "outings/list";
    }

    private static Row row(Outings.Brief o, LocalDate today) {
        return new Row(
                o.id(),
                o.title(),
                o.place(),
                Words.night(o.night()),
                Words.away(today, o.night()),
                o.night().isBefore(today));
    }

    @GetMapping("/new")
    String blank(@RequestParam Map<String, String> given, Model model) {
        ZoneId zone = places.all().stream().findFirst().map(p -> p.zone()).orElse(ZoneId.systemDefault());
        Form form = forms.blank(LocalDate.now(clock.withZone(zone)), zone);
        given.forEach(form::put); // a link may fill in fields, such as the place and the night
        return page(form, null, model);
    }

    /**
     * With the takes of an earlier outing, where one is named, or with the whole night that is proposed, or with a take that another
     * page has worked out.
     */
    @PostMapping
    @Transactional
    String create(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Optional<Outing> read = forms.read(form, null);
        Optional<Outing> like = like(form);
        Optional<TakeForm.Read> first = read.flatMap(o -> first(form, o));
        if (read.isEmpty() || form.hasErrors()) {
            return refused(form, null, model, response);
        }
        Outing stored = outings.save(read.get());
        like.ifPresent(earlier -> begin(outings.visit(stored.id(), earlier.further()), earlier));
        first.ifPresent(t -> takes.add(stored.id(), t.take(), t.rig().id()));
        if ("proposed".equals(form.value("like"))) {
            evening.acceptAll(stored, OutingForm.asked(form, stored));
        }
        return "redirect:/outings/" + stored.id();
    }

    /** With the takes of an earlier one, each over the mark of that name at its place, where there is one. */
    private void begin(Outing stored, Outing earlier) {
        takes.of(earlier.id()).forEach(t -> {
            Place place = stored.place(t.take().stop());
            Take free = t.take().pinned(Optional.empty());
            takes.add(
                    stored.id(),
                    free.with(places.at(place.id(), free.wish())),
                    t.rig().id());
        });
    }

    private Optional<TakeForm.Read> first(Form form, Outing outing) {
        if (!form.has("subject")) {
            return Optional.empty();
        }
        Form take = form.copy();
        Optional<TakeForm.Read> read = takeForms.read(take, outing);
        if (read.isEmpty()) { // its fields are not on this page
            form.reject(
                    "title",
                    "The take cannot be planned: "
                            + String.join(" ", take.errors().values()));
        }
        return read;
    }

    private Optional<Outing> like(Form form) {
        if (!form.has("like") || "proposed".equals(form.value("like"))) {
            return Optional.empty();
        }
        OptionalLong id = form.id("like");
        Optional<Outing> found = id.isPresent() ? outings.find(id.getAsLong()) : Optional.empty();
        if (found.isEmpty()) {
            form.reject("like", "Choose an outing from the list.");
        }
        return found;
    }

    private String refused(Form form, Long id, Model model, HttpServletResponse response) {
        model.addAttribute("refused", true);
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        return page(form, id, model);
    }

    @GetMapping(ID + "/edit")
    String edit(@PathVariable long id, Model model) {
        return page(StaleForm.mark(forms.fields(outings.existing(id)), OutingForm.NAMES), id, model);
    }

    @PostMapping(ID)
    @Transactional
    String change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing before = outings.existing(id);
        Form form = Form.of(typed);
        Optional<Outing> read = forms.read(form, id);
        if (read.isEmpty()) {
            return refused(form, id, model, response);
        }
        if (StaleForm.refuses(
                form, forms.fields(outings.existing(id)), OutingForm.NAMES, forms::words, model, response)) {
            return page(form, id, model);
        }
        Outing saved = outings.save(read.get());
        if (!saved.place().id().equals(before.place().id())) {
            // over the mark of that name at the other place, where there is one
            takes.of(id).stream()
                    .filter(t -> t.take().stop() == 0)
                    .forEach(t -> takes.change(
                            id,
                            t.id(),
                            t.take().with(places.at(saved.place().id(), t.take().wish())),
                            t.rig().id()));
        }
        return "redirect:/outings/" + saved.id();
    }

    private String page(Form form, Long id, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("id", id);
        model.addAttribute("heading", id == null ? "New outing" : "Change outing");
        model.addAttribute("places", places.all());
        model.addAttribute("terms", TERMS);
        model.addAttribute("spot", ShapeForm.views(OutingForm.SPOT, Place.SPOT));
        if (id == null) {
            model.addAttribute("earlier", outings.latest(MOST_EARLIER));
            AskedSky.begin(form);
            model.addAttribute("sights", AskedSky.sights());
            model.addAttribute("darknesses", AskedSky.darknesses());
        }
        preview(form, model);
        return "outings/form";
    }

    /** Towns whose name begins with what was typed, to start an outing from. */
    @GetMapping("/towns")
    String towns(@RequestParam(defaultValue = "") String town, Model model) {
        model.addAttribute("towns", Gazetteer.shipped().search(town, TOWNS_SHOWN));
        model.addAttribute("searched", town);
        return "outings/form :: towns";
    }

    /** What the fields lead to. */
    public record Preview(
            String night, String moon, Ribbon ribbon, String verdict, List<NightProposal.Proposed> proposed) {}

    /** What the fields lead to, while they are being filled in; works on a copy so that no complaint shows too early. */
    @GetMapping("/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        preview(Form.of(typed), model);
        return "outings/form :: preview";
    }

    private void preview(Form form, Model model) {
        Form copy = form.copy();
        forms.read(copy, null).ifPresent(o -> {
            Night night = o.night(skies);
            model.addAttribute(
                    "view",
                    new Preview(
                            Words.night(night.date()),
                            NightWords.moon(night),
                            Ribbon.of(
                                    night,
                                    o.place().glow(),
                                    OutingForm.asked(copy, o).map(Asked::sight).orElse(Sight.CORE)),
                            NightWords.verdict(
                                    night,
                                    OutingForm.asked(copy, o).orElse(Asked.USUAL),
                                    o.place().glow()),
                            evening.proposed(o, OutingForm.asked(copy, o))));
        });
        model.addAttribute("missing", copy.errors());
    }

    @PostMapping(ID + "/delete")
    String delete(@PathVariable long id) {
        outings.existing(id);
        deletions.delete("outing", id);
        return "redirect:/outings?deleted=" + id;
    }

    @PostMapping(ID + "/restore")
    String restore(@PathVariable long id) {
        deletions.restore("outing", id);
        return "redirect:/outings/" + id;
    }
}
