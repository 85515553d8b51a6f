package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Goods come in, are counted, set aside and taken back, by those who keep the stores. */
class StockTest extends DeskTest {
    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator actions(Page page) {
        return page.getByRole(AriaRole.TOOLBAR);
    }

    private static Locator entries(Page page) {
        return page.getByTestId("ledger").locator("tbody tr:not(.open)");
    }

    private static void post(Page page) {
        Locator post = button(page.getByTestId("posting"), "Post");
        assertThat(post).isEnabled();
        page.keyboard().press("Enter");
        assertThat(page.getByTestId("posting")).hasCount(0);
    }

    /** A lot-tracked purchase in two parts, one of them set aside; the plan of another browser knows it at once; taken back by key. */
    @Test
    void aPurchaseIsReceivedInTwoPartsWithLots() {
        Page planner = signedIn("ida");
        planner.navigate("/stock?point=FONDANT-2~LARKMOOR");
        assertThat(planner.getByTestId("there")).containsText("0 pcs");
        Page stores = signedIn("stella");
        stores.navigate("/orders?number=PO-2044");
        Locator line = stores.getByLabel("Line 1");
        button(line, "Receive line 1").click();
        Locator receive = line.getByTestId("receive");
        receive.getByLabel("Has come").fill("25");
        // a lot item does not come without its lot
        assertThat(button(receive, "Receive")).isDisabled();
        receive.getByLabel("Lot").fill("F-77");
        receive.getByLabel("Serves until").fill("1.9.2027");
        assertThat(receive.getByTestId("moves")).containsText("35 pcs to come");
        assertThat(button(receive, "Receive")).isEnabled();
        receive.getByLabel("Lot").press("Enter");
        assertThat(line).containsText("Received 25 FONDANT-2 lot F-77 on PO-2044");
        assertThat(line).containsText("35");
        assertThat(planner.getByTestId("there")).containsText("25 pcs");
        assertThat(planner.getByLabel("Lots")).containsText("F-77");
        // the lot leads back to its supplier, and nobody has any of it yet
        Locator tag = button(planner.getByLabel("Lots"), "F-77");
        tag.click();
        Locator trace = planner.getByLabel("Trace of F-77");
        assertThat(trace).containsText("came on PO-2044, Sweetmoss Feeds");
        assertThat(trace).containsText("No customer has any of it");
        tag.click();
        assertThat(trace).hasCount(0);

        button(line, "Receive line 1").click();
        receive.getByLabel("Lot").fill("F-78");
        receive.getByLabel("set aside").check();
        assertThat(receive.getByTestId("moves")).containsText("done");
        button(receive, "Receive").click();
        assertThat(stores.getByText("purchase order, done")).isVisible();
        assertThat(receive).hasCount(0);
        assertThat(planner.getByTestId("there")).containsText("60 pcs lie here, 35 of them set aside");
        assertThat(button(line, "Receive line 1")).hasCount(0);

        // the whole of it is taken back from the ledger, and the order is open again
        stores.navigate("/stock?point=FONDANT-2~LARKMOOR");
        assertThat(entries(stores)).hasCount(2);
        entries(stores)
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("Take back")))
                .click();
        assertThat(actions(stores)).containsText("Took back: Received 35 pcs FONDANT-2 lot F-78 on PO-2044");
        assertThat(planner.getByTestId("there")).containsText("25 pcs");
        // of what stays, five go back to the supplier: no more than came
        entries(stores).last().getByText("send back").click();
        Locator form = stores.getByTestId("posting");
        assertThat(form).containsText("on PO-2044");
        form.getByLabel("How much").fill("26");
        assertThat(form.getByTestId("refused")).containsText("at most 25");
        form.getByLabel("How much").fill("5");
        form.getByLabel("Why").fill("torn");
        assertThat(form.getByTestId("moves")).containsText("20 pcs");
        post(stores);
        assertThat(actions(stores)).containsText("Sent back 5 FONDANT-2 lot F-77 on PO-2044");
        assertThat(planner.getByTestId("there")).containsText("20 pcs");
        stores.navigate("/orders?number=PO-2044");
        assertThat(button(stores.getByLabel("Line 1"), "Receive line 1")).isVisible();
    }

    /** By keys alone: adjusted with a reason, counted, set aside and freed; more than there is is said before it is tried. */
    @Test
    void stockIsPostedByKeys() {
        Page page = signedIn("stella");
        page.keyboard().press("g");
        page.keyboard().press("k");
        assertThat(page.getByTestId("ledger")).isVisible();
        page.keyboard().press("/");
        page.keyboard().type("rod-12");
        page.keyboard().press("Enter");
        assertThat(page.locator(".plan-row")).hasCount(1);
        page.keyboard().press("j");
        Locator there = page.getByTestId("there");
        assertThat(there).containsText("m lie here");
        int before = jdbc.queryForObject(
                "select sum(quantity)::int from stock where item = 'ROD-12' and site = 'LARKMOOR'", Integer.class);
        int earlier = entries(page).count();
        page.keyboard().press("a");
        Locator form = page.getByTestId("posting");
        form.getByLabel("By").fill("-99999");
        assertThat(form.getByTestId("refused")).containsText("there are " + before);
        assertThat(button(form, "Post")).isDisabled();
        form.getByLabel("By").fill("abc");
        assertThat(form).containsText("is no number");
        form.getByLabel("By").fill("-2");
        form.getByLabel("Why").fill("bent");
        // what is half typed is there again after a reload
        page.reload();
        assertThat(form.getByLabel("Why")).hasValue("bent");
        assertThat(form.getByLabel("By")).hasValue("-2");
        assertThat(form.getByTestId("moves")).containsText("ROD-12");
        form.getByLabel("Why").focus();
        post(page);
        assertThat(there).containsText(before - 2 + " m");
        assertThat(entries(page).first()).containsText("bent");
        assertThat(actions(page)).containsText("Adjusted -2 ROD-12: bent");
        page.keyboard().press("u");
        assertThat(actions(page)).containsText("Took back: Adjusted -2 ROD-12: bent");
        assertThat(there).containsText(before + " m");
        assertThat(entries(page)).hasCount(earlier + 2);
        page.keyboard().press("c");
        form.getByLabel("Counted").fill("50");
        assertThat(form.getByTestId("moves")).containsText("50 m");
        post(page);
        page.keyboard().press("z");
        form.getByLabel("How much").fill("20");
        assertThat(form.getByTestId("moves")).containsText("quarantined");
        post(page);
        assertThat(there).containsText("50 m lie here, 20 of them set aside");
        page.keyboard().press("f");
        assertThat(form.getByTestId("moves")).containsText("ROD-12");
        post(page);
        assertThat(there).not().containsText("set aside");
        Assertions.assertThat(moved()).isEqualTo(7);
    }

    /** Everything that is to come in one posting, but what needs a lot; late ones first; taken back as one. */
    @Test
    void manyReceiptsAtOnce() {
        Page page = signedIn("stella");
        page.keyboard().press("g");
        page.keyboard().press("j");
        Locator pane = page.getByLabel("Receiving");
        assertThat(pane).containsText("ago");
        int due = jdbc.queryForObject(
                "select count(*) from supply_order_lines l join supply_orders o on o.number = l.order_number"
                        + " where o.kind = 'buy' and l.stage = 'released' and l.quantity > 0 and l.closed_date is null",
                Integer.class);
        Assertions.assertThat(due).isGreaterThan(30);
        page.keyboard().press("X");
        assertThat(pane).containsText(due + " lines selected");
        assertThat(pane.getByTestId("single")).containsText("FONDANT-2");
        assertThat(button(pane, "Receive " + (due - 2) + " lines")).isEnabled();
        page.keyboard().press("r");
        assertThat(actions(page)).containsText("Received " + (due - 2) + " lines");
        assertThat(page.locator(".plan-row")).hasCount(2);
        Assertions.assertThat(moved()).isEqualTo(due - 2);
        page.keyboard().press("u");
        assertThat(actions(page)).containsText("Took back");
        assertThat(actions(page)).containsText(due + " lines to come");
    }

    /** Bought by the box of a thousand, kept by the piece, and received as pieces. */
    @Test
    void aBoxIsReceivedAsPieces() {
        Page page = signedIn("ida");
        plannedOrder(page, "NAIL-20").click();
        select(page, "NAIL-20");
        preview(page);
        assertThat(pressable(page)).isEnabled();
        press(page);
        assertThat(page.getByTestId("released")).isVisible();
        String number = jdbc.queryForObject(
                "select order_number from supply_order_lines where item = 'NAIL-20' order by id desc limit 1",
                String.class);
        page.navigate("/orders?number=" + number);
        Locator line = page.getByLabel("Line 1");
        assertThat(line).containsText("6 box");
        button(line, "Receive line 1").click();
        Locator receive = line.getByTestId("receive");
        receive.getByLabel("Has come").fill("2");
        assertThat(receive.getByTestId("moves")).containsText("4\u2009000 pcs to come");
        receive.getByLabel("Counted in").selectOption("pcs");
        receive.getByLabel("Has come").fill("700");
        assertThat(receive.getByTestId("moves")).containsText("5\u2009300 pcs to come");
        button(receive, "Receive").click();
        assertThat(line).containsText("Received 700 pcs NAIL-20");
    }

    /** Who does not keep the stores sees all of it and is told who may. */
    @Test
    void othersLookOnly() {
        Page page = signedIn("sven");
        page.navigate("/stock?point=SYRUP-5~LARKMOOR");
        assertThat(page.getByLabel("Lots")).containsText("S-2605");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Adjust")))
                .isDisabled();
        page.keyboard().press("a");
        assertThat(actions(page)).containsText("Stock is posted by stores and planners; you are signed in as sales");
        // one lot alone is looked at, the list keeps its order by value
        page.getByLabel("Lots").getByText("S-2605").click();
        assertThat(page.getByText("of S-2605 only")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Value"))
                .first()
                .click();
        assertThat(page).hasURL(Pattern.compile("sort=value"));
    }
}
