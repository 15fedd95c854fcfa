package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.Arch;
import dev.halfdusk.core.take.Clip;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Ground;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Painting;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import java.io.StringReader;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStart;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

class WorkspacePagesTest extends StoringTest {

    @Autowired
    private OutingPlanner evening;

    private long id;
    private String home;
    private String path;
    private NamedRig rig;

    @BeforeEach
    void outing() {
        Place place = made.coast("Coast", new Mark("Stack <1>", 176, 140, 24, 13, 0));
        rig = kit.rigs().get(0);
        id = outings.save(Outing.fresh("Night", places.find(place.id()).orElseThrow(), LocalDate.parse("2027-07-04")))
                .id();
        home = "/outings/" + id;
        path = "/outings/" + id + "/takes";
    }

    private String body() throws Exception {
        return Ask.ok(web, home);
    }

    @Test
    void a_whole_night_is_one_click() throws Exception {
        assertThat(body()).contains("Nothing is planned", "Take all of it", "Stack &lt;1&gt;");
        web.perform(post(path + "/proposed")).andExpect(redirectedUrl(home));
        assertThat(takes.of(id)).hasSize(4);
        assertThat(body())
                .contains("Nothing more that deserves its hour", "run sheet")
                .doesNotContain("no place");
        web.perform(post(path + "/proposed")).andExpect(redirectedUrl(home));
        assertThat(takes.of(id)).as("asked twice, still there once").hasSize(4);
    }

    @Test
    void one_is_taken_pinned_deleted_and_brought_back() throws Exception {
        web.perform(post(path + "/proposed").param("name", "Star trails")).andExpect(redirectedUrl(home));
        Takes.Stored trails = takes.of(id).get(0);
        web.perform(post(path + "/" + trails.id() + "/pin").param("at", "01:15"));
        assertThat(takes.of(id).get(0).take().pinned()).contains(Instant.parse("2027-07-05T00:15:00Z"));
        assertThat(body()).contains("01:15").contains("let it move");
        web.perform(post(path + "/" + trails.id() + "/pin").param("at", ""));
        assertThat(takes.of(id).get(0).take().pinned()).isEmpty();
        web.perform(post(path + "/" + trails.id() + "/delete"))
                .andExpect(redirectedUrl(home + "?deleted=" + trails.id()));
        assertThat(takes.of(id)).isEmpty();
        assertThat(Ask.ok(web, home + "?deleted=" + trails.id())).contains("bring it back");
        web.perform(post(path + "/" + trails.id() + "/restore"));
        assertThat(takes.of(id)).containsExactly(trails);
        web.perform(post(path + "/999999/delete")).andExpect(status().isNotFound());
    }

    /** What the place warns of stands wherever one looks in the night: on the page that needs no network too. */
    @Test
    void sheet_field_and_carried_page_say_where_shelter_is() throws Exception {
        Place p = outings.find(id).orElseThrow().place();
        places.change(new Place(
                p.id(),
                p.name(),
                p.site(),
                p.zone(),
                p.zenithMagnitude(),
                p.skyline(),
                p.seaHorizon(),
                p.domes(),
                new Place.Notes("", "drop", "", "hut, 300 m east", OptionalDouble.empty())));
        for (String view : List.of("/sheet", "/field", "/sheet/night.html")) {
            assertThat(Ask.ok(web, "/outings/" + id + view))
                    .as(view)
                    .contains("Here: drop.", "Nearest shelter or car: hut, 300 m east.");
        }
    }

    @Test
    void the_field_has_every_step_and_line_with_its_time() throws Exception {
        Take trails = Take.of("Circles", new Trails(15, 30, 1, 5), Takes.camera(rig));
        takes.add(id, trails.pinnedAt(Instant.parse("2027-07-04T23:00:00Z")), rig.id());
        String page = Ask.ok(web, "/outings/" + id + "/field");
        long from = Instant.parse("2027-07-04T23:00:00Z").toEpochMilli();
        assertThat(page)
                .contains("data-from=\"" + from + "\"", "data-to=\"" + (from + 3_595_000) + "\"")
                .contains("data-frames=\"116\"", "data-step=\"31000\"", "Circles, dark frames")
                .contains("data-at=\"" + from + "\"", "data-ahead=\"3600\"");
        web.perform(get("/outings/999999/field")).andExpect(status().isNotFound());
    }

    /** Held where another of the same camera runs, and by day: both is said, and nothing moves by itself. */
    @Test
    void takes_that_are_held_may_clash() throws Exception {
        Take trails = Take.of("Circles", new Trails(15, 30, 1, 0), Takes.camera(rig));
        Take people = Take.of("Friend", new People(4), Takes.camera(rig));
        takes.add(id, trails.pinnedAt(Instant.parse("2027-07-04T23:00:00Z")), rig.id());
        takes.add(id, people.pinnedAt(Instant.parse("2027-07-04T23:30:00Z")), rig.id());
        assertThat(body()).contains("cannot take Circles and Friend at one time");
        takes.pin(id, takes.of(id).get(1).id(), Optional.of(Instant.parse("2027-07-04T13:00:00Z")));
        assertThat(body()).contains("Friend stands outside of its wish").contains("begins before you arrive");
        takes.pin(id, takes.of(id).get(1).id(), Optional.empty());
        assertThat(body()).doesNotContain("at one time").doesNotContain("outside of its wish");
    }

    /** Two takes that are alike in all are two all the same: each has its own time, and its own event. */
    @Test
    void twins_are_told_apart() throws Exception {
        Take people = Take.of("Friend", new People(4), Takes.camera(rig));
        takes.add(id, people, rig.id());
        takes.add(id, people, rig.id());
        Matcher clocks = Pattern.compile("font-mono\"><strong>(\\d\\d:\\d\\d)<").matcher(body());
        List<String> times = clocks.results().map(r -> r.group(1)).toList();
        assertThat(times).hasSize(2).doesNotHaveDuplicates();
        String ics = Ask.ok(web, home + "/sheet/night.ics");
        assertThat(ics.lines().filter(l -> l.startsWith("UID:")).distinct()).hasSize(2);
    }

    @Test
    void a_clock_that_is_none_moves_nothing() throws Exception {
        Take people = Take.of("Friend", new People(4), Takes.camera(rig));
        long take = takes.add(id, people.pinnedAt(Instant.parse("2027-07-04T23:00:00Z")), rig.id());
        web.perform(post(path + "/" + take + "/pin").param("at", "late")).andExpect(status().isUnprocessableEntity());
        assertThat(takes.of(id).get(0).take().pinned()).contains(Instant.parse("2027-07-04T23:00:00Z"));
    }

    /** No two numbers alike: what is stored comes back as it was. */
    @Test
    void every_subject_and_wish_goes_there_and_back() {
        List<Subject> subjects = List.of(
                new MilkyWay(7),
                new Arch(0.35, 12.5, 4.5),
                new Stack(33, 6),
                new Ground(6, 45.5),
                new People(9),
                new Painting(new LightPainting(120, 31, 5.5), 21, 640, 8),
                new Trails(17.5, 29, 1.5, 4),
                new Clip(11.5, 24, 14),
                new Free(23, true));
        List<Wish> wishes = List.of(
                Wish.of(Wish.Kind.DARK),
                Wish.at(LocalTime.of(23, 17)),
                Wish.between(LocalTime.of(22, 5), LocalTime.of(3, 55)),
                places.at(
                        outings.existing(id).place().id(), Wish.over(Wish.Kind.MOON_OVER_MARK, Named.of("Stack <1>"))));
        for (int i = 0; i < subjects.size(); i++) {
            Take take = Take.of("Take " + i, subjects.get(i), Takes.camera(rig))
                    .with(wishes.get(i % wishes.size()))
                    .aimed(new Direction(211.5 + i, 33.25))
                    .pinnedAt(Instant.parse("2027-07-04T22:30:00Z").plusSeconds(60L * i));
            long stored = takes.add(id, take, rig.id());
            assertThat(takes.of(id)).contains(new Takes.Stored(stored, rig, take.known(Id.of(stored)), Progress.AHEAD));
        }
    }

    /** A take over a mark finds it whatever it is called by now; another that is called so is another. */
    @Test
    void a_mark_may_be_renamed() throws Exception {
        long place = outings.existing(id).place().id();
        Mark mark = new Mark("Old name", 176, 140, 24, 13, 0);
        places.addMark(place, mark);
        long known = places.marks(place).stream()
                .filter(m -> m.mark().equals(mark))
                .findFirst()
                .orElseThrow()
                .id();
        web.perform(post(path + "?subject=milky-way&rig=" + rig.id() + "&wish=core-over-mark&mark=" + known))
                .andExpect(status().is3xxRedirection());
        assertThat(body()).contains("core over a mark: Old name");
        long take = takes.of(id).get(0).id();
        Instant opens = evening.of(outings.existing(id))
                .schedule()
                .slots()
                .get(0)
                .runs()
                .from();

        places.changeMark(place, known, new Mark("New name", 176, 140, 24, 13, 0));
        places.addMark(place, new Mark("Old name", 10, 140, 24, 13, 0));
        assertThat(takes.of(id).get(0).take().wish().mark().orElseThrow())
                .isEqualTo(new Named(Id.of(known), "New name"));
        assertThat(body()).contains("core over a mark: New name").doesNotContain("core over a mark: Old name");
        assertThat(evening.of(outings.existing(id))
                        .schedule()
                        .slots()
                        .get(0)
                        .runs()
                        .from())
                .isEqualTo(opens);
        // and keeps its identity where the place is read out of a file again
        places.replaceMarks(
                place, List.of(new Mark("New name", 177, 140, 24, 13, 0), new Mark("Third", 1, 9, 9, 9, 0)));
        assertThat(places.marks(place)).extracting(Places.ListedMark::id).contains(known);
        assertThat(places.marks(place)).extracting(m -> m.mark().name()).containsExactly("New name", "Third");
        assertThat(places.mark(place, known).orElseThrow().bearingDeg()).isEqualTo(177);
        assertThat(takes.existing(id, take).take().wish().mark().orElseThrow().id())
                .isEqualTo(Id.of(known));
    }

    /** An outing that goes elsewhere is over the mark of that name there. */
    @Test
    void a_mark_of_the_same_name_stands_at_another_place() throws Exception {
        Place here = outings.existing(id).place();
        Place there = places.add(Place.at("Other coast", here.site(), here.zone()));
        places.addMark(there.id(), new Mark("Stack <1>", 10, 140, 24, 13, 0));
        Wish over = places.at(here.id(), Wish.over(Wish.Kind.MOON_OVER_MARK, Named.of("Stack <1>")));
        takes.add(id, Take.of("Over", new MilkyWay(5), Takes.camera(rig)).with(over), rig.id());
        web.perform(post("/outings/" + id + "?title=Night&place=" + there.id() + "&night=2027-07-04"))
                .andExpect(status().is3xxRedirection());
        Id now = takes.of(id).get(0).take().wish().mark().orElseThrow().id();
        assertThat(now)
                .isEqualTo(Id.of(places.marks(there.id()).get(0).id()))
                .isNotEqualTo(over.mark().orElseThrow().id());
    }

    /** Two rigs of one name: what is proposed for one is stored with it. */
    @Test
    void a_proposal_is_taken_with_the_rig_it_was_made_for() throws Exception {
        Take proposed = Take.of("Core", new MilkyWay(5), Takes.camera(rig));
        NamedRig twin = kit.rig(kit.save(new NamedRig(
                        null,
                        rig.name(),
                        rig.body(),
                        kit.lens(kit.rigs().get(3).lens().id()).orElseThrow(),
                        List.of())))
                .orElseThrow();
        try {
            Take other = Take.of("Other", new MilkyWay(5), Takes.camera(twin));
            evening.add(outings.existing(id), proposed);
            evening.add(outings.existing(id), other);
            assertThat(takes.of(id)).extracting(t -> t.rig().id()).containsExactly(rig.id(), twin.id());
        } finally {
            takes.of(id).forEach(t -> takes.change(id, t.id(), proposed, rig.id()));
            web.perform(post("/kit/rig/" + twin.id() + "/delete"));
        }
    }

    @Test
    void takes_are_added_by_hand() throws Exception {
        web.perform(post(path)
                        .param("subject", "free")
                        .param("name", "Tea & <b>talk</b>")
                        .param("minutes", "25")
                        .param("hands", "on")
                        .param("rig", "" + rig.id())
                        .param("wish", "window")
                        .param("from", "23:00")
                        .param("to", "01:00"))
                .andExpect(status().is3xxRedirection());
        assertThat(takes.of(id).get(0).take().subject()).isEqualTo(new Free(25, true));
        assertThat(body()).contains("Tea &amp; &lt;b&gt;talk&lt;/b&gt;").contains("between two times: 23:00 to 01:00");
    }

    @ParameterizedTest
    @CsvSource({
        "subject=frogs, one of the list",
        "subject=free&name=, what it is",
        "subject=free&name=x&minutes=0, 1 to 720",
        "subject=trails&wish=someday, one of the list",
        "subject=trails&wish=fixed, Enter the time",
        "subject=trails&wish=fixed&from=25:00, hours and minutes",
        "subject=trails&wish=sight-over-mark, Choose the mark",
        "subject=trails&rig=99999, one of the list"
    })
    void what_cannot_be_is_answered_beside_the_field(String query, String answer) throws Exception {
        assertThat(Ask.refused(web, post(path + "?" + (query.contains("rig=") ? "" : "rig=" + rig.id() + "&") + query)))
                .contains(answer);
        assertThat(takes.of(id)).isEmpty();
    }

    @Test
    void a_rig_that_a_take_needs_stays() throws Exception {
        NamedRig other = kit.rigs().get(1);
        takes.add(id, Take.of("t", new People(2), Takes.camera(other)), other.id());
        web.perform(post("/kit/rig/" + other.id() + "/delete"));
        assertThat(kit.rigs()).contains(other);
    }

    /** Read by another library: each take with its work, and an alarm ten minutes before that. */
    @Test
    void the_night_goes_into_calendar_and_table() throws Exception {
        web.perform(post(path + "/proposed"));
        String ics = Ask.ok(web, home + "/sheet/night.ics");
        Calendar calendar = new CalendarBuilder().build(new StringReader(ics));
        List<VEvent> events = calendar.getComponents("VEVENT");
        assertThat(events).hasSize(4);
        VEvent trails = events.stream()
                .filter(e -> e.getSummary().getValue().startsWith("Star trails"))
                .findFirst()
                .orElseThrow();
        assertThat(trails.getDescription().getValue()).contains("155 \u00d7 30 s");
        assertThat(trails.getAlarms()).hasSize(1);
        assertThat(ics).contains("TRIGGER;RELATED=START:-PT10M");
        assertThat(ics).isEqualTo(Ask.ok(web, home + "/sheet/night.ics"));
        String csv = Ask.ok(web, home + "/sheet/night.csv");
        assertThat(csv).startsWith("utc,local,take,what,act").contains(",Star trails,");
        assertThat(Ask.ok(web, home + "/sheet")).contains("In the bag").contains("interval timer");
        web.perform(get(home + "/sheet/night.exe")).andExpect(status().isNotFound());
    }

    /** Held at midnight of Lisbon, an hour ahead of UTC: the whole row, the whole event, the clock of the field. */
    @Test
    void a_take_has_one_time_in_table_calendar_and_field() throws Exception {
        Take trails = Take.of("Circles", new Trails(15, 30, 1, 5), Takes.camera(rig));
        long take = takes.add(id, trails.pinnedAt(Instant.parse("2027-07-04T23:00:00Z")), rig.id());
        List<String> rows = Ask.ok(web, home + "/sheet/night.csv")
                .lines()
                .filter(l -> l.contains(",Circles,"))
                .toList();
        assertThat(rows)
                .anyMatch(
                        l -> l.matches(
                                "2027-07-04T23:00:00\\.000Z,2027-07-05T00:00:00\\+01:00,Circles,\"[^\"]*116 \u00d7 30 s[^\"]*\",true"));
        String ics = Ask.ok(web, home + "/sheet/night.ics");
        List<VEvent> events = new CalendarBuilder().build(new StringReader(ics)).getComponents("VEVENT");
        VEvent event = events.stream()
                .filter(e -> e.getUid().orElseThrow().getValue().startsWith("outing-" + id + "-take-" + take + "@"))
                .findFirst()
                .orElseThrow();
        // from the first line of its work to the end of its last dark: 116 frames in 3 595 s, a minute for the cap, 5
        // darks in 154 s
        String first = rows.get(0).substring(0, 19).replaceAll("[-:]", "");
        assertThat(event.<DtStart<?>>getProperty("DTSTART").orElseThrow().getValue())
                .isEqualTo(first + "Z");
        assertThat(first).isLessThan("20270704T230000");
        assertThat(event.getSummary().getValue()).isEqualTo("Circles, " + rig.name());
        assertThat(event.getLocation().getValue()).isEqualTo("Coast");
        assertThat(event.getGeographicPos().getLatitude()).isEqualByComparingTo("37.6");
        assertThat(event.getGeographicPos().getLongitude()).isEqualByComparingTo("-8.8");
        assertThat(ics).contains("TRIGGER;RELATED=START:-PT10M").doesNotContain(":PT");
        assertThat(Ask.ok(web, home + "/field"))
                .contains("data-at=\"" + Instant.parse("2027-07-04T23:00:00Z").toEpochMilli()
                        + "\" class=\"border-t border-line py-2\"><strong class=\"font-mono\">00:00<");
    }

    /** What is imported after a take was planned is in its plan: at −19° a battery lasts half as long. */
    @Test
    void weather_that_comes_later_changes_the_plan() throws Exception {
        Take trails = Take.of("Circles", new Trails(75, 30, 1, 0), Takes.camera(rig));
        takes.add(id, trails.pinnedAt(Instant.parse("2027-07-04T22:00:00Z")), rig.id());
        double warm = batteries();
        StringBuilder hours = new StringBuilder(
                "time,low_cloud_percent,middle_cloud_percent,high_cloud_percent,wind_m_s,temperature_c,humidity_percent\n");
        for (int h = 0; h < 4; h++) {
            hours.append("2027-07-05T0").append(h).append(":00,0,0,0,2,-19,60\n");
        }
        web.perform(post("/nights/2027-07-04/weather/import")
                        .param(
                                "place",
                                "" + outings.find(id).orElseThrow().place().id())
                        .param("forecast", hours.toString()))
                .andExpect(status().isOk());
        assertThat(batteries()).isBetween(1.6 * warm, 2.4 * warm);
    }

    private double batteries() throws Exception {
        Matcher told = Pattern.compile("Circles takes ([\\d.]+) batteries").matcher(body());
        assertThat(told.find()).isTrue();
        return Double.parseDouble(told.group(1));
    }

    /** Said of one night, kept for that night. */
    @Test
    void the_rest_of_one_night_is_arranged_from_now() throws Exception {
        Take people = Take.of("Friend", new People(4), Takes.camera(rig));
        long take = takes.add(id, people, rig.id());
        long other = made.outing("Other", outings.find(id).orElseThrow().place(), "2027-07-04")
                .id();
        assertThat(outings.find(id).orElseThrow().standing().resumed()).isEmpty();
        web.perform(post(home + "/field/done").param("take", "" + take)).andExpect(redirectedUrl(home + "/field"));
        assertThat(outings.find(id).orElseThrow().standing().resumed()).contains(Instant.parse("2027-06-01T18:00:00Z"));
        assertThat(outings.find(other).orElseThrow().standing().resumed()).isEmpty();
        web.perform(post(home + "/field/reset"));
        assertThat(outings.find(id).orElseThrow().standing().resumed()).isEmpty();
    }

    @Test
    void the_sheet_is_public() throws Exception {
        web.perform(post(path + "/proposed").param("name", "Star trails"));
        String text = Ask.ok(web, "/api/outings/" + id + "/sheet");
        JsonNode lines = new ObjectMapper().readTree(text);
        JsonNode trails = null;
        for (JsonNode line : lines) {
            trails = line.path("what").asText().contains("155 \u00d7 30 s") ? line : trails;
        }
        assertThat(trails).isNotNull();
        assertThat(trails.path("take").asText()).isEqualTo("Star trails");
        assertThat(trails.path("act").asBoolean()).isTrue();
        assertThat(Instant.parse(trails.path("utc").asText()))
                .isBetween(Instant.parse("2027-07-04T21:00:00Z"), Instant.parse("2027-07-05T04:00:00Z"));
        web.perform(get("/api/outings/999999/sheet"))
                .andExpect(status().isNotFound())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"));
    }

    private long add(Take take) {
        return takes.add(id, take, rig.id());
    }

    private Take stored(long take) {
        return takes.find(id, take).orElseThrow().take();
    }

    /** Dragged to a minute after noon, beyond the night to its end; stretched, it is held where it stood. */
    @Test
    void a_take_is_dragged_and_stretched() throws Exception {
        long coffee =
                add(Take.of("Coffee", new Free(20, false), Takes.camera(rig)).with(Wish.at(LocalTime.of(23, 0))));
        web.perform(post(path + "/" + coffee + "/pin").param("minute", "725"))
                .andExpect(redirectedUrl(home + "?take=" + coffee));
        assertThat(stored(coffee).pinned()).contains(Instant.parse("2027-07-04T23:05:00Z"));
        web.perform(post(path + "/" + coffee + "/pin").param("minute", "99999"));
        assertThat(stored(coffee).pinned()).contains(Instant.parse("2027-07-05T10:59:00Z"));
        web.perform(post(path + "/" + coffee + "/pin"));
        web.perform(post(path + "/" + coffee + "/length").param("minutes", "45"));
        assertThat(stored(coffee).subject()).isEqualTo(new Free(45, false));
        assertThat(stored(coffee).pinned()).contains(Instant.parse("2027-07-04T22:00:00Z"));
        for (String bad : List.of("0", "901", "x", "")) {
            web.perform(post(path + "/" + coffee + "/length").param("minutes", bad))
                    .andExpect(status().is3xxRedirection());
        }
        assertThat(stored(coffee).subject()).isEqualTo(new Free(45, false));
    }

    /** Two at 23:00 and 23:40 change places: the later opens at 23:00 for ten minutes, the other after six of work. */
    @Test
    void a_take_goes_before_the_one_before_it() throws Exception {
        long tea = add(Take.of("Tea", new Free(20, false), Takes.camera(rig)).with(Wish.at(LocalTime.of(23, 0))));
        long talk = add(Take.of("Talk", new Free(10, false), Takes.camera(rig)).with(Wish.at(LocalTime.of(23, 40))));
        web.perform(post(path + "/" + talk + "/earlier"));
        assertThat(stored(talk).pinned()).contains(Instant.parse("2027-07-04T22:00:00Z"));
        assertThat(stored(tea).pinned()).contains(Instant.parse("2027-07-04T22:16:00Z"));
        web.perform(post(path + "/" + talk + "/earlier")).andExpect(status().is3xxRedirection());
        assertThat(stored(talk).pinned()).contains(Instant.parse("2027-07-04T22:00:00Z"));
    }

    @Test
    void a_take_is_had_once_more_and_changed() throws Exception {
        long tea = add(Take.of("Tea", new Free(20, true), Takes.camera(rig)).with(Wish.at(LocalTime.of(23, 0))));
        web.perform(post(path + "/" + tea + "/twin"));
        assertThat(takes.of(id)).hasSize(2);
        Take twin = takes.of(id).get(1).take();
        assertThat(twin.name()).isEqualTo("Tea, again");
        assertThat(twin.subject()).isEqualTo(new Free(20, true));
        String aperture =
                "" + (rig.rig().apertures(rig.rig().lens().shortestMm()).min() + 1);
        web.perform(post(path + "/" + tea)
                        .param("subject", "free")
                        .param("name", "Soup")
                        .param("minutes", "31")
                        .param("rig", "" + rig.id())
                        .param("focal", "" + rig.rig().lens().shortestMm())
                        .param("aperture", aperture)
                        .param("azimuth", "211.5")
                        .param("altitude", "12.25")
                        .param("upright", "on")
                        .param("wish", "fixed")
                        .param("from", "23:10")
                        .param("at", "23:20"))
                .andExpect(redirectedUrl(home + "?take=" + tea));
        Take soup = stored(tea);
        assertThat(soup.name()).isEqualTo("Soup");
        assertThat(soup.subject()).isEqualTo(new Free(31, false));
        assertThat(soup.asked().aperture()).isEqualTo(Double.parseDouble(aperture));
        assertThat(soup.framed().aim()).contains(new Direction(211.5, 12.25));
        assertThat(soup.framed().held()).isEqualTo(Orientation.PORTRAIT);
        assertThat(soup.wish()).isEqualTo(Wish.at(LocalTime.of(23, 10)));
        assertThat(soup.pinned()).contains(Instant.parse("2027-07-04T22:20:00Z"));
        assertThat(Ask.refused(
                        web, post(path + "/" + tea + "?subject=free&name=Soup&minutes=0&azimuth=400&rig=" + rig.id())))
                .contains("1 to 720", "value=\"400\"");
        assertThat(stored(tea)).isEqualTo(soup);
    }

    /** Two tabs on one take: the second save shows both, and saving again keeps what was typed. */
    @Test
    void a_take_that_was_changed_elsewhere_is_not_overwritten_unseen() throws Exception {
        long tea = add(Take.of("Tea", new Free(20, true), Takes.camera(rig)).with(Wish.at(LocalTime.of(23, 0))));
        Matcher seen = Pattern.compile("name=\"seen\" value=\"([^\"]+)\"").matcher(body());
        assertThat(seen.find()).isTrue();
        takes.change(id, tea, stored(tea).named("Coffee"), rig.id());
        String conflict = web.perform(post(path + "/" + tea)
                        .param("seen", seen.group(1))
                        .param("subject", "free")
                        .param("name", "Soup")
                        .param("rig", "" + rig.id()))
                .andExpect(status().isConflict())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(conflict).contains("changed elsewhere meanwhile", "Coffee", "Soup");
        assertThat(stored(tea).name()).isEqualTo("Coffee");
        Matcher again = Pattern.compile("name=\"seen\" value=\"([^\"]+)\"").matcher(conflict);
        assertThat(again.find()).isTrue();
        web.perform(post(path + "/" + tea)
                        .param("seen", again.group(1))
                        .param("subject", "free")
                        .param("name", "Soup")
                        .param("rig", "" + rig.id()))
                .andExpect(status().is3xxRedirection());
        assertThat(stored(tea).name()).isEqualTo("Soup");
    }

    /** Kept for bad weather, looked at, gone on instead: what was held at an instant of the old night is let go. */
    @Test
    void other_nights_are_kept_and_one_is_gone_on_instead() throws Exception {
        long tea = add(Take.of("Circles", new Trails(15, 30, 1, 0), Takes.camera(rig))
                .pinnedAt(Instant.parse("2027-07-04T23:00:00Z")));
        web.perform(post(home + "/candidates").param("night", "2027-07-06")).andExpect(redirectedUrl(home + "#nights"));
        web.perform(post(home + "/candidates").param("night", "2027-07-04"));
        assertThat(Ask.refused(web, post(home + "/candidates").param("night", "yesterday")))
                .contains("value=\"yesterday\"", "Tue 6 to Wed 7 July 2027");
        assertThat(outings.candidates(id)).containsExactly(LocalDate.parse("2027-07-06"));
        assertThat(Ask.ok(web, home + "/candidates")).contains("Tue 6 to Wed 7 July 2027", "1 of 1 takes");
        assertThat(Ask.ok(web, home + "?night=2027-07-06"))
                .contains("this is another night", "Tue 6 to Wed 7 July 2027");
        Instant said = Instant.parse("2027-07-04T23:30:00Z");
        takes.progress(id, tea, new Progress(Optional.of(said), Optional.empty(), false));
        outings.resume(id, Optional.of(said));
        web.perform(post(home + "/night").param("night", "1066-10-14")).andExpect(status().isNotFound());
        assertThat(stored(tea).pinned()).as("no such night").isPresent();
        web.perform(post(home + "/night").param("night", "2027-07-06")).andExpect(redirectedUrl(home));
        assertThat(takes.find(id, tea).orElseThrow().progress()).isEqualTo(Progress.AHEAD);
        assertThat(outings.existing(id).standing().resumed()).isEmpty();
        assertThat(outings.find(id).orElseThrow().night()).isEqualTo(LocalDate.parse("2027-07-06"));
        assertThat(outings.candidates(id)).containsExactly(LocalDate.parse("2027-07-04"));
        assertThat(stored(tea).pinned()).isEmpty();
        web.perform(post(home + "/candidates/2027-07-04/drop"));
        assertThat(outings.candidates(id)).isEmpty();
    }

    @Test
    void another_night_is_proposed_on_demand() throws Exception {
        assertThat(body()).contains("Take Star trails").doesNotContain("Take Time-lapse");
        web.perform(post(path + "/another"));
        web.perform(post(path + "/another"));
        assertThat(body()).contains("Take Time-lapse");
    }

    /** The card says whole sheets in letters of its own; the page that is taken along holds all it needs. */
    @Test
    void the_night_is_taken_along() throws Exception {
        web.perform(post(path + "/proposed"));
        outings.save(outings.existing(id).noted("Rope <in> the blue bag"));
        for (String size : List.of("a6", "a4")) {
            byte[] pdf = Ask.bytes(web, home + "/sheet/card-" + size + ".pdf");
            try (PDDocument document = Loader.loadPDF(pdf)) {
                String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
                assertThat(text)
                        .contains("Star trails: 155 \u00d7 30 s", "In the bag", "Rope <in> the blue bag", "alone");
                float width = document.getPage(0).getMediaBox().getWidth();
                assertThat(width / 72 * 25.4).isCloseTo(size.equals("a6") ? 105 : 210, within(0.5));
                for (var page : document.getPages()) {
                    for (var name : page.getResources().getFontNames()) {
                        assertThat(page.getResources().getFont(name).isEmbedded())
                                .isTrue();
                    }
                }
            }
        }
        String html = Ask.ok(web, home + "/sheet/night.html");
        assertThat(Ask.ok(web, home + "/field")).contains("Rope &lt;in&gt; the blue bag");
        assertThat(html)
                .contains("Rope &lt;in&gt; the blue bag", "data:font/woff2;base64,", "data-own-clock")
                .contains("155 \u00d7 30 s")
                .doesNotContain("url(fonts/", "src=\"/", "href=\"/");
        String timers = Ask.ok(web, home + "/sheet/night.txt");
        assertThat(timers).contains("timer: 31 s from start to start, or 1 s of pause; 155 frames");
        JsonNode lines = Ask.json(web, home + "/sheet/night.json");
        JsonNode api = Ask.json(web, "/api/outings/" + id + "/sheet");
        assertThat(lines).isEqualTo(api);
    }

    @Test
    void the_bag_is_ticked_off() throws Exception {
        web.perform(post(path + "/proposed"));
        web.perform(post(home + "/sheet/bag?what=interval timer&packed=on"));
        web.perform(post(home + "/sheet/bag?what=kitchen sink&packed=on"));
        assertThat(outings.packed(id)).containsExactly("interval timer");
        web.perform(post(home + "/sheet/bag").param("what", "interval timer"));
        assertThat(outings.packed(id)).isEmpty();
    }

    @Test
    void a_night_holds_forty_takes() throws Exception {
        Take tea = Take.of("Tea", new Free(1, false), Takes.camera(rig));
        for (int i = 0; i < 40; i++) {
            add(tea);
        }
        web.perform(post(path + "?subject=people&rig=" + rig.id())).andExpect(status().isUnprocessableEntity());
        web.perform(post(path + "/" + takes.of(id).get(0).id() + "/twin"));
        assertThat(takes.of(id)).hasSize(40);
    }

    /** Polar day and night, both poles, the date line, a clock that jumps, the last year that can be reckoned. */
    @ParameterizedTest
    @CsvSource({
        "78.2, 15.6, Arctic/Longyearbyen, 2027-06-21",
        "78.2, 15.6, Arctic/Longyearbyen, 2027-12-21",
        "90, 0, UTC, 2027-12-27",
        "-90, 0, UTC, 2027-07-04",
        "0, 180, UTC, 2028-02-29",
        "-33.9, 151.2, Australia/Sydney, 2027-10-02",
        "37.6, -8.8, Europe/Lisbon, 2027-03-27",
        "37.6, -8.8, Europe/Lisbon, 2059-12-29"
    })
    void every_place_and_season_has_a_workspace_sheet_and_field(
            double latitude, double longitude, String zone, String night) throws Exception {
        Place place = made.place("Far", latitude, longitude, 5, zone);
        long far = outings.save(Outing.fresh("Far", place, LocalDate.parse(night))
                        .going(2, new Way(60, 30), Optional.of(LocalTime.of(3, 0))))
                .id();
        for (Subject.Kind kind : Subjects.ALL) {
            takes.add(far, Take.of(kind.words(), kind.usual(), Takes.camera(rig)), rig.id());
        }
        web.perform(post("/outings/" + far + "/takes/proposed"));
        for (String part : List.of(
                "", "?view=drawing", "/sheet", "/field", "/sheet/night.ics", "/sheet/night.html", "/outing.json")) {
            web.perform(get("/outings/" + far + part)).andExpect(status().isOk());
        }
    }
}
