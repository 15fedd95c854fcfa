package dev.halfdusk.app.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.core.ground.Mark;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FramePagesTest extends StoringTest {

    private String base;

    @BeforeEach
    void place() {
        long id =
                made.coast("Coast", new Mark("Stack <1>", 170, 200, 40, 20, 0)).id();
        base = "?rig=1&place=" + id + "&night=2027-06-08";
    }

    private static String value(String page, String field) {
        return page.replaceAll("(?s).*name=\"" + field + "\"[^>]*value=\"([^\"]*)\".*", "$1");
    }

    @Test
    void the_drawing_is_small_and_holds_what_is_in_the_frame() throws Exception {
        String page = Ask.ok(web, "/frame" + base);
        String svg = page.substring(page.indexOf("frame-air") - 400, page.lastIndexOf("</svg>"));
        assertThat(svg.length()).isLessThan(150_000);
        assertThat(page).contains(">core</text>").contains("Stack &lt;1&gt;").contains("84\u00b0 \u00d7 62\u00b0");
        assertThat(Ask.ok(web, "/frame" + base + "&upright=on")).contains("62\u00b0 \u00d7 84\u00b0");
        assertThat(Ask.ok(web, "/frame" + base + "&grid=on&figures=on&drift=on").length())
                .isGreaterThan(page.length());
    }

    @Test
    void things_are_put_where_they_are_wanted() throws Exception {
        String pole = Ask.ok(web, "/frame" + base + "&put=pole&third=lower");
        assertThat(value(pole, "azimuth")).isEqualTo("0");
        assertThat(Double.parseDouble(value(pole, "altitude"))).isBetween(44.0, 52.0);
        String mark = Ask.ok(
                web,
                get("/frame" + base + "&third=centre&azimuth=10&altitude=10").param("put", "mark-Stack <1>"));
        assertThat(Double.parseDouble(value(mark, "azimuth"))).isBetween(169.9, 170.1);
        assertThat(Ask.ok(web, "/frame" + base + "&put=nonsense")).contains("45\u00b0 up");
    }

    @Test
    void stepping_the_ribbon_moves_the_sky_and_not_the_camera() throws Exception {
        String one = Ask.ok(web, "/frame" + base + "&azimuth=180&altitude=20&minute=700");
        String later = Ask.ok(web, "/frame" + base + "&azimuth=180&altitude=20&minute=760");
        assertThat(value(one, "azimuth")).isEqualTo(value(later, "azimuth"));
        assertThat(one).contains("23:40");
        assertThat(later).contains("00:40").isNotEqualTo(one);
    }

    @Test
    void the_photograph_and_its_crop_are_pictures() throws Exception {
        assertThat(Ask.ok(web, "/frame" + base + "&view=photograph"))
                .contains("/frame/photograph.jpg?", "Simulated photograph at");
        for (String path : new String[] {"/frame/photograph.jpg" + base, "/frame/crop.jpg" + base + "&x=0&y=1"}) {
            byte[] png = Ask.bytes(web, get(path + "&azimuth=170&altitude=20"), "image/jpeg");
            assertThat(ImageIO.read(new ByteArrayInputStream(png)).getWidth()).isIn(960, 600);
        }
        web.perform(get("/frame/photograph.jpg" + base + "&focal=9")).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void trails_say_how_long_they_take_and_how_wide_their_gaps_are() throws Exception {
        assertThat(Ask.ok(web, "/frame" + base + "&frames=120&shutter=30&pause=1"))
                .contains("120 frames, 1 h 2 min, arcs of 15.5\u00b0", "gaps of 0.3 px");
    }

    @Test
    void a_panorama_lists_its_frames_and_warns_of_a_high_arch() throws Exception {
        String low = Ask.ok(web, "/frame/panorama" + base + "&minute=600&upright=on");
        assertThat(low).contains("between them").contains("would allow");
        String high = Ask.ok(web, "/frame/panorama" + base + "&minute=960");
        assertThat(high).contains("too high for one row");
        assertThat(Ask.ok(web, "/frame/panorama" + base + "&range=own&left=170&right=190&top=20"))
                .contains(">frames</span>");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/frame|focal=9|20 to 20 mm",
                "/frame|azimuth=500&altitude=3|0 to 360",
                "/frame|roll=x|is not a number",
                "/frame|frames=0|1 to 2000",
                "/frame|shutter=0|14400 s",
                "/frame|kelvin=100|2000 to 12000 K",
                "/frame|lamp=-1|0 to 1000 lx",
                "/frame|night=1850-01-01|2000-01-02",
                "/frame/panorama|overlap=90|10 to 70 %",
                "/frame/panorama|click=0|1 to 60",
                "/frame/panorama|range=own&top=95|89"
            })
    void bad_entries_are_answered(String path, String query, String answer) throws Exception {
        String start = query.contains("night=") ? base.replace("&night=2027-06-08", "") : base;
        assertThat(Ask.refused(web, path + start + "&" + query)).contains(answer);
    }

    @ParameterizedTest
    @CsvSource({"-90,0,UTC", "90,0,UTC", "69.65,18.96,Europe/Oslo", "-43.9,170.4,Pacific/Auckland", "0,180,Pacific/Fiji"
    })
    void every_place_on_earth_has_a_frame(double latitude, double longitude, String zone) throws Exception {
        long id = made.place("Far", latitude, longitude, 0, zone).id();
        for (String night : new String[] {"2027-06-21", "2027-12-21"}) {
            Ask.ok(web, "/frame?place=" + id + "&night=" + night);
            Ask.ok(web, "/frame/panorama?place=" + id + "&night=" + night);
            web.perform(get("/frame/photograph.jpg?place=" + id + "&night=" + night))
                    .andExpect(status().isOk());
        }
    }

    @Test
    void what_is_counted_in_a_photograph_is_said_and_refused_where_it_cannot_be_taken() throws Exception {
        assertThat(Ask.ok(web, "/frame/counted?rig=1&place=1&night=2027-06-08&iso=51200&shutter=30"))
                .contains("of the sensor burnt", "id=\"counted\"");
        web.perform(get("/frame/counted?rig=1&place=1&iso=x")).andExpect(status().isUnprocessableEntity());
        web.perform(get("/frame/photograph-to-keep.png?rig=1&place=1&tint=99"))
                .andExpect(status().isUnprocessableEntity());
    }

    /** What is chosen is in the picture's address and in the picture, and said where it comes from. */
    @Test
    void clouds_limits_and_distortion_change_the_photograph() throws Exception {
        String photograph = "/frame/photograph.jpg" + base;
        byte[] plain = png(photograph);
        for (String what : List.of("clouds=veil", "clouds=broken", "limits=on", "distortion=-4")) {
            assertThat(png(photograph + "&" + what)).as(what).isNotEqualTo(plain);
        }
        assertThat(png(photograph + "&clouds=none")).isEqualTo(plain);
        assertThat(Ask.ok(web, "/frame" + base + "&view=photograph&clouds=veil&sensor=30"))
                .contains("high 75 % of the sky", "clouds=veil", "sensor=30");
        assertThat(Ask.ok(web, "/frame?rig=1&place=1&night=2029-06-08&clouds=forecast"))
                .contains("no forecast reaches");
        assertThat(Ask.refused(web, "/frame?rig=1&place=1&clouds=frogs")).contains("Choose one of the list.");
        assertThat(Ask.refused(web, "/frame?rig=1&place=1&distortion=11")).contains("10 %");
        web.perform(get("/frame?rig=1&place=1&sensor=61")).andExpect(status().isUnprocessableEntity());
    }

    private byte[] png(String address) throws Exception {
        return Ask.bytes(web, address);
    }

    /** One exposure in three balances: the first third of a row is that of the picture taken alone. */
    @Test
    void balances_stand_side_by_side() throws Exception {
        BufferedImage three = ImageIO.read(new ByteArrayInputStream(
                Ask.bytes(web, "/frame/balances.jpg?rig=1&place=1&night=2027-06-08&upright=on")));
        assertThat(three.getWidth()).isEqualTo(3 * 240);
        assertThat(three.getHeight()).isEqualTo(360);
        double[] blue = new double[3];
        for (int y = 0; y < 200; y += 5) {
            for (int x = 0; x < 720; x++) {
                int rgb = three.getRGB(x, y);
                blue[x / 240] += (rgb & 0xff) - (rgb >> 16 & 0xff);
            }
        }
        assertThat(blue[1]).isGreaterThan(blue[0]); // tungsten is bluest
        assertThat(blue[0]).isGreaterThan(blue[2]); // daylight warmest
    }
}
