package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.zaxxer.hikari.HikariDataSource;
import dev.halfdusk.app.db.DefaultSchema;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.ground.SkylineText;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Another program holds the database, or a statement fails: pages answer, saves are all or nothing, and afterwards all is as before. */
class LockTest extends StoringTest {

    @Autowired
    private QueryCount queries;

    @Autowired
    private DSLContext db;

    @Autowired
    @Qualifier("writes")
    private HikariDataSource writes;

    @Autowired
    private HalfDuskProperties properties;

    private long place;

    @BeforeEach
    void place() {
        place = made.coast("Locked").id();
        places.saveSkyline(place, SkylineText.parse("10,5\n20,6"));
    }

    private Connection another() throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + properties.data().resolve(Database.FILE));
    }

    private MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse();
    }

    private MockHttpServletRequestBuilder change(String name) {
        return post("/places/" + place)
                .param("name", name)
                .param("coordinates", "37.6, -8.8")
                .param("elevation", "5")
                .param("zone", "Europe/Lisbon")
                .param("class", "3")
                .param("hazards", "a <b>drop</b>\nand \"water\"");
    }

    /** Waiting for our own writers and then for another program is less than five seconds together, with time for the page. */
    @Test
    void nobody_waits_long_for_an_answer() {
        long lock = Long.parseLong(writes.getDataSourceProperties().getProperty("busy_timeout"));
        assertThat(writes.getConnectionTimeout()).isPositive();
        assertThat(lock).isPositive();
        assertThat(writes.getConnectionTimeout() + lock).isLessThanOrEqualTo(3500);
    }

    @Test
    void pages_answer_while_another_program_holds_the_lock_and_saves_say_busy() throws Exception {
        List<String> pages = List.of("/", "/places", "/places/" + place, "/kit", "/outings", "/outings/new", "/nights");
        ExecutorService people = Executors.newFixedThreadPool(8);
        try (Connection other = another();
                Statement statement = other.createStatement()) {
            statement.execute("BEGIN IMMEDIATE");
            List<Future<MockHttpServletResponse>> saves = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                saves.add(people.submit(() -> ask(change("Locked out"))));
            }
            for (String page : pages) {
                assertThat(ask(get(page)).getStatus())
                        .as("%s, the lock being held until all are answered", page)
                        .isEqualTo(200);
            }
            for (Future<MockHttpServletResponse> save : saves) {
                MockHttpServletResponse answer = save.get(1, TimeUnit.MINUTES);
                assertThat(answer.getStatus()).isEqualTo(503);
                assertThat(answer.getHeader("Retry-After")).isEqualTo("3");
                assertThat(answer.getContentAsString())
                        .contains("Busy: nothing was saved", "action=\"/places/" + place + "\"")
                        .contains("a &lt;b&gt;drop&lt;/b&gt;\nand &quot;water&quot;</textarea>");
            }
            statement.execute("ROLLBACK");
        } finally {
            people.shutdownNow();
        }
        assertThat(places.find(place).orElseThrow().name()).isEqualTo("Locked");
        // a connection whose BEGIN failed must not be handed on: each of many saves counts, and each page comes
        for (int i = 0; i < 20; i++) {
            assertThat(ask(change("After " + i)).getStatus()).isEqualTo(302);
            assertThat(places.find(place).orElseThrow().name()).isEqualTo("After " + i);
            assertThat(ask(get(pages.get(i % pages.size()))).getStatus()).isEqualTo(200);
        }
    }

    /** A file is taken by a job, which is followed: it says that nothing was stored, and can be taken once the lock is gone. */
    @Test
    void a_file_that_is_taken_meanwhile_can_be_taken_again() throws Exception {
        byte[] zip = ask(get("/data/half-dusk.zip")).getContentAsByteArray();
        ask(change("Changed since"));
        String looked = followed(ask(multipart("/data").file(new MockMultipartFile("file", zip))));
        String token = looked.replaceAll("(?s).*name=\"token\" value=\"([^\"]+)\".*", "$1");
        try (Connection other = another();
                Statement statement = other.createStatement()) {
            statement.execute("BEGIN IMMEDIATE");
            assertThat(followed(ask(post("/data/take").param("token", token).param("replace", "on"))))
                    .contains("busy: nothing was stored", "Take it</button>");
            statement.execute("ROLLBACK");
        }
        assertThat(places.find(place).orElseThrow().name()).isEqualTo("Changed since");
        assertThat(followed(ask(post("/data/take").param("token", token).param("replace", "on"))))
                .contains("new things are stored");
        assertThat(places.all()).extracting(Place::name).contains("Locked");
    }

    private String followed(MockHttpServletResponse first) throws Exception {
        String page = first.getContentAsString();
        for (int i = 0; i < 100 && page.contains("<progress"); i++) {
            page = ask(get(page.replaceAll("(?s).*hx-get=\"([^\"]+)\".*", "$1").replace("&amp;", "&")))
                    .getContentAsString();
        }
        return page;
    }

    /** Every table with every row, but for forecasts, which are stored beside what is asked. */
    private String everything() {
        return DefaultSchema.DEFAULT_SCHEMA.getTables().stream()
                .filter(t -> !t.getName().startsWith("forecast_"))
                .map(t -> t.getName() + db.selectFrom(t).fetch().sortAsc(0).formatCSV())
                .collect(Collectors.joining("\n"));
    }

    private Map<String, MockHttpServletRequestBuilder> saves() throws Exception {
        Outing outing = made.outing("Half", places.find(place).orElseThrow(), "2027-06-08");
        ask(post("/outings/" + outing.id() + "/takes/proposed"));
        List<Takes.Stored> stored = takes.of(outing.id());
        assertThat(stored).hasSizeGreaterThan(1);
        String in = "/outings/" + outing.id();
        long rig = kit.save(new NamedRig(
                null,
                "Half",
                kit.bodies().get(0),
                kit.lenses().get(0),
                List.of(kit.gear().get(0))));
        Map<String, MockHttpServletRequestBuilder> all = new LinkedHashMap<>();
        all.put("skyline", post("/places/" + place + "/skyline").param("points", "10.5,1\n20.5,2\n30.5,3"));
        all.put(
                "rig",
                post("/kit/rig/" + rig)
                        .param("name", "Half")
                        .param("body", "" + kit.bodies().get(1).id())
                        .param("lens", "" + kit.lenses().get(0).id())
                        .param("gear-" + kit.gear().get(0).id(), "on")
                        .param("gear-" + kit.gear().get(1).id(), "on"));
        all.put("new outing", post("/outings?title=Half&place=" + place + "&night=2027-06-09&like=proposed"));
        all.put("other night", post(in + "/night").param("night", "2027-06-10"));
        all.put("earlier", post(in + "/takes/" + stored.get(1).id() + "/earlier"));
        all.put(
                "done",
                post(in + "/field/done").param("take", "" + stored.get(0).id()));
        all.put("reset", post(in + "/field/reset"));
        return all;
    }

    @Test
    void a_save_of_several_statements_is_all_or_nothing() throws Exception {
        saves().forEach((what, request) -> {
            String before = everything();
            int failed = 0;
            while (queries.failing(failed + 1, () -> answered(what, request))) {
                failed++;
                assertThat(everything().equals(before))
                        .as(what + ", statement " + failed)
                        .isTrue();
            }
            assertThat(failed).as(what).isPositive();
            assertThat(everything().equals(before)).as(what + " is saved").isFalse();
        });
    }

    private void answered(String what, MockHttpServletRequestBuilder request) {
        try {
            assertThat(ask(request).getStatus()).as(what).isEqualTo(302);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void many_read_and_write_at_once_and_each_save_counts() throws Exception {
        ExecutorService readers =
                Executors.newFixedThreadPool(3); // more would wait, which is not for these requests without a server
        ExecutorService people = Executors.newFixedThreadPool(9);
        try {
            List<Future<Integer>> answers = new ArrayList<>();
            for (int i = 0; i < 60; i++) {
                int turn = i;
                answers.add((turn % 3 == 0 ? people : readers)
                        .submit(() -> turn % 3 == 0
                                ? ask(post("/places/" + place + "/marks")
                                                .param("mark-name", "Mast " + turn)
                                                .param("mark-bearing", "10")
                                                .param("mark-distance", "100")
                                                .param("mark-height", "20")
                                                .param("mark-width", "3")
                                                .param("mark-foot", "0")
                                                .param("mark-silhouette", "tower"))
                                        .getStatus()
                                : ask(get("/places/" + place)).getStatus()));
            }
            for (int i = 0; i < answers.size(); i++) {
                assertThat(answers.get(i).get()).isEqualTo(i % 3 == 0 ? 302 : 200);
            }
        } finally {
            readers.shutdownNow();
            people.shutdownNow();
        }
        assertThat(places.plainMarks(place))
                .extracting(m -> m.name())
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.range(0, 20).mapToObj(i -> "Mast " + 3 * i).toList());
    }
}
