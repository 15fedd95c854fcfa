package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What holds for every page: readable in every lamp, and on a phone. A new page is added here. */
class EveryPageBrowserTest extends BrowserTest {

    private static final int PHONE = 360;

    private static final List<String> PAGES = List.of(
            "/",
            "/outings",
            "/outings/new",
            "/outings/1",
            "/outings/1/edit",
            "/outings/1/print",
            "/outings/new?place=new&latitude=95",
            "/places/new?coordinates=95+0",
            "/places",
            "/places/1",
            "/places/1?mark=1",
            "/places/import",
            "/places/1/marks/1",
            "/places/1/marks/1/stand",
            "/nights?place=1&from=2027-01-01",
            "/nights/beside",
            "/nights/table?place=1&from=2027-01-01",
            "/nights/2027-06-08?place=1",
            "/nights/2027-06-02/weather?place=1",
            "/nights/best?place=1&from=2027-01-01",
            "/kit",
            "/kit/body/1",
            "/kit/lens/new",
            "/kit/gear/2",
            "/kit/rig/4",
            "/bench",
            "/bench?part=ground",
            "/bench?part=test",
            "/frame?place=1&rig=1",
            "/frame?place=1&rig=1&view=photograph");

    /** What one must hit with a finger, without links in running text; a box by its label, a slider by its picture. */
    private static final String SMALL_TARGETS = """
            [...document.querySelectorAll("button, select, summary, textarea, .rail a, a.button, input:not([type=hidden])")]
              .map(e => e.matches("[type=checkbox], [type=radio]") ? e.closest("label") ?? e : e)
              .filter(e => e.checkVisibility() && e.getBoundingClientRect().height < 43.5)
              .map(e => e.outerHTML.slice(0, 120) + " " + e.getBoundingClientRect().height)
            """;

    private static final List<String> REFUSED = List.of("/bench?part=stops&t1=x", "/frame/panorama?place=1&roll=x");

    @Test
    void every_page_is_accessible_in_every_lamp_and_fits_a_phone() {
        look(PAGES);
    }

    @Test
    void pages_that_refuse_are_as_well() {
        expectRefusal();
        look(REFUSED);
    }

    private void look(List<String> paths) {
        page.addInitScript(AxeBuilder.getAxeScript());
        for (String path : paths) {
            page.setViewportSize(1280, 800);
            page.navigate(url(path));
            assertAccessible(path);
            assertNoIdTwice(path);
            assertFitsPhone(path);
        }
    }

    /** Labels, roles and contrast: what axe can see. Only colours differ between lamps, so the others look at those alone. */
    private void assertAccessible(String path) {
        assertThat(violations("['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']"))
                .as("%s by the dusk lamp", path)
                .isEmpty();
        for (String lamp : List.of("day", "red")) {
            page.evaluate("lamp => document.documentElement.dataset.lamp = lamp", lamp);
            assertThat(violations("{type: 'rule', values: ['color-contrast']}"))
                    .as("%s by the %s lamp", path, lamp)
                    .isEmpty();
        }
    }

    /** Long tables are as their first rows. */
    private List<?> violations(String only) {
        return (List<?>) page.evaluate("axe.run({exclude: [['tbody tr:nth-child(n+6)']]}, {runOnly: " + only
                + ", preload: false, resultTypes: ['violations']}).then(found => found.violations.map("
                + "v => v.id + ': ' + v.nodes.map(n => n.html).join('  ')))");
    }

    /** A picture whose colours are looked up by an id that a field has as well stays empty. */
    private void assertNoIdTwice(String path) {
        assertThat((List<?>) page.evaluate("[...document.querySelectorAll('[id]')].map(e => e.id)"))
                .as(path)
                .doesNotHaveDuplicates();
    }

    private void assertFitsPhone(String path) {
        page.setViewportSize(PHONE, 780);
        assertThat(page.evaluate("document.documentElement.scrollWidth"))
                .as(path)
                .isEqualTo(PHONE);
        assertThat((List<?>) page.evaluate(SMALL_TARGETS))
                .as("targets on a phone, %s", path)
                .isEmpty();
    }
}
