package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.PageFields;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.core.glow.Dome;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.SkylineText;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;

/** The same thing open in two tabs: who saves second is asked, and loses nothing. */
class TwoTabsTest extends StoringTest {

    private long place;
    private long rig;

    @BeforeEach
    void place() {
        place = made.coast("Two tabs").id();
        NamedRig stored = kit.rig(1).orElseThrow();
        rig = kit.save(new NamedRig(null, "Two tabs", stored.body(), stored.lens(), List.of()));
    }

    /** Fields of the form on a page that is sent to an address, with its mark, as a browser would send them. */
    private Map<String, String> fields(String path, String target) throws Exception {
        return PageFields.of(Ask.ok(web, path), target);
    }

    private String outing() throws Exception {
        var request = post("/outings?place=" + place + "&night=2027-06-08");
        return Ask.to(web, request);
    }

    @ParameterizedTest
    @CsvSource({
        "outing, title, First, Second",
        "outing, walkMinutes, 16, 64",
        "outing, turnBack, 03:00, 04:00",
        "place, hazards, a drop, the tide",
        "place, coordinates, '37.5, -8.7', '37.4, -8.6'",
        "place, seaHorizon, on, ''",
        "skyline, points, 'azimuth_deg,altitude_deg~10.00,5.00', 'azimuth_deg,altitude_deg~20.00,6.00'",
        "kit/body/1, note, Old, New",
        "kit/lens/2, note, Old, New",
        "kit/gear/4, note, Old, New",
        "kit/rig/R, name, Old, New",
        "kit/rig/R, gear-G, on, ''",
        "mark, mark-height, 30, 40",
        "mark, mark-silhouette, TOWER, TREE",
        "dome, dome-people, 1000, 2000",
        "take, name, First, Second",
        "take, darks, 3, 4",
        "plan, celsius, 12, 25",
        "camera, name, First, Second",
        "camera, iso, 400, 800",
        "script, script, 'c1,60,1,0,0.01,8,100,raw,on,one', 'c1,90,1,0,0.01,8,100,raw,on,two'"
    })
    void a_save_on_what_was_changed_meanwhile_shows_both(String which, String part, String left, String right)
            throws Exception {
        String field = part.replace("G", "" + kit.gear().get(0).id());
        Form form = form(which);
        String first = which.equals("script") ? HEAD + left + "\r\n" : left.replace('~', '\n');
        String second = which.equals("script") ? HEAD + right + "\r\n" : right.replace('~', '\n');
        Map<String, String> one = fields(form.page, form.target);
        Map<String, String> other = new LinkedHashMap<>(one);
        put(one, field, first);
        put(other, field, second);
        assertThat(one).as("the first changes something").isNotEqualTo(fields(form.page, form.target));
        assertThat(Ask.sent(web, form.target, one).getStatus())
                .as("the first saves")
                .isEqualTo(302);
        Map<String, String> stored = fields(form.page, form.target);
        assertThat(stored.getOrDefault(field, "").strip())
                .isEqualTo(one.getOrDefault(field, "").strip());

        MockHttpServletResponse refused = Ask.sent(web, form.target, other);
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString())
                .contains("Not saved yet: this was changed elsewhere meanwhile", "take what is stored");
        assertThat(fields(form.page, form.target)).as("nothing is overwritten").isEqualTo(stored);

        // saving again what the page that refused holds keeps what was typed
        Map<String, String> again = PageFields.of(refused.getContentAsString(), form.target);
        assertThat(again.getOrDefault(field, "").strip())
                .isEqualTo(other.getOrDefault(field, "").strip());
        assertThat(Ask.sent(web, form.target, again).getStatus()).isEqualTo(302);
        assertThat(fields(form.page, form.target).getOrDefault(field, "").strip())
                .isEqualTo(other.getOrDefault(field, "").strip());
    }

    private static final String HEAD = "contact,offset_s,frames,pause_s,shutter_s,aperture,iso,format,filter,what\r\n";

    /** Where a form stands, and where it is sent. */
    private record Form(String page, String target) {}

    private Form form(String which) throws Exception {
        String at = "/places/" + place;
        return switch (which) {
            case "outing" -> {
                String outing = outing();
                yield new Form(outing + "/edit", outing);
            }
            case "place" -> new Form(at + "/edit", at);
            case "skyline" -> new Form(at, at + "/skyline");
            case "mark" -> {
                places.addMark(place, new Mark("Mast", 10, 100, 24, 3, 0));
                long mark = places.marks(place).get(0).id();
                yield new Form(at + "?mark=" + mark, at + "/marks/" + mark);
            }
            case "dome" -> {
                places.addDome(place, new Dome("Town", 90, 10, 500, Dome.Lamps.WARM));
                long dome = places.domes(place).get(0).id();
                yield new Form(at + "?dome=" + dome, at + "/domes/" + dome);
            }
            case "take" -> {
                String outing = outing();
                String take = Ask.sent(
                                web,
                                outing + "/takes",
                                Map.of(
                                        "subject",
                                        "milky-way",
                                        "name",
                                        "Core",
                                        "rig",
                                        "1",
                                        "focal",
                                        "20",
                                        "aperture",
                                        "1.8"))
                        .getRedirectedUrl();
                yield new Form(take, outing + "/takes/" + take.replaceAll(".*=", ""));
            }
            case "plan", "camera", "script" -> plan(which);
            default -> {
                String path = "/" + which.replace("R", "" + rig);
                yield new Form(path, path);
            }
        };
    }

    private Form plan(String which) throws Exception {
        long strait = made.place("Strait of tabs", 36.0104, -5.612, 140, "Europe/Madrid")
                .id();
        String plan = Ask.sent(web, "/events/plans", Map.of("place", "" + strait, "date", "2027-08-02"))
                .getRedirectedUrl();
        if (which.equals("plan")) {
            return new Form(plan, plan);
        }
        String page = Ask.sent(web, plan + "/cameras", Map.of("rig", "" + rig, "role", "close-up"))
                .getRedirectedUrl();
        String camera = plan + "/cameras/" + page.replaceAll(".*=", "");
        return new Form(page, which.equals("camera") ? camera : camera + "/script");
    }

    /** What another window deleted is not saved on in silence: it is offered back with what was typed, and saved then. */
    @ParameterizedTest
    @ValueSource(
            strings = {"outing", "place", "skyline", "mark", "dome", "take", "plan", "camera", "script", "kit/rig/R"})
    void a_save_on_what_was_deleted_offers_to_bring_it_back(String which) throws Exception {
        Form form = form(which);
        Map<String, String> typed = fields(form.page, form.target);
        String field =
                List.of("title", "hazards", "points", "mark-name", "dome-name", "celsius", "script", "name").stream()
                        .filter(typed::containsKey)
                        .findFirst()
                        .orElseThrow();
        String value = Map.of(
                        "points", "azimuth_deg,altitude_deg\n10.00,5.00\n",
                        "celsius", "12",
                        "script", HEAD + "c1,60,1,0,0.01,8,100,raw,on,one\r\n")
                .getOrDefault(field, "Typed <in> the other tab");
        typed.put(field, value);
        String deletes = which.equals("mark") || which.equals("dome")
                ? form.target + "/remove"
                : form.target.replaceAll("/(skyline|script)$", "") + "/delete";
        assertThat(Ask.sent(web, deletes, Map.of()).getStatus()).as(deletes).isEqualTo(302);

        MockHttpServletResponse refused = Ask.sent(web, form.target, typed);
        assertThat(refused.getStatus()).isEqualTo(409);
        String page = refused.getContentAsString();
        assertThat(page).contains("was deleted, in another window perhaps").contains("Bring it back and save");
        Matcher restore = Pattern.compile("action=\"(/deleted/[a-z]+/\\d+)\"").matcher(page);
        assertThat(restore.find()).isTrue();
        Map<String, String> kept = new LinkedHashMap<>();
        Matcher texts = Pattern.compile("(?s)<textarea hidden name=\"([^\"]*)\">\n?(.*?)</textarea>")
                .matcher(page);
        while (texts.find()) {
            kept.put(texts.group(1), org.springframework.web.util.HtmlUtils.htmlUnescape(texts.group(2)));
        }
        assertThat(kept).isEqualTo(typed);
        kept.put("then", form.target);
        // the browser's next request; the forward is made here by hand, since the test has no server
        MockHttpServletResponse back = Ask.sent(web, restore.group(1), kept);
        assertThat(back.getForwardedUrl()).isEqualTo(form.target);
        assertThat(Ask.sent(web, form.target, kept).getStatus()).isEqualTo(302);
        assertThat(fields(form.page, form.target).get(field)).isEqualTo(value.strip());
    }

    private static void put(Map<String, String> fields, String field, String value) {
        if (value.isEmpty()) {
            fields.remove(field);
        } else {
            fields.put(field, value);
        }
    }

    @Test
    void the_same_change_twice_is_no_quarrel() throws Exception {
        Map<String, String> one = fields("/places/" + place + "/edit", "/places/" + place);
        one.put("hazards", "a drop");
        assertThat(Ask.sent(web, "/places/" + place, one).getStatus()).isEqualTo(302);
        assertThat(Ask.sent(web, "/places/" + place, one).getStatus()).isEqualTo(302);
        // another part of the same place is none either
        Map<String, String> form = fields("/places/" + place + "/edit", "/places/" + place);
        places.saveSkyline(place, SkylineText.parse("10,5"));
        form.put("hazards", "none");
        assertThat(Ask.sent(web, "/places/" + place, form).getStatus()).isEqualTo(302);
    }
}
