package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a sight has to offer in a night.
 *
 * @param window the longest that it stands as asked in a moonless sky; empty where it never does
 * @param best when it stands highest in that, or else in the night's deepest; at it what follows holds
 * @param contrastPercent by which its clouds outshine their sky; of a point of light how much of its sky is natural
 * @param skyMagnitude of its sky without the Milky Way, V mag/arcsec\u00b2
 */
public record Offer(
        Asked asked,
        Optional<Interval> window,
        Instant best,
        Direction at,
        double contrastPercent,
        double skyMagnitude) {

    public Sight sight() {
        return asked.sight();
    }

    /** Of one sight. */
    public static Offer of(Asked asked, Night night, SkyGlow glow) {
        Showing showing = asked.showing(night);
        Instant best = showing.best().orElse(night.sunLowest().when());
        Moment moment = Moment.at(best);
        Direction at = showing.at(best);
        SunAndMoon lamps = SunAndMoon.at(moment, night.observer());
        return new Offer(
                asked,
                Interval.longest(showing.inDark()),
                best,
                at,
                showing.contrastPercent(best, glow),
                glow.withoutMilkyWay(new Direction(at.azimuthDeg(), Math.max(0, at.altitudeDeg())), lamps)
                        .magnitude());
    }

    /**
     * Of several sights, by the dark and height that the night's rules ask, or as dark as it gets where it never gets so dark: parts
     * of the Milky Way, then what else glows, then points of light, of each the one that stands out most first.
     */
    public static List<Offer> of(Collection<Sight> sights, Night night, SkyGlow glow) {
        Dark dark = night.dark().isEmpty() ? Dark.DEEPEST : night.rules().dark();
        return sights.stream()
                .map(s -> of(new Asked(s, dark, night.rules().leastAltitudeDeg()), night, glow))
                .sorted(Comparator.comparing((Offer o) -> o.window.isEmpty())
                        .thenComparing(o -> !o.sight().ofMilkyWay())
                        .thenComparing(o -> !o.sight().glows())
                        .thenComparing(o -> -o.contrastPercent))
                .toList();
    }
}
