package dev.halfdusk.core.search;

import dev.halfdusk.core.sky.Crossing;
import dev.halfdusk.core.sky.Events;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.LunarMonth;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.MoonPhase;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/** Evenings on which a nearly full moon rises close to sunset, so that land and moon balance in one frame. */
public final class FullMoonEvenings {

    private static final Duration AROUND_FULL = Duration.ofDays(3);
    private static final Duration CLOSE = Duration.ofMinutes(40);

    private FullMoonEvenings() {}

    /**
     * @param afterSunset negative where the moon rises first
     * @param azimuthDeg where the moon rises
     * @param size of the moon against its mean
     */
    public record Evening(Instant moonrise, Instant sunset, Duration afterSunset, double azimuthDeg, double size) {}

    /** Moonrises within 40 minutes of sunset, within three days of full moon, in from (included) to to (excluded). */
    public static List<Evening> between(Site site, Instant from, Instant to) {
        Observer observer = Observer.at(site);
        List<Evening> evenings = new ArrayList<>();
        for (MoonPhase phase : MoonPhase.between(from, to)) {
            if (phase.quarter() == MoonPhase.Quarter.FULL) {
                Events search = Events.over(
                        phase.when().minus(AROUND_FULL), phase.when().plus(AROUND_FULL), Events.DAILY_STEP);
                List<Instant> sunsets = times(search, HorizonEvent.Kind.SUN, observer, c -> !c.rising());
                for (Instant rise : times(search, HorizonEvent.Kind.MOON, observer, Crossing::rising)) {
                    sunsets.stream()
                            .filter(set -> Duration.between(set, rise).abs().compareTo(CLOSE) <= 0)
                            .findFirst()
                            .ifPresent(set -> evenings.add(evening(rise, set, observer)));
                }
            }
        }
        return List.copyOf(evenings);
    }

    private static Evening evening(Instant rise, Instant sunset, Observer observer) {
        Moment moment = Moment.at(rise);
        double azimuth =
                moment.observed(HorizonEvent.Kind.MOON.body(), observer).azimuthDeg();
        return new Evening(rise, sunset, Duration.between(sunset, rise), azimuth, LunarMonth.size(moment));
    }

    private static List<Instant> times(
            Events search, HorizonEvent.Kind kind, Observer observer, Predicate<Crossing> way) {
        return search.find(kind.fact(observer)).stream()
                .filter(way)
                .map(Crossing::when)
                .toList();
    }
}
