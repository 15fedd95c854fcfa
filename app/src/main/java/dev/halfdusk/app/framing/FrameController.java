package dev.halfdusk.app.framing;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.pictures.Png;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.measure.Angles;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** The frame at any minute of a night, as a drawing and as the photograph it would become. */
@Controller
@RequestMapping("/frame")
class FrameController {

    private static final int PREVIEW_WIDTH = 960;
    private static final int CROP_WIDTH = 600;
    private static final int CROP_HEIGHT = 400;
    private static final long SEED = 1;

    private final FrameForm forms;
    private final Kit kit;
    private final Places places;

    FrameController(FrameForm forms, Kit kit, Places places) {
        this.forms = forms;
        this.kit = kit;
        this.places = places;
    }

    /** Numbers beside the picture. */
    public record View(
            String clock,
            String looking,
            String field,
            String shutter,
            String aperture,
            int iso,
            String trails,
            String sharp) {}

    @GetMapping
    String frame(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        List<NamedRig> rigs = kit.rigs();
        List<Place> all = places.all();
        Form form = Form.of(typed);
        model.addAttribute("form", form);
        model.addAttribute("rigs", rigs);
        model.addAttribute("places", all);
        if (rigs.isEmpty() || all.isEmpty()) {
            return "framing/frame";
        }
        Optional<FrameAsked> asked = forms.read(form, rigs, all);
        if (asked.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "framing/frame";
        }
        FrameAsked a = asked.get();
        Proposal p = a.proposal();
        boolean photograph = "photograph".equals(form.value("view")) && !form.has("drawing");
        model.addAttribute("asked", a);
        model.addAttribute("view", view(a, p));
        model.addAttribute("query", address(form));
        model.addAttribute("photograph", photograph);
        if (!photograph) {
            model.addAttribute("picture", a.picture(p, form.has("figures"), form.has("grid"), form.has("drift")));
        }
        return "framing/frame";
    }

    private static View view(FrameAsked a, Proposal p) {
        return new View(
                Words.clock(a.when(), a.place().zone()),
                Words.number(a.azimuthDeg(), 0) + "\u00b0 " + Angles.compass(a.azimuthDeg()) + ", "
                        + Words.number(a.altitudeDeg(), 0) + "\u00b0 up",
                Words.trimmed(Math.round(a.optics().focalMm() * 10) / 10.0) + " mm, "
                        + Words.number(a.optics().widthDeg(), 0) + "\u00b0 \u00d7 "
                        + Words.number(a.optics().heightDeg(), 0) + "\u00b0",
                a.shutter().isPresent() ? Words.exposure(a.shutter().getAsDouble()) : p.label() + " s",
                Words.trimmed(a.aperture()),
                a.isoOr(p),
                a.frames() == 1 ? null : trails(a, a.seconds(p)),
                "sharp from " + Words.number(a.depth().nearAtStarsM(), 1) + " m with the stars in focus");
    }

    private static String trails(FrameAsked a, double shutter) {
        double turn = a.trails().turnDeg(shutter);
        return a.frames() + " frames, "
                + Words.span(Duration.ofSeconds(Math.round(a.trails().seconds(shutter)))) + ", arcs of "
                + Words.number(turn, 1) + "\u00b0, " + Words.percent(turn / 360) + " of full circles, gaps of "
                + Words.number(a.trails().gapPx(a.optics()), 1) + " px at the most";
    }

    /** What the picture depends on, for the addresses of its images. */
    private static String address(Form form) {
        UriComponentsBuilder uri = UriComponentsBuilder.newInstance();
        for (String name : new String[] {
            "rig",
            "place",
            "focal",
            "aperture",
            "upright",
            "night",
            "minute",
            "azimuth",
            "altitude",
            "roll",
            "shutter",
            "iso",
            "frames",
            "pause",
            "lamp",
            "kelvin"
        }) {
            boolean single = "1".equals(form.value("frames")) && (name.equals("frames") || name.equals("pause"));
            if (form.has(name) && !single) {
                uri.queryParam(name, form.value(name));
            }
        }
        return uri.encode().build().getQuery();
    }

    @GetMapping("/photograph.png")
    ResponseEntity<byte[]> photograph(@RequestParam Map<String, String> typed) {
        return image(typed, false);
    }

    /** A part at full size around a point, in shares of width and height. */
    @GetMapping("/crop.png")
    ResponseEntity<byte[]> crop(@RequestParam Map<String, String> typed) {
        return image(typed, true);
    }

    private ResponseEntity<byte[]> image(Map<String, String> typed, boolean crop) {
        List<NamedRig> rigs = kit.rigs();
        List<Place> all = places.all();
        Form form = Form.of(typed);
        Optional<FrameAsked> asked = rigs.isEmpty() || all.isEmpty() ? Optional.empty() : forms.read(form, rigs, all);
        if (asked.isEmpty()) {
            return ResponseEntity.unprocessableEntity().build();
        }
        FrameAsked a = asked.get();
        Proposal p = a.proposal();
        Window window = crop
                ? Window.crop(
                        a.optics().sensor(),
                        (share(form, "x") - 0.5) * a.optics().sensor().widthMm(),
                        (share(form, "y") - 0.5) * a.optics().sensor().heightMm(),
                        CROP_WIDTH,
                        CROP_HEIGHT)
                : Window.whole(a.optics().sensor(), a.upright() ? PREVIEW_WIDTH * 2 / 3 : PREVIEW_WIDTH);
        Photograph taken = Photograph.take(a.scene(), a.shot(p), window, SEED, a.trails(), true);
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(Duration.ofMinutes(10)).cachePrivate())
                .body(Png.of(taken.rgb(), window.width(), window.height()));
    }

    private static double share(Form form, String field) {
        try {
            return Math.max(0, Math.min(1, Double.parseDouble(form.value(field))));
        } catch (NumberFormatException e) {
            return 0.5;
        }
    }
}
