package dev.halfdusk.app.events;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.eclipse.SolarLight;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.take.Moon;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** How one begins with the moon: the longest lens at its long end, as people set it for a take of it. */
final class MoonSetup {

    private MoonSetup() {}

    /** Fills in what was not said of rig: the longest that is not there for the sun, its focal length and aperture. */
    static void begin(Form form, Choices choices) {
        form.putIfEmpty(
                "rig",
                choices.rigs().stream()
                        .max(Comparator.comparing((NamedRig r) -> !SolarLight.filtered(r.rig()))
                                .thenComparing(
                                        r -> r.rig().focalMm(r.rig().lens().longestMm())))
                        .orElseThrow()
                        .id());
        if (!form.has("focal")) {
            Optional<NamedRig> rig = choices.rigs().stream()
                    .filter(r -> form.value("rig").equals("" + r.id()))
                    .findFirst();
            rig.map(NamedRig::rig).ifPresent(r -> begin(form, r));
        }
    }

    private static void begin(Form form, Rig rig) {
        double longest = rig.lens().longestMm();
        form.put("focal", longest);
        form.putIfEmpty("aperture", Moon.KIND.usual().usualAperture(rig, longest));
    }

    /** The place that is asked for, or the first; an unknown one is left to the reader of the setup. */
    static Place place(Form form, Choices choices) {
        return choices.places().stream()
                .filter(p -> form.value("place").equals("" + p.id()))
                .findFirst()
                .orElse(choices.places().get(0));
    }

    /**
     * The same for a page without a setup; empty where there are none.
     *
     * @throws NotFound for one that is not among them
     */
    static Optional<Place> place(Optional<String> id, List<Place> all) {
        return id.isEmpty()
                ? all.stream().findFirst()
                : Optional.of(all.stream()
                        .filter(p -> id.get().equals("" + p.id()))
                        .findFirst()
                        .orElseThrow(() -> new NotFound("place " + id.get())));
    }
}
