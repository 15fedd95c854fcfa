package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.fireworks.Show;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.Take;
import java.io.ByteArrayInputStream;
import java.time.ZoneId;
import java.util.Locale;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** The page of a display, its photograph and its trainer. */
@PageTest
class FireworksPagesTest {

    @Autowired
    private MockMvc web;

    @Autowired
    private Places places;

    @Autowired
    private Takes takes;

    private long place() {
        return places.add(Place.at("Mole <east>", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon")))
                .id();
    }

    private MockHttpServletResponse ask(String query) throws Exception {
        return web.perform(get("/events/fireworks?" + query)).andReturn().getResponse();
    }

    private String page(String query) throws Exception {
        MockHttpServletResponse answer = ask("place=" + place() + "&" + query);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        return answer.getContentAsString();
    }

    /** A mark from which shells are fired is where the display is. */
    @Test
    void it_begins_with_the_firing_point_of_the_place() throws Exception {
        long id = place();
        places.addMark(id, new Mark("Firing pontoon", 248, 640, 2, 14, -3));
        String page = ask("place=" + id).getContentAsString();
        assertThat(page)
                .contains("Fireworks from <span>Mole &lt;east&gt;")
                .contains("firing point 640 m off towards 248\u00b0 WSW")
                .contains("the usual clear distance for 150 mm is 126 m")
                .contains("Longest lens that holds all:")
                .contains("organiser's cordon and local rules decide")
                .contains("A launch is heard 1.9 s after it is seen");
    }

    @ParameterizedTest
    @CsvSource({"125, true", "126, false", "640, false"})
    void the_caution_appears_inside_the_clear_distance(int distance, boolean near) throws Exception {
        String page = page("distance=" + distance + "&bearing=90&shell=150");
        assertThat(page.contains("You would stand inside the usual clear distance"))
                .isEqualTo(near);
        assertThat(page).contains("126 m");
    }

    @Test
    void far_away_one_opens_on_the_flash() throws Exception {
        assertThat(page("distance=2000&bearing=90")).contains("Open on the flash, not on the boom");
        assertThat(page("distance=300&bearing=90")).contains("The boom still serves");
    }

    @Test
    void smoke_goes_with_the_wind_that_is_typed() throws Exception {
        assertThat(page("distance=600&bearing=270&wind=4&windFrom=180")).contains("Smoke drifts to the right");
        assertThat(page("distance=600&bearing=270&wind=4&windFrom=270")).contains("Smoke drifts towards you");
        assertThat(page("distance=600&bearing=270&wind=0.2&windFrom=180")).contains("Smoke hangs where it is");
    }

    @Test
    void a_second_point_must_fit_as_well() throws Exception {
        String one = page("distance=600&bearing=90&focal=20&rig=1");
        String two = page("distance=600&bearing=90&distance2=600&bearing2=170&focal=20&rig=1");
        assertThat(two).contains("cut by");
        assertThat(two).isNotEqualTo(one);
    }

    /** Beside the field, with what is allowed, and what was typed stays. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "distance | 0 | 0 is outside what is allowed: 20 to 20000 m",
                "shell | 5000 | 5000 is outside what is allowed: 50 to 400 mm",
                "celsius | -300 | -300 is outside what is allowed",
                "shutter | 0 | 0 is outside what is allowed: 0.5 to 60 s",
                "bearing | 400 | 400 is outside what is allowed",
                "tripod | 9 | 9 is outside what is allowed: 0.1 to 5 m",
                "length | 500 | 500 is outside what is allowed: 1 to 120 min",
                "iso | 5 | 5 is outside what is allowed",
                "show | circus | Choose one of the list",
                "distance2 | 300 | Enter the"
            })
    void bad_input_is_answered_beside_its_field(String field, String typed, String said) throws Exception {
        MockHttpServletResponse refused = ask("place=" + place() + (field.equals("distance") ? "" : "&distance=600")
                + (field.equals("bearing") ? "" : "&bearing=90") + "&" + field + "=" + typed);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(said);
        if (!field.equals("show")) {
            assertThat(refused.getContentAsString()).contains("value=\"" + typed + "\"");
        }
    }

    @Test
    void the_photograph_is_a_picture_and_refuses_what_the_page_refuses() throws Exception {
        MockHttpServletResponse shot = web.perform(
                        get("/events/fireworks/photograph.jpg?distance=600&bearing=90&place=" + place()))
                .andReturn()
                .getResponse();
        assertThat(ImageIO.read(new ByteArrayInputStream(shot.getContentAsByteArray()))
                        .getWidth())
                .isEqualTo(780);
        assertThat(web.perform(get("/events/fireworks/photograph.jpg?distance=0&bearing=90&place=" + place()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(422);
    }

    private String score(String presses) throws Exception {
        MockHttpServletResponse answer = web.perform(post("/events/fireworks/score")
                        .param("show", "town")
                        .param("seed", "20")
                        .param("presses", presses))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).isEqualTo(200);
        return answer.getContentAsString();
    }

    @Test
    void a_round_is_scored() throws Exception {
        Trainer round = Trainer.of(Show.TOWN, 8, 20);
        String perfect = round.launches().stream()
                .map(l -> String.format(Locale.ROOT, "%.3f,%.3f", l.fires(), l.fades()))
                .collect(Collectors.joining(";"));
        long whole =
                round
                        .score(round.launches().stream()
                                .map(l -> new Trainer.Press(l.fires(), l.fades()))
                                .toList())
                        .stream()
                        .filter(s -> s.verdict() == Trainer.Verdict.WHOLE)
                        .count();
        assertThat(whole).isGreaterThan(4);
        assertThat(score(perfect)).contains("last round: " + whole + " of 8 whole");
        Trainer.Launch first = round.launches().get(0);
        assertThat(score(String.format(Locale.ROOT, "%.3f,%.3f", first.breaks(), first.fades())))
                .contains("opened late: the climb is missing");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", ";;;", "a,b", "5,1", "1e99,2e99", "-3,4", "<b>,1"})
    void presses_that_are_none_are_no_harm(String presses) throws Exception {
        assertThat(score(presses))
                .contains("0 of 8 whole")
                .contains("not taken")
                .doesNotContain("<b>");
    }

    @Test
    void a_display_becomes_a_take() throws Exception {
        MockHttpServletResponse made = web.perform(post("/outings")
                        .param("title", "Fireworks")
                        .param("place", "" + place())
                        .param("night", "2027-08-14")
                        .param("subject", "fireworks")
                        .param("name", "Display")
                        .param("wish", "fixed")
                        .param("from", "22:30")
                        .param("rig", "1")
                        .param("focal", "20")
                        .param("aperture", "11")
                        .param("azimuth", "248")
                        .param("altitude", "11")
                        .param("minutes", "20")
                        .param("shutterSeconds", "3")
                        .param("iso", "200"))
                .andReturn()
                .getResponse();
        assertThat(made.getStatus()).isEqualTo(302);
        long outing = Long.parseLong(made.getRedirectedUrl().replaceAll("\\D+", ""));
        Take take = takes.of(outing).get(0).take();
        assertThat(take.subject()).isEqualTo(new Fireworks(20, 3, 200, 90));
        assertThat(take.aim().orElseThrow().azimuthDeg()).isEqualTo(248);
        String sheet = web.perform(get("/outings/" + outing + "/sheet"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(sheet)
                .contains("22:30")
                .contains("never go to a shell that did not burst")
                .contains("ear plugs");
    }
}
