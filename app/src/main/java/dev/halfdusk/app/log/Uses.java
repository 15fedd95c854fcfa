package dev.halfdusk.app.log;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.learned.Origin;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Learned;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.IsoDial;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was learned, put where it is planned with: the reading of a place, the ISO of a body, the minutes of a battery, and so on. What
 * stood there is kept, so that it can be put back.
 */
@Component
public class Uses {

    private final Places places;
    private final Kit kit;
    private final UsualDecision usual;
    private final Habits habits;
    private final Origins origins;
    private final Observations observations;
    private final Planned planned;

    Uses(
            Places places,
            Kit kit,
            UsualDecision usual,
            Habits habits,
            Origins origins,
            Observations observations,
            Planned planned) {
        this.planned = planned;
        this.places = places;
        this.kit = kit;
        this.usual = usual;
        this.habits = habits;
        this.origins = origins;
        this.observations = observations;
    }

    private static Optional<Long> id(String whose) {
        return whose.matches("\\d{1,18}") ? Optional.of(Long.parseLong(whose)) : Optional.empty();
    }

    private Optional<Place> place(String whose) {
        return id(whose).flatMap(places::find);
    }

    private Optional<NamedBody> body(String whose) {
        return id(whose).flatMap(kit::body);
    }

    private Optional<NamedLens> lens(String whose) {
        return id(whose).flatMap(kit::lens);
    }

    private Optional<NamedGear> battery(String whose) {
        return id(whose).flatMap(kit::gear).filter(g -> g.gear() instanceof Gear.Battery);
    }

    private void set(Learnable what, String whose, OptionalDouble value) {
        switch (what) {
            case DARKNESS -> place(whose).ifPresent(p -> places.change(p.read(value)));
            case DRIFT -> usual.keep(usual.get().tolerating(value));
            case ISO ->
                body(whose)
                        .ifPresent(b -> kit.save(new NamedBody(
                                b.id(),
                                b.name(),
                                b.camera().tolerating((int)
                                        IsoDial.nearest(b.camera().isoSteps(), value.orElseThrow())),
                                b.note())));
            case BATTERY ->
                battery(whose, b -> new Gear.Battery(b.frames(), value.orElseThrow(), b.coldMinutes(), false));
            case BATTERY_COLD -> battery(whose, b -> new Gear.Battery(b.frames(), b.minutes(), value, false));
            case SHARPEST ->
                lens(whose)
                        .ifPresent(l -> kit.save(
                                new NamedLens(l.id(), l.name(), l.lens().sharpestAt(value), l.note())));
            case INFINITY ->
                lens(whose)
                        .ifPresent(l -> kit.save(
                                new NamedLens(l.id(), l.name(), l.lens().infinityAt(value), l.note())));
            case SET_UP -> habits.setUp(value);
            case OFFSET -> habits.offset(whose, value);
            case DANJON -> habits.danjon(value);
            case FORECAST -> {} // tells how far to trust, and is set nowhere
        }
    }

    private void battery(String whose, UnaryOperator<Gear.Battery> to) {
        battery(whose)
                .ifPresent(g -> kit.save(
                        new NamedGear(g.id(), g.name(), g.weightG(), to.apply((Gear.Battery) g.gear()), g.note())));
    }

    /** Plans from now on with what was learned; what stood there before anything was learned is kept. */
    @Transactional
    public boolean use(Learnable what, String whose) {
        Optional<Learned> learned = observations.learned(new Observations.Thing(what, whose));
        Planned.Now stands = planned.now();
        if (!what.used() || learned.isEmpty() || stands.name(what, whose).isEmpty()) {
            return false;
        }
        OptionalDouble now = stands.value(what, whose);
        OptionalDouble before = origins.of(what, whose, now).map(Origin::before).orElse(now);
        set(what, whose, OptionalDouble.of(learned.get().value()));
        OptionalDouble used = planned.now().value(what, whose);
        if (used.isEmpty()) {
            return false;
        }
        origins.keep(new Origin(
                what,
                whose,
                before,
                used.getAsDouble(),
                learned.get().origin(),
                learned.get().nights()));
        return true;
    }

    /** As it was before; what its owner has set otherwise since stays. */
    @Transactional
    public void back(Learnable what, String whose) {
        origins.of(what, whose, planned.now().value(what, whose)).ifPresent(o -> set(what, whose, o.before()));
        origins.forget(what, whose);
    }
}
