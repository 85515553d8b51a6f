package rescient.dataset;

import java.util.List;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Several threads that each do one thing after the other. */
final class SideBySide {
    static final int CORES = Runtime.getRuntime().availableProcessors();

    private SideBySide() {}

    /**
     * What was found in all parts, in the order of the parts.
     *
     * @param threads how many parts may be looked at at once, at least 1
     * @param parts in the order in which their faults are told; taken up in that order too
     */
    static <T> Faults faults(int threads, List<T> parts, BiConsumer<T, Faults> look) {
        List<Faults> found = Stream.generate(Faults::new).limit(parts.size()).toList();
        run(
                threads,
                IntStream.range(0, parts.size())
                        .<Runnable>mapToObj(i -> () -> look.accept(parts.get(i), found.get(i)))
                        .toList());
        Faults all = new Faults();
        found.forEach(all::addAll);
        return all;
    }

    /** Does all of it, each thread taking up the next in order when it is done with one. */
    static void run(int threads, List<Runnable> tasks) {
        Queue<Runnable> waiting = new ConcurrentLinkedQueue<>(tasks);
        IntStream.range(0, threads).parallel().forEach(thread -> {
            for (Runnable task = waiting.poll(); task != null; task = waiting.poll()) {
                task.run();
            }
        });
    }
}
