package dev.halfdusk.app.sequences;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.core.ground.Mark;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SequencePagesTest extends StoringTest {

    private String base;

    @BeforeEach
    void place() {
        long id = made.coast("Coast", new Mark("Stack <1>", 10, 200, 40, 20, 0)).id();
        base = "/sequences?rig=1&place=" + id;
    }

    /** The address of a way out, as a browser reads it. */
    private static String way(String page, String words) {
        Matcher m = Pattern.compile("href=\"(/sequences\\?[^\"]*)\">" + words).matcher(page);
        assertThat(m.find()).as("a way out: %s", words).isTrue();
        return m.group(1).replace("&amp;", "&");
    }

    @Test
    void it_opens_on_circles_in_the_dark_that_fit() throws Exception {
        String page = Ask.ok(web, base + "&night=2028-05-24");
        assertThat(page).contains("Arcs of 15.0\u00b0", "Circles close round the pole", "It fits the night");
        assertThat(page).contains("121 taken (5 of them dark), none lost");
        assertThat(page).contains("0:00:31").contains("class=\"trail\"").contains("Stack &lt;1&gt;");
    }

    /** Moonrise on 28 May 2027 is at 01:53 here: two hours from 00:25 run into it, and both ways lead out. */
    @Test
    void moonrise_is_said_and_ways_out_are_one_click_away() throws Exception {
        String page = Ask.ok(web, base + "&night=2027-05-27&want=frames&frames=240&minute=745");
        assertThat(page).contains("Moonrise 01:5").contains("the stack turns grey");
        for (String way : List.of("begin 3\\d min earlier", "stop at 1\\d\\d frames")) {
            assertThat(Ask.ok(web, way(page, way))).doesNotContain("the stack turns grey");
        }
    }

    /** Five minutes at ISO 6400 and f/1.8 are white under any sky: that does not fit, shorter frames do. */
    @Test
    void frames_that_burn_do_not_fit() throws Exception {
        String page = Ask.ok(web, base + "&night=2028-05-24&want=arc&arc=15&exposure=300&iso=6400&aperture=1.8");
        assertThat(page)
                .contains("The sky burns to white: at ISO 6400 and 300 s", "none: the sky is white")
                .doesNotContain("It fits the night");
        String shorter = Ask.ok(web, way(page, "frames of \\d+ s"));
        assertThat(shorter).doesNotContain("burns to white").contains("faintest trail");
    }

    @ParameterizedTest
    @CsvSource({
        "frames=0&want=frames, 1 to 20000",
        "frames=100000&want=frames, 1 to 20000",
        "frames=-3&want=frames, 1 to 20000",
        "exposure=0, 1/10000 to 14400",
        "exposure=x, number",
        "pause=-1, 0 to 3600",
        "arc=361, 0.01 to 360",
        "arc=300&exposure=0.1&pause=0, too many frames",
        "want=until&until=21:00&minute=800, later than the first closing",
        "want=until&until=late, hours and minutes",
        "kind=lapse&interval=5&exposure=6, longer than the exposure",
        "kind=lapse&clip=0, 0.5 to 600",
        "kind=film, one of the list",
        "format=film, one of the list",
        "batteries=0, 1 to 20",
        "celsius=99, 55",
        "print=1, 5 to 500",
        "iso=1, 25 to",
        "leave=soon, hours and minutes"
    })
    void what_cannot_be_is_answered_beside_the_field(String query, String answer) throws Exception {
        assertThat(Ask.refused(web, base + "&night=2027-06-04&" + query)).contains(answer);
    }

    @Test
    void a_window_by_daylight_says_when_it_is_dark() throws Exception {
        assertThat(Ask.ok(web, base + "&night=2027-06-04&minute=240"))
                .contains("It is not dark then: dark sky lasts from");
    }

    @Test
    void noise_reduction_and_a_slow_card_lose_frames_and_say_so() throws Exception {
        String reduced = Ask.ok(web, base + "&night=2027-06-04&reduction=on");
        assertThat(reduced).contains("Noise reduction takes a dark frame after each", "switch it off");
        assertThat(reduced).contains("the body is busy");
        assertThat(Ask.ok(web, way(reduced, "switch it off")))
                .doesNotContain("Noise reduction takes")
                .contains("none lost");
        String fast = base + "&night=2027-06-04&want=frames&frames=100&exposure=0.5&pause=0.2&darks=0";
        assertThat(Ask.ok(web, fast)).contains("100 taken, none lost");
        assertThat(Ask.ok(web, fast + "&slow=on")).contains("lost").contains("with the card as it is");
    }

    @Test
    void a_clip_follows_the_light_of_dusk() throws Exception {
        String page = Ask.ok(web, base + "&night=2027-06-04&kind=lapse&ramp=on&clip=30");
        assertThat(page)
                .contains("become 30.0 s of clip", "Settings by the light", "1/500", "the timer only presses")
                .doesNotContain("Set the body to bulb");
        assertThat(page).doesNotContain("Dusk lights");
        String stack = Ask.ok(web, base + "&night=2027-06-04&kind=stack&aim=core");
        assertThat(stack).contains("align the sky").contains("dither");
    }

    @Test
    void the_program_is_written_as_text_csv_and_json() throws Exception {
        String query =
                base.substring("/sequences".length()) + "&night=2027-06-04&want=frames&frames=3&minute=700&iso=800";
        assertThat(Ask.ok(web, "/sequences/program.txt" + query))
                .startsWith("star trails\n23:40:00  3 \u00d7 30 s, pause 1 s, f/1.8, ISO 800, raw: star trails\n");
        String csv = Ask.ok(web, "/sequences/program.csv" + query);
        assertThat(csv.lines()).hasSize(1 + 3 + 5);
        assertThat(csv).contains("\r\n2,2027-06-04T22:40:31.000Z,30,30,1.8,800,raw,star trails\r\n");
        JsonNode json = new ObjectMapper().readTree(Ask.ok(web, "/sequences/program.json" + query));
        assertThat(json.path("frames").asInt()).isEqualTo(8);
        assertThat(json.path("steps").get(1).path("what").asText()).contains("cap on");
        assertThat(json.path("ends").asText()).isEqualTo("2027-06-04T22:45:06Z");
        web.perform(get("/sequences/program.csv" + query))
                .andExpect(header().string("Content-Disposition", containsString("half-dusk-program.csv")));
        web.perform(get("/sequences/program.csv" + query + "&pause=-1")).andExpect(status().isUnprocessableEntity());
        web.perform(get("/sequences/program.exe" + query)).andExpect(status().isNotFound());
    }

    @Test
    void the_timers_card_stands_alone() throws Exception {
        String page = Ask.ok(
                web, "/sequences/timer" + base.substring("/sequences".length()) + "&night=2027-06-04&minute=700");
        assertThat(page).contains("First opening", "23:40", "from opening to opening", "0:00:31");
        web.perform(get("/sequences/timer" + base.substring("/sequences".length()) + "&pause=-1"))
                .andExpect(status().isUnprocessableEntity());
    }

    @ParameterizedTest
    @CsvSource({"-90,0,UTC", "90,0,UTC", "69.65,18.96,Europe/Oslo", "-43.9,170.4,Pacific/Auckland", "0,180,Pacific/Fiji"
    })
    void every_place_on_earth_has_trails(double latitude, double longitude, String zone) throws Exception {
        long id = made.place("Far", latitude, longitude, 0, zone).id();
        for (String night : new String[] {"2027-06-21", "2027-12-21"}) {
            for (String kind : new String[] {"trails", "lapse&ramp=on", "stack"}) {
                Ask.ok(web, "/sequences?rig=1&place=" + id + "&night=" + night + "&kind=" + kind);
            }
        }
    }

    /** An hour and two minutes from the first one o'clock end two minutes past the second. */
    @Test
    void the_hour_that_comes_twice() throws Exception {
        String page = Ask.ok(web, base + "&night=2027-10-30&want=frames&frames=120&minute=780&darks=0");
        assertThat(page).contains("from 01:00 until 01:02");
    }
}
