package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Shape;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.weather.Cold;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Supports, converters, filters, batteries, cards and the rest. Each sort has fields of its own. */
@Component
@Order(3)
class GearPart implements KitSection {

    private static final double TYPICAL_RAW_MB = 30;
    private static final int[] CELSIUS = {20, 10, 0, -10};
    private static final double SHOWN_MM = 135;

    private final Kit kit;

    GearPart(Kit kit) {
        this.kit = kit;
    }

    @Override
    public String key() {
        return "gear";
    }

    /** Those of all sorts: a form keeps what was typed for another. */
    @Override
    public List<String> names() {
        return Stream.of(
                        Stream.of("kind", "name", "weight"),
                        Arrays.stream(Gear.Sort.values()).flatMap(s -> s.shape().keys().stream()),
                        Stream.of("note"))
                .flatMap(n -> n)
                .toList();
    }

    @Override
    public Optional<Shape<?>> shape(String kind) {
        return new Form().put("kind", kind).choice("kind", Gear.Sort.class).map(Gear.Sort::shape);
    }

    @Override
    public Form blank() {
        Form form = new Form().put("kind", Gear.Sort.SUPPORT).put("weight", "0");
        for (Gear.Sort sort : Gear.Sort.values()) {
            ShapeForm.start(form, sort.shape());
        }
        return form;
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.gear().forEach(g -> all.put(g.id(), fields(g)));
        return all;
    }

    private static Form fields(NamedGear g) {
        return KitSection.fields(g).put("kind", g.sort()).put("weight", g.weightG());
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private static Optional<NamedGear> read(Form form, Long id) {
        Optional<Gear.Sort> sort = form.choice("kind", Gear.Sort.class);
        if (sort.isEmpty()) {
            form.reject("kind", "Choose what it is.");
            return Optional.empty();
        }
        form.put("kind", sort.get());
        form.putIfEmpty("weight", "0");
        OptionalDouble weight = form.number("weight", CameraBody.WEIGHT);
        return KitSection.read(
                form,
                sort.get().shape(),
                (name, gear, note) -> new NamedGear(id, name, weight.getAsDouble(), gear, note));
    }

    /** The fields of one sort. */
    public record Fields(String kind, List<ShapeForm.View> fields) {}

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("kinds", Choice.of(Gear.Sort.class, Enum::name, Gear.Sort::words));
        model.addAttribute(
                "sorts",
                Arrays.stream(Gear.Sort.values())
                        .filter(s -> !s.shape().fields().isEmpty())
                        .map(s -> new Fields(s.name(), ShapeForm.views(s.shape())))
                        .toList());
        model.addAttribute("weightHint", CameraBody.WEIGHT.allowed());
        model.addAttribute(
                "kind",
                form.choice("kind", Gear.Sort.class).orElse(Gear.Sort.EXTRA).name());
        Form copy = form.copy().putIfEmpty("name", "gear");
        read(copy, null).ifPresent(g -> model.addAttribute("view", consequences(g.gear())));
        model.addAttribute("missing", copy.errors());
    }

    private static List<String> consequences(Gear gear) {
        if (gear instanceof Gear.Battery b) {
            return IntStream.of(CELSIUS)
                    .mapToObj(celsius -> Numbers.text(
                            "At %d \u00b0C about %.0f frames or %.0f minutes.",
                            celsius, b.frames() * Cold.factor(b, celsius), b.minutes() * Cold.factor(b, celsius)))
                    .toList();
        }
        List<String> lines = new ArrayList<>();
        if (gear instanceof Gear.Filter f) {
            lines.add(Numbers.text("One part in %.0f of the light comes through.", Stops.ratio(f.stops())));
        } else if (gear instanceof Gear.Card c) {
            lines.add(Numbers.text(
                    "Holds %d raw frames of %.0f MB; one is written in %.1f s.",
                    c.holds(TYPICAL_RAW_MB), TYPICAL_RAW_MB, c.secondsToWrite(TYPICAL_RAW_MB)));
        } else if (gear instanceof Gear.Teleconverter t) {
            lines.add(Numbers.text(
                    "A 200 mm f/4 becomes %.0f mm f/%.1f, %.1f stops darker.",
                    200 * t.factor(), 4 * t.factor(), t.stops()));
        } else if (gear instanceof Gear.Supply s) {
            lines.add(Numbers.text(
                    "All on it draw %.1f W, %.1f A at %.0f V: the body %.0f %%, mount, heater and computer the rest.",
                    s.drawnW(), s.amperes(), s.volts(), 100 * s.bodyW() / s.drawnW()));
            IntStream.of(CELSIUS)
                    .mapToObj(celsius -> Numbers.text(
                            "At %d \u00b0C it lasts %.1f hours.",
                            celsius, s.battery().minutes() / 60 * Cold.batteryFactor(celsius)))
                    .forEach(lines::add);
            lines.add("A body on it runs without a change of batteries.");
        } else if (gear instanceof Support s && s.tracks()) {
            Optics optics = new Optics(new Sensor(36, 24, 6), SHOWN_MM, Projection.RECTILINEAR);
            lines.add(Numbers.text(
                    "In two minutes its error adds up to %.0f\u2033: %.1f pixels behind a %.0f mm lens on 6 \u00b5m.",
                    2 * s.errorArcsecPerMinute(), optics.driftPx(s.errorArcsecPerMinute() / 60, 120), SHOWN_MM));
        } else if (!(gear instanceof Support)) {
            lines.add("Counts by its weight.");
        }
        return List.copyOf(lines);
    }
}
