package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The total eclipse of the demo from its path to a rehearsal with something broken, and what is learnt from it. */
class RehearsalBrowserTest extends BrowserTest {

    private static final Pattern SHOTS = Pattern.compile("shot (\\d+) of (\\d+)");

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, named(name).setExact(true));
    }

    private Locator card(String name) {
        return page.locator("#now section")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("strong").getByText(name)));
    }

    private int shots(String name) {
        Matcher m = SHOTS.matcher(card(name).textContent());
        org.assertj.core.api.Assertions.assertThat(m.find()).isTrue();
        return Integer.parseInt(m.group(1));
    }

    @Test
    void the_eclipse_of_the_demo_is_rehearsed_with_a_cable_that_comes_off(@TempDir Path data) {
        MovedClock clock = new MovedClock("2027-07-20T16:00:00Z");
        try (RunningApplication application = RunningApplication.start(data, clock)) {
            page.navigate(application.url("/events/sun?place=4&date=2027-08-02"));
            page.getByRole(AriaRole.LINK, named("plans there are")).click();
            page.getByRole(AriaRole.LINK, named("2 August 2027 at Strait lookout"))
                    .click();
            assertThat(page.locator("main")).containsText("totality 4 min 39 s");
            page.getByRole(AriaRole.LINK, named("rehearse it")).click();

            // a start after the second contact is refused, and what was typed stays
            page.getByLabel("Begin so many minutes").fill("-2");
            expectRefusal();
            button("Begin").click();
            assertThat(page.locator("#before-note")).containsText("0.2 to 180 min");
            assertThat(page.getByLabel("Begin so many minutes")).hasValue("-2");
            page.getByLabel("Begin so many minutes").fill("1");
            page.getByLabel("Clock").selectOption("60");
            button("Begin").click();

            // between two answers of the server the page's clock goes on by itself, a minute of the eclipse for each
            // second
            assertThat(page.locator("[data-count]")).hasText(Pattern.compile("C2 \u2212 (1:00|0:[0-5]\\d)"));
            clock.on(2);
            assertThat(page.locator("#now")).containsText("Filters are off.");
            assertThat(card("Corona").locator("img")).isVisible();
            int before = shots("Corona");

            // a cable comes off, and is found a minute later
            page.getByLabel("Break something").selectOption("Corona");
            page.getByLabel("what happens").selectOption("the cable comes off");
            button("Now").click();
            clock.on(1);
            assertThat(card("Corona")).containsText("lost: the link is lost");
            assertThat(card("Corona")).containsText("not connected");
            page.getByLabel("Break something").selectOption("Corona");
            page.getByLabel("what happens").selectOption("the cable is put back");
            button("Now").click();

            // reloaded: it goes on where it was
            page.reload();
            clock.on(3);
            assertThat(page.locator("#now")).containsText("Filters are on again.");
            assertThat(page.locator("[data-count]")).hasText(Pattern.compile("C3 \\+ 0:\\d\\d"));
            org.assertj.core.api.Assertions.assertThat(shots("Corona")).isGreaterThan(before + 100);
            clock.on(90);
            page.getByRole(AriaRole.LINK, named("It is over: read the report")).click();

            Locator row = page.locator("tr")
                    .filter(new Locator.FilterOptions()
                            .setHas(page.locator("th").getByText("Corona")));
            assertThat(row.first()).containsText("the link is lost");
            List<String> cells = row.first().locator("td").allTextContents();
            int lost = Integer.parseInt(cells.get(3));
            org.assertj.core.api.Assertions.assertThat(lost).isBetween(20, 70);
            org.assertj.core.api.Assertions.assertThat(Integer.parseInt(cells.get(1)) + lost)
                    .isLessThanOrEqualTo(Integer.parseInt(cells.get(0)));
            assertThat(page.locator("main")).containsText("Tape the cable to tripod and body, and carry another.");
            Locator others = page.locator("tr")
                    .filter(new Locator.FilterOptions()
                            .setHas(page.locator("th").getByText("Close-up")));
            assertThat(others.first().locator("td").nth(3)).hasText("0");
        }
    }

    /** After a restart the rehearsal is where its clock says, with what was broken. */
    @Test
    void a_rehearsal_survives_a_restart(@TempDir Path data) {
        MovedClock clock = new MovedClock("2027-07-20T16:00:00Z");
        int taken;
        try (RunningApplication application = RunningApplication.start(data, clock)) {
            page.navigate(application.url("/events/plans/1/rehearsal"));
            page.getByLabel("Clock").selectOption("10");
            button("Begin").click();
            clock.on(20);
            assertThat(page.locator("[data-count]")).hasText(Pattern.compile("C2 \\+ 0:[12]\\d"));
            taken = shots("Close-up");
            page.close(); // nobody asks while the application is down
        }
        page = context.newPage();
        clock.on(3);
        try (RunningApplication application = RunningApplication.start(data, clock)) {
            page.navigate(application.url("/events/plans/1/rehearsal"));
            assertThat(page.locator("[data-count]")).hasText(Pattern.compile("C2 \\+ 0:[45]\\d"));
            org.assertj.core.api.Assertions.assertThat(shots("Close-up")).isGreaterThan(taken + 20);
            page.close();
        }
    }
}
