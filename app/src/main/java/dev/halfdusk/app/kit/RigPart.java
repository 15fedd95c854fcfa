package dev.halfdusk.app.kit;

import dev.halfdusk.app.web.Form;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What is put together. In files a rig names its parts; in forms it holds their ids. */
@Component
@Order(4)
class RigPart implements KitSection {

    /** Fields that tick a piece of gear begin so. */
    static final String GEAR = "gear-";

    private final Kit kit;

    RigPart(Kit kit) {
        this.kit = kit;
    }

    /** A piece of gear to tick. */
    public record Choice(String field, String label, boolean ticked) {}

    @Override
    public String key() {
        return "rig";
    }

    @Override
    public List<String> names() {
        return List.of("name", "body", "lens", "gear", "own");
    }

    @Override
    public List<String> watched() {
        List<String> watched = new ArrayList<>(List.of("name", "body", "lens", "own"));
        kit.gear().forEach(g -> watched.add(GEAR + g.id()));
        return watched;
    }

    @Override
    public String shown(String field, String value) {
        OptionalLong id = new Form()
                .put("id", field.startsWith(GEAR) ? field.substring(GEAR.length()) : value)
                .id("id");
        Optional<Long> known = id.isPresent() ? Optional.of(id.getAsLong()) : Optional.empty();
        if (field.startsWith(GEAR)) {
            String name = kit.gear().stream()
                    .filter(g -> known.filter(g.id()::equals).isPresent())
                    .findFirst()
                    .map(NamedGear::name)
                    .orElse(field);
            return (value.isEmpty() ? "without " : "with ") + name;
        }
        return switch (field) {
            case "body" -> known.flatMap(kit::body).map(NamedBody::name).orElse(value);
            case "lens" -> known.flatMap(kit::lens).map(NamedLens::name).orElse(value);
            case "own" -> value.isEmpty() ? "an example" : "yours";
            default -> value;
        };
    }

    @Override
    public Form blank() {
        Form form = new Form().put("own", "on");
        kit.bodies().stream().findFirst().ifPresent(b -> form.put("body", b.id()));
        kit.lenses().stream().findFirst().ifPresent(l -> form.put("lens", l.id()));
        return form;
    }

    @Override
    public Map<Long, Form> all() {
        Map<Long, Form> all = new LinkedHashMap<>();
        kit.rigs().forEach(r -> {
            Form form = new Form()
                    .put("name", r.name())
                    .put("body", r.body().id())
                    .put("lens", r.lens().id())
                    .put("own", r.own() ? "on" : "");
            r.gear().forEach(g -> form.put(GEAR + g.id(), "on"));
            all.put(r.id(), form);
        });
        return all;
    }

    @Override
    public void check(Form form) {
        read(form, null);
    }

    private Optional<NamedRig> read(Form form, Long id) {
        String name = form.text("name", "a name");
        Optional<NamedBody> body = chosen(form.id("body")).flatMap(kit::body);
        Optional<NamedLens> lens = chosen(form.id("lens")).flatMap(kit::lens);
        if (body.isEmpty()) {
            form.reject("body", "Choose a body from the list.");
        }
        if (lens.isEmpty()) {
            form.reject("lens", "Choose a lens from the list.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        List<NamedGear> gear =
                kit.gear().stream().filter(g -> form.has(GEAR + g.id())).toList();
        NamedRig rig = new NamedRig(id, name, body.orElseThrow(), lens.orElseThrow(), gear, form.has("own"));
        rig.misfit().ifPresent(why -> form.reject("gear", "These cannot be put together: " + why + "."));
        return form.hasErrors() ? Optional.empty() : Optional.of(rig);
    }

    private static Optional<Long> chosen(OptionalLong id) {
        return id.isPresent() ? Optional.of(id.getAsLong()) : Optional.empty();
    }

    @Override
    public long save(Form form, Long id) {
        return kit.save(read(form, id).orElseThrow());
    }

    @Override
    public void fill(Form form, Model model) {
        model.addAttribute("bodies", kit.bodies());
        model.addAttribute("lenses", kit.lenses());
        model.addAttribute(
                "choices",
                kit.gear().stream()
                        .map(g -> new Choice(GEAR + g.id(), label(g), form.has(GEAR + g.id())))
                        .toList());
        Form copy = form.copy().putIfEmpty("name", "rig");
        read(copy, null).ifPresent(r -> model.addAttribute("view", RigView.of(r)));
        model.addAttribute("missing", copy.errors());
    }

    private static String label(NamedGear g) {
        boolean said = g.name().toLowerCase(Locale.ROOT).contains(g.sort().words());
        return said ? g.name() : g.name() + ", " + g.sort().words();
    }
}
