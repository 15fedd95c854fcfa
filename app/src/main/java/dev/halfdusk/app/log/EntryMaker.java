package dev.halfdusk.app.log;

import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.web.Background;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes a night of the log of an outing that is over: what its plan said, and what was said in the field. */
@Component
public class EntryMaker {

    private static final Logger LOG = LoggerFactory.getLogger(EntryMaker.class);
    private static final int AT_A_TIME = 200;

    /** Days after which a night is over wherever it was. */
    private static final int SURELY = 2;

    private final Entries entries;
    private final Observations observations;
    private final Outings outings;
    private final Takes stored;
    private final OutingPlanner planner;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final AtomicBoolean writing = new AtomicBoolean();
    private final ExecutorService writer = Background.threads("log", 1);

    EntryMaker(
            Entries entries,
            Observations observations,
            Outings outings,
            Takes stored,
            OutingPlanner planner,
            TransactionTemplate transactions,
            Clock clock) {
        this.entries = entries;
        this.observations = observations;
        this.outings = outings;
        this.stored = stored;
        this.planner = planner;
        this.transactions = transactions;
        this.clock = clock;
    }

    @PreDestroy
    void stop() {
        writer.shutdownNow();
    }

    /** Outings that are over and not in the log yet. */
    private List<Long> waiting() {
        LocalDate today = LocalDate.now(clock);
        return entries.unwritten(today.plusDays(1), AT_A_TIME).stream()
                .filter(u -> u.night().isBefore(today.minusDays(SURELY)) || over(u.outing()))
                .map(Entries.Unwritten::outing)
                .toList();
    }

    /** The sun has risen after it; where it does not, it is noon. */
    private boolean over(long outing) {
        return outings.find(outing)
                .map(planner::night)
                .map(n -> n.rise(HorizonEvent.Kind.SUN).orElse(n.span().to()))
                .filter(clock.instant()::isAfter)
                .isPresent();
    }

    /** Begins to write down what is over, where that is not under way, and hands back how many nights are left. */
    int begin() {
        List<Long> left = waiting();
        if (!left.isEmpty() && writing.compareAndSet(false, true)) {
            writer.execute(() -> {
                try {
                    left.forEach(this::tryWriting);
                } finally {
                    writing.set(false);
                }
            });
        }
        return left.size();
    }

    private void tryWriting(long outing) {
        if (Thread.currentThread().isInterrupted()) {
            return;
        }
        try {
            write(outing);
        } catch (RuntimeException e) { // the next ones all the same; this one is tried again
            LOG.warn("The night of outing {} could not be written into the log: {}", outing, e.toString());
        }
    }

    /**
     * The night of an outing; the one that is there already where it was written before, none where that was deleted. It is reckoned before
     * the database is held, so that nobody who saves waits for it; where it was changed meanwhile it is left for the next time.
     */
    public Optional<Entry> write(long outing) {
        Optional<Draft> draft =
                outings.find(outing).filter(o -> !entries.written(outing)).map(this::draft);
        return transactions.execute(t -> entries.of(outing)
                .or(() -> draft.filter(d -> !entries.written(outing) && holds(d, outing))
                        .map(d -> {
                            Entry e = entries.existing(entries.add(d.entry, d.takes));
                            observations.renew(e);
                            return e;
                        })));
    }

    private boolean holds(Draft draft, long outing) {
        return outings.find(outing).equals(Optional.of(draft.outing))
                && Set.copyOf(stored.of(outing)).equals(draft.stored);
    }

    /**
     * A night as it would be written down.
     *
     * @param outing by which it was reckoned, with what is stored of its takes
     */
    private record Draft(Outing outing, Set<Takes.Stored> stored, Entry entry, List<EntryTake> takes) {}

    private Draft draft(Outing o) {
        OutingPlanner.Arranged went = planner.of(o); // first, since by it what changes meanwhile is noticed
        OutingPlanner.Arranged plan = planner.planned(o);
        Set<List<Object>> rigs = new HashSet<>(); // each is set up anew at each place
        List<EntryTake> takes = new ArrayList<>();
        List<OutingPlanner.Planned> inOrder = new ArrayList<>(plan.takes());
        inOrder.sort((a, b) -> opens(plan, a).compareTo(opens(plan, b)));
        for (OutingPlanner.Planned p : inOrder) {
            takes.add(take(
                    plan,
                    p,
                    went.find(p.id()).orElseThrow(),
                    went,
                    rigs.add(List.of(p.stored().rig().id(), p.take().stop()))));
        }
        OptionalDouble celsius = plan.c()
                .weather()
                .apply(plan.night().best())
                .map(WeatherHour::temperatureC)
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
        return new Draft(
                o,
                went.takes().stream().map(OutingPlanner.Planned::stored).collect(Collectors.toSet()),
                new Entry(
                        null,
                        Optional.of(o.id()),
                        o.title(),
                        new Entry.Where(
                                Optional.ofNullable(o.place().id()),
                                o.where(),
                                o.place().zone()),
                        o.night(),
                        Ribbon.of(plan.night(), o.place().glow()),
                        plan.night().moon().fraction(),
                        new Entry.Told(Entry.Told.NOTHING.rating(), "", "", celsius, Entry.Told.NOTHING.cloudPercent()),
                        Optional.empty()),
                takes);
    }

    /**
     * The night of an outing that was played at the table, as the log shows nights; nothing of it is written down.
     *
     * @param went when each take really ran, by its number
     */
    public EntryView played(Outing o, Map<Long, Interval> went) {
        Draft d = draft(o);
        List<EntryTake> takes = new ArrayList<>();
        for (EntryTake t : d.takes) {
            if (t.plan().isPresent()) {
                takes.add(t.take().map(went::get).map(t::went).orElse(t).numbered(takes.size()));
            }
        }
        return EntryView.of(d.entry, takes, List.of(), List.of(), 0);
    }

    private static Instant opens(OutingPlanner.Arranged plan, OutingPlanner.Planned p) {
        return plan.slot(p).map(s -> s.runs().from()).orElse(Instant.MAX);
    }

    private static EntryTake take(
            OutingPlanner.Arranged plan,
            OutingPlanner.Planned p,
            OutingPlanner.Planned now,
            OutingPlanner.Arranged went,
            boolean first) {
        Take take = p.take();
        NamedRig rig = p.stored().rig();
        Optional<Slot> slot = plan.slot(p);
        Progress progress = now.stored().progress();
        return new EntryTake(
                null,
                Optional.of(p.id()),
                take.name(),
                take.subject().kind().key(),
                Optional.ofNullable(plan.place(p).id()),
                new EntryTake.Kit(
                        rig.name(),
                        Optional.of(rig.body().id()),
                        Optional.of(rig.lens().id()),
                        battery(rig)),
                OptionalDouble.of(take.asked().onLensMm()),
                slot.map(s -> new EntryTake.Plan(
                        s.prepares().from(),
                        s.runs(),
                        settings(s.program()),
                        tolerance(plan, take),
                        first,
                        take.subject().ownStops())),
                slot.map(s -> s.program().frames()).orElse(0),
                progress.opened()
                        .map(from -> new Interval(
                                from,
                                progress.closed()
                                        .or(() ->
                                                went.slot(now).map(s -> s.runs().to()))
                                        .filter(to -> !to.isBefore(from))
                                        .orElse(from))),
                progress.skipped(),
                plan.why(p),
                OptionalDouble.empty());
    }

    private static Settings settings(Program program) {
        return program.steps().get(0).settings();
    }

    private static double tolerance(OutingPlanner.Arranged plan, Take take) {
        return take.decision().stars().tolerancePx().orElse(plan.c().demand().tolerancePx());
    }

    /** None where the body hangs on a supply. */
    private static Optional<Long> battery(NamedRig rig) {
        boolean fed = rig.first(Gear.Supply.class).isPresent();
        return fed
                ? Optional.empty()
                : rig.gear().stream()
                        .filter(g -> g.gear() instanceof Gear.Battery)
                        .map(NamedGear::id)
                        .findFirst();
    }
}
