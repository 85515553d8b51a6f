package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What is to be expected: looked at by method and bucket, and kept in a forecast set. */
class ForecastTest extends DeskTest {
    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    /** Another method is taken by its key and set back, weeks are looked at, and the forecast is kept with what follows. */
    @Test
    void aForecastIsLookedAtAndKept() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("v");
        Locator curve = page.getByTestId("curve");
        assertThat(curve).isVisible();
        page.getByPlaceholder("filter").fill("four-frame");
        assertThat(page.locator(".plan-row")).hasCount(1);
        page.locator(".plan-row").click();
        Locator methods = page.getByTestId("methods");
        assertThat(curve).hasAttribute("aria-label", Pattern.compile("^EXTR-4"));
        Locator first = methods.locator("tbody tr").first();
        page.keyboard().press("m");
        assertThat(page).hasURL(Pattern.compile("method="));
        assertThat(methods.locator("tr.here")).hasCount(1);
        page.keyboard().press("M");
        assertThat(page).not().hasURL(Pattern.compile("method="));
        assertThat(first).containsText("least error");

        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Buckets"))
                .getByText("weeks")
                .click();
        assertThat(page.getByTestId("ahead").locator("tbody tr").nth(1)).containsText("30 Nov");
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Buckets"))
                .getByText("months")
                .click();
        assertThat(page.getByTestId("ahead").locator("tbody tr").nth(1)).containsText("1 Dec");
        assertThat(page.getByTestId("ahead").locator("tbody tr").nth(1)).containsText("–");

        page.keyboard().press("e");
        Locator decide = page.getByTestId("decide");
        assertThat(decide.getByLabel("Into the forecast set")).hasValue("Base");
        assertThat(decide).containsText("EXTR-4");
        Locator keep = button(decide, "Keep it");
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByTestId("ahead").locator("tbody tr").nth(1)).not().containsText("–");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from forecasts where set = 'Base' and item = 'EXTR-4' and bucket = 'month'",
                        Integer.class))
                .isEqualTo(12);
        page.keyboard().press("u");
        assertThat(page.getByTestId("ahead").locator("tbody tr").nth(1)).containsText("–");
    }

    /** What is listed goes out as a sheet with one column a month, and it says what the screen says. */
    @Test
    void forecastsAreSavedWithOneColumnAMonth() throws Exception {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        page.getByPlaceholder("filter").fill("four-frame");
        assertThat(page.locator(".plan-row")).hasCount(1);
        page.locator(".plan-row").click();
        Locator ahead = page.getByTestId("ahead").locator("tbody tr");
        assertThat(ahead).hasCount(12);
        Download download =
                page.waitForDownload(() -> page.getByText("Save as CSV").click());
        List<String> lines = Files.readAllLines(download.path());
        Assertions.assertThat(lines).hasSize(2);
        Assertions.assertThat(lines.get(0))
                .startsWith("item,name,site,unit,method,")
                .endsWith(
                        "2026-11-01,2026-12-01,2027-01-01,2027-02-01,2027-03-01,2027-04-01,2027-05-01,2027-06-01,2027-07-01,"
                                + "2027-08-01,2027-09-01,2027-10-01");
        List<String> shown = ahead.locator("td:nth-child(2)").allTextContents();
        List<String> cells = List.of(lines.get(1).split(","));
        Assertions.assertThat(cells.subList(cells.size() - 12, cells.size()))
                .isEqualTo(shown.stream().map(String::strip).toList());
        Download workbook = page.waitForDownload(() -> page.keyboard().press("S"));
        Assertions.assertThat(workbook.suggestedFilename()).endsWith(".xlsx");
    }

    /** Who may not keep forecasts sees them, and is told who does. */
    @Test
    void theSalesDeskLooksOnly() {
        Page page = signedIn("sven");
        page.navigate("/demand/forecast");
        assertThat(page.getByTestId("curve")).isVisible();
        page.keyboard().press("e");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Forecasts are for planners to keep");
    }

    /**
     * A point of the history is dragged: the curve follows while it is moved. It is kept with its reason, what was shipped stays
     * beside it, and it is taken back.
     */
    @Test
    void aPointOfTheHistoryIsDraggedAndKept() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast?series=HIVE-10N~LARKMOOR");
        Locator curve = page.getByTestId("curve");
        Locator ahead = page.getByTestId("ahead").locator("tbody tr").nth(4);
        assertThat(ahead).containsText("1 Mar");
        String before = ahead.textContent();
        page.keyboard().press("c");
        Locator point = page.getByTestId("point");
        assertThat(point.getByLabel("counts for")).isFocused();
        // back to March with the keys
        while (!point.locator("b").textContent().equals("1 Mar")) {
            String at = point.locator("b").textContent();
            page.keyboard().press("PageUp");
            assertThat(point.locator("b")).not().hasText(at);
        }
        BoundingBox dot = curve.locator("circle[r='5']").boundingBox();
        page.mouse().move(dot.x + dot.width / 2, dot.y + dot.height / 2);
        page.mouse().down();
        page.mouse().move(dot.x + dot.width / 2, dot.y + 90);
        assertThat(ahead).not().hasText(before);
        page.mouse().up();
        point.getByLabel("because").selectOption("promotion");
        point.getByLabel("Why").fill("spring fair");
        page.keyboard().press("Enter");
        assertThat(point).hasCount(0);
        assertThat(ahead).not().hasText(before);
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from history_corrections where item = 'HIVE-10N' and kind = 'promotion'"
                                + " and reason = 'spring fair' and from_date = '2026-03-01'",
                        Integer.class))
                .isOne();
        page.keyboard().press("u");
        assertThat(ahead).hasText(before);
    }

    /** All that is selected goes into a set with one key. */
    @Test
    void severalForecastsAreKeptAtOnce() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.getByPlaceholder("filter").fill("hive");
        assertThat(page.locator(".plan-row").first()).containsText("HIVE");
        page.keyboard().press("Escape");
        page.keyboard().press("X");
        page.keyboard().press("e");
        Locator decide = page.getByTestId("decide");
        decide.getByLabel("Into the forecast set").fill("Hives");
        Locator keep = button(decide, "Keep it");
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("series in Hives");
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(distinct item) from forecasts where set = 'Hives'", Integer.class))
                .isGreaterThan(2);
    }

    /** What runs out soonest is seen with all that its supplier has short too, and one key releases all of it. */
    @Test
    void whatRunsOutIsReleasedWithAllOfItsSupplier() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("r");
        assertThat(page.getByTestId("out")).containsText("Without another order nothing is left");
        page.locator(".plan-row", new Page.LocatorOptions().setHasText("more"))
                .first()
                .click();
        Locator others = page.getByTestId("others").locator("tbody tr");
        assertThat(others.first()).isVisible();
        int count = others.count();
        page.keyboard().press("R");
        assertThat(page).hasURL(Pattern.compile("/plan"));
        Locator release = page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true));
        assertThat(release).isVisible();
        Assertions.assertThat(count).isPositive();
    }
}
