package dev.halfdusk.app.log;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.weather.Cold;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What plans are made with as it stands, by what can be learned of it: read once, for pages that ask of many things. */
@Component
class Planned {

    private final Places places;
    private final Kit kit;
    private final UsualDecision usual;
    private final Habits habits;

    Planned(Places places, Kit kit, UsualDecision usual, Habits habits) {
        this.places = places;
        this.kit = kit;
        this.usual = usual;
        this.habits = habits;
    }

    Now now() {
        return new Now(
                places.all().stream().collect(Collectors.toMap(Place::id, Function.identity())),
                kit.bodies().stream().collect(Collectors.toMap(NamedBody::id, Function.identity())),
                kit.lenses().stream().collect(Collectors.toMap(NamedLens::id, Function.identity())),
                kit.gear().stream()
                        .filter(g -> g.gear() instanceof Gear.Battery)
                        .collect(Collectors.toMap(NamedGear::id, Function.identity())),
                usual.get(),
                new HashMap<>(habits.all()));
    }

    /** At one moment. */
    record Now(
            Map<Long, Place> places,
            Map<Long, NamedBody> bodies,
            Map<Long, NamedLens> lenses,
            Map<Long, NamedGear> batteries,
            Decision usual,
            Map<String, Double> habits) {

        private static <T> Optional<T> of(Map<Long, T> all, String whose) {
            return whose.matches("\\d{1,18}") ? Optional.ofNullable(all.get(Long.parseLong(whose))) : Optional.empty();
        }

        private OptionalDouble habit(String what) {
            return habits.containsKey(what) ? OptionalDouble.of(habits.get(what)) : OptionalDouble.empty();
        }

        private Optional<Gear.Battery> battery(String whose) {
            return of(batteries, whose).map(g -> (Gear.Battery) g.gear());
        }

        private static OptionalDouble number(Optional<Double> value) {
            return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
        }

        /** What it is about, by name: "Salt Ledge"; empty where it is gone. */
        Optional<String> name(Learnable what, String whose) {
            return switch (what.whose()) {
                case PLACE -> of(places, whose).map(Place::name);
                case BODY -> of(bodies, whose).map(NamedBody::name);
                case LENS -> of(lenses, whose).map(NamedLens::name);
                case BATTERY -> of(batteries, whose).map(NamedGear::name);
                case SUBJECT -> Subjects.of(whose).map(Subject.Kind::words);
                case ONESELF -> Optional.of("");
            };
        }

        /** What is planned with; empty where nothing of one's own is. */
        OptionalDouble value(Learnable what, String whose) {
            return switch (what) {
                case DARKNESS -> of(places, whose).map(Place::zenithMagnitude).orElse(OptionalDouble.empty());
                case DRIFT -> usual.stars().tolerancePx();
                case ISO ->
                    number(of(bodies, whose).map(b -> (double) b.camera().comfortableIso()));
                case BATTERY -> number(battery(whose).map(Gear.Battery::minutes));
                case BATTERY_COLD ->
                    battery(whose).map(Gear.Battery::coldMinutes).orElse(OptionalDouble.empty());
                case SHARPEST -> of(lenses, whose).map(l -> l.lens().sharpest()).orElse(OptionalDouble.empty());
                case INFINITY ->
                    of(lenses, whose).map(l -> l.lens().infinityMm()).orElse(OptionalDouble.empty());
                case SET_UP -> habit(Habits.SET_UP);
                case OFFSET -> habit(Habits.OFFSET + whose);
                case DANJON -> habit(Habits.DANJON);
                case FORECAST -> OptionalDouble.empty();
            };
        }

        /** The same, or what is reckoned with where nothing is said. */
        OptionalDouble assumed(Learnable what, String whose) {
            OptionalDouble own = value(what, whose);
            if (own.isPresent()) {
                return own;
            }
            return switch (what) {
                case DARKNESS ->
                    number(of(places, whose)
                            .map(p -> p.glow().zenith(SunAndMoon.NEITHER).magnitude()));
                case DRIFT -> OptionalDouble.of(Demand.USUAL.tolerancePx());
                case BATTERY_COLD -> number(battery(whose).map(b -> b.minutes() * Cold.batteryFactor(0)));
                case SET_UP -> OptionalDouble.of(WorkTimes.USUAL.first().toMinutes());
                case OFFSET -> OptionalDouble.of(0);
                default -> own;
            };
        }
    }
}
