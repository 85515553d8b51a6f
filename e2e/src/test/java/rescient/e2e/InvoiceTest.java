package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** What a supplier charges, held against what came and what was agreed. Ten motors at 68.00 are on order with PO-2041. */
class InvoiceTest extends DeskTest {
    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** Received, charged too dear, refused to whoever entered it, approved by another, who finds it in the list. */
    @Test
    void aDearInvoiceIsApprovedBySomebodyElse() {
        Page stores = signedIn("stella");
        stores.navigate("/orders?number=PO-2041");
        button(stores, "Receive line 1").click();
        Locator receive = stores.getByTestId("receive");
        assertThat(receive.getByTestId("moves")).containsText("10 pcs");
        receive.getByLabel("Has come").press("Enter");
        assertThat(stores.getByLabel("Line 1")).containsText("Received");

        Page buyer = signedIn("bram");
        buyer.navigate("/orders?number=PO-2041");
        buyer.getByText("Enter its invoice").click();
        Locator sheet = buyer.getByLabel("Enter an invoice");
        sheet.getByLabel("Its number").fill("TD-4471");
        sheet.getByLabel("Of", new Locator.GetByLabelOptions().setExact(true)).fill("20.11.2026");
        assertThat(sheet.getByTestId("seen")).containsText("680.00 EUR");
        assertThat(sheet.getByTestId("seen")).containsText("it may be paid");
        sheet.getByLabel("Price of PO-2041 line 1").fill("72");
        assertThat(sheet.getByTestId("seen")).containsText("at 72 a pcs, agreed was 68: 40.00 EUR more");
        assertThat(sheet.getByTestId("seen")).containsText("it waits for somebody to approve it");
        // half typed, it is there again after a reload
        buyer.reload();
        assertThat(sheet.getByLabel("Its number")).hasValue("TD-4471");
        assertThat(sheet.getByTestId("seen")).containsText("agreed was 68");
        // who is no supplier charges nothing; found again by his name, what came stands there
        Locator supplier = sheet.getByRole(AriaRole.COMBOBOX);
        supplier.fill("nobody");
        assertThat(sheet.getByTestId("to-charge")).hasCount(0);
        assertThat(sheet.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Enter it")))
                .isDisabled();
        supplier.fill("Tandem");
        supplier.press("Tab");
        assertThat(supplier).hasValue("TANDEM");
        sheet.getByLabel("Price of PO-2041 line 1").fill("72");
        assertThat(sheet.getByTestId("seen")).containsText("agreed was 68");
        // n leaves what is typed
        sheet.getByRole(AriaRole.HEADING).click();
        buyer.keyboard().press("n");
        assertThat(sheet.getByLabel("Its number")).hasValue("TD-4471");
        sheet.getByLabel("Its number").press("Enter");
        assertThat(buyer.getByTestId("state")).hasText("to be approved");
        buyer.keyboard().press("y");
        assertThat(buyer.getByRole(AriaRole.ALERT)).containsText("TD-4471 waits for the approver");

        Page approver = signedIn("aino");
        approver.navigate("/orders/invoices?state=awaiting_approval");
        assertThat(approver.getByTestId("invoice-lines")).containsText("at 72 a pcs, agreed was 68");
        approver.keyboard().press("y");
        assertThat(approver.getByTestId("sum")).containsText("2 invoices");
        approver.keyboard().press("u");
        assertThat(approver.getByTestId("sum")).containsText("3 invoices");
        assertThat(approver.getByLabel("Invoice TD-4471")).containsText("Waits for the approver");
        // from the list too typing begins in the field; what is typed survives a reload, and is about this invoice
        // alone
        Locator rows = approver.getByRole(AriaRole.OPTION);
        rows.filter(new Locator.FilterOptions().setHasText("TD-4471")).click();
        approver.keyboard().press("b");
        Locator why = approver.getByLabel("Why");
        assertThat(why).isFocused();
        approver.keyboard().type("too dear");
        approver.reload();
        assertThat(why).hasValue("too dear");
        rows.filter(new Locator.FilterOptions().setHasText("A-50771")).click();
        assertThat(approver.getByLabel("Invoice A-50771")).isVisible();
        assertThat(why).hasCount(0);
        rows.filter(new Locator.FilterOptions().setHasText("TD-4471")).click();
        assertThat(why).hasValue("too dear");
        button(approver, "Send it back").click();
        buyer.navigate("/orders?number=PO-2041");
        assertThat(buyer.getByTestId("order-invoices")).containsText("sent back");
        // it can be charged again, as it was agreed
        assertThat(buyer.getByText("Enter its invoice")).isVisible();
    }
}
