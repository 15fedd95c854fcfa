package dev.halfdusk.app.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;

import dev.halfdusk.app.Ask;
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
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record PlaceExchangeTest(MockMvc web, SpotFiles files, Places places) {

    private static final List<Spot> SPOTS = List.of(
            new Spot("Low Reef & <rocks>", 37.61, -8.81, OptionalDouble.of(4)),
            new Spot("Pole", -90, 180, OptionalDouble.empty()));

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
        assertThat(files.find(bytes(json)).passedOver()).isEqualTo(1);
        assertThat(files.find(gpx.getBytes(StandardCharsets.ISO_8859_1)).passedOver())
                .isEqualTo(1);
        assertThat(files.find(bytes(
                                "<kml><Placemark><LineString/></Placemark><Placemark><Point><coordinates>5,6</coordinates>"
                                        + "</Point></Placemark></kml>"))
                        .passedOver())
                .isEqualTo(1);
        String named =
                "{\"crs\":{\"type\":\"name\",\"properties\":{\"name\":\"urn:ogc:def:crs:OGC:1.3:CRS84\"}},\"type\":\"FeatureCollection\","
                        + "\"features\":[{\"type\":\"Feature\",\"properties\":{\"Name\":\"One\"},\"geometry\":{\"type\":\"Point\",\"coordinates\":[1,2]}},"
                        + "{\"type\":\"Feature\",\"properties\":{\"title\":\"Two\"},\"geometry\":{\"type\":\"Point\",\"coordinates\":[3,4]}}]}";
        assertThat(files.read(bytes(named))).extracting(Spot::name).containsExactly("One", "Two");
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
                "<gpx><wpt lat='NaN' lon='0'/></gpx>|latitude",
                "{\"type\":\"Point\",\"coordinates\":[0,95]}|Point 1: latitude 95",
                "{\"type\":\"Point\",\"coordinates\":[\"a\",5]}|not two numbers",
                "{\"crs\":{\"type\":\"name\",\"properties\":{\"name\":\"urn:ogc:def:crs:EPSG::3763\"}},\"type\":\"Point\",\"coordinates\":[5,5]}|EPSG::3763",
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
        assertThat(Ask.ok(web, multipart("/places/import").file(file))).contains("Low Reef &amp; &lt;rocks&gt;");
        assertThat(places.all()).hasSize(before);
        web.perform(post("/places/import/save?take0=on&name0=Low Reef&at0=37.61, -8.81, 4.0"))
                .andExpect(redirectedUrl("/places?imported=1"));
        assertThat(places.all()).hasSize(before + 1);
        web.perform(multipart("/places/import").file(file))
                .andExpect(content().string(containsString("already here as")));
        for (String format : new String[] {"gpx", "kml", "geojson"}) {
            web.perform(get("/places/places." + format)) // with what other tests left more points than are read at once
                    .andExpect(content().string(allOf(containsString("Low Reef"), containsString("-8.81"))));
        }
    }

    @Test
    void nothing_is_half_imported() throws Exception {
        int before = places.all().size();
        assertThat(Ask.refused(
                        web,
                        post("/places/import/save?take0=on&name0=Good&at0=1.0, 2.0&take1=on&name1=Bad&at1=95.0, 2.0")))
                .contains("Row 2");
        assertThat(places.all()).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hello"})
    void refusals_stand_beside_the_field(String text) throws Exception {
        assertThat(Ask.refused(
                        web,
                        multipart("/places/import")
                                .file(new MockMultipartFile("file", "x", "text/plain", bytes(text)))))
                .contains("GPX, KML");
    }

    /** Heights in extensions, several points in one feature, and other encodings. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "<gpx><wpt lat='1' lon='2'><ele>5</ele><name>A</name><extensions><x><ele>99</ele><name>B</name></x></extensions></wpt></gpx>|A 1.0 2.0 5.0",
                "<gpx><wpt lat='1' lon='2'><extensions><ele>99</ele></extensions><name>A</name></wpt></gpx>|A 1.0 2.0",
                "<kml><Placemark><name>A</name><MultiGeometry><Point><coordinates>2,1,7</coordinates></Point><Point><coordinates>4,3</coordinates></Point></MultiGeometry></Placemark></kml>|A 1.0 2.0 7.0;A 2 3.0 4.0",
                "<kml><Placemark><Style><name>S</name></Style><name>A</name><Point><extrude>1</extrude><coordinates>2,1</coordinates></Point></Placemark><Placemark><name>C</name><Point><coordinates>4,3</coordinates></Point></Placemark></kml>|A 1.0 2.0;C 3.0 4.0",
                "{\"type\":\"Feature\",\"properties\":{\"name\":\"A\"},\"geometry\":{\"type\":\"MultiPoint\",\"coordinates\":[[2,1],[4,3,5]]}}|A 1.0 2.0;A 2 3.0 4.0 5.0",
                "{\"type\":\"Feature\",\"properties\":{\"name\":\"A\"},\"geometry\":{\"type\":\"GeometryCollection\",\"geometries\":[{\"type\":\"Point\",\"coordinates\":[2,1]},{\"type\":\"Point\",\"coordinates\":[4,3]}]}}|A 1.0 2.0;A 2 3.0 4.0"
            })
    void every_point_of_a_feature_is_kept_with_its_own_height(String file, String expected) {
        for (java.nio.charset.Charset charset : List.of(
                StandardCharsets.UTF_8,
                StandardCharsets.UTF_16,
                StandardCharsets.UTF_16LE,
                StandardCharsets.UTF_16BE)) {
            if (file.startsWith("<") && (charset != StandardCharsets.UTF_8 && charset != StandardCharsets.UTF_16)) {
                continue; // XML without a mark names its encoding
            }
            String found = String.join(
                    ";",
                    files.read(file.getBytes(charset)).stream()
                            .map(s -> s.name() + " " + s.latitudeDeg() + " " + s.longitudeDeg()
                                    + (s.elevationM().isPresent()
                                            ? " " + s.elevationM().getAsDouble()
                                            : ""))
                            .toList());
            assertThat(found).as("in %s", charset).isEqualTo(expected);
        }
    }

    @Test
    void rows_that_cannot_be_taken_or_stand_twice_are_said_so() throws Exception {
        String gpx = "<gpx><wpt lat='11' lon='2'><name>A</name></wpt><wpt lat='11' lon='2.0001'><name>Twin</name></wpt>"
                + "<wpt lat='13' lon='4'><ele>99999</ele><name>High</name></wpt>"
                + "<wpt lat='15' lon='4'><ele>NaN</ele><name>Nan</name></wpt></gpx>";
        String page = Ask.ok(web, multipart("/places/import").file(new MockMultipartFile("file", bytes(gpx))));
        assertThat(page)
                .contains("the same as row 1", "its elevation 99999.0 is outside \u2212430 to 9000 m")
                .contains("its elevation NaN is outside");
        assertThat(page.split("checked=\"checked\"", -1))
                .as("only the first is ticked")
                .hasSize(2);
        assertThat(page.split("disabled=\"disabled\"", -1)).hasSize(3);
    }

    @Test
    void nothing_ticked_keeps_the_table() throws Exception {
        assertThat(Ask.refused(
                        web,
                        post("/places/import/save")
                                .param("name0", "Reef <1>")
                                .param("at0", "37.61, -8.81, 4.0")
                                .param("name1", "Bay")
                                .param("at1", "37.7, -8.9")))
                .contains("No place was ticked", "Reef &lt;1&gt;", "value=\"37.7, -8.9\"");
        // and a later look at the address of the refused form finds the page above it
        web.perform(get("/places/import/save")).andExpect(redirectedUrl("/places/import"));
    }
}
