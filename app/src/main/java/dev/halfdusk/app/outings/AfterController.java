package dev.halfdusk.app.outings;

import dev.halfdusk.app.setup.AfterFrameView;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** After the first frame of a take: what it showed, what to turn, and the take planned so from then on. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}/takes/{take:\\d{1,18}}/after")
class AfterController {

    /** What the button said: the take may have been changed meanwhile, and its limits with it. */
    private static final String SAID = "said";

    private final Outings outings;
    private final Takes takes;
    private final OutingPlanner evening;
    private final LastChange last;

    AfterController(Outings outings, Takes takes, OutingPlanner evening, LastChange last) {
        this.outings = outings;
        this.takes = takes;
        this.evening = evening;
        this.last = last;
    }

    @GetMapping
    String show(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        takes.existing(id, take);
        return page(evening.of(outing), take, Form.of(typed), model, response);
    }

    private String page(OutingPlanner.Arranged night, long id, Form form, Model model, HttpServletResponse response) {
        OutingPlanner.Planned planned = night.find(id).orElseThrow();
        Optional<AfterFrameView> view = read(night, planned, form);
        if (view.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        Take take = planned.take();
        model.addAttribute("outing", night.outing());
        model.addAttribute("take", planned.id());
        model.addAttribute("name", take.name());
        model.addAttribute("form", form);
        model.addAttribute("seen", AfterFrameView.SEEN);
        model.addAttribute("after", view.orElse(null));
        model.addAttribute(
                "then", view.map(AfterFrameView::then).map(s -> words(take, s)).orElse(null));
        return "outings/after";
    }

    private static String words(Take take, Settings s) {
        return take.camera().rig().body().words(s);
    }

    private static Instant opens(OutingPlanner.Arranged night, OutingPlanner.Planned planned) {
        return night.slot(planned)
                .map((Slot s) -> s.runs().from())
                .orElseGet(() -> planned.plan().c().night().best());
    }

    private static Optional<AfterFrameView> read(
            OutingPlanner.Arranged night, OutingPlanner.Planned planned, Form form) {
        Take take = planned.take();
        Instant at = opens(night, planned);
        Settings set = planned.plan().program().apply(at).steps().get(0).settings();
        AfterFrameView.begin(form, set, take.camera().rig().body());
        Correction.Limits limits = new Correction.Limits(
                take.camera().rig().body(),
                take.camera().rig().apertures(take.setting().onLensMm()),
                take.subject().longestSeconds(take, planned.plan().c(), at));
        return AfterFrameView.read(form, limits, take.optics(), take.subject().turnsFirst());
    }

    /** The take is planned with what all turns come to. */
    @PostMapping
    @Transactional
    String keep(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Takes.Stored stored = takes.existing(id, take);
        OutingPlanner.Arranged night = evening.of(outing);
        OutingPlanner.Planned planned = night.find(take).orElseThrow();
        Form form = Form.of(typed);
        Optional<Settings> then = read(night, planned, form).map(AfterFrameView::then);
        if (then.isEmpty()) {
            return page(night, take, form, model, response);
        }
        if (form.has(SAID) && !form.value(SAID).equals(words(planned.take(), then.get()))) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("changed", true);
            return page(night, take, form, model, response);
        }
        Settings shot = shot(form);
        Take turned = turned(planned, then.get(), Correction.stops(shot, then.get()), opens(night, planned));
        last.of(night, planned.take().name() + " was set anew", a -> {
            takes.change(
                    id,
                    take,
                    stored.take()
                            .with(turned.subject())
                            .with(turned.decision())
                            .set(turned.asked().onLensMm(), turned.asked().aperture()),
                    stored.rig().id());
            return null;
        });
        return "redirect:/outings/" + id + "?take=" + take;
    }

    private static Settings shot(Form form) {
        return new Settings(
                form.number("shotSeconds", Range.SHUTTER).orElseThrow(),
                form.number("shotAperture", Range.APERTURE).orElseThrow(),
                form.number("shotIso", Range.ISO).orElseThrow());
    }

    /** By the subject's own numbers where it has them; else as a decision. */
    private static Take turned(OutingPlanner.Planned planned, Settings to, double stops, Instant at) {
        Take take = planned.take();
        Take opened = take.set(take.asked().onLensMm(), to.aperture());
        Optional<Subject> own = take.subject()
                .exposed(to)
                .or(() -> take.subject().brighter(stops, take, planned.plan().c(), at));
        return own.map(opened::with)
                .orElseGet(() ->
                        take.subject().decides() ? opened.with(take.decision().exposed(to)) : opened);
    }
}
