package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each subject as a person goes: its page, kept as an outing, the sheet, the phone, and back to its page. */
class SubjectsBrowserTest extends BrowserTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/events/moon?place=1&night=2027-06-18&time=21:40|moon: its page",
                "/events/eclipse?place=1&night=2029-06-25|lunar eclipse: its page",
                "/events/fireworks?place=1&night=2027-06-18|fireworks: its page",
                "/events/night-scene?place=1&night=2027-06-18|night scene: its page",
                "/frame/panorama?place=1&night=2027-06-04|panorama: its page",
                "/sequences?place=1&night=2027-06-04&time=23:50&kind=trails|star trails: its page"
            })
    void from_its_page_to_the_phone_and_back(String path, String itsPage) {
        page.navigate(url(path));
        page.getByRole(AriaRole.BUTTON, named("Plan it as an outing")).first().click();
        page.waitForURL(Pattern.compile(".*/outings/\\d+$"));
        String outing = page.url();
        String seconds = page.locator("aside .figure").first().textContent();
        page.getByRole(AriaRole.LINK, named("run sheet and bag")).click();
        assertThat(page.getByText("\u00d7 " + seconds + " s").first()).isVisible();
        try (BrowserContext phone = Browsers.shared()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(390, 780))) {
            Page hand = phone.newPage();
            hand.navigate(outing + "/field");
            assertThat(hand.locator("[data-field]")).isVisible();
            assertThat(hand.getByText("No take is left")).isHidden();
            int wide = ((Number) hand.evaluate("document.documentElement.scrollWidth")).intValue();
            org.assertj.core.api.Assertions.assertThat(wide).isLessThanOrEqualTo(390);
        }
        page.navigate(outing);
        page.getByRole(AriaRole.LINK, named(itsPage)).click();
        page.waitForURL(Pattern.compile(".*" + Pattern.quote(path.substring(0, path.indexOf('?'))) + ".*"));
        assertThat(page.getByRole(AriaRole.BUTTON, named("Plan it as an outing"))
                        .first())
                .isVisible();
    }
}
