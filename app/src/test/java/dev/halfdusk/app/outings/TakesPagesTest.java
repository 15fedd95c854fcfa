package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.exposure.LightPainting;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.sky.Site;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.io.StringReader;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
class TakesPagesTest {

    @Autowired
    private MockMvc web;

    @Autowired
    private Places places;

    @Autowired
    private Outings outings;

    @Autowired
    private Takes takes;

    @Autowired
    private Kit kit;

    private long id;
    private String path;
    private NamedRig rig;

    @BeforeEach
    void outing() {
        Place place = places.add(Place.at("Coast", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon")));
        places.addMark(place.id(), new Mark("Stack <1>", 176, 140, 24, 13, 0));
        rig = kit.rigs().get(0);
        id = outings.save(Outing.fresh(
                        "Night",
                        places.find(place.id()).orElseThrow(),
                        LocalDate.parse("2027-06-04"),
                        rig,
                        rig.rig().lens().shortestMm(),
                        rig.rig().apertures(rig.rig().lens().shortestMm()).min(),
                        3,
                        Sharp.MOST,
                        1600))
                .id();
        path = "/outings/" + id + "/takes";
    }

    private String body() throws Exception {
        return web.perform(get(path))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void a_whole_night_is_one_click() throws Exception {
        assertThat(body())
                .contains("Nothing is planned")
                .contains("Take all of it")
                .contains("Stack &lt;1&gt;");
        web.perform(post(path + "/proposed")).andExpect(redirectedUrl(path));
        assertThat(takes.of(id)).hasSize(4);
        assertThat(body())
                .contains("Nothing more that deserves its hour")
                .contains("Run sheet")
                .doesNotContain("no place");
        web.perform(post(path + "/proposed")).andExpect(redirectedUrl(path));
        assertThat(takes.of(id)).as("asked twice, still there once").hasSize(4);
    }

    @Test
    void one_is_taken_pinned_deleted_and_brought_back() throws Exception {
        web.perform(post(path + "/proposed").param("name", "Star trails")).andExpect(redirectedUrl(path));
        Takes.Stored trails = takes.of(id).get(0);
        web.perform(post(path + "/" + trails.id() + "/pin").param("at", "01:15"));
        assertThat(takes.of(id).get(0).take().pinned()).contains(Instant.parse("2027-06-05T00:15:00Z"));
        assertThat(body()).contains("01:15").contains("let it move");
        web.perform(post(path + "/" + trails.id() + "/pin").param("at", ""));
        assertThat(takes.of(id).get(0).take().pinned()).isEmpty();
        web.perform(post(path + "/" + trails.id() + "/delete"))
                .andExpect(redirectedUrl(path + "?deleted=" + trails.id()));
        assertThat(takes.of(id)).isEmpty();
        web.perform(get(path + "?deleted=" + trails.id())).andExpect(content().string(containsString("bring it back")));
        web.perform(post(path + "/" + trails.id() + "/restore"));
        assertThat(takes.of(id)).containsExactly(trails);
        web.perform(post(path + "/999999/delete")).andExpect(status().isNotFound());
    }

    @Test
    void the_field_has_every_step_and_line_with_its_time() throws Exception {
        Take trails = Take.of("Circles", new Subject.Trails(15, 30, 1, 5), rig.name(), rig.rig());
        takes.add(id, trails.pinnedAt(Instant.parse("2027-06-04T23:00:00Z")), rig.id());
        String page = web.perform(get("/outings/" + id + "/field"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
        long from = Instant.parse("2027-06-04T23:00:00Z").toEpochMilli();
        assertThat(page)
                .contains("data-from=\"" + from + "\"")
                .contains("data-to=\"" + (from + 3_595_000) + "\"")
                .contains("data-frames=\"116\"")
                .contains("data-step=\"31000\"")
                .contains("Circles, dark frames")
                .contains("data-at=\"" + from + "\"")
                .contains("data-ahead=\"3600\"");
        web.perform(get("/outings/999999/field")).andExpect(status().isNotFound());
    }

    /** Held where another of the same camera runs, and by day: both is said, and nothing moves by itself. */
    @Test
    void takes_that_are_held_may_clash() throws Exception {
        Take trails = Take.of("Circles", new Subject.Trails(15, 30, 1, 0), rig.name(), rig.rig());
        Take people = Take.of("Friend", new Subject.People(4), rig.name(), rig.rig());
        takes.add(id, trails.pinnedAt(Instant.parse("2027-06-04T23:00:00Z")), rig.id());
        takes.add(id, people.pinnedAt(Instant.parse("2027-06-04T23:30:00Z")), rig.id());
        assertThat(body()).contains("cannot take Circles and Friend at one time");
        takes.pin(id, takes.of(id).get(1).id(), Optional.of(Instant.parse("2027-06-04T13:00:00Z")));
        assertThat(body()).contains("Friend stands outside of its wish").contains("begins before you arrive");
        takes.pin(id, takes.of(id).get(1).id(), Optional.empty());
        assertThat(body()).doesNotContain("at one time").doesNotContain("outside of its wish");
    }

    /** Two takes that are alike in all are two all the same: each has its own time, and its own event. */
    @Test
    void twins_are_told_apart() throws Exception {
        Take people = Take.of("Friend", new Subject.People(4), rig.name(), rig.rig());
        takes.add(id, people, rig.id());
        takes.add(id, people, rig.id());
        Matcher clocks = Pattern.compile("font-mono\">(\\d\\d:\\d\\d)<").matcher(body());
        List<String> times = clocks.results().map(r -> r.group(1)).toList();
        assertThat(times).hasSize(2).doesNotHaveDuplicates();
        String ics =
                web.perform(get(path + "/sheet.ics")).andReturn().getResponse().getContentAsString();
        assertThat(ics.lines().filter(l -> l.startsWith("UID:")).distinct()).hasSize(2);
    }

    @Test
    void a_clock_that_is_none_moves_nothing() throws Exception {
        Take people = Take.of("Friend", new Subject.People(4), rig.name(), rig.rig());
        long take = takes.add(id, people.pinnedAt(Instant.parse("2027-06-04T23:00:00Z")), rig.id());
        web.perform(post(path + "/" + take + "/pin").param("at", "late")).andExpect(status().isUnprocessableEntity());
        assertThat(takes.of(id).get(0).take().pinned()).contains(Instant.parse("2027-06-04T23:00:00Z"));
    }

    /** No two numbers alike: what is stored comes back as it was. */
    @Test
    void every_subject_and_wish_goes_there_and_back() {
        List<Subject> subjects = List.of(
                new Subject.MilkyWay(7),
                new Subject.Arch(0.35, 12.5, 4.5),
                new Subject.Ground(6, 45.5),
                new Subject.People(9),
                new Subject.Painting(new LightPainting(120, 31, 5.5), 21, 640, 8),
                new Subject.Trails(17.5, 29, 1.5, 4),
                new Subject.Clip(11.5, 24, 14),
                new Subject.Free("coffee \"hot\"", 23, true));
        List<Wish> wishes = List.of(
                Wish.of(Wish.Kind.DARK),
                Wish.at(LocalTime.of(23, 17)),
                Wish.between(LocalTime.of(22, 5), LocalTime.of(3, 55)),
                Wish.over(Wish.Kind.MOON_OVER_MARK, "Stack <1>"));
        for (int i = 0; i < subjects.size(); i++) {
            Take take = Take.of("Take " + i, subjects.get(i), rig.name(), rig.rig())
                    .with(wishes.get(i % wishes.size()))
                    .aimed(new Direction(211.5 + i, 33.25))
                    .pinnedAt(Instant.parse("2027-06-04T22:3" + i + ":00Z"));
            long stored = takes.add(id, take, rig.id());
            assertThat(takes.of(id)).contains(new Takes.Stored(stored, take));
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
                .andExpect(redirectedUrl(path));
        assertThat(takes.of(id).get(0).take().subject()).isEqualTo(new Subject.Free("Tea & <b>talk</b>", 25, true));
        assertThat(body()).contains("Tea &amp; &lt;b&gt;talk&lt;/b&gt;").contains("between two times");
    }

    @ParameterizedTest
    @CsvSource({
        "subject=frogs, one of the list",
        "subject=free&name=, what it is",
        "subject=free&name=x&minutes=0, 1 to 720",
        "subject=trails&wish=someday, one of the list",
        "subject=trails&wish=fixed, Enter the time",
        "subject=trails&wish=fixed&from=25:00, hours and minutes",
        "subject=trails&wish=core-over-mark, Choose the mark",
        "subject=trails&rig=99999, one of the list"
    })
    void what_cannot_be_is_answered_beside_the_field(String query, String answer) throws Exception {
        web.perform(post(path + "?" + (query.contains("rig=") ? "" : "rig=" + rig.id() + "&") + query))
                .andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString(answer)));
        assertThat(takes.of(id)).isEmpty();
    }

    @Test
    void a_rig_that_a_take_needs_stays() throws Exception {
        NamedRig other = kit.rigs().get(1);
        takes.add(id, Take.of("t", new Subject.People(2), other.name(), other.rig()), other.id());
        web.perform(post("/kit/rig/" + other.id() + "/delete"));
        assertThat(kit.rigs()).contains(other);
    }

    /** Read by another library: each take with its work, and an alarm ten minutes before that. */
    @Test
    void the_night_goes_into_calendar_and_table() throws Exception {
        web.perform(post(path + "/proposed"));
        String ics =
                web.perform(get(path + "/sheet.ics")).andReturn().getResponse().getContentAsString();
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
        assertThat(ics)
                .isEqualTo(web.perform(get(path + "/sheet.ics"))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
        String csv =
                web.perform(get(path + "/sheet.csv")).andReturn().getResponse().getContentAsString();
        assertThat(csv).startsWith("utc,local,take,what,act").contains(",Star trails,");
        assertThat(body()).contains("In the bag").contains("interval timer");
        web.perform(get(path + "/sheet.exe")).andExpect(status().isNotFound());
    }

    @Test
    void the_sheet_is_public() throws Exception {
        web.perform(post(path + "/proposed").param("name", "Star trails"));
        String text = web.perform(get("/api/outings/" + id + "/sheet"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
        JsonNode lines = new ObjectMapper().readTree(text);
        JsonNode trails = null;
        for (JsonNode line : lines) {
            trails = line.path("what").asText().contains("155 \u00d7 30 s") ? line : trails;
        }
        assertThat(trails).isNotNull();
        assertThat(trails.path("take").asText()).isEqualTo("Star trails");
        assertThat(trails.path("act").asBoolean()).isTrue();
        assertThat(Instant.parse(trails.path("utc").asText()))
                .isBetween(Instant.parse("2027-06-04T21:00:00Z"), Instant.parse("2027-06-05T04:00:00Z"));
        web.perform(get("/api/outings/999999/sheet"))
                .andExpect(status().isNotFound())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"));
    }
}
