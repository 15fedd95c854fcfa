package dev.halfdusk.app.weather;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.Outlook;
import dev.halfdusk.core.weather.WeatherHour;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** What is known of the weather of a night: asks the service, and falls back on what it said last. */
@Component
public class Weather {

    private static final Duration PATIENCE = Duration.ofSeconds(2);
    private static final Duration BRIEF = Duration.ofMillis(100);
    private static final Duration SILENCE = Duration.ofMinutes(1);

    /** No forecast reaches farther. */
    private static final Duration FORESEEN = Duration.ofDays(10);

    /** A forecast younger than this is not asked for again. */
    private static final Duration RECENT = Duration.ofHours(6);

    private final ForecastService service;
    private final Forecasts forecasts;
    private final Clock clock;
    private volatile long silentUntil = System.nanoTime();
    private final ExecutorService asking = Executors.newFixedThreadPool(2, task -> {
        Thread thread = new Thread(task, "forecast");
        thread.setDaemon(true);
        return thread;
    });

    Weather(ForecastService service, Forecasts forecasts, Clock clock) {
        this.service = service;
        this.forecasts = forecasts;
        this.clock = clock;
    }

    @PreDestroy
    void stop() {
        asking.shutdownNow();
    }

    /**
     * The weather of a night.
     *
     * @param trouble why the service gave nothing new, if so
     */
    record Known(List<Forecast> forecasts, Outlook outlook, Optional<String> trouble) {}

    /** From sunset to sunrise; noon to noon where the sun does neither. */
    static Interval span(Night night) {
        return night.sunDown().isEmpty() ? night.span() : night.sunDown().get(0);
    }

    Known of(Place place, Night night) {
        Interval span = span(night);
        List<Forecast> kept = forecasts.touching(place.id(), span);
        if (recent(kept)) {
            return new Known(kept, Outlook.of(kept, span), Optional.empty());
        }
        Optional<String> trouble = ask(place, span);
        List<Forecast> now = forecasts.touching(place.id(), span);
        return new Known(now, Outlook.of(now, span), trouble);
    }

    private boolean recent(List<Forecast> kept) {
        return kept.stream()
                .anyMatch(f -> f.source() == Forecast.Source.SERVICE
                        && f.issued().plus(RECENT).isAfter(clock.instant()));
    }

    /**
     * The forecast for any instant of a night, the newest of those that reach it, for pages that may not wait: a service that
     * does not answer at once is left alone for a while, and what it says later counts later. It is not asked about nights that
     * are past or farther than it reaches; what was imported counts for any.
     */
    public Function<Instant, Optional<WeatherHour>> hours(Place place, Night night) {
        return hours(place, span(night));
    }

    /** The same for any stretch of time. */
    public Function<Instant, Optional<WeatherHour>> hours(Place place, Interval span) {
        Instant now = clock.instant();
        boolean reached = span.from().isBefore(now.plus(FORESEEN)) && span.to().isAfter(now);
        List<Forecast> known = forecasts.touching(place.id(), span);
        if (reached && !recent(known) && System.nanoTime() - silentUntil > 0) {
            askBriefly(place, span);
            known = forecasts.touching(place.id(), span);
        }
        List<Forecast> newest = known.stream()
                .sorted(Comparator.comparing(Forecast::issued).reversed())
                .toList();
        return t -> newest.stream().flatMap(f -> f.at(t).stream()).findFirst();
    }

    private void askBriefly(Place place, Interval span) {
        Future<?> answer =
                asking.submit(() -> service.forecast(place.site(), span).ifPresent(f -> forecasts.keep(place.id(), f)));
        try {
            answer.get(BRIEF.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException | ExecutionException e) {
            silentUntil = System.nanoTime() + SILENCE.toNanos();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Stores what the service says; hands back why it could not. */
    private Optional<String> ask(Place place, Interval span) {
        Future<Optional<Forecast>> answer = asking.submit(() -> service.forecast(place.site(), span));
        try {
            Optional<Forecast> forecast = answer.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
            forecast.ifPresent(f -> forecasts.keep(place.id(), f));
            return forecast.isEmpty() ? Optional.of("No forecast reaches this night yet.") : Optional.empty();
        } catch (TimeoutException e) {
            answer.cancel(true);
            return Optional.of("The forecast service did not answer within " + PATIENCE.toSeconds() + " s.");
        } catch (ExecutionException e) {
            return Optional.of("The forecast service cannot be reached.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.of("The forecast service was not asked to the end.");
        }
    }
}
