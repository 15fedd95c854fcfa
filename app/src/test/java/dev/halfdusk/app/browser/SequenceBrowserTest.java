package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class SequenceBrowserTest extends BrowserTest {

    /** Two hours of trails that collide with moonrise, repaired by the offered way out, run, nothing lost. */
    @Test
    void trails_are_planned_repaired_and_run() {
        page.navigate(url("/sequences?rig=1&place=3&night=2027-05-27&minute=745"));
        page.getByLabel("As many as for").selectOption("frames");
        page.getByLabel("Frames", exactly()).fill("240");
        Locator found = page.locator("#found");
        assertThat(found).containsText("Moonrise 01:5");
        assertThat(found).containsText("2 h 4 min");
        found.getByText(Pattern.compile("begin \\d+ min earlier")).click();
        assertThat(found).not().containsText("Moonrise");
        assertThat(page.locator("#planned")).containsText("245 taken (5 of them dark), none lost");

        page.getByRole(AriaRole.BUTTON, named("at 60")).click();
        Locator said = page.locator("[data-run] output");
        assertThat(said).containsText(Pattern.compile("frame [1-9]\\d* of 245, taken"));
        assertThat(page.locator(".strip .coming").first()).isAttached();
        page.getByRole(AriaRole.BUTTON, named("at once")).click();
        assertThat(said).containsText("frame 245 of 245, taken; 0 lost");
        assertThat(page.locator(".strip .coming")).hasCount(0);
    }

    @Test
    void a_slow_card_loses_frames_and_keys_move_the_first_opening() {
        page.navigate(url("/sequences?rig=1&place=3&night=2027-06-04&want=frames&frames=100&exposure=0.5&pause=0.2"));
        Locator planned = page.locator("#planned");
        assertThat(planned).containsText("none lost");
        page.getByRole(AriaRole.LINK, named("with a card one second slower")).click();
        assertThat(planned).containsText("First lost: frame");
        assertThat(page.locator(".strip .lost").first()).isAttached();

        page.navigate(url("/sequences?rig=1&place=3&night=2027-06-04&minute=700"));
        assertThat(page.locator("#found")).containsText("from 23:40");
        page.locator("#at").focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#found")).containsText("from 23:50");
        page.getByLabel("Make").selectOption("stack");
        assertThat(page.locator("#found")).containsText("align the sky");
        assertThat(page.getByLabel("Open, s")).not().hasValue("30");
    }
}
