package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.BodyShape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.optics.Stops;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Camera bodies. */
@Component
@Order(1)
class BodyPart implements KitSection {

    private final Kit kit;

    BodyPart(Kit kit) {
        this.kit = kit;
    }

    /** What a body's numbers lead to. */
    public record View(
            String pitch,
            String megapixels,
            String crop,
            String readNoise,
            String rawPerCard,
            String burst,
            List<IsoRow> isos) {}

    /** One ISO: what a pixel holds, its noise, and the stops between. */
    public record IsoRow(int iso, String white, String noise, String range, int percent) {}

    @Override
    public String key() {
        return "body";
    }

    @Override
    public List<String> names() {
        return KitSection.named(BodyShape.SHAPE);
    }

    @Override
    public Optional<Shape<?>> shape(String kind) {
        return Optional.of(BodyShape.SHAPE);
    }

    @Override
    public Form blank() {
        return ShapeForm.start(new Form(), BodyShape.SHAPE);
    }

    /** A sensor format to start from: typical pixels, and electronics for them. */
    public record Format(String key, String words, double widthMm, double heightMm, int pixelsAcross) {}

    private static final List<Format> FORMATS = List.of(
            new Format("medium", "medium format 44 \u00d7 33", 43.8, 32.9, 8256),
            new Format("full-frame", "full frame 36 \u00d7 24", 36, 24, 6000),
            new Format("aps-c", "APS-C 23.5 \u00d7 15.7", 23.5, 15.7, 6000),
            new Format("aps-c-small", "APS-C 22.3 \u00d7 14.9", 22.3, 14.9, 6000),
            new Format("four-thirds", "four-thirds 17.3 \u00d7 13", 17.3, 13, 5184),
            new Format("one-inch", "one inch 13.2 \u00d7 8.8", 13.2, 8.8, 5472));

    @Override
    public Form blank(String from) {
        return FORMATS.stream()
                .filter(f -> f.key.equals(from))
                .findFirst()
                .map(f -> blank().put("name", f.words + " body")
                        .put("sensorWidth", f.widthMm)
                        .put("sensorHeight", f.heightMm)
                        .put("pixelsAcross", f.pixelsAcross))
                .orElseGet(this::blank);
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.bodies().forEach(b -> all.put(b.id(), KitSection.fields(b)));
        return all;
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private static Optional<NamedBody> read(Form form, Long id) {
        return KitSection.read(form, BodyShape.SHAPE, (name, c, note) -> new NamedBody(id, name, c, note));
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("formats", FORMATS);
        model.addAttribute("fields", ShapeForm.views(BodyShape.SHAPE));
        Form copy = form.copy().putIfEmpty("name", "body");
        read(copy, null).ifPresent(b -> model.addAttribute("view", view(b.camera())));
        model.addAttribute("missing", copy.errors());
    }

    private static View view(CameraBody c) {
        double most = c.response().rangeStops(c.response().baseIso());
        List<IsoRow> rows = IsoDial.between(c.response().baseIso(), c.topIso()).stream()
                .filter(iso -> Math.abs(Stops.of(iso / c.response().baseIso()) % 1) < 0.1)
                .limit(11)
                .map(iso -> new IsoRow(
                        iso,
                        Numbers.grouped(c.response().saturationE(iso)),
                        Words.number(c.response().readNoiseE(iso), 1),
                        Words.number(c.response().rangeStops(iso), 1),
                        (int) Math.round(100 * Math.max(0, c.response().rangeStops(iso) / most))))
                .toList();
        return new View(
                Words.number(c.sensor().pitchUm(), 2),
                Words.number(c.sensor().megapixels(), 1),
                Words.number(c.sensor().crop(), 2),
                Words.number(c.response().readNoiseE(1600), 1),
                Words.number(64_000 / c.files().rawMb(), 0),
                Words.number(c.files().rawSeconds(), 2),
                rows);
    }
}
