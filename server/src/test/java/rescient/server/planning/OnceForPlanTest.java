package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

class OnceForPlanTest {
    private final OnceForPlan<Integer> once = new OnceForPlan<>();
    private final AtomicInteger times = new AtomicInteger();

    private static Plan plan() {
        return new Planner().plan(Snapshot.builder(20_000, 20_100).build(), PlanOptions.ALL);
    }

    @Test
    void whoeverAsksWhileItIsMadeWaitsForIt() throws Exception {
        Plan plan = plan();
        CountDownLatch asked = new CountDownLatch(3);
        ExecutorService people = Executors.newFixedThreadPool(3);
        List<Future<Integer>> answers = IntStream.range(0, 3)
                .mapToObj(i -> people.submit(() -> {
                    asked.countDown();
                    return once.of(plan, () -> {
                        try {
                            asked.await();
                        } catch (InterruptedException e) {
                            throw new IllegalStateException(e);
                        }
                        return times.incrementAndGet();
                    });
                }))
                .toList();
        for (Future<Integer> answer : answers) {
            assertThat(answer.get()).isEqualTo(1);
        }
        people.shutdown();
    }

    @Test
    void theLastPlanIsKeptAndOneBesides() {
        Plan first = plan();
        Plan second = plan();
        assertThat(once.of(first, times::incrementAndGet)).isEqualTo(1);
        assertThat(once.of(second, times::incrementAndGet)).isEqualTo(2);
        assertThat(once.of(first, times::incrementAndGet)).isEqualTo(1);
        for (int later = 3; later < 10; later++) {
            Plan plan = plan();
            assertThat(once.of(plan, times::incrementAndGet)).isEqualTo(later);
            assertThat(once.of(plan, times::incrementAndGet)).isEqualTo(later);
        }
        // others go
        once.of(second, times::incrementAndGet);
        assertThat(times).hasValue(10);
    }

    @Test
    void whatFailedIsTriedAgain() {
        Plan plan = plan();
        assertThatThrownBy(() -> once.of(plan, () -> {
                    throw new IllegalArgumentException("no");
                }))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(once.of(plan, times::incrementAndGet)).isEqualTo(1);
    }
}
