package dev.halfdusk.app.field;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.outings.FieldNotes;
import dev.halfdusk.app.outings.FieldView;
import dev.halfdusk.app.outings.LastChange;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Slot;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The night in one hand, and what is said there: done, late, left out, noted. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}/field")
class FieldController {

    private static final Duration LATE = Duration.ofMinutes(10);

    private final Outings outings;
    private final Takes takes;
    private final OutingPlanner evening;
    private final FieldNotes notes;
    private final Kit kit;
    private final Heard heard;
    private final Clock clock;
    private final LastChange last;

    FieldController(
            Outings outings,
            Takes takes,
            OutingPlanner evening,
            FieldNotes notes,
            Kit kit,
            Heard heard,
            Clock clock,
            LastChange last) {
        this.last = last;
        this.heard = heard;
        this.outings = outings;
        this.takes = takes;
        this.evening = evening;
        this.notes = notes;
        this.kit = kit;
        this.clock = clock;
    }

    /** Something noted. */
    public record NoteRow(String clock, String take, String words) {}

    /** A body of the night, and how far its clock is ahead. */
    public record BodyClock(long id, String name, String ahead) {}

    /** Never from the browser's memory: its clock would be that of another hour. */
    @GetMapping
    String field(@PathVariable long id, Model model, HttpServletResponse response) {
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        return page(outings.existing(id), new Form(), model);
    }

    private String page(Outing outing, Form form, Model model) {
        OutingPlanner.Arranged night = evening.of(outing);
        ZoneId zone = outing.place().zone();
        model.addAttribute("view", FieldView.of(night, clock.instant()));
        model.addAttribute("last", last.told(night).orElse(null));
        model.addAttribute("outing", outing);
        model.addAttribute("form", form);
        model.addAttribute(
                "notes",
                notes.of(outing.id()).stream()
                        .map(n -> new NoteRow(Words.clock(n.at(), zone), n.take(), n.words()))
                        .toList());
        model.addAttribute("bodies", bodies(night));
        model.addAttribute("warnings", outing.warnings());
        return "field/field";
    }

    private static List<BodyClock> bodies(OutingPlanner.Arranged night) {
        Map<Long, NamedBody> bodies = new LinkedHashMap<>();
        night.takes()
                .forEach(t -> bodies.put(
                        t.stored().rig().body().id(), t.stored().rig().body()));
        return bodies.values().stream()
                .map(b -> new BodyClock(b.id(), b.name(), ahead(b.camera().clockOffsetSeconds())))
                .toList();
    }

    private static String ahead(double seconds) {
        return seconds == 0
                ? "right, as far as is known"
                : Words.number(Math.abs(seconds), 0) + " s " + (seconds > 0 ? "fast" : "slow");
    }

    /** The take is over now: what follows may begin. */
    @PostMapping("/done")
    @Transactional
    String done(@PathVariable long id, @RequestParam(defaultValue = "") String take, Heard.Said when) {
        return said(id, take, when, "Said: done", (night, slot, now) -> Map.of(slot, Progress.done(slot, now)));
    }

    /** It begins, or has begun, ten minutes later than it stands. */
    @PostMapping("/late")
    @Transactional
    String late(@PathVariable long id, @RequestParam(defaultValue = "") String take, Heard.Said when) {
        return said(id, take, when, "Said: late", (night, slot, now) -> Progress.late(night.schedule(), slot, LATE));
    }

    /** It is left out. */
    @PostMapping("/skip")
    @Transactional
    String skip(@PathVariable long id, @RequestParam(defaultValue = "") String take, Heard.Said when) {
        return said(id, take, when, "Said: left out", (night, slot, now) -> Map.of(slot, Progress.leftOut()));
    }

    /** What was taken so far came out so many stops too dark; below 0 too bright. All that follows is shifted. */
    @PostMapping("/brighter")
    @Transactional
    String brighter(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String take,
            @RequestParam(defaultValue = "") String stops,
            Heard.Said when) {
        Outing outing = outings.existing(id);
        if (!heard.first(id, when)) {
            return back(id);
        }
        OutingPlanner.Arranged night = evening.of(outing);
        Instant now = heard.at(when);
        OptionalDouble by = new Form().put("stops", stops).number("stops", EclipseLadder.BRIGHTER);
        night.takes().stream()
                .filter(t -> take.equals("" + t.id()) && by.isPresent())
                .forEach(t -> t.take()
                        .subject()
                        .brighter(by.getAsDouble(), t.take(), t.plan().c(), at(night, t.id(), now))
                        .ifPresent(s -> takes.change(
                                id,
                                t.id(),
                                t.stored().take().with(s),
                                t.stored().rig().id())));
        return back(id);
    }

    /** Now, or when a take that has not begun will. */
    private static Instant at(OutingPlanner.Arranged night, long take, Instant now) {
        return night.find(take).flatMap(night::slot).map(s -> s.from(now)).orElse(now);
    }

    private interface Saying {
        Map<Slot, Progress> of(OutingPlanner.Arranged night, Slot slot, Instant now);
    }

    /** What has begun stays where it is; then what was said counts, and the rest is arranged from now on. */
    private String said(long id, String take, Heard.Said when, String did, Saying saying) {
        Outing outing = outings.existing(id);
        if (!heard.first(id, when)) {
            return back(id);
        }
        Instant now = heard.at(when);
        OutingPlanner.Arranged night = evening.of(outing);
        Optional<Slot> slot = night.schedule().slots().stream()
                .filter(s -> take.equals("" + night.of(s).id()))
                .findFirst();
        if (slot.isEmpty()) {
            return back(id); // said twice, or on an old page: it is no longer there to be done
        }
        last.of(night, did, a -> {
            Progress.said(
                            night.schedule(),
                            now,
                            s -> !night.of(s).stored().progress().equals(Progress.AHEAD),
                            saying.of(night, slot.get(), now))
                    .forEach((s, p) -> takes.progress(id, night.of(s).id(), p));
            outings.resume(id, Optional.of(now));
            return null;
        });
        return back(id);
    }

    /** What was done or left out is ahead again; once nothing has been said the night is as it was planned. */
    @PostMapping("/again")
    @Transactional
    String again(@PathVariable long id, @RequestParam(defaultValue = "") String take, Heard.Said when) {
        outings.existing(id);
        if (!heard.first(id, when)) {
            return back(id);
        }
        takes.of(id).stream()
                .filter(t -> take.equals("" + t.id()))
                .forEach(t -> takes.progress(id, t.id(), Progress.AHEAD));
        return back(id);
    }

    /** As it was before what was last said. */
    @PostMapping("/undo")
    String undo(@PathVariable long id) {
        outings.existing(id);
        last.undo(id);
        return back(id);
    }

    /** The night as it was planned, whatever was said. */
    @PostMapping("/reset")
    @Transactional
    String reset(@PathVariable long id) {
        outings.existing(id);
        takes.of(id).forEach(t -> takes.progress(id, t.id(), Progress.AHEAD));
        outings.resume(id, Optional.empty());
        return back(id);
    }

    @PostMapping("/note")
    @Transactional
    String note(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String words,
            Heard.Said when,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Form form = new Form().put("words", words);
        String text = form.text("words", "what there is to note");
        if (text == null) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, form, model);
        }
        if (!heard.first(id, when)) {
            return back(id) + "#notes";
        }
        OutingPlanner.Arranged night = evening.of(outing);
        Instant now = heard.at(when);
        String take = FieldView.at(night, now).stream()
                .filter(s -> s.busy().contains(now))
                .map(Slot::name)
                .collect(Collectors.joining(", "));
        notes.add(id, new FieldNotes.Note(now, take, text));
        return back(id) + "#notes";
    }

    /** From a photograph of the page's clock: what the camera wrote into the file, and what stands in the picture. */
    @PostMapping("/clock")
    String cameraClock(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Form form = Form.of(typed);
        Optional<LocalTime> file = form.clock("file");
        Optional<LocalTime> seen = form.clock("seen");
        for (String field : List.of("file", "seen")) {
            if (!form.has(field)) {
                form.reject(field, "Enter the time with its seconds, such as 23:14:07.");
            }
        }
        Optional<BodyClock> body = bodies(evening.of(outing)).stream()
                .filter(b -> form.value("body").equals("" + b.id()))
                .findFirst();
        if (body.isEmpty()) {
            form.reject("body", "Choose a body of this night.");
        }
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, form, model);
        }
        kit.setClock(body.get().id(), CameraBody.clockAhead(file.orElseThrow(), seen.orElseThrow()));
        return back(id) + "#clocks";
    }

    private static String back(long id) {
        return "redirect:/outings/" + id + "/field";
    }
}
