package rescient.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * Prints how long each key of each place and view takes on the demo company, and which keys of their help it does not
 * know: {@code ./rescient measure}. Not a test; its name keeps it out of the runs.
 */
class KeyMeasurements extends DeskTest {
    private static final String HERE = "document.querySelector('.plan-row.here')?.id";
    private static final String SELECTED = "document.querySelectorAll('.plan-row[aria-selected=true]').length";
    private static final String DECIDING = "!!document.querySelector('[data-testid=decide]')";
    private static final String TYPING = "document.activeElement.tagName";
    private static final String DIALOG = "!!document.querySelector('[role=dialog]')";
    private static final String BAR = "document.querySelector('[role=toolbar]').textContent";
    private static final String KEEPING = "document.querySelector('[data-testid=decide] .main-action')?.textContent";
    private static final String KEPT = BAR + ".includes('Firmed')";
    private static final String TAKEN_BACK = "!!document.querySelector('[role=toolbar] [role=status]')";
    private static final String LIST = "document.querySelector('[role=listbox]')?.textContent";
    /** The place or view that stands there. */
    private static final String AT =
            "[...document.querySelectorAll('main h1, nav [aria-current=page]')].map((e) => e.textContent).join()";
    /** The place and that its list stands there. */
    private static final String PLACE =
            "(document.querySelector('[role=option], [role=grid] [role=row], main [data-testid]')"
                    + " && location.pathname) || 'on the way'";

    private static final String THREAD = "document.querySelectorAll('.thread-row').length";
    private static final String THREAD_PLACE = THREAD + " > 0 ? location.pathname : 'on the way'";
    private static final String WHAT_IF = "document.querySelector('[data-testid=what-if] input')?.value";

    private final Map<String, List<String>> notTimed = new TreeMap<>();

    private Page page;
    private KeyTimes keys;

    @Test
    void everyKey() {
        page = signedIn("ida");
        keys = new KeyTimes(page);
        places();
        decide();
        decideSignalsAndSeveral();
        threads();
        periods();
        changes();
        whatIfs();
        whatIfTakenOver();
        list("Orders", "/orders");
        list("Items", "/items");
        keys.print();
        System.out.println("keys of the help that were not timed: " + notTimed);
    }

    private void decide() {
        at("Decide", "/plan", ".plan-row");
        page.keyboard().press("j");
        keys.toAndFro("j", "k", "the next row", HERE);
        keys.repeat("x", "selected", SELECTED);
        page.keyboard().press("Escape");
        keys.repeat("X", "all selected, or none", SELECTED);
        page.keyboard().press("Escape");
        keys.repeat(
                "w",
                "the other Why",
                "document.querySelector('[aria-label=\\'Which Why\\'] [aria-pressed=true]').textContent");
        for (String key : List.of("e", "f", "p", "h")) {
            keys.there(key, "the pane of the decision", DECIDING);
        }
        keys.there("r", "what would be released", "!!document.querySelector('section[aria-label=Release]')");
        keys.there("d", "the decisions", "!!document.querySelector('section[aria-label=Decisions]')");
        keys.there("s", "the signals", "!!document.querySelector('section[aria-label=\\'All signals\\']')");
        keys.there("?", "all keys", DIALOG);
        keys.there("Control+k", "the finder", DIALOG);
        keys.there("/", "the filter takes words", TYPING);
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            keys.time("t", "Threads", AT, "its bars", THREAD_PLACE);
            keys.go("d", "Decide", AT, "its list", PLACE);
        }
    }

    private void decideSignalsAndSeveral() {
        page.keyboard().press("/");
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            keys.time("q", "a letter in the filter", LIST);
            keys.time("Backspace", "the letter gone", LIST);
        }
        page.keyboard().type("ROD-12");
        page.keyboard().press("Enter");
        listed(page, "ROD-12").click();
        page.keyboard().press("X");
        keys.there("m", "the pane of a merger", DECIDING);
        page.keyboard().press("Escape");
        page.getByPlaceholder("filter").fill("PO-2040");
        listed(page, "PO-2040").click();
        for (String key : List.of("a", "c")) {
            keys.there(key, "the pane of the decision", DECIDING);
        }
        page.getByPlaceholder("filter").fill("");
        // the whole list is there again
        page.locator(".plan-row").nth(4).waitFor();
        page.locator(".plan-row").first().click();
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            wish(run % 2 == 0 ? "j" : "k");
            keys.time("Enter", "being kept", KEEPING, "firmed, and said so", KEPT);
            keys.time("u", "being taken back", BAR, "taken back", TAKEN_BACK);
        }
        notTimed("Decide");
        // causes and changes
        for (int run = 0; run < 2; run++) {
            wish("j");
            page.keyboard().press("Enter");
            page.getByTestId("decide").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        }
    }

    /** The order of the next row, or of the one before, to be firmed. */
    private void wish(String step) {
        page.keyboard().press(step);
        page.keyboard().press("f");
        page.getByTestId("consequence").waitFor();
    }

    private void threads() {
        at("Threads", "/plan/threads", ".plan-row");
        page.keyboard().press("j");
        keys.toAndFro("j", "k", "the next customer order", HERE);
        keys.there("/", "the filter takes words", TYPING);
        at("Threads", "/plan/threads?number=SO-790", ".thread-row");
        keys.toAndFro("J", "K", "the next bar", "document.querySelector('.thread-row.here')?.id");
        keys.toAndFro("-", "+", "a level less, or more", THREAD);
        keys.repeat("z", "folded", THREAD);
        keys.repeat("o", "what decides", THREAD);
        page.keyboard().press("J");
        keys.there("e", "the pane of the decision", DECIDING);
        keys.repeat("b", "by what makes late", LIST);
        keys.away("w", "Decide", AT, "its list", PLACE, THREAD);
        notTimed("Threads");
    }

    private void periods() {
        at("Periods", "/plan/periods?scale=weeks", "[role=grid] [role=row]");
        page.keyboard().press("j");
        String cell = "document.querySelector('[role=grid]').getAttribute('aria-activedescendant')";
        keys.toAndFro("j", "k", "the next row", cell);
        keys.toAndFro("ArrowRight", "ArrowLeft", "the next period", cell);
        String rows = "document.querySelector('[role=grid]').getAttribute('aria-rowcount')";
        page.getByPlaceholder("filter").fill("EXTR-4");
        page.waitForFunction("() => " + rows + " < 20");
        page.keyboard().press("Enter");
        page.keyboard().press("j");
        keys.repeat("o", "what flows", rows);
        keys.repeat("c", "its components", rows);
        keys.there("w", "why", "!!document.querySelector('[data-testid=why]')");
        keys.there("/", "the filter takes words", TYPING);
        Locator change = page.getByRole(AriaRole.TOOLBAR)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change"));
        page.keyboard().press("o");
        for (int step = 0; step < 400 && change.isDisabled(); step++) {
            int row = step / 40;
            page.keyboard().press(step % 40 == 0 ? "j" : row % 2 == 0 ? "ArrowRight" : "ArrowLeft");
        }
        keys.there("e", "the pane of the decision", DECIDING);
        keys.away("t", "Threads", AT, "its bars", THREAD_PLACE, "document.querySelector('[role=grid] [role=row]')");
        notTimed("Periods");
    }

    private void changes() {
        at("Changes", "/plan/changes", ".plan-row");
        keys.toAndFro("j", "k", "the next cause", HERE);
        keys.toAndFro("J", "K", "the next change", "document.querySelector('tr.here')?.id");
        keys.there("/", "the filter takes words", TYPING);
        keys.away("w", "Decide", AT, "its list", PLACE, "document.querySelector('tr.here')");
        notTimed("Changes");
    }

    private void whatIfs() {
        at("What-if", "/plan/what-if", "[data-testid=selection]");
        String said = "document.querySelector('[role=toolbar]').textContent";
        String rows = "document.querySelectorAll('.plan-row').length";
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            keys.time("n", "being added", said, "a new what-if, in the database and the list", rows);
        }
        keys.toAndFro("j", "k", "the next what-if", WHAT_IF);
        keys.repeat("x", "selected", SELECTED);
        keys.there("a", "something to assume", "!!document.querySelector('[aria-label=\\'Something otherwise\\']')");
        keys.there("/", "the filter takes words", TYPING);
        keys.there("c", "all compared", "!!document.querySelector('table[aria-label=\\'What-ifs compared\\']')");
        assume();
        keys.toAndFro("J", "K", "the next difference", "document.querySelector('tr.here')?.id");
        keys.away(
                "v",
                "Decide",
                AT,
                "the list of its plan",
                "document.querySelector('.plan-row') ? location.search : 'on the way'",
                "document.querySelector('[data-testid=what-if]')");
    }

    private void whatIfTakenOver() {
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            // the first press says what follows and asks
            page.keyboard().press("T");
            page.getByTestId("take-over").waitFor();
            keys.time(
                    "T",
                    "being taken over",
                    BAR,
                    "taken over, and gone from here",
                    "document.querySelector('[aria-label=\\'What is otherwise\\']')?.textContent");
            assume();
        }
        for (int run = 0; run < KeyTimes.RUNS; run++) {
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Throw away").setExact(true))
                    .click();
            page.getByText("Thrown away:").waitFor();
            keys.time(
                    "u",
                    "being brought back",
                    BAR,
                    "back, in the database and the list",
                    "document.querySelectorAll('.plan-row').length");
        }
        notTimed("What-if");
    }

    private void assume() {
        page.keyboard().press("a");
        Locator form = page.getByLabel("Something otherwise");
        form.getByLabel("Percent").fill("20");
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Assume it"))
                .click();
        page.locator("tr.here").waitFor();
    }

    private void list(String name, String address) {
        at(name, address, "[role=option]");
        page.keyboard().press("j");
        keys.toAndFro("j", "k", "the next row", "location.search + !!document.querySelector('.plan-row.here')");
        keys.there("/", "the filter takes words", TYPING);
        notTimed(name);
    }

    /** From one place, or view of the Plan, to another and back. */
    private void places() {
        for (String pair : List.of("ed", "td", "cd", "wd", "op", "ip")) {
            for (int run = 0; run < KeyTimes.RUNS; run++) {
                for (String key : pair.split("")) {
                    keys.go(key, "the place", AT, "its list", PLACE);
                }
            }
        }
    }

    private void at(String view, String address, String row) {
        keys.in(view);
        page.navigate(address);
        page.locator(row).first().waitFor();
    }

    private void notTimed(String view) {
        notTimed.put(view, keys.notTimed());
    }
}
