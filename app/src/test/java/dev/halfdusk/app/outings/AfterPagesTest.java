package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** After a test frame: what to turn for this subject, from what was really set, and the take planned so. */
class AfterPagesTest extends StoringTest {

    private long outing;

    @BeforeEach
    void outing() {
        Place place = made.coast("Coast");
        outing = made.outing("After", place, "2027-06-04").id();
    }

    private String add(String subject) {
        Subject usual = Subjects.of(subject).orElseThrow().usual();
        var rig = kit.rigs().get("moon".equals(subject) ? 3 : 0);
        long take = takes.add(outing, Take.of(subject, usual, Takes.camera(rig)), rig.id());
        return "/outings/" + outing + "/takes/" + take + "/after";
    }

    private MockHttpServletResponse ask(MockHttpServletRequestBuilder request, Map<String, String> fields)
            throws Exception {
        fields.forEach(request::param);
        return web.perform(request).andReturn().getResponse();
    }

    static Stream<String> subjects() {
        return Subjects.ALL.stream().map(Subject.Kind::key);
    }

    @ParameterizedTest
    @MethodSource("subjects")
    void every_subject_has_an_answer(String subject) throws Exception {
        String path = add(subject);
        for (String seen : new String[] {"too-dark", "streaks", "soft", "framing", "meter-fooled"}) {
            MockHttpServletResponse page = ask(get(path), Map.of("seen", seen));
            assertThat(page.getStatus()).isEqualTo(200);
            assertThat(page.getContentAsString()).contains("Turn this first").contains("the likeliest first");
        }
    }

    /** Two stops too bright at f/5.6, ISO 100: f/11, and the shutter is left to how much of a burst is wanted. */
    @Test
    void fireworks_turn_the_aperture_and_are_planned_so() throws Exception {
        String path = add("fireworks");
        Map<String, String> seen = Map.of(
                "seen", "too-bright", "offStops", "2", "shotSeconds", "5", "shotAperture", "5.6", "shotIso", "100");
        assertThat(ask(get(path), seen).getContentAsString())
                .contains(">Aperture f/11<")
                .doesNotContain("Shutter ");
        assertThat(ask(post(path), seen).getStatus()).isEqualTo(302);
        Take kept = takes.of(outing).get(0).take();
        assertThat(kept.asked().aperture()).isEqualTo(11);
        assertThat(((Fireworks) kept.subject()).shutterSeconds()).isEqualTo(5);
        ask(post("/outings/" + outing + "/takes/undo"), Map.of());
        assertThat(takes.of(outing).get(0).take().asked().aperture()).isNotEqualTo(5.6);
    }

    /** The rig is changed in another tab: what the button said is no longer what would be kept. */
    @Test
    void what_the_button_said_is_kept_or_nothing() throws Exception {
        String path = add("fireworks");
        Map<String, String> seen = Map.of(
                "seen", "too-bright", "offStops", "2", "shotSeconds", "5", "shotAperture", "5.6", "shotIso", "100");
        Map<String, String> said = new HashMap<>(seen);
        said.put("said", "5 s, f/8, ISO 100");
        Take before = takes.of(outing).get(0).take();
        MockHttpServletResponse refused = ask(post(path), said);
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString())
                .contains("changed meanwhile", "name=\"said\" value=\"5 s, f/11, ISO 100\"");
        assertThat(takes.of(outing).get(0).take()).isEqualTo(before);
        said.put("said", "5 s, f/11, ISO 100");
        assertThat(ask(post(path), said).getStatus()).isEqualTo(302);
        assertThat(takes.of(outing).get(0).take().asked().aperture()).isEqualTo(11);
    }

    /** A moon a stop too dark at 1/250 s: 1/125 s, and a trail ISO first. What is kept is a decision on the take. */
    @Test
    void other_subjects_keep_it_as_a_decision() throws Exception {
        String moon = add("moon");
        Map<String, String> seen = Map.of(
                "seen", "too-dark", "offStops", "1", "shotSeconds", "1/250", "shotAperture", "8", "shotIso", "100");
        assertThat(ask(get(moon), seen).getContentAsString()).contains(">Shutter 1/125 s<");
        ask(post(moon), seen);
        Take kept = takes.of(outing).get(0).take();
        assertThat(kept.decision().light().shutterSeconds().orElseThrow()).isBetween(0.0077, 0.0081);
        assertThat(kept.asked().aperture()).isEqualTo(8);
        String trails = add("trails");
        assertThat(ask(get(trails), Map.of("seen", "too-dark", "shotIso", "400", "shotSeconds", "30"))
                        .getContentAsString())
                .contains(">ISO 800<");
    }

    @Test
    void what_cannot_be_is_answered_beside_its_field() throws Exception {
        String path = add("stack");
        Map<String, String> wrong = Map.of("seen", "too-dark", "shotSeconds", "1/0", "offStops", "40");
        MockHttpServletResponse page = ask(get(path), wrong);
        assertThat(page.getStatus()).isEqualTo(422);
        assertThat(page.getContentAsString()).contains("value=\"1/0\"").contains("\u221210 to 10");
        assertThat(ask(post(path), wrong).getStatus()).isEqualTo(422);
        assertThat(ask(get(path), Map.of("seen", "nothing")).getStatus()).isEqualTo(422);
        assertThat(takes.of(outing).get(0).take().decision().fixes()).isFalse();
    }
}
