package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.TrailingRule;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensShape;
import dev.halfdusk.core.optics.Optics;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
        return KitSection.named(LensShape.SHAPE);
    }

    @Override
    public Optional<Shape<?>> shape(String kind) {
        return Optional.of(LensShape.SHAPE);
    }

    @Override
    public Form blank() {
        return ShapeForm.start(new Form(), LensShape.SHAPE);
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.lenses().forEach(l -> all.put(l.id(), KitSection.fields(l)));
        return all;
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private static Optional<NamedLens> read(Form form, Long id) {
        return KitSection.read(form, LensShape.SHAPE, (name, l, note) -> new NamedLens(id, name, l, note));
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("fields", ShapeForm.views(LensShape.SHAPE));
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
