package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A body, a lens and gear under a name.
 *
 * @param id null until stored
 * @param own whether it is somebody's; else it is an example that came with the application
 */
public record NamedRig(Long id, String name, NamedBody body, NamedLens lens, List<NamedGear> gear, boolean own) {

    /** Somebody's own. */
    public NamedRig(Long id, String name, NamedBody body, NamedLens lens, List<NamedGear> gear) {
        this(id, name, body, lens, gear, true);
    }

    /** Of that name; of several the one of that number, else the first. */
    public static Optional<NamedRig> find(List<NamedRig> rigs, String name, long id) {
        List<NamedRig> ofName = rigs.stream().filter(r -> r.name().equals(name)).toList();
        return ofName.stream()
                .filter(r -> r.id() == id)
                .findFirst()
                .or(() -> ofName.stream().findFirst());
    }

    /** Put together; a part that cannot be, since another has become something else, is left off. */
    public Rig rig() {
        return misfit().isEmpty() ? of(all()) : of(fitting());
    }

    private List<Gear> all() {
        return gear.stream().map(NamedGear::gear).toList();
    }

    private Rig of(List<Gear> on) {
        return Rig.of(body.camera(), lens.lens(), on);
    }

    /** Why some gear cannot be put on; empty where it can. */
    private Optional<String> together(List<Gear> on) {
        try {
            of(on);
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of(e.getMessage());
        }
    }

    private List<Gear> fitting() {
        List<Gear> on = new ArrayList<>();
        for (NamedGear g : gear) {
            on.add(g.gear());
            if (together(on).isPresent()) {
                on.remove(on.size() - 1);
            }
        }
        return on;
    }

    /** Why its parts cannot all be put together; empty where they can. */
    public Optional<String> misfit() {
        return together(all());
    }

    /** What that means for who uses it; empty where its parts go together. */
    public Optional<String> leftOff() {
        List<Gear> on = fitting();
        List<String> off = gear.stream()
                .filter(g -> !on.contains(g.gear()))
                .map(NamedGear::name)
                .toList();
        return misfit().map(why -> name + " is used without " + String.join(", ", off) + ": " + why + ".");
    }

    /** What it runs from. */
    public Optional<Gear.Battery> battery() {
        return Gear.battery(all());
    }

    /** The first of a sort that goes with it. */
    public <T extends Gear> Optional<T> first(Class<T> sort) {
        return gear.stream()
                .map(NamedGear::gear)
                .filter(sort::isInstance)
                .map(sort::cast)
                .findFirst();
    }

    /** All of it, grams. */
    public double weightG() {
        return rig().weightG() + gear.stream().mapToDouble(NamedGear::weightG).sum();
    }
}
