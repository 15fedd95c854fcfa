package dev.halfdusk.core.sky;

import static dev.halfdusk.core.sky.Reference.number;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class HorizonEventsTest {

    static Stream<Map<String, String>> places() {
        return Reference.rows("places.csv").stream();
    }

    @ParameterizedTest
    @MethodSource("places")
    void every_event_agrees_to_the_second_and_none_is_missing_or_too_many(Map<String, String> place) {
        Observer observer = Observer.at(
                new Site(number(place, "latitude_deg"), number(place, "longitude_deg"), number(place, "elevation_m")));
        Instant noon = LocalDate.parse(place.get("local_date"))
                .atTime(12, 0)
                .toInstant(ZoneOffset.UTC)
                .minusMillis(Math.round(observer.site().longitudeDeg() * 240_000));
        List<HorizonEvent> found = HorizonEvents.between(observer, noon, noon.plus(Duration.ofHours(24)));

        List<Map<String, String>> expected = Reference.rows("horizon_events.csv").stream()
                .filter(row -> row.get("place").equals(place.get("place")))
                .toList();
        assertThat(found.stream().map(HorizonEvent::name).sorted().toList())
                .isEqualTo(
                        expected.stream().map(row -> row.get("event")).sorted().toList());
        for (Map<String, String> row : expected) {
            HorizonEvent event = found.stream()
                    .filter(e -> e.name().equals(row.get("event")))
                    .findFirst()
                    .orElseThrow();
            long off = Duration.between(Instant.parse(row.get("utc")), event.when())
                    .toMillis();
            assertThat(off)
                    .as("%s %s", place.get("place"), row.get("event"))
                    .isBetween(-tolerance(observer, event), tolerance(observer, event));
            assertThat(event.azimuthDeg()).isCloseTo(number(row, "azimuth_deg"), within(0.01));
        }
    }

    /** One second, five where the body grazes the horizon at less than 3° an hour. */
    private static long tolerance(Observer observer, HorizonEvent event) {
        Body body = event.kind().body();
        double now = Moment.at(event.when()).observed(body, observer).altitudeDeg();
        double later =
                Moment.at(event.when().plusSeconds(60)).observed(body, observer).altitudeDeg();
        return Math.abs(later - now) * 60 < 3 ? 5000 : 1000;
    }
}
