package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A what-if: assumed, compared, one thing taken over, the rest thrown away. */
class WhatIfTest extends DeskTest {
    @BeforeEach
    void noWhatIfs() {
        jdbc.update("delete from what_ifs");
    }

    private static Locator form(Page page) {
        return page.getByLabel("Something otherwise");
    }

    private static Locator assumed(Page page) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("What is otherwise"))
                .getByRole(AriaRole.LISTITEM);
    }

    private static Locator figures(Page page) {
        return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("The what-if beside the live plan"));
    }

    private static void assume(Page page) {
        form(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Assume it"))
                .click();
        assertThat(form(page)).isHidden();
    }

    private Page made() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("w");
        assertThat(page).hasURL(Pattern.compile("/plan/what-if"));
        page.keyboard().press("n");
        assertThat(page.getByTestId("what-if")).containsText("Nothing is otherwise yet");
        return page;
    }

    private int decisions() {
        return jdbc.queryForObject("select count(*) from decisions", Integer.class);
    }

    @Test
    void whatIsHalfAssumedSurvivesAReload() {
        Page page = made();
        page.keyboard().press("a");
        form(page).getByLabel("What is otherwise").selectOption("A supplier takes longer");
        form(page).getByLabel("By working days").fill("5");
        page.reload();
        assertThat(form(page).getByLabel("By working days")).hasValue("5");
        form(page)
                .getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(Pattern.compile("^Supplier")))
                .selectOption("Brookmill Bearings");
        assume(page);
        assertThat(assumed(page).first()).containsText("Brookmill Bearings");
    }

    @Test
    void whatIsTakenOverAndTakenBackIsAssumedAgain() {
        Page page = made();
        page.keyboard().press("a");
        form(page).getByLabel("Percent").fill("20");
        assume(page);
        assertThat(page.getByTestId("differences")).containsText("SO-701");
        page.keyboard().press("T");
        assertThat(page.getByTestId("take-over")).containsText("becomes true in the live data");
        page.keyboard().press("T");
        assertThat(page.getByTestId("what-if")).containsText("Nothing is otherwise yet");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Took over from the what-if");
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back: Took over");
        assertThat(assumed(page).first()).containsText("Demand up by 20 %");
        assertThat(page.getByTestId("differences")).containsText("SO-701");
    }

    /** The connection holds the answer back, as a calculation does that takes long. */
    @Test
    void aCalculationThatTakesLongIsEnded() {
        Page page = made();
        Connection connection = new Connection(page, "/api/what-ifs/\\d+$");
        connection.holdUp();
        page.reload();
        Locator end = page.getByTestId("freshness").getByRole(AriaRole.BUTTON);
        assertThat(end).hasText("End it");
        Assertions.assertThat(connection.held()).hasSize(1);
        String name = connection.held().get(0).request().headers().get("calculation");
        page.waitForRequest(
                request -> request.method().equals("DELETE") && request.url().endsWith("/api/calculations/" + name),
                () -> {
                    page.keyboard().press("g");
                    page.keyboard().press("x");
                });
        connection.mend();
        assertThat(page.getByTestId("freshness")).containsText("Plan is current");
        assertThat(page.getByTestId("what-if")).containsText("Nothing is otherwise yet");
    }

    @Test
    void demandUpByAFifthIsComparedOneThingTakenOverTheRestThrownAway() {
        Page page = made();
        Connection connection = new Connection(page, "/api/what-ifs$");
        page.keyboard().press("a");
        form(page).getByLabel("Percent").fill("20");
        assume(page);
        assertThat(assumed(page).first()).containsText("Demand up by 20 %");
        page.keyboard().press("a");
        form(page).getByLabel("What is otherwise").selectOption("A supplier takes longer");
        form(page)
                .getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName(Pattern.compile("^Supplier")))
                .selectOption("Brookmill Bearings");
        form(page).getByLabel("By working days").fill("5");
        assume(page);
        assertThat(assumed(page)).hasCount(2);

        // more is bought, and the extractors are later still
        assertThat(figures(page).getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Bought")))
                .containsText("+€");
        assertThat(page.getByTestId("differences")).containsText("SO-790");
        assertThat(page.getByTestId("differences")).containsText("later still");
        Assertions.assertThat(decisions()).isZero();

        // one of them is taken over, and is in the live data now
        assumed(page)
                .filter(new Locator.FilterOptions().setHasText("Brookmill Bearings"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("take over"))
                .click();
        // its consequence is said, and it is asked once
        assertThat(page.getByTestId("take-over")).containsText("becomes true in the live data");
        assertThat(page.getByTestId("take-over")).containsText("customer order");
        Assertions.assertThat(decisions()).isZero();
        page.keyboard().press("T");
        assertThat(assumed(page)).hasCount(1);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Took over from the what-if");
        Assertions.assertThat(decisions()).isEqualTo(1);
        Assertions.assertThat(jdbc.queryForObject(
                        "select lead_time_days from supplier_items where supplier = 'BROOKMILL' and item = 'BRG-6202'",
                        Integer.class))
                .isEqualTo(20);

        // the rest is thrown away, can be brought back, and goes for good
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Throw away"))
                .click();
        assertThat(page.getByText("You have no what-ifs yet.")).isVisible();
        // no answer comes; nothing is lost
        expectFailure("/api/what-ifs");
        connection.cut();
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR).getByRole(AriaRole.STATUS)).isVisible();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Thrown away");
        connection.mend();
        page.keyboard().press("u");
        assertThat(assumed(page).first()).containsText("Demand up by 20 %");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Throw away"))
                .click();
        assertThat(page.getByText("You have no what-ifs yet.")).isVisible();

        // what was taken over is a decision like any other
        page.keyboard().press("g");
        page.keyboard().press("c");
        assertThat(page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setName("Changes")))
                .containsText("Brookmill Bearings takes 5 working days longer");
    }

    @Test
    void severalAreComparedAndOneIsLookedAtInTheOtherViewsByWhoHasItsAddress() {
        Page page = made();
        page.keyboard().press("a");
        form(page).getByLabel("Percent").fill("50");
        assume(page);
        assertThat(assumed(page).first()).containsText("Demand up by 50 %");
        String address = page.url();
        page.keyboard().press("n");
        assertThat(page.getByTestId("what-if")).containsText("Nothing is otherwise yet");
        page.keyboard().press("c");
        Locator table = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("What-ifs compared"));
        assertThat(table.getByRole(AriaRole.COLUMNHEADER)).hasCount(4);
        assertThat(table).containsText("Demand up by 50 %");

        Page emil = signedIn("emil");
        Connection connection = new Connection(emil, "/api/plan/orders");
        emil.navigate(address);
        assertThat(emil.getByTestId("what-if")).containsText("Ida Holm’s");
        assertThat(assumed(emil).first()).containsText("Demand up by 50 %");
        assertThat(emil.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("take over")))
                .hasCount(0);
        emil.keyboard().press("a");
        assertThat(emil.getByRole(AriaRole.TOOLBAR)).containsText("This is Ida Holm’s what-if.");
        connection.holdUp();
        emil.keyboard().press("v");
        assertThat(emil).hasURL(Pattern.compile("/plan\\?whatif="));
        // until its own orders have come, none of the live plan stand under its name
        assertThat(emil.getByText("Reading the plan …")).isVisible();
        assertThat(emil.locator(".plan-row")).hasCount(0);
        connection.mend();
        assertThat(emil.locator(".plan-row").first()).isVisible();
        assertThat(emil.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("What-if")))
                .isVisible();
        // 24 extractors wanted and half as many again: they are made for 36, and nothing is decided on here
        emil.keyboard().press("g");
        emil.keyboard().press("t");
        assertThat(emil).hasURL(Pattern.compile("/plan/threads\\?whatif="));
        assertThat(emil.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("SO-790")))
                .containsText("36 Honey extractor");
        emil.keyboard().press("n");
        assertThat(emil.getByRole(AriaRole.ALERT)).containsText("This is a what-if");
    }
}
