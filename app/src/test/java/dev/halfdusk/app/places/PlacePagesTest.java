package dev.halfdusk.app.places;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Silhouette;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

class PlacePagesTest extends StoringTest {

    private String path;
    private long id;

    @BeforeEach
    void aPlace() throws Exception {
        path = Ask.to(
                web,
                post("/places").param("name", "Low <Reef>").param("coordinates", "37\u00b036'04\"N 8\u00b047'32\"W"));
        id = Long.parseLong(path.substring(path.lastIndexOf('/') + 1));
    }

    @Test
    void what_is_left_empty_comes_from_the_gazetteer() throws Exception {
        Place place = places.find(id).orElseThrow();
        assertThat(place.zone().getId()).isEqualTo("Europe/Lisbon");
        assertThat(place.domes()).isNotEmpty();
        assertThat(place.zenithMagnitude()).isEmpty();
        assertThat(Ask.ok(web, path))
                .contains("Low &lt;Reef&gt;", "estimated from the towns around")
                .doesNotContain("style=\"");
    }

    @ParameterizedTest
    @CsvSource({"-40;-120,-08:00", "90;0,Z", "0;180,+12:00"})
    void far_from_any_town_the_longitude_gives_the_zone(String at, String zone) throws Exception {
        String far = Ask.to(web, post("/places").param("name", "Far").param("coordinates", at.replace(';', ' ')));
        Place place = places.find(Long.parseLong(far.substring(far.lastIndexOf('/') + 1)))
                .orElseThrow();
        assertThat(place.zone().getId()).isEqualTo(zone);
        web.perform(get(far)).andExpect(status().isOk());
    }

    @Test
    void a_class_or_a_reading_overrides_the_towns() throws Exception {
        web.perform(post(path + "?name=Reef&coordinates=37.6 -8.8&darkness=4")).andExpect(redirectedUrl(path));
        assertThat(places.find(id).orElseThrow().zenithMagnitude()).hasValue(20.9);
        assertThat(places.find(id).orElseThrow().domes()).isNotEmpty();
        web.perform(post(path + "?name=Reef&coordinates=37.6 -8.8&darkness=21,35"));
        assertThat(places.find(id).orElseThrow().zenithMagnitude()).hasValue(21.35);
        assertThat(Ask.ok(web, path + "/edit")).contains("21.35");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "coordinates|95 0|\u221290 to 90\u00b0",
                "coordinates|somewhere|cannot be read",
                "coordinates||cannot be read",
                "name||Enter a name",
                "elevation|99999|\u2212430 to 9000 m",
                "zone|Atlantis|is not a time zone",
                "darkness|12|darkness class from 1 to 9"
            })
    void bad_entries_stay_and_are_explained(String field, String typed, String answer) throws Exception {
        int before = places.all().size();
        assertThat(Ask.refused(
                        web,
                        post("/places")
                                .param("name", field.equals("name") ? "" : "Kept name")
                                .param(
                                        "coordinates",
                                        field.equals("coordinates") ? typed == null ? "" : typed : "37.6 -8.8")
                                .param(
                                        field.matches("name|coordinates") ? "other" : field,
                                        typed == null ? "" : typed)))
                .contains(answer);
        assertThat(places.all()).hasSize(before);
    }

    @Test
    void a_skyline_is_saved_whole_or_not_at_all() throws Exception {
        web.perform(post(path + "/skyline").param("points", "azimuth;altitude\n10;5,5\n350;7\n"))
                .andExpect(redirectedUrl(path));
        assertThat(places.find(id).orElseThrow().skyline().altitudeAt(10)).isEqualTo(5.5);
        assertThat(Ask.refused(web, post(path + "/skyline").param("points", "10, 5\n20, 91\n")))
                .contains("Line 2: altitude 91 is outside", "20, 91");
        web.perform(post(path + "/skyline").param("points", "10, 5\n10, 6\n"))
                .andExpect(status().isUnprocessableEntity());
        assertThat(places.find(id).orElseThrow().skyline().points()).hasSize(2);
        assertThat(Ask.ok(web, path + "/skyline.csv")).contains("350.00,7.00");
        web.perform(post(path + "/skyline").param("points", "")).andExpect(redirectedUrl(path));
        assertThat(places.find(id).orElseThrow().skyline().points()).isEmpty();
    }

    @Test
    void a_mark_has_one_of_the_shapes_and_no_other() throws Exception {
        web.perform(lighthouse("lighthouse")).andExpect(redirectedUrl(path + "#marks"));
        assertThat(places.marks(id).get(0).mark().silhouette()).isEqualTo(Silhouette.LIGHTHOUSE);
        assertThat(Ask.refused(web, lighthouse("pyramid"))).contains("Choose one of these: block, rock arch");
        assertThat(places.marks(id)).hasSize(1);
    }

    private MockHttpServletRequestBuilder lighthouse(String silhouette) {
        return post(path + "/marks")
                .param("mark-name", "Light")
                .param("mark-bearing", "12")
                .param("mark-distance", "300")
                .param("mark-height", "20")
                .param("mark-width", "6")
                .param("mark-silhouette", silhouette);
    }

    @Test
    void marks_come_and_go() throws Exception {
        web.perform(post(
                        path + "/marks?mark-name=Arch&mark-bearing=172&mark-distance=140&mark-height=24&mark-width=13"))
                .andExpect(redirectedUrl(path + "#marks"));
        List<Places.ListedMark> marks = places.marks(id);
        assertThat(marks).hasSize(1);
        assertThat(Ask.ok(web, path)).contains("9.7\u00b0");
        assertThat(Ask.refused(web, post(path + "/marks?mark-name=Arch&mark-bearing=400&mark-distance=0")))
                .contains("0 to 360\u00b0", "value=\"400\"");
        long mark = marks.get(0).id();
        web.perform(post(path + "/marks/" + mark + "/remove"))
                .andExpect(redirectedUrl(path + "?gone=mark-" + mark + "#marks"));
        assertThat(Ask.ok(web, path + "?gone=mark-" + mark)).contains("action=\"/deleted/mark/" + mark + "\"");
        assertThat(places.marks(id)).isEmpty();
    }

    @Test
    void a_dome_can_be_left_out() throws Exception {
        int lit = places.find(id).orElseThrow().domes().size();
        long dome = places.domes(id).get(0).id();
        web.perform(post(path + "/domes/" + dome).param("lit", "false")).andExpect(redirectedUrl(path + "#domes"));
        assertThat(places.find(id).orElseThrow().domes()).hasSize(lit - 1);
        web.perform(post(path + "/domes/" + dome).param("lit", "true"));
        assertThat(places.find(id).orElseThrow().domes()).hasSize(lit);
    }

    @Test
    void a_mark_is_found_by_its_coordinates_and_changed() throws Exception {
        var site = places.find(id).orElseThrow().site();
        web.perform(post(path + "/marks")
                        .param("mark-name", "Stack")
                        .param("mark-at", site.latitudeDeg() + 0.01 + ", " + site.longitudeDeg())
                        .param("mark-height", "24")
                        .param("mark-width", "13"))
                .andExpect(redirectedUrl(path + "#marks"));
        Places.ListedMark stack = places.marks(id).get(0);
        // a hundredth of a degree of latitude on the sphere
        assertThat(stack.mark().distanceM()).isCloseTo(1111.9, within(0.2));
        assertThat(stack.mark().bearingDeg()).isCloseTo(0, within(0.01));
        assertThat(Ask.ok(web, get(path).param("mark", "" + stack.id()))).contains("Save mark", "value=\"Stack\"");
        web.perform(post(path + "/marks/" + stack.id()
                        + "?mark-name=Stack&mark-bearing=10&mark-distance=500&mark-height=24&mark-width=13"))
                .andExpect(redirectedUrl(path + "#marks"));
        assertThat(places.mark(id, stack.id()).orElseThrow().distanceM()).isEqualTo(500);
        assertThat(Ask.refused(web, post(path + "/marks?mark-name=Far&mark-at=40, 10")))
                .contains("1 to 200000 m");
        assertThat(Ask.refused(web, post(path + "/marks/" + stack.id() + "?mark-name=&mark-at=there")))
                .contains("cannot be read", "Save mark");
    }

    @Test
    void a_light_is_added_changed_and_removed() throws Exception {
        int before = places.domes(id).size();
        web.perform(post(path + "/domes?dome-name=Port&dome-bearing=20&dome-distanceKm=8&dome-people=30000"))
                .andExpect(redirectedUrl(path + "#domes"));
        Places.ListedDome port = places.domes(id).get(before);
        assertThat(Ask.ok(web, get(path).param("dome", "" + port.id()))).contains("Save light", "value=\"30000\"");
        assertThat(Ask.refused(
                        web,
                        post(path + "/domes/" + port.id()
                                + "?dome-name=Port&dome-bearing=20&dome-distanceKm=8&dome-people=0")))
                .contains("1 to 50000000");
        web.perform(post(path + "/domes/" + port.id()
                        + "?dome-name=Harbour&dome-bearing=25&dome-distanceKm=8&dome-people=40000&dome-lamps=white"))
                .andExpect(redirectedUrl(path + "#domes"));
        assertThat(places.dome(id, port.id()).orElseThrow())
                .isEqualTo(new Dome("Harbour", 25, 8, 40_000, Dome.Lamps.WHITE));
        assertThat(Ask.refused(
                        web,
                        post(path + "/domes/" + port.id()
                                + "?dome-name=Port&dome-bearing=20&dome-distanceKm=8&dome-people=30&dome-lamps=gas")))
                .contains("Choose one of these: warm lamps, white LEDs");
        web.perform(post(path + "/domes/" + port.id() + "/remove"))
                .andExpect(redirectedUrl(path + "?gone=dome-" + port.id() + "#domes"));
        assertThat(places.domes(id)).hasSize(before);
    }

    @Test
    void a_skyline_comes_from_a_file() throws Exception {
        web.perform(multipart(path + "/skyline")
                        .file(new MockMultipartFile("file", "azimuth;altitude\n90;4,5\n180;2\n".getBytes(UTF_8)))
                        .param("points", "0, 1"))
                .andExpect(redirectedUrl(path));
        assertThat(places.find(id).orElseThrow().skyline().altitudeAt(90)).isEqualTo(4.5);
        assertThat(Ask.refused(web, multipart(path + "/skyline").file(new MockMultipartFile("file", new byte[] {
                    (byte) 0xc3, 0x28
                }))))
                .contains("not text in UTF-8");
    }

    @Test
    void over_open_sea_the_sun_sets_later_from_high_up() throws Exception {
        assertThat(places.find(id).orElseThrow().rules().dipDeg()).isZero();
        web.perform(post(path + "?name=Cliff&coordinates=37.6 -8.8&elevation=400&seaHorizon=on"))
                .andExpect(redirectedUrl(path));
        assertThat(places.find(id).orElseThrow().rules().dipDeg()).isCloseTo(0.586, within(0.001));
        assertThat(Ask.ok(web, path + "/edit")).contains("name=\"seaHorizon\" checked");
    }

    @Test
    void towns_are_searched_and_a_place_in_use_is_kept() throws Exception {
        assertThat(Ask.ok(web, get("/places/towns").param("town", "lisb"))).contains("Lisbon");
        assertThat(Ask.ok(web, get("/places/towns").param("town", "qqqqqq"))).contains("No town");
        web.perform(post("/outings?place=" + id
                        + "&night=2027-06-08&rig=1&focal=20&aperture=1.8&tolerancePx=3&iso=3200"))
                .andExpect(status().is3xxRedirection());
        web.perform(post(path + "/delete")).andExpect(redirectedUrl("/places?kept=" + id));
        assertThat(places.find(id)).isPresent();
        assertThat(Ask.ok(web, "/places?kept=" + id)).contains("was not deleted, since it is needed by");
        web.perform(get("/places/987654")).andExpect(status().isNotFound());
    }

    @Test
    void where_zones_meet_the_form_asks_for_one() throws Exception {
        var border = Map.of("name", "River mouth", "coordinates", "37.25, -7.42");
        var request = post("/places");
        border.forEach(request::param);
        assertThat(Ask.refused(web, request))
                .contains("Clocks of two zones meet here: Europe/Lisbon and Europe/Madrid");
        var preview = get("/places/preview");
        border.forEach(preview::param);
        web.perform(preview).andExpect(content().string(containsString("Europe/Lisbon and Europe/Madrid")));
        web.perform(request.param("zone", "Europe/Madrid")).andExpect(status().is3xxRedirection());
        // the open sea has the time of its longitude
        String sea = Ask.to(web, post("/places?name=Sea&coordinates=0, -30"));
        long id = Long.parseLong(sea.substring(sea.lastIndexOf('/') + 1));
        assertThat(places.find(id).orElseThrow().zone()).isEqualTo(ZoneId.of("-02:00"));
    }
}
