package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.context.TestPropertySource;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.server.planning.OrderKey;

/** A list that is too long to be sent whole: the most urgent are there, the others are found by filtering. */
@TestPropertySource(properties = {"rescient.list-whole=40", "rescient.list-most=40"})
class LongListTest extends DeskTest {
    private PlannedOrder last;
    private String row;

    @BeforeEach
    void theLeastUrgent() {
        Plan plan = live.current().plan();
        last = plan.plannedOrders().stream()
                .max(Comparator.comparingInt(PlannedOrder::startDay))
                .orElseThrow();
        String key = OrderKey.of(plan.point(last.item(), last.site()).orElseThrow(), last)
                .text();
        row = "[id='order-" + key + "']";
    }

    private static Locator bar(Page page) {
        return page.getByRole(AriaRole.TOOLBAR);
    }

    /** Counts, from now on, every frame that shows no row. */
    private static void watchForBlanks(Page page) {
        page.evaluate("""
                () => {
                  window.blanks = 0;
                  const look = () => {
                    if (!document.querySelector('[role=listbox] [role=option]')) window.blanks++;
                    requestAnimationFrame(look);
                  };
                  look();
                }""");
    }

    @Test
    void whatIsNotAmongTheMostUrgentIsFoundWithoutABlankListAndDecidedThere() {
        Page page = signedIn("ida");
        assertThat(bar(page)).containsText("the most urgent 40 of");
        assertThat(page.locator(row)).hasCount(0);

        watchForBlanks(page);
        page.keyboard().press("/");
        page.keyboard().type(last.item());
        page.keyboard().press("Enter");
        assertThat(page.locator(row)).isVisible();
        assertThat(page.locator(".plan-row").first()).containsText(last.item());
        Assertions.assertThat(page.evaluate("window.blanks")).isEqualTo(0);

        page.locator(row).click();
        page.keyboard().press("f");
        assertThat(page.getByTestId("consequence")).isVisible();
        page.keyboard().press("Enter");
        assertThat(bar(page)).containsText("Firmed");
        assertThat(page.locator(".plan-row.here")).containsText("FO-1");
        page.keyboard().press("u");
        assertThat(page.locator(row)).hasClass(Pattern.compile("here"));

        page.getByPlaceholder("filter").fill("");
        assertThat(bar(page)).containsText("the most urgent 40 of");
        assertThat(page.locator(row)).hasCount(0);
    }

    @Test
    void wordsThatFitNothingSaySoOnceTheServerHasLooked() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("no such thing");
        assertThat(page.getByText("No planned order and no signal fits these filters."))
                .isVisible();
        page.getByPlaceholder("filter").fill(last.item());
        assertThat(page.locator(row)).isVisible();
    }

    @Test
    void anOrderIsOpenedByItsAddressAndDecidedWhereverItStands() {
        Page page = signedIn("ida");
        String key = row.substring("[id='order-".length(), row.length() - "']".length());
        page.navigate("/plan?order=" + URLEncoder.encode(key, StandardCharsets.UTF_8));
        Locator heading = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(last.item()));
        assertThat(heading).isVisible();
        assertThat(page.getByTestId("needs")).isVisible();
        assertThat(page.locator(row)).hasCount(0);

        // keys are about it all the same, and what came of it stays in view
        page.keyboard().press("f");
        assertThat(page.getByTestId("consequence")).isVisible();
        page.keyboard().press("Enter");
        assertThat(bar(page)).containsText("Firmed");
        assertThat(heading).isVisible();
        page.keyboard().press("u");
        assertThat(page.getByTestId("needs")).isVisible();
        page.keyboard().press("t");
        assertThat(page.locator(".thread-row.here")).containsText(last.item());
    }
}
