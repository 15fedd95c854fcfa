package dev.halfdusk.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

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
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.app.web.Imported.State;
import dev.halfdusk.app.web.Imported.Wanted;
import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.EclipseTerms;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.sky.Site;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** A plan goes into a file and comes back whole, and two windows never overwrite each other without a word. */
@PageTest
@FewData
record PlanFileTest(
        PlanFile file,
        EclipsePlans plans,
        Deletions deletions,
        Places places,
        Kit kit,
        ObjectMapper json,
        MockMvc web,
        Made made) {

    private static final LocalDate TOTAL = LocalDate.of(2027, 8, 2);
    private static final AtomicInteger NUMBER = new AtomicInteger();

    private Place place(double latitude) {
        return made.place("Shore " + NUMBER.incrementAndGet(), latitude, -5.6120, 80, "Europe/Madrid");
    }

    private NamedRig rig() {
        return kit.rigs().stream()
                .filter(r -> r.name().equals("Long for the moon"))
                .findFirst()
                .orElseThrow();
    }

    /** No two numbers alike. */
    private long full() {
        Place here = place(36.0104);
        Place there = place(36.0204);
        long id = plans.add(here.id(), TOTAL);
        Margins margins = new Margins(7.25, 13.5);
        plans.change(id, here.id(), Optional.of(there.id()), new EclipseTerms(margins, 31.5));
        plans.cloudOdds(here.id(), TOTAL, Optional.of(12.5));
        PlanCamera first = CameraForm.usual(rig(), Role.CLOSE_UP, margins);
        plans.addCamera(
                id,
                new PlanCamera(
                        0,
                        "Odd one",
                        rig(),
                        new EclipseCamera(
                                new Framed(
                                        new LensSetting(215, 7.1),
                                        Optional.of(new Direction(91.25, 43.5)),
                                        Orientation.PORTRAIT),
                                new ScriptRequest(
                                        Role.CORONA,
                                        47.5,
                                        13,
                                        250,
                                        FileFormat.RAW,
                                        FileFormat.RAW_AND_JPEG,
                                        5.5,
                                        1.25,
                                        margins),
                                new EclipseCamera.Stands(-12.5, Mode.BULB, true, true)),
                        Optional.empty()));
        long second = plans.addCamera(id, first);
        EclipsePlan plan = plans.existing(id);
        plans.script(
                id,
                second,
                Optional.of(plan.camera(second).made(plan.here(), plan.place()).script()));
        return id;
    }

    private ObjectNode written(long id) {
        return file.tree(id);
    }

    private Imported read(JsonNode tree, boolean replace) {
        return file.read(tree, replace ? Wanted.NEW_AND_CHANGED : Wanted.NEW, file.reading());
    }

    /** And one of which a field is not as it is described does not. */
    @Test
    void a_plan_obeys_the_schema_that_is_served() throws Exception {
        JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Ask.ok(web, "/api/schemas/eclipse-plan"));
        ObjectNode written = file.tree(full());
        assertThat(schema.validate(written)).isEmpty();
        ObjectNode camera = (ObjectNode) written.at("/cameras/0");
        Map<String, String> wrong = Map.of("aperture", "\"7.1\"", "mode", "\"sport\"", "steps", "61", "aim", "{}");
        for (String field : wrong.keySet()) {
            JsonNode right = camera.path(field);
            camera.set(field, json.readTree(wrong.get(field)));
            assertThat(schema.validate(written)).as(field).isNotEmpty();
            camera.set(field, right);
        }
        assertThat(schema.validate(written)).isEmpty();
    }

    @Test
    void a_plan_goes_out_and_comes_back_whole() throws Exception {
        long id = full();
        EclipsePlan before = plans.existing(id);
        JsonNode tree = json.readTree(written(id).toString()); // as text, like a file
        assertThat(tree.path("cameras").path(0).path("clockAheadSeconds").asDouble())
                .isEqualTo(-12.5);
        assertThat(tree.path("cameras").path(1).path("script").asText()).startsWith("contact,");
        assertThat(tree.path("cloudOddsPercent").path(before.place().name()).asDouble())
                .isEqualTo(12.5);
        assertThat(read(tree, true).state()).isEqualTo(State.EQUAL);

        deletions.delete("plan", id);
        plans.cloudOdds(before.place().id(), TOTAL, Optional.empty());
        Imported taken = read(tree, false);
        assertThat(taken.state()).isEqualTo(State.NEW);
        assertThat(taken.sort()).isEqualTo("eclipse plan");
        long made = plans.briefs().stream()
                .filter(b -> b.place().equals(before.place().name()))
                .findFirst()
                .orElseThrow()
                .id();
        EclipsePlan after = plans.existing(made);
        assertThat(after.margins()).isEqualTo(before.margins());
        assertThat(after.terms().celsius()).isEqualTo(31.5);
        assertThat(after.other()).isEqualTo(before.other());
        assertThat(after.cameras())
                .usingRecursiveFieldByFieldElementComparatorIgnoringFields("id")
                .isEqualTo(before.cameras());
        assertThat(plans.cloudOdds(TOTAL)).containsEntry(before.place().id(), 12.5);
    }

    @Test
    void what_has_changed_is_replaced_only_when_asked() {
        long id = full();
        ObjectNode tree = written(id);
        tree.put("celsius", 8.5);
        ((ObjectNode) tree.path("cameras").path(0)).put("iso", 400);
        ((com.fasterxml.jackson.databind.node.ArrayNode) tree.path("cameras")).remove(1);
        assertThat(read(tree, false).state()).isEqualTo(State.CHANGED);
        assertThat(plans.existing(id).terms().celsius()).isEqualTo(31.5);
        assertThat(plans.existing(id).cameras()).hasSize(2);
        assertThat(read(tree, true).state()).isEqualTo(State.CHANGED);
        assertThat(plans.existing(id).terms().celsius()).isEqualTo(8.5);
        assertThat(plans.existing(id).cameras()).hasSize(1);
        assertThat(plans.existing(id).cameras().get(0).asked().iso()).isEqualTo(400);
        assertThat(read(tree, true).state()).isEqualTo(State.EQUAL);
    }

    @Test
    void twins_stay_two() {
        long one = full();
        EclipsePlan plan = plans.existing(one);
        long two = plans.add(plan.place().id(), TOTAL);
        PlanFile.Reading turns = file.reading();
        assertThat(file.read(written(one), Wanted.NEW_AND_CHANGED, turns).state())
                .isEqualTo(State.EQUAL);
        assertThat(file.read(written(two), Wanted.NEW_AND_CHANGED, turns).state())
                .isEqualTo(State.EQUAL);
        assertThat(file.read(written(two), Wanted.NEW_AND_CHANGED, turns).state())
                .as("a third")
                .isEqualTo(State.NEW);
    }

    /** Where it stands and what is allowed; nothing is stored. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/format | \"half-dusk-outing\" | format: wanted is \"half-dusk-eclipse-plan\"",
                "/version | 2 | version: this program knows version 1",
                "/date | \"2027-13-02\" | date: a date such as 2027-08-02",
                "/date | \"2027-08-03\" | place: no eclipse of the sun is seen from there on 2027-08-03",
                "/place/name | \"Nowhere\" | place: no place here is called \u201cNowhere\u201d",
                "/otherPlace/name | \"Nowhere\" | otherPlace: no place here is called",
                "/afterC2Seconds | 1 | afterC2Seconds: 1 is outside what is allowed",
                "/celsius | \"warm\" | celsius: wanted is a number, \u221260 to 55 \u00b0C",
                "/cameras/0/rig | \"Pinhole\" | cameras[0].rig: no rig here is called \u201cPinhole\u201d",
                "/cameras/0/iso | 5 | cameras[0].iso: 5 is outside what is allowed",
                "/cameras/1/everySeconds | 1 | cameras[1].everySeconds: 1 is outside what is allowed",
                "/cameras/1/script | \"from\" | cameras[1].script: Line 1:",
                "/cameras/0/mode | \"sport\" | cameras[0].mode: one of manual, bulb, automatic.",
                "/cameras/0/aim | {\"azimuth\": 400, \"altitude\": 1} | 400 is outside what is allowed"
            })
    void what_cannot_be_says_where_and_stores_nothing(String where, String value, String said) throws Exception {
        long id = full();
        ObjectNode tree = written(id);
        int cut = where.lastIndexOf('/');
        ((ObjectNode) tree.at(where.substring(0, cut))).set(where.substring(cut + 1), json.readTree(value));
        Imported refused = read(tree, true);
        assertThat(refused.state()).isEqualTo(State.REFUSED);
        assertThat(refused.why()).contains(said);
        assertThat(written(id)).isNotEqualTo(tree);
        assertThat(plans.existing(id).cameras()).hasSize(2);
    }

    /** All data hold the plans as well. */
    @Test
    void the_file_of_all_data_has_it() throws Exception {
        long id = full();
        byte[] zip = Ask.bytes(web, "/data/half-dusk.zip");
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip), StandardCharsets.UTF_8)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.getName().equals("plans/" + id + ".json")) {
                    assertThat(json.readTree(in.readAllBytes()))
                            .isEqualTo(json.readTree(written(id).toString()));
                    return;
                }
            }
        }
        throw new AssertionError("no plan in the file");
    }

    /** The plan that is written beside its scripts is the one that is read. */
    @Test
    void the_plans_own_file_is_read_again() throws Exception {
        long id = full();
        JsonNode exported = Ask.json(web, "/events/plans/" + id + "/plan.json");
        assertThat(exported.path("plan")).isEqualTo(json.readTree(written(id).toString()));
        assertThat(read(exported.path("plan"), false).state()).isEqualTo(Imported.State.EQUAL);
    }

    /** Someone has moved its place to where the sun is not eclipsed: the plan cannot be opened, but goes out with the rest. */
    @Test
    void a_plan_whose_place_was_moved_still_goes_out() throws Exception {
        long id = full();
        Place moved = plans.existing(id).place();
        places.change(new Place(
                moved.id(),
                moved.name(),
                new Site(-60, 170, 5),
                moved.zone(),
                moved.zenithMagnitude(),
                moved.skyline(),
                moved.seaHorizon(),
                moved.domes(),
                moved.notes()));
        assertThat(web.perform(get("/events/plans/" + id))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
        assertThat(web.perform(get("/data/half-dusk.zip"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(200);
        assertThat(written(id).path("cameras")).hasSize(2);
        assertThat(read(written(id), true).why()).contains("place: no eclipse of the sun is seen from there");
        places.change(moved);
    }

    /** The second window is told what is stored and what it has, loses neither, and saves when it is asked again. */
    @Test
    void two_windows_do_not_overwrite_each_other() throws Exception {
        long id = full();
        EclipsePlan plan = plans.existing(id);
        Map<String, String> settings = new HashMap<>(Map.of(
                "place", "" + plan.place().id(),
                "other", "",
                "afterC2Seconds", "7.25",
                "beforeC3Seconds", "13.5",
                "celsius", "20"));
        settings.put("seen", seen(id, "", "/events/plans/" + id));
        assertThat(Ask.sent(web, "/events/plans/" + id, settings).getStatus()).isEqualTo(302);
        settings.put("celsius", "25");
        MockHttpServletResponse refused = Ask.sent(web, "/events/plans/" + id, settings);
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString()).contains("this was changed elsewhere meanwhile", "value=\"25\"");
        assertThat(plans.existing(id).terms().celsius()).isEqualTo(20);
        settings.put("seen", seen(refused.getContentAsString(), "/events/plans/" + id));
        assertThat(Ask.sent(web, "/events/plans/" + id, settings).getStatus()).isEqualTo(302);
        assertThat(plans.existing(id).terms().celsius()).isEqualTo(25);

        long camera = plan.cameras().get(0).id();
        Map<String, String> fields = new HashMap<>();
        var form = CameraForm.fields(plan.camera(camera));
        CameraForm.NAMES.forEach(n -> fields.put(n, form.value(n)));
        fields.put("seen", seen(id, "?camera=" + camera, "/events/plans/" + id + "/cameras/" + camera));
        fields.put("iso", "320");
        String path = "/events/plans/" + id + "/cameras/" + camera;
        assertThat(Ask.sent(web, path, fields).getStatus()).isEqualTo(302);
        fields.put("iso", "640");
        MockHttpServletResponse twice = Ask.sent(web, path, fields);
        assertThat(twice.getStatus()).isEqualTo(409);
        assertThat(twice.getContentAsString()).contains("stored now", "<td class=\"whitespace-pre-line\">320</td>");
        assertThat(plans.existing(id).camera(camera).asked().iso()).isEqualTo(320);
    }

    private String seen(long id, String query, String action) throws Exception {
        return seen(Ask.ok(web, "/events/plans/" + id + query), action);
    }

    private static String seen(String page, String action) {
        var m = java.util.regex.Pattern.compile(
                        "action=\"" + action + "\"[^>]*><input type=\"hidden\" name=\"seen\" value=\"([^\"]+)\"")
                .matcher(page);
        assertThat(m.find()).isTrue();
        return m.group(1);
    }
}
