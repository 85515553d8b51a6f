package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.server.RescientServer;
import rescient.server.exchange.CompanyStore;
import rescient.server.planning.LivePlan;
import rescient.server.testing.TestDatabase;

/**
 * The real interface in headless Chromium, on a real server and database with the demo company, fresh before each test.
 * Today is Monday 23 Nov 2026. A console error or a failed request fails the test, unless the test said it would come.
 */
@SpringBootTest(classes = RescientServer.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
abstract class DeskTest {
    private static final Path DEMO = Path.of("../demo/dataset");
    private static final Dataset LARKMOOR = DatasetReader.read(DEMO);
    static final String DATABASE = TestDatabase.create();
    /** What the demo's people sign in with, kept so that it is looked at quickly: hundreds sign in here. */
    private static final String QUICK_PASSWORD = "{bcrypt}" + new BCryptPasswordEncoder(4).encode("clover");

    private static Browser chromium;

    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> failures = new ArrayList<>();
    private final List<String> expected = new ArrayList<>();

    @Autowired
    CompanyStore store;

    @Autowired
    LivePlan live;

    @Autowired
    JdbcTemplate jdbc;

    /** Milliseconds; a busy machine is slow, and what never comes is told all the same. */
    private static final double PATIENCE = 25_000;

    @LocalServerPort
    int port;

    @DynamicPropertySource
    static void properties(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> DATABASE);
        registry.add("spring.datasource.username", TestDatabase::user);
        registry.add("spring.datasource.password", TestDatabase::password);
        registry.add("rescient.today", () -> System.getProperty("rescient.day", "2026-11-23"));
        registry.add("rescient.demo", DEMO::toString);
        registry.add("rescient.simulated-suppliers", () -> "off");
        registry.add("server.shutdown", () -> "immediate");
    }

    /** One browser for all classes that run in this process; it ends with it. */
    @BeforeAll
    static void startChromium() {
        if (chromium == null) {
            PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
            chromium = Chromium.launch(Chromium.driver());
        }
    }

    @BeforeEach
    void freshCompany() {
        jdbc.update("delete from preferences");
        jdbc.update("update users set password = ?", QUICK_PASSWORD);
        store.replace(LARKMOOR, "Larkmoor Hives", true);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        recorded = movements();
    }

    /** The company as the test made it is loaded, and planned. */
    void again() {
        store.replace(store.readWhole().dataset(), "Larkmoor Hives", true);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
    }

    /** Movements of the fortnight before the test. */
    private int recorded;

    private int movements() {
        return jdbc.queryForObject("select count(*) from movements", Integer.class);
    }

    /** How many movements the test made. */
    int moved() {
        return movements() - recorded;
    }

    @AfterEach
    void nothingFailed() {
        contexts.forEach(BrowserContext::close);
        Assertions.assertThat(failures)
                .filteredOn(f -> expected.stream().noneMatch(f::contains))
                .isEmpty();
    }

    /** Failures that hold this text are part of the test. */
    void expectFailure(String text) {
        expected.add(text);
    }

    /** A new browser with nobody signed in. */
    Page browser() {
        return browser(ColorScheme.LIGHT);
    }

    Page browser(ColorScheme theme) {
        BrowserContext context = chromium.newContext(new Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setColorScheme(theme)
                .setBaseURL("http://127.0.0.1:" + port));
        contexts.add(context);
        context.setDefaultTimeout(PATIENCE);
        Page page = context.newPage();
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                failures.add("console: " + message.text() + " " + message.location());
            }
        });
        page.onPageError(error -> failures.add("page: " + error));
        page.onRequestFailed(request -> {
            boolean leftBehind = String.valueOf(request.failure()).contains("ERR_ABORTED");
            if (!leftBehind) {
                failures.add("request: " + request.url() + " " + request.failure());
            }
        });
        return page;
    }

    /** A browser that has loaded nothing yet, with the sign-in of another. */
    BrowserContext coldBrowser(String storageState) {
        BrowserContext context = chromium.newContext(new Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setBaseURL("http://127.0.0.1:" + port)
                .setStorageState(storageState));
        contexts.add(context);
        return context;
    }

    /** A new browser with somebody at the desk. */
    Page signedIn(String login) {
        return signedIn(login, ColorScheme.LIGHT);
    }

    Page signedIn(String login, ColorScheme theme) {
        Page page = browser(theme);
        signIn(page, login);
        return page;
    }

    /** By the address that is printed: whoever is not signed in is asked to. */
    static void signIn(Page page, String login) {
        page.navigate("/");
        page.getByLabel("Name").fill(login);
        page.getByLabel("Password").fill("clover");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign in").setExact(true))
                .click();
        assertThat(page.getByTestId("freshness")).containsText("Plan is current");
        // the list is there, so keys act on it
        assertThat(page.getByRole(AriaRole.LISTBOX)).isVisible();
    }

    /** A filter of the list. */
    static Locator filter(Page page, String name) {
        return page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    /** The first row of a list with a text. */
    static Locator listed(Page page, String text) {
        return page.getByRole(AriaRole.LISTBOX)
                .getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText(text))
                .first();
    }

    /** The row of a planned or firmed order; signals have no quantity of their own. */
    static Locator plannedOrder(Page page, String item) {
        return page.getByRole(AriaRole.LISTBOX)
                .getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText(item).setHas(page.locator(".amount")))
                .first();
    }

    static void select(Page page, String item) {
        plannedOrder(page, item).locator(".box").click();
    }

    /** Opens what would be released. */
    static void preview(Page page) {
        page.getByRole(AriaRole.TOOLBAR)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Release"))
                .click();
    }

    /** Presses the button of the preview. */
    static void press(Page page) {
        pressable(page).click();
    }

    static Locator pressable(Page page) {
        return page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Release"));
    }

    /** Enters an order for ten extractors that are wanted too soon, and keeps the day whatever it does. */
    static void enterRushOrder(Page page) {
        page.keyboard().press("g");
        page.keyboard().press("m");
        assertThat(page).hasURL(Pattern.compile("/demand"));
        page.keyboard().press("n");
        Locator sheet = page.getByTestId("order-sheet");
        assertThat(sheet.getByLabel("Customer")).isFocused();
        sheet.getByLabel("Customer").fill("C110");
        sheet.getByLabel("Wanted on", new Locator.GetByLabelOptions().setExact(true))
                .fill("30 Nov");
        line(sheet, 1, "EXTR-4", "10");
        assertThat(sheet.getByTestId("goes-0")).containsText("not before");
        page.keyboard().press("Alt+k");
        keepOrder(page);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("SO-792")))
                .isVisible();
    }

    /** Types a line of the order sheet; the cursor stays in its quantity. */
    static void line(Locator sheet, int line, String item, String quantity) {
        sheet.getByLabel("Item of line " + line).fill(item);
        sheet.getByLabel("Quantity of line " + line).fill(quantity);
    }

    /** Keeps the order on the sheet, once all that it does is known. */
    static void keepOrder(Page page) {
        assertThat(page.getByRole(AriaRole.TOOLBAR)
                        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep the order")))
                .isEnabled();
        page.keyboard().press("Control+Enter");
        assertThat(page).hasURL(Pattern.compile("/demand\\?line="));
    }
}
