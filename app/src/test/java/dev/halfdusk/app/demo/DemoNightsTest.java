package dev.halfdusk.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.outing.Way;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** On whatever day somebody tries it, the next outing of the demo is near, has three subjects and more, and all of them a place. */
@PageTest
record DemoNightsTest(DemoData demo, Places places, Kit kit, OutingPlanner evening) {

    @Test
    void fifty_three_weeks() {
        NamedRig wide = kit.rigs().get(0);
        if (kit.rigs().stream().noneMatch(r -> r.name().equals("Fisheye"))) {
            kit.save(new NamedRig(null, "Fisheye", wide.body(), wide.lens(), wide.gear()));
        }
        Place ledge = places.add(Place.at("Ledge of the demo", DemoData.LEDGE, ZoneId.of("Europe/Lisbon")));
        places.addMark(ledge.id(), new Mark("Needle Arch", 172, 140, 24, 13, -1));
        Place mill = places.add(Place.at("Mill of the demo", DemoData.MILL, ZoneId.of("Europe/Lisbon")));
        Set<String> titles = new HashSet<>();
        for (int week = 0; week < 53; week++) {
            LocalDate today = LocalDate.of(2026, 11, 29).plusDays(7L * week + week % 7);
            DemoData.Soon soon = demo.next(
                    today,
                    places.find(ledge.id()).orElseThrow(),
                    places.find(mill.id()).orElseThrow());
            assertThat(soon.night()).as("%s", today).isAfter(today).isBeforeOrEqualTo(today.plusDays(21));
            assertThat(soon.takes().stream().map(t -> t.subject().kind()).distinct())
                    .hasSizeGreaterThanOrEqualTo(3);
            Outing outing =
                    Outing.fresh(soon.title(), soon.place(), soon.night()).going(2, new Way(40, 15), Optional.empty());
            assertThat(evening.bears(outing, soon.takes()))
                    .as("%s: %s on %s", today, soon.title(), soon.night())
                    .isTrue();
            titles.add(soon.title());
        }
        assertThat(titles).as("summer and winter").hasSize(2);
    }
}
