package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class FrameBrowserTest extends BrowserTest {

    @Test
    void the_camera_is_aimed_by_keys_and_by_dragging_and_takes_a_photograph() {
        page.navigate(url("/frame?rig=1&place=1&azimuth=170&altitude=20"));
        Locator view = page.locator("[data-view]");
        Locator azimuth = page.getByLabel("Azimuth");
        view.focus();
        page.keyboard().press("ArrowRight");
        assertThat(azimuth).not().hasValue("170");
        assertThat(page.locator("#seen")).containsText("172\u00b0 S");
        page.keyboard().press("Shift+ArrowUp");
        assertThat(page.locator("#seen")).containsText("31\u00b0 up");
        assertThat(page).hasURL(Pattern.compile(".*altitude=30\\.5.*"));

        String before = azimuth.inputValue();
        BoundingBox box = boxOf(view);
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 120, box.y + box.height / 2 + 30);
        page.mouse().up();
        assertThat(azimuth).not().hasValue(before);

        String clock = page.locator("#seen strong").first().textContent();
        page.locator("#at").focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#seen strong").first()).not().hasText(clock);

        page.keyboard().press("o");
        assertThat(page.locator("#seen")).containsText("62\u00b0 \u00d7 84\u00b0");
        page.keyboard().press("o");
        page.keyboard().press("d");
        assertThat(page.getByLabel("drift", exactly())).isChecked();

        page.getByRole(AriaRole.BUTTON, named("pole")).click();
        assertThat(page.locator("[data-view] text").getByText("pole")).isVisible();
        page.getByRole(AriaRole.BUTTON, named("Photograph")).click();
        Locator photograph = page.locator("[data-view] img");
        assertThat(photograph).isVisible();
        // the first one of all is taken by cold code
        assertThat(photograph)
                .hasJSProperty("naturalWidth", 960, new LocatorAssertions.HasJSPropertyOptions().setTimeout(20_000));
        page.keyboard().press("p");
        assertThat(page.locator("[data-view] svg")).isVisible();
    }

    @Test
    void trails_and_a_panorama_follow_from_the_frame() {
        expectRefusal();
        page.navigate(url("/frame?rig=1&place=1"));
        page.getByRole(AriaRole.LINK, named("as a sequence")).click();
        assertThat(page.locator("#found")).containsText("Arcs of 15.0\u00b0");
        page.navigate(url("/frame?rig=1&place=1"));
        page.getByRole(AriaRole.LINK, named("as a panorama")).click();
        Locator frames = page.locator("#plan .figure").first();
        String before = frames.textContent();
        page.getByLabel("Overlap, %").fill("60");
        assertThat(frames).not().hasText(before);
        page.getByLabel("Overlap, %").fill("99");
        assertThat(page.locator("#plan")).containsText("10 to 70 %");
    }
}
