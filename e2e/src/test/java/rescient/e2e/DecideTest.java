package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Deciding in one sitting: seen, changed, kept and taken back. */
class DecideTest extends DeskTest {

    private static Locator pane(Page page) {
        return page.getByTestId("decide");
    }

    private static Locator keepIt(Page page) {
        return pane(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
    }

    private static Locator rows(Page page) {
        return page.getByRole(AriaRole.LISTBOX).getByRole(AriaRole.OPTION);
    }

    private static Locator row(Page page, String text) {
        return rows(page).filter(new Locator.FilterOptions().setHasText(text)).first();
    }

    /** Goes to the first row with a word, from the keyboard. */
    private static void go(Page page, String word) {
        page.keyboard().press("/");
        assertThat(page.getByPlaceholder("filter")).isFocused();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type(word);
        page.keyboard().press("Enter");
        assertThat(rows(page).first()).containsText(word);
        page.keyboard().press("j");
        assertThat(page.locator(".plan-row.here")).containsText(word);
    }

    /** The pane is open and what follows is known. */
    private static void ready(Page page) {
        assertThat(keepIt(page)).isEnabled();
    }

    private static void keep(Page page, String sentence) {
        ready(page);
        page.keyboard().press("Enter");
        assertThat(pane(page)).hasCount(0);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText(sentence);
    }

    private int standing() {
        return jdbc.queryForObject("select count(*) from decisions where undone_at is null", Integer.class);
    }

    @Test
    void aMorningOfTwentyDecisionsFromTheKeyboardAlone() {
        Page page = signedIn("ida");
        for (String item : List.of("EYELET-3", "NAIL-20", "SHEET-A5", "SMOKER-L", "TOOL-J", "QEX-10")) {
            go(page, item);
            page.keyboard().press("f");
            keep(page, "Firmed");
        }
        for (String item : List.of("BRG-6202", "ROD-12")) {
            go(page, item);
            page.keyboard().press("e");
            assertThat(pane(page).getByLabel("Quantity")).isFocused();
            page.keyboard().type("240");
            keep(page, "Changed");
        }
        for (String item : List.of("ROF-10W", "HIVE-10W")) {
            go(page, item);
            page.keyboard().press("h");
            keep(page, "Held");
        }
        go(page, "TAP-40");
        page.keyboard().press("p");
        keep(page, "Split");
        go(page, "PO-2040");
        page.keyboard().press("a");
        keep(page, "Asked to cancel PO-2040");
        for (String number : List.of("PO-2036", "PO-2039", "PO-2041")) {
            go(page, number);
            page.keyboard().press("a");
            keep(page, "Asked for " + number);
        }
        for (String number : List.of("MO-318", "MO-310", "MO-315", "MO-313")) {
            go(page, number);
            page.keyboard().press("a");
            keep(page, "Changed " + number);
        }
        go(page, "PO-2038");
        page.keyboard().press("a");
        keep(page, "Asked for PO-2038");
        Assertions.assertThat(standing()).isEqualTo(20);

        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).not().containsText("Asked for PO-2038");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).not().containsText("Taking back");
        Assertions.assertThat(standing()).isEqualTo(19);
    }

    @Test
    void aFasterSupplierIsOfferedSeenAndTakenBackAfterAReload() {
        Page page = signedIn("ida");
        plannedOrder(page, "BRG-6202").click();
        Locator offer = page.getByTestId("offers").getByRole(AriaRole.LISTITEM).first();
        assertThat(offer).containsText("Widdow Trade");
        assertThat(offer).containsText("on time, 27 Nov");
        offer.getByText("For this order").click();

        Locator consequence = page.getByTestId("consequence");
        assertThat(consequence).containsText("SO-790 Aldery Bees");
        assertThat(consequence).containsText("11 Jan 2027 → on time");
        assertThat(consequence).containsText("112.50 more");
        keep(page, "Changed 50 BRG-6202: from Widdow Trade");
        assertThat(row(page, "BRG-6202")).containsText("FO-1 · Widdow Trade");

        page.reload();
        assertThat(row(page, "FO-1")).isVisible();
        page.keyboard().press("u");
        assertThat(row(page, "FO-1")).hasCount(0);
        assertThat(row(page, "BRG-6202")).containsText("Brookmill Bearings");
        // the cursor stands where it stood before
        assertThat(page.locator(".plan-row.here")).containsText("Brookmill Bearings");
    }

    @Test
    void anAlternativeItemThatLiesThereIsUsedInTheOrderThatWaits() {
        Page page = signedIn("ida");
        plannedOrder(page, "BRG-6202").click();
        Locator offer = page.getByTestId("offers").getByRole(AriaRole.LISTITEM).nth(1);
        assertThat(offer).containsText("BRG-6202-SS");
        assertThat(offer).containsText("on time");
        assertThat(offer).containsText("30.40");
        offer.getByText("Use it in 1 order that waits").click();

        assertThat(page.getByTestId("before-after")).containsText("CARR-62");
        assertThat(page.getByTestId("before-after")).containsText("BRG-6202-SS");
        assertThat(page.getByTestId("consequence")).containsText("11 Jan 2027 → on time");
        keep(page, "Used 8 BRG-6202-SS instead of 8 BRG-6202 in 1 order");
        assertThat(row(page, "FO-1")).containsText("CARR-62");

        page.reload();
        assertThat(row(page, "FO-1")).isVisible();
        page.keyboard().press("u");
        assertThat(row(page, "FO-1")).hasCount(0);
        page.navigate("/items?code=BRG-6202-SS");
        assertThat(page.getByTestId("alternatives")).containsText("It can take the place of BRG-6202 in CARR-62");
    }

    /** Ranges, a whole group, and what is selected as a table for a spreadsheet. */
    @Test
    void manyRowsAreSelectedAtOnceAndCopied() {
        Page page = signedIn("ida");
        page.keyboard().press("Shift+J");
        page.keyboard().press("Shift+J");
        assertThat(page.getByTestId("selection")).containsText("3 selected");
        page.keyboard().press("Escape");
        rows(page).nth(1).click();
        rows(page).nth(4).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(page.getByTestId("selection")).containsText("4 selected");
        String copied = (String) page.evaluate("""
                () => {
                  const data = new DataTransfer();
                  document.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true }));
                  return data.getData('text/plain');
                }""");
        Assertions.assertThat(copied.split("\n")).hasSize(5);
        Assertions.assertThat(copied).startsWith("item\tname\tsite");
        page.keyboard().press("Escape");
        Locator head = page.getByTitle("Select these, or none of them").first();
        head.click();
        assertThat(page.getByTestId("selection")).containsText("selected");
        head.click();
        assertThat(page.getByTestId("selection")).not().containsText("selected");
    }

    /** What is opened follows the cursor; a key that is held, or pressed while something opens, moves it one row each time. */
    @Test
    void noPressOfAKeyIsLostHoweverFastTheyCome() {
        Page page = signedIn("ida");
        rows(page).first().click();
        assertThat(rows(page).first()).hasClass(Pattern.compile("\\bhere\\b"));
        page.evaluate("""
                async () => {
                  for (let i = 0; i < 15; i++) {
                    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: i % 5 === 4 ? 'k' : 'j', bubbles: true }));
                    // now before the cursor is painted, now after it, now while what it stands on is opened
                    await new Promise((next) => setTimeout(next, (i * 7) % 40));
                  }
                }""");
        // twelve down, three up
        assertThat(rows(page).nth(9)).hasClass(Pattern.compile("\\bhere\\b"));
        String key = rows(page).nth(9).getAttribute("id").replaceFirst("order-", "");
        page.waitForURL(url -> java.net.URLDecoder.decode(url, java.nio.charset.StandardCharsets.UTF_8)
                .contains("order=" + key));
    }

    @Test
    void theListIsAsWideAsItWasMade() {
        Page page = signedIn("ida");
        Locator divider = separator(page, "Width of the list");
        double before = page.getByRole(AriaRole.LISTBOX).boundingBox().width;
        divider.focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.reload();
        page.locator(".plan-row").first().waitFor();
        Assertions.assertThat(page.getByRole(AriaRole.LISTBOX).boundingBox().width)
                .isGreaterThan(before + 20);
        divider.dblclick();
        Assertions.assertThat(page.getByRole(AriaRole.LISTBOX).boundingBox().width)
                .isEqualTo(before);
    }

    @Test
    void aColumnIsAsWideAsItWasMade() {
        Page page = signedIn("ida");
        Locator due = page.locator(".plan-row .due").first();
        double before = due.boundingBox().width;
        separator(page, "Width of Due").focus();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("ArrowLeft");
        // two steps of 8 pixels, away from the column that takes the rest
        Assertions.assertThat(due.boundingBox().width).isEqualTo(before + 16);
        page.reload();
        due.waitFor();
        Assertions.assertThat(due.boundingBox().width).isEqualTo(before + 16);
        separator(page, "Width of Due").focus();
        page.keyboard().press("Home");
        Assertions.assertThat(due.boundingBox().width).isEqualTo(before);
    }

    private static Locator separator(Page page, String name) {
        return page.getByRole(AriaRole.SEPARATOR, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void ordersAreMergedAndDecisionsTakenBackFromTheirList() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("ROD-12");
        assertThat(rows(page).first()).containsText("ROD-12");
        rows(page).nth(0).locator(".box").click();
        rows(page).nth(1).locator(".box").click();
        assertThat(page.getByTestId("selection")).containsText("2 selected");
        page.keyboard().press("m");
        keep(page, "Merged 2 orders of ROD-12");
        assertThat(row(page, "FO-1")).isVisible();

        page.keyboard().press("d");
        page.getByTestId("decisions").getByText("Take back").click();
        assertThat(page.getByTestId("decisions")).containsText("taken back");
        assertThat(row(page, "FO-1")).hasCount(0);
    }

    @Test
    void aHeldOrderStaysInViewAndOutOfRelease() {
        Page page = signedIn("ida");
        go(page, "SMOKER-L");
        page.keyboard().press("h");
        assertThat(pane(page).getByLabel("Until")).hasValue("30 Nov");
        pane(page).getByLabel("Until").fill("3 Dec");
        pane(page).getByLabel("Why").fill("waits for the new drawing");
        keep(page, "Held 10 SMOKER-L until 3 Dec");
        assertThat(row(page, "SMOKER-L")).containsText("held until 3 Dec");
        page.keyboard().press("r");
        assertThat(page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true)))
                .containsText("is held until 3 Dec by Ida Holm");
        page.keyboard().press("Escape");

        page.keyboard().press("h");
        keep(page, "Let go 10 SMOKER-L");
        assertThat(row(page, "SMOKER-L")).not().containsText("held until");
    }

    @Test
    void aDemandIsLeftOutForAMomentAndPutBack() {
        Page page = signedIn("ida");
        plannedOrder(page, "BRG-6202").click();
        assertThat(page.getByText("1 customer order late")).isVisible();
        page.getByLabel("Leave SO-790 Aldery Bees out for a moment").first().click();
        Locator trial = page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Trial"));
        assertThat(trial).containsText("without SO-790");
        assertThat(page.getByText("1 customer order late")).hasCount(0);

        // nothing is decided in a trial
        page.keyboard().press("j");
        page.keyboard().press("f");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("This is a trial");
        trial.getByText("Put back").click();
        assertThat(page.getByText("1 customer order late")).isVisible();
        Assertions.assertThat(standing()).isZero();
    }

    @Test
    void twoPlannersOnTheSameOrderSeeEachOtherAndTheSecondRepeatsWithOneKey() {
        Page ida = signedIn("ida");
        Page tom = signedIn("tom");
        go(ida, "ROD-12");
        assertThat(listed(tom, "ROD-12").locator(".person")).hasText("IH");
        go(tom, "ROD-12");
        tom.keyboard().press("e");
        assertThat(pane(tom).getByLabel("Quantity")).isFocused();
        tom.keyboard().type("150");
        ready(tom);

        ida.keyboard().press("e");
        assertThat(pane(ida).getByLabel("Quantity")).isFocused();
        ida.keyboard().type("60");
        keep(ida, "Changed 126 ROD-12: 60");

        // what tom looks at is gone; one key does the same to what is there now
        Locator again = pane(tom)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Do it with what is there now"));
        assertThat(again).isVisible();
        assertThat(pane(tom)).containsText("no longer asked for");
        tom.keyboard().press("Enter");
        keep(tom, "Changed");
        Assertions.assertThat(standing()).isEqualTo(2);
    }

    @Test
    void aMissingSupplierIsRepairedRightThere() {
        Page page = signedIn("ida");
        go(page, "ENTR-R");
        Locator signal = page.getByLabel("Signals").getByText("Choose a supplier");
        assertThat(signal).isVisible();
        signal.click();
        pane(page).getByRole(AriaRole.COMBOBOX).selectOption("EMBERLY");
        assertThat(page.getByTestId("consequence")).containsText("no supplier");
        ready(page);
        keepIt(page).click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Planned ENTR-R otherwise: supplier EMBERLY");
        assertThat(row(page, "ENTR-R")).containsText("Emberly Tinware");
        page.keyboard().press("u");
        assertThat(row(page, "ENTR-R")).containsText("no supplier");
    }

    @Test
    void theLevelOfAStockPointBelowSafetyIsSetRightThere() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("below safety");
        row(page, "SMOKER-L").click();
        page.getByLabel("Signals").getByText("Plan it otherwise").click();
        pane(page).getByLabel("Safety stock").fill("0");
        assertThat(page.getByTestId("consequence")).containsText("below safety");
        ready(page);
        keepIt(page).click();
        assertThat(row(page, "SMOKER-L")).hasCount(0);
    }

    @Test
    void aReorderPointThatIsTooLowForItsLeadTimeIsRaisedRightThere() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("reorder point low");
        row(page, "PLUG-20").click();
        page.getByLabel("Signals").getByText("Raise it").click();
        // what would do is there already
        assertThat(pane(page).getByLabel("Reorder point")).not().hasValue("5");
        assertThat(page.getByTestId("consequence")).containsText("reorder point low");
        ready(page);
        keepIt(page).click();
        assertThat(row(page, "PLUG-20")).hasCount(0);
    }

    @Test
    void moreFromTheSameSupplierIsAddedAndFirmedOnly() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        preview(page);
        Locator more = page.getByTestId("more");
        assertThat(more).containsText("from Fenwicke Fixings due within");
        // 58.80 is below Fenwicke's minimum of 60
        assertThat(more.locator(".."))
                .containsText("is below the supplier's minimum order value of € 60.00".replace("€ ", "€\u2009"));
        more.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("EYELET-3"))
                .first()
                .getByText("add")
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .hasText("Release 2: 1 purchase order");
        page.getByLabel("firm only").check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Firm 2"))
                .click();
        keep(page, "Firmed 2 orders");
        assertThat(row(page, "NAIL-20")).containsText("FO-1");
        assertThat(row(page, "EYELET-3")).containsText("FO-2");
    }

    @Test
    void aViewIsSavedAndTheLastOneComesBack() {
        Page page = signedIn("ida");
        page.getByLabel("View: groups").click();
        page.getByLabel("supplier", new Page.GetByLabelOptions().setExact(true)).check();
        assertThat(page).hasURL(Pattern.compile("by=supplier"));
        page.getByLabel("Value", new Page.GetByLabelOptions().setExact(true)).check();
        assertThat(page).hasURL(Pattern.compile("columns=start.due.possible.value"));
        page.getByLabel("Name of this view").fill("by supplier");
        page.getByText("Save this view").click();
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("by supplier").setExact(true)))
                .isVisible();
        page.keyboard().press("Escape");
        assertThat(page.getByText("Value", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();

        page.navigate("/orders");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Orders");
        page.navigate("/plan");
        assertThat(page).hasURL(Pattern.compile("by=supplier"));
        assertThat(rows(page).first()).isVisible();
    }

    @Test
    void anOrderIsDraggedAlongTheStockLineAndASignalSaysWhy() {
        Page page = signedIn("ida");
        plannedOrder(page, "BRG-6202").click();
        Locator mark = page.getByRole(
                        AriaRole.GROUP, new Page.GetByRoleOptions().setName(Pattern.compile("^Stock line of BRG-6202")))
                .locator("a[style*='ew-resize']")
                .first();
        BoundingBox box = mark.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 40, box.y + box.height / 2);
        page.mouse().up();
        ready(page);
        assertThat(page.getByTestId("consequence")).containsText("BRG-6202");
        page.keyboard().press("Escape");
        assertThat(pane(page)).hasCount(0);

        page.getByLabel("Signals").getByTitle("Why this signal").first().click();
        assertThat(page.getByText("Overdue by")).isVisible();
    }

    @Test
    void aLoopIsCuredWhereItIsSeen() {
        jdbc.update("insert into bom_lines (parent, line, component, quantity) values ('CARR-62', '99', 'GBX-410', 1)");
        jdbc.update("update company set revision = revision + 1");
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("CARR-62");
        row(page, "Its bill of materials leads back to itself").click();
        page.getByText("Take GBX-410 out of CARR-62").first().click();
        keep(page, "Took GBX-410 out of the bill of materials of CARR-62");
        assertThat(row(page, "Its bill of materials leads back to itself")).hasCount(0);
    }
}
