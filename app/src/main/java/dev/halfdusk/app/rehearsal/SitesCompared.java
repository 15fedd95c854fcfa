package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.weather.Weather;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.CentralLine;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.LocalSolarEclipse.Contact;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Places one might go to for an eclipse, side by side: how long, how high, how cloudy. */
@Component
class SitesCompared {

    private static final int MOST_PLACES = 12;
    private static final long AROUND = 7200;

    private final Places places;
    private final Weather weather;
    private final EclipsePlans plans;

    SitesCompared(Places places, Weather weather, EclipsePlans plans) {
        this.places = places;
        this.weather = weather;
        this.plans = plans;
    }

    /**
     * @param max clock of the place at the maximum
     * @param forecast cloud at the maximum, where a forecast reaches so far
     * @param odds in percent, as typed
     * @param part of this plan: "here", "other" or ""
     */
    record Row(
            long id,
            String name,
            String type,
            String inner,
            String sun,
            String max,
            String forecast,
            String odds,
            String part) {}

    List<Row> of(EclipsePlan plan) {
        Map<Long, Double> odds = plans.cloudOdds(plan.date());
        return places.all().stream()
                .sorted(Comparator.comparing((Place p) -> part(plan, p).isEmpty())
                        .thenComparingDouble(
                                p -> CentralLine.distanceKm(plan.place().site(), p.site())))
                .limit(MOST_PLACES)
                .flatMap(p -> EclipsePlan.seen(plan.date(), p).stream().map(l -> row(plan, p, l, odds)))
                .toList();
    }

    private Row row(EclipsePlan plan, Place p, LocalSolarEclipse l, Map<Long, Double> odds) {
        Contact max = l.max();
        return new Row(
                p.id(),
                p.name(),
                l.type().words(),
                l.inner().isZero() ? Words.covered(l.obscuration()) : Words.seconds(l.inner()),
                Words.number(max.sun().altitudeDeg(), 0) + "\u00b0 "
                        + Angles.compass(max.sun().azimuthDeg()) + (max.up() ? "" : ", not seen"),
                Words.clockSeconds(max.when(), p.zone()),
                cloud(p, max).map(h -> Words.number(h.cloudPercent(), 0) + " %").orElse("not yet"),
                Optional.ofNullable(odds.get(p.id())).map(Words::trimmed).orElse(""),
                part(plan, p));
    }

    private static String part(EclipsePlan plan, Place p) {
        boolean other = plan.other().filter(o -> o.id().equals(p.id())).isPresent();
        return p.id().equals(plan.place().id()) ? "here" : other ? "other" : "";
    }

    private Optional<WeatherHour> cloud(Place p, Contact max) {
        Interval about =
                new Interval(max.when().minusSeconds(AROUND), max.when().plusSeconds(AROUND));
        return weather.hours(p, about).apply(max.when());
    }
}
