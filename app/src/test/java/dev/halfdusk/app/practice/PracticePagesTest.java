package dev.halfdusk.app.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.TestFolder;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.log.EntryView;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.practice.Learners.Learner;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.practice.Course;
import dev.halfdusk.core.practice.Lesson;
import dev.halfdusk.core.practice.Mastery;
import dev.halfdusk.core.practice.OneChange;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import jakarta.servlet.http.Cookie;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Lessons on their pages: dials, frames, hints, rounds, and who practises. */
class PracticePagesTest extends StoringTest {

    private static int number;

    @Autowired
    private Learners learners;

    @Autowired
    private Courses courses;

    @Autowired
    private AskedReader reader;

    private Learner who;

    @BeforeEach
    void someone() {
        who = learners.named("Tern <b>" + ++number);
    }

    private MockHttpServletRequestBuilder as(MockHttpServletRequestBuilder request) {
        return request.cookie(new Cookie("learner", who.id().toString()));
    }

    private String page(String address) throws Exception {
        return Ask.ok(web, as(get(address)));
    }

    /** Exposes, and hands back the page that follows. */
    private String expose(String lesson, Map<String, String> set) throws Exception {
        MockHttpServletRequestBuilder request = as(post("/practice/" + lesson + "/frames"));
        set.forEach(request::param);
        String to = Ask.to(web, request);
        return page(java.net.URLDecoder.decode(to, java.nio.charset.StandardCharsets.UTF_8));
    }

    @Test
    void a_frame_that_misses_gets_one_hint_and_one_that_does_not_passes() throws Exception {
        String wrong = expose("half-moon", Map.of("shutter", "1/125", "aperture", "8", "iso", "1600"));
        assertThat(wrong)
                .contains("Your frame 1", "What is it that the meter averages?", "+3.5", "burnt parts are striped")
                .doesNotContain("Passed", "Where would a grey stone in the sun stand?");
        Learners.Round open = learners.last(who, "half-moon").orElseThrow();
        assertThat(open.ended()).isEmpty();
        String right = expose("half-moon", Map.of("shutter", "1/125", "aperture", "5.6", "iso", "100"));
        assertThat(right).contains("Passed", "makes a grey of the mean", "f/8 and 1/250 at ISO 200", "Next lesson");
        Learners.Round passed = learners.last(who, "half-moon").orElseThrow();
        assertThat(passed.id()).isEqualTo(open.id());
        assertThat(passed.passed()).isTrue();
        assertThat(passed.extra()).isEqualTo(1);
        assertThat(passed.ended()).contains(Instant.parse(TestFolder.NOW));
        Mastery sure = learners.mastery(who, Instant.parse(TestFolder.NOW)).get("half-moon");
        assertThat(sure.passed()).isEqualTo(1);
        assertThat(page("/practice"))
                .contains(
                        "passed once, again on Fri 4 Jun",
                        "1 of " + courses.course().lessons().size() + " passed");
    }

    /** From another window, on a round that the first has ended: it begins a new one and loses nothing. */
    @Test
    void two_windows_take_frames_of_one_round_and_the_next_begins_another() throws Exception {
        expose("needle-by-iso", Map.of("iso", "100"));
        expose("needle-by-iso", Map.of("iso", "800"));
        Learners.Round first = learners.last(who, "needle-by-iso").orElseThrow();
        assertThat(learners.frames(first.id())).hasSize(2);
        expose("needle-by-iso", Map.of("iso", "4000"));
        assertThat(expose("needle-by-iso", Map.of("iso", "200"))).contains("Your frame 1");
        Learners.Round second = learners.last(who, "needle-by-iso").orElseThrow();
        assertThat(second.id()).isNotEqualTo(first.id());
        assertThat(second.ended()).isEmpty();
        assertThat(learners.rounds(who)).hasSize(2);
        assertThat(learners.frames(first.id())).as("of a round that is over").isEmpty();
    }

    @Test
    void a_round_that_is_put_aside_counts_as_given_up() throws Exception {
        expose("needle-by-aperture", Map.of("aperture", "16"));
        web.perform(as(post("/practice/needle-by-aperture/again"))).andExpect(status().is3xxRedirection());
        Learners.Round r = learners.last(who, "needle-by-aperture").orElseThrow();
        assertThat(r.ended()).isPresent();
        assertThat(r.passed()).isFalse();
        assertThat(page("/practice/needle-by-aperture")).doesNotContain("So far");
        web.perform(as(post("/practice/needle-by-aperture/again"))).andExpect(status().is3xxRedirection());
        assertThat(learners.rounds(who)).as("an empty round is none").hasSize(1);
    }

    @Test
    void frames_that_belong_together_ask_for_the_rest() throws Exception {
        assertThat(expose("thirds", Map.of("shutter", "1/4", "aperture", "4", "iso", "400")))
                .contains("Good so far: 1 more.");
        assertThat(expose("thirds", Map.of("shutter", "1/10", "aperture", "4", "iso", "400")))
                .contains("Passed");
    }

    /** A click beyond the end of a dial is refused, says what there is, and nothing is taken. */
    @Test
    void a_dial_beyond_its_end_is_refused() throws Exception {
        assertThat(Ask.refused(web, as(get("/practice/half-moon?shutter=1/99999&iso=800"))))
                .contains("1/99999", "it goes from 30 to 1/8000", "data-value=\"800.0\" selected");
        web.perform(as(post("/practice/half-moon/frames")).param("iso", "123"))
                .andExpect(status().isUnprocessableEntity());
        assertThat(learners.rounds(who)).isEmpty();
        web.perform(as(get("/practice/half-moon/screen.jpg?iso=123"))).andExpect(status().isUnprocessableEntity());
        web.perform(as(get("/practice/half-moon/screen.jpg?at=1e9"))).andExpect(status().isUnprocessableEntity());
        assertThat(Ask.refused(web, as(get("/practice/half-moon?rig=99999")))).contains("its own camera is used");
    }

    @Test
    void the_arrangement_of_wheels_is_kept() throws Exception {
        String cookie = web.perform(as(get("/practice/half-moon?wheels=one")))
                .andReturn()
                .getResponse()
                .getCookie("wheels")
                .getValue();
        assertThat(cookie).isEqualTo("one");
        assertThat(Ask.ok(web, get("/practice/thin-moon").cookie(new Cookie("wheels", cookie))))
                .contains("data-wheels=\"one\"");
        assertThat(Ask.ok(web, get("/practice/thin-moon").cookie(new Cookie("wheels", "<b>"))))
                .contains("data-wheels=\"each\"");
    }

    /** What is locked cannot be turned by an address. */
    @Test
    void a_locked_dial_stays() throws Exception {
        String page = expose("needle-by-shutter", Map.of("shutter", "1/125", "iso", "51200"));
        assertThat(page).contains("1/125 f/8 ISO 400").doesNotContain("ISO 51200");
    }

    @Test
    void what_is_not_there_is_not_found() throws Exception {
        expose("needle-by-shutter", Map.of("shutter", "1/125"));
        long id = learners.frames(
                        learners.last(who, "needle-by-shutter").orElseThrow().id())
                .get(0)
                .id();
        web.perform(get("/practice/needle-by-shutter/frames/" + id + "-plain.jpg"))
                .andExpect(status().isOk());
        for (String address : List.of(
                "/practice/no-such-lesson",
                "/practice/half-moon/frames/" + id + "-plain.jpg",
                "/practice/needle-by-shutter/frames/999999-plain.jpg",
                "/practice/night/999999")) {
            web.perform(get(address)).andExpect(status().isNotFound());
        }
    }

    /** The pictures of a frame are those of its settings: three stops less light, three stops darker. */
    @Test
    void pictures_are_those_of_the_frame() throws Exception {
        expose("needle-by-iso", Map.of("iso", "100"));
        expose("needle-by-iso", Map.of("iso", "800"));
        List<Learners.Frame> frames = learners.frames(
                learners.last(who, "needle-by-iso").orElseThrow().id());
        BufferedImage dark =
                image("/practice/needle-by-iso/frames/" + frames.get(0).id() + "-plain.jpg");
        BufferedImage bright =
                image("/practice/needle-by-iso/frames/" + frames.get(1).id() + "-plain.jpg");
        assertThat(dark.getWidth()).isEqualTo(720);
        assertThat(mean(bright)).isGreaterThan(2 * mean(dark));
        BufferedImage close =
                image("/practice/needle-by-iso/frames/" + frames.get(1).id() + "-close.jpg");
        assertThat(close.getWidth()).isEqualTo(600);
        BufferedImage screen = image("/practice/needle-by-iso/screen.jpg?iso=800");
        assertThat(screen.getWidth()).isEqualTo(480);
        assertThat(mean(image("/practice/needle-by-iso/screen.jpg?iso=6400"))).isGreaterThan(1.3 * mean(screen));
    }

    private BufferedImage image(String address) throws Exception {
        byte[] jpeg = Ask.bytes(web, as(get(address)), "image/jpeg");
        return ImageIO.read(new ByteArrayInputStream(jpeg));
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

    /** One's own rig has its own clicks; the frame keeps it when the lesson's page is opened again. */
    @Test
    void ones_own_rig_is_practised_with() throws Exception {
        Lesson wide = courses.lesson("focus-on-a-star").orElseThrow();
        NamedRig own =
                kit.rigs().stream().filter(r -> wide.fits(r.rig())).findFirst().orElseThrow();
        String page = expose("focus-on-a-star", Map.of("rig", "" + own.id(), "focus", "1.2"));
        assertThat(page).contains("· " + own.name() + " ·", "Magnify. Turn until");
        Learners.Frame f = learners.frames(
                        learners.last(who, "focus-on-a-star").orElseThrow().id())
                .get(0);
        assertThat(f.rig().map(NamedRig::id)).contains(own.id());
        assertThat(page("/practice/half-moon")).doesNotContain(own.name());
    }

    /** Its lens becomes a longer one, then the rig is deleted: a frame that was taken is taken again as it was. */
    @Test
    void a_frame_keeps_what_its_rig_was() throws Exception {
        Lesson wide = courses.lesson("focus-on-a-star").orElseThrow();
        NamedRig like =
                kit.rigs().stream().filter(r -> wide.fits(r.rig())).findFirst().orElseThrow();
        NamedLens lens = new NamedLens(null, "of mine", like.lens().lens(), "");
        NamedLens mine = new NamedLens(kit.save(lens), lens.name(), lens.lens(), "");
        long id = kit.save(new NamedRig(null, "practised with", like.body(), mine, like.gear()));
        NamedRig own = kit.rig(id).orElseThrow();
        expose("focus-on-a-star", Map.of("rig", "" + id, "focus", "0.7 mm"));
        kit.save(new NamedLens(mine.id(), mine.name(), new Lens(85, 85, 1.8, 1.8, Projection.RECTILINEAR), ""));
        assertThat(kit.rig(id).orElseThrow().rig()).isNotEqualTo(own.rig());
        long round = learners.last(who, wide.key()).orElseThrow().id();
        Learners.Frame f = learners.frames(round).get(0);
        Asked again = reader.of(wide, f.asked(), f.rig());
        assertThat(again.outfit().rig()).isEqualTo(own.rig());
        assertThat(again.set()).isEqualTo(f.asked()).containsEntry("focus", "0.7 mm");
        web.perform(as(post("/kit/rig/" + id + "/delete"))).andExpect(status().is3xxRedirection());
        assertThat(kit.rig(id)).isEmpty();
        assertThat(learners.frame(f.id()).flatMap(Learners.Frame::rig))
                .map(NamedRig::rig)
                .contains(own.rig());
    }

    /** Held from before the launch to after the fade; a press elsewhere, none, or nonsense. */
    @Test
    void a_shutter_held_by_hand() throws Exception {
        Course all = courses.course();
        var launches = all.stages().get("bursts").shells().orElseThrow().round().launches();
        double fires = launches.get(2).fires();
        double fades = launches.get(2).fades();
        double late = launches.get(5).breaks() + 1;
        String presses = "0.1,0.5;" + (fires - 0.2) + "," + (fades + 0.2) + ";" + late + "," + (late + 0.5);
        assertThat(expose("flash-to-fade", Map.of("presses", presses))).contains("Passed");
        for (String wrong : List.of("", "5", "7,3", "a,b", "1,1e9")) {
            assertThat(Ask.refused(
                            web, as(post("/practice/flash-to-fade/frames")).param("presses", wrong)))
                    .contains("role=\"alert\"");
        }
        assertThat(learners.rounds(who)).hasSize(1);
    }

    /** Second contact is 8.9 s after practice begins; off two seconds after, on twelve before third. */
    @Test
    void a_filter_is_off_in_totality_alone() throws Exception {
        assertThat(expose("filter", Map.of("spans", "8.0,200"))).contains("When has totality begun");
        assertThat(expose("filter", Map.of("spans", "11.2,282"))).contains("When has totality begun");
        assertThat(expose("filter", Map.of("spans", "11.2,60"))).contains("More of it could have been seen");
        String good = expose("filter", Map.of("spans", "11.2,140;150,276"));
        assertThat(good).contains("Passed", "local rules and experts come first");
        Learners.Round passed = learners.last(who, "filter").orElseThrow();
        List<Learners.Frame> frames = learners.frames(passed.id());
        assertThat(frames.get(frames.size() - 1).opens())
                .as("looked at in the middle of the longer time")
                .isEqualTo((11.2 + 140) / 2);
        assertThat(expose("filter", Map.of("spans", ""))).contains("More of it could have been seen");
    }

    @Test
    void each_has_lessons_of_their_own() throws Exception {
        expose("needle-by-iso", Map.of("iso", "4000"));
        String name = "Petrel " + number;
        String cookie = web.perform(post("/practice/learner").param("name", name))
                .andExpect(redirectedUrl("/practice"))
                .andReturn()
                .getResponse()
                .getCookie("learner")
                .getValue();
        Learner other = learners.of(Optional.of(Long.parseLong(cookie)));
        assertThat(other.name()).isEqualTo(name);
        assertThat(learners.rounds(other)).isEmpty();
        Instant before = Instant.parse("2027-05-01T00:00:00Z"); // of a file that knows other lessons
        learners.add(other, new Learners.Round(0, "no-more", before, Optional.of(before), true, 0));
        assertThat(Ask.ok(web, get("/practice").cookie(new Cookie("learner", cookie))))
                .contains("0 of 52 passed")
                .doesNotContain("Tern <b>");
        assertThat(Ask.refused(web, post("/practice/learner").param("name", "x".repeat(61))))
                .contains("At most 60 letters.");
        assertThat(learners.of(Optional.of(987_654L)).id())
                .as("a cookie of another data folder")
                .isNotNull();
    }

    @Test
    void a_learner_is_renamed_and_deleted_and_comes_back() throws Exception {
        String old = "Knot " + number;
        String name = "Dunlin <i> " + number;
        Learner knot = learners.named(old);
        learners.end(learners.begin(knot, "half-moon", Instant.now()).id(), true, 0, Instant.now());
        String of = "/practice/learner/" + knot.id();
        Cookie cookie = new Cookie("learner", knot.id().toString());

        assertThat(Ask.refused(web, post(of + "/rename").param("called", who.name())))
                .contains("Somebody here has that name");
        for (String bad : List.of("", "x".repeat(61))) {
            web.perform(post(of + "/rename").param("called", bad)).andExpect(status().isUnprocessableEntity());
        }
        web.perform(post(of + "/rename").param("called", name)).andExpect(redirectedUrl("/practice"));
        assertThat(Ask.ok(web, get("/practice").cookie(cookie)))
                .contains("1 of 52 passed")
                .doesNotContain("<i>");

        web.perform(post(of + "/delete")).andExpect(redirectedUrl("/practice?deleted=" + knot.id()));
        assertThat(learners.all()).doesNotContain(new Learner(knot.id(), name));
        assertThat(Ask.ok(web, get("/practice?deleted=" + knot.id()).cookie(cookie)))
                .contains("/deleted/learner/" + knot.id());
        web.perform(post(of + "/rename").param("called", "Stint " + number)).andExpect(status().isConflict());
        web.perform(post("/practice/learner/987654/delete")).andExpect(status().isNotFound());
        web.perform(post("/deleted/learner/" + knot.id())).andExpect(redirectedUrl("/practice"));
        assertThat(learners.rounds(learners.of(Optional.of(knot.id())))).hasSize(1);

        web.perform(post(of + "/delete"));
        assertThat(learners.named(name)).as("named again, with all rounds").isEqualTo(new Learner(knot.id(), name));
        assertThat(learners.all()).contains(new Learner(knot.id(), name));
    }

    /** However many single frames were answered since. */
    @Test
    void blind_drills_are_drawn_before_the_next_begins() throws Exception {
        assertThat(page("/practice/blind")).doesNotContain("How it went");
        Instant then = Instant.parse("2027-05-01T20:00:00Z");
        learners.add(who, new Learners.Drill(Learners.Drill.Kind.BLIND, then, 6, 5, 1.25, 42));
        for (int i = 1; i <= 31; i++) {
            learners.addOnce(who, new Learners.Drill(Learners.Drill.Kind.CHANGE, then.plusSeconds(i), 1, 1, 0, 0), i);
        }
        assertThat(page("/practice/blind")).contains("How it went", "7.0 s a task, 5 of 6 right");
        assertThat(page("/practice")).contains("7.0 s a task, 5 of 6 right");
    }

    /** Every change is tried on the frame; what is chosen first counts, and nothing that is chosen after it. */
    @Test
    void one_change_is_tried_on_the_frame() throws Exception {
        String page = page("/practice/change?n=3");
        assertThat(page).contains("name=\"option\"").doesNotContain("that is it");
        OneChange change = OneChange.of(courses.course(), 3);
        int right = 0;
        boolean first = false;
        for (int i = 0; i < change.options().size(); i++) {
            String answered =
                    Ask.ok(web, as(post("/practice/change")).param("n", "3").param("option", "" + i));
            assertThat(answered).contains("that is it", "yours");
            right += answered.contains("yours, right") ? 1 : 0;
            first |= i == 0 && answered.contains("yours, right");
        }
        assertThat(right).isBetween(1, change.options().size() - 1);
        assertThat(learners.drills(who))
                .extracting(Learners.Drill::kind, Learners.Drill::tasks, Learners.Drill::solved)
                .containsExactly(tuple(Learners.Drill.Kind.CHANGE, 1, first ? 1 : 0));
        web.perform(as(post("/practice/change")).param("n", "4").param("option", "0"))
                .andExpect(status().isOk());
        web.perform(post("/practice/change?n=3&option=0")).andExpect(status().isOk());
        assertThat(learners.drills(who))
                .as("of another frame, and of another learner")
                .hasSize(2);
        for (String wrong : List.of("8", "-1", "x")) {
            web.perform(as(post("/practice/change")).param("n", "3").param("option", wrong))
                    .andExpect(content().string(containsString("role=\"alert\"")));
        }
        web.perform(get("/practice/change?n=0")).andExpect(status().isUnprocessableEntity());
        assertThat(learners.drills(who)).hasSize(2);
    }

    @Autowired
    private OutingPlanner planner;

    /** Two takes of an hour; late for the first, and everything let run. What the log's picture shows below is what came of it. */
    @Test
    void a_night_is_played_and_shown_as_the_log_shows_nights() throws Exception {
        Place place = made.place("Played bay " + number, 37.6, -8.8, 20, "Europe/Lisbon");
        Outing o = made.outing("Played <b>" + number, place, "2027-03-08");
        NamedRig rig = kit.rigs().get(0);
        for (int azimuth : new int[] {180, 90}) {
            planner.add(
                    o,
                    Take.of("To " + azimuth, new Stack(200, 0), Takes.camera(rig))
                            .aimed(new Direction(azimuth, 40)));
        }
        String home = "/practice/night/" + o.id();
        assertThat(page(home + "?seed=4")).contains("decision 1 of 5", "You are late", "Played &lt;b&gt;" + number);
        assertThat(page(home + "?seed=4&decided=0,0,0")).contains("decision 4 of 5");
        var model = web.perform(as(get(home + "?seed=4&decided=0,0,0,0,0")))
                .andExpect(status().isOk())
                .andExpect(content().string(allOf(containsString("What came of it"), containsString("begun late"))))
                .andReturn()
                .getModelAndView()
                .getModel();
        EntryView.Lane lane = ((EntryView) model.get("view")).lanes().get(0);
        assertThat(lane.planned()).hasSize(2);
        assertThat(lane.went()).hasSize(2);
        double[] late = new double[2];
        for (int i = 0; i < 2; i++) {
            late[i] = percent(lane.went().get(i).at().x())
                    - percent(lane.planned().get(i).at().x());
        }
        assertThat(late[0]).as("the first take begins 14 minutes late").isGreaterThan(0.5);
        assertThat(late[1]).as("the second as planned").isZero();
        for (String wrong : List.of("7", "x", "0,9", "-1")) {
            assertThat(Ask.refused(web, as(get(home + "?seed=4&decided=" + wrong))))
                    .contains("Decisions are numbers from 0 to 2.");
        }
        web.perform(as(get(home + "?seed=x"))).andExpect(status().isUnprocessableEntity());
    }

    private static double percent(String text) {
        return Double.parseDouble(text.replace("%", ""));
    }
}
