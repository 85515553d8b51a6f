package rescient.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Prints how long a planner of a large company waits: {@code ./rescient measure-large [POINTS]}. Not a test; its name keeps
 * it out of the runs.
 */
class LargeMeasurements extends DeskTest {
    private static final int RUNS = 7;

    @TempDir
    private Path folder;

    @Override
    @BeforeEach
    void freshCompany() {
        LargeCompany.load(this, folder);
    }

    @Test
    void aPlannerOfALargeCompany() {
        long arrived = System.nanoTime();
        Page page = signedIn("ida");
        System.out.printf(
                Locale.ROOT,
                "large: signed in, and the list of a plan that was just made: %.0f ms%n",
                (System.nanoTime() - arrived) / 1e6);
        String state = page.context().storageState();
        Measurements.print(
                "large: cold load of a new plan until its list stands there, the first", opened(page, state, true));
        page.navigate("/plan");
        page.locator(".plan-row").first().waitFor();
        List<Double> previews = new ArrayList<>();
        Measurements.previews(page, previews);
        Measurements.print("large: from a wish to its consequence (the request)", previews);
        Scrolling.measure("large: the list of Decide", page, "[role=listbox]", ".plan-row", 111);

        // the longest time without a row near the top of the list, from the first word until the last list stands there
        page.evaluate("""
                () => {
                  const at = document.querySelector('[role=listbox]').getBoundingClientRect();
                  let since;
                  window.blank = 0;
                  const look = (now) => {
                    if (document.elementFromPoint(at.left + 160, at.top + 60)?.closest('.plan-row')) since = undefined;
                    else { since ??= now; window.blank = Math.max(window.blank, now - since); }
                    window.looking = requestAnimationFrame(look);
                  };
                  requestAnimationFrame(look);
                }""");
        List<Double> filtered = new ArrayList<>();
        for (String word : List.of("I1-1", "I2-1", "I3-1", "I4")) {
            long begun = System.nanoTime();
            page.waitForResponse(
                    r -> r.url().contains("/api/plan/orders"),
                    () -> page.getByPlaceholder("filter").fill(word));
            filtered.add((System.nanoTime() - begun) / 1e6);
        }
        Measurements.print("large: from a word in the filter to its answer", filtered);
        listed(page, "I4").waitFor();
        System.out.printf(
                Locale.ROOT,
                "large: while filtering, no row in view for %.0f ms at most%n",
                ((Number) page.evaluate("() => { cancelAnimationFrame(window.looking); return window.blank; }"))
                        .doubleValue());
        Measurements.print("large: offers for an order", requests(page, """
                order => fetch('/api/decisions/offers?key=' + encodeURIComponent(order.key))"""));
        Measurements.print("large: consequence of another lead time", requests(page, """
                order => fetch('/api/decisions/preview', {
                  method: 'POST',
                  headers: {
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1])
                  },
                  body: JSON.stringify({
                    kind: 'PLANNING', item: order.item, site: order.site, fields: { lead_time_days: '9' }
                  })
                })"""));
        Measurements.print("large: another lead time, kept, until the plan knows it", kept(page));
        Measurements.print(
                "large: cold load of a new plan until its list stands there, later", opened(page, state, true));
        Measurements.print("large: cold load of a plan that others look at", opened(page, state, false));
        long begun = System.nanoTime();
        page.navigate("/plan/periods?scale=weeks");
        Locator grid = page.getByRole(AriaRole.GRID);
        grid.getByRole(AriaRole.ROW).nth(3).waitFor();
        System.out.printf(Locale.ROOT, "large: Periods open after %.0f ms%n", (System.nanoTime() - begun) / 1e6);
        Scrolling.measure("large: Periods, weeks", page, "[role=grid]", "[role=row], [role=rowheader]", 111);
    }

    /** How long the list takes in a browser that has never been here. */
    private List<Double> opened(Page page, String state, boolean anew) {
        List<Double> opened = new ArrayList<>();
        for (int run = 0; run < RUNS; run++) {
            if (anew) {
                newPlan(page);
            }
            Page fresh = coldBrowser(state).newPage();
            long begun = System.nanoTime();
            fresh.navigate("/plan");
            fresh.locator(".plan-row").first().waitFor();
            opened.add((System.nanoTime() - begun) / 1e6);
            fresh.context().close();
        }
        return opened;
    }

    /** Decides something, so that there is another plan; this page looks at nothing that the server is busy with. */
    private void newPlan(Page page) {
        page.navigate("/api/session");
        decide(page, "{ kind: 'FIRM', orders: [orders.find((o) => !o.number && !o.obstacle).key] }");
        page.navigate("about:blank");
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
    }

    /** How long it takes to keep a wish, in milliseconds; the wish in terms of the {@code orders} of the list. */
    private static double decide(Page page, String wish) {
        return ((Number) page.evaluate("""
                async () => {
                  const { orders } = await (await fetch('/api/plan/orders')).json();
                  const begun = performance.now();
                  const kept = await fetch('/api/decisions', {
                    method: 'POST',
                    headers: {
                      'Content-Type': 'application/json',
                      'Idempotency-Key': crypto.randomUUID(),
                      'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1])
                    },
                    body: JSON.stringify(%s)
                  });
                  if (!kept.ok) throw new Error(kept.status + ': ' + (await kept.text()));
                  return performance.now() - begun;
                }""".formatted(wish))).doubleValue();
    }

    private List<Double> kept(Page page) {
        List<Double> kept = new ArrayList<>();
        for (int run = 0; run < RUNS; run++) {
            double request = decide(page, """
                    { kind: 'PLANNING', item: orders[%1$d].item, site: orders[%1$d].site,
                      fields: { lead_time_days: '1%1$d' } }""".formatted(run));
            long begun = System.nanoTime();
            live.knowing(jdbc.queryForObject("select revision from company", Long.class));
            kept.add(request + (System.nanoTime() - begun) / 1e6);
        }
        return kept;
    }

    /** How long a request for each of the first orders of the list takes, one after the other. */
    private static List<Double> requests(Page page, String request) {
        List<?> times = (List<?>) page.evaluate("""
                async () => {
                  const ask = %s, times = [];
                  const { orders } = await (await fetch('/api/plan/orders')).json();
                  for (const order of orders.slice(0, 12)) {
                    const begun = performance.now(), answer = await ask(order);
                    await answer.text();
                    if (!answer.ok) throw new Error(answer.status + ' for ' + order.key);
                    times.push(performance.now() - begun);
                  }
                  return times;
                }""".formatted(request));
        return times.stream()
                .map(time -> ((Number) time).doubleValue())
                .collect(Collectors.toCollection(ArrayList::new));
    }
}
