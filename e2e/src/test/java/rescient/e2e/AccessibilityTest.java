package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.Set;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** axe finds no serious fault on any screen, in either theme. */
class AccessibilityTest extends DeskTest {
    private static final Set<String> SERIOUS = Set.of("serious", "critical");

    /** Which colours are in sight is all that the theme changes. */
    private static final List<String> OF_THE_THEME = List.of("color-contrast", "link-in-text-block");

    private static void check(Page page, String screen) {
        boolean dark = Boolean.TRUE.equals(page.evaluate("matchMedia('(prefers-color-scheme: dark)').matches"));
        // of what is in order no element need be named, and no page has frames: either would take longer than all the
        // rest
        AxeRunOptions faultsOnly = new AxeRunOptions();
        faultsOnly.setResultTypes(List.of("violations"));
        AxeBuilder axe = new AxeBuilder(page).options(faultsOnly).setLegacyMode(true);
        List<Rule> faults = (dark ? axe.withRules(OF_THE_THEME) : axe)
                .analyze().getViolations().stream()
                        .filter(rule -> SERIOUS.contains(rule.getImpact()))
                        .toList();
        Assertions.assertThat(faults)
                .as(screen)
                .extracting(rule -> rule.getId() + ": " + rule.getHelp() + " "
                        + rule.getNodes().get(0).getHtml())
                .isEmpty();
    }

    @Test
    void signIn() {
        Page page = browser();
        page.navigate("/signin");
        assertThat(page.getByText("Demo sign-ins")).isVisible();
        check(page, "sign-in");
    }

    @Test
    void everyPlaceInLight() {
        everyPlace(ColorScheme.LIGHT);
    }

    @Test
    void everyPlaceInDark() {
        everyPlace(ColorScheme.DARK);
    }

    private void everyPlace(ColorScheme theme) {
        Page page = signedIn("ida", theme);
        plannedOrder(page, "BRG-6202").click();
        assertThat(page.getByTestId("serves")).containsText("SO-790");
        check(page, "plan");
        select(page, "BRG-6202");
        preview(page);
        assertThat(pressable(page)).isEnabled();
        check(page, "release");
        page.keyboard().press("Escape");
        page.keyboard().press("e");
        page.getByTestId("decide").getByLabel("Quantity").fill("70");
        assertThat(page.getByTestId("consequence")).isVisible();
        check(page, "change");
        page.keyboard().press("Escape");
        page.keyboard().press("d");
        assertThat(page.getByText("Nothing has been decided yet")).isVisible();
        check(page, "decisions");
        page.getByLabel("View: groups").click();
        assertThat(page.getByText("Save this view")).isVisible();
        check(page, "view");
        page.navigate("/plan/threads?number=SO-790");
        assertThat(page.getByRole(
                        AriaRole.LISTBOX,
                        new Page.GetByRoleOptions().setName("Thread").setExact(true)))
                .containsText("BRG-6202");
        check(page, "threads");
        page.navigate("/plan/periods");
        assertThat(page.getByRole(AriaRole.GRID)).containsText("EXTR-4");
        page.getByLabel("Open EXTR-4").first().click();
        assertThat(page.getByRole(AriaRole.GRID)).containsText("Planned starts");
        check(page, "periods");
        enterRushOrder(page);
        page.navigate("/plan/changes?since=morning");
        assertThat(page.getByTestId("changes")).containsText("became late");
        check(page, "changes");
        page.navigate("/plan/what-if");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText(" what-if");
        page.keyboard().press("n");
        assertThat(page.getByTestId("what-if")).containsText("Nothing is otherwise yet");
        page.keyboard().press("a");
        page.getByLabel("Percent").fill("20");
        check(page, "assumption");
        page.keyboard().press("Enter");
        assertThat(page.getByTestId("what-if")).containsText("Demand up by 20 %");
        check(page, "what-if");
        page.keyboard().press("c");
        assertThat(page.getByLabel("What-ifs compared")).containsText("Work center hours");
        check(page, "compared");
        page.keyboard().press("Escape");
        page.keyboard().press("v");
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("What-if")))
                .isVisible();
        check(page, "plan of a what-if");
        page.navigate("/demand?line=SO-790~1");
        assertThat(page.getByTestId("order-lines")).containsText("EXTR-4");
        check(page, "demand");
        page.navigate("/demand/forecast?series=EXTR-4~LARKMOOR");
        assertThat(page.getByTestId("methods")).containsText("least error");
        page.keyboard().press("c");
        assertThat(page.getByTestId("point")).isVisible();
        check(page, "forecast");
        page.navigate("/demand/running-out");
        assertThat(page.getByTestId("out")).containsText("nothing is left");
        check(page, "running out");
        page.navigate("/demand/kept");
        assertThat(page.getByTestId("by-customer")).isVisible();
        check(page, "promises kept");
        page.navigate("/orders/invoices");
        assertThat(page.getByTestId("sum")).containsText("invoices");
        page.keyboard().press("n");
        assertThat(page.getByLabel("Enter an invoice")).isVisible();
        check(page, "an invoice");
        page.keyboard().press("Escape");
        page.navigate("/demand/new?like=SO-790");
        assertThat(page.getByTestId("order-sheet").getByLabel("Quantity of line 1"))
                .hasValue("24");
        page.getByTestId("order-sheet")
                .getByLabel("Wanted on", new Locator.GetByLabelOptions().setExact(true))
                .fill("+5");
        assertThat(page.getByTestId("goes-0")).containsText("not before");
        check(page, "order sheet");
        page.navigate("/orders?number=PO-2032");
        assertThat(page.getByLabel("Line 1")).isVisible();
        check(page, "orders");
        page.navigate("/stock?point=SYRUP-5~LARKMOOR");
        assertThat(page.getByTestId("ledger")).isVisible();
        page.keyboard().press("a");
        assertThat(page.getByTestId("posting")).isVisible();
        check(page, "stock");
        page.navigate("/stock/lot?item=SYRUP-5&lot=S-2605");
        assertThat(page.getByTestId("trace-picture")).isVisible();
        page.keyboard().press("n");
        assertThat(page.getByTestId("test")).isVisible();
        check(page, "a lot");
        page.navigate("/stock/expiring?lots=all");
        assertThat(page.getByTestId("users")).isVisible();
        check(page, "expiring");
        page.navigate("/stock/out");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.locator(".plan-row").first().click();
        assertThat(page.getByTestId("can-go")).isVisible();
        check(page, "going out");
        page.navigate("/stock/pick?number=MO-319");
        assertThat(page.getByTestId("picks")).containsText("FR-SIDE");
        check(page, "pick list");
        page.navigate("/stock/counts");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Make a list");
        page.keyboard().press("n");
        page.getByLabel("only what is due").waitFor();
        check(page, "a count list is made");
        page.getByText("Make it").click();
        assertThat(page.getByTestId("count-lines")).isVisible();
        check(page, "counts");
        page.navigate("/stock/value?day=2026-11-20");
        assertThat(page.getByTestId("worth-rows")).isVisible();
        check(page, "value");
        page.navigate("/orders/new?supplier=HOLLIN");
        assertThat(page.getByTestId("bought-before")).isVisible();
        check(page, "buy");
        page.navigate("/orders/letters");
        assertThat(page.getByTestId("waiting")).containsText("waiting");
        page.keyboard().press("h");
        assertThat(page.getByLabel("They answer")).isVisible();
        check(page, "letters");
        page.navigate("/partners/deliveries?supplier=BROOKMILL");
        assertThat(page.getByTestId("delivered-lines")).isVisible();
        check(page, "deliveries");
        page.navigate("/items?code=EXTR-4");
        assertThat(page.getByTestId("bom")).isVisible();
        check(page, "items");
        for (String view : List.of("groups", "calendars", "units", "health")) {
            page.navigate("/items/" + view);
            assertThat(page.locator(".plan-row.here")).isVisible();
            check(page, view);
        }
        page.navigate("/items/bring");
        assertThat(page.getByLabel("Drop a file here")).isVisible();
        check(page, "bring");
        page.navigate("/partners");
        assertThat(page.getByTestId("supplier_items")).isVisible();
        check(page, "partners");
        page.keyboard().press("Control+k");
        assertThat(page.getByPlaceholder("Codes, names, numbers")).isVisible();
        check(page, "finder");
    }
}
