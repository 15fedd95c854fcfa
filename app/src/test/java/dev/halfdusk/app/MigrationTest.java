package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.kit.KeptRig;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.ShapeJson;
import dev.halfdusk.core.camera.Camera;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.take.MilkyWay;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.datasource.init.ScriptUtils;

/** A user's file of the version in which an outing had a body and a lens keeps everything, and is migrated once. */
class MigrationTest {

    private static ConfigurableApplicationContext start(Path data) {
        return SpringApplication.run(
                HalfDuskApplication.class,
                "--server.port=0",
                "--halfdusk.data=" + data,
                "--halfdusk.clock=2027-06-01T18:00:00Z");
    }

    private static final EclipseCamera CAMERA = new EclipseCamera(
            new Framed(new LensSetting(215, 7.1), Optional.of(new Direction(91.25, 43.5)), Orientation.PORTRAIT),
            new ScriptRequest(
                    Role.CLOSE_UP, 47.5, 13, 250, FileFormat.RAW, FileFormat.RAW_AND_JPEG, 5.5, 1.25, Margins.LEAST),
            new EclipseCamera.Stands(-12.5, Camera.Mode.BULB, true, false));

    /** From the version in which a practised frame named its rig by number alone, and a camera of an eclipse had a column for each field. */
    @Test
    void a_practised_frame_keeps_what_its_rig_is_and_a_camera_what_it_was_asked() throws Exception {
        Path data = TestFolder.fresh();
        String url = "jdbc:sqlite:" + data.resolve("half-dusk.db");
        try (Connection old = DriverManager.getConnection(url)) {
            ScriptUtils.executeSqlScript(old, new ClassPathResource("migration/version-5.sql"));
        }
        Flyway.configure()
                .dataSource(url, null, null)
                .validateOnMigrate(false)
                .target("23")
                .load()
                .migrate();
        try (Connection old = DriverManager.getConnection(url);
                Statement s = old.createStatement()) {
            s.executeUpdate("INSERT INTO learner (id, name) VALUES (1, 'Tern')");
            s.executeUpdate("INSERT INTO eclipse_plan (id, place_id, eclipse_date, after_c2_s, before_c3_s)"
                    + " SELECT 1, min(id), '2027-08-02', 8, 12 FROM place");
            String cameras =
                    "INSERT INTO eclipse_camera (plan_id, name, rig_id, role, focal_mm, aperture, iso, every_s, steps,"
                            + " burst_s, pause_s, partial_format, total_format, azimuth_deg, altitude_deg, upright, clock_ahead_s, mode,"
                            + " auto_iso, noise_reduction) SELECT 1, 'Odd', min(id), 'CLOSE_UP', 215, 7.1, 250, 47.5, 13, 5.5, 1.25,"
                            + " 'RAW', 'RAW_AND_JPEG', %s, 1, -12.5, 'BULB', 1, 0 FROM rig";
            s.executeUpdate(cameras.formatted("91.25, 43.5"));
            s.executeUpdate(cameras.formatted("NULL, NULL"));
            s.executeUpdate("INSERT INTO practice_round (id, learner_id, lesson, began_at)"
                    + " VALUES (1, 1, 'focus-on-a-star', '2027-06-01T18:00:00Z')");
            s.executeUpdate(
                    "INSERT INTO practice_frame (id, round_id, rig_id, opens, asked, measured)"
                            + " SELECT id, 1, id, 0, '{}', '{\"values\":{},\"words\":{}}' FROM rig UNION SELECT 900, 1, 999, 0, '{}',"
                            + " '{\"values\":{},\"words\":{}}' UNION SELECT 901, 1, NULL, 0, '{}', '{\"values\":{},\"words\":{}}'");
        }
        try (ConfigurableApplicationContext app = start(data)) {
            DSLContext db = app.getBean(DSLContext.class);
            assertThat(ShapeJson.read(
                            EclipseCamera.SHAPE,
                            db.fetchValue("SELECT fields FROM eclipse_camera WHERE id = 1")
                                    .toString()))
                    .isEqualTo(CAMERA);
            assertThat(ShapeJson.read(
                                    EclipseCamera.SHAPE,
                                    db.fetchValue("SELECT fields FROM eclipse_camera WHERE id = 2")
                                            .toString())
                            .framed()
                            .aim())
                    .isEmpty();
            List<NamedRig> rigs = app.getBean(Kit.class).rigs();
            assertThat(rigs).anyMatch(r -> !r.gear().isEmpty());
            for (NamedRig rig : rigs) {
                NamedRig kept = KeptRig.read(db.fetchValue("SELECT rig FROM practice_frame WHERE id = ?", rig.id())
                        .toString());
                assertThat(kept.rig()).isEqualTo(rig.rig());
                assertThat(kept).returns(rig.id(), NamedRig::id).returns(rig.name(), NamedRig::name);
                assertThat(kept.weightG()).isEqualTo(rig.weightG());
            }
            assertThat(db.fetchValue("SELECT count(*) FROM practice_frame WHERE rig IS NULL"))
                    .isEqualTo(2);
        }
    }

    /**
     * A data folder in which someone has practised, as the twenty-third migration left it in either of its wordings: the one that ran first, or the
     * one that knew deleted learners.
     */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void who_practises_is_still_there_with_all_rounds(boolean knewDeleted) throws Exception {
        Path data = TestFolder.fresh();
        String url = "jdbc:sqlite:" + data.resolve("half-dusk.db");
        Flyway.configure().dataSource(url, null, null).target("23").load().migrate();
        try (Connection old = DriverManager.getConnection(url);
                Statement s = old.createStatement()) {
            if (knewDeleted) {
                s.executeUpdate("DROP TABLE learner");
                s.executeUpdate("CREATE TABLE learner (id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT NOT NULL UNIQUE,"
                        + " deleted_at TEXT) STRICT");
                s.executeUpdate("UPDATE flyway_schema_history SET checksum = -1138077435 WHERE version = '23'");
            }
            s.executeUpdate("INSERT INTO learner (id, name) VALUES (1, 'Tern'), (7, 'Knot')");
            s.executeUpdate("INSERT INTO practice_round (id, learner_id, lesson, began_at)"
                    + " VALUES (3, 7, 'half-moon', '2027-06-01T18:00:00Z')");
            s.executeUpdate("INSERT INTO practice_frame (id, round_id, opens, asked, measured)"
                    + " VALUES (90, 3, 0, '{}', '{}')");
            s.executeUpdate("DELETE FROM practice_frame");
            s.executeUpdate("INSERT INTO practice_frame (id, round_id, opens, asked, measured)"
                    + " VALUES (4, 3, 0, '{}', '{\"values\":{},\"words\":{}}')");
            s.executeUpdate("INSERT INTO practice_drill (learner_id, kind, ended_at, tasks, solved, stops_off, seconds)"
                    + " VALUES (7, 'blind', '2027-06-01T18:00:00Z', 6, 5, 1, 40)");
            if (knewDeleted) {
                s.executeUpdate("UPDATE learner SET deleted_at = '2027-06-01T19:00:00Z' WHERE id = 1");
            }
        }
        try (ConfigurableApplicationContext app = start(data)) {
            DSLContext db = app.getBean(DSLContext.class);
            assertThat(db.fetchValue("SELECT group_concat(id || name || coalesce(deleted_at, '-')) FROM learner"))
                    .isEqualTo(knewDeleted ? "1Tern2027-06-01T19:00:00Z,7Knot-" : "1Tern-,7Knot-");
            assertThat(db.fetchValue("SELECT count(*) FROM practice_frame JOIN practice_round r ON r.id = round_id"
                            + " JOIN practice_drill d USING (learner_id) WHERE learner_id = 7"))
                    .isEqualTo(1);
            assertThat(db.fetch("PRAGMA foreign_key_check")).isEmpty();
            assertThat(db.fetchValue("SELECT group_concat(seq) FROM (SELECT seq FROM sqlite_sequence"
                            + " WHERE name IN ('learner', 'practice_frame') ORDER BY name)"))
                    .as("no number comes again")
                    .isEqualTo("7,90");
            db.execute("DELETE FROM learner WHERE id = 7");
            assertThat(db.fetchValue("SELECT count(*) FROM practice_round"))
                    .as("its rounds go with it")
                    .isEqualTo(0);
        }
        start(data).close();
    }

    @Test
    void every_stored_outing_is_still_there_with_a_rig() throws Exception {
        Path data = TestFolder.fresh();
        try (Connection old = DriverManager.getConnection("jdbc:sqlite:" + data.resolve("half-dusk.db"))) {
            ScriptUtils.executeSqlScript(old, new ClassPathResource("migration/version-5.sql"));
            old.createStatement()
                    .executeUpdate(
                            "INSERT INTO mark (place_id, name, bearing_deg, distance_m, height_m, width_m, foot_m)"
                                    + " VALUES (1, 'The Firing raft', 200, 500, 2, 9, -3)");
        }
        List<Outing> once;
        try (ConfigurableApplicationContext app = start(data)) {
            once = app.getBean(Outings.class).all();
            assertOutings(app.getBean(Outings.class), app.getBean(Takes.class));
            assertKit(app.getBean(Kit.class));
            DSLContext db = app.getBean(DSLContext.class);
            assertThat(db.fetch("PRAGMA foreign_key_check")).isEmpty();
            assertThat(db.fetchValue("SELECT count(*) FROM mark")).isEqualTo(4);
            assertThat(db.fetchValue("SELECT fields FROM body WHERE name = 'APS-C 26 MP body'"))
                    .isEqualTo(
                            "{\"sensorWidth\":23.5,\"sensorHeight\":15.7,\"pixelsAcross\":6240,\"dial\":\"third\",\"fastest\":8000,"
                                    + "\"baseIso\":100,\"topIso\":25600,\"comfortableIso\":1600,\"fullWell\":25500.0,\"readBefore\":1.6,"
                                    + "\"readAfter\":4.5,\"dark\":0.03,\"efficiency\":0.5,\"modified\":false,\"rawMb\":31.0,\"jpegMb\":9.1,"
                                    + "\"buffer\":30,\"writeSpeed\":150.0,\"clockOffset\":0.0,\"weight\":450.0,\"noiseReduction\":false}");
            assertThat(db.fetchValue("SELECT fields FROM lens WHERE name = '12 mm f/2.8 fisheye'"))
                    .isEqualTo(
                            "{\"shortest\":12.0,\"longest\":12.0,\"widestShort\":2.8,\"widestLong\":2.8,\"narrowest\":22.0,"
                                    + "\"transmission\":0.9,\"projection\":\"fisheye\",\"weight\":450.0,\"electronic\":false}");
            assertThat(db.fetchValue("SELECT fields FROM gear WHERE name = 'Small star tracker'"))
                    .isEqualTo("{\"support\":\"sidereal\",\"error\":20.0}");
            assertThat(db.fetchValue("SELECT group_concat(name) FROM mark WHERE fields ->> 'silhouette' = 'firing'"))
                    .isEqualTo("The Firing raft");
            assertThat(db.fetchValue("SELECT count(*) FROM place")).isEqualTo(4);
            assertThat(app.getBean(Places.class).find(1).orElseThrow().skyline().points())
                    .hasSizeGreaterThan(5);
        }
        try (ConfigurableApplicationContext again = start(data)) {
            assertThat(again.getBean(Outings.class).all()).isEqualTo(once);
        }
    }

    /** Takes over a mark knew it by its name. */
    @Test
    void a_mark_of_that_name_is_found_for_a_take() throws Exception {
        try (Connection db = DriverManager.getConnection("jdbc:sqlite::memory:");
                Statement sql = db.createStatement()) {
            sql.executeUpdate("CREATE TABLE outing (id INTEGER, place_id INTEGER)");
            sql.executeUpdate("CREATE TABLE mark (id INTEGER, place_id INTEGER, name TEXT, deleted_at TEXT)");
            sql.executeUpdate("CREATE TABLE take (id INTEGER, outing_id INTEGER, wish TEXT)");
            sql.executeUpdate("INSERT INTO outing VALUES (1, 7), (2, 8)");
            sql.executeUpdate(
                    "INSERT INTO mark VALUES (3, 8, 'Arch', NULL), (4, 7, 'Arch', 'gone'), (5, 7, 'Arch', NULL),"
                            + " (6, 7, 'Arch', NULL)");
            sql.executeUpdate("INSERT INTO take VALUES (1, 1, '{\"kind\":\"core-over-mark\",\"mark\":\"Arch\"}'),"
                    + " (2, 2, '{\"kind\":\"core-over-mark\",\"mark\":\"Arch\"}'),"
                    + " (3, 2, '{\"kind\":\"core-over-mark\",\"mark\":\"None\"}'), (4, 1, '{\"kind\":\"dark\"}')");
            ScriptUtils.executeSqlScript(db, new ClassPathResource("db/migration/V16__marks_by_identity.sql"));
            List<String> wishes = new ArrayList<>();
            try (ResultSet all = sql.executeQuery("SELECT wish FROM take ORDER BY id")) {
                while (all.next()) {
                    wishes.add(all.getString(1));
                }
            }
            assertThat(wishes)
                    .containsExactly(
                            "{\"kind\":\"core-over-mark\",\"mark\":\"Arch\",\"markId\":\"5\"}",
                            "{\"kind\":\"core-over-mark\",\"mark\":\"Arch\",\"markId\":\"3\"}",
                            "{\"kind\":\"core-over-mark\",\"mark\":\"None\"}",
                            "{\"kind\":\"dark\"}");
        }
    }

    private static void assertOutings(Outings outings, Takes takes) {
        assertThat(outings.all())
                .extracting(Outing::title)
                .containsExactlyInAnyOrder(
                        "Core over Needle Arch",
                        "First core of dawn",
                        "Star field at the mill",
                        "Summer core, fisheye",
                        "Moon over the arch");
        Outing moon = outings.find(5).orElseThrow();
        assertThat(moon.night()).isEqualTo(LocalDate.of(2027, 11, 13));
        assertThat(moon.place().id()).isEqualTo(2);
        assertThat(moon.terms().demand().tolerancePx()).isEqualTo(1.5);
        assertThat(moon.terms().note()).isEqualTo("Planned with ISO 640.");
        Takes.Stored framing = takes.of(5).get(0);
        assertThat(takes.of(5)).hasSize(1);
        assertThat(framing.rig().body().name()).isEqualTo("Old half-frame body");
        assertThat(framing.rig().lens().id()).isEqualTo(7);
        assertThat(framing.rig().rig().support()).isEqualTo(Support.TRIPOD);
        assertThat(List.of(
                        framing.take().asked().onLensMm(),
                        framing.take().asked().aperture()))
                .containsExactly(135.5, 6.3);
        assertThat(framing.take().subject()).isEqualTo(new MilkyWay(5));
        assertThat(moon.standing().revision()).isEqualTo(1);
        assertThat(takes.of(1).get(0).rig().name())
                .as("a rig of the same body and lens is used")
                .isEqualTo("Wide and fast");
        Outing deleted = outings.findDeleted(6).orElseThrow();
        assertThat(deleted.title()).isEqualTo("Given up");
        assertThat(deleted.terms().demand().tolerancePx()).isEqualTo(6);
        assertThat(takes.of(6).get(0).rig().body().id()).isEqualTo(6);
        assertThat(takes.of(6).get(0).rig().lens().id()).isEqualTo(1);
    }

    private static void assertKit(Kit kit) {
        CameraBody old = kit.body(6).orElseThrow().camera();
        assertThat(old.sensor()).isEqualTo(Sensor.of(23.7, 15.6, 4288));
        assertThat(old.dial()).isEqualTo(Dial.HALF);
        assertThat(old.response()).isEqualTo(new Response(41_000, 200, 3.25, 9.5, 0.07, 0.41));
        assertThat(old.files()).isEqualTo(new CameraBody.Files(17.5, 6.25, 11, 45.5));
        assertThat(old.clockOffsetSeconds()).isEqualTo(-12.5);
        assertThat(kit.gear(10).orElseThrow().gear()).isEqualTo(new Support(Support.Kind.LUNAR, 33.5));
        assertThat(kit.gear(11).orElseThrow().gear()).isEqualTo(new Gear.Card(15.5, 20.25));
        assertThat(kit.rigs()).extracting(NamedRig::name).contains("Wide and fast", "Moon chaser");
    }
}
