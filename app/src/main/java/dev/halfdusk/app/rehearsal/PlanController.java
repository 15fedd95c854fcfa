package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.eclipse.Role;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Plans of eclipses of the sun: place, cameras and their scripts. */
@Controller
@RequestMapping("/events/plans")
class PlanController {

    static final String PLAN = "/{id:\\d{1,18}}";
    static final String CAMERA = PLAN + "/cameras/{camera:\\d{1,18}}";
    private static final List<String> SETTINGS = Stream.concat(
                    Stream.of("place", "other"), EclipseTerms.SHAPE.keys().stream())
            .toList();
    static final List<String> SCRIPT = List.of("script");
    private static final String NOT_SEEN =
            "Nothing of this eclipse is seen from there: a plan's times are those of its place. Choose one that sees it.";

    private final EclipsePlans plans;
    private final Scripts scripts;
    private final CameraForm cameras;
    private final Places places;
    private final Kit kit;
    private final SitesCompared elsewhere;
    private final Deletions deletions;

    PlanController(
            EclipsePlans plans,
            Scripts scripts,
            CameraForm cameras,
            Places places,
            Kit kit,
            SitesCompared elsewhere,
            Deletions deletions) {
        this.deletions = deletions;
        this.plans = plans;
        this.scripts = scripts;
        this.cameras = cameras;
        this.places = places;
        this.kit = kit;
        this.elsewhere = elsewhere;
    }

    @GetMapping
    String list(@RequestParam Optional<String> deleted, Model model) {
        Form.idIn(deleted).flatMap(id -> deletions.gone("plan", id)).ifPresent(g -> model.addAttribute("gone", g));
        model.addAttribute("plans", plans.briefs());
        return "rehearsal/list";
    }

    @PostMapping
    String create(@RequestParam long place, @RequestParam LocalDate date) {
        Place from = places.find(place).orElseThrow(() -> new NotFound("place " + place));
        if (!Form.NIGHTS.contains(date) || EclipsePlan.seen(date, from).isEmpty()) {
            throw new NotFound("eclipse of the sun at " + from.name() + " on " + date);
        }
        return back(plans.find(place, date).orElseGet(() -> plans.add(place, date)));
    }

    @GetMapping(PLAN)
    String show(@PathVariable long id, @RequestParam Map<String, String> asked, Model model) {
        return page(plans.existing(id), asked, null, null, model);
    }

    /**
     * @param settings the plan's refused fields, or null
     * @param camera the chosen camera's refused fields, or null
     */
    String page(EclipsePlan plan, Map<String, String> asked, Form settings, Form camera, Model model) {
        Form in = Form.of(asked);
        OptionalLong typed = in.copy().id("camera");
        Optional<Long> chosen = typed.isPresent() ? Optional.of(typed.getAsLong()) : Optional.empty();
        boolean close = !"whole".equals(in.value("view"));
        PlanView view = PlanView.of(plan, scripts.of(plan), chosen, close);
        model.addAttribute("plan", plan);
        model.addAttribute("view", view);
        model.addAttribute("close", close);
        model.addAttribute("terms", ShapeForm.views(EclipseTerms.SHAPE));
        model.addAttribute("settings", settings != null ? settings : StaleForm.mark(fields(plan), SETTINGS));
        if (view.chosen() != null) {
            model.addAttribute(
                    "form",
                    camera != null
                            ? camera
                            : StaleForm.mark(
                                    CameraForm.fields(plan.camera(view.chosen().id())), CameraForm.NAMES));
        }
        if (!model.containsAttribute("script")) {
            model.addAttribute(
                    "script",
                    view.chosen() == null
                            ? null
                            : StaleForm.mark(
                                    new Form().put("script", view.chosen().text()), SCRIPT));
        }
        model.addAttribute("elsewhere", elsewhere.of(plan));
        model.addAttribute("rigs", kit.rigs());
        model.addAttribute("adding", new Form());
        model.addAttribute("roles", CameraForm.ROLES);
        model.addAttribute("cameraFields", CameraForm.FIELDS);
        List<Choice> all = places.all().stream()
                .map(p -> new Choice("" + p.id(), p.name()))
                .toList();
        model.addAttribute("places", all);
        model.addAttribute("others", Choice.orNone("none", all));
        OptionalLong deleted = in.copy().id("deleted");
        model.addAttribute("deleted", deleted.isPresent() ? (Long) deleted.getAsLong() : null);
        return "rehearsal/plan";
    }

    /** A value in words: places and rigs by their names. */
    private String words(String field, String value) {
        OptionalLong id = new Form().put("id", value).id("id");
        if (id.isEmpty()) {
            return value;
        }
        return switch (field) {
            case "place", "other" ->
                places.find(id.getAsLong()).map(Place::name).orElse(value);
            case "rig" -> kit.rig(id.getAsLong()).map(NamedRig::name).orElse(value);
            default -> value;
        };
    }

    private static Form fields(EclipsePlan plan) {
        Form form = new Form()
                .put("place", plan.place().id())
                .put("other", plan.other().map(Place::id).map(String::valueOf).orElse(""));
        return ShapeForm.fill(form, EclipseTerms.SHAPE, plan.terms());
    }

    @PostMapping(PLAN)
    @Transactional
    String change(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        OptionalLong place = form.id("place");
        Optional<Place> here = place.isPresent() ? places.find(place.getAsLong()) : Optional.empty();
        if (here.isEmpty()) {
            form.reject("place", "Choose one of the list.");
        } else if (EclipsePlan.seen(plan.date(), here.get()).isEmpty()) {
            form.reject("place", NOT_SEEN);
        }
        OptionalLong other = form.id("other");
        Optional<Place> there = other.isPresent() ? places.find(other.getAsLong()) : Optional.empty();
        if (there.isPresent() && EclipsePlan.seen(plan.date(), there.get()).isEmpty()) {
            form.reject("other", NOT_SEEN);
        }
        Optional<EclipseTerms> terms = ShapeForm.read(form, EclipseTerms.SHAPE);
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(plan, Map.of(), form, null, model);
        }
        if (StaleForm.refuses(form, fields(plan), SETTINGS, this::words, model, response)) {
            return page(plan, Map.of(), form, null, model);
        }
        plans.change(id, here.get().id(), there.map(Place::id), terms.orElseThrow());
        return back(id);
    }

    /** The other place becomes the place, and the place the other one; all times are worked out anew. */
    @PostMapping(PLAN + "/swap")
    @Transactional
    String swap(@PathVariable long id) {
        EclipsePlan plan = plans.existing(id);
        plan.other()
                .ifPresent(
                        o -> plans.change(id, o.id(), Optional.of(plan.place().id()), plan.terms()));
        return back(id);
    }

    /** How cloudy a place is likely to be, as someone looked it up; empty to forget it. */
    @PostMapping(PLAN + "/odds")
    String odds(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        OptionalLong place = form.id("place");
        if (place.isEmpty() || places.find(place.getAsLong()).isEmpty()) {
            throw new NotFound("place " + form.value("place"));
        }
        OptionalDouble percent = form.has("percent") ? form.number("percent", PlanFile.ODDS) : OptionalDouble.empty();
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("odds", form);
            return page(plan, Map.of(), null, null, model);
        }
        plans.cloudOdds(
                place.getAsLong(),
                plan.date(),
                percent.isPresent() ? Optional.of(percent.getAsDouble()) : Optional.empty());
        return back(id) + "#elsewhere";
    }

    @PostMapping(PLAN + "/delete")
    String delete(@PathVariable long id) {
        plans.existing(id);
        deletions.delete("plan", id);
        return "redirect:/events/plans?deleted=" + id;
    }

    @PostMapping(PLAN + "/restore")
    String restore(@PathVariable long id) {
        deletions.restore("plan", id);
        return back(id);
    }

    // cameras

    @PostMapping(PLAN + "/cameras")
    String add(@PathVariable long id, @RequestParam Map<String, String> typed) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        OptionalLong rig = form.id("rig");
        NamedRig named = (rig.isPresent() ? kit.rig(rig.getAsLong()) : Optional.<NamedRig>empty())
                .orElseThrow(() -> new NotFound("rig " + form.value("rig")));
        Role role = form.choice("role", Role.class).orElse(Role.CLOSE_UP);
        long camera = plans.addCamera(id, CameraForm.usual(named, role, plan.margins()));
        return back(id) + "?camera=" + camera;
    }

    @PostMapping(CAMERA)
    @Transactional
    String change(
            @PathVariable long id,
            @PathVariable long camera,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        Optional<PlanCamera> read = cameras.read(form, camera(plan, camera), plan.margins());
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(plan, Map.of("camera", "" + camera), null, form, model);
        }
        if (StaleForm.refuses(
                form, CameraForm.fields(camera(plan, camera)), CameraForm.NAMES, this::words, model, response)) {
            return page(plan, Map.of("camera", "" + camera), null, form, model);
        }
        plans.change(id, read.get());
        return back(id) + "?camera=" + camera;
    }

    @PostMapping(CAMERA + "/delete")
    String deleteCamera(@PathVariable long id, @PathVariable long camera) {
        camera(plans.existing(id), camera);
        deletions.delete("camera", camera);
        return back(id) + "?deleted=" + camera;
    }

    @PostMapping(CAMERA + "/restore")
    @Transactional
    String restoreCamera(@PathVariable long id, @PathVariable long camera) {
        deletions.restore("camera", camera);
        camera(plans.existing(id), camera);
        return back(id) + "?camera=" + camera;
    }

    /** A camera of a plan that may have been deleted in another window. */
    PlanCamera camera(EclipsePlan plan, long camera) {
        return plan.find(camera).orElseThrow(() -> deletions.missing("camera", camera));
    }

    static String back(long id) {
        return "redirect:/events/plans/" + id;
    }
}
