package dev.halfdusk.app.kit;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.core.exposure.PlannedBy;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Response;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.take.Decision;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.function.ToLongFunction;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whole records with no two numbers alike, through the database and through the fields of their pages. */
@PageTest
record KitRoundTripTest(UsualDecision usual, Kit kit, BodyPart bodies, LensPart lenses, GearPart gear, KitFiles files) {

    private static final CameraBody CAMERA = new CameraBody(
            Sensor.of(22.3, 14.9, 5184),
            Dial.HALF,
            1 / 4000.0,
            25600,
            1600,
            new Response(41_500, 160, 4.75, 2.125, 0.0625, 0.435),
            true,
            new CameraBody.Files(27.5, 7.25, 19, 83.5),
            true,
            -3.5,
            613);

    private static final CameraBody OTHER_CAMERA = new CameraBody(
            Sensor.of(35.8, 23.9, 8192),
            Dial.THIRD,
            1 / 6400.0,
            102_400,
            5000,
            new Response(61_250, 80, 3.25, 1.5, 0.03125, 0.565),
            false,
            new CameraBody.Files(52.5, 14.5, 71, 240.5),
            false,
            12.25,
            742);

    private static final Lens LENS =
            new Lens(17.5, 54.5, 2.9, 4.1, 21.5, Projection.FISHEYE, 0.815, false, 433, OptionalDouble.of(27.25));
    private static final Lens OTHER_LENS =
            new Lens(11.5, 23.5, 3.7, 4.7, 19.5, Projection.RECTILINEAR, 0.925, true, 288, OptionalDouble.empty());

    private static final List<Gear> EVERY_SORT = List.of(
            new Support(Support.Kind.LUNAR, 33.5),
            new Gear.Teleconverter(1.45),
            new Gear.Filter(2.75),
            new Gear.Battery(415, 137),
            new Gear.Card(63.5, 91.25),
            new Gear.Supply(13.5, 98.5, 3.25, 4.75, 6.5, 11.5),
            new Gear.Release("cable, \"two\" m"),
            new Gear.Extra());

    private static final List<Gear> OTHERS = List.of(
            new Gear.Extra(),
            new Support(Support.Kind.SIDEREAL, 7.25),
            new Gear.Teleconverter(1.95),
            new Gear.Filter(5.5),
            new Gear.Battery(511, 93),
            new Gear.Card(127.5, 45.5),
            new Gear.Supply(5.5, 37.5, 2.5, 0.5, 1.5, 7.25),
            new Gear.Release("timer"));

    private static NamedBody body(Long id, CameraBody camera, String words) {
        return new NamedBody(id, "Body " + words, camera, "note " + words);
    }

    private static NamedLens lens(Long id, Lens lens, String words) {
        return new NamedLens(id, "Lens " + words, lens, "note " + words);
    }

    private static NamedGear gear(Long id, Gear gear, String words) {
        return new NamedGear(id, "Gear " + words, gear.hashCode() % 97 + 101, gear, "note " + words);
    }

    /** Stored, through the fields of its page and stored again, then changed and the same once more. */
    private static <T> void thereAndBack(
            Function<Long, T> first,
            Function<Long, T> changed,
            ToLongFunction<T> save,
            LongFunction<Optional<T>> find,
            KitSection part) {
        long id = save.applyAsLong(first.apply(null));
        assertThat(find.apply(id)).contains(first.apply(id));
        part.save(part.all().get(id), id);
        assertThat(find.apply(id)).contains(first.apply(id));
        save.applyAsLong(changed.apply(id));
        assertThat(find.apply(id)).contains(changed.apply(id));
        part.save(part.all().get(id), id);
        assertThat(find.apply(id)).contains(changed.apply(id));
    }

    @Test
    void a_body_comes_back_whole_from_store_and_form_and_so_do_its_changes() {
        thereAndBack(
                id -> body(id, CAMERA, "<odd>"), id -> body(id, OTHER_CAMERA, "other"), kit::save, kit::body, bodies);
    }

    @Test
    void a_lens_comes_back_whole_from_store_and_form_and_so_do_its_changes() {
        thereAndBack(id -> lens(id, LENS, "<odd>"), id -> lens(id, OTHER_LENS, "other"), kit::save, kit::lens, lenses);
    }

    /** Each sort becomes another, and none of its numbers stays behind. */
    @Test
    void gear_of_every_sort_comes_back_whole_from_store_and_form_and_so_do_its_changes() {
        for (int i = 0; i < EVERY_SORT.size(); i++) {
            Gear first = EVERY_SORT.get(i);
            Gear other = OTHERS.get(i);
            thereAndBack(id -> gear(id, first, "<odd>"), id -> gear(id, other, "other"), kit::save, kit::gear, gear);
        }
    }

    @Test
    void a_rig_comes_back_whole_and_so_do_its_changes() {
        NamedBody body = kit.body(kit.save(body(null, CAMERA, "rig"))).orElseThrow();
        NamedBody other = kit.body(kit.save(body(null, OTHER_CAMERA, "rig 2"))).orElseThrow();
        NamedLens lens = kit.lens(kit.save(lens(null, LENS, "rig"))).orElseThrow();
        NamedLens wide = kit.lens(kit.save(lens(null, OTHER_LENS, "rig 2"))).orElseThrow();
        List<NamedGear> carried = EVERY_SORT.stream()
                .map(g -> kit.gear(kit.save(gear(null, g, "rig"))).orElseThrow())
                .toList();
        long id = kit.save(new NamedRig(null, "Rig", body, lens, carried));
        NamedRig stored = kit.rig(id).orElseThrow();
        assertThat(stored.gear()).containsExactlyInAnyOrderElementsOf(carried);
        assertThat(stored).isEqualTo(new NamedRig(id, "Rig", body, lens, stored.gear()));
        assertThat(kit.rigs(List.of(id))).containsEntry(id, stored);
        kit.save(new NamedRig(id, "Rig 2", other, wide, carried.subList(0, 1), false));
        assertThat(kit.rig(id)).contains(new NamedRig(id, "Rig 2", other, wide, carried.subList(0, 1), false));
    }

    /** An example stays one in a file; what is usually decided is taken where nothing is decided yet. */
    @Test
    void a_file_holds_whose_a_rig_is_and_what_is_usually_decided() {
        NamedRig some = kit.rigs().get(0);
        kit.save(new NamedRig(null, "Example written", some.body(), some.lens(), List.of(), false));
        usual.keep(Decision.NONE);
        Decision mine = Decision.of(
                PlannedBy.N500,
                OptionalDouble.empty(),
                OptionalDouble.of(3200),
                OptionalDouble.empty(),
                OptionalDouble.empty());
        usual.keep(mine);
        String file = files.write();
        usual.keep(Decision.NONE);
        files.read(file.replace("Example written", "Example read"));
        assertThat(kit.rigs())
                .filteredOn(r -> r.name().startsWith("Example "))
                .hasSize(2)
                .noneMatch(NamedRig::own);
        assertThat(usual.get()).isEqualTo(mine);
        files.read(file.replace("N500", "N300").replace("n500", "n300"));
        assertThat(usual.get()).as("what one has decided is not overwritten").isEqualTo(mine);
        usual.keep(Decision.NONE);
    }

    /** What the file holds is read under other names, and compared whole. */
    @Test
    void a_file_holds_every_number() {
        kit.save(body(null, CAMERA, "written"));
        kit.save(lens(null, LENS, "written"));
        EVERY_SORT.forEach(g -> kit.save(gear(null, g, "written " + g.sort())));
        files.read(files.write().replace(" written", " read"));
        assertThat(kit.bodies())
                .filteredOn(b -> b.name().equals("Body read"))
                .singleElement()
                .satisfies(b -> assertThat(b).isEqualTo(body(b.id(), CAMERA, "read")));
        assertThat(kit.lenses())
                .filteredOn(l -> l.name().equals("Lens read"))
                .singleElement()
                .satisfies(l -> assertThat(l).isEqualTo(lens(l.id(), LENS, "read")));
        for (Gear sort : EVERY_SORT) {
            String words = "read " + sort.sort();
            assertThat(kit.gear())
                    .filteredOn(g -> g.name().equals("Gear " + words))
                    .singleElement()
                    .satisfies(g -> assertThat(g).isEqualTo(gear(g.id(), sort, words)));
        }
    }

    /** Files that earlier versions wrote, kept as they were. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void a_file_of_an_earlier_version_is_read_whole(int version) throws Exception {
        String of = "Version " + version + " ";
        try (InputStream file = getClass().getResourceAsStream("/kit/version-" + version + ".json")) {
            assertThat(files.read(new String(file.readAllBytes(), StandardCharsets.UTF_8).replace("Old ", of)))
                    .isEqualTo(10);
        }
        NamedRig rig = kit.rigs().stream()
                .filter(r -> r.name().equals(of + "rig"))
                .findFirst()
                .orElseThrow();
        assertThat(rig.body())
                .isEqualTo(new NamedBody(
                        rig.body().id(),
                        of + "body",
                        new CameraBody(
                                Sensor.of(23.5, 15.7, 6240),
                                Dial.HALF,
                                1 / 4000.0,
                                25_600,
                                1600,
                                new Response(25_500, 100, 1.6, 4.5, 0.03, 0.5),
                                true,
                                new CameraBody.Files(31, 9.1, 30, 150),
                                false,
                                -2.5,
                                450),
                        "kept"));
        assertThat(rig.lens().lens())
                .isEqualTo(
                        new Lens(20, 20, 1.8, 1.8, 16, Projection.RECTILINEAR, 0.9, true, 370, OptionalDouble.empty()));
        assertThat(rig.gear()).extracting(NamedGear::name).containsExactly(of + "battery", of + "tracker");
        assertThat(kit.gear())
                .filteredOn(g -> g.name().startsWith(of))
                .extracting(NamedGear::gear)
                .containsExactlyInAnyOrder(
                        new Support(Support.Kind.SIDEREAL, 20),
                        new Gear.Teleconverter(1.4),
                        new Gear.Filter(16.6),
                        new Gear.Battery(450, 150),
                        new Gear.Card(64, 90),
                        new Gear.Release("timer"),
                        new Gear.Extra());
    }

    /** Two bodies of one name, each in a rig of its own, are told apart in the file by their numbers. */
    @Test
    void twins_stay_apart_in_a_file() {
        NamedLens lens = kit.lens(kit.save(lens(null, LENS, "twin"))).orElseThrow();
        List<CameraBody> cameras = List.of(CAMERA, OTHER_CAMERA);
        for (int i = 0; i < 2; i++) {
            NamedBody body =
                    kit.body(kit.save(body(null, cameras.get(i), "twin"))).orElseThrow();
            kit.save(new NamedRig(null, "Rig twin", body, lens, List.of()));
        }
        String file = files.write();
        assertThat(files.read(file)).isZero();
        files.read(file.replace(" twin", " other"));
        assertThat(kit.rigs())
                .filteredOn(r -> r.name().equals("Rig other"))
                .extracting(r -> r.body().camera())
                .containsExactly(CAMERA, OTHER_CAMERA);
    }

    @Test
    void numbers_of_a_file_are_numbers() throws Exception {
        kit.save(body(null, CAMERA, "numbers"));
        JsonNode body = StreamSupport.stream(
                        new ObjectMapper()
                                .readTree(files.write())
                                .path("bodies")
                                .spliterator(),
                        false)
                .filter(b -> b.path("name").asText().equals("Body numbers"))
                .findFirst()
                .orElseThrow();
        assertThat(body.path("sensorWidth").isNumber()).isTrue();
        assertThat(body.path("pixelsAcross").isIntegralNumber()).isTrue();
        assertThat(body.path("modified").isBoolean()).isTrue();
        assertThat(body.path("dial").asText()).isEqualTo("half");
    }
}
