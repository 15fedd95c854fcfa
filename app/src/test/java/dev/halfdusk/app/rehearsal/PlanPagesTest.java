package dev.halfdusk.app.rehearsal;

import static dev.halfdusk.app.db.Tables.REHEARSAL;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import biweekly.Biweekly;
import biweekly.component.VEvent;
import biweekly.property.Trigger;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Orientation;
import java.io.ByteArrayInputStream;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ClassPathResource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** A plan of an eclipse of the sun from its place to its rehearsal and its files. */
@PageTest
record PlanPagesTest(
        MockMvc web,
        Places places,
        Kit kit,
        EclipsePlans plans,
        CameraForm cameras,
        DSLContext db,
        ObjectMapper json,
        Made made) {

    private static final LocalDate TOTAL = LocalDate.of(2027, 8, 2);
    private static final String NEVER = "Never look at the sun through optics or with bare eyes";

    private Place place(double latitude, double longitude) {
        return made.place("Sun <trip>", latitude, longitude, 80, "Europe/Madrid");
    }

    private long plan() {
        return plans.add(place(36.0104, -5.6120).id(), TOTAL);
    }

    private NamedRig rig(boolean filter) {
        NamedRig usual = kit.rigs().stream()
                .filter(r -> r.name().equals("Long for the moon"))
                .findFirst()
                .orElseThrow();
        List<NamedGear> gear = kit.gear().stream()
                .filter(g -> filter && g.name().equals("Solar filter, density 5")
                        || g.name().equals("Battery")
                        || g.name().equals("Card 64 GB"))
                .toList();
        return kit.rig(kit.save(new NamedRig(null, "Rig of a test", usual.body(), usual.lens(), gear)))
                .orElseThrow();
    }

    private long camera(long plan, Role role, boolean filter) {
        return plans.addCamera(
                plan, cameras.usual(rig(filter), role, plans.existing(plan).margins()));
    }

    private long camera(long plan) {
        return camera(plan, Role.CLOSE_UP, true);
    }

    /** Asked for again it opens the one there is; another place or day has its own. */
    @Test
    void a_second_plan_of_an_eclipse_opens_the_first() throws Exception {
        Place here = place(36.0104, -5.6120);
        MockHttpServletRequestBuilder again =
                post("/events/plans").param("place", "" + here.id()).param("date", TOTAL.toString());
        String first = send(again).getRedirectedUrl();
        assertThat(send(again).getRedirectedUrl()).isEqualTo(first);
        String other = send(post("/events/plans")
                        .param("place", "" + place(36.1, -5.6).id())
                        .param("date", TOTAL.toString()))
                .getRedirectedUrl();
        assertThat(other).isNotEqualTo(first);
    }

    /** Of two cameras with one body the second is not to be started; one with another body is. */
    @Test
    void one_body_is_not_in_two_cameras() throws Exception {
        long plan = plan();
        camera(plan);
        assertThat(page(plan + "/plan.txt")).doesNotContain("at the same time");
        plans.addCamera(
                plan,
                cameras.usual(kit.rigs().get(0), Role.LAND, plans.existing(plan).margins()));
        assertThat(page(plan + "/plan.txt")).doesNotContain("at the same time");
        camera(plan, Role.CORONA, true);
        assertThat(page(plan + "/plan.txt")).containsOnlyOnce("NOT TO BE STARTED: Its body");
    }

    /** For land and people the wide end, a fifth of land below the sun; for the corona the long end at the sun. */
    @Test
    void land_is_taken_wide_with_the_horizon_in_it() {
        EclipsePlan plan = plans.existing(plan());
        NamedRig zoom = kit.rigs().stream()
                .filter(r -> r.name().equals("First zoom"))
                .findFirst()
                .orElseThrow();
        PlanCamera land = cameras.usual(zoom, Role.LAND, plan.margins());
        assertThat(land.setting().onLensMm()).isEqualTo(18);
        Setup setup = land.setup(plan.place(), zoom.rig(), plan.here().max().when());
        double height = setup.optics().heightDeg();
        assertThat(setup.pointing().axis().altitudeDeg()).isCloseTo(0.3 * height, within(1e-9));
        assertThat(cameras.usual(zoom, Role.CORONA, plan.margins()).setting().onLensMm())
                .isEqualTo(55);
    }

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse();
    }

    private String page(String path) throws Exception {
        return Ask.ok(web, "/events/plans/" + path);
    }

    private MockHttpServletResponse save(String path, Map<String, String> fields) throws Exception {
        MockHttpServletRequestBuilder request = post("/events/plans/" + path);
        fields.forEach(request::param);
        return send(request);
    }

    private static Map<String, String> with(Map<String, String> fields, String name, String value) {
        Map<String, String> all = new HashMap<>(fields);
        all.put(name, value);
        return all;
    }

    private static final Map<String, String> FIELDS = Map.ofEntries(
            Map.entry("name", "Close"),
            Map.entry("role", "close-up"),
            Map.entry("focalMm", "400"),
            Map.entry("aperture", "8"),
            Map.entry("iso", "200"),
            Map.entry("everySeconds", "300"),
            Map.entry("steps", "0"),
            Map.entry("burstSeconds", "8"),
            Map.entry("pauseSeconds", "0.8"),
            Map.entry("partialFormat", "raw"),
            Map.entry("totalFormat", "raw"),
            Map.entry("clockAheadSeconds", "0"),
            Map.entry("mode", "manual"));

    // plans

    @Test
    void a_plan_is_made_for_a_place_that_sees_the_eclipse() throws Exception {
        MockHttpServletResponse made = send(post("/events/plans")
                .param("place", "" + place(36.0104, -5.6120).id())
                .param("date", "2027-08-02"));
        assertThat(made.getStatus()).isEqualTo(302);
        String page = send(get(made.getRedirectedUrl())).getContentAsString();
        assertThat(page)
                .contains("Total eclipse at Sun &lt;trip&gt;", "10:45:09", "Filters off.")
                .contains(NEVER)
                .contains("None yet: add the first one below");
        assertThat(send(get("/events/plans")).getContentAsString()).contains("2 August 2027 at Sun &lt;trip&gt;");
    }

    @ParameterizedTest
    @CsvSource({"-80, 60, 2027-08-02", "36, -5.6, 2027-08-03", "36, -5.6, 1999-08-11", "36, -5.6, soon"})
    void nothing_is_planned_where_nothing_is_seen(double latitude, double longitude, String date) throws Exception {
        int status = send(post("/events/plans")
                        .param("place", "" + place(latitude, longitude).id())
                        .param("date", date))
                .getStatus();
        assertThat(status).isBetween(400, 404);
    }

    @Test
    void a_place_that_does_not_see_it_and_margins_that_are_too_narrow_are_refused_beside_their_fields()
            throws Exception {
        long id = plan();
        long blind = place(-80, 60).id();
        MockHttpServletResponse refused = save(
                "" + id,
                Map.of(
                        "place",
                        "" + blind,
                        "other",
                        "",
                        "afterC2Seconds",
                        "1",
                        "beforeC3Seconds",
                        "11.5",
                        "celsius",
                        "90"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("times are those of its place", "1 is outside what is allowed: 2 to 60 s")
                .contains("11.5 is outside what is allowed: 12 to 120 s", "90 is outside", "value=\"11.5\"");
        assertThat(plans.existing(id).margins().beforeC3()).isEqualTo(12);
    }

    /** The other place has its own contacts beside; going there works all times out anew. */
    @Test
    void another_place_is_kept_with_its_own_times_and_can_be_gone_to() throws Exception {
        long id = plan();
        long here = plans.existing(id).place().id();
        long other = place(36.5, -5.0).id();
        camera(id);
        save(
                "" + id,
                Map.of(
                        "place",
                        "" + here,
                        "other",
                        "" + other,
                        "afterC2Seconds",
                        "3",
                        "beforeC3Seconds",
                        "15",
                        "celsius",
                        "31"));
        EclipsePlan kept = plans.existing(id);
        Instant c2 = kept.here().contact(Anchor.C2).orElseThrow().when();
        assertThat(kept.margins().afterC2()).isEqualTo(3);
        assertThat(kept.margins().beforeC3()).isEqualTo(15);
        assertThat(kept.terms().celsius()).isEqualTo(31);
        assertThat(page("" + id)).contains("Go to Sun &lt;trip&gt; instead");
        save(id + "/swap", Map.of());
        EclipsePlan gone = plans.existing(id);
        assertThat(gone.place().id()).isEqualTo(other);
        assertThat(gone.other().orElseThrow().id()).isEqualTo(here);
        assertThat(gone.here().contact(Anchor.C2).orElseThrow().when()).isNotEqualTo(c2);
    }

    @Test
    void odds_of_cloud_are_kept_by_place_and_date() throws Exception {
        long id = plan();
        String place = "" + plans.existing(id).place().id();
        assertThat(save(id + "/odds", Map.of("place", place, "percent", "101")).getContentAsString())
                .contains("101 is outside what is allowed: 0 to 100 %");
        save(id + "/odds", Map.of("place", place, "percent", "37"));
        assertThat(plans.cloudOdds(TOTAL)).containsEntry(Long.valueOf(place), 37.0);
        assertThat(plans.cloudOdds(TOTAL.plusDays(1))).doesNotContainKey(Long.valueOf(place));
        save(id + "/odds", Map.of("place", place, "percent", ""));
        assertThat(plans.cloudOdds(TOTAL)).doesNotContainKey(Long.valueOf(place));
    }

    @Test
    void a_deleted_plan_and_camera_come_back() throws Exception {
        long id = plan();
        long camera = camera(id);
        save(id + "/cameras/" + camera + "/delete", Map.of());
        assertThat(plans.existing(id).cameras()).isEmpty();
        save(id + "/cameras/" + camera + "/restore", Map.of());
        assertThat(plans.existing(id).cameras()).hasSize(1);
        save(id + "/cameras/" + camera + "/delete", Map.of());
        assertThat(save(plan() + "/cameras/" + camera + "/restore", Map.of()).getStatus())
                .isEqualTo(404);
        assertThat(plans.existing(id).cameras()).as("no camera of another plan").isEmpty();
        save(id + "/cameras/" + camera + "/restore", Map.of());
        save(id + "/delete", Map.of());
        assertThat(send(get("/events/plans/" + id)).getStatus()).isEqualTo(404);
        save(id + "/restore", Map.of());
        assertThat(send(get("/events/plans/" + id)).getStatus()).isEqualTo(200);
    }

    @Test
    void what_a_plan_needs_is_not_deleted() throws Exception {
        long id = plan();
        long camera = camera(id);
        long place = plans.existing(id).place().id();
        MockHttpServletResponse refused = send(post("/places/" + place + "/delete"));
        assertThat(refused.getRedirectedUrl()).isEqualTo("/places?kept=" + place);
        assertThat(send(get(refused.getRedirectedUrl())).getContentAsString())
                .contains("was not deleted, since it is needed by", "href=\"/events/plans/" + id + "\"");
        assertThat(places.find(place)).isPresent();
        long rig = plans.existing(id).camera(camera).rig().id();
        refused = send(post("/kit/rig/" + rig + "/delete"));
        assertThat(refused.getRedirectedUrl()).isEqualTo("/kit?kept=rig-" + rig);
        assertThat(send(get(refused.getRedirectedUrl())).getContentAsString())
                .contains("href=\"/events/plans/" + id + "\"");
        assertThat(kit.rig(rig)).isPresent();
    }

    // cameras

    @Test
    void a_camera_is_stored_as_it_was_typed() throws Exception {
        long id = plan();
        long camera = camera(id);
        Map<String, String> fields = new HashMap<>(FIELDS);
        fields.put("rig", "" + plans.existing(id).camera(camera).rig().id());
        fields.putAll(Map.of(
                "role",
                "corona",
                "everySeconds",
                "120",
                "steps",
                "12",
                "burstSeconds",
                "6",
                "pauseSeconds",
                "1.5",
                "clockAheadSeconds",
                "-2.5"));
        fields.putAll(Map.of(
                "azimuth", "96", "altitude", "24", "upright", "on", "totalFormat", "raw-and-jpeg", "focalMm", "300"));
        fields.putAll(Map.of("autoIso", "on", "noiseReduction", "on", "mode", "bulb", "aperture", "11"));
        assertThat(save(id + "/cameras/" + camera, fields).getRedirectedUrl())
                .isEqualTo("/events/plans/" + id + "?camera=" + camera);
        PlanCamera c = plans.existing(id).camera(camera);
        assertThat(c.name()).isEqualTo("Close");
        assertThat(c.role()).isEqualTo(Role.CORONA);
        assertThat(c.asked().everySeconds()).isEqualTo(120);
        assertThat(c.asked().equalSteps()).isEqualTo(12);
        assertThat(c.asked().burstSeconds()).isEqualTo(6);
        assertThat(c.asked().pauseSeconds()).isEqualTo(1.5);
        assertThat(c.asked().total()).isEqualTo(FileFormat.RAW_AND_JPEG);
        assertThat(c.asked().partial()).isEqualTo(FileFormat.RAW);
        assertThat(c.set().stands().clockAheadSeconds()).isEqualTo(-2.5);
        assertThat(c.set().framed().aim().orElseThrow().azimuthDeg()).isEqualTo(96);
        assertThat(c.set().framed().held()).isEqualTo(Orientation.PORTRAIT);
        assertThat(c.lens().onLensMm()).isEqualTo(300);
        assertThat(c.lens().aperture()).isEqualTo(11);
        assertThat(c.set().stands().autoIso() && c.set().stands().noiseReduction())
                .isTrue();
        assertThat(c.set().stands().mode()).isEqualTo(Mode.BULB);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "clockAheadSeconds | 7200 | 7200 is outside what is allowed: \u2212600 to 600 s",
                "everySeconds | 2 | 2 is outside what is allowed: 5 to 900 s",
                "steps | 2.5 | Only whole numbers",
                "pauseSeconds | 0 | 0 is outside what is allowed: 0.2 to 30 s",
                "burstSeconds | 99 | 99 is outside what is allowed: 0 to 30 s",
                "iso | 20 | 20 is outside what is allowed",
                "aperture | 3 | 3 is outside what is allowed",
                "role | painter | Choose one of these: close-up, corona, land and people, hydrogen-alpha video."
            })
    void what_is_out_of_range_is_said_beside_the_field_and_kept(String field, String typed, String said)
            throws Exception {
        long id = plan();
        long camera = camera(id);
        Map<String, String> fields = with(
                with(FIELDS, "rig", "" + plans.existing(id).camera(camera).rig().id()), field, typed);
        MockHttpServletResponse refused = save(id + "/cameras/" + camera, fields);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(said);
        if (!field.equals("role")) {
            assertThat(refused.getContentAsString()).contains("value=\"" + typed + "\"");
        }
    }

    @Test
    void a_rig_without_a_solar_filter_says_why_there_is_no_partial_phase() throws Exception {
        long id = plan();
        long camera = camera(id, Role.CLOSE_UP, false);
        assertThat(page(id + "?camera=" + camera))
                .contains("No partial phase: this rig has no solar filter")
                .doesNotContain(">partial phase<");
    }

    // scripts by hand

    private String script(long id, long camera) throws Exception {
        return page(id + "/cameras/" + camera + "/script.csv");
    }

    @Test
    void a_script_is_written_by_hand_and_made_anew() throws Exception {
        long id = plan();
        long camera = camera(id);
        String made = script(id, camera);
        String mine = made.lines().limit(5).reduce((a, b) -> a + "\r\n" + b).orElseThrow() + "\r\n";
        assertThat(save(id + "/cameras/" + camera + "/script", Map.of("script", mine))
                        .getStatus())
                .isEqualTo(302);
        assertThat(script(id, camera)).isEqualTo(mine);
        assertThat(page(id + "?camera=" + camera)).contains("changed by hand");
        save(id + "/cameras/" + camera + "/script/anew", Map.of());
        assertThat(script(id, camera)).isEqualTo(made);
    }

    @Test
    void a_script_that_cannot_be_read_is_refused_with_its_line_and_kept_in_the_field() throws Exception {
        long id = plan();
        long camera = camera(id);
        String bad = script(id, camera).replace("c2,-8,", "c7,-8,");
        MockHttpServletResponse refused = save(id + "/cameras/" + camera + "/script", Map.of("script", bad));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("is not known. Allowed: c1, c2, max, c3, c4")
                .containsPattern("Line \\d+: contact")
                .contains("c7,-8,");
        assertThat(plans.existing(id).camera(camera).byHand()).isEmpty();
        assertThat(save(id + "/cameras/" + camera + "/script", Map.of("script", "x\n".repeat(100_000)))
                        .getStatus())
                .isEqualTo(422);
    }

    /** While it is written: overlaps, an order that is none, a filter off outside of totality. */
    @Test
    void a_script_is_checked_while_it_is_written() throws Exception {
        long id = plan();
        long camera = camera(id);
        String head = String.join(",", ScriptFile.COLUMNS) + "\n";
        String path = id + "/cameras/" + camera + "/script/check";
        assertThat(save(path, Map.of("script", head + "c2,-60,1,0,0.00125,8,200,raw,on,x"))
                        .getContentAsString())
                .contains("Nothing is wrong with it", "1 frames");
        assertThat(save(path, Map.of("script", head + "c2,-60,1,0,0.00125,8,200,raw,off,x"))
                        .getContentAsString())
                .contains("Line 2: The filter would be off outside of totality");
        assertThat(save(path, Map.of("script", head + "c2,60,1,0,1,8,200,raw,off,x\nc2,60.5,1,0,1,8,200,raw,off,x"))
                        .getContentAsString())
                .contains("Line 3: It begins 0.6 s before the body is free of line 1");
        assertThat(save(path, Map.of("script", head + "c2,90,1,0,0.1,8,200,raw,off,x\nc2,60,1,0,0.1,8,200,raw,off,x"))
                        .getContentAsString())
                .contains("put the lines in the order of their time");
    }

    /** Saved out of order it is kept in the order of its time, and says so; in order nothing is said. */
    @Test
    void a_script_out_of_order_is_put_in_order() throws Exception {
        long id = plan();
        long camera = camera(id);
        String head = String.join(",", ScriptFile.COLUMNS) + "\r\n";
        String early = "c2,60,1,0,0.1,8,200,raw,off,x\r\n";
        String late = "c2,90,1,0,0.1,8,200,raw,off,x\r\n";
        String path = id + "/cameras/" + camera + "/script";
        MvcResult mixed = web.perform(post("/events/plans/" + path).param("script", head + late + early))
                .andReturn();
        assertThat(mixed.getFlashMap().get("ordered")).isEqualTo(true);
        assertThat(script(id, camera)).isEqualTo(head + early + late);
        MvcResult straight = web.perform(post("/events/plans/" + path).param("script", head + early + late))
                .andReturn();
        assertThat(straight.getFlashMap().get("ordered")).isNull();
        assertThat(Ask.ok(web, get("/events/plans/" + id + "?camera=" + camera).flashAttr("ordered", true)))
                .contains("Its lines were put in the order of their time");
    }

    @Test
    void a_line_is_taken_out_and_put_back() throws Exception {
        long id = plan();
        long camera = camera(id);
        String before = script(id, camera);
        String line = before.lines().skip(1).findFirst().orElseThrow();
        String path = id + "/cameras/" + camera + "/script";
        assertThat(send(get("/events/plans/" + id + "?camera=" + camera)).getContentAsString())
                .contains("name=\"line\" value=\"" + line + "\"");
        MvcResult out = web.perform(
                        post("/events/plans/" + path + "/lines/delete").param("line", line))
                .andReturn();
        assertThat(out.getResponse().getStatus()).isEqualTo(302);
        assertThat(script(id, camera)).isEqualTo(before.replace(line + "\r\n", ""));
        // once more from a page that still shows it: no other line is taken instead
        save(path + "/lines/delete", Map.of("line", line));
        assertThat(script(id, camera)).isEqualTo(before.replace(line + "\r\n", ""));
        assertThat(send(get("/deleted")).getContentAsString())
                .contains("action=\"/events/plans/" + path + "/cuts/"
                        + out.getFlashMap().get("cut") + "\"");
        long other = camera(id, Role.CORONA, true);
        save(id + "/cameras/" + other + "/script/cuts/" + out.getFlashMap().get("cut"), Map.of());
        save(path + "/cuts/" + out.getFlashMap().get("cut"), Map.of());
        assertThat(script(id, camera))
                .as("asked for another camera, it was kept")
                .isEqualTo(before);
        MvcResult anew = web.perform(post("/events/plans/" + path + "/anew")).andReturn();
        save(path + "/cuts/" + anew.getFlashMap().get("cut"), Map.of());
        assertThat(plans.existing(id).camera(camera).byHand()).isPresent();
    }

    // rehearsal

    @ParameterizedTest
    @ValueSource(strings = {"-1", "0", "200", "", "soon"})
    void a_rehearsal_starts_before_the_second_contact(String before) throws Exception {
        long id = plan();
        camera(id);
        MockHttpServletResponse refused = save(id + "/rehearsal", Map.of("before", before));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("0.2 to 180 min");
        assertThat(db.fetchExists(REHEARSAL, REHEARSAL.PLAN_ID.eq(id))).isFalse();
    }

    @Test
    void what_would_undo_the_script_is_refused_before_the_start() throws Exception {
        long id = plan();
        long camera = camera(id);
        Map<String, String> fields = new HashMap<>(FIELDS);
        fields.put("rig", "" + plans.existing(id).camera(camera).rig().id());
        fields.putAll(Map.of("autoIso", "on", "noiseReduction", "on", "mode", "automatic"));
        save(id + "/cameras/" + camera, fields);
        MockHttpServletResponse refused = save(id + "/rehearsal", Map.of("before", "3"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("Automatic ISO is on", "Noise reduction is on", "mode dial stands at automatic");
        assertThat(save(plan() + "/rehearsal", Map.of("before", "3")).getContentAsString())
                .contains("no camera yet");
    }

    /** Its clock is set on by hand here: shots are lost while the cable is off, and the report says so. */
    @Test
    void a_rehearsal_is_followed_broken_and_reported() throws Exception {
        long id = plan();
        long camera = camera(id);
        assertThat(page(id + "/rehearsal/report")).contains("Nothing has been rehearsed yet");
        save(id + "/rehearsal", Map.of("before", "1", "speed", "10"));
        assertThat(page(id + "/rehearsal")).contains("C2 \u2212 1:00", "Filters stay on.", "10:44:09 here");
        shownAt(id, Anchor.C2, 20);
        save(id + "/rehearsal/happen", Map.of("camera", "" + camera, "kind", "unplugged"));
        shownAt(id, Anchor.C2, 30);
        save(id + "/rehearsal/happen", Map.of("camera", "" + camera, "kind", "plugged"));
        shownAt(id, Anchor.C2, 60);
        String now = page(id + "/rehearsal/now");
        assertThat(now)
                .contains("C2 + 1:00", "Filters are off.")
                .containsPattern("\\d+ lost, 0 late")
                .contains("hx-trigger");
        String report = page(id + "/rehearsal/report");
        assertThat(report)
                .contains("the link is lost", "Tape the cable to tripod and body", "the cable comes off")
                .containsPattern("C2 \\+ 0:2\\d");
        List<String> log = page(id + "/rehearsal/log.csv").lines().toList();
        assertThat(log.get(0)).isEqualTo("camera,shot,planned_utc,opened_utc,late_s,fate,because,what");
        assertThat(log)
                .anyMatch(l -> l.matches("[^,]+,\\d+,2027-08-02T08:45:3\\d\\.\\d{3}Z,,,lost,the link is lost,.*"))
                .anyMatch(l -> l.contains(",0.000,taken,,"));
        save(id + "/rehearsal/speed", Map.of("speed", "0"));
        assertThat(page(id + "/rehearsal/now")).doesNotContain("hx-trigger");
        shownAt(id, Anchor.C4, 30);
        assertThat(page(id + "/rehearsal")).contains("It is over: read the report");
        save(id + "/rehearsal/again", Map.of());
        assertThat(page(id + "/rehearsal")).contains("Begin so many minutes before second contact");
        assertThat(page(id + "/rehearsal/now"))
                .contains("ended in another window")
                .doesNotContain("hx-trigger");
    }

    @Test
    void what_is_broken_stays_with_its_camera_when_others_come_and_go() throws Exception {
        long id = plan();
        long first = camera(id);
        NamedRig one = rig(true);
        NamedBody another = kit.bodies().stream()
                .filter(b -> !b.id().equals(one.body().id()))
                .findFirst()
                .orElseThrow();
        NamedRig two = kit.rig(kit.save(new NamedRig(null, "Its second", another, one.lens(), one.gear())))
                .orElseThrow();
        long second = plans.addCamera(
                id, cameras.usual(two, Role.CORONA, plans.existing(id).margins()));
        save(id + "/rehearsal", Map.of("before", "1"));
        shownAt(id, Anchor.C2, 20);
        save(id + "/rehearsal/happen", Map.of("camera", "" + second, "kind", "unplugged"));
        shownAt(id, Anchor.C2, 60);
        String corona = plans.existing(id).camera(second).name();
        assertThat(lost(id)).isNotEmpty().allMatch(l -> l.startsWith(corona + ","));
        save(id + "/cameras/" + first + "/delete", Map.of());
        assertThat(lost(id)).isNotEmpty().allMatch(l -> l.startsWith(corona + ","));
        assertThat(page(id + "/rehearsal/report")).contains(": " + corona + ", the cable comes off");
        save(id + "/cameras/" + first + "/restore", Map.of());
        save(id + "/cameras/" + second + "/delete", Map.of());
        assertThat(lost(id)).isEmpty();
        assertThat(page(id + "/rehearsal/report")).contains("a camera deleted since, the cable comes off");
    }

    private List<String> lost(long id) throws Exception {
        return page(id + "/rehearsal/log.csv")
                .lines()
                .filter(l -> l.contains("the link is lost"))
                .toList();
    }

    private void shownAt(long plan, Anchor contact, long seconds) {
        Instant shown = plans.existing(plan)
                .here()
                .contact(contact)
                .orElseThrow()
                .when()
                .plusSeconds(seconds);
        db.update(REHEARSAL)
                .set(REHEARSAL.SHOWN_AT, shown)
                .where(REHEARSAL.PLAN_ID.eq(plan))
                .execute();
    }

    /** Files are copied in the middle of it: what was lost is left out, and the next rehearsal loses nothing. */
    @Test
    void the_plan_is_corrected_by_a_click() throws Exception {
        long id = plan();
        long camera = camera(id);
        save(id + "/rehearsal", Map.of("before", "1"));
        shownAt(id, Anchor.C2, 20);
        save(id + "/rehearsal/happen", Map.of("camera", "" + camera, "kind", "copying"));
        shownAt(id, Anchor.C3, 60);
        assertThat(page(id + "/rehearsal/report")).contains("the body is busy").contains("Change the plan");
        int before = plans.existing(id)
                .camera(camera)
                .made(plans.existing(id).here(), plans.existing(id).place())
                .script()
                .frames();
        save(id + "/rehearsal/correct", Map.of("camera", "" + camera, "change", "leave_out"));
        PlanCamera corrected = plans.existing(id).camera(camera);
        assertThat(corrected.byHand().orElseThrow().frames()).isBetween(before - 70, before - 20);
        assertThat(page(id + "/rehearsal/report")).contains("every one as planned");
        save(id + "/rehearsal/correct", Map.of("camera", "" + camera, "change", "raw_alone"));
        assertThat(plans.existing(id).camera(camera).byHand().orElseThrow().lines())
                .allMatch(l -> l.format() == FileFormat.RAW);
    }

    @Test
    void a_shot_can_be_seen() throws Exception {
        long id = plan();
        long camera = camera(id);
        MockHttpServletResponse shot = send(get("/events/plans/" + id + "/rehearsal/shot.jpg?shot=1&camera=" + camera));
        assertThat(ImageIO.read(new ByteArrayInputStream(shot.getContentAsByteArray()))
                        .getWidth())
                .isEqualTo(480);
        assertThat(send(get("/events/plans/" + id + "/rehearsal/shot.jpg?shot=99999&camera=" + camera))
                        .getStatus())
                .isEqualTo(404);
        assertThat(send(get("/events/plans/" + id + "/rehearsal/shot.jpg?shot=x&camera=" + camera))
                        .getStatus())
                .isBetween(400, 404);
    }

    // the day and the files

    @Test
    void the_day_counts_cues_and_tells_filters_at_their_instant_alone() throws Exception {
        String day = page(plan() + "/day");
        assertThat(day).contains("Filters off").contains(NEVER).contains("data-exact");
        long partial = plans.add(place(45, 5).id(), TOTAL);
        assertThat(page(partial + "/day"))
                .doesNotContain("Filters off")
                .contains("The filter never comes off: this eclipse is partial here.")
                .contains(NEVER);
    }

    @Test
    void the_json_follows_its_schema() throws Exception {
        long id = plan();
        camera(id);
        JsonNode file = json.readTree(page(id + "/plan.json"));
        assertThat(JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                        .getSchema(new ClassPathResource("schemas/half-dusk-eclipse-1.json").getInputStream())
                        .validate(file))
                .isEmpty();
        Instant off = Instant.parse(file.at("/filtersOff/from").asText());
        Instant c2 = Instant.parse(file.at("/contacts/c2").asText());
        assertThat(Duration.between(c2, off).toMillis()).isCloseTo(2000L, within(2L));
        JsonNode line = file.at("/cameras/0/script/0");
        Instant expected =
                c2.plusMillis(Math.round(1000 * line.path("offsetSeconds").asDouble()));
        assertThat(Instant.parse(line.path("utc").asText())).isBetween(expected.minusMillis(2), expected.plusMillis(2));
    }

    @Test
    void the_calendar_rings_at_each_cue() throws Exception {
        List<VEvent> events = Biweekly.parse(page(plan() + "/plan.ics")).first().getEvents();
        VEvent off = events.stream()
                .filter(e -> e.getSummary().getValue().equals("Filters off."))
                .findFirst()
                .orElseThrow();
        Instant at = off.getDateStart().getValue().toInstant();
        assertThat(at).isBetween(Instant.parse("2027-08-02T08:45:10Z"), Instant.parse("2027-08-02T08:45:12Z"));
        assertThat(events).allSatisfy(e -> {
            assertThat(e.getAlarms()).hasSize(1);
            boolean prepare = e.getSummary().getValue().matches("(?i).*(batter|clock).*");
            Trigger rings = e.getAlarms().get(0).getTrigger();
            assertThat(rings.getDuration().isPrior()).isTrue();
            assertThat(rings.getDuration().toMillis())
                    .as(e.getSummary().getValue())
                    .isEqualTo(prepare ? -300_000 : 0);
            assertThat(e.getGeo().getLatitude()).isEqualTo(36.0104);
            assertThat(e.getGeo().getLongitude()).isEqualTo(-5.612);
        });
        assertThat(off.getDescription().getValue()).contains(NEVER);
        assertThat(events)
                .allMatch(e -> e.getUid().getValue().matches("eclipse-\\d+-[a-z_]+-\\d+@[0-9a-f]{20}\\.half-dusk"));
        long annular = plans.add(place(-3.1, -60).id(), LocalDate.of(2028, 1, 26));
        assertThat(page(annular + "/plan.ics")).doesNotContain("Filters off");
    }

    /** Every file says where its times belong and what may blind. */
    @Test
    void every_file_carries_the_caution_and_its_place() throws Exception {
        long id = plan();
        long camera = camera(id);
        for (String file :
                List.of("/plan.txt", "/plan.json", "/plan.html", "/sheet", "/cameras/" + camera + "/script.txt")) {
            assertThat(page(id + file))
                    .as(file)
                    .contains(NEVER)
                    .contains("Outside of totality it never comes off", "trip");
        }
        String html = page(id + "/plan.html");
        assertThat(html).doesNotContain("src=", "href=\"http").contains("data-own-clock", "C2");
        assertThat(page(id + "/plan.txt")).contains("10:45:09").contains("filter on, partial phase");
        List<String> local = new ArrayList<>();
        for (JsonNode line : json.readTree(page(id + "/plan.json")).at("/cameras/0/script")) {
            local.add(Instant.parse(line.path("utc").asText())
                    .plus(Duration.ofHours(2)) // summer in Madrid
                    .plusMillis(500) // to the nearest second
                    .toString()
                    .substring(11, 19));
        }
        assertThat(page(id + "/cameras/" + camera + "/script.txt")
                        .lines()
                        .filter(l -> l.contains(" \u00d7 "))
                        .map(l -> l.trim().substring(0, 8)))
                .hasSizeGreaterThan(10)
                .containsExactlyElementsOf(local);
    }

    @Test
    void a_video_camera_has_no_script_to_keep() throws Exception {
        long id = plan();
        long camera = camera(id, Role.VIDEO, true);
        assertThat(page(id + "?camera=" + camera))
                .contains("It sends nothing", "hydrogen-alpha video: start the recording", "10:42:09");
        assertThat(page(id + "/day")).contains("hydrogen-alpha video: stop the recording");
        assertThat(page(plan() + "/day")).doesNotContain("recording");
        assertThat(send(get("/events/plans/" + id + "/cameras/" + camera + "/script.csv"))
                        .getStatus())
                .isEqualTo(404);
        assertThat(page(id + "/plan.txt")).contains(NEVER);
    }
}
