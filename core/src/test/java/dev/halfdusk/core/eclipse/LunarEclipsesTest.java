package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.LunarEclipse.Type;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Shadow;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class LunarEclipsesTest {

    private static List<LunarEclipse> all() {
        return LunarEclipses.between(Instant.parse("2000-01-02T00:00:00Z"), Instant.parse("2059-12-30T00:00:00Z"));
    }

    /** Columns p1, u1, u2, max, u3, u4, p4, umbral and penumbral magnitude of an independent ephemeris. */
    private static List<String[]> reference() throws Exception {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                LunarEclipsesTest.class.getResourceAsStream("/reference/lunar_eclipses.csv"),
                StandardCharsets.UTF_8))) {
            return in.lines().skip(1).map(l -> l.split(",", -1)).toList();
        }
    }

    private static void near(Instant found, String wanted, int seconds) {
        assertThat(Duration.between(found, Instant.parse(wanted)).abs())
                .as("%s and %s", found, wanted)
                .isLessThan(Duration.ofSeconds(seconds));
    }

    private static void near(Optional<Instant> found, String wanted) {
        assertThat(found.isPresent()).isEqualTo(!wanted.isEmpty());
        found.ifPresent(t -> near(t, wanted, 5));
    }

    @Test
    void contacts_and_magnitudes_agree_with_an_independent_ephemeris() throws Exception {
        List<String[]> rows = reference();
        assertThat(rows).hasSize(7);
        for (String[] row : rows) {
            Instant greatest = Instant.parse(row[3]);
            List<LunarEclipse> found = LunarEclipses.between(greatest.minusSeconds(3600), greatest.plusSeconds(3600));
            assertThat(found).as(row[3]).hasSize(1);
            LunarEclipse e = found.get(0);
            near(e.p1(), row[0], 10);
            near(e.u1(), row[1]);
            near(e.u2(), row[2]);
            near(e.greatest(), row[3], 5);
            near(e.u3(), row[4]);
            near(e.u4(), row[5]);
            near(e.p4(), row[6], 10);
            assertThat(Math.max(0, e.umbralMagnitude())).isCloseTo(Double.parseDouble(row[7]), within(0.003));
            assertThat(e.penumbralMagnitude()).isCloseTo(Double.parseDouble(row[8]), within(0.003));
        }
    }

    /** 54 total, 33 partial, 49 penumbral by the same library for the whole earth. */
    @Test
    void sixty_years_hold_as_many_of_each_type() {
        Map<Type, Long> counts =
                all().stream().collect(Collectors.groupingBy(LunarEclipse::type, Collectors.counting()));
        assertThat(counts)
                .containsExactlyInAnyOrderEntriesOf(Map.of(Type.TOTAL, 54L, Type.PARTIAL, 33L, Type.PENUMBRAL, 49L));
        assertThat(all()).isSortedAccordingTo(java.util.Comparator.comparing(LunarEclipse::greatest));
    }

    @Test
    void contacts_are_in_order_and_only_those_that_happen() {
        for (LunarEclipse e : all()) {
            List<Instant> order = List.of(
                            Optional.of(e.p1()),
                            e.u1(),
                            e.u2(),
                            Optional.of(e.greatest()),
                            e.u3(),
                            e.u4(),
                            Optional.of(e.p4()))
                    .stream()
                    .flatMap(Optional::stream)
                    .toList();
            assertThat(order).isSorted();
            assertThat(order).hasSize(e.type() == Type.TOTAL ? 7 : e.type() == Type.PARTIAL ? 5 : 3);
            assertThat(e.umbralMagnitude() >= 1).isEqualTo(e.type() == Type.TOTAL);
            assertThat(e.umbralMagnitude() > 0).isEqualTo(e.type() != Type.PENUMBRAL);
        }
    }

    @Test
    void limits_of_a_search_are_its_own() {
        LunarEclipse one = all().get(10);
        assertThat(LunarEclipses.between(one.greatest(), one.greatest().plusSeconds(1)))
                .hasSize(1);
        assertThat(LunarEclipses.between(one.greatest().minusSeconds(1), one.greatest()))
                .isEmpty();
        assertThat(LunarEclipses.between(
                        one.greatest().plusSeconds(1), one.greatest().plusSeconds(9)))
                .isEmpty();
    }

    /** At U1 nothing is covered, at U2 all; half of the disc's width in is a little less than half of its area. */
    @Test
    void the_umbra_covers_what_two_circles_share() {
        LunarEclipse total =
                all().stream().filter(e -> e.type() == Type.TOTAL).findFirst().orElseThrow();
        Function<Optional<Instant>, Double> covered =
                t -> Shadow.at(Moment.at(t.orElseThrow())).covered();
        assertThat(covered.apply(total.u1())).isCloseTo(0, within(1e-4));
        assertThat(covered.apply(total.u2())).isCloseTo(1, within(1e-4));
        assertThat(new Shadow(0.7, 0.7, 1.2, 0.25).covered()).isBetween(0.40, 0.5);
        // an umbra as large as the moon, half a width off: 2/3 − √3/(2π) of the disc
        assertThat(new Shadow(0.25, 0.25, 1, 0.25).covered()).isCloseTo(0.39100, within(1e-5));
        assertThat(new Shadow(0, 0.125, 1, 0.25).covered()).isCloseTo(0.25, within(1e-9));
        assertThat(new Shadow(1, 0.7, 1.2, 0.25).covered()).isZero();
    }
}
