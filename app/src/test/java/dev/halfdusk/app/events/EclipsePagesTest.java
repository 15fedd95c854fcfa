package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.take.EclipsedMoon;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.Take;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.MockMvc;

/** The pages of an eclipse of the moon and of the moon itself. */
@PageTest
record EclipsePagesTest(MockMvc web, Places places, Kit kit, Takes takes, Made made) {

    private static final String TOTAL = "&night=2029-12-20";

    private long place(double latitude, double longitude, String zone) {
        Place place = made.place("Moon <place>", latitude, longitude, 5, zone);
        return place.id();
    }

    private long coast() {
        return place(37.6, -8.8, "Europe/Lisbon");
    }

    private long longRig() {
        return kit.rigs().stream()
                .filter(r -> r.name().equals("Long for the moon"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** Contacts by the reference: u2 22:15:13, greatest 22:42:03, u3 23:08:55, to five seconds. */
    @Test
    void an_eclipse_shows_contacts_light_and_way() throws Exception {
        String page = Ask.ok(web, "/events/eclipse?place=" + coast() + TOTAL);
        assertThat(page)
                .contains("Total eclipse of the moon at Moon &lt;place&gt;", "total for 54 min")
                .contains("seen from beginning to end", "22:42:0", "exposed for the shadow: the lit limb burns")
                .contains("/frame/close.jpg?", "put=moon")
                .contains("mag/arcsec\u00b2 against a full moon: the Milky Way is back")
                .contains("one frame every 2 min from 20:45 to 00:3")
                .contains(", 115 in all") // ten minutes before u1 to ten after u4: 13 996 s, with two intervals at its
                // end
                .contains("36 moons, one every 10 min, from 19:4", "class=\"now\"");
    }

    /** Far from the shadow for the limb, near it for the shadow; the switch is the user's. */
    @ParameterizedTest
    @CsvSource({
        "505, 0.78, 'exposed for the lit limb'",
        "600, 0.78, 'since 21:5'",
        "600, 0.99, 'exposed for the lit limb, as you asked below 0.99'",
        "640, 0.78, '100 % covered'"
    })
    void each_minute_has_its_aim(int minute, double switchAt, String words) throws Exception {
        assertThat(Ask.ok(
                        web,
                        "/events/eclipse?place=" + coast() + TOTAL + "&minute=" + minute + "&switchAt=" + switchAt))
                .contains(words);
    }

    /** A stop brighter doubles the ISO where the shutter is at its limit; the buttons go on from there and stop at the end. */
    @Test
    void brighter_and_darker_shift_the_settings() throws Exception {
        String base = "/events/eclipse?place=" + coast() + TOTAL + "&danjon=4&minute=642&brighterStops=";
        int before = iso(Ask.ok(web, base + "0"));
        String brighter = Ask.ok(web, base + "1");
        assertThat(iso(brighter)).isBetween((int) (1.8 * before), (int) (2.2 * before));
        assertThat(brighter)
                .containsPattern("[?&;]brighterStops=2[^\"]*\">a stop brighter")
                .contains("shifted by");
        Matcher back = Pattern.compile("[?&;]brighterStops=(-?[\\d.]+)&[^\"]*\">a stop darker")
                .matcher(brighter);
        assertThat(back.find()).isTrue();
        assertThat(Double.parseDouble(back.group(1)))
                .as("a stop less than the rig gives, which misses a third at most")
                .isBetween(-0.34, 0.0);
        assertThat(Ask.ok(web, base + "6")).containsPattern("[?&;]brighterStops=6&[^\"]*\">a stop brighter");
        // darker than what the rig still gives, not than what was asked
        Matcher darker = Pattern.compile("[?&;]brighterStops=([\\d.]+)&[^\"]*\">a stop darker")
                .matcher(Ask.ok(web, base + "6"));
        assertThat(darker.find()).isTrue();
        assertThat(Double.parseDouble(darker.group(1))).isBetween(0.5, 5.0);
    }

    private static int iso(String page) {
        Matcher m = Pattern.compile("class=\"figure\">(\\d+)</span><span class=\"block quiet text-sm\">ISO")
                .matcher(page);
        assertThat(m.find()).isTrue();
        return Integer.parseInt(m.group(1));
    }

    /** What is out of reach of the rig is said with a number; a tracker reaches it. */
    @Test
    void a_rig_that_falls_short_says_so() throws Exception {
        String dark = Ask.ok(web, "/events/eclipse?place=" + coast() + TOTAL + "&danjon=0&minute=642");
        assertThat(dark).contains("stops short");
        assertThat(Ask.ok(web, "/events/eclipse?place=" + coast() + TOTAL + "&danjon=4&minute=642"))
                .doesNotContain("stops short")
                .contains("between ");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "switchAt=0.3|0.5 to 0.99",
                "danjon=5|0 to 4",
                "brighterStops=7|\u22126 to 6",
                "everySeconds=5|10 to 1200 s",
                "focal=9|mm",
                "night=1999-05-05|2000-01-02"
            })
    void bad_entries_are_answered_and_kept(String query, String answer) throws Exception {
        String night = query.startsWith("night") ? "" : TOTAL;
        assertThat(Ask.refused(web, "/events/eclipse?place=" + coast() + night + "&" + query))
                .contains(answer, "value=\"" + query.split("=")[1]);
    }

    @Test
    void what_is_not_there_is_said() throws Exception {
        assertThat(Ask.ok(web, "/events/eclipse?place=" + coast() + "&night=2027-06-08"))
                .contains("No eclipse of the moon in this night");
        web.perform(get("/events/eclipse?place=999999")).andExpect(status().isNotFound());
        assertThat(Ask.ok(web, "/events/eclipse/card?place=" + coast() + "&night=2027-06-08"))
                .contains("no eclipse to make a card of");
    }

    /** By day nothing is seen, and nothing of it can be planned. */
    @Test
    void an_eclipse_below_the_horizon_is_not_offered_as_an_outing() throws Exception {
        long far = place(-36.8, 174.8, "Pacific/Auckland");
        String page = Ask.ok(web, "/events/eclipse?place=" + far + "&night=2029-12-20");
        assertThat(page).doesNotContain("Plan it as an outing").contains("the moon is down");
    }

    @ParameterizedTest
    @CsvSource({
        "90, 0, UTC",
        "-90, 0, UTC",
        "0, 180, Pacific/Fiji",
        "69.6, 18.9, Europe/Oslo",
        "-43.9, 170.4, Pacific/Auckland"
    })
    void every_place_on_earth_has_its_pages(double latitude, double longitude, String zone) throws Exception {
        long id = place(latitude, longitude, zone);
        for (String night : List.of("2028-12-31", "2029-06-25", "2029-12-20", "2027-02-20")) {
            Ask.ok(web, "/events/eclipse?place=" + id + "&night=" + night);
            Ask.ok(web, "/events/moon?place=" + id + "&night=" + night);
        }
        Ask.ok(web, "/events/eclipse?place=" + id);
        Ask.ok(web, "/events?place=" + id);
    }

    /** A skyline in the way hides the beginning. */
    @Test
    void a_skyline_shortens_what_is_seen() throws Exception {
        long id = coast();
        assertThat(Ask.ok(web, "/events/eclipse?place=" + id + TOTAL)).contains("115 in all");
        places.saveSkyline(id, Skyline.of(List.of(new Skyline.Point(0, 55), new Skyline.Point(180, 55))));
        assertThat(Ask.ok(web, "/events/eclipse?place=" + id + TOTAL))
                .doesNotContain("115 in all")
                .contains("up from 2");
    }

    @Test
    void the_card_holds_contacts_and_settings() throws Exception {
        assertThat(Ask.ok(web, "/events/eclipse/card?place=" + coast() + TOTAL))
                .contains("totality begins", "22:15:1", "In totality", "Look at the first frame of totality");
    }

    private long planned(String... fields) throws Exception {
        var request = post("/outings");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        String to = Ask.to(web, request);
        return Long.parseLong(to.substring(to.lastIndexOf('/') + 1));
    }

    /** What the page worked out is the first take of the outing; shifted in the field, and no farther than the range. */
    @Test
    void an_eclipse_becomes_an_outing_with_its_take() throws Exception {
        long id = planned(
                "title",
                "Eclipse",
                "place",
                "" + coast(),
                "night",
                "2029-12-20",
                "subject",
                "lunar-eclipse",
                "name",
                "Close",
                "rig",
                "" + longRig(),
                "focal",
                "400",
                "aperture",
                "5.6",
                "switchAt",
                "0.8",
                "danjon",
                "3",
                "brighterStops",
                "0",
                "everySeconds",
                "180");
        Take take = takes.of(id).get(0).take();
        assertThat(take.subject()).isEqualTo(new EclipsedMoon(180, 0.8, 3, 0, 0));
        assertThat(take.asked().onLensMm()).isEqualTo(400);
        String field = "/outings/" + id + "/field";
        String key = "" + takes.of(id).get(0).id();
        assertThat(Ask.ok(web, field)).contains("too dark: a stop brighter");
        web.perform(post(field + "/brighter").param("take", key).param("stops", "1"))
                .andExpect(status().is3xxRedirection());
        assertThat(takes.of(id).get(0).take().subject()).isEqualTo(new EclipsedMoon(180, 0.8, 3, 0, 1));
        for (String bad : List.of("x", "", "9")) {
            web.perform(post(field + "/brighter").param("take", key).param("stops", bad))
                    .andExpect(status().is3xxRedirection());
        }
        web.perform(post(field + "/brighter").param("take", key).param("stops", "6"))
                .andExpect(status().is3xxRedirection());
        assertThat(takes.of(id).get(0).take().subject()).isEqualTo(new EclipsedMoon(180, 0.8, 3, 0, 1));
        web.perform(post(field + "/brighter").param("take", key).param("stops", "-1"))
                .andExpect(status().is3xxRedirection());
        assertThat(takes.of(id).get(0).take().subject()).isEqualTo(new EclipsedMoon(180, 0.8, 3, 0, 0));
    }

    /** The number of frames on the page is that of the take which its button plans. */
    @Test
    void the_page_counts_the_frames_of_the_take() throws Exception {
        long place = coast();
        long id = planned(
                "title",
                "Eclipse",
                "place",
                "" + place,
                "night",
                "2029-12-20",
                "subject",
                "lunar-eclipse",
                "name",
                "Close",
                "rig",
                "" + longRig(),
                "focal",
                "400",
                "aperture",
                "5.6",
                "everySeconds",
                "240");
        Matcher said = Pattern.compile(", (\\d+) in all")
                .matcher(Ask.ok(web, "/events/eclipse?place=" + place + TOTAL + "&everySeconds=240"));
        assertThat(said.find()).isTrue();
        String sheet = Ask.ok(web, "/api/outings/" + id + "/sheet");
        int frames = Pattern.compile("(\\d+) \u00d7 1/")
                .matcher(sheet)
                .results()
                .mapToInt(m -> Integer.parseInt(m.group(1)))
                .sum();
        assertThat(frames).isEqualTo(Integer.parseInt(said.group(1)));
    }

    /** A take that cannot be is refused with its reason, and no outing is begun. */
    @Test
    void a_take_that_cannot_be_begins_no_outing() throws Exception {
        assertThat(Ask.refused(
                        web,
                        post("/outings?title=Never begun&place=" + coast()
                                + "&night=2029-12-20&subject=lunar-eclipse&rig=" + longRig() + "&focal=9")))
                .contains("The take cannot be planned");
        assertThat(Ask.ok(web, "/outings?search=Never+begun")).doesNotContain(">Never begun<");
    }

    @Test
    void the_moon_shows_its_light_limits_and_schools() throws Exception {
        String page =
                Ask.ok(web, "/events/moon?rig=" + longRig() + "&place=" + coast() + "&night=2027-06-18&time=00:30");
        assertThat(page)
                .contains("full, 100 % lit", "f/11 and 1/ISO", "stops darker than this moon needs", "whole frame")
                .contains("black sky fools it, the moon burns", "its own motion", "2 \u00d7 converter")
                .contains("Evening: moon and land")
                .doesNotContain("earthshine");
        String windy = Ask.ok(
                web,
                "/events/moon?rig=" + longRig() + "&place=" + coast()
                        + "&night=2027-06-18&time=00:30&wind=6&focal=400&aperture=5.6");
        assertThat(windy).contains("wind on the tripod").contains("1/640 s at ISO 320");
        assertThat(Ask.ok(web, "/events/moon?place=" + coast() + "&night=2027-06-07&time=22:00"))
                .contains("by earthshine");
        assertThat(Ask.ok(web, "/events/moon?place=" + coast() + "&night=2027-06-18&time=15:00"))
                .contains("The moon is down");
        for (String bad : List.of("haze=4", "stabiliser=9", "wind=61")) {
            web.perform(get("/events/moon?place=" + coast() + "&night=2027-06-18&" + bad))
                    .andExpect(status().isUnprocessableEntity());
        }
        web.perform(get("/events/moon?place=999999")).andExpect(status().isNotFound());
    }

    @Test
    void a_moon_becomes_an_outing_too() throws Exception {
        long id = planned(
                "title",
                "Moon",
                "place",
                "" + coast(),
                "night",
                "2027-06-18",
                "subject",
                "moon",
                "name",
                "Moon",
                "rig",
                "" + longRig(),
                "focal",
                "400",
                "aperture",
                "5.6");
        assertThat(takes.of(id).get(0).take().subject()).isInstanceOf(Moon.class);
    }

    /** In the close picture the moon of totality is red and that of the night before grey. */
    @Test
    void the_close_picture_shows_the_shadow() throws Exception {
        String any = "/frame/close.jpg?rig=" + longRig() + "&place=" + coast()
                + "&focal=400&aperture=5.6&put=moon&kelvin=5200";
        String close = any + "&across=1.6";
        double[] red = middle(close + TOTAL + "&time=22:42&shutter=0.25&iso=25600");
        double[] grey = middle(close + "&night=2029-12-19&time=22:42&shutter=0.0025&iso=100");
        assertThat(red[0] / red[2]).isGreaterThan(2);
        assertThat(grey[0] / grey[2]).isBetween(0.8, 1.3);
        web.perform(get(any + TOTAL + "&across=99")).andExpect(status().isUnprocessableEntity());
        web.perform(get(close + TOTAL + "&danjon=9")).andExpect(status().isUnprocessableEntity());
    }

    private double[] middle(String address) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(Ask.bytes(web, address)));
        double[] sum = new double[3];
        for (int y = 150; y < 220; y++) {
            for (int x = 350; x < 430; x++) {
                for (int c = 0; c < 3; c++) {
                    sum[c] += image.getRGB(x, y) >> (16 - 8 * c) & 255;
                }
            }
        }
        return sum;
    }
}
