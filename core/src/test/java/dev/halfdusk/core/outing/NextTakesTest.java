package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.Meteors;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Wish;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NextTakesTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final List<NightProposal.Ranked> CAMERAS = List.of(
            ranked("Wide", new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR)),
            ranked("Long", new Lens(100, 400, 5.6, 5.6, Projection.RECTILINEAR)));
    private static final LocalDate LAST = LocalDate.of(2059, 12, 29);

    private static NightProposal.Ranked ranked(String name, Lens lens) {
        return new NightProposal.Ranked(NamedCamera.of(name, Rig.of(BODY, lens)), 0);
    }

    private static Function<LocalDate, Circumstances> at(double latitude, Skyline skyline, Mark... marks) {
        Site site = new Site(latitude, -8.8, 5);
        Standpoint from = Standpoint.at(site, skyline, SkyGlow.natural());
        NightRules rules = NightRules.USUAL.withSkyline(skyline);
        return date -> Circumstances.of(Night.of(site, date, ZoneId.of("Europe/Lisbon"), rules), from, List.of(marks));
    }

    private static Map<String, NextTakes.Next> next(Function<LocalDate, Circumstances> nights, String from) {
        return NextTakes.of(nights, LocalDate.parse(from), LAST, CAMERAS).stream()
                .collect(Collectors.toMap(
                        n -> n.take().subject().kind().key() + n.take().name(), n -> n));
    }

    private static Optional<NextTakes.Next> of(Map<String, NextTakes.Next> all, String key) {
        return all.entrySet().stream()
                .filter(e -> e.getKey().startsWith(key))
                .map(Map.Entry::getValue)
                .findFirst();
    }

    /** Wherever and whenever: in a window of its own wish, in one of the coming nights, and nothing twice. */
    @ParameterizedTest
    @CsvSource({
        "37.6, 2027-01-20",
        "37.6, 2027-06-08",
        "37.6, 2027-10-30",
        "0, 2027-03-28",
        "55, 2027-07-02",
        "68, 2027-06-20",
        "68, 2027-12-10",
        "-45, 2027-08-12",
        "37.6, 2059-12-10",
        "37.6, 2059-12-29"
    })
    void what_comes_next_fits_its_own_wish(double latitude, LocalDate from) {
        List<NextTakes.Next> all = NextTakes.of(at(latitude, Skyline.FLAT), from, LAST, CAMERAS);
        assertThat(all)
                .isSortedAccordingTo(
                        (a, b) -> a.night().date().compareTo(b.night().date()));
        assertThat(all.stream().map(n -> n.take().name())).doesNotHaveDuplicates();
        for (NextTakes.Next n : all) {
            Wish wish = n.take().wish();
            assertThat(n.night().date()).isAfterOrEqualTo(from).isBeforeOrEqualTo(LAST);
            if (!wish.kind().timed()) {
                assertThat(wish.when(n.c()).windows())
                        .as("%s at %s on %s", n.take().name(), n.at(), n.night().date())
                        .anyMatch(w -> !n.at().isBefore(w.from()) && !n.at().isAfter(w.to()));
            }
            boolean yearly = n.take().subject().kind().equals(Meteors.KIND);
            if (!wish.kind().given() && !yearly) {
                assertThat(n.night().date()).isBefore(from.plusDays(30));
            }
        }
    }

    /**
     * 2 August 2027 at 37.6° N, 8.8° W: by the tables covered to nearly nine tenths a little before 9 h UT; with a lens that has its
     * filter on, in the night of 1 August, whose second noon is after it.
     */
    @Test
    void an_eclipse_of_the_sun_is_for_a_filtered_lens() {
        Function<LocalDate, Circumstances> nights = at(37.6, Skyline.FLAT);
        LocalDate from = LocalDate.parse("2027-06-08");
        assertThat(of(next(nights, "2027-06-08"), "solar-eclipse")).isEmpty();
        Rig filtered = Rig.of(Suns.BODY, Suns.lens(400, 5.6, true), List.of(Suns.DENSITY_5));
        List<NightProposal.Ranked> cameras = Stream.concat(
                        CAMERAS.stream(), Stream.of(new NightProposal.Ranked(NamedCamera.of("Filtered", filtered), 0)))
                .toList();
        NextTakes.Next sun = NextTakes.of(nights, from, LAST, cameras).stream()
                .filter(n -> n.take().subject() instanceof EclipsedSun)
                .findFirst()
                .orElseThrow();
        assertThat(sun.night().date()).isEqualTo("2027-08-01");
        assertThat(sun.day()).isEqualTo("2027-08-02");
        assertThat(sun.at()).isBetween(Instant.parse("2027-08-02T08:30:00Z"), Instant.parse("2027-08-02T09:10:00Z"));
        assertThat(sun.why()).matches("partial here, 9\\d % of the sun covered, \\d\\d\u00b0 high");
        assertThat(sun.take().camera().name()).isEqualTo("Filtered");
        // after it the next one that is seen there within three years
        assertThat(NextTakes.of(nights, LocalDate.parse("2027-08-03"), LAST, cameras))
                .filteredOn(n -> n.take().subject() instanceof EclipsedSun)
                .singleElement()
                .satisfies(n -> assertThat(n.at())
                        .isBetween(Instant.parse("2028-01-26T12:00:00Z"), Instant.parse("2028-01-26T20:00:00Z")));
    }

    /** The core in June, something else of the Milky Way in January, and nothing of it under a midnight sun. */
    @Test
    void of_the_milky_way_the_part_that_is_up() {
        assertThat(of(next(at(37.6, Skyline.FLAT), "2027-06-08"), "milky-way")
                        .orElseThrow()
                        .take()
                        .wish()
                        .asked()
                        .sight())
                .isEqualTo(Sight.CORE);
        NextTakes.Next winter =
                of(next(at(37.6, Skyline.FLAT), "2028-01-20"), "milky-way").orElseThrow();
        assertThat(winter.take().wish().asked().sight()).isIn(Sight.WINTER, Sight.CYGNUS);
        assertThat(winter.why()).contains("% brighter than its sky");
        Map<String, NextTakes.Next> north = next(at(68, Skyline.FLAT), "2027-06-05");
        assertThat(of(north, "milky-way")).isEmpty();
        assertThat(of(north, "trails")).isEmpty();
        assertThat(of(north, "night-scene")).isEmpty(); // the sun never goes so low as blue hour
        assertThat(of(north, "fireworks")).isPresent();
    }

    /** A night is taken as soon as it is nearly as good as any: after new moon of 4 June one need not wait for July. */
    @Test
    void the_first_good_night_is_taken_not_the_best() {
        NextTakes.Next soon =
                of(next(at(37.6, Skyline.FLAT), "2027-06-04"), "trails").orElseThrow();
        assertThat(soon.night().date()).isEqualTo(LocalDate.of(2027, 6, 4));
        NextTakes.Next full =
                of(next(at(37.6, Skyline.FLAT), "2027-06-17"), "trails").orElseThrow();
        assertThat(full.night().date()).isAfter(LocalDate.of(2027, 6, 20));
    }

    /** The full moon of 18 June over a mark where it rises; behind a hill it is not there, whatever stands on the mark. */
    @Test
    void a_moon_over_a_mark_is_seen_there() {
        Mark hut = new Mark("Hut", 128, 310, 9.6, 9, 0);
        NextTakes.Next moon = of(next(at(37.6, Skyline.FLAT, hut), "2027-06-08"), "moonMoon over")
                .orElseThrow();
        Moment t = Moment.at(moon.at());
        Direction stands = Direction.of(t.local(Body.MOON, moon.night().observer()));
        assertThat(Math.abs(Angles.halfTurn(stands.azimuthDeg() - 128))).isLessThan(3);
        assertThat(stands.altitudeDeg()).isGreaterThan(hut.topAltitudeDeg());
        assertThat(t.local(Body.SUN, moon.night().observer()).latitudeDeg()).isBetween(-9.0, 2.0);
        Skyline hill =
                Skyline.of(List.of(new Skyline.Point(100, 25), new Skyline.Point(160, 25), new Skyline.Point(200, 0)));
        assertThat(of(next(at(37.6, hill, hut), "2027-06-08"), "moonMoon over")
                        .filter(n -> n.night().date().isBefore(LocalDate.of(2027, 6, 25))))
                .isEmpty();
    }

    @Test
    void a_thin_moon_hangs_in_the_dusk() {
        NextTakes.Next thin =
                of(next(at(37.6, Skyline.FLAT), "2027-06-01"), "moonThin").orElseThrow();
        Moment t = Moment.at(thin.at());
        assertThat(Illumination.of(Body.MOON, t).fraction()).isBetween(0.01, 0.14);
        assertThat(t.local(Body.MOON, thin.night().observer()).latitudeDeg()).isGreaterThan(6);
        assertThat(t.local(Body.SUN, thin.night().observer()).latitudeDeg()).isCloseTo(-7, within(0.05));
        assertThat(thin.night().date()).isBetween(LocalDate.of(2027, 6, 5), LocalDate.of(2027, 6, 8)); // new on the 4th
    }

    /** The next of the umbra that is seen: the partial one of 12 January 2028. */
    @Test
    void an_eclipse_may_be_far_away() {
        NextTakes.Next eclipse =
                of(next(at(37.6, Skyline.FLAT), "2027-06-08"), "lunar-eclipse").orElseThrow();
        assertThat(eclipse.night().date()).isEqualTo(LocalDate.of(2028, 1, 11));
        assertThat(eclipse.why()).startsWith("partial");
    }

    /** The Perseids' peak of 2027 is in the morning of 13 August: whoever asks on that day has one more night of them. */
    @ParameterizedTest
    @CsvSource({
        "2027-08-03, Perseids, 2027-08-12",
        "2027-08-13, Perseids, 2027-08-13",
        "2027-08-16, Geminids, 2027-12-14",
        "2027-12-16, Quadrantids, 2028-01-03"
    })
    void a_shower_is_the_first_that_is_still_to_come(LocalDate from, String name, LocalDate night) {
        NextTakes.Next meteors = NextTakes.of(at(37.6, Skyline.FLAT), from, LAST, CAMERAS).stream()
                .filter(n -> n.take().subject().kind().key().equals("meteors"))
                .findFirst()
                .orElseThrow();
        assertThat(meteors.take().name()).isEqualTo(name);
        assertThat(meteors.night().date()).isEqualTo(night);
    }

    @Test
    void without_a_camera_for_stars_nothing_comes() {
        assertThat(NextTakes.of(at(37.6, Skyline.FLAT), LocalDate.of(2027, 6, 8), LAST, List.of()))
                .isEmpty();
    }
}
