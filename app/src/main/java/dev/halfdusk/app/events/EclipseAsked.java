package dev.halfdusk.app.events;

import dev.halfdusk.app.setup.Asked;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.eclipse.EclipseLadder;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.glow.ShadowedMoon;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.take.EclipsedMoon;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * An eclipse at a place, and how it is to be photographed.
 *
 * @param asked at the minute that is looked at
 * @param local empty where the night has none
 * @param everySeconds from frame to frame
 */
record EclipseAsked(Asked asked, Optional<LocalEclipse> local, EclipseLadder.Asked ladder, double everySeconds) {

    private static final double ACROSS_DEG = 1.6;

    /** What the page asks beside a setup. */
    static final List<String> FIELDS = List.of("switchAt", "danjon", "brighterStops", "everySeconds");

    /** Reads what stands beside the setup; empty where the form now holds complaints. */
    static Optional<EclipseAsked> read(Form form, Asked asked, Optional<LocalEclipse> local) {
        List<Double> usual = EclipsedMoon.KIND.usual().values();
        EclipsedMoon.KIND.parameters().forEach(p -> form.putIfEmpty(p.name(), p.usual()));
        OptionalDouble switchAt = form.number("switchAt", EclipseLadder.SWITCH);
        OptionalDouble danjon = form.number("danjon", ShadowedMoon.DANJON);
        OptionalDouble brighter = form.number("brighterStops", EclipseLadder.BRIGHTER);
        OptionalDouble every = form.number("everySeconds", EclipsedMoon.EVERY);
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new EclipseAsked(
                        asked,
                        local,
                        new EclipseLadder.Asked(switchAt.getAsDouble(), danjon.getAsDouble(), brighter.getAsDouble()),
                        every.orElse(usual.get(0))));
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
                ladder,
                everySeconds);
    }

    /** While the moon is up. */
    Optional<Interval> up() {
        return local.flatMap(l -> l.up(asked.night().observer(), asked.place().skyline()));
    }

    /** From the penumbra's first touch to its last. */
    EclipseLadder curve(LocalEclipse l) {
        Interval whole = new Interval(l.eclipse().p1(), l.eclipse().p4());
        return EclipseLadder.of(whole, Duration.ofMinutes(3), asked.setup(), ladder);
    }

    EclipseLadder.Step now() {
        return EclipseLadder.at(asked.setup(), ladder);
    }

    /** The same with the camera on a tracker at the moon's rate. */
    EclipseLadder.Step tracked() {
        Rig r = asked.setup().rig();
        Rig lunar = new Rig(r.body(), r.lens(), r.converter(), r.filterStops(), new Support(Support.Kind.LUNAR, 0));
        return EclipseLadder.at(asked.setup().with(lunar), ladder);
    }

    /** The query of the photograph at this minute. */
    String photograph(EclipseLadder.Step step) {
        return asked.address() + "&put=moon&kelvin=5200&across=" + ACROSS_DEG + "&danjon="
                + Numbers.plain(ladder.danjon()) + "&shutter="
                + Numbers.plain(step.settings().seconds()) + "&iso="
                + Numbers.plain(step.settings().iso());
    }

    /** The query of this page, with one thing changed. */
    String address(String field, double value) {
        StringBuilder query = new StringBuilder(asked.address());
        List<Double> values = List.of(ladder.switchAt(), ladder.danjon(), ladder.brighterStops(), everySeconds);
        for (int i = 0; i < FIELDS.size(); i++) {
            double v = FIELDS.get(i).equals(field) ? value : values.get(i);
            query.append('&').append(FIELDS.get(i)).append('=').append(Numbers.plain(v));
        }
        return query.toString();
    }
}
