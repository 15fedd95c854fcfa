package dev.halfdusk.app.framing;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.PanoramaPicture;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.ShutterAdvice;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Framing;
import dev.halfdusk.core.sequence.Panorama;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.Moment;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
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
    private static final double TOLERANCE_PX = 3;

    private final FrameForm forms;
    private final Kit kit;
    private final Places places;

    PanoramaController(FrameForm forms, Kit kit, Places places) {
        this.forms = forms;
        this.kit = kit;
        this.places = places;
    }

    /** One frame of the list. */
    public record Row(int number, int row, String azimuth, String altitude, String longest) {}

    /** The plan in numbers. */
    public record View(
            String clock,
            String arch,
            int frames,
            int rows,
            String step,
            String shutter,
            int iso,
            String time,
            String turn,
            boolean complete,
            boolean high,
            List<Row> list) {}

    @GetMapping("/frame/panorama")
    String panorama(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        List<NamedRig> rigs = kit.rigs();
        List<Place> all = places.all();
        Form form = Form.of(typed);
        form.putIfEmpty("overlap", "30")
                .putIfEmpty("click", "5")
                .putIfEmpty("margin", "15")
                .putIfEmpty("settle", "5");
        if (!form.has("range")) {
            form.put("range", "arch");
        }
        model.addAttribute("form", form);
        model.addAttribute("rigs", rigs);
        model.addAttribute("places", all);
        if (rigs.isEmpty() || all.isEmpty()) {
            return "framing/panorama";
        }
        Optional<FrameAsked> asked = forms.read(form, rigs, all);
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
        FrameAsked a = asked.get();
        Moment moment = Moment.at(a.when());
        Galaxy.Arch arch = Galaxy.arch(moment, a.night().observer());
        double share = overlap.getAsDouble() / 100;
        Panorama.Wanted wanted = own
                ? new Panorama.Wanted(
                        left.getAsDouble(), right.getAsDouble(), -8, top.getAsDouble(), share, click.getAsDouble())
                : Panorama.arch(arch, margin.getAsDouble(), share, click.getAsDouble());
        Panorama p = Panorama.of(wanted, a.optics());
        double middle = wanted.fromAzimuthDeg() + wanted.widthDeg() / 2;
        model.addAttribute("asked", a);
        model.addAttribute("view", view(a, p, arch, settle.getAsDouble()));
        model.addAttribute(
                "picture",
                PanoramaPicture.of(p, moment, a.night().observer(), a.place().skyline(), middle));
        return "framing/panorama";
    }

    private static View view(FrameAsked a, Panorama p, Galaxy.Arch arch, double settle) {
        List<Row> rows = new ArrayList<>();
        Dial dial = a.rig().body().dial();
        Dial.Stop shortest = null;
        for (Panorama.Frame f : p.frames()) {
            Framing framing = Framing.of(a.optics(), f.azimuthDeg(), f.altitudeDeg(), 0);
            Dial.Stop stop = ShutterAdvice.of(framing, a.night().site().latitudeDeg(), TOLERANCE_PX, dial)
                    .dial();
            if (stop != null && (shortest == null || stop.realSeconds() < shortest.realSeconds())) {
                shortest = stop;
            }
            rows.add(new Row(
                    rows.size() + 1,
                    f.row() + 1,
                    Words.number(f.azimuthDeg(), 0) + "\u00b0 " + Angles.compass(f.azimuthDeg()),
                    Words.number(f.altitudeDeg(), 0) + "\u00b0",
                    stop == null ? "\u2014" : stop.label() + " s"));
        }
        double seconds = shortest == null ? 1 : shortest.realSeconds();
        double whole = p.seconds(seconds, settle);
        return new View(
                Words.clock(a.when(), a.place().zone()),
                "from " + Words.number(arch.leftFootDeg(), 0) + "\u00b0 to " + Words.number(arch.rightFootDeg(), 0)
                        + "\u00b0, top " + Words.number(arch.topAltitudeDeg(), 0) + "\u00b0 high",
                p.frames().size(),
                p.rows(),
                Words.trimmed(p.stepDeg()) + "\u00b0",
                shortest == null ? "\u2014" : shortest.label(),
                a.isoOr(a.proposal()),
                Words.span(Duration.ofSeconds(Math.max(60, Math.round(whole)))),
                Words.number(p.turnDeg(seconds, settle), 1) + "\u00b0",
                p.complete(),
                p.rows() > 1,
                List.copyOf(rows));
    }
}
