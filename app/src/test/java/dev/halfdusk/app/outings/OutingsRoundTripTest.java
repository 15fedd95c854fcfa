package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.sky.Site;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Whole records with no two numbers alike, through the database and through the fields of their pages. */
@PageTest
class OutingsRoundTripTest {

    @Autowired
    private Outings outings;

    @Autowired
    private OutingForm form;

    @Autowired
    private Places places;

    @Autowired
    private Kit kit;

    @Test
    void an_outing_comes_back_whole_from_store_and_form_and_so_do_its_changes() {
        Place place = places.add(Place.at("Here", new Site(-31.5, 22.25, 7.5), ZoneId.of("Africa/Johannesburg")));
        Place other = places.add(Place.at("There", new Site(61.5, -149.25, 2), ZoneId.of("America/Anchorage")));
        Outing first = Outing.fresh(
                "<Core> \"one\"",
                place,
                LocalDate.of(2028, 2, 29),
                kit.rig(1).orElseThrow(),
                20,
                2.75,
                6.25,
                Sharp.HALF,
                5150);
        Outing stored = outings.save(first);
        assertThat(stored).isEqualTo(first.withId(stored.id()));
        assertThat(form.read(form.fields(stored), stored.id())).contains(stored);
        assertThat(outings.find(stored.id())).contains(stored);

        Outing changed = Outing.fresh(
                        "Another",
                        other,
                        LocalDate.of(2058, 12, 31),
                        kit.rig(4).orElseThrow(),
                        235.5,
                        7.25,
                        1.75,
                        Sharp.AIM,
                        250)
                .withId(stored.id());
        assertThat(form.read(form.fields(changed), stored.id())).contains(changed);
        Outing again = outings.save(changed);
        assertThat(again.revision()).isEqualTo(stored.revision() + 1);
        assertThat(again).usingRecursiveComparison().ignoringFields("revision").isEqualTo(changed);
    }

    @Test
    void a_new_place_is_stored_with_its_outing() {
        Place fresh = Place.at("Spit", new Site(54.5, 12.25, 3.5), ZoneId.of("Europe/Berlin"));
        Outing stored = outings.save(Outing.fresh(
                "Spit", fresh, LocalDate.of(2027, 8, 1), kit.rig(1).orElseThrow(), 20, 1.8, 3, Sharp.MOST, 1600));
        assertThat(places.find(stored.place().id()).orElseThrow().site()).isEqualTo(fresh.site());
    }
}
