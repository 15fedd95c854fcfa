package dev.halfdusk.app.bench;

import dev.halfdusk.app.setup.AfterFrameView;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.ProposalView;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Proposal;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
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

    private final SetupReader setups;

    BenchController(SetupReader setups) {
        this.setups = setups;
    }

    /** A part of the bench. */
    public record Part(String key, String name) {}

    @GetMapping
    String bench(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        String part = PARTS.stream()
                .map(Part::key)
                .filter(k -> k.equals(form.value("part")))
                .findFirst()
                .orElse("stars");
        form.put("part", part);
        model.addAttribute("part", part);
        model.addAttribute("parts", PARTS);
        model.addAttribute("seen", AfterFrameView.SEEN);
        model.addAttribute("subjects", TestView.SUBJECTS);
        if (!choices.enough()) {
            return "bench/bench";
        }
        form.putIfEmpty("aim", "core");
        setups.read(form, choices).ifPresent(a -> answer(a, part, form, model));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        return "bench/bench";
    }

    private static void answer(SetupRequest a, String part, Form form, Model model) {
        Proposal p = a.proposal();
        model.addAttribute("asked", a);
        model.addAttribute("utc", Words.clock(a.when(), ZoneOffset.UTC));
        switch (part) {
            case "ground" -> {
                GroundView.fill(form);
                GroundView.of(a, p, form).ifPresent(v -> model.addAttribute("ground", v));
            }
            case "stops" -> {
                StopsView.fill(form, p);
                StopsView.of(a.setup(), form).ifPresent(v -> model.addAttribute("stops", v));
            }
            case "test" -> {
                TestView.fill(form, p);
                TestView.of(p, form).ifPresent(v -> model.addAttribute("test", v));
            }
            default -> model.addAttribute("proposal", ProposalView.of(p));
        }
    }
}
