package dev.halfdusk.app.demo;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.log.Entries;
import dev.halfdusk.app.log.Entry;
import dev.halfdusk.app.log.EntryFrame;
import dev.halfdusk.app.log.EntryMaker;
import dev.halfdusk.app.log.EntryTake;
import dev.halfdusk.app.log.FrameKeeper;
import dev.halfdusk.app.log.Observations;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.weather.Forecasts;
import dev.halfdusk.app.web.Background;
import dev.halfdusk.app.web.NotSaved;
import dev.halfdusk.app.web.Visitors;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Observation;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A season that the two friends have behind them, with mistakes in it, from which something is learned: written down in the
 * background, since nobody opens the log in the first seconds.
 */
@Component
class DemoSeason implements ApplicationListener<ApplicationReadyEvent> {

    private static final Logger LOG = LoggerFactory.getLogger(DemoSeason.class);
    private static final int WIDE_ENOUGH = 29;
    private static final Duration FOR_PEOPLE = Duration.ofSeconds(10);

    private final boolean wanted;

    /** Who has just started it looks at the first page meanwhile. */
    private final Duration patience;

    private final Places places;
    private final Kit kit;
    private final Outings outings;
    private final Takes takes;
    private final OutingPlanner planner;
    private final Entries entries;
    private final EntryMaker maker;
    private final Observations observations;
    private final Forecasts forecasts;
    private final DemoPractice practice;
    private final TransactionTemplate transactions;
    private final Visitors visitors;
    private final Clock clock;

    DemoSeason(
            @Value("${halfdusk.demo:false}") boolean wanted,
            @Value("${halfdusk.season:4s}") Duration patience,
            Places places,
            Kit kit,
            Outings outings,
            Takes takes,
            OutingPlanner planner,
            Entries entries,
            EntryMaker maker,
            Observations observations,
            Forecasts forecasts,
            DemoPractice practice,
            TransactionTemplate transactions,
            Visitors visitors,
            Clock clock) {
        this.wanted = wanted;
        this.patience = patience;
        this.places = places;
        this.kit = kit;
        this.outings = outings;
        this.takes = takes;
        this.planner = planner;
        this.entries = entries;
        this.maker = maker;
        this.observations = observations;
        this.forecasts = forecasts;
        this.practice = practice;
        this.transactions = transactions;
        this.visitors = visitors;
        this.clock = clock;
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent ready) {
        if (!wanted) {
            return;
        }
        if (patience.isZero()) {
            practice.fill();
            make();
            return;
        }
        ConfigurableApplicationContext application = ready.getApplicationContext();
        Background.start("demo season", application, () -> {
            try {
                Thread.sleep(patience.toMillis());
                visitors.letPass(FOR_PEOPLE);
                again(practice::fill);
                make();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (RuntimeException e) {
                if (!application.isClosed()) { // told to stop in its first seconds: what fails then is no fault
                    LOG.warn("The demo has no season behind it: {}", e.toString());
                }
            }
        });
    }

    /**
     * A night of the season.
     *
     * @param late minutes by which all began later than planned
     * @param went how many of its takes were begun
     * @param forecast cloud that was forecast two days before, percent
     */
    private record Lived(
            String title,
            Place place,
            LocalDate night,
            List<Take> takes,
            int late,
            int went,
            Entry.Told told,
            double forecast) {}

    /** All nights that are not there yet. */
    void make() {
        LocalDate today = LocalDate.now(clock);
        Place ledge = place("Salt Ledge");
        Place mill = place("Old Tide Mill");
        Place mole = place("Old harbour mole");
        if (ledge == null
                || mill == null
                || mole == null
                || outings.briefs().stream().anyMatch(b -> b.title().equals(FIRST))) {
            return;
        }
        LocalDate dark1 = night(ledge, today.minusDays(41), DemoSeason::dark);
        LocalDate dark2 = night(ledge, dark1.minusDays(20), DemoSeason::dark);
        LocalDate dark3 = night(mill, dark2.minusDays(20), DemoSeason::dark);
        LocalDate dark4 = night(mill, dark3.minusDays(20), DemoSeason::dark);
        LocalDate half1 = night(mole, today.minusDays(46), DemoSeason::half);
        LocalDate half2 = night(mole, half1.minusDays(20), DemoSeason::half);
        LocalDate cloudy = night(ledge, dark2.minusDays(3), n -> true);
        stars(new Lived(
                FIRST,
                mill,
                dark4,
                trails(),
                9,
                2,
                told(
                        2,
                        "The tower stands well against the turning sky.",
                        "A second battery, warm in the jacket: this one gave out in the middle of the arcs.",
                        3,
                        0),
                10));
        stars(new Lived(
                "Circles round the tower, again",
                mill,
                dark3,
                trails(),
                13,
                2,
                told(4, "Whole circles at last.", "Heater band on before the glass is cold.", 1, 0),
                20));
        stars(new Lived(
                "Southern stars from the ledge",
                ledge,
                dark2,
                southern(),
                14,
                2,
                told(
                        3,
                        "The southern stars stand clear of the sea.",
                        "Come half an hour earlier: the path is slow with two bags.",
                        12,
                        0),
                15));
        cloud(new Lived(
                "Clouded out",
                ledge,
                cloudy,
                southern(),
                0,
                0,
                told(1, "Tea.", "Look at the satellite before the drive, not after it.", 9, 100),
                20));
        stars(new Lived(
                "Southern stars, nearer the rock",
                ledge,
                dark1,
                southern(),
                11,
                2,
                told(5, "Rock and sky in one go; f/2.2 is enough.", "Focus again when the lens has cooled.", 11, 0),
                5));
        moon(new Lived(
                "Half moon over the roofs",
                mole,
                half2,
                List.of(half()),
                6,
                1,
                told(
                        3,
                        "The terminator has depth.",
                        "Brighter at once: the proposed one looked dull on paper.",
                        14,
                        25),
                30));
        moon(new Lived(
                "Half moon, from the steps",
                mole,
                half1,
                List.of(half()),
                4,
                1,
                told(4, "Two thirds brighter is how I like it.", "", 13, 0),
                10));
    }

    private static final String FIRST = "Circles round the tower";
    private static final int MOST_TRIES = 20;

    private Place place(String name) {
        return places.all().stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElse(null);
    }

    private static boolean dark(Night n) {
        return Interval.total(n.moonless()).compareTo(Duration.ofHours(4)) > 0
                && n.moon().fraction() < 0.15;
    }

    private static boolean half(Night n) {
        return Math.abs(n.moon().fraction() - 0.5) < 0.14 && n.moon().fraction() > 0;
    }

    /** The last such night before a date. */
    private static LocalDate night(Place place, LocalDate before, Predicate<Night> wanted) {
        return IntStream.rangeClosed(1, WIDE_ENOUGH)
                .mapToObj(before::minusDays)
                .filter(d -> wanted.test(Night.of(place.site(), d, place.zone(), place.rules())))
                .findFirst()
                .orElse(before.minusDays(1));
    }

    private static Entry.Told told(int rating, String good, String better, double celsius, double cloud) {
        return new Entry.Told(
                OptionalInt.of(rating), good, better, OptionalDouble.of(celsius), OptionalDouble.of(cloud));
    }

    private NamedRig rig(String name) {
        return kit.rigs().stream()
                .filter(r -> r.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private List<Take> trails() {
        return List.of(
                Take.of("Circles round the tower", new Trails(20, 30, 1, 0), Takes.camera(rig("First zoom"))),
                Take.of("The mill by starlight", new Stack(10, 3), Takes.camera(rig("Wide and fast")))
                        .aimed(new Direction(196, 24)));
    }

    private List<Take> southern() {
        return List.of(
                Take.of("Southern stars", new Stack(20, 3), Takes.camera(rig("Wide and fast")))
                        .aimed(new Direction(178, 25)),
                Take.of("Stars over the rock", new MilkyWay(3), Takes.camera(rig("Wide and fast")))
                        .aimed(new Direction(205, 22)));
    }

    private Take half() {
        return Take.of("Half moon", new Moon(2, 2), Takes.camera(rig("Long for the moon")));
    }

    /** What a night of stars showed: some drift kept, grain at ISO 6400 borne, the lens better a little closed, a sky darker than its towns. */
    private void stars(Lived l) {
        written(l, e -> {
            for (EntryTake t : entries.takes(e.id())) {
                if (t.plan().isEmpty() || t.went().isEmpty()) {
                    continue;
                }
                Settings set = t.plan().get().settings();
                double tolerance = t.plan().get().tolerancePx();
                boolean points = !t.subject().equals("trails");
                CameraBody body = rig(t.kit().rig()).body().camera();
                double night = Math.floorMod(l.night.toEpochDay() * 7, 10) / 10.0; // no two nights are alike
                double sky = l.place.glow().zenith(SunAndMoon.NEITHER).magnitude() - 0.3 + 0.12 * night;
                for (int i = 0; i < 8; i++) {
                    boolean longer = points && i < 4;
                    double aperture = points ? APERTURES[i % APERTURES.length] : set.aperture();
                    double seconds = longer ? body.click(set.seconds() * (1.4 + 0.4 * night), 30) : set.seconds();
                    double iso = longer ? 6400 : set.iso();
                    double drift = tolerance * seconds / set.seconds() * (0.9 + 0.02 * (i % 3));
                    Said said = i == 1 ? Said.BEST : i == 7 ? Said.SOFT : i == 6 ? Said.DARK : Said.KEPT;
                    EntryFrame.Read read = points
                            ? new EntryFrame.Read(
                                    OptionalDouble.of(drift),
                                    OptionalDouble.of(WIDTHS[i % WIDTHS.length] + 0.1 * night),
                                    OptionalDouble.of(CORNERS[i % CORNERS.length] + 0.2 * night),
                                    OptionalDouble.of(sky + 0.03 * (i % 4)),
                                    verdict(said))
                            : new EntryFrame.Read(
                                    OptionalDouble.empty(),
                                    OptionalDouble.empty(),
                                    OptionalDouble.empty(),
                                    OptionalDouble.empty(),
                                    verdict(said));
                    frame(e, t, i, new Settings(seconds, aperture, iso), read, said);
                }
                if (l.title.equals(FIRST) && !points) {
                    entries.save(e.id(), t.lasted(OptionalDouble.of(74)));
                }
            }
            if (l.title.startsWith("Southern")) {
                Optional<Long> lens = entries.takes(e.id()).stream()
                        .flatMap(t -> t.kit().lens().stream())
                        .findFirst();
                lens.ifPresent(id -> observations.note(
                        e.id(),
                        new Observation(
                                Learnable.INFINITY,
                                "" + id,
                                e.night(),
                                1.2,
                                e.told().celsius(),
                                true,
                                "found by you")));
            }
        });
    }

    /** Half moons were liked brighter than proposed. */
    private void moon(Lived l) {
        written(
                l,
                e -> entries.takes(e.id()).stream()
                        .filter(t -> t.plan().isPresent() && t.went().isPresent())
                        .forEach(t -> {
                            Settings set = t.plan().get().settings();
                            CameraBody body = rig(t.kit().rig()).body().camera();
                            for (int i = 0; i < BRIGHTER.length; i++) {
                                double by = BRIGHTER[i];
                                Said said =
                                        by > 0.7 ? Said.BRIGHT : by < 0.6 ? Said.DARK : i == 3 ? Said.BEST : Said.KEPT;
                                double seconds = body.click(set.seconds() * Stops.ratio(by), 1);
                                EntryFrame.Read read = new EntryFrame.Read(
                                        OptionalDouble.empty(),
                                        OptionalDouble.empty(),
                                        OptionalDouble.empty(),
                                        OptionalDouble.empty(),
                                        verdict(said));
                                frame(e, t, i, new Settings(seconds, set.aperture(), set.iso()), read, said);
                            }
                        }));
    }

    private void cloud(Lived l) {
        written(l, e -> {});
    }

    private void frame(Entry e, EntryTake t, int i, Settings set, EntryFrame.Read read, Said said) {
        Instant at = t.went().get().from().plusMillis(Math.round(i * 1000 * (set.seconds() + 1)));
        Entries.Kept kept = entries.keep(
                e.id(),
                new EntryFrame(
                        null,
                        Optional.of(t.id()),
                        "made up %d-%d".formatted(t.id(), i + 1),
                        "",
                        FrameKeeper.MADE_UP + t.id() + "-" + i,
                        Optional.of(at),
                        Optional.of(set),
                        t.focalMm(),
                        read,
                        Said.NOTHING));
        entries.say(e.id(), kept.id(), said);
    }

    private static final double[] APERTURES = {1.8, 2.2, 2.8};

    /** Of stars, pixels, at those apertures: wide open the lens draws wings. */
    private static final double[] WIDTHS = {2.6, 2.05, 2.0};

    private static final double[] CORNERS = {6.4, 4.1, 3.2};

    private static final double[] BRIGHTER = {-1, -0.33, 0, 0.67, 0.67, 1};

    private static String verdict(Said said) {
        return switch (said) {
            case SOFT -> "Out of focus";
            case DARK -> "Too dark";
            case BRIGHT -> "Burnt";
            default -> "Good";
        };
    }

    private interface Lives {
        void of(Entry e);
    }

    /** What is reckoned stands between what is stored, so that nobody who saves meanwhile waits for it. */
    private void written(Lived l, Lives lives) {
        letPeoplePass();
        Outing o = again(() -> transactions.execute(x -> {
            Outing fresh = Outing.fresh(l.title, l.place, l.night).going(2, new Way(40, 15), Optional.empty());
            Outing saved = outings.save(fresh);
            l.takes.forEach(t -> planner.add(saved, t));
            return saved;
        }));
        OutingPlanner.Arranged plan = planner.planned(o);
        again(() -> transactions.executeWithoutResult(x -> {
            went(o, plan, l);
            forecasts.remember(l.place.id(), l.night, 2, l.forecast);
        }));
        again(() -> maker.write(o.id()))
                .ifPresent(e -> again(() -> transactions.executeWithoutResult(x -> {
                    entries.tell(e.id(), l.told);
                    lives.of(entries.existing(e.id()));
                    observations.renew(entries.existing(e.id()));
                })));
    }

    private void went(Outing o, OutingPlanner.Arranged plan, Lived l) {
        int begun = 0;
        for (OutingPlanner.Planned p : plan.takes()) {
            Optional<Slot> slot = plan.slot(p);
            if (slot.isEmpty() || begun++ >= l.went) {
                takes.progress(o.id(), p.id(), Progress.leftOut());
                continue;
            }
            Instant from = slot.get().runs().from().plus(Duration.ofMinutes(l.late));
            Instant to = from.plus(slot.get().runs().length());
            takes.progress(o.id(), p.id(), new Progress(Optional.of(from), Optional.of(to), false));
        }
    }

    /** What each night writes makes all pages anew, which in the first seconds are dear. */
    private void letPeoplePass() {
        try {
            visitors.letPass(FOR_PEOPLE);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static void again(Runnable some) {
        again(() -> {
            some.run();
            return true;
        });
    }

    private static <T> T again(Supplier<T> some) {
        return again(some, Duration.ofSeconds(NotSaved.RETRY_AFTER_S));
    }

    /** While something else holds the database it is tried again. */
    static <T> T again(Supplier<T> some, Duration pause) {
        for (int tries = 1; ; tries++) {
            try {
                return some.get();
            } catch (DataAccessException | TransactionException e) {
                if (tries == MOST_TRIES || NotSaved.of(e).isEmpty()) {
                    throw e;
                }
                try {
                    Thread.sleep(pause.toMillis());
                } catch (InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                    throw e;
                }
            }
        }
    }
}
