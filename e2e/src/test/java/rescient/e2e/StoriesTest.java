package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** What goes through many hands, from the plan to the invoice. */
class StoriesTest extends OrderDeskTest {
    /** What is open of a line is posted as it is proposed. */
    private static void postedWhole(Page page, String button, String form) {
        button(page, button + " line 1").click();
        Locator slip = page.getByTestId(form);
        assertThat(slip.getByTestId("moves")).isVisible();
        slip.getByLabel("Goes").or(slip.getByLabel("Has come")).first().press("Enter");
        assertThat(page.getByTestId(form)).hasCount(0);
    }

    /**
     * A drum is coated outside: released with the transfer that brings the welded drums, sent to the coater, its parts
     * followed there, received, which uses them up, charged, and approved.
     */
    @Test
    void aDrumIsCoatedOutside() {
        Page planner = signedIn("ida");
        planner.navigate("/plan?words=DRM-380P&source=subcontract");
        planner.locator(".plan-row", new Page.LocatorOptions().setHasText("at Silverleaf Coating"))
                .first()
                .click();
        planner.keyboard().press("x");
        planner.keyboard().press("r");
        assertThat(planner.getByText("it brings its parts")).isVisible();
        button(planner, "Release 2").click();
        assertThat(planner.getByTestId("released")).isVisible();
        String service = last("DRM-380P");
        String transfer = last("DRM-380");

        Page buyer = signedIn("bram");
        buyer.navigate("/orders?number=" + service);
        assertThat(buyer.getByLabel("Its way").locator("[aria-current=step]")).hasText("held");
        sent(buyer);
        assertThat(buyer.getByTestId("part-DRM-380")).containsText("by " + transfer);

        // the welded drums are found, sent and received there
        Page stores = signedIn("stella");
        stores.navigate("/stock?point=DRM-380~LARKMOOR");
        assertThat(stores.getByTestId("there")).isVisible();
        stores.keyboard().press("a");
        Locator found = stores.getByTestId("posting");
        found.getByLabel("By").fill("40");
        found.getByLabel("Why").fill("found");
        button(stores, "Post").click();
        assertThat(stores.getByTestId("posting")).hasCount(0);
        stores.navigate("/orders?number=" + transfer);
        postedWhole(stores, "Send", "ship_transfer");
        postedWhole(stores, "Receive", "receive_transfer");

        stores.navigate("/orders?number=" + service);
        assertThat(stores.getByTestId("part-DRM-380")).containsText("there");
        assertThat(stores.getByTestId("part-DRM-380")).not().containsText(transfer);
        assertThat(stores.getByTestId("lying")).containsText("1 item");
        postedWhole(stores, "Receive", "receive");
        assertThat(stores.getByTestId("lying")).hasCount(0);

        buyer.navigate("/orders?number=" + service);
        assertThat(buyer.getByTestId("costs")).containsText("In all");
        buyer.getByText("Enter its invoice").click();
        Locator sheet = buyer.getByLabel("Enter an invoice");
        sheet.getByLabel("Its number").fill("SV-77");
        sheet.getByLabel("Of", new Locator.GetByLabelOptions().setExact(true)).fill("23.11.2026");
        sheet.getByLabel("Price of " + service + " line 1").fill("9.5");
        // with the four of SC-21, of which 13.20 was agreed; of these nobody agreed a price, so that somebody has to
        // see it
        assertThat(sheet.getByTestId("seen")).containsText("166.80 EUR");
        assertThat(sheet.getByTestId("seen")).containsText("it waits for somebody to approve it");
        sheet.getByLabel("Its number").press("Enter");
        assertThat(buyer.getByTestId("state")).hasText("to be approved");
        Page approver = signedIn("aino");
        approver.navigate("/orders/invoices?state=awaiting_approval&words=SV-77");
        approver.getByTestId("invoice-lines").waitFor();
        approver.keyboard().press("y");
        assertThat(approver.getByTestId("sum")).containsText("0 invoices");
        buyer.navigate("/orders?number=" + service);
        assertThat(buyer.getByTestId("order-invoices")).containsText("may be paid");
    }
}
