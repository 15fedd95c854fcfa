package dev.halfdusk.app.log;

import dev.halfdusk.app.learned.Origin;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.core.log.Learnable;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What the nights come to, and what of it the next plan is made with. */
@Controller
@RequestMapping("/log/learned")
class LearnedController {

    private final Observations observations;
    private final Uses uses;
    private final Planned planned;
    private final Origins origins;
    private final Worked worked;
    private final Drawn drawn;

    LearnedController(
            Observations observations, Uses uses, Planned planned, Origins origins, Worked worked, Drawn drawn) {
        this.drawn = drawn;
        this.planned = planned;
        this.observations = observations;
        this.uses = uses;
        this.origins = origins;
        this.worked = worked;
    }

    @GetMapping
    String show(@RequestParam Optional<String> used, @RequestParam Optional<String> back, Model model) {
        List<LearnedView> learned = new ArrayList<>();
        List<LearnedView> waiting = new ArrayList<>();
        Planned.Now stands = planned.now();
        List<Origin> kept = origins.all();
        for (Observations.Thing thing : observations.things()) {
            stands.name(thing.what(), thing.whose()).ifPresent(name -> {
                OptionalDouble now = stands.value(thing.what(), thing.whose());
                LearnedView view = LearnedView.of(
                        thing,
                        name,
                        observations.of(thing),
                        now,
                        stands.assumed(thing.what(), thing.whose()),
                        kept.stream()
                                .filter(o ->
                                        o.what() == thing.what() && o.whose().equals(thing.whose()) && o.holds(now))
                                .findFirst());
                (view.value().isEmpty() ? waiting : learned).add(view);
            });
        }
        model.addAttribute("learned", learned);
        model.addAttribute("waiting", waiting);
        model.addAttribute("worked", worked.all());
        model.addAttribute("lenses", drawn.lenses(stands));
        model.addAttribute("skies", drawn.places(stands));
        used.ifPresent(u -> model.addAttribute("used", true));
        back.ifPresent(u -> model.addAttribute("back", true));
        return "log/learned";
    }

    @PostMapping("/use")
    String use(@RequestParam(defaultValue = "") String what, @RequestParam(defaultValue = "") String whose) {
        boolean done = Learnable.of(what).map(w -> uses.use(w, whose)).orElse(false);
        return "redirect:/log/learned" + (done ? "?used=on" : "");
    }

    @PostMapping("/back")
    String back(@RequestParam(defaultValue = "") String what, @RequestParam(defaultValue = "") String whose) {
        Learnable.of(what).ifPresent(w -> uses.back(w, whose));
        return "redirect:/log/learned?back=on";
    }
}
