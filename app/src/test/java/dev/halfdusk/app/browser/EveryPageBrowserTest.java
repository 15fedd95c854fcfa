package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What holds for every page: readable in every lamp, and on a phone. */
public class EveryPageBrowserTest extends BrowserTest {

    private static final int PHONE = 360;

    /** With what is asked of them; {@code EveryAddressTest} knows of any that is not among them. */
    public static final List<String> PAGES = List.of(
            "/",
            "/outings",
            "/outings/new",
            "/outings/1",
            "/outings/1/edit",
            "/outings/1?view=drawing",
            "/outings/1?night=2027-06-08",
            "/outings/1/candidates",
            "/outings/1/takes/1/after?seen=streaks",
            "/outings/1/takes/1/next",
            "/kit/usual",
            "/places/dark?place=1&within=40",
            "/outings/new?place=new&latitude=95",
            "/places/new?coordinates=95+0",
            "/places",
            "/places/1",
            "/places/1?mark=1",
            "/places/1/edit",
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
            "/frame?place=1&rig=1&view=photograph",
            "/frame/panorama?place=1&rig=1",
            "/frame/counted?place=1&rig=1",
            "/outings/1/sheet",
            "/deleted",
            "/lighttable",
            "/assembled",
            "/data",
            "/events?place=1",
            "/events/eclipse?place=1",
            "/events/eclipse/card?place=1",
            "/events/sun?place=4",
            "/events/moon?place=1",
            "/events/fireworks",
            "/events/next",
            "/events/night-scene",
            "/events/sparklers",
            "/events/plans",
            "/events/plans/1?camera=2",
            "/events/plans/1/rehearsal",
            "/events/plans/1/rehearsal/report",
            "/events/plans/1/day",
            "/events/plans/1/sheet",
            "/board/best?place=1",
            "/outings/1/field",
            "/sequences?place=3",
            "/sequences?place=3&kind=lapse&ramp=on",
            "/sequences?place=1&kind=stack",
            "/sequences/timer?place=3",
            "/log",
            "/log?rating=1&month=4",
            "/log/1",
            "/log/learned",
            "/log/new",
            "/log/again",
            "/practice",
            "/practice/half-moon",
            "/practice/half-moon?frame=3",
            "/practice/night-beyond-the-meter?wheels=one",
            "/practice/filter",
            "/practice/flash-to-fade",
            "/practice/blind",
            "/practice/change?n=4",
            "/practice/night",
            "/practice/night/1?seed=3",
            "/practice/night/1?seed=3&decided=0,1,2,2,1");

    /** What one must hit with a finger, without links in running text; a box by its label, a word that explains itself by its own field. */
    private static final String SMALL_TARGETS = """
            [...document.querySelectorAll("button, select, summary, textarea, .rail a, a.button, input:not([type=hidden])")]
              .map(e => e.matches("[type=checkbox], [type=radio]") ? e.closest("label") ?? e : e)
              .map(e => [e, e.matches(".term") ? parseFloat(getComputedStyle(e, "::after").height) : e.getBoundingClientRect().height])
              .filter(([e, height]) => e.checkVisibility() && !(height >= 43.5))
              .map(([e, height]) => e.outerHTML.slice(0, 120) + " " + height)
            """;

    /**
     * Labels, roles and contrast: what axe can see. Only colours differ between lamps, so the others look at those alone, and of
     * what is coloured alike, on grounds that are coloured alike in each of them, at one; long tables are as their first rows.
     */
    private static final String LOOK = """
            window.violations = (async () => {
              const found = [];
              const lamps = ["dusk", "day", "red"];
              const texts = [...document.body.querySelectorAll("*")].filter(e => [...e.childNodes].some(n => n.nodeType === 3 && n.data.trim()));
              const looks = texts.map(() => "");
              for (const lamp of lamps) {
                document.documentElement.dataset.lamp = lamp;
                const own = new Map();
                const look = e => {
                  if (e && !own.has(e)) {
                    const s = getComputedStyle(e);
                    own.set(e, look(e.parentElement) + "/" + [s.backgroundColor, s.backgroundImage, s.opacity].join());
                  }
                  return e ? own.get(e) : "";
                };
                texts.forEach((e, i) => {
                  const s = getComputedStyle(e);
                  looks[i] += [look(e), s.color, s.fill, s.fontSize, s.fontWeight].join();
                });
              }
              const first = texts.filter((e, i) => looks.indexOf(looks[i]) === i && e.checkVisibility());
              for (const lamp of lamps) {
                document.documentElement.dataset.lamp = lamp;
                const runOnly = lamp === "dusk" ? ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"] : {type: "rule", values: ["color-contrast"]};
                const seen = await axe.run({include: lamp === "dusk" ? [document] : first, exclude: [["tbody tr:nth-child(n+6)"]]}, {runOnly, preload: false, resultTypes: ["violations"]});
                found.push(...seen.violations.map(v => lamp + " lamp, " + v.id + ": " + v.nodes.map(n => n.html).join("  ")));
              }
              return found;
            })();
            null
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

    /** Two tabs by turns: one is looked at by axe while the other loads. */
    private void look(List<String> paths) {
        context.addInitScript(AxeBuilder.getAxeScript());
        List<Page> tabs = List.of(page, context.newPage());
        for (int i = 0; i < paths.size() + tabs.size(); i++) {
            Page tab = tabs.get(i % tabs.size());
            int before = i - tabs.size();
            if (before >= 0) {
                assertThat((List<?>) tab.evaluate("violations"))
                        .as(paths.get(before))
                        .isEmpty();
            }
            if (i < paths.size()) {
                tab.navigate(url(paths.get(i)));
                assertNoIdTwice(tab, paths.get(i));
                assertFitsPhone(tab, paths.get(i));
                tab.setViewportSize(1280, 800);
                tab.evaluate(LOOK);
            }
        }
    }

    /** A picture whose colours are looked up by an id that a field has as well stays empty. */
    private void assertNoIdTwice(Page tab, String path) {
        assertThat((List<?>) tab.evaluate("[...document.querySelectorAll('[id]')].map(e => e.id)"))
                .as(path)
                .doesNotHaveDuplicates();
    }

    private void assertFitsPhone(Page tab, String path) {
        tab.setViewportSize(PHONE, 780);
        assertThat(tab.evaluate("document.documentElement.scrollWidth"))
                .as(path)
                .isEqualTo(PHONE);
        assertThat((List<?>) tab.evaluate(SMALL_TARGETS))
                .as("targets on a phone, %s", path)
                .isEmpty();
    }
}
