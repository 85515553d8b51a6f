package rescient.core;

import java.util.stream.IntStream;

/** Does something for a range of numbers in spans, on all cores. */
final class Spans {
    private static final int SPAN = 64;

    /** What is done for the numbers from one on and below another. */
    interface Task {
        void run(int from, int to);
    }

    private Spans() {}

    static void each(int from, int to, Task task) {
        int spans = (to - from + SPAN - 1) / SPAN;
        IntStream.range(0, spans)
                .parallel()
                .forEach(i -> task.run(from + i * SPAN, Math.min(to, from + (i + 1) * SPAN)));
    }
}
