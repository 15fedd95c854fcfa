package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.ground.Mark;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;

/** A list costs the same few questions to the database however long it is. */
@PageTest
record ListsTest(MockMvc web, Kit kit, QueryCount queries, Made made) {

    private int cost(String path) throws Exception {
        int before = queries.soFar();
        web.perform(get(path).session(new MockHttpSession())) // a page that was kept asks nothing
                .andExpect(status().isOk());
        return queries.soFar() - before;
    }

    @ParameterizedTest
    @ValueSource(strings = {"/", "/outings", "/places", "/kit", "/nights/best", "/bench", "/outings/new"})
    void longer_lists_ask_no_more(String path) throws Exception {
        add("first");
        cost(path); // the first time a forecast is asked for
        int once = cost(path);
        for (int i = 0; i < 5; i++) {
            add("more " + i);
        }
        assertThat(once).isPositive();
        assertThat(cost(path)).isEqualTo(once);
    }

    private void add(String name) {
        Place place = made.place("List " + name, 50, 10, 0, "Europe/Berlin", new Mark("Mast", 10, 100, 20, 3, 0));
        NamedRig rig = kit.rig(1).orElseThrow();
        kit.save(new NamedRig(null, "List " + name, rig.body(), rig.lens(), rig.gear()));
        made.outing("List", place, "2027-08-01");
    }
}
