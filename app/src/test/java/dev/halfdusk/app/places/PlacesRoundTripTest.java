package dev.halfdusk.app.places;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Whole records with no two numbers alike, through the database and through the fields of their pages. */
class PlacesRoundTripTest extends StoringTest {

    private static final Place ODD = new Place(
            null,
            "Far \"<End>\", 'O",
            new Site(-77.8463, 166.6683, -12.25),
            ZoneId.of("Antarctica/McMurdo"),
            OptionalDouble.of(21.37),
            Skyline.of(List.of(new Skyline.Point(1.25, -0.5), new Skyline.Point(359.75, 41.125))),
            true,
            List.of(new Dome("Base", 213.5, 4.75, 1258), new Dome("Harbour", 17.25, 61.5, 33, Dome.Lamps.WHITE)),
            new Place.Notes("by\nskidoo", "crevasses; wind", "at 14 m/s", "hut, 300 m", OptionalDouble.of(-12.5)));

    private static final Place OTHER = new Place(
            null,
            "Far end",
            new Site(12.5, -61.75, 833.5),
            ZoneId.of("America/Grenada"),
            OptionalDouble.empty(),
            Skyline.of(List.of(new Skyline.Point(77.5, 9.5))),
            false,
            List.of(new Dome("Town", 99.5, 2.5, 4315)),
            new Place.Notes("", "surf", "when the tide turns", "the car", OptionalDouble.empty()));

    private static final Mark MARK = new Mark("Arch & <i>", 211.25, 1234.5, 41.75, 9.25, -17.5, Silhouette.ARCH);
    private static final Mark OTHER_MARK = new Mark("Tower", 3.5, 57.25, 12.5, 2.75, 101.5, Silhouette.TREE);

    @Autowired
    private Deletions deletions;

    private long id;

    @BeforeEach
    void stored() {
        id = places.add(ODD).id();
    }

    private Place found() {
        return places.find(id).orElseThrow();
    }

    private Place as(Place place) {
        return new Place(
                id,
                place.name(),
                place.site(),
                place.zone(),
                place.zenithMagnitude(),
                place.skyline(),
                place.seaHorizon(),
                place.domes(),
                place.notes());
    }

    @Test
    void a_place_comes_back_whole_and_so_do_its_changes() {
        assertThat(found()).isEqualTo(as(ODD));
        assertThat(places.all()).contains(as(ODD));
        assertThat(places.byIds(List.of(id))).containsEntry(id, as(ODD));

        places.change(as(OTHER));
        places.saveSkyline(id, OTHER.skyline());
        places.domes(id).forEach(d -> deletions.delete("dome", d.id()));
        places.addDome(id, OTHER.domes().get(0));
        assertThat(found()).isEqualTo(as(OTHER));
    }

    @Test
    void the_fields_of_a_place_say_it_whole() {
        assertThat(PlaceForm.read(PlaceForm.fields(found()), Optional.of(found())))
                .contains(as(ODD));
        Form changed = PlaceForm.fields(as(OTHER));
        Place kept = found();
        assertThat(PlaceForm.read(changed, Optional.of(kept)))
                .contains(new Place(
                        id,
                        OTHER.name(),
                        OTHER.site(),
                        OTHER.zone(),
                        OTHER.zenithMagnitude(),
                        kept.skyline(),
                        OTHER.seaHorizon(),
                        kept.domes(),
                        OTHER.notes()));
    }

    @Test
    void marks_come_back_whole_and_so_do_their_changes() {
        long neighbour = places.add(OTHER).id();
        places.addMark(id, MARK);
        places.addMark(neighbour, MARK);
        long mark = places.marks(id).get(0).id();
        assertThat(places.mark(id, mark)).contains(MARK);
        assertThat(PlaceForm.mark(PlaceForm.fields(MARK), found().site())).contains(MARK);

        places.changeMark(neighbour, mark, OTHER_MARK);
        assertThat(places.mark(id, mark)).as("a mark of another place").contains(MARK);
        places.changeMark(id, mark, OTHER_MARK);
        assertThat(places.mark(id, mark)).contains(OTHER_MARK);
        assertThat(places.marks().get(neighbour))
                .extracting(Places.ListedMark::mark)
                .containsExactly(MARK);
        deletions.delete("mark", mark);
        assertThat(places.marks(id)).isEmpty();
        assertThat(places.marks().get(id)).isNull();
        deletions.restore("mark", mark);
        assertThat(places.mark(id, mark)).contains(OTHER_MARK);
    }

    @Test
    void domes_come_back_whole_and_only_the_lit_ones_count() {
        Places.ListedDome base = places.domes(id).get(0);
        assertThat(base.dome()).isEqualTo(ODD.domes().get(0));
        assertThat(PlaceForm.dome(PlaceForm.fields(base.dome()))).contains(base.dome());
        places.changeDome(id, base.id(), OTHER.domes().get(0));
        assertThat(found().domes())
                .containsExactly(OTHER.domes().get(0), ODD.domes().get(1));
        places.lightDome(id, base.id(), false);
        assertThat(found().domes()).containsExactly(ODD.domes().get(1));
        assertThat(places.domes(id)).hasSize(2);
    }
}
