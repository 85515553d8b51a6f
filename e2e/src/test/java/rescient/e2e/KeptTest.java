package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** How well promises were kept. Honey extractors were not: every third went days after what the customer was told. */
class KeptTest extends DeskTest {
    @Test
    void theWorstGroupLeadsToItsOrders() {
        Page page = signedIn("stella");
        page.keyboard().press("g");
        page.keyboard().press("l");
        Locator groups = page.getByTestId("by-group");
        Locator extractors =
                groups.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Extractors"));
        assertThat(extractors).containsText("58 %");
        extractors.getByRole(AriaRole.BUTTON).click();
        assertThat(page.getByTestId("sum")).containsText("19 promises: 58 % kept");
        page.keyboard().press("o");
        assertThat(page.getByTestId("sum")).containsText("8 promises");
        Locator first = page.getByRole(AriaRole.OPTION).first();
        assertThat(first).containsText("EXTR-4");
        assertThat(first).containsText("days late");
        assertThat(page.getByTestId("kept-line")).containsText("2 pcs promised for");
        // a month of them alone, and all again
        page.getByTestId("months").getByRole(AriaRole.BUTTON).last().click();
        assertThat(page.getByTestId("sum")).not().containsText("8 promises");
        page.keyboard().press("A");
        assertThat(page.getByTestId("sum")).containsText("promises");
        page.keyboard().press("v");
        page.waitForURL(url -> url.contains("/demand?") && url.contains("state=done"));
        assertThat(page.locator("[role=option][aria-selected=true], [role=option].here")
                        .first())
                .containsText("EXTR-4");
    }
}
