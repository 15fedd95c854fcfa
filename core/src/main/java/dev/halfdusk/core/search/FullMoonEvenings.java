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

/** Evenings on which a nearly full moon rises close to sunset, and mornings on which it sets close to sunrise: land and moon balance. */
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

    /**
     * A morning on which a nearly full moon sets close to sunrise.
     *
     * @param beforeSunrise negative where the sun rises first
     * @param azimuthDeg where the moon sets
     * @param size of the moon against its mean
     */
    public record Morning(Instant moonset, Instant sunrise, Duration beforeSunrise, double azimuthDeg, double size) {}

    /** Moonrises within 40 minutes of sunset, within three days of full moon, in from (included) to to (excluded). */
    public static List<Evening> between(Site site, Instant from, Instant to) {
        return meetings(site, from, to, true).stream()
                .map(m -> new Evening(m.moon, m.sun, Duration.between(m.sun, m.moon), m.azimuthDeg, m.size))
                .toList();
    }

    /** Moonsets within 40 minutes of sunrise, likewise. */
    public static List<Morning> mornings(Site site, Instant from, Instant to) {
        return meetings(site, from, to, false).stream()
                .map(m -> new Morning(m.moon, m.sun, Duration.between(m.moon, m.sun), m.azimuthDeg, m.size))
                .toList();
    }

    /** Moon and sun at the horizon, one rising, the other setting. */
    private record Meeting(Instant moon, Instant sun, double azimuthDeg, double size) {

        static Meeting of(Instant moon, Instant sun, Observer observer) {
            Moment moment = Moment.at(moon);
            double azimuth =
                    moment.observed(HorizonEvent.Kind.MOON.body(), observer).azimuthDeg();
            return new Meeting(moon, sun, azimuth, LunarMonth.size(moment));
        }
    }

    private static List<Meeting> meetings(Site site, Instant from, Instant to, boolean moonRises) {
        Observer observer = Observer.at(site);
        List<Meeting> meetings = new ArrayList<>();
        for (MoonPhase phase : MoonPhase.between(from, to)) {
            if (phase.quarter() == MoonPhase.Quarter.FULL) {
                Events search = Events.over(
                        phase.when().minus(AROUND_FULL), phase.when().plus(AROUND_FULL), Events.DAILY_STEP);
                List<Instant> suns = times(search, HorizonEvent.Kind.SUN, observer, c -> c.rising() != moonRises);
                for (Instant moon : times(search, HorizonEvent.Kind.MOON, observer, c -> c.rising() == moonRises)) {
                    suns.stream()
                            .filter(sun -> Duration.between(sun, moon).abs().compareTo(CLOSE) <= 0)
                            .findFirst()
                            .ifPresent(sun -> meetings.add(Meeting.of(moon, sun, observer)));
                }
            }
        }
        return meetings;
    }

    private static List<Instant> times(
            Events search, HorizonEvent.Kind kind, Observer observer, Predicate<Crossing> way) {
        return search.find(kind.fact(observer)).stream()
                .filter(way)
                .map(Crossing::when)
                .toList();
    }
}
