package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.CautionWords;
import dev.halfdusk.core.ground.Mark;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.MockMvc;

/** The page of an eclipse of the sun. */
@PageTest
record SunPagesTest(MockMvc web, Places places, Made made) {

    private static final String NEVER = "Never look at the sun through optics or with bare eyes";

    private long place(double latitude, double longitude, String zone) {
        return made.place("Sun <place>", latitude, longitude, 80, zone).id();
    }

    private String body(String query) throws Exception {
        return Ask.ok(web, "/events/sun?" + query);
    }

    /** The Nile by an independent ephemeris: C1 08:40:17, C2 10:02:08, C3 10:08:28, C4 11:26:35, two hours before local time in summer there. */
    @Test
    void contacts_are_those_of_the_place() throws Exception {
        String page = body("date=2027-08-02&place=" + place(25.69, 32.64, "UTC"));
        assertThat(page)
                .contains("Total eclipse of the sun at Sun &lt;place&gt;", "08:40:17 UTC", "10:02:0", "10:08:2")
                .contains("11:26:3", "total for 6 min 21 s", "The filter stays on until totality has begun")
                .contains("The central line passes")
                .contains(NEVER);
    }

    /** Off the path and in an annular eclipse the filter never comes off, and nothing says that it does. */
    @ParameterizedTest
    @CsvSource({"2027-08-02, 38.7, -9.1, partial", "2028-01-26, -3.1, -60, annular"})
    void outside_of_totality_the_filter_never_comes_off(String date, double latitude, double longitude, String type)
            throws Exception {
        String page = body("date=" + date + "&place=" + place(latitude, longitude, "UTC"));
        assertThat(page)
                .contains("The filter never comes off: this eclipse is " + type + " here.")
                .doesNotContain("until totality has begun")
                .contains(NEVER);
    }

    @Test
    void what_is_not_seen_is_said_and_the_warning_stays() throws Exception {
        long far = place(-80, 60, "UTC");
        assertThat(body("date=2027-08-02&place=" + far))
                .contains("Nothing of the eclipse of")
                .contains(NEVER);
        for (String none : List.of("2027-08-03", "x", "1999-08-11", "2070-01-01")) {
            assertThat(body("date=" + none + "&place=" + far))
                    .contains("No eclipse of the sun then")
                    .contains(NEVER);
        }
        web.perform(get("/events/sun?place=999999")).andExpect(status().isNotFound());
    }

    /** In the same words wherever the sun is looked for, planned or rehearsed. */
    @Test
    void every_page_of_the_sun_says_never_to_look_at_it() throws Exception {
        long here = place(36.0104, -5.612, "Europe/Madrid");
        places.addMark(here, new Mark("Tower", 100, 900, 30, 8, 0));
        long mark = places.marks(here).get(0).id();
        String plan = Ask.to(web, post("/events/plans?place=" + here + "&date=2027-08-02"));
        for (String path : List.of(
                "/events?place=" + here,
                "/events/sun?place=" + here,
                "/places/" + here + "/marks/" + mark + "?body=sun",
                "/places/" + here + "/marks/" + mark + "/stand?body=sun",
                plan,
                plan + "/day",
                plan + "/sheet",
                plan + "/plan.html",
                plan + "/plan.txt",
                plan + "/rehearsal")) {
            assertThat(Ask.ok(web, path)).as(path).contains(CautionWords.SUN);
        }
    }

    /** On the map the place lies in the middle, the central line passes it at the distance that is said. */
    @Test
    void the_map_holds_place_line_and_limits() throws Exception {
        long id = place(25.5, 33.2, "UTC"); // on the line
        String page = body("date=2027-08-02&zoom=16&place=" + id);
        assertThat(page).contains("cx=\"450.0\" cy=\"230.0\" r=\"5\"");
        Matcher line = Pattern.compile("class=\"central\" d=\"([^\"]*)\"").matcher(page);
        assertThat(line.find()).isTrue();
        double nearest = Double.MAX_VALUE;
        String[] points = line.group(1).substring(1).split("[ML]");
        for (int i = 1; i < points.length; i++) {
            String[] a = points[i - 1].split(",");
            String[] b = points[i].split(",");
            for (double t = 0; t <= 1; t += 0.05) {
                double x = Double.parseDouble(a[0]) + t * (Double.parseDouble(b[0]) - Double.parseDouble(a[0]));
                double y = Double.parseDouble(a[1]) + t * (Double.parseDouble(b[1]) - Double.parseDouble(a[1]));
                nearest = Math.min(nearest, Math.hypot(x - 450, y - 230));
            }
        }
        assertThat(nearest).isLessThan(4); // 40 pixels a degree
        assertThat(page.split("class=\"limit\"")).hasSize(3);
        String world = body("date=2027-08-02&zoom=1&place=" + id);
        // without the places that other tests have stored
        assertThat(world.replaceAll("(?s)<option.*?</option>|<tr>.*?</tr>|<circle[^>]*>", "")
                        .length())
                .isLessThan(250_000);
        body("date=2027-08-02&zoom=frogs&place=" + id);
    }

    @ParameterizedTest
    @CsvSource({"90, 0", "-90, 0", "0, 180", "69.6, 18.9", "-18, -179.9"})
    void every_place_on_earth_has_its_page(double latitude, double longitude) throws Exception {
        long id = place(latitude, longitude, "UTC");
        body("place=" + id);
        for (String date : List.of("2026-08-12", "2027-02-06", "2028-07-22", "2029-01-14")) {
            body("date=" + date + "&zoom=1&place=" + id);
            body("date=" + date + "&zoom=60&place=" + id);
        }
    }
}
