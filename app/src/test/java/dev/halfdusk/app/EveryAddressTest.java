package dev.halfdusk.app;

import static dev.halfdusk.app.db.Tables.ECLIPSE_CAMERA;
import static dev.halfdusk.app.db.Tables.OUTING;
import static dev.halfdusk.app.db.Tables.TAKE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import dev.halfdusk.app.browser.EveryPageBrowserTest;
import dev.halfdusk.app.db.DefaultSchema;
import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.Takes;
import dev.halfdusk.app.web.Form;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.server.PathContainer;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.pattern.PathPattern;

/** Every page and file there is, found in the application itself: with the demo, on an empty instance, with a place alone, with kit alone. */
@TestPropertySource(properties = "halfdusk.demo=true")
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class EveryAddressTest extends StoringTest {

    /** What a variable of a path may be, where its pattern does not say it. */
    private static final Map<String, List<String>> VALUES = Map.of(
            "date", List.of("2027-06-08"),
            "night", List.of("2027-06-08"),
            "group", List.of("nothing"),
            "kind", List.of("mark"),
            "lesson", List.of("half-moon"));

    /** Words that a page may ask for beside its path. */
    private static final String ASKED =
            "place=1&rig=1&date=2027-08-02&camera=1&shot=1&search=a&town=Li&night=2027-06-08";

    private static final Pattern VARIABLE = Pattern.compile("\\{(\\w+)(?::((?:\\\\d\\{[\\d,]+}|[^{}])*))?}");

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private DSLContext db;

    /** Addresses that were answered with a page. */
    private static final Set<String> PAGES = new HashSet<>();

    private static final int EDITS = 32;
    private static final int LOOKS = 8;

    private List<String> addresses() {
        List<String> all = new ArrayList<>();
        mappings.getHandlerMethods().forEach((info, method) -> {
            Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
            if (methods.isEmpty() || methods.contains(RequestMethod.GET)) {
                info.getPatternValues().forEach(p -> all.addAll(filled(p)));
            }
        });
        return all.stream().distinct().sorted().toList();
    }

    /** A pattern with every choice of its words, and the first thing of each kind. */
    private static List<String> filled(String pattern) {
        Matcher m = VARIABLE.matcher(pattern);
        if (!m.find()) {
            return List.of(pattern.replace("/**", "/nothing"));
        }
        String allowed = m.group(2) == null ? "" : m.group(2);
        List<String> choices = allowed.contains("|") && !allowed.contains("(?")
                ? Arrays.asList(allowed.split("\\|"))
                : VALUES.getOrDefault(m.group(1), List.of("1"));
        return choices.stream()
                .flatMap(c -> filled(pattern.substring(0, m.start()) + c + pattern.substring(m.end())).stream())
                .toList();
    }

    private List<String> open() {
        return failing(addresses());
    }

    private List<String> failing(List<String> addresses) {
        List<String> failed = new ArrayList<>();
        int pages = 0;
        for (String address : addresses) {
            for (String query : List.of("", "?" + ASKED)) {
                if (address.startsWith("/api") && !query.isEmpty()) {
                    continue; // refuses what it does not know
                }
                try {
                    MockHttpServletResponse answer =
                            web.perform(get(address + query)).andReturn().getResponse();
                    pages += answer.getStatus() == 200 ? 1 : 0;
                    if (isPage(answer)) {
                        PAGES.add(address);
                    }
                    if (isPage(answer) && !unsaid(answer.getContentAsString()).isEmpty()) {
                        failed.add(address + query + ": no range beside " + unsaid(answer.getContentAsString()));
                    }
                    if (isPage(answer) && nested(answer.getContentAsString())) {
                        failed.add(address + query + ": a form within a form, which browsers leave out");
                    }
                    if (answer.getStatus() >= 500) {
                        failed.add(address + query + ": " + answer.getStatus());
                    }
                } catch (Exception e) {
                    failed.add(address + query + ": " + e.getCause());
                }
            }
        }
        assertThat(pages).isGreaterThan(Math.min(40, addresses.size() / 2));
        return failed;
    }

    private static boolean nested(String page) {
        int open = 0;
        Matcher forms = Pattern.compile("<(/?)form[ >]").matcher(page);
        while (forms.find()) {
            open += forms.group(1).isEmpty() ? 1 : -1;
            if (open > 1) {
                return true;
            }
        }
        return false;
    }

    private void wipe(boolean kitToo) {
        List<String> kept = kitToo ? List.of("installation") : List.of("installation", "body", "lens", "gear");
        db.execute("PRAGMA foreign_keys = 0");
        for (Table<?> table : DefaultSchema.DEFAULT_SCHEMA.getTables()) {
            if (!kept.contains(table.getName())) {
                db.deleteFrom(table).execute();
            }
        }
        db.execute("PRAGMA foreign_keys = 1");
    }

    @Test
    @Order(1)
    void with_the_demo() {
        assertThat(addresses()).contains("/", "/deleted", "/outings/1/sheet/card-a6.pdf", "/events/plans/1/plan.ics");
        assertThat(open()).isEmpty();
        assertThat(outings.all()).extracting(Outing::title).contains("Harbour festival");
    }

    /** In every lamp, on a phone, with axe: each page that the application has is among those that the browser opens. */
    @Test
    @Order(2)
    void every_page_is_looked_at() {
        List<String> forgotten = new ArrayList<>();
        int[] pages = {0};
        mappings.getHandlerMethods().forEach((info, method) -> {
            Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
            if (!methods.isEmpty() && !methods.contains(RequestMethod.GET)) {
                return;
            }
            for (PathPattern pattern : info.getPathPatternsCondition().getPatterns()) {
                boolean page = filled(pattern.getPatternString()).stream().anyMatch(PAGES::contains);
                pages[0] += page ? 1 : 0;
                if (page && EveryPageBrowserTest.PAGES.stream().noneMatch(p -> pattern.matches(path(p)))) {
                    forgotten.add(pattern.getPatternString());
                }
            }
        });
        assertThat(forgotten).isEmpty();
        assertThat(pages[0]).isGreaterThan(35);
    }

    private static final Pattern UNSAID = Pattern.compile("id=\"([\\w-]+)-note\"[^>]*>[^<]*" + Form.UNSAID);

    /** Fields that nobody has read, so that the page cannot say what is allowed. */
    private static List<String> unsaid(String page) {
        return UNSAID.matcher(page).results().map(m -> m.group(1)).toList();
    }

    private static PathContainer path(String address) {
        return PathContainer.parsePath(address.replaceAll("\\?.*", ""));
    }

    /** Whole, not a part that is put into one, nor a file to take along. */
    private static boolean isPage(MockHttpServletResponse answer) throws Exception {
        return answer.getStatus() == 200
                && String.valueOf(answer.getContentType()).startsWith("text/html")
                && answer.getHeader("Content-Disposition") == null
                && answer.getContentAsString().contains("<html");
    }

    /** Whatever becomes of what they refer to: all is still there, is shown, and says what does not fit any more. */
    @Test
    @Order(3)
    void what_is_stored_outlives_every_edit_of_kit_and_places() throws Exception {
        int stored = db.fetchCount(TAKE) + db.fetchCount(OUTING) + db.fetchCount(ECLIPSE_CAMERA);
        List<String> showing = Stream.concat(
                        Stream.of("/", "/events/plans/1"),
                        outings.all().stream().map(o -> "/outings/" + o.id()))
                .toList();
        RandomEdits edits = new RandomEdits(web, kit, places, 7);
        List<String> failed = new ArrayList<>();
        List<String> done = new ArrayList<>();
        for (int i = 0; i < EDITS && failed.isEmpty(); i++) {
            String edit = edits.next();
            if (!edit.isEmpty()) {
                done.add(edit);
            }
            if (i % LOOKS == LOOKS - 1) {
                failed.addAll(failing(showing));
                failed.addAll(unsaid());
            }
        }
        if (failed.isEmpty()) {
            failed.addAll(open());
        }
        assertThat(failed).as("after %s", done).isEmpty();
        assertThat(done).hasSizeGreaterThan(EDITS / 3);
        assertThat(outings.all().stream().flatMap(o -> takes.of(o.id()).stream()))
                .as("some of them do not fit any more")
                .anyMatch(t -> !t.take().fits());
        assertThat(db.fetchCount(TAKE) + db.fetchCount(OUTING) + db.fetchCount(ECLIPSE_CAMERA))
                .isEqualTo(stored);
    }

    /** Takes that cannot be set as they ask, and whose outing does not say so. */
    private List<String> unsaid() throws Exception {
        List<String> unsaid = new ArrayList<>();
        for (Outing o : outings.all()) {
            String page = Ask.ok(web, "/outings/" + o.id());
            for (Takes.Stored t : takes.of(o.id())) {
                if (!t.take().fits()
                        && !page.contains("asks for " + t.take().asked().words())) {
                    unsaid.add(o.title() + ": " + t.take().name());
                }
            }
        }
        return unsaid;
    }

    @Test
    @Order(4)
    void with_kit_alone() {
        wipe(false);
        assertThat(kit.bodies()).isNotEmpty();
        assertThat(open()).isEmpty();
    }

    @Test
    @Order(5)
    void on_an_empty_instance() {
        wipe(true);
        assertThat(open()).isEmpty();
    }

    @Test
    @Order(6)
    void with_a_place_alone() {
        made.place("Alone", -45, 170.5, 5, "Pacific/Auckland");
        assertThat(open()).isEmpty();
    }
}
