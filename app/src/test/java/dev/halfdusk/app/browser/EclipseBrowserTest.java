package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From the list of events to an eclipse, its take, the run sheet and the field. */
class EclipseBrowserTest extends BrowserTest {

    private static final Pattern ECLIPSE = Pattern.compile("/events/eclipse\\?");

    @Test
    void an_eclipse_is_found_looked_at_planned_and_followed() {
        page.navigate(url("/events?place=1"));
        page.getByRole(AriaRole.LINK, named("Minute by minute, Thu 20 December 2029"))
                .click();
        assertThat(page).hasURL(ECLIPSE);
        assertThat(page.getByRole(AriaRole.HEADING, named("Total eclipse of the moon at Salt Ledge")))
                .isVisible();

        // scrubbed with the keys: settings follow
        Locator settings = page.locator("#found .figure").first();
        String before = settings.textContent();
        Locator slider = page.locator("input[data-ribbon]");
        slider.focus();
        for (int i = 0; i < 2; i++) {
            slider.press("Shift+ArrowLeft");
        }
        assertThat(settings).not().hasText(before);
        assertThat(page.locator("#found")).containsText("lit limb");

        page.getByLabel("A frame every, s").fill("240");
        assertThat(page.locator("#found")).containsText("one frame every 4 min");
        page.getByRole(AriaRole.BUTTON, named("Plan it as an outing")).click();
        assertThat(page).hasURL(Pattern.compile("/outings/\\d+$"));
        assertThat(page.locator("main")).containsText("Eclipse of the moon");

        page.getByRole(AriaRole.LINK, named("run sheet and bag")).click();
        assertThat(page.locator("main")).containsText("Eclipse of the moon");
        assertThat(page.locator("main")).containsText("A bright moon in a telescope dazzles");
        page.navigate(page.url().replace("/sheet", "/field"));
        Locator brighter = page.getByRole(AriaRole.BUTTON, named("too dark: a stop brighter"));
        assertThat(brighter).isVisible();
        loadedAgain(brighter::click);
        page.navigate(page.url().replace("/field", ""));
        page.locator(".take").first().click();
        assertThat(page.locator("input[name=limbBrighterStops]").first()).hasValue("1");
    }
}
