package dev.halfdusk.app.lighttable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.TestFolder;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Take;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record LightTablePagesTest(MockMvc web, Outings outings, Takes takes, Kit kit, Deletions deletions, Made made) {

    private static final String TAKEN =
            "/api/frame/photograph.png?lat=37.6&lon=-8.8&time=2027-06-08T01:30:00Z&azimuth=152&altitude=47&focal=24&width=900"
                    + "&aperture=2&shutter=120&iso=400&darkness=21.3";

    private byte[] photograph() throws Exception {
        return Ask.bytes(web, TAKEN);
    }

    private static MockMultipartFile file(String name, byte[] bytes) {
        return new MockMultipartFile("files", name, null, bytes);
    }

    /** The page at the end of the reading; where nothing could be read it is refused. */
    private String read(String address) throws Exception {
        for (int i = 0; i < 600; i++) {
            String page = web.perform(get(address)).andReturn().getResponse().getContentAsString();
            if (!page.contains("Reading frames")) {
                return page;
            }
            assertThat(page).contains("hx-get=\"" + address);
            Thread.sleep(100);
        }
        throw new AssertionError("it never ends");
    }

    private static String found(String pattern, String page) {
        Matcher m = Pattern.compile(pattern).matcher(page);
        assertThat(m.find()).as("%s in %s", pattern, page).isTrue();
        return m.group(1);
    }

    @Test
    void a_frame_of_ones_own_is_read_judged_and_taken_off_again() throws Exception {
        String address = Ask.to(
                web,
                multipart("/lighttable")
                        .file(file("<long>.png", photograph()))
                        .file(file("notes.txt", "no picture".getBytes(StandardCharsets.UTF_8))));
        String page = read(address);
        assertThat(page)
                .contains("&lt;long&gt;.png", "2.0 min", "ISO 400", "24 mm", "Histogram", "<ellipse")
                .contains("notes.txt: This is no JPEG, PNG or TIFF", "The stars are lines")
                .doesNotContain("<long>");
        String id = found("/lighttable/([0-9a-f-]{36})/whole.jpg", page);
        byte[] whole = Ask.bytes(web, "/lighttable/" + id + "/whole.jpg");
        assertThat(ImageIO.read(new ByteArrayInputStream(whole)).getWidth()).isEqualTo(900);
        byte[] corner = Ask.bytes(web, "/lighttable/" + id + "/top-left.jpg");
        assertThat(ImageIO.read(new ByteArrayInputStream(corner)).getWidth()).isEqualTo(240);
        assertThat(Ask.ok(web, get("/lighttable").param("frame", id))).contains("/lighttable/" + id + "/remove");
        web.perform(post("/lighttable/" + id + "/remove")).andExpect(redirectedUrl("/lighttable?off=" + id));
        assertThat(Ask.ok(web, get("/lighttable").param("off", id))).contains("is off the table");
        assertThat(Ask.ok(web, get("/lighttable").param("frame", id))).doesNotContain("/lighttable/" + id + "/remove");
        web.perform(post("/lighttable/" + id + "/restore")).andExpect(redirectedUrl("/lighttable?frame=" + id));
        assertThat(Ask.ok(web, get("/lighttable").param("frame", id))).contains("/lighttable/" + id + "/remove");
        web.perform(post("/lighttable/" + id + "/restore")).andExpect(status().isNotFound());
        web.perform(get("/lighttable/" + id + "/../../half-dusk.jpg")).andExpect(status().is4xxClientError());
    }

    @Test
    void what_is_no_frame_or_too_much_is_said() throws Exception {
        assertThat(Ask.refused(web, multipart("/lighttable"))).contains("Choose the frames");
        var many = multipart("/lighttable");
        for (int i = 0; i <= 40; i++) {
            many.file(file(i + ".png", new byte[] {1}));
        }
        assertThat(Ask.refused(web, many)).contains("At most 40 frames at once; these are 41.");
        String address = Ask.to(web, multipart("/lighttable").file(file("a.zip", new byte[] {'P', 'K', 3, 4})));
        assertThat(read(address)).contains("Not read:", "a.zip: This is no JPEG");
        web.perform(get("/lighttable").param("reading", "gone")).andExpect(status().isOk());
        web.perform(post("/lighttable/cancel").param("reading", "gone")).andExpect(redirectedUrl("/lighttable"));
        assertThat(Ask.refused(web, post("/lighttable/examples").param("take", "0-0")))
                .contains("no made-up frames of that");
    }

    @Test
    void a_folder_is_read_only_where_one_was_allowed(@TempDir Path disk) throws Exception {
        Path root = Files.createDirectories(disk.resolve("pictures"));
        Files.createDirectories(root.resolve("night"));
        Path secret = Files.createDirectories(disk.resolve("secret"));
        byte[] frame = photograph();
        Files.write(root.resolve("night/b.png"), frame);
        Files.write(root.resolve("night/notes.txt"), new byte[] {1});
        Files.write(secret.resolve("a.png"), frame);
        Files.createSymbolicLink(root.resolve("link"), secret);
        Files.createSymbolicLink(root.resolve("night/link.png"), secret.resolve("a.png"));
        PictureFolders folders = new PictureFolders(root.toString());
        assertThat(folders.all()).containsExactly("night");
        assertThat(folders.frames("night"))
                .extracting(p -> p.getFileName().toString())
                .containsExactly("b.png");
        for (String outside : new String[] {"../secret", "link", "/etc", "night/../../secret", "no such", "\0"}) {
            assertThat(folders.frames(outside)).as(outside).isEmpty();
        }
        assertThat(new PictureFolders("").all()).isEmpty();
        assertThat(Ask.refused(web, post("/lighttable/folder").param("folder", "night")))
                .contains("none of those allowed");
    }

    /** Elsewhere a file may still have 8 MB, though frames may have 100. */
    @Test
    void other_files_are_held_to_eight_megabytes() throws Exception {
        MockMultipartFile large = new MockMultipartFile("file", "places.gpx", null, new byte[(8 << 20) + 1]);
        web.perform(multipart("/places/import").file(large))
                .andExpect(content().string(containsString("larger than 8 MB")));
        web.perform(multipart("/data").file(new MockMultipartFile("file", "a.zip", null, new byte[(8 << 20) + 1])))
                .andExpect(status().isPayloadTooLarge())
                .andExpect(content().string(allOf(containsString("larger than 8 MB"))));
    }

    /** Of three made-up frames the first is too long and looks elsewhere, the second out of focus, the third good. */
    @Test
    void frames_are_compared_with_their_take() throws Exception {
        Place place = made.coast("Lit table");
        NamedRig rig = kit.rigs().get(0);
        LocalDate night = LocalDate.parse("2027-06-06");
        long outing = outings.save(Outing.fresh("On the table", place, night)).id();
        long take = takes.add(outing, Take.of("Core <1>", new MilkyWay(0), Takes.camera(rig)), rig.id());
        String address = Ask.to(web, post("/lighttable/examples").param("take", outing + "-" + take));
        String first = read(address);
        assertThat(first)
                .contains("Core &lt;1&gt;, On the table", "planned", "The stars are lines", "along the expected drift")
                .contains("It looks elsewhere than planned", "higher", "to the left", "See it with that change");
        String next = found("href=\"(/frame\\?[^\"]*shutter=[^\"]*)\"", first).replace("&amp;", "&");
        assertThat(Ask.ok(web, next)).contains("Simulated photograph");
        Matcher others = Pattern.compile("/lighttable\\?frame=([0-9a-f-]{36})")
                .matcher(first.substring(first.indexOf("first test, made up</span>")));
        StringBuilder rest = new StringBuilder();
        while (others.find()) {
            rest.append(Ask.ok(web, get("/lighttable").param("frame", others.group(1))));
        }
        assertThat(rest).contains("It is soft all over: focus", "Good: go on");
    }

    private String laid(String name, String of) throws Exception {
        var sent = multipart("/lighttable").file(file(name, photograph()));
        String page = read(Ask.to(web, of.isEmpty() ? sent : sent.param("of", of)));
        return found("/lighttable/([0-9a-f-]{36})/whole.jpg", page);
    }

    /** At full size around any place, kept within the frame, as long as the frame lies there. */
    @Test
    void any_part_is_looked_at_closer() throws Exception {
        String id = laid("close.png", "");
        String there = "/lighttable?frame=" + id;
        assertThat(Ask.ok(web, there + "&at.x=0.5&at.y=0.25"))
                .contains("50 % across, 25 % down", "part.jpg?x=0.5&amp;y=0.25", "at.x=0.9&amp;at.y=0.25");
        assertThat(Ask.ok(web, there + "&at.x=7&at.y=-2")).contains("100 % across, 0 % down");
        assertThat(Ask.ok(web, there + "&at.x=left&at.y=NaN")).doesNotContain("id=\"closer\"");
        byte[] middle = Ask.bytes(web, get("/lighttable/" + id + "/part.jpg").param("x", "0.5"));
        assertThat(ImageIO.read(new ByteArrayInputStream(middle)).getWidth()).isEqualTo(720);
        web.perform(get("/lighttable/gone/part.jpg")).andExpect(status().isNotFound());
        web.perform(post("/lighttable/" + id + "/remove"));
        web.perform(get("/lighttable/" + id + "/part.jpg")).andExpect(status().isNotFound());
    }

    /** What a photographed clock shows against what its file says; whole quarters of an hour are a zone. */
    @Test
    void a_photographed_clock_sets_that_of_the_camera() throws Exception {
        String id = laid("clock.png", "");
        String clock = "/lighttable/" + id + "/clock";
        long body = kit.bodies().get(0).id();
        assertThat(Ask.refused(web, post(clock + "?shows=noon&body=" + body))).contains("22:41:07", "value=\"noon\"");
        assertThat(Ask.refused(web, post(clock + "?shows=01:29:13&body=0"))).contains("Choose the body");
        // its file says 01:30:00
        web.perform(post(clock + "?shows=01:29:13&body=" + body))
                .andExpect(content().string(containsString("its clock is 47 s ahead")));
        assertThat(kit.body(body).orElseThrow().camera().clockOffsetSeconds()).isEqualTo(47);
        web.perform(post(clock + "?shows=23:30:05&body=" + body))
                .andExpect(content().string(containsString("5 s behind")));
        web.perform(post(clock + "?shows=01:30:00&body=" + body))
                .andExpect(content().string(containsString("right to the second")));
        web.perform(post("/lighttable/gone/clock?shows=01:30:00&body=" + body)).andExpect(status().isNotFound());
    }

    /** What it is said to be of decides by what it is judged. */
    @Test
    void a_frame_is_judged_as_what_it_is_said_to_be() throws Exception {
        assertThat(Ask.ok(web, "/lighttable?frame=" + laid("a.png", "film"))).contains("shadows", "tones");
        assertThat(Ask.ok(web, "/lighttable?frame=" + laid("b.png", "fireworks")))
                .contains("No burst is in it");
        assertThat(Ask.ok(web, "/lighttable?frame=" + laid("c.png", "nonsense")))
                .contains("The stars are lines");
        assertThat(Ask.ok(web, "/lighttable?frame=" + laid("d.png", "stars")))
                .contains("The stars are lines", "2. shutter, against drift and hand:", "likely");
    }

    /** A take of fireworks is made up late, too bright and good, though other nights came nearer meanwhile; one of people is not made up. */
    @Test
    void made_up_frames_are_those_of_the_take() throws Exception {
        Place place = made.coast("Lit mole");
        NamedRig rig = kit.rigs().get(0);
        long outing = made.outing("Burst on the table", place, "2027-06-06").id();
        Fireworks display = new Fireworks(18, 4, 100, 90, Fireworks.Seen.USUAL, Fireworks.Changes.NONE);
        long bursts = takes.add(outing, Take.of("Mole", display, Takes.camera(rig)), rig.id());
        long people = takes.add(outing, Take.of("Friend", new People(3), Takes.camera(rig)), rig.id());
        LocalDate tonight = LocalDate.parse(TestFolder.NOW.substring(0, 10));
        List<Long> nearer = IntStream.range(0, 6)
                .mapToObj(i -> outings.save(Outing.fresh("Nearer " + i, place, tonight))
                        .id())
                .toList();
        web.perform(post("/lighttable/examples").param("take", outing + "-" + people))
                .andExpect(status().isUnprocessableEntity());
        String page = read(Ask.to(web, post("/lighttable/examples").param("take", outing + "-" + bursts)));
        assertThat(page).contains("Too much of it is burnt", "aperture f/").doesNotContain("mag/arcsec");
        int compared = page.indexOf("id=\"compared\"");
        assertThat(page.substring(compared)).contains("Opened late: bursts had broken already");
        nearer.forEach(id -> deletions.delete("outing", id));
    }
}
