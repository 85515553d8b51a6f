package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** Orders as they are given out and worked off, each on its page. */
abstract class OrderDeskTest extends DeskTest {
    static final Locator.GetByLabelOptions EXACT = new Locator.GetByLabelOptions().setExact(true);

    /** A button by its name, with the key that stands on it or without. */
    static Locator button(Locator in, String name) {
        return in.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name + "( \\w+)?$")));
    }

    static Locator button(Page page, String name) {
        return button(page.locator("body"), name);
    }

    /** The order that was made last for an item. */
    String last(String item) {
        return jdbc.queryForObject(
                "select order_number from supply_order_lines where item = ? order by id desc limit 1",
                String.class,
                item);
    }

    static Locator line(Page page) {
        return page.getByLabel("Line 1", new Page.GetByLabelOptions().setExact(true));
    }

    /** Begins an act on the line; its form. */
    static Locator begun(Page page, String name, String form) {
        button(line(page), name + " line 1").click();
        Locator slip = page.getByTestId(form);
        assertThat(slip).isVisible();
        return slip;
    }

    static void posted(Locator form, String name) {
        assertThat(form.getByTestId("moves")).isVisible();
        button(form, name).click();
        assertThat(form).hasCount(0);
    }

    /** The first that is planned of an item is given out; its number. */
    String released(Page page, String item, String source) {
        page.navigate("/plan?words=" + item + "&source=" + source);
        page.locator(
                        ".plan-row",
                        new Page.LocatorOptions().setHasText(Pattern.compile("^(?!.*(MO|AO|PO|FO)-).*" + item)))
                .first()
                .click();
        page.keyboard().press("x");
        page.keyboard().press("r");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Release 1\\b")))
                .click();
        assertThat(page.getByTestId("released")).isVisible();
        return last(item);
    }

    /** Held, it is let go and sent. */
    static void sent(Page page) {
        Locator way = page.getByLabel("Its way");
        button(page, "End the hold").click();
        assertThat(way.locator("[aria-current=step]")).containsText("ready");
        button(page, "Send it").click();
        assertThat(way.locator("[aria-current=step]")).hasText("sent");
    }
}
