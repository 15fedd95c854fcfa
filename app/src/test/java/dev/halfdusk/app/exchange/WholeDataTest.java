package dev.halfdusk.app.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.FewData;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.learned.Habits;
import dev.halfdusk.app.log.EntryMaker;
import dev.halfdusk.app.log.LearnedFile;
import dev.halfdusk.app.log.LogFiles;
import dev.halfdusk.app.outings.FieldNotes;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingFile;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.Imported.State;
import dev.halfdusk.app.web.Imported.Wanted;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.exposure.Sharp;
import dev.halfdusk.core.ground.Geodesy;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.outing.Way;
import dev.halfdusk.core.take.BracketPattern;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Stack;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Trails;
import dev.halfdusk.core.take.Wish;
import io.jenetics.jpx.GPX;
import io.jenetics.jpx.WayPoint;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
@FewData
record WholeDataTest(
        MockMvc web,
        WholeData data,
        OutingFile file,
        Outings outings,
        Takes takes,
        FieldNotes notes,
        Places places,
        Deletions deletions,
        Kit kit,
        Jobs jobs,
        DSLContext db,
        ObjectMapper json,
        LogFiles logFiles,
        LearnedFile learnedFile,
        EntryMaker maker,
        Habits habits,
        Made made) {

    private static final Pattern TOKEN = Pattern.compile("token=([0-9a-f-]{36})");

    private static final AtomicInteger NUMBER = new AtomicInteger();

    private static final Decision ALL_DECIDED = new Decision(
            new Decision.Stars(PlannedBy.N500, OptionalDouble.of(20), OptionalDouble.of(4.5)),
            new Decision.Exposed(
                    OptionalDouble.of(12.5),
                    OptionalDouble.of(2500),
                    Decision.NoiseSchool.LIFTED,
                    new BracketPattern(List.of(0.0, -2.0, 1.5))),
            new Decision.Frames(OptionalDouble.of(11), OptionalDouble.of(2.5), OptionalDouble.of(7)),
            Decision.FocusedOn.SCENE,
            OptionalDouble.of(17.5),
            new Decision.InCamera(Decision.NoiseReduction.AUTOMATIC, true));

    /** With no two numbers alike, and everything that can belong to an outing. */
    private long full() {
        int n = NUMBER.incrementAndGet();
        Place place = made.place(
                "Whole <" + n + ">",
                37.6125,
                -8.75,
                5.5,
                "Europe/Lisbon",
                new Mark("Stack", 176.5, 140.25, 24.5, 13.75, -1.5, Silhouette.ARCH));
        long id = outings.save(Outing.fresh("All of it " + n, place, LocalDate.parse("2027-07-04"))
                        .with(Demand.USUAL.within(2.25, Sharp.HALF))
                        .going(3, new Way(41, 17), Optional.of(LocalTime.of(4, 10)))
                        .noted("bring \"rope\""))
                .id();
        NamedRig rig = kit.rigs().get(0);
        long trails = takes.add(
                id,
                Take.of("Circles", new Trails(17.5, 29, 1.5, 4), Takes.camera(rig))
                        .with(Wish.between(LocalTime.of(22, 5), LocalTime.of(3, 55)))
                        .aimed(new Direction(11.25, 33.5))
                        .pinnedAt(Instant.parse("2027-07-04T22:30:00Z")),
                rig.id());
        takes.add(
                id,
                Take.of("Field", new Stack(21, 3), Takes.camera(rig))
                        .with(ALL_DECIDED)
                        .with(places.at(place.id(), Wish.over(Wish.Kind.SIGHT_OVER_MARK, Named.of("Stack")))),
                rig.id());
        long tea = takes.add(id, Take.of("Tea", new Free(25, true), Takes.camera(rig)), rig.id());
        takes.progress(
                id,
                trails,
                new Progress(
                        Optional.of(Instant.parse("2027-07-04T22:31:00Z")),
                        Optional.of(Instant.parse("2027-07-04T23:02:00Z")),
                        false));
        takes.progress(id, tea, Progress.leftOut());
        outings.keep(id, LocalDate.parse("2027-07-06"));
        outings.pack(id, "tripod", true);
        outings.resume(id, Optional.of(Instant.parse("2027-07-04T23:02:00Z")));
        notes.add(id, new FieldNotes.Note(Instant.parse("2027-07-04T22:40:00Z"), "Circles", "cloud 3/8"));
        return id;
    }

    private Imported read(JsonNode tree, boolean replace) {
        return file.read(tree, replace ? Wanted.NEW_AND_CHANGED : Wanted.NEW, file.reader());
    }

    private List<Imported> look(byte[] zip) {
        return data.look(zip, () -> {});
    }

    private List<Imported> take(byte[] zip, boolean replace) {
        return data.take(zip, replace ? Wanted.NEW_AND_CHANGED : Wanted.NEW, () -> {});
    }

    private ObjectNode tree(long id) {
        return file.write(id).orElseThrow();
    }

    private JsonSchema schema() throws Exception {
        return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Ask.ok(web, "/api/schemas/outing"));
    }

    @Test
    void an_outing_goes_out_and_comes_back_whole() throws Exception {
        long id = full();
        ObjectNode written = tree(id);
        assertThat(schema().validate(written)).isEmpty();
        JsonNode served = Ask.json(web, "/api/outings/" + id);
        assertThat(served.toString()).isEqualTo(written.toString());
        assertThat(read(written, false).state()).isEqualTo(State.EQUAL);

        deletions.delete("outing", id);
        assertThat(read(written, false).state()).isEqualTo(State.NEW);
        long again = outings.all().stream()
                .filter(o -> o.title().equals(written.path("title").asText()))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(again).isNotEqualTo(id);
        assertThat(tree(again).toString()).isEqualTo(written.toString());
        assertThat(takes.of(again)).hasSize(3);
    }

    /** A change is told; it is stored only where that is asked for, and nothing of the old is left then. */
    @Test
    void what_has_changed_is_replaced_only_when_asked() {
        long id = full();
        ObjectNode changed = tree(id);
        changed.put("people", 4);
        ((com.fasterxml.jackson.databind.node.ArrayNode) changed.path("takes")).remove(0);
        assertThat(read(changed, false).state()).isEqualTo(State.CHANGED);
        assertThat(outings.find(id).orElseThrow().terms().people()).isEqualTo(3);
        assertThat(read(changed, true).state()).isEqualTo(State.CHANGED);
        assertThat(outings.find(id).orElseThrow().terms().people()).isEqualTo(4);
        assertThat(tree(id).toString()).isEqualTo(changed.toString());
        assertThat(outings.find(id).orElseThrow().standing().revision()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/format|\"other\"|format: wanted",
                "/version|2|version: this program knows version 1, not 2",
                "/version|\"x\"|version: this program knows",
                "/title|\"\"|title: text of 1 to 500",
                "/night|\"2099-01-01\"|night: ",
                "/people|10|people: 10 is outside what is allowed: 1 to 9",
                "/people|\"3\"|people: wanted is a number, 1 to 9",
                "/turnBack|\"late\"|turnBack: Enter a time as hours and minutes",
                "/tolerancePx|0|tolerancePx: 0 is outside what is allowed: 0.5 to 20",
                "/sharp|\"very\"|sharp: one of all",
                "/place/latitude|95|place.latitude: 95 is outside what is allowed: −90 to 90",
                "/place/zone|\"Nowhere\"|place.zone: ",
                "/takes/0/subject|\"frogs\"|takes[0].subject: one of milky-way",
                "/takes/0/rig|\"none <such>\"|takes[0].rig: no rig here is called",
                "/takes/0/focalMm|1|takes[0].focalMm: 1 is outside what is allowed: 2 to 2000 mm",
                "/takes/0/aperture|0.1|takes[0].aperture: 0.1 is outside what is allowed: 0.7 to 192",
                "/takes/0/parameters/arcDeg|500|takes[0].parameters: ",
                "/takes/0/parameters/arcDeg|\"wide\"|takes[0].parameters: ",
                "/takes/1/decision/iso|7|takes[1].decision: iso: ",
                "/takes/0/wish/kind|\"someday\"|takes[0].wish: ",
                "/takes/0/wish/from|\"9 pm\"|takes[0].wish: ",
                "/takes/0/aim/azimuth|400|takes[0].aim.azimuth: 400 is outside what is allowed: 0 to 360",
                "/takes/0/pinnedAt|\"now\"|takes[0].pinnedAt: a time in UTC",
                "/takes/0/closedAt|\"2027-07-04T20:00:00Z\"|takes[0].closedAt: ",
                "/candidates/0|\"someday\"|candidates: ",
            })
    void what_cannot_be_says_where_and_stores_nothing(String where, String value, String answer) throws Exception {
        long id = full();
        ObjectNode bad = tree(id);
        bad.put("title", bad.path("title").asText() + " bad");
        ((ObjectNode) bad.path("place")).put("name", "Unknown <" + id + ">");
        int cut = where.lastIndexOf('/');
        JsonNode parent = bad.at(where.substring(0, cut));
        if (parent instanceof ObjectNode object) {
            object.set(where.substring(cut + 1), json.readTree(value));
        } else {
            ((com.fasterxml.jackson.databind.node.ArrayNode) parent).set(0, json.readTree(value));
        }
        int before = outings.all().size();
        Imported item = read(bad, true);
        assertThat(item.state()).isEqualTo(State.REFUSED);
        assertThat(item.why()).contains(answer);
        assertThat(outings.all()).hasSize(before);
    }

    @Test
    void too_many_takes_are_refused_and_unknown_fields_passed_over_with_a_word() {
        ObjectNode many = tree(full());
        many.put("title", "Many");
        var list = (com.fasterxml.jackson.databind.node.ArrayNode) many.path("takes");
        JsonNode one = list.get(1);
        while (list.size() <= 40) {
            list.add(one);
        }
        assertThat(read(many, false).why()).contains("takes: a night holds at most 40; these are 41");
        ObjectNode odd = tree(full());
        odd.put("colour", "red");
        ((ObjectNode) odd.path("takes").get(0)).put("<b>", 1);
        assertThat(read(odd, false).why()).isEqualTo("passed over: colour, takes[0].<b>");
        ObjectNode wide = tree(full());
        ((ObjectNode) wide.path("takes").get(0).path("parameters")).put("width", 1);
        assertThat(read(wide, false).why()).isEqualTo("passed over: takes[0].parameters.width");
    }

    @Test
    void the_schema_is_served_and_refuses_what_the_reader_refuses() throws Exception {
        web.perform(get("/api/outings/schema"))
                .andExpect(status().isOk())
                .andExpect(content().contentTypeCompatibleWith("application/json"))
                .andExpect(content().string(containsString("urn:half-dusk:outing:1")));
        ObjectNode bad = tree(full());
        bad.put("version", 2).put("people", 10).put("colour", "red");
        assertThat(schema().validate(bad)).hasSizeGreaterThanOrEqualTo(3);
        web.perform(get("/api/outings/999999"))
                .andExpect(status().isNotFound())
                .andExpect(content().contentTypeCompatibleWith("application/problem+json"));
    }

    private static State state(List<Imported> items, String name) {
        return items.stream()
                .filter(i -> i.name().equals(name))
                .findFirst()
                .orElseThrow()
                .state();
    }

    /** Out and in again all is the same; a place that was moved, a mark that was lost, a lens of another name are told. */
    @Test
    void all_data_go_out_and_come_back() throws Exception {
        long id = full();
        Outing outing = outings.find(id).orElseThrow();
        byte[] zip = Ask.bytes(web, "/data/half-dusk.zip");
        assertThat(data.write()).isEqualTo(zip);
        assertThat(look(zip)).isNotEmpty().allMatch(i -> i.state() == State.EQUAL);

        places.marks(outing.place().id()).forEach(m -> deletions.delete("mark", m.id()));
        outings.save(new Outing(
                id,
                "Renamed " + id,
                outing.place(),
                outing.night(),
                outing.terms(),
                outing.standing(),
                outing.further()));
        List<Imported> looked = look(zip);
        assertThat(state(looked, outing.place().name())).isEqualTo(State.CHANGED);
        assertThat(state(looked, outing.title())).isEqualTo(State.NEW);
        assertThat(places.plainMarks(outing.place().id())).as("only looked at").isEmpty();

        assertThat(take(zip, false)).hasSameSizeAs(looked);
        assertThat(places.plainMarks(outing.place().id())).as("not replaced").isEmpty();
        take(zip, true);
        assertThat(places.plainMarks(outing.place().id()))
                .containsExactly(new Mark("Stack", 176.5, 140.25, 24.5, 13.75, -1.5, Silhouette.ARCH));
        assertThat(look(zip)).allMatch(i -> i.state() == State.EQUAL);
    }

    /** A place that lies elsewhere here, with its outing and its plan: what a look tells is what taking it does. */
    @Test
    void a_look_tells_what_taking_does() throws Exception {
        long id = full();
        long place = outings.find(id).orElseThrow().place().id();
        web.perform(post("/events/plans?place=" + place + "&date=2027-08-02")).andExpect(status().isFound());
        byte[] zip = data.write();
        db.execute("update place set latitude_deg = latitude_deg + 0.01 where id = " + place);
        List<Imported> looked = look(zip);
        assertThat(looked).anyMatch(i -> i.sort().equals("eclipse plan")).anyMatch(i -> i.state() == State.CHANGED);
        assertThat(look(zip)).as("nothing was stored").isEqualTo(looked);
        assertThat(take(zip, true)).isEqualTo(looked);
        assertThat(look(zip)).allMatch(i -> i.state() == State.EQUAL);
    }

    private MockMultipartFile upload(byte[] bytes) {
        return new MockMultipartFile("file", "some.zip", "application/zip", bytes);
    }

    @Test
    void a_file_is_looked_at_and_then_taken() throws Exception {
        long id = full();
        ObjectNode one = tree(id);
        one.put("title", "Taken <" + id + ">");
        String page =
                looked(Ask.ok(web, multipart("/data").file(upload(one.toString().getBytes(StandardCharsets.UTF_8)))));
        assertThat(page).contains("Nothing is stored yet").contains("Taken &lt;" + id + "&gt;");
        assertThat(outings.briefs()).noneMatch(b -> b.title().startsWith("Taken <" + id));
        Matcher token = Pattern.compile("name=\"token\" value=\"([^\"]+)\"").matcher(page);
        assertThat(token.find()).isTrue();
        assertThat(taken(token.group(1))).contains("<strong>1</strong> new things are stored");
        assertThat(outings.briefs()).anyMatch(b -> b.title().equals("Taken <" + id + ">"));
        // sent again, and looked at again, it tells the same and stores nothing more
        assertThat(taken(token.group(1))).contains("<strong>1</strong> new things are stored");
        assertThat(outings.briefs())
                .filteredOn(b -> b.title().equals("Taken <" + id + ">"))
                .hasSize(1);
        assertThat(Ask.ok(web, get("/data").param("token", token.group(1)).param("wanted", "NEW")))
                .contains("new things are stored");
        for (String late : List.of("NOTHING", "NEW_AND_CHANGED")) {
            assertThat(Ask.refused(web, post("/data/take").param("token", late).param("replace", "on")))
                    .contains("choose it again");
            web.perform(get("/data").param("token", "x").param("wanted", late))
                    .andExpect(status().isUnprocessableEntity());
        }
    }

    /** While all hands are busy it shows how far it has come, and by the address it asks again what came out. */
    @Test
    void a_long_look_shows_how_far_it_has_come() throws Exception {
        CountDownLatch may = new CountDownLatch(1);
        for (int i = 0; i < Math.max(1, Runtime.getRuntime().availableProcessors()); i++) {
            jobs.of("busy " + i, 1, j -> awaited(may));
        }
        byte[] zip = zip("outings/1.json", tree(full()).toString().getBytes(StandardCharsets.UTF_8));
        String page = web.perform(multipart("/data").file(upload(zip)))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).contains("It is compared with what is here").contains("<span>0</span> of <span>1</span>");
        Matcher again = Pattern.compile("hx-get=\"([^\"]+)\"").matcher(page);
        assertThat(again.find()).isTrue();
        may.countDown();
        String told = page;
        for (int i = 0; i < 100 && told.contains("<progress"); i++) {
            told = Ask.ok(web, again.group(1).replace("&amp;", "&"));
        }
        assertThat(told).contains("Nothing is stored yet").contains("<span>1</span> the same");
    }

    private static boolean awaited(CountDownLatch latch) {
        try {
            return latch.await(1, TimeUnit.MINUTES);
        } catch (InterruptedException e) {
            return false;
        }
    }

    private static byte[] zip(String name, byte[] content) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
        }
        return out.toByteArray();
    }

    /** A bomb of 200 MB in 200 kB, a deep nest, no JSON, no ZIP, nothing. */
    @Test
    void bad_files_are_answered_and_store_nothing() throws Exception {
        byte[] bomb = zip("outings/1.json", new byte[200 << 20]);
        assertThat(bomb.length).isLessThan(1 << 20);
        assertThatThrownBy(() -> look(bomb)).isInstanceOf(BadFile.class).hasMessageContaining("96 MB");
        byte[] deep = zip("outings/1.json", "[".repeat(10_000).getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> look(deep)).isInstanceOf(BadFile.class).hasMessageContaining("nested too deeply");
        assertThatThrownBy(() -> look(zip("../../etc/x.json", "{}".getBytes(StandardCharsets.UTF_8))))
                .hasMessageContaining("holds none of");
        assertThatThrownBy(() -> look(zip("kit.json", "{}".getBytes(StandardCharsets.UTF_8))))
                .hasMessageContaining("kit.json");
        assertThatThrownBy(() -> look(zip("places.json", "{}".getBytes(StandardCharsets.UTF_8))))
                .isInstanceOf(BadFile.class);
        for (String text : List.of("PK\u0003\u0004broken", "hello", "[1]", "")) {
            MockHttpServletResponse answer = web.perform(
                            multipart("/data").file(upload(text.getBytes(StandardCharsets.UTF_8))))
                    .andReturn()
                    .getResponse();
            Matcher token = TOKEN.matcher(answer.getContentAsString());
            long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
            while (answer.getStatus() == 200 && token.find(0) && System.nanoTime() < until) { // still at work
                answer = web.perform(get("/data").param("token", token.group(1)))
                        .andReturn()
                        .getResponse();
            }
            assertThat(answer.getStatus()).as(text).isEqualTo(422);
        }
    }

    @Test
    void the_place_and_its_marks_go_into_gpx() throws Exception {
        long id = full();
        byte[] gpx = Ask.bytes(web, "/outings/" + id + "/sheet/night.gpx");
        List<WayPoint> points =
                GPX.Reader.DEFAULT.read(new ByteArrayInputStream(gpx)).getWayPoints();
        assertThat(points).hasSize(3);
        // from the third the mark lies in the bearing of the core: at its distance, off by how far that is from 176.5°
        WayPoint stand = points.get(2);
        assertThat(stand.getName().orElseThrow()).startsWith("Stand for Field at ");
        assertThat(Geodesy.distanceKm(
                        stand.getLatitude().doubleValue(),
                        stand.getLongitude().doubleValue(),
                        points.get(1).getLatitude().doubleValue(),
                        points.get(1).getLongitude().doubleValue()))
                .isCloseTo(0.14025, within(0.001));
        assertThat(Geodesy.bearingDeg(
                        stand.getLatitude().doubleValue(),
                        stand.getLongitude().doubleValue(),
                        points.get(1).getLatitude().doubleValue(),
                        points.get(1).getLongitude().doubleValue()))
                .isBetween(173.0, 180.0);
        assertThat(points.get(0).getName())
                .contains(outings.find(id).orElseThrow().place().name());
        // 140 m to the south, a little east of it
        assertThat(points.get(1).getLatitude().doubleValue()).isCloseTo(37.6125 - 140.0 / 111_200, within(2e-5));
        assertThat(points.get(1).getLongitude().doubleValue())
                .isGreaterThan(-8.75)
                .isLessThan(-8.7498);
    }

    /** Places and outings may share a name: each comes back as itself. */
    @Test
    void twins_stay_two() {
        long first = full();
        Outing one = outings.find(first).orElseThrow();
        Place there = made.place(one.place().name(), 40, 10, 0, "Europe/Rome");
        long second =
                outings.save(Outing.fresh(one.title(), there, one.night())).id();
        byte[] zip = data.write();
        assertThat(look(zip)).allMatch(i -> i.state() == State.EQUAL);
        deletions.delete("outing", first);
        deletions.delete("outing", second);
        take(zip, false);
        assertThat(outings.all().stream()
                        .filter(o -> o.title().equals(one.title()))
                        .map(o -> o.place().site().latitudeDeg()))
                .containsExactly(37.6125, 40.0);
    }

    private Map<String, byte[]> unpacked() throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(data.write()), StandardCharsets.UTF_8)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                files.put(e.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    /** Kit and places obey the schemas that are served; a number written as text does not. */
    @ParameterizedTest
    @CsvSource({"kit, /bodies/0/sensorWidth", "places, /places/#/marks/0/height"})
    void each_file_obeys_its_schema(String name, String number) throws Exception {
        full();
        JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Ask.ok(web, "/api/schemas/" + name));
        JsonNode written = json.readTree(unpacked().get(name + ".json"));
        assertThat(schema.validate(written)).isEmpty();
        int marked = 0; // the first place with a mark
        while (number.contains("#")
                && written.at("/places/" + marked + "/marks/0").isMissingNode()) {
            marked++;
        }
        JsonPointer at = JsonPointer.compile(number.replace("#", "" + marked));
        ObjectNode parent = (ObjectNode) written.at(at.head());
        String field = at.last().getMatchingProperty();
        parent.put(field, parent.path(field).asText());
        assertThat(schema.validate(written)).hasSizeGreaterThan(0);
    }

    /** Unpacked, looked at and packed again, with the folder and what a desktop adds. */
    @Test
    void a_zip_that_was_packed_again_is_taken() throws Exception {
        full();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> f : unpacked().entrySet()) {
                zip.putNextEntry(new ZipEntry("half-dusk/" + f.getKey()));
                zip.write(f.getValue());
                zip.putNextEntry(new ZipEntry("desktop/half-dusk/._" + f.getKey()));
                zip.write(1);
            }
        }
        List<Imported> again = look(out.toByteArray());
        assertThat(again).hasSameSizeAs(look(data.write())).allMatch(i -> i.state() == State.EQUAL);
    }

    /** A file that holds what is read again beside what is only for people. */
    @Test
    void the_part_that_is_read_is_found_in_a_plans_export() {
        ObjectNode export = json.createObjectNode();
        export.putArray("cues");
        export.set("plan", tree(full()));
        assertThat(look(export.toString().getBytes(StandardCharsets.UTF_8)))
                .singleElement()
                .satisfies(i -> assertThat(i.state()).isEqualTo(State.EQUAL));
    }

    /** The page once its work is done, however busy this machine is. */
    /** The page after it was taken; while that takes long the page says so, and asks again. */
    private String taken(String token) throws Exception {
        String page = Ask.ok(web, post("/data/take").param("token", token));
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (!page.contains("things are stored") && System.nanoTime() < until) {
            page = Ask.ok(web, get("/data").param("token", token).param("wanted", "NEW"));
        }
        return page;
    }

    private String looked(String first) throws Exception {
        String page = first;
        Matcher token = TOKEN.matcher(page);
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(30);
        while (token.find(0) && !page.contains("Nothing is stored yet") && System.nanoTime() < until) {
            page = Ask.ok(web, get("/data").param("token", token.group(1)).param("wanted", "NOTHING"));
        }
        return page;
    }

    /** A night of the log in the file of its outing, after the outing that it names; alone; and what was learned beside them. */
    @Test
    void nights_of_the_log_are_read_with_their_outing_and_alone() throws Exception {
        long outing = full();
        LogFiles.Known known = logFiles.known();
        long night = maker.write(outing).orElseThrow().id();
        ObjectNode alone = logFiles.write(night).orElseThrow();
        ObjectNode both = tree(outing);
        both.put("title", "Lived through");
        ObjectNode log = alone.deepCopy().put("title", "Lived through").put("outing", "Lived through");
        both.set("log", log);
        List<Imported> taken = data.take(
                zip("outings/1.json", both.toString().getBytes(StandardCharsets.UTF_8)), Imported.Wanted.NEW, () -> {});
        assertThat(taken).extracting(Imported::sort).contains("outing", "night of the log");
        assertThat(taken).allSatisfy(i -> assertThat(i.state()).isEqualTo(Imported.State.NEW));
        assertThat(data.look(zip("log/1.json", alone.toString().getBytes(StandardCharsets.UTF_8)), () -> {}))
                .singleElement()
                .satisfies(i -> assertThat(i.state()).isEqualTo(Imported.State.EQUAL));
        assertThat(known.nights()).doesNotContainValue(night);

        habits.setUp(OptionalDouble.of(25));
        byte[] learned = learnedFile.tree().toString().getBytes(StandardCharsets.UTF_8);
        habits.setUp(OptionalDouble.empty());
        assertThat(data.take(zip("learned.json", learned), Imported.Wanted.NEW, () -> {}))
                .singleElement()
                .satisfies(i -> assertThat(i.state()).isEqualTo(Imported.State.NEW));
        assertThat(habits.setUp()).hasValue(25);
        habits.setUp(OptionalDouble.empty());
        String wrong = new String(learned, StandardCharsets.UTF_8).replace("25", "2500");
        assertThat(data.take(
                        zip("learned.json", wrong.getBytes(StandardCharsets.UTF_8)),
                        Imported.Wanted.NEW_AND_CHANGED,
                        () -> {}))
                .singleElement()
                .satisfies(i -> assertThat(i.state()).isEqualTo(Imported.State.REFUSED));
        assertThat(habits.setUp()).isEmpty();
    }
}
