package dev.halfdusk.app.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Support;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

@PageTest
record KitPagesTest(MockMvc web, Kit kit) {

    private static MockHttpServletRequestBuilder body(String name) {
        return post("/kit/body")
                .param("name", name)
                .param("sensorWidth", "23,5")
                .param("sensorHeight", "15.7")
                .param("pixelsAcross", "6000")
                .param("dial", "HALF")
                .param("fastest", "4000")
                .param("baseIso", "100")
                .param("topIso", "12800")
                .param("comfortableIso", "1600")
                .param("buffer", "20")
                .param("writeSpeed", "90");
    }

    private NamedBody named(String name) {
        return kit.bodies().stream()
                .filter(b -> b.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_body_of_which_little_is_known_gets_typical_electronics() throws Exception {
        web.perform(body("Crop <24>")).andExpect(redirectedUrl("/kit#body"));
        NamedBody b = named("Crop <24>");
        assertThat(b.sensor().pitchUm()).isBetween(3.9, 3.93);
        assertThat(b.camera().response().fullWellE()).isBetween(27_000.0, 28_500.0);
        assertThat(b.camera().files().rawMb()).isEqualTo(29);
        assertThat(Ask.ok(web, "/kit")).contains("Crop &lt;24&gt;");
        assertThat(Ask.ok(web, "/kit/body/" + b.id())).contains("value=\"23.5\"", "stops between");
        web.perform(post("/kit/body/" + b.id() + "/delete")).andExpect(redirectedUrl("/kit?deleted=body-" + b.id()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "sensorWidth|0|3 to 110 mm",
                "pixelsAcross|320|1175 to 30000",
                "pixelsAcross|6000.5|Only whole numbers",
                "comfortableIso|25600|25 to 12800",
                "baseIso|25600|25600 to 819200",
                "fullWell|1|500 to 500000",
                "efficiency|2|0.01 to 1",
                "dial|quarter|Choose one of these: full stops, half stops, third stops",
                "fastest|1|60 to 8000 s",
                "name||Enter a name"
            })
    void bad_numbers_stay_and_are_explained(String field, String typed, String answer) throws Exception {
        int before = kit.bodies().size();
        assertThat(Ask.refused(web, replaced(field, typed == null ? "" : typed)))
                .contains(answer, "value=\"90\"");
        assertThat(kit.bodies()).hasSize(before);
    }

    private static MockHttpServletRequestBuilder replaced(String field, String value) {
        MockHttpServletRequestBuilder request = post("/kit/body");
        String[][] fields = {
            {"name", "Bad"},
            {"sensorWidth", "23.5"},
            {"sensorHeight", "15.7"},
            {"pixelsAcross", "6000"},
            {"dial", "HALF"},
            {"fastest", "4000"},
            {"baseIso", "100"},
            {"topIso", "12800"},
            {"comfortableIso", "1600"},
            {"buffer", "20"},
            {"writeSpeed", "90"},
            {"fullWell", ""},
            {"efficiency", ""}
        };
        for (String[] f : fields) {
            request.param(f[0], f[0].equals(field) ? value : f[1]);
        }
        return request;
    }

    @Test
    void a_zoom_is_stored_and_a_contradictory_one_is_not() throws Exception {
        web.perform(post("/kit/lens")
                        .param("name", "Test zoom")
                        .param("shortest", "70")
                        .param("longest", "300")
                        .param("widestShort", "4")
                        .param("widestLong", "5.6")
                        .param("projection", "RECTILINEAR"))
                .andExpect(redirectedUrl("/kit#lens"));
        NamedLens lens = kit.lenses().stream()
                .filter(l -> l.name().equals("Test zoom"))
                .findFirst()
                .orElseThrow();
        assertThat(lens.lens().electronic()).isFalse();
        assertThat(Ask.ok(web, "/kit/lens/" + lens.id())).contains("300 mm f/5.6");
        assertThat(Ask.refused(
                        web,
                        post("/kit/lens/" + lens.id())
                                .param("name", "Test zoom")
                                .param("shortest", "70")
                                .param("longest", "50")
                                .param("widestShort", "4")
                                .param("projection", "RECTILINEAR")
                                .param("narrowest", "2")))
                .contains("50 is outside what is allowed: 70 to 2000 mm", "2 is outside what is allowed: 4 to 64");
        web.perform(post("/kit/lens/" + lens.id() + "/delete"))
                .andExpect(redirectedUrl("/kit?deleted=lens-" + lens.id()));
    }

    @ParameterizedTest
    @CsvSource({
        "TELECONVERTER, factor=1.4, becomes 280 mm f/5.6",
        "FILTER, stops=10, One part in 1024",
        "BATTERY, frames=400&minutes=120, At 0 °C about 320 frames or 96 minutes",
        "SUPPLY, volts=12&wattHours=120&bodyW=4&heaterW=8, it lasts 8.5 hours",
        "CARD, gigabytes=64&writeSpeed=100, Holds 2133 raw frames",
        "SUPPORT, support=SIDEREAL&error=12, adds up to 24",
        "EXTRA, note=, Counts by its weight"
    })
    void gear_shows_what_follows(String kind, String fields, String follows) throws Exception {
        assertThat(Ask.ok(web, "/kit/gear/preview?kind=" + kind + "&weight=10&" + fields))
                .contains(follows);
    }

    @Test
    void impossible_rigs_are_refused_with_the_reason() throws Exception {
        long fisheye = kit.lenses().stream()
                .filter(l -> l.name().contains("fisheye"))
                .findFirst()
                .orElseThrow()
                .id();
        long converter = kit.gear().stream()
                .filter(g -> g.sort() == Gear.Sort.TELECONVERTER)
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(Ask.refused(
                        web,
                        post("/kit/rig")
                                .param("name", "Odd")
                                .param("body", "1")
                                .param("lens", "" + fisheye)
                                .param("gear-" + converter, "on")))
                .contains("behind a fisheye: its rear element is in the way");
        String both = kit.gear().stream()
                .filter(g -> g.sort() == Gear.Sort.SUPPORT)
                .map(g -> "gear-" + g.id())
                .reduce((a, b) -> a + "," + b)
                .orElseThrow();
        MockHttpServletRequestBuilder two = post("/kit/rig?name=Two legs&body=1&lens=1");
        for (String field : both.split(",")) {
            two.param(field, "on");
        }
        assertThat(Ask.refused(web, two)).contains("one support only");
        assertThat(Ask.refused(web, post("/kit/rig?name=No body&body=99&lens=1")))
                .contains("Choose a body from the list");
    }

    @Test
    void shipped_rigs_are_whole_and_parts_in_use_are_kept() throws Exception {
        assertThat(kit.rigs()).hasSizeGreaterThanOrEqualTo(4);
        NamedRig tracked = kit.rigs().stream()
                .filter(r -> r.rig().support().tracks())
                .findFirst()
                .orElseThrow();
        assertThat(tracked.rig().support().kind()).isEqualTo(Support.Kind.SIDEREAL);
        assertThat(tracked.weightG()).isGreaterThan(1500);
        web.perform(post("/kit/body/" + tracked.body().id() + "/delete"))
                .andExpect(redirectedUrl("/kit?kept=body-" + tracked.body().id()));
        web.perform(post("/kit/lens/" + tracked.lens().id() + "/delete"))
                .andExpect(redirectedUrl("/kit?kept=lens-" + tracked.lens().id()));
        web.perform(post("/kit/gear/" + tracked.gear().get(0).id() + "/delete"))
                .andExpect(
                        redirectedUrl("/kit?kept=gear-" + tracked.gear().get(0).id()));
        assertThat(Ask.ok(web, "/kit?kept=body-" + tracked.body().id()))
                .contains("was not deleted, since it is needed by", "href=\"/kit/rig/" + tracked.id() + "\"");
        assertThat(Ask.ok(web, "/kit/rig/" + tracked.id())).contains("two pixels from f/");
        web.perform(get("/kit/rig/999")).andExpect(status().isNotFound());
        web.perform(get("/kit/tripod/1")).andExpect(status().isNotFound());
    }

    @Test
    void the_file_goes_round_and_is_taken_whole_or_not_at_all() throws Exception {
        String file = Ask.ok(web, "/kit/kit.json");
        assertThat(file).contains("\"format\" : \"half-dusk-kit\"").contains("\"Tracked 35\"");
        web.perform(upload(file)).andExpect(redirectedUrl("/kit?stored=0"));
        String renamed = file.replace("Full-frame 24 MP body", "Copied body").replace("Tracked 35", "Copied rig");
        web.perform(upload(renamed)).andExpect(redirectedUrl("/kit?stored=2"));
        NamedRig copy = kit.rigs().stream()
                .filter(r -> r.name().equals("Copied rig"))
                .findFirst()
                .orElseThrow();
        assertThat(copy.body().name()).isEqualTo("Copied body");
        assertThat(copy.rig().support().tracks()).isTrue();
        int before = kit.bodies().size();
        String broken = file.replace("Full-frame 24 MP body", "New body")
                .replace("14 mm f/2.8", "New lens")
                .replace("\"widestShort\" : 2.8", "\"widestShort\" : \"wide\"");
        assertThat(Ask.refused(web, upload(broken))).contains("Lens 2, widestShort: wanted is a number, 0.7 to 64");
        assertThat(kit.bodies()).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "[]", "{", "{\"format\":\"half-dusk-kit\",\"version\":9}"})
    void other_files_are_refused(String text) throws Exception {
        assertThat(Ask.refused(web, upload(text))).contains("Nothing was taken");
    }

    private static MockHttpServletRequestBuilder upload(String text) {
        return multipart("/kit/import").file(new MockMultipartFile("file", text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void json_that_is_nested_too_deeply_is_refused() throws Exception {
        assertThat(Ask.refused(web, upload("{\"a\":".repeat(3000)))).contains("nested too deeply");
        web.perform(multipart("/kit/import")
                        .file(new MockMultipartFile(
                                "file", "{\"format\":\"other\"}".getBytes(StandardCharsets.UTF_16))))
                .andExpect(content().string(containsString("Wanted: a file")));
    }

    @ParameterizedTest
    @CsvSource({"full-frame, 36, 24, 6000", "four-thirds, 17.3, 13, 5184", "nonsense, 36, 24, 6000"})
    void a_body_starts_from_a_sensor_format(String format, String width, String height, String pixels)
            throws Exception {
        assertThat(Ask.ok(web, "/kit/body/new?from=" + format))
                .contains(
                        "name=\"sensorWidth\" type=\"text\" value=\"" + width + "\"",
                        "name=\"sensorHeight\" type=\"text\" value=\"" + height + "\"",
                        "name=\"pixelsAcross\" type=\"text\" value=\"" + pixels + "\"",
                        "Start from a sensor");
    }
}
