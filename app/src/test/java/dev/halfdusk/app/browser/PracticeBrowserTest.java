package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Lessons by the keyboard alone and by a finger alone; drills; a night played. */
class PracticeBrowserTest extends BrowserTest {

    private void keys(String key, int times) {
        for (int i = 0; i < times; i++) {
            page.keyboard().press(key);
        }
    }

    /** Space exposes; space again does not wait for it. */
    private void exposed() {
        page.keyboard().press("Space");
        page.keyboard().press("Space");
    }

    private Locator dial(String name) {
        return page.locator("[data-dial=" + name + "] select");
    }

    @Test
    void three_lessons_by_the_keyboard_alone() {
        page.navigate(url("/"));
        page.keyboard().press("g");
        page.keyboard().press("r");
        assertThat(page).hasURL(Pattern.compile("/practice$"));
        page.navigate(url("/practice/needle-by-shutter"));
        assertThat(dial("shutter")).hasValue("1/125");
        keys("w", 29); // from 1/125 to 5 seconds, a third of a stop each, and one too many
        assertThat(dial("shutter")).hasValue("6");
        keys("e", 1);
        assertThat(page.locator("#believed svg")).hasAttribute("aria-label", "The needle stands at zero");
        exposed();
        assertThat(page.locator("#passed")).hasText("Passed");

        page.navigate(url("/practice/half-moon?live=on"));
        page.getByRole(AriaRole.BUTTON, named("begin again")).press("Enter");
        assertThat(page.locator("#sofar")).hasCount(0);
        exposed();
        assertThat(page.locator("#yours + p + svg + p, #yours ~ p[role=status]").last())
                .hasText("What is it that the meter averages?");
        keys("x", 18); // six stops down to 100
        keys("s", 3);
        assertThat(dial("iso")).hasValue("100");
        assertThat(dial("aperture")).hasValue("5.6");
        assertThat(page.locator("#shown-as")).hasText("the screen, before the frame");
        exposed();
        assertThat(page.locator("#passed")).hasText("Passed");
        assertThat(page.getByText("how others do it")).isVisible();

        // with one wheel for all dials: arrows choose and turn
        page.navigate(url("/practice/needle-by-iso?wheels=one"));
        keys("ArrowRight", 16);
        assertThat(dial("iso")).hasValue("4000");
        exposed();
        assertThat(page.locator("#passed")).hasText("Passed");
        assertThat(page.locator("[data-wheels=one]")).hasCount(1);
    }

    @Test
    void a_lesson_by_a_finger() {
        BrowserContext phone = Browsers.shared()
                .newContext(new Browser.NewContextOptions()
                        .setHasTouch(true)
                        .setIsMobile(true)
                        .setViewportSize(390, 844));
        Page touched = phone.newPage();
        touched.navigate(url("/practice/focus-on-a-star"));
        touched.getByRole(AriaRole.BUTTON, named("Magnify")).tap();
        assertThat(touched.locator("#shown-as")).hasText("the screen, its middle at full size");
        Locator ring = touched.locator("[data-dial=focus]");
        for (int i = 0; i < 10; i++) {
            ring.locator("[data-to]").last().tap(); // one or two clicks on
        }
        assertThat(ring.locator("select")).hasValue(Pattern.compile("0\\.[0-9] mm|1\\.5 mm"));
        while (!ring.locator("select").inputValue().equals("0.5 mm")) {
            int at = ((Number) ring.locator("select").evaluate("s => s.selectedIndex")).intValue();
            String to = "[data-to='" + (at + (at < 35 ? 1 : -1)) + "']";
            ring.locator(to).tap();
        }
        touched.getByRole(AriaRole.BUTTON, named("Expose")).tap();
        touched.getByRole(AriaRole.BUTTON, named("skip the wait")).tap();
        assertThat(touched.locator("#passed")).hasText("Passed");
        assertThat((Integer) touched.evaluate("document.documentElement.scrollWidth - innerWidth"))
                .isLessThanOrEqualTo(0);
        phone.close();
    }

    /** An exposure takes its time; who closes the lid finds it done. */
    @Test
    void an_exposure_takes_its_time() {
        page.clock().install();
        page.navigate(url("/practice/gaps?shutter=25&interval=27"));
        page.clock().pauseAt(System.currentTimeMillis() + 3_600_000);
        page.keyboard().press("Space");
        assertThat(page.locator("#exposing")).containsText("open, 25 s more");
        page.clock().runFor(10_000);
        assertThat(page.locator("#exposing")).containsText("open, 15 s more");
        assertThat(page.locator("#passed")).hasCount(0);
        page.clock().fastForward(60_000);
        page.clock().runFor(1_000);
        page.clock().resume();
        assertThat(page.locator("#passed")).hasText("Passed");
    }

    @Test
    void the_screen_is_dark_and_hands_count_clicks() {
        page.navigate(url("/practice/blind"));
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).hasText("Blind drill, 1 of 6");
        for (int i = 0; i < 6; i++) {
            assertThat(page.locator("h1")).hasText("Blind drill, " + (i + 1) + " of 6");
            for (String part : page.locator("main [role=status]").innerText().split(", ")) {
                turn(part);
            }
            page.keyboard().press("Enter");
        }
        assertThat(page.locator("h2").first()).hasText("What came of it");
        assertThat(page.locator("td.text-lichen")).hasCount(6);
    }

    /** "ISO 3200 → 6400", by the keys alone. */
    private void turn(String words) {
        String key = words.startsWith("shutter")
                ? "shutter"
                : words.startsWith("aperture") ? "aperture" : words.startsWith("ISO") ? "iso" : "timer";
        String wanted = words.substring(words.indexOf('\u2192') + 1).strip();
        Locator list = page.locator("[data-dial=" + key + "] select");
        int clicks = ((Number) list.evaluate(
                        "(s, wanted) => [...s.options].findIndex(o => o.text === wanted) - s.selectedIndex", wanted))
                .intValue();
        String[] both = key.equals("shutter")
                ? new String[] {"w", "e"}
                : key.equals("aperture") ? new String[] {"s", "d"} : new String[] {"x", "c"};
        if (key.equals("timer")) {
            keys("5", clicks < 0 ? clicks + 3 : clicks);
        } else {
            keys(clicks < 0 ? both[0] : both[1], Math.abs(clicks));
        }
        assertThat(list).hasValue(wanted);
    }

    @Test
    void a_night_of_ones_own_is_played_to_its_end() {
        page.navigate(url("/practice/night"));
        page.locator("main li a").first().click();
        for (int i = 0; i < 5; i++) {
            assertThat(page.locator("main")).containsText("decision " + (i + 1) + " of 5");
            page.locator("[data-decide] a").first().focus();
            page.keyboard().press("Enter");
        }
        assertThat(page.locator("#came")).hasText("What came of it");
        assertThat(page.locator("main")).containsText("What you decided");
        assertThat(page.locator("main section table").last().locator("tbody tr"))
                .hasCount(5);
    }
}
