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
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The takes of an outing in its night: planned, arranged, and what more the night would bear. */
@Component
public class Evening {

    private static final Duration SCOUT = Duration.ofMinutes(60);
    private static final Duration PACK = Duration.ofMinutes(30);
    private static final Duration FORESEEN = Duration.ofDays(10);
    private static final double USUAL_CELSIUS = 12;

    private final Takes takes;
    private final Outings outings;
    private final Places places;
    private final Skies skies;
    private final Kit kit;
    private final Weather weather;
    private final Clock clock;

    Evening(Takes takes, Outings outings, Places places, Skies skies, Kit kit, Weather weather, Clock clock) {
        this.takes = takes;
        this.outings = outings;
        this.places = places;
        this.skies = skies;
        this.kit = kit;
        this.weather = weather;
        this.clock = clock;
    }

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
            List<Takes.Stored> takes,
            Schedule schedule,
            List<NightProposal.Proposed> proposed,
            Function<Instant, Optional<WeatherHour>> weather) {

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
        List<Takes.Stored> stored = takes.of(outing.id());
        List<Plan> plans = stored.stream().map(s -> s.take().plan(c)).toList();
        Interval there = there(night);
        Set<String> subjects =
                stored.stream().map(s -> TakeJson.key(s.take().subject())).collect(Collectors.toSet());
        List<NightProposal.Proposed> proposed = NightProposal.of(c, cameras()).stream()
                .filter(p -> !subjects.contains(TakeJson.key(p.take().subject())))
                .toList();
        return new Arranged(
                outing, night, there, stored, Schedule.arrange(plans, Habits.USUAL, there), proposed, c.weather());
    }

    /** The run sheet of an outing's takes; empty where there is no such outing. */
    public Optional<List<RunSheet.Line>> sheet(long outing) {
        return outings.find(outing).map(o -> of(o).sheet());
    }

    private Circumstances circumstances(Outing outing, Night night) {
        return new Circumstances(
                night,
                outing.place().standpoint(),
                places.marks(outing.place().id()).stream()
                        .map(Places.ListedMark::mark)
                        .toList(),
                forecast(outing, night),
                USUAL_CELSIUS);
    }

    /** Nights that no forecast reaches are not asked for. */
    private Function<Instant, Optional<WeatherHour>> forecast(Outing outing, Night night) {
        boolean foreseen = night.span().from().isBefore(clock.instant().plus(FORESEEN))
                && night.span().to().isAfter(clock.instant());
        if (!foreseen) {
            return t -> Optional.empty();
        }
        Map<Long, Optional<WeatherHour>> hours = new ConcurrentHashMap<>();
        return t -> hours.computeIfAbsent(t.getEpochSecond() / 3600, h -> weather.at(outing.place(), night, t));
    }

    private List<NightProposal.Camera> cameras() {
        return kit.rigs().stream()
                .map(r -> new NightProposal.Camera(r.name(), r.rig()))
                .toList();
    }

    /** From an hour before sunset, by daylight, until the dark is over; the whole night where the sun does not set. */
    private static Interval there(Night night) {
        Instant from = night.set(HorizonEvent.Kind.SUN)
                .map(t -> t.minus(SCOUT))
                .orElse(night.span().from());
        Instant to = night.rise(HorizonEvent.Kind.SUN)
                .map(t -> t.plus(PACK))
                .orElse(night.span().to());
        return from.isBefore(to) ? new Interval(from, to) : night.span();
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
