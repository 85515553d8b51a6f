package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From a late customer order down to what makes it late, and back. */
class ThreadsTest extends DeskTest {
    private static Locator thread(Page page) {
        return page.getByRole(
                AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Thread").setExact(true));
    }

    private static Locator bars(Page page) {
        return thread(page).getByRole(AriaRole.OPTION);
    }

    private static Locator here(Page page) {
        return thread(page).locator("[role=option][aria-selected=true]");
    }

    private static Locator orders(Page page) {
        return page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Threads"))
                .getByRole(AriaRole.OPTION);
    }

    private Page threads() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("t");
        assertThat(page).hasURL(Pattern.compile("/plan/threads"));
        assertThat(orders(page).first()).isVisible();
        return page;
    }

    @Test
    void theLateBearingIsFoundFromItsCustomerOrderAndCured() {
        Page page = threads();
        page.keyboard().press("b");
        assertThat(page.getByText("makes 1 order late")).isVisible();
        assertThat(orders(page)).hasCount(1);
        page.keyboard().press("j");
        assertThat(page).hasURL(Pattern.compile("number=SO-790"));
        assertThat(orders(page).first()).containsText("late by 25 days: Bearing 6202, sealed, 4 levels down");

        page.keyboard().press("o");
        assertThat(bars(page)).hasCount(6);
        for (int i = 0; i < 5; i++) {
            page.keyboard().press("J");
        }
        Locator bearing = bars(page).last();
        assertThat(bearing).containsText("BRG-6202");
        assertThat(bearing).hasAttribute("aria-selected", "true");
        page.keyboard().press("e");
        Locator pane = page.getByTestId("decide");
        pane.getByLabel("Supplier").selectOption("Widdow Trade");
        assertThat(page.getByTestId("consequence")).containsText("SO-790 Aldery Bees");
        assertThat(page.getByTestId("consequence")).containsText("→ on time");
        pane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"))
                .click();
        assertThat(page.getByText("No customer order is late.")).isVisible();

        // it is taken back from here
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Changed 50 BRG-6202");
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back: Changed 50 BRG-6202");
        assertThat(page.getByText("makes 1 order late")).isVisible();
    }

    @Test
    void aBarIsDraggedAndWhatItDoesToTheCustomerOrderIsSeenFirst() {
        Page page = threads();
        page.getByPlaceholder("filter").fill("SO-790");
        assertThat(orders(page)).hasCount(1);
        orders(page).first().click();
        Locator gear = bars(page)
                .filter(new Locator.FilterOptions().setHasText("GEAR-60"))
                .first();
        assertThat(gear).isVisible();
        BoundingBox box = gear.locator(".bar").boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 30, box.y + box.height / 2);
        page.mouse().up();
        assertThat(page.getByTestId("decide")).containsText("GEAR-60");
        assertThat(page.getByTestId("consequence")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("decide")).hasCount(0);
    }

    @Test
    void anyOrderOfTheListHasAThreadAndFoldsLevelByLevel() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("EXTR-4");
        plannedOrder(page, "EXTR-4").click();
        assertThat(page).hasURL(Pattern.compile("order=EXTR-4"));
        page.getByTestId("serves").getByText("SO-790").first().click();
        assertThat(page).hasURL(Pattern.compile("/plan/threads\\?number=SO-790"));
        page.goBack();
        assertThat(page).hasURL(Pattern.compile("order=EXTR-4"));
        assertThat(page.getByTestId("serves")).isVisible();
        page.keyboard().press("t");
        assertThat(page).hasURL(Pattern.compile("/plan/threads\\?order=EXTR-4"));
        // what waits for it stands above, and it is under the cursor
        assertThat(bars(page).first()).containsText("SO-790");
        assertThat(here(page)).containsText("EXTR-4");
        assertThat(here(page)).hasAttribute("id", "bar-1");
        page.keyboard().press("z");
        assertThat(bars(page).filter(new Locator.FilterOptions().setHasText("GBX-4")))
                .hasCount(0);
        page.keyboard().press("z");
        assertThat(bars(page).filter(new Locator.FilterOptions().setHasText("GBX-4")))
                .not()
                .hasCount(0);
        page.keyboard().press("J");
        page.keyboard().press("w");
        assertThat(page).hasURL(Pattern.compile("/(plan|orders)\\?"));
        page.goBack();
        assertThat(bars(page).first()).containsText("SO-790");
    }
}
