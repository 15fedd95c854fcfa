package dev.halfdusk.core.eclipse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.LocalSolarEclipse.Contact;
import dev.halfdusk.core.eclipse.SolarEclipse.Type;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Observer;
import dev.halfdusk.core.sky.Refraction;
import dev.halfdusk.core.sky.Site;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SolarEclipsesTest {

    private static List<SolarEclipse> all() {
        return SolarEclipses.between(Instant.parse("2000-01-02T00:00:00Z"), Instant.parse("2059-12-30T00:00:00Z"));
    }

    private static List<String[]> reference(String name) throws Exception {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                SolarEclipsesTest.class.getResourceAsStream("/reference/" + name), StandardCharsets.UTF_8))) {
            return in.lines().skip(1).map(l -> l.split(",", -1)).toList();
        }
    }

    /** The eclipse of a date, UTC. */
    private static SolarEclipse on(String date) {
        Instant midnight = Instant.parse(date + "T00:00:00Z");
        return SolarEclipses.between(midnight, midnight.plus(Duration.ofDays(1)))
                .get(0);
    }

    private static void near(Optional<Contact> found, String wanted, double seconds) {
        assertThat(found.isPresent()).isEqualTo(!wanted.isEmpty());
        found.ifPresent(c -> assertThat(
                        Duration.between(Instant.parse(wanted), c.when()).toMillis() / 1000.0)
                .as("%s against %s", c, wanted)
                .isCloseTo(0, within(seconds)));
    }

    /** Contacts to a second, the maximum to two, magnitude 0.0005, direction 0.01°, from seven places. */
    @Test
    void contacts_agree_with_an_independent_ephemeris() throws Exception {
        List<String[]> rows = reference("solar_eclipses.csv");
        assertThat(rows).hasSize(7);
        for (String[] row : rows) {
            Site site = new Site(Double.parseDouble(row[1]), Double.parseDouble(row[2]), Double.parseDouble(row[3]));
            LocalSolarEclipse local = LocalSolarEclipse.of(on(row[6].substring(0, 10)), Observer.at(site), Skyline.FLAT)
                    .orElseThrow();
            near(local.contact("c1"), row[4], 1);
            near(local.contact("c2"), row[5], 1);
            near(local.contact("max"), row[6], 2);
            near(local.contact("c3"), row[7], 1);
            near(local.contact("c4"), row[8], 1);
            assertThat(local.magnitude()).as(row[0]).isCloseTo(Double.parseDouble(row[9]), within(0.0005));
            double areas = Double.parseDouble(row[10]); // of moon and sun: no more than all of it is covered
            assertThat(local.obscuration()).as(row[0]).isCloseTo(Math.min(1, areas), within(0.0015));
            assertThat(local.max().sun().altitudeDeg()).isCloseTo(Double.parseDouble(row[11]), within(0.01));
            assertThat(local.max().sun().azimuthDeg()).isCloseTo(Double.parseDouble(row[12]), within(0.01));
        }
    }

    /**
     * From every point of the line the centres of sun and moon are seen behind each other, to a hundredth of an arcsecond, by the same
     * topocentric places that give the contacts to a second; and they are the points of the reference, but for a pole
     * that nods: what is left, up to 0.0025°, turns with the longitude and has changed its sign in half a nutation from 2017 to 2027.
     */
    @Test
    void the_central_line_runs_where_it_should() throws Exception {
        List<String[]> rows = reference("eclipse_paths.csv");
        assertThat(rows).hasSize(20);
        for (String[] row : rows) {
            CentralLine.Point found = CentralLine.of(on(row[0]), Duration.ofMinutes(1)).stream()
                    .filter(p -> p.when().equals(Instant.parse(row[1])))
                    .findFirst()
                    .orElseThrow();
            Discs seen = Discs.at(Moment.at(found.when()), Observer.at(found.site()));
            assertThat(seen.separationDeg() * 3600).as(row[1]).isLessThan(0.01);
            double latitude = Double.parseDouble(row[2]);
            double north = found.site().latitudeDeg() - latitude;
            double east = Angles.halfTurn(found.site().longitudeDeg() - Double.parseDouble(row[3]))
                    * Math.cos(Math.toRadians(latitude));
            double off = Math.hypot(north, east);
            assertThat(off).as(row[1]).isLessThan(0.0026);
        }
    }

    /** For the whole earth: 38 total, 6 hybrid, 43 annular, 48 partial, 135 in all. */
    @Test
    void the_count_of_sixty_years_is_that_of_an_independent_ephemeris() {
        List<SolarEclipse> all = all();
        Map<Type, Long> counts = all.stream()
                .map(SolarEclipse::type)
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        assertThat(counts)
                .containsEntry(Type.TOTAL, 38L)
                .containsEntry(Type.HYBRID, 6L)
                .containsEntry(Type.ANNULAR, 43L)
                .containsEntry(Type.PARTIAL, 48L);
        assertThat(all).hasSize(135).isSortedAccordingTo((a, b) -> a.greatest().compareTo(b.greatest()));
    }

    /** On the line itself both halves are alike, the disc is covered, and a step across the width it no longer is. */
    @Test
    void the_line_is_in_the_middle_and_the_width_reaches_its_edges() {
        for (String date : List.of("2026-08-12", "2027-08-02", "2028-01-26", "2028-07-22", "2030-06-01")) {
            SolarEclipse e = on(date);
            List<CentralLine.Point> line = CentralLine.of(e, Duration.ofMinutes(2));
            CentralLine.Point p = line.get(line.size() / 2);
            CentralLine.Point next = line.get(line.size() / 2 + 1);
            assertThat(p.durationSeconds()).as(date).isPositive();
            double north = next.site().latitudeDeg() - p.site().latitudeDeg();
            double east = Angles.halfTurn(next.site().longitudeDeg() - p.site().longitudeDeg())
                    * Math.cos(Math.toRadians(p.site().latitudeDeg()));
            double length = Math.hypot(north, east);
            for (double share : new double[] {0.46, 0.54, -0.46, -0.54}) {
                double degrees = share * p.widthKm() / 111.2;
                Site aside = new Site(
                        p.site().latitudeDeg() + degrees * east / length,
                        p.site().longitudeDeg()
                                - degrees
                                        * north
                                        / length
                                        / Math.cos(Math.toRadians(p.site().latitudeDeg())),
                        0);
                Type type = LocalSolarEclipse.of(e, Observer.at(aside), Skyline.FLAT)
                        .orElseThrow()
                        .type();
                assertThat(type != Type.PARTIAL).as(date + " " + share).isEqualTo(Math.abs(share) < 0.5);
            }
        }
    }

    /** Opposite each other: the moon comes from one side and leaves on the other; totality begins where the last light was, far from it. */
    @Test
    void position_angles_follow_the_moon_over_the_sun() throws Exception {
        Observer strait = Observer.at(new Site(36.0104, -5.6120, 140));
        LocalSolarEclipse local =
                LocalSolarEclipse.of(on("2027-08-02"), strait, Skyline.FLAT).orElseThrow();
        double first = local.contact("c1").orElseThrow().positionDeg();
        double last = local.contact("c4").orElseThrow().positionDeg();
        assertThat(Math.abs(Angles.halfTurn(first - last))).isBetween(150.0, 180.0);
        assertThat(first).isBetween(250.0, 320.0); // the moon comes from the west
        double second = local.contact("c2").orElseThrow().positionDeg();
        assertThat(Math.abs(Angles.halfTurn(second - first))).isBetween(140.0, 180.0);
        assertThat(local.type()).isEqualTo(Type.TOTAL);
        assertThat(local.inner()).isBetween(Duration.ofMinutes(4), Duration.ofMinutes(5));
    }

    /** Whoever stands off the path has no inner contacts, whoever stands beyond the penumbra none at all. */
    @Test
    void off_the_path_there_is_no_totality() {
        SolarEclipse e = on("2027-08-02");
        List<String> names = new ArrayList<>();
        LocalSolarEclipse.of(e, Observer.at(new Site(38.7, -9.1, 0)), Skyline.FLAT)
                .orElseThrow()
                .contacts()
                .forEach(c -> names.add(c.name()));
        assertThat(names).containsExactly("c1", "max", "c4");
        assertThat(LocalSolarEclipse.of(e, Observer.at(new Site(-80, 60, 0)), Skyline.FLAT))
                .isEmpty();
        assertThat(LocalSolarEclipse.of(e, Observer.at(new Site(-45, 170, 0)), Skyline.FLAT)
                        .orElseThrow()
                        .contacts())
                .noneMatch(Contact::up); // through the earth, and said so
    }

    @Test
    void the_hole_of_an_annular_eclipse_stays_open() {
        SolarEclipse e = on("2028-01-26");
        assertThat(e.type()).isEqualTo(Type.ANNULAR);
        CentralLine.Point p = CentralLine.of(e, Duration.ofMinutes(10)).get(3);
        LocalSolarEclipse local =
                LocalSolarEclipse.of(e, Observer.at(p.site()), Skyline.FLAT).orElseThrow();
        assertThat(local.type()).isEqualTo(Type.ANNULAR);
        assertThat(local.obscuration()).isBetween(0.8, 0.99);
    }

    /** Published for 21 August 2017: greatest at 18:25:32, gamma 0.4367, 36.97° N 87.67° W; the polar shadow of 2021 has gamma 0.9152. */
    @Test
    void greatest_and_gamma_are_as_published() {
        SolarEclipse e = on("2017-08-21");
        assertThat(e.greatest()).isCloseTo(Instant.parse("2017-08-21T18:25:32Z"), within(5, ChronoUnit.SECONDS));
        assertThat(e.gamma()).isCloseTo(0.4367, within(0.001));
        assertThat(e.central()).isTrue();
        assertThat(on("2021-06-10").gamma()).isCloseTo(0.9152, within(0.001));
        assertThat(on("2021-12-04").gamma()).isCloseTo(-0.9526, within(0.001));
        assertThat(on("2014-04-29").central()).isFalse(); // annular beside the pole, its axis misses the earth
        assertThat(on("2014-04-29").type()).isEqualTo(Type.ANNULAR);
        assertThat(on("2013-11-03").type().words()).isEqualTo("hybrid");
    }

    /** The nearest place of the line lies at a right angle to it, and no place of the line is nearer. */
    @Test
    void the_nearest_place_of_the_line() {
        SolarEclipse e = on("2027-08-02");
        Site strait = new Site(36.0104, -5.6120, 140);
        CentralLine.Place nearest = CentralLine.nearest(e, strait).orElseThrow();
        double km = CentralLine.distanceKm(strait, nearest.site());
        assertThat(km).isBetween(30.0, 40.0);
        for (CentralLine.Place p : CentralLine.places(e, Duration.ofMinutes(1))) {
            assertThat(CentralLine.distanceKm(strait, p.site())).isGreaterThan(km - 0.1);
        }
        assertThat(CentralLine.nearest(on("2029-01-14"), strait)).isEmpty();
        assertThat(CentralLine.places(e, Duration.ofMinutes(10))).hasSizeBetween(15, 25);
    }

    /** Each limit lies half the width from the line, the northern one farther north. */
    @Test
    void limits_lie_half_a_width_away() {
        for (CentralLine.Point p : CentralLine.of(on("2027-08-02"), Duration.ofMinutes(20))) {
            double half = p.widthKm() / 2;
            assertThat(CentralLine.distanceKm(p.site(), p.northLimit())).isCloseTo(half, within(0.02 * half));
            assertThat(CentralLine.distanceKm(p.site(), p.southLimit())).isCloseTo(half, within(0.02 * half));
            assertThat(p.northLimit().latitudeDeg())
                    .isGreaterThan(p.southLimit().latitudeDeg());
        }
    }

    /** The sun sets in it: what is seen is the most of it until the upper limb is gone, found here by looking at each second. */
    @ParameterizedTest
    @CsvSource({"41.9, 12.5, 0", "44.5, 16, 0", "41.9, 12.5, 2", "39.5, 2.8, 0"})
    void an_eclipse_that_sets_is_seen_as_long_as_the_sun(double latitude, double longitude, double ridge) {
        Observer there = Observer.at(new Site(latitude, longitude, 0));
        Skyline skyline = ridge == 0
                ? Skyline.FLAT
                : Skyline.of(List.of(new Skyline.Point(0, ridge), new Skyline.Point(180, ridge)));
        LocalSolarEclipse local =
                LocalSolarEclipse.of(on("2026-08-12"), there, skyline).orElseThrow();
        double most = 0;
        Instant when = null;
        Instant end = local.contact("c4").orElseThrow().when();
        for (Instant t = local.contact("c1").orElseThrow().when(); t.isBefore(end); t = t.plusSeconds(1)) {
            Horizontal sun = Moment.at(t).observed(Body.SUN, there);
            double limb = sun.altitudeDeg() + sun.semidiameterDeg();
            boolean up = ridge == 0 ? limb > -34 / 60.0 : Refraction.STANDARD.lifted(limb) > ridge;
            double magnitude = Discs.at(Moment.at(t), there).magnitude();
            if (up && magnitude > most) {
                most = magnitude;
                when = t;
            }
        }
        LocalSolarEclipse.Seen seen = local.seen().orElseThrow();
        assertThat(seen.magnitude()).isCloseTo(most, within(0.0003));
        assertThat(seen.when()).isCloseTo(when, within(1500, java.time.temporal.ChronoUnit.MILLIS));
        assertThat(local.max().up()).isEqualTo(longitude < 5);
        assertThat(local.magnitude()).isGreaterThanOrEqualTo(seen.magnitude() - 1e-6);
    }

    @Test
    void what_is_below_the_horizon_all_the_time_is_not_seen() {
        LocalSolarEclipse local = LocalSolarEclipse.of(on("2026-08-12"), Observer.at(new Site(45, 40, 0)), Skyline.FLAT)
                .orElse(null);
        assertThat(local == null || local.seen().isEmpty()).isTrue();
    }
}
