package dev.halfdusk.app.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.sky.Site;
import java.io.ByteArrayInputStream;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** Where it is dark round a start. */
@PageTest
record DarkPagesTest(MockMvc web, Places places, Made made) {

    private MockHttpServletResponse ask(String query) throws Exception {
        return web.perform(get("/places/dark" + query)).andReturn().getResponse();
    }

    /** From a city: spots on land, each darker than the start, apart from each other, and a place is made of one. */
    @Test
    void from_a_town_it_finds_darker_ground() throws Exception {
        String page = ask("?coordinates=38.72,-9.14&within=100").getContentAsString();
        assertThat(page).contains("class 9", "hopeless", "Class 3 begins", "the core stands out by");
        Matcher spots = Pattern.compile("<strong>([0-9.]+), class (\\d)</strong> \u00b7 <span>(\\d+) km")
                .matcher(page);
        int count = 0;
        while (spots.find()) {
            assertThat(Double.parseDouble(spots.group(1))).isGreaterThan(21.3);
            assertThat(Integer.parseInt(spots.group(3))).isBetween(1, 100);
            count++;
        }
        assertThat(count).isEqualTo(5);
        Matcher make = Pattern.compile("/places/new\\?coordinates=([^\"]+)\"").matcher(page);
        assertThat(make.find()).isTrue();
        String fresh = Ask.ok(
                web, get("/places/new").param("coordinates", URLDecoder.decode(make.group(1), StandardCharsets.UTF_8)));
        assertThat(fresh).contains("Understood as");
    }

    private void read(double latitude, double longitude, double zenith) {
        places.add(new Place(
                null,
                "Read " + zenith,
                new Site(latitude, longitude, 500),
                ZoneId.of("Europe/Zurich"),
                OptionalDouble.of(zenith),
                Skyline.FLAT,
                false,
                List.of(),
                Place.Notes.NONE));
    }

    private JsonNode darkness(double latitude, double longitude) throws Exception {
        return Ask.json(web, "/api/darkness?latitudeDeg=" + latitude + "&longitudeDeg=" + longitude);
    }

    /** Between two hills where a meter found more than the towns account for the map is brighter; a day's drive away it is as it was. */
    @Test
    void readings_of_a_region_correct_it() throws Exception {
        double before = darkness(46.5, 7.5).path("zenithMagnitude").asDouble();
        double far = darkness(48.5, 7.5).path("zenithMagnitude").asDouble();
        String map = ask("?coordinates=46.5,7.5&within=30").getContentAsString();
        assertThat(map).doesNotContain("corrected by");
        made.place("Valley", 46.5, 7.5, 500, "Europe/Zurich");
        read(46.5, 7.4, before - 0.6);
        assertThat(darkness(46.5, 7.5).path("zenithMagnitude").asDouble()).isEqualTo(before);
        read(46.5, 7.6, before - 0.6);
        JsonNode now = darkness(46.5, 7.5);
        assertThat(now.path("zenithMagnitude").asDouble()).isLessThan(before - 0.3);
        assertThat(now.path("townsTimes").asDouble()).isGreaterThan(1.4);
        assertThat(now.at("/towards/0/magPerArcsec2").asDouble()).isLessThan(before);
        assertThat(darkness(48.5, 7.5).path("zenithMagnitude").asDouble()).isEqualTo(far);
        String corrected = ask("?coordinates=46.5,7.5&within=30").getContentAsString();
        assertThat(corrected)
                .contains("corrected by 2 readings of yours near it: towns are "
                        + Numbers.fixed(now.path("townsTimes").asDouble(), 1) + " times as bright");
        // a place without towns of its own is planned under a natural sky, and the list says so
        assertThat(corrected).contains("planned with 21.9");
        assertThat(address(corrected)).isNotEqualTo(address(map));
        assertThat(zenith(corrected)).isCloseTo(now.path("zenithMagnitude").asDouble(), within(0.06));
    }

    private static String address(String page) {
        Matcher m = Pattern.compile("/places/dark/map[^\"]+").matcher(page);
        assertThat(m.find()).isTrue();
        return m.group();
    }

    private static double zenith(String page) {
        Matcher m = Pattern.compile("There the zenith is ([0-9.]+)").matcher(page);
        assertThat(m.find()).isTrue();
        return Double.parseDouble(m.group(1));
    }

    /** Cygnus passes overhead where the core never rises, and a town takes more of what stands low in its dome. */
    @Test
    void it_is_asked_for_any_sight() throws Exception {
        String north = ask("?coordinates=65,-18&within=60&sight=core").getContentAsString();
        assertThat(north).contains("the core never rises").contains("for the core, towards the south");
        String cygnus = ask("?coordinates=65,-18&within=60&sight=cygnus").getContentAsString();
        assertThat(cygnus).contains("Cygnus stands out by").contains("Best contrast of Cygnus within");
        assertThat(ask("?coordinates=-60,-18&within=60&sight=winter").getContentAsString())
                .contains("towards the north");
        MockHttpServletResponse refused = ask("?coordinates=65,-18&within=60&sight=pole");
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Choose one of the list.");
    }

    /** A click 100 pixels to the right of the middle of 2 \u00d7 100 km over 520 pixels is 38.5 km to the east. */
    @Test
    void a_click_sets_a_point() throws Exception {
        String page =
                ask("?coordinates=38.55,-8.0&within=100&at.x=488&at.y=260").getContentAsString();
        assertThat(page).contains("38 km E").contains("The point");
        assertThat(ask("?coordinates=38.55,-8.0&within=100&at.x=0&at.y=0").getContentAsString())
                .as("a button that is pressed by key clicks its corner")
                .doesNotContain("The point");
        assertThat(ask("?coordinates=38.55,-8.0&within=100&at.x=abc&at.y=9e9").getStatus())
                .isEqualTo(200);
    }

    /** A grid by the same law, its middle the place itself; too fine a one is refused with what may be. */
    @Test
    void the_api_gives_place_and_field() throws Exception {
        String where = "latitudeDeg=38.55&longitudeDeg=-8.9";
        JsonNode place = Ask.json(web, "/api/darkness?" + where);
        JsonNode field = Ask.json(web, "/api/darkness/field?" + where + "&withinKm=10&stepKm=5");
        assertThat(place.path("towards")).hasSize(8);
        assertThat(place.path("darknessClass").asInt()).isEqualTo(6);
        assertThat(field.path("zenithMagnitudes")).hasSize(25);
        assertThat(field.path("zenithMagnitudes").get(12).asDouble())
                .isCloseTo(place.path("zenithMagnitude").asDouble(), within(0.05));
        MockHttpServletResponse fine = web.perform(get("/api/darkness/field?" + where + "&withinKm=200&stepKm=0.5"))
                .andReturn()
                .getResponse();
        assertThat(fine.getStatus()).isEqualTo(400);
        assertThat(fine.getContentAsString()).contains("stepKm").contains("at most 50000");
    }

    @Test
    void the_map_is_a_picture() throws Exception {
        MockHttpServletResponse map = web.perform(get("/places/dark/map.png?coordinates=38.55,-8.9&within=60"))
                .andReturn()
                .getResponse();
        assertThat(map.getContentType()).isEqualTo("image/png");
        var image = ImageIO.read(new ByteArrayInputStream(map.getContentAsByteArray()));
        assertThat(image.getWidth()).isEqualTo(776);
        assertThat(image.getHeight()).isEqualTo(520);
        int start = image.getRGB(388, 260) & 0xff;
        int sea = image.getRGB(20, 500) & 0xff;
        assertThat(start).as("the start lies in light, the sea in the dark").isGreaterThan(sea);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "coordinates=0,-140&within=100|No land within",
                "coordinates=-90,0&within=50|darker",
                "coordinates=80,20&within=200|the core never rises",
                "coordinates=-17,179.9&within=200|km"
            })
    void the_ends_of_the_earth(String query, String said) throws Exception {
        MockHttpServletResponse page = ask("?" + query);
        assertThat(page.getStatus()).isEqualTo(200);
        assertThat(page.getContentAsString()).containsIgnoringCase(said);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "coordinates=95,0|latitude",
                "coordinates=38,-9&within=2000|5 to 200 km",
                "coordinates=38,-9&within=x|5 to 200 km",
                "place=999999|Choose one of the list"
            })
    void what_cannot_be_is_answered_beside_its_field(String query, String said) throws Exception {
        MockHttpServletResponse page = ask("?" + query);
        assertThat(page.getStatus()).isEqualTo(422);
        assertThat(page.getContentAsString()).containsIgnoringCase(said);
        assertThat(web.perform(get("/places/dark/map.png?coordinates=95,0"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(422);
    }

    @Test
    void names_on_the_map_do_not_run_into_each_other() {
        DarkController.Dot mill = new DarkController.Dot(100, 100, "Old Tide Mill");
        assertThat(new DarkController.Dot(110, 104, "Ledge")
                        .unnamedBeside(List.of(mill))
                        .label())
                .isEmpty();
        assertThat(new DarkController.Dot(60, 104, "Long enough")
                        .unnamedBeside(List.of(mill))
                        .label())
                .isEmpty();
        assertThat(new DarkController.Dot(110, 120, "Ledge")
                        .unnamedBeside(List.of(mill))
                        .label())
                .isEqualTo("Ledge");
        assertThat(new DarkController.Dot(300, 104, "Ledge")
                        .unnamedBeside(List.of(mill))
                        .label())
                .isEqualTo("Ledge");
        DarkController.Dot silent = new DarkController.Dot(100, 100, "");
        assertThat(new DarkController.Dot(101, 100, "Ledge")
                        .unnamedBeside(List.of(silent))
                        .label())
                .isEqualTo("Ledge");
    }

    /** In the desert every way is as dark: no class begins at the start itself. */
    @Test
    void where_it_is_darkest_none_darker_begins() throws Exception {
        assertThat(ask("?coordinates=23.5,10.5&within=20").getContentAsString())
                .contains("class 1", "It does not get darker than here.")
                .doesNotContain("begins 0 km");
    }

    /** Near and far, its page and its map are answered. */
    @ParameterizedTest
    @ValueSource(doubles = {5, 12.3, 24.9, 25, 200})
    void every_allowed_distance_is_drawn(double within) throws Exception {
        assertThat(ask("?coordinates=38.55,-8.9&within=" + within).getStatus()).isEqualTo(200);
        assertThat(ask("/map.png?coordinates=38.55,-8.9&within=" + within).getStatus())
                .isEqualTo(200);
    }
}
