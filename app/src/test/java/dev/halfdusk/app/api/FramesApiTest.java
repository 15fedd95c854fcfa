package dev.halfdusk.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageTest;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;

@PageTest
record FramesApiTest(MockMvc web, ObjectMapper json) {

    private static final String TAKEN =
            "?lat=37.6&lon=-8.8&time=2027-06-08T01:30:00Z&azimuth=152&altitude=47&focal=24&width=2000"
                    + "&aperture=2&shutter=25&iso=800&darkness=21.3";

    private MockHttpServletResponse sent(byte[] file, String... parameters) throws Exception {
        MockMultipartHttpServletRequestBuilder request =
                multipart("/api/frames/read").file(new MockMultipartFile("file", "frame", null, file));
        for (String p : parameters) {
            request.param(p.substring(0, p.indexOf('=')), p.substring(p.indexOf('=') + 1));
        }
        return web.perform(request).andReturn().getResponse();
    }

    private JsonNode read(byte[] file, String... parameters) throws Exception {
        MockHttpServletResponse answer = sent(file, parameters);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        return json.readTree(answer.getContentAsString());
    }

    private String refused(byte[] file, String... parameters) throws Exception {
        MockHttpServletResponse answer = sent(file, parameters);
        assertThat(answer.getContentType()).startsWith("application/problem+json");
        assertThat(answer.getStatus()).isEqualTo(400);
        return answer.getContentAsString();
    }

    /** Taken by the simulated camera a little beside where it says it was aimed; 24 mm and 25 s make 2.4 px of 18 µm in the middle, more at the edges. */
    @ParameterizedTest
    @ValueSource(strings = {"tiff", "png"})
    void a_frame_of_the_simulated_camera_is_read(String format) throws Exception {
        byte[] file = Ask.bytes(web, "/api/frame/photograph." + format + TAKEN);
        JsonNode read =
                read(file, "lat=37.6", "lon=-8.8", "azimuthDeg=150", "altitudeDeg=45", "sensorWidth=36", "focal=24.3");
        assertThat(read.at("/stars").asInt()).isGreaterThan(100);
        assertThat(read.at("/aim/azimuthDeg").asDouble()).isCloseTo(152, within(0.05));
        assertThat(read.at("/aim/altitudeDeg").asDouble()).isCloseTo(47, within(0.05));
        assertThat(read.at("/aim/focalMm").asDouble()).isCloseTo(24, within(0.05));
        assertThat(read.at("/streakLengthPx").asDouble()).isBetween(2.2, 3.0);
        assertThat(read.at("/medianWidthPx").asDouble()).isBetween(1.2, 2.4);
        assertThat(read.at("/verdict/0/cause").asText()).isEqualTo("aim");
        assertThat(read.at("/verdict/0/change").asText()).contains("lower").contains("to the left");
        assertThat(read.at("/skyMagPerArcsec2").asDouble()).isCloseTo(20.95, within(format.equals("tiff") ? 0.2 : 1.0));
        assertThat(read.at("/curve").asText()).isEqualTo(format.equals("tiff") ? "linear" : "a camera's curve");
    }

    private static byte[] picture(String format, int type, int width, int height) throws Exception {
        BufferedImage image = new BufferedImage(width, height, type);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(40, 40, 50));
        g.fillRect(0, 0, width, height);
        Random random = new Random(2);
        for (int i = 0; i < 150; i++) { // square stars, twice as wide as high
            int light = 90 + random.nextInt(150);
            g.setColor(new Color(light, light, light));
            g.fillRect(random.nextInt(width), random.nextInt(height), 4, 2);
        }
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    @Test
    void pictures_of_all_kinds_are_read() throws Exception {
        byte[] jpeg = picture("jpeg", BufferedImage.TYPE_3BYTE_BGR, 900, 600);
        JsonNode read = read(jpeg);
        assertThat(read.at("/stars").asInt()).isBetween(100, 260);
        assertThat(read.at("/aim/azimuthDeg").isNull()).isTrue();
        assertThat(read.at("/skyMagPerArcsec2").isNull()).isTrue();
        assertThat(read(picture("png", BufferedImage.TYPE_BYTE_GRAY, 900, 600))
                        .at("/stars")
                        .asInt())
                .isBetween(100, 260);
        assertThat(read(picture("png", BufferedImage.TYPE_INT_ARGB, 900, 600))
                        .at("/stars")
                        .asInt())
                .isBetween(100, 260);
        assertThat(read(picture("png", BufferedImage.TYPE_BYTE_INDEXED, 900, 600))
                        .at("/clippedHigh")
                        .asDouble())
                .isLessThan(0.1);
        assertThat(read(picture("tiff", BufferedImage.TYPE_USHORT_GRAY, 900, 600))
                        .at("/stars")
                        .asInt())
                .isGreaterThan(50);
    }

    /** A file that nothing here knows, with a JPEG somewhere in it, as raw files have. */
    @Test
    void the_picture_in_a_raw_file_is_read_and_said_to_be_that() throws Exception {
        byte[] jpeg = picture("jpeg", BufferedImage.TYPE_3BYTE_BGR, 900, 600);
        byte[] raw = new byte[jpeg.length + 5000];
        new Random(1).nextBytes(raw);
        System.arraycopy(jpeg, 0, raw, 3000, jpeg.length);
        JsonNode read = read(raw);
        assertThat(read.at("/fromRawPreview").asBoolean()).isTrue();
        assertThat(read.at("/stars").asInt()).isBetween(100, 260);
    }

    @Test
    void what_is_no_frame_is_refused_with_the_reason() throws Exception {
        byte[] png = picture("png", BufferedImage.TYPE_3BYTE_BGR, 400, 300);
        assertThat(refused("PK\u0003\u0004 a zip by another name".getBytes(StandardCharsets.ISO_8859_1)))
                .contains("no JPEG, PNG or TIFF");
        assertThat(refused(new byte[0])).contains("no JPEG");
        assertThat(refused(Arrays.copyOf(png, png.length / 2))).contains("cut off");
        byte[] huge = png.clone();
        ByteBuffer.wrap(huge)
                .putInt(16, 30_000)
                .putInt(20, 30_000); // its head says so; the sum does not matter to the reader
        assertThat(refused(huge)).contains("30000").contains("megapixels in all");
        assertThat(refused(picture("png", BufferedImage.TYPE_3BYTE_BGR, 20, 300)))
                .contains("32 to");
        assertThat(refused(png, "latitudeDeg=37")).contains("longitudeDeg");
        assertThat(refused(png, "latitudeDeg=97", "longitudeDeg=0")).contains("latitudeDeg");
        assertThat(refused(png, "sensorWidth=1")).contains("sensorWidth");
        assertThat(refused(png, "time=yesterday")).contains("time");
        assertThat(refused(png, "colour=red")).contains("colour");
        MockHttpServletResponse none =
                web.perform(post("/api/frames/read")).andReturn().getResponse();
        assertThat(none.getStatus()).isEqualTo(400);
        assertThat(none.getContentAsString()).contains("multipart");
        none = web.perform(multipart("/api/frames/read")).andReturn().getResponse();
        assertThat(none.getStatus()).isEqualTo(400);
        assertThat(none.getContentAsString()).contains("file");
    }

    @Test
    void daylight_black_and_cloud_are_not_judged() throws Exception {
        byte[] black = blank(Color.BLACK);
        assertThat(read(black).at("/verdict/0/cause").asText()).isEqualTo("cannot-judge");
        assertThat(read(black).at("/clippedLow").asDouble()).isEqualTo(1);
        assertThat(read(black).at("/medianWidthPx").isNull()).isTrue();
        assertThat(read(blank(Color.WHITE)).at("/verdict/0/evidence").asText()).contains("daylight");
    }

    private static byte[] blank(Color colour) throws Exception {
        BufferedImage image = new BufferedImage(300, 200, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = image.createGraphics();
        g.setColor(colour);
        g.fillRect(0, 0, 300, 200);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    /** Said to be of fireworks, a sky without them is not judged as a sky. */
    @Test
    void what_it_is_of_can_be_said() throws Exception {
        byte[] jpeg = picture("jpeg", BufferedImage.TYPE_3BYTE_BGR, 900, 600);
        assertThat(read(jpeg, "of=fireworks").at("/verdict/0/evidence").asText())
                .contains("no burst");
        assertThat(read(jpeg, "of=stars").at("/verdict/0/evidence").asText()).doesNotContain("burst");
        assertThat(refused(jpeg, "of=nonsense")).contains("of").contains("fireworks");
    }
}
