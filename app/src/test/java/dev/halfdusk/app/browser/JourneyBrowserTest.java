package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * A beginner's whole question: a crop body, an 18 mm f/3.5 kit zoom, a village field; when next month, with what settings?
 * With mouse, with keyboard alone, without script, and on a phone; no step may meet an error that nobody caused.
 */
class JourneyBrowserTest extends BrowserTest {

    private static final int THREE_MINUTES = 180;

    /** How someone gets at fields, buttons and links. */
    private interface Hand {
        void fill(Locator field, String value);

        void choose(Locator list, String option);

        void press(Locator target);
    }

    private record Mouse() implements Hand {

        @Override
        public void fill(Locator field, String value) {
            field.fill(value);
        }

        @Override
        public void choose(Locator list, String option) {
            list.selectOption(option);
        }

        @Override
        public void press(Locator target) {
            target.click();
        }
    }

    /** Tab, letters, arrows, space and enter. */
    private record Keyboard(Page page) implements Hand {

        private static final int FARTHEST = 200;

        private void reach(Locator target) {
            target.waitFor();
            for (int i = 0; i < FARTHEST; i++) {
                if ((boolean) target.evaluate("e => e === document.activeElement")) {
                    return;
                }
                page.keyboard().press("Tab");
            }
            fail("cannot be reached by tab: " + target);
        }

        @Override
        public void fill(Locator field, String value) {
            reach(field);
            if ("date".equals(field.getAttribute("type"))) {
                String[] parts = value.split("-");
                page.keyboard().type(parts[1] + parts[2] + parts[0]);
                return;
            }
            page.keyboard().press("Control+a");
            page.keyboard().insertText(value); // at once: a slow machine would have what is half typed refused
        }

        @Override
        public void choose(Locator list, String option) {
            reach(list);
            page.keyboard().type(option);
        }

        @Override
        public void press(Locator target) {
            reach(target);
            boolean box = "checkbox".equals(target.getAttribute("type"));
            page.keyboard().press(box ? "Space" : "Enter");
        }
    }

    @Test
    @Timeout(THREE_MINUTES)
    void with_the_mouse() {
        journey(page, new Mouse(), "mouse", true);
    }

    @Test
    @Timeout(THREE_MINUTES)
    void with_the_keyboard_alone() {
        journey(page, new Keyboard(page), "keys", true); // ends on its sheet, so nothing that is refused was left
        forgiveRefusals(); // a date is typed key by key
    }

    @Test
    @Timeout(THREE_MINUTES)
    void on_a_phone() {
        page.setViewportSize(360, 740);
        journey(page, new Mouse(), "phone", true);
        org.assertj.core.api.Assertions.assertThat(page.evaluate("document.documentElement.scrollWidth"))
                .isEqualTo(360);
    }

    @Test
    @Timeout(THREE_MINUTES)
    void without_script() {
        try (BrowserContext plain =
                Browsers.shared().newContext(new Browser.NewContextOptions().setJavaScriptEnabled(false))) {
            journey(plain.newPage(), new Mouse(), "plain", false);
        }
    }

    private static void journey(Page page, Hand hand, String who, boolean script) {
        page.navigate(url("/kit"));
        hand.press(link(page, "add a body"));
        hand.press(link(page, "APS-C 23.5 \u00d7 15.7"));
        hand.fill(page.getByLabel("Name"), "Crop body " + who);
        hand.press(button(page, "Save"));
        hand.press(link(page, "add a lens"));
        hand.fill(page.getByLabel("Name"), "Kit zoom " + who);
        hand.fill(page.locator("#shortest"), "18");
        hand.fill(page.locator("#longest"), "55");
        hand.fill(page.locator("#widestShort"), "3.5");
        hand.fill(page.locator("#widestLong"), "5.6");
        hand.press(button(page, "Save"));
        hand.press(link(page, "Put a rig together"));
        hand.fill(page.getByLabel("Name"), "Crop and zoom " + who);
        hand.choose(page.locator("#body"), "Crop body " + who);
        hand.choose(page.locator("#lens"), "Kit zoom " + who);
        hand.press(button(page, "Save"));
        assertThat(link(page, "Crop and zoom " + who)).isVisible();

        page.navigate(url("/places/new"));
        hand.fill(page.getByLabel("Name").first(), "Village field " + who);
        hand.fill(page.locator("#coordinates"), "47.2 N 11.1 E");
        hand.press(button(page, "Save place"));
        hand.press(link(page, "its nights"));
        hand.press(link(page, "search best nights"));
        hand.fill(page.locator("#from"), "2027-06-01");
        hand.press(page.getByRole(AriaRole.CHECKBOX, named("Jun")));
        if (!script) {
            hand.press(button(page, "Search"));
        }
        assertThat(page.locator("#finds")).containsText("June 2027");
        hand.press(page.locator("#finds").getByText("plan").first());

        assertThat(page.locator("h1")).hasText("New outing");
        assertThat(page.locator("main")).containsText("What the night would bear");
        hand.press(button(page, "Save outing"));
        assertThat(page.locator("h1")).containsText("Village field " + who);
        hand.press(page.locator("#adding > summary"));
        hand.choose(page.locator("#new-rig"), "Crop and zoom " + who);
        hand.fill(page.locator("#new-name"), "First core");
        hand.press(button(page, "Add"));
        assertThat(page.locator("#take-head")).containsText("First core");
        assertThat(page.locator("aside .figure").nth(0)).hasText(Pattern.compile("\\d+"));
        assertThat(page.locator("aside .figure").nth(1)).hasText("3.5");
        assertThat(page.locator("aside .figure").nth(2)).hasText(Pattern.compile("\\d{3,5}"));
        hand.press(link(page, "run sheet and bag"));
        assertThat(page.locator("main")).containsText("First core: ");
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, named(name).setExact(true));
    }

    private static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, named(name).setExact(true)).first();
    }
}
