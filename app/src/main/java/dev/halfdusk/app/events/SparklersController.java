package dev.halfdusk.app.events;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.fireworks.LightWriting;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Writing with light at home: shutter, distance, how dark, and how to stay unhurt. */
@Controller
@RequestMapping("/events/sparklers")
class SparklersController {

    private static final double USUAL_MM = 35;
    private static final double USUAL_APERTURE = 9;

    private final Kit kit;

    SparklersController(Kit kit) {
        this.kit = kit;
    }

    @GetMapping
    String show(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        Form form = Form.of(typed);
        List<NamedRig> rigs = kit.rigs().stream()
                .filter(r -> r.rig().lens().projection() == Projection.RECTILINEAR
                        && !r.rig().support().tracks())
                .toList();
        model.addAttribute("form", form);
        model.addAttribute("rigs", rigs);
        if (rigs.isEmpty()) {
            return "events/sparklers";
        }
        Optional<SparklersView> view = view(form, rigs);
        if (view.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            return "events/sparklers";
        }
        model.addAttribute("view", view.get());
        return "events/sparklers";
    }

    private static Optional<SparklersView> view(Form form, List<NamedRig> rigs) {
        NamedRig usual = UsualRig.near(rigs, USUAL_MM).orElse(rigs.get(0));
        OptionalLong id = form.copy().putIfEmpty("rig", usual.id()).id("rig");
        NamedRig named = rigs.stream()
                .filter(r -> id.isPresent() && r.id() == id.getAsLong())
                .findFirst()
                .orElse(usual);
        Rig rig = named.rig();
        form.put("rig", named.id());
        form.putIfEmpty("focal", rig.lens().focalLengths().nearest(USUAL_MM));
        SetupReader.fit(form, named.id(), rig);
        OptionalDouble focal = form.number("focal", rig.lens().focalLengths());
        Range apertures = focal.isPresent() ? rig.apertures(focal.getAsDouble()) : Range.APERTURE;
        form.putIfEmpty("aperture", apertures.nearest(USUAL_APERTURE))
                .putIfEmpty("iso", "100")
                .putIfEmpty("letters", "6")
                .putIfEmpty("letter", "0.4")
                .putIfEmpty("pace", "1");
        OptionalDouble aperture = form.number("aperture", apertures);
        OptionalDouble iso = form.number("iso", Range.ISO);
        OptionalLong letters = form.whole("letters", LightWriting.LETTERS);
        OptionalDouble letter = form.number("letter", LightWriting.LETTER);
        OptionalDouble pace = form.number("pace", LightWriting.PACE);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        LightWriting w = new LightWriting((int) letters.getAsLong(), letter.getAsDouble(), pace.getAsDouble());
        return Optional.of(
                SparklersView.of(w, rig.optics(focal.getAsDouble()), aperture.getAsDouble(), iso.getAsDouble()));
    }
}
