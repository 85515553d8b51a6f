package rescient.e2e;

import com.microsoft.playwright.Page;
import java.util.Locale;
import java.util.Map;

/** How smoothly a long list or table scrolls: a step a frame, from its top downwards. */
final class Scrolling {
    private static final int FRAMES = 300;

    private Scrolling() {}

    /**
     * Prints the time between frames, and how long the middle of the box showed no row.
     *
     * @param box selector of what scrolls; {@code row} of what must be seen in it
     * @param step pixels a frame
     */
    static void measure(String what, Page page, String box, String row, int step) {
        Object measured = page.evaluate("""
                async ([box, row, step, frames]) => {
                  const element = document.querySelector(box);
                  element.scrollTop = 0;
                  await new Promise(requestAnimationFrame);
                  const at = element.getBoundingClientRect();
                  const x = at.left + Math.min(160, at.width / 2), y = at.top + at.height / 2;
                  const times = [];
                  let last = performance.now(), blankSince, blank = 0;
                  for (let i = 0; i < frames; i++) {
                    element.scrollTop += step;
                    await new Promise(requestAnimationFrame);
                    const now = performance.now();
                    times.push(now - last);
                    last = now;
                    if (document.elementFromPoint(x, y)?.closest(row)) blankSince = undefined;
                    else { blankSince ??= now; blank = Math.max(blank, now - blankSince); }
                  }
                  times.sort((a, b) => a - b);
                  return { median: times[frames >> 1], most: times[Math.floor(frames * 0.99)],
                           worst: times[frames - 1], blank, far: element.scrollTop };
                }""", new Object[] {box, row, step, FRAMES});
        Map<?, ?> times = (Map<?, ?>) measured;
        System.out.printf(
                Locale.ROOT,
                "%-62s frame median %.1f ms, 99 %% %.1f ms, worst %.1f ms; blank for %.0f ms; %,.0f pixels%n",
                what,
                number(times, "median"),
                number(times, "most"),
                number(times, "worst"),
                number(times, "blank"),
                number(times, "far"));
    }

    private static double number(Map<?, ?> times, String name) {
        return ((Number) times.get(name)).doubleValue();
    }
}
