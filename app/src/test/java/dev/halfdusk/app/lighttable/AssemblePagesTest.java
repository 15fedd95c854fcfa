package dev.halfdusk.app.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.xmp.XmpDirectory;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Four frames of half a minute each around the pole, half a minute apart. */
@PageTest
record AssemblePagesTest(
        MockMvc web,
        ObjectMapper json,
        Path dataFolder,
        Places places,
        Outings outings,
        Takes takes,
        Kit kit,
        Clock clock,
        Made made) {

    private static final Instant BEGIN = Instant.parse("2027-06-08T01:30:00Z");

    private static int calls;

    private byte[] frame(int second, int width) throws Exception {
        return frame(second, width, 30);
    }

    private byte[] frame(int second, int width, int shutter) throws Exception {
        return Ask.bytes(
                web,
                "/api/frame/photograph.png?lat=37.6&lon=-8.8&azimuth=0&altitude=37&focal=35&aperture=2.8"
                        + "&shutter=" + shutter + "&iso=800&darkness=21.3&width=" + width + "&time="
                        + BEGIN.plusSeconds(second));
    }

    private String finished(String address, String waiting) throws Exception {
        for (int i = 0; i < 900; i++) {
            var answer = web.perform(get(address)).andReturn().getResponse();
            if (answer.getRedirectedUrl() != null) {
                return answer.getRedirectedUrl();
            }
            if (!answer.getContentAsString().contains(waiting)) {
                return answer.getContentAsString();
            }
            Thread.sleep(100);
        }
        throw new AssertionError("it never ends");
    }

    private List<String> laid(int... widths) throws Exception {
        var all = multipart("/lighttable");
        calls++; // frames of other tests may lie on the table too
        for (int i = 0; i < widths.length; i++) {
            all.file(new MockMultipartFile("files", "put" + calls + "-" + i + ".png", null, frame(60 * i, widths[i])));
        }
        String page = finished(Ask.to(web, all.param("of", "stars")), "Reading frames");
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < widths.length; i++) {
            Matcher m = Pattern.compile(
                            "value=\"([0-9a-f-]{36})\"[^>]*aria-label=\"put" + calls + "-" + i + ".png is put together")
                    .matcher(page);
            String last = null;
            while (m.find()) {
                last = m.group(1);
            }
            assertThat(last).as("frame %d in %s", i, page).isNotNull();
            ids.add(last);
        }
        return ids;
    }

    private static byte[] black(int width) throws Exception {
        var out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, width * 2 / 3, BufferedImage.TYPE_3BYTE_BGR), "png", out);
        return out.toByteArray();
    }

    /** Names of the frames whose box of a kind is ticked. */
    private static List<String> ticked(String page, String kind) {
        return Pattern.compile("name=\"" + kind + "\"[^>]*aria-label=\"([^\"]*)\"[^>]*checked")
                .matcher(page)
                .results()
                .map(r -> r.group(1))
                .toList();
    }

    /** Three frames, one of five times their light, one with the cap on. */
    @Test
    void what_belongs_together_is_ticked() throws Exception {
        String page = finished(
                Ask.to(
                        web,
                        multipart("/lighttable")
                                .file(new MockMultipartFile("files", "cap.png", null, black(520)))
                                .file(new MockMultipartFile("files", "long.png", null, frame(400, 520, 150)))
                                .file(new MockMultipartFile("files", "one.png", null, frame(0, 520)))
                                .file(new MockMultipartFile("files", "two.png", null, frame(60, 520)))
                                .file(new MockMultipartFile("files", "three.png", null, frame(120, 520)))),
                "Reading frames");
        Matcher first =
                Pattern.compile("/lighttable\\?frame=([0-9a-f-]{36})\">one.png").matcher(page);
        assertThat(first.find()).isTrue();
        String shown = new String(bytes("/lighttable?frame=" + first.group(1)), "UTF-8");
        assertThat(ticked(shown, "ids"))
                .containsExactlyInAnyOrder(
                        "one.png is put together", "two.png is put together", "three.png is put together");
        assertThat(ticked(shown, "land")).containsExactly("the land of long.png is taken");
        assertThat(ticked(shown, "dark")).containsExactly("cap.png is a dark frame");
        assertThat(shown).containsPattern("id=\"what-blend\" value=\"blend\" checked");
        assertThat(shown.indexOf("three.png is put")).isLessThan(shown.indexOf("cap.png is put")); // theirs come first
        // nonsense in the address is as if nothing were left out
        web.perform(get("/lighttable").param("frame", first.group(1)).param("out", "soup,'\"<"))
                .andExpect(status().isOk());
    }

    private String put(List<String> ids, String... parameters) throws Exception {
        MockHttpServletRequestBuilder request = post("/assembled");
        ids.forEach(id -> request.param("ids", id));
        for (String p : parameters) {
            request.param(p.substring(0, p.indexOf('=')), p.substring(p.indexOf('=') + 1));
        }
        var answer = web.perform(request).andReturn().getResponse();
        return answer.getRedirectedUrl() == null
                ? answer.getContentAsString()
                : finished(answer.getRedirectedUrl(), "Putting frames together");
    }

    private byte[] bytes(String address) throws Exception {
        return Ask.bytes(web, address);
    }

    private static double mean(BufferedImage image) {
        double sum = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                sum += image.getRGB(x, y) >> 8 & 0xff;
            }
        }
        return sum / image.getWidth() / image.getHeight();
    }

    @Test
    void frames_become_trails_and_a_stack_that_are_kept_until_they_are_thrown_away() throws Exception {
        List<String> ids = laid(600, 600, 600, 600);
        String trails = put(ids, "what=trails", "filled=true", "lines=true");
        assertThat(trails).startsWith("/assembled/");
        String page = new String(bytes(trails), "UTF-8");
        // the last of four opens 180 s after the first: 210 s of sky
        assertThat(page).contains("Trails of 4 frames", "4 minutes of sky, arcs of 0.9°", "600 × 400");
        BufferedImage jpeg = ImageIO.read(new ByteArrayInputStream(bytes(trails + ".jpg")));
        BufferedImage tiff = ImageIO.read(new ByteArrayInputStream(bytes(trails + ".tif")));
        assertThat(jpeg.getWidth()).isEqualTo(600);
        assertThat(tiff.getSampleModel().getSampleSize(0)).isEqualTo(16);
        assertThat(mean(tiff)).isCloseTo(mean(jpeg), within(1.0));
        assertThat(mean(jpeg)).isGreaterThan(mean(ImageIO.read(new ByteArrayInputStream(frame(0, 600)))));
        var xmp = ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes(trails + ".jpg")))
                .getFirstDirectoryOfType(XmpDirectory.class);
        assertThat(xmp.getXmpProperties().values()).contains("Trails of 4 frames", "Half Dusk");
        web.perform(get(trails + ".tif"))
                .andExpect(header().string("Content-Disposition", containsString("trails-of-4-frames.tif")));

        String stack = put(ids, "what=stack", "clipped=true", "still=true");
        assertThat(new String(bytes(stack), "UTF-8"))
                .contains("Stack of 4 frames", "the root of 4 is 2.0", "laid over");
        assertThat(mean(ImageIO.read(new ByteArrayInputStream(bytes(stack + ".jpg")))))
                .isLessThan(mean(jpeg));

        web.perform(post(trails + "/remove"))
                .andExpect(redirectedUrl("/assembled?off=" + trails.substring("/assembled/".length())));
        web.perform(get(trails)).andExpect(status().isNotFound());
        web.perform(get(trails + ".tif")).andExpect(status().isNotFound());
        web.perform(post(trails + "/restore")).andExpect(redirectedUrl(trails));
        web.perform(get(trails)).andExpect(status().isOk());
        web.perform(get("/assembled/..%2f..%2fhalf-dusk.jpg")).andExpect(status().is4xxClientError());
    }

    /** The first look is made of what the light table shows. */
    @Test
    void what_cannot_be_put_together_is_said_and_leaves_nothing_behind() throws Exception {
        List<String> ids = laid(600, 500);
        assertThat(put(List.of())).contains("Choose 2 to 2000 frames; these are 0.");
        assertThat(put(List.of("gone", "too"))).contains("lies no longer on the table");
        assertThat(put(ids, "fade=9")).contains("Fading in:", "0 to 8");
        assertThat(put(ids, "what=trails")).contains("500 × 333 pixels, those before it 600 × 400");
        assertThat(put(ids, "what=stack")).contains("the one in the middle 500 × 333");
        try (Stream<Path> left = Files.list(Files.createDirectories(dataFolder.resolve("assembled")))) {
            assertThat(left.filter(p -> p.toString().endsWith(".part"))).isEmpty();
        }
        web.perform(post("/assembled/cancel").param("job", "gone")).andExpect(redirectedUrl("/assembled"));
        web.perform(get("/assembled").param("job", "gone")).andExpect(status().isOk());
        web.perform(get("/assembled/nonsense")).andExpect(status().isNotFound());
        web.perform(post("/assembled/nonsense/remove")).andExpect(status().isNotFound());
    }

    /** The take of the nearest outing; sixteen frames of it are never files. */
    @Test
    void a_made_up_series_becomes_trails() throws Exception {
        Place place = made.coast("Trail head");
        NamedRig rig = kit.rigs().get(0);
        long outing = outings.save(
                        Outing.fresh("Nothing but trails", place, LocalDate.now(clock.withZone(ZoneOffset.UTC))))
                .id();
        takes.add(outing, Take.of("Round and round", new Trails(20, 30, 2, 0), Takes.camera(rig)), rig.id());
        String address = Ask.to(web, post("/assembled/example"));
        String trails = finished(address, "Putting frames together");
        assertThat(new String(bytes(trails), "UTF-8"))
                .contains("frames that the simulated camera took for", "Trails of 12 frames");
        assertThat(ImageIO.read(new ByteArrayInputStream(bytes(trails + ".jpg")))
                        .getWidth())
                .isEqualTo(1100);
    }

    /** Frames of the sky from two exposures of one camera: those that were open longer lend their land. */
    @Test
    void land_and_dark_frames_have_roles_of_their_own() throws Exception {
        List<String> ids = laid(600, 600, 600, 600);
        assertThat(put(ids.subList(0, 2), "what=blend")).contains("Choose the frames of the land too");
        // a sky alone has no skyline to blend along, and a frame of it lies in both roles until then
        assertThat(put(ids, "what=blend", "land=" + ids.get(3))).contains("no line between sky and land");
        assertThat(put(ids, "what=contest")).contains("They are of 1 ISO settings; two are compared.");
        String lightest = new String(bytes(put(ids, "what=lightest")), "UTF-8");
        assertThat(lightest)
                .contains("exposures agree: f/2.8, ISO 800 in all", "whether the tripod moved cannot be told");
        assertThat(put(ids, "what=glow")).contains("Choose two: one for the moon, one for the land; these are 4.");
        assertThat(put(ids, "what=phases")).contains("A moon is found in 0 of them");
        assertThat(put(ids, "what=clip", "second=99")).contains("Frames a second:", "2 to 60");
        String dark = put(ids, "what=stack", "averaging=MEDIAN", "dark=" + ids.get(3));
        assertThat(new String(bytes(dark), "UTF-8")).contains("Stack of 3 frames", "a dark frame taken off", "median");
        // the sky that was taken off as if it were dark is missing
        assertThat(mean(ImageIO.read(new ByteArrayInputStream(bytes(dark + ".jpg")))))
                .isLessThan(12);
    }

    @Test
    void a_clip_plays_and_what_stands_beside_a_picture_is_smaller() throws Exception {
        List<String> ids = laid(600, 600, 600, 600);
        String clip = put(ids, "what=clip", "second=4", "even=true");
        assertThat(new String(bytes(clip), "UTF-8"))
                .contains("1.0 s at 4 frames a second, brightness evened out", "<video");
        byte[] film = bytes(clip + ".mp4");
        assertThat(new String(film, 4, 4, "US-ASCII")).isEqualTo("ftyp");
        assertThat(film.length).isGreaterThan(20_000);
        web.perform(get(clip + ".tif")).andExpect(status().isNotFound());
        String stack = put(ids, "what=stack", "averaging=CLIPPED");
        assertThat(new String(bytes(stack), "UTF-8"))
                .contains("1 frame: noise", "4 frames: noise", "Left to develop, in this order", "Noise, at 100 %");
        assertThat(ImageIO.read(new ByteArrayInputStream(bytes(stack + "/2.jpg")))
                        .getWidth())
                .isEqualTo(300);
        web.perform(get(stack + "/3.jpg")).andExpect(status().isNotFound());
        // what is looked at is brighter than its file
        assertThat(mean(ImageIO.read(new ByteArrayInputStream(bytes(stack + "/seen.jpg")))))
                .isGreaterThan(1.2 * mean(ImageIO.read(new ByteArrayInputStream(bytes(stack + ".jpg")))));
    }

    @Test
    void programs_begin_a_job_and_ask_how_far_it_is() throws Exception {
        List<String> ids = laid(500, 500);
        MockHttpServletRequestBuilder request = post("/api/frames/assemble").param("what", "trails");
        ids.forEach(id -> request.param("ids", id));
        JsonNode begun = json.readTree(web.perform(request)
                .andExpect(status().isAccepted())
                .andReturn()
                .getResponse()
                .getContentAsString());
        JsonNode job = begun;
        for (int i = 0; i < 300 && !job.at("/finished").asBoolean(); i++) {
            Thread.sleep(100);
            job = json.readTree(bytes("/api/jobs/" + begun.at("/id").asText()));
        }
        assertThat(job.at("/steps").asInt()).isEqualTo(2);
        assertThat(job.at("/wrong").isNull()).isTrue();
        assertThat(bytes("/assembled/" + job.at("/picture").asText() + ".jpg")).hasSizeGreaterThan(1000);
        web.perform(get("/api/jobs/gone"))
                .andExpect(status().isNotFound())
                .andExpect(content().contentType("application/problem+json"));
        web.perform(post("/api/frames/assemble").param("what", "trails"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("one of folder and ids")));
        web.perform(post("/api/frames/assemble?what=trails&folder=../.."))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("these are 0")));
        web.perform(post("/api/frames/assemble?what=soup&folder=a")).andExpect(status().isBadRequest());
        web.perform(post("/api/frames/assemble?what=trails&folder=a&fade=20"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("0 to 8")));
    }
}
