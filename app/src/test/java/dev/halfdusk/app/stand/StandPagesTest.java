package dev.halfdusk.app.stand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.exchange.Spot;
import dev.halfdusk.app.exchange.SpotFiles;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

class StandPagesTest extends StoringTest {

    @Autowired
    private SpotFiles files;

    private String path;

    @BeforeEach
    void mark() {
        long id = made.coast("Cove", new Mark("Tower & co", 100, 900, 40, 8, 0)).id();
        path = "/places/" + id + "/marks/" + places.marks(id).get(0).id();
    }

    private String body(String query) throws Exception {
        return Ask.ok(web, path + query);
    }

    @Test
    void the_next_full_moon_evening_is_shown_first() throws Exception {
        String page = body("/stand");
        assertThat(page).contains("18 Jun").contains("100 % lit").contains("it stands on the top");
        assertThat(body("/stand?body=core")).contains("the <span>core</span>");
        assertThat(body("/stand?body=sun")).contains("Never look at the sun");
    }

    /** One of the listed evenings wins over the date that is still typed, and the page then holds it. */
    @Test
    void a_full_moon_of_the_list_can_be_chosen() throws Exception {
        String first = body("/stand");
        assertThat(first.split("name=\"evening\"", -1)).hasSizeBetween(13, 30);
        assertThat(first).contains("sunset, ").contains("on average");
        String last = first.substring(first.lastIndexOf("name=\"evening\" value=\"") + 22)
                .substring(0, 16);
        String chosen = body("/stand?evening=" + last + "&date=2027-06-18&time=10:00&shift=40&body=moon");
        assertThat(chosen)
                .contains("name=\"date\" type=\"date\" value=\"" + last.substring(0, 10) + "\"")
                .contains("name=\"time\" type=\"time\" value=\"" + last.substring(11) + "\"", "aria-current=\"true\"");
        assertThat(body("/stand?body=core")).doesNotContain("name=\"evening\"");
        // every change asks the same path: an address that htmx takes from the page itself would grow
        assertThat(first).contains("hx-get=\"" + path + "/stand\"");
    }

    @Test
    void a_body_that_is_down_is_said_to_be() throws Exception {
        assertThat(body("/stand?body=sun&date=2027-06-08&time=02:00")).contains("is down at that minute");
    }

    @Test
    void the_line_is_exported_as_waypoints_at_their_distances() throws Exception {
        String gpx = body("/stand.gpx?body=moon&date=2027-06-18&time=21:30&distance=1500");
        List<Spot> spots = files.read(gpx.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(spots).hasSizeGreaterThan(10);
        assertThat(spots.get(0).name()).isEqualTo("Tower & co, 1500 m");
        var tower = Geodesy.destination(37.6, -8.8, 100, 0.9);
        double km = Geodesy.distanceKm(
                tower.latitudeDeg(),
                tower.longitudeDeg(),
                spots.get(0).latitudeDeg(),
                spots.get(0).longitudeDeg());
        assertThat(km).isBetween(1.498, 1.502);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "body=krypton|something of the night sky",
                "date=2027-02-30|is not a date",
                "date=2027-06-18&time=late|such as 21:40",
                "part=0|0.1 to 50 moons",
                "foot=99999|9000 m",
                "distance=0|1 to 200000 m",
                "far=500|0 to 120",
                "shift=1000|90"
            })
    void odd_requests_are_answered(String query, String answer) throws Exception {
        String full = query.contains("date") ? query : query + "&date=2027-06-18&time=21:30";
        assertThat(Ask.refused(web, path + "/stand?" + full)).contains(answer);
        web.perform(get(path + "/stand.gpx?" + full)).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void a_body_that_never_passes_is_explained() throws Exception {
        assertThat(body("?body=core&aside=0.5")).contains("It never passes that bearing above the horizon");
        assertThat(body("?body=moon&aside=0.05&upTo=2.546&years=1")).contains("At that bearing it passes between");
        assertThat(body("?body=moon&years=1")).contains("over the top</td>");
        assertThat(Ask.refused(web, path + "?upTo=2")).contains("already 2.5\u00b0 high");
        web.perform(get(path + "9/stand")).andExpect(status().isNotFound());
    }
}
