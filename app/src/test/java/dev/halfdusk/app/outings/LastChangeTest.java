package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import dev.halfdusk.app.StoringTest;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.outing.Progress;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.MilkyWay;
import dev.halfdusk.core.take.Moon;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What was done to a night is told with what it moved, and goes back with one click; what has no place says when it has one. */
class LastChangeTest extends StoringTest {

    private Place place;

    @BeforeEach
    void place() {
        Place added = made.coast("Coast", new Mark("Stack", 176, 140, 24, 13, 0));
        place = places.find(added.id()).orElseThrow();
    }

    private String outing(String night) {
        return "/outings/" + made.outing("Night", place, night).id();
    }

    private static long id(String path) {
        return Long.parseLong(path.replaceAll("\\D+", ""));
    }

    private long add(String outing, String name, Subject subject, Wish wish) {
        Take take = Take.of(name, subject, Takes.camera(kit.rigs().get(0))).with(wish);
        return takes.add(id(outing), take, kit.rigs().get(0).id());
    }

    private MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request).andReturn().getResponse();
    }

    private String page(String path) throws Exception {
        return ask(get(path)).getContentAsString();
    }

    private String opens(String outing, String name) throws Exception {
        Matcher row = Pattern.compile("(?s)font-mono\"><strong>([0-9:]+)</strong>(?:(?!</li>).)*?" + name)
                .matcher(page(outing));
        assertThat(row.find()).as(name).isTrue();
        return row.group(1);
    }

    /** Two takes of an hour from 23:00 to 01:30: holding the second at 23:00 moves the first behind it. */
    @Test
    void holding_a_take_tells_what_it_moved_and_can_be_undone() throws Exception {
        String outing = outing("2027-07-04");
        Wish wish = Wish.between(LocalTime.of(23, 0), LocalTime.of(1, 30));
        add(outing, "Anna", new Free(60, false), wish);
        long second = add(outing, "Bert", new Free(60, false), wish);
        List<Takes.Stored> before = takes.of(id(outing));
        String first = opens(outing, "Anna");
        assertThat(page(outing)).doesNotContain(">undo<");
        ask(post(outing + "/takes/" + second + "/pin").param("at", first));
        String told = page(outing);
        assertThat(told).contains("Bert is held at " + first).contains("Anna: " + first + " \u2192 ");
        assertThat(opens(outing, "Anna")).isNotEqualTo(first);
        ask(post(outing + "/takes/undo"));
        assertThat(takes.of(id(outing))).isEqualTo(before);
        assertThat(opens(outing, "Anna")).isEqualTo(first);
        assertThat(page(outing)).doesNotContain(">undo<");
    }

    /** What came after it would be lost, so it is no longer offered. */
    @Test
    void what_something_else_was_done_to_since_is_not_undone() throws Exception {
        String outing = outing("2027-07-04");
        long one = add(outing, "Anna", new Free(30, false), Wish.of(Wish.Kind.DARK));
        ask(post(outing + "/takes/" + one + "/pin").param("at", "00:30"));
        takes.pin(id(outing), one, Optional.of(Instant.parse("2027-07-05T00:10:00Z")));
        assertThat(page(outing)).doesNotContain(">undo<");
        ask(post(outing + "/takes/undo"));
        assertThat(takes.of(id(outing)).get(0).take().pinned()).contains(Instant.parse("2027-07-05T00:10:00Z"));
    }

    /** Added, changed, accepted: all go back to what there was. */
    @ParameterizedTest
    @CsvSource({"/takes, subject=milky-way&rig=1, Milky Way was added", "/takes/proposed, x=y, Takes were added"})
    void adding_goes_back(String path, String fields, String told) throws Exception {
        String outing = outing("2027-07-04");
        MockHttpServletRequestBuilder add = post(outing + path);
        for (String field : fields.split("&")) {
            add.param(field.split("=")[0], field.split("=")[1]);
        }
        ask(add);
        assertThat(takes.of(id(outing))).isNotEmpty();
        assertThat(page(outing)).containsIgnoringCase(told);
        ask(post(outing + "/takes/undo"));
        assertThat(takes.of(id(outing))).isEmpty();
    }

    /** Said late in the field: what follows moves by it, and one press on the same page takes it back. */
    @Test
    void late_in_the_field_goes_back() throws Exception {
        String outing = outing("2027-07-04");
        long one = add(outing, "Anna", new Free(30, false), Wish.of(Wish.Kind.DARK));
        add(outing, "Bert", new Free(30, false), Wish.of(Wish.Kind.DARK));
        ask(post(outing + "/field/late").param("take", "" + one));
        assertThat(page(outing + "/field")).contains("Said: late");
        assertThat(takes.of(id(outing)).get(0).progress()).isNotEqualTo(Progress.AHEAD);
        ask(post(outing + "/field/undo"));
        assertThat(takes.of(id(outing))).allMatch(t -> t.progress().equals(Progress.AHEAD));
        assertThat(outings.existing(id(outing)).standing().resumed()).isEmpty();
    }

    /** In December the core keeps below the dark: its next night at 37.6\u00b0 N is in the second half of January. */
    @Test
    void a_wish_without_a_window_says_when_the_next_is() throws Exception {
        String outing = outing("2027-12-05");
        long core = add(outing, "Core", new MilkyWay(0), Wish.of(Wish.Kind.SIGHT_HIGHEST));
        assertThat(page(outing)).contains("/takes/" + core + "/next?night=2027-12-05");
        String next = page(outing + "/takes/" + core + "/next?night=2027-12-05");
        Matcher night = Pattern.compile("href=\"[^\"]*\\?night=(\\d{4}-\\d\\d-\\d\\d)\"")
                .matcher(next);
        assertThat(night.find()).isTrue();
        LocalDate found = LocalDate.parse(night.group(1));
        assertThat(found).isBetween(LocalDate.of(2028, 1, 15), LocalDate.of(2028, 3, 1));
        assertThat(page(outing + "?night=" + found)).doesNotContain("the night has no window");
        assertThat(page(outing + "?night=" + found.minusDays(1))).contains("the night has no window");
        // what a moon at the same hour allows is another matter: a lunar eclipse is years away
        long eclipse = add(outing, "Shadow", new Moon(1, 1), Wish.of(Wish.Kind.LUNAR_ECLIPSE));
        assertThat(page(outing + "/takes/" + eclipse + "/next"))
                .contains("?night=2028-01-11"); // partial on the 12th, 04:13 UT
        // and what never comes says so
        long never = add(outing, "Long", new Free(700, false), Wish.between(LocalTime.of(23, 0), LocalTime.of(23, 30)));
        assertThat(page(outing + "/takes/" + never + "/next")).contains("No night of the coming year");
    }

    /** Two of one camera held at one time: the way out is a button, and after it the clash is gone. */
    @Test
    void a_clash_is_got_out_of_by_its_button() throws Exception {
        String outing = outing("2027-07-04");
        long one = add(outing, "Anna", new Free(60, false), Wish.of(Wish.Kind.DARK));
        long two = add(outing, "Bert", new Free(60, false), Wish.of(Wish.Kind.DARK));
        for (long take : List.of(one, two)) {
            ask(post(outing + "/takes/" + take + "/pin").param("at", "00:30"));
        }
        String clash = page(outing);
        Matcher step = Pattern.compile(
                        "(?s)action=\"([^\"]+/pin)\"><input type=\"hidden\" name=\"at\" value=\"([0-9:]+)\">"
                                + "<button class=\"link cursor-pointer\">begin (\\w+) at")
                .matcher(clash);
        assertThat(step.find()).isTrue();
        ask(post(step.group(1)).param("at", step.group(2)));
        assertThat(page(outing)).doesNotContain("at one time.");
        // held outside of its wish, it is let go
        ask(post(outing + "/takes/" + two + "/pin").param("at", "18:00"));
        assertThat(page(outing)).contains(">let Bert move<");
    }
}
