package dev.halfdusk.app.events;

import dev.halfdusk.app.framing.Darkroom;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Address;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.take.NightScene;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
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

/** Streets, bridges, harbours by their lamps, and moonlit land: exposure, stars of lamps, traffic, film. */
@Controller
@RequestMapping("/events/night-scene")
class NightSceneController {

    private static final List<Choice> VIEWS =
            Choice.of(NightSceneKind.class, NightSceneKind::key, NightSceneKind::words);
    private static final List<String> ADDRESS = Stream.concat(
                    Stream.of(
                            "rig",
                            "place",
                            "night",
                            "time",
                            "focal",
                            "aperture",
                            "upright",
                            "darkness",
                            "aim",
                            "azimuth",
                            "altitude"),
                    NightSceneRequest.FIELDS.stream())
            .toList();

    private static final double USUAL_MM = 35;

    /** After sunset: blue hour, lamps lit. */
    private static final Duration BLUE = Duration.ofMinutes(35);

    private final SetupReader setups;
    private final Places places;
    private final Skies skies;
    private final Clock clock;
    private final Darkroom darkroom;

    NightSceneController(SetupReader setups, Places places, Skies skies, Clock clock, Darkroom darkroom) {
        this.darkroom = darkroom;
        this.setups = setups;
        this.places = places;
        this.skies = skies;
        this.clock = clock;
    }

    @GetMapping
    String show(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        model.addAttribute("nightViews", VIEWS);
        model.addAttribute("readings", NightSceneRequest.Reading.CHOICES);
        model.addAttribute("meterings", NightSceneRequest.METERINGS);
        if (!choices.enough()) {
            return "events/night";
        }
        Optional<NightSceneRequest> read = read(form, choices);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "events/night";
        }
        model.addAttribute("asked", read.get().asked());
        model.addAttribute("kept", kept(read.get(), form));
        model.addAttribute("view", NightSceneView.of(read.get(), change -> address(form, change)));
        return "events/night";
    }

    private static KeptTake kept(NightSceneRequest a, Form form) {
        NightScene s = a.scene();
        Map<String, Object> own = Map.of(
                "iso", s.iso(),
                "ev100", s.ev100(),
                "frames", s.frames(),
                "exponent", s.exponent(),
                "shadows", s.shadows() ? "on" : "",
                "view", s.view().ordinal());
        return KeptTake.of(a.asked(), form, "night-scene", "Night scene", own)
                .wished(a.asked())
                .aimed(a.asked());
    }

    private Optional<NightSceneRequest> read(Form form, Choices choices) {
        begin(form, choices);
        NightSceneRequest.begin(form);
        Optional<SetupRequest> asked = setups.read(form, choices);
        return asked.flatMap(a -> NightSceneRequest.read(form, a));
    }

    /** A place by the water, a lens of moderate width stopped down, blue hour, level. */
    private void begin(Form form, Choices choices) {
        FireworksRequest.beginWhereFired(form, choices, places);
        UsualRig.begin(form, choices, USUAL_MM).filter(r -> !form.has("focal")).ifPresent(r -> {
            double focal = r.rig().lens().focalLengths().nearest(USUAL_MM);
            form.put("focal", focal)
                    .putIfEmpty("aperture", NightScene.KIND.usual().usualAperture(r.rig(), focal));
        });
        Place place = MoonSetup.place(form, choices);
        form.putIfEmpty("night", LocalDate.now(clock.withZone(place.zone())));
        if (!form.has("minute") && !form.has("time")) {
            LocalDate date = form.copy().night("night", place.zone());
            Optional.ofNullable(date)
                    .flatMap(d -> skies.night(place, d).set(HorizonEvent.Kind.SUN))
                    .ifPresent(t -> form.put(
                            "time",
                            t.plus(BLUE).atZone(place.zone()).toLocalTime().truncatedTo(ChronoUnit.MINUTES)));
        }
        if (!form.has("azimuth")) {
            form.put("aim", "point").put("azimuth", "60").put("altitude", "5");
        }
    }

    /** The same with a field changed: "aperture=8", or nothing for none. */
    private static String address(Form form, String change) {
        return Address.query(form, ADDRESS, change);
    }

    @GetMapping("/photograph.jpg")
    void photograph(@RequestParam Map<String, String> typed, HttpServletResponse response) throws IOException {
        Choices choices = setups.choices();
        Optional<NightSceneRequest> read = choices.enough() ? read(Form.of(typed), choices) : Optional.empty();
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        NightSceneRequest a = read.get();
        response.setContentType(ImageFile.JPEG.mediaType());
        darkroom.develop(
                ImageFile.JPEG,
                () -> ImageFile.JPEG.of(
                        a.photograph(places.plainMarks(a.asked().place().id())).rgb(), a.width(), a.height()),
                response.getOutputStream());
    }
}
