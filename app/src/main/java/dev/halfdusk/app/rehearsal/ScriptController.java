package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.ScriptCheck;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
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
            @RequestParam(defaultValue = "") String seen,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        PlanCamera named = pages.camera(plan, camera);
        ScriptFile.Read read = ScriptFile.read(script);
        if (read.script().isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            Form form = new Form()
                    .put(StaleForm.FIELD, seen)
                    .put("script", script.length() > ScriptFile.MOST_CHARACTERS ? "" : script);
            form.reject("script", read.problems().get(0).toString());
            model.addAttribute("script", form);
            model.addAttribute("findings", read.problems());
            return pages.page(plan, Map.of("camera", "" + camera), null, null, model);
        }
        Form typed = new Form().put("script", script).put(StaleForm.FIELD, seen);
        Form stored = new Form()
                .put("script", ScriptFile.write(scripts.of(plan, named).script()));
        if (StaleForm.refuses(typed, stored, PlanController.SCRIPT, (f, v) -> v, model, response)) {
            model.addAttribute("script", typed);
            model.addAttribute("open", true);
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
                        read.script().stream().flatMap(s -> findings(plan, pages.camera(plan, camera), s)))
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

    /** Takes a line out, which buys its time. A line is told by what it says: its number is another one once others have changed. */
    @PostMapping("/lines/delete")
    @Transactional
    String delete(
            @PathVariable long id,
            @PathVariable long camera,
            @RequestParam(defaultValue = "") String line,
            RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        Script now = scripts.of(plan, pages.camera(plan, camera)).script();
        OptionalInt number = IntStream.range(0, now.lines().size())
                .filter(i -> ScriptFile.line(now.lines().get(i)).equals(line.strip()))
                .findFirst();
        if (number.isEmpty()) {
            flash.addFlashAttribute("stale", true);
            return back(id, camera);
        }
        Script.Line gone = now.lines().get(number.getAsInt());
        String name = Countdown.offset(gone.from(), gone.offsetSeconds()) + ", " + gone.what();
        plans.script(id, camera, Optional.of(now.without(number.getAsInt())));
        flash.addFlashAttribute("cut", plans.cut(camera, name, false, new Script(List.of(gone))));
        flash.addFlashAttribute(
                "removed", name + ", is out: " + Words.number(gone.seconds() + gone.pauseSeconds(), 1) + " s bought.");
        return back(id, camera);
    }

    /** Forgets what was changed by hand. */
    @PostMapping("/anew")
    @Transactional
    String anew(@PathVariable long id, @PathVariable long camera, RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        PlanCamera named = pages.camera(plan, camera);
        named.byHand().ifPresent(s -> {
            flash.addFlashAttribute("cut", plans.cut(camera, "by hand, of " + named.name(), true, s));
            flash.addFlashAttribute("removed", "The script is made anew; what you had changed is out.");
        });
        plans.script(id, camera, Optional.empty());
        return back(id, camera);
    }

    /** Brings back what was cut: a line among those there are now, or a whole script. */
    @PostMapping("/cuts/{cut:\\d{1,18}}")
    @Transactional
    String restore(@PathVariable long id, @PathVariable long camera, @PathVariable long cut) {
        EclipsePlan plan = plans.existing(id);
        PlanCamera named = pages.camera(plan, camera);
        plans.uncut(camera, cut).ifPresent(c -> {
            List<Script.Line> lines = new ArrayList<>(c.script().lines());
            if (!c.whole()) {
                lines.addAll(scripts.of(plan, named).script().lines());
            }
            plans.script(id, camera, Optional.of(new Script(lines).inOrder(plan.here())));
        });
        return back(id, camera);
    }

    private static String back(long id, long camera) {
        return PlanController.back(id) + "?camera=" + camera + "#script";
    }
}
