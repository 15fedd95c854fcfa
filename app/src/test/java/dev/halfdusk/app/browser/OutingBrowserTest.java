package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class OutingBrowserTest extends BrowserTest {

    @Test
    void an_outing_is_made_read_and_still_there_after_a_restart(@TempDir Path data) {
        expectRefusal();
        String outing;
        String seconds;
        try (RunningApplication first = RunningApplication.start(data, false)) {
            page.navigate(first.url("/"));
            assertThat(page.getByText("No outing planned")).isVisible();
            page.getByRole(AriaRole.LINK, named("Plan an outing")).click();
            page.getByLabel("Name of the spot").fill("Low Reef");
            page.getByLabel("Latitude").fill("95");
            page.getByLabel("Longitude").fill("-8.79");
            page.getByLabel("Time zone").fill("Europe/Lisbon");
            page.getByLabel("Night, date of the evening").fill("2027-06-08");
            page.getByRole(AriaRole.BUTTON, named("Save outing")).click();
            assertThat(page.getByText("95 is outside what is allowed: \u221290 to 90\u00b0.")
                            .first())
                    .isVisible();
            assertThat(page.getByLabel("Latitude")).hasValue("95");

            page.getByLabel("Latitude").fill("37.6012");
            assertThat(page.locator("#preview")).containsText("of dark, moonless sky with the core above 10\u00b0");
            page.getByRole(AriaRole.BUTTON, named("Save outing")).click();

            assertThat(page.getByRole(AriaRole.HEADING, named("Core over Low Reef")))
                    .isVisible();
            assertThat(page.getByText("Tue 8 to Wed 9 June 2027")).isVisible();
            outing = page.url().replaceFirst(".*?(/outings/\\d+).*", "$1");
            seconds = page.locator("aside .figure").first().textContent();
            assertThat(Double.parseDouble(seconds)).isBetween(2.0, 10.0);
        }
        try (RunningApplication second = RunningApplication.start(data, false)) {
            page.navigate(second.url("/outings"));
            page.getByRole(AriaRole.LINK, named("Core over Low Reef")).click();
            assertThat(page.url()).startsWith(second.url(outing));
            assertThat(page.locator("aside .figure").first()).hasText(seconds);
            page.close();
        }
    }

    @Test
    void keys_step_the_night_change_the_lamp_and_go_to_views() {
        page.navigate(url("/outings/1"));
        String before = page.locator("figcaption strong").first().textContent();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("figcaption strong").first()).not().hasText(before);
        page.waitForURL("**minute=**");
        page.keyboard().press("ArrowLeft");
        assertThat(page.locator("figcaption strong").first()).hasText(before);
        page.keyboard().press("]");
        assertThat(page.getByText("this is another night")).isVisible();
        page.waitForLoadState(); // keys are heard once the page's script has run
        page.keyboard().press("l");
        assertThat(page.locator("html")).hasAttribute("data-lamp", "day");
        page.keyboard().press("?");
        assertThat(page.locator("#keys")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.locator("#keys")).isHidden();
        page.keyboard().press("g");
        page.keyboard().press("o");
        assertThat(page).hasURL(url("/outings"));
    }

    @Test
    void a_deleted_outing_comes_back() {
        page.navigate(url("/outings/2"));
        String title = page.locator("h1").textContent();
        page.getByRole(AriaRole.BUTTON, exactly("delete")).click();
        page.getByRole(AriaRole.BUTTON, named("Undo")).click();
        assertThat(page.locator("h1")).hasText(title);
    }

    /** Typed halfway, the form keeps what it holds while the lamp changes. */
    @Test
    void the_lamp_changes_in_place() {
        page.navigate(url("/outings/new"));
        page.getByLabel("Title").fill("Half typed");
        page.getByRole(AriaRole.BUTTON, exactly("red")).click();
        assertThat(page.locator("html")).hasAttribute("data-lamp", "red");
        assertThat(page.getByLabel("Title")).hasValue("Half typed");
        assertThat(page.getByRole(AriaRole.BUTTON, exactly("red"))).hasAttribute("aria-pressed", "true");
        page.navigate(url("/outings"));
        assertThat(page.locator("html")).hasAttribute("data-lamp", "red");
    }

    private static Page.GetByRoleOptions exactly(String name) {
        return named(name).setExact(true);
    }

    @Test
    void an_address_that_is_far_too_long_gets_a_page_of_our_own() {
        var answer = page.request().get(url("/places?search=" + "y".repeat(60_000)));
        org.assertj.core.api.Assertions.assertThat(answer.status()).isEqualTo(400);
        org.assertj.core.api.Assertions.assertThat(answer.text())
                .contains("That cannot be done")
                .doesNotContain("Tomcat", "Exception");
        page.navigate(url("/nights/best?from=2027-05-20" + "&place=1".repeat(1500)));
        assertThat(page.getByRole(AriaRole.HEADING, named("Best nights"))).isVisible();
    }

    @Test
    void pages_work_without_their_script() {
        try (BrowserContext plain = Browsers.shared()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions().setJavaScriptEnabled(false))) {
            Page still = plain.newPage();
            still.navigate(url("/outings/1?minute=700"));
            still.getByRole(AriaRole.BUTTON, named("day")).click();
            assertThat(still.locator("html")).hasAttribute("data-lamp", "day");
            assertThat(still).hasURL(Pattern.compile(".*minute=700.*"));
        }
    }

    private Locator block(String name) {
        return page.locator("[data-block][aria-label^='" + name + ",']");
    }

    private String opening(String name) {
        return page.locator("li")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.BUTTON, named("Delete " + name).setExact(true))))
                .locator(".font-mono strong")
                .textContent();
    }

    /** By keys a minute each, by the pointer as far as it is dragged; the take is then held, its length follows its end. */
    @Test
    void takes_are_moved_and_stretched_on_the_night() {
        page.navigate(url("/outings/1"));
        String before = opening("Circles");
        int minute = Integer.parseInt(block("Circles").getAttribute("data-minute"));
        block("Circles").focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Shift+ArrowRight");
        assertThat(page.getByRole(AriaRole.BUTTON, named("Let it move: Circles")))
                .isVisible();
        assertThat(block("Circles")).hasAttribute("data-minute", "" + (minute + 12));
        assertThat(block("Circles")).isFocused();

        int lasts = Integer.parseInt(block("Circles").getAttribute("data-lasts"));
        page.keyboard().press("-");
        page.keyboard().press("-");
        assertThat(block("Circles")).not().hasAttribute("data-lasts", "" + lasts);
        int shorter = Integer.parseInt(block("Circles").getAttribute("data-lasts"));
        org.assertj.core.api.Assertions.assertThat(lasts - shorter).isBetween(9, 11);

        BoundingBox box = boxOf(block("Circles").locator("rect").first());
        page.mouse().move(box.x + box.width / 3, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 3 + 60, box.y + box.height / 2);
        page.mouse().up();
        assertThat(block("Circles")).not().hasAttribute("data-minute", "" + (minute + 12));
        int dragged = Integer.parseInt(block("Circles").getAttribute("data-minute"));
        org.assertj.core.api.Assertions.assertThat(dragged).isGreaterThan(minute + 20);

        page.getByRole(AriaRole.BUTTON, named("Let it move: Circles")).click();
        org.assertj.core.api.Assertions.assertThat(opening("Circles")).isEqualTo(before);
    }

    @Test
    void a_take_is_deleted_by_a_key_and_brought_back() {
        page.navigate(url("/outings/1"));
        block("The arch").focus();
        page.keyboard().press("Delete");
        assertThat(page.getByText("The take is deleted")).isVisible();
        assertThat(block("The arch")).hasCount(0);
        page.getByRole(AriaRole.BUTTON, named("bring it back")).click();
        assertThat(block("The arch")).hasCount(1);
    }

    /** Once opened, an outing, its sheet and its field are there when the server is not. */
    @Test
    void opened_outings_stay_readable_without_the_server(@TempDir Path data) {
        RunningApplication server = RunningApplication.start(data, true);
        String outing = server.url("/outings/1");
        String kit = server.url("/kit");
        page.navigate(outing);
        page.waitForFunction("navigator.serviceWorker.ready.then(r => r.active.state === 'activated')");
        page.navigate(outing);
        page.navigate(outing + "/sheet");
        page.navigate(outing + "/field");
        page.waitForTimeout(300);
        server.close();
        page.navigate(outing + "/sheet");
        assertThat(page.locator("h1")).containsText("Core over Needle Arch");
        assertThat(page.getByText("Set up Wide and fast").first()).isVisible();
        page.navigate(outing + "/field");
        assertThat(page.locator("[data-count]")).hasText(Pattern.compile("\\d+ days"));
        page.navigate(outing);
        assertThat(page.locator("h1")).hasText("Core over Needle Arch");
        page.navigate(kit);
        assertThat(page.locator("h1")).hasText("The server does not answer");
        forgiveNetwork();
    }
}
