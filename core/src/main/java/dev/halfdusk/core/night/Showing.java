package dev.halfdusk.core.night;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Fact;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A sight in a night: when it stands high enough over the skyline, and when in the dark without moon. Times to a second. */
public final class Showing {

    private final Night night;
    private final Sight sight;
    private final List<Interval> up;
    private final List<Interval> inDark;
    private List<Crossing> crossings;
    private Optional<Instant> highest;

    Showing(Night night, Sight sight) {
        this.night = night;
        this.sight = sight;
        up = night.when(above(night.rules().leastAltitudeDeg()));
        inDark = Interval.common(night.moonless(), up);
    }

    public Night night() {
        return night;
    }

    public Sight sight() {
        return sight;
    }

    private Fact above(double wantedDeg) {
        return night.above(m -> sight.local(m, night.observer()), wantedDeg);
    }

    /** High enough and above the skyline, whatever the light. */
    public List<Interval> up() {
        return up;
    }

    /** Up in a dark sky without moon: what a picture of it wants. */
    public List<Interval> inDark() {
        return inDark;
    }

    /** The longest of its dark stretches; without one the longest in which it is up in the dark under a moon. */
    public Optional<Interval> window() {
        return Interval.longest(inDark).or(() -> Interval.longest(Interval.common(night.dark(), up)));
    }

    /** Whether it is up in the dark at all, under a moon or not. */
    public boolean shows() {
        return window().isPresent();
    }

    private synchronized List<Crossing> crossings() {
        if (crossings == null) {
            crossings = night.crossings(above(0));
        }
        return crossings;
    }

    /** When it comes over the skyline. Empty where it is up or down all day. */
    public Optional<Instant> rise() {
        return crossings().stream().filter(Crossing::rising).map(Crossing::when).findFirst();
    }

    /** When it goes behind the skyline. */
    public Optional<Instant> set() {
        return crossings().stream().filter(c -> !c.rising()).map(Crossing::when).findFirst();
    }

    /** When it stands highest of all, between the noons; empty where it does not turn. */
    public synchronized Optional<Instant> highest() {
        if (highest == null) {
            highest = night.highest(m -> sight.local(m, night.observer()).latitudeDeg());
        }
        return highest;
    }

    /**
     * When it stands highest within its window: at its highest of all, or at the end of the window that is higher. In a night that is
     * never as dark as it should be the deepest twilight counts for more: the time in the window that is nearest to it.
     */
    public Optional<Instant> best() {
        if (night.neverDarkEnough()) {
            Instant deepest = night.sunLowest().when();
            return window().map(w -> w.contains(deepest) ? deepest : deepest.isBefore(w.from()) ? w.from() : w.to());
        }
        return window().map(w -> highest().filter(w::contains).orElseGet(() -> higherEnd(w)));
    }

    private Instant higherEnd(Interval w) {
        double first = at(w.from()).altitudeDeg();
        double last = at(w.to()).altitudeDeg();
        return first == last ? w.middle() : first > last ? w.from() : w.to();
    }

    /** Where it is at an instant, airless. */
    public Direction at(Instant when) {
        return Direction.of(sight.local(Moment.at(when), night.observer()));
    }

    /** Whether it stands above the skyline and the level horizon at an instant. */
    public boolean seen(Instant when) {
        return night.rules().skyline().shows(at(when));
    }

    /** By how much its clouds outshine their sky at an instant, percent; of a point of light how dark its sky is against a natural one. */
    public double contrastPercent(Instant when, SkyGlow glow) {
        Moment moment = Moment.at(when);
        return seen(when) ? contrastPercent(moment, SunAndMoon.at(moment, night.observer()), glow) : 0;
    }

    private double contrastPercent(Moment moment, SunAndMoon lamps, SkyGlow glow) {
        Direction at = Direction.of(sight.local(moment, night.observer()));
        return sight.glows()
                ? glow.contrastPercent(at, sight.luminance(moment, night.observer()), lamps)
                : glow.darkPercent(at, lamps);
    }

    /** Why it is not up within some times, to be followed by what times they are. */
    public String whyNot(List<Interval> times) {
        double most = times.stream()
                .flatMap(w -> Stream.concat(Stream.of(w.from(), w.to()), highest().filter(w::contains).stream()))
                .mapToDouble(t -> at(t).altitudeDeg())
                .max()
                .orElse(-90);
        String it = sight.name();
        if (most < 0) {
            return it + sight.verb(" stays", " stay") + " below the horizon";
        }
        return most < night.rules().leastAltitudeDeg()
                ? Numbers.text(
                        "%s %s no higher than %.1f\u00b0 (%.0f\u00b0 is wanted)",
                        it, sight.verb("stands", "stand"), most, night.rules().leastAltitudeDeg())
                : "the skyline hides " + it;
    }
}
