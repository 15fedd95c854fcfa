package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.ground.Silhouette;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Whatever is stored anew, by whomever, a page that was kept shows it: each table is changed behind the pages' back. */
@PageTest
record FreshPagesTest(MockMvc web, DSLContext db, Places places, Kit kit, Made made) {

    private String body(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse().getContentAsString();
    }

    private static String number(String address) {
        return address.replaceAll("\\D+", "");
    }

    private String made(MockHttpServletRequestBuilder request) throws Exception {
        return number(Ask.to(web, request));
    }

    @Test
    void a_kept_page_shows_every_change() throws Exception {
        long place = made.coast("Fresh", new Mark("Stack", 176.5, 140.25, 24.5, 13.75, -1.5, Silhouette.ARCH))
                .id();
        long outing = made.outing("Fresh", places.find(place).orElseThrow(), "2027-06-08")
                .id();
        web.perform(post("/outings/" + outing + "/takes/proposed")).andReturn();
        String plan = made(post("/events/plans?place=" + place + "&date=2027-08-02"));
        long rig = kit.rigs().get(0).id();
        String lens = db.fetchValue("select lens_id from rig where id = " + rig).toString();
        String body = db.fetchValue("select body_id from rig where id = " + rig).toString();
        Map<String, List<String>> pages = new LinkedHashMap<>();
        pages.put(
                "update place set name = name || '*' where id = " + place,
                List.of(
                        "/places?search=fresh",
                        "/places/" + place,
                        "/nights?place=" + place,
                        "/events?place=" + place));
        pages.put(
                "update mark set fields = json_set(fields, '$.name', name || '*') where place_id = " + place,
                List.of("/places/" + place));
        pages.put("update rig set name = name || '*' where id = " + rig, List.of("/kit", "/bench?rig=" + rig));
        pages.put("update body set name = name || '*' where id = " + body, List.of("/kit"));
        pages.put("update lens set name = name || '*' where id = " + lens, List.of("/kit"));
        pages.put(
                "update outing set title = title || '*' where id = " + outing,
                List.of("/outings?search=fresh", "/outings/" + outing, "/outings/" + outing + "/sheet"));
        pages.put("update take set name = name || '*' where outing_id = " + outing, List.of("/outings/" + outing));
        pages.put("update eclipse_plan set celsius = celsius + 1 where id = " + plan, List.of("/events/plans/" + plan));
        List<String> undo = new ArrayList<>();
        for (Map.Entry<String, List<String>> change : pages.entrySet()) {
            Map<String, String> before = new LinkedHashMap<>();
            for (String page : change.getValue()) {
                before.put(page, body(get(page)));
                assertThat(body(get(page))).as("kept: %s", page).isEqualTo(before.get(page));
            }
            db.execute(change.getKey());
            undo.add(change.getKey().replaceAll("name \\|\\| '\\*'", "rtrim(name, '*')"));
            for (String page : change.getValue()) {
                assertThat(body(get(page)))
                        .as("%s after %s", page, change.getKey())
                        .isEqualTo(body(get(page).session(new MockHttpSession())))
                        .isNotEqualTo(before.get(page));
            }
        }
        undo.stream().filter(u -> u.contains("rtrim")).forEach(db::execute);
    }
}
