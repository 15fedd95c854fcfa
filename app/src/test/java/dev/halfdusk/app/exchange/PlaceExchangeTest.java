package dev.halfdusk.app.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.places.Places;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
class PlaceExchangeTest {

    private static final List<Spot> SPOTS = List.of(
            new Spot("Low Reef & <rocks>", 37.61, -8.81, OptionalDouble.of(4)),
            new Spot("Pole", -90, 180, OptionalDouble.empty()));

    @Autowired
    private MockMvc web;

    @Autowired
    private SpotFiles files;

    @Autowired
    private Places places;

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void what_is_written_is_read_again_in_all_three() {
        assertThat(files.read(bytes(files.writeGpx(SPOTS)))).isEqualTo(SPOTS);
        assertThat(files.read(bytes(files.writeKml(SPOTS)))).isEqualTo(SPOTS);
        assertThat(files.read(bytes(files.writeGeoJson(SPOTS)))).isEqualTo(SPOTS);
    }

    @Test
    void tracks_lines_and_nameless_points_are_handled() {
        String gpx = "<?xml version='1.0' encoding='ISO-8859-1'?>\n<gpx><metadata><name>Trip</name></metadata>"
                + "<wpt lat='1' lon='2'/><trk><name>Walk</name><trkseg><trkpt lat='3' lon='4'/></trkseg></trk>"
                + "<wpt lat='5' lon='6'><ele> 12.5 </ele><name><![CDATA[K\u00fcste]]></name></wpt></gpx>";
        assertThat(files.read(gpx.getBytes(StandardCharsets.ISO_8859_1)))
                .containsExactly(
                        new Spot("Spot 1", 1, 2, OptionalDouble.empty()),
                        new Spot("K\u00fcste", 5, 6, OptionalDouble.of(12.5)));
        String json =
                "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"geometry\":{\"type\":\"LineString\","
                        + "\"coordinates\":[[1,2],[3,4]]}},{\"type\":\"Feature\",\"properties\":null,\"geometry\":{\"type\":\"Point\",\"coordinates\":[7,8]}}]}";
        assertThat(files.read(bytes(json))).containsExactly(new Spot("Spot 1", 8, 7, OptionalDouble.empty()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "hello|none of GPX, KML and GeoJSON",
                "<gpx></gpx>|holds no waypoints",
                "<gpx><wpt lat='95' lon='0'/></gpx>|Line 1: latitude 95 is outside",
                "<gpx><wpt lat='x' lon='0'/></gpx>|not a number",
                "<gpx><wpt lon='0'/></gpx>|without lat and lon",
                "<gpx><wpt lat='1' lon='0'>|not valid XML",
                "<kml><Placemark><Point><coordinates>5</coordinates></Point></Placemark></kml>|longitude,latitude",
                "{\"type\":|Line 1",
                "{\"type\":\"Point\",\"coordinates\":[0,95]}|Point 1: latitude 95",
                "{\"type\":\"Point\",\"coordinates\":[\"a\",5]}|not two numbers",
                "<!DOCTYPE gpx [<!ENTITY a 'b'>]><gpx><wpt lat='1' lon='2'><name>&a;</name></wpt></gpx>|refused",
                "<!DOCTYPE gpx SYSTEM 'http://127.0.0.1:1/x.dtd'><gpx/>|refused"
            })
    void a_bad_file_names_line_and_reason(String file, String words) {
        assertThatThrownBy(() -> files.read(bytes(file)))
                .isInstanceOf(BadFile.class)
                .hasMessageContaining(words);
    }

    @Test
    @Timeout(5)
    void bombs_and_wrong_encodings_are_refused_at_once() {
        StringBuilder bomb = new StringBuilder("<!DOCTYPE gpx [<!ENTITY a0 'x'>");
        for (int i = 1; i < 40; i++) {
            bomb.append("<!ENTITY a")
                    .append(i)
                    .append(" '&a")
                    .append(i - 1)
                    .append(";&a")
                    .append(i - 1)
                    .append(";'>");
        }
        bomb.append("]><gpx><wpt lat='1' lon='2'><name>&a39;</name></wpt></gpx>");
        assertThatThrownBy(() -> files.read(bytes(bomb.toString()))).isInstanceOf(BadFile.class);
        byte[] latin = "<?xml version='1.0' encoding='UTF-8'?><gpx><wpt lat='1' lon='2'><name>\u00fc</name></wpt></gpx>"
                .getBytes(StandardCharsets.ISO_8859_1);
        assertThatThrownBy(() -> files.read(latin)).isInstanceOf(BadFile.class).hasMessageContaining("encoding");
        assertThatThrownBy(() -> files.read(bytes("{\"type\":" + "[".repeat(5000))))
                .isInstanceOf(BadFile.class);
        assertThatThrownBy(() -> files.read(bytes("<gpx>" + "<wpt lat='1' lon='2'/>".repeat(501) + "</gpx>")))
                .hasMessageContaining("at most 500");
    }

    @Test
    void a_file_is_shown_before_anything_is_saved_and_known_places_are_recognised() throws Exception {
        int before = places.all().size();
        MockMultipartFile file =
                new MockMultipartFile("file", "places.gpx", "application/gpx+xml", bytes(files.writeGpx(SPOTS)));
        web.perform(multipart("/places/import").file(file))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Low Reef &amp; &lt;rocks&gt;")));
        assertThat(places.all()).hasSize(before);
        web.perform(post("/places/import/save")
                        .param("take0", "on")
                        .param("name0", "Low Reef")
                        .param("at0", "37.61, -8.81, 4.0"))
                .andExpect(redirectedUrl("/places"));
        assertThat(places.all()).hasSize(before + 1);
        web.perform(multipart("/places/import").file(file))
                .andExpect(content().string(containsString("already here as")));
        for (String format : new String[] {"gpx", "kml", "geojson"}) {
            byte[] exported = web.perform(get("/places/places." + format))
                    .andReturn()
                    .getResponse()
                    .getContentAsByteArray();
            assertThat(files.read(exported)).contains(new Spot("Low Reef", 37.61, -8.81, OptionalDouble.of(4)));
        }
    }

    @Test
    void nothing_is_half_imported() throws Exception {
        int before = places.all().size();
        web.perform(post("/places/import/save")
                        .param("take0", "on")
                        .param("name0", "Good")
                        .param("at0", "1.0, 2.0")
                        .param("take1", "on")
                        .param("name1", "Bad")
                        .param("at1", "95.0, 2.0"))
                .andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("Row 2")));
        assertThat(places.all()).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hello"})
    void refusals_stand_beside_the_field(String text) throws Exception {
        web.perform(multipart("/places/import").file(new MockMultipartFile("file", "x", "text/plain", bytes(text))))
                .andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("GPX, KML")));
    }
}
