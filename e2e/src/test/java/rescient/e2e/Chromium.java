package rescient.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The browser of the tests: the system's own, without a window and without connections of its own. */
final class Chromium {
    /** The same browser without what surrounds its pages, which nobody sees here and which costs more than they do. */
    private static final String SHELL = "/usr/bin/chromium-headless-shell";

    private static final List<String> OPTIONS = List.of(
            "--no-sandbox",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    private Chromium() {}

    static Playwright driver() {
        return Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    }

    /** @param more options of the browser */
    static Browser launch(Playwright driver, String... more) {
        Path executable = Stream.of(SHELL, "/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome")
                .map(Path::of)
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Chromium is missing; ./rescient test installs it"));
        return driver.chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(executable)
                        .setArgs(
                                Stream.concat(OPTIONS.stream(), Stream.of(more)).toList()));
    }
}
