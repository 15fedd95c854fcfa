package dev.halfdusk.core.outing;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Cue;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Suns;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.ground.Standpoint;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.NightRules;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.take.Circumstances;
import dev.halfdusk.core.take.EclipsedSun;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** An eclipse of the sun in an outing: by day, with its filters. */
class EclipseSheetTest {

    private static final LocalSolarEclipse HERE = Suns.at(Suns.STRAIT, "2027-08-02");
    private static final Circumstances C = Circumstances.of(
            Night.of(Suns.STRAIT, LocalDate.parse("2027-08-01"), ZoneId.of("Europe/Madrid"), NightRules.USUAL),
            Standpoint.at(Suns.STRAIT, Skyline.FLAT, SkyGlow.natural()),
            List.of());
    private static final Take TAKE = Take.of(
            "Eclipse",
            new EclipsedSun(300, 200, 8, true),
            "Long",
            Rig.of(Suns.BODY, Suns.lens(400, 5.6, true), List.of(Suns.DENSITY_5)));

    private static Trip trip(Optional<LocalTime> back) {
        return Trip.of(C.night(), List.of(new Stop("", Duration.ofMinutes(40), Duration.ofMinutes(15), "")), back);
    }

    private static Schedule schedule(Trip trip, Plan... plans) {
        return Schedule.arrange(List.of(plans), WorkTimes.USUAL, trip.there());
    }

    private static Instant contact(Anchor a) {
        return HERE.contact(a).orElseThrow().when();
    }

    /** In the words and at the instants of the eclipse's own plan, wherever its take is held. */
    @Test
    void the_sheet_tells_when_filters_come_off_and_go_on() {
        for (Plan plan : List.of(
                TAKE.plan(C), TAKE.pinnedAt(contact(Anchor.C1).plusSeconds(600)).plan(C))) {
            Trip trip = trip(Optional.empty()).reaching(List.of(plan), WorkTimes.USUAL);
            List<RunSheet.Line> sheet = RunSheet.of(C, schedule(trip, plan), trip, WorkTimes.USUAL);
            for (Cue cue : Cue.of(HERE, FilterWindow.Margins.LEAST)) {
                assertThat(sheet).as(cue.words()).anySatisfy(l -> {
                    assertThat(l.when()).isEqualTo(cue.when());
                    assertThat(List.of(l.take(), l.exact())).isEqualTo(List.of("Eclipse", true));
                    assertThat(l.task())
                            .isInstanceOfSatisfying(
                                    Task.Chore.class,
                                    t -> assertThat(t.chore().what()).isEqualTo(cue.words()));
                });
            }
            assertThat(sheet)
                    .filteredOn(RunSheet.Line::exact)
                    .hasSize(Cue.of(HERE, FilterWindow.Margins.LEAST).size());
        }
    }

    private static Front front(Task task) {
        return task instanceof Task.Script script
                ? script.steps().get(0).front()
                : ((Task.Shoot) task).step().front();
    }

    @Test
    void each_step_says_what_stands_before_the_lens() {
        Plan plan = TAKE.plan(C);
        Trip trip = trip(Optional.empty()).reaching(List.of(plan), WorkTimes.USUAL);
        FilterWindow window = FilterWindow.of(HERE, FilterWindow.Margins.LEAST).orElseThrow();
        List<RunSheet.Line> steps = RunSheet.of(C, schedule(trip, plan), trip, WorkTimes.USUAL).stream()
                .filter(l -> l.task() instanceof Task.Shoot || l.task() instanceof Task.Script)
                .toList();
        assertThat(steps)
                .hasSizeGreaterThan(5)
                .allSatisfy(l -> assertThat(front(l.task()))
                        .isEqualTo(window.off().contains(l.when()) ? Front.OPEN : Front.FILTER));
        assertThat(steps).extracting(l -> front(l.task())).contains(Front.OPEN, Front.FILTER);
    }

    /** Night is over at sunrise; the eclipse is two hours later. */
    @Test
    void a_trip_reaches_a_take_by_day() {
        Plan plan = TAKE.plan(C);
        Plan night =
                Take.of("Core", new MilkyWay(0), "Wide", TAKE.camera().rig()).plan(C);
        Trip usual = trip(Optional.empty());
        assertThat(usual.there().to()).isBefore(contact(Anchor.C1));

        Trip alone = usual.reaching(List.of(plan), WorkTimes.USUAL);
        Instant opens = plan.when().windows().get(0).from();
        // half an hour, then 16 minutes of work
        assertThat(alone.there().from()).isEqualTo(opens.minusSeconds(46 * 60));
        assertThat(alone.there().to()).isEqualTo(opens.plus(plan.lasts()).plusSeconds(15 * 60));
        assertThat(alone.leavesHome(schedule(alone, plan)))
                .isEqualTo(alone.there().from().minusSeconds(55 * 60));
        assertThat(schedule(alone, plan).left()).isEmpty();
        assertThat(Clashes.of(schedule(alone, plan), alone, WorkTimes.USUAL)).isEmpty();

        Trip both = usual.reaching(List.of(night, plan), WorkTimes.USUAL);
        assertThat(both.there().from()).isEqualTo(usual.there().from());
        assertThat(both.there().to()).isEqualTo(alone.there().to());
        assertThat(schedule(both, night, plan).left()).isEmpty();

        // what needs the dark, and what the night reaches anyhow, changes nothing
        assertThat(usual.reaching(List.of(night), WorkTimes.USUAL)).isEqualTo(usual);
        Plan byDay = night.pinned(Optional.of(contact(Anchor.C2)));
        assertThat(usual.reaching(List.of(byDay), WorkTimes.USUAL)).isEqualTo(usual);
        Plan late = TAKE.pinnedAt(contact(Anchor.C1)).plan(C);
        assertThat(usual.reaching(List.of(late), WorkTimes.USUAL).there().to())
                .isEqualTo(contact(Anchor.C1).plus(late.lasts()).plusSeconds(15 * 60));

        // who must turn back at eleven is not there for the end of it
        Trip early = trip(Optional.of(LocalTime.of(11, 0))).reaching(List.of(plan), WorkTimes.USUAL);
        Instant eleven =
                Night.at(C.night().date(), LocalTime.of(11, 0), C.night().zone());
        assertThat(early.there().to()).isEqualTo(eleven);
        assertThat(early.turnBack()).contains(eleven);
        Schedule held = schedule(early, TAKE.pinnedAt(opens).plan(C));
        assertThat(Clashes.of(held, early, WorkTimes.USUAL))
                .extracting(Clash::kind)
                .contains(Clash.Kind.TURN_BACK);

        Trip back = trip(Optional.of(LocalTime.of(6, 0))).reaching(List.of(night, plan), WorkTimes.USUAL);
        assertThat(back.there().to())
                .isEqualTo(
                        Night.at(C.night().date(), LocalTime.of(6, 0), C.night().zone()));
    }
}
