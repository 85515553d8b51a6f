package rescient.e2e;

import com.microsoft.playwright.Page;
import java.util.Locale;
import java.util.Map;

/** How smoothly a long list or table scrolls: a step a frame, from its top downwards. */
final class Scrolling {
    private static final int FRAMES = 300;

    private Scrolling() {}

    /**
     * Prints the time between frames by the browser's own frame times, how many came more than half a frame late, how
     * long the middle of the box showed no row, and how long the first frame after a jump back to the top took.
     *
     * @param box selector of what scrolls; {@code row} of what must be seen in it
     * @param step pixels a frame, as long as there is something left to scroll
     */
    static void measure(String what, Page page, String box, String row, int step) {
        Object measured = page.evaluate("""
                async ([box, row, step, frames]) => {
                  const frame = () => new Promise(requestAnimationFrame);
                  const element = document.querySelector(box);
                  element.scrollTop = element.scrollHeight;
                  for (let i = 0; i < 10; i++) await frame();
                  const before = await frame();
                  element.scrollTop = 0;
                  await frame();
                  const jump = await frame() - before;
                  for (let i = 0; i < 10; i++) await frame();
                  const at = element.getBoundingClientRect();
                  const x = at.left + Math.min(160, at.width / 2), y = at.top + at.height / 2;
                  const times = [];
                  let last = await frame(), blankSince, blank = 0;
                  for (let i = 0; i < frames; i++) {
                    const from = element.scrollTop;
                    element.scrollTop += step;
                    if (element.scrollTop === from) break;
                    const now = await frame();
                    times.push(now - last);
                    last = now;
                    if (document.elementFromPoint(x, y)?.closest(row)) blankSince = undefined;
                    else { blankSince ??= now; blank = Math.max(blank, now - blankSince); }
                  }
                  times.sort((a, b) => a - b);
                  const n = times.length;
                  return { frames: n, median: times[n >> 1], most: times[Math.floor(n * 0.99)], worst: times[n - 1],
                           late: times.filter(t => t > 25).length, blank, jump, far: element.scrollTop };
                }""", new Object[] {box, row, step, FRAMES});
        Map<?, ?> times = (Map<?, ?>) measured;
        System.out.printf(
                Locale.ROOT,
                "%-62s frame median %.1f ms, 99 %% %.1f ms, worst %.1f ms; %.0f of %.0f late; blank for %.0f ms; %,.0f pixels;"
                        + " jump to the top %.0f ms%n",
                what,
                number(times, "median"),
                number(times, "most"),
                number(times, "worst"),
                number(times, "late"),
                number(times, "frames"),
                number(times, "blank"),
                number(times, "far"),
                number(times, "jump"));
    }

    private static double number(Map<?, ?> times, String name) {
        return ((Number) times.get(name)).doubleValue();
    }
}
