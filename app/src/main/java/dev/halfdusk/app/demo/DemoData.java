package dev.halfdusk.app.demo;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.sky.MoonPhase;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.TimeScale;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Ground;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Fills an empty database with the demo scenario: two friends on a made-up stretch of Atlantic coast. Nights are looked
 * up in the sky from today on, so the demo never grows old.
 */
@Component
class DemoData implements SmartInitializingSingleton {

    static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    static final Site ARCH = new Site(37.5738, -8.7664, 12);
    static final Site MILL = new Site(37.6434, -8.6902, 6);
    static final Site STRAIT = new Site(36.0104, -5.6120, 140);
    private static final Site MOLE = new Site(37.6018, -8.8035, 6);
    private static final Site SHORE = new Site(36.1793, -5.9186, 4);

    private static final ZoneId COAST = ZoneId.of("Europe/Lisbon");

    /** Short enough to hold at most one new moon. */
    private static final Duration LOOK = Duration.ofDays(29);

    private final boolean wanted;
    private final Places places;
    private final Kit kit;
    private final Outings outings;
    private final OutingPlanner evening;
    private final DemoEclipse trip;
    private final TransactionTemplate transactions;
    private final Clock clock;

    DemoData(
            @Value("${halfdusk.demo:false}") boolean wanted,
            Places places,
            Kit kit,
            Outings outings,
            OutingPlanner evening,
            DemoEclipse trip,
            TransactionTemplate transactions,
            Clock clock) {
        this.wanted = wanted;
        this.places = places;
        this.kit = kit;
        this.outings = outings;
        this.evening = evening;
        this.trip = trip;
        this.transactions = transactions;
        this.clock = clock;
    }

    @Override
    public void afterSingletonsInstantiated() { // before the first request is let in
        if (wanted) { // all or nothing: half a demo would be taken for data of one's own at the next start
            transactions.executeWithoutResult(t -> fill());
        }
    }

    private void fill() {
        if (!places.all().isEmpty()) {
            return;
        }
        Place ledge = place("Salt Ledge", LEDGE, COAST, true);
        Place arch = place("Needle Arch", ARCH, COAST, true);
        Place mill = place("Old Tide Mill", MILL, COAST, false);
        Place strait = place("Strait lookout", STRAIT, ZoneId.of("Europe/Madrid"), false);
        Place shore = place("Strait shore", SHORE, ZoneId.of("Europe/Madrid"), true);
        Place mole = places.add(new Place(
                null,
                "Old harbour mole",
                MOLE,
                COAST,
                OptionalDouble.of(18.3), // the town is all around
                MOLE_SKYLINE,
                true,
                List.of(),
                new Place.Notes(
                        "Along the quay, five minutes",
                        "No railing towards the water, crowds, ropes on the ground",
                        "When the organiser's people say so",
                        "The harbour office, two minutes along the quay",
                        OptionalDouble.of(-1.4))));

        places.saveSkyline(ledge.id(), LEDGE_SKYLINE);
        places.addMark(ledge.id(), new Mark("Needle Arch", 172, 140, 24, 13, -1, Silhouette.ARCH));
        places.addMark(ledge.id(), new Mark("Fishing hut", 128, 310, 6, 9, 4, Silhouette.HOUSE));
        places.addMark(arch.id(), new Mark("Lone stack", 151, 210, 24, 19, -5, Silhouette.ROCK));
        places.addMark(mill.id(), new Mark("Tide mill", 196, 60, 11, 8, 0, Silhouette.TOWER));

        places.addMark(mill.id(), new Mark("Watch tower", 14, 95, 17, 7, 2, Silhouette.TOWER));
        places.saveSkyline(mill.id(), MILL_SKYLINE);
        places.saveSkyline(strait.id(), STRAIT_SKYLINE);
        places.saveSkyline(mole.id(), MOLE_SKYLINE);
        places.addMark(mole.id(), new Mark("Firing barge", 248, 640, 3, 16, -3, Silhouette.FIRING));
        places.addMark(mole.id(), new Mark("Second barge", 255, 650, 3, 16, -3, Silhouette.FIRING));
        places.addMark(strait.id(), new Mark("Watch pillars", 84, 120, 9, 14, 6, Silhouette.TOWER));

        fisheyeRig();
        LocalDate today = LocalDate.now(clock.withZone(COAST));
        LocalDate core =
                nearNewMoon(ledge, today.plusDays(2), 1, n -> hours(n.core().inDark()) >= 2);
        LocalDate dawn =
                nearNewMoon(arch, today.plusDays(2), 1, n -> hours(n.core().inDark()) >= 1);
        LocalDate dark = nearNewMoon(mill, today.plusDays(1), 1, n -> hours(n.moonless()) >= 5);
        LocalDate summer =
                nearNewMoon(ledge, today.minusDays(3), -1, n -> hours(n.core().inDark()) >= 1);
        Soon soon = next(today, ledge, mill);
        Outing first = outings.save(Outing.fresh(soon.title, soon.place, soon.night)
                .going(2, new Way(40, 15), soon.turnBack)
                .noted(soon.note));
        soon.takes.forEach(t -> evening.add(first, t));
        outings.keep(first.id(), soon.night.plusDays(1));
        outings.keep(first.id(), soon.night.plusDays(3));
        outings.pack(first.id(), "tripod", true);
        outings.pack(first.id(), "red lamp, and the white one only for the way", true);
        if (!soon.place.equals(ledge)) {
            Outing later = outings.save(Outing.fresh(CORE, ledge, core).going(2, new Way(40, 15), TIDE));
            core(ledge).forEach(t -> evening.add(later, t));
        }
        fromPlaceToPlace(mill, arch, dawn);
        eclipse(ledge, today);
        trip.plan(strait, shore);
        festival(mole, today);
        one("Star field at the mill", mill, dark, "Tracked 35", 35, 2);
        one("Summer core, fisheye", ledge, summer, "Fisheye", 12, 2.8);
    }

    private static final double WHITE_FROM_PEOPLE = 50_000;

    private static final Skyline LEDGE_SKYLINE = Skyline.of(List.of(
            new Skyline.Point(0, 9),
            new Skyline.Point(40, 14),
            new Skyline.Point(75, 11),
            new Skyline.Point(110, 6.5),
            new Skyline.Point(150, 2),
            new Skyline.Point(200, 0.5),
            new Skyline.Point(300, 0.5),
            new Skyline.Point(335, 4)));

    private static final Skyline STRAIT_SKYLINE = Skyline.of(List.of(
            new Skyline.Point(0, 4),
            new Skyline.Point(50, 3),
            new Skyline.Point(75, 1.5),
            new Skyline.Point(90, 2.8),
            new Skyline.Point(104, 1.2),
            new Skyline.Point(130, 0.6),
            new Skyline.Point(240, 0.6),
            new Skyline.Point(300, 3)));

    private static final Skyline MOLE_SKYLINE = Skyline.of(List.of(
            new Skyline.Point(0, 4),
            new Skyline.Point(70, 6),
            new Skyline.Point(150, 2),
            new Skyline.Point(220, 0.4),
            new Skyline.Point(285, 0.4),
            new Skyline.Point(320, 3)));

    private static final Skyline MILL_SKYLINE = Skyline.of(List.of(
            new Skyline.Point(0, 2.5),
            new Skyline.Point(25, 3.5),
            new Skyline.Point(70, 5),
            new Skyline.Point(130, 2),
            new Skyline.Point(196, 0.5),
            new Skyline.Point(260, 1),
            new Skyline.Point(325, 3)));

    private Place place(String name, Site site, ZoneId zone, boolean sea) {
        return places.add(new Place(
                null,
                name,
                site,
                zone,
                OptionalDouble.empty(),
                Skyline.FLAT,
                sea,
                domes(name).stream().map(DemoData::relit).toList(),
                new Place.Notes(
                        "Track from the road, then 15 minutes on foot",
                        "Cliff edge without fence, swell on the lower rocks, loose stone after rain",
                        "One hour before high water",
                        "Car at the end of the track, 15 minutes uphill",
                        OptionalDouble.of(-1.4))));
    }

    /**
     * The first wanted night around a new moon, looking forwards or backwards for up to a year; else the start. It looks
     * no farther than it must, since the first page waits for it.
     */
    private static LocalDate nearNewMoon(Place place, LocalDate from, int direction, Predicate<Night> wanted) {
        Instant start = from.atStartOfDay(place.zone()).toInstant();
        return IntStream.range(0, 13)
                .mapToObj(month -> start.plus(LOOK.multipliedBy((long) month * direction)))
                .map(t -> direction > 0 ? MoonPhase.between(t, t.plus(LOOK)) : MoonPhase.between(t.minus(LOOK), t))
                .flatMap(List::stream)
                .filter(p -> p.quarter() == MoonPhase.Quarter.NEW)
                .map(p -> p.when().atZone(place.zone()).toLocalDate())
                .flatMap(d -> Stream.of(d, d.plusDays(direction)))
                .filter(d -> wanted.test(Night.of(place.site(), d, place.zone(), place.rules())))
                .findFirst()
                .orElse(from);
    }

    /**
     * What the gazetteer says of the four places, read from a small file, so that the first page need not wait for the
     * large one. The demo's coast is made up, and so are its towns: real light, by direction instead of by name.
     */
    static List<Dome> domes(String place) {
        try (BufferedReader in = new BufferedReader(
                new InputStreamReader(DemoData.class.getResourceAsStream("domes.csv"), StandardCharsets.UTF_8))) {
            return in.lines()
                    .map(line -> line.split(","))
                    .filter(f -> f[0].equals(place))
                    .map(f -> compassTown(Double.parseDouble(f[1]), Double.parseDouble(f[2]), Double.parseDouble(f[3])))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Large towns have changed their lamps. */
    private static Dome relit(Dome d) {
        boolean large = d.people() > WHITE_FROM_PEOPLE;
        return new Dome(
                d.name(), d.bearingDeg(), d.distanceKm(), d.people(), large ? Dome.Lamps.WHITE : Dome.Lamps.WARM);
    }

    private static Dome compassTown(double bearingDeg, double distanceKm, double people) {
        String name = "Town " + Math.round(distanceKm) + " km " + Angles.compass(bearingDeg);
        return new Dome(name, bearingDeg, distanceKm, people);
    }

    private static double hours(List<Interval> intervals) {
        return Interval.total(intervals).toMinutes()
                / (double) Duration.ofHours(1).toMinutes();
    }

    private void one(String title, Place place, LocalDate night, String rig, double focal, double aperture) {
        Take take = Take.of("Milky Way", new MilkyWay(5), Takes.camera(rig(rig)));
        evening.add(outings.save(Outing.fresh(title, place, night)), take.set(focal, aperture));
    }

    /** Trails over the mill, and the core over the arch when it has come up. */
    private void fromPlaceToPlace(Place mill, Place arch, LocalDate night) {
        Outing outing = outings.save(
                Outing.fresh("First core of dawn", mill, night).going(2, new Way(55, 5), Optional.empty()));
        Outing both = outings.visit(outing.id(), List.of(new Outing.Further(arch, new Way(25, 15))));
        evening.add(both, Take.of("Trails over the mill", new Trails(5, 30, 1, 0), Takes.camera(rig("First zoom"))));
        evening.add(
                both,
                Take.of("Core over the arch", new MilkyWay(5), Takes.camera(rig("First zoom")))
                        .set(18, 3.5)
                        .at(1));
    }

    private static final String CORE = "Core over Needle Arch";
    private static final Optional<LocalTime> TIDE = Optional.of(LocalTime.of(4, 10));

    /** Nights that are looked at, most; each costs the first start some time. */
    private static final int TRIED = 8;

    private static final int WITHIN = 20;

    /** Nearer nights may have a forecast, and with it clouds. */
    private static final int UNFORESEEN = 8;

    /** The next outing, all of whose takes have a place. */
    record Soon(
            String title, String note, Place place, LocalDate night, List<Take> takes, Optional<LocalTime> turnBack) {}

    /** Within three weeks of any day: the core where it is up in the dark long enough, else the stars over the mill. */
    Soon next(LocalDate today, Place ledge, Place mill) {
        List<LocalDate> nights = IntStream.rangeClosed(1, WITHIN)
                .mapToObj(today::plusDays)
                .sorted(Comparator.comparing((LocalDate d) -> d.isBefore(today.plusDays(UNFORESEEN)))
                        .thenComparing(d -> fromNewMoon(d, ledge.zone())))
                .toList();
        return soon(
                        nights,
                        ledge,
                        n -> hours(n.core().inDark()) >= 2,
                        d -> new Soon(
                                CORE, "Tide turns at four: off the lower rocks before.", ledge, d, core(ledge), TIDE))
                .or(() -> soon(
                        nights,
                        mill,
                        n -> hours(n.moonless()) >= 3,
                        d -> new Soon(
                                "Stars over the tide mill",
                                "Frost in the reeds: heater bands on before the glass is cold.",
                                mill,
                                d,
                                stars(),
                                Optional.empty())))
                .orElseGet(() -> new Soon(CORE, "", ledge, nights.get(0), core(ledge), TIDE));
    }

    private Optional<Soon> soon(
            List<LocalDate> nights, Place place, Predicate<Night> wanted, Function<LocalDate, Soon> made) {
        return nights.stream()
                .filter(d -> wanted.test(Night.of(place.site(), d, place.zone(), place.rules())))
                .limit(TRIED)
                .map(made)
                .filter(s -> evening.bears(
                        Outing.fresh(s.title, place, s.night).going(2, new Way(40, 15), s.turnBack), s.takes))
                .findFirst();
    }

    /** Days to the nearest new moon. */
    private static double fromNewMoon(LocalDate night, ZoneId zone) {
        Instant at = night.plusDays(1).atStartOfDay(zone).toInstant();
        return MoonPhase.between(at.minus(LOOK), at.plus(LOOK)).stream()
                .filter(p -> p.quarter() == MoonPhase.Quarter.NEW)
                .mapToDouble(p -> Math.abs(Duration.between(at, p.when()).toHours() / 24.0))
                .min()
                .orElse(WITHIN);
    }

    /** Blue hour, the arch while it is low, the core over the mark, a friend, and circles meanwhile with the other camera. */
    private List<Take> core(Place ledge) {
        NamedCamera wide = Takes.camera(rig("Wide and fast"));
        NamedCamera fisheye = Takes.camera(rig("Fisheye"));
        return List.of(
                Take.of("Ground for the blend", new Ground(3, 60), wide),
                Take.of("The arch", Arch.KIND.usual(), wide),
                Take.of("Core over Needle Arch", new MilkyWay(5), wide)
                        .with(places.at(ledge.id(), Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Needle Arch")))),
                Take.of("Friend on the ledge", new People(4), wide),
                Take.of("Circles", new Trails(20, 30, 1, 5), fisheye));
    }

    /** What a night without the core bears: blue hour, the southern stars over the mill, a friend, circles round the tower. */
    private List<Take> stars() {
        NamedCamera wide = Takes.camera(rig("Wide and fast"));
        NamedCamera fisheye = Takes.camera(rig("Fisheye"));
        return List.of(
                Take.of("Stars over the tide mill", new Stack(30, 5), wide).aimed(new Direction(196, 24)),
                Take.of("Ground for the blend", new Ground(3, 60), wide).aimed(new Direction(196, 8)),
                Take.of("Friend at the mill", new People(4), wide).aimed(new Direction(180, 20)),
                Take.of("Circles round the tower", new Trails(20, 30, 1, 5), fisheye));
    }

    /** The best eclipse of the moon that is coming, a frame every three minutes,. */
    private void eclipse(Place place, LocalDate today) {
        Instant from = today.atStartOfDay(place.zone()).toInstant();
        Instant to = from.plus(ECLIPSES).isBefore(TimeScale.LAST) ? from.plus(ECLIPSES) : TimeScale.LAST;
        Observer observer = Observer.at(place.site());
        LocalEclipse.best(LocalEclipse.between(from, to, observer, place.skyline()))
                .ifPresent(e -> {
                    LocalDate night = Night.evening(e.eclipse().greatest(), place.zone());
                    Outing outing = outings.save(
                            Outing.fresh("Eclipse of the moon", place, night)
                                    .going(2, new Way(40, 15), Optional.empty())
                                    .noted(
                                            "Hot tea, two pairs of gloves. Look at the first frame of totality, then shift the rest."));
                    Take close = Take.of(
                            "Eclipse, close",
                            new EclipsedMoon(180, 0.78, 2, 0, 0),
                            Takes.camera(rig("Long for the moon")));
                    evening.add(outing, close.set(400, 5.6));
                });
    }

    /** The festival of every August, from the mole. */
    private void festival(Place mole, LocalDate today) {
        LocalDate august = today.withMonth(8).withDayOfMonth(14);
        Outing outing = outings.save(
                Outing.fresh("Harbour festival", mole, august.isAfter(today) ? august : august.plusYears(1))
                        .going(2, new Way(15, 5), Optional.empty())
                        .noted("Hold the rail by eight. Upright for the first shells, across for the body."));
        Take display = Take.of(
                "Display from the mole",
                new Fireworks(
                        18, 4, 100, 90, new Fireworks.Seen(645, 251.5, -3, 150, 79), new Fireworks.Changes(0, true, 3)),
                Takes.camera(rig("First zoom")));
        evening.add(outing, display.set(24, 11).held(Orientation.PORTRAIT));
    }

    private static final Duration ECLIPSES = Duration.ofDays(4 * 365);

    private NamedRig rig(String name) {
        return kit.rigs().stream()
                .filter(r -> r.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private void fisheyeRig() {
        NamedBody body = kit.bodies().stream()
                .filter(b -> b.name().contains("24 MP"))
                .findFirst()
                .orElseThrow();
        NamedLens lens = kit.lenses().stream()
                .filter(l -> l.name().contains("fisheye"))
                .findFirst()
                .orElseThrow();
        kit.save(new NamedGear(
                null, "Power tank", 1400, new Gear.Supply(12, 120, 4, 0, 7, 0), "dummy battery, heater band on it"));
        List<NamedGear> gear = kit.gear().stream()
                .filter(g -> List.of("Power tank", "Card 64 GB", "Tripod", "Interval timer")
                        .contains(g.name()))
                .toList();
        kit.save(new NamedRig(null, "Fisheye", body, lens, gear));
    }
}
