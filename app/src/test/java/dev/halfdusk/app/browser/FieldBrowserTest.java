package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FieldBrowserTest extends BrowserTest {

    private static final Pattern COUNT = Pattern.compile("(\\d+:)?\\d\\d:\\d\\d");

    private static void equal(Instant one, Instant other) {
        org.assertj.core.api.Assertions.assertThat(one).isEqualTo(other);
    }

    private Locator key(String name) {
        return page.getByRole(AriaRole.BUTTON, named(name).setExact(true));
    }

    /** The line with which a take begins. */
    private Locator beginning(String take) {
        return page.locator("[data-coming]")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("\\d\\d " + take + ": \\d+ \u00d7")))
                .first();
    }

    /** When it begins, as its line says. */
    private Instant opening(String take) {
        return Instant.ofEpochMilli(Long.parseLong(beginning(take).getAttribute("data-at")));
    }

    /** 4 June 2027 at the ledge: ground at dusk, circles from the first dark on, the arch, the core over the mark, a friend. */
    @Test
    void a_whole_evening_is_played_with_done_late_and_skip(@TempDir Path data) {
        MovedClock clock = new MovedClock("2027-05-20T16:00:00Z");
        page.setViewportSize(360, 740);
        try (RunningApplication application = RunningApplication.start(data, clock)) {
            String field = application.url("/outings/1/field");
            clock.to(Instant.parse("2027-06-04T17:00:00Z"));
            page.navigate(field);
            assertThat(page.locator("[data-until]")).containsText("until Leave home");
            assertThat(page.locator("[data-count]")).hasText(COUNT);
            String before = page.locator("[data-count]").textContent();
            assertThat(page.locator("[data-count]")).not().hasText(before);

            // the first take is done sooner than it was meant to be
            clock.to(opening("Ground for the blend").plusSeconds(1));
            page.navigate(field);
            key("Done: Ground for the blend").click();
            assertThat(page.getByText("Ground for the blend, done")).isVisible();

            // circles are begun late: they move, the core over its mark does not
            Instant circles = opening("Circles");
            Instant core = opening("Core over Needle Arch");
            clock.to(circles.minusSeconds(60));
            page.navigate(field);
            key("Ten minutes late: Circles").click();
            assertThat(beginning("Circles"))
                    .hasAttribute("data-at", "" + circles.plusSeconds(600).toEpochMilli());
            equal(opening("Core over Needle Arch"), core);

            // its settings stand there, its frames are counted: after five minutes the tenth of 31 s each
            clock.to(circles.plusSeconds(900));
            page.navigate(field);
            Locator running = page.locator("[data-running]:not([hidden])")
                    .filter(new Locator.FilterOptions().setHasText("Circles"));
            assertThat(running.locator("[data-frame]")).hasText(Pattern.compile("10|11"));
            assertThat(running.locator(".figure").first()).hasText("30");

            // what is skipped is gone, and can be had again
            String next = page.locator(".field-keys strong").last().textContent();
            key("Skip: " + next).click();
            assertThat(page.getByText(next + ", left out")).isVisible();
            assertThat(beginning(next)).hasCount(0);
            key("Not yet: " + next).click();
            assertThat(page.getByText(next + ", left out")).hasCount(0);

            // a note by large keys belongs to what runs
            clock.to(Instant.parse("2027-06-05T00:57:00Z"));
            page.navigate(field);
            page.getByText("Note something").click();
            key("7").click();
            key("cloud").click();
            key("Keep the note").click();
            assertThat(page.locator("#notes")).containsText("7cloud");

            // the camera's clock from a photograph of the page's
            page.getByText("Clocks and cues").click();
            page.getByLabel("UTC in the picture").fill("23:59:58");
            page.getByLabel("Time in the file").fill("00:00:03");
            key("Keep the difference").click();
            page.getByText("Clocks and cues").click();
            assertThat(page.locator("#clocks")).containsText("5 s fast");

            key("the night as it was planned").click();
            org.assertj.core.api.Assertions.assertThat(page.evaluate("document.documentElement.scrollWidth"))
                    .isEqualTo(360);
            clock.to(Instant.parse("2027-06-05T07:00:00Z"));
            page.navigate(field);
            assertThat(page.locator("[data-count]")).hasText("done");
            assertThat(page.getByText("No take is left")).isVisible();
            page.close();
        }
    }

    /** An hour without server: what is said is kept, over a reload too, and sent later, in order, once, for the time it was said. */
    @Test
    void what_is_said_without_server_is_sent_later(@TempDir Path data) {
        MovedClock clock = new MovedClock("2027-05-20T16:00:00Z");
        RunningApplication server = RunningApplication.start(data, clock);
        String field = server.url("/outings/1/field");
        page.navigate(field);
        page.waitForFunction("navigator.serviceWorker.ready.then(r => r.active.state === 'activated')");
        Instant ground = opening("Ground for the blend");
        clock.to(ground.plusSeconds(30));
        page.navigate(field);
        assertThat(page.locator("[data-by]")).hasText("");
        String utc = page.locator("[data-utc]").textContent();
        page.waitForTimeout(300);
        int port = server.port();
        server.close();

        key("Done: Ground for the blend").click();
        assertThat(page.locator("[data-outbox]")).containsText("Done: Ground for the blend");
        page.reload();
        assertThat(page.locator("[data-by]")).containsText("No server since");
        assertThat(page.locator("[data-utc]")).hasText(Pattern.compile(utc.substring(0, 5) + ":\\d\\d"));
        // the browser's own memory is left out: it is the application that keeps what its pages need
        for (String asset : new String[] {"app.css", "field.js", "outbox.js", "offline.js"}) {
            org.assertj.core.api.Assertions.assertThat(
                            page.evaluate("a => fetch('/assets/' + a, {cache: 'no-store'}).then(r => r.status)", asset))
                    .as(asset)
                    .isEqualTo(200);
        }
        page.getByText("Note something").click();
        page.getByLabel("Note").fill("dew on the lens");
        key("Keep the note").click();
        page.getByLabel("Note").fill("wind");
        key("Keep the note").click();
        assertThat(page.locator("[data-outbox] li")).hasCount(3);
        assertThat(page.locator("[data-outbox] li").nth(1)).containsText("dew on the lens");

        clock.on(3600);
        server = RunningApplication.start(data, clock, port);
        assertThat(page.getByText("Ground for the blend, done"))
                .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                        .setTimeout(20_000));
        assertThat(page.locator("[data-outbox]")).isHidden();
        assertThat(page.locator("#notes li")).hasCount(2);
        assertThat(page.locator("#notes li").first()).containsText("dew on the lens");
        // the note bears the time it was said, an hour before it arrived
        String noted = page.locator("#notes .font-mono").first().textContent();
        String opened = java.time.format.DateTimeFormatter.ofPattern("HH:mm")
                .format(ground.plusSeconds(30).atZone(java.time.ZoneId.of("Europe/Lisbon")));
        org.assertj.core.api.Assertions.assertThat(noted)
                .isGreaterThanOrEqualTo(opened)
                .isLessThan("22:30");
        server.close();
        forgiveNetwork();
    }

    /** Opened from the disk, without any server, the page counts down by the clock of the device. */
    @Test
    void the_page_that_is_taken_along_counts_from_the_disk(@TempDir Path folder) throws Exception {
        String html = page.request().get(url("/outings/1/sheet/night.html")).text();
        // a night to come, whatever today is: its instants are moved to begin in an hour
        long first = Long.parseLong(html.replaceFirst("(?s).*?data-coming data-at=\"(\\d+)\".*", "$1"));
        long shift = System.currentTimeMillis() + 3_600_000 - first;
        StringBuilder moved = new StringBuilder();
        var matcher = Pattern.compile("(data-(?:at|from|to)=\")(\\d+)").matcher(html);
        while (matcher.find()) {
            matcher.appendReplacement(moved, matcher.group(1) + (Long.parseLong(matcher.group(2)) + shift));
        }
        matcher.appendTail(moved);
        Path file = Files.writeString(folder.resolve("night.html"), moved);
        Page disk = context.newPage();
        disk.navigate(file.toUri().toString());
        Locator count = disk.locator("[data-count]");
        assertThat(count).hasText(Pattern.compile("(59|1:00):\\d\\d"));
        String before = count.textContent();
        assertThat(count).not().hasText(before);
        assertThat(disk.locator("[data-until]")).containsText("until Leave home");
        assertThat(disk.locator("html")).hasAttribute("data-lamp", "red");
        disk.getByText("lamp", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(disk.locator("html")).hasAttribute("data-lamp", "dusk");
        org.assertj.core.api.Assertions.assertThat(
                        disk.evaluate("document.fonts.load('16px \"Atkinson Next\"').then(f => f.length)"))
                .isEqualTo(1);
    }
}
