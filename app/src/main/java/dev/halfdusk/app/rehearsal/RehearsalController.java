package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.framing.Darkroom;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.camera.Rehearsal;
import dev.halfdusk.core.camera.Rehearsal.Happening;
import dev.halfdusk.core.camera.Rehearsal.Kind;
import dev.halfdusk.core.camera.Rehearsal.Standing;
import dev.halfdusk.core.camera.RehearsalReport;
import dev.halfdusk.core.camera.RehearsalReport.Change;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.sequence.Program;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The whole of a plan played through on simulated cameras, with a clock that one sets and speeds up. */
@Controller
@RequestMapping("/events/plans" + PlanController.PLAN + "/rehearsal")
class RehearsalController {

    /** Before the second contact, or before the maximum where there is none. */
    static final Range BEFORE = new Range("start before the second contact", 0.2, 180, " min");

    static final List<Choice> KINDS = Choice.of(Kind.class, Kind::key, Kind::words);

    private final EclipsePlans plans;
    private final Scripts scripts;
    private final Rehearsals rehearsals;
    private final Places places;
    private final Clock clock;
    private final Darkroom darkroom;

    RehearsalController(
            EclipsePlans plans, Scripts scripts, Rehearsals rehearsals, Places places, Clock clock, Darkroom darkroom) {
        this.darkroom = darkroom;
        this.plans = plans;
        this.scripts = scripts;
        this.rehearsals = rehearsals;
        this.places = places;
        this.clock = clock;
    }

    @GetMapping
    String show(@PathVariable long id, Model model) {
        return page(
                plans.existing(id),
                new Form().put("before", "3").put("speed", "1").allows("before", BEFORE),
                model);
    }

    private String page(EclipsePlan plan, Form form, Model model) {
        List<Scripts.Worked> worked = scripts.of(plan);
        head(plan, model);
        rehearsals.find(plan.id()).ifPresent(running -> second(plan, worked, running, model));
        model.addAttribute("refusals", refusals(worked));
        model.addAttribute("off", plan.window().isPresent());
        model.addAttribute("cues", PlanView.cues(plan, plan.here()));
        model.addAttribute("kinds", KINDS);
        model.addAttribute("speeds", Rehearsals.SPEEDS);
        model.addAttribute("form", form);
        return "rehearsal/rehearsal";
    }

    private static void head(EclipsePlan plan, Model model) {
        model.addAttribute("plan", plan);
        model.addAttribute("named", PlanView.title(plan, plan.here()));
        model.addAttribute(
                "headline", PlanView.headline(plan.here(), plan.place().zone()));
    }

    private List<Standing> second(
            EclipsePlan plan, List<Scripts.Worked> worked, Rehearsals.Running running, Model model) {
        Instant now = running.at(clock.instant());
        List<Standing> standings = rehearsal(plan, worked, running).at(now);
        model.addAttribute("view", RehearsalView.of(plan, worked, running, standings, now));
        return standings;
    }

    private static List<String> refusals(List<Scripts.Worked> worked) {
        return worked.stream()
                .flatMap(w -> w.refusals().stream().map(r -> w.camera().name() + ": " + r))
                .toList();
    }

    private static Rehearsal rehearsal(EclipsePlan plan, List<Scripts.Worked> worked, Rehearsals.Running running) {
        return new Rehearsal(
                worked.stream()
                        .map(w -> w.camera().part(w.program(plan), plan.terms().celsius()))
                        .toList(),
                running.begins(),
                running.happenings().stream()
                        .filter(b -> position(worked, b).isPresent())
                        .map(b -> new Happening(b.when(), position(worked, b).getAsInt(), b.kind()))
                        .toList());
    }

    /** Empty for a camera that has been deleted since. */
    private static OptionalInt position(List<Scripts.Worked> worked, Rehearsals.Broken broken) {
        return IntStream.range(0, worked.size())
                .filter(i -> worked.get(i).camera().id() == broken.camera())
                .findFirst();
    }

    /** What changes every second, until it is ended, which another window may have done. */
    @GetMapping("/now")
    String now(@PathVariable long id, Model model) {
        EclipsePlan plan = plans.existing(id);
        model.addAttribute("plan", plan);
        Optional<Rehearsals.Running> running = rehearsals.find(id);
        running.ifPresent(r -> second(plan, scripts.of(plan), r, model));
        return running.isPresent() ? "rehearsal/now :: now" : "rehearsal/now :: ended";
    }

    @PostMapping
    String begin(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed).putIfMissing("speed", "1");
        OptionalDouble before = form.number("before", BEFORE);
        if (plan.cameras().isEmpty()) {
            form.reject("before", "The plan has no camera yet.");
        }
        if (form.hasErrors() || !refusals(scripts.of(plan)).isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(plan, form, model);
        }
        Instant zero = plan.here().contact(Anchor.C2).orElse(plan.here().max()).when();
        rehearsals.begin(id, Instants.after(zero, -60 * before.getAsDouble()), speed(form));
        return back(id);
    }

    private static int speed(Form form) {
        OptionalLong typed = form.id("speed");
        return typed.isPresent() && Rehearsals.SPEEDS.contains((int) typed.getAsLong()) ? (int) typed.getAsLong() : 1;
    }

    @PostMapping("/speed")
    String speed(@PathVariable long id, @RequestParam Map<String, String> typed) {
        plans.existing(id);
        rehearsals.speed(id, speed(Form.of(typed)));
        return back(id);
    }

    @PostMapping("/again")
    String again(@PathVariable long id) {
        plans.existing(id);
        rehearsals.end(id);
        return back(id);
    }

    /** Something goes wrong with a camera, or is put right. */
    @PostMapping("/happen")
    String happen(@PathVariable long id, @RequestParam Map<String, String> typed) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        OptionalLong camera = form.id("camera");
        Optional<Kind> kind = form.choice("kind", Kind.class);
        if (camera.isPresent() && kind.isPresent()) {
            rehearsals.happen(id, plan.camera(camera.getAsLong()).id(), kind.get());
        }
        return back(id);
    }

    /** A shot as it would have come out. */
    @GetMapping("/shot.jpg")
    void shot(
            @PathVariable long id,
            @RequestParam long camera,
            @RequestParam int shot,
            @RequestParam(defaultValue = "0") long at,
            HttpServletResponse response)
            throws IOException {
        EclipsePlan plan = plans.existing(id);
        Scripts.Worked worked = scripts.of(plan, plan.camera(camera));
        Program.Shot taken = worked.program(plan)
                .filter(p -> shot >= 1 && shot <= p.frames())
                .map(p -> p.shots().get(shot - 1))
                .orElseThrow(() -> new NotFound("shot " + shot));
        Instant asked = at > 0 ? Instant.ofEpochMilli(at) : taken.opens();
        Instant opened = Math.abs(Instants.seconds(asked, taken.opens())) < 60 ? asked : taken.opens();
        List<Mark> marks = places.plainMarks(plan.place().id());
        response.setContentType(ImageFile.JPEG.mediaType());
        response.setHeader("Cache-Control", "private, max-age=3600");
        darkroom.develop(
                ImageFile.JPEG,
                () -> ImageFile.JPEG.of(
                        ShotPicture.of(plan, worked, taken, opened, marks), ShotPicture.WIDTH, ShotPicture.HEIGHT),
                response.getOutputStream());
    }

    // what came of it

    @GetMapping("/report")
    String report(@PathVariable long id, Model model) {
        EclipsePlan plan = plans.existing(id);
        List<Scripts.Worked> worked = scripts.of(plan);
        head(plan, model);
        rehearsals.find(id).ifPresent(running -> {
            List<Standing> standings = second(plan, worked, running, model);
            model.addAttribute("report", ReportView.of(plan, worked, running, RehearsalReport.of(standings)));
        });
        return "rehearsal/report";
    }

    /** Every shot until now, with its planned and its real time. */
    @GetMapping("/log.csv")
    ResponseEntity<String> log(@PathVariable long id) {
        EclipsePlan plan = plans.existing(id);
        Rehearsals.Running running = rehearsals.find(id).orElseThrow(() -> new NotFound("rehearsal of plan " + id));
        List<Standing> standings = rehearsal(plan, scripts.of(plan), running).at(running.at(clock.instant()));
        return Attachment.of(
                Attachment.name(plan.place().name(), plan.date(), "rehearsal.csv"),
                "text/csv",
                RehearsalLog.csv(standings));
    }

    /** Changes a camera's script by what the rehearsal has shown. */
    @PostMapping("/correct")
    String correct(@PathVariable long id, @RequestParam Map<String, String> typed, RedirectAttributes flash) {
        EclipsePlan plan = plans.existing(id);
        Form form = Form.of(typed);
        OptionalLong number = form.id("camera");
        Optional<Change> change = form.choice("change", Change.class);
        Optional<Rehearsals.Running> running = rehearsals.find(id);
        if (number.isPresent() && change.isPresent() && running.isPresent()) {
            PlanCamera camera = plan.camera(number.getAsLong());
            Scripts.Worked worked = scripts.of(plan, camera);
            if (change.get() == Change.RAW_ALONE) {
                plans.change(id, camera.written(FileFormat.RAW));
            } else if (change.get() == Change.LEAVE_OUT) {
                List<Standing> standings = rehearsal(plan, scripts.of(plan), running.get())
                        .at(running.get().at(clock.instant()));
                plans.script(id, camera.id(), Optional.of(leftOut(plan, worked, standings)));
            }
            flash.addFlashAttribute("corrected", camera.name() + " is changed. Rehearse it again.");
        }
        return back(id) + "/report";
    }

    private static Script leftOut(EclipsePlan plan, Scripts.Worked worked, List<Standing> standings) {
        Standing mine = standings.get(plan.cameras().indexOf(worked.camera()));
        Set<Integer> bad = mine.log().stream()
                .filter(r -> r.fate() != Run.Fate.TAKEN)
                .map(r -> r.shot().number())
                .collect(Collectors.toSet());
        return worked.script().without(bad, plan.here());
    }

    private static String back(long id) {
        return PlanController.back(id) + "/rehearsal";
    }
}
