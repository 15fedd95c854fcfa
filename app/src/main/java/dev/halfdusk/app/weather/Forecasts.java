package dev.halfdusk.app.weather;

import static dev.halfdusk.app.db.Tables.FORECAST_HOUR;

import dev.halfdusk.app.db.tables.records.ForecastHourRecord;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The last forecast of each source for every place and hour. */
@Repository
@Transactional(readOnly = true)
class Forecasts {

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
