package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.outing.NightProposal.Proposed;
import dev.halfdusk.core.search.ShowerNight;
import dev.halfdusk.core.sky.MeteorShower;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Meteors;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.NamedCamera;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NightProposalTest {

    private static final CameraBody BODY = CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200);
    private static final NamedCamera WIDE =
            NamedCamera.of("Wide", Rig.of(BODY, new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR)));
    private static final NamedCamera TRACKED = NamedCamera.of(
            "Tracked",
            Rig.of(
                    BODY,
                    new Lens(35, 35, 1.4, 1.4, Projection.RECTILINEAR),
                    List.of(new Support(Support.Kind.SIDEREAL, 10))));
    private static final NamedCamera LONG =
            NamedCamera.of("Long", Rig.of(BODY, new Lens(200, 400, 4, 5.6, Projection.RECTILINEAR)));
    private static final NamedCamera OLD =
            NamedCamera.of("Old", Rig.of(BODY, new Lens(24, 70, 4, 4, Projection.RECTILINEAR)));

    private static Circumstances at(double latitude, String date, String zone, Mark... marks) {
        Site site = new Site(latitude, -8.8, 20);
        Night night = Night.of(site, LocalDate.parse(date), ZoneId.of(zone), NightRules.USUAL);
        return Circumstances.of(night, Standpoint.at(site, Skyline.FLAT, SkyGlow.ofZenith(21.5)), List.of(marks));
    }

    private static List<String> names(List<Proposed> all) {
        return all.stream().map(p -> p.take().name()).toList();
    }

    @Test
    void a_night_in_june_bears_four_takes() {
        List<Proposed> all = NightProposal.of(
                at(37.6, "2027-06-04", "Europe/Lisbon"), List.of(LONG, TRACKED, OLD, WIDE), List.of(), 1, 0);
        assertThat(names(all)).containsExactly("Milky Way", "Arch", "Star trails", "Ground at blue hour");
        assertThat(all.get(0).why()).contains("23\u00b0 high"); // 90 - 37.6 - 29.0
        assertThat(all.get(2).take().camera().name())
                .as("not the tracker, not the long one")
                .isEqualTo("Old");
        assertThat(all.get(2).why()).contains("20\u00b0");
    }

    /** Over a mark in the south where the core passes; a mark in the north is none. */
    @ParameterizedTest
    @CsvSource({"176, SIGHT_OVER_MARK", "10, SIGHT_HIGHEST"})
    void a_mark_under_the_core_decides(double bearing, Wish.Kind kind) {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon", new Mark("Arch", bearing, 140, 24, 13, 0));
        assertThat(NightProposal.of(c, List.of(WIDE), List.of(), 1, 0)
                        .get(0)
                        .take()
                        .wish()
                        .kind())
                .isEqualTo(kind);
    }

    @Test
    void what_the_night_has_not_is_not_proposed() {
        // full moon: no dark, but light on the land
        assertThat(names(NightProposal.of(at(37.6, "2027-06-18", "Europe/Lisbon"), List.of(WIDE), List.of(), 1, 0)))
                .containsExactly("Ground at blue hour", "Moonlit ground");
        // winter: no core, a long night, and what shows best for long enough, which in the north is Cygnus
        List<Proposed> winter = NightProposal.of(at(60, "2027-12-28", "Europe/Lisbon"), List.of(WIDE), List.of(), 1, 0);
        assertThat(names(winter)).containsExactly("Milky Way", "Star trails", "Ground at blue hour");
        assertThat(winter.get(0).take().wish().asked()).isEqualTo(Asked.of(Sight.CYGNUS));
        assertThat(winter.get(0).why()).matches("Cygnus is up in a sky that is dark, .* % brighter than its sky\\.");
        assertThat(NightProposal.of(at(37.6, "2028-01-27", "Europe/Lisbon"), List.of(WIDE), List.of(), 1, 0)
                        .get(0)
                        .why())
                .startsWith("The winter Milky Way is up");
        // a bright summer night in the north: nothing shows plainly
        assertThat(names(NightProposal.of(at(57, "2027-07-02", "Europe/Lisbon"), List.of(WIDE), List.of(), 1, 0)))
                .containsExactly("Ground at blue hour");
        // midsummer beyond the circle: the sun never sets
        assertThat(NightProposal.of(at(69, "2027-06-21", "Europe/Lisbon"), List.of(WIDE), List.of(), 1, 0))
                .isEmpty();
    }

    @Test
    void what_is_planned_is_not_proposed_again_and_no_camera_no_night() {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        Take trails = Take.of("mine", new Trails(40, 20, 2, 0), "Wide", WIDE.rig());
        assertThat(names(NightProposal.of(c, List.of(WIDE), List.of(trails), 1, 0)))
                .containsExactly("Milky Way", "Arch", "Ground at blue hour");
        assertThat(NightProposal.of(c, List.of(), List.of(), 1, 0)).isEmpty();
    }

    @Test
    void with_one_camera_all_of_it_finds_its_hour() {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        List<Proposed> all = NightProposal.of(c, List.of(WIDE), List.of(), 1, 0);
        Schedule s = Schedule.arrange(
                all.stream().map(p -> p.take().plan(c)).toList(),
                WorkTimes.USUAL,
                c.night().span());
        assertThat(s.left()).isEmpty();
        assertThat(s.slots()).hasSize(4);
    }

    /** Total in Lisbon's night of 31 December 2028: maximum 16:52 UT is before moonrise there; that of 26 June 2029, 03:22 UT, is whole. */
    @ParameterizedTest
    @CsvSource({"2029-06-25, 0", "2029-06-25, 1", "2029-06-25, 2"})
    void a_total_eclipse_comes_first_and_no_land_is_lit_by_a_moon_in_the_shadow(String date, int way) {
        List<Proposed> all = NightProposal.of(at(37.6, date, "Europe/Lisbon"), List.of(WIDE, LONG), List.of(), 1, way);
        assertThat(all.get(0).take().subject()).isInstanceOf(EclipsedMoon.class);
        assertThat(all.get(0).take().camera().name()).isEqualTo("Long");
        assertThat(all.get(0).why()).contains("totality begins at 03:3"); // u2 is 02:31 UT
        assertThat(names(all)).doesNotContain("Moonlit ground", "Moon over the land");
    }

    /** Who comes for a shower has frames from dark to dark, ten minutes short and three hours at most; where it never rises nothing of it. */
    @Test
    void a_shower_that_was_asked_for_is_the_nights() {
        MeteorShower perseids = MeteorShower.named("Perseids").orElseThrow();
        Asked asked = Asked.of(Sight.of(perseids));
        Circumstances c = at(37.6, "2026-08-12", "Europe/Lisbon"); // new moon
        Proposed first = asking(c, asked).get(0);
        assertThat(first.take().name()).isEqualTo("Perseids");
        assertThat(first.take().subject()).isEqualTo(new Meteors(180));
        assertThat(first.take().wish()).isEqualTo(Wish.highest(asked));
        ShowerNight night = ShowerNight.of(perseids, c.night(), c.from().glow()).orElseThrow();
        assertThat(first.why())
                .isEqualTo(
                        "Frame after frame while the radiant of the Perseids is up: most, some %.0f an hour, at %s.",
                        night.perHour(), c.night().clock(night.best()));
        // in a short northern night less than three hours are dark
        Circumstances north = at(55.5, "2026-08-12", "Europe/London");
        long minutes = Interval.longest(asked.showing(north.night()).inDark())
                .orElseThrow()
                .length()
                .toMinutes();
        assertThat(minutes).isBetween(40L, 180L);
        assertThat(asking(north, asked).get(0).take().subject()).isEqualTo(new Meteors(minutes - 10));
        assertThat(names(asking(at(-60, "2026-08-12", "UTC"), asked))).doesNotContain("Perseids", "Milky Way");
    }

    private static List<Proposed> asking(Circumstances c, Asked asked) {
        return NightProposal.ofRanked(
                c, List.of(new NightProposal.Ranked(WIDE, 0)), List.of(), 1, 0, Optional.of(asked));
    }

    /** The forecast may hide a window: 85 % at its clearest is still proposed and said, more is not. */
    @ParameterizedTest
    @CsvSource({"85, true", "85.1, false"})
    void an_overcast_window_is_none(double cloud, boolean proposed) {
        Circumstances clear = at(37.6, "2027-06-04", "Europe/Lisbon");
        Circumstances c = new Circumstances(
                clear.night(),
                clear.from(),
                clear.known(),
                t -> Optional.of(new WeatherHour(t, cloud, 0, 0, 0, 12, 50)),
                12,
                Demand.USUAL,
                OptionalDouble.empty());
        List<Proposed> all = NightProposal.of(c, List.of(WIDE), List.of(), 1, 0);
        assertThat(all.isEmpty()).isNotEqualTo(proposed);
        assertThat(all).allSatisfy(p -> assertThat(p.why()).endsWith(" At its clearest 85 % of cloud is forecast."));
    }

    /** A partial one says how much; a night without has none. */
    @Test
    void a_partial_eclipse_says_how_much() {
        // 12 January 2028: 0.07 of the diameter at 04:13 UT
        List<Proposed> all =
                NightProposal.of(at(37.6, "2028-01-11", "Europe/Lisbon"), List.of(LONG, WIDE), List.of(), 1, 0);
        assertThat(all.get(0).why()).contains("up to 7 % of the moon's width");
        assertThat(names(NightProposal.of(
                        at(37.6, "2027-06-18", "Europe/Lisbon"), List.of(LONG, WIDE), List.of(), 1, 0)))
                .doesNotContain("Eclipse of the moon");
    }

    /** Full on 19 June 2027 at 00:44 UT: on the evening of the 18th it rises by the light of the set sun, over no mark. */
    @Test
    void a_round_moon_is_taken_without_a_mark_by_a_long_lens() {
        Circumstances full = at(37.6, "2027-06-18", "Europe/Lisbon");
        assertThat(NightProposal.of(full, List.of(WIDE, LONG), List.of(), 1, 0))
                .filteredOn(p -> p.take().subject() instanceof Moon)
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.take().name()).isEqualTo("Moon over the land");
                    assertThat(p.take().asked().onLensMm()).isEqualTo(400);
                    assertThat(p.why()).contains("one frame holds both");
                });
    }

    /** What is in the outing before what one owns, and that before examples; but no long lens for the Milky Way. */
    @ParameterizedTest
    @CsvSource({"1, 2, 2, Wide", "2, 1, 2, Old", "2, 2, 0, Wide", "0, 0, 0, Wide"})
    void a_rig_that_is_at_hand_is_taken_first(int wide, int old, int tele, String chosen) {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        List<NightProposal.Ranked> ranked = List.of(
                new NightProposal.Ranked(WIDE, wide),
                new NightProposal.Ranked(OLD, old),
                new NightProposal.Ranked(LONG, tele));
        assertThat(NightProposal.ofRanked(c, ranked, List.of(), 1, 0, Optional.empty())
                        .get(0)
                        .take()
                        .camera()
                        .name())
                .isEqualTo(chosen);
    }

    private static Circumstances cloudy(Circumstances c, double percent) {
        return new Circumstances(
                c.night(),
                c.from(),
                c.known(),
                t -> Optional.of(new WeatherHour(t, percent, 0, 0, 2, 12, 50)),
                12,
                Demand.USUAL,
                OptionalDouble.empty());
    }

    @Test
    void under_cloud_it_says_so_and_under_an_overcast_sky_it_proposes_nothing() {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        assertThat(NightProposal.of(cloudy(c, 84), List.of(WIDE), List.of(), 1, 0))
                .hasSize(4)
                .allMatch(p -> p.why().endsWith("At its clearest 84 % of cloud is forecast."));
        assertThat(NightProposal.of(cloudy(c, 86), List.of(WIDE), List.of(), 1, 0))
                .isEmpty();
    }

    /** Another night each time, and after three the first again; a friend is asked for only where there is one. */
    @Test
    void another_night_may_be_asked_for() {
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        assertThat(names(NightProposal.of(c, List.of(WIDE, OLD), List.of(), 2, 1)))
                .containsExactly("Milky Way", "Deep stack", "Friend under the stars", "Ground at blue hour");
        assertThat(names(NightProposal.of(c, List.of(WIDE, OLD), List.of(), 1, 1)))
                .containsExactly("Milky Way", "Deep stack", "Ground at blue hour");
        assertThat(names(NightProposal.of(c, List.of(WIDE, OLD), List.of(), 1, 2)))
                .containsExactly("Time-lapse", "Milky Way", "Star trails");
        assertThat(NightProposal.of(c, List.of(WIDE, OLD), List.of(), 1, 3))
                .isEqualTo(NightProposal.of(c, List.of(WIDE, OLD), List.of(), 1, 0));
    }

    /** On 18 June 2027 the full moon rises with the setting sun at 125°; twenty minutes later it stands 2° up at 128°. */
    @Test
    void a_round_moon_rises_over_a_mark() {
        Mark east = new Mark("Hut", 128, 310, 0.5, 9, 0);
        Mark west = new Mark("Barn", 300, 310, 0.5, 9, 0);
        List<Proposed> all = NightProposal.of(
                at(37.6, "2027-06-18", "Europe/Lisbon", west, east), List.of(WIDE, LONG), List.of(), 1, 0);
        assertThat(names(all)).contains("Moon over Hut").doesNotContain("Moon over Barn");
        assertThat(all)
                .filteredOn(p -> p.take().name().equals("Moon over Hut"))
                .extracting(
                        p -> p.take().camera().name(),
                        p -> p.take().asked().onLensMm(),
                        p -> p.take().asked().aperture())
                .as("the longest lens at its long end")
                .containsExactly(org.assertj.core.groups.Tuple.tuple("Long", 400.0, 5.6));
        assertThat(names(NightProposal.of(
                        at(37.6, "2027-06-04", "Europe/Lisbon", east), List.of(WIDE), List.of(), 1, 0)))
                .doesNotContain("Moon over Hut");
    }

    /** Two rigs on one body are one camera: the other body takes the trails, even where its lens is slower. */
    @Test
    void a_second_rig_on_the_same_body_is_no_second_camera() {
        NamedCamera zoom =
                new NamedCamera(Named.of("Zoom"), WIDE.body(), OLD.rig(), Optional.empty(), Optional.empty());
        NamedCamera slow = NamedCamera.of("Slow", Rig.of(BODY, new Lens(28, 28, 8, 8, Projection.RECTILINEAR)));
        Circumstances c = at(37.6, "2027-06-04", "Europe/Lisbon");
        List<Proposed> all = NightProposal.of(c, List.of(zoom, slow, WIDE), List.of(), 1, 0);
        assertThat(all.get(2).take().camera()).isEqualTo(slow);
        assertThat(all.get(0).take().subject()).isEqualTo(new MilkyWay(5));
    }

    /** The fastest lens in the hand, behind the sun's filter or on a tracker at the moon's rate takes no stars. */
    @Test
    void what_cannot_take_stars_is_not_proposed_for_them() {
        Lens fastest = new Lens(20, 20, 1.2, 1.2, Projection.RECTILINEAR);
        NamedCamera hand = NamedCamera.of("Hand", Rig.of(BODY, fastest, List.of(new Support(Support.Kind.HAND, 0))));
        NamedCamera sun = NamedCamera.of("Sun", Rig.of(BODY, fastest, List.of(new Gear.Filter(16.6))));
        NamedCamera lunar = NamedCamera.of("Lunar", Rig.of(BODY, fastest, List.of(new Support(Support.Kind.LUNAR, 5))));
        for (int way = 0; way < NightProposal.WAYS; way++) {
            assertThat(NightProposal.of(
                            at(37.6, "2027-06-04", "Europe/Lisbon"),
                            List.of(hand, sun, lunar, WIDE),
                            List.of(),
                            2,
                            way))
                    .isNotEmpty()
                    .allMatch(p ->
                            p.take().camera().name().equals("Wide") || p.take().subject() instanceof Moon);
            assertThat(NightProposal.of(
                            at(37.6, "2027-06-04", "Europe/Lisbon"), List.of(hand, sun, lunar), List.of(), 2, way))
                    .isEmpty();
        }
    }
}
