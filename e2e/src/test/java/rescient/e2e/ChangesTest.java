package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What changed, and what caused it. */
class ChangesTest extends DeskTest {
    private static Locator causes(Page page) {
        return page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Changes"))
                .getByRole(AriaRole.OPTION);
    }

    @Test
    void aRushOrderIsFoundAsTheCauseOfWhatChanged() {
        Page tom = signedIn("tom");
        Page ida = signedIn("ida");
        enterRushOrder(ida);

        // tom sees the marks on his list, and asks what they come from
        assertThat(tom.locator(".plan-row .mark").first()).isVisible();
        tom.keyboard().press("g");
        tom.keyboard().press("c");
        assertThat(causes(tom).filter(new Locator.FilterOptions().setHasText("Entered SO-792: 10 EXTR-4")))
                .containsText("Ida Holm");
        tom.keyboard().press("j");
        Locator sheet = tom.getByTestId("changes");
        assertThat(sheet).containsText("Entered SO-792");
        Locator late =
                tom.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Customer orders that changed"));
        assertThat(late).containsText("SO-792");
        assertThat(late).containsText("became late");
        assertThat(tom.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("New: planned orders")))
                .containsText("EXTR-4");

        // from the customer order to its thread with one key
        tom.keyboard().press("Enter");
        assertThat(tom).hasURL(Pattern.compile("/plan/threads\\?number=SO-792"));
        tom.goBack();

        // taken back, nothing is otherwise, and both are told
        ida.keyboard().press("g");
        ida.keyboard().press("d");
        assertThat(ida.locator(".plan-row").first()).isVisible();
        ida.keyboard().press("u");
        assertThat(causes(tom).filter(new Locator.FilterOptions().setHasText("Took back: Entered SO-792")))
                .hasCount(1);
    }

    @Test
    void onlyWhatChangedIsShownOnTheListAndThePeriodCanBeChosen() {
        Page page = signedIn("ida");
        plannedOrder(page, "ROD-12").click();
        page.keyboard().press("f");
        Locator keep = page.getByTestId("decide")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Firmed");
        page.getByLabel("View: groups").click();
        page.getByLabel("Changed").selectOption("only");
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("changed=only"));
        assertThat(page.locator(".plan-row")).hasCount(1);
        assertThat(page.locator(".plan-row")).containsText("firmed");

        page.navigate("/plan/changes?since=2100-01-01T00:00:00.000Z");
        assertThat(page.getByTestId("changes")).containsText("Nothing has happened");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("since this morning"))
                .click();
        assertThat(page.getByTestId("changes")).containsText("ROD-12");
    }
}
