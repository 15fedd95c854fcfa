package dev.halfdusk.app.events;

import dev.halfdusk.app.framing.Darkroom;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.ImageFile;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Places.ListedMark;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.app.web.Address;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.BurstFit;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FireworkSettings;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.weather.WeatherHour;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Fireworks: where they stand in the frame, how to expose and time them, where their smoke goes; and practice for the hand. */
@Controller
@RequestMapping("/events/fireworks")
class FireworksController {

    private static final List<Choice> SHOWS = Choice.of(Show.class, Show::key, Show::words);
    /** Points beside the first. */
    private static final List<Integer> FURTHER =
            IntStream.rangeClosed(2, Display.MOST_POINTS).boxed().toList();

    private static final List<String> ADDRESS = Stream.concat(
                    Stream.of("rig", "place", "night", "time", "focal", "aperture", "upright", "darkness"),
                    FireworksRequest.FIELDS.stream())
            .toList();

    private static final double USUAL_MM = 35;
    private static final int LAUNCHES = 8;
    private static final LocalTime USUAL_TIME = LocalTime.of(22, 30);
    private static final int MOST_PRESSES = 200;
    private static final Range SEED = new Range("round", 0, 1_000_000_000, "");

    private final SetupReader setups;
    private final Places places;
    private final Weather weather;
    private final Clock clock;
    private final Darkroom darkroom;

    FireworksController(SetupReader setups, Places places, Weather weather, Clock clock, Darkroom darkroom) {
        this.darkroom = darkroom;
        this.setups = setups;
        this.places = places;
        this.weather = weather;
        this.clock = clock;
    }

    @GetMapping
    String show(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        if (!choices.enough()) {
            return "events/fireworks";
        }
        Optional<FireworksRequest> read = read(form, choices);
        lists(model, MoonSetup.place(form, choices));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "events/fireworks";
        }
        FireworksRequest a = read.get();
        Trainer round = Trainer.of(
                a.display().show(), LAUNCHES, a.asked().night().date().toEpochDay());
        model.addAttribute("asked", a.asked());
        model.addAttribute("view", FireworksView.of(a, change -> address(form, change)));
        model.addAttribute("launches", Launches.of(round, a.first(), a.celsius()));
        model.addAttribute("kept", kept(a, form));
        model.addAttribute("seed", a.asked().night().date().toEpochDay());
        model.addAttribute("delay", Sound.delaySeconds(a.first().slantM(), a.celsius()));
        return "events/fireworks";
    }

    private static KeptTake kept(FireworksRequest a, Form form) {
        Fireworks.Seen seen = a.seen();
        Map<String, Object> own = new LinkedHashMap<>();
        own.put("minutes", a.minutes());
        own.put("shutterSeconds", a.settings().seconds());
        own.put("iso", a.settings().iso());
        own.put("distanceM", seen.distanceM());
        own.put("bearingDeg", seen.bearingDeg());
        own.put("heightM", seen.heightM());
        own.put("shellMm", seen.shellMm());
        own.put("frontM", seen.frontM());
        own.put("swapMm", a.swapMm());
        own.put("flip", a.flip() ? "on" : "");
        own.put("nights", a.nights());
        return KeptTake.of(a.asked(), form, "fireworks", "Fireworks", own).wished(a.asked());
    }

    private void lists(Model model, Place place) {
        model.addAttribute("further", FURTHER);
        model.addAttribute("shows", SHOWS);
        model.addAttribute(
                "marks",
                Choice.orNone(
                        "no mark: by distance and bearing",
                        places.marks(place.id()).stream()
                                .map(m -> new Choice("" + m.id(), m.mark().name()))
                                .toList()));
    }

    private Optional<FireworksRequest> read(Form form, Choices choices) {
        begin(form, choices);
        Optional<SetupRequest> asked = setups.read(form, choices);
        List<ListedMark> marks = places.marks(MoonSetup.place(form, choices).id());
        FireworksRequest.begin(form, marks, asked.flatMap(this::hour));
        return asked.flatMap(x -> FireworksRequest.read(form, x));
    }

    private Optional<WeatherHour> hour(SetupRequest asked) {
        return weather.hours(asked.place(), asked.night()).apply(asked.when());
    }

    /** A place that has a firing point, a lens that is wide enough, an evening. */
    private void begin(Form form, Choices choices) {
        FireworksRequest.beginWhereFired(form, choices, places);
        Place place = MoonSetup.place(form, choices);
        UsualRig.begin(form, choices, USUAL_MM).filter(r -> !form.has("focal")).ifPresent(r -> lens(form, r, place));
        form.putIfEmpty("night", LocalDate.now(clock.withZone(place.zone())));
        if (!form.has("minute")) {
            form.putIfEmpty("time", USUAL_TIME);
        }
    }

    /** The longest setting that holds a town's show from where it is fired. */
    private void lens(Form form, NamedRig named, Place place) {
        Rig rig = named.rig();
        Form guess = form.copy();
        FireworksRequest.begin(guess, places.marks(place.id()), Optional.empty());
        double distance = guess.number("distance", FiringPoint.DISTANCE).orElse(600);
        Orientation held = form.has("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE;
        double holds = BurstFit.longestMm(
                        rig.body().sensor(), held, List.of(new FiringPoint(distance, 0, 0)), Show.TOWN.largest())
                .orElse(8);
        double focal = rig.lens().focalLengths().nearest(Math.floor(holds * 0.85 / rig.converter()));
        form.put("focal", focal);
        double iso = guess.number("iso", Range.ISO).orElse(FireworkSettings.USUAL_ISO);
        form.putIfEmpty("aperture", FireworkSettings.aperture(rig.apertures(focal), iso));
    }

    /** The same with a field changed: "aperture=8", or nothing for none. */
    private static String address(Form form, String change) {
        return Address.query(form, ADDRESS, change);
    }

    @GetMapping("/photograph.jpg")
    void photograph(@RequestParam Map<String, String> typed, HttpServletResponse response) throws IOException {
        image(typed, response, a -> FireworksPicture.photograph(a, marks(a)), FireworksPicture.WIDTH);
    }

    /** The frame that came of a press in a round, opened and closed at seconds of it. */
    @GetMapping("/taken.jpg")
    void taken(@RequestParam Map<String, String> typed, HttpServletResponse response) throws IOException {
        Form form = Form.of(typed);
        List<Trainer.Press> press = presses(form.value("opens") + "," + form.value("closes"));
        if (press.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        image(
                typed,
                response,
                a -> FireworksPicture.taken(a, marks(a), round(form, a.display().show()), press.get(0)),
                FireworksPicture.TAKEN_WIDTH);
    }

    private List<Mark> marks(FireworksRequest a) {
        return places.plainMarks(a.asked().place().id());
    }

    private void image(
            Map<String, String> typed,
            HttpServletResponse response,
            Function<FireworksRequest, Photograph> photograph,
            int width)
            throws IOException {
        Optional<FireworksRequest> read = read(Form.of(typed));
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return;
        }
        response.setContentType(ImageFile.JPEG.mediaType());
        darkroom.develop(
                ImageFile.JPEG,
                () -> {
                    int[] rgb = photograph.apply(read.get()).rgb();
                    return ImageFile.JPEG.of(rgb, width, rgb.length / width);
                },
                response.getOutputStream());
    }

    private Optional<FireworksRequest> read(Form form) {
        Choices choices = setups.choices();
        return choices.enough() ? read(form, choices) : Optional.empty();
    }

    private static Trainer round(Form form, Show show) {
        return Trainer.of(show, LAUNCHES, seed(form));
    }

    private static long seed(Form form) {
        return form.copy().putIfEmpty("seed", "0").whole("seed", SEED).orElse(0);
    }

    /** What came of a round: presses as "opened,closed;\u2026" in seconds of it. */
    @PostMapping("/score")
    String score(@RequestParam Map<String, String> typed, Model model) {
        Form form = Form.of(typed);
        Show show = form.copy().choice("show", Show.class).orElse(Show.TOWN);
        Form display = form.copy();
        String address = read(display).isPresent() ? address(display, "") + "&seed=" + form.value("seed") : "";
        long next = Math.min((long) SEED.max(), seed(form) + 1); // another round follows
        model.addAttribute("nextSeed", next);
        read(form.copy())
                .ifPresent(a -> model.addAttribute(
                        "next", Launches.of(Trainer.of(show, LAUNCHES, next), a.first(), a.celsius())));
        model.addAttribute("scores", ScoreView.of(round(form, show), presses(form.value("presses")), address));
        return "events/trainer :: scores";
    }

    /** What cannot be read was no press. */
    private static List<Trainer.Press> presses(String text) {
        List<Trainer.Press> presses = new ArrayList<>();
        for (String one : text.split(";")) {
            String[] times = one.split(",");
            if (times.length == 2 && presses.size() < MOST_PRESSES && number(times[0]) && number(times[1])) {
                double opens = Double.parseDouble(times[0]);
                presses.add(new Trainer.Press(opens, Math.max(opens, Double.parseDouble(times[1]))));
            }
        }
        return presses;
    }

    private static boolean number(String text) {
        return text.matches("\\d{1,5}(\\.\\d{1,6})?");
    }
}
