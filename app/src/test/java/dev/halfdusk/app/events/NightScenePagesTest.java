package dev.halfdusk.app.events;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.core.exposure.NightSceneKind;
import dev.halfdusk.core.take.NightScene;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The pages of a night scene and of writing with light. Times of the deep night, where lamps alone count. */
@PageTest
record NightScenePagesTest(MockMvc web, Takes takes, Made made) {

    private static final String NIGHT = "&night=2027-06-08&time=01:30&focal=20&rig=1&aperture=8";

    private long place() {
        return made.coast("Quay <old>").id();
    }

    private MockHttpServletResponse ask(String path) throws Exception {
        return web.perform(get(URI.create(path))).andReturn().getResponse();
    }

    private String scene(String query) throws Exception {
        MockHttpServletResponse answer = ask("/events/night-scene?place=" + place() + NIGHT + "&" + query);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        return answer.getContentAsString();
    }

    private static String figure(String page, int which) {
        Matcher m = Pattern.compile("class=\"figure\">([^<]*)<").matcher(page);
        for (int i = 0; i < which; i++) {
            assertThat(m.find()).isTrue();
        }
        assertThat(m.find()).isTrue();
        return m.group(1);
    }

    /** f/8 at ISO 100: 64 / 2^EV seconds; EV 4 from a meter is 4 s, of shadows 1 s; 2 s at f/16 and ISO 400 are EV 5, 2 s; film of exponent 1.3 4^1.3 = 6.06 s. */
    @ParameterizedTest
    @CsvSource({
        "view=street&reading=ev&ev=4, 4",
        "view=street&reading=ev&ev=4&metering=shadows, 1",
        "view=street&reading=camera&meterSeconds=2&meterAperture=16&meterIso=400, 2",
        "view=street&reading=ev&ev=4&iso=400, 1",
        "view=street&reading=ev&ev=4&exponent=1.3, 6.1"
    })
    void the_shutter_follows_the_reading(String query, String seconds) throws Exception {
        assertThat(figure(scene(query), 0)).isEqualTo(seconds);
    }

    @Test
    void each_part_says_what_comes_of_it() throws Exception {
        String page = scene(
                "view=street&reading=ev&ev=4&blades=7&diffusion=strong&speed=36&away=50&across=90&frames=3&left=10");
        assertThat(page)
                .contains("Night scene from <span>Quay &lt;old&gt;", "7 blades: 14 rays")
                .contains("A strong diffusion filter takes 0.9 stops from each lamp")
                // 10 m/s at 50 m through 20 mm: 4 mm a second, 16 mm in 4 s of 36; edge to edge 9 s
                .contains(
                        "a lamp draws 16.0 mm on the sensor, 44\u00a0% of the frame&#39;s width".replace("\u00a0", " "))
                .contains("A line from edge to edge takes 9")
                .contains("A bracket of 3, a stop apart: 3 subjects on the 10 frames left")
                .doesNotContain("Halation");
        assertThat(scene("view=street&exponent=1.2")).contains("Halation").contains("Film answers less");
        assertThat(scene("view=street&aperture=1.8").replace("&amp;", "&")).isNotEmpty();
        assertThat(scene("view=street&across=0")).contains("What comes straight on draws no line");
        assertThat(scene("view=street&frames=1&left=4")).contains("One frame, no bracket: 4 subjects");
        // beyond the water there is no road nearer than the quay
        assertThat(scene("view=harbour&away=10")).contains("167 m off");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ev | 30 | 30 is outside what is allowed: \u221210 to 20",
                "meterSeconds | 0 | 0 is outside what is allowed",
                "meterAperture | x | \u201cx\u201d is not a number",
                "blades | 2 | 2 is outside what is allowed: 3 to 24",
                "speed | 0 | 0 is outside what is allowed: 1 to 300 km/h",
                "across | 91 | 91 is outside what is allowed: 0 to 90",
                "exponent | 0.5 | 0.5 is outside what is allowed: 1 to 1.6",
                "frames | 12 | 12 is outside what is allowed: 1 to 9",
                "left | 0 | 0 is outside what is allowed: 1 to 1000",
                "view | circus | Choose one of the list",
                "diffusion | thick | Choose one of the list"
            })
    void bad_input_is_answered_beside_its_field(String field, String typed, String said) throws Exception {
        MockHttpServletResponse refused =
                ask("/events/night-scene?place=" + place() + NIGHT + "&" + field + "=" + typed);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(said);
        assertThat(ask("/events/night-scene/photograph.jpg?place=" + place() + NIGHT + "&" + field + "=" + typed)
                        .getStatus())
                .isEqualTo(422);
    }

    private double[] mean(String query) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(
                ask("/events/night-scene/photograph.jpg?place=" + place() + NIGHT + "&" + query)
                        .getContentAsByteArray()));
        double red = 0;
        double green = 0;
        int half = image.getHeight() / 2;
        for (int y = half; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                red += image.getRGB(x, y) >> 16 & 0xff;
                green += image.getRGB(x, y) >> 8 & 0xff;
            }
        }
        double pixels = (double) half * image.getWidth();
        return new double[] {red / pixels, green / pixels, image.getWidth(), image.getHeight()};
    }

    /** A scene exposed by its own reading comes out the same however bright it is; its ground is warm; one two stops off is darker. */
    @Test
    void the_photograph_goes_by_the_reading() throws Exception {
        double[] dim = mean("view=street&reading=ev&ev=1");
        double[] bright = mean("view=street&reading=ev&ev=5");
        assertThat(dim[1]).isCloseTo(bright[1], within(0.12 * bright[1]));
        assertThat(dim[0]).isGreaterThan(1.1 * dim[1]);
        // shadows at EV 3 are a scene of EV 5 that gets a quarter of what its shadows ask
        assertThat(mean("view=street&reading=ev&ev=3&metering=shadows")[1])
                .isCloseTo(bright[1], within(0.12 * bright[1]));
        // film that loses light to reciprocity is open longer and shows the same
        assertThat(mean("view=street&reading=ev&ev=1&exponent=1.3")[1]).isCloseTo(dim[1], within(0.15 * dim[1]));
        assertThat(mean("view=moonlit")[1]).isLessThan(bright[1]);
        assertThat(mean("view=street&upright=on")[2]).isEqualTo(520);
        assertThat(mean("view=street&upright=on")[3]).isEqualTo(780);
    }

    @Test
    void it_becomes_a_take() throws Exception {
        String page = scene("view=street&reading=ev&ev=4&metering=shadows&exponent=1.2&frames=5");
        Matcher fields = Pattern.compile("<input type=\"hidden\" name=\"([^\"]*)\" value=\"([^\"]*)\"")
                .matcher(page.substring(page.indexOf("action=\"/outings\"")));
        MockHttpServletRequestBuilder make = post("/outings");
        while (fields.find()) {
            make.param(fields.group(1), fields.group(2).replace("&lt;", "<").replace("&gt;", ">"));
        }
        MockHttpServletResponse made = web.perform(make).andReturn().getResponse();
        assertThat(made.getStatus()).as(made.getContentAsString()).isEqualTo(302);
        long outing = Long.parseLong(made.getRedirectedUrl().replaceAll("\\D+", ""));
        assertThat(takes.of(outing).get(0).take().subject())
                .isEqualTo(new NightScene(100, 4, 5, 1.2, true, NightSceneKind.STREET));
        assertThat(takes.of(outing).get(0).take().framed().aim().orElseThrow().azimuthDeg())
                .isEqualTo(60);
    }

    /** Six letters, a second each: 8 s; through 20 mm on 36 × 24 someone of 2.2 m fits at 2.62 m. */
    @Test
    void writing_with_light_is_drawn_to_scale() throws Exception {
        String page = ask("/events/sparklers?rig=1&focal=20&aperture=8").getContentAsString();
        assertThat(figure(page, 0)).isEqualTo("8");
        assertThat(figure(page, 3)).isEqualTo("2.6");
        assertThat(page).contains("The writing is 1.8 m wide", "One sparkler lasts for it", "bucket of water");
        assertThat(ask("/events/sparklers?rig=1&letters=20&pace=3").getContentAsString())
                .contains("Longer than the 40 s that a common sparkler burns");
        for (String bad : new String[] {"letters=0", "letter=3", "pace=x", "iso=1", "focal=5000"}) {
            MockHttpServletResponse refused = ask("/events/sparklers?rig=1&" + bad);
            assertThat(refused.getStatus()).as(bad).isEqualTo(422);
            assertThat(refused.getContentAsString()).contains("value=\"" + bad.replaceAll(".*=", "") + "\"");
        }
        // a rig that is none, as one that was deleted since, is the first there is
        String first = ask("/events/sparklers").getContentAsString();
        for (String gone : new String[] {"abc", "99999"}) {
            MockHttpServletResponse answer = ask("/events/sparklers?rig=" + gone);
            assertThat(answer.getStatus()).isEqualTo(200);
            assertThat(figure(answer.getContentAsString(), 3)).isEqualTo(figure(first, 3));
        }
    }
}
