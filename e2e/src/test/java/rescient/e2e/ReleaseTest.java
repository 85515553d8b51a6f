package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** From a planned order to a released one, as a planner does it. */
class ReleaseTest extends DeskTest {

    private static Locator rows(Page page, String item) {
        return page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText(item));
    }

    @Test
    void theWholeWayFromSigningInToTheReleasedOrders() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("ROD-12");
        plannedOrder(page, "ROD-12").click();

        // the slip: nothing on hand; what the baskets, legs and shafts need; bought in multiples of 6
        Locator slip = page.getByLabel("Why 126 m on 7 Dec?");
        assertThat(slip.getByRole(AriaRole.LISTITEM).first()).containsText("On hand today");
        assertThat(slip).containsText("Multiple");
        assertThat(slip.getByRole(AriaRole.LISTITEM).last()).containsText("126");
        assertThat(page.getByTestId("serves")).containsText("SO-790 Aldery Bees");

        page.getByPlaceholder("filter").fill("");
        for (String item : List.of("ROD-12", "NAIL-20", "ROF-10W")) {
            select(page, item);
        }
        assertThat(page.getByTestId("selection")).containsText("3 selected, 2 suppliers");
        preview(page);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .hasText("Release 3: 2 purchase orders, 1 production order");
        press(page);

        Locator released = page.getByTestId("released");
        assertThat(released.getByRole(AriaRole.LINK)).hasText(new String[] {"PO-2045", "PO-2046", "MO-321"});
        // they left the list: nothing overdue is left of the roof, nothing for the 27th of the nails
        assertThat(rows(page, "ROF-10W").getByText("20 Nov")).hasCount(0);
        assertThat(rows(page, "NAIL-20").getByText("27 Nov")).hasCount(0);

        released.getByText("MO-321").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .containsText("MO-321");
        assertThat(page.getByLabel("Line 1")).containsText("PAINT-W");
        assertThat(page.getByLabel("Line 1")).containsText("HIVE-10W planned");
    }

    @Test
    void aMorningFromTheKeyboardAlone() {
        Page page = signedIn("ida");
        // the list opens with its first row chosen
        assertThat(page).hasURL(java.util.regex.Pattern.compile("order=BRG-6202"));
        page.keyboard().press("x");
        page.keyboard().press("j");
        page.keyboard().press("j");
        page.keyboard().press("x");
        assertThat(page.getByTestId("selection")).containsText("2 selected");
        page.keyboard().press("w");
        assertThat(page.getByLabel("Why start on")).isVisible();
        page.keyboard().press("r");
        assertThat(pressable(page)).isEnabled();
        page.keyboard().press("r");
        assertThat(page.getByTestId("released").getByRole(AriaRole.LINK)).hasCount(2);
        page.keyboard().press("g");
        page.keyboard().press("o");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Orders");
    }

    /** Tom still looks at the preview when Ida releases one of seven that are alike: his is there again, and is asked about. */
    @Test
    void whatWasReleasedThereSinceIsToldAndConfirmedAnew() {
        jdbc.update("update planning set max_quantity = 2000 where item = 'NAIL-20'");
        jdbc.update("update company set revision = revision + 1");
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        Page ida = signedIn("ida");
        for (String number : List.of("PO-2045", "PO-2046")) {
            chooseNails(ida);
            press(ida);
            assertThat(ida.getByTestId("released")).containsText(number);
            ida.navigate("/plan");
        }
        Page tom = signedIn("tom");
        chooseNails(ida);
        chooseNails(tom);
        press(ida);
        assertThat(ida.getByTestId("released")).containsText("PO-2047");
        assertThat(tom.getByTestId("since")).containsText("PO-2047, 2000 NAIL-20, was released by Ida Holm at");
        Locator still = tom.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Yes, still wanted"));
        still.click();
        assertThat(still).isHidden();
        press(tom);
        assertThat(tom.getByTestId("released")).containsText("PO-2048");
    }

    private static void chooseNails(Page page) {
        // somebody who filters a list has seen it
        assertThat(page.locator(".plan-row.here")).hasCount(1);
        page.getByPlaceholder("filter").fill("NAIL-20");
        select(page, "NAIL-20");
        preview(page);
        assertThat(pressable(page)).isEnabled();
    }

    @Test
    void theNotesOfAReleaseSurviveAReload() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        preview(page);
        page.getByLabel(java.util.regex.Pattern.compile("^Note for")).first().fill("by the back gate");
        page.reload();
        assertThat(pressable(page)).isEnabled();
        assertThat(page.getByLabel(java.util.regex.Pattern.compile("^Note for")).first())
                .hasValue("by the back gate");
        press(page);
        page.getByTestId("released").getByRole(AriaRole.LINK).first().click();
        assertThat(page.getByText("by the back gate")).isVisible();
    }

    @Test
    void ofTwoBrowsersWithTheSameChoiceTheLoserIsToldWhatHappened() {
        Page ida = signedIn("ida");
        Page tom = signedIn("tom");
        // Tom's connection is slow: he does not hear of Ida's release before he presses
        expectFailure("plan/news");
        new Connection(tom, "/api/plan/news$").cut();
        tom.reload();
        for (Page page : List.of(ida, tom)) {
            select(page, "NAIL-20");
            preview(page);
            assertThat(pressable(page)).isEnabled();
        }
        press(ida);
        assertThat(ida.getByTestId("released")).containsText("PO-2045");
        expectFailure("409");
        press(tom);
        assertThat(tom.getByRole(AriaRole.ALERT).first()).containsText("NAIL-20 for 27 Nov was released by Ida Holm");
        assertThat(tom.getByText("1 planned order of your choice is no longer asked for"))
                .isVisible();
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from supply_order_lines where item = 'NAIL-20' and closed_date is null",
                        Integer.class))
                .isEqualTo(1);
    }

    @Test
    void aReleaseElsewhereTakesTheOrderFromTheListAtOnce() {
        Page ida = signedIn("ida");
        Page tom = signedIn("tom");
        assertThat(plannedOrder(tom, "ROF-10W")).containsText("24 Nov");
        select(ida, "ROF-10W");
        preview(ida);
        press(ida);
        assertThat(rows(tom, "ROF-10W").getByText("20 Nov")).hasCount(0);
    }

    @Test
    void aLostAnswerIsAskedForAgainAndReleasesOnce() {
        Page page = signedIn("ida");
        Connection connection = new Connection(page, "/api/releases$");
        select(page, "NAIL-20");
        preview(page);
        assertThat(pressable(page)).isEnabled();
        // the server does its work, but the answer never arrives
        expectFailure("releases");
        connection.loseAnswers();
        press(page);
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("No answer came");
        connection.mend();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Ask again"))
                .click();
        assertThat(page.getByTestId("released")).containsText("PO-2045");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from supply_order_lines where item = 'NAIL-20' and closed_date is null",
                        Integer.class))
                .isEqualTo(1);
    }

    @Test
    void withoutASupplierItSaysSoBeforehandAndTheOthersGoIfThePlannerSaysSo() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        page.getByPlaceholder("filter").fill("ENTR-R");
        assertThat(plannedOrder(page, "ENTR-R")).containsText("no supplier");
        select(page, "ENTR-R");
        preview(page);
        Locator pane = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        assertThat(pane).containsText("Cannot be released: ENTR-R Entrance reducer, beech has no supplier");
        assertThat(pressable(page)).isDisabled();
        pane.getByLabel("Leave it out").check();
        press(page);
        assertThat(page.getByTestId("released").getByRole(AriaRole.LINK)).hasText(new String[] {"PO-2045"});
        assertThat(pane).containsText("Left out: ENTR-R");
    }

    @Test
    void whatIsMissingIsMendedInThePreviewAndTheReleaseGoesOn() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        page.getByPlaceholder("filter").fill("ENTR-R");
        select(page, "ENTR-R");
        preview(page);
        Locator pane = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        page.getByLabel("Note on the orders").fill("Gate closes at four");
        pane.getByText("Choose a supplier").click();
        Locator cure = page.getByTestId("decide");
        cure.getByRole(AriaRole.COMBOBOX).selectOption("EMBERLY");
        Locator keep = cure.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("Enter"));
        assertThat(keep).isEnabled();
        keep.click();
        // both are still chosen, what was typed stands there, and both can go
        assertThat(pane).containsText("to Emberly Tinware");
        assertThat(pane).not().containsText("Cannot be released");
        assertThat(page.getByLabel("Note on the orders")).hasValue("Gate closes at four");
        press(page);
        assertThat(page.getByTestId("released").getByRole(AriaRole.LINK)).hasText(new String[] {"PO-2045", "PO-2046"});
    }

    @Test
    void whatIsDecidedOverTheReleaseLosesNothingThatWasTypedThere() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        preview(page);
        Locator note = page.getByLabel("Note on the orders");
        note.fill("Gate closes at four");
        Locator theirs = page.getByLabel(java.util.regex.Pattern.compile("^Note for"));
        theirs.fill("As last time");
        theirs.blur();
        Locator decision = page.getByTestId("decide");
        page.keyboard().press("h");
        assertThat(decision).isVisible();
        page.evaluate("document.activeElement.blur()");
        // the key of another decision does not take its place
        page.keyboard().press("e");
        assertThat(decision).containsText("Hold");
        page.keyboard().press("Escape");
        assertThat(decision).isHidden();
        assertThat(note).hasValue("Gate closes at four");
        // what comes of the order is released instead of it: 7 boxes of 1 000
        page.keyboard().press("e");
        decision.getByLabel("Quantity").fill("7000");
        Locator keep = decision.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("Enter"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(decision).isHidden();
        assertThat(note).hasValue("Gate closes at four");
        assertThat(theirs).hasValue("As last time");
        press(page);
        page.getByTestId("released").getByText("PO-2045").click();
        assertThat(page.getByText("As last time")).isVisible();
        assertThat(page.getByLabel("Line 1")).containsText("7 box");
    }

    @Test
    void aNoteGoesWithTheOrder() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        preview(page);
        page.getByLabel("Note on the orders").fill("Gate closes at four");
        press(page);
        page.getByTestId("released").getByText("PO-2045").click();
        assertThat(page.getByText("Gate closes at four")).isVisible();
        // 6 000 pieces as 6 boxes at 9.80
        assertThat(page.getByLabel("Line 1")).containsText("6 box");
        assertThat(page.getByLabel("Line 1")).containsText("58.80");
    }

    @Test
    void storesMayLookButNotRelease() {
        Page page = signedIn("stella");
        select(page, "NAIL-20");
        // neither the button nor the keys of what stores may not do are offered
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("1 selected");
        assertThat(page.getByRole(AriaRole.TOOLBAR).getByText("Release")).hasCount(0);
        assertThat(page.getByRole(AriaRole.TOOLBAR).getByText("Firm")).hasCount(0);
        page.keyboard().press("r");
        page.keyboard().press("f");
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Next row");
        assertThat(page.getByRole(AriaRole.DIALOG).getByText("Release")).hasCount(0);
        assertThat(page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true)))
                .hasCount(0);
    }
}
