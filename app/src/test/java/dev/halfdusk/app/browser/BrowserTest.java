package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;

/** The application with its demo data as they were at its start, and a page of its own for every test. */
abstract class BrowserTest {

    /** Milliseconds until what is expected is taken for missing: a busy machine answers late, which is no fault of a page. */
    private static final double PATIENCE = 30_000;

    private static boolean fresh;

    protected BrowserContext context;
    protected Page page;
    private final List<String> complaints = new ArrayList<>();
    private final List<String> refusals = new ArrayList<>();
    private boolean refusalExpected;

    @BeforeAll
    static void begin() {
        fresh = false;
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    }

    @BeforeEach
    void open() {
        context = Browsers.shared().newContext();
        context.onWebError(e -> complaints.add(e.error()));
        context.onConsoleMessage(m -> {
            if (!"error".equals(m.type()) || m.text().matches("htmx:(sendAbort|afterRequest).*")) {
                return;
            }
            (m.text().contains("422") ? refusals : complaints).add(m.text());
        });
        page = context.newPage();
    }

    @AfterEach
    void close() {
        context.close();
        assertThat(complaints).as("errors in the browser").isEmpty();
        assertThat(!refusals.isEmpty()).as("input was refused: %s", refusals).isEqualTo(refusalExpected);
    }

    /** Of an application that all tests share; each class finds the demo data untouched, its tests what those before them left. */
    static String url(String path) {
        if (!fresh) {
            RunningApplication.shared().restore();
            fresh = true;
        }
        return RunningApplication.shared().url(path);
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

    /** What was half typed may have been refused in passing: between two keys a busy machine is slower than a preview waits. */
    void forgiveRefusals() {
        refusals.clear();
    }

    /** What could not be fetched is no error where the test took the server away. */
    void forgiveNetwork() {
        complaints.removeIf(
                c -> c.contains("Failed to load resource") || c.contains("sendError") || c.contains("ERR_CONNECTION"));
    }

    /** The line of the setup, opened into its fields. */
    void openSetup() {
        page.locator("details.setup > summary").click();
    }

    /** Does what makes the page load itself again, and waits until it has: an address gone to before would be given up for it. */
    void loadedAgain(Runnable does) {
        page.evaluate("document.documentElement.dataset.before = ''");
        does.run();
        PlaywrightAssertions.assertThat(page.locator("html[data-before]")).hasCount(0);
        page.waitForLoadState();
    }

    /** Where something stands; asked again while an answer of the server is just taking its place. */
    BoundingBox boxOf(Locator locator) {
        BoundingBox box = locator.boundingBox();
        for (int i = 0; i < 50 && box == null; i++) {
            page.waitForTimeout(100);
            box = locator.boundingBox();
        }
        return Objects.requireNonNull(box, "nothing is there");
    }
}
