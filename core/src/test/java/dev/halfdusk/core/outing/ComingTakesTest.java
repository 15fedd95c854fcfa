package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.outing.NextTakes.Next;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Illumination;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Moment;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.junit.jupiter.api.Test;

/** Each take that could be next: its camera, its night, its instant and why, from 8 June 2027 on at 37.6° N, four days after new moon. */
class ComingTakesTest {

    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");
    private static final LocalDate FROM = LocalDate.of(2027, 6, 8);
    private static final LocalDate LAST = LocalDate.of(2059, 12, 19);
    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final List<NightProposal.Ranked> CAMERAS = List.of(
            camera("Wide", 20, 20, 1.8, 1.8), camera("Other", 24, 24, 2.8, 2.8), camera("Long", 100, 400, 4.5, 5.6));
    private static final Mark HUT = new Mark("Hut", 128, 310, 9.6, 9, 0);
    private static final Map<String, Next> ALL = from(FROM, HUT);

    private static NightProposal.Ranked camera(String name, double mm, double toMm, double f, double toF) {
        return new NightProposal.Ranked(
                NamedCamera.of(name, Rig.of(BODY, new Lens(mm, toMm, f, toF, Projection.RECTILINEAR))), 0);
    }

    private static Function<LocalDate, Circumstances> at(double longitude, ZoneId zone, Mark... marks) {
        return at(longitude, zone, SkyGlow.natural(), marks);
    }

    private static Function<LocalDate, Circumstances> at(double longitude, ZoneId zone, SkyGlow glow, Mark... marks) {
        Site site = new Site(37.6, longitude, 5);
        Standpoint from = Standpoint.at(site, Skyline.FLAT, glow);
        return date -> Circumstances.of(Night.of(site, date, zone, NightRules.USUAL), from, List.of(marks));
    }

    private static Map<String, Next> from(LocalDate date, Mark... marks) {
        return byName(NextTakes.of(at(-8.8, LISBON, marks), date, LAST, CAMERAS));
    }

    private static Map<String, Next> byName(List<Next> all) {
        return all.stream().collect(Collectors.toMap(n -> n.take().name(), n -> n));
    }

    private static double altitude(Body body, Next n) {
        return Moment.at(n.at()).local(body, n.night().observer()).latitudeDeg();
    }

    private static Interval longestDark(Next n) {
        return Interval.longest(n.night().moonless()).orElseThrow();
    }

    /** Its day is that of the evening also after midnight, and by day its own. */
    @Test
    void a_day_is_the_evenings() {
        Next arch = ALL.get("Arch");
        assertThat(arch.day()).isEqualTo(arch.night().date());
        Next late = ALL.get("Time-lapse");
        assertThat(LocalDate.ofInstant(late.at(), LISBON))
                .isEqualTo(late.night().date().plusDays(1));
        assertThat(late.day()).isEqualTo(late.night().date());
    }

    /** Low as it rises: what is said is what stands there, the core has its hours, and another month has no such arch. */
    @Test
    void an_arch_is_low_and_the_core_has_its_hours() {
        Next arch = ALL.get("Arch");
        double top = arch.night().arch(arch.at()).topAltitudeDeg();
        assertThat(top).isLessThan(60);
        assertThat(arch.why()).isEqualTo("only %.0f\u00b0 high as it rises", top);
        assertThat(arch.take().camera().name()).isEqualTo("Wide");
        // the hours of that night are nearly those of the best, and no earlier night has them
        Map<LocalDate, Double> hours = FROM.datesUntil(FROM.plusDays(30))
                .collect(Collectors.toMap(
                        d -> d,
                        d -> Interval.longest(
                                        at(-8.8, LISBON).apply(d).night().core().inDark())
                                .map(i -> i.length().toMinutes() / 60.0)
                                .orElse(0.0)));
        double best = hours.values().stream().mapToDouble(h -> h).max().orElseThrow();
        assertThat(hours.get(arch.night().date())).isGreaterThanOrEqualTo(0.9 * best);
        FROM.datesUntil(arch.night().date())
                .forEach(d -> assertThat(hours.get(d)).as("%s", d).isLessThan(0.9 * best));
    }

    /** In the longest dark without moon, of which three hours are enough: trails and a friend at its beginning, a clip in its middle. */
    @Test
    void what_wants_the_dark_has_it() {
        Next trails = ALL.get("Star trails");
        Next clip = ALL.get("Time-lapse");
        Next friend = ALL.get("Friend under the stars");
        assertThat(trails.at()).isEqualTo(longestDark(trails).from());
        assertThat(clip.at()).isEqualTo(longestDark(clip).middle());
        assertThat(friend.at()).isEqualTo(longestDark(friend).from());
        assertThat(List.of(trails, clip, friend))
                .extracting(n -> n.take().camera().name())
                .containsExactly("Other", "Other", "Wide");
        assertThat(clip.take().wish().kind()).isEqualTo(Wish.Kind.DARK);
        assertThat(friend.why()).isEqualTo("someone who holds still, and a dark sky");
        for (Next n : List.of(trails, clip, friend)) {
            assertThat(longestDark(n).length())
                    .isGreaterThanOrEqualTo(Duration.ofMinutes(162)); // nine tenths of three hours
            assertThat(FROM.datesUntil(n.night().date()))
                    .allSatisfy(d -> assertThat(Interval.longest(
                                    at(-8.8, LISBON).apply(d).night().moonless()))
                            .matches(i -> i.isEmpty() || i.get().length().compareTo(Duration.ofMinutes(162)) < 0));
        }
    }

    /** The first Saturday is 12 June; the display is looked at a minute after it begins. */
    @Test
    void a_display_is_on_the_next_saturday() {
        Next display = ALL.get("Fireworks");
        assertThat(display.night().date()).isEqualTo("2027-06-12");
        assertThat(display.at()).isEqualTo("2027-06-12T21:31:00Z");
        assertThat(display.take().wish()).isEqualTo(Wish.at(LocalTime.of(22, 30)));
        assertThat(from(LocalDate.of(2027, 6, 12)).get("Fireworks").night().date())
                .isEqualTo("2027-06-12");
        // four nights before the last that can be reckoned, none of them a Saturday: 15 to 18 December 2059
        assertThat(byName(NextTakes.of(
                        at(-8.8, LISBON), LocalDate.of(2059, 12, 15), LocalDate.of(2059, 12, 18), CAMERAS)))
                .doesNotContainKey("Fireworks")
                .containsKey("Night scene");
    }

    @Test
    void lamps_are_lit_any_evening() {
        Next scene = ALL.get("Night scene");
        assertThat(scene.night().date()).isEqualTo(FROM);
        assertThat(altitude(Body.SUN, scene)).isBetween(-8.0, -4.0);
        assertThat(scene.take().camera().name()).isEqualTo("Wide");
    }

    /** At the long end of the long lens, at the aperture of that end. */
    @Test
    void the_moon_is_taken_at_the_long_end() {
        for (String name : List.of("Moon over Hut", "Thin moon", "Eclipse of the moon")) {
            Next moon = ALL.get(name);
            assertThat(moon.take().camera().name()).isEqualTo("Long");
            assertThat(moon.take().setting().onLensMm()).isEqualTo(400);
            assertThat(moon.take().setting().aperture()).isGreaterThanOrEqualTo(5.6);
            assertThat(moon.take().fits()).isTrue();
        }
        Next round = ALL.get("Moon over Hut");
        double lit = Illumination.of(Body.MOON, Moment.at(round.at())).fraction();
        assertThat(lit).isGreaterThan(0.85);
        assertThat(round.why()).isEqualTo("%.0f %% lit, with light on the land", 100 * lit);
        assertThat(round.night().moon().fraction()).isGreaterThanOrEqualTo(0.85);
        assertThat(from(FROM)).doesNotContainKey("Moon over Hut");
    }

    /** Looked at when the sun is 7° deep, by the minute of its clock; a moon of four days is more than a seventh lit, so the next month's is taken. */
    @Test
    void a_sickle_is_looked_at_by_the_clock() {
        Next thin = ALL.get("Thin moon");
        double lit = Illumination.of(Body.MOON, Moment.at(thin.at())).fraction();
        double high = altitude(Body.MOON, thin);
        assertThat(thin.why())
                .isEqualTo("%.0f %% lit, %.0f\u00b0 high at dusk, earthshine on the rest", 100 * lit, high);
        assertThat(thin.take().wish())
                .isEqualTo(Wish.at(
                        LocalTime.ofInstant(thin.at(), LISBON).withSecond(0).withNano(0)));
        assertThat(altitude(Body.SUN, thin)).isCloseTo(-7, within(0.02));
        // new on 4 June and 4 July
        assertThat(thin.night().date()).isAfter(LocalDate.of(2027, 7, 4));
        assertThat(from(LocalDate.of(2027, 6, 6)).get("Thin moon").night().date())
                .isEqualTo("2027-06-06");
    }

    /**
     * By the tables: 12 January 2028, greatest at 4:13 UT, high over the Atlantic. 31 December 2028, greatest at 16:52:08, out of the
     * umbra at 18:36:34: seen so in Greece; in Portugal the moon rises after it, and is looked at on its way out.
     */
    @Test
    void an_eclipse_is_looked_at_when_it_is_greatest_or_else_while_it_is_seen() {
        Next here = ALL.get("Eclipse of the moon");
        assertThat(here.at()).isBetween(Instant.parse("2028-01-12T04:12:00Z"), Instant.parse("2028-01-12T04:14:00Z"));
        assertThat(here.why()).isEqualTo("partial, from this place");
        LocalDate from = LocalDate.of(2028, 7, 10);
        Next seen = byName(NextTakes.of(at(23, ZoneId.of("Europe/Athens")), from, LAST, CAMERAS))
                .get("Eclipse of the moon");
        assertThat(Duration.between(Instant.parse("2028-12-31T16:52:08Z"), seen.at())
                        .abs())
                .isLessThan(Duration.ofSeconds(5));
        assertThat(seen.why()).isEqualTo("total, from this place");
        Next rising =
                byName(NextTakes.of(at(-8.8, LISBON), from, LAST, CAMERAS)).get("Eclipse of the moon");
        assertThat(rising.at()).isBetween(Instant.parse("2028-12-31T16:52:08Z"), Instant.parse("2028-12-31T18:36:34Z"));
        assertThat(altitude(Body.MOON, rising)).isGreaterThan(0);
        assertThat(rising.night().date()).isEqualTo("2028-12-31");
    }

    /** The Perseids under a sky so bright that just ten an hour are left, and under one that is a little brighter. */
    @Test
    void a_shower_is_worth_ten_an_hour() {
        LocalDate from = LocalDate.of(2027, 8, 12);
        Night night = at(-8.8, LISBON).apply(from).night();
        DoubleFunction<SkyGlow> leaving = perHour -> SkyGlow.ofZenith(new BrentSolver(1e-6)
                .solve(100, v -> perseids(night, SkyGlow.ofZenith(v)) - perHour, 17, 21.9));
        Next meteors = byName(NextTakes.of(at(-8.8, LISBON, leaving.apply(10.01)), from, LAST, CAMERAS))
                .get("Perseids");
        assertThat(meteors.why()).isEqualTo("up to 10 meteors an hour");
        assertThat(meteors.night().date()).isEqualTo(from);
        assertThat(byName(NextTakes.of(at(-8.8, LISBON, leaving.apply(9.99)), from, LAST, CAMERAS)))
                .doesNotContainKey("Perseids");
    }

    private static double perseids(Night night, SkyGlow glow) {
        return ShowerNight.of(MeteorShower.named("Perseids").orElseThrow(), night, glow)
                .orElseThrow()
                .perHour();
    }

    /** One before noon, one as the sun rises, one in the evening; each in the night whose two noons hold it. */
    @Test
    void an_eclipse_of_the_sun_is_in_the_night_that_holds_it() {
        assertThat(sun("2027-01-01"))
                .isEqualTo("2027-08-01 2027-08-02T08:44 partial here, 97 % of the sun covered, 35\u00b0 high");
        assertThat(sun("2028-08-01"))
                .isEqualTo("2030-05-31 2030-06-01T05:15 partial here, 58 % of the sun covered, on the horizon");
        assertThat(sun("2034-12-01"))
                .isEqualTo("2036-08-21 2036-08-21T18:30 partial here, 32 % of the sun covered, 9\u00b0 high");
        assertThat(sun("2039-09-01")).as("none within three years").isEqualTo("none");
    }

    private static String sun(String from) {
        NightProposal.Ranked filtered = new NightProposal.Ranked(
                NamedCamera.of("Sun", Rig.of(Suns.BODY, Suns.lens(400, 5.6, true), List.of(Suns.DENSITY_5))), 0);
        Next next = byName(
                        NextTakes.of(at(-8.8, LISBON), LocalDate.parse(from), LAST, List.of(CAMERAS.get(0), filtered)))
                .get("Eclipse of the sun");
        return next == null
                ? "none"
                : next.night().date() + " " + next.at().toString().substring(0, 16) + " " + next.why();
    }
}
