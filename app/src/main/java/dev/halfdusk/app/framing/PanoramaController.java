package dev.halfdusk.app.framing;

import dev.halfdusk.app.pictures.PanoramaPicture;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.setup.KeptTake;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.take.Arch;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Rows and columns for the arch of the Milky Way, or for a range of one's own. */
@Controller
class PanoramaController {

    private static final Range TOP = new Range("top", -5, 89, "\u00b0");

    private final SetupReader setups;

    PanoramaController(SetupReader setups) {
        this.setups = setups;
    }

    /** One frame of the list. */
    public record Row(int number, int row, String azimuth, String altitude, String longest) {}

    /** The plan in numbers. */
    public record View(
            String arch,
            int frames,
            int rows,
            String step,
            String shutter,
            int iso,
            String time,
            String turn,
            boolean complete,
            boolean betweenClicks,
            boolean high,
            List<Row> list) {}

    @GetMapping("/frame/panorama")
    String panorama(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        Choices choices = setups.show(form, model);
        form.putIfEmpty("overlap", 100 * Arch.USUAL.overlap())
                .putIfEmpty("click", Arch.USUAL.clickDeg())
                .putIfEmpty("margin", Arch.ROOM_DEG)
                .putIfEmpty("settle", Arch.USUAL.settleSeconds());
        if (!form.has("range")) {
            form.put("range", "arch");
        }
        if (!choices.enough()) {
            return "framing/panorama";
        }
        boolean ownTime = form.has("minute") || form.has("time");
        Optional<SetupRequest> asked = setups.read(form, choices);
        OptionalDouble overlap = form.number("overlap", Panorama.OVERLAP);
        OptionalDouble click = form.number("click", Panorama.CLICK);
        OptionalDouble margin = form.number("margin", Panorama.MARGIN);
        OptionalDouble settle = form.number("settle", Panorama.SETTLE);
        boolean own = "own".equals(form.value("range"));
        form.putIfEmpty("left", "90").putIfEmpty("right", "270").putIfEmpty("top", "45");
        OptionalDouble left = form.number("left", Range.AZIMUTH);
        OptionalDouble right = form.number("right", Range.AZIMUTH);
        OptionalDouble top = form.number("top", TOP);
        if (form.hasErrors() || asked.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "framing/panorama";
        }
        double share = overlap.getAsDouble() / 100;
        if (!ownTime && !own) {
            asked = atFewestRows(asked.get(), form, choices, margin.getAsDouble(), share, click.getAsDouble());
        }
        SetupRequest a = asked.orElseThrow();
        Moment moment = a.setup().moment();
        Galaxy.Arch arch = Galaxy.arch(moment, a.night().observer());
        Panorama.Wanted wanted = own
                ? Panorama.between(
                        left.getAsDouble(), right.getAsDouble(), top.getAsDouble(), share, click.getAsDouble())
                : Panorama.arch(arch, margin.getAsDouble(), share, click.getAsDouble());
        Panorama p = Panorama.of(wanted, a.optics());
        double middle = wanted.fromAzimuthDeg() + wanted.widthDeg() / 2;
        model.addAttribute("asked", a);
        if (!own) {
            model.addAttribute(
                    "kept",
                    KeptTake.of(
                            a,
                            form,
                            "panorama",
                            "Arch",
                            Map.of(
                                    "overlap", share,
                                    "clickDeg", click.getAsDouble(),
                                    "marginDeg", margin.getAsDouble(),
                                    "settleSeconds", settle.getAsDouble())));
        }
        model.addAttribute("view", view(a, p, arch, settle.getAsDouble()));
        model.addAttribute("picture", PanoramaPicture.of(p, moment, a.setup().from(), middle));
        return "framing/panorama";
    }

    /** The same at the minute of the best window at which the arch needs the fewest rows. */
    private Optional<SetupRequest> atFewestRows(
            SetupRequest a, Form form, Choices choices, double margin, double overlap, double click) {
        Optional<Interval> window = a.night().window().filter(w -> w.contains(a.when()));
        if (window.isEmpty()) {
            return Optional.of(a);
        }
        Instant when = Panorama.fewestRows(
                window.get(), a.when(), t -> Panorama.arch(a.night().arch(t), margin, overlap, click), a.optics());
        return setups.read(form.put("minute", a.night().minute(when)), choices);
    }

    private static View view(SetupRequest a, Panorama p, Galaxy.Arch arch, double settle) {
        CameraBody body = a.setup().rig().body();
        Panorama.Shutters shutters =
                p.shutters(a.place().site().latitudeDeg(), a.setup().demand(), body.dial());
        Settings set = p.settings(a.setup());
        double seconds = set.seconds();
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < p.frames().size(); i++) {
            Panorama.Frame f = p.frames().get(i);
            rows.add(new Row(
                    i + 1,
                    f.row() + 1,
                    Words.number(f.axis().azimuthDeg(), 0) + "\u00b0 "
                            + f.axis().compass(),
                    Words.number(f.axis().altitudeDeg(), 0) + "\u00b0",
                    shutters.each().get(i).map(s -> s.label() + " s").orElse("\u2014")));
        }
        return new View(
                NightWords.arch(arch),
                p.frames().size(),
                p.rows(),
                Words.trimmed(p.stepDeg()) + "\u00b0",
                body.label(seconds),
                (int) set.iso(),
                Words.span(Duration.ofSeconds(Math.max(60, Math.round(p.seconds(seconds, settle))))),
                Words.number(p.turnDeg(seconds, settle), 1) + "\u00b0",
                p.complete(),
                p.betweenClicks(),
                p.rows() > 1,
                List.copyOf(rows));
    }
}
