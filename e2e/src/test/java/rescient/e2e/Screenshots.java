package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Makes the pictures in docs/screenshots: {@code ./rescient screenshots}. Not a test; its name keeps it out of the runs. */
class Screenshots extends DeskTest {
    private static final Path FOLDER = Path.of(System.getProperty("rescient.screenshots", "target/screenshots"));

    private static void shoot(Page page, String name) {
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    @Test
    void all() {
        Page page = browser();
        page.navigate("/signin");
        assertThat(page.getByText("Demo sign-ins")).isVisible();
        shoot(page, "signin");
        page = signedIn("ida");
        plannedOrder(page, "ROD-12").click();
        assertThat(page.getByTestId("serves")).containsText("SO-790");
        select(page, "ROD-12");
        select(page, "NAIL-20");
        shoot(page, "plan");
        select(page, "ROF-10W");
        preview(page);
        assertThat(pressable(page)).isEnabled();
        shoot(page, "release");
        press(page);
        assertThat(page.getByTestId("released")).isVisible();
        page.navigate("/orders?number=PO-2045");
        assertThat(page.getByLabel("Line 1")).isVisible();
        assertThat(page.getByLabel("Its way")).isVisible();
        shoot(page, "orders");
        page.navigate("/stock?point=SYRUP-5~LARKMOOR");
        postOn(page, "S-2605", "c", "64", "two cans leak");
        postOn(page, "S-2611", "z", "20", "label missing");
        postOn(page, "S-2605", "a", "-4", null);
        shoot(page, "stock");
        page.navigate("/stock/lot?item=BRG-6202&lot=BK-7702");
        assertThat(page.getByTestId("trace-picture")).containsText("SO-598");
        shoot(page, "lot");
        page.navigate("/items?code=GBX-410");
        assertThat(page.getByTestId("bom")).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^GBX-410 at Larkmoor works: Lead time, ")))
                .first()
                .click();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type("40");
        assertThat(page.getByTestId("follows")).containsText("customer order");
        shoot(page, "items");
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        page.navigate("/items/health");
        page.locator(".plan-row").nth(1).click();
        assertThat(page.getByTestId("repair")).isVisible();
        shoot(page, "health");
        Page dark = signedIn("ida", ColorScheme.DARK);
        plannedOrder(dark, "BRG-6202").click();
        assertThat(dark.getByTestId("serves")).containsText("SO-790");
        shoot(dark, "plan-dark");
        Page deciding = signedIn("ida");
        plannedOrder(deciding, "BRG-6202").click();
        deciding.getByTestId("offers").getByText("For this order").first().click();
        assertThat(deciding.getByTestId("consequence")).containsText("SO-790");
        Page late = signedIn("ida");
        late.keyboard().press("s");
        assertThat(late.getByLabel("All signals")).containsText("demand late");
        late.navigate("/plan/threads?number=SO-790&line=1");
        assertThat(late.getByRole(
                        AriaRole.LISTBOX,
                        new Page.GetByRoleOptions().setName("Thread").setExact(true)))
                .containsText("BRG-6202");
        shoot(late, "threads");
        late.navigate("/plan/periods?scale=weeks");
        assertThat(late.getByRole(AriaRole.GRID)).containsText("EXTR-4");
        late.getByLabel("Open EXTR-4").first().click();
        late.getByLabel("Components of EXTR-4").first().click();
        assertThat(late.getByRole(AriaRole.GRID)).containsText("Planned starts");
        assertThat(late.getByRole(AriaRole.GRID)).containsText("GBX-410");
        shoot(late, "periods");
        late.navigate("/demand?line=SO-790~1");
        assertThat(late.getByTestId("brings")).containsText("GEAR-60");
        shoot(late, "demand");
        late.navigate("/demand/forecast?series=EXTR-4~LARKMOOR");
        assertThat(late.getByTestId("methods")).containsText("least error");
        assertThat(late.locator(".plan-row").first()).isVisible();
        shoot(late, "forecast");
        late.navigate("/partners/deliveries?supplier=BROOKMILL");
        assertThat(late.getByTestId("delivered-lines")).isVisible();
        shoot(late, "deliveries");
        late.navigate("/stock/out");
        late.locator(".plan-row").nth(1).click();
        assertThat(late.getByTestId("can-go")).isVisible();
        shoot(late, "going-out");
        late.navigate("/orders/bench");
        late.locator(".card", new Page.LocatorOptions().setHasText("MO-319")).click();
        assertThat(late.getByLabel("Line 1", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
        late.keyboard().press("n");
        late.getByTestId("issue").locator("button.main-action").click();
        assertThat(late.getByTestId("costs")).isVisible();
        shoot(late, "workbench");
        late.navigate("/demand/new");
        Locator sheet = late.getByTestId("order-sheet");
        sheet.getByLabel("Customer").fill("C110");
        sheet.getByLabel("Wanted on", new Locator.GetByLabelOptions().setExact(true))
                .fill("+9");
        line(sheet, 1, "KIT-BEGIN", "6");
        line(sheet, 2, "TRAP-1", "30");
        line(sheet, 3, "EXTR-4", "12");
        assertThat(sheet.getByTestId("goes-2")).containsText("not before");
        assertThat(sheet.getByTestId("precedence")).isVisible();
        shoot(late, "order-sheet");
        // the sheet that is left would come back as it was
        late.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Empty the sheet"))
                .click();
        late.keyboard().press("Escape");
        enterRushOrder(late);
        late.navigate("/plan/changes?since=morning");
        assertThat(late.getByTestId("changes")).containsText("became late");
        shoot(late, "changes");
        jdbc.update("delete from what_ifs");
        late.navigate("/plan/what-if");
        assertThat(late.getByRole(AriaRole.TOOLBAR)).isVisible();
        late.keyboard().press("n");
        assertThat(late.getByTestId("what-if")).containsText("Nothing is otherwise yet");
        late.keyboard().press("a");
        late.getByLabel("Percent").fill("20");
        late.keyboard().press("Enter");
        assertThat(late.getByTestId("what-if")).containsText("Demand up by 20 %");
        late.getByLabel("Name of the what-if").fill("A fifth more");
        late.keyboard().press("Enter");
        assertThat(late.getByRole(AriaRole.LISTBOX)).containsText("A fifth more");
        shoot(late, "what-if");
    }

    /** Something is posted on a lot; without a reason it is only looked at. */
    private static void postOn(Page page, String lot, String key, String quantity, String why) {
        assertThat(page.getByTestId("ledger")).isVisible();
        page.keyboard().press(key);
        Locator form = page.getByTestId("posting");
        form.locator("input").first().fill(quantity);
        form.getByLabel("Lot").fill(lot);
        assertThat(form.getByTestId("moves")).containsText(lot);
        if (why != null) {
            form.getByLabel("Why").fill(why);
            assertThat(form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Post")))
                    .isEnabled();
            page.keyboard().press("Enter");
            assertThat(form).hasCount(0);
        }
    }
}
