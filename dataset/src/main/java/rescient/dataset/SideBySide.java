package rescient.dataset;

import java.util.List;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Several threads that look at one part after the other; what they find is told in the order of the parts. */
final class SideBySide {
    static final int CORES = Runtime.getRuntime().availableProcessors();

    private SideBySide() {}

    /**
     * What was found in all parts.
     *
     * @param threads how many parts may be looked at at once, at least 1
     * @param parts in the order in which their faults are told; taken up in that order too
     */
    static <T> Faults faults(int threads, List<T> parts, BiConsumer<T, Faults> look) {
        List<Faults> found = Stream.generate(Faults::new).limit(parts.size()).toList();
        Queue<Integer> waiting = new ConcurrentLinkedQueue<>(
                IntStream.range(0, parts.size()).boxed().toList());
        IntStream.range(0, threads).parallel().forEach(thread -> {
            for (Integer i = waiting.poll(); i != null; i = waiting.poll()) {
                look.accept(parts.get(i), found.get(i));
            }
        });
        Faults all = new Faults();
        found.forEach(all::addAll);
        return all;
    }
}
