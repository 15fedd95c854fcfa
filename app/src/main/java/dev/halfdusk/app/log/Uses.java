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
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Learned;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.IsoDial;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.weather.Cold;
import java.util.Optional;
import java.util.OptionalDouble;
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

    Uses(Places places, Kit kit, UsualDecision usual, Habits habits, Origins origins, Observations observations) {
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

    /** What it is about, by name: "Salt Ledge"; empty where it is gone. */
    public Optional<String> name(Learnable what, String whose) {
        return switch (what.whose()) {
            case PLACE -> place(whose).map(Place::name);
            case BODY -> body(whose).map(NamedBody::name);
            case LENS -> lens(whose).map(NamedLens::name);
            case BATTERY -> battery(whose).map(NamedGear::name);
            case SUBJECT -> Subjects.of(whose).map(Subject.Kind::words);
            case ONESELF -> Optional.of("");
        };
    }

    /** What is planned with now; empty where nothing of one's own is. */
    public OptionalDouble now(Learnable what, String whose) {
        return switch (what) {
            case DARKNESS -> place(whose).map(Place::zenithMagnitude).orElse(OptionalDouble.empty());
            case DRIFT -> usual.get().stars().tolerancePx();
            case ISO ->
                body(whose)
                        .map(b -> OptionalDouble.of(b.camera().comfortableIso()))
                        .orElse(OptionalDouble.empty());
            case BATTERY ->
                battery(whose)
                        .map(g -> OptionalDouble.of(((Gear.Battery) g.gear()).minutes()))
                        .orElse(OptionalDouble.empty());
            case BATTERY_COLD ->
                battery(whose).map(g -> ((Gear.Battery) g.gear()).coldMinutes()).orElse(OptionalDouble.empty());
            case SHARPEST -> lens(whose).map(l -> l.lens().sharpest()).orElse(OptionalDouble.empty());
            case INFINITY -> lens(whose).map(l -> l.lens().infinityMm()).orElse(OptionalDouble.empty());
            case SET_UP -> habits.setUp();
            case OFFSET -> habits.offset(whose);
            case DANJON -> habits.danjon();
            case FORECAST -> OptionalDouble.empty();
        };
    }

    /** What is reckoned with where nothing is said. */
    public OptionalDouble assumed(Learnable what, String whose) {
        OptionalDouble now = now(what, whose);
        if (now.isPresent()) {
            return now;
        }
        return switch (what) {
            case DARKNESS ->
                place(whose)
                        .map(p -> OptionalDouble.of(
                                p.glow().zenith(SunAndMoon.NEITHER).magnitude()))
                        .orElse(now);
            case DRIFT -> OptionalDouble.of(Demand.USUAL.tolerancePx());
            case BATTERY_COLD ->
                battery(whose)
                        .map(g -> OptionalDouble.of(((Gear.Battery) g.gear()).minutes() * Cold.batteryFactor(0)))
                        .orElse(now);
            case SET_UP -> OptionalDouble.of(WorkTimes.USUAL.first().toMinutes());
            case OFFSET -> OptionalDouble.of(0);
            default -> now;
        };
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

    private void battery(String whose, java.util.function.UnaryOperator<Gear.Battery> to) {
        battery(whose)
                .ifPresent(g -> kit.save(
                        new NamedGear(g.id(), g.name(), g.weightG(), to.apply((Gear.Battery) g.gear()), g.note())));
    }

    /** Plans from now on with what was learned; what stood there before anything was learned is kept. */
    @Transactional
    public boolean use(Learnable what, String whose) {
        Optional<Learned> learned = observations.learned(new Observations.Thing(what, whose));
        if (!what.used() || learned.isEmpty() || name(what, whose).isEmpty()) {
            return false;
        }
        OptionalDouble now = now(what, whose);
        OptionalDouble before = origins.of(what, whose, now).map(Origin::before).orElse(now);
        set(what, whose, OptionalDouble.of(learned.get().value()));
        OptionalDouble used = now(what, whose);
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
        origins.of(what, whose, now(what, whose)).ifPresent(o -> set(what, whose, o.before()));
        origins.forget(what, whose);
    }
}
