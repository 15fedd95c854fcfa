package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlaceBrowserTest {

    @TempDir
    static Path data;

    private static RunningApplication application;

    private BrowserContext context;
    private Page page;

    @BeforeAll
    static void start() {
        application = RunningApplication.start(data, true);
    }

    @AfterAll
    static void stop() {
        application.close();
    }

    @BeforeEach
    void open() {
        context = Browsers.shared().newContext();
        page = context.newPage();
    }

    @AfterEach
    void close() {
        context.close();
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    @Test
    void a_place_is_found_drawn_and_turned_into_an_outing() {
        page.navigate(application.url("/places/new"));
        page.keyboard().press("/");
        page.keyboard().type("vila nova de mil");
        page.locator("#towns a").first().click();
        assertThat(page.locator("#preview")).containsText("Understood as 37.7");
        page.getByLabel("Name").first().fill("Mill shore");
        page.getByLabel("Coordinates").fill("37\u00b038'12\"N 8\u00b048'06\"W");
        assertThat(page.locator("#preview")).containsText("37.6367\u00b0, \u22128.8017\u00b0");
        page.getByRole(AriaRole.BUTTON, named("Save place")).click();
        assertThat(page.locator("h1")).hasText("Mill shore");

        Locator sky = page.locator("#panorama");
        sky.scrollIntoViewIfNeeded();
        BoundingBox box = sky.boundingBox();
        page.mouse().click(box.x + box.width * 0.25, box.y + box.height * 0.7);
        page.mouse().move(box.x + box.width * 0.5, box.y + box.height * 0.8);
        page.mouse().down();
        page.mouse().move(box.x + box.width * 0.5, box.y + box.height * 0.5);
        page.mouse().up();
        page.getByRole(AriaRole.BUTTON, named("Save skyline")).click();
        assertThat(page.locator("#points"))
                .hasValue(
                        Pattern.compile(
                                "azimuth_deg,altitude_deg\\n(89|90)\\.\\d+,1\\d\\.\\d+\\n(179|180)\\.\\d+,3\\d\\.\\d+[\\s\\S]*"));

        page.getByLabel("Something to compose with").fill("Tower");
        page.getByLabel("Bearing").fill("200");
        page.getByLabel("Distance, m").fill("300");
        page.getByLabel("Height, m").fill("60");
        page.getByLabel("Width, m").fill("8");
        page.getByRole(AriaRole.BUTTON, named("Add mark")).click();
        page.getByText("when over it?").click();
        page.getByLabel("Within, degrees").fill("20");
        page.getByRole(AriaRole.BUTTON, named("Look")).click();
        assertThat(page.getByText("20 is outside what is allowed: 0.01 to 10\u00b0."))
                .isVisible();
        page.getByLabel("Within, degrees").fill("9");
        page.getByRole(AriaRole.BUTTON, named("Look")).click();
        page.locator("tbody tr").first().getByText("plan").click();
        page.getByRole(AriaRole.BUTTON, named("Save outing")).click();
        assertThat(page.locator("h1")).hasText("Core over Mill shore");
    }

    @Test
    void the_carpet_is_walked_by_keys_and_opens_a_night() {
        page.navigate(application.url("/nights?place=1&from=2027-06-01"));
        Locator slider = page.locator("#column");
        slider.focus();
        String before = page.locator("#brief h2").textContent();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#brief h2")).not().hasText(before);
        slider.hover();
        assertThat(page.locator("#under-pointer")).containsText("night of");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/nights/2027-\\d\\d-\\d\\d\\?place=1"));
        assertThat(page.getByText("Darkness by the hour")).isVisible();
        page.keyboard().press("]");
        assertThat(page.locator("h1")).not().hasText(before);
    }

    @Test
    void a_file_is_imported_and_the_best_night_there_becomes_an_outing() {
        String gpx = "<gpx><wpt lat='37.55' lon='-8.80'><name>Black Cove</name></wpt>"
                + "<wpt lat='37.6012' lon='-8.7921'><name>Ledge again</name></wpt></gpx>";
        page.navigate(application.url("/places/import"));
        page.getByLabel("Waypoints, placemarks or points")
                .setInputFiles(
                        new FilePayload("spots.gpx", "application/gpx+xml", gpx.getBytes(StandardCharsets.UTF_8)));
        page.getByRole(AriaRole.BUTTON, named("Look into the file")).click();
        assertThat(page.getByLabel("Take Black Cove")).isChecked();
        assertThat(page.getByLabel("Take Ledge again")).not().isChecked();
        page.getByRole(AriaRole.BUTTON, named("Save the ticked ones")).click();
        page.getByRole(AriaRole.LINK, named("Nights at Black Cove")).click();
        page.getByRole(AriaRole.LINK, named("search best nights")).click();
        page.getByLabel("Core from azimuth").fill("170");
        page.getByLabel("to azimuth", new Page.GetByLabelOptions().setExact(true))
                .fill("190");
        page.getByLabel("Years").fill("30");
        assertThat(page.locator("#finds")).containsText("1 to 10");
        page.getByLabel("Years").fill("2");
        assertThat(page.locator("#finds tbody tr").first()).isVisible();
        page.locator("#finds tbody tr").first().getByText("plan").click();
        page.getByRole(AriaRole.BUTTON, named("Save outing")).click();
        assertThat(page.locator("h1")).hasText("Core over Black Cove");
    }

    @ParameterizedTest
    @ValueSource(strings = {"dusk", "day", "red"})
    void places_and_nights_are_accessible_in_every_lamp(String lamp) {
        context.addCookies(List.of(new Cookie("lamp", lamp).setUrl(application.url("/"))));
        for (String path : new String[] {
            "/places",
            "/places/1",
            "/places/new?coordinates=95+0",
            "/nights?place=1&from=2027-01-01",
            "/nights/2027-06-08?place=1",
            "/places/1/marks/1",
            "/places/import",
            "/nights/best?place=1&from=2027-01-01"
        }) {
            page.navigate(application.url(path));
            var found = new AxeBuilder(page)
                    .withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa"))
                    .analyze();
            assertThat(found.getViolations())
                    .as("%s by the %s lamp", path, lamp)
                    .isEmpty();
        }
    }

    @Test
    void a_phone_shows_places_and_nights_without_sideways_scrolling() {
        page.setViewportSize(360, 780);
        for (String path : new String[] {
            "/places",
            "/places/1",
            "/places/new",
            "/nights?place=1",
            "/nights/2027-06-08?place=1",
            "/nights/best?place=1"
        }) {
            page.navigate(application.url(path));
            assertThat(page.evaluate("document.documentElement.scrollWidth"))
                    .as(path)
                    .isEqualTo(360);
        }
    }
}
