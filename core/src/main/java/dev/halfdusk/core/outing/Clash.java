package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import java.util.ArrayList;
import java.util.List;

/**
 * Two takes that cannot both be as they stand, or one that stands where it may not.
 *
 * @param takes by name, one or two
 * @param words what, in a sentence
 */
public record Clash(Kind kind, List<String> takes, String words) {

    /** In what. */
    public enum Kind {
        CAMERA,
        HANDS,
        WINDOW,
        AWAY
    }

    public Clash {
        takes = List.copyOf(takes);
    }

    /**
     * All of a night that someone has arranged by hand.
     *
     * @param there from arriving to leaving
     */
    public static List<Clash> of(List<Slot> slots, Interval there) {
        List<Clash> found = new ArrayList<>();
        for (int i = 0; i < slots.size(); i++) {
            Slot a = slots.get(i);
            alone(a, there, found);
            for (Slot b : slots.subList(i + 1, slots.size())) {
                together(a, b, found);
            }
        }
        return List.copyOf(found);
    }

    private static void alone(Slot s, Interval there, List<Clash> found) {
        String name = name(s);
        boolean inWindow = s.plan().when().windows().stream()
                .anyMatch(w ->
                        !s.runs().from().isBefore(w.from()) && !s.runs().to().isAfter(w.to()));
        if (!inWindow) {
            found.add(new Clash(
                    Kind.WINDOW,
                    List.of(name),
                    name + " stands outside of its wish: "
                            + s.plan().take().wish().kind().words() + "."));
        }
        if (s.prepares().from().isBefore(there.from()) || s.runs().to().isAfter(there.to())) {
            found.add(new Clash(
                    Kind.AWAY, List.of(name), name + " begins before you arrive or ends after you have left."));
        }
    }

    private static void together(Slot a, Slot b, List<Clash> found) {
        List<String> names = List.of(name(a), name(b));
        if (a.camera().equals(b.camera()) && Slot.overlap(a.busy(), b.busy())) {
            found.add(new Clash(
                    Kind.CAMERA, names, a.camera() + " cannot take " + name(a) + " and " + name(b) + " at one time."));
        } else if (a.collides(b)) {
            found.add(new Clash(
                    Kind.HANDS, names, "Your hands are wanted at " + name(a) + " and " + name(b) + " at one time."));
        }
    }

    private static String name(Slot s) {
        return s.plan().take().name();
    }
}
