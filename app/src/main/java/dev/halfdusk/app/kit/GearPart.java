package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.weather.Cold;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
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

    @Override
    public List<String> names() {
        return List.of(
                "kind",
                "name",
                "weight",
                "support",
                "error",
                "factor",
                "stops",
                "frames",
                "minutes",
                "gigabytes",
                "writeSpeed",
                "release",
                "note");
    }

    @Override
    public Form blank() {
        return new Form()
                .put("kind", Gear.Sort.SUPPORT)
                .put("support", Support.Kind.TRIPOD)
                .put("weight", "0")
                .put("error", "0");
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.gear().forEach(g -> all.put(g.id(), fields(g)));
        return all;
    }

    private static Form fields(NamedGear named) {
        Form form = new Form()
                .put("kind", named.sort())
                .put("name", named.name())
                .put("weight", named.weightG())
                .put("note", named.note());
        Gear gear = named.gear();
        if (gear instanceof Support s) {
            form.put("support", s.kind()).put("error", s.errorArcsecPerMinute());
        } else if (gear instanceof Gear.Teleconverter t) {
            form.put("factor", t.factor());
        } else if (gear instanceof Gear.Filter f) {
            form.put("stops", f.stops());
        } else if (gear instanceof Gear.Battery b) {
            form.put("frames", b.frames()).put("minutes", b.minutes());
        } else if (gear instanceof Gear.Card c) {
            form.put("gigabytes", c.gigabytes()).put("writeSpeed", c.megabytesPerSecond());
        } else if (gear instanceof Gear.Release r) {
            form.put("release", r.words());
        }
        return form;
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
        String name = form.text("name", "a name");
        form.putIfEmpty("weight", "0");
        OptionalDouble weight = form.number("weight", CameraBody.WEIGHT);
        Optional<Gear> gear = gear(sort.get(), form);
        String note = form.has("note") ? form.text("note", "a note") : "";
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new NamedGear(id, name, weight.getAsDouble(), gear.orElseThrow(), note));
    }

    /** The fields of one sort; those of the others are not looked at. */
    private static Optional<Gear> gear(Gear.Sort sort, Form form) {
        return switch (sort) {
            case SUPPORT -> support(form);
            case TELECONVERTER -> one(form.number("factor", Gear.Teleconverter.FACTOR), Gear.Teleconverter::new);
            case FILTER -> one(form.number("stops", Gear.Filter.STOPS), Gear.Filter::new);
            case BATTERY ->
                two(
                        form.number("frames", Gear.Battery.FRAMES),
                        form.number("minutes", Gear.Battery.MINUTES),
                        Gear.Battery::new);
            case CARD ->
                two(
                        form.number("gigabytes", Gear.Card.SIZE),
                        form.number("writeSpeed", Gear.Card.SPEED),
                        Gear.Card::new);
            case RELEASE -> Optional.of(new Gear.Release(form.has("release") ? form.text("release", "words") : ""));
            case EXTRA -> Optional.of(new Gear.Extra());
        };
    }

    private static Optional<Gear> support(Form form) {
        form.putIfEmpty("error", "0");
        Optional<Support.Kind> kind = form.choice("support", Support.Kind.class);
        if (kind.isEmpty()) {
            form.reject("support", "Choose how it holds the camera.");
        }
        OptionalDouble error = form.number("error", Support.ERROR);
        return kind.isPresent() && error.isPresent()
                ? Optional.of(new Support(kind.get(), error.getAsDouble()))
                : Optional.empty();
    }

    private interface OfOne {
        Gear make(double number);
    }

    private interface OfTwo {
        Gear make(double first, double second);
    }

    private static Optional<Gear> one(OptionalDouble number, OfOne of) {
        return number.isPresent() ? Optional.of(of.make(number.getAsDouble())) : Optional.empty();
    }

    private static Optional<Gear> two(OptionalDouble first, OptionalDouble second, OfTwo of) {
        return first.isPresent() && second.isPresent()
                ? Optional.of(of.make(first.getAsDouble(), second.getAsDouble()))
                : Optional.empty();
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("kinds", Choice.of(Gear.Sort.class, Enum::name, Gear.Sort::words));
        model.addAttribute("supports", Choice.of(Support.Kind.class, Enum::name, Support.Kind::words));
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
                            celsius,
                            b.frames() * Cold.batteryFactor(celsius),
                            b.minutes() * Cold.batteryFactor(celsius)))
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
