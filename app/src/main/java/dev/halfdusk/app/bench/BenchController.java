package dev.halfdusk.app.bench;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Angles;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The exposure reckoner for use without an outing. The address holds everything that was typed. */
@Controller
@RequestMapping("/bench")
class BenchController {

    private static final List<Part> PARTS = List.of(
            new Part("stars", "Stars"),
            new Part("ground", "Ground and people"),
            new Part("stops", "Stops and film"),
            new Part("test", "After a test frame"));

    private final BenchForm forms;
    private final Kit kit;
    private final Places places;

    BenchController(BenchForm forms, Kit kit, Places places) {
        this.forms = forms;
        this.kit = kit;
        this.places = places;
    }

    /** A part of the bench. */
    public record Part(String key, String name) {}

    @GetMapping
    String bench(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        List<NamedRig> rigs = kit.rigs();
        List<Place> all = places.all();
        forms.fill(form, rigs, all);
        String part = PARTS.stream()
                .map(Part::key)
                .filter(k -> k.equals(form.value("part")))
                .findFirst()
                .orElse("stars");
        form.put("part", part);
        model.addAttribute("form", form);
        model.addAttribute("part", part);
        model.addAttribute("parts", PARTS);
        model.addAttribute("rigs", rigs);
        model.addAttribute("places", all);
        model.addAttribute("seen", TestView.SEEN);
        model.addAttribute("subjects", TestView.SUBJECTS);
        if (rigs.isEmpty() || all.isEmpty()) {
            return "bench/bench";
        }
        Optional<Asked> asked = forms.read(form, rigs, all);
        asked.ifPresent(a -> answer(a, part, form, model));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        return "bench/bench";
    }

    private static void answer(Asked a, String part, Form form, Model model) {
        Proposal p = a.proposal();
        model.addAttribute("sky", sky(a));
        model.addAttribute("stars", StarsView.of(p));
        switch (part) {
            case "ground" -> {
                GroundView.fill(form);
                GroundView.of(a, p, form).ifPresent(v -> model.addAttribute("ground", v));
            }
            case "stops" -> {
                StopsView.fill(form, a, p);
                StopsView.of(a, form).ifPresent(v -> model.addAttribute("stops", v));
            }
            case "test" -> {
                TestView.fill(form, a, p);
                TestView.of(a, p, form).ifPresent(v -> model.addAttribute("test", v));
            }
            default -> {}
        }
    }

    private static String sky(Asked a) {
        return Words.clock(a.when(), a.place().zone()) + ", UTC " + Words.clock(a.when(), ZoneOffset.UTC) + ", looking "
                + (a.atCore() ? "at the core, " : "") + Words.number(a.azimuthDeg(), 0) + "\u00b0 "
                + Angles.compass(a.azimuthDeg()) + ", " + Words.number(a.altitudeDeg(), 0) + "\u00b0 up; frame "
                + Words.number(a.optics().widthDeg(), 0) + "\u00b0 \u00d7 "
                + Words.number(a.optics().heightDeg(), 0) + "\u00b0";
    }
}
