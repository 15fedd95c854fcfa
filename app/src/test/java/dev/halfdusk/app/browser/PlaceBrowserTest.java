package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class PlaceBrowserTest extends BrowserTest {

    /** The answer to fewer letters still stands there, while that to all of them is on its way: nobody gets a town elsewhere. */
    @Test
    void a_list_that_is_about_to_change_takes_no_click() {
        List<Route> held = new ArrayList<>();
        page.navigate(url("/places/new"));
        page.locator("#town").fill("vila");
        assertThat(page.locator("#towns")).hasAttribute("data-answers", "vila");
        assertThat(page.locator("#towns")).hasAttribute("aria-busy", "false");
        page.route(Pattern.compile(".*/places/towns.*mil.*"), held::add);
        page.locator("#town").fill("vila nova de mil");
        assertThat(page.locator("#towns")).hasAttribute("aria-busy", "true");
        assertThat(page.locator("#towns a")).not().hasCount(1);
        org.assertj.core.api.Assertions.assertThat(page.evaluate(
                        "() => { const a = document.querySelector('#towns a'); const b = a.getBoundingClientRect();"
                                + " return a.contains(document.elementFromPoint(b.x + 5, b.y + 5)); }"))
                .isEqualTo(false);
        page.waitForCondition(() -> !held.isEmpty());
        held.forEach(Route::resume);
        assertThat(page.locator("#towns")).hasAttribute("aria-busy", "false");
        page.locator("#towns a").first().click();
        assertThat(page.locator("#preview")).containsText("Understood as 37.7");
    }

    @Test
    void a_place_is_found_drawn_and_turned_into_an_outing() {
        expectRefusal();
        page.navigate(url("/places/new"));
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
        BoundingBox box = boxOf(sky);
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
        page.getByLabel("Beside the mark, degrees").fill("99");
        page.getByRole(AriaRole.BUTTON, named("Look")).click();
        assertThat(page.getByText("99 is outside what is allowed: 0.05 to 90\u00b0."))
                .isVisible();
        page.getByLabel("Beside the mark, degrees").fill("9");
        page.getByRole(AriaRole.BUTTON, named("Look")).click();
        page.locator("tbody tr").first().getByText("plan").click();
        page.getByRole(AriaRole.BUTTON, named("Save outing")).click();
        assertThat(page.locator("h1")).containsText("Mill shore");
    }

    @Test
    void the_carpet_is_walked_by_keys_and_opens_a_night() {
        page.navigate(url("/nights?place=1&from=2027-06-01"));
        Locator slider = page.locator("input[name=column]");
        slider.focus();
        String before = page.locator("#brief h2").textContent();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#brief h2")).not().hasText(before);
        slider.hover();
        assertThat(page.locator("[data-words]")).containsText("night of");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/nights/2027-\\d\\d-\\d\\d\\?place=1"));
        assertThat(page.getByText("Darkness by the hour")).isVisible();
        page.keyboard().press("]");
        assertThat(page.locator("h1")).not().hasText(before);
    }

    @Test
    void from_a_file_of_waypoints_to_an_outing_with_the_core_over_a_mark() {
        expectRefusal();
        String gpx = "<gpx><wpt lat='37.55' lon='-8.80'><name>Black Cove</name></wpt>"
                + "<wpt lat='37.6012' lon='-8.7921'><name>Ledge again</name></wpt></gpx>";
        page.navigate(url("/places/import"));
        page.getByLabel("Waypoints, placemarks or points")
                .setInputFiles(
                        new FilePayload("spots.gpx", "application/gpx+xml", gpx.getBytes(StandardCharsets.UTF_8)));
        page.getByRole(AriaRole.BUTTON, named("Look into the file")).click();
        assertThat(page.getByLabel("Take Black Cove")).isChecked();
        assertThat(page.getByLabel("Take Ledge again")).not().isChecked();
        page.getByRole(AriaRole.BUTTON, named("Save the ticked ones")).click();
        page.getByRole(AriaRole.LINK, named("Black Cove").setExact(true)).click();

        BoundingBox box = boxOf(page.locator("#panorama"));
        page.mouse().click(box.x + box.width * 0.4, box.y + box.height * 0.8);
        page.mouse().click(box.x + box.width * 0.6, box.y + box.height * 0.85);
        page.getByRole(AriaRole.BUTTON, named("Save skyline")).click();
        page.getByLabel("Something to compose with").fill("Stack");
        page.getByLabel("or its coordinates").fill("37.5480, -8.7990");
        page.getByLabel("Height, m").fill("20");
        page.getByLabel("Width, m").fill("12");
        page.getByRole(AriaRole.BUTTON, named("Add mark")).click();
        assertThat(page.locator("#marks tbody")).containsText("158.4");

        page.getByRole(AriaRole.LINK, named("its nights")).click();
        assertThat(page.locator(".carpet img")).isVisible();
        page.getByRole(AriaRole.LINK, named("search best nights")).click();
        page.getByLabel("Years").fill("30");
        assertThat(page.locator("#finds")).containsText("1 to 10");
        page.getByLabel("Years").fill("2");
        page.getByLabel("Over a mark").selectOption("Stack, from Black Cove");
        page.getByLabel("Hours at least").fill("0.5");
        assertThat(page.locator("#finds [aria-label='Ranked nights'] tbody")).containsText("Black Cove");
        assertThat(page.locator("#finds")).containsText("with the core in any direction");
        page.locator("#finds [aria-label='Ranked nights'] a").first().click();
        assertThat(page.locator("#weather")).containsText("enter or import a forecast");
        page.goBack();
        page.locator("#finds").getByText("plan").first().click();
        page.getByRole(AriaRole.BUTTON, named("Save outing")).click();
        assertThat(page.locator("h1")).hasText("Core over Black Cove");
    }

    @Test
    void a_long_search_is_watched_and_ends() {
        page.navigate(url("/nights/best?place=1&place=2&place=3&place=4&years=10&from=2030-01-01"));
        assertThat(page.locator("#finds [aria-label='Ranked nights']"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        assertThat(page.locator("#finds")).containsText("the files hold all");
        page.getByLabel("Keep this search as").fill("Ten years");
        page.getByRole(AriaRole.BUTTON, named("Keep it")).click();
        assertThat(page.getByRole(AriaRole.LINK, named("Ten years"))).isVisible();
    }

    @Test
    void the_standing_spot_follows_the_sliders() {
        page.navigate(url("/places/1/marks/1/stand"));
        String before = page.locator("#spot strong").nth(1).textContent();
        page.getByLabel("Distance, 20 m to 20 km").focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#spot strong").nth(1)).not().hasText(before);
        page.getByRole(AriaRole.LINK, named("3000 m")).click();
        assertThat(page.locator("#spot")).containsText("From 3000 m");
    }

    @Test
    void carpets_side_by_side_move_together() {
        page.navigate(url("/nights/beside?place=1&place=4&from=2027-01-01"));
        page.locator("input[name=column]").first().focus();
        page.keyboard().press("PageUp");
        assertThat(page.locator("#brief h2")).not().hasText("Fri 1 to Sat 2 January 2027");
        assertThat(page.locator("#brief tbody tr")).hasCount(2);
        assertThat(page.locator("input[name=column]").nth(1))
                .hasValue(page.locator("input[name=column]").first().inputValue());
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/nights/2027-.*place=1"));
    }

    @Test
    void weather_is_entered_by_hand() {
        page.navigate(url("/nights/2027-06-02?place=1"));
        assertThat(page.locator("#weather")).containsText("forecast service");
        page.getByText("enter or import a forecast").click();
        for (String[] field : new String[][] {
            {"Low cloud, %", "0"},
            {"Middle cloud, %", "0"},
            {"High cloud, %", "0"},
            {"Wind, m/s", "15"},
            {"Air, \u00b0C", "-5"},
            {"Humidity, %", "90"}
        }) {
            page.getByLabel(field[0]).fill(field[1]);
        }
        page.getByRole(AriaRole.BUTTON, named("Keep my entry")).click();
        assertThat(page.locator("#weather")).containsText("find shelter");
        assertThat(page.locator("#weather")).containsText("batteries give about 73 %");
    }
}
