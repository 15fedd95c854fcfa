package dev.halfdusk.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BenchPagesTest extends StoringTest {

    private long coast;

    @BeforeEach
    void place() {
        coast = made.coast("Coast").id();
    }

    private String body(String query) throws Exception {
        return Ask.ok(web, "/bench?place=" + coast + "&night=2027-06-08" + query);
    }

    private static String figure(String page, int which) {
        String[] parts = page.split("class=\"figure\">");
        return parts[which].substring(0, parts[which].indexOf('<'));
    }

    @Test
    void the_sky_decides_the_iso() throws Exception {
        String dark = body("&darkness=2");
        String city = body("&darkness=8");
        assertThat(dark).contains("nine tenths of the frame", "ISO by every school", "One class darker");
        assertThat(Double.parseDouble(figure(dark, 1))).isEqualTo(Double.parseDouble(figure(city, 1)));
        assertThat(Integer.parseInt(figure(dark, 3))).isGreaterThan(2 * Integer.parseInt(figure(city, 3)));
    }

    @Test
    void a_tracker_changes_the_question() throws Exception {
        String page = body("&rig=2&focal=35&aperture=2");
        assertThat(page).contains("The ground is smeared by");
        assertThat(Double.parseDouble(figure(page, 1))).isGreaterThanOrEqualTo(60);
    }

    @Test
    void every_part_answers() throws Exception {
        assertThat(body("&part=ground&near=4")).contains("Blend the frame of the stars with");
        assertThat(body("&part=ground&near=1.2"))
                .containsPattern("Sharp from there takes \\d+ frames beside that of the stars, from .* it takes fewer")
                .contains("or in blue hour");
        assertThat(body("&part=ground&lumen=100&beam=30&lampDistance=5&lampIso=800&rig=1&aperture=4"))
                .contains("1/4 s</strong> held still");
        assertThat(body("&part=stops&t1=8&n1=2.8&iso1=3200&free=SHUTTER&n2=2.8&iso2=12800"))
                .contains(">2 s<");
        assertThat(body("&part=test&seen=SOFT")).contains("a bright star at full magnification");
        assertThat(body("&part=nonsense")).contains("Peak of the sky");
    }

    @Test
    void the_core_below_the_horizon_leaves_the_typed_direction() throws Exception {
        assertThat(body("&time=13:00")).contains("<span>at the winter Milky Way, ");
        assertThat(body("&time=13:00&aim=point&azimuth=90&altitude=40")).contains("<span>90\u00b0 E, 40\u00b0 up");
        assertThat(body("&aim=point&azimuth=0&altitude=37&upright=on"))
                .contains("<span>0\u00b0 N", "62\u00b0 \u00d7 84\u00b0");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "focal=35|20 to 20 mm",
                "aperture=1.2|1.8 to 22",
                "tolerance=0|0.5 to 20 px",
                "snr=0|1 to 500",
                "sharp=nobody|all, most, half or aim",
                "time=late|hours and minutes",
                "darkness=30|darkness class",
                "aim=point&azimuth=0&altitude=-95|89 to 90",
                "night=1999-01-01|2000-01-02",
                "part=ground&near=0|0.2 to 1000 m",
                "part=ground&beam=400|1 to 180",
                "part=stops&t1=x|is not a number",
                "part=stops&exponent=9|1 to 1.6",
                "part=test&shotIso=1|25 to 819200",
                "part=test&seen=UFO|Choose what the frame showed"
            })
    void bad_entries_are_answered_and_kept(String query, String answer) throws Exception {
        String rest = query.contains("night=") ? "" : "&night=2027-06-08";
        assertThat(Ask.refused(web, "/bench?place=" + coast + rest + "&" + query))
                .contains(answer);
    }

    /** Other gear takes the numbers along into its range and says so; the same gear refuses what it cannot do. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rig=1&focal=35&aperture=1.4&fitted=2:35|20|1.8|35 moved to 20",
                "rig=1&focal=20&aperture=1.4&fitted=2:20|20|1.8|1.4 moved to 1.8",
                "rig=2&focal=35&aperture=2&fitted=1:20|35|2|",
                "rig=1&focal=20&aperture=1.4&fitted=1:20|||1.4 is outside what is allowed",
                "rig=1&focal=x&aperture=2&fitted=2:35|||is not a number"
            })
    void another_rig_moves_the_lens_into_its_range(String query, String focal, String aperture, String words)
            throws Exception {
        String page = web.perform(get("/bench?place=" + coast + "&night=2027-06-08&" + query))
                .andExpect(focal == null ? status().isUnprocessableEntity() : status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
        if (focal != null) {
            assertThat(page).contains("name=\"focal\" type=\"text\" value=\"" + focal + "\"");
            assertThat(page).contains("name=\"aperture\" type=\"text\" value=\"" + aperture + "\"");
            assertThat(page.contains("hx-swap-oob=\"true\"")).isEqualTo(words != null);
        }
        if (words != null) {
            assertThat(page).contains(words);
        }
    }

    /** Stricter means shorter, in the address as on the page. */
    @Test
    void who_must_stay_sharp_decides_the_shutter() throws Exception {
        double all = Double.parseDouble(figure(body("&sharp=all"), 1));
        double most = Double.parseDouble(figure(body("&sharp=most"), 1));
        double half = Double.parseDouble(figure(body("&sharp=half"), 1));
        assertThat(all).isLessThan(most);
        assertThat(most).isLessThan(half);
        assertThat(Double.parseDouble(figure(body(""), 1))).as("unasked").isEqualTo(most);
    }

    @ParameterizedTest
    @CsvSource({"69.65,18.96,Europe/Oslo,2027-06-21", "-77.8,166.7,Antarctica/McMurdo,2027-06-21", "90,0,UTC,2027-12-21"
    })
    void midnight_sun_and_polar_night_have_answers(double latitude, double longitude, String zone, String night)
            throws Exception {
        long far = made.place("Far", latitude, longitude, 0, zone).id();
        for (String part : new String[] {"stars", "ground", "stops", "test"}) {
            web.perform(get("/bench?place=" + far + "&night=" + night + "&part=" + part))
                    .andExpect(status().isOk());
        }
    }
}
