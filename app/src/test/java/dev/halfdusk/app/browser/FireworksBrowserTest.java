package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A display from its place to the run sheet, and a round of the trainer. */
class FireworksBrowserTest extends BrowserTest {

    private static final long ONE_HOUR = 3_600_000;

    @Test
    void a_display_is_planned_and_practised() {
        page.clock().install();
        page.navigate(url("/events?place=1"));
        page.getByRole(AriaRole.LINK, named("fireworks").setExact(true)).click();
        assertThat(page.locator("h1")).containsText("Old harbour mole");
        assertThat(page.locator("#seen")).containsText("firing point 640 m off");

        // nearer than is usual: the caution says so, and the frame is too tight
        page.getByLabel("Fired from").selectOption("no mark: by distance and bearing");
        page.getByLabel("Distance, m").fill("100");
        page.getByLabel("Distance, m").blur();
        page.clock().runFor(1000);
        assertThat(page.locator("#found")).containsText("You would stand inside the usual clear distance");
        assertThat(page.locator("#found")).containsText("cut by");
        page.getByLabel("Distance, m").fill("640");
        page.getByLabel("Distance, m").blur();
        page.clock().runFor(1000);
        assertThat(page.locator("#found")).not().containsText("You would stand inside");

        // a round: the first shell is taken whole, the second too late, the others not at all
        List<double[]> launches = Arrays.stream(page.locator("[data-trainer]")
                        .getAttribute("data-launches")
                        .split(";"))
                .map(l -> Arrays.stream(l.split(","))
                        .mapToDouble(Double::parseDouble)
                        .toArray())
                .toList();
        page.clock().pauseAt(System.currentTimeMillis() + ONE_HOUR); // else time goes on while a busy machine answers
        page.getByRole(AriaRole.BUTTON, named("Play a round")).click();
        double now = 0;
        now = until(launches.get(0)[0] + 0.1, now);
        page.keyboard().down("Space");
        now = until(now + 0.05, now);
        assertThat(page.locator("[data-clock]")).containsText("open");
        now = until(launches.get(0)[0] + launches.get(0)[1] + launches.get(0)[2], now);
        page.keyboard().up("Space");
        now = until(launches.get(1)[0] + 0.9 * launches.get(1)[1], now);
        page.keyboard().down("Space");
        now = until(launches.get(1)[0] + launches.get(1)[1] + launches.get(1)[2], now);
        page.keyboard().up("Space");
        double[] last = launches.get(launches.size() - 1);
        until(last[0] + last[1] + last[2] + 2, now);
        page.clock().runFor(2000);
        Locator scores = page.locator("#scores");
        assertThat(scores).containsText("last round: 1 of 8 whole");
        assertThat(scores).containsText("opened late: the climb is missing");
        assertThat(scores).containsText("not taken");

        page.getByRole(AriaRole.BUTTON, named("Plan it as an outing")).click();
        assertThat(page).hasURL(Pattern.compile("/outings/\\d+$"));
        page.getByRole(AriaRole.LINK, named("run sheet and bag")).click();
        assertThat(page.locator("main")).containsText("Fireworks");
        assertThat(page.locator("main")).containsText("ear plugs");
    }

    /** Most pictures between are skipped; the last tenth is drawn as it is for people. */
    private double until(double seconds, double now) {
        long millis = Math.round(1000 * (seconds - now));
        page.clock().fastForward(Math.max(0, millis - 100));
        page.clock().runFor(Math.min(100, millis));
        return seconds;
    }
}
