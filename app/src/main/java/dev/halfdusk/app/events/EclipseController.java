package dev.halfdusk.app.events;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.eclipse.LunarEclipse;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.take.Subject;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One eclipse of the moon, minute by minute, and its card to take along. */
@Controller
@RequestMapping("/events/eclipse")
class EclipseController {

    private static final Duration AHEAD = Duration.ofDays(5 * 365);

    /** Before totality, when most of the moon is red and the rest burns: worth looking at first. */
    private static final Duration BEFORE = Duration.ofMinutes(9);

    private final SetupReader setups;
    private final Places places;
    private final Skies skies;
    private final Clock clock;

    /** What does not change while one scrubs through the minutes. */
    private final Cache<List<Object>, EclipseView.Still> stills =
            Caffeine.newBuilder().maximumSize(16).build();

    EclipseController(SetupReader setups, Places places, Skies skies, Clock clock) {
        this.setups = setups;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    @GetMapping
    String eclipse(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        show(typed, model, response);
        return "events/eclipse";
    }

    /** Contacts and settings on one small page, for print and phone. */
    @GetMapping("/card")
    String card(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        show(typed, model, response);
        return "events/card";
    }

    private void show(Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        if (!choices.enough()) {
            return;
        }
        MoonSetup.begin(form, choices);
        Place place = MoonSetup.place(form, choices);
        if (!form.has("night")) {
            next(place).ifPresent(d -> form.put("night", d));
        }
        if (!form.has("minute") && !form.has("time")) {
            Optional.ofNullable(form.copy().night("night")).ifPresent(d -> minute(form, skies.night(place, d), place));
        }
        Optional<SetupRequest> asked = setups.read(form, choices);
        Optional<EclipseRequest> read = asked.flatMap(a -> EclipseRequest.read(form, a, in(a.night(), a.place())));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        EclipseRequest eclipse = read.get();
        model.addAttribute("asked", eclipse.asked());
        model.addAttribute("eclipse", eclipse);
        model.addAttribute("query", eclipse.address("", 0));
        Optional<LocalEclipse> local = eclipse.local();
        if (local.isEmpty()) {
            model.addAttribute(
                    "ribbon",
                    Ribbon.of(eclipse.asked().night(), eclipse.asked().place().glow()));
            return;
        }
        List<Mark> marks = places.plainMarks(eclipse.asked().place().id());
        EclipseView.Still still =
                stills.get(List.of(eclipse.same(), marks), key -> EclipseView.Still.of(eclipse, local.get(), marks));
        model.addAttribute("ribbon", still.ribbon());
        model.addAttribute("view", EclipseView.of(eclipse, local.get(), still));
        model.addAttribute("kept", kept(eclipse, form));
    }

    private static KeptTake kept(EclipseRequest a, Form form) {
        Map<String, Object> own = new LinkedHashMap<>();
        List<Subject.Parameter> numbers = a.subject().kind().parameters();
        for (int i = 0; i < numbers.size(); i++) {
            own.put(numbers.get(i).name(), a.subject().values().get(i));
        }
        return KeptTake.of(a.asked(), form, "lunar-eclipse", "Eclipse of the moon", own)
                .unheld();
    }

    private static Optional<LocalEclipse> in(Night night, Place place) {
        return LocalEclipse.between(night.span().from(), night.span().to(), night.observer(), place.skyline()).stream()
                .findFirst();
    }

    /** The evening of the deepest that is seen in the coming years. */
    private Optional<LocalDate> next(Place place) {
        Instant now = clock.instant();
        Instant to = EventsView.within(now.plus(AHEAD));
        return LocalEclipse.best(LocalEclipse.between(now, to, Observer.at(place.site()), place.skyline()))
                .map(e -> Night.evening(e.eclipse().greatest(), place.zone()))
                .filter(Form.NIGHTS::contains);
    }

    /** The first of its best moments at which the moon is up. */
    private static void minute(Form form, Night night, Place place) {
        in(night, place).ifPresent(local -> {
            LunarEclipse e = local.eclipse();
            List<Instant> best = Stream.of(
                            e.u2().map(t -> t.minus(BEFORE)),
                            e.u3().map(t -> t.plus(BEFORE)),
                            Optional.of(e.greatest()))
                    .flatMap(Optional::stream)
                    .toList();
            Instant shown = local.up(night.observer(), place.skyline())
                    .map(up -> best.stream().filter(up::contains).findFirst().orElse(up.middle()))
                    .orElse(e.greatest());
            form.put("minute", night.minute(shown));
        });
    }
}
