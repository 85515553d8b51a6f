package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The plan in periods: opened, explained, an order moved, saved as a sheet. */
class PeriodsTest extends DeskTest {
    private static Locator grid(Page page) {
        return page.getByRole(AriaRole.GRID);
    }

    private static Locator cell(Page page, String name) {
        return grid(page)
                .getByRole(AriaRole.GRIDCELL, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .first();
    }

    private Page periods(String item) {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("e");
        assertThat(grid(page)).isVisible();
        page.getByLabel("Length of the periods").selectOption("weeks");
        page.getByPlaceholder("filter").fill(item);
        page.getByPlaceholder("filter").press("Enter");
        assertThat(page.getByTestId("selection")).hasText("1 stock point");
        page.keyboard().press("j");
        assertThat(page.locator("[id='cell-0-0']")).hasAttribute("aria-selected", "true");
        return page;
    }

    @Test
    void aRowOpensIntoWhatFlowsAndItsComponentsAndEachFigureHasASlip() {
        Page page = periods("EXTR-4");
        page.keyboard().press("o");
        assertThat(grid(page)).containsText("Customer orders");
        assertThat(grid(page)).containsText("Planned starts");
        page.keyboard().press("c");
        assertThat(grid(page)).containsText("GBX-410");
        for (int i = 0; i < 3; i++) {
            page.keyboard().press("ArrowRight");
        }
        page.keyboard().press("j");
        page.keyboard().press("w");
        assertThat(page.getByTestId("why")).containsText("SO-790");
        assertThat(page.getByTestId("why")).containsText("24");
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("why")).hasCount(0);
    }

    @Test
    void keysThatHaveNothingToDoSayWhyAndTheTableComesBackAsItWasLeft() {
        Page page = periods("TAP-40");
        Locator bar = page.getByRole(AriaRole.TOOLBAR);
        page.keyboard().press("c");
        assertThat(bar).containsText("TAP-40 is made of nothing at");
        page.keyboard().press("c");
        assertThat(bar).not().containsText("made of nothing");
        page.keyboard().press("e");
        assertThat(bar).containsText("Orders are changed in the rows of their receipts: o opens this one.");
        page.keyboard().press("Escape");
        page.keyboard().press("o");
        assertThat(grid(page)).containsText("Planned receipts");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("j");
        String cell = grid(page).getAttribute("aria-activedescendant");

        page.keyboard().press("t");
        assertThat(page).hasURL(Pattern.compile("/plan/threads\\?item=TAP-40"));
        page.keyboard().press("g");
        page.keyboard().press("e");
        assertThat(grid(page)).containsText("Planned receipts");
        assertThat(grid(page)).hasAttribute("aria-activedescendant", cell);
        assertThat(page.getByPlaceholder("filter")).hasValue("TAP-40");
    }

    @Test
    void anOrderIsDraggedToAnotherWeekAndTheConsequenceComesFirst() {
        Page page = periods("NUC-5N");
        page.keyboard().press("o");
        Locator full = grid(page).locator(".cell.full").first();
        assertThat(full).isVisible();
        BoundingBox box = full.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width * 1.5, box.y + box.height / 2);
        page.mouse().up();
        Locator pane = page.getByTestId("decide");
        assertThat(pane).containsText("NUC-5N");
        assertThat(page.getByTestId("consequence")).isVisible();
        pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"))
                .click();
        assertThat(pane).hasCount(0);
        Assertions.assertThat(jdbc.queryForObject("select kind from decisions order by id desc limit 1", String.class))
                .isEqualTo("CHANGE");
    }

    @Test
    void whatStandsThereIsSavedAsASheet() {
        Page page = periods("SHF-410");
        assertThat(cell(page, "SHF-410, 2026-11-23 to 2026-11-29: balance")).isVisible();
        Download file =
                page.waitForDownload(() -> page.getByText("Save as XLSX").click());
        Assertions.assertThat(file.suggestedFilename()).isEqualTo("periods.xlsx");
        page.getByText("finished goods").click();
        assertThat(page).hasURL(Pattern.compile("goods=last"));
        page.getByText("short only").click();
        // its balance is well, but it waits for the late bearing
        assertThat(page.locator("[role=gridcell][aria-label*='SHF-410'][aria-label*='late']")
                        .first())
                .isVisible();
    }
}
