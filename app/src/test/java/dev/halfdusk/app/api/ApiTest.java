package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.closeTo;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.equalTo;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasItems;
import static org.hamcrest.Matchers.lessThan;
import static org.hamcrest.Matchers.nullValue;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record ApiTest(MockMvc web) {

    private static final String LONGEST = "/api/exposure/longest?focal=20&aperture=1.8&pitch=5.94";

    @Test
    void longest_shutter_by_every_rule() throws Exception {
        web.perform(get(LONGEST + "&sensorWidth=36&sensorHeight=24&declination=0"))
                .andExpect(status().isOk())
                .andExpect(jsonPath(
                        "$.rules[*].rule", hasItems("500", "200", "by-format", "npf-1", "npf-short", "drift-3")))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].seconds", hasItems(closeTo(5.69, 0.005))))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].dialSeconds", hasItems(5.0)))
                .andExpect(jsonPath("$.rules[?(@.rule=='drift-3')].seconds", hasItems(closeTo(12.22, 0.005))));
    }

    @Test
    void a_star_at_the_pole_has_no_limit() throws Exception {
        web.perform(get(LONGEST + "&declination=90"))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].seconds", hasItems(nullValue())))
                .andExpect(jsonPath("$.rules[?(@.rule=='npf-1')].dialSeconds", hasItems(30.0)));
    }

    private static final String PROPOSE =
            "/api/exposure/propose?lat=37.6&lon=-8.8&elevation=10&time=2027-06-09T00:10:00Z"
                    + "&azimuth=176&altitude=23&focal=20&aperture=1.8&sensorWidth=36&sensorHeight=24&pixelsAcross=7040&tolerancePx=3";

    @Test
    void electrons_of_a_sky() throws Exception {
        web.perform(get("/api/exposure/sky?mu=20&aperture=1.8&pitch=5.94&efficiency=0.45"))
                .andExpect(jsonPath("$.electronsPerSecond", closeTo(14.4, 0.05)));
        web.perform(get("/api/exposure/sky?mu=20&aperture=1.8&pitch=5.94&efficiency=2"))
                .andExpect(status().isBadRequest())
                .andExpect(jsonPath("$.allowed", containsString("0.01 to 1")));
    }

    /** Programs written before parameters said their units get the same answers; both names at once are one too many. */
    @ParameterizedTest
    @CsvSource({
        PROPOSE + "&darkness=3",
        "/api/alignments?body=core&lat=37.6&lon=-8.8&azimuth=176&altitude=23&from=2027-06-01T00:00:00Z",
        "/api/sequence/trails?exposure=30&pause=1&count=20&focal=20&pitch=6&declination=40",
        "/api/frame/stars?lat=37.6&lon=-8.8&elevation=9&time=2027-06-09T00:10:00Z&azimuth=176&altitude=23&focal=20"
    })
    void old_names_are_still_taken(String old) throws Exception {
        String now = old.replace("lat=", "latitudeDeg=")
                .replace("lon=", "longitudeDeg=")
                .replace("elevation=", "elevationM=")
                .replace("azimuth=", "azimuthDeg=")
                .replace("altitude=", old.contains("alignments") ? "airlessAltitudeDeg=" : "altitudeDeg=")
                .replace("exposure=", "shutterSeconds=");
        String answer = Ask.ok(web, now);
        assertThat(answer).hasSizeGreaterThan(20);
        web.perform(get(old)).andExpect(content().string(answer));
        if (now.contains("latitudeDeg")) {
            web.perform(get(now + "&lat=37.6"))
                    .andExpect(status().isBadRequest())
                    .andExpect(jsonPath("$.parameter", equalTo("lat")));
        }
    }

    @Test
    void a_proposal_with_its_reasons() throws Exception {
        web.perform(get(PROPOSE + "&darkness=3"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.shutterSeconds").value(closeTo(6.35, 0.01), Double.class))
                .andExpect(jsonPath("$.shutterLabel").value("6"))
                .andExpect(jsonPath("$.sharp").value("most"))
                .andExpect(jsonPath("$.judgedDriftPx").value(closeTo(2.9, 0.1), Double.class))
                .andExpect(jsonPath("$.frames").value(greaterThan(1)))
                .andExpect(jsonPath("$.histogramPeak").value(closeTo(0.18, 0.035), Double.class))
                .andExpect(jsonPath("$.skyMagnitude").value(closeTo(20.7, 0.4), Double.class))
                .andExpect(jsonPath("$.reasons.length()").value(org.hamcrest.Matchers.greaterThan(8)));
        web.perform(get(PROPOSE + "&darkness=21.5&sharp=all"))
                .andExpect(jsonPath("$.shutterSeconds").value(closeTo(5.04, 0.01), Double.class))
                .andExpect(jsonPath("$.worstDriftPx").value(closeTo(2.8, 0.15), Double.class));
        web.perform(get(PROPOSE.replace("09T00:10", "08T13:00") + "&darkness=3"))
                .andExpect(jsonPath("$.frames").value(nullValue()))
                .andExpect(jsonPath("$.shutterLabel").value("1/8000"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "darkness=0|1 to 9",
                "darkness=14|15 to 22.5",
                "darkness=3&sharp=none|sharp is not",
                "darkness=3&roll=4|roll is not known",
            })
    void bad_proposals_are_refused(String query, String words) throws Exception {
        web.perform(get(PROPOSE + "&" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(content().string(containsString(words)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "focal=0&aperture=1.8&pitch=5|2 to 2000 mm",
                "focal=20&aperture=0&pitch=5|0.7 to 192",
                "focal=20&aperture=2&pitch=NaN|0.5 to 20",
                "focal=20&aperture=2&pitch=5&declination=91|90",
                "focal=20&aperture=2&pitch=5&sensorWidth=-36|3 to 110 mm",
                "focal=twenty&aperture=2&pitch=5|is not a number",
                "aperture=2&pitch=5|focal is missing",
                "focal=20&aperture=2&pitch=5&declinaton=4|declinaton is not known"
            })
    void refusals_are_problems_that_say_what_is_allowed(String query, String words) throws Exception {
        web.perform(get("/api/exposure/longest?" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(jsonPath("$.detail", containsString(words)));
    }

    /** What a lens can be set to is drawn out by a converter at both ends, and refused by name beyond. */
    @ParameterizedTest
    @CsvSource({"1, 64, 65, 0.7 to 64", "2, 128, 129, 1.4 to 128", "2, 1.4, 1.3, 1.4 to 128", "3, 192, 2, 2.1 to 192"})
    void an_aperture_works_behind_its_converter(String converter, String can, String cannot, String allowed)
            throws Exception {
        String asked = PROPOSE + "&darkness=3&converter=" + converter;
        web.perform(get(asked.replace("aperture=1.8", "aperture=" + can))).andExpect(status().isOk());
        web.perform(get(asked.replace("aperture=1.8", "aperture=" + cannot)))
                .andExpect(status().isBadRequest())
                .andExpect(jsonPath("$.parameter").value("aperture"))
                .andExpect(jsonPath("$.allowed").value(allowed));
    }

    private static final String HERE = "&lat=-33.86&lon=151.21&elevation=20";

    @Test
    void a_position_is_geocentric_and_topocentric() throws Exception {
        web.perform(get("/api/position?body=moon&time=2029-02-14T03:18:10.4Z" + HERE))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.airlessAltitudeDeg", closeTo(60.31996, 2 / 3600.0)))
                .andExpect(jsonPath("$.altitudeDeg", closeTo(60.31996 + 0.0094, 0.0003)))
                .andExpect(jsonPath("$.azimuthDeg", closeTo(336.77258, 0.001)))
                .andExpect(jsonPath("$.semidiameterDeg", closeTo(0.25159, 1e-5)))
                .andExpect(jsonPath("$.utc").value("2029-02-14T03:18:10.400Z"))
                .andExpect(jsonPath("$.distanceAu").isNumber())
                .andExpect(jsonPath("$.illuminatedFraction").isNumber());
        web.perform(get("/api/position?body=core&time=2029-02-14T03:18:10Z"))
                .andExpect(jsonPath("$.declinationDeg", closeTo(-29.0, 0.1), Double.class))
                .andExpect(jsonPath("$.distanceAu").doesNotExist())
                .andExpect(jsonPath("$.altitudeDeg").doesNotExist());
        web.perform(get("/api/position?body=vega&time=2029-02-14T03:18:10Z" + HERE))
                .andExpect(status().isOk());
    }

    @Test
    void horizon_events_are_a_plain_list() throws Exception {
        web.perform(get("/api/horizon-events?lat=42.34&lon=-3.70&elevation=860&from=2026-08-11T12:14:48Z&hours=24"))
                .andExpect(jsonPath("$[?(@.event=='sun_down')].utc", hasItems(startsWith("2026-08-11T19:21:3"))))
                .andExpect(jsonPath("$[?(@.event=='astro_up')].azimuthDeg", hasItems(closeTo(48.415, 0.01))))
                .andExpect(jsonPath("$.length()").value(10));
        assertThat(Ask.ok(web, "/api/horizon-events?lat=90&lon=0&from=2027-06-21T12:00:00Z"))
                .contains("[");
    }

    @Test
    void phases_of_two_months() throws Exception {
        web.perform(get("/api/moon/phases?from=2026-01-01T00:00:00Z&to=2026-02-01T00:00:00Z"))
                .andExpect(jsonPath("$.length()").value(4))
                .andExpect(jsonPath("$[0].phase").value("full"))
                .andExpect(jsonPath("$[0].utc", startsWith("2026-01-03T10:02:5")))
                .andExpect(jsonPath("$[3].phase").value("first_quarter"));
    }

    @Test
    void one_night_with_its_windows() throws Exception {
        web.perform(get("/api/night?lat=37.6012&lon=-8.7921&elevation=31&date=2027-06-04&zone=Europe/Lisbon"))
                .andExpect(jsonPath("$.darkness").value("dark"))
                .andExpect(jsonPath("$.span.hours").value(24.0))
                .andExpect(jsonPath("$.coreInTheDark[0].hours", closeTo(5.0, 0.3)))
                .andExpect(jsonPath("$.coreBest.azimuthDeg", closeTo(180, 0.5)))
                .andExpect(jsonPath("$.coreBest.milkyWay.stance").value("leaning"));
        web.perform(get("/api/night?lat=69.65&lon=18.96&date=2027-06-21"))
                .andExpect(jsonPath("$.darkness").value("sun_stays_up"))
                .andExpect(jsonPath("$.zone").value("+01:00"))
                .andExpect(jsonPath("$.dark.length()").value(0));
    }

    @Test
    void the_best_nights_of_a_year_and_of_a_narrower_wish() throws Exception {
        String ledge = "/api/nights/search?lat=37.6012&lon=-8.7921&from=2027-01-01&to=2027-12-31";
        web.perform(get(ledge))
                .andExpect(jsonPath("$[0].score").isNumber())
                .andExpect(jsonPath("$[0].reasons.length()").value(3))
                .andExpect(jsonPath("$[0].window.from").isString());
        web.perform(get(ledge + "&weekday=friday,SATURDAY&month=june&stance=leaning&hours=2&limit=1"))
                .andExpect(jsonPath("$.length()").value(1))
                .andExpect(jsonPath("$[0].stance").value("leaning"));
        web.perform(get("/api/nights/search?lat=37.6&lon=-8.8")).andExpect(jsonPath("$[0].date", startsWith("202")));
    }

    @Test
    void alignments_of_the_moon() throws Exception {
        web.perform(
                        get(
                                "/api/alignments?body=moon&lat=37.6&lon=-8.79&azimuth=120&altitude=4&tolerance=1&from=2027-01-01T00:00:00Z&years=2"))
                .andExpect(jsonPath("$.length()", greaterThan(5)))
                .andExpect(jsonPath("$[0].separationDeg", lessThan(1.0)))
                .andExpect(jsonPath("$[0].light").isString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "position?body=pluto&time=2027-01-01T00:00:00Z|sun, moon",
                "position?body=moon&time=yesterday|2027-06-08T22:00:00Z",
                "position?body=moon&time=1850-01-01T00:00:00Z|2000\u20132059",
                "position?body=moon&time=2027-01-01T00:00:00Z&lat=5|longitudeDeg is missing",
                "position?body=moon&time=2027-01-01T00:00:00Z&lat=95&lon=0|parameter latitudeDeg (latitude) is 95",
                "horizon-events?lat=5&lon=5&from=2027-01-01T00:00:00Z&hours=1e9|8784",
                "horizon-events?lat=5&lon=5&from=2070-01-01T00:00:00Z|2000\u20132059",
                "moon/phases?from=2027-01-01T00:00:00Z&to=2026-01-01T00:00:00Z|before from",
                "night?lat=5&lon=5&date=2070-01-01|2000-01-02 to 2059-12-29",
                "night?lat=5&lon=5&date=2027-02-30|2027-06-08",
                "night?lat=5&lon=5&date=2027-02-03&zone=Nowhere|Europe/Lisbon",
                "night?lat=5&lon=5&date=2027-02-03&depression=90|6 to 30",
                "nights/search?lat=5&lon=5&from=2027-01-01&to=2047-01-01|not in reach",
                "nights/search?lat=5&lon=5&stance=sitting|lying, leaning, standing",
                "nights/search?lat=5&lon=5&zenithMagnitude=30|15 to 22.5",
                "alignments?body=moon&lat=5&lon=5&azimuth=400&altitude=4&from=2027-01-01T00:00:00Z|0 to 360",
                "alignments?body=moon&lat=5&lon=5&azimuth=40&altitude=4&from=2027-01-01T00:00:00Z&years=50|1 to 20",
                "alignments?body=moon&lat=5&lon=5&azimuth=40&altitude=4&from=2058-01-01T00:00:00Z&years=5|2000\u20132059"
            })
    void sky_refusals_are_problems_too(String query, String words) throws Exception {
        web.perform(get("/api/" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(jsonPath("$.detail", containsString(words)));
    }

    @Test
    void unknown_operations_are_problems_too() throws Exception {
        for (String path : new String[] {"/api", "/api/nothing", "/api/exposure", "/api/exposure/longest/x"}) {
            web.perform(get(path))
                    .andExpect(status().isNotFound())
                    .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON));
        }
        web.perform(post("/api/exposure/longest"))
                .andExpect(status().isMethodNotAllowed())
                .andExpect(header().string("Allow", "GET"))
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(jsonPath("$.detail", containsString("POST is not possible")));
        web.perform(post("/api/nothing")).andExpect(status().isNotFound());
        web.perform(get(LONGEST).accept("text/html"))
                .andExpect(status().isNotAcceptable())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON));
    }

    /** The same question twice: the second time nothing is sent. */
    @Test
    void who_has_an_answer_is_told_that_it_still_holds() throws Exception {
        String tag = web.perform(get(LONGEST)).andReturn().getResponse().getHeader("ETag");
        web.perform(get(LONGEST).header("If-None-Match", tag))
                .andExpect(status().isNotModified())
                .andExpect(content().string(""));
        web.perform(get(LONGEST + "&declination=40").header("If-None-Match", tag))
                .andExpect(status().isOk());
    }

    @Test
    void the_description_lists_the_operations() throws Exception {
        web.perform(get("/api/docs/openapi"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.info.title").value("Half Dusk"))
                .andExpect(
                        jsonPath("$.paths['/api/exposure/longest'].get.summary").exists());
        web.perform(get("/api/swagger-ui/index.html")).andExpect(status().isOk());
    }
}
