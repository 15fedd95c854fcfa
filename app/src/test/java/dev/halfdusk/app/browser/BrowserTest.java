package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
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
    private static final String WHOLE_LAMP = "dusk";

    private static RunningApplication application;

    protected BrowserContext context;
    protected Page page;
    private final List<String> complaints = new ArrayList<>();

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
            if ("error".equals(m.type()) && !m.text().matches(".*422.*|htmx:(sendAbort|afterRequest).*")) {
                complaints.add(m.text());
            }
        });
    }

    @AfterEach
    void close() {
        context.close();
        assertThat(complaints).as("errors in the browser").isEmpty();
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

    /** Contrast, labels, roles: what axe can see. Only the colours differ between lamps, so one lamp is looked at whole. */
    void assertAccessible(String lamp, String... paths) {
        context.addCookies(List.of(new Cookie("lamp", lamp).setUrl(url("/"))));
        for (String path : paths) {
            page.navigate(url(path));
            AxeBuilder axe = new AxeBuilder(page);
            var found = (WHOLE_LAMP.equals(lamp)
                            ? axe.withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa"))
                            : axe.withRules(List.of("color-contrast")))
                    .analyze();
            assertThat(found.getViolations())
                    .as("%s by the %s lamp", path, lamp)
                    .isEmpty();
        }
    }

    void assertFitsPhone(String... paths) {
        page.setViewportSize(PHONE, 780);
        for (String path : paths) {
            page.navigate(url(path));
            assertThat(page.evaluate("document.documentElement.scrollWidth"))
                    .as(path)
                    .isEqualTo(PHONE);
        }
    }
}
