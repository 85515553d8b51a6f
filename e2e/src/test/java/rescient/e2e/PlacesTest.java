package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Finding one's way: signing in, the plan's reasons, orders, items, the finder. */
class PlacesTest extends DeskTest {

    @Test
    void aWrongPasswordStandsBesideItsFieldAndWhatWasTypedStays() {
        expectFailure("401");
        Page page = browser();
        page.navigate("/signin");
        page.getByLabel("Name").fill("ida");
        page.getByLabel("Password").fill("nettle");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("do not belong together");
        assertThat(page.getByLabel("Name")).hasValue("ida");
    }

    @Test
    void anAddressIsReachedAfterSigningIn() {
        expectFailure("401");
        Page page = browser();
        page.navigate("/items?code=EXTR-4");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Ida Holm")))
                .click();
        assertThat(page).hasURL(Pattern.compile("/items\\?code=EXTR-4"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .containsText("EXTR-4");
    }

    @Test
    void whatThePlanShowsFirstIsAskedForOnceWhileItsProgramComes() {
        String state = signedIn("ida").context().storageState();
        Page page = coldBrowser(state).newPage();
        List<String> asked = new CopyOnWriteArrayList<>();
        page.onRequest(request -> {
            if (List.of("/api/plan/orders", "/api/plan", "/api/session")
                    .contains(URI.create(request.url()).getPath())) {
                asked.add(request.url());
            }
        });
        page.navigate("/plan");
        assertThat(plannedOrder(page, "BRG-6202")).isVisible();
        assertThat(page.getByLabel(Pattern.compile("^Ida Holm.*menu"))).isVisible();
        Assertions.assertThat(asked).hasSize(3);
    }

    @Test
    void theLateBearingIsFoundFromThePlanUpToItsCustomer() {
        Page page = signedIn("ida");
        assertThat(page.getByText("1 customer order late")).isVisible();
        plannedOrder(page, "BRG-6202").click();
        // lead time 15 working days: it can be there on 14 Dec, 17 days after it is due
        assertThat(plannedOrder(page, "BRG-6202")).containsText("14 Dec");
        assertThat(plannedOrder(page, "BRG-6202")).containsText("+17");
        Locator serves = page.getByTestId("serves");
        assertThat(serves).containsText("CARR-62 planned");
        assertThat(serves).containsText("SO-790 Aldery Bees");
        serves.getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText("SO-790"))
                .first()
                .click();
        assertThat(page).hasURL(Pattern.compile("/plan/threads\\?number=SO-790"));
        Locator bearing = page.getByRole(
                        AriaRole.LISTBOX,
                        new Page.GetByRoleOptions().setName("Thread").setExact(true))
                .getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText("BRG-6202"));
        assertThat(bearing.first()).isVisible();
        page.goBack();
        assertThat(page.getByTestId("serves")).containsText("CARR-62 planned");
    }

    @Test
    void aDayOfTheStockLineExplainsItsBalance() {
        Page page = signedIn("ida");
        page.navigate("/plan?item=CED-2400&site=LARKMOOR");
        page.getByLabel(Pattern.compile("^Stock line of CED-2400"))
                .click(new Locator.ClickOptions().setPosition(300, 60));
        Locator slip = page.getByLabel(Pattern.compile("^Why .* at the end of"));
        assertThat(slip.getByRole(AriaRole.LISTITEM).first()).containsText("On hand today");
        assertThat(slip.getByRole(AriaRole.LISTITEM).last()).containsText("Balance on");
    }

    @Test
    void filtersStandInTheAddressAndComeBack() {
        Page page = signedIn("ida");
        filter(page, "Supplier").selectOption("HOLLIN");
        assertThat(page).hasURL(Pattern.compile("supplier=HOLLIN"));
        assertThat(plannedOrder(page, "Hollin Timber")).isVisible();
        assertThat(page.getByRole(AriaRole.LISTBOX).getByText("Brookmill")).hasCount(0);
        page.reload();
        assertThat(filter(page, "Supplier")).hasValue("HOLLIN");
        page.getByPlaceholder("filter").fill("no such thing");
        assertThat(page.getByText("No planned order and no signal fits these filters."))
                .isVisible();
    }

    @Test
    void anOrderThatIsGoneSaysSo() {
        Page page = signedIn("ida");
        page.navigate("/plan?order=NAIL-20~LARKMOOR~2026-11-27~1~0");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("The plan no longer asks for 1 NAIL-20 on 27 Nov");
    }

    @Test
    void ordersAreListedByKindAndStageAndShowWhatTheyServe() {
        Page page = signedIn("bram");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Orders"))
                .click();
        assertThat(page).hasURL(Pattern.compile("/orders"));
        filter(page, "Stage").selectOption("firmed");
        Locator orders = page.getByRole(AriaRole.OPTION);
        assertThat(orders.filter(new Locator.FilterOptions().setHasText("MO-320")))
                .hasCount(1);
        assertThat(orders.filter(new Locator.FilterOptions().setHasText("PO-2032")))
                .hasCount(0);
        filter(page, "Stage").selectOption("");
        filter(page, "Kind").selectOption("buy");
        listed(page, "PO-2032").click();
        assertThat(page.getByLabel("Line 1")).containsText("DRM-380 planned");
        page.goBack();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .not()
                .hasText("Orders");
    }

    /** Each place opens with something chosen, and the keys of the Plan's views lead there from every place. */
    @Test
    void everyPlaceBeginsWithItsFirstRowAndLeadsToEveryView() {
        Page page = signedIn("ida");
        for (String[] way : new String[][] {
            {"o", "/orders\\?number="},
            {"t", "/plan/threads\\?number=SO-790"},
            {"i", "/items\\?code="},
            {"m", "/demand\\?line="},
            {"v", "/demand/forecast\\?series="},
            {"c", "/plan/changes"},
            {"o", "/orders\\?number="},
            {"d", "/plan\\?"}
        }) {
            page.keyboard().press("g");
            page.keyboard().press(way[0]);
            assertThat(page).hasURL(Pattern.compile(way[1]));
        }
    }

    @Test
    void aBillOfMaterialsOpensDownToTheBearing() {
        Page page = signedIn("emil");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Items"))
                .click();
        assertThat(page).hasURL(Pattern.compile("/items"));
        page.getByPlaceholder("filter").fill("four-frame");
        listed(page, "EXTR-4").click();
        Locator tree = page.getByTestId("bom");
        assertThat(tree).not().containsText("BRG-6202");
        page.getByText("open all").click();
        assertThat(tree).containsText("BRG-6202");
        tree.getByText("BRG-6202").click();
        assertThat(page.getByText("Where used")).isVisible();
        assertThat(page.getByRole(AriaRole.MAIN)).containsText("CARR-62");
    }

    @Test
    void theFinderGoesAnywhere() {
        Page page = signedIn("ida");
        page.keyboard().press("Control+k");
        Locator words = page.getByPlaceholder("Codes, names, numbers");
        words.fill("queen");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("QEX-10");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile("/items\\?code=QEX-10"));
        // several words in any order; customer orders, customers, suppliers, sites
        for (String[] wanted : new String[][] {
            {"sealed 6202", "BRG-6202", "/items\\?code=BRG-6202"},
            {"SO-790", "customer order", "/demand\\?line=SO-790"},
            {"trade widdow", "supplier", "/plan\\?supplier=WIDDOW"},
            {"quayside", "site", "/plan\\?for=QUAYSIDE"},
            {"PO-2032", "order to us", "/orders\\?number=PO-2032"}
        }) {
            page.keyboard().press("Control+k");
            words.fill(wanted[0]);
            page.getByRole(AriaRole.DIALOG)
                    .getByRole(AriaRole.OPTION)
                    .filter(new Locator.FilterOptions().setHasText(wanted[1]))
                    .first()
                    .click();
            assertThat(page).hasURL(Pattern.compile(wanted[2]));
        }
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Go to Plan");
        page.keyboard().press("Escape");
    }

    /** Every action that has a key is found by its words, with its key beside it. */
    @Test
    void theFinderDoesWhatHasAKey() {
        Page page = signedIn("ida");
        for (String[] wanted : new String[][] {
            {"undo", "Take back the last decision", "u"},
            {"export", "Save the list as CSV", "E"},
            {"sign out", "Sign out", "gq"},
            {"dark", "Dark or light", "D"}
        }) {
            page.keyboard().press("Control+k");
            page.getByPlaceholder("Codes, names, numbers").fill(wanted[0]);
            Locator action = page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText(wanted[1]));
            assertThat(action.locator("kbd").first()).hasText(wanted[2].substring(0, 1));
            if (!wanted[0].equals("dark")) {
                page.keyboard().press("Escape");
                assertThat(action).isHidden();
            }
        }
        page.keyboard().press("Enter");
        assertThat(page.locator("html")).hasAttribute("data-theme", "dark");
        page.keyboard().press("D");
        assertThat(page.locator("html")).hasAttribute("data-theme", "light");
    }

    /** All keys fit on a small screen; what does not is scrolled to. */
    @Test
    void theHelpOfTheKeysFitsTheScreen() {
        Page page = signedIn("ida");
        page.keyboard().press("?");
        Locator help = page.getByRole(AriaRole.DIALOG);
        assertThat(help.getByRole(AriaRole.BUTTON)).isInViewport();
        assertThat(help.getByText("Show all keys")).isInViewport();
        page.setViewportSize(640, 400);
        assertThat(help.getByRole(AriaRole.BUTTON)).isInViewport();
        help.getByText("Show all keys").scrollIntoViewIfNeeded();
        assertThat(help.getByText("Show all keys")).isInViewport();
    }

    /** What stands in the filter and what is half typed is there again after a reload, and the filter in the address. */
    @Test
    void aReloadLosesNothingThatWasTyped() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("bearing");
        assertThat(page).hasURL(Pattern.compile("words=bearing"));
        plannedOrder(page, "BRG-6202").click();
        page.keyboard().press("e");
        page.getByTestId("decide").getByLabel("Quantity").fill("33");
        page.reload();
        assertThat(page.getByPlaceholder("filter")).hasValue("bearing");
        assertThat(page.getByTestId("decide").getByLabel("Quantity")).hasValue("33");
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("decide")).isHidden();
        page.reload();
        assertThat(plannedOrder(page, "BRG-6202")).isVisible();
        assertThat(page.getByTestId("decide")).isHidden();
    }

    @Test
    void theThemeIsChosenAndKept() {
        Page page = signedIn("ida");
        page.getByLabel(Pattern.compile("^Ida Holm")).click();
        page.getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName("Dark theme"))
                .click();
        page.reload();
        assertThat(page.locator("html")).hasAttribute("data-theme", "dark");
    }

    @Test
    void signingOutEndsTheSession() {
        expectFailure("401");
        Page page = signedIn("ida");
        page.getByLabel(Pattern.compile("^Ida Holm")).click();
        page.getByText("Sign out").click();
        assertThat(page).hasURL(Pattern.compile("/signin"));
        page.navigate("/plan");
        assertThat(page).hasURL(Pattern.compile("/signin\\?back=%2Fplan"));
    }

    @Test
    void signalsAreListedWithWhatIsLateFirstAndLeadToTheirCause() {
        Page page = signedIn("ida");
        page.keyboard().press("s");
        Locator signals = page.getByLabel("All signals");
        assertThat(signals.getByRole(AriaRole.HEADING, new Locator.GetByRoleOptions().setLevel(3))
                        .first())
                .containsText("demand late");
        assertThat(signals).containsText("PO-2032 was due on 18 Nov, 5 days ago");
        assertThat(signals).containsText("Nothing needs the 120 pcs of PO-2040: cancel it.");
        signals.getByText("BRG-6202", new Locator.GetByTextOptions().setExact(true))
                .first()
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .containsText("BRG-6202");
        page.goBack();
        assertThat(signals).isVisible();
    }

    @Test
    void aPlaceComesBackAsItWasLeft() {
        Page page = signedIn("ida");
        filter(page, "Source").selectOption("transfer");
        plannedOrder(page, "HIVE-10W").click();
        page.getByTestId("needs").getByRole(AriaRole.LINK).first().click();
        assertThat(page).hasURL(Pattern.compile("site=LARKMOOR"));
        assertThat(filter(page, "Source")).hasValue("transfer");
        page.keyboard().press("g");
        page.keyboard().press("i");
        assertThat(page).hasURL(Pattern.compile("/items"));
        page.keyboard().press("g");
        page.keyboard().press("p");
        assertThat(filter(page, "Source")).hasValue("transfer");
    }

    @Test
    void aLinkWithAFilterOpensTheFirstThatFits() {
        Page page = signedIn("ida");
        page.navigate("/plan?words=CARR-62");
        assertThat(page.locator(".plan-row.here")).containsText("CARR-62");
        assertThat(page).hasURL(Pattern.compile("order=CARR-62"));
        page.navigate("/items?words=glove");
        assertThat(page.locator(".plan-row.here")).containsText("GLOVE");
        assertThat(page).hasURL(Pattern.compile("code=GLOVE"));
    }

    @Test
    void aViewOfThePlanComesBackAsItWasLeft() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("CARR-62");
        page.getByPlaceholder("filter").press("Enter");
        plannedOrder(page, "CARR-62").click();
        page.keyboard().press("x");
        assertThat(page.getByTestId("selection")).containsText("1 selected");
        assertThat(page).hasURL(Pattern.compile("words=CARR-62"));
        String decide = page.url();
        page.keyboard().press("t");
        assertThat(page).hasURL(Pattern.compile("/plan/threads\\?order="));
        Locator bars = page.locator(".thread-row");
        assertThat(bars.nth(1)).isVisible();
        page.keyboard().press("J");
        page.keyboard().press("J");
        String bar = page.locator(".thread-row.here").getAttribute("id");

        page.keyboard().press("g");
        page.keyboard().press("d");
        assertThat(page).hasURL(decide);
        assertThat(page.locator(".plan-row.here")).containsText("CARR-62");
        assertThat(page.getByTestId("selection")).containsText("1 selected");
        assertThat(page.getByPlaceholder("filter")).hasValue("CARR-62");

        page.keyboard().press("g");
        page.keyboard().press("t");
        assertThat(page.locator(".thread-row.here")).hasAttribute("id", bar);
        // another thread begins at its top
        page.navigate("/plan/threads?number=SO-790");
        assertThat(page.locator(".thread-row").first()).hasClass(Pattern.compile("here"));
    }

    @Test
    void aKitSaysThatItIsKeptAsItsParts() {
        expectFailure("404");
        Page page = signedIn("ida");
        page.navigate("/items?code=KIT-BEGIN");
        assertThat(page.getByText("A kit is never stocked itself")).isVisible();
        page.navigate("/plan?item=KIT-BEGIN&site=LARKMOOR");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("KIT-BEGIN is a kit");
    }

    @Test
    void whatIsShownIsSavedAsCsv() throws Exception {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("BRG-6202");
        var download = page.waitForDownload(() -> page.getByText("Save as CSV").click());
        java.util.List<String> lines = java.nio.file.Files.readAllLines(download.path());
        org.assertj.core.api.Assertions.assertThat(download.suggestedFilename()).isEqualTo("planned-orders.csv");
        org.assertj.core.api.Assertions.assertThat(lines.get(0)).startsWith("item,name,site,source,supplier,quantity");
        // the name holds a comma, so it stands in quotes; dates are ISO
        org.assertj.core.api.Assertions.assertThat(lines.get(1))
                .startsWith(
                        "BRG-6202,\"Bearing 6202, sealed\",LARKMOOR,buy,BROOKMILL,50,pcs,2026-11-06,2026-11-27,2026-12-14");
    }

    @Test
    void severalAreSelectedAndLeftAgain() {
        Page page = signedIn("ida");
        select(page, "NAIL-20");
        select(page, "EYELET-3");
        assertThat(page.getByTestId("selection")).containsText("2 selected, 1 supplier, €\u2009133.20");
        select(page, "NAIL-20");
        assertThat(page.getByTestId("selection")).containsText("1 selected");
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("selection")).containsText(Pattern.compile("^\\s*\\d+ orders"));
    }

    @Test
    void thePlanUsesTheForecastThatIsChosenInTheMenu() {
        Page page = signedIn("ida");
        page.navigate("/plan?item=TRAP-1&site=LARKMOOR");
        assertThat(page.getByRole(AriaRole.MAIN)).containsText("TRAP-1");
        assertThat(forecastUsed(page)).containsText("Base");
        page.getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName("Strong spring"))
                .click();
        assertThat(forecastUsed(page)).containsText("Strong spring");
        page.keyboard().press("Escape");
        // another planner plans with it too; a buyer is not asked
        assertThat(forecastUsed(signedIn("tom"))).containsText("Strong spring");
        Page buyer = signedIn("bram");
        buyer.getByLabel(Pattern.compile("^Bram Tolk")).click();
        assertThat(buyer.getByText("Sign out")).isVisible();
        assertThat(buyer.getByText("Plan with the forecast")).isHidden();
    }

    /** Opens the menu; the forecast that is marked there. */
    private static Locator forecastUsed(Page page) {
        page.getByLabel(Pattern.compile(": menu$")).click();
        return page.getByRole(AriaRole.GROUP)
                .filter(new Locator.FilterOptions().setHasText("Plan with the forecast"))
                .locator("[role=menuitemradio][aria-checked=true]");
    }

    @Test
    void anItemShowsTheOperationsThatMakeIt() {
        Page page = signedIn("ida");
        page.navigate("/items?code=NUC-5N");
        Locator operations = page.getByTestId("operations");
        assertThat(operations).containsText("Paint shop");
        assertThat(operations.getByRole(AriaRole.ROW)).hasCount(4);
        Locator bill = page.getByTestId("bom");
        assertThat(bill.getByRole(AriaRole.COLUMNHEADER, new Locator.GetByRoleOptions().setName("Step")))
                .isVisible();
        assertThat(bill.getByRole(
                                AriaRole.BUTTON,
                                new Locator.GetByRoleOptions().setName(Pattern.compile(": Step, 20, change")))
                        .first())
                .isVisible();
    }
}
