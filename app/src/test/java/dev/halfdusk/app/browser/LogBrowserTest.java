package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From a night that is over to the next plan, which starts from what was learned. */
class LogBrowserTest extends BrowserTest {

    @Test
    void what_the_season_taught_is_planned_with_and_put_back() {
        page.navigate(url("/"));
        page.keyboard().press("g");
        page.keyboard().press("l");
        assertThat(page).hasURL(Pattern.compile("/log$"));
        page.getByLabel("Subject").selectOption("moon");
        page.getByLabel("Rated at least").selectOption("4");
        page.getByRole(AriaRole.BUTTON, named("Show")).click();
        assertThat(page.locator("main li")).hasCount(1);

        page.getByRole(AriaRole.LINK, named("What was learned")).click();
        Locator dark = card("Darkness of the zenith, Salt Ledge");
        assertThat(dark).containsText("from 2 nights of yours");
        dark.getByText("Plan with it").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Plans are made with it from now on");
        assertThat(card("Darkness of the zenith, Salt Ledge")).containsText("Put it back");

        page.navigate(url("/outings/1"));
        Locator from = page.getByRole(AriaRole.REGION, regionNamed("From your log"));
        assertThat(from).containsText("Salt Ledge: darkness of the zenith");
        assertThat(from).containsText("last time: Focus again when the lens has cooled.");
        page.navigate(url("/places/1"));
        assertThat(page.locator("main")).containsText("from 2 nights of yours");
        page.getByRole(AriaRole.LINK, named("look, or put it back")).click();
        card("Darkness of the zenith, Salt Ledge").getByText("Put it back").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("as it was before");
        page.navigate(url("/places/1"));
        assertThat(page.locator("main")).not().containsText("from 2 nights of yours");
    }

    private Locator card(String heading) {
        return page.locator("li")
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.HEADING, headed(heading))));
    }

    private static Page.GetByRoleOptions headed(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Page.GetByRoleOptions regionNamed(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    /** Two minutes in the morning, by the keyboard. */
    @Test
    void a_night_is_told_about_in_the_morning() {
        expectRefusal();
        page.navigate(url("/log"));
        page.getByRole(AriaRole.LINK, named("Summer core, fisheye")).click();
        page.getByLabel("4", exactly()).focus();
        page.keyboard().press("Space");
        page.getByLabel("What was good").fill("The whole arch in one frame.");
        page.getByLabel("What next time").fill("Level the tripod before dark.");
        page.getByLabel("The sky was").selectOption("0");
        page.getByLabel("Air").fill("200");
        page.getByRole(AriaRole.BUTTON, named("Write it down")).first().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Not written down yet");
        assertThat(page.getByLabel("What was good")).hasValue("The whole arch in one frame.");
        page.getByLabel("Air").fill("14");
        page.getByRole(AriaRole.BUTTON, named("Write it down")).first().press("Enter");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Written down.");

        page.getByText("write down a frame").click();
        page.getByLabel("Roll").fill("A");
        page.getByLabel("Metered, s").fill("8");
        page.getByLabel("Given, s").fill("32");
        page.locator("#film button", new Page.LocatorOptions().setHasText("Write it down"))
                .click();
        assertThat(page.locator("#film table")).containsText("+2.0");

        page.navigate(url("/log/again"));
        assertThat(page.locator("main")).containsText("Level the tripod before dark.");
        page.getByRole(AriaRole.LINK, named("Plan it")).first().click();
        assertThat(page.getByLabel("Night, date of the evening")).hasValue(Pattern.compile("2027-.*"));
    }
}
