package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record FrameApiTest(MockMvc web) {

    private static final String WHERE = "?lat=37.6012&lon=-8.7921&elevation=31&time=2027-06-09T00:10:00Z";
    private static final String STARS =
            "/api/frame/stars" + WHERE + "&azimuth=176&altitude=23&focal=20&sensorWidth=36&sensorHeight=24";
    private static final String PHOTOGRAPH = "/api/frame/photograph.png" + WHERE
            + "&azimuth=176&altitude=23&focal=20&aperture=1.8&shutter=8&iso=3200&pixelsAcross=7040&width=300";

    private JsonNode stars(String more) throws Exception {
        return Ask.json(web, STARS + more);
    }

    private JsonNode position(String body) throws Exception {
        return Ask.json(web, "/api/position" + WHERE + "&body=" + body);
    }

    /** Gnomonic projection about the axis by spherical trigonometry, against the camera's vectors. */
    @ParameterizedTest
    @CsvSource({"Antares, 0", "Antares, 25", "Shaula, 0", "Shaula, -90", "Kaus Australis, 10"})
    void stars_stand_where_spherical_trigonometry_puts_them(String name, double roll) throws Exception {
        JsonNode found = null;
        for (JsonNode star : stars("&maxMagnitude=3&roll=" + roll)) {
            if (name.equals(star.path("name").asText())) {
                found = star;
            }
        }
        JsonNode at = position(name);
        double a = Math.toRadians(at.path("azimuthDeg").asDouble() - 176);
        double h = Math.toRadians(at.path("airlessAltitudeDeg").asDouble());
        double h0 = Math.toRadians(23);
        double cos = Math.sin(h0) * Math.sin(h) + Math.cos(h0) * Math.cos(h) * Math.cos(a);
        double x = 20 * Math.cos(h) * Math.sin(a) / cos;
        double y = -20 * (Math.cos(h0) * Math.sin(h) - Math.sin(h0) * Math.cos(h) * Math.cos(a)) / cos;
        double r = Math.toRadians(roll);
        double turnedX = x * Math.cos(r) + y * Math.sin(r);
        double turnedY = -x * Math.sin(r) + y * Math.cos(r);
        if (Math.abs(turnedX) > 18 || Math.abs(turnedY) > 12) {
            assertThat(found).isNull();
            return;
        }
        double pixel = 36.0 / 7040;
        assertThat(found.path("x").asDouble()).isCloseTo(turnedX, within(0.2 * pixel));
        assertThat(found.path("y").asDouble()).isCloseTo(turnedY, within(0.2 * pixel));
    }

    @Test
    void fainter_limits_give_more_stars_and_all_lie_on_the_sensor() throws Exception {
        JsonNode few = stars("&maxMagnitude=3");
        JsonNode many = stars("&maxMagnitude=6");
        assertThat(many.size()).isGreaterThan(5 * few.size());
        for (JsonNode s : many) {
            assertThat(Math.abs(s.path("x").asDouble())).isLessThanOrEqualTo(18);
            assertThat(Math.abs(s.path("y").asDouble())).isLessThanOrEqualTo(12);
        }
    }

    @Test
    void a_photograph_is_a_picture_of_the_wanted_size_and_the_same_again() throws Exception {
        byte[] one = Ask.bytes(web, get(PHOTOGRAPH + "&seed=4"), MediaType.IMAGE_PNG_VALUE);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(one));
        assertThat(image.getWidth()).isEqualTo(300);
        assertThat(image.getHeight()).isEqualTo(200);
        byte[] again = Ask.bytes(web, PHOTOGRAPH + "&seed=4");
        byte[] other = Ask.bytes(web, PHOTOGRAPH + "&seed=5");
        assertThat(again).isEqualTo(one);
        assertThat(other).isNotEqualTo(one);
    }

    @Test
    void the_linear_frame_is_a_tiff_of_sixteen_bits() throws Exception {
        byte[] tiff = Ask.bytes(web, get(PHOTOGRAPH.replace(".png", ".tiff")), "image/tiff");
        assertThat(ImageIO.read(new ByteArrayInputStream(tiff)).getSampleModel().getSampleSize(0))
                .isEqualTo(16);
    }

    @Test
    void white_balance_and_a_modified_sensor_change_the_picture() throws Exception {
        for (String more : new String[] {"&kelvin=3000", "&tint=20", "&modified=true"}) {
            assertThat(Ask.bytes(web, PHOTOGRAPH + more)).isNotEqualTo(Ask.bytes(web, PHOTOGRAPH));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "kelvin=900|2000 to 12000",
                "tint=80|50",
                "width=5|16 to 2400",
                "darkness=12|1 to 9",
                "seed=x|is not a number",
                "roll=400|180",
                "tilt=3|tilt is not known"
            })
    void bad_requests_are_problems(String query, String words) throws Exception {
        String base = query.startsWith("width") ? PHOTOGRAPH.replace("&width=300", "") : PHOTOGRAPH;
        web.perform(get(base + "&" + query))
                .andExpect(status().isBadRequest())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(content().string(containsString(words)));
    }
}
