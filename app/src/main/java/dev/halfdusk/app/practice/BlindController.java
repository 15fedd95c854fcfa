package dev.halfdusk.app.practice;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.practice.BlindDrill;
import dev.halfdusk.core.practice.Control;
import dev.halfdusk.core.practice.Dials;
import dev.halfdusk.core.practice.Outfit;
import dev.halfdusk.core.practice.Wheel;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Settings changed with the screen dark, against the clock. The clock is the server's, from a task's page to its answer. */
@Controller
@RequestMapping("/practice/blind")
class BlindController {

    private static final Range SEED = new Range("drill", 0, 1_000_000, "");
    private static final Outfit OUTFIT = Outfit.of(Outfit.SensorSize.FULL, 20, 20, 1.8);
    private static final List<Control> TURNED = List.of(Control.SHUTTER, Control.APERTURE, Control.ISO, Control.TIMER);

    private final Learners learners;
    private final Drills drills;
    private final Clock clock;

    BlindController(Learners learners, Drills drills, Clock clock) {
        this.learners = learners;
        this.drills = drills;
        this.clock = clock;
    }

    /** What came of a task. */
    record Done(String words, String said, boolean right) {}

    /** @param value to which it turns, in the list of the control's labels */
    record Wheels(Control control, List<Wheel.Position> positions, int at) {}

    @GetMapping
    String drill(@CookieValue(name = CourseController.COOKIE, required = false) String learner, Model model) {
        model.addAttribute("plot", DrillPlot.of(learners.drills(learners.who(learner))));
        model.addAttribute("seed", clock.instant().getEpochSecond() % (long) SEED.max());
        return "practice/blind";
    }

    /** Begins it: the clock runs from the answer on. */
    @PostMapping
    String begin(@RequestParam Map<String, String> typed, Model model) {
        Form form = Form.of(typed);
        OptionalLong seed = form.whole("seed", SEED);
        if (seed.isEmpty()) {
            return "redirect:/practice/blind";
        }
        long id = drills.begin(BlindDrill.of(OUTFIT, seed.getAsLong()), clock.instant());
        return "redirect:/practice/blind/task?drill=" + id;
    }

    /** The task that it has come to. */
    @GetMapping("/task")
    String task(@RequestParam Map<String, String> typed, Model model) {
        Optional<Drills.Running> running =
                Form.idIn(Optional.ofNullable(typed.get("drill"))).flatMap(drills::find);
        if (running.isEmpty()) {
            return "redirect:/practice/blind";
        }
        Drills.Running r = running.get();
        show(r, r.task().from(), model);
        return "practice/task";
    }

    /** @param stand where the dials stand */
    private static void show(Drills.Running r, Dials stand, Model model) {
        model.addAttribute("drill", r.id());
        model.addAttribute("number", r.scores().size() + 1);
        model.addAttribute("all", r.drill().tasks().size());
        model.addAttribute("words", r.task().words());
        model.addAttribute(
                "dials",
                TURNED.stream()
                        .map(c -> new Wheels(c, OUTFIT.wheel(c).positions(), stand.position(c)))
                        .toList());
        model.addAttribute("done", done(r));
    }

    private static List<Done> done(Drills.Running r) {
        List<Done> all = new ArrayList<>();
        for (int i = 0; i < r.scores().size(); i++) {
            BlindDrill.Score s = r.scores().get(i);
            all.add(new Done(
                    r.drill().tasks().get(i).words(),
                    (s.right() ? "right" : Numbers.text("%.1f stops off", s.stopsOff()))
                            + Numbers.text(", %.1f s", s.seconds()),
                    s.right()));
        }
        return all;
    }

    /** Where the dials were left; after the last task the drill is kept. */
    @PostMapping("/task")
    String answer(
            @RequestParam Map<String, String> typed,
            @CookieValue(name = CourseController.COOKIE, required = false) String learner,
            Model model,
            HttpServletResponse response) {
        Form form = Form.of(typed);
        Optional<Drills.Running> running =
                Form.idIn(Optional.ofNullable(typed.get("drill"))).flatMap(drills::find);
        if (running.isEmpty()
                || !form.value("number").equals("" + (running.get().scores().size() + 1))) {
            return running.isEmpty()
                    ? "redirect:/practice/blind"
                    : "redirect:/practice/blind/task?drill=" + running.get().id(); // answered in another window
        }
        Drills.Running r = running.get();
        Instant now = clock.instant();
        BlindDrill.Task task = r.task();
        Dials reached = task.from();
        for (Control c : TURNED) {
            try {
                reached = reached.with(Map.of(c.key(), form.value(c.key())));
            } catch (Wheel.NoSuchPosition e) {
                form.reject(c.key(), e.getMessage());
            }
        }
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            show(r, reached, model);
            model.addAttribute("errors", form.errors().values());
            return "practice/task";
        }
        double seconds = Duration.between(r.shown(), now).toMillis() / 1000.0;
        Drills.Running next = drills.answered(r, BlindDrill.score(task, reached, seconds), now);
        if (next.scores().size() < next.drill().tasks().size()) {
            return "redirect:/practice/blind/task?drill=" + next.id();
        }
        Learners.Learner who = learners.stored(learners.who(learner));
        learners.add(who, kept(next, now));
        model.addAttribute("done", done(next));
        model.addAttribute("plot", DrillPlot.of(learners.drills(who)));
        model.addAttribute("seed", now.getEpochSecond() % (long) SEED.max());
        return "practice/blind";
    }

    private static Learners.Drill kept(Drills.Running r, Instant now) {
        return new Learners.Drill(
                Learners.Drill.Kind.BLIND,
                now,
                r.scores().size(),
                (int) r.scores().stream().filter(BlindDrill.Score::right).count(),
                r.scores().stream().mapToDouble(BlindDrill.Score::stopsOff).sum(),
                r.scores().stream().mapToDouble(BlindDrill.Score::seconds).sum());
    }
}
