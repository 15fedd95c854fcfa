package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Take;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What one usually decides of takes of stars, and what comes of it with one's rigs. */
@Controller
@RequestMapping("/kit/usual")
class UsualController {

    private static final List<ShapeForm.View> FIELDS = ShapeForm.views(Decision.SHAPE);
    private static final List<String> NAMES = ShapeForm.names("", Decision.SHAPE);
    private static final int MOST_RIGS = 4;

    private final UsualDecision usual;
    private final Kit kit;
    private final Places places;
    private final Skies skies;
    private final Clock clock;

    UsualController(UsualDecision usual, Kit kit, Places places, Skies skies, Clock clock) {
        this.usual = usual;
        this.kit = kit;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    /** A rig's frame of the core as proposed, and as decided. */
    public record Row(String rig, String proposed, String decided, String drift, boolean drifts, String peak) {}

    /** Under which sky. */
    public record View(String where, List<Row> rows) {}

    @GetMapping
    String show(@RequestParam Optional<String> kept, Model model) {
        kept.ifPresent(k -> model.addAttribute("kept", true));
        return page(StaleForm.mark(ShapeForm.fill(new Form(), Decision.SHAPE, usual.get()), NAMES), usual.get(), model);
    }

    @GetMapping("/preview")
    String preview(@RequestParam Map<String, String> typed, Model model) {
        ShapeForm.read(Form.of(typed), Decision.SHAPE).ifPresent(d -> follows(d, model));
        return "outings/usual :: preview";
    }

    @PostMapping
    String keep(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Optional<Decision> read = ShapeForm.read(form, Decision.SHAPE);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return page(form, null, model);
        }
        Form stored = ShapeForm.fill(new Form(), Decision.SHAPE, usual.get());
        if (StaleForm.refuses(form, stored, NAMES, (field, value) -> value, model, response)) {
            return page(form, read.get(), model);
        }
        usual.keep(read.get());
        return "redirect:/kit/usual?kept=on";
    }

    private String page(Form form, Decision decision, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("fields", FIELDS);
        if (decision != null) {
            follows(decision, model);
        }
        return "outings/usual";
    }

    private void follows(Decision decision, Model model) {
        places.all().stream().findFirst().ifPresent(place -> model.addAttribute("view", view(decision, place)));
    }

    private View view(Decision decision, Place place) {
        LocalDate date = skies.worthSeeing(place, LocalDate.now(clock.withZone(place.zone())));
        Night night = skies.night(place, date);
        Circumstances c = Circumstances.of(night, place.standpoint(), List.of());
        List<Row> rows = kit.rigs().stream()
                .filter(r -> r.rig().takesStars())
                .limit(MOST_RIGS)
                .map(r -> row(r, decision, c))
                .toList();
        return new View(place.name() + ", " + Words.evening(date) + ", at " + night.clock(night.best()), rows);
    }

    private static Row row(NamedRig named, Decision decision, Circumstances c) {
        Take plain = Take.of("Milky Way", new MilkyWay(0), Takes.camera(named));
        Take take = plain.with(decision);
        Instant at = c.night().best();
        Settings ours = first(plain, c, at);
        Settings set = first(take, c, at);
        Proposal p = take.setup(c, at).proposal();
        double drift = p.driftPx(set.seconds());
        return new Row(
                named.name(),
                words(named, ours),
                words(named, set),
                Words.number(drift, 1) + " px",
                drift > p.setup().demand().tolerancePx() * 1.005,
                Words.number(p.light().during(set.seconds()).peak((int) set.iso()), 2));
    }

    private static Settings first(Take take, Circumstances c, Instant at) {
        return take.plan(c).program().apply(at).steps().get(0).settings();
    }

    private static String words(NamedRig named, Settings s) {
        return named.rig().body().words(s);
    }
}
