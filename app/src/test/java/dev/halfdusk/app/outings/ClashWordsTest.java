package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.outing.Clash.Reason;
import dev.halfdusk.core.outing.Schedule.Why;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Stop;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Each sentence of what does not go together, whole, and of the way out of it. */
class ClashWordsTest {

    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Site SITE = new Site(37.6, -8.8, 0);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final LocalDate DAY = LocalDate.parse("2027-06-08");
    private static final Circumstances C = Circumstances.of(
            Night.of(SITE, DAY, ZONE, NightRules.USUAL),
            Standpoint.at(SITE, Skyline.FLAT, SkyGlow.natural()),
            List.of());

    private static Instant clock(int hour, int minute) {
        return Night.at(DAY, LocalTime.of(hour, minute), ZONE);
    }

    private static Interval from(int hour, int minute) {
        return new Interval(clock(hour, minute), clock(hour, minute).plusSeconds(1200));
    }

    /** Prepared from six minutes before. */
    private static Slot slot(String name, String camera, int hour, int minute) {
        Instant opens = clock(hour, minute);
        return new Slot(
                Take.of(name, new Free(20, false), camera, RIG)
                        .with(Wish.at(LocalTime.of(hour, minute)))
                        .plan(C),
                new Interval(opens.minusSeconds(360), opens),
                from(hour, minute),
                false);
    }

    private static final Slot HUT = slot("Hut", "Wide", 23, 0);
    private static final Slot ARCH = slot("Arch-way", "Wide", 23, 10);
    private static final Slot OTHER = slot("Pier", "Tele", 23, 15);
    private static final Stop LEDGE = new Stop("Ledge", Duration.ZERO, Duration.ofMinutes(15), "");
    private static final Stop MOLE = new Stop("Mole", Duration.ofMinutes(30), Duration.ofMinutes(5), "");

    @Test
    void every_reason_is_said_with_its_way_out() {
        Map<Reason, String> said = new LinkedHashMap<>();
        said.put(
                new Reason.Unset(HUT.plan().take().set(24, 1.4)),
                "Hut asks for 24 mm, f/1.4, which Wide cannot be set to."
                        + " It is planned with the nearest, 20 mm, f/1.8. Set it so, or take it with another rig.");
        said.put(
                new Reason.OneCamera(HUT, ARCH, clock(23, 26)),
                "Wide cannot take Hut and Arch-way at one time. Begin Arch-way at 23:26, or take it with another camera.");
        said.put(
                new Reason.TooFar(HUT, LEDGE, OTHER, MOLE, Duration.ofMinutes(65), clock(0, 31)),
                "Hut ends at 23:20 at Ledge, and Pier is prepared from 23:09 at Mole: to pack and the way take 65 min."
                        + " Begin Pier at 00:31, or take the places in another order.");
        said.put(
                new Reason.FewHands(List.of(HUT, OTHER), 1, clock(23, 26)),
                "Your hands are wanted at Hut and Pier at one time. Begin Pier at 23:26, or bring someone.");
        said.put(
                new Reason.OutsideWish(HUT),
                "Hut stands outside of its wish: at a time: 23:00. Its windows: 23:00 to 23:20.");
        said.put(
                new Reason.AfterTurnBack(HUT, clock(22, 55), clock(23, 10)),
                "Hut ends at 23:20, after you must turn back. Be done by 22:55, packed and on the way by 23:10.");
        said.put(
                new Reason.NotThere(HUT, new Interval(clock(23, 5), clock(23, 59))),
                "Hut begins before you arrive or ends after you have left. You are there from 23:05 to 23:59.");
        said.put(
                new Reason.Twilight(HUT, -12.4, List.of(from(23, 30), from(1, 0))),
                "Hut reaches into twilight: the sun stands at \u221212\u00b0."
                        + " It is dark from 23:30 to 23:50 and from 01:00 to 01:20.");
        said.put(
                new Reason.Moonlight(HUT, 0.424, List.of()),
                "The moon is up during Hut, 42 % lit."
                        + " It is up all night: light the land with it, or take another night.");
        Take core = Take.of("Core", new MilkyWay(0), "Wide", RIG);
        said.put(
                new Reason.SightHidden(HUT, core.wish().showing(C), C.night().span()),
                "The core stands behind the skyline, or too low, during Hut. It is up from 2");
        said.put(
                new Reason.MoonHidden(HUT, List.of()),
                "The moon stands behind the skyline during Hut. It does not rise this night.");
        said.put(
                new Reason.Cloudy(HUT, 79.6, clock(23, 10), false, Optional.of(clock(1, 0))),
                "Cloud of 80 % is forecast at 23:10, during Hut."
                        + " The least is forecast about 01:00; or take another night.");
        said.put(
                new Reason.Batteries(new Slot(battery(2.34), HUT.prepares(), HUT.runs(), false)),
                "Hut takes 2.3 batteries of Wide."
                        + " The sheet says when to change them, with a gap of a minute; an outside supply leaves none.");
        said.put(
                new Reason.SupplyEmpty(HUT, 1.22),
                "The supply of Wide runs out in Hut: the night takes 1.2 of it."
                        + " Take the heater, mount or computer off it, or bring a larger one.");
        said.put(
                new Reason.CardFull(Named.of("Body"), 71.4, 64),
                "The night fills 71 GB on Body; its card holds 64."
                        + " Bring another card, or shorten what takes most of it.");
        said.put(
                new Reason.DarkWay(LEDGE, true, HUT, clock(23, 35)),
                "You walk back from Ledge in the dark, 15 min from 23:35."
                        + " Learn the way by daylight, go together with two lamps each, or stay until it is light.");
        said.forEach((reason, words) -> assertThat(ClashWords.words(reason) + " " + ClashWords.way(reason))
                .startsWith(words));
        assertThat(said.keySet().stream().map(Object::getClass))
                .as("a reason without words here")
                .containsExactlyInAnyOrderElementsOf(Arrays.asList(Reason.class.getPermittedSubclasses()));
    }

    private static dev.halfdusk.core.take.Plan battery(double share) {
        var p = HUT.plan();
        return new dev.halfdusk.core.take.Plan(
                p.take(),
                p.c(),
                p.when(),
                p.lasts(),
                p.hands(),
                p.program(),
                p.answers(),
                share,
                p.megabytes(),
                p.risks(),
                p.chores());
    }

    /** What is otherwise said where there is more than one of a thing, or none. */
    @Test
    void one_and_several_are_said_as_people_say_them() {
        Rig tele = Rig.of(RIG.body(), new Lens(200, 200, 2.8, 2.8, Projection.RECTILINEAR));
        assertThat(tele.lens().longestMm()).isEqualTo(200);
        assertThat(ClashWords.words(new Reason.OneCamera(HUT, OTHER, clock(23, 26))))
                .startsWith(HUT.body().name() + ", in both rigs, cannot take");
        assertThat(ClashWords.words(new Reason.FewHands(List.of(HUT, ARCH, OTHER), 2, clock(23, 26))))
                .isEqualTo("All hands are wanted at Hut and Arch-way and Pier at one time.");
        assertThat(ClashWords.words(new Reason.DarkWay(
                        new Stop("", Duration.ZERO, Duration.ofMinutes(9), ""), false, HUT, clock(23, 35))))
                .isEqualTo("You walk back in the dark, 9 min from 23:35.");
        assertThat(ClashWords.way(new Reason.Cloudy(HUT, 80, clock(23, 10), false, Optional.empty())))
                .isEqualTo("Take another night.");
        assertThat(ClashWords.way(new Reason.Cloudy(HUT, 80, clock(23, 10), true, Optional.empty())))
                .startsWith("It comes at its hour");
        assertThat(ClashWords.way(new Reason.Twilight(HUT, -4, List.of())))
                .startsWith("It does not get dark this night");
        assertThat(ClashWords.way(new Reason.Moonlight(HUT, 0.4, List.of(from(23, 30)))))
                .isEqualTo("No moon from 23:30 to 23:50.");
        assertThat(ClashWords.way(new Reason.MoonHidden(HUT, List.of(from(23, 30)))))
                .isEqualTo("It is up from 23:30 to 23:50.");
    }

    @Test
    void why_a_take_has_no_place_is_said() {
        assertThat(ClashWords.why(HUT.plan(), new Why.NoWindow()))
                .isEqualTo("the night has no window for it: at a time: 23:00");
        assertThat(ClashWords.why(HUT.plan(), new Why.Taken(List.of("Arch", "Pier"), false)))
                .isEqualTo("its window is taken by Arch, Pier");
        assertThat(ClashWords.why(HUT.plan(), new Why.Taken(List.of("Arch"), true)))
                .isEqualTo("its window is taken by Arch, with the way between places");
        assertThat(ClashWords.why(HUT.plan(), new Why.NotThere()))
                .isEqualTo("its window lies before you arrive or after you leave");
        assertThat(Why.class.getPermittedSubclasses()).hasSize(3);
    }
}
