package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Dates and numbers as each person chooses them: in lists, and in the sentences that the server writes. */
class FormatsTest extends DeskTest {
    @Test
    void datesAreTheSameInListsAndSentencesAfterAReloadToo() {
        Page page = signedIn("ida");
        plannedOrder(page, "BRG-6202").click();
        // due on 27 Nov, possible on 14 Dec
        assertThat(plannedOrder(page, "BRG-6202")).containsText("14 Dec");
        assertThat(why(page)).containsText("on 27 Nov?");

        page.keyboard().press("g");
        page.keyboard().press("f");
        page.getByLabel("Date", new Page.GetByLabelOptions().setExact(true)).selectOption("dots");
        page.keyboard().press("Escape");
        assertThat(plannedOrder(page, "BRG-6202")).containsText("14.12.");
        assertThat(why(page)).containsText("on 27.11.?");

        page.reload();
        plannedOrder(page, "BRG-6202").click();
        assertThat(why(page)).containsText("on 27.11.?");
        page.keyboard().press("s");
        assertThat(page.getByLabel("All signals")).containsText("PO-2032 was due on 18.11., 5 days ago");
    }

    private static Locator why(Page page) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^Why ")));
    }
}
