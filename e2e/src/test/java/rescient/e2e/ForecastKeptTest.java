package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** What is kept of forecasts: how they are made, what is known on top, sets, runs over all series, what became of them. */
class ForecastKeptTest extends DeskTest {
    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private Page curveOf(String key) {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast?series=" + key);
        assertThat(page.getByTestId("curve")).isVisible();
        return page;
    }

    private static void drag(Page page, BoundingBox from, double right, double down) {
        double x = from.x + from.width / 2;
        double y = from.y + from.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + right / 2, y + down / 2);
        page.mouse().move(x + right, y + down);
        page.mouse().up();
    }

    /** Parameters are typed, the curve follows, what cannot be is said beside it; kept for the item, and left to itself again. */
    @Test
    void howAForecastIsMadeIsTypedAndKept() {
        Page page = curveOf("TOOL-J~LARKMOOR");
        Locator ahead = page.getByTestId("ahead").locator("tbody tr").nth(1);
        String before = ahead.textContent();
        page.keyboard().press("o");
        expectFailure("422");
        Locator choice = page.getByTestId("choice");
        choice.getByLabel("Method").selectOption("MOVING_AVERAGE");
        choice.getByLabel("Parameters").fill("n=0");
        assertThat(choice.getByRole(AriaRole.ALERT)).containsText("n from 1 to 400");
        choice.getByLabel("Parameters").fill("n=3");
        assertThat(choice.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(ahead).not().hasText(before);
        String tried = ahead.textContent();
        choice.getByLabel("Why").fill("quiet item");
        // what is half typed is there again after a reload
        page.reload();
        assertThat(choice.getByLabel("Parameters")).hasValue("n=3");
        assertThat(ahead).hasText(tried);
        // and after another series was looked at
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("weeks"))
                .click();
        assertThat(choice).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("months"))
                .click();
        assertThat(choice.getByLabel("Why")).hasValue("quiet item");
        choice.getByLabel("Why").focus();
        page.keyboard().press("Enter");
        assertThat(choice).hasCount(0);
        assertThat(page.getByText("As was chosen (quiet item)")).isVisible();
        assertThat(ahead).hasText(tried);
        page.keyboard().press("o");
        button(choice, "Leave it to the calculation").click();
        assertThat(ahead).hasText(before);
    }

    /** The left edge of the window is dragged to later: the field says where it is, and the methods are tested anew. */
    @Test
    void theWindowIsDragged() {
        Page page = curveOf("HIVE-10N~LARKMOOR");
        String methods = page.getByTestId("methods").textContent();
        drag(page, page.locator("[data-edge=from] path").boundingBox(), 160, 0);
        Locator choice = page.getByTestId("choice");
        assertThat(choice.getByLabel("History from")).hasValue(Pattern.compile("^202[45]-\\d\\d-01$"));
        assertThat(page.getByTestId("methods")).not().hasText(methods);
        page.keyboard().press("Escape");
        assertThat(page.getByTestId("methods")).hasText(methods);
    }

    /** A month to come is dragged up: the change stands on top, named as a promotion, in the set as well, and is taken back. */
    @Test
    void aBucketToComeIsDraggedAndNamed() {
        Page page = curveOf("SUIT-M~LARKMOOR");
        page.keyboard().press("e");
        Locator decide = page.getByTestId("decide");
        Locator keep = button(decide, "Keep it");
        assertThat(keep).isEnabled();
        keep.click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Forecast SUIT-M");
        Locator march = page.getByTestId("ahead").locator("tbody tr").nth(4);
        assertThat(march).containsText("1 Mar");
        drag(
                page,
                page.getByTestId("curve")
                        .locator("circle[fill='var(--slate)']")
                        .nth(4)
                        .boundingBox(),
                0,
                -50);
        assertThat(decide).containsText("Adjust the forecast of");
        assertThat(decide.getByLabel("Changed by")).hasValue(Pattern.compile("^\\+\\d+$"));
        decide.getByLabel("Changed by").fill("+25");
        decide.getByLabel("Because of").selectOption("PROMOTION");
        assertThat(keep).isEnabled();
        // what is only drawn stands there too: kept it is when the server says so
        page.waitForResponse(
                answer ->
                        answer.request().method().equals("POST") && answer.url().endsWith("/api/decisions"),
                keep::click);
        assertThat(decide.getByText("Adjust the forecast of")).hasCount(0);
        assertThat(decide.getByText("Adjust the forecast of")).hasCount(0);
        assertThat(march).containsText("+25");
        Assertions.assertThat(jdbc.queryForObject(
                        "select f.quantity - v.quantity from forecasts f join forecast_versions v using (set, item, site,"
                                + " bucket, from_date) where item = 'SUIT-M' and from_date = '2027-03-01'",
                        Integer.class))
                .isEqualTo(25);
        page.keyboard().press("u");
        assertThat(march).not().containsText("+25");
        page.keyboard().press("u");
    }

    /** A group as one: its items get their shares; an item among them is opened from there. */
    @Test
    void aGroupIsForecastAsOneAndSplit() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Seen by"))
                .getByText("group")
                .click();
        page.locator(".plan-row", new Page.LocatorOptions().setHasText("Woodwork"))
                .click();
        Locator members = page.getByTestId("members").locator("tbody tr");
        assertThat(members).hasCount(9);
        page.keyboard().press("e");
        Locator decide = page.getByTestId("decide");
        decide.getByLabel("Into the forecast set").fill("From above");
        assertThat(decide).containsText("split over them");
        assertThat(button(decide, "Keep it")).isEnabled();
        button(decide, "Keep it").click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Forecast 9 series in From above");
        members.first().getByRole(AriaRole.BUTTON).click();
        assertThat(page).hasURL(Pattern.compile("series=NUC-5N"));
    }

    /** A copy of the set in use at 120 percent is compared with it, and taken away. */
    @Test
    void aSetIsCopiedComparedAndTakenAway() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.keyboard().press("t");
        Locator sets = page.getByTestId("sets");
        button(sets.locator("tr", new Locator.LocatorOptions().setHasText("the plan uses it")), "Copy")
                .click();
        Locator decide = page.getByTestId("decide");
        decide.getByLabel("Into").fill("Bold");
        decide.getByLabel("Percent of it").fill("120");
        assertThat(button(decide, "Keep it")).isEnabled();
        button(decide, "Keep it").click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Copied the forecast set Base to Bold at 120 %");
        assertThat(sets).containsText("Bold");
        page.getByLabel("Second set").selectOption("Bold");
        assertThat(page.getByTestId("compared").locator("tbody tr").first()).containsText("+");
        button(sets.locator("tr", new Locator.LocatorOptions().setHasText("Bold")), "Take away")
                .click();
        assertThat(button(decide, "Keep it")).isEnabled();
        button(decide, "Keep it").click();
        assertThat(sets).not().containsText("Bold");
    }

    /** All series in the background, with what comes to something else and why; by itself on Mondays; all of it kept. */
    @Test
    void allSeriesAreForecastInTheBackground() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.keyboard().press("b");
        page.getByRole(AriaRole.MAIN)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Forecast all"))
                .first()
                .click();
        assertThat(page.getByTestId("run")).containsText("is done");
        assertThat(page.getByTestId("changes").locator("tbody tr").first()).containsText("nothing is kept of it yet");
        page.getByLabel("by itself").selectOption("weekly");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Take back");
        Assertions.assertThat(
                        jdbc.queryForObject("select value from settings where key = 'forecast_run'", String.class))
                .isEqualTo("weekly");
        page.keyboard().press("u");
        assertThat(page.getByLabel("by itself")).hasValue("");
    }

    /** A run that is under way is ended, and nothing of it is kept. */
    @Test
    void aRunIsEnded() {
        jdbc.update(
                "insert into forecast_runs (begun_by, begun_at, state, done, total) values ('Ida', now(), 'running', 7,"
                        + " 43)");
        Page page = signedIn("ida");
        page.navigate("/demand/forecast");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.keyboard().press("b");
        assertThat(page.getByTestId("run")).containsText("7 of 43");
        button(page.getByTestId("run"), "End it").click();
        assertThat(page.getByTestId("run")).containsText("Ending");
        jdbc.update("update forecast_runs set state = 'cancelled', ended_at = now() where ending");
        assertThat(page.getByTestId("run")).containsText("was ended; nothing of it was kept");
    }

    /** Something new is forecast like another, before anything of it was shipped. */
    @Test
    void somethingNewIsForecastLikeAnother() {
        Page page = signedIn("ida");
        page.navigate("/demand/forecast?only=new");
        page.locator(".plan-row").first().click();
        assertThat(page.getByText("Nothing of it was shipped yet")).isVisible();
        page.keyboard().press("o");
        Locator choice = page.getByTestId("choice");
        choice.getByLabel("Like item").fill("TOOL-J");
        choice.getByLabel("Like site").fill("LARKMOOR");
        assertThat(page.getByTestId("ahead").locator("tbody tr")).hasCount(12);
    }

    /**
     * From a spring without stock to an order: the months without sales are ringed, filled in by the model and one of them moved
     * by hand, the forecast is kept, the plan asks for brushes, and they are bought.
     */
    @Test
    void monthsWithoutStockAreCorrectedAndWhatIsForecastIsBought() {
        Page page = curveOf("BRUSH-H~LARKMOOR");
        int before =
                jdbc.queryForObject("select count(*) from supply_order_lines where item = 'BRUSH-H'", Integer.class);
        page.keyboard().press("c");
        Locator point = page.getByTestId("point");
        Locator march = page.getByTestId("ahead").locator("tbody tr").nth(6);
        assertThat(march).containsText("1 May");
        String without = march.textContent();
        for (String month : new String[] {"1 May", "1 Apr"}) {
            // which month it begins with depends on whether the correction before is counted already
            for (int later = 0; later < 12; later++) {
                page.keyboard().press("PageDown");
            }
            while (!point.locator("b").textContent().equals(month)) {
                String at = point.locator("b").textContent();
                page.keyboard().press("PageUp");
                assertThat(point.locator("b")).not().hasText(at);
            }
            assertThat(point).containsText("0 pcs shipped");
            assertThat(point).containsText("would be usual");
            point.getByLabel("because").selectOption("out_of_stock");
            assertThat(point.getByLabel("counts for")).not().hasValue("0");
            if (month.equals("1 Apr")) {
                BoundingBox dot =
                        page.getByTestId("curve").locator("circle[r='5']").boundingBox();
                drag(page, dot, 0, -25);
            }
            point.getByLabel("Why").fill("no bristles");
            page.keyboard().press("Enter");
            assertThat(point).hasCount(0);
            page.keyboard().press("c");
        }
        page.keyboard().press("Escape");
        assertThat(march).not().hasText(without);
        page.keyboard().press("e");
        Locator decide = page.getByTestId("decide");
        assertThat(button(decide, "Keep it")).isEnabled();
        button(decide, "Keep it").click();
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("Forecast BRUSH-H");
        page.navigate("/plan?words=BRUSH-H");
        Locator order = page.locator(".plan-row", new Page.LocatorOptions().setHasText("BRUSH-H"))
                .first();
        assertThat(order).isVisible();
        order.click();
        page.keyboard().press("r");
        assertThat(page.getByLabel("Release", new Page.GetByLabelOptions().setExact(true)))
                .containsText("BRUSH-H");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Release 1"))))
                .isEnabled();
        page.keyboard().press("r");
        assertThat(page.getByTestId("released").getByRole(AriaRole.LINK)).hasCount(1);
        Assertions.assertThat(jdbc.queryForObject(
                        "select count(*) from supply_order_lines where item = 'BRUSH-H'", Integer.class))
                .isGreaterThan(before);
    }

    /** A sheet with a column a week is taken for forecasts of the set that is named, and stands in the plan's set. */
    @Test
    void aSheetOfForecastsIsBroughtIn() {
        Page page = signedIn("ida");
        page.navigate("/items/bring");
        page.getByLabel("Drop a file here").focus();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.querySelector('[aria-label^=\"Drop a file\"]').dispatchEvent("
                        + "new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })) }",
                "item\tsite\tset\tW49 2026\tW50 2026\nPAIL-15\tLARKMOOR\tFrom sales\t25\t30\n");
        Locator bring =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Bring in 2")));
        assertThat(bring).isEnabled();
        bring.click();
        assertThat(page.getByLabel("Drop a file here")).isVisible();
        Assertions.assertThat(jdbc.queryForList(
                        "select from_date || ' ' || bucket || ' ' || trim_scale(quantity) from forecasts"
                                + " where set = 'From sales' order by 1",
                        String.class))
                .containsExactly("2026-11-30 week 25", "2026-12-07 week 30");
        page.navigate("/demand/forecast");
        assertThat(page.locator(".plan-row").first()).isVisible();
        page.keyboard().press("t");
        assertThat(page.getByTestId("sets")).containsText("From sales");
    }

    /** A forecast that runs away is one of the planner's signals, with its sum and the way to its curve. */
    @Test
    void aForecastThatRunsAwayIsASignal() {
        Page page = signedIn("ida");
        page.getByPlaceholder("filter").fill("forecast off STAND-2");
        Locator row = page.locator(".plan-row", new Page.LocatorOptions().setHasText("forecast off"));
        assertThat(row).hasCount(1);
        assertThat(row).containsText("Too little was forecast over 8 months");
    }

    /** What runs away stands out; what was expected and what came stand beside each other; its curve is one key away. */
    @Test
    void whatWasForecastIsFollowed() {
        Page page = signedIn("ida");
        page.keyboard().press("g");
        page.keyboard().press("u");
        assertThat(page.getByTestId("months")).containsText("Missed in all");
        page.keyboard().press("o");
        page.locator(".plan-row", new Page.LocatorOptions().setHasText("STAND-2"))
                .click();
        assertThat(page.getByTestId("followed")).containsText("wants a look");
        assertThat(page.getByTestId("lines").locator("tbody tr")).hasCount(8);
        page.keyboard().press("v");
        assertThat(page).hasURL(Pattern.compile("/demand/forecast\\?series=STAND-2"));
        assertThat(page.getByTestId("curve")).isVisible();
    }
}
