package dev.halfdusk.app.deleted;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.take.People;
import dev.halfdusk.core.take.Take;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** What was deleted: listed, brought back with what it needs, and gone once the list is emptied. */
class DeletedPagesTest extends StoringTest {

    private long place;
    private long rig;
    private long outing;

    @BeforeEach
    void night() {
        place = made.coast("Gone <ledge>").id();
        NamedRig usual = kit.rigs().get(0);
        rig = kit.save(new NamedRig(null, "Gone rig", usual.body(), usual.lens(), usual.gear()));
        outing = made.outing("Gone night", places.find(place).orElseThrow(), "2027-07-04")
                .id();
        takes.add(
                outing,
                Take.of("Friend", new People(4), Takes.camera(kit.rig(rig).orElseThrow())),
                rig);
    }

    private MockHttpServletResponse send(String path) throws Exception {
        return web.perform(post(path)).andReturn().getResponse();
    }

    private MockHttpServletResponse see(String path) throws Exception {
        return web.perform(get(path)).andReturn().getResponse();
    }

    @Test
    void what_is_needed_stays_and_says_by_whom() throws Exception {
        for (String path : new String[] {"/places/" + place, "/kit/rig/" + rig}) {
            String kept = see(send(path + "/delete").getRedirectedUrl()).getContentAsString();
            assertThat(kept).contains("was not deleted").contains("href=\"/outings/" + outing + "\"");
            assertThat(see(path).getStatus()).isEqualTo(200);
        }
    }

    /** Outing, rig and place in turn; the outing brings the others back. */
    @Test
    void a_thing_comes_back_with_what_it_needs() throws Exception {
        send("/outings/" + outing + "/delete");
        send("/kit/rig/" + rig + "/delete");
        send("/places/" + place + "/delete");
        for (String path : new String[] {"/outings/" + outing, "/kit/rig/" + rig, "/places/" + place}) {
            assertThat(see(path).getStatus()).as(path).isEqualTo(404);
            assertThat(see(path).getContentAsString()).contains("was deleted, in another window perhaps");
        }
        String list = see("/deleted").getContentAsString();
        assertThat(list).contains("Gone &lt;ledge&gt;", "action=\"/deleted/rig/" + rig + "\"", "Gone night");
        assertThat(send("/deleted/outing/" + outing).getRedirectedUrl()).isEqualTo("/outings/" + outing);
        for (String path : new String[] {"/outings/" + outing, "/kit/rig/" + rig, "/places/" + place}) {
            assertThat(see(path).getStatus()).as(path).isEqualTo(200);
        }
        assertThat(takes.of(outing)).hasSize(1);
        assertThat(see("/deleted").getContentAsString()).doesNotContain("action=\"/deleted/rig/" + rig + "\"");
    }

    @Test
    void an_emptied_list_gives_nothing_back() throws Exception {
        places.addMark(place, new Mark("Mast", 10, 100, 24, 3, 0));
        long mark = places.marks(place).get(0).id();
        send("/places/" + place + "/marks/" + mark + "/remove");
        assertThat(places.marks(place)).isEmpty();
        send("/deleted/mark/" + mark);
        assertThat(places.marks(place)).hasSize(1);
        send("/places/" + place + "/marks/" + mark + "/remove");
        send("/outings/" + outing + "/delete");
        send("/kit/rig/" + rig + "/delete");
        send("/places/" + place + "/delete");
        assertThat(send("/deleted/empty").getRedirectedUrl()).isEqualTo("/deleted");
        assertThat(see("/deleted").getContentAsString()).contains("Nothing. What is deleted stands here");
        for (String path : new String[] {"mark/" + mark, "outing/" + outing, "rig/" + rig, "place/" + place, "x/1"}) {
            assertThat(send("/deleted/" + path).getStatus()).as(path).isEqualTo(404);
        }
        assertThat(outings.find(outing)).isEmpty();
    }

    /** Only addresses of things are saved on to. */
    @Test
    void nothing_is_sent_on_elsewhere() throws Exception {
        send("/outings/" + outing + "/delete");
        MockHttpServletResponse answer = web.perform(
                        post("/deleted/outing/" + outing).param("then", "/deleted/empty"))
                .andReturn()
                .getResponse();
        assertThat(answer.getForwardedUrl()).isNull();
        assertThat(answer.getRedirectedUrl()).isEqualTo("/outings/" + outing);
    }
}
