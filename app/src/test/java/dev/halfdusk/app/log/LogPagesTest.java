package dev.halfdusk.app.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.TestFolder;
import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.learned.Origins;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.pictures.CameraFile;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.log.Observation;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionTemplate;

/** Nights that are over, told about, looked at, given away and taken in again. */
class LogPagesTest extends StoringTest {

    /** Long before the tests' now: outings near it are what frames on the light table are looked at for. */
    private static final LocalDate NIGHT = LocalDate.parse("2026-07-13");

    private static int number;

    @Autowired
    private OutingPlanner planner;

    @Autowired
    private EntryMaker maker;

    @Autowired
    private Entries entries;

    @Autowired
    private FrameKeeper keeper;

    @Autowired
    private Observations observations;

    @Autowired
    private LogFiles files;

    @Autowired
    private Origins origins;

    @Autowired
    private Jobs jobs;

    @Autowired
    private PlatformTransactionManager manager;

    @Autowired
    private Clock clock;

    private Place place;
    private NamedRig rig;
    private Outing outing;
    private Slot slot;
    private Entry entry;
    private String home;

    @BeforeEach
    void night() {
        place = made.place("Log bay " + ++number, 37.6, -8.8, 20, "Europe/Lisbon");
        rig = kit.rigs().get(0);
        outing = outings.save(Outing.fresh("Over <b>" + number, place, NIGHT));
        planner.add(
                outing,
                Take.of("Southern stars", new Stack(20, 0), Takes.camera(rig)).aimed(new Direction(180, 30)));
        planner.add(
                outing,
                Take.of("Left alone", new Stack(5, 0), Takes.camera(rig)).aimed(new Direction(90, 30)));
        OutingPlanner.Arranged plan = planner.of(outing);
        slot = plan.schedule().slots().stream()
                .filter(s -> s.name().equals("Southern stars"))
                .findFirst()
                .orElseThrow();
        Instant from = slot.runs().from().plus(Duration.ofMinutes(7));
        takes.progress(
                outing.id(),
                plan.of(slot).id(),
                new Progress(Optional.of(from), Optional.of(from.plus(Duration.ofMinutes(6))), false));
        plan.takes().stream()
                .filter(t -> t.take().name().equals("Left alone"))
                .forEach(t -> takes.progress(outing.id(), t.id(), Progress.leftOut()));
        entry = maker.write(outing.id()).orElseThrow();
        home = "/log/" + entry.id();
    }

    private Entry now() {
        return entries.existing(entry.id());
    }

    private EntryTake southern() {
        return entries.takes(entry.id()).stream()
                .filter(t -> t.name().equals("Southern stars"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_night_that_is_over_writes_itself_down_once() throws Exception {
        assertThat(maker.write(outing.id()).orElseThrow().id()).isEqualTo(entry.id());
        EntryTake t = southern();
        assertThat(t.plan().orElseThrow().runs()).isEqualTo(slot.runs());
        assertThat(t.went().orElseThrow().from()).isEqualTo(slot.runs().from().plus(Duration.ofMinutes(7)));
        assertThat(Ask.ok(web, home))
                .contains("Over &lt;b&gt;" + number)
                .doesNotContain("Over <b>" + number)
                .contains("7 min late", "left out");
    }

    /** The plan may change afterwards; what it was stays. */
    @Test
    void the_plan_is_kept_as_it_was() {
        EntryTake before = southern();
        kit.save(new NamedRig(rig.id(), "Renamed since", rig.body(), rig.lens(), List.of(), rig.own()));
        outings.save(outing.withNight(NIGHT.plusDays(3)));
        assertThat(southern()).isEqualTo(before);
        kit.save(rig);
    }

    @Test
    void the_wall_is_asked_by_place_subject_month_and_rating() throws Exception {
        entries.tell(entry.id(), told(4, "Earlier."));
        String card = "href=\"" + home + "\"";
        for (String query : List.of("place=" + place.id(), "place=" + place.id() + "&subject=stack&month=7&rating=4")) {
            assertThat(Ask.ok(web, "/log?" + query)).contains(card);
        }
        for (String query : List.of("rating=5", "month=4", "subject=moon", "rig=none", "place=999999")) {
            web.perform(get("/log?place=" + place.id() + "&" + query)).andExpect(status().isOk());
            assertThat(Ask.ok(web, "/log?" + query)).doesNotContain(card);
        }
        web.perform(get("/log?month=13&rating=x&page=-3&place=abc")).andExpect(status().isOk());
    }

    private static Entry.Told told(int rating, String better) {
        return new Entry.Told(OptionalInt.of(rating), "", better, OptionalDouble.of(8), OptionalDouble.of(0));
    }

    /** A night may go on to another place: what was taken there tells of there. */
    @Test
    void each_take_is_of_its_place() {
        Place other = made.place("Log hill " + number, 37.7, -8.7, 20, "Europe/Lisbon");
        Outing two = outings.save(Outing.fresh("Two places", place, NIGHT.plusDays(1)));
        Outing both = outings.visit(two.id(), List.of(new Outing.Further(other, new Way(20, 5))));
        planner.add(both, Take.of("Here", new Stack(5, 0), Takes.camera(rig)).aimed(new Direction(180, 30)));
        planner.add(
                both,
                Take.of("There", new Stack(5, 0), Takes.camera(rig))
                        .aimed(new Direction(180, 30))
                        .at(1));
        Entry e = maker.write(both.id()).orElseThrow();
        assertThat(entries.takes(e.id())).allSatisfy(t -> {
            assertThat(t.place()).contains(t.name().equals("Here") ? place.id() : other.id());
            assertThat(t.plan().orElseThrow().first())
                    .as("set up at each place")
                    .isTrue();
        });
        assertThat(files.write(e.id()).orElseThrow().toString()).contains("Log hill " + number);
    }

    /** Nights of before keep the name that it had; the wall lists it once. */
    @Test
    void a_place_may_be_renamed() throws Exception {
        Place renamed = new Place(
                place.id(),
                "Renamed bay " + number,
                place.site(),
                place.zone(),
                place.zenithMagnitude(),
                place.skyline(),
                place.seaHorizon(),
                place.domes(),
                place.notes());
        places.change(renamed);
        Outing later = outings.save(Outing.fresh("Later", renamed, NIGHT.plusDays(2)));
        maker.write(later.id());
        assertThat(Ask.ok(web, "/log?place=" + place.id())).contains("Log bay " + number, "Renamed bay " + number);
    }

    @Test
    void nothing_need_be_said_in_the_morning() throws Exception {
        web.perform(post(home)).andExpect(status().is3xxRedirection());
        assertThat(now().told())
                .isEqualTo(new Entry.Told(
                        Entry.Told.NOTHING.rating(), "", "", OptionalDouble.empty(), OptionalDouble.empty()));
    }

    @Test
    void what_may_not_be_is_said_beside_its_field_and_kept() throws Exception {
        assertThat(Ask.refused(
                        web,
                        post(home)
                                .param("rating", "6")
                                .param("celsius", "99")
                                .param("good", "Stays <i>")
                                .param("battery." + southern().id(), "0")))
                .contains("\u221260 to 55", "1 to 10000", "Stays &lt;i&gt;");
        assertThat(now().told().good()).isEmpty();
        web.perform(post(home + "/found?thing=darkness.77777&value=21")).andExpect(status().isUnprocessableEntity());
        assertThat(Ask.refused(
                        web,
                        post(home + "/found")
                                .param("thing", "darkness." + place.id())
                                .param("value", "40")))
                .contains("15 to 22.5");
        assertThat(observations.of(entry.id())).noneMatch(Observations.Noted::byHand);
    }

    @Test
    void two_windows_do_not_write_over_each_other() throws Exception {
        String page = Ask.ok(web, home);
        String seen = page.replaceAll("(?s).*name=\"seen\" value=\"([^\"]+)\".*", "$1");
        web.perform(post(home).param("seen", seen).param("good", "First")).andExpect(status().is3xxRedirection());
        web.perform(post(home).param("seen", seen).param("good", "Second"))
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("First")));
        assertThat(now().told().good()).isEqualTo("First");
    }

    /** What another window said of a frame stays, where this one says nothing new. */
    @Test
    void of_each_frame_the_last_word_counts() throws Exception {
        EntryFrame.Read read = EntryFrame.Read.NOTHING;
        for (String digest : List.of("w1", "w2")) {
            entries.keep(
                    entry.id(),
                    new EntryFrame(
                            null,
                            Optional.empty(),
                            digest,
                            "/gone",
                            digest,
                            Optional.empty(),
                            Optional.empty(),
                            OptionalDouble.empty(),
                            read,
                            Said.NOTHING));
        }
        List<Long> ids = entries.frames(entry.id()).stream().map(EntryFrame::id).toList();
        entries.say(entry.id(), ids.get(0), Said.BEST);
        web.perform(post(home + "/frames")
                        .param("says." + ids.get(0), "")
                        .param("was." + ids.get(0), "")
                        .param("says." + ids.get(1), "kept")
                        .param("was." + ids.get(1), "")
                        .param("says.999999", "kept"))
                .andExpect(status().is3xxRedirection());
        assertThat(entries.frames(entry.id())).extracting(EntryFrame::said).containsExactly(Said.BEST, Said.KEPT);
        assertThat(Ask.ok(web, home)).contains("its file is not where it was");
        web.perform(post(home + "/frames").param("says." + ids.get(1), "best"));
        assertThat(entries.frames(entry.id())).extracting(EntryFrame::said).containsExactly(Said.KEPT, Said.BEST);
        assertThat(now().best()).contains(ids.get(1));
    }

    @Test
    void what_was_to_be_better_comes_again_with_its_place() throws Exception {
        entries.tell(entry.id(), told(3, "Two pairs of gloves " + number));
        Outing next = made.outing("Once more", place, "2027-09-03");
        OutingPlanner.Arranged plan = planner.of(next);
        assertThat(plan.sheet()).anyMatch(l -> l.what().contains("Two pairs of gloves " + number));
        assertThat(plan.bag()).anyMatch(i -> i.what().contains("Two pairs of gloves " + number));
        assertThat(Ask.ok(web, "/log/again")).contains("Two pairs of gloves " + number);
        // of the night itself it is no lesson
        assertThat(planner.of(outing).lessons()).isEmpty();
        // a night that was written down later, but was earlier, is not the last
        Entry earlier = maker.write(outings.save(Outing.fresh("Before", place, NIGHT.minusDays(9)))
                        .id())
                .orElseThrow();
        entries.tell(earlier.id(), told(3, "A longer strap " + number));
        assertThat(Ask.ok(web, "/log/again"))
                .contains("Two pairs of gloves " + number)
                .doesNotContain("A longer strap " + number);
    }

    @Test
    void a_deleted_night_comes_back_and_counts_for_nothing_meanwhile() throws Exception {
        observations.note(entry.id(), found(Learnable.DANJON, "", 2));
        web.perform(post(home + "/delete")).andExpect(redirectedUrl("/log?deleted=" + entry.id()));
        assertThat(Ask.ok(web, "/log?deleted=" + entry.id())).contains("/deleted/night/" + entry.id());
        web.perform(get(home)).andExpect(status().isNotFound());
        assertThat(observations.of(new Observations.Thing(Learnable.DANJON, "")))
                .noneMatch(n -> n.entry() == entry.id());
        assertThat(maker.write(outing.id())).isEmpty();
        web.perform(post("/deleted/night/" + entry.id())).andExpect(status().is3xxRedirection());
        web.perform(get(home)).andExpect(status().isOk());
    }

    /** Between its reckoning and its being stored an edit gets in: the night is left, and written as it is now the next time. */
    @Test
    void an_outing_that_is_changed_while_it_is_written_down_is_left_for_the_next_time() {
        Outing other = outings.save(Outing.fresh("Changed meanwhile " + number, place, NIGHT.minusDays(1)));
        Take take =
                Take.of("Northern stars", new Stack(20, 0), Takes.camera(rig)).aimed(new Direction(0, 30));
        planner.add(other, take);
        long id = takes.of(other.id()).get(0).id();
        TransactionTemplate interrupted = new TransactionTemplate(manager) {
            @Override
            public <T> T execute(TransactionCallback<T> action) {
                takes.change(other.id(), id, take.named("Stars over the bay"), rig.id());
                return super.execute(action);
            }
        };
        EntryMaker late = new EntryMaker(entries, observations, outings, takes, planner, interrupted, clock);
        assertThat(late.write(other.id())).isEmpty();
        late.stop();
        assertThat(entries.takes(maker.write(other.id()).orElseThrow().id()))
                .extracting(EntryTake::name)
                .containsExactly("Stars over the bay");
    }

    private Observation found(Learnable what, String whose, double value) {
        return new Observation(what, whose, NIGHT, value, OptionalDouble.empty(), true, "found by you");
    }

    private Path folder(Duration ahead, String... names) throws Exception {
        Path folder = Files.createDirectories(TestFolder.fresh().resolve("frames"));
        OutingPlanner.Arranged plan = planner.of(outing);
        Take take = plan.takes().get(0).take();
        for (int i = 0; i < names.length; i++) {
            Instant at = slot.runs().from().plus(Duration.ofMinutes(8)).plusSeconds(20L * i);
            Shot shot = Shot.of(
                    take.setup(plan.c(), at), slot.program().steps().get(0).settings(), Shot.USUAL_KELVIN);
            Photograph p = Photograph.take(
                    Scene.open(place.standpoint(), take.setup(plan.c(), at).moment()),
                    shot,
                    Window.whole(shot.framing().optics().sensor(), 640),
                    i);
            Files.write(folder.resolve(names[i]), CameraFile.tiff(p, at.plus(ahead), shot));
        }
        return folder;
    }

    private FrameKeeper.Result bring(Path folder) throws Exception {
        List<Path> all;
        try (var inside = Files.list(folder)) {
            all = inside.filter(p -> !p.toString().endsWith(".xmp")).sorted().toList();
        }
        Job<FrameKeeper.Result> job = jobs.of(folder.toString(), all.size(), j -> keeper.fromFiles(now(), all, j));
        while (!job.finished()) {
            Thread.sleep(10);
        }
        return job.result().orElseThrow();
    }

    @Test
    void frames_find_their_take_by_a_clock_that_is_wrong_and_are_known_again() throws Exception {
        Path folder = folder(Duration.ofHours(3), "A_0001.tif", "A_0002.tif");
        Files.write(folder.resolve("A_0003.tif"), "no picture".getBytes(StandardCharsets.UTF_8));
        Files.writeString(folder.resolve("A_0002.xmp"), xmp(5));
        FrameKeeper.Result first = bring(folder);
        assertThat(first.fresh()).isEqualTo(2);
        assertThat(first.clocks()).hasSize(1).first().asString().contains("3 h ahead");
        assertThat(first.refused()).hasSize(1).first().asString().startsWith("A_0003.tif");
        List<EntryFrame> frames = entries.frames(entry.id());
        assertThat(frames)
                .allSatisfy(f -> assertThat(f.take()).contains(southern().id()));
        assertThat(frames).extracting(EntryFrame::said).containsExactly(Said.NOTHING, Said.BEST);
        assertThat(now().best()).contains(frames.get(1).id());
        assertThat(southern().went().orElseThrow().from())
                .isEqualTo(slot.runs().from().plus(Duration.ofMinutes(8)));
        web.perform(get(home + "/frames/" + frames.get(0).id() + "-small.jpg")).andExpect(status().isOk());
        web.perform(get(home + "/frames/999999-small.jpg")).andExpect(status().isNotFound());

        // moved, and doubled under another name: the same frames
        Path moved = Files.createDirectories(TestFolder.fresh().resolve("moved"));
        Files.move(folder.resolve("A_0001.tif"), moved.resolve("A_0001.tif"));
        Files.copy(folder.resolve("A_0002.tif"), moved.resolve("A_0009.tif"));
        FrameKeeper.Result again = bring(moved);
        assertThat(again.fresh()).isZero();
        assertThat(again.known()).isEqualTo(2);
        assertThat(entries.frames(entry.id()))
                .hasSize(2)
                .first()
                .satisfies(f -> assertThat(f.folder()).isEqualTo(moved.toString()));
    }

    @Test
    void frames_of_another_night_are_left_alone() throws Exception {
        FrameKeeper.Result result = bring(folder(Duration.ofDays(9), "B_0001.tif"));
        assertThat(result.fresh()).isZero();
        assertThat(result.elsewhere()).containsExactly("B_0001.tif");
        assertThat(entries.frames(entry.id())).isEmpty();
    }

    private static String xmp(int rating) {
        return "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">"
                + "<rdf:Description rdf:about=\"\" xmlns:xmp=\"http://ns.adobe.com/xap/1.0/\" xmp:Rating=\"" + rating
                + "\"/></rdf:RDF></x:xmpmeta>";
    }

    @Test
    void sidecars_say_what_was_said_and_are_read_again() {
        assertThat(Sidecar.said(xmp(3).getBytes(StandardCharsets.UTF_8))).isEqualTo(Said.KEPT);
        assertThat(Sidecar.said(xmp(1).getBytes(StandardCharsets.UTF_8))).isEqualTo(Said.OTHER);
        assertThat(Sidecar.said("<broken".getBytes(StandardCharsets.UTF_8))).isEqualTo(Said.NOTHING);
        assertThat(Sidecar.said(("<!DOCTYPE x [<!ENTITY a \"b\">]>" + xmp(5)).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(Said.NOTHING);
        EntryFrame f = new EntryFrame(
                null,
                Optional.empty(),
                "C_1.tif",
                "",
                "d",
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                EntryFrame.Read.NOTHING,
                Said.BEST);
        String written = Sidecar.write(f, entry, List.of("Southern stars", "a & b"));
        assertThat(written).contains("Southern stars", "a &amp; b", "Log bay");
        assertThat(Sidecar.said(written.getBytes(StandardCharsets.UTF_8))).isEqualTo(Said.BEST);
        assertThat(Sidecar.name("C_1.tif")).isEqualTo("C_1.xmp");
    }

    @Test
    void a_night_is_taken_in_again_as_it_was_given_out() throws Exception {
        entries.tell(entry.id(), told(4, "Earlier."));
        entries.keep(
                entry.id(),
                new EntryFrame(
                        null,
                        Optional.of(southern().id()),
                        "D_1.tif",
                        "/somewhere",
                        "digest",
                        Optional.of(slot.runs().from()),
                        Optional.of(slot.program().steps().get(0).settings()),
                        OptionalDouble.of(20),
                        new EntryFrame.Read(
                                OptionalDouble.of(2.5),
                                OptionalDouble.of(1.9),
                                OptionalDouble.of(4.2),
                                OptionalDouble.of(21.2),
                                "Good"),
                        Said.NOTHING));
        entries.say(entry.id(), entries.frames(entry.id()).get(0).id(), Said.BEST);
        observations.note(entry.id(), found(Learnable.DARKNESS, "" + place.id(), 21.2));
        web.perform(post(home + "/film")
                        .param("roll", "A")
                        .param("number", "7")
                        .param("stock", "negative, 400")
                        .param("iso", "400")
                        .param("aperture", "8")
                        .param("meteredSeconds", "8")
                        .param("givenSeconds", "20")
                        .param("bracketStops", "1")
                        .param("kept", "on")
                        .param("time", "22:41")
                        .param("lab", "dense"))
                .andExpect(status().is3xxRedirection());
        ObjectNode before = files.write(entry.id()).orElseThrow();
        assertThat(files.read(before, Imported.Wanted.NOTHING, files.known()).state())
                .isEqualTo(Imported.State.EQUAL);
        entries.forget(entry.id());
        assertThat(files.read(before, Imported.Wanted.NEW, files.known()).state())
                .isEqualTo(Imported.State.NEW);
        long again = entries.of(outing.id()).orElseThrow().id();
        assertThat(files.write(again).orElseThrow()).isEqualTo(before);

        ObjectNode changed = before.deepCopy().put("good", "Otherwise");
        assertThat(files.read(changed, Imported.Wanted.NEW, files.known()).state())
                .isEqualTo(Imported.State.CHANGED);
        assertThat(entries.existing(again).told().good()).isEmpty();
        assertThat(files.read(changed, Imported.Wanted.NEW_AND_CHANGED, files.known())
                        .state())
                .isEqualTo(Imported.State.CHANGED);
        assertThat(entries.of(outing.id()).orElseThrow().told().good()).isEqualTo("Otherwise");
    }

    @Test
    void a_file_that_is_none_is_refused_with_the_reason() {
        ObjectNode good = files.write(entry.id()).orElseThrow();
        List<ObjectNode> bad = List.of(
                good.deepCopy().put("rating", 9),
                good.deepCopy().put("celsius", 400),
                good.deepCopy().put("zone", "Nowhere"),
                good.deepCopy().put("version", 7),
                good.deepCopy().put("night", "yesterday"),
                good.deepCopy().putNull("takes"),
                good.deepCopy().put("title", "x".repeat(2000)),
                good.deepCopy().put("surprise", true));
        bad.subList(0, 7).forEach(n -> {
            Imported i = files.read(n, Imported.Wanted.NEW_AND_CHANGED, files.known());
            assertThat(i.state()).isEqualTo(Imported.State.REFUSED);
            assertThat(i.why()).isNotBlank();
        });
        assertThat(files.write(entry.id()).orElseThrow()).isEqualTo(good);
    }

    @Test
    void its_files_can_be_had() throws Exception {
        assertThat(Ask.ok(web, home + "/night.json")).contains("half-dusk-night");
        assertThat(Ask.ok(web, home + "/frames.csv")).contains("taken_utc");
        web.perform(get(home + "/sidecars.zip")).andExpect(status().isOk());
        web.perform(get("/log/999999/night.json")).andExpect(status().isNotFound());
    }

    @Test
    void a_night_without_plan_gets_its_takes_from_its_frames() throws Exception {
        web.perform(post("/log/new?title=&place=" + place.id() + "&night=2026-07-13"))
                .andExpect(status().isUnprocessableEntity());
        assertThat(Ask.refused(web, post("/log/new?title=x&place=" + place.id() + "&night=2027-09-01")))
                .contains("still to come");
        String url = Ask.to(web, post("/log/new?title=Simply so&place=" + place.id() + "&night=2026-07-13"));
        entry = entries.existing(Long.parseLong(url.substring(url.lastIndexOf('/') + 1)));
        assertThat(bring(folder(Duration.ZERO, "E_0001.tif", "F_0001.tif")).fresh())
                .isEqualTo(2);
        assertThat(entries.takes(entry.id()))
                .extracting(EntryTake::name)
                .containsExactly("Frames of E_\u2026", "Frames of F_\u2026");
        assertThat(entries.frames(entry.id()))
                .allSatisfy(f -> assertThat(f.take()).isPresent());
        web.perform(get(url)).andExpect(status().isOk());
    }

    @Test
    void film_is_written_down_by_hand() throws Exception {
        assertThat(Ask.refused(web, post(home + "/film?number=7&givenSeconds=-3")))
                .contains("1/10000 to 14400");
        web.perform(post(home + "/film?roll=B&number=12&iso=400&aperture=8&meteredSeconds=8&givenSeconds=32"))
                .andExpect(status().is3xxRedirection());
        assertThat(Ask.ok(web, home)).contains("B 12", "+2.0");
    }

    private MockMultipartFile gpx(String text) {
        return new MockMultipartFile("track", "t.gpx", "application/gpx+xml", text.getBytes(StandardCharsets.UTF_8));
    }

    private static String track(LocalDate day) {
        StringBuilder all = new StringBuilder(
                "<gpx version=\"1.1\" creator=\"t\" xmlns=\"http://www.topografix.com/GPX/1/1\"><trk><trkseg>");
        for (int i = 0; i < 40; i++) {
            all.append("<trkpt lat=\"%s\" lon=\"-8.8000\"><time>%sT22:%02d:00Z</time></trkpt>"
                    .formatted(i < 30 ? "37.60001" : "37.7" + i, day, i));
        }
        return all + "</trkseg></trk></gpx>";
    }

    @Test
    void a_track_tells_where_one_stood() throws Exception {
        web.perform(multipart(home + "/track").file(gpx(track(NIGHT)))).andExpect(status().is3xxRedirection());
        assertThat(Ask.ok(web, home)).contains("23:00 to 23:29, at Log bay " + number);
        for (String bad : List.of(
                "no track",
                track(NIGHT.plusDays(4)),
                "<!DOCTYPE gpx [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>" + track(NIGHT),
                "<gpx version=\"1.1\" creator=\"t\" xmlns=\"http://www.topografix.com/GPX/1/1\"/>")) {
            assertThat(Ask.refused(web, multipart(home + "/track").file(gpx(bad))))
                    .contains("track-wrong");
        }
        assertThat(Ask.ok(web, home)).contains("23:00 to 23:29, at Log bay " + number);
    }

    /** Between using and putting back its owner has set it: that stays. */
    @Test
    void what_was_set_otherwise_since_is_not_put_back() throws Exception {
        NamedBody body = rig.body();
        String whose = "" + body.id();
        int before = body.camera().comfortableIso();
        for (int i = 0; i < 2; i++) {
            Outing o = outings.save(Outing.fresh("Grain " + i, place, NIGHT.plusDays(i)));
            Entry e = maker.write(o.id()).orElseThrow();
            observations.note(e.id(), found(Learnable.ISO, whose, 5000));
        }
        web.perform(post("/log/learned/use").param("what", "iso").param("whose", whose))
                .andExpect(redirectedUrl("/log/learned?used=on"));
        assertThat(kit.body(body.id()).orElseThrow().camera().comfortableIso()).isEqualTo(5000);
        assertThat(origins.find(Learnable.ISO, whose).orElseThrow().before()).hasValue(before);
        kit.save(new NamedBody(body.id(), body.name(), body.camera().tolerating(1600), body.note()));
        web.perform(post("/log/learned/back").param("what", "iso").param("whose", whose));
        assertThat(kit.body(body.id()).orElseThrow().camera().comfortableIso()).isEqualTo(1600);
        assertThat(origins.find(Learnable.ISO, whose)).isEmpty();
        kit.save(body);
        for (String what : List.of("nothing", "darkness", "forecast", "")) {
            web.perform(post("/log/learned/use").param("what", what).param("whose", "999999"))
                    .andExpect(redirectedUrl("/log/learned"));
        }
    }

    /** What was learned lies between two steps of the dial: it is used as the nearest, and then there is nothing left to do. */
    @Test
    void what_is_used_as_its_dial_allows_is_not_offered_again() throws Exception {
        NamedBody body = rig.body();
        String whose = "" + body.id();
        for (int i = 0; i < 2; i++) {
            Outing o = outings.save(Outing.fresh("Between " + i, place, NIGHT.plusDays(i)));
            observations.note(maker.write(o.id()).orElseThrow().id(), found(Learnable.ISO, whose, 4321));
        }
        assertThat(offered("iso", whose)).isTrue();
        web.perform(post("/log/learned/use").param("what", "iso").param("whose", whose))
                .andExpect(redirectedUrl("/log/learned?used=on"));
        assertThat(kit.body(body.id()).orElseThrow().camera().comfortableIso()).isNotEqualTo(4321);
        assertThat(offered("iso", whose)).isFalse();
        web.perform(post("/log/learned/back").param("what", "iso").param("whose", whose));
        assertThat(offered("iso", whose)).isTrue();
        kit.save(body);
    }

    private boolean offered(String what, String whose) throws Exception {
        String page = Ask.ok(web, "/log/learned");
        return page.matches(
                "(?s).*action=\"/log/learned/use\"[^/]*value=\"" + what + "\"[^/]*value=\"" + whose + "\".*");
    }

    @Test
    void what_does_not_count_is_kept_so_when_the_night_is_looked_at_anew() throws Exception {
        Observations.Noted late = observations.of(entry.id()).stream()
                .filter(n -> n.seen().what() == Learnable.SET_UP)
                .findFirst()
                .orElseThrow();
        assertThat(late.seen().value()).isEqualTo(16 + 7);
        web.perform(post(home + "/seen/" + late.id()).param("counts", "")).andExpect(status().is3xxRedirection());
        web.perform(post(home).param("good", "Quiet")).andExpect(status().is3xxRedirection());
        assertThat(observations.of(entry.id())).anySatisfy(n -> {
            assertThat(n.seen().what()).isEqualTo(Learnable.SET_UP);
            assertThat(n.seen().counts()).isFalse();
        });
    }
}
