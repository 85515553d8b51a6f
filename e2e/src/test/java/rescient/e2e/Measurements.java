package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.sql.Timestamp;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;

/**
 * Prints how long a planner waits: {@code ./rescient measure}. Not a test; its name keeps it out of the runs.
 */
class Measurements extends DeskTest {
    private static final int WARM_UP = 200;
    private static final int RUNS = 200;
    private static final int BROWSER_RUNS = 7;
    private static final int KEYS = 100;
    private static final int PREVIEWS = 12;
    private static final List<String> RELEASED =
            List.of("NAIL-20", "EYELET-3", "ROD-12", "SMOKER-L", "TOOL-J", "QEX-10", "TAP-40");

    static void print(String what, List<Double> millis) {
        List<Double> sorted = millis.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%-62s median %6.1f ms, worst %6.1f ms, %d runs%n",
                what,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() - 1),
                sorted.size());
    }

    @Test
    void theDemoCompanyInCore() {
        LocalDate today = LocalDate.of(2026, 11, 23);
        Snapshot snapshot =
                Company.snapshot(DatasetReader.read(Path.of("../demo/dataset")), today, today.plusDays(270));
        List<Double> millis = new ArrayList<>();
        for (int run = 0; run < WARM_UP + RUNS; run++) {
            long begun = System.nanoTime();
            new Planner().plan(snapshot, PlanOptions.ALL);
            if (run >= WARM_UP) {
                millis.add((System.nanoTime() - begun) / 1e6);
            }
        }
        print("calculation of the demo company in core, warm", millis);
    }

    @Test
    void fromAReleaseToTheNewPlanOnAnotherBrowser() {
        Page ida = signedIn("ida");
        Page tom = signedIn("tom");
        List<Double> millis = new ArrayList<>();
        for (String item : RELEASED) {
            plannedOrder(tom, item).waitFor();
            tom.evaluate("""
                    item => {
                      const rows = () => [...document.querySelectorAll('[role=option]')].filter(r => r.textContent.includes(item));
                      const before = rows()[0].textContent;
                      window.goneAt = undefined;
                      new MutationObserver((_, o) => {
                        if (!rows().some(r => r.textContent === before)) { window.goneAt = Date.now(); o.disconnect(); }
                      }).observe(document.body, { childList: true, subtree: true, characterData: true });
                    }""", item);
            select(ida, item);
            preview(ida);
            press(ida);
            ida.getByTestId("released").waitFor();
            tom.waitForFunction("window.goneAt !== undefined");
            long gone = ((Number) tom.evaluate("window.goneAt")).longValue();
            Timestamp created = jdbc.queryForObject("select max(created_at) from supply_orders", Timestamp.class);
            millis.add((double) gone - created.getTime());
            ida.keyboard().press("Escape");
        }
        print("from the release's writing to the new list on another browser", millis);
    }

    @Test
    void fromAColdLoadToAUsablePlan() {
        Page page = signedIn("ida");
        String state = page.context().storageState();
        List<Double> millis = new ArrayList<>();
        for (int run = 0; run < BROWSER_RUNS; run++) {
            BrowserContext cold = coldBrowser(state);
            Page fresh = cold.newPage();
            // by the page's own clock, in the frame after the one that shows it: whoever asks from outside asks every
            // now and then
            fresh.addInitScript("""
                    const look = () => [...document.querySelectorAll('[role=option]')].some(r => r.textContent.includes('BRG-6202'))
                      ? requestAnimationFrame(() => (window.listedAt = performance.now()))
                      : requestAnimationFrame(look);
                    requestAnimationFrame(look);""");
            fresh.navigate("/plan");
            fresh.waitForFunction("window.listedAt !== undefined");
            millis.add(((Number) fresh.evaluate("window.listedAt")).doubleValue());
            cold.close();
        }
        print("cold load of the Plan until its list stands there", millis);
    }

    @Test
    void fromAKeyToItsAnswerAndFromAWishToItsConsequence() {
        Page page = signedIn("ida");
        List<Double> keys = new ArrayList<>();
        List<Double> previews = new ArrayList<>();
        previews(page, previews);
        for (int run = 0; run < KEYS; run++) {
            keys.add(((Number) page.evaluate("""
                    async () => {
                      const here = () => document.querySelector('.plan-row.here')?.id;
                      const before = here();
                      const begun = performance.now();
                      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'j', bubbles: true }));
                      while (here() === before) await new Promise(requestAnimationFrame);
                      return performance.now() - begun;
                    }""")).doubleValue());
        }
        print("the key j, again as soon as the next row is there", keys);
        print("from a wish to its consequence (the request)", previews);
    }

    @Test
    void longListsAndTablesScroll() {
        Page page = signedIn("ida");
        Scrolling.measure("the list of Decide", page, "[role=listbox]", ".plan-row", 111);
        page.navigate("/plan/periods?scale=weeks");
        page.getByRole(AriaRole.GRID).getByRole(AriaRole.ROW).nth(3).waitFor();
        Scrolling.measure("Periods, weeks", page, "[role=grid]", "[role=row], [role=rowheader]", 30);
    }

    /** How long the request for a consequence takes, for one row of the list after the other. */
    static void previews(Page page, List<Double> previews) {
        for (int run = 0; run < PREVIEWS; run++) {
            page.keyboard().press("j");
            page.evaluate("() => performance.clearResourceTimings()");
            page.keyboard().press("p");
            assertThat(page.getByTestId("consequence")).isVisible();
            previews.add(((Number) page.evaluate("""
                    () => Math.max(...performance.getEntriesByType('resource')
                      .filter(e => e.name.endsWith('/api/decisions/preview')).map(e => e.duration))""")).doubleValue());
            page.keyboard().press("Escape");
            assertThat(page.getByTestId("decide")).hasCount(0);
        }
    }
}
