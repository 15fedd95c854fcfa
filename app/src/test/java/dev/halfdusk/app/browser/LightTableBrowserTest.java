package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** The demo's test frames, and one of one's own. */
class LightTableBrowserTest extends BrowserTest {

    /** Milliseconds for frames to be taken and read, on a machine that does other things too. */
    private static final double MAKING_AND_READING = 150_000;

    @Test
    void a_made_up_night_is_judged_and_a_frame_is_laid_beside_it() throws IOException {
        page.navigate(url("/lighttable"));
        Locator frames = page.getByLabel("Frames on the table").getByRole(AriaRole.LINK);
        assertThat(frames).hasCount(3, new LocatorAssertions.HasCountOptions().setTimeout(MAKING_AND_READING));
        frames.nth(0).click(); // whoever came first may have seen another
        assertThat(page.locator("#verdict")).containsText("The stars are lines");
        assertThat(page.getByText("Next change:").locator("..")).containsText("shutter");
        assertThat(page.locator("main svg ellipse").first()).isVisible();
        frames.nth(1).click();
        assertThat(page.locator("#verdict")).containsText("focus");
        frames.nth(2).press("Enter");
        assertThat(page.locator("#verdict")).containsText("Good: go on");
        assertThat(frames.nth(2)).hasAttribute("aria-current", "true");
        looksCloserWhereOnePresses();

        byte[] photograph = page.request()
                .get(url("/api/frame/photograph.png?lat=37.6&lon=-8.8&time=2027-06-08T01:30:00Z&azimuth=152&altitude=47"
                        + "&focal=24&width=900&aperture=2&shutter=8&iso=3200"))
                .body();
        page.getByLabel("Frames JPEG").setInputFiles(new FilePayload[] {
            new FilePayload("mine.png", "image/png", photograph),
            new FilePayload("no.jpg", "image/jpeg", new byte[] {7, 7})
        });
        page.getByRole(AriaRole.BUTTON, named("Lay them down")).click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("no.jpg: This is no JPEG, PNG or TIFF");
        assertThat(page.locator("h1 + p")).containsText("mine.png");
        assertThat(frames).hasCount(4, new LocatorAssertions.HasCountOptions().setTimeout(MAKING_AND_READING));
        page.getByRole(AriaRole.BUTTON, named("Take it off the table")).click();
        assertThat(frames).hasCount(3);
        aSeriesBecomesTrails();
        aFolderBecomesTrails();
    }

    private void looksCloserWhereOnePresses() {
        BoundingBox box = boxOf(page.getByAltText("The whole frame"));
        page.mouse().click(box.x + 0.2 * box.width, box.y + 0.3 * box.height);
        Locator part = page.getByAltText("Part of the frame at full size, 21 % across and 31 % down");
        assertThat(part).isVisible();
        assertThat(part).hasJSProperty("naturalWidth", 720);
        page.getByRole(AriaRole.LINK, named("right")).press("Enter");
        assertThat(page.getByAltText("Part of the frame at full size, 41 % across and 31 % down"))
                .isVisible();
    }

    /** Sixteen frames around the pole, of which two are left out. */
    private void aSeriesBecomesTrails() {
        page.getByLabel("Taken for")
                .selectOption(new SelectOption().setLabel("Trails over the mill, First core of dawn"));
        page.getByRole(AriaRole.BUTTON, named("A made-up series")).click();
        Locator chosen = page.locator("input[name=ids]:checked");
        assertThat(chosen).hasCount(16, new LocatorAssertions.HasCountOptions().setTimeout(MAKING_AND_READING));
        Locator crossed =
                page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Something crosses"));
        crossed.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Leave them out"))
                .click();
        assertThat(chosen).hasCount(14);
        assertThat(page.getByText("left out: Something crosses")).hasCount(2);
        crossed.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Take them in again"))
                .press("Enter");
        assertThat(chosen).hasCount(16);
        page.getByLabel("frame 4, made up is put together").uncheck();
        page.getByLabel("frame 9, made up is put together").press(" ");
        assertThat(chosen).hasCount(14);
        assertThat(page.locator("#what-trails")).isChecked();
        assertThat(page.getByLabel("without aircraft")).isChecked(); // some are there
        page.locator("#what-clip").check();
        assertThat(page.getByLabel("without aircraft")).isHidden();
        assertThat(page.getByLabel("frames a second")).isVisible();
        page.locator("#what-trails").check();
        page.getByRole(AriaRole.BUTTON, named("Put them together")).click();
        Locator picture = page.getByAltText("Trails of 14 frames");
        assertThat(picture).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(MAKING_AND_READING));
        assertThat(picture).hasJSProperty("naturalWidth", 1100);
        assertThat(page.getByText("what flew across is left out")).isVisible();
        assertThat(page.getByText("14 frames, 9 minutes")).isVisible();
        assertThat(page.getByText("Left to develop, in this order")).isVisible();
        page.getByRole(AriaRole.BUTTON, named("Throw it away")).click();
        page.getByRole(AriaRole.BUTTON, named("Take it back")).click();
        assertThat(picture).isVisible();
    }

    /** Six files of one's own, of which two are left out; they are only read. */
    private void aFolderBecomesTrails() throws IOException {
        Path folder = Files.createDirectories(RunningApplication.PICTURES.resolve("one night"));
        byte[] last = {};
        for (int i = 0; i < 6; i++) {
            last = page.request()
                    .get(url("/api/frame/photograph.png?lat=37.6&lon=-8.8&azimuth=0&altitude=37&focal=35&width=600"
                            + "&aperture=2.8&shutter=30&iso=800&time=2027-06-08T01:3" + i + ":00Z"))
                    .body();
            Files.write(folder.resolve("night" + i + ".png"), last);
        }
        page.navigate(url("/lighttable"));
        page.getByLabel("or a folder of yours").selectOption("one night");
        page.getByRole(AriaRole.BUTTON, named("Read the folder")).click();
        Locator chosen = page.locator("input[name=ids]:checked");
        assertThat(chosen).hasCount(6, new LocatorAssertions.HasCountOptions().setTimeout(MAKING_AND_READING));
        page.getByLabel("night2.png is put together").uncheck();
        page.getByLabel("night3.png is put together").uncheck();
        page.locator("#what-trails").check();
        page.getByRole(AriaRole.BUTTON, named("Put them together")).click();
        Locator picture = page.getByAltText("Trails of 4 frames");
        assertThat(picture).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(MAKING_AND_READING));
        assertThat(page.getByText("pauses filled along the way of the stars")).isVisible();
        assertThat(page.getByText("6 minutes of sky, arcs of 1.4°")).isVisible();
        assertArrayEquals(last, Files.readAllBytes(folder.resolve("night5.png")));
    }
}
