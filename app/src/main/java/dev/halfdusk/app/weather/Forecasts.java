package dev.halfdusk.app.weather;

import static dev.halfdusk.app.db.Tables.FORECAST_HOUR;
import static dev.halfdusk.app.db.Tables.FORECAST_SAID;
import static dev.halfdusk.app.db.Tables.PLACE;

import dev.halfdusk.app.db.tables.records.ForecastHourRecord;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The last forecast of each source for every place and hour. */
@Repository
@Transactional(readOnly = true)
public class Forecasts {

    private static final Duration MARGIN = Duration.ofHours(2);

    private final DSLContext db;

    Forecasts(DSLContext db) {
        this.db = db;
    }

    private record Origin(Forecast.Source source, Instant issued) {}

    /** All that touch a span; hours of one source that were issued at different times stay apart. */
    List<Forecast> touching(long place, Interval span) {
        Map<Origin, List<WeatherHour>> found = db
                .selectFrom(FORECAST_HOUR)
                .where(FORECAST_HOUR.PLACE_ID.eq(place))
                .and(FORECAST_HOUR.VALID_AT.between(
                        span.from().minus(MARGIN), span.to().plus(MARGIN)))
                .fetch()
                .stream()
                .collect(Collectors.groupingBy(
                        r -> new Origin(Forecast.Source.valueOf(r.getSource()), r.getIssuedAt()),
                        Collectors.mapping(Forecasts::hour, Collectors.toList())));
        return found.entrySet().stream()
                .map(e -> new Forecast(e.getKey().source, e.getKey().issued, e.getValue()))
                .toList();
    }

    private static WeatherHour hour(ForecastHourRecord r) {
        return new WeatherHour(
                r.getValidAt(),
                r.getLowCloudPercent(),
                r.getMiddleCloudPercent(),
                r.getHighCloudPercent(),
                r.getWindMs(),
                r.getTemperatureC(),
                r.getHumidityPercent());
    }

    /** All hours or none; each takes the place of what the same source said of it before. */
    @Transactional
    void keep(long place, Forecast forecast) {
        for (WeatherHour h : forecast.hours()) {
            db.deleteFrom(FORECAST_HOUR)
                    .where(FORECAST_HOUR.PLACE_ID.eq(place))
                    .and(FORECAST_HOUR.SOURCE.eq(forecast.source().name()))
                    .and(FORECAST_HOUR.VALID_AT.eq(h.when()))
                    .execute();
            db.insertInto(FORECAST_HOUR)
                    .set(FORECAST_HOUR.PLACE_ID, place)
                    .set(FORECAST_HOUR.SOURCE, forecast.source().name())
                    .set(FORECAST_HOUR.VALID_AT, h.when())
                    .set(FORECAST_HOUR.ISSUED_AT, forecast.issued())
                    .set(FORECAST_HOUR.LOW_CLOUD_PERCENT, h.lowCloudPercent())
                    .set(FORECAST_HOUR.MIDDLE_CLOUD_PERCENT, h.middleCloudPercent())
                    .set(FORECAST_HOUR.HIGH_CLOUD_PERCENT, h.highCloudPercent())
                    .set(FORECAST_HOUR.WIND_MS, h.windMs())
                    .set(FORECAST_HOUR.TEMPERATURE_C, h.temperatureC())
                    .set(FORECAST_HOUR.HUMIDITY_PERCENT, h.humidityPercent())
                    .execute();
        }
        remember(place, forecast);
    }

    private static final int DARK_FROM = 20;
    private static final int DARK_TO = 4;
    private static final int LONGEST_AHEAD = 16;

    /** What it says of the cloud of each night stays, by how long before it was said: so one learns how far to trust. */
    private void remember(long place, Forecast forecast) {
        ZoneId zone = ZoneId.of(
                db.select(PLACE.ZONE).from(PLACE).where(PLACE.ID.eq(place)).fetchSingle(PLACE.ZONE));
        forecast.hours().stream()
                .filter(h -> {
                    int hour = h.when().atZone(zone).getHour();
                    return hour >= DARK_FROM || hour < DARK_TO;
                })
                .collect(Collectors.groupingBy(
                        h -> h.when().atZone(zone).minusHours(DARK_TO).toLocalDate(),
                        Collectors.averagingDouble(WeatherHour::cloudPercent)))
                .forEach((night, cloud) -> {
                    long ahead = ChronoUnit.DAYS.between(
                            forecast.issued().atZone(zone).toLocalDate(), night);
                    if (forecast.source() != Forecast.Source.HAND && ahead >= 0 && ahead <= LONGEST_AHEAD) {
                        remember(place, night, (int) ahead, cloud);
                    }
                });
    }

    /** That so many days before a night so much cloud was forecast. */
    @Transactional
    public void remember(long place, LocalDate night, int daysAhead, double cloudPercent) {
        db.insertInto(FORECAST_SAID)
                .set(FORECAST_SAID.PLACE_ID, place)
                .set(FORECAST_SAID.NIGHT, night)
                .set(FORECAST_SAID.DAYS_AHEAD, (long) daysAhead)
                .set(FORECAST_SAID.CLOUD_PERCENT, cloudPercent)
                .onConflict(FORECAST_SAID.PLACE_ID, FORECAST_SAID.NIGHT, FORECAST_SAID.DAYS_AHEAD)
                .doUpdate()
                .set(FORECAST_SAID.CLOUD_PERCENT, cloudPercent)
                .execute();
    }

    @Transactional
    void forget(long place, Forecast.Source source, Interval span) {
        db.deleteFrom(FORECAST_HOUR)
                .where(FORECAST_HOUR.PLACE_ID.eq(place))
                .and(FORECAST_HOUR.SOURCE.eq(source.name()))
                .and(FORECAST_HOUR.VALID_AT.between(span.from(), span.to()))
                .execute();
    }
}
