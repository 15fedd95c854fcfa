package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class FieldBrowserTest extends BrowserTest {

    /** A take is held, the field opens from its page, and the time until the next thing runs down. */
    @Test
    void the_field_counts_down_to_what_comes_next() {
        page.navigate(url("/outings/1/takes"));
        page.getByRole(AriaRole.BUTTON, named("Hold it there: Circles")).click();
        assertThat(page.getByRole(AriaRole.BUTTON, named("Let it move: Circles")))
                .isVisible();
        page.getByRole(AriaRole.LINK, named("in the field")).click();
        Locator count = page.locator("[data-count]");
        assertThat(count).hasText(Pattern.compile("(\\d+:)?\\d\\d:\\d\\d"));
        String before = count.textContent();
        assertThat(count).not().hasText(before);
        assertThat(page.locator("[data-until]")).containsText("until Arrive");
        assertThat(page.locator("[data-coming]").first()).containsText("Arrive");
        page.getByRole(AriaRole.LINK, named("leave")).click();
        page.getByRole(AriaRole.BUTTON, named("Let it move: Circles")).click();
        assertThat(page.getByRole(AriaRole.BUTTON, named("Hold it there: Circles")))
                .isVisible();
    }
}
