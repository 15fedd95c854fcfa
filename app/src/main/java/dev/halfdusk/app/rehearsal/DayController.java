package dev.halfdusk.app.rehearsal;

import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.web.Assets;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.NotFound;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** A plan on its day, and all of it to take along. */
@Controller
@RequestMapping("/events/plans")
class DayController {

    private final EclipsePlans plans;
    private final Scripts scripts;
    private final PlanFile file;
    private final ITemplateEngine templates;
    private final ObjectMapper json;
    private final Installation installation;
    private final Clock clock;

    DayController(
            EclipsePlans plans,
            Scripts scripts,
            PlanFile file,
            ITemplateEngine templates,
            ObjectMapper json,
            Installation installation,
            Clock clock) {
        this.installation = installation;
        this.plans = plans;
        this.file = file;
        this.scripts = scripts;
        this.templates = templates;
        this.json = json;
        this.clock = clock;
    }

    @GetMapping(PlanController.PLAN + "/day")
    String day(@PathVariable long id, Model model, HttpServletResponse response) {
        response.setHeader(
                HttpHeaders.CACHE_CONTROL, "no-store"); // Back would show a state of the filters that is long over
        EclipsePlan plan = plans.existing(id);
        model.addAttribute("plan", plan);
        model.addAttribute("day", DayView.of(plan, clock.instant()));
        return "rehearsal/day";
    }

    @GetMapping(PlanController.PLAN + "/sheet")
    String sheet(@PathVariable long id, Model model) {
        EclipsePlan plan = plans.existing(id);
        model.addAttribute("plan", plan);
        model.addAttribute("view", PlanView.of(plan, scripts.of(plan), Optional.empty(), true));
        model.addAttribute("text", PlanFiles.text(plan, scripts.of(plan)));
        return "rehearsal/sheet";
    }

    /** Cues and scripts as text or JSON, the cues as a calendar, the day for a browser without server. */
    @GetMapping(PlanController.PLAN + "/plan.{format:json|ics|txt|html}")
    ResponseEntity<String> file(@PathVariable long id, @PathVariable String format) {
        EclipsePlan plan = plans.existing(id);
        String name = Attachment.name("eclipse " + plan.place().name(), plan.date(), "plan." + format);
        return switch (format) {
            case "json" ->
                Attachment.of(
                        name, "application/json", PlanFiles.json(plan, scripts.of(plan), file.tree(plan.id()), json));
            case "txt" -> Attachment.of(name, "text/plain", PlanFiles.text(plan, scripts.of(plan)));
            case "html" -> Attachment.of(name, "text/html", carried(plan));
            default -> Attachment.of(name, "text/calendar", PlanFiles.calendar(plan, clock.instant(), installation));
        };
    }

    private String carried(EclipsePlan plan) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("plan", plan);
        context.setVariable("day", DayView.of(plan, clock.instant()));
        context.setVariable("text", PlanFiles.text(plan, scripts.of(plan)));
        context.setVariable("styles", Assets.styles());
        context.setVariable("script", Assets.text("field.js"));
        return templates.process("rehearsal/carried", context);
    }

    @GetMapping(PlanController.CAMERA + "/script.{format:csv|txt}")
    ResponseEntity<String> script(@PathVariable long id, @PathVariable long camera, @PathVariable String format) {
        EclipsePlan plan = plans.existing(id);
        Scripts.Worked worked = scripts.of(plan, plan.camera(camera));
        if (worked.script().lines().isEmpty()) {
            throw new NotFound("script of camera " + camera);
        }
        String name = Attachment.name(worked.camera().name(), plan.date(), "script." + format);
        return format.equals("csv")
                ? Attachment.of(name, "text/csv", ScriptFile.write(worked.script()))
                : Attachment.of(name, "text/plain", PlanFiles.alone(plan, worked));
    }
}
