package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;

/** Customer orders: taken with a promise for each line, and changed. */
class DemandTest extends DeskTest {
    private static Locator sheet(Page page, String wanted) {
        page.navigate("/demand/new");
        Locator sheet = page.getByTestId("order-sheet");
        sheet.getByLabel("Wanted on", new Locator.GetByLabelOptions().setExact(true))
                .fill(wanted);
        return sheet;
    }

    private static Locator goes(Locator sheet, int line) {
        return sheet.getByTestId("goes-" + (line - 1));
    }

    private static Locator answer(Locator sheet, int line) {
        return sheet.getByTestId("answer-" + (line - 1));
    }

    private static void paste(Page page, Locator field, String text) {
        field.focus();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent("
                        + "new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })) }",
                text);
    }

    private int lines(String number) {
        return jdbc.queryForObject("select count(*) from customer_orders where number = ?", Integer.class, number);
    }

    /** A rush order that would make others late: the day is refused by nobody, but the promise is taken instead and holds. */
    @Test
    void aRushOrderIsTakenForTheDayThatCanBePromised() {
        Page page = signedIn("sven");
        page.keyboard().press("g");
        page.keyboard().press("s");
        Locator sheet = page.getByTestId("order-sheet");
        assertThat(sheet.getByLabel("Customer")).isFocused();
        page.keyboard().type("C110");
        page.keyboard().press("Enter");
        page.keyboard().type("P 4711");
        page.keyboard().press("Enter");
        page.keyboard().type("30 Nov");
        page.keyboard().press("Enter");
        page.keyboard().press("Enter");
        assertThat(sheet.getByLabel("Item of line 1")).isFocused();
        page.keyboard().type("EXTR-4");
        page.keyboard().press("Enter");
        page.keyboard().type("40");
        assertThat(goes(sheet, 1)).containsText("not before");
        assertThat(answer(sheet, 1)).containsText("It waits for");
        assertThat(answer(sheet, 1)).containsText("Free now 0 pcs");
        assertThat(sheet.getByTestId("delayed")).containsText("SO-790");
        // whoever keeps the day is shown whom it makes late
        page.keyboard().press("Alt+k");
        assertThat(sheet.getByTestId("consequence")).containsText("SO-790");
        page.keyboard().press("Alt+p");
        assertThat(goes(sheet, 1)).containsText("promised");
        assertThat(sheet.getByTestId("consequence")).containsText("No customer order becomes later or earlier");
        keepOrder(page);
        Locator order = page.getByTestId("order-lines");
        assertThat(order).containsText("in time");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from customer_orders where number = 'SO-792' and reference = 'P 4711'"
                                + " and promised_date = due_date and wanted_date = date '2026-11-30'",
                        Integer.class))
                .isEqualTo(1);
    }

    /** A kit is promised by its scarcest part: what can go goes, and the rest when that part has come. */
    @Test
    void aKitIsSplitByItsScarcestPart() {
        Page page = signedIn("ida");
        Locator sheet = sheet(page, "29 Dec");
        line(sheet, 1, "KIT-BEGIN", "60");
        assertThat(goes(sheet, 1)).containsText("not before");
        assertThat(answer(sheet, 1)).containsText("The part");
        assertThat(answer(sheet, 1)).containsText("A kit of");
        Locator split = answer(sheet, 1)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("the rest later")));
        assertThat(split).isVisible();
        page.keyboard().press("Alt+s");
        Locator second = sheet.getByLabel("Quantity of line 2");
        assertThat(second).not().hasValue("");
        int now = Integer.parseInt(sheet.getByLabel("Quantity of line 1").inputValue());
        Assertions.assertThat(now + Integer.parseInt(second.inputValue())).isEqualTo(60);
        assertThat(goes(sheet, 1)).containsText("goes");
        assertThat(goes(sheet, 2)).containsText("not before");
        second.focus();
        page.keyboard().press("Alt+p");
        keepOrder(page);
        Assertions.assertThat(lines("SO-792")).isEqualTo(2);
        assertThat(page.getByTestId("order-lines").locator("tbody tr")).hasCount(2);
        assertThat(page.getByTestId("order-lines")).not().containsText("late");
    }

    /** Rows of a mail: codes, names, numbers and dates are recognised; two rows are wrong and put right in their place. */
    @Test
    void pastedRowsWithTwoFaultsArePutRight() {
        Page page = signedIn("sven");
        Locator sheet = sheet(page, "+60");
        paste(
                page,
                sheet.getByLabel("Item of line 1"),
                "6 x TRAP-1\n12 feed syrup\nNOTHING\t4\nGLOVE-M\t2,5\t\nSUIT-M;3;15 Mar\n");
        assertThat(sheet.getByLabel("Item of line 2")).hasValue("SYRUP-5");
        assertThat(sheet.getByLabel("Wanted day of line 5")).hasValue("15 Mar");
        assertThat(sheet.getByRole(AriaRole.ALERT)).hasCount(2);
        assertThat(sheet.getByText("There is no item NOTHING")).isVisible();
        assertThat(page.getByRole(AriaRole.TOOLBAR).getByRole(AriaRole.BUTTON).first())
                .isDisabled();
        sheet.getByLabel("Item of line 3").fill("TOOL-J");
        sheet.getByLabel("Quantity of line 4").fill("2");
        assertThat(sheet.getByRole(AriaRole.ALERT)).hasCount(0);
        // after a reload all of it is still there
        page.reload();
        assertThat(sheet.getByLabel("Item of line 3")).hasValue("TOOL-J");
        assertThat(goes(sheet, 5)).containsText("goes");
        sheet.getByLabel("Quantity of line 1").focus();
        keepOrder(page);
        Assertions.assertThat(lines("SO-792")).isEqualTo(5);
    }

    /** Two desks look at the same pieces; one keeps its order, and the other is told at once what is left. */
    @Test
    void ofTwoDesksAtTheLastPiecesTheOtherIsToldAtOnce() {
        Page sven = signedIn("sven");
        Page ida = signedIn("ida");
        Locator his = sheet(sven, "+4");
        Locator hers = sheet(ida, "+4");
        line(his, 1, "TRAP-1", "2000");
        assertThat(goes(his, 1)).containsText("not before");
        Locator some = answer(his, 1)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("the rest later")));
        String all = some.innerText().replaceAll("(?s)pcs.*", "").replaceAll("\\D", "");
        line(his, 1, "TRAP-1", all);
        line(hers, 1, "TRAP-1", all);
        assertThat(goes(his, 1)).containsText("goes");
        assertThat(goes(hers, 1)).containsText("goes");
        keepOrder(sven);
        assertThat(goes(hers, 1)).containsText("not before");
        hers.getByLabel("Quantity of line 1").focus();
        ida.keyboard().press("Alt+p");
        keepOrder(ida);
        assertThat(ida.getByTestId("order-lines")).not().containsText("late");
    }

    @Test
    void linesAreCancelledTakenUpAgainAndPutFirst() {
        Page page = signedIn("sven");
        page.navigate("/demand?words=SO-790");
        assertThat(page.getByTestId("order-lines")).containsText("waits for BRG-6202");
        page.keyboard().press("d");
        Locator pane = page.getByTestId("decide");
        assertThat(page.getByTestId("consequence")).containsText("EXTR-4");
        pane.getByLabel("Why (optional)").fill("closed down");
        Locator keep = pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(keep).isEnabled();
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Cancelled SO-790 line 1: closed down");
        assertThat(page.getByText("No line of a customer order fits")).isVisible();
        page.getByLabel("State").selectOption("cancelled");
        page.locator(".plan-row")
                .filter(new Locator.FilterOptions().setHasText("SO-790"))
                .click();
        page.getByText("Take it up again").click();
        assertThat(keep).isEnabled();
        keep.click();
        page.getByLabel("State").selectOption("");
        page.locator(".plan-row")
                .filter(new Locator.FilterOptions().setHasText("SO-790"))
                .click();
        page.keyboard().press("p");
        assertThat(pane.getByLabel("Priority")).hasValue("1");
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("priority 1");
        assertThat(page.getByTestId("history")).containsText("Sven Aldous");
    }

    @Test
    void aQuoteIsKeptAndMadeFirm() {
        Page page = signedIn("sven");
        Locator sheet = sheet(page, "+90");
        sheet.getByLabel("only a quote").check();
        line(sheet, 1, "EXTR-4", "5");
        assertThat(goes(sheet, 1)).containsText("goes");
        Locator keep = page.getByRole(AriaRole.TOOLBAR)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep the quote"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByText("Make it firm")).isVisible();
        page.getByText("Make it firm").click();
        Locator firm = page.getByTestId("decide")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(firm).isEnabled();
        firm.click();
        assertThat(page.getByTestId("order-lines")).containsText("in time");
    }

    /** A shortage is brought by one press from the list of who gets what, with what it does first. */
    @Test
    void aShortageIsCuredByOnePress() {
        Page page = signedIn("ida");
        page.navigate("/demand?line=SO-790~1");
        page.getByText("Who else gets EXTR-4").click();
        Locator ledger = page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Who gets what"));
        Locator late = ledger.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("SO-790"));
        assertThat(late).containsText("Aldery Bees");
        assertThat(late).containsText("11 Jan");
        late.getByText("Aldery Bees").click();
        page.keyboard().press("a");
        Locator pane = page.getByTestId("decide");
        assertThat(pane.getByLabel("Quantity")).hasValue("24");
        assertThat(page.getByTestId("consequence")).isVisible();
        Locator keep = pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(pane).isHidden();
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from supply_order_lines where item = 'EXTR-4' and stage = 'firmed'",
                        Integer.class))
                .isEqualTo(1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("by week"))
                .click();
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Sums by week")))
                .isVisible();
    }

    /** All planned orders that a customer order needs, on all levels, go to one preview of their release. */
    @Test
    void whatAnOrderNeedsIsReleasedFromIt() {
        Page page = signedIn("ida");
        page.navigate("/demand?line=SO-790~1");
        assertThat(page.getByTestId("brings")).containsText("BRG-6202");
        page.keyboard().press("r");
        Locator release = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        assertThat(release).containsText("BRG-6202");
        assertThat(release).containsText("EXTR-4");
    }

    /** The depot has plenty: a transfer of its own brings the line to the works before it could be made there. */
    @Test
    void aLineIsBroughtFromAnotherSite() {
        Page page = signedIn("ida");
        page.evaluate("""
                () => fetch('/api/decisions', {
                  method: 'POST',
                  headers: {
                    'Content-Type': 'application/json',
                    'Idempotency-Key': crypto.randomUUID(),
                    'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1])
                  },
                  body: JSON.stringify({ kind: 'DATA', rows: [
                    { table: 'stock', key: { item: 'SMOKER-S', site: 'QUAYSIDE', lot: 'NEW' }, fields: { quantity: '500' }, fresh: true }
                  ] })
                }).then((r) => r.json())""");
        Locator sheet = sheet(page, "26 Nov");
        line(sheet, 1, "SMOKER-S", "60");
        Locator bring = answer(sheet, 1)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Brought from Quayside")));
        assertThat(bring).isVisible();
        sheet.getByLabel("Quantity of line 1").focus();
        page.keyboard().press("Alt+b");
        assertThat(answer(sheet, 1)).containsText("A transfer of its own brings it from");
        assertThat(goes(sheet, 1)).containsText("goes");
        keepOrder(page);
        Assertions.assertThat(jdbc.queryForObject(
                        "select from_site || ' ' || quantity::int || ' ' || stage from open_orders where number in"
                                + " (select number from supply_orders where note = 'for SO-792 line 1')",
                        String.class))
                .isEqualTo("QUAYSIDE 60 firmed");
    }

    /** Kept and released with one key: what the order needs stands in the preview of its release as soon as the plan knows it. */
    @Test
    void anOrderIsKeptAndWhatItNeedsReleased() {
        Page page = signedIn("ida");
        Locator sheet = sheet(page, "30 Nov");
        line(sheet, 1, "EXTR-4", "40");
        assertThat(goes(sheet, 1)).containsText("not before");
        sheet.getByLabel("Quantity of line 1").focus();
        page.keyboard().press("Alt+p");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Alt ?r"))))
                .isEnabled();
        page.keyboard().press("Alt+r");
        Locator release = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        assertThat(release).containsText("EXTR-4");
        Assertions.assertThat(lines("SO-792")).isEqualTo(1);
    }

    /** Widdow needs four working days from Monday; the purchase is released from the order, and each names the other. */
    @Test
    void aLineIsBoughtForAlone() {
        Page page = signedIn("ida");
        Locator sheet = sheet(page, "24 Nov");
        line(sheet, 1, "BRG-6202", "7");
        assertThat(answer(sheet, 1)).isVisible();
        sheet.getByLabel("Quantity of line 1").focus();
        page.keyboard().press("Alt+o");
        Locator supplier = answer(sheet, 1).getByLabel("Supplier of line 1");
        supplier.selectOption("WIDDOW");
        assertThat(answer(sheet, 1)).containsText("who sells 20 pcs at least");
        assertThat(goes(sheet, 1)).containsText("not before 27 Nov");
        sheet.getByLabel("Quantity of line 1").focus();
        page.keyboard().press("Alt+p");
        keepOrder(page);
        Locator lines = page.getByTestId("order-lines");
        assertThat(lines).containsText("bought for it from");
        page.keyboard().press("r");
        assertThat(page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true)))
                .containsText("BRG-6202 → SO-792 / 1");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Release 1")))
                .click();
        assertThat(page.getByTestId("released").getByRole(AriaRole.LINK)).hasText("PO-2045");
        Assertions.assertThat(jdbc.queryForObject(
                        "select item || ' ' || supplier || ' ' || quantity::int from open_orders"
                                + " where for_order = 'SO-792' and for_line = '1'",
                        String.class))
                .isEqualTo("BRG-6202 WIDDOW 7");
        String number = jdbc.queryForObject("select number from open_orders where for_order = 'SO-792'", String.class);
        page.navigate("/orders?number=" + number);
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("SO-792").setExact(true))
                .first()
                .click();
        assertThat(page.getByTestId("brings")).containsText(number);
    }

    /** Without the smoker, and with two hive tools: for this order alone. */
    @Test
    void aKitHasOtherPartsForOneOrder() {
        Page page = signedIn("sven");
        Locator sheet = sheet(page, "1 Mar 2027");
        line(sheet, 1, "KIT-BEGIN", "2");
        answer(sheet, 1)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Other parts for this order"))
                .click();
        Locator parts = sheet.getByTestId("parts-0");
        int usual = parts.getByRole(AriaRole.COMBOBOX).count();
        parts.getByLabel("Leave part 6 out").click();
        parts.getByLabel("Quantity of part 6 of line 1").fill("2");
        assertThat(parts.getByRole(AriaRole.COMBOBOX)).hasCount(usual - 1);
        // what is typed wrong stays where it is until it is put right
        Locator first = parts.getByRole(AriaRole.COMBOBOX).first();
        String code = first.inputValue();
        first.fill("HIVE-NONE");
        assertThat(sheet.getByRole(AriaRole.ALERT).first()).containsText("HIVE-NONE");
        assertThat(first).isFocused();
        first.fill(code);
        assertThat(goes(sheet, 1)).containsText("goes");
        keepOrder(page);
        assertThat(page.getByTestId("order-lines")).containsText("2 TOOL-J");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from customer_order_parts where number = 'SO-792'", Integer.class))
                .isEqualTo(usual - 1);
        // on the order's page one of them is put right; before and after stand side by side
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Its own parts"))
                .click();
        Locator decide = page.getByTestId("decide");
        decide.getByLabel("Quantity of part 6 of the kit").fill("3");
        Locator keep = decide.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByTestId("order-lines")).containsText("3 TOOL-J");
        Locator versions = page.getByTestId("versions");
        assertThat(versions.locator("tbody td").nth(1)).containsText("2 TOOL-J");
        assertThat(versions.locator("tbody td.changed")).containsText("3 TOOL-J");
    }

    /** A promise that the plan does not keep is seen, moved to the day that can be, and the customer is told by mail. */
    @Test
    void aBrokenPromiseIsMovedAndTold() {
        expectFailure("/api/demand/confirmation");
        Page page = signedIn("sven");
        page.navigate("/demand?broken=only");
        assertThat(page.locator(".plan-row")).hasCount(1);
        page.locator(".plan-row").click();
        page.keyboard().press("m");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("the plan does not keep");
        page.getByText("Promise 11 Jan 2027 instead").click();
        Locator keep = page.getByTestId("decide")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByTestId("order-lines")).containsText("in time");
        page.getByText("Confirm by mail").click();
        Locator mails = page.getByTestId("mails");
        assertThat(mails).containsText("Your order SO-790");
        assertThat(mails).containsText(Pattern.compile("sent$"));
        assertThat(mails.getByRole(AriaRole.LINK)).hasAttribute("href", Pattern.compile("/api/mails/\\d+/attachment"));
        page.keyboard().press("g");
        page.keyboard().press("y");
        assertThat(page.getByTestId("mails")).containsText("SO-790");
    }

    /** The list goes out as a workbook too, in which a spreadsheet finds numbers and days. */
    @Test
    void theListIsSavedAsAWorkbook() throws IOException {
        Page page = signedIn("sven");
        page.navigate("/demand?words=SO-790");
        assertThat(page.locator(".plan-row")).hasCount(1);
        Download file = page.waitForDownload(() -> page.keyboard().press("S"));
        Assertions.assertThat(file.suggestedFilename()).isEqualTo("customer-orders.xlsx");
        try (ReadableWorkbook book = new ReadableWorkbook(file.path().toFile())) {
            List<Row> rows = book.getFirstSheet().read();
            Assertions.assertThat(rows).hasSize(2);
            Assertions.assertThat(rows.get(1).getCellText(0)).isEqualTo("SO-790");
            Assertions.assertThat(rows.get(1).getCellAsNumber(7)).contains(new BigDecimal("24"));
            Assertions.assertThat(rows.get(1).getCellAsDate(9).map(LocalDateTime::toLocalDate))
                    .contains(LocalDate.of(2026, 12, 17));
        }
    }

    /** Whoever follows a link of the sheet finds it again as it was; what was kept is not there twice. */
    @Test
    void aSheetThatIsLeftComesBack() {
        Page page = signedIn("sven");
        Locator sheet = sheet(page, "+60");
        line(sheet, 1, "TRAP-1", "7");
        answer(sheet, 1).getByText("who gets what").click();
        assertThat(page).hasURL(Pattern.compile("/demand/turn"));
        page.keyboard().press("g");
        page.keyboard().press("s");
        assertThat(sheet.getByLabel("Item of line 1")).hasValue("TRAP-1");
        assertThat(sheet.getByLabel("Quantity of line 1")).hasValue("7");
        sheet.getByLabel("Quantity of line 1").focus();
        assertThat(goes(sheet, 1)).containsText("goes");
        keepOrder(page);
        page.keyboard().press("g");
        page.keyboard().press("s");
        assertThat(sheet.getByLabel("Item of line 1")).hasValue("");
    }
}
