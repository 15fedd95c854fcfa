package dev.halfdusk.app.nights;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.sky.Site;
import java.io.StringReader;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;

class BestNightsTest extends StoringTest {

    private long coast;
    private String query;

    @BeforeEach
    void places() {
        coast = places.add(Place.at("Coast, \"low\"", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon")))
                .id();
        long south = made.place("South", -30, 20, 900, "Africa/Johannesburg").id();
        query = "?place=" + coast + "&place=" + south + "&from=2027-01-01&years=1";
    }

    /** The answer once the search has ended, however slow the machine: the page asks again, and so does this. */
    private String found(String path) throws Exception {
        long until = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        MockHttpServletResponse response = web.perform(get(path)).andReturn().getResponse();
        while ((response.getStatus() == 202 || response.getContentAsString().contains("<progress"))
                && System.nanoTime() < until) {
            response = web.perform(get(path)).andReturn().getResponse();
        }
        assertThat(response.getStatus()).isEqualTo(200);
        return response.getContentAsString();
    }

    @Test
    void places_compete_and_wishes_narrow() throws Exception {
        String both = found("/nights/best" + query);
        assertThat(both).contains("South").contains("new moons, the best first").contains("nights</summary>");
        String narrow = found("/nights/best?place=" + coast
                + "&from=2027-01-01&years=1&weekday=friday&month=june&month=july&hours=2");
        assertThat(narrow)
                .contains("Fri")
                .doesNotContain(">Sat ")
                .contains("name=\"weekday\" class=\"w-5 h-5 accent-ember\" value=\"friday\" checked");
        assertThat(found("/nights/best?place=" + coast + "&altitude=60")).contains("What would have to give");
    }

    @Test
    void the_table_and_the_calendar_hold_every_find() throws Exception {
        String csv = found("/nights/best.csv" + query);
        long lines = csv.lines().count() - 1;
        assertThat(csv).startsWith("rank,place,night,score").contains("\"Coast, \"\"low\"\"\"");
        Calendar calendar = new CalendarBuilder().build(new StringReader(found("/nights/best.ics" + query)));
        assertThat(calendar.getComponents(VEvent.VEVENT)).hasSize((int) lines);
        VEvent first = (VEvent) calendar.getComponents(VEvent.VEVENT).get(0);
        assertThat(first.getSummary().getValue()).startsWith("Core at ");
        assertThat(first.getUid().orElseThrow().getValue())
                .matches("place-\\d+-night-2027-\\d\\d-\\d\\d@[0-9a-f]{20}\\.half-dusk");
        for (int i = 0; i < lines; i++) {
            String[] cells = csv.lines()
                    .skip(i + 1)
                    .findFirst()
                    .orElseThrow()
                    .replaceAll("\"[^\"]*(\"\"[^\"]*)*\"", "x")
                    .split(",");
            Instant from = Instant.parse(cells[4]);
            Instant to = Instant.parse(cells[5]);
            assertThat(Duration.between(from, to).toSeconds() / 3600.0)
                    .as("window and hours of one stretch")
                    .isCloseTo(Double.parseDouble(cells[6]), within(0.02));
            assertThat(to).isAfter(from);
            VEvent event = (VEvent) calendar.getComponents(VEvent.VEVENT).get(i);
            assertThat(Instant.from(event.getDateTimeStart().getDate())).isEqualTo(from);
            assertThat(Instant.from(event.getDateTimeEnd().getDate())).isEqualTo(to);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "years=11|1 to 10",
                "over=MARK&aside=0|0.05 to 90",
                "over=MARK&overTo=5|already 11.3\u00b0 high",
                "wanted=all|Choose something in the sky",
                "wanted=part&partAltitude=95|0 to 90\u00b0",
                "hours=30|0 to 24 h",
                "altitude=x|is not a number",
                "azimuthFrom=400|0 to 360",
                "moon=9|0 to 4 mag",
                "from=1850-01-01|2000-01-02 to 2059-12-29",
                "from=2059-06-01|2000\u20132059"
            })
    void bad_wishes_are_answered_and_kept(String change, String answer) throws Exception {
        places.addMark(coast, new Mark("Stack", 150, 200, 40, 10, 0));
        String mark = coast + "-" + places.marks(coast).get(0).id();
        String changed =
                query.replaceAll("&" + change.replaceAll("=.*", "=[^&]*"), "") + "&" + change.replace("MARK", mark);
        assertThat(Ask.refused(web, "/nights/best" + changed)).contains(answer);
        assertThat(Ask.refused(web, "/nights/best.csv" + changed)).contains(answer);
    }

    @Test
    void the_core_over_a_mark_limits_direction_and_height() throws Exception {
        places.addMark(coast, new Mark("Stack", 150, 200, 40, 10, 0));
        long mark = places.marks(coast).get(0).id();
        String page = found("/nights/best?over=" + coast + "-" + mark + "&aside=5&hours=0.5&from=2027-01-01");
        assertThat(page)
                .contains("Stack, from Coast")
                .doesNotContain(">South</span><details")
                .contains("with <span>the core in any direction");
        String csv =
                found("/nights/best.csv?over=" + coast + "-" + mark + "&aside=5&overTo=20&hours=0.3&from=2027-01-01");
        csv.lines().skip(1).forEach(line -> {
            String[] cells = line.split(",");
            assertThat(Double.parseDouble(cells[9])).isBetween(145.0, 155.0);
            assertThat(Double.parseDouble(cells[8])).isBetween(11.3, 20.1);
        });
        assertThat(csv.lines().count()).isGreaterThan(10);
        Ask.ok(web, "/nights/best?over=99999-99999");
        Ask.ok(web, "/nights/best?over=nonsense");
    }

    @Test
    void a_search_is_kept_and_found_again() throws Exception {
        web.perform(post("/nights/best/save").param("name", "Week\"ends").param("query", "years=1&weekday=friday"))
                .andExpect(redirectedUrl("/nights/best?years=1&weekday=friday"));
        String page = Ask.ok(web, "/nights/best");
        assertThat(page).contains("Week&quot;ends").contains("years=1&amp;weekday=friday");
        String id = page.replaceAll("(?s).*saved/(\\d+)/forget.*", "$1");
        web.perform(post("/nights/best/saved/" + id + "/forget")).andExpect(redirectedUrl("/nights/best"));
        assertThat(Ask.ok(web, "/nights/best")).doesNotContain("Week&quot;ends");
        web.perform(post("/nights/best/save").param("name", "")).andExpect(redirectedUrl("/nights/best"));
    }

    @Test
    void a_long_search_shows_progress_and_can_be_cancelled() throws Exception {
        StringBuilder many = new StringBuilder("?from=2027-01-01&years=10");
        for (int i = 0; i < 12; i++) {
            many.append("&place=").append(made.place("P" + i, i, i, 0, "UTC").id());
        }
        assertThat(Ask.ok(web, "/nights/best" + many)).contains("of <span>120</span></strong> years", "<progress");
        web.perform(get("/nights/best.csv" + many)).andExpect(status().isAccepted());
        assertThat(Ask.ok(web, post("/nights/best/cancel" + many))).contains("Search cancelled", "years=10");
    }

    @Test
    void odd_addresses_do_no_harm() throws Exception {
        assertThat(Ask.refused(web, "/nights/best?place=98765")).contains("at least one place");
        Ask.ok(web, "/nights/best?place=" + coast + "&stance=sitting&weekday=someday&month=smarch");
    }

    /** In the same winter the core's nights are none, and the page says when they begin. */
    @Test
    void in_winter_dark_nights_are_found_without_the_core() throws Exception {
        String address = "/nights/best?place=" + coast + "&from=2027-11-20&years=1&month=december";
        assertThat(found(address)).contains("No night fulfils all of this").contains("season begins here on");
        String dark = found(address + "&wanted=dark");
        assertThat(dark)
                .contains("Score: 50 for hours, 50 for darkness", "zenith 2")
                .doesNotContain("season begins", "core up to");
        assertThat(found(address + "&wanted=part&partAzimuth=180&partAltitude=30"))
                .contains("sky there 2");
        assertThat(found(address.replace("/best?", "/best.csv?") + "&wanted=dark"))
                .contains(",,,");
    }

    /** Hundreds of ticked boxes make a short address, and that address finds the same places. */
    @Test
    void hundreds_of_places_make_a_short_address() throws Exception {
        var request = post("/nights/best?from=2027-06-01&years=1&stance=");
        List<Long> ids = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            long id = made.place("Many " + i, i, i, 0, "UTC").id();
            ids.add(id);
            if (i != 7) {
                request.param("place", Long.toString(id));
            }
        }
        String address = Ask.to(web, request);
        assertThat(address)
                .isEqualTo("/nights/best?from=2027-06-01&years=1&place=" + ids.get(0) + "-" + ids.get(6) + "&place="
                        + ids.get(8) + "-" + ids.get(29));
        String page = Ask.ok(web, address);
        assertThat(page.split("<span>Many ", -1)).hasSize(31);
        assertThat(page.split("checked=\"checked\"><span>Many ", -1)).hasSize(30);
        web.perform(post("/nights/best?place=all&place=3")).andExpect(redirectedUrl("/nights/best?place=all"));
    }
}
