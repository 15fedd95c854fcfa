package dev.halfdusk.app.events;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.setup.Choices;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.optics.Projection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The rig one begins with on a tripod: a plain lens without filter or tracker, nearest to a focal length. */
final class UsualRig {

    private UsualRig() {}

    static Optional<NamedRig> near(List<NamedRig> rigs, double mm) {
        return rigs.stream()
                .filter(r -> r.rig().lens().projection() == Projection.RECTILINEAR)
                .filter(r -> r.rig().filterStops() == 0 && !r.rig().support().tracks())
                .min(Comparator.comparingDouble(
                        r -> Math.abs(Math.log(r.rig().lens().focalLengths().nearest(mm) / mm))));
    }

    /** Fills it in where none is asked for; the one that is then chosen. */
    static Optional<NamedRig> begin(Form form, Choices choices, double mm) {
        if (!form.has("rig")) {
            near(choices.rigs(), mm).ifPresent(r -> form.put("rig", r.id()));
        }
        return choices.rigs().stream()
                .filter(r -> form.value("rig").equals("" + r.id()))
                .findFirst();
    }
}
