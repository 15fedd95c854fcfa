package dev.halfdusk.app.kit;

import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Support;
import java.util.List;

/** A body, a lens and gear under a name. */
public record NamedRig(Long id, String name, Kit.Body body, Kit.NamedLens lens, List<Gear> gear) {

    /** @throws IllegalArgumentException saying why these cannot be put together */
    public Rig rig() {
        if (gear.stream().filter(g -> g.kind() == Gear.Kind.SUPPORT).count() > 1) {
            throw new IllegalArgumentException("one rig stands on one support only");
        }
        if (gear.stream().filter(g -> g.kind() == Gear.Kind.TELECONVERTER).count() > 1) {
            throw new IllegalArgumentException("teleconverters cannot be put behind each other");
        }
        double converter = gear.stream()
                .filter(g -> g.kind() == Gear.Kind.TELECONVERTER)
                .mapToDouble(Gear::amount)
                .findFirst()
                .orElse(1);
        double stops = gear.stream()
                .filter(g -> g.kind() == Gear.Kind.FILTER)
                .mapToDouble(Gear::amount)
                .sum();
        Support support = gear.stream()
                .filter(g -> g.kind() == Gear.Kind.SUPPORT)
                .map(Gear::support)
                .findFirst()
                .orElse(Support.TRIPOD);
        return new Rig(body.camera(), lens.lens(), converter, stops, support);
    }

    /** All of it, grams. */
    public double weightG() {
        return rig().weightG() + gear.stream().mapToDouble(Gear::weightG).sum();
    }
}
