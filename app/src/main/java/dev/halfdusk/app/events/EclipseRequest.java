package dev.halfdusk.app.events;

import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An eclipse at a place, and the take of it.
 *
 * @param asked at the minute that is looked at
 * @param local empty where the night has none
 */
record EclipseRequest(SetupRequest asked, Optional<LocalEclipse> local, EclipsedMoon subject) {

    private static final double ACROSS_DEG = 1.6;

    /** Reads what stands beside the setup; empty where the form now holds complaints. */
    static Optional<EclipseRequest> read(Form form, SetupRequest asked, Optional<LocalEclipse> local) {
        List<Double> values = new ArrayList<>();
        for (Subject.Parameter p : EclipsedMoon.KIND.parameters()) {
            form.putIfEmpty(p.name(), p.usual());
            form.number(p.name(), p.range()).ifPresent(values::add);
        }
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new EclipseRequest(asked, local, (EclipsedMoon) EclipsedMoon.KIND.of(values)));
    }

    /** What the settings follow. */
    EclipseLadder.Asked ladder() {
        return subject.ladder();
    }

    /** As it would be planned for an outing in this night. */
    Plan plan() {
        return Take.of("eclipse", subject, Takes.camera(asked.named()))
                .set(asked.setup().onLensMm(), asked.setup().aperture())
                .plan(Circumstances.of(asked.night(), asked.place().standpoint(), List.of()));
    }

    /** All that is asked but the minute. */
    List<Object> same() {
        return List.of(
                asked.place(),
                asked.night().date(),
                asked.named(),
                asked.setup().onLensMm(),
                asked.setup().aperture(),
                asked.setup().pointing().held(),
                asked.setup().from().glow(),
                subject);
    }

    /** While the moon is up. */
    Optional<Interval> up() {
        return local.flatMap(l -> l.up(asked.night().observer(), asked.place().skyline()));
    }

    /** From the penumbra's first touch to its last. */
    EclipseLadder curve(LocalEclipse l) {
        Interval whole = new Interval(l.eclipse().p1(), l.eclipse().p4());
        return EclipseLadder.of(whole, Duration.ofMinutes(3), asked.setup(), ladder());
    }

    EclipseLadder.Step now() {
        return EclipseLadder.at(asked.setup(), ladder());
    }

    /** The same with the camera on a tracker at the moon's rate. */
    EclipseLadder.Step tracked() {
        Rig r = asked.setup().rig();
        Rig lunar = new Rig(r.body(), r.lens(), r.converter(), r.filterStops(), new Support(Support.Kind.LUNAR, 0));
        return EclipseLadder.at(asked.setup().with(lunar), ladder());
    }

    /** The query of the photograph at this minute. */
    String photograph(EclipseLadder.Step step) {
        return asked.address() + "&put=moon&kelvin=5200&across=" + ACROSS_DEG + "&danjon="
                + Numbers.plain(subject.danjon()) + "&shutter="
                + Numbers.plain(step.settings().seconds()) + "&iso="
                + Numbers.plain(step.settings().iso());
    }

    /** The query of this page, with one thing changed. */
    String address(String field, double value) {
        StringBuilder query = new StringBuilder(asked.address());
        for (int i = 0; i < EclipsedMoon.KIND.parameters().size(); i++) {
            String name = EclipsedMoon.KIND.parameters().get(i).name();
            double v = name.equals(field) ? value : subject.values().get(i);
            query.append('&').append(name).append('=').append(Numbers.plain(v));
        }
        return query.toString();
    }
}
