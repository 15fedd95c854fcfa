package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

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
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** One night of takes by hand-made values: 4 June 2027 on a coast at 37.6° N, new moon. */
class TakesSheetTest {

    private static final Site LEDGE = new Site(37.6012, -8.7921, 31);
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Rig RIG = Rig.of(
            CameraBody.generic(Sensor.of(36, 24, 6000), Dial.THIRD, 51_200),
            new Lens(20, 20, 1.8, 1.8, Projection.RECTILINEAR));
    private static final Night NIGHT = Night.of(LEDGE, LocalDate.parse("2027-06-04"), ZONE, NightRules.USUAL);
    private static final Circumstances C = Circumstances.of(
            NIGHT,
            Standpoint.at(LEDGE, Skyline.FLAT, SkyGlow.ofZenith(21.5)),
            List.of(new Mark("Arch", 176, 140, 24, 13, 0)));
    private static final Interval THERE = new Interval(clock(19, 0), clock(4, 30));

    private static Instant clock(int hour, int minute) {
        return Night.at(LocalDate.parse("2027-06-04"), LocalTime.of(hour, minute), ZONE);
    }

    private static Plan at(String name, Subject subject, String camera, int hour, int minute) {
        return Take.of(name, subject, camera, RIG)
                .with(Wish.at(LocalTime.of(hour, minute)))
                .plan(C);
    }

    private static Schedule night() {
        return Schedule.arrange(
                List.of(
                        at("Circles", new Subject.Trails(15, 30, 1, 5), "Wide", 23, 0),
                        at("Coffee", new Subject.Free("coffee", 15, false), "Wide", 0, 30)),
                Habits.USUAL,
                THERE);
    }

    @Test
    void every_line_of_the_sheet() {
        List<RunSheet.Line> acts = RunSheet.of(NIGHT, night(), THERE).stream()
                .filter(RunSheet.Line::act)
                .toList();
        assertThat(acts)
                .extracting(RunSheet.Line::when)
                .containsExactly(
                        clock(19, 0),
                        clock(22, 44),
                        clock(23, 0),
                        clock(23, 0).plusSeconds(3595 + 60),
                        clock(0, 24),
                        clock(0, 30),
                        clock(4, 30));
        assertThat(acts.get(1).what()).startsWith("Set up Wide for Circles: tripod, level; focus on ");
        // at 22:44 Arcturus stands too high to look at; Vega, second to it in the north, is half way up in the east
        assertThat(acts.get(1).what()).contains("Vega, E").contains("\u00b0 up");
        assertThat(acts.get(2).what())
                .startsWith("Circles: 116 \u00d7 30 s, f/1.8, ISO ")
                .endsWith(", pause 1 s");
        assertThat(acts.get(3).what()).startsWith("Circles: 5 \u00d7 30 s").endsWith("dark frames, cap on");
        assertThat(acts.get(4).what()).isEqualTo("Aim Wide anew for Coffee, look at a star at full size");
        assertThat(acts.get(5).what()).startsWith("Coffee: 1 \u00d7 ");
        assertThat(acts.get(6).what()).startsWith("Leave");
    }

    @Test
    void what_the_sky_does_stands_between() {
        List<RunSheet.Line> lines = RunSheet.of(NIGHT, night(), THERE);
        assertThat(lines).filteredOn(l -> !l.act()).hasSize(NIGHT.events().size());
        for (int i = 1; i < lines.size(); i++) {
            assertThat(lines.get(i).when()).isAfterOrEqualTo(lines.get(i - 1).when());
        }
    }

    @Test
    void someone_stays_with_a_panorama() {
        Schedule s = Schedule.arrange(
                List.of(at("Arch", new Subject.Arch(0.3, 15, 5), "Wide", 23, 30)), Habits.USUAL, THERE);
        assertThat(RunSheet.of(NIGHT, s, THERE)).anyMatch(l -> l.what().equals("Arch: stay with the camera"));
    }

    private static List<String> bag(double celsius, double humidity, double wind) {
        return Checklist.of(night(), t -> Optional.of(new WeatherHour(t, 0, 0, 0, wind, celsius, humidity)), 12)
                .stream()
                .map(Checklist.Item::what)
                .toList();
    }

    /** 12 °C and 90 % are 1.6 K over the dew point, 12 °C and 50 % ten; the night goes from 22:44 to 00:45. */
    @Test
    void the_bag_follows_takes_and_weather() {
        assertThat(bag(12, 50, 2))
                .contains("tripod", "interval timer", "lens cap", "a spare battery")
                .contains("Wide, its card empty and battery full")
                .doesNotContain("heater band and its power bank", "warm clothes, gloves that turn a ring")
                .doesNotContain("a weight for the tripod's hook", "water, something to eat, a seat")
                .doesNotHaveDuplicates();
        assertThat(bag(12, 90, 7)).contains("heater band and its power bank", "a weight for the tripod's hook");
        assertThat(bag(-3, 50, 2))
                .contains("warm clothes, gloves that turn a ring", "twice the batteries, kept warm")
                .doesNotContain("a spare battery");
        Schedule none = new Schedule(List.of(), List.of());
        assertThat(Checklist.of(none, t -> Optional.empty(), 12)).hasSize(2);
    }

    private static Slot slot(Plan plan, Instant opens) {
        return Slot.of(plan, opens, Duration.ofMinutes(6));
    }

    @Test
    void clashes_of_a_night_arranged_by_hand() {
        Plan trails = at("Circles", new Subject.Trails(15, 30, 1, 5), "Wide", 23, 0);
        Plan portrait = at("Friend", new Subject.People(4), "Wide", 23, 30);
        Plan panorama = at("Arch", new Subject.Arch(0.3, 15, 5), "Other", 23, 30);
        Plan lamp = at("Hut", new Subject.Free("lamp", 10, true), "Third", 23, 31);
        List<Clash> found = Clash.of(
                List.of(
                        slot(trails, clock(23, 0)),
                        slot(portrait, clock(23, 30)),
                        slot(panorama, clock(23, 30)),
                        slot(lamp, clock(5, 0))),
                THERE);
        assertThat(found)
                .extracting(Clash::kind)
                .containsExactly(Clash.Kind.CAMERA, Clash.Kind.HANDS, Clash.Kind.WINDOW, Clash.Kind.AWAY);
        assertThat(found.get(0).words()).isEqualTo("Wide cannot take Circles and Friend at one time.");
        assertThat(found.get(1).takes()).containsExactly("Friend", "Arch");
        assertThat(found.get(2).words()).isEqualTo("Hut stands outside of its wish: at a time.");
        assertThat(Clash.of(night().slots(), THERE)).isEmpty();
        // one after the other is none: 23:30 is when the first has just ended
        Plan first = at("First", new Subject.Free("a", 24, false), "Wide", 23, 0);
        assertThat(Clash.of(List.of(slot(first, clock(23, 0)), slot(portrait, clock(23, 30))), THERE))
                .isEmpty();
    }
}
