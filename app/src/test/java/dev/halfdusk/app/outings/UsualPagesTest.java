package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.take.Decision;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What one usually decides is kept, shown with what follows, and is where a take of stars begins. */
class UsualPagesTest extends StoringTest {

    @Autowired
    private UsualDecision usual;

    private long outing;

    @BeforeEach
    void outing() {
        Place place = made.coast("Coast");
        outing = made.outing("Usual", place, "2027-06-04").id();
    }

    @AfterEach
    void forget() {
        usual.keep(Decision.NONE);
    }

    private MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse();
    }

    private MockHttpServletResponse keep(Map<String, String> changes) throws Exception {
        Map<String, String> fields = PageFields.of(ask(get("/kit/usual")).getContentAsString(), "/kit/usual");
        fields.putAll(changes);
        MockHttpServletRequestBuilder request = post("/kit/usual");
        fields.forEach(request::param);
        return ask(request);
    }

    /** "I plan by 500, ISO 3200, one dark frame": on the 20 mm that is 25 s. */
    @Test
    void a_take_begins_as_one_usually_decides() throws Exception {
        assertThat(keep(Map.of("rule", "N500", "iso", "3200", "darkFrames", "1"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(ask(get("/kit/usual")).getContentAsString()).contains("25 s, f/1.8, ISO 3200");
        String to = ask(post("/outings/" + outing + "/takes?subject=milky-way&rig=1"))
                .getRedirectedUrl();
        Decision begun = takes.of(outing).get(0).take().decision();
        assertThat(begun.stars().rule()).isEqualTo(PlannedBy.N500);
        assertThat(begun.light().iso()).hasValue(3200);
        assertThat(begun.frames().darks()).hasValue(1);
        assertThat(ask(get(to)).getContentAsString()).contains("class=\"figure\">25<", ">3200<");
        // the moon is no star, and what is proposed and accepted begins so too
        ask(post("/outings/" + outing + "/takes?subject=moon&rig=4"));
        assertThat(takes.of(outing).get(1).take().decision()).isEqualTo(Decision.NONE);
        ask(post("/outings/" + outing + "/takes/proposed"));
        assertThat(takes.of(outing))
                .filteredOn(t -> t.take().subject().kind().key().equals("panorama"))
                .allMatch(t -> t.take().decision().equals(begun))
                .hasSize(1);
    }

    /** A take that is saved with nothing decided stays so. */
    @Test
    void a_take_may_be_decided_otherwise() throws Exception {
        keep(Map.of("iso", "800"));
        ask(post("/outings/" + outing + "/takes?subject=stack&rig=1"));
        long take = takes.of(outing).get(0).id();
        String action = "/outings/" + outing + "/takes/" + take;
        Map<String, String> fields =
                PageFields.of(ask(get("/outings/" + outing)).getContentAsString(), action);
        assertThat(fields).containsEntry("own-iso", "800");
        MockHttpServletRequestBuilder save = post(action);
        fields.put("own-iso", "");
        fields.forEach(save::param);
        assertThat(ask(save).getStatus()).isEqualTo(302);
        assertThat(takes.of(outing).get(0).take().decision()).isEqualTo(Decision.NONE);
    }

    @Test
    void what_cannot_be_is_answered_beside_its_field() throws Exception {
        MockHttpServletResponse refused = keep(Map.of("bracket", "0 -9", "iso", "3200"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("each from \u22126 to +6", "value=\"0 -9\"", "value=\"3200\"");
        assertThat(usual.get()).isEqualTo(Decision.NONE);
        assertThat(keep(Map.of("slowestSeconds", "1/500000")).getStatus()).isEqualTo(422);
        assertThat(keep(Map.of("tolerancePx", "99")).getStatus()).isEqualTo(422);
    }

    /** Another window has kept something else meanwhile. */
    @Test
    void two_windows_do_not_overwrite_each_other() throws Exception {
        Map<String, String> first = PageFields.of(ask(get("/kit/usual")).getContentAsString(), "/kit/usual");
        keep(Map.of("iso", "1600"));
        first.put("iso", "6400");
        MockHttpServletRequestBuilder request = post("/kit/usual");
        first.forEach(request::param);
        MockHttpServletResponse refused = ask(request);
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString()).contains("1600");
        assertThat(usual.get().light().iso()).hasValue(1600);
    }
}
