package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Items and all that is kept of them, changed where it stands: first what follows, then kept, then taken back. */
class ItemDataTest extends DeskTest {
    private static Locator follows(Page page) {
        return page.getByTestId("follows");
    }

    private static Locator keep(Page page) {
        return follows(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep"));
    }

    /** The button of a value, by what it is about and its name. */
    private static Locator value(Page page, String about) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + about + ", .*change$")))
                .first();
    }

    private static void type(Page page, String about, String text) {
        value(page, about).click();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type(text);
    }

    private void kept(Page page, String sentence) {
        assertThat(keep(page)).isEnabled();
        page.keyboard().press("Enter");
        // the first leaves the field, the second keeps
        if (follows(page).count() > 0) {
            page.keyboard().press("Enter");
        }
        assertThat(follows(page)).hasCount(0);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText(sentence);
    }

    private String text(String query) {
        return jdbc.queryForObject(query, String.class);
    }

    /** A lead time says what follows while it is typed, and is taken back with one key. */
    @Test
    void aLeadTimeSaysWhatFollowsBeforeItIsKept() {
        Page page = signedIn("ida");
        page.navigate("/items?code=GBX-410");
        String before = text("select lead_time_days::text from planning where item = 'GBX-410'");
        type(page, "GBX-410 at Larkmoor works: Lead time", "40");
        assertThat(follows(page)).containsText("customer order");
        assertThat(follows(page).getByText("inside lead time, 40 working days")).isVisible();
        Assertions.assertThat(text("select lead_time_days::text from planning where item = 'GBX-410'"))
                .isEqualTo(before);
        kept(page, "→ 40");
        assertThat(page.getByTestId("history")).containsText("Ida Holm");
        Assertions.assertThat(text("select lead_time_days::text from planning where item = 'GBX-410'"))
                .isEqualTo("40");
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back");
        Assertions.assertThat(text("select lead_time_days::text from planning where item = 'GBX-410'"))
                .isEqualTo(before);
    }

    /** What cannot work is said in its place, with what would. */
    @Test
    void whatCannotWorkIsSaidAtItsField() {
        Page page = signedIn("ida");
        page.navigate("/items?code=GBX-410");
        type(page, "GBX-410 at Larkmoor works: Minimum", "70");
        assertThat(page.getByTestId("planning").getByRole(AriaRole.ALERT)).containsText("is over the max_quantity");
        assertThat(keep(page)).isDisabled();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type("soon");
        assertThat(page.getByTestId("planning").getByRole(AriaRole.ALERT)).containsText("\"soon\"");
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        assertThat(follows(page)).hasCount(0);
    }

    /** A planner's usual way to a new variant: a copy, an order for it, and the release of what that needs. */
    @Test
    void aVariantIsCopiedPlannedAndReleased() {
        Page page = signedIn("ida");
        String like = "SMOKER-L";
        page.navigate("/items?code=" + like);
        page.getByTestId("planning").waitFor();
        page.keyboard().press("c");
        Locator pane = page.getByTestId("decide");
        pane.getByLabel("Code").fill("NEW-1");
        pane.getByLabel("Name").fill("A new one");
        assertThat(pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")))
                .isEnabled();
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Added item NEW-1 like " + like);
        assertThat(page).hasURL(Pattern.compile("code=NEW-1"));
        assertThat(page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Item NEW-1")))
                .containsText("A new one");
        page.navigate("/demand/new");
        Locator sheet = page.getByTestId("order-sheet");
        sheet.getByLabel("Wanted on", new Locator.GetByLabelOptions().setExact(true))
                .fill("+60");
        line(sheet, 1, "NEW-1", "3");
        keepOrder(page);
        page.navigate("/plan?words=NEW-1");
        assertThat(page.locator(".plan-row.here")).containsText("NEW-1");
        page.keyboard().press("r");
        Locator release = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        assertThat(release).isVisible();
        assertThat(pressable(page)).isEnabled();
        press(page);
        assertThat(page.getByTestId("released")).isVisible();
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from supply_order_lines where item = 'NEW-1' and stage = 'released'",
                        Integer.class))
                .isEqualTo(1);
    }

    @Test
    void aComponentIsReplacedEverywhereAndTakenBack() {
        int used = jdbc.queryForObject("select count(*) from bom_lines where component = 'SCR-440'", Integer.class);
        Page page = signedIn("ida");
        page.navigate("/items?code=SCR-440");
        page.getByTestId("where-used").waitFor();
        page.getByText("Replace it everywhere").click();
        Locator pane = page.getByTestId("decide");
        pane.getByLabel("By").fill("SCR-525");
        assertThat(pane.getByTestId("consequence")).isVisible();
        assertThat(pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")))
                .isEnabled();
        pane.getByLabel("By").press("Enter");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("in " + used + " bills of materials");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from bom_lines where component = 'SCR-440'", Integer.class))
                .isZero();
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from bom_lines where component = 'SCR-440'", Integer.class))
                .isEqualTo(used);
    }

    /** Refused while it is typed, with the way of the loop. */
    @Test
    void aLoopIsRefusedWhileItIsTyped() {
        Page page = signedIn("ida");
        page.navigate("/items?code=CARR-62");
        page.getByTestId("bom").waitFor();
        page.getByText("Add a component").click();
        page.keyboard().type("GBX-410");
        page.keyboard().press("Enter");
        type(page, "New line 1: Quantity", "1");
        assertThat(page.getByTestId("bom").getByRole(AriaRole.ALERT)).containsText("CARR-62 → GBX-410");
        assertThat(keep(page)).isDisabled();
    }

    /** Two at the same field: the second sees the first's value beside his own, and chooses. */
    @Test
    void whoeverComesSecondChooses() {
        Page page = signedIn("ida");
        page.navigate("/items?code=GBX-410");
        type(page, "GBX-410 at Larkmoor works: Safety stock", "4");
        assertThat(keep(page)).isEnabled();
        Page other = signedIn("tom");
        other.navigate("/items?code=GBX-410");
        type(other, "GBX-410 at Larkmoor works: Safety stock", "7");
        kept(other, "safety stock");
        Locator conflict = page.getByTestId("planning").getByText("changed by somebody else");
        assertThat(conflict).containsText("now 7");
        assertThat(keep(page)).isDisabled();
        page.getByText("keep 4").click();
        kept(page, "7 → 4");
        Assertions.assertThat(text("select safety_stock::int::text from planning where item = 'GBX-410'"))
                .isEqualTo("4");
    }

    /** Another supplier becomes the first choice by a price of his, and the plan orders from him. */
    @Test
    void aPriceMakesAnotherSupplierTheFirstChoice() {
        jdbc.update("update planning set supplier = null where item = 'ROD-12'");
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        Page page = signedIn("ida");
        page.navigate("/items?code=ROD-12");
        page.getByTestId("supplier_items").waitFor();
        page.getByText("Add a price").click();
        page.keyboard().type("WIDDOW");
        page.keyboard().press("Enter");
        type(page, "New price 1: Price", "2.95");
        page.keyboard().press("Enter");
        type(page, "New price 1: Preference", "1");
        page.keyboard().press("Enter");
        assertThat(follows(page)).containsText("planned orders come");
        kept(page, "ROD-12 from Widdow Trade");
        page.navigate("/plan?words=ROD-12");
        assertThat(page.locator(".plan-row").first()).containsText("Widdow Trade");
    }

    /** One field of several stock points, first with what it was. */
    @Test
    void severalStockPointsAreChangedTogether() {
        Page page = signedIn("ida");
        page.navigate("/items?words=gear");
        assertThat(page.locator(".plan-row.here")).isVisible();
        page.keyboard().press("X");
        page.keyboard().press("e");
        Locator many = page.getByTestId("many");
        many.getByLabel("Field").selectOption("safety_time_days");
        page.keyboard().type("2");
        assertThat(many.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep")))
                .isEnabled();
        many.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep"))
                .click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Changed safety time days of");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from planning where safety_time_days = 2 and item like 'GEAR%'",
                        Integer.class))
                .isPositive();
    }
}
