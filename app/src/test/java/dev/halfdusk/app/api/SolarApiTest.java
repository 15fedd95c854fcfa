package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.closeTo;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.lessThan;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.PageTest;
import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record SolarApiTest(MockMvc web) {

    private static final String SIXTY = "?from=2000-01-02T00:00:00Z&to=2059-12-30T00:00:00Z";

    @Test
    void sixty_years_of_the_whole_earth() throws Exception {
        web.perform(get("/api/eclipses/solar" + SIXTY))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$", hasSize(135)))
                .andExpect(jsonPath("$[0].c1").doesNotExist())
                .andExpect(jsonPath("$[0].gamma").isNumber());
    }

    /** The Nile, by an independent ephemeris: 10:02:07.8 to 10:08:28.5, the sun 81.8° high. */
    @Test
    void contacts_at_a_site() throws Exception {
        web.perform(get("/api/eclipses/solar?from=2027-08-01T00:00:00Z&to=2027-08-03T00:00:00Z"
                        + "&lat=25.69&lon=32.64&elevation=80"))
                .andExpect(jsonPath("$", hasSize(1)))
                .andExpect(jsonPath("$[0].type").value("total"))
                .andExpect(jsonPath("$[0].c2", startsWith("2027-08-02T10:02:0")))
                .andExpect(jsonPath("$[0].c3", startsWith("2027-08-02T10:08:2")))
                .andExpect(jsonPath("$[0].magnitude", closeTo(1.0356, 0.0005)))
                .andExpect(jsonPath("$[0].sunAltitudeDeg", closeTo(81.77, 0.01)))
                .andExpect(jsonPath("$[0].belowHorizon", hasSize(0)));
    }

    /** Where the sun is down the contacts are given and named; off the path there are no inner ones. */
    @Test
    void contacts_below_the_horizon_are_marked() throws Exception {
        web.perform(get("/api/eclipses/solar?from=2027-08-01T00:00:00Z&to=2027-08-03T00:00:00Z&lat=-45&lon=170"))
                .andExpect(jsonPath("$[0].type").value("partial"))
                .andExpect(jsonPath("$[0].c2").doesNotExist())
                .andExpect(jsonPath("$[0].belowHorizon", hasItem("max")));
    }

    /** Seen most at the maximum where the sun is up then; at its setting where that comes first; nowhere where it is down throughout. */
    @Test
    void most_is_seen_while_the_sun_is_up() throws Exception {
        String day = "/api/eclipses/solar?from=2027-08-01T00:00:00Z&to=2027-08-03T00:00:00Z&lat=";
        web.perform(get(day + "25.69&lon=32.64")).andExpect(jsonPath("$[0].seenMax", startsWith("2027-08-02T10:05:1")));
        // Terengganu: the sun sets about 11:20 UTC, a quarter of an hour before the maximum
        web.perform(get(day + "5.4&lon=104"))
                .andExpect(jsonPath("$[0].belowHorizon", hasItem("max")))
                .andExpect(jsonPath("$[0].max", startsWith("2027-08-02T11:3")))
                .andExpect(jsonPath("$[0].seenMax", startsWith("2027-08-02T11:2")))
                .andExpect(jsonPath("$[0].seenMagnitude").value(lessThan(new BigDecimal("0.36")), BigDecimal.class))
                .andExpect(jsonPath("$[0].magnitude").value(greaterThan(new BigDecimal("0.38")), BigDecimal.class));
        web.perform(get(day + "-45&lon=170"))
                .andExpect(jsonPath("$[0].belowHorizon", hasItem("max")))
                .andExpect(jsonPath("$[0].seenMax").doesNotExist());
    }

    @Test
    void the_path_keeps_to_its_minutes() throws Exception {
        String body = web.perform(get("/api/eclipses/solar/path?date=2027-08-02&stepMinutes=20"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$[0].widthKm").isNumber())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(body)
                .contains("2027-08-02T10:00:00.000Z", "2027-08-02T10:20:00.000Z")
                .doesNotContain("T10:10:00");
        web.perform(get("/api/eclipses/solar/path?date=2029-01-14")).andExpect(jsonPath("$", hasSize(0)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "solar?from=2027-08-03T00:00:00Z&to=2027-08-01T00:00:00Z",
                "solar?from=2027-08-01T00:00:00Z&to=2027-08-03T00:00:00Z&lat=25",
                "solar?from=2027-08-01T00:00:00Z&to=2027-08-03T00:00:00Z&lat=95&lon=3",
                "solar?from=x&to=y",
                "solar/path?date=2027-08-03",
                "solar/path?date=1999-08-11",
                "solar/path?date=2027-08-02&stepMinutes=0",
                "solar/path?date=2027-08-02&stepMinutes=61",
                "solar/path"
            })
    void what_cannot_be_is_refused(String query) throws Exception {
        web.perform(get("/api/eclipses/" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"));
    }
}
