package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** A purchase order from what was bought before to its last invoice, with a supplier who answers by himself. */
class BuyingTest extends DeskTest {
    @AfterEach
    void suppliersAreSilentAgain() {
        jdbc.update("update simulated_suppliers set enabled = null, answer_seconds = 5, delivery_seconds = 10,"
                + " invoice_seconds = 10, late_percent = 30, short_percent = 15, price_percent = 15");
    }

    private static Locator button(Page page, String name) {
        // whoever is signed in stands there too, by role
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + "( \\w+)?$")));
    }

    private static Locator letter(Page page, String text) {
        return page.getByRole(AriaRole.LISTBOX)
                .getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText(text))
                .first();
    }

    /** Whoever is asked approves from the order's page. */
    private void approve(String login, String name, String number) {
        Page page = signedIn(login);
        page.navigate("/orders?number=" + number);
        button(page, "Approve").click();
        assertThat(page.getByLabel("Its way")).containsText(name);
    }

    /**
     * Wax, of which a least quantity is sold: entered, held, approved by two people in turn, sent, answered late and in two
     * parts, received with lots, one of them set aside by a test, charged too dear, approved, and done.
     */
    @Test
    void fromWhatWasBoughtBeforeToTheLastInvoice() {
        jdbc.update(
                "insert into approval_limits (document, from_value, role) values ('purchase_order', 500, 'planner'),"
                        + " ('purchase_order', 600, 'approver')");
        again();

        Page buyer = signedIn("bram");
        buyer.navigate("/orders/letters");
        buyer.getByText("Simulated suppliers").click();
        Locator habits = buyer.getByLabel("Simulated suppliers", new Page.GetByLabelOptions().setExact(true));
        habits.getByLabel("They answer").check();
        habits.getByLabel("Answer an order after").fill("0");
        habits.getByLabel("Deliver after").fill("0");
        habits.getByLabel("Charge after").fill("0");
        habits.getByLabel("Come late").fill("100");
        habits.getByLabel("Come in two parts").fill("100");
        habits.getByLabel("Cost more than agreed").fill("100");
        habits.getByLabel("Luck").press("Enter");
        assertThat(habits).hasCount(0);

        buyer.navigate("/orders/new?supplier=MELLORA");
        Locator before = buyer.getByTestId("bought-before");
        assertThat(before).containsText("WAX-BLK");
        before.getByLabel("Quantity of WAX-BLK").fill("40");
        buyer.getByLabel("Wanted on").fill("15.1.2027");
        assertThat(buyer.getByTestId("seen")).containsText("The least he sells of WAX-BLK is 50 kg: 10 more");
        before.getByLabel("Quantity of WAX-BLK").fill("50");
        assertThat(buyer.getByTestId("seen")).containsText("In all 625.00 EUR");
        before.getByLabel("Quantity of WAX-BLK").press("Enter");
        Locator way = buyer.getByLabel("Its way");
        assertThat(way.locator("[aria-current=step]")).hasText("held");
        String number = buyer.url().replaceAll(".*number=", "").replaceAll("&.*", "");

        button(buyer, "End the hold").click();
        assertThat(way.locator("[aria-current=step]")).containsText("by the planner");
        approve("ida", "Ida Holm, planner", number);
        approve("aino", "Aino Berg, approver", number);
        button(buyer, "Send it").click();
        assertThat(way.locator("[aria-current=step]")).hasText("sent");
        assertThat(buyer.getByTestId("mails")).containsText("orders@mellora.example");

        // he answers by himself
        buyer.navigate("/orders/letters");
        letter(buyer, "Answer").click();
        assertThat(buyer.getByTestId("letter-lines")).containsText("later");
        button(buyer, "Take its days over").click();
        assertThat(letter(buyer, "Answer")).hasCount(0);

        // both parts are received by their letters, each with its lot
        Page stores = signedIn("stella");
        stores.navigate("/orders/letters");
        for (int part = 1; part <= 2; part++) {
            letter(stores, "Delivery").click();
            assertThat(stores.getByTestId("letter-lines")).containsText("until before");
            button(stores, "Receive it").click();
            assertThat(stores.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Received")))
                    .isVisible();
            assertThat(stores.getByRole(AriaRole.LISTBOX)
                            .getByRole(AriaRole.OPTION)
                            .filter(new Locator.FilterOptions().setHasText("Delivery")))
                    .hasCount(2 - part);
        }

        // one lot does not pass its test
        stores.navigate("/stock?words=WAX-BLK");
        listed(stores, "WAX-BLK").click();
        stores.getByLabel("Lots").getByRole(AriaRole.BUTTON).first().click();
        stores.getByText(Pattern.compile("All of .* on one page")).click();
        assertThat(stores.getByLabel("Where it lies")).isVisible();
        stores.keyboard().press("n");
        Locator test = stores.getByTestId("test");
        test.getByLabel("What").fill("moisture");
        test.getByLabel("Found").fill("21");
        test.getByLabel("Not above").fill("18");
        assertThat(test).containsText("all of it is set aside");
        test.getByLabel("Found").press("Enter");
        assertThat(stores.getByLabel("Where it lies")).containsText("set aside");
        assertThat(stores.getByTestId("trace-picture")).containsText(number);

        // his invoice is dearer than agreed
        buyer.navigate("/orders/letters");
        letter(buyer, "Invoice").click();
        button(buyer, "Enter the invoice").click();
        Locator sheet = buyer.getByLabel("Enter an invoice");
        assertThat(sheet.getByTestId("seen")).containsText("agreed was 12.5");
        sheet.getByLabel("Its number").press("Enter");
        assertThat(buyer.getByTestId("state")).hasText("to be approved");
        buyer.navigate("/orders/letters");
        assertThat(buyer.getByTestId("waiting")).containsText("0 letters waiting");

        Page approver = signedIn("aino");
        approver.navigate("/orders/invoices?state=awaiting_approval");
        approver.getByTestId("invoice-lines").waitFor();
        approver.keyboard().press("y");
        assertThat(approver.getByTestId("sum")).containsText("2 invoices");
        buyer.navigate("/orders?number=" + number);
        assertThat(buyer.getByTestId("order-invoices")).containsText("may be paid");

        // and it stands in his record
        buyer.navigate("/partners/deliveries?supplier=MELLORA");
        assertThat(buyer.getByTestId("delivered-items")).containsText("WAX-BLK");
        assertThat(buyer.getByTestId("delivered-lines")).containsText(number);
    }

    /** Rows of a spreadsheet become lines; what he never sold before is one too. */
    @Test
    void rowsArePasted() {
        Page buyer = signedIn("bram");
        buyer.navigate("/orders/new?supplier=HOLLIN");
        buyer.getByTestId("bought-before").waitFor();
        buyer.evaluate("() => { const box = document.querySelector('[aria-label=\"Another item\"]');"
                + " const data = new DataTransfer(); data.setData('text/plain', 'LIME-10\\t300\\nNUT-M6\\t500');"
                + " box.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true })); }");
        assertThat(buyer.getByLabel("Quantity of LIME-10")).hasValue("300");
        assertThat(buyer.getByLabel("Quantity of NUT-M6")).hasValue("500");
        assertThat(buyer.getByTestId("lines")).hasText("2 lines");
        buyer.getByLabel("Wanted on").fill("15.1.2027");
        assertThat(buyer.getByTestId("seen")).containsText("has not offered NUT-M6 so far");
        // half typed, it is there again
        buyer.reload();
        assertThat(buyer.getByLabel("Quantity of LIME-10")).hasValue("300");
        buyer.getByLabel("Quantity of LIME-10").fill("abc");
        assertThat(buyer.getByLabel("Quantity of LIME-10")).hasAttribute("aria-invalid", "true");
        assertThat(button(buyer, "Enter it")).isDisabled();
    }
}
