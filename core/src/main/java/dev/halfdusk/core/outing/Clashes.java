package dev.halfdusk.core.outing;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.outing.Clash.Reason;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Need;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** All that does not go together in a night of takes, and the way out of each. */
public final class Clashes {

    private static final double CLOUDY_PERCENT = 60;
    private static final Duration LOOK = Duration.ofMinutes(10);
    private static final double DARK_WAY_SUN_DEG = -6;
    private static final Duration SHORT_WALK = Duration.ofMinutes(5);

    private final Schedule schedule;
    private final Trip trip;
    private final WorkTimes habits;
    private final List<Clash> found = new ArrayList<>();

    private Clashes(Schedule schedule, Trip trip, WorkTimes habits) {
        this.schedule = schedule;
        this.trip = trip;
        this.habits = habits;
    }

    /** Of slots that each know their own place and night. */
    public static List<Clash> of(Schedule schedule, Trip trip, WorkTimes habits) {
        Clashes clashes = new Clashes(schedule, trip, habits);
        List<Slot> slots = schedule.slots();
        slots.forEach(s -> clashes.lens(s.plan().take()));
        schedule.left().forEach(l -> clashes.lens(l.plan().take()));
        for (int i = 0; i < slots.size(); i++) {
            Slot a = slots.get(i);
            slots.subList(i + 1, slots.size()).forEach(b -> clashes.together(a, b));
        }
        slots.forEach(clashes::hands);
        slots.forEach(clashes::alone);
        clashes.cards();
        clashes.wayBack();
        return clashes.found.stream()
                .sorted(Comparator.comparing((Clash k) -> !k.kind().hard()))
                .toList();
    }

    private void add(Clash.Kind kind, List<String> takes, Reason reason, Clash.Step... steps) {
        found.add(new Clash(kind, takes, reason, List.of(steps)));
    }

    private static Clash.Step begin(Slot s, Instant at) {
        return new Clash.Step(Clash.Step.Sort.BEGIN, s.plan(), Optional.of(at));
    }

    /** Let go where it is held and its wish has a window; else another night. */
    private static Clash.Step elsewhere(Slot s) {
        boolean free = s.plan().take().pinned().isPresent()
                && !s.plan().when().windows().isEmpty();
        return new Clash.Step(
                free ? Clash.Step.Sort.LET_MOVE : Clash.Step.Sort.OTHER_NIGHT, s.plan(), Optional.empty());
    }

    private static Clash.Step rig(Slot s) {
        return new Clash.Step(Clash.Step.Sort.RIG, s.plan(), Optional.empty());
    }

    private void lens(Take take) {
        if (!take.fits()) {
            add(Clash.Kind.LENS, List.of(take.name()), new Reason.Unset(take));
        }
    }

    private void together(Slot a, Slot b) {
        way(a, b);
        if (a.sharesBody(b) && a.stop() == b.stop()) {
            Instant begins = a.runs().to().plus(habits.next());
            add(Clash.Kind.CAMERA, List.of(a.name(), b.name()), new Reason.OneCamera(a, b, begins), begin(b, begins));
        }
    }

    /** Where one cannot be at both: whatever they share besides comes of that. */
    private void way(Slot a, Slot b) {
        if (trip.reaches(a, b)) {
            return;
        }
        Slot first = a.stop() < b.stop() ? a : b;
        Slot then = first == a ? b : a;
        Duration change = trip.change(first.stop(), then.stop());
        Instant begins = first.runs()
                .to()
                .plus(change)
                .plus(Duration.between(then.prepares().from(), then.runs().from()));
        add(
                Clash.Kind.WAY,
                List.of(first.name(), then.name()),
                new Reason.TooFar(first, trip.stop(first.stop()), then, trip.stop(then.stop()), change, begins),
                begin(then, begins));
    }

    /** Said once for those that overlap: by the one that begins last. */
    private void hands(Slot s) {
        List<Slot> before = schedule.slots().stream()
                .filter(o -> !o.id().equals(s.id())
                        && o.hands().from().compareTo(s.hands().from()) <= 0
                        && (o.hands().from().isBefore(s.hands().from())
                                || schedule.slots().indexOf(o)
                                        < schedule.slots().indexOf(s)))
                .filter(o -> !o.sharesBody(s) && o.stop() == s.stop())
                .filter(o -> o.hands().contains(s.hands().from()))
                .toList();
        if (before.size() < habits.people()) {
            return;
        }
        List<Slot> all = new ArrayList<>(before);
        all.add(s);
        Instant free =
                before.stream().map(o -> o.hands().to()).min(Instant::compareTo).orElseThrow();
        Duration work = Duration.between(s.prepares().from(), s.runs().from());
        add(
                Clash.Kind.HANDS,
                all.stream().map(Slot::name).toList(),
                new Reason.FewHands(all, habits.people(), free.plus(work)),
                begin(s, free.plus(work)));
    }

    private void alone(Slot s) {
        Plan plan = s.plan();
        boolean inWindow = plan.when().windows().stream()
                .anyMatch(w ->
                        !s.runs().from().isBefore(w.from()) && !s.runs().to().isAfter(w.to()));
        if (!inWindow) {
            add(Clash.Kind.WINDOW, List.of(s.name()), new Reason.OutsideWish(s), elsewhere(s));
        }
        Optional<Instant> back = trip.turnBack().filter(t -> s.runs().to().isAfter(t));
        if (back.isPresent()) {
            add(
                    Clash.Kind.TURN_BACK,
                    List.of(s.name()),
                    new Reason.AfterTurnBack(s, back.get().minus(Trip.PACK), back.get()),
                    elsewhere(s));
        } else if (s.prepares().from().isBefore(trip.there().from())
                || s.runs().to().isAfter(trip.there().to())) {
            add(Clash.Kind.AWAY, List.of(s.name()), new Reason.NotThere(s, trip.there()), elsewhere(s));
        }
        sky(s, plan.take().subject().needs());
        moon(s);
        cloud(s);
        battery(s);
    }

    private void sky(Slot s, Set<Need> needs) {
        Wish wish = s.plan().take().wish();
        Circumstances c = s.plan().c();
        Night night = wish.night(c);
        if (needs.contains(Need.DARK) && outside(s, night.dark())) {
            double sun = Math.max(
                    altitude(s, Body.SUN, s.runs().from()),
                    altitude(s, Body.SUN, s.runs().to()));
            add(Clash.Kind.TWILIGHT, List.of(s.name()), new Reason.Twilight(s, sun, night.dark()), elsewhere(s));
        } else if (needs.contains(Need.NO_MOON) && outside(s, night.moonless())) {
            add(
                    Clash.Kind.MOON,
                    List.of(s.name()),
                    new Reason.Moonlight(s, night.moon().fraction(), night.moonless()),
                    elsewhere(s));
        }
        Showing showing = wish.showing(c);
        if (needs.contains(Need.SIGHT) && outside(s, showing.up())) {
            add(Clash.Kind.SKYLINE, List.of(s.name()), new Reason.SightHidden(s, showing, night.span()), elsewhere(s));
        }
    }

    private void moon(Slot s) {
        Night night = s.plan().c().night();
        List<Interval> up = night.when(night.above(Body.MOON, 0));
        if (s.plan().take().subject().needs().contains(Need.MOON) && outside(s, up)) {
            add(Clash.Kind.SKYLINE, List.of(s.name()), new Reason.MoonHidden(s, up), elsewhere(s));
        }
    }

    /** Whether some of it lies in none of the intervals. */
    private static boolean outside(Slot s, List<Interval> good) {
        return !Interval.without(s.runs(), good).isEmpty();
    }

    private static double altitude(Slot s, Body body, Instant t) {
        return Moment.at(t).local(body, s.plan().c().night().observer()).latitudeDeg();
    }

    /** Whether it comes at an hour that nobody chooses. */
    private static boolean given(Slot s) {
        Take take = s.plan().take();
        return take.wish().kind().given() || take.subject().display().isPresent();
    }

    private void cloud(Slot s) {
        double worst = 0;
        Instant when = s.runs().from();
        for (Instant t = s.runs().from(); !t.isAfter(s.runs().to()); t = t.plus(LOOK)) {
            double percent = s.plan()
                    .c()
                    .weather()
                    .apply(t)
                    .map(WeatherHour::cloudPercent)
                    .orElse(0.0);
            if (percent > worst) {
                worst = percent;
                when = t;
            }
        }
        if (worst > CLOUDY_PERCENT) {
            Optional<Instant> clearer = given(s) ? Optional.empty() : clearest(s);
            add(
                    Clash.Kind.CLOUD,
                    List.of(s.name()),
                    new Reason.Cloudy(s, worst, when, given(s), clearer),
                    clearer.map(t -> begin(s, t))
                            .orElse(new Clash.Step(Clash.Step.Sort.OTHER_NIGHT, s.plan(), Optional.empty())));
        }
    }

    private Optional<Instant> clearest(Slot s) {
        Instant best = null;
        double least = CLOUDY_PERCENT;
        for (Instant t = trip.there().from(); t.isBefore(trip.there().to()); t = t.plus(LOOK)) {
            double percent = s.plan()
                    .c()
                    .weather()
                    .apply(t)
                    .map(WeatherHour::cloudPercent)
                    .orElse(100.0);
            if (percent < least) {
                least = percent;
                best = t;
            }
        }
        return Optional.ofNullable(best);
    }

    private void battery(Slot s) {
        double share = s.plan().battery();
        if (s.plan().take().camera().battery().filter(Gear.Battery::outside).isPresent()) {
            supply(s);
        } else if (share > 1) {
            add(Clash.Kind.BATTERY, List.of(s.name()), new Reason.Batteries(s), rig(s));
        }
    }

    /** Said of the take in which it runs out. */
    private void supply(Slot s) {
        double before = schedule.slots().stream()
                .filter(o -> o.body().equals(s.body())
                        && o.runs().from().isBefore(s.runs().from()))
                .mapToDouble(o -> o.plan().battery())
                .sum();
        double after = before + s.plan().battery();
        if (before <= 1 && after > 1) {
            add(Clash.Kind.BATTERY, List.of(s.name()), new Reason.SupplyEmpty(s, after), rig(s));
        }
    }

    private void cards() {
        Map<Named, Double> sums = new LinkedHashMap<>();
        Map<Named, Gear.Card> cards = new LinkedHashMap<>();
        for (Slot s : schedule.slots()) {
            s.plan().take().camera().card().ifPresent(card -> {
                cards.put(s.body(), card);
                sums.merge(s.body(), s.plan().megabytes() / 1000, Double::sum);
            });
        }
        sums.forEach((body, gigabytes) -> {
            if (gigabytes > cards.get(body).gigabytes()) {
                List<String> takes = schedule.slots().stream()
                        .filter(s -> s.body().equals(body))
                        .map(Slot::name)
                        .toList();
                add(
                        Clash.Kind.CARD,
                        takes,
                        new Reason.CardFull(body, gigabytes, cards.get(body).gigabytes()),
                        rig(schedule.slots().stream()
                                .filter(s -> s.body().equals(body))
                                .findFirst()
                                .orElseThrow()));
            }
        });
    }

    private void wayBack() {
        List<Slot> slots = schedule.slots();
        if (slots.isEmpty()) {
            return;
        }
        trip.moves(schedule).forEach(m -> darkWay(m.from(), m.when().from()));
        darkWay(trip.last(schedule), trip.leaves(schedule));
    }

    private void darkWay(int stop, Instant leaves) {
        Slot there = schedule.slots().stream()
                .filter(s -> s.stop() == stop)
                .findFirst()
                .orElseThrow();
        Stop from = trip.stop(stop);
        if (from.walk().compareTo(SHORT_WALK) >= 0 && altitude(there, Body.SUN, leaves) <= DARK_WAY_SUN_DEG) {
            add(
                    Clash.Kind.WAY_BACK,
                    List.of(),
                    new Reason.DarkWay(from, trip.stops().size() > 1, there, leaves));
        }
    }
}
