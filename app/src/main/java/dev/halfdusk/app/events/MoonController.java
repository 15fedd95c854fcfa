package dev.halfdusk.app.events;

import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.moon.LandBalance;
import dev.halfdusk.core.moon.MoonExposure;
import dev.halfdusk.core.moon.MoonLight;
import dev.halfdusk.core.moon.MoonLimit;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.search.FullMoonEvenings;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.take.Moon;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The moon at a minute: exposure, what holds the shutter, its size, and the land below it. */
@Controller
class MoonController {

    /** Lower it stands in haze, behind trees and roofs. */
    private static final double LEAST_DEG = 2;

    private final SetupReader setups;
    private final Places places;
    private final Skies skies;
    private final Clock clock;
    private final Habits habits;

    MoonController(SetupReader setups, Places places, Skies skies, Clock clock, Habits habits) {
        this.habits = habits;
        this.setups = setups;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    @GetMapping("/events/moon")
    String moon(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        if (!choices.enough()) {
            return "events/moon";
        }
        MoonSetup.begin(form, choices);
        Place place = MoonSetup.place(form, choices);
        LocalDate today = LocalDate.now(clock.withZone(place.zone()));
        if (!form.has("night")) {
            form.put("night", fullMoon(place, today).orElse(today));
        }
        form.putIfEmpty("tolerance", MoonExposure.USUAL_TOLERANCE_PX)
                .putIfEmpty("haze", MoonLight.USUAL_EXTINCTION)
                .putIfEmpty("stabiliser", "0")
                .putIfEmpty("wind", "0")
                .putIfEmpty(
                        "brighter",
                        Numbers.trimmed(habits.offset(Moon.KIND.key()).orElse(0), 2));
        if (!form.has("minute") && !form.has("time")) {
            Optional.ofNullable(form.copy().night("night"))
                    .ifPresent(d -> form.put("minute", minute(skies.night(place, d), place)));
        }
        Optional<SetupRequest> read = setups.read(form, choices);
        OptionalDouble haze = form.number("haze", MoonLight.EXTINCTION);
        OptionalDouble stabiliser = form.number("stabiliser", MoonLimit.STABILISER);
        OptionalDouble wind = form.number("wind", MoonLimit.WIND);
        OptionalDouble brighter = form.number("brighter", EclipseLadder.BRIGHTER);
        if (read.isEmpty() || form.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "events/moon";
        }
        SetupRequest asked = read.get();
        Ribbon ribbon = Ribbon.of(asked.night(), asked.place().glow());
        model.addAttribute("asked", asked);
        model.addAttribute(
                "kept",
                KeptTake.of(
                        asked,
                        form,
                        "moon",
                        "Moon",
                        Map.of(
                                "extinction", haze.getAsDouble(),
                                "stabiliserStops", stabiliser.getAsDouble(),
                                "windMs", wind.getAsDouble(),
                                "brighterStops", brighter.getAsDouble())));
        model.addAttribute("ribbon", ribbon);
        model.addAttribute("marks", places.marks(asked.place().id()));
        model.addAttribute(
                "view",
                MoonView.of(
                        asked,
                        haze.getAsDouble(),
                        stabiliser.getAsDouble(),
                        wind.getAsDouble(),
                        brighter.getAsDouble()));
        return "events/moon";
    }

    private Optional<LocalDate> fullMoon(Place place, LocalDate today) {
        return skies.fullMoonEvenings(place, today).stream()
                .findFirst()
                .map(FullMoonEvenings.Evening::moonrise)
                .map(t -> Night.evening(t, place.zone()));
    }

    /** The first at which one frame holds moon and land, else the moon's highest. */
    private static int minute(Night night, Place place) {
        return Balance.spans(night).stream()
                .map(span -> Balance.of(span, place.standpoint(), MoonLight.USUAL_EXTINCTION))
                .flatMap(List::stream)
                .filter(b -> b.way() == LandBalance.Way.ONE_FRAME)
                .map(LandBalance::when)
                .filter(t -> Moment.at(t).observed(Body.MOON, night.observer()).altitudeDeg() > LEAST_DEG)
                .findFirst()
                .map(night::minute)
                .orElseGet(() -> night.minute(night.highest(Body.MOON)));
    }
}
