package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** A night of July at 55° north, which is never dark and has no core: Cygnus over a church, from the first page to the sheet. */
class NorthernNightBrowserTest extends BrowserTest {

    private static final Pattern STANDS = Pattern.compile("(\\d+)\u00b0 up, (\\d+)\u00b0");

    @Test
    void cygnus_over_a_church_in_a_night_that_is_never_dark() {
        page.navigate(url("/"));
        link("Places").click();
        link("Add a place").click();
        page.getByLabel("Name").first().fill("Churchyard");
        page.locator("#coordinates").fill("54.8 N 12.1 E");
        button("Save place").click();
        link("its nights").click();
        page.navigate(page.url().replace("/nights?", "/nights/2027-07-02?"));
        assertThat(page.locator("main")).containsText("It never gets fully dark: the sun goes no lower than");
        assertThat(page.locator("main")).containsText("At its darkest");
        page.locator("#sight").selectOption("cygnus");
        assertThat(page.locator("main")).containsText("It never gets fully dark");
        page.locator("#dark").selectOption("deepest");
        assertThat(page.locator("main")).containsText("the darkest, moonless sky with Cygnus above 10\u00b0");
        Locator row = page.locator("tr", new Page.LocatorOptions().setHasText("Cygnus"))
                .first();
        Matcher stands = STANDS.matcher(row.locator("td").nth(2).textContent());
        Assertions.assertThat(stands.find()).isTrue();
        int high = Integer.parseInt(stands.group(1));
        String night = page.url();

        link("Churchyard").click();
        page.getByLabel("Something to compose with").fill("Church");
        page.getByLabel("Bearing").fill(stands.group(2));
        page.getByLabel("Distance, m").fill("20");
        // its tower reaches to some degrees below where Cygnus stands then
        page.getByLabel("Height, m").fill("" + Math.round(20 * Math.tan(Math.toRadians(high - 5))));
        page.getByLabel("Width, m").fill("8");
        button("Add mark").click();
        assertThat(page.locator("#marks tbody")).containsText("Church");

        page.navigate(night);
        link("plan this night").click();
        assertThat(page.locator("#sight")).hasValue("cygnus");
        assertThat(page.locator("#preview"))
                .containsText("Cygnus stands over Church while it is as dark as this night gets.");
        button("Save outing").click();
        assertThat(page.locator("h1")).containsText("Cygnus over Churchyard");
        assertThat(page.locator("main")).containsText("Milky Way");
        assertThat(page.locator("aside .figure").nth(2)).hasText(Pattern.compile("\\d{3,5}"));
        assertThat(page.locator("main")).not().containsText("The core");
        assertThat(page.locator("aside #wish")).hasValue("sight-over-mark");
        assertThat(page.locator("aside #sight")).hasValue("cygnus");
        assertThat(page.locator("aside #dark")).hasValue("deepest");
        link("run sheet and bag").click();
        assertThat(page.locator("main")).containsText("Milky Way: ");
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, named(name).setExact(true));
    }

    private Locator link(String name) {
        return page.getByRole(AriaRole.LINK, named(name).setExact(true)).first();
    }
}
