package dev.halfdusk.app.weather;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Background;
import dev.halfdusk.app.web.KeptPages;
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
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

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
    private final ExecutorService asking = Background.threads("forecast", 2);

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
        KeptPages.unkept();
        Asked asked = ask(place, span, PATIENCE);
        List<Forecast> now = asked.told ? known(place, span, asked) : kept;
        return new Known(now, Outlook.of(now, span), asked.trouble);
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
        boolean wanted = reached && !recent(known);
        if (wanted) {
            KeptPages.unkept(); // what is said in a moment is to be seen
        }
        if (wanted && System.nanoTime() - silentUntil > 0) {
            Asked asked = ask(place, span, BRIEF);
            if (asked.told) {
                known = known(place, span, asked);
            } else {
                silentUntil = System.nanoTime() + SILENCE.toNanos();
            }
        }
        List<Forecast> newest = known.stream()
                .sorted(Comparator.comparing(Forecast::issued).reversed())
                .toList();
        return t -> newest.stream().flatMap(f -> f.at(t).stream()).findFirst();
    }

    /**
     * What came of asking the service.
     *
     * @param told whether it answered in time
     * @param unkept what it said, where that could not be stored in time: it counts all the same
     * @param trouble why it said nothing, if so
     */
    private record Asked(boolean told, Optional<Forecast> unkept, Optional<String> trouble) {

        static Asked without(String trouble) {
            return new Asked(false, Optional.empty(), Optional.of(trouble));
        }
    }

    private List<Forecast> known(Place place, Interval span, Asked asked) {
        return Stream.concat(asked.unkept.stream(), forecasts.touching(place.id(), span).stream())
                .toList();
    }

    /** Asks, and stores what is said. Storing is not waited for beyond patience, since a page must not wait for a writer. */
    private Asked ask(Place place, Interval span, Duration patience) {
        long until = System.nanoTime() + patience.toNanos();
        CompletableFuture<Optional<Forecast>> told = new CompletableFuture<>();
        Future<?> kept = asking.submit(() -> {
            try {
                told.complete(service.forecast(place.site(), span));
            } catch (RuntimeException e) {
                told.completeExceptionally(e);
                return;
            }
            told.join().ifPresent(f -> forecasts.keep(place.id(), f));
        });
        try {
            Optional<Forecast> forecast = told.get(patience.toNanos(), TimeUnit.NANOSECONDS);
            if (forecast.isEmpty()) {
                return new Asked(true, Optional.empty(), Optional.of("No forecast reaches this night yet."));
            }
            return new Asked(true, within(kept, until) ? Optional.empty() : forecast, Optional.empty());
        } catch (TimeoutException e) {
            kept.cancel(true);
            return Asked.without("The forecast service did not answer within " + patience.toSeconds() + " s.");
        } catch (ExecutionException e) {
            return Asked.without("The forecast service cannot be reached.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Asked.without("The forecast service was not asked to the end.");
        }
    }

    /** A transaction that writes holds the only connection for it, so that nothing can be stored beside it. */
    private static boolean within(Future<?> kept, long until) throws InterruptedException {
        boolean writing = TransactionSynchronizationManager.isActualTransactionActive()
                && !TransactionSynchronizationManager.isCurrentTransactionReadOnly();
        if (writing) {
            return false;
        }
        try {
            long left = Math.min(BRIEF.toNanos(), until - System.nanoTime());
            kept.get(Math.max(0, left), TimeUnit.NANOSECONDS);
            return true;
        } catch (TimeoutException | ExecutionException e) {
            return false;
        }
    }
}
