package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** The application with its demo data and a page of its own for every test. */
abstract class BrowserTest {

    private static final int PHONE = 360;

    private static RunningApplication application;

    protected BrowserContext context;
    protected Page page;
    private final List<String> complaints = new ArrayList<>();
    private final List<String> refusals = new ArrayList<>();
    private boolean refusalExpected;

    @BeforeAll
    static void start(@TempDir Path data) {
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
        page.onPageError(complaints::add);
        page.onConsoleMessage(m -> {
            if (!"error".equals(m.type()) || m.text().matches("htmx:(sendAbort|afterRequest).*")) {
                return;
            }
            (m.text().contains("422") ? refusals : complaints).add(m.text());
        });
    }

    @AfterEach
    void close() {
        context.close();
        assertThat(complaints).as("errors in the browser").isEmpty();
        assertThat(!refusals.isEmpty()).as("input was refused: %s", refusals).isEqualTo(refusalExpected);
    }

    static String url(String path) {
        return application.url(path);
    }

    static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    static Page.GetByLabelOptions exactly() {
        return new Page.GetByLabelOptions().setExact(true);
    }

    /** Says that this test types something that must be refused; any other refusal is an error. */
    void expectRefusal() {
        refusalExpected = true;
    }

    /** Loads axe into every page to come. */
    void watchAccessibility() {
        page.addInitScript(AxeBuilder.getAxeScript());
    }

    /** Labels, roles and contrast: what axe can see. Only colours differ between lamps, so the others look at those alone. */
    void assertAccessible(String path) {
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

    void assertFitsPhone(String path) {
        page.setViewportSize(PHONE, 780);
        assertThat(page.evaluate("document.documentElement.scrollWidth"))
                .as(path)
                .isEqualTo(PHONE);
    }
}
