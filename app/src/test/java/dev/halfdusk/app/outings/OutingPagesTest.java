package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import jakarta.servlet.http.Cookie;
import java.time.Instant;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

@PageTest
record OutingPagesTest(MockMvc web, Outings outings, Takes takes) {

    private static MockHttpServletRequestBuilder filled(MockHttpServletRequestBuilder request, String... changes) {
        String[] usual = {
            "place",
            "new",
            "spot-name",
            "Low Reef",
            "spot-latitude",
            "37.6",
            "spot-longitude",
            "-8.8",
            "spot-elevation",
            "5",
            "spot-zone",
            "Europe/Lisbon",
            "night",
            "2027-06-08",
            "people",
            "1",
            "driveMinutes",
            "0",
            "walkMinutes",
            "0",
            "tolerancePx",
            "3",
            "title",
            ""
        };
        Map<String, String> values = new LinkedHashMap<>();
        Stream.of(usual, changes).forEach(list -> {
            for (int i = 0; i < list.length; i += 2) {
                values.put(list[i], list[i + 1]);
            }
        });
        values.forEach(request::param);
        return request;
    }

    /** Of towns that begin so, to start from; what is chosen fills the fields of another spot. */
    @Test
    void an_outing_starts_from_a_town() throws Exception {
        String found = Ask.ok(web, get("/outings/towns").param("town", "Odemi"));
        assertThat(found).contains("/outings/new?place=new").contains("Odemira").contains("spot-zone=Europe/Lisbon");
        String none = Ask.ok(web, get("/outings/towns").param("town", "Xyzzy<"));
        assertThat(none).contains("No town").doesNotContain("Xyzzy<");
        String form = Ask.ok(web, "/outings/new?place=new&spot-name=Odemira&spot-latitude=37.6&spot-longitude=-8.6");
        assertThat(form).contains("value=\"Odemira\"").contains("start from a town");
    }

    @Test
    void an_outing_is_stored_shown_changed_moved_deleted_and_brought_back() throws Exception {
        String path = Ask.to(web, filled(post("/outings"), "title", "Reef <b>&</b> core"));
        assertThat(Ask.ok(web, path))
                .contains("<title>Reef &lt;b&gt;&amp;&lt;/b&gt; core", ">Reef &lt;b&gt;&amp;&lt;/b&gt; core</h1>")
                .doesNotContain("<b>&")
                .contains("Tue 8 to Wed 9 June 2027");
        assertThat(Ask.ok(web, path + "/sheet")).contains("Darkness begins");
        assertThat(Ask.ok(web, path + "/edit")).contains("value=\"2027-06-08\"");

        long id = Long.parseLong(path.substring(path.lastIndexOf('/') + 1));
        String place = outings.find(id).orElseThrow().place().id().toString();
        web.perform(filled(post(path), "place", place, "people", "3", "turnBack", "03:40"))
                .andExpect(redirectedUrl(path));
        assertThat(outings.find(id).orElseThrow().terms().people()).isEqualTo(3);
        web.perform(filled(post(path), "place", place, "note", "Rope <b>&</b> \"torch\""));
        for (String page : List.of(path + "/sheet", path + "/edit")) {
            assertThat(Ask.ok(web, page))
                    .contains("Rope &lt;b&gt;&amp;&lt;/b&gt;")
                    .doesNotContain("Rope <b>");
        }
        web.perform(filled(post(path), "place", place, "people", "3", "turnBack", "03:40"));
        assertThat(outings.find(id).orElseThrow().terms().turnBack()).contains(LocalTime.of(3, 40));
        web.perform(post(path + "/night").param("night", "2027-07-04")).andExpect(redirectedUrl(path));
        assertThat(outings.find(id).orElseThrow().night()).hasToString("2027-07-04");

        web.perform(post(path + "/delete")).andExpect(redirectedUrl("/outings?deleted=" + id));
        web.perform(get(path)).andExpect(status().isNotFound());
        assertThat(Ask.ok(web, "/outings?deleted=" + id)).contains("Undo");
        web.perform(post(path + "/restore")).andExpect(redirectedUrl(path));
        web.perform(get(path)).andExpect(status().isOk());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "spot-latitude|95|\u221290 to 90\u00b0",
                "spot-latitude|north|is not a number",
                "spot-longitude|-181|\u2212180 to 180\u00b0",
                "spot-elevation||\u2212430 to 9000 m",
                "spot-zone|Nowhere/Else|is not a time zone",
                "night|1850-01-01|2000-01-02 to 2059-12-29",
                "night|2070-01-01|2000-01-02 to 2059-12-29",
                "people|0|1 to 9",
                "people|1.5|Only whole numbers",
                "driveMinutes|1441|0 to 1440 min",
                "walkMinutes|far|is not a number",
                "turnBack|25:00|hours and minutes",
                "tolerancePx|0|0.5 to 20 px",
                "like|98765432|Choose an outing",
                "place|98765432|Choose a place",
                "spot-name||Enter a name"
            })
    void bad_entries_are_answered_beside_the_field_and_kept(String field, String typed, String answer)
            throws Exception {
        int before = outings.all().size();
        String value = typed == null ? "" : typed;
        assertThat(Ask.refused(web, filled(post("/outings"), field, value)))
                .contains(answer, inList(field) ? answer : "value=\"" + value + "\"");
        assertThat(outings.all()).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/outings/99999",
                "/outings/abc",
                "/outings/99999999999999999999",
                "/nowhere",
                "/outings/1/x",
                "/.env"
            })
    void what_is_not_there_is_a_404_without_a_trace(String path) throws Exception {
        web.perform(get(path).accept("text/html")).andExpect(status().isNotFound());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/outings",
                "/outings/new",
                "/outings/new?night=banana&place=-1",
                "/?place=77",
                "/outings?deleted=x",
                "/outings/preview"
            })
    void pages_answer_with_or_without_data_and_with_odd_addresses(String path) throws Exception {
        web.perform(get(path))
                .andExpect(status().isOk())
                .andExpect(header().string("Content-Security-Policy", containsString("default-src 'self'")))
                .andExpect(content().string(not(containsString("style=\""))))
                .andExpect(content().string(not(containsString("onclick"))));
    }

    @ParameterizedTest
    @CsvSource({
        "69.65,18.96,2027-06-21,The sun does not set",
        "56.5,-4.2,2027-06-21,never gets fully dark",
        "78.2,15.6,2026-12-23,The moon is up through all",
        "90,0,2027-12-27,the core stays below the horizon in it",
        "-90,0,2027-07-04,core above",
        "-33.9,151.2,2027-06-18,The moon is up",
        "0,180,2028-02-29,of dark"
    })
    void every_latitude_and_season_has_words(String latitude, String longitude, String night, String words)
            throws Exception {
        assertThat(Ask.ok(
                        web,
                        filled(
                                get("/outings/preview"),
                                "spot-latitude",
                                latitude,
                                "spot-longitude",
                                longitude,
                                "night",
                                night,
                                "spot-zone",
                                "UTC")))
                .contains(words);
    }

    /** A list can only show what it offers. */
    private static boolean inList(String field) {
        return List.of("place", "like").contains(field);
    }

    @Test
    void the_lamp_is_kept_and_only_leads_back_into_the_application() throws Exception {
        web.perform(post("/lamp").param("lamp", "red").param("back", "/outings/new?night=2027-06-08"))
                .andExpect(status().isSeeOther())
                .andExpect(header().string("Location", "/outings/new?night=2027-06-08"))
                .andExpect(header().string("Set-Cookie", containsString("lamp=red")));
        for (String elsewhere : new String[] {"//other.example/", "https://other.example/", "/\\other.example"}) {
            web.perform(post("/lamp").param("lamp", "red").param("back", elsewhere))
                    .andExpect(header().string("Location", "/"));
        }
        assertThat(Ask.ok(web, get("/").cookie(new Cookie("lamp", "red")))).contains("data-lamp=\"red\"");
        assertThat(Ask.ok(web, get("/").cookie(new Cookie("lamp", "<x>")))).contains("data-lamp=\"dusk\"");
    }

    @Test
    void another_site_cannot_change_anything_here() throws Exception {
        web.perform(filled(post("/outings")).header("Sec-Fetch-Site", "cross-site"))
                .andExpect(status().isForbidden());
        web.perform(get("/").header("Sec-Fetch-Site", "cross-site")).andExpect(status().isOk());
        // a browser that asks a plain address on a network says where it comes from in this header alone
        for (String origin : List.of("http://other.example", "null", "http://localhost.other.example")) {
            web.perform(filled(post("/outings")).header("Host", "localhost").header("Origin", origin))
                    .andExpect(status().isForbidden());
        }
        web.perform(filled(post("/outings")).header("Host", "localhost").header("Origin", "http://localhost"))
                .andExpect(status().is3xxRedirection());
        web.perform(get("/error")).andExpect(status().isNotFound());
    }

    private long created(String... changes) throws Exception {
        String path = Ask.to(web, filled(post("/outings"), changes));
        return Long.parseLong(path.substring(path.lastIndexOf('/') + 1));
    }

    /** The beginner's first plan is one click; a later one begins with the takes of an earlier, none of them held. */
    @Test
    void an_outing_begins_with_a_whole_night_or_with_another_ones_takes() throws Exception {
        long first = created("like", "proposed", "night", "2027-07-04");
        assertThat(takes.of(first)).hasSize(4);
        takes.pin(first, takes.of(first).get(0).id(), Optional.of(Instant.parse("2027-07-05T00:15:00Z")));
        long second = created("like", "" + first, "night", "2027-08-02");
        assertThat(takes.of(second))
                .extracting(t -> t.take().name())
                .containsExactlyElementsOf(
                        takes.of(first).stream().map(t -> t.take().name()).toList());
        assertThat(takes.of(second)).allMatch(t -> t.take().pinned().isEmpty());
        assertThat(takes.of(created("like", ""))).isEmpty();
        web.perform(filled(get("/outings/preview"), "night", "2027-07-04"))
                .andExpect(content().string(containsString("What the night would bear")))
                .andExpect(content().string(containsString("Star trails")));
    }
}
