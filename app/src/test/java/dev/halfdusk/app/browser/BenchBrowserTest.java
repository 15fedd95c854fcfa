package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class BenchBrowserTest extends BrowserTest {

    @Test
    void a_rig_is_put_together_and_reckoned_on_the_bench() {
        expectRefusal();
        page.navigate(url("/"));
        page.keyboard().press("g");
        page.keyboard().press("k");
        page.getByRole(AriaRole.LINK, named("add a body")).click();
        page.getByLabel("Name").fill("Old crop body");
        page.getByLabel("Sensor width, mm").fill("23.5");
        page.getByLabel("and height, mm").fill("15.6");
        page.getByLabel("Pixels across").fill("4928");
        assertThat(page.locator("#preview")).containsText("4.77");
        page.getByLabel("Highest ISO").fill("100");
        page.getByRole(AriaRole.BUTTON, named("Save")).click();
        assertThat(page.locator("#comfortableIso-note")).hasText("3200 is outside what is allowed: 25 to 100.");
        page.getByLabel("Highest ISO").fill("12800");
        page.getByRole(AriaRole.BUTTON, named("Save")).click();
        assertThat(page.getByRole(AriaRole.LINK, named("Old crop body"))).isVisible();

        page.getByRole(AriaRole.LINK, named("Put a rig together")).click();
        page.getByLabel("Name").fill("Old and wide");
        page.getByLabel("Body").selectOption("Old crop body");
        page.getByLabel("Lens").selectOption("14 mm f/2.8");
        page.getByLabel("Tripod").check();
        assertThat(page.locator("#preview")).containsText("80.0\u00b0");
        page.getByRole(AriaRole.BUTTON, named("Save")).click();
        page.getByRole(AriaRole.LINK, named("Old and wide on the bench")).click();
        Locator iso = page.locator("#answers .figure").nth(2);
        String before = iso.textContent();
        openSetup();
        page.getByLabel("Darkness instead").fill("8");
        assertThat(iso).not().hasText(before);
        page.getByLabel("Aperture f/").fill("1.4");
        assertThat(page.locator("#answers")).containsText("1.4 is outside what is allowed: 2.8 to 22");
        assertThat(page.getByLabel("Aperture f/")).hasValue("1.4");
        page.getByLabel("Aperture f/").fill("4");
        assertThat(page.locator("#answers .figure").nth(1)).hasText("4");
        assertThat(page).hasURL(Pattern.compile(".*aperture=4.*"));

        page.getByRole(AriaRole.BUTTON, named("Ground and people")).click();
        assertThat(page.getByLabel("Darkness instead")).hasValue("8");
        page.getByLabel("Nearest thing, m").fill("0.8");
        assertThat(page.locator("#answers")).containsText("focused at 0.94 m");
        page.getByRole(AriaRole.BUTTON, named("After a test frame")).click();
        page.getByLabel("It is").selectOption("stars drawn to lines");
        assertThat(page.locator("#answers")).containsText("shutter");
        page.goBack();
        assertThat(page.getByLabel("Nearest thing, m")).isVisible();
    }

    @Test
    void the_outing_shows_iso_frames_and_histogram() {
        page.navigate(url("/outings/1"));
        assertThat(page.locator("aside .figure").nth(2)).hasText(Pattern.compile("\\d{3,5}"));
        assertThat(page.locator("#peak-head")).isVisible();
        page.getByText("why these?").click();
        assertThat(page.getByText("Frames to stack").first()).isVisible();
        String iso = page.locator("aside .figure").nth(2).textContent();
        page.getByRole(AriaRole.LINK, named("on the bench")).click();
        assertThat(page.locator(".figure").nth(2)).hasText(iso);
        assertThat(page.getByText("Low and stacked")).isVisible();
    }
}
