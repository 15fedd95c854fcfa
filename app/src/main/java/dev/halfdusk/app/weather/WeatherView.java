package dev.halfdusk.app.weather;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.weather.Dew;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.Outlook;
import dev.halfdusk.core.weather.Steadiness;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The weather of a night in the words and numbers of its panel. */
public record WeatherView(
        Place place,
        LocalDate date,
        List<String> sentences,
        List<String> warnings,
        List<Row> rows,
        List<Cell> cells,
        List<SourceRow> sources) {

    private static final Duration HOUR = Duration.ofHours(1);

    /** One hour. */
    public record Row(
            String clock,
            String cloud,
            String layers,
            String wind,
            String temperature,
            String spread,
            String dew,
            boolean dewy,
            String battery,
            String source,
            String dispute) {}

    /** Cloud of one layer in one hour, on the axis of the ribbon; y counts layers from the top. */
    public record Cell(String x, String width, int y, double opacity) {}

    /** One source and how old it is. */
    public record SourceRow(String key, String words, String issued, boolean stale) {}

    static WeatherView of(Place place, Night night, Weather.Known known, Instant now) {
        Outlook outlook = known.outlook();
        ZoneId zone = night.zone();
        return new WeatherView(
                place,
                night.date(),
                outlook.empty() ? List.of() : sentences(outlook, zone),
                warnings(known, now, zone),
                outlook.empty()
                        ? List.of()
                        : outlook.hours().stream().map(h -> row(h, zone)).toList(),
                cells(outlook, Ribbon.of(night, place.glow()), night),
                known.forecasts().stream().map(f -> source(f, now)).distinct().toList());
    }

    private static SourceRow source(Forecast f, Instant now) {
        return new SourceRow(
                f.source().name().toLowerCase(Locale.ROOT),
                f.source().words(),
                Words.span(Duration.between(f.issued(), now)) + " old",
                f.staleAt(now));
    }

    private static List<String> sentences(Outlook outlook, ZoneId zone) {
        List<String> all = new ArrayList<>();
        all.add(outlook.clearest()
                .map(i -> "Clearest from " + Words.clock(i.from(), zone) + " to " + Words.clock(i.to(), zone)
                        + ": at most a quarter of the sky covered.")
                .orElse("No hour with three quarters of the sky open."));
        Optional<Instant> dew = outlook.dewFrom(Dew.Risk.HIGH);
        Optional<Instant> some = outlook.dewFrom(Dew.Risk.SOME);
        if (dew.isPresent()) {
            all.add("Dew on the front element is likely from " + Words.clock(dew.get(), zone)
                    + ": heater band or hand warmer, and look every half hour.");
        } else if (some.isPresent()) {
            all.add("Dew is possible from " + Words.clock(some.get(), zone) + ": have a heater band at hand.");
        } else {
            all.add("Dew is unlikely.");
        }
        outlook.coldest()
                .ifPresent(w -> all.add("Coldest " + Words.number(w.temperatureC(), 0)
                        + " \u00b0C: batteries give about " + Words.percent(w.batteryFactor())
                        + " of what they give at 20 \u00b0C."));
        outlook.windiest().ifPresent(w -> all.add("Wind up to " + Words.number(w.windMs(), 0) + " m/s: " + tripod(w)));
        return List.copyOf(all);
    }

    private static String tripod(WeatherHour w) {
        return switch (Steadiness.in(w.windMs())) {
            case STEADY -> "a tripod stands steady.";
            case WEIGH_DOWN -> "set the tripod low, hang a weight on it, leave the centre column down.";
            case SHELTER -> "find shelter; long exposures will shake, and keep away from edges.";
        };
    }

    private static List<String> warnings(Weather.Known known, Instant now, ZoneId zone) {
        List<String> all = new ArrayList<>();
        known.trouble().ifPresent(all::add);
        boolean anything = !known.outlook().empty();
        boolean fresh = known.forecasts().stream().anyMatch(f -> !f.staleAt(now));
        if (anything && !fresh) {
            all.add("Everything known is older than " + Forecast.FRESH.toHours() + " hours: it may be wrong by now.");
        }
        if (anything && known.outlook().gaps()) {
            long missing = known.outlook().hours().stream()
                    .filter(Outlook.Hour::missing)
                    .count();
            all.add("For " + missing + " of " + known.outlook().hours().size() + " hours there is no forecast.");
        }
        if (known.outlook().disputed()) {
            String hours = String.join(
                    ", ",
                    known.outlook().hours().stream()
                            .filter(h -> !h.disputes().isEmpty())
                            .map(h -> Words.clock(h.when(), zone))
                            .toList());
            all.add("The sources contradict each other at " + hours + ". The newest is believed.");
        }
        return List.copyOf(all);
    }

    private static Row row(Outlook.Hour hour, ZoneId zone) {
        String clock = Words.clock(hour.when(), zone);
        if (hour.missing()) {
            return new Row(clock, "no forecast", "", "", "", "", "", false, "", "", "");
        }
        Outlook.Said said = hour.believed().orElseThrow();
        WeatherHour w = said.weather();
        String dispute = String.join(
                "; ",
                hour.disputes().stream()
                        .map(d -> d.source().words() + ": "
                                + Words.number(d.weather().cloudPercent(), 0) + " % cloud, "
                                + Words.number(d.weather().temperatureC(), 0) + " \u00b0C, "
                                + Words.number(d.weather().windMs(), 0) + " m/s")
                        .toList());
        return new Row(
                clock,
                Words.number(w.cloudPercent(), 0) + " %",
                Words.number(w.lowCloudPercent(), 0) + " / " + Words.number(w.middleCloudPercent(), 0) + " / "
                        + Words.number(w.highCloudPercent(), 0),
                Words.number(w.windMs(), 1),
                Words.number(w.temperatureC(), 1),
                Words.number(w.dewSpreadK(), 1),
                switch (w.dewRisk()) {
                    case LOW -> "";
                    case SOME -> "possible";
                    case HIGH -> "likely";
                },
                w.dewRisk() != Dew.Risk.LOW,
                Words.percent(w.batteryFactor()),
                said.source().words(),
                dispute);
    }

    private static List<Cell> cells(Outlook outlook, Ribbon ribbon, Night night) {
        List<Cell> cells = new ArrayList<>();
        Instant noon = night.span().from();
        double whole = ribbon.lastMinute() - ribbon.firstMinute();
        for (Outlook.Hour h : outlook.hours()) {
            h.believed().map(Outlook.Said::weather).ifPresent(w -> {
                double from = Duration.between(noon, h.when().minus(HOUR.dividedBy(2)))
                                .toMinutes()
                        - ribbon.firstMinute();
                String x = Words.number(100 * Math.max(0, from) / whole, 2).replace('\u2212', '-') + "%";
                String width = Words.number(100 * 60.0 / whole + 0.05, 2) + "%";
                double[] layers = {w.highCloudPercent(), w.middleCloudPercent(), w.lowCloudPercent()};
                for (int y = 0; y < layers.length; y++) {
                    cells.add(new Cell(x, width, y, Math.round(layers[y]) / 100.0));
                }
            });
        }
        return List.copyOf(cells);
    }

    /** What was kept of an imported forecast, and whether it says anything of this night. */
    static String taken(Forecast forecast, Place place, Night night) {
        List<WeatherHour> hours = forecast.hours();
        Interval span = Weather.span(night);
        boolean here = hours.stream().anyMatch(h -> span.contains(h.when()));
        return hours.size() + (hours.size() == 1 ? " hour" : " hours") + " taken, from "
                + moment(hours.get(0).when(), place) + " to "
                + moment(hours.get(hours.size() - 1).when(), place) + "."
                + (here ? "" : " None of them belongs to this night: the forecast is for another.");
    }

    private static String moment(Instant when, Place place) {
        return Words.shortDay(LocalDate.ofInstant(when, place.zone())) + ", " + Words.clock(when, place.zone());
    }
}
