package rescient.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Prints how long each key of the Plan and of its views takes, from the browser's own moment of the key to the frame that
 * shows its answer: {@code ./rescient measure}. Not a test; its name keeps it out of the runs.
 */
class KeyMeasurements extends DeskTest {
    private static final int RUNS = 10;
    /** Between two keys: five a second, faster than anybody reads. */
    private static final int PACE_MILLIS = 200;

    private static final String HERE = "document.querySelector('.plan-row.here')?.id";
    private static final String SELECTED = "document.querySelectorAll('.plan-row[aria-selected=true]').length";
    private static final String DECIDING = "!!document.querySelector('[data-testid=decide]')";
    private static final String TYPING = "document.activeElement.tagName";
    private static final String DIALOG = "!!document.querySelector('[role=dialog]')";
    private static final String KEEPING = "document.querySelector('[data-testid=decide] .main-action')?.textContent";
    private static final String SAID = "document.querySelector('[role=toolbar]').textContent";
    private static final String KEPT = "document.querySelector('[role=toolbar]').textContent.includes('Firmed')";
    private static final String TAKEN_BACK = "!!document.querySelector('[role=toolbar] [role=status]')";
    /** The place and that its list stands there. */
    private static final String PLACE =
            "(document.querySelector('[role=option], [role=grid] [role=row], main [data-testid]')"
                    + " && location.pathname) || 'on the way'";

    private record Timed(String keys, String what, List<Double> millis) {}

    private final List<Timed> all = new ArrayList<>();

    @Test
    void everyKey() {
        Page page = signedIn("ida");
        decide(page);
        threads(page);
        periods(page);
        changes(page);
        whatIfs(page);
        places(page);
        all.stream()
                .sorted(Comparator.comparing(KeyMeasurements::worst).reversed())
                .forEach(KeyMeasurements::print);
        Measurements.print(
                "every key, from the key to its answer on the screen",
                all.stream().flatMap(KeyMeasurements::again).toList());
    }

    private void decide(Page page) {
        page.keyboard().press("j");
        toAndFro(page, "j", "k", "the next row", HERE);
        repeat(page, "x", "selected", SELECTED);
        page.keyboard().press("Escape");
        repeat(page, "X", "all selected, or none", SELECTED);
        page.keyboard().press("Escape");
        repeat(
                page,
                "w",
                "the other Why",
                "document.querySelector('[aria-label=\\'Which Why\\'] [aria-pressed=true]').textContent");
        for (String key : List.of("e", "f", "p", "h")) {
            there(page, key, "the pane of the decision", DECIDING);
        }
        there(page, "r", "what would be released", "!!document.querySelector('section[aria-label=Release]')");
        there(page, "d", "the decisions", "!!document.querySelector('section[aria-label=Decisions]')");
        there(page, "s", "the signals", "!!document.querySelector('section[aria-label=\\'All signals\\']')");
        there(page, "/", "the filter takes words", TYPING);
        there(page, "?", "all keys", DIALOG);
        there(page, "Control+k", "the finder", DIALOG);
        for (int run = 0; run < RUNS; run++) {
            page.keyboard().press(run % 2 == 0 ? "j" : "k");
            page.keyboard().press("f");
            page.getByTestId("consequence").waitFor();
            time(page, "Enter", "being kept", KEEPING, "firmed, and said so", KEPT);
            time(page, "u", "being taken back", SAID, "taken back", TAKEN_BACK);
        }
    }

    private void threads(Page page) {
        page.navigate("/plan/threads");
        page.locator(".plan-row").first().waitFor();
        page.keyboard().press("j");
        toAndFro(page, "j", "k", "Threads: the next customer order", HERE);
        page.navigate("/plan/threads?number=SO-790");
        page.locator(".thread-row").nth(3).waitFor();
        toAndFro(page, "J", "K", "Threads: the next bar", "document.querySelector('.thread-row.here')?.id");
        repeat(page, "z", "Threads: folded", "document.querySelectorAll('.thread-row').length");
        repeat(page, "o", "Threads: what decides", "document.querySelectorAll('.thread-row').length");
        there(page, "n", "Threads: an order to be entered", DECIDING);
        repeat(page, "b", "Threads: by what makes late", "document.querySelector('[role=listbox]').textContent");
    }

    private void periods(Page page) {
        page.navigate("/plan/periods?scale=weeks");
        page.locator("[role=grid] [role=row]").nth(3).waitFor();
        page.keyboard().press("j");
        String cell = "document.querySelector('[role=grid]').getAttribute('aria-activedescendant')";
        toAndFro(page, "j", "k", "Periods: the next row", cell);
        toAndFro(page, "ArrowRight", "ArrowLeft", "Periods: the next period", cell);
        String rows = "document.querySelector('[role=grid]').getAttribute('aria-rowcount')";
        repeat(page, "o", "Periods: what flows", rows);
        there(page, "w", "Periods: why", "!!document.querySelector('[data-testid=why]')");
    }

    private void changes(Page page) {
        page.navigate("/plan/changes");
        page.locator(".plan-row").first().waitFor();
        page.keyboard().press("j");
        toAndFro(page, "j", "k", "Changes: the next cause", HERE);
    }

    private void whatIfs(Page page) {
        page.navigate("/plan/what-if");
        page.getByTestId("selection").waitFor();
        String rows = "document.querySelectorAll('.plan-row').length";
        repeat(page, "n", "What-if: a new one", rows);
        toAndFro(page, "j", "k", "What-if: the one before", HERE);
        repeat(page, "x", "What-if: selected", SELECTED);
    }

    /** From one place, or view of the Plan, to another and back. */
    private void places(Page page) {
        page.navigate("/plan");
        page.locator(".plan-row").first().waitFor();
        for (String keys : List.of("ed", "td", "cd", "wd", "op", "ip")) {
            for (int run = 0; run < RUNS; run++) {
                for (String key : keys.split("")) {
                    page.keyboard().press("g");
                    time(page, key, "another place, after g", PLACE);
                }
            }
        }
    }

    private void repeat(Page page, String key, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(page, key, what, shows);
        }
    }

    private void toAndFro(Page page, String to, String fro, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(page, to, what, shows);
            time(page, fro, what, shows);
        }
    }

    /** A key whose answer is left again by Escape, which is measured too. */
    private void there(Page page, String key, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(page, key, what, shows);
            time(page, "Escape", "back", shows);
        }
    }

    private void time(Page page, String key, String what, String shows) {
        time(page, key, what, shows, null, shows);
    }

    /** @param last what shows that all of it is done, which is timed as {@code done} unless that is null */
    private void time(Page page, String key, String what, String shows, String done, String last) {
        page.waitForTimeout(PACE_MILLIS);
        page.evaluate("""
                ([shows, last]) => {
                  const reads = [shows, last].map((text) => new Function('return ' + text));
                  const before = reads.map((read) => read());
                  window.answers = [undefined, undefined];
                  const look = (begun) => {
                    reads.forEach((read, i) => {
                      const now = read();
                      if (now !== before[i] && now !== 'on the way') window.answers[i] ??= performance.now() - begun;
                    });
                    if (window.answers.includes(undefined)) requestAnimationFrame(() => look(begun));
                  };
                  addEventListener('keydown', (e) => requestAnimationFrame(() => look(e.timeStamp)),
                    { capture: true, once: true });
                }""", List.of(shows, last));
        page.keyboard().press(key);
        try {
            page.waitForFunction("() => !window.answers.includes(undefined)");
        } catch (TimeoutError e) {
            throw new IllegalStateException("No answer to " + key + ": " + what, e);
        }
        List<?> answers = (List<?>) page.evaluate("window.answers");
        timed(key, what).add(((Number) answers.get(0)).doubleValue());
        if (done != null) {
            timed(key, done).add(((Number) answers.get(1)).doubleValue());
        }
    }

    private List<Double> timed(String key, String what) {
        return all.stream()
                .filter(t -> t.keys.equals(key) && t.what.equals(what))
                .findFirst()
                .orElseGet(() -> {
                    Timed timed = new Timed(key, what, new ArrayList<>());
                    all.add(timed);
                    return timed;
                })
                .millis;
    }

    /** Of all but the first time, when neither the browser nor the server has done it yet. */
    private static double worst(Timed timed) {
        return again(timed).mapToDouble(Double::doubleValue).max().orElseThrow();
    }

    private static Stream<Double> again(Timed timed) {
        return timed.millis.stream().skip(1);
    }

    private static void print(Timed timed) {
        System.out.printf(
                Locale.ROOT,
                "key %-10s %-40s the first %6.1f ms, then median %6.1f ms, worst %6.1f ms, %d runs%n",
                timed.keys,
                timed.what,
                timed.millis.get(0),
                again(timed)
                        .sorted()
                        .skip((timed.millis.size() - 1) / 2)
                        .findFirst()
                        .orElseThrow(),
                worst(timed),
                timed.millis.size());
    }
}
