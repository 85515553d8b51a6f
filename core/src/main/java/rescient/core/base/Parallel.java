package rescient.core.base;

import java.util.Arrays;
import java.util.BitSet;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/** Does something for a range of numbers in spans, on all cores. */
public final class Parallel {
    private static final int SPAN = 64;
    /** Not worth another core. */
    private static final int FEW = 8;

    /** What is done for the numbers from one on and below another. */
    public interface Task {
        void run(int from, int to);
    }

    private Parallel() {}

    public static void each(int from, int to, Task task) {
        takingTurns((to - from + SPAN - 1) / SPAN, i -> task.run(from + i * SPAN, Math.min(to, from + (i + 1) * SPAN)));
    }

    /** Does something for each number from 0 on and below another, on all cores if they are many. */
    public static void each(int count, IntConsumer task) {
        if (count < FEW) {
            for (int i = 0; i < count; i++) {
                task.accept(i);
            }
        } else {
            takingTurns(count, task);
        }
    }

    /** Does several things at once; those that take longest come first. */
    public static void together(Runnable... tasks) {
        takingTurns(tasks.length, i -> tasks[i].run());
    }

    /** Every core takes the next number when it is done with one, so that none waits long for another at the end. */
    private static void takingTurns(int count, IntConsumer task) {
        AtomicInteger next = new AtomicInteger();
        IntStream.rangeClosed(0, ForkJoinPool.getCommonPoolParallelism())
                .parallel()
                .forEach(core -> {
                    for (int i = next.getAndIncrement(); i < count; i = next.getAndIncrement()) {
                        task.accept(i);
                    }
                });
    }

    /** The numbers of a set from one on and below another. */
    public static int[] set(BitSet numbers, int from, int to) {
        int n = 0;
        int[] found = new int[8];
        for (int i = numbers.nextSetBit(from); i >= 0 && i < to; i = numbers.nextSetBit(i + 1)) {
            if (n == found.length) {
                found = Arrays.copyOf(found, n * 2);
            }
            found[n++] = i;
        }
        return Arrays.copyOf(found, n);
    }
}
