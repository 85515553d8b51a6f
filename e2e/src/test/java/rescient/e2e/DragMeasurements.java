package rescient.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;

/**
 * Prints how long the curve of a forecast takes to follow a point of the history that is moved, from the pointer's move until
 * the page holds the other curve: {@code ./rescient measure-drag}. Not a test; its name keeps it out of the runs.
 */
class DragMeasurements extends DeskTest {
    private static final int RUNS = 4;
    private static final int MOVES = 75;

    /** How many points from the end are moved. */
    private static final int[] POINTS = {3, 5, 8, 11};

    private static final String WATCH = "() => { const svg = document.querySelector('[data-testid=curve]');"
            + " window.took = []; const curve = () => [...svg.querySelectorAll('path')].find((p) =>"
            + " p.getAttribute('stroke') === 'var(--slate)' && p.getAttribute('stroke-width') === '2');"
            + " let last = curve().getAttribute('d');"
            + " svg.addEventListener('pointermove', (e) => { if (e.buttons !== 1) return; const t = performance.now();"
            + " requestAnimationFrame(() => { svg.getBoundingClientRect(); const d = curve().getAttribute('d');"
            + " if (d !== last) window.took.push(performance.now() - t); last = d; }); }, true); }";

    @Test
    void theCurveFollows() {
        Page page = signedIn("ida");
        for (int run = 1; run <= RUNS; run++) {
            page.navigate("/demand/forecast?series=HIVE-10N~LARKMOOR");
            page.getByTestId("curve").waitFor();
            page.getByTestId("methods").waitFor();
            page.evaluate(WATCH);
            Locator points = page.getByTestId("curve").locator("circle[fill='var(--ink)']");
            for (int point : POINTS) {
                move(page, points.nth(points.count() - point).boundingBox());
            }
            print(run, page);
        }
    }

    private static void move(Page page, BoundingBox of) {
        double x = of.x + of.width / 2;
        double y = of.y + of.height / 2;
        page.mouse().move(x, y - 3);
        page.waitForResponse(
                answer -> answer.url().endsWith("/moved"), () -> page.mouse().move(x, y));
        page.mouse().down();
        for (int i = 1; i <= MOVES; i++) {
            page.mouse().move(x, y + 40 * Math.sin(i / 6.0) + i % 2);
        }
        page.mouse().up();
        page.keyboard().press("Escape");
    }

    private static void print(int run, Page page) {
        List<Double> took = ((List<?>) page.evaluate("() => window.took"))
                .stream().map(one -> ((Number) one).doubleValue()).sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "run %d: the curve followed %d moves, median %.1f ms, 95 %% %.1f, 99 %% %.1f, worst %.1f%n",
                run,
                took.size(),
                took.get(took.size() / 2),
                took.get((int) Math.ceil(took.size() * 0.95) - 1),
                took.get((int) Math.ceil(took.size() * 0.99) - 1),
                took.get(took.size() - 1));
    }
}
