package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/** Orders are worked off where they are read: parts go out, products come in, goods leave for customers. */
class ExecutionTest extends DeskTest {
    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    /** By keys: the next step of a production order, its parts, its output with spoiled pieces, its end; another browser's plan follows. */
    @Test
    void anOrderIsMade() {
        Page planner = signedIn("ida");
        planner.navigate("/stock?point=FRAME-B~LARKMOOR");
        Locator there = planner.getByTestId("there");
        assertThat(there).isVisible();
        int before = jdbc.queryForObject(
                "select coalesce(sum(quantity), 0)::int from stock where item = 'FRAME-B' and site = 'LARKMOOR'",
                Integer.class);
        Page shop = signedIn("ida");
        shop.navigate("/orders?number=MO-319");
        Locator line = shop.getByLabel("Line 1");
        assertThat(line).containsText("FR-TOP");
        shop.keyboard().press("n");
        Locator issue = line.getByTestId("issue");
        assertThat(issue.getByTestId("moves")).containsText("FR-SIDE");
        shop.keyboard().press("Escape");
        assertThat(issue).hasCount(0);
        button(line, "Issue parts of line 1").click();
        assertThat(issue.getByTestId("moves")).containsText("FR-SIDE");
        button(issue, "Issue parts").click();
        assertThat(line).containsText("Issued FRAME-B on MO-319");
        assertThat(line).containsText("500 issued");

        button(line, "Report line 1").click();
        Locator output = line.getByTestId("output");
        output.getByLabel("Good").fill("480");
        output.getByLabel("Spoiled").fill("5");
        output.getByLabel("Why").fill("knots");
        assertThat(output.getByTestId("moves")).containsText("20 pcs to come");
        output.getByLabel("Why").press("Enter");
        assertThat(line).containsText("Reported 480 FRAME-B, 5 scrapped on MO-319");
        assertThat(there).containsText(before + 480 + " pcs");

        button(line, "Finish line 1").click();
        button(line.getByTestId("finish"), "Finish").click();
        assertThat(shop.getByText("production order, done")).isVisible();
        // it was finished too early: the order is open again
        line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back"))
                .click();
        assertThat(button(line, "Report line 1")).isVisible();
    }

    /** A customer order ships in part by key, and one piece comes back. */
    @Test
    void aCustomerOrderShips() {
        Page page = signedIn("stella");
        page.navigate("/demand?line=SO-716~1");
        Locator order = page.getByLabel("Customer order SO-716");
        assertThat(order).isVisible();
        page.keyboard().press("s");
        Locator ship = order.getByTestId("ship");
        ship.getByLabel("Goes").fill("100");
        assertThat(ship.getByTestId("refused")).containsText("at most 8");
        ship.getByLabel("Goes").fill("4");
        assertThat(ship.getByTestId("moves")).containsText("HIVE-10W");
        ship.getByLabel("Goes").press("Enter");
        assertThat(order).containsText("Shipped 4 HIVE-10W on SO-716");
        assertThat(order.getByTestId("order-lines")).containsText("4 pcs");
        button(order, "Take back line 1").click();
        Locator back = order.getByTestId("return_from_customer");
        back.getByLabel("Comes back").fill("1");
        back.getByLabel("Why").fill("scratched");
        back.getByLabel("set aside").check();
        assertThat(back.getByTestId("moves")).containsText("HIVE-10W");
        back.getByLabel("Why").press("Enter");
        assertThat(order).containsText("Took back from the customer 1 HIVE-10W on SO-716");
    }

    /** A day's scans: looked at, posted but for what cannot be, and not posted twice. */
    @Test
    void aFileOfPostingsIsBroughtIn() {
        Page page = signedIn("ida");
        page.navigate("/stock");
        assertThat(page.getByTestId("ledger")).isVisible();
        byte[] scans = ("key,date,action,number,item,site,quantity\n"
                        + "s1,2026-11-23,receive,PO-2041,,,\n"
                        + "s2,2026-11-23,issue,MO-319,,,\n"
                        + "s3,2026-11-23,adjust,,ROD-12,LARKMOOR,-99999\n")
                .getBytes(StandardCharsets.UTF_8);
        Locator chooser = page.locator("input[type=file]");
        chooser.setInputFiles(new FilePayload("scans.csv", "text/csv", scans));
        Locator pane = page.getByLabel("Postings of a file");
        assertThat(pane.getByTestId("sum")).containsText("2 postings can be made, 1 cannot be");
        assertThat(pane).containsText("ROD-12 at Larkmoor works: there are");
        button(pane, "Post 2 postings").click();
        assertThat(pane.getByTestId("sum")).containsText("2 postings were made, 1 cannot be");
        chooser.setInputFiles(new FilePayload("scans.csv", "text/csv", scans));
        assertThat(pane.getByTestId("sum")).containsText("0 postings can be made, 2 were made before, 1 cannot be");
        byte[] nonsense = "key,date,action\na,soon,dance\n".getBytes(StandardCharsets.UTF_8);
        expectFailure("/api/stock/file/preview");
        expectFailure("422");
        chooser.setInputFiles(new FilePayload("wrong.csv", "text/csv", nonsense));
        assertThat(pane.getByRole(AriaRole.ALERT)).containsText("Nothing was posted: the file has faults");
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("ledger")).isVisible();
    }
}
