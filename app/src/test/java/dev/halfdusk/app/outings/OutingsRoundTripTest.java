package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.sky.Site;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Whole records with no two numbers alike, through the database and through the fields of their pages. */
@PageTest
record OutingsRoundTripTest(Outings outings, OutingForm form, Places places, Made made) {

    @Test
    void an_outing_comes_back_whole_from_store_and_form_and_so_do_its_changes() {
        Place place = made.place("Here", -31.5, 22.25, 7.5, "Africa/Johannesburg");
        Place other = made.place("There", 61.5, -149.25, 2, "America/Anchorage");
        Outing first = Outing.fresh("<Core> \"one\"", place, LocalDate.of(2028, 2, 29))
                .with(Demand.USUAL.within(6.25, Sharp.HALF))
                .going(3, new Way(47, 19), Optional.of(LocalTime.of(4, 35)))
                .noted("bring <rope>");
        Outing stored = outings.save(first);
        assertThat(stored).isEqualTo(first.withId(stored.id()));
        assertThat(form.read(form.fields(stored), stored.id())).contains(stored);
        assertThat(outings.find(stored.id())).contains(stored);

        Outing changed = Outing.fresh("Another", other, LocalDate.of(2058, 12, 31))
                .with(Demand.USUAL.within(1.75, Sharp.AIM))
                .going(1, new Way(5, 0), Optional.empty())
                .withId(stored.id());
        assertThat(form.read(form.fields(changed), stored.id())).contains(changed);
        Outing again = outings.save(changed);
        assertThat(again.standing().revision()).isEqualTo(stored.standing().revision() + 1);
        assertThat(again)
                .usingRecursiveComparison()
                .ignoringFields("standing.revision")
                .isEqualTo(changed);
    }

    @Test
    void a_new_place_is_stored_with_its_outing() {
        Place fresh = Place.at("Spit", new Site(54.5, 12.25, 3.5), ZoneId.of("Europe/Berlin"));
        Outing stored = made.outing("Spit", fresh, "2027-08-01");
        assertThat(places.find(stored.place().id()).orElseThrow().site()).isEqualTo(fresh.site());
    }

    /** Candidates, ticks and what was said in the field, each with what takes it back. */
    @Test
    void what_belongs_to_an_outing_is_kept_with_it() {
        Place place = made.place("Here too", -31.5, 22.25, 7.5, "Africa/Johannesburg");
        long id = made.outing("Plan", place, "2028-03-01").id();
        outings.keep(id, LocalDate.of(2028, 3, 4));
        outings.keep(id, LocalDate.of(2028, 3, 2));
        outings.keep(id, LocalDate.of(2028, 3, 4));
        assertThat(outings.candidates(id)).containsExactly(LocalDate.of(2028, 3, 2), LocalDate.of(2028, 3, 4));
        outings.move(outings.find(id).orElseThrow(), LocalDate.of(2028, 3, 4));
        assertThat(outings.find(id).orElseThrow().night()).isEqualTo(LocalDate.of(2028, 3, 4));
        assertThat(outings.candidates(id)).containsExactly(LocalDate.of(2028, 3, 1), LocalDate.of(2028, 3, 2));
        outings.drop(id, LocalDate.of(2028, 3, 1));
        assertThat(outings.candidates(id)).containsExactly(LocalDate.of(2028, 3, 2));

        outings.pack(id, "tripod", true);
        outings.pack(id, "lamp", true);
        outings.pack(id, "tripod", true);
        outings.pack(id, "lamp", false);
        assertThat(outings.packed(id)).containsExactly("tripod");

        Instant now = Instant.parse("2028-03-04T21:00:00Z");
        outings.resume(id, Optional.of(now));
        outings.another(id);
        assertThat(outings.find(id).orElseThrow().standing().resumed()).contains(now);
        assertThat(outings.find(id).orElseThrow().standing().way()).isEqualTo(1);
        outings.resume(id, Optional.empty());
        assertThat(outings.find(id).orElseThrow().standing().resumed()).isEmpty();
    }
}
