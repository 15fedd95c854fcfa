package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.weather.Battery;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Supports, converters, filters, batteries, cards and the rest. */
@Component
@Order(3)
class GearPart implements Part {

    private final Kit kit;

    GearPart(Kit kit) {
        this.kit = kit;
    }

    /** An entry of a list. */
    public record Option(String id, String name) {}

    @Override
    public String key() {
        return "gear";
    }

    @Override
    public List<String> names() {
        return List.of("kind", "name", "weight", "mode", "amount", "detail", "note");
    }

    @Override
    public Form blank() {
        return new Form()
                .put("kind", "SUPPORT")
                .put("mode", "TRIPOD")
                .put("weight", "0")
                .put("amount", "0");
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.gear()
                .forEach(g -> all.put(
                        g.id(),
                        new Form()
                                .put("kind", g.kind())
                                .put("name", g.name())
                                .put("weight", Part.plain(g.weightG()))
                                .put("mode", g.mode())
                                .put("amount", Part.plain(g.amount()))
                                .put("detail", Part.plain(g.detail()))
                                .put("note", g.note())));
        return all;
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private static Optional<Gear.Kind> kind(Form form) {
        return Arrays.stream(Gear.Kind.values())
                .filter(k -> k.name().equalsIgnoreCase(form.value("kind")))
                .findFirst();
    }

    private static Optional<Gear> read(Form form, Long id) {
        Optional<Gear.Kind> kind = kind(form);
        if (kind.isEmpty()) {
            form.reject("kind", "Choose what it is.");
            return Optional.empty();
        }
        String name = form.text("name", "a name");
        form.putIfEmpty("weight", "0");
        OptionalDouble weight = form.number("weight", CameraBody.WEIGHT);
        OptionalDouble amount = number(form, "amount", kind.get().firstRange());
        OptionalDouble detail = number(form, "detail", kind.get().secondRange());
        String mode = form.has("mode") ? form.text("mode", "a word") : "";
        if (kind.get() == Gear.Kind.SUPPORT
                && Arrays.stream(Support.Kind.values()).noneMatch(k -> k.name().equals(form.value("mode")))) {
            form.reject("mode", "Choose how it holds the camera.");
        }
        String note = form.has("note") ? form.text("note", "a note") : "";
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new Gear(
                        id,
                        kind.get(),
                        name,
                        weight.getAsDouble(),
                        mode,
                        amount.getAsDouble(),
                        detail.getAsDouble(),
                        note));
    }

    private static OptionalDouble number(Form form, String field, Range range) {
        return range == null ? OptionalDouble.of(0) : form.number(field, range);
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public boolean delete(long id) {
        return kit.deleteGear(id);
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute(
                "kinds",
                Arrays.stream(Gear.Kind.values())
                        .map(k -> new Option(k.name(), k.words()))
                        .toList());
        model.addAttribute(
                "modes",
                Arrays.stream(Support.Kind.values())
                        .map(k -> new Option(k.name(), k.words()))
                        .toList());
        Gear.Kind kind = kind(form).orElse(Gear.Kind.EXTRA);
        model.addAttribute("kind", kind);
        Form copy = form.copy().putIfEmpty("name", "gear");
        read(copy, null).ifPresent(g -> model.addAttribute("view", consequences(g)));
        model.addAttribute("missing", copy.errors());
    }

    private static List<String> consequences(Gear g) {
        List<String> lines = new ArrayList<>();
        switch (g.kind()) {
            case BATTERY -> {
                for (int celsius : new int[] {20, 10, 0, -10}) {
                    double factor = Battery.factor(celsius);
                    lines.add(String.format(
                            Locale.ROOT,
                            "At %d \u00b0C about %.0f frames or %.0f minutes.",
                            celsius,
                            g.amount() * factor,
                            g.detail() * factor));
                }
            }
            case FILTER ->
                lines.add(String.format(
                        Locale.ROOT, "One part in %.0f of the light comes through.", Math.pow(2, g.amount())));
            case CARD ->
                lines.add(String.format(
                        Locale.ROOT,
                        "Holds %.0f raw frames of 30 MB; one is written in %.1f s.",
                        g.amount() * 1000 / 30,
                        30 / g.detail()));
            case TELECONVERTER ->
                lines.add(String.format(
                        Locale.ROOT,
                        "A 200 mm f/4 becomes %.0f mm f/%.1f, %.1f stops darker.",
                        200 * g.amount(),
                        4 * g.amount(),
                        2 * Math.log(g.amount()) / Math.log(2)));
            case SUPPORT -> {
                if (g.support().tracks()) {
                    lines.add(String.format(
                            Locale.ROOT,
                            "In two minutes its error adds up to %.0f\u2033: %.1f pixels behind a 135 mm lens on 6 \u00b5m.",
                            2 * g.amount(),
                            2 * g.amount() / (206.265 * 6 / 135)));
                }
            }
            default -> lines.add("Counts by its weight.");
        }
        return lines;
    }
}
