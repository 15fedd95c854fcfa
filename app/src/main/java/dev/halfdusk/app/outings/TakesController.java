package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.Block;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Attachment;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** An outing as a night of takes: proposed, added, arranged, pinned, with the sheet that follows. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}/takes")
class TakesController {

    private static final String TAKE = "/{take:\\d{1,18}}";

    /** Subjects to choose from, as one begins with them. */
    private static final Map<String, Subject> SUBJECTS = new LinkedHashMap<>();

    static {
        for (Subject s : List.of(
                new Subject.MilkyWay(5),
                new Subject.Arch(0.3, 15, 5),
                new Subject.Ground(3, 60),
                new Subject.People(4),
                new Subject.Painting(new LightPainting(100, 30, 5), 20, 800, 3),
                new Subject.Trails(15, 30, 1, 5),
                new Subject.Clip(10, 25, 15))) {
            SUBJECTS.put(TakeJson.key(s), s);
        }
    }

    private static final List<Choice> CHOICES = choices();

    private static final List<Choice> WISHES = Choice.of(Wish.Kind.class, Wish.Kind::key, Wish.Kind::words);

    private final Outings outings;
    private final Takes takes;
    private final Evening evening;
    private final Places places;
    private final Kit kit;
    private final Clock clock;

    TakesController(Outings outings, Takes takes, Evening evening, Places places, Kit kit, Clock clock) {
        this.outings = outings;
        this.takes = takes;
        this.evening = evening;
        this.places = places;
        this.kit = kit;
        this.clock = clock;
    }

    private static List<Choice> choices() {
        List<Choice> all = new ArrayList<>();
        SUBJECTS.forEach((key, s) -> all.add(new Choice(key, s.words())));
        all.add(new Choice("free", "something else"));
        return List.copyOf(all);
    }

    /** A take in its night; without a clock where it found no place. */
    public record Row(
            long id,
            String name,
            String subject,
            String camera,
            String wish,
            String from,
            String to,
            String set,
            String risk,
            boolean pinned,
            String why) {}

    /** What the night would bear as well. */
    public record ProposedRow(String name, String camera, String why) {}

    /** A line of the sheet. */
    public record SheetRow(String clock, String utc, String what, boolean act) {}

    @GetMapping
    String show(@PathVariable long id, @RequestParam Optional<Long> deleted, Model model) {
        model.addAttribute("deleted", deleted.orElse(null));
        return page(find(id), new Form().put("minutes", "20"), model);
    }

    private String page(Outing outing, Form form, Model model) {
        Evening.Arranged night = evening.of(outing);
        Ribbon ribbon = Ribbon.of(night.night(), outing.place().glow());
        ZoneId zone = outing.place().zone();
        model.addAttribute("form", form);
        model.addAttribute("outing", outing);
        model.addAttribute("night", Words.night(outing.night()));
        model.addAttribute("ribbon", ribbon);
        model.addAttribute("lanes", lanes(night, ribbon));
        model.addAttribute(
                "rows",
                night.takes().stream()
                        .sorted(Comparator.comparing(t -> opening(t, night)))
                        .map(t -> row(t, night, zone))
                        .toList());
        model.addAttribute(
                "proposed",
                night.proposed().stream()
                        .map(p -> new ProposedRow(p.take().name(), p.take().camera(), p.why()))
                        .toList());
        model.addAttribute(
                "sheet",
                night.sheet().stream()
                        .map(l -> new SheetRow(
                                Words.clock(l.when(), zone),
                                Words.clock(l.when(), ZoneId.of("UTC")),
                                l.what(),
                                l.act()))
                        .toList());
        model.addAttribute("clashes", night.clashes());
        model.addAttribute("bag", night.bag());
        model.addAttribute("subjects", CHOICES);
        model.addAttribute("wishes", WISHES);
        model.addAttribute("rigs", kit.rigs());
        model.addAttribute("marks", marks(outing));
        return "outings/takes";
    }

    private List<Choice> marks(Outing outing) {
        List<Choice> all = new ArrayList<>(List.of(new Choice("", "none")));
        places.marks(outing.place().id())
                .forEach(m -> all.add(new Choice(m.mark().name(), m.mark().name())));
        return all;
    }

    /** A lane of blocks for each camera. */
    private static Map<String, List<Block>> lanes(Evening.Arranged a, Ribbon ribbon) {
        Map<String, List<Block>> lanes = new LinkedHashMap<>();
        Night night = a.night();
        for (Slot s : a.schedule().slots()) {
            List<Block> lane = lanes.computeIfAbsent(s.camera(), k -> new ArrayList<>());
            lane.add(Block.of(ribbon, night, s.prepares(), "", "before"));
            lane.add(Block.of(ribbon, night, s.runs(), s.plan().take().name(), "light"));
        }
        return lanes;
    }

    /** Those without a place come last. */
    private static Instant opening(Evening.Planned take, Evening.Arranged night) {
        return night.slot(take).map(s -> s.runs().from()).orElse(Instant.MAX);
    }

    private static Row row(Evening.Planned planned, Evening.Arranged night, ZoneId zone) {
        Take take = planned.plan().take();
        Optional<Slot> slot = night.slot(planned);
        Optional<Interval> runs = slot.map(Slot::runs);
        String mark = take.wish().mark();
        return new Row(
                planned.id(),
                take.name(),
                take.subject().words(),
                take.camera(),
                take.wish().kind().words() + (mark.isEmpty() ? "" : ": " + mark),
                runs.map(r -> Words.clock(r.from(), zone)).orElse(""),
                runs.map(r -> Words.clock(r.to(), zone)).orElse(""),
                slot.map(s -> s.program().steps().get(0).words()).orElse(""),
                slot.isPresent() ? String.join(" ", planned.plan().risks()) : "",
                take.pinned().isPresent(),
                night.why(planned));
    }

    /** The sheet as a table, or the takes as a calendar. */
    @GetMapping("/sheet.{format:csv|ics}")
    ResponseEntity<String> file(@PathVariable long id, @PathVariable String format) {
        Evening.Arranged night = evening.of(find(id));
        String name = "half-dusk-night." + format;
        return format.equals("csv")
                ? Attachment.of(name, "text/csv", SheetFiles.csv(night))
                : Attachment.of(name, "text/calendar", SheetFiles.calendar(night, clock.instant()));
    }

    @PostMapping("/proposed")
    String accept(@PathVariable long id, @RequestParam Optional<String> name) {
        evening.accept(find(id), name.filter(n -> !n.isBlank()));
        return back(id);
    }

    @PostMapping
    String add(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing outing = find(id);
        Form form = Form.of(typed);
        Optional<Subject> subject = subject(form);
        Optional<Wish> wish = wish(form, subject);
        Optional<NamedRig> rig = kit.rigs().stream()
                .filter(r -> form.value("rig").equals("" + r.id()))
                .findFirst();
        if (rig.isEmpty()) {
            form.reject("rig", "Choose one of the list.");
        }
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, form, model);
        }
        String name = form.has("name")
                ? form.text("name", "a name")
                : subject.orElseThrow().words();
        Take take = Take.of(
                        name,
                        subject.orElseThrow(),
                        rig.orElseThrow().name(),
                        rig.get().rig())
                .with(wish.orElseThrow());
        takes.add(id, take, rig.get().id());
        return back(id);
    }

    private static Optional<Subject> subject(Form form) {
        if (form.has("name")) {
            form.text("name", "a name");
        }
        if (!"free".equals(form.value("subject"))) {
            Optional<Subject> known = Optional.ofNullable(SUBJECTS.get(form.value("subject")));
            if (known.isEmpty()) {
                form.reject("subject", "Choose one of the list.");
            }
            return known;
        }
        OptionalLong minutes = form.whole("minutes", Subject.Free.MINUTES);
        String name = form.text("name", "what it is");
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new Subject.Free(name, (int) minutes.getAsLong(), form.has("hands")));
    }

    private static Optional<Wish> wish(Form form, Optional<Subject> subject) {
        if (!form.has("wish")) {
            return subject.map(Subject::usual);
        }
        Optional<Wish.Kind> kind = form.choice("wish", Wish.Kind.class);
        if (kind.isEmpty()) {
            form.reject("wish", "Choose one of the list.");
            return Optional.empty();
        }
        try {
            return Optional.of(new Wish(kind.get(), form.clock("from"), form.clock("to"), form.value("mark")));
        } catch (IllegalArgumentException e) {
            boolean mark = e.getMessage().contains("mark");
            form.reject(mark ? "mark" : "from", mark ? "Choose the mark." : "Enter the time, such as 23:30.");
            return Optional.empty();
        }
    }

    /** Holds it where it stands, or at a typed clock; without one lets its wish decide again. */
    @PostMapping(TAKE + "/pin")
    String pin(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = find(id);
        Form form = Form.of(typed);
        Optional<Instant> opening = form.clock("at")
                .map(t -> Night.at(outing.night(), t, outing.place().zone()));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, form, model);
        }
        takes.pin(id, take, opening);
        return back(id);
    }

    @PostMapping(TAKE + "/delete")
    String delete(@PathVariable long id, @PathVariable long take) {
        find(id);
        if (!takes.delete(id, take)) {
            throw new NotFound("take " + take);
        }
        return back(id) + "?deleted=" + take;
    }

    @PostMapping(TAKE + "/restore")
    String restore(@PathVariable long id, @PathVariable long take) {
        find(id);
        if (!takes.restore(id, take)) {
            throw new NotFound("take " + take);
        }
        return back(id);
    }

    private static String back(long id) {
        return "redirect:/outings/" + id + "/takes";
    }

    private Outing find(long id) {
        return outings.find(id).orElseThrow(() -> new NotFound("outing " + id));
    }
}
