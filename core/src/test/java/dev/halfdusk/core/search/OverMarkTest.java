package dev.halfdusk.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.OutOfRange;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.sky.Target;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OverMarkTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final Instant FROM = Instant.parse("2027-05-01T00:00:00Z");

    /** Every quarter of a minute of three weeks by exact positions, against what the walk through the years finds. */
    @ParameterizedTest
    @CsvSource({
        "core, 150, 3, 9, 30, 37.6", // crosses the bearing within the band
        "core, 181.5, 0.2, 9, 30, 37.6", // a band of a minute
        "core, 152, 10, 20, 21, 37.6", // over the bearing it stands outside, to one side within
        "moon, 110, 5, 12, 30, 37.6",
        "sun, 280, 10, 2, 8, 37.6",
        "core, 90, 20, 60, 85, -30", // high in the south
        "moon, 359, 4, 20, 60, -45", // across north
        "sun, 180, 0.1, 20, 89, 37.6" // seconds between two minutes
    })
    void passages_are_those_of_every_minute(
            String body, double bearing, double aside, double low, double high, double latitude) {
        Target target = body.equals("core") ? FixedPoint.CORE : body.equals("moon") ? Body.MOON : Body.SUN;
        Site site = new Site(latitude, -8.8, 0);
        OverMark over = new OverMark(bearing, aside, low, high);
        Instant end = FROM.plus(Duration.ofDays(21));
        List<OverMark.Passage> found = over.find(target, site, FROM, 1).stream()
                .filter(p -> p.during().from().isBefore(end))
                .toList();
        Observer observer = Observer.at(site);
        List<Instant> begins = new ArrayList<>();
        List<Instant> ends = new ArrayList<>();
        boolean before = false;
        for (Instant t = FROM; t.isBefore(end); t = t.plusSeconds(15)) {
            Horizontal at = Moment.at(t).observed(target, observer);
            boolean now = Math.abs(Angles.halfTurn(at.azimuthDeg() - bearing)) <= aside
                    && at.altitudeDeg() >= low
                    && at.altitudeDeg() <= high;
            if (now && !before) {
                begins.add(t);
            }
            if (!now && before) {
                ends.add(t);
            }
            before = now;
        }
        assertThat(begins).hasSizeGreaterThan(2);
        assertThat(found).hasSameSizeAs(begins);
        for (int i = 0; i < ends.size(); i++) {
            OverMark.Passage p = found.get(i);
            assertThat(Duration.between(p.during().from(), begins.get(i)).abs()).isLessThan(Duration.ofSeconds(20));
            assertThat(Duration.between(p.during().to(), ends.get(i)).abs()).isLessThan(Duration.ofSeconds(20));
            assertThat(p.nearest().when())
                    .isBetween(p.during().from(), p.during().to());
            double off = Math.abs(Angles.halfTurn(p.nearest().azimuthDeg() - bearing));
            for (Instant t :
                    List.of(p.during().from(), p.during().middle(), p.during().to())) {
                double other = Moment.at(t).observed(target, observer).azimuthDeg();
                assertThat(off).isLessThanOrEqualTo(Math.abs(Angles.halfTurn(other - bearing)) + 0.02);
            }
        }
    }

    @Test
    void a_mark_sets_the_band_by_its_top() {
        Mark arch = new Mark("Arch", 172, 200, 30, 10, 2); // its top 32 m up: 9.09°
        OverMark over = OverMark.of(arch, 3, OverMark.usualHighest(arch));
        assertThat(over.fromAltitudeDeg()).isCloseTo(9.0903, within(1e-4));
        assertThat(over.toAltitudeDeg()).isEqualTo(30);
        assertThat(over.standing(5)).isEqualTo(new Wanted.Standing(over.fromAltitudeDeg(), 30, 169, 175));
        assertThat(over.standing(12).fromAltitudeDeg()).isEqualTo(12);
        assertThat(OverMark.usualHighest(new Mark("Cliff", 10, 100, 70, 5, 0)))
                .isEqualTo(45); // 35° and ten more, rounded up
        assertThat(new OverMark(2, 5, 3, 20).standing(0)).isEqualTo(new Wanted.Standing(3, 20, 357, 7));
        assertThatThrownBy(() -> new OverMark(2, 0, 3, 20)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> new OverMark(2, 5, 3, 91)).isInstanceOf(OutOfRange.class);
        assertThatThrownBy(() -> over.find(Body.MOON, LEDGE, FROM, 21)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void a_passage_that_the_span_cuts_off_counts() {
        OverMark over = new OverMark(180, 60, 5, 40);
        Duration year = Duration.ofMinutes(365 * 1440 + 360);
        OverMark.Passage later = over.find(FixedPoint.CORE, LEDGE, FROM, 2).stream()
                .filter(p -> p.during().from().isAfter(FROM.plus(year)))
                .findFirst()
                .orElseThrow();
        Instant middle = later.during().middle();
        List<OverMark.Passage> found = over.find(FixedPoint.CORE, LEDGE, middle.minus(year), 1);
        assertThat(found.get(found.size() - 1).during().to()).isCloseTo(middle, within(10, ChronoUnit.MINUTES));
        assertThat(found.get(found.size() - 1).during().from())
                .isCloseTo(later.during().from(), within(2, ChronoUnit.SECONDS));
    }

    /** At the very first and the very last moment of the span it may already stand there. */
    @Test
    void a_passage_that_has_begun_counts() {
        OverMark over = new OverMark(180, 60, 5, 40);
        List<OverMark.Passage> all = over.find(FixedPoint.CORE, LEDGE, FROM, 1);
        OverMark.Passage third = all.get(2);
        List<OverMark.Passage> late =
                over.find(FixedPoint.CORE, LEDGE, third.during().middle(), 1);
        assertThat(late.get(0).during().from()).isEqualTo(third.during().middle());
        assertThat(late.get(0).during().to()).isCloseTo(third.during().to(), within(2, ChronoUnit.SECONDS));
    }
}
