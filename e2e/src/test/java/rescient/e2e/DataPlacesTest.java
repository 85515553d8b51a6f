package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.server.planning.PlanVersion;

/** Calendars, partners, the health of the data, and tables in and out. */
class DataPlacesTest extends DeskTest {
    @TempDir
    private Path folder;

    private static Locator follows(Page page) {
        return page.getByTestId("follows");
    }

    private static void kept(Page page, String sentence) {
        Locator keep = follows(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep"));
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(follows(page)).hasCount(0);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText(sentence);
    }

    /** A year's picture: a day is turned by a press, holidays come from a file, those of every year too. */
    @Test
    void aYearOfACalendarWithItsHolidays() {
        Page page = signedIn("ida");
        page.navigate("/items/calendars?code=WORKS");
        Locator year = page.getByTestId("year");
        assertThat(year.locator("[data-day='2026-12-24']")).hasAttribute("aria-label", Pattern.compile("off"));
        year.locator("[data-day='2026-12-10']").click();
        assertThat(year.locator("[data-day='2026-12-10']")).hasAttribute("aria-label", Pattern.compile("off"));
        String file = String.join(
                "\r\n",
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                "PRODID:-//Test//EN",
                "BEGIN:VEVENT",
                "UID:1@test",
                "DTSTAMP:20200101T000000Z",
                "DTSTART;VALUE=DATE:20201208",
                "RRULE:FREQ=YEARLY",
                "SUMMARY:Lantern Day",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:2@test",
                "DTSTAMP:20200101T000000Z",
                "DTSTART;VALUE=DATE:20261212",
                "SUMMARY:On a Saturday",
                "END:VEVENT",
                "END:VCALENDAR",
                "");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("days.ics", "text/calendar", file.getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("1 day off")))
                .containsText("Lantern Day");
        kept(page, "days of calendars");
        Assertions.assertThat(jdbc.queryForList(
                        "select date::text from calendar_exceptions where calendar = 'WORKS' and not working"
                                + " and date in ('2026-12-08', '2026-12-10', '2026-12-12') order by 1",
                        String.class))
                .containsExactly("2026-12-08", "2026-12-10");
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back");
        assertThat(year.locator("[data-day='2026-12-10']")).hasAttribute("aria-label", Pattern.compile("works"));
    }

    @Test
    void aNewSupplierWithAPriceAndAway() {
        Page page = signedIn("ida");
        page.navigate("/partners");
        page.getByTestId("supplier_items").waitFor();
        page.keyboard().press("n");
        page.keyboard().type("NEWCO");
        page.keyboard().press("Enter");
        kept(page, "Added supplier NEWCO");
        page.locator(".plan-row")
                .filter(new Locator.FilterOptions().setHasText("NEWCO"))
                .click();
        page.getByText("Take it away").click();
        kept(page, "Took away supplier NEWCO");
        page.locator(".plan-row")
                .filter(new Locator.FilterOptions().setHasText("ASHBEK"))
                .click();
        page.getByText("Take it away").click();
        assertThat(follows(page).getByRole(AriaRole.ALERT)).containsText("Retire it instead");
    }

    /** The health of the data: the worst first, repaired where it stands, or lived with for a reason. */
    @Test
    void aFindingIsRepairedAndAnotherIsLivedWith() {
        Page page = signedIn("ida");
        page.navigate("/items/health");
        assertThat(page.locator(".plan-row").first()).containsText("no supplier");
        Locator low = page.locator(".plan-row").filter(new Locator.FilterOptions().setHasText("reorder point too low"));
        int many = low.count();
        low.first().click();
        page.getByTestId("repair")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take"))
                .click();
        kept(page, "reorder point");
        assertThat(low).hasCount(many - 1);
        low.first().click();
        page.getByLabel("Reason").fill("It runs out this year");
        page.keyboard().press("Enter");
        assertThat(low).hasCount(many - 2);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("open").setExact(true))
                .click();
        page.locator(".plan-row").first().click();
        assertThat(page.getByText("It runs out this year")).isVisible();
    }

    /** From view to view and back; what is half typed is there again. */
    @Test
    void theViewsOfThePlaceAreLeftAndFoundAgain() {
        Page page = signedIn("ida");
        page.navigate("/items?code=GBX-410");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^GBX-410 at Larkmoor works: Safety stock, ")))
                .first()
                .click();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type("4");
        assertThat(follows(page)).isVisible();
        Locator views = page.getByLabel("Views of the items");
        views.getByText("Health").click();
        assertThat(page).hasURL(Pattern.compile("/items/health"));
        views.getByText("Items").click();
        assertThat(page).hasURL(Pattern.compile("/items\\?code=GBX-410"));
        assertThat(follows(page)).containsText("Keep 1 row");
        page.keyboard().press("g");
        page.keyboard().press("h");
        assertThat(page).hasURL(Pattern.compile("/items/health"));
    }

    /** Cells of a spreadsheet, with a comma before the decimals and one fault, corrected before they are taken in. */
    @Test
    void pastedCellsComeInWithTheirFaultsCorrected() {
        Page page = signedIn("ida");
        page.navigate("/items/bring");
        paste(
                page,
                "Part no\tDescription\tUnit\tCost\nROD-12\tSteel rod 12 mm\tm\t3,45\nROD-16\tSteel rod 16 mm\tyards\t4,20\n");
        assertThat(page.getByTestId("outcome")).containsText("1 with a fault");
        assertThat(page.getByTestId("faults")).containsText("is not known among the units");
        Locator bring = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bring in 1 row"));
        assertThat(bring).isDisabled();
        page.getByLabel("Unit of row 3").fill("m");
        page.getByLabel("Unit of row 3").press("Tab");
        assertThat(page.getByTestId("outcome")).not().containsText("fault");
        assertThat(page.getByTestId("changes")).containsText("3.45");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bring in 2 rows"))
                .click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Brought in");
        Assertions.assertThat(jdbc.queryForObject("select count(*) from items where code = 'ROD-16'", Integer.class))
                .isEqualTo(1);
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back");
        Assertions.assertThat(jdbc.queryForObject("select count(*) from items where code = 'ROD-16'", Integer.class))
                .isZero();
    }

    /** The whole company, out and in again, is the same plan. */
    @Test
    void theWholeCompanyGoesOut() throws Exception {
        Page page = signedIn("ida");
        page.navigate("/items/bring");
        Download download = page.waitForDownload(
                () -> page.getByText("The whole company").first().click());
        Path file = folder.resolve("company.zip");
        Files.copy(download.path(), file);
        PlanVersion version = live.current();
        var again = new Planner()
                .plan(
                        Company.snapshot(DatasetReader.read(file), version.today(), version.horizonEnd()),
                        PlanOptions.ALL);
        Assertions.assertThat(again.plannedOrders()).isEqualTo(version.plan().plannedOrders());
    }

    /** All tables of a workbook into an empty company, ticked as they are, in one go; a sheet that is left out is missed by others. */
    @Test
    void aWorkbookIsTheWholeCompany() throws Exception {
        Page page = signedIn("ida");
        page.navigate("/items/bring");
        Download download = page.waitForDownload(
                () -> page.getByText("The whole company").last().click());
        Path file = folder.resolve("larkmoor.xlsx");
        Files.copy(download.path(), file);
        int orders = live.current().plan().plannedOrders().size();
        page.navigate("about:blank");
        store.replace(new Dataset(Map.of()), "New company", false);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        page.navigate("/items/bring");
        page.locator("input[type=file]").setInputFiles(file);
        Locator sheets = page.getByLabel("Sheets", new Page.GetByLabelOptions().setExact(true));
        Locator units = sheets.getByLabel("Bring in units", new Locator.GetByLabelOptions().setExact(true));
        assertThat(units).isChecked();
        Locator bring =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Bring in \\d")));
        assertThat(bring).isEnabled();
        units.uncheck();
        assertThat(sheets.getByText(Pattern.compile("\\d+ faults")).first()).isVisible();
        assertThat(bring).isDisabled();
        units.check();
        assertThat(bring).isEnabled();
        page.keyboard().press("]");
        assertThat(page.getByTestId("changes")).isVisible();
        bring.click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("more tables from larkmoor.xlsx");
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        Assertions.assertThat(live.current().plan().plannedOrders()).hasSize(orders);
        page.keyboard().press("u");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Taken back");
        Assertions.assertThat(jdbc.queryForObject("select count(*) from items", Integer.class))
                .isZero();
    }

    /** Nothing is there: five tables are asked for, pasted one after the other, and the first plan stands at once. */
    @Test
    void anEmptyCompanyIsLedToItsFirstPlan() {
        Page page = signedIn("ida");
        // nobody looks at what is gone in the middle of asking for it
        page.navigate("about:blank");
        store.replace(new Dataset(Map.of()), "New company", false);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        page.navigate("/plan");
        page.getByText("Begin with the company's tables").click();
        assertThat(page).hasURL(Pattern.compile("/items/bring"));
        Locator steps = page.getByTestId("first-steps");
        assertThat(steps.getByText("none yet")).hasCount(5);
        bring(page, "code\tname\tdecimals\npcs\tpieces\t0\n", "units");
        assertThat(steps.getByText("none yet")).hasCount(4);
        bring(page, "code\tname\nW\tWorks\n", "sites");
        bring(page, "code\tname\tcurrency\nS\tSmith\tEUR\n", "suppliers");
        bring(page, "code\tname\tunit\nCHAIR\tChair\tpcs\nLEG\tLeg\tpcs\n", "items");
        bring(page, "item\tsite\tsource\tsupplier\tlead time\nCHAIR\tW\tmake\t\t3\nLEG\tW\tbuy\tS\t5\n", "planning");
        assertThat(steps).containsText("See the first plan");
        bring(page, "parent\tline\tcomponent\tquantity\nCHAIR\t10\tLEG\t4\n", "bom_lines");
        bring(
                page,
                "number\tline\titem\tsite\tquantity\tdue date\nSO-1\t1\tCHAIR\tW\t5\t15.01.2027\n",
                "customer_orders");
        page.navigate("/plan");
        // 5 chairs take 20 legs
        assertThat(page.locator(".plan-row").filter(new Locator.FilterOptions().setHasText("LEG")))
                .containsText("20");
        assertThat(page.locator(".plan-row").filter(new Locator.FilterOptions().setHasText("CHAIR")))
                .containsText("5");
    }

    private static void paste(Page page, String text) {
        page.getByLabel("Drop a file here").focus();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.querySelector('[aria-label^=\"Drop a file\"]').dispatchEvent("
                        + "new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })) }",
                text);
    }

    private static void bring(Page page, String text, String table) {
        paste(page, text);
        // a code and a name could be of many
        page.getByLabel("These are").selectOption(table);
        Locator bring =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Bring in \\d")));
        assertThat(bring).isEnabled();
        bring.click();
        assertThat(page.getByLabel("Drop a file here")).isVisible();
    }
}
