package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Way;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the workspace of an outing shows, also where something that was sent from it is refused. */
@Component
class WorkspacePage {

    private final Outings outings;
    private final OutingPlanner evening;
    private final Kit kit;
    private final Places places;
    private final LastChange last;
    private final FromLog log;

    WorkspacePage(Outings outings, OutingPlanner evening, Kit kit, Places places, LastChange last, FromLog log) {
        this.log = log;
        this.outings = outings;
        this.evening = evening;
        this.kit = kit;
        this.places = places;
        this.last = last;
    }

    /** What the night would bear as well. */
    public record ProposedRow(String name, String camera, String why) {}

    String show(Outing outing, Map<String, String> asked, Model model) {
        return page(outing, asked, null, another(), model);
    }

    /** @param refused fields of a take with what is wrong about them */
    String refused(Outing outing, Map<String, String> asked, Form refused, Model model) {
        return page(outing, asked, refused, another(), model);
    }

    /** @param stop fields of a place of the night with what is wrong about them */
    String refusedStop(Outing outing, Form stop, Model model) {
        return page(outing, Map.of(), null, stop, model);
    }

    private String page(Outing outing, Map<String, String> asked, Form refused, Form stop, Model model) {
        Form in = Form.of(asked);
        OptionalLong take = in.copy().id("take");
        boolean photograph = !"drawing".equals(in.value("view"));
        Optional<LocalDate> other = Form.nightIn(in.value("night"))
                .filter(d -> Night.exists(d, outing.place().zone()))
                .filter(d -> !d.equals(outing.night()));
        OutingPlanner.Arranged night = other.map(d -> evening.on(outing, d)).orElseGet(() -> evening.of(outing));
        List<NamedRig> rigs = kit.rigs();
        WorkspaceView view =
                WorkspaceView.of(night, take, whole(in.value("minute")), photograph, rigs, last.told(night));
        model.addAttribute("view", view);
        model.addAttribute("fromLog", log.of(night));
        model.addAttribute("lessons", night.lessons());
        model.addAttribute("other", other.orElse(null));
        model.addAttribute("planned", Words.night(outing.night()));
        LocalDate shown = night.night().date();
        model.addAttribute("before", Form.NIGHTS.near(shown, -1, outing.place().zone()));
        model.addAttribute("after", Form.NIGHTS.near(shown, 1, outing.place().zone()));
        model.addAttribute("outing", outing);
        model.addAttribute("photograph", photograph);
        model.addAttribute("deleted", number(in, "deleted"));
        boolean adding = refused != null && !refused.has("take");
        model.addAttribute("adding", adding ? refused : TakeForm.blank());
        if (view.chosen() != null) {
            Takes.Stored stored = night.find(view.chosen().id()).orElseThrow().stored();
            ZoneId zone = outing.place().zone();
            Form fields = refused != null && !adding
                    ? refused
                    : StaleForm.mark(
                            TakeForm.fields(stored, zone),
                            TakeForm.names(stored.take().subject().kind()));
            model.addAttribute("form", fields);
        }
        model.addAttribute(
                "proposed",
                evening.proposed(night).stream()
                        .map(p -> new ProposedRow(
                                p.take().name(), p.take().camera().name(), p.why()))
                        .toList());
        model.addAttribute(
                "candidates",
                outings.candidates(outing.id()).stream().map(Words::day).toList());
        model.addAttribute("subjects", TakeForm.SUBJECTS);
        model.addAttribute("decision", TakeForm.DECISION);
        model.addAttribute("wishes", TakeForm.WISHES);
        model.addAttribute("anyWish", TakeForm.ANY_WISH);
        model.addAttribute("sights", AskedSky.sights());
        model.addAttribute("darknesses", AskedSky.darknesses());
        model.addAttribute("rigs", rigs);
        model.addAttribute("marks", marks(night));
        model.addAttribute("stop", stop.has("number") ? another() : stop);
        model.addAttribute(
                "stopForms",
                view.stops().stream()
                        .map(r -> stop.value("number").equals("" + r.number()) ? stop : fields(r))
                        .toList());
        model.addAttribute(
                "stops",
                IntStream.range(0, outing.places().size())
                        .mapToObj(i -> new Choice("" + i, outing.place(i).name()))
                        .toList());
        model.addAttribute("places", places.all());
        model.addAttribute("way", ShapeForm.views(Way.SHAPE));
        model.addAttribute("keeping", new Form());
        return "outings/show";
    }

    /** A place to go on to, as one begins with it. */
    private static Form another() {
        return ShapeForm.start(new Form(), Way.SHAPE);
    }

    private static Form fields(WorkspaceView.StopRow r) {
        return ShapeForm.fill(new Form().put("place", r.place()), Way.SHAPE, r.along());
    }

    /** A minute that is no number is no reason to refuse a page: it then shows its own choice. */
    static OptionalInt whole(String text) {
        return text.matches("-?\\d{1,5}") ? OptionalInt.of(Integer.parseInt(text)) : OptionalInt.empty();
    }

    private static Long number(Form form, String field) {
        OptionalLong id = form.copy().id(field);
        return id.isPresent() ? (Long) id.getAsLong() : null;
    }

    private List<Choice> marks(OutingPlanner.Arranged night) {
        List<Place> all = night.outing().places().stream().distinct().toList();
        return Choice.orNone(
                "none",
                all.stream()
                        .flatMap(p -> evening.marks(p).entrySet().stream()
                                .map(m -> new Choice(
                                        m.getKey().text(),
                                        m.getValue().name() + (all.size() > 1 ? ", " + p.name() : ""))))
                        .toList());
    }
}
