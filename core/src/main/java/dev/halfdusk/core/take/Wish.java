package dev.halfdusk.core.take;

import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.OverMark;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Facts;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/**
 * When a take should be.
 *
 * @param from clock of a fixed time or of a window; else empty
 * @param to end of a window; else empty
 * @param mark over which something should stand; else empty
 * @param asked of the sky: the sight one comes for, and how dark and high
 */
public record Wish(Kind kind, Optional<LocalTime> from, Optional<LocalTime> to, Optional<Named> mark, Asked asked) {

    /** Height of the sun between which a moonlit and a twilit land are within two stops or so of the moon, degrees. */
    private static final double BALANCED_FROM = -7;

    private static final double BALANCED_TO = 1;
    private static final Duration AROUND = Duration.ofMinutes(10);

    /** An eclipse is greatest up to some hours before or after its maximum at a place. */
    private static final Duration ELSEWHERE = Duration.ofHours(4);

    private static final double ASIDE_DEG = 3;
    private static final Duration LOOK = Duration.ofMinutes(2);

    /** The ways to say it. */
    public enum Kind {
        FIXED("at a time"),
        WINDOW("between two times"),
        DARK("while it is dark, without moon"),
        SIGHT_HIGHEST("when it is highest"),
        ARCH_LOWEST("while the arch is low"),
        BLUE_HOUR("at blue hour, evening"),
        BLUE_MORNING("at blue hour, morning"),
        BEFORE_MOONRISE("before moonrise"),
        SIGHT_OVER_MARK("over a mark"),
        MOON_OVER_MARK("moon over a mark"),
        MOON_UP("while the moon is up"),
        MOON_BALANCED("moon and land about as bright"),
        LUNAR_ECLIPSE("while the moon is eclipsed"),
        SOLAR_ECLIPSE("while the sun is eclipsed");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether it happens at an hour that nobody chooses. */
        public boolean given() {
            return this == LUNAR_ECLIPSE || this == SOLAR_ECLIPSE;
        }

        /** Whether its windows follow from where the sight stands. */
        public boolean sighted() {
            return this == SIGHT_HIGHEST || this == SIGHT_OVER_MARK || this == ARCH_LOWEST;
        }

        /** Whether its windows follow from how dark it is. */
        public boolean dark() {
            return sighted() || this == DARK || this == BEFORE_MOONRISE;
        }

        /** Whether it needs the clock of a beginning; one between two times that of an end as well. */
        public boolean timed() {
            return this == FIXED || this == WINDOW;
        }

        /** Whether it needs a mark. */
        public boolean marked() {
            return this == SIGHT_OVER_MARK || this == MOON_OVER_MARK;
        }

        /** Short name for addresses and files. */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** By a short name, also by one of before, when the core was all that was asked for. */
        public static Optional<Kind> of(String key) {
            String now = key.replaceFirst("^core-(?=highest$|over-mark$)", "sight-");
            return Arrays.stream(values()).filter(k -> k.key().equals(now)).findFirst();
        }
    }

    /** What of a take its best instant is. */
    enum Anchor {
        OPENS,
        MIDDLE,
        CLOSES,
        /** It opens then, and its window is no longer than the take. */
        FIXED
    }

    /**
     * When it may be in a night.
     *
     * @param windows in which a take may open and must close
     * @param best instant; empty where any is as good
     * @param anchor what of the take should be then
     */
    public record When(List<Interval> windows, Optional<Instant> best, Anchor anchor) {

        private static final When NEVER = new When(List.of(), Optional.empty());

        public When {
            windows = List.copyOf(windows);
        }

        /** Whose best instant is that of opening. */
        public When(List<Interval> windows, Optional<Instant> best) {
            this(windows, best, Anchor.OPENS);
        }

        /** For a take so long: the windows that hold it, and its best opening. */
        public When lasting(Duration lasts) {
            if (anchor == Anchor.FIXED) {
                Instant at = best.orElseThrow();
                return new When(List.of(new Interval(at, at.plus(lasts))), best);
            }
            List<Interval> enough = windows.stream()
                    .filter(w -> w.length().compareTo(lasts) >= 0)
                    .toList();
            return new When(enough, best.map(t -> opening(t, lasts)));
        }

        private Instant opening(Instant at, Duration lasts) {
            return switch (anchor) {
                case MIDDLE -> at.minus(lasts.dividedBy(2));
                case CLOSES -> at.minus(lasts);
                default -> at;
            };
        }
    }

    /** "the core over a mark: Needle Arch". */
    public String words() {
        String clocks =
                from.map(f -> ": " + f + to.map(t -> " to " + t).orElse("")).orElse("");
        Sight sight = asked.sight();
        String what = switch (kind) {
            case SIGHT_HIGHEST -> "when " + sight.name() + sight.verb(" is", " are") + " highest";
            case SIGHT_OVER_MARK -> sight.bare() + " over a mark";
            default -> kind.words();
        };
        boolean usual = !kind.dark() || asked.dark().equals(Asked.USUAL.dark());
        String dark = usual ? "" : ", " + asked.dark().words();
        return what + clocks + mark.map(m -> ": " + m.name()).orElse("") + dark;
    }

    public static Wish of(Kind kind) {
        return new Wish(kind, Optional.empty(), Optional.empty(), Optional.empty(), Asked.USUAL);
    }

    /** When a sight is highest. */
    public static Wish highest(Asked asked) {
        return of(Kind.SIGHT_HIGHEST).asking(asked);
    }

    public static Wish at(LocalTime clock) {
        return new Wish(Kind.FIXED, Optional.of(clock), Optional.empty(), Optional.empty(), Asked.USUAL);
    }

    public static Wish between(LocalTime from, LocalTime to) {
        return new Wish(Kind.WINDOW, Optional.of(from), Optional.of(to), Optional.empty(), Asked.USUAL);
    }

    public static Wish over(Kind kind, Named mark) {
        return new Wish(kind, Optional.empty(), Optional.empty(), Optional.of(mark), Asked.USUAL);
    }

    public Wish asking(Asked other) {
        return new Wish(kind, from, to, mark, other);
    }

    public Wish {
        if (kind.timed() && from.isEmpty() || kind == Kind.WINDOW && to.isEmpty()) {
            throw new IllegalArgumentException("a wish for a time needs the time");
        }
        if (kind.marked() && mark.isEmpty()) {
            throw new IllegalArgumentException("a wish over a mark needs the mark");
        }
    }

    /** The same, of a mark that may be called otherwise by now. */
    Wish called(Circumstances c) {
        return new Wish(
                kind,
                from,
                to,
                mark.map(m -> new Named(m.id(), c.mark(m.id()).map(Mark::name).orElse(m.name()))),
                asked);
    }

    /** The night as dark as it asks. */
    public Night night(Circumstances c) {
        return asked.in(c.night());
    }

    /** What is seen of its sight in the night. */
    public Showing showing(Circumstances c) {
        return asked.showing(c.night());
    }

    /** The windows of the night, and what is best in them, whatever the length of the take. */
    public When when(Circumstances c) {
        Night night = night(c);
        return switch (kind) {
            case FIXED -> fixed(night);
            case WINDOW -> window(night);
            case DARK -> new When(dark(night), Optional.empty());
            case SIGHT_HIGHEST -> highest(showing(c), night);
            case ARCH_LOWEST -> archLowest(showing(c), night);
            case BLUE_HOUR -> blue(night, true);
            case BLUE_MORNING -> blue(night, false);
            case BEFORE_MOONRISE -> beforeMoonrise(night);
            case SIGHT_OVER_MARK -> over(c, asked.sight()::local, showing(c).inDark());
            case MOON_OVER_MARK -> over(c, (m, o) -> m.local(Body.MOON, o), moonUp(night));
            case MOON_UP -> new When(moonUp(night), Optional.empty());
            case MOON_BALANCED -> balanced(night);
            case LUNAR_ECLIPSE -> eclipsed(night);
            case SOLAR_ECLIPSE -> eclipsedSun(c);
        };
    }

    private When fixed(Night night) {
        Instant at = Night.at(night.date(), from.orElseThrow(), night.zone());
        return new When(List.of(new Interval(at, at)), Optional.of(at), Anchor.FIXED);
    }

    private When window(Night night) {
        Instant begins = Night.at(night.date(), from.orElseThrow(), night.zone());
        Instant ends = Night.at(night.date(), to.orElseThrow(), night.zone());
        return begins.isBefore(ends) ? new When(List.of(new Interval(begins, ends)), Optional.empty()) : When.NEVER;
    }

    private static List<Interval> dark(Night night) {
        return night.moonless().isEmpty() ? night.dark() : night.moonless();
    }

    private static When highest(Showing showing, Night night) {
        List<Interval> windows =
                showing.inDark().isEmpty() ? Interval.common(night.dark(), showing.up()) : showing.inDark();
        return new When(windows, showing.best(), Anchor.MIDDLE);
    }

    /** While the sight is up in the dark, as low as the arch then stands: with the core as early as it is up, since the arch rises with it. */
    private static When archLowest(Showing showing, Night night) {
        List<Interval> windows = showing.inDark();
        Optional<Instant> best = showing.sight().equals(Sight.CORE)
                ? windows.stream().map(Interval::from).findFirst()
                : windows.stream()
                        .flatMap(w -> Stream.of(w.from(), w.to()))
                        .min(Comparator.comparingDouble(t -> night.arch(t).topAltitudeDeg()));
        return new When(windows, best);
    }

    private static When blue(Night night, boolean evening) {
        List<Interval> bright =
                night.when(Facts.altitude(Body.SUN, night.observer()).above(SceneLight.BLUE_HOUR.min()));
        List<Interval> low = Interval.without(
                night.span(),
                night.when(Facts.altitude(Body.SUN, night.observer()).above(SceneLight.BLUE_HOUR.max())));
        Instant lowest = night.sunLowest().when();
        List<Interval> blue = Interval.common(bright, low).stream()
                .filter(i -> i.from().isBefore(lowest) == evening)
                .toList();
        return new When(blue, Optional.empty());
    }

    private static When beforeMoonrise(Night night) {
        Optional<Instant> rise = night.rise(HorizonEvent.Kind.MOON);
        return rise.map(r -> new When(
                        Interval.common(
                                dark(night), List.of(new Interval(night.span().from(), later(night, r)))),
                        Optional.of(r),
                        Anchor.CLOSES))
                .orElse(When.NEVER);
    }

    private static Instant later(Night night, Instant t) {
        return t.isAfter(night.span().from()) ? t : night.span().from();
    }

    private static List<Interval> moonUp(Night night) {
        return night.when(night.above(Body.MOON, 0));
    }

    /** From ten minutes before the umbra touches the moon to ten minutes after, or all of a penumbral eclipse, while the moon is up. */
    private static When eclipsed(Night night) {
        List<Interval> eclipses = LunarEclipses.between(
                        night.span().from(), night.span().to())
                .stream()
                .map(e -> new Interval(
                        e.u1().map(t -> t.minus(AROUND)).orElse(e.p1()),
                        e.u4().map(t -> t.plus(AROUND)).orElse(e.p4())))
                .toList();
        List<Interval> windows = Interval.common(eclipses, moonUp(night));
        return new When(windows, windows.stream().map(Interval::from).findFirst());
    }

    /** From first contact to fourth; the sun may rise or set meanwhile. */
    private static When eclipsedSun(Circumstances c) {
        List<Interval> windows = solarEclipse(c.night(), c.from().skyline()).stream()
                .map(e -> new Interval(
                        e.contacts().get(0).when(),
                        e.contacts().get(e.contacts().size() - 1).when()))
                .toList();
        return new When(windows, windows.stream().map(Interval::from).findFirst());
    }

    /** The eclipse of the sun whose maximum there lies between a night's two noons, and of which something is seen. */
    static Optional<LocalSolarEclipse> solarEclipse(Night night, Skyline skyline) {
        Instant from = night.span().from().minus(ELSEWHERE);
        return SolarEclipses.between(from, night.span().to().plus(ELSEWHERE)).stream()
                .flatMap(e -> LocalSolarEclipse.of(e, night.observer(), skyline).stream())
                .filter(e -> night.span().contains(e.max().when()))
                .filter(e -> e.contacts().stream().anyMatch(LocalSolarEclipse.Contact::up))
                .findFirst();
    }

    /** While the sun is just below the horizon or just above it and the moon is up; best with the sun at its middle. */
    private static When balanced(Night night) {
        Fact sun = Facts.altitude(Body.SUN, night.observer());
        List<Interval> lit = Interval.common(
                night.when(sun.above(BALANCED_FROM)),
                Interval.without(night.span(), night.when(sun.above(BALANCED_TO))));
        List<Interval> windows = Interval.common(lit, moonUp(night));
        return new When(windows, windows.stream().map(Interval::middle).findFirst(), Anchor.MIDDLE);
    }

    /** Where it stands over the mark; best when nearest to its bearing. */
    private When over(Circumstances c, BiFunction<Moment, Observer, Vector> local, List<Interval> within) {
        Optional<Mark> known = mark.flatMap(m -> c.mark(m.id()));
        if (known.isEmpty()) {
            return When.NEVER;
        }
        OverMark over = OverMark.of(known.get(), ASIDE_DEG, OverMark.usualHighest(known.get()));
        List<Interval> windows = new ArrayList<>();
        Instant best = null;
        double nearest = Double.POSITIVE_INFINITY;
        for (Interval i : within) {
            Instant begins = null;
            for (Instant t = i.from(); !t.isAfter(i.to()); t = t.plus(LOOK)) {
                double off = off(
                        over, Direction.of(local.apply(Moment.at(t), c.night().observer())));
                if (off < nearest) {
                    nearest = off;
                    best = t;
                }
                if (off <= 1 && begins == null) {
                    begins = t;
                } else if (off > 1 && begins != null) {
                    windows.add(new Interval(begins, t));
                    begins = null;
                }
            }
            if (begins != null && begins.isBefore(i.to())) {
                windows.add(new Interval(begins, i.to()));
            }
        }
        return new When(windows, Optional.ofNullable(windows.isEmpty() ? null : best), Anchor.MIDDLE);
    }

    /** Distance from the bearing as a share of what is allowed; infinite below the mark's top and too high above it. */
    private static double off(OverMark over, Direction at) {
        boolean high = at.altitudeDeg() >= over.fromAltitudeDeg() && at.altitudeDeg() <= over.toAltitudeDeg();
        double aside = Math.abs(((at.azimuthDeg() - over.bearingDeg()) % 360 + 540) % 360 - 180);
        return high ? aside / over.asideDeg() : Double.POSITIVE_INFINITY;
    }
}
