package dev.halfdusk.app;

import static org.mockito.AdditionalAnswers.delegatesTo;
import static org.mockito.Mockito.mock;

import dev.halfdusk.app.weather.ForecastService;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** The simulated forecast service, to which a test may teach other answers; it resets them afterwards. */
@TestConfiguration
class ForecastDouble {

    @Bean
    @Primary
    ForecastService forecastDouble(@Qualifier("simulatedForecast") ForecastService simulated) {
        return mock(ForecastService.class, delegatesTo(simulated));
    }
}
