package rescient.core.base;

import java.util.Arrays;
import java.util.BitSet;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/** Does something for a range of numbers in spans, on all cores. */
public final class Parallel {
    private static final int SPAN = 64;
    /** Not worth another core. */
    private static final int FEW = 8;

    /** Set where a thread leaves the other cores to others. */
    private static final ThreadLocal<Boolean> ALONE = ThreadLocal.withInitial(() -> false);

    /** What is done for the numbers from one on and below another. */
    public interface Task {
        void run(int from, int to);
    }

    private Parallel() {}

    /** Makes something on the core of this thread alone, and leaves the others to others. */
    public static <T> T alone(Supplier<T> making) {
        boolean before = ALONE.get();
        ALONE.set(true);
        try {
            return making.get();
        } finally {
            ALONE.set(before);
        }
    }

    public static void each(int from, int to, Task task) {
        takingTurns((to - from + SPAN - 1) / SPAN, i -> task.run(from + i * SPAN, Math.min(to, from + (i + 1) * SPAN)));
    }

    /** Does something for each number from 0 on and below another, on all cores if they are many. */
    public static void each(int count, IntConsumer task) {
        if (count < FEW || ALONE.get()) {
            inTurn(count, task);
        } else {
            takingTurns(count, task);
        }
    }

    /** Does several things at once; those that take longest come first. */
    public static void together(Runnable... tasks) {
        takingTurns(tasks.length, i -> tasks[i].run());
    }

    private static void inTurn(int count, IntConsumer task) {
        for (int i = 0; i < count; i++) {
            task.accept(i);
        }
    }

    /** Every core takes the next number when it is done with one, so that none waits long for another at the end. */
    private static void takingTurns(int count, IntConsumer task) {
        if (ALONE.get()) {
            inTurn(count, task);
            return;
        }
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
