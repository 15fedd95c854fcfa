package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.learned.Lessons;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.app.web.CautionWords;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.outing.Checklist;
import dev.halfdusk.core.outing.Clash;
import dev.halfdusk.core.outing.Clashes;
import dev.halfdusk.core.outing.NextTakes;
import dev.halfdusk.core.outing.NightProposal;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Schedule;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.outing.WorkTimes;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/** The takes of an outing in its night: planned, arranged, and what more the night would bear. */
@Component
public class OutingPlanner {

    private static final double USUAL_CELSIUS = 12;

    private final Takes takes;
    private final Outings outings;
    private final Places places;
    private final Skies skies;
    private final Kit kit;
    private final Weather weather;
    private final Plans plans;
    private final UsualDecision usual;
    private final Habits habits;
    private final Lessons lessons;

    OutingPlanner(
            Takes takes,
            Outings outings,
            Places places,
            Skies skies,
            Kit kit,
            Weather weather,
            Plans plans,
            UsualDecision usual,
            Habits habits,
            Lessons lessons) {
        this.habits = habits;
        this.lessons = lessons;
        this.usual = usual;
        this.takes = takes;
        this.outings = outings;
        this.places = places;
        this.skies = skies;
        this.kit = kit;
        this.weather = weather;
        this.plans = plans;
    }

    /** A stored take with its plan of the night, as far as it has come. */
    public record Planned(Takes.Stored stored, Plan plan) {

        public long id() {
            return stored.id();
        }

        public Take take() {
            return plan.take();
        }
    }

    /**
     * An evening.
     *
     * @param habits how long work takes those who go
     * @param lessons of the nights at its places before it
     */
    public record Arranged(
            Outing outing,
            Circumstances c,
            Trip trip,
            List<Planned> takes,
            Schedule schedule,
            List<Takes.Elsewhere> elsewhere,
            WorkTimes habits,
            List<Lessons.Lesson> lessons) {

        /** At its first place, by whose clock all is told. */
        public Night night() {
            return c.night();
        }

        /** Where a take stands. */
        public Optional<Slot> slot(Planned take) {
            return schedule.slots().stream()
                    .filter(s -> s.id().equals(take.plan.id()))
                    .findFirst();
        }

        public Planned of(Slot slot) {
            return of(slot.plan()).orElseThrow();
        }

        public Optional<Planned> of(Plan plan) {
            return takes.stream().filter(t -> t.plan.id().equals(plan.id())).findFirst();
        }

        public Optional<Planned> find(long take) {
            return takes.stream().filter(t -> t.id() == take).findFirst();
        }

        /** Why a take has no place; empty where it has one. */
        public String why(Planned take) {
            if (take.stored.progress().skipped()) {
                return "left out in the field";
            }
            return schedule.left().stream()
                    .filter(l -> l.plan().id().equals(take.plan.id()))
                    .map(l -> ClashWords.why(l.plan(), l.why()))
                    .findFirst()
                    .orElse("");
        }

        /** What does not go together, with the way out. */
        public List<ToldClash> clashes() {
            List<ToldClash> all = new ArrayList<>();
            takes.stream()
                    .map(t -> t.stored.rig())
                    .distinct()
                    .forEach(rig -> rig.leftOff()
                            .ifPresent(words -> all.add(ToldClash.of(
                                    Clash.Kind.LENS,
                                    takes.stream()
                                            .filter(t -> t.stored.rig().equals(rig))
                                            .map(t -> t.take().name())
                                            .toList(),
                                    words,
                                    "Change the rig, or take it with another."))));
            elsewhere.forEach(e -> takes.stream()
                    .filter(t -> t.stored.rig().body().id() == e.body())
                    .findFirst()
                    .ifPresent(t -> all.add(elsewhere(e, t))));
            Clashes.of(schedule, trip, habits).forEach(k -> all.add(ToldClash.of(k)));
            return all;
        }

        private static ToldClash elsewhere(Takes.Elsewhere e, Planned take) {
            return ToldClash.of(
                    Clash.Kind.ELSEWHERE,
                    List.of(take.take().name()),
                    e.name() + " is planned in \u201c" + e.title() + "\u201d as well on this night.",
                    "Take one of them on another night or with another camera, or bring both together: a night may have"
                            + " several places.");
        }

        public Place place(Planned take) {
            return outing.place(take.take().stop());
        }

        /** What must be in the bag. */
        public List<Checklist.Item> bag() {
            List<Checklist.Item> all = new ArrayList<>(Checklist.of(schedule, c.weather(), USUAL_CELSIUS));
            lessons.forEach(l -> all.add(new Checklist.Item(l.words(), "last time, " + Words.day(l.night()))));
            return all;
        }

        public List<SheetWords.Line> sheet() {
            List<SheetWords.Line> all = new ArrayList<>(lessons.stream()
                    .map(l -> new SheetWords.Line(
                            trip.there().from(),
                            "Last time (" + Words.day(l.night()) + "): " + l.words(),
                            true,
                            "",
                            false))
                    .toList());
            RunSheet.of(c, schedule, trip, habits).forEach(l -> all.add(SheetWords.Line.of(l, night())));
            all.sort(Comparator.comparing(SheetWords.Line::when));
            return all;
        }

        public List<String> cautions() {
            return CautionWords.of(
                    outing.warnings(), takes.stream().map(Planned::take).toList());
        }
    }

    public Arranged of(Outing outing) {
        List<Circumstances> c = circumstances(outing);
        List<Planned> planned = new ArrayList<>();
        List<Takes.Stored> stored = takes.of(outing.id());
        List<Plan> all = plan(outing, c, stored.stream().map(Takes.Stored::take).toList());
        for (int i = 0; i < stored.size(); i++) {
            planned.add(new Planned(stored.get(i), stored.get(i).progress().of(all.get(i))));
        }
        List<Plan> wanted = planned.stream()
                .filter(p -> !p.stored.progress().skipped())
                .map(Planned::plan)
                .toList();
        return arranged(outing, c.get(0), planned, wanted, outing::open);
    }

    /** @param open when there is still work, on the way that reaches all that is wanted */
    private Arranged arranged(
            Outing outing, Circumstances c, List<Planned> planned, List<Plan> wanted, Function<Trip, Interval> open) {
        WorkTimes times = habits.workTimes(outing.terms().people());
        Trip trip = outing.trip(c.night()).reaching(wanted, times);
        Schedule schedule = Schedule.arrange(wanted, times, trip, open.apply(trip));
        List<Lessons.Lesson> learned = outing.places().stream()
                .flatMap(p -> lessons.at(p.id(), outing.night()).stream())
                .toList();
        return new Arranged(outing, c, trip, planned, schedule, takes.elsewhere(outing), times, learned);
    }

    /** Whether all of some takes would have a place in a night that is not stored, and nothing were said against them. */
    public boolean bears(Outing outing, List<Take> wanted) {
        List<Circumstances> c = circumstances(outing);
        List<Plan> all = plan(outing, c, wanted);
        WorkTimes times = habits.workTimes(outing.terms().people());
        Trip trip = outing.trip(c.get(0).night()).reaching(all, times);
        Schedule schedule = Schedule.arrange(all, times, trip, outing.open(trip));
        return schedule.left().isEmpty()
                && Clashes.of(schedule, trip, times).stream().allMatch(k -> k.kind() == Clash.Kind.WAY_BACK);
    }

    public Night night(Outing outing) {
        return outing.night(skies);
    }

    /** The night as it was planned, whatever was said in it. */
    public Arranged planned(Outing outing) {
        return unsaid(outing, s -> s.take());
    }

    /** The same takes on another night, of which nothing has happened yet. */
    Arranged on(Outing outing, LocalDate night) {
        return unsaid(outing.withNight(night), s -> s.take().pinned(Optional.empty()));
    }

    private Arranged unsaid(Outing other, Function<Takes.Stored, Take> of) {
        List<Circumstances> c = circumstances(other);
        List<Takes.Stored> stored = takes.of(other.id());
        List<Plan> all = plan(other, c, stored.stream().map(of).toList());
        List<Planned> planned = new ArrayList<>();
        for (int i = 0; i < stored.size(); i++) {
            Takes.Stored s = stored.get(i);
            planned.add(new Planned(new Takes.Stored(s.id(), s.rig(), s.take(), Progress.AHEAD), all.get(i)));
        }
        List<Plan> wanted = planned.stream().map(Planned::plan).toList();
        return arranged(other, c.get(0), planned, wanted, Trip::there);
    }

    /** Each under the sky of its place. */
    private List<Plan> plan(Outing outing, List<Circumstances> c, List<Take> all) {
        return all.stream()
                .map(t -> {
                    int stop = Math.min(t.stop(), c.size() - 1);
                    return plan(t.at(stop), outing.place(stop), c.get(stop));
                })
                .toList();
    }

    /** What a night that is not stored yet would bear. */
    List<NightProposal.Proposed> proposed(Outing outing, Optional<Asked> asked) {
        return proposed(outing, circumstances(outing).get(0), List.of(), asked);
    }

    /** What the night would bear beside what is planned. */
    List<NightProposal.Proposed> proposed(Arranged night) {
        return proposed(
                night.outing, night.c, night.takes.stream().map(Planned::take).toList(), Optional.empty());
    }

    private List<NightProposal.Proposed> proposed(
            Outing outing, Circumstances c, List<Take> planned, Optional<Asked> asked) {
        return NightProposal.ofRanked(
                c,
                cameras(planned),
                planned,
                outing.terms().people(),
                outing.standing().way(),
                asked);
    }

    /** What could be taken next at a place, with one's own cameras first. */
    List<NextTakes.Next> next(Place place, LocalDate from) {
        Map<Id, Mark> marks = marks(place);
        return NextTakes.of(date -> circumstances(place, marks, date), from, Form.NIGHTS.last(), cameras(List.of()));
    }

    /** The plan of a take in a night of a place, known from before where it can be. */
    Plan plan(Take take, Place place, Circumstances c) {
        return plans.of(take, place, c);
    }

    /** Those already in the outing, then one's own, then the examples. */
    private List<NightProposal.Ranked> cameras(List<Take> planned) {
        Set<Id> there = planned.stream().map(t -> t.camera().id()).collect(Collectors.toSet());
        return kit.rigs().stream()
                .map(r -> {
                    NamedCamera camera = Takes.camera(r);
                    return new NightProposal.Ranked(camera, there.contains(camera.id()) ? 0 : r.own() ? 1 : 2);
                })
                .toList();
    }

    /** The run sheet of an outing's takes; empty where there is no such outing. */
    public Optional<List<SheetLine>> sheet(long outing) {
        return outings.find(outing).map(o -> SheetLine.of(of(o).sheet()));
    }

    /** At each of its places. */
    private List<Circumstances> circumstances(Outing outing) {
        return outing.places().stream()
                .map(p -> circumstances(p, outing.night()).with(outing.terms().demand()))
                .toList();
    }

    private Circumstances circumstances(Place place, LocalDate date) {
        return circumstances(place, marks(place), date);
    }

    /** The weather is asked for with the first hour that is wanted: of a month of nights few are planned. */
    private Circumstances circumstances(Place place, Map<Id, Mark> marks, LocalDate date) {
        Night night = skies.night(place, date);
        SingletonSupplier<Function<Instant, Optional<WeatherHour>>> hours =
                SingletonSupplier.of(() -> weather.hours(place, night));
        return new Circumstances(
                night,
                place.standpoint(),
                marks,
                place.id() == null ? t -> Optional.empty() : t -> hours.obtain().apply(t),
                USUAL_CELSIUS,
                Demand.USUAL,
                place.notes().declinationDeg());
    }

    Map<Id, Mark> marks(Place place) {
        return place.id() == null ? Map.of() : places.known(place.id());
    }

    /** Goes on another night. What was held at an instant, or said in the field, was of the old one. */
    void move(Outing outing, LocalDate other) {
        outings.move(outing, other);
        outings.resume(outing.id(), Optional.empty());
        takes.of(outing.id()).forEach(t -> {
            takes.pin(outing.id(), t.id(), Optional.empty());
            takes.progress(outing.id(), t.id(), Progress.AHEAD);
        });
    }

    /** Adds all that is proposed to someone who comes for something. */
    void acceptAll(Outing outing, Optional<Asked> asked) {
        proposed(outing, asked).forEach(p -> add(outing, p.take()));
    }

    /** Adds what is proposed under a name, or all of it. */
    void accept(Outing outing, Optional<String> name) {
        for (NightProposal.Proposed p : proposed(of(outing))) {
            if (name.isEmpty() || name.get().equals(p.take().name())) {
                add(outing, p.take());
            }
        }
    }

    /** Adds a take whose camera is a rig of the kit. */
    public void add(Outing outing, Take take) {
        NamedRig rig = kit.rigs().stream()
                .filter(r -> Takes.camera(r).id().equals(take.camera().id()))
                .findFirst()
                .orElseThrow();
        takes.add(outing.id(), habits.of(usual.of(take)), rig.id());
    }
}
