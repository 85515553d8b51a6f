package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What is made, corrected, shipped and charged. */
class GoodsTest extends DeskTest {
    private static Locator toolbar(Page page) {
        return page.getByRole(AriaRole.TOOLBAR);
    }

    /** All that is there goes out in one posting, is charged order by order, goes by mail, and is taken back. */
    @Test
    void whatIsReadyGoesAndIsCharged() {
        Page stores = signedIn("stella");
        stores.navigate("/stock/out?state=whole");
        assertThat(stores.locator(".plan-row").first()).isVisible();
        int lines = Integer.parseInt(stores.getByTestId("selection").innerText().replaceAll("[^0-9].*", ""));
        stores.keyboard().press("X");
        assertThat(stores.getByTestId("selection")).containsText(lines + " selected");
        assertThat(stores.getByTestId("moves")).isVisible();
        stores.keyboard().press("s");
        assertThat(toolbar(stores)).containsText("Shipped " + lines + " lines");
        assertThat(stores.getByText("Nothing that goes out fits these filters")).isVisible();

        Page sales = signedIn("sven");
        sales.navigate("/demand/invoices?state=to_charge");
        assertThat(sales.locator(".plan-row").first()).isVisible();
        String orders = sales.getByTestId("sum").innerText().replaceAll("[^0-9].*", "");
        sales.keyboard().press("X");
        assertThat(sales.getByTestId("sum")).containsText(orders + " selected");
        sales.keyboard().press("y");
        assertThat(toolbar(sales)).containsText("Charged " + orders + " orders");
        assertThat(sales.getByText("No invoice and no order fits these filters"))
                .isVisible();
        sales.navigate("/demand/invoices");
        sales.locator(".plan-row").first().click();
        assertThat(sales.getByTestId("charged-lines")).isVisible();
        sales.keyboard().press("m");
        assertThat(toolbar(sales)).containsText("Sent to ");
        assertThat(sales.getByTestId("mails")).containsText("Our invoice INV-");
        sales.keyboard().press("u");
        assertThat(sales.getByTestId("sum")).containsText(orders + " orders to be charged");
    }

    /** Twenty cans less are worth 112.00: the approver is asked, and posts it with his approval. */
    @Test
    void aLargeCorrectionIsApproved() {
        jdbc.update("insert into approval_limits (document, from_value, role) values ('adjustment', 100, 'approver')");
        again();
        Page stores = signedIn("stella");
        stores.navigate("/stock?point=SYRUP-5~LARKMOOR");
        assertThat(stores.getByTestId("ledger")).isVisible();
        stores.keyboard().press("a");
        Locator posting = stores.getByTestId("posting");
        posting.getByLabel("Lot", new Locator.GetByLabelOptions().setExact(true))
                .fill("S-2605");
        posting.getByLabel("By pcs").fill("-20");
        assertThat(posting.getByTestId("asks")).containsText("112.00");
        posting.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Ask the approver"))
                .click();
        assertThat(stores.getByText("Asked the approver")).isVisible();

        Page approver = signedIn("aino");
        approver.navigate("/stock/counts");
        approver.getByText("Correction").first().click();
        Locator waiting = approver.getByTestId("waiting");
        assertThat(waiting).containsText("Asked for by Stella Quist");
        assertThat(waiting).containsText("Waits for the approver");
        approver.keyboard().press("y");
        assertThat(waiting).containsText("Posted.");
        assertThat(stores.getByLabel("Lots")).containsText("50");
        Assertions.assertThat(
                        jdbc.queryForObject("select person from movements order by number desc limit 1", String.class))
                .isEqualTo("Stella Quist, approved by Aino Berg");
    }

    /** The foreman moves an order behind the next one by a key, and back by hand; reports another one and sees what it cost. */
    @Test
    void theForemanHasHisSequence() {
        Page foreman = signedIn("rufus");
        foreman.navigate("/orders/bench");
        Locator saw = foreman.getByLabel("Saw", new Page.GetByLabelOptions().setExact(true));
        Locator cards = saw.locator(".card", new Locator.LocatorOptions().setHasText("can start"));
        String first = cards.first().locator("b").innerText();
        String second = cards.nth(1).locator("b").innerText();
        cards.first().click();
        assertThat(foreman.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile(first))))
                .isVisible();
        foreman.keyboard().press(">");
        assertThat(cards.first().locator("b")).hasText(second);
        assertThat(toolbar(foreman)).containsText("Moved " + first);
        cards.nth(1).dragTo(cards.first());
        assertThat(cards.first().locator("b")).hasText(first);
        foreman.keyboard().press("u");
        assertThat(cards.first().locator("b")).hasText(second);

        Locator frames = foreman.locator(".card", new Page.LocatorOptions().setHasText("MO-319"));
        frames.click();
        foreman.keyboard().press("n");
        foreman.getByTestId("issue")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Issue parts"))
                .click();
        assertThat(frames).containsText("runs");
        Locator costs = foreman.getByTestId("costs");
        assertThat(costs).containsText("In all");
        costs.locator("button.link").first().click();
        assertThat(foreman.getByTestId("cost-slip")).containsText("it was");
    }

    /** What the plan wants otherwise of a purchase is found among those to be asked, and goes to its supplier. */
    @Test
    void aRequestGoesToTheSupplier() {
        Page planner = signedIn("ida");
        planner.navigate("/plan?words=PO-2040");
        planner.locator(".plan-row").first().click();
        planner.keyboard().press("a");
        assertThat(planner.getByTestId("decide").locator("button.main-action")).isEnabled();
        planner.keyboard().press("Enter");
        assertThat(toolbar(planner)).containsText("Asked to cancel PO-2040");

        Page buyer = signedIn("bram");
        buyer.navigate("/orders?way=to_ask");
        assertThat(buyer.locator(".plan-row")).hasCount(1);
        buyer.locator(".plan-row").first().click();
        Locator requests = buyer.getByTestId("requests");
        assertThat(requests).containsText("is not needed, says Ida Holm");
        requests.getByRole(AriaRole.BUTTON).click();
        assertThat(requests).containsText("he was asked");
        assertThat(buyer.getByTestId("mails")).containsText("Change of our purchase order PO-2040");
        assertThat(buyer.getByText("No order fits these filters")).isVisible();
    }
}
