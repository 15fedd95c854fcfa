package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Checklist;
import dev.halfdusk.core.outing.Clash;
import dev.halfdusk.core.outing.Habits;
import dev.halfdusk.core.outing.NightProposal;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Schedule;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** The takes of an outing in its night: planned, arranged, and what more the night would bear. */
@Component
public class Evening {

    private static final double USUAL_CELSIUS = 12;

    private final Takes takes;
    private final Outings outings;
    private final Places places;
    private final Skies skies;
    private final Kit kit;
    private final Weather weather;

    Evening(Takes takes, Outings outings, Places places, Skies skies, Kit kit, Weather weather) {
        this.takes = takes;
        this.outings = outings;
        this.places = places;
        this.skies = skies;
        this.kit = kit;
        this.weather = weather;
    }

    /** A stored take with its plan of the night. */
    record Planned(long id, Plan plan) {}

    /**
     * An evening.
     *
     * @param there from arriving to leaving
     * @param proposed what the night would bear beside what is planned
     */
    record Arranged(
            Outing outing,
            Night night,
            Interval there,
            List<Planned> takes,
            Schedule schedule,
            List<NightProposal.Proposed> proposed,
            Function<Instant, Optional<WeatherHour>> weather) {

        /** Where a take stands; two that are alike are told apart by their plans. */
        Optional<Slot> slot(Planned take) {
            return schedule.slots().stream().filter(s -> s.plan() == take.plan).findFirst();
        }

        /** Why a take has no place; empty where it has one. */
        String why(Planned take) {
            return schedule.left().stream()
                    .filter(l -> l.plan() == take.plan)
                    .map(Schedule.Left::why)
                    .findFirst()
                    .orElse("");
        }

        /** What held takes make impossible. */
        List<Clash> clashes() {
            return Clash.of(schedule.slots(), there);
        }

        /** What must be in the bag. */
        List<Checklist.Item> bag() {
            return Checklist.of(schedule, weather, USUAL_CELSIUS);
        }

        List<RunSheet.Line> sheet() {
            return RunSheet.of(night, schedule, there);
        }
    }

    Arranged of(Outing outing) {
        Night night = outing.night(skies);
        Circumstances c = circumstances(outing, night);
        List<Planned> planned = takes.of(outing.id()).stream()
                .map(t -> new Planned(t.id(), t.take().plan(c)))
                .toList();
        List<Plan> plans = planned.stream().map(Planned::plan).toList();
        Interval there = RunSheet.there(night);
        return new Arranged(
                outing,
                night,
                there,
                planned,
                Schedule.arrange(plans, Habits.USUAL, there),
                NightProposal.of(c, cameras(), plans.stream().map(Plan::take).toList()),
                c.weather());
    }

    /** The run sheet of an outing's takes; empty where there is no such outing. */
    public Optional<List<RunSheet.Line>> sheet(long outing) {
        return outings.find(outing).map(o -> of(o).sheet());
    }

    private Circumstances circumstances(Outing outing, Night night) {
        return new Circumstances(
                night,
                outing.place().standpoint(),
                places.plainMarks(outing.place().id()),
                weather.hours(outing.place(), night),
                USUAL_CELSIUS);
    }

    private List<NightProposal.Camera> cameras() {
        return kit.rigs().stream()
                .map(r -> new NightProposal.Camera(r.name(), r.rig()))
                .toList();
    }

    /** Adds what is proposed under a name, or all of it. */
    void accept(Outing outing, Optional<String> name) {
        for (NightProposal.Proposed p : of(outing).proposed()) {
            Take take = p.take();
            if (name.isEmpty() || name.get().equals(take.name())) {
                add(outing, take);
            }
        }
    }

    /** Adds a take whose camera is the name of a rig. */
    public void add(Outing outing, Take take) {
        takes.add(outing.id(), take, rig(take.camera()));
    }

    private long rig(String name) {
        return kit.rigs().stream()
                .filter(r -> r.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }
}
