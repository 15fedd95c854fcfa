package dev.halfdusk.app.outings;

import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.take.Subject;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The workspace of an outing: its takes on the night, looked at, moved, changed, proposed. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}")
class WorkspaceController {

    private static final String TAKE = "/takes/{take:\\d{1,18}}";
    private static final Range LENGTH = new Range("length", 1, 900, " min");

    private final Outings outings;
    private final Takes takes;
    private final TakeForm forms;
    private final OutingPlanner evening;
    private final Kit kit;
    private final Deletions deletions;
    private final LastChange last;
    private final NextNights next;
    private final WorkspacePage page;

    WorkspaceController(
            Outings outings,
            Takes takes,
            TakeForm forms,
            OutingPlanner evening,
            Kit kit,
            Deletions deletions,
            LastChange last,
            NextNights next,
            WorkspacePage page) {
        this.page = page;
        this.deletions = deletions;
        this.last = last;
        this.next = next;
        this.outings = outings;
        this.takes = takes;
        this.forms = forms;
        this.evening = evening;
        this.kit = kit;
    }

    @GetMapping
    String show(@PathVariable long id, @RequestParam Map<String, String> asked, Model model) {
        return page.show(outings.existing(id), asked, model);
    }

    @PostMapping("/takes/proposed")
    @Transactional
    String accept(@PathVariable long id, @RequestParam Optional<String> name) {
        Outing outing = outings.existing(id);
        last.of(evening.of(outing), "Takes were added", night -> {
            evening.accept(outing, name.filter(n -> !n.isBlank()));
            return null;
        });
        return back(id);
    }

    /** Another way to spend the night. */
    @PostMapping("/takes/another")
    String another(@PathVariable long id) {
        outings.existing(id);
        outings.another(id);
        return back(id) + "#bears";
    }

    @PostMapping("/takes")
    @Transactional
    String add(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Form form = Form.of(typed);
        Optional<TakeForm.Read> read = forms.read(form, outing);
        if (full(id)) {
            form.reject("subject", "A night holds at most " + OutingReader.MOST_TAKES + " takes.");
        }
        if (read.isEmpty() || form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page.refused(outing, Map.of(), form, model);
        }
        TakeForm.Read take = read.get();
        return back(
                id,
                last.of(
                        evening.of(outing),
                        take.take().name() + " was added",
                        night -> takes.add(id, take.take(), take.rig().id())));
    }

    @PostMapping(TAKE)
    @Transactional
    String change(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        Takes.Stored stored = takes.existing(id, take);
        ZoneId zone = outing.place().zone();
        Form form = Form.of(typed).put("take", take);
        Optional<TakeForm.Read> read = forms.read(form, outing);
        Subject.Kind kind = stored.take().subject().kind();
        if (read.isEmpty() || form.noted()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page.refused(outing, Map.of("take", "" + take), form, model);
        }
        if (StaleForm.refuses(
                form, TakeForm.fields(stored, zone), TakeForm.names(kind), forms::words, model, response)) {
            return page.refused(outing, Map.of("take", "" + take), form, model);
        }
        TakeForm.Read changed = read.get();
        last.of(evening.of(outing), stored.take().name() + " was changed", night -> {
            takes.change(id, take, changed.take(), changed.rig().id());
            return null;
        });
        return back(id, take);
    }

    /** Holds it at a typed clock, or at a minute after noon; without either its wish decides again. */
    @PostMapping(TAKE + "/pin")
    String pin(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = outings.existing(id);
        String name = takes.existing(id, take).take().name();
        Form form = Form.of(typed);
        Night night = evening.night(outing);
        OptionalInt minute = WorkspacePage.whole(form.value("minute"));
        Optional<Instant> opening = minute.isPresent()
                ? Optional.of(night.at(inNight(night, minute.getAsInt())))
                : form.clock("at")
                        .map(t -> Night.at(outing.night(), t, outing.place().zone()));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page.refused(outing, Map.of("take", "" + take), form.put("take", take), model);
        }
        last.of(
                evening.of(outing),
                name + (opening.isEmpty() ? " may move" : " is held at " + night.clock(opening.get())),
                a -> {
                    takes.pin(id, take, opening);
                    return null;
                });
        return back(id, take);
    }

    private static int inNight(Night night, int minute) {
        return (int) Math.max(0, Math.min(night.span().length().toMinutes() - 1, minute));
    }

    /** Makes it last about so long, where its subject can, and holds it where it stands. */
    @PostMapping(TAKE + "/length")
    @Transactional
    String length(@PathVariable long id, @PathVariable long take, @RequestParam(defaultValue = "") String minutes) {
        Outing outing = outings.existing(id);
        Takes.Stored stored = takes.existing(id, take);
        OptionalInt wanted = WorkspacePage.whole(minutes);
        if (wanted.isPresent() && LENGTH.holds(wanted.getAsInt())) {
            OutingPlanner.Arranged night = evening.of(outing);
            OutingPlanner.Planned planned = night.find(take).orElseThrow();
            stored.take()
                    .subject()
                    .lasting(Duration.ofMinutes(wanted.getAsInt()), planned.plan())
                    .ifPresent(s -> last.of(night, stored.take().name() + " lasts otherwise", a -> {
                        takes.change(
                                id,
                                take,
                                stored.take()
                                        .with(s)
                                        .pinned(night.slot(planned)
                                                .map(x -> x.runs().from())
                                                .or(() -> stored.take().pinned())),
                                stored.rig().id());
                        return null;
                    }));
        }
        return back(id, take);
    }

    /** A way out where its camera cannot be set as it asks: as near as it can, or with another rig that can be. */
    @PostMapping(TAKE + "/fit")
    @Transactional
    String fit(@PathVariable long id, @PathVariable long take, @RequestParam(defaultValue = "") String rig) {
        outings.existing(id);
        Takes.Stored stored = takes.existing(id, take);
        OptionalLong other = new Form().put("rig", rig).id("rig");
        NamedRig with = other.isEmpty()
                ? stored.rig()
                : kit.rig(other.getAsLong()).orElseThrow(() -> new NotFound("rig " + rig));
        LensSetting set = with.rig().nearest(stored.take().asked());
        takes.change(id, take, stored.take().set(set.onLensMm(), set.aperture()), with.id());
        return back(id, take);
    }

    /** It and the one before it change places: both are then held. */
    @PostMapping(TAKE + "/earlier")
    @Transactional
    String earlier(@PathVariable long id, @PathVariable long take) {
        Outing outing = outings.existing(id);
        OutingPlanner.Arranged night = evening.of(outing);
        last.of(night, "Two takes changed places", a -> {
            night.find(take)
                    .flatMap(night::slot)
                    .map(slot -> night.schedule().earlier(slot, night.habits()))
                    .orElse(Map.of())
                    .forEach((slot, opens) -> takes.pin(id, night.of(slot).id(), Optional.of(opens)));
            return null;
        });
        return back(id, take);
    }

    /** The takes as they were before what was last done to them. */
    @PostMapping("/takes/undo")
    String undo(@PathVariable long id) {
        outings.existing(id);
        last.undo(id);
        return back(id);
    }

    /** The next night with a window for a take. */
    public record Next(String name, LocalDate date, String night) {}

    /** The next night on which a take has a window, where the one that is looked at has none. */
    @GetMapping(TAKE + "/next")
    String next(@PathVariable long id, @PathVariable long take, @RequestParam Map<String, String> asked, Model model) {
        Outing outing = outings.existing(id);
        takes.existing(id, take);
        LocalDate looked = Form.nightIn(asked.getOrDefault("night", ""))
                .filter(d -> Night.exists(d, outing.place().zone()))
                .orElse(outing.night());
        OutingPlanner.Planned planned = evening.on(outing, looked).find(take).orElseThrow();
        Optional<LocalDate> found =
                next.of(outing.place(planned.take().stop()), planned.plan().c(), planned.take(), looked);
        model.addAttribute("outing", outing);
        model.addAttribute(
                "next",
                new Next(
                        planned.take().name(),
                        found.orElse(null),
                        found.map(Words::night).orElse("")));
        return "outings/next";
    }

    @PostMapping(TAKE + "/twin")
    @Transactional
    String twin(@PathVariable long id, @PathVariable long take) {
        outings.existing(id);
        Takes.Stored stored = takes.existing(id, take);
        if (full(id)) {
            return back(id, take);
        }
        long twin = takes.add(
                id,
                stored.take().named(stored.take().name() + ", again").pinned(Optional.empty()),
                stored.rig().id());
        return back(id, twin);
    }

    @PostMapping(TAKE + "/delete")
    String delete(@PathVariable long id, @PathVariable long take) {
        outings.existing(id);
        takes.existing(id, take);
        deletions.delete("take", take);
        return back(id) + "?deleted=" + take;
    }

    @PostMapping(TAKE + "/restore")
    @Transactional
    String restore(@PathVariable long id, @PathVariable long take) {
        outings.existing(id);
        if (takes.find(id, take).isEmpty()) {
            deletions.restore("take", take);
        }
        takes.existing(id, take);
        return back(id, take);
    }

    private boolean full(long id) {
        return takes.of(id).size() >= OutingReader.MOST_TAKES;
    }

    private static String back(long id) {
        return "redirect:/outings/" + id;
    }

    private static String back(long id, long take) {
        return back(id) + "?take=" + take;
    }
}
