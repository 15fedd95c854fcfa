package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.ground.SkylineText;
import dev.halfdusk.core.sky.Site;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** The same thing open in two tabs: who saves second is asked, and loses nothing. */
@PageTest
class TwoTabsTest {

    @Autowired
    private MockMvc web;

    @Autowired
    private Places places;

    @Autowired
    private Kit kit;

    private long place;
    private long rig;

    @BeforeEach
    void place() {
        place = places.add(Place.at("Two tabs", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon")))
                .id();
        NamedRig stored = kit.rig(1).orElseThrow();
        rig = kit.save(new NamedRig(null, "Two tabs", stored.body(), stored.lens(), List.of()));
    }

    /** Fields of the one form on a page that carries the mark, as a browser would send them. */
    private Map<String, String> fields(String path) throws Exception {
        String page = web.perform(get(path)).andReturn().getResponse().getContentAsString();
        int mark = page.indexOf("name=\"seen\"");
        String form = page.substring(page.lastIndexOf("<form", mark), page.indexOf("</form>", mark));
        Map<String, String> fields = new LinkedHashMap<>();
        Matcher inputs = Pattern.compile("<input ([^>]*)>").matcher(form);
        while (inputs.find()) {
            String input = inputs.group(1);
            boolean box = input.contains("type=\"checkbox\"");
            if (!input.contains("type=\"file\"") && (!box || input.contains("checked"))) {
                fields.put(attribute(input, "name"), box ? "on" : attribute(input, "value"));
            }
        }
        Matcher texts =
                Pattern.compile("(?s)<textarea ([^>]*)>(.*?)</textarea>").matcher(form);
        while (texts.find()) {
            fields.put(attribute(texts.group(1), "name"), texts.group(2));
        }
        Matcher lists = Pattern.compile("(?s)<select ([^>]*)>(.*?)</select>").matcher(form);
        while (lists.find()) {
            Matcher chosen =
                    Pattern.compile("<option value=\"([^\"]*)\" selected").matcher(lists.group(2));
            fields.put(attribute(lists.group(1), "name"), chosen.find() ? chosen.group(1) : "");
        }
        return fields;
    }

    private static String attribute(String tag, String name) {
        Matcher m = Pattern.compile("(?<![\\w-])" + name + "=\"([^\"]*)\"").matcher(tag);
        return m.find() ? org.springframework.web.util.HtmlUtils.htmlUnescape(m.group(1)) : "";
    }

    private MockHttpServletResponse send(String path, Map<String, String> fields) throws Exception {
        var request = post(path);
        fields.forEach(request::param);
        return web.perform(request).andReturn().getResponse();
    }

    private String outing() throws Exception {
        var request = post("/outings").param("place", "" + place).param("night", "2027-06-08");
        return web.perform(request).andReturn().getResponse().getRedirectedUrl();
    }

    @ParameterizedTest
    @CsvSource({
        "outing, title, First, Second",
        "outing, walk, 16, 64",
        "outing, turnBack, 03:00, 04:00",
        "place, hazards, a drop, the tide",
        "place, coordinates, '37.5, -8.7', '37.4, -8.6'",
        "place, seaHorizon, on, ''",
        "skyline, points, 'azimuth_deg,altitude_deg~10.00,5.00', 'azimuth_deg,altitude_deg~20.00,6.00'",
        "kit/body/1, note, Old, New",
        "kit/lens/2, note, Old, New",
        "kit/rig/R, name, Old, New",
        "kit/rig/R, gear-G, on, ''"
    })
    void a_save_on_what_was_changed_meanwhile_shows_both(String which, String part, String left, String right)
            throws Exception {
        String what = which.replace("R", "" + rig);
        String field = part.replace("G", "" + kit.gear().get(0).id());
        String first = left.replace('~', '\n');
        String second = right.replace('~', '\n');
        String outing = what.equals("outing") ? outing() : "";
        String target = what.equals("outing")
                ? outing
                : what.equals("place")
                        ? "/places/" + place
                        : what.equals("skyline") ? "/places/" + place + "/skyline" : "/" + what;
        String page = what.equals("outing")
                ? outing + "/edit"
                : what.equals("place")
                        ? "/places/" + place + "/edit"
                        : what.equals("skyline") ? "/places/" + place : "/" + what;
        Map<String, String> one = fields(page);
        Map<String, String> other = new LinkedHashMap<>(one);
        put(one, field, first);
        put(other, field, second);
        if (one.equals(other)) {
            one.put("name", "Another");
        }
        String before = one.get(field);
        assertThat(send(target, one).getStatus()).as("the first saves").isEqualTo(302);
        MockHttpServletResponse refused = send(target, other);
        if (fields(page).getOrDefault(field, "").equals(other.getOrDefault(field, ""))) {
            return; // the second asked for what is stored already
        }
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString())
                .contains("Not saved yet: this was changed elsewhere meanwhile")
                .contains("take what is stored");
        assertThat(fields(page).get(field)).as("nothing is overwritten").isEqualTo(before);

        // saving again keeps what was typed
        String html = refused.getContentAsString();
        Matcher mark = Pattern.compile("name=\"seen\" value=\"([^\"]+)\"").matcher(html);
        assertThat(mark.find()).isTrue();
        other.put("seen", mark.group(1));
        assertThat(send(target, other).getStatus()).isEqualTo(302);
        assertThat(fields(page).getOrDefault(field, "")).contains(other.getOrDefault(field, ""));
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
        Map<String, String> one = fields("/places/" + place + "/edit");
        one.put("hazards", "a drop");
        assertThat(send("/places/" + place, one).getStatus()).isEqualTo(302);
        assertThat(send("/places/" + place, one).getStatus()).isEqualTo(302);
        // another part of the same place is none either
        Map<String, String> form = fields("/places/" + place + "/edit");
        places.saveSkyline(place, SkylineText.parse("10,5"));
        form.put("hazards", "none");
        assertThat(send("/places/" + place, form).getStatus()).isEqualTo(302);
    }
}
