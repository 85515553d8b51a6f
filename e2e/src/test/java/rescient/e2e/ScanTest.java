package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What a scanner types is taken anywhere in Stock; and how suppliers deliver is looked into. */
class ScanTest extends DeskTest {
    private static void scan(Page page, String code) {
        page.keyboard().press(".");
        page.keyboard().type(code);
        page.keyboard().press("Enter");
    }

    /** A label fills the receipt of the line that brings its item; a serial number is received once. */
    @Test
    void aLabelFillsTheReceipt() {
        Page stores = signedIn("stella");
        stores.navigate("/stock/due");
        listed(stores, "PO-").waitFor();
        scan(stores, "(240)WAX-BLK(10)W-31(17)271231(30)75");
        Locator receive = stores.getByTestId("receive");
        assertThat(receive.getByLabel("Lot")).hasValue("W-31");
        assertThat(receive.getByLabel("Has come")).hasValue("75");
        assertThat(receive.getByLabel("Serves until")).hasValue("2028-01-01");
        assertThat(receive.getByTestId("moves")).containsText("+75 kg");
        receive.getByLabel("Lot").press("Enter");
        assertThat(stores.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Received")))
                .isVisible();
        assertThat(stores.getByText("Labels")).isVisible();

        // the number of a lot leads to its page, that of an order to its receipt
        scan(stores, "W-31");
        stores.waitForURL(Pattern.compile(".*/stock/lot.*"));
        assertThat(stores.getByLabel("Where it lies")).containsText("75 kg");
        scan(stores, "NEVER-SEEN");
        assertThat(stores.getByRole(AriaRole.ALERT)).containsText("Nothing here is called NEVER-SEEN");
    }

    /** The same serial number cannot come twice. */
    @Test
    void aSerialNumberComesOnce() {
        Page stores = signedIn("stella");
        stores.navigate("/stock?words=EXTR-4");
        listed(stores, "EXTR-4").click();
        for (int time = 1; time <= 2; time++) {
            stores.keyboard().press("a");
            Locator form = stores.getByTestId("posting");
            form.getByLabel("By").fill("1");
            form.getByLabel("Serial number").fill("X-77");
            if (time == 1) {
                assertThat(form.getByTestId("moves")).containsText("EXTR-4");
                form.getByLabel("By").press("Enter");
                assertThat(form).hasCount(0);
            } else {
                assertThat(form.getByTestId("refused")).containsText("X-77");
            }
        }
    }

    /** Counted blind, line by line with Enter; the book comes in sight with the last, and what differs is posted. */
    @Test
    void aListIsCountedBlind() {
        Page stores = signedIn("stella");
        stores.navigate("/stock/counts");
        stores.getByText("Nothing is to be counted").waitFor();
        stores.keyboard().press("n");
        Locator form = stores.getByLabel("Make a list");
        form.getByLabel("Group").selectOption("FEED");
        form.getByLabel("only what is due").uncheck();
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make it"))
                .click();
        Locator lines = stores.getByTestId("count-lines");
        lines.getByLabel("Counted of SYRUP-5 S-2605").fill("68");
        lines.getByLabel("Counted of SYRUP-5 S-2605").press("Enter");
        assertThat(stores.getByTestId("counted")).containsText("1 of 2 lines");
        assertThat(lines.locator("tbody tr").first().locator("td").nth(3)).hasText("");
        assertThat(lines.getByLabel("Counted of SYRUP-5 S-2611")).isFocused();
        stores.keyboard().type("90");
        stores.keyboard().press("Enter");
        assertThat(lines.locator("tbody tr").first().locator("td").nth(3)).hasText("70");
        assertThat(lines.locator("tbody tr").first()).containsText("-2");
        assertThat(stores.getByTestId("counted")).containsText("11.20");
        stores.getByText("Post what differs").click();
        assertThat(stores.getByTestId("counted")).containsText("posted by");
        stores.navigate("/stock?point=SYRUP-5~LARKMOOR");
        assertThat(stores.getByTestId("there")).containsText("158");
    }

    /** Every figure of a supplier opens its lines. */
    @Test
    void figuresOpenTheirLines() {
        Page buyer = signedIn("bram");
        buyer.navigate("/partners/deliveries?supplier=BROOKMILL");
        Locator pane = buyer.getByLabel("How Brookmill Bearings delivers");
        Locator late = pane.getByLabel("Figures").getByRole(AriaRole.BUTTON).nth(1);
        int count = Integer.parseInt(late.locator("b").textContent());
        buyer.keyboard().press("o");
        assertThat(late).hasAttribute("aria-pressed", "true");
        assertThat(pane.getByTestId("delivered-lines").locator("tbody tr")).hasCount(count);
        assertThat(pane.getByTestId("delivered-lines")).containsText("late");
        buyer.keyboard().press("v");
        buyer.waitForURL(Pattern.compile(".*/partners\\?.*BROOKMILL.*"));
    }
}
