package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The desk magnified to 200 %, and on paper. */
class PaperAndZoomTest extends DeskTest {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 400;

    /** 1280 × 800 at 200 % are 640 × 400 to the page: nothing is cut off at the side, and all of it can be reached. */
    @Test
    void magnifiedToTwiceTheSizeNothingScrollsSideways() {
        Page page = signedIn("ida");
        page.setViewportSize(WIDTH, HEIGHT);
        for (String view : List.of(
                "/plan",
                "/plan/periods",
                "/plan/threads",
                "/plan/changes",
                "/plan/what-if",
                "/orders",
                "/stock",
                "/demand",
                "/demand/new",
                "/demand/forecast",
                "/demand/running-out",
                "/demand/kept",
                "/orders/invoices",
                "/orders/new?supplier=HOLLIN",
                "/orders/letters",
                "/stock/lot?item=SYRUP-5&lot=S-2605",
                "/stock/expiring",
                "/stock/value",
                "/stock/counts",
                "/stock/out",
                "/orders/bench",
                "/demand/invoices",
                "/partners/deliveries?supplier=HOLLIN",
                "/items",
                "/items/calendars",
                "/items/groups",
                "/items/health",
                "/items/bring",
                "/partners")) {
            page.navigate(view);
            assertThat(page.getByRole(AriaRole.TOOLBAR)).isVisible();
            assertThat(page.getByTestId("freshness")).containsText("Plan is current");
            Assertions.assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                    .as(view)
                    .isLessThanOrEqualTo(WIDTH);
            // the bar of actions lies in the page and is scrolled to
            page.getByRole(AriaRole.TOOLBAR).scrollIntoViewIfNeeded();
            Assertions.assertThat(page.getByRole(AriaRole.TOOLBAR).boundingBox().y)
                    .as(view)
                    .isLessThan(HEIGHT);
        }
    }

    @Test
    void periodsArePrintedOverPagesAndAPurchaseOrderNamesNoCustomer() {
        Page page = signedIn("ida");
        page.navigate("/plan/periods");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("stock points");
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        page.evaluate("dispatchEvent(new Event('beforeprint'))");
        Locator sheets = page.getByTestId("period-sheets").locator("table");
        assertThat(sheets.first()).isVisible();
        // as many rows as the screen can scroll through, and all periods side by side on several sheets
        assertThat(sheets.first()).containsText("BRG-6202");
        assertThat(sheets.first()).containsText("ROF-10W");
        Assertions.assertThat(sheets.count()).isGreaterThan(2);

        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        page.navigate("/orders?number=PO-2038");
        Locator serves = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Serves"));
        assertThat(serves).isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(serves).isHidden();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)))
                .containsText("PO-2038");
    }

    /** Chosen once, dates and numbers are so everywhere, in another browser too. */
    @Test
    void datesAndNumbersAreWrittenAsThePersonChose() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("f");
        page.locator("#format-date").selectOption("dots");
        page.locator("#format-thousands").selectOption(".");
        assertThat(page.getByTestId("format-sample")).containsText("9.12.2027 · 1.250,5");
        page.keyboard().press("Escape");
        assertThat(plannedOrder(page, "BRG-6202")).containsText("27.11.");

        Page elsewhere = signedIn("ida");
        assertThat(plannedOrder(elsewhere, "BRG-6202")).containsText("27.11.");
        elsewhere.keyboard().press("e");
        elsewhere.getByTestId("decide").getByLabel("Due").fill("4.12.");
        elsewhere.getByTestId("decide").getByLabel("Quantity").fill("50 pcs");
        assertThat(elsewhere.getByTestId("decide").getByRole(AriaRole.ALERT)).containsText("the number alone");
    }
}
