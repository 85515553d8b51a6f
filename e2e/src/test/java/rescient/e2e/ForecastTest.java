package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
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

    /** Who may not keep forecasts sees them, and is told who does. */
    @Test
    void theSalesDeskLooksOnly() {
        Page page = signedIn("sven");
        page.navigate("/demand/forecast");
        assertThat(page.getByTestId("curve")).isVisible();
        page.keyboard().press("e");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Forecasts are for planners to keep");
    }
}
