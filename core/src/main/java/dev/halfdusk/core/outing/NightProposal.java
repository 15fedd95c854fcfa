package dev.halfdusk.core.outing;

import dev.halfdusk.core.eclipse.LocalEclipse;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Dark;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.search.NightSearch;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Clip;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Ground;
import dev.halfdusk.core.take.Meteors;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/**
 * A whole night proposed from place, marks, season, moon, forecast, rigs and hands: which subject deserves which hour, and why.
 * The same circumstances always give the same night; who does not like it asks for another. Habits of the craft, to be argued
 * with.
 */
public final class NightProposal {

    /** Ways to spend a night that one may ask for in turn. */
    public static final int WAYS = 3;

    /** Up to here one row of a wide lens held upright takes the arch. */
    static final double LOW_ARCH_DEG = 60;

    private static final Duration CORE_WORTH = Duration.ofMinutes(20);
    private static final Duration TRAILS_WORTH = Duration.ofMinutes(90);
    private static final Duration LONG_NIGHT = Duration.ofHours(4);
    private static final Duration LOOK = Duration.ofMinutes(30);

    /** A window with more cloud than this at its clearest is not worth a walk. */
    private static final double OVERCAST_PERCENT = 85;

    private static final double MOST_METEOR_MINUTES = 180;
    private static final Duration ENOUGH = Duration.ofHours(3);

    /** What of the Milky Way is taken where the core is not up. */
    private static final List<Sight> OTHERS = List.of(Sight.CARINA, Sight.CYGNUS, Sight.WINTER);

    private final Circumstances c;
    private final NamedCamera first;
    private final NamedCamera second;
    private final NamedCamera longest;
    private final int people;

    /** What one comes for, where that was said. */
    private final Optional<Asked> asked;

    private NightProposal(Circumstances c, Cameras cameras, int people, Optional<Asked> asked) {
        this.asked = asked;
        this.c = c;
        first = cameras.first();
        second = cameras.second();
        longest = cameras.longest();
        this.people = people;
    }

    /** A take, and why it is proposed. */
    public record Proposed(Take take, String why) {}

    /**
     * A camera, and how near at hand it is.
     *
     * @param rank those of a lower one are taken first where they suit as well
     */
    public record Ranked(NamedCamera camera, int rank) {}

    /** With cameras that are all as near at hand. */
    public static List<Proposed> of(
            Circumstances c, List<NamedCamera> cameras, List<Take> planned, int people, int way) {
        return ofRanked(
                c, cameras.stream().map(k -> new Ranked(k, 0)).toList(), planned, people, way, Optional.empty());
    }

    /**
     * @param ranked none propose nothing; those that cannot take stars propose nothing of them
     * @param planned whose subjects are not proposed again
     * @param people pairs of hands
     * @param way of spending the night, counted from 0 and round
     * @param asked what one comes for; empty: the core, or what shows best where it does not
     * @return in the order in which they matter; those that the night has no window for are not among them
     */
    public static List<Proposed> ofRanked(
            Circumstances c, List<Ranked> ranked, List<Take> planned, int people, int way, Optional<Asked> asked) {
        Optional<Cameras> cameras = Cameras.of(ranked);
        if (cameras.isEmpty()) {
            return List.of();
        }
        NightProposal night = new NightProposal(c, cameras.get(), people, asked);
        return night.ofWay(Math.floorMod(way, WAYS))
                .flatMap(Optional::stream)
                .filter(p -> planned.stream()
                        .noneMatch(t ->
                                t.subject().kind().equals(p.take().subject().kind())))
                .flatMap(p -> night.clear(p).stream())
                .toList();
    }

    /** All of it; the core and a friend under it, or a deep stack; or movement. */
    private Stream<Optional<Proposed>> ofWay(int way) {
        return switch (way) {
            case 1 -> Stream.of(eclipse(), milkyWay(), stack(), portrait(), moon(), ground(), moonlit());
            case 2 -> Stream.of(eclipse(), clip(), milkyWay(), trails(first), moon(), moonlit());
            default -> Stream.of(eclipse(), milkyWay(), arch(), trails(second), moon(), ground(), moonlit());
        };
    }

    /** Nothing where the night has no window, or only overcast ones; what the forecast says is said. */
    private Optional<Proposed> clear(Proposed p) {
        List<Interval> windows = p.take().wish().when(c).windows();
        if (windows.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble cloud = windows.stream()
                .flatMap(NightProposal::looks)
                .flatMap(t -> c.weather().apply(t).stream())
                .mapToDouble(WeatherHour::cloudPercent)
                .min();
        if (cloud.isEmpty()) {
            return Optional.of(p);
        }
        return cloud.getAsDouble() > OVERCAST_PERCENT
                ? Optional.empty()
                : Optional.of(new Proposed(
                        p.take(),
                        p.why() + Numbers.text(" At its clearest %.0f %% of cloud is forecast.", cloud.getAsDouble())));
    }

    private static Stream<Instant> looks(Interval window) {
        List<Instant> all = new ArrayList<>();
        for (Instant t = window.from(); !t.isAfter(window.to()); t = t.plus(LOOK)) {
            all.add(t);
        }
        return all.stream();
    }

    private static Optional<Proposed> proposed(Take take, String why) {
        return Optional.of(new Proposed(take, why));
    }

    /** The core; where it does not stand long enough in the dark, the part of the Milky Way that shows best. */
    private Optional<Proposed> milkyWay() {
        if (asked.isPresent()) {
            return of(asked.get());
        }
        return of(Asked.USUAL)
                .or(() -> Stream.of(Dark.ASTRONOMICAL, Dark.DEEPEST)
                        .flatMap(dark -> OTHERS.stream()
                                .map(sight -> Asked.of(sight).asDarkAs(dark))
                                .filter(this::shows)
                                .max(Comparator.comparingDouble(this::worth))
                                .stream())
                        .findFirst()
                        .flatMap(this::of));
    }

    /** Long enough; what somebody came for is worth any minute. */
    private Optional<Interval> window(Asked sought) {
        return Interval.longest(sought.showing(c.night()).inDark())
                .filter(w -> asked.isPresent() || w.length().compareTo(CORE_WORTH) >= 0);
    }

    private boolean shows(Asked sought) {
        return window(sought).isPresent() && contrast(sought) >= NightSearch.CONTRAST_PLAIN;
    }

    /** Its contrast, as far as there is time for it. */
    private double worth(Asked sought) {
        Duration time = window(sought).orElseThrow().length();
        return contrast(sought) * Math.min(1, time.toMinutes() / (double) ENOUGH.toMinutes());
    }

    private double contrast(Asked sought) {
        Showing showing = sought.showing(c.night());
        return showing.best()
                .map(t -> showing.contrastPercent(t, c.from().glow()))
                .orElse(0.0);
    }

    private Optional<Proposed> of(Asked sought) {
        Optional<Interval> window = window(sought);
        if (window.isEmpty()) {
            return Optional.empty();
        }
        Sight sight = sought.sight();
        if (sight.shower().isPresent()) {
            return meteors(sought, window.get());
        }
        Take take = (sight.ofMilkyWay()
                        ? Take.of("Milky Way", new MilkyWay(5), first)
                        : Take.of(sight.title(), new Stack(30, 5), first))
                .with(Wish.highest(sought));
        String dark = sought.dark().orDeepest() ? "as dark as this night gets" : "dark";
        for (Named mark : c.against()) {
            Take over = take.with(Wish.over(Wish.Kind.SIGHT_OVER_MARK, mark).asking(sought));
            if (!over.wish().when(c).windows().isEmpty()) {
                return proposed(
                        over,
                        sight.first() + sight.verb(" stands over ", " stand over ") + mark.name() + " while it is "
                                + dark + ".");
            }
        }
        Showing showing = sought.showing(c.night());
        Instant best = showing.best().orElse(window.get().middle());
        String shows = sight.equals(Sight.CORE) || !sight.glows()
                ? ""
                : Numbers.text(
                        ", %.0f %% brighter than its sky",
                        showing.contrastPercent(best, c.from().glow()));
        return proposed(
                take,
                Numbers.text(
                        "%s %s up in a sky that is %s, at %s best %.0f\u00b0 high%s.",
                        sight.first(),
                        sight.verb("is", "are"),
                        dark,
                        sight.verb("its", "their"),
                        showing.at(best).altitudeDeg(),
                        shows));
    }

    /** As long as the radiant is up in the dark, up to some hours. */
    private Optional<Proposed> meteors(Asked sought, Interval window) {
        MeteorShower shower = sought.sight().shower().orElseThrow();
        double minutes =
                Math.min(MOST_METEOR_MINUTES, Math.max(30, window.length().toMinutes() - 10));
        String most = ShowerNight.of(shower, c.night(), c.from().glow())
                .map(n -> Numbers.text("most, some %.0f an hour, at ", n.perHour())
                        + c.night().clock(n.best()))
                .orElse("none are expected");
        return proposed(
                Take.of(shower.name(), new Meteors(minutes), first).with(Wish.highest(sought)),
                "Frame after frame while the radiant of the " + shower.name() + " is up: " + most + ".");
    }

    private Optional<Proposed> arch() {
        Optional<Instant> rises = c.night().core().inDark().stream()
                .filter(i -> i.length().compareTo(CORE_WORTH) >= 0)
                .map(Interval::from)
                .findFirst();
        if (rises.isEmpty()) {
            return Optional.empty();
        }
        Galaxy.Arch arch = c.night().arch(rises.get());
        return arch.topAltitudeDeg() > LOW_ARCH_DEG
                ? Optional.empty()
                : proposed(
                        Take.of("Arch", Arch.KIND.usual(), first),
                        Numbers.text(
                                "As the core rises the arch is only %.0f\u00b0 high: a row takes it. Later it needs two.",
                                arch.topAltitudeDeg()));
    }

    private Optional<Interval> longDark(Duration worth) {
        return Interval.longest(c.night().moonless()).filter(d -> d.length().compareTo(worth) >= 0);
    }

    private Optional<Proposed> trails(NamedCamera camera) {
        return longDark(TRAILS_WORTH).flatMap(dark -> {
            double arc = dark.length().compareTo(LONG_NIGHT) >= 0 ? 20 : 15;
            return proposed(
                    Take.of("Star trails", new Trails(arc, 30, 1, 5), camera),
                    Numbers.text(
                            "Circles round the pole run by themselves for %.0f\u00b0 of turn in what is left of the dark.",
                            arc));
        });
    }

    private Optional<Proposed> clip() {
        return longDark(TRAILS_WORTH)
                .flatMap(dark -> proposed(
                        Take.of("Time-lapse", new Clip(10, 25, 15), second),
                        "Ten seconds of the turning sky, from an hour in which nobody need touch the camera."));
    }

    private Optional<Proposed> stack() {
        return longDark(CORE_WORTH)
                .flatMap(dark -> proposed(
                        Take.of("Deep stack", new Stack(30, 5), second),
                        "Thirty frames of one field: noise falls to less than a fifth."));
    }

    private Optional<Proposed> portrait() {
        return people < 2
                ? Optional.empty()
                : longDark(CORE_WORTH)
                        .flatMap(dark -> proposed(
                                Take.of("Friend under the stars", new People(4), first),
                                "There are two of you: one can hold still."));
    }

    private Optional<Proposed> ground() {
        return proposed(
                Take.of("Ground at blue hour", new Ground(3, 60), first),
                "Clean, soft light on the ground, for the blend with the sky.");
    }

    private Optional<LocalEclipse> eclipsed() {
        Night night = c.night();
        return LocalEclipse.between(
                        night.span().from(),
                        night.span().to(),
                        night.observer(),
                        c.from().skyline())
                .stream()
                .filter(e -> e.eclipse().u1().isPresent() && e.seen() != LocalEclipse.Seen.NOT)
                .findFirst();
    }

    /** The umbra is worth a night of its own. */
    private Optional<Proposed> eclipse() {
        return eclipsed()
                .flatMap(e -> proposed(
                        Take.of("Eclipse of the moon", EclipsedMoon.KIND.usual(), longest),
                        e.eclipse().u2().isPresent()
                                ? "The moon goes through the earth's shadow: totality begins at "
                                        + c.night().clock(e.eclipse().u2().get()) + "."
                                : Numbers.text(
                                        "The earth's shadow covers up to %.0f %% of the moon's width.",
                                        100 * Math.min(1, e.eclipse().umbralMagnitude()))));
    }

    /** Not where the moon that should light it is in the shadow. */
    private Optional<Proposed> moonlit() {
        boolean dark = !c.night().moonless().isEmpty() || eclipsed().isPresent();
        return dark || c.night().dark().isEmpty()
                ? Optional.empty()
                : proposed(
                        Take.of("Moonlit ground", new Ground(4, 30), first).with(Wish.of(Wish.Kind.DARK)),
                        "The moon is up all night: let it light the landscape.");
    }

    /** A round moon over a mark while land and moon are about as bright; where it stands over none, as it rises or sets by itself. */
    private Optional<Proposed> moon() {
        if (!RoundMoon.is(c.night().moon().fraction()) || eclipsed().isPresent()) {
            return Optional.empty();
        }
        for (Named mark : c.against()) {
            Wish over = Wish.over(Wish.Kind.MOON_OVER_MARK, mark);
            boolean balanced = over.when(c)
                    .best()
                    .map(this::sun)
                    .filter(RoundMoon::balanced)
                    .isPresent();
            if (balanced) {
                return proposed(
                        at(Take.of("Moon over " + mark.name(), Moon.KIND.usual(), longest))
                                .with(over),
                        "The round moon stands over it while there is still light on the land.");
            }
        }
        if (!Cameras.isLong(longest)) {
            return Optional.empty(); // it would be a dot
        }
        return Wish.of(Wish.Kind.MOON_BALANCED)
                .when(c)
                .best()
                .flatMap(t -> proposed(
                        at(Take.of("Moon over the land", Moon.KIND.usual(), longest)),
                        Numbers.text(
                                "The round moon stands %.0f\u00b0 high while there is still light on the land: one frame holds both.",
                                Moment.at(t)
                                        .observed(Body.MOON, c.night().observer())
                                        .altitudeDeg())));
    }

    /** At the long end of its lens. */
    private static Take at(Take take) {
        Rig rig = take.camera().rig();
        double mm = rig.lens().longestMm();
        return take.set(mm, rig.apertures(mm).min());
    }

    private double sun(Instant t) {
        return Moment.at(t).local(Body.SUN, c.night().observer()).latitudeDeg();
    }
}
