package dev.halfdusk.core.take;

import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LunarEclipses;
import dev.halfdusk.core.eclipse.SolarEclipses;
import dev.halfdusk.core.exposure.SceneLight;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Vector;
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
import dev.halfdusk.core.take.Wish.When;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/** When in a night the sky is as a wish has it. */
final class SkyWindows {

    /** Height of the sun between which a moonlit and a twilit land are within two stops or so of the moon, degrees. */
    private static final double BALANCED_FROM = -7;

    private static final double BALANCED_TO = 1;
    private static final Duration AROUND = Duration.ofMinutes(10);

    /** An eclipse is greatest up to some hours before or after its maximum at a place. */
    private static final Duration ELSEWHERE = Duration.ofHours(4);

    private static final double ASIDE_DEG = 3;
    private static final Duration LOOK = Duration.ofMinutes(2);

    private SkyWindows() {}

    static When of(Wish.BySky wish, Circumstances c) {
        Night night = wish.night(c);
        return switch (wish.kind()) {
            case DARK -> new When(dark(night), Optional.empty());
            case SIGHT_HIGHEST -> highest(wish.showing(c), night);
            case ARCH_LOWEST -> archLowest(wish.showing(c), night);
            case BLUE_HOUR -> blue(night, true);
            case BLUE_MORNING -> blue(night, false);
            case BEFORE_MOONRISE -> beforeMoonrise(night);
            case MOON_UP -> new When(moonUp(night), Optional.empty());
            case MOON_BALANCED -> balanced(night);
            case LUNAR_ECLIPSE -> eclipsed(night);
            case SOLAR_ECLIPSE -> eclipsedSun(c);
            case FIXED, WINDOW, SIGHT_OVER_MARK, MOON_OVER_MARK ->
                throw new IllegalStateException(wish.kind() + " is not the sky's");
        };
    }

    private static List<Interval> dark(Night night) {
        return night.moonless().isEmpty() ? night.dark() : night.moonless();
    }

    private static When highest(Showing showing, Night night) {
        List<Interval> windows =
                showing.inDark().isEmpty() ? Interval.common(night.dark(), showing.up()) : showing.inDark();
        return new When(windows, showing.best(), Wish.Anchor.MIDDLE);
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
                        Wish.Anchor.CLOSES))
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
        return new When(windows, windows.stream().map(Interval::middle).findFirst(), Wish.Anchor.MIDDLE);
    }

    /** Where it stands over the mark; best when nearest to its bearing. */
    static When over(Wish.Over wish, Mark mark, Circumstances c) {
        return wish.kind() == Wish.Kind.MOON_OVER_MARK
                ? over(mark, c, (m, o) -> m.local(Body.MOON, o), moonUp(wish.night(c)))
                : over(mark, c, wish.asked().sight()::local, wish.showing(c).inDark());
    }

    private static When over(
            Mark mark, Circumstances c, BiFunction<Moment, Observer, Vector> local, List<Interval> within) {
        OverMark over = OverMark.of(mark, ASIDE_DEG, OverMark.usualHighest(mark));
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
        return new When(windows, Optional.ofNullable(windows.isEmpty() ? null : best), Wish.Anchor.MIDDLE);
    }

    /** Distance from the bearing as a share of what is allowed; infinite below the mark's top and too high above it. */
    private static double off(OverMark over, Direction at) {
        boolean high = at.altitudeDeg() >= over.fromAltitudeDeg() && at.altitudeDeg() <= over.toAltitudeDeg();
        double aside = Math.abs(Angles.halfTurn(at.azimuthDeg() - over.bearingDeg()));
        return high ? aside / over.asideDeg() : Double.POSITIVE_INFINITY;
    }
}
