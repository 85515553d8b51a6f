package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** A purchase order on its way to the supplier and back. */
class PurchaseTest extends DeskTest {
    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator here(Locator way) {
        return way.locator("[aria-current=step]");
    }

    /** Released it is held; the buyer ends the hold, sends it and takes the supplier's day, each with the same key. */
    @Test
    void fromTheReleaseToTheConfirmation() {
        Page planner = signedIn("ida");
        select(planner, "NAIL-20");
        preview(planner);
        press(planner);
        assertThat(planner.getByTestId("released").getByRole(AriaRole.LINK)).hasCount(1);
        String number = jdbc.queryForObject(
                "select number from supply_orders where created_by = 'Ida Holm' order by created_at desc limit 1",
                String.class);
        Page buyer = signedIn("bram");
        buyer.navigate("/orders?number=" + number);
        Locator way = buyer.getByLabel("Its way");
        assertThat(here(way)).containsText("held");
        buyer.keyboard().press("n");
        assertThat(here(way)).containsText("ready");
        assertThat(way).containsText("Ended the hold of " + number);
        buyer.keyboard().press("n");
        assertThat(here(way)).containsText("sent");
        assertThat(buyer.getByTestId("mails")).containsText("Our purchase order " + number);
        buyer.keyboard().press("n");
        Locator form = way.getByTestId("confirmation");
        form.getByLabel("Day of line 1").fill("3.12.2026");
        assertThat(button(form, "Take 1 day")).isEnabled();
        form.getByLabel("Day of line 1").press("Enter");
        assertThat(here(way)).containsText("confirmed");
        assertThat(buyer.getByLabel("Line 1")).containsText("3 Dec");
        // taken back, it is only sent again
        button(way, "Take back").click();
        assertThat(here(way)).containsText("sent");
    }

    /** While it is held, a part of it goes apart and is combined with it again by a key; another quantity is looked at first. */
    @Test
    void whatIsHeldIsChangedSplitAndCombined() {
        Page planner = signedIn("ida");
        select(planner, "NAIL-20");
        preview(planner);
        press(planner);
        assertThat(planner.getByTestId("released").getByRole(AriaRole.LINK)).hasCount(1);
        String number = jdbc.queryForObject(
                "select number from supply_orders where created_by = 'Ida Holm' order by created_at desc limit 1",
                String.class);
        Page buyer = signedIn("bram");
        buyer.navigate("/orders?way=held");
        listed(buyer, number).click();
        Locator line = buyer.getByLabel("Line 1", new Page.GetByLabelOptions().setExact(true));
        button(line, "Change or split line 1").click();
        Locator form = line.getByTestId("held-line");
        form.getByLabel("Quantity").fill("many");
        assertThat(form).containsText("is no quantity");
        form.getByLabel("Quantity").fill("");
        form.getByLabel("Split off").fill("1000");
        assertThat(button(form, "Split it")).isEnabled();
        form.getByLabel("Split off").press("Enter");
        assertThat(buyer.getByLabel("Its way")).containsText("into 2 orders");
        assertThat(buyer.locator(".plan-row")).hasCount(2);

        buyer.keyboard().press("X");
        assertThat(buyer.getByTestId("selection")).containsText("2 selected");
        buyer.keyboard().press("m");
        assertThat(buyer.getByRole(AriaRole.TOOLBAR)).containsText("Combined");
        assertThat(buyer.locator(".plan-row")).hasCount(1);
        assertThat(buyer.getByLabel("Line 2", new Page.GetByLabelOptions().setExact(true)))
                .containsText("NAIL-20");
        buyer.keyboard().press("u");
        assertThat(buyer.getByRole(AriaRole.TOOLBAR)).containsText("Taken back: Combined");
        assertThat(buyer.locator(".plan-row")).hasCount(2);
    }

    /** A supplier who comes far too late: whose order suffers is named before it is taken; two parts become two lines. */
    @Test
    void whoSuffersIsNamedFirst() {
        Page buyer = signedIn("bram");
        buyer.navigate("/orders?number=PO-2041");
        Locator way = buyer.getByLabel("Its way");
        button(way, "It was confirmed").click();
        Locator form = way.getByTestId("confirmation");
        form.getByLabel("Day of line 1").fill("1.6.2027");
        assertThat(form.getByTestId("suffers")).containsText("SO-713 line 1");
        form.getByLabel("Day of line 1").fill("1.11.2026");
        assertThat(form).containsText("which is past");
        assertThat(button(form, "Take")).isDisabled();
        form.getByLabel("Day of line 1").fill("2.12.2026");
        form.getByLabel("Quantity of line 1").fill("6");
        button(form, "and then").click();
        form.getByLabel("Day of line 1").nth(1).fill("18.1.2027");
        assertThat(form).containsText("No customer's order goes later by it");
        button(form, "Take 2 days").click();
        assertThat(here(way)).containsText("confirmed");
        assertThat(buyer.getByLabel("Line 2")).containsText("4 pcs");
        assertThat(buyer.getByLabel("Line 2")).containsText("18 Jan 2027");
    }
}
