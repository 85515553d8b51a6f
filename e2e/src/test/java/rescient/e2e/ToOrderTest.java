package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What is put together for one order, packed, worked on by two, and taken back. */
class ToOrderTest extends OrderDeskTest {
    /** Small hives are put together when somebody orders them; their parts lie there. */
    private void hivesToOrder() {
        jdbc.update("update planning set rule = 'per_order' where item = 'HIVE-6N'");
        jdbc.update("delete from forecasts where item = 'HIVE-6N'");
        jdbc.update("""
                insert into stock (item, site, quantity)
                select component, 'LARKMOOR', 0 from bom_lines where parent = 'HIVE-6N'
                on conflict do nothing""");
        jdbc.update("update stock set quantity = quantity + 1000 where lot is null and site = 'LARKMOOR'"
                + " and item in (select component from bom_lines where parent = 'HIVE-6N')");
        again();
    }

    /** A customer orders five; one is free, four are put together: proposed with the line, given out, and shipped in one posting. */
    @Test
    void anAssemblyLeavesWithItsOrder() {
        hivesToOrder();
        Page page = signedIn("ida");
        page.navigate("/demand");
        // keys act once the place is there
        page.locator(".plan-row").first().waitFor();
        page.keyboard().press("n");
        Locator sheet = page.getByTestId("order-sheet");
        sheet.getByLabel("Customer").fill("C110");
        sheet.getByLabel("Wanted on", EXACT).fill("2 Dec");
        line(sheet, 1, "HIVE-6N", "5");
        assertThat(sheet.getByTestId("goes-0")).containsText("goes 2 Dec");
        keepOrder(page);
        String order = jdbc.queryForObject(
                "select number from customer_orders where item = 'HIVE-6N' order by id desc limit 1", String.class);

        page.navigate("/plan?words=HIVE-6N&source=assemble");
        page.locator(".plan-row").first().click();
        page.keyboard().press("x");
        page.keyboard().press("r");
        button(page, "Release 1").click();
        assertThat(page.getByTestId("released")).isVisible();
        String assembly = last("HIVE-6N");
        Assertions.assertThat(jdbc.queryForObject(
                        "select for_order from supply_order_lines where order_number = ?", String.class, assembly))
                .isEqualTo(order);

        page.navigate("/demand?line=" + order + "~1");
        assertThat(page.getByLabel("Customer order " + order)).isVisible();
        page.keyboard().press("s");
        Locator ship = page.getByTestId("ship");
        assertThat(ship.getByTestId("moves")).containsText("BOX-B6N");
        posted(ship, "Ship");
        assertThat(page.getByLabel("Customer order " + order)).containsText("Shipped 5 pcs HIVE-6N on " + order);
        Assertions.assertThat(jdbc.queryForList(
                        "select kind || ' ' || sum(quantity)::int from movements where key ="
                                + " (select key from movements order by number desc limit 1)"
                                + " and item in ('HIVE-6N', 'BOX-B6N') group by kind order by kind",
                        String.class))
                .containsExactlyInAnyOrder("issue -4", "output 4", "shipment -5");
        page.navigate("/orders?number=" + assembly);
        assertThat(page.getByTestId("costs")).containsText("BOX-B6N");
    }

    /** Spacers are bought by the pallet of 1,000 and sold by twenty-five: a pallet is received, packed, and goes. */
    @Test
    void packsOfTwentyFiveArePackedFromAPallet() {
        jdbc.update("insert into units (code, decimals) values ('pallet', 0)");
        jdbc.update("""
                insert into items (code, name, "group", unit, kind, issue, costing) values
                ('SPACER-9', 'Frame spacer', 'MATERIAL', 'pcs', 'stocked', 'backflush', 'average'),
                ('SPACER-25', 'Frame spacers, pack of 25', 'HIVE', 'pcs', 'stocked', null, 'average')""");
        jdbc.update("insert into unit_conversions (item, from_unit, to_unit, factor)"
                + " values ('SPACER-9', 'pallet', 'pcs', 1000)");
        jdbc.update("""
                insert into planning (item, site, supplier) values
                ('SPACER-9', 'LARKMOOR', 'EMBERLY'), ('SPACER-25', 'LARKMOOR', null)""");
        jdbc.update("insert into supplier_items (supplier, item, from_quantity, unit, price, lead_time_days)"
                + " values ('EMBERLY', 'SPACER-9', 0, 'pallet', 90, 5)");
        jdbc.update("insert into bom_lines (parent, line, component, quantity) values"
                + " ('SPACER-25', '10', 'SPACER-9', 25), ('SPACER-25', '20', 'LABEL-H', 1)");
        jdbc.update("""
                insert into customer_orders (number, line, customer, item, site, quantity, due_date)
                values ('SO-900', '1', 'C110', 'SPACER-25', 'LARKMOOR', 40, '2026-12-10')""");
        again();

        Page page = signedIn("ida");
        String purchase = released(page, "SPACER-9", "buy");
        page.navigate("/orders?number=" + purchase);
        assertThat(line(page)).containsText("1 pallet");
        sent(page);
        Locator receive = begun(page, "Receive", "receive");
        receive.getByLabel("Has come").fill("1");
        assertThat(receive.getByTestId("moves")).containsText(Pattern.compile("\\+1.000 pcs"));
        receive.getByLabel("its invoice lies with it").check();
        receive.getByLabel("Invoice number").fill("EM-31");
        receive.getByLabel("Invoice of").fill("today");
        assertThat(receive).containsText("Enters invoice EM-31");
        assertThat(receive).containsText("90.00 EUR: as agreed, it may be paid");
        posted(receive, "Receive");
        assertThat(page.getByTestId("order-invoices")).containsText("EM-31");

        String packing = released(page, "SPACER-25", "assemble");
        page.navigate("/orders?number=" + packing);
        Locator output = begun(page, "Report", "output");
        assertThat(output.getByTestId("moves")).containsText(Pattern.compile("−1.000 pcs"));
        posted(output, "Report");
        posted(begun(page, "Finish", "finish"), "Finish");
        page.navigate("/demand?line=SO-900~1");
        assertThat(page.getByLabel("Customer order SO-900")).isVisible();
        page.keyboard().press("s");
        posted(page.getByTestId("ship"), "Ship");
        page.navigate("/stock?point=SPACER-9~LARKMOOR");
        assertThat(page.getByTestId("there")).containsText("0 pcs");
    }

    /** Two report on one order: what the first does is in the second's slip before he posts, and nothing is lost. */
    @Test
    void twoWorkOnOneOrder() {
        Page foreman = signedIn("rufus");
        Page planner = signedIn("ida");
        for (Page page : List.of(foreman, planner)) {
            page.navigate("/orders?number=MO-319");
        }
        Locator first = begun(foreman, "Issue parts of", "issue");
        Locator second = begun(planner, "Issue parts of", "issue");
        assertThat(second.getByTestId("moves")).containsText("FR-SIDE");
        posted(first, "Issue parts");
        // his parts are gone already: nothing is left to be issued, and he sees it without asking
        assertThat(second).containsText("nothing to post");
        planner.keyboard().press("Escape");

        Locator early = begun(foreman, "Report", "output");
        early.getByLabel("Good").fill("300");
        Locator late = begun(planner, "Report", "output");
        late.getByLabel("Good").fill("250");
        assertThat(late.getByTestId("moves")).containsText("250 pcs to come");
        posted(early, "Report");
        assertThat(late).containsText("50 pcs more than were still to come on MO-319");
        late.getByLabel("Good").fill("200");
        assertThat(late).not().containsText("more than");
        posted(late, "Report");
        Assertions.assertThat(jdbc.queryForObject(
                        "select sum(quantity)::int from movements where order_number = 'MO-319' and kind = 'output'",
                        Integer.class))
                .isEqualTo(500);
        Assertions.assertThat(jdbc.queryForObject(
                        "select quantity::int from supply_order_lines where order_number = 'MO-319'", Integer.class))
                .isZero();
    }

    /** Stock, value, orders and their cost, as they stand. */
    private Map<String, List<Map<String, Object>>> books() {
        return Map.of(
                "stock",
                jdbc.queryForList("""
                        select item, site, lot, serial, quarantined, sum(quantity) from stock
                        group by 1, 2, 3, 4, 5 having sum(quantity) <> 0 order by 1, 2, 3, 4, 5"""),
                "values",
                jdbc.queryForList("select item, site, value from stock_values where value <> 0 order by 1, 2"),
                "orders",
                jdbc.queryForList("""
                        select order_number, line, stage, quantity, scrapped from supply_order_lines order by 1, 2"""),
                "parts",
                jdbc.queryForList("""
                        select order_number, line, component, quantity, issued from supply_order_components
                        order by 1, 2, 3"""),
                "costs",
                jdbc.queryForList("""
                        select number, line, material, work, outside, put_out, variance from order_costs
                        where material <> 0 or work <> 0 or outside <> 0 order by 1, 2"""),
                "customers",
                jdbc.queryForList("select number, line, quantity, state from customer_orders order by 1, 2"),
                "transit",
                jdbc.queryForList(
                        "select number, line, lot, serial, quantity, value from in_transit order by 1, 2, 3, 4"));
    }

    /** The last movement of an item at a site is taken back with all of its posting. */
    private static void takenBack(Page page, String point) {
        page.navigate("/stock?point=" + point);
        page.getByTestId("ledger")
                .getByLabel(Pattern.compile("^Take back number"))
                .first()
                .click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Took back");
    }

    /** Received, sent on, made with its parts, finished, and shipped: all of it is taken back, and everything is as before. */
    @Test
    void allOfItIsTakenBack() {
        Map<String, List<Map<String, Object>>> before = books();
        Page page = signedIn("ida");
        page.navigate("/orders?number=PO-2044");
        Locator receive = begun(page, "Receive", "receive");
        receive.getByLabel("Has come").fill("25");
        receive.getByLabel("Lot").fill("F-77");
        posted(receive, "Receive");
        page.navigate("/orders?number=TO-58");
        Locator come = begun(page, "Receive", "receive_transfer");
        come.getByLabel("Has come").fill("5");
        come.getByLabel("Lost").fill("1");
        posted(come, "Receive");
        page.navigate("/orders?number=MO-319");
        posted(begun(page, "Issue parts of", "issue"), "Issue parts");
        Locator output = begun(page, "Report", "output");
        output.getByLabel("Good").fill("480");
        output.getByLabel("Spoiled").fill("5");
        posted(output, "Report");
        posted(begun(page, "Finish", "finish"), "Finish");
        page.navigate("/demand?line=SO-716~1");
        assertThat(page.getByLabel("Customer order SO-716")).isVisible();
        page.keyboard().press("s");
        Locator ship = page.getByTestId("ship");
        ship.getByLabel("Goes").fill("4");
        posted(ship, "Ship");
        Assertions.assertThat(moved()).isGreaterThan(6);
        Assertions.assertThat(books()).isNotEqualTo(before);

        takenBack(page, "HIVE-10W~QUAYSIDE");
        // on the order's page all that was posted on it stands, its end too
        page.navigate("/orders?number=MO-319");
        Locator on = page.getByTestId("posted-on");
        for (String what : List.of("Finished MO-319", "Reported 480 FRAME-B", "Issued FRAME-B")) {
            on.getByLabel(Pattern.compile("^Take back: " + what)).click();
            assertThat(on.getByText("Took back: " + what)).isVisible();
        }
        takenBack(page, "SMOKER-S~QUAYSIDE");
        takenBack(page, "FONDANT-2~LARKMOOR");
        Assertions.assertThat(books()).isEqualTo(before);
    }
}
