package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What is made and assembled, from its parts to its customer. */
class MakingTest extends OrderDeskTest {
    /** An order for hives cannot have its bodies: what is missing stands there with what brings it; that is released in one press, made, and the hives are. */
    @Test
    void anAssemblyIsRefusedAndCured() {
        Page page = signedIn("ida");
        page.navigate("/stock?point=BOX-B10N~LARKMOOR");
        assertThat(page.getByTestId("there")).isVisible();
        page.keyboard().press("a");
        Locator damp = page.getByTestId("posting");
        damp.getByLabel("By").fill("-10");
        damp.getByLabel("Why").fill("damp");
        posted(damp, "Post");

        page.navigate("/orders?number=AO-106");
        Locator issue = begun(page, "Issue parts of", "issue");
        Locator refused = issue.getByTestId("refused");
        assertThat(refused).containsText("BOX-B10N at Larkmoor works: there are 5 pcs");
        assertThat(refused).containsText("A planned order brings");
        button(refused, "Release 1 planned order that brings it").click();
        assertThat(refused.getByRole(AriaRole.STATUS)).containsText("Released");
        String made = last("BOX-B10N");
        assertThat(refused).containsText(made + " brings");
        refused.getByRole(AriaRole.STATUS).getByRole(AriaRole.LINK).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile(made))))
                .isVisible();
        posted(begun(page, "Report", "output"), "Report");

        page.navigate("/orders?number=AO-106");
        posted(begun(page, "Issue parts of", "issue"), "Issue parts");
        Locator output = begun(page, "Report", "output");
        assertThat(output.getByTestId("moves")).containsText("HIVE-10N");
        posted(output, "Report");
        posted(begun(page, "Finish", "finish"), "Finish");
        assertThat(page.getByTestId("costs")).containsText("In all");
    }

    /** Held, it is let go and sent; then it comes. */
    private void bought(Page page, String number, String lot) {
        sent(page);
        Locator receive = begun(page, "Receive", "receive");
        if (lot != null) {
            receive.getByLabel("Lot").fill(lot);
        }
        posted(receive, "Receive");
        assertThat(page.getByText("purchase order, done")).isVisible();
    }

    /**
     * In one sitting: what a forecast asks for is given out; a part of it is missing, bought, sent for and received; parts go out,
     * the small ones with each report; reported in two parts, with one spoiled, finished, and told what it cost.
     */
    @Test
    void fromTheForecastToWhatItCost() {
        Page page = signedIn("ida");
        page.navigate("/stock?point=SHEET-A5~LARKMOOR");
        assertThat(page.getByTestId("there")).isVisible();
        page.keyboard().press("c");
        Locator wet = page.getByTestId("posting");
        wet.getByLabel("Counted").fill("0");
        wet.getByLabel("Why").fill("wet");
        posted(wet, "Post");

        String order = released(page, "TRAP-1", "make");
        page.navigate("/orders?number=" + order);
        assertThat(line(page)).containsText("forecast Base");
        Locator issue = begun(page, "Issue parts of", "issue");
        Locator refused = issue.getByTestId("refused");
        assertThat(refused).containsText("SHEET-A5 at Larkmoor works: there are 0");
        button(refused, "Release 1 planned order that brings it").click();
        refused.getByRole(AriaRole.STATUS).getByRole(AriaRole.LINK).click();
        bought(page, last("SHEET-A5"), null);

        page.navigate("/orders?number=" + order);
        issue = begun(page, "Issue parts of", "issue");
        assertThat(issue.getByTestId("moves")).containsText("PLY-9");
        assertThat(issue.getByTestId("moves")).not().containsText("SCR-312");
        posted(issue, "Issue parts");
        Locator first = begun(page, "Report", "output");
        first.getByLabel("Good").fill("2");
        assertThat(first.getByTestId("moves")).containsText("SCR-312");
        posted(first, "Report");
        // four more are sawn, which took longer than planned; of the rest one is spoiled
        Locator sawn = begun(page, "Report", "output");
        sawn.getByLabel("Up to").selectOption("10");
        sawn.getByLabel("Good").fill("4");
        sawn.getByLabel("Minutes").fill("90");
        button(sawn, "Report").click();
        assertThat(sawn).hasCount(0);
        Locator rest = begun(page, "Report", "output");
        rest.getByLabel("Spoiled").fill("1");
        rest.getByLabel("Why").fill("split");
        posted(rest, "Report");
        posted(begun(page, "Finish", "finish"), "Finish");
        Locator costs = page.getByTestId("costs");
        assertThat(costs).containsText("In all");
        assertThat(costs).containsText("PLY-9");
        assertThat(costs).containsText("Step 10, Saw");
        assertThat(costs).containsText("Packing");
    }

    /**
     * From bearings that come with their lot to an invoiced honey extractor: each level with its lot or serial number, made
     * up by the desk; what went into it stands on the invoice, and the bearings lead to the customer.
     */
    @Test
    void bearingsBecomeAnExtractorThatIsCharged() {
        Page page = signedIn("ida");
        page.navigate("/orders/new?supplier=WIDDOW");
        Locator bearings = page.getByTestId("bought-before").getByLabel("Quantity of BRG-6202", EXACT);
        bearings.fill("20");
        page.getByLabel("Wanted on").fill("30.11.2026");
        assertThat(page.getByTestId("seen")).containsText("In all");
        bearings.press("Enter");
        assertThat(page.getByLabel("Its way").locator("[aria-current=step]")).hasText("held");
        bought(page, last("BRG-6202"), "BW-1");

        String carriers = made(page, "CARR-62", "BRG-6202", "BW-1", "4", "2");
        String shafts = made(page, "SHF-410", "CARR-62", carriers, "2", "2");
        String gearbox = made(page, "GBX-410", "SHF-410", shafts, "2", "1");
        String extractor = made(page, "EXTR-4", "GBX-410", gearbox, "1", "1");
        Assertions.assertThat(carriers).isEqualTo("CA-2648");
        Assertions.assertThat(extractor).isEqualTo("X4-2648-0080");

        page.navigate("/demand?line=SO-790~1");
        assertThat(page.getByLabel("Customer order SO-790")).isVisible();
        page.keyboard().press("s");
        Locator ship = page.getByTestId("ship");
        ship.getByLabel("Goes").fill("1");
        ship.getByLabel("Serial number").fill(extractor);
        posted(ship, "Ship");
        page.navigate("/demand/invoices?state=to_charge&words=SO-790");
        page.locator(".plan-row").first().click();
        page.keyboard().press("y");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Charged");
        page.navigate("/demand/invoices?words=SO-790");
        page.locator(".plan-row").first().click();
        String document = page.getByText("With origins").getAttribute("href");
        byte[] paper = page.request().get("http://127.0.0.1:" + port + document).body();
        Assertions.assertThat(text(paper)).contains(extractor, gearbox, shafts, carriers, "BW-1");

        page.navigate("/stock/lot?item=BRG-6202&lot=BW-1");
        assertThat(page.getByTestId("trace-picture")).containsText(extractor);
        assertThat(page.getByTestId("recall")).containsText("SO-790");
        page.navigate("/stock/lot?item=EXTR-4&serial=" + extractor);
        assertThat(page.getByTestId("trace-picture")).containsText("BW-1");
    }

    /** A kit is fetched as its parts, ticked off on a phone, goes in one posting with its serial number, and is charged as one. */
    @Test
    void aKitIsFetchedAsItsPartsAndChargedAsOne() {
        String order = jdbc.queryForObject(
                "select number from customer_orders where item = 'KIT-HARVEST' and quantity > 0 and quantity < 6"
                        + " order by due_date limit 1",
                String.class);
        int kits = jdbc.queryForObject(
                "select quantity::int from customer_orders where number = ? and item = 'KIT-HARVEST'",
                Integer.class,
                order);
        jdbc.update("delete from customer_orders where number = ? and item <> 'KIT-HARVEST'", order);
        jdbc.update(
                "insert into stock (item, site, quantity) values ('PAIL-15', 'LARKMOOR', 20), ('BRUSH-H', 'LARKMOOR', 10)");
        again();

        Page stores = signedIn("stella");
        stores.setViewportSize(390, 800);
        stores.navigate("/stock/pick?number=" + order);
        Locator picks = stores.getByTestId("picks");
        assertThat(picks).containsText("PAIL-15");
        assertThat(picks).containsText("X4-2641-0076");
        for (Locator one : picks.getByRole(AriaRole.CHECKBOX).all()) {
            one.check();
        }
        Locator post = stores.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Post what is fetched: 1 of 1")));
        assertThat(post).isEnabled();
        stores.keyboard().press("Enter");
        assertThat(stores.getByRole(AriaRole.TOOLBAR)).containsText("Shipped KIT-HARVEST on " + order);
        Assertions.assertThat(jdbc.queryForObject(
                        "select sum(-quantity)::int from movements where order_number = ? and item = 'EXTR-4'",
                        Integer.class,
                        order))
                .isEqualTo(kits);
        assertThat(picks).containsText("Nothing is to be fetched for " + order);

        Page sales = signedIn("sven");
        sales.navigate("/demand/invoices?state=to_charge&words=" + order);
        sales.locator(".plan-row").first().click();
        assertThat(sales.getByTestId("charged-lines").locator("tbody tr")).hasCount(1);
        assertThat(sales.getByTestId("charged-lines")).containsText("KIT-HARVEST");
        sales.keyboard().press("y");
        assertThat(sales.getByRole(AriaRole.TOOLBAR)).containsText("Charged");
    }

    /** Of six smokers on their way to the depot five come; the sixth is lost, and told in what the differences cost. All of it is taken back. */
    @Test
    void aTransferLosesOne() {
        Page stores = signedIn("stella");
        stores.navigate("/orders?number=TO-58");
        Locator come = begun(stores, "Receive", "receive_transfer");
        come.getByLabel("Has come").fill("5");
        come.getByLabel("Lost").fill("1");
        come.getByLabel("Why").fill("dented");
        posted(come, "Receive");
        assertThat(stores.getByText("transfer order, done")).isVisible();
        Assertions.assertThat(jdbc.queryForObject(
                        "select variance from order_costs where number = 'TO-58'", java.math.BigDecimal.class))
                .isEqualByComparingTo("11.90");
        stores.navigate("/stock?point=SMOKER-S~QUAYSIDE");
        assertThat(stores.getByTestId("there")).containsText("11 pcs");
        stores.getByTestId("ledger")
                .getByLabel(Pattern.compile("^Take back number"))
                .first()
                .click();
        assertThat(stores.getByTestId("there")).containsText("6 pcs");
    }

    /** Some of a lot goes into an order for an item, and some of that is made, with a number of its own. */
    private String made(Page page, String item, String part, String lot, String takes, String good) {
        String order = released(page, item, "make");
        page.navigate("/orders?number=" + order);
        Locator issue = begun(page, "Issue parts of", "issue");
        issue.getByLabel("Part").selectOption(part);
        issue.getByLabel("Quantity").fill(takes);
        issue.getByLabel(Pattern.compile("^(Lot|Serial number)$")).fill(lot);
        posted(issue, "Issue parts");
        Locator output = begun(page, "Report", "output");
        output.getByLabel("Good").fill(good);
        button(output, "New").click();
        Locator field = output.getByLabel(Pattern.compile("^(Lot|Serial number)$"));
        assertThat(field).not().hasValue("");
        String number = field.inputValue();
        posted(output, "Report");
        return number;
    }

    private static String text(byte[] paper) {
        try (PdfReader reader = new PdfReader(paper)) {
            StringBuilder text = new StringBuilder();
            PdfTextExtractor pages = new PdfTextExtractor(reader);
            for (int page = 1; page <= reader.getNumberOfPages(); page++) {
                text.append(pages.getTextFromPage(page));
            }
            return text.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
