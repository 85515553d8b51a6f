package rescient.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How long keys take on one page, from the browser's own moment of the key to the frame that shows its answer. What shows
 * an answer is JavaScript whose value changes with it, and is {@code 'on the way'} while it cannot be told yet.
 */
final class KeyTimes {
    static final int RUNS = 10;
    /** Between two keys: five a second, faster than anybody reads. */
    private static final int PACE_MILLIS = 200;

    private record Timed(String view, String keys, String what, List<Double> millis) {}

    private final Page page;
    private final List<Timed> all = new ArrayList<>();
    private String view = "";

    KeyTimes(Page page) {
        this.page = page;
    }

    /** What is timed from here on are keys of this view. */
    void in(String name) {
        view = name;
    }

    void repeat(String key, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(key, what, shows);
        }
    }

    void toAndFro(String to, String fro, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(to, what, shows);
            time(fro, what, shows);
        }
    }

    /** A key whose answer is left again by Escape, which is timed too. */
    void there(String key, String what, String shows) {
        for (int run = 0; run < RUNS; run++) {
            time(key, what, shows);
            time("Escape", "back", shows);
        }
    }

    /** A key that leads to another page, from which the browser's own way back is not timed. */
    void away(String key, String what, String shows, String done, String last, String returned) {
        for (int run = 0; run < RUNS; run++) {
            time(key, what, shows, done, last);
            page.goBack();
            page.waitForFunction("() => " + returned);
        }
    }

    /** The second of two keys in a row, the first of which is {@code g}. */
    void go(String key, String what, String shows, String done, String last) {
        page.keyboard().press("g");
        time(key, "g " + key, what, shows, done, last);
    }

    void time(String key, String what, String shows) {
        time(key, key, what, shows, null, shows);
    }

    /** @param last what shows that all of it is done, which is timed as {@code done} */
    void time(String key, String what, String shows, String done, String last) {
        time(key, key, what, shows, done, last);
    }

    private void time(String key, String keys, String what, String shows, String done, String last) {
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
            throw new IllegalStateException("No answer to " + keys + " in " + view + ": " + what, e);
        }
        List<?> answers = (List<?>) page.evaluate("window.answers");
        timed(keys, what).add(((Number) answers.get(0)).doubleValue());
        if (done != null) {
            timed(keys, done).add(((Number) answers.get(1)).doubleValue());
        }
    }

    /**
     * The keys that act here by the help of the page and were timed nowhere. A line of the help with two keys is one thing
     * done by either.
     */
    List<String> notTimed() {
        page.keyboard().press("?");
        page.locator("[role=dialog] li").first().waitFor();
        List<?> lines = (List<?>) page.evaluate("""
                () => [...document.querySelectorAll('[role=dialog] li')]
                  .map((li) => [...li.querySelectorAll('kbd')].map((k) => k.textContent).join(', '))""");
        page.keyboard().press("Escape");
        page.locator("[role=dialog]")
                .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
        Set<String> known = new HashSet<>(Set.of("Ctrl K", "?"));
        all.stream().filter(t -> t.view.equals(view)).forEach(t -> known.add(t.keys));
        all.stream().filter(t -> t.view.isEmpty()).forEach(t -> known.add(t.keys));
        return lines.stream()
                .map(String::valueOf)
                .filter(line -> Stream.of(line.split(", ")).noneMatch(known::contains))
                .toList();
    }

    void print() {
        all.stream().sorted(Comparator.comparing(KeyTimes::worst).reversed()).forEach(KeyTimes::print);
        Measurements.print(
                "every key, from the key to its answer on the screen",
                all.stream().flatMap(KeyTimes::again).toList());
    }

    private List<Double> timed(String keys, String what) {
        return all.stream()
                .filter(t -> t.view.equals(view) && t.keys.equals(keys) && t.what.equals(what))
                .findFirst()
                .orElseGet(() -> {
                    Timed timed = new Timed(view, keys, what, new ArrayList<>());
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
                "key %-8s %-10s %-38s the first %6.1f ms, then median %6.1f ms, worst %6.1f ms, %d runs, above 100: %s%n",
                timed.view,
                timed.keys,
                timed.what,
                timed.millis.get(0),
                again(timed)
                        .sorted()
                        .skip((timed.millis.size() - 1) / 2)
                        .findFirst()
                        .orElseThrow(),
                worst(timed),
                timed.millis.size(),
                timed.millis.stream()
                        .filter(m -> m > 100)
                        .map(m -> "%.0f".formatted(m))
                        .collect(Collectors.joining(" ")));
    }
}
