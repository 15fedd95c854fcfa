package dev.halfdusk.app.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.LensShape;
import dev.halfdusk.core.optics.Projection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** A rig that became another after takes and cameras of plans were set up with it. */
class MisfitPagesTest extends StoringTest {

    private NamedLens wide;
    private NamedLens zoom;
    private NamedRig rig;

    @BeforeEach
    void kit() {
        wide = lens("Misfit 20", new Lens(20, 20, 2.8, 2.8, Projection.RECTILINEAR));
        zoom = lens("Misfit 35 to 70", new Lens(35, 70, 1.4, 1.4, Projection.RECTILINEAR));
        rig = rig("Misfit", zoom, List.of());
    }

    private NamedLens lens(String name, Lens lens) {
        long id = kit.save(new NamedLens(null, name, lens, ""));
        return kit.lens(id).orElseThrow();
    }

    private NamedRig rig(String name, NamedLens lens, List<NamedGear> gear) {
        long id = kit.save(new NamedRig(null, name, kit.bodies().get(0), lens, gear));
        return kit.rig(id).orElseThrow();
    }

    private String page(String path) throws Exception {
        MockHttpServletResponse answer = web.perform(get(path)).andReturn().getResponse();
        assertThat(answer.getStatus()).as(path).isEqualTo(200);
        return answer.getContentAsString();
    }

    private String outing() throws Exception {
        long place = made.coast("Misfit").id();
        return Ask.sent(web, "/outings", Map.of("place", "" + place, "night", "2027-06-08"))
                .getRedirectedUrl();
    }

    private void put(NamedLens lens, List<NamedGear> gear) {
        kit.save(new NamedRig(rig.id(), rig.name(), rig.body(), lens, gear));
    }

    @Test
    void a_take_keeps_what_it_asked_is_planned_as_near_as_it_can_be_and_has_ways_out() throws Exception {
        String outing = outing();
        String added = Ask.sent(
                        web,
                        outing + "/takes",
                        Map.of("subject", "milky-way", "rig", "" + rig.id(), "focal", "50", "aperture", "1.4"))
                .getRedirectedUrl();
        long id = Long.parseLong(outing.replaceAll(".*/", ""));
        long take = Long.parseLong(added.replaceAll(".*=", ""));
        NamedRig other = rig("Misfit, other", zoom, List.of());

        put(wide, List.of());

        assertThat(takes.existing(id, take).take().asked()).isEqualTo(new LensSetting(50, 1.4));
        assertThat(page(outing))
                .contains("Milky Way asks for 50 mm, f/1.4, which Misfit cannot be set to", "set 20 mm, f/2.8")
                .contains("with Misfit, other");
        assertThat(page(outing + "/sheet")).contains("asks for 50 mm, f/1.4").contains("f/2.8, ISO");
        page("/");
        page("/data/half-dusk.zip");
        page(outing + "/field");

        assertThat(Ask.sent(web, outing + "/takes/" + take + "/fit", Map.of("rig", "" + other.id()))
                        .getStatus())
                .isEqualTo(302);
        assertThat(takes.existing(id, take).rig().name()).isEqualTo("Misfit, other");
        assertThat(takes.existing(id, take).take().asked()).isEqualTo(new LensSetting(50, 1.4));
        assertThat(page(outing)).doesNotContain("asks for");

        Ask.sent(web, outing + "/takes/" + take + "/fit", Map.of("rig", "" + rig.id()));
        assertThat(takes.existing(id, take).take().asked()).isEqualTo(new LensSetting(20, 2.8));
        assertThat(page(outing)).doesNotContain("asks for");
    }

    @Test
    void gear_that_cannot_be_put_on_any_more_is_left_off_and_that_is_said() throws Exception {
        long tele = kit.save(new NamedGear(null, "Misfit converter", 200, new Gear.Teleconverter(1.4), ""));
        List<NamedGear> gear = kit.gear().stream().filter(g -> g.id() == tele).toList();
        put(zoom, gear);
        String outing = outing();
        Ask.sent(web, outing + "/takes", Map.of("subject", "milky-way", "rig", "" + rig.id()));
        kit.save(new NamedLens(zoom.id(), zoom.name(), new Lens(8, 8, 2.8, 2.8, Projection.FISHEYE), ""));

        assertThat(page(outing)).contains("Misfit is used without Misfit converter: a teleconverter cannot be put");
        assertThat(kit.rig(rig.id()).orElseThrow().rig().converter()).isEqualTo(1);
        page("/kit/rig/" + rig.id());
    }

    @Test
    void a_camera_of_an_eclipse_is_not_started_before_someone_has_said_how() throws Exception {
        long strait = made.place("Misfit strait", 36.0104, -5.612, 140, "Europe/Madrid")
                .id();
        String plan = Ask.sent(web, "/events/plans", Map.of("place", "" + strait, "date", "2027-08-02"))
                .getRedirectedUrl();
        Ask.sent(web, plan + "/cameras", Map.of("rig", "" + rig.id(), "role", "close-up"));

        put(wide, List.of());

        assertThat(page(plan)).contains("It asks 70 mm, f/8 of Misfit, which can be set to 20 mm, f/8 at the nearest");
        assertThat(page(plan + "/rehearsal")).contains("Not to be started");
        page(plan + "/day");
        page(plan + "/sheet");
    }

    /** A lens that goes to f/64 behind a converter of three, at f/192: wherever that is asked, planned, played or written. */
    @Test
    void a_rig_that_is_darker_than_any_lens_is_used_everywhere() throws Exception {
        long tele = kit.save(new NamedGear(null, "Misfit times three", 300, new Gear.Teleconverter(3), ""));
        NamedLens dark = lens(
                "Misfit to f/64",
                LensShape.SHAPE.of(LensShape.SHAPE
                        .values(new Lens(200, 200, 4, 4, Projection.RECTILINEAR))
                        .put("narrowest", 64)));
        put(dark, kit.gear().stream().filter(g -> g.id() == tele).toList());
        String setup = "rig=" + rig.id() + "&focal=200&aperture=192&night=2027-06-18";

        String outing = outing();
        assertThat(Ask.sent(
                                web,
                                outing + "/takes",
                                Map.of("subject", "moon", "rig", "" + rig.id(), "focal", "200", "aperture", "192"))
                        .getStatus())
                .isEqualTo(302);
        long id = Long.parseLong(outing.replaceAll("\\D", ""));
        long take = takes.of(id).get(takes.of(id).size() - 1).id();
        assertThat(takes.existing(id, take).take().setting()).isEqualTo(new LensSetting(200, 192));
        for (String path : List.of("", "/sheet", "/sheet/night.txt", "/sheet/card-a6.pdf", "/field")) {
            page(outing + path);
        }
        assertThat(page(outing + "/outing.json")).contains("\"aperture\" : 192");

        long strait =
                made.place("Misfit bay", 36.0104, -5.612, 140, "Europe/Madrid").id();
        String plan = Ask.sent(web, "/events/plans", Map.of("place", "" + strait, "date", "2027-08-02"))
                .getRedirectedUrl();
        String camera = Ask.sent(web, plan + "/cameras", Map.of("rig", "" + rig.id(), "role", "corona"))
                .getRedirectedUrl();
        String target = plan + "/cameras/" + camera.replaceAll(".*camera=", "");
        Map<String, String> fields = new HashMap<>(PageFields.of(page(camera), target));
        fields.put("aperture", "192");
        assertThat(Ask.sent(web, target, fields).getStatus()).isEqualTo(302);
        assertThat(page(plan)).contains("f/192");
        for (String path : List.of("/day", "/sheet", "/plan.json", "/plan.txt", "/rehearsal", "/rehearsal/report")) {
            page(plan + path);
        }
        for (String path : List.of("/frame?", "/sequences?kind=stack&", "/events/moon?", "/bench?")) {
            page(path + setup);
        }
    }
}
