package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.ScriptCheck;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The script of one camera, changed by hand: as a whole in its file's own words, or line by line. */
@Controller
@RequestMapping("/events/plans" + PlanController.CAMERA + "/script")
class ScriptController {

    private final EclipsePlans plans;
    private final Scripts scripts;
    private final PlanController pages;

    ScriptController(EclipsePlans plans, Scripts scripts, PlanController pages) {
        this.plans = plans;
        this.scripts = scripts;
        this.pages = pages;
    }

    /** Keeps it, if it can be read, in the order of its times; what is wrong at this place is then shown beside its lines. */
    @PostMapping
    @Transactional
    String save(
            @PathVariable long id,
            @PathVariable long camera,
            @RequestParam(defaultValue = "") String script,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        plan.camera(camera);
        ScriptFile.Read read = ScriptFile.read(script);
        if (read.script().isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            Form form = new Form().put("script", script.length() > ScriptFile.MOST_CHARACTERS ? "" : script);
            form.reject("script", read.problems().get(0).toString());
            model.addAttribute("script", form);
            model.addAttribute("findings", read.problems());
            return pages.page(plan, Map.of("camera", "" + camera), null, null, model);
        }
        Script ordered = read.script().get().inOrder(plan.here());
        if (!ordered.equals(read.script().get())) {
            flash.addFlashAttribute("ordered", true);
        }
        plans.script(id, camera, Optional.of(ordered));
        return back(id, camera);
    }

    /** What is wrong with it as it stands in the field, while one writes. */
    @PostMapping("/check")
    String check(
            @PathVariable long id,
            @PathVariable long camera,
            @RequestParam(defaultValue = "") String script,
            Model model) {
        EclipsePlan plan = plans.existing(id);
        ScriptFile.Read read = ScriptFile.read(script);
        List<ScriptFile.Problem> problems = Stream.concat(
                        read.problems().stream(),
                        read.script().stream().flatMap(s -> findings(plan, plan.camera(camera), s)))
                .limit(12)
                .toList();
        model.addAttribute("findings", problems);
        model.addAttribute(
                "checked", read.script().map(s -> s.frames() + " frames").orElse(null));
        return "rehearsal/script :: findings";
    }

    /** The file's first line names the columns: the first of a script is its second. */
    private static Stream<ScriptFile.Problem> findings(EclipsePlan plan, PlanCamera camera, Script script) {
        ScriptCheck check = camera.check(script, plan.here(), plan.place());
        return check.findings().stream().map(f -> new ScriptFile.Problem(f.line() + 2L, f.words()));
    }

    /** Takes a line out, which buys its time. */
    @PostMapping("/lines/{line:\\d{1,6}}/delete")
    String delete(@PathVariable long id, @PathVariable long camera, @PathVariable int line, RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        Script now = scripts.of(plan, plan.camera(camera)).script();
        if (line >= now.lines().size()) {
            return back(id, camera);
        }
        Script.Line gone = now.lines().get(line);
        plans.script(id, camera, Optional.of(now.without(line)));
        flash.addFlashAttribute("before", ScriptFile.write(now));
        flash.addFlashAttribute(
                "removed",
                Countdown.offset(gone.from(), gone.offsetSeconds()) + ", " + gone.what() + ", is out: "
                        + Words.number(gone.seconds() + gone.pauseSeconds(), 1) + " s bought.");
        return back(id, camera);
    }

    /** Forgets what was changed by hand. */
    @PostMapping("/anew")
    @Transactional
    String anew(@PathVariable long id, @PathVariable long camera, RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        plan.camera(camera).byHand().ifPresent(s -> {
            flash.addFlashAttribute("before", ScriptFile.write(s));
            flash.addFlashAttribute("removed", "The script is made anew; what you had changed is gone.");
        });
        plans.script(id, camera, Optional.empty());
        return back(id, camera);
    }

    private static String back(long id, long camera) {
        return PlanController.back(id) + "?camera=" + camera + "#script";
    }
}
