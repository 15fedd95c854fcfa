package dev.halfdusk.app.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** One headless Chromium for all browser tests: its driver takes two seconds to start. */
final class Browsers {

    private static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private static Browser browser;

    private Browsers() {}

    static synchronized Browser shared() {
        if (browser == null) {
            Playwright playwright = Playwright.create();
            browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(executable())
                            .setArgs(ARGUMENTS));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        }
        return browser;
    }

    private static Path executable() {
        return Stream.of("/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome")
                .map(Path::of)
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Chromium is missing: apt-get install chromium"));
    }
}
