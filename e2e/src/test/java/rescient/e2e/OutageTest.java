package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import rescient.server.testing.TestDatabase;

/** The database goes while people work, and comes again. */
class OutageTest {
    /** Requests answer within two seconds; what a busy machine adds is not what is asked here. */
    private static final Duration AT_MOST = Duration.ofSeconds(6);

    private final String database = TestDatabase.create();

    @Test
    void withTheDatabaseDownRequestsSaySoAndTheScreenGoesOnByItself() throws Exception {
        try (Gate gate = new Gate(database);
                Servers servers = new Servers(gate.address(database));
                Playwright driver = Chromium.driver();
                Browser browser = Chromium.launch(driver)) {
            Servers.Server server = servers.start();
            server.signIn("ida");
            Page page = signedIn(browser, server);
            page.keyboard().press("e");
            Locator quantity = page.getByTestId("decide").getByLabel("Quantity");
            quantity.fill("77");

            // here the news are refused, as they are to whoever asks for them while the database is away
            Page other = browser.newPage();
            other.route("**/api/plan/news", refused -> refused.fulfill(new Route.FulfillOptions().setStatus(503)));
            signIn(other, server);
            assertThat(other.getByTestId("freshness")).containsText("Not connected");

            gate.shut();
            long begun = System.nanoTime();
            Servers.Answer orders = server.get("/api/orders");
            Assertions.assertThat(orders.status()).as(orders.toString()).isEqualTo(503);
            Assertions.assertThat(orders.body().get("detail").asText()).contains("database cannot be reached");
            Assertions.assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(AT_MOST);
            assertThat(page.getByTestId("freshness")).containsText("No database");
            assertThat(quantity).hasValue("77");
            assertThat(other.getByTestId("freshness")).containsText("No database");

            gate.open();
            other.unroute("**/api/plan/news");
            assertThat(other.getByTestId("freshness")).containsText("Plan is current");
            assertThat(page.getByTestId("freshness")).containsText("Plan is current");
            assertThat(quantity).hasValue("77");
            // what follows of it, which the database kept from being worked out, is looked at first
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep it")))
                    .isEnabled();
            page.keyboard().press("Enter");
            assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Changed");
            Assertions.assertThat(server.get("/api/orders").status()).isEqualTo(200);
        }
    }

    private static Page signedIn(Browser browser, Servers.Server server) {
        Page page = browser.newPage();
        signIn(page, server);
        return page;
    }

    private static void signIn(Page page, Servers.Server server) {
        page.setDefaultTimeout(60_000);
        com.microsoft.playwright.assertions.PlaywrightAssertions.setDefaultAssertionTimeout(60_000);
        page.navigate("http://127.0.0.1:" + server.port + "/");
        page.getByLabel("Name").fill("ida");
        page.getByLabel("Password").fill("clover");
        page.keyboard().press("Enter");
        assertThat(page.locator(".plan-row.here")).hasCount(1);
    }
}
