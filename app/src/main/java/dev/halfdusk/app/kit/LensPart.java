package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.TrailingRule;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Lenses. */
@Component
@Order(2)
class LensPart implements KitSection {

    private final Kit kit;

    LensPart(Kit kit) {
        this.kit = kit;
    }

    /** What a lens leads to on one body at one focal length. */
    public record View(String body, String focal, String field, String plate, String hyperfocal, String drift) {}

    @Override
    public String key() {
        return "lens";
    }

    @Override
    public List<String> names() {
        return List.of(
                "name",
                "shortest",
                "longest",
                "widestShort",
                "widestLong",
                "narrowest",
                "projection",
                "transmission",
                "imageCircle",
                "electronic",
                "weight",
                "note");
    }

    @Override
    public Form blank() {
        return new Form()
                .put("shortest", "24")
                .put("widestShort", "2.8")
                .put("narrowest", "22")
                .put("projection", "RECTILINEAR")
                .put("transmission", "0.9")
                .put("electronic", "on")
                .put("weight", "450");
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.lenses().forEach(l -> all.put(l.id(), fields(l)));
        return all;
    }

    private static Form fields(NamedLens l) {
        return new Form()
                .put("name", l.name())
                .put("shortest", l.lens().shortestMm())
                .put("longest", l.lens().longestMm())
                .put("widestShort", l.lens().widestAtShort())
                .put("widestLong", l.lens().widestAtLong())
                .put("narrowest", l.lens().narrowest())
                .put("projection", l.lens().projection())
                .put("transmission", l.lens().transmission())
                .put("imageCircle", words(l.lens().imageCircleMm()))
                .put("electronic", l.lens().electronic() ? "on" : "")
                .put("weight", l.lens().weightG())
                .put("note", l.note());
    }

    private static String words(OptionalDouble number) {
        return number.isPresent() ? Numbers.plain(number.getAsDouble()) : "";
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    /** A prime needs its one focal length and aperture only. */
    private static Optional<NamedLens> read(Form form, Long id) {
        form.putIfEmpty("longest", form.value("shortest"))
                .putIfEmpty("widestLong", form.value("widestShort"))
                .putIfEmpty("narrowest", "22")
                .putIfEmpty("transmission", "0.9")
                .putIfEmpty("weight", "450");
        String name = form.text("name", "a name");
        OptionalDouble shortest = form.number("shortest", Range.FOCAL_LENGTH);
        OptionalDouble longest = form.number("longest", Range.FOCAL_LENGTH);
        OptionalDouble widestShort = form.number("widestShort", Range.APERTURE);
        OptionalDouble widestLong = form.number("widestLong", Range.APERTURE);
        OptionalDouble narrowest = form.number("narrowest", Range.APERTURE);
        OptionalDouble transmission = form.number("transmission", Lens.TRANSMISSION);
        OptionalDouble circle =
                form.has("imageCircle") ? form.number("imageCircle", Lens.IMAGE_CIRCLE) : OptionalDouble.empty();
        OptionalDouble weight = form.number("weight", CameraBody.WEIGHT);
        Optional<Projection> projection = form.choice("projection", Projection.class);
        if (projection.isEmpty()) {
            form.reject("projection", "Choose rectilinear or fisheye.");
        }
        String note = form.has("note") ? form.text("note", "a note") : "";
        if (shortest.isPresent() && longest.isPresent() && longest.getAsDouble() < shortest.getAsDouble()) {
            form.reject("longest", "At least the short end, " + form.value("shortest") + " mm.");
        }
        if (narrowest.isPresent()
                && widestShort.isPresent()
                && widestLong.isPresent()
                && narrowest.getAsDouble() < Math.max(widestShort.getAsDouble(), widestLong.getAsDouble())) {
            form.reject("narrowest", "At least the widest f-number.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Lens lens = new Lens(
                shortest.getAsDouble(),
                longest.getAsDouble(),
                widestShort.getAsDouble(),
                widestLong.getAsDouble(),
                narrowest.getAsDouble(),
                projection.orElseThrow(),
                transmission.getAsDouble(),
                form.has("electronic"),
                weight.getAsDouble(),
                circle);
        return Optional.of(new NamedLens(id, name, lens, note));
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        Form copy = form.copy().putIfEmpty("name", "lens");
        List<NamedBody> bodies = kit.bodies();
        read(copy, null)
                .ifPresent(l -> model.addAttribute(
                        "view",
                        bodies.stream()
                                .flatMap(b -> (l.lens().isPrime()
                                                ? DoubleStream.of(l.lens().shortestMm())
                                                : DoubleStream.of(
                                                        l.lens().shortestMm(),
                                                        l.lens().longestMm()))
                                        .mapToObj(f -> view(b, l.lens(), f)))
                                .toList()));
        model.addAttribute("missing", copy.errors());
    }

    private static View view(NamedBody b, Lens lens, double focal) {
        Optics optics = lens.optics(b.sensor(), focal, 1);
        double aperture = lens.widestAt(focal);
        Depth depth = Depth.of(focal, aperture, Depth.pixelCircleMm(b.sensor()));
        TrailingRule.Case equator = new TrailingRule.Case(optics, aperture, 0);
        return new View(
                b.name(),
                Words.trimmed(focal) + " mm f/" + Words.trimmed(aperture),
                Words.number(optics.widthDeg(), 0) + "\u00b0 \u00d7 " + Words.number(optics.heightDeg(), 0) + "\u00b0",
                Words.number(optics.plateScaleArcsec(), 1) + "\u2033",
                Words.number(depth.hyperfocalM(), 1) + " m",
                Words.number(TrailingRule.secondsForDrift(equator, 3), 1) + " s");
    }
}
