package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.app.web.Seen;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Schedule;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Subject;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The workspace of an outing: its takes on the night, looked at, moved, changed, proposed; other nights for them. */
@Controller
@RequestMapping("/outings/{id:\\d{1,18}}")
class WorkspaceController {

    private static final String TAKE = "/takes/{take:\\d{1,18}}";
    private static final Range LENGTH = new Range("length", 1, 900, " min");
    private static final int MOST_CANDIDATES = 12;

    private final Outings outings;
    private final Takes takes;
    private final TakeForm forms;
    private final Evening evening;
    private final Places places;
    private final Kit kit;

    WorkspaceController(Outings outings, Takes takes, TakeForm forms, Evening evening, Places places, Kit kit) {
        this.outings = outings;
        this.takes = takes;
        this.forms = forms;
        this.evening = evening;
        this.places = places;
        this.kit = kit;
    }

    /** What the night would bear as well. */
    public record ProposedRow(String name, String camera, String why) {}

    /** Another night for the same takes. */
    public record Candidate(
            LocalDate date, String night, Ribbon ribbon, String moon, String verdict, String placed, String weather) {}

    @GetMapping
    String show(@PathVariable long id, @RequestParam Map<String, String> asked, Model model) {
        Outing outing = find(id);
        return page(outing, asked, null, model);
    }

    /** @param refused the panel's fields with what is wrong about them; null where nothing is */
    private String page(Outing outing, Map<String, String> asked, Form refused, Model model) {
        Form in = Form.of(asked);
        OptionalLong take = in.copy().id("take");
        boolean photograph = !"drawing".equals(in.value("view"));
        Optional<LocalDate> other = Form.nightIn(in.value("night"))
                .filter(d -> Night.exists(d, outing.place().zone()))
                .filter(d -> !d.equals(outing.night()));
        Evening.Arranged night = other.map(d -> evening.on(outing, d)).orElseGet(() -> evening.of(outing));
        WorkspaceView view = WorkspaceView.of(night, take, whole(in.value("minute")), photograph);
        model.addAttribute("view", view);
        model.addAttribute("other", other.orElse(null));
        model.addAttribute("planned", Words.night(outing.night()));
        LocalDate shown = night.night().date();
        model.addAttribute("before", Form.NIGHTS.near(shown, -1, outing.place().zone()));
        model.addAttribute("after", Form.NIGHTS.near(shown, 1, outing.place().zone()));
        model.addAttribute("outing", outing);
        model.addAttribute("photograph", photograph);
        model.addAttribute("deleted", number(in, "deleted"));
        boolean adding = refused != null && !refused.has("take");
        model.addAttribute("adding", adding ? refused : new Form());
        if (view.chosen() != null) {
            Takes.Stored stored = night.find(view.chosen().id()).orElseThrow().stored();
            ZoneId zone = outing.place().zone();
            Form fields = refused != null && !adding
                    ? refused
                    : Seen.mark(
                            TakeForm.fields(stored, zone),
                            TakeForm.names(stored.take().subject().kind()));
            model.addAttribute("form", fields);
        }
        model.addAttribute(
                "proposed",
                evening
                        .proposed(
                                night.outing(),
                                night.takes().stream()
                                        .map(Evening.Planned::take)
                                        .toList())
                        .stream()
                        .map(p -> new ProposedRow(
                                p.take().name(), p.take().camera().name(), p.why()))
                        .toList());
        model.addAttribute(
                "candidates",
                outings.candidates(outing.id()).stream().map(Words::day).toList());
        model.addAttribute("subjects", TakeForm.SUBJECTS);
        model.addAttribute("wishes", TakeForm.WISHES);
        model.addAttribute("rigs", kit.rigs());
        model.addAttribute("marks", marks(outing));
        return "outings/show";
    }

    /** A minute that is no number is no reason to refuse a page: it then shows its own choice. */
    private static OptionalInt whole(String text) {
        return text.matches("-?\\d{1,5}") ? OptionalInt.of(Integer.parseInt(text)) : OptionalInt.empty();
    }

    private static Long number(Form form, String field) {
        OptionalLong id = form.copy().id(field);
        return id.isPresent() ? (Long) id.getAsLong() : null;
    }

    private List<Choice> marks(Outing outing) {
        List<Choice> all = new ArrayList<>(List.of(new Choice("", "none")));
        places.marks(outing.place().id())
                .forEach(m -> all.add(new Choice(m.mark().name(), m.mark().name())));
        return all;
    }

    @PostMapping("/takes/proposed")
    String accept(@PathVariable long id, @RequestParam Optional<String> name) {
        evening.accept(find(id), name.filter(n -> !n.isBlank()));
        return back(id);
    }

    /** Another way to spend the night. */
    @PostMapping("/takes/another")
    String another(@PathVariable long id) {
        find(id);
        outings.another(id);
        return back(id) + "#bears";
    }

    @PostMapping("/takes")
    String add(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Outing outing = find(id);
        Form form = Form.of(typed);
        Optional<TakeForm.Read> read =
                forms.read(form, outing.night(), outing.place().zone());
        if (takes.of(id).size() >= OutingReader.MOST_TAKES) {
            form.reject("subject", "A night holds at most " + OutingReader.MOST_TAKES + " takes.");
        }
        if (read.isEmpty() || form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, Map.of(), form, model);
        }
        return back(id, takes.add(id, read.get().take(), read.get().rig().id()));
    }

    @PostMapping(TAKE)
    String change(
            @PathVariable long id,
            @PathVariable long take,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        Outing outing = find(id);
        Takes.Stored stored = stored(id, take);
        ZoneId zone = outing.place().zone();
        Form form = Form.of(typed).put("take", take);
        Optional<TakeForm.Read> read = forms.read(form, outing.night(), zone);
        Subject.Kind kind = stored.take().subject().kind();
        if (read.isEmpty() || form.noted()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, Map.of("take", "" + take), form, model);
        }
        if (Seen.refuses(form, TakeForm.fields(stored, zone), TakeForm.names(kind), forms::words, model, response)) {
            return page(outing, Map.of("take", "" + take), form, model);
        }
        takes.change(id, take, read.get().take(), read.get().rig().id());
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
        Outing outing = find(id);
        stored(id, take);
        Form form = Form.of(typed);
        Night night = evening.night(outing);
        OptionalInt minute = whole(form.value("minute"));
        Optional<Instant> opening = minute.isPresent()
                ? Optional.of(night.at(inNight(night, minute.getAsInt())))
                : form.clock("at")
                        .map(t -> Night.at(outing.night(), t, outing.place().zone()));
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, Map.of("take", "" + take), form.put("take", take), model);
        }
        takes.pin(id, take, opening);
        return back(id, take);
    }

    private static int inNight(Night night, int minute) {
        return (int) Math.max(0, Math.min(night.span().length().toMinutes() - 1, minute));
    }

    /** Makes it last about so long, where its subject can, and holds it where it stands. */
    @PostMapping(TAKE + "/length")
    String length(@PathVariable long id, @PathVariable long take, @RequestParam(defaultValue = "") String minutes) {
        Outing outing = find(id);
        Takes.Stored stored = stored(id, take);
        OptionalInt wanted = whole(minutes);
        if (wanted.isPresent() && LENGTH.holds(wanted.getAsInt())) {
            Evening.Arranged night = evening.of(outing);
            Evening.Planned planned = night.find(take).orElseThrow();
            stored.take()
                    .subject()
                    .lasting(Duration.ofMinutes(wanted.getAsInt()), planned.plan())
                    .ifPresent(s -> takes.change(
                            id,
                            take,
                            stored.take()
                                    .of(s)
                                    .pinned(night.slot(planned)
                                            .map(x -> x.runs().from())
                                            .or(() -> stored.take().pinned())),
                            stored.rig().id()));
        }
        return back(id, take);
    }

    /** It and the one before it change places: both are then held. */
    @PostMapping(TAKE + "/earlier")
    String earlier(@PathVariable long id, @PathVariable long take) {
        Outing outing = find(id);
        Evening.Arranged night = evening.of(outing);
        Schedule schedule = night.schedule();
        for (int i = 1; i < schedule.slots().size(); i++) {
            Slot later = schedule.slots().get(i);
            if (night.of(later).id() == take) {
                Slot first = schedule.slots().get(i - 1);
                Instant opens = first.runs().from();
                takes.pin(id, take, Optional.of(opens));
                takes.pin(
                        id,
                        night.of(first).id(),
                        Optional.of(opens.plus(later.runs().length())
                                .plus(outing.habits().next())));
            }
        }
        return back(id, take);
    }

    @PostMapping(TAKE + "/twin")
    String twin(@PathVariable long id, @PathVariable long take) {
        find(id);
        Takes.Stored stored = stored(id, take);
        if (takes.of(id).size() >= OutingReader.MOST_TAKES) {
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
        find(id);
        stored(id, take);
        takes.delete(id, take);
        return back(id) + "?deleted=" + take;
    }

    @PostMapping(TAKE + "/restore")
    String restore(@PathVariable long id, @PathVariable long take) {
        find(id);
        if (!takes.restore(id, take)) {
            throw new NotFound("take " + take);
        }
        return back(id, take);
    }

    /** The same takes on other nights: how many find a place there, and under what sky. */
    @GetMapping("/candidates")
    String candidates(@PathVariable long id, Model model) {
        Outing outing = find(id);
        model.addAttribute("outing", outing);
        model.addAttribute(
                "rows",
                outings.candidates(id).stream().map(d -> candidate(outing, d)).toList());
        return "outings/candidates";
    }

    private Candidate candidate(Outing outing, LocalDate date) {
        Evening.Arranged a = evening.on(outing, date);
        int all = a.takes().size();
        long cloudy = a.clashes().stream()
                .filter(k -> k.kind() == dev.halfdusk.core.outing.Clash.Kind.CLOUD)
                .count();
        boolean known = a.c().weather().apply(a.night().best()).isPresent();
        return new Candidate(
                date,
                Words.night(date),
                Ribbon.of(a.night(), outing.place().glow()),
                NightWords.moon(a.night()),
                NightWords.verdict(a.night()),
                all == 0 ? "" : a.schedule().slots().size() + " of " + all + " takes",
                known ? cloudy == 0 ? "clear enough" : cloudy + " under cloud" : "no forecast yet");
    }

    @PostMapping("/candidates")
    String keep(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String night,
            Model model,
            HttpServletResponse response) {
        Outing outing = find(id);
        Form form = new Form().put("candidate", night);
        LocalDate date = form.night("candidate", outing.place().zone());
        if (date != null && outings.candidates(id).size() >= MOST_CANDIDATES) {
            form.reject("candidate", "At most " + MOST_CANDIDATES + " other nights are kept.");
        }
        if (form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(outing, Map.of(), form, model);
        }
        if (!date.equals(outing.night())) {
            outings.keep(id, date);
        }
        return back(id) + "#nights";
    }

    @PostMapping("/candidates/{night:\\d{4}-\\d\\d-\\d\\d}/drop")
    String drop(@PathVariable long id, @PathVariable String night) {
        find(id);
        Form.nightIn(night).ifPresent(d -> outings.drop(id, d));
        return back(id) + "#nights";
    }

    /** Goes on another night. Takes that were held at an instant are let go: it was one of the old night. */
    @PostMapping("/night")
    String move(@PathVariable long id, @RequestParam(defaultValue = "") String night) {
        Outing outing = find(id);
        Form.nightIn(night).filter(d -> Night.exists(d, outing.place().zone())).ifPresent(d -> {
            outings.move(outing, d);
            takes.of(id).forEach(t -> takes.pin(id, t.id(), Optional.empty()));
        });
        return back(id);
    }

    private static String back(long id) {
        return "redirect:/outings/" + id;
    }

    private static String back(long id, long take) {
        return back(id) + "?take=" + take;
    }

    private Outing find(long id) {
        return outings.find(id).orElseThrow(() -> new NotFound("outing " + id));
    }

    private Takes.Stored stored(long id, long take) {
        return takes.find(id, take).orElseThrow(() -> new NotFound("take " + take));
    }
}
