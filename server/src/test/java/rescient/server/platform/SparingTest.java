package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Work of ten nanoseconds that may take a quarter of the time. */
class SparingTest {
    private final ScheduledExecutorService worker = mock(ScheduledExecutorService.class);
    /** What the worker was given, and after how long it begins. */
    private final List<Runnable> given = new ArrayList<>();

    private final List<Long> delays = new ArrayList<>();
    private final List<Long> done = new ArrayList<>();
    private long now = 1000;
    private Runnable inside = () -> {};
    private final Sparing sparing = new Sparing(
            4,
            () -> {
                done.add(now);
                inside.run();
                now += 10;
            },
            worker,
            () -> now);

    @BeforeEach
    void aWorker() {
        when(worker.schedule(any(Runnable.class), anyLong(), eq(TimeUnit.NANOSECONDS)))
                .thenAnswer(call -> {
                    given.add(call.getArgument(0));
                    delays.add(call.getArgument(1));
                    return null;
                });
        when(worker.submit(any(Runnable.class))).thenAnswer(call -> {
            call.<Runnable>getArgument(0).run();
            return CompletableFuture.completedFuture(null);
        });
    }

    /** The worker does what it was given last. */
    private void work() {
        given.get(given.size() - 1).run();
    }

    @Test
    void whatIsAskedForAfterAWhileBeginsAtOnce() {
        sparing.ask();
        assertThat(delays).containsExactly(0L);
        work();
        now += 30;
        sparing.ask();
        assertThat(delays).containsExactly(0L, 0L);
    }

    @Test
    void afterItWorkedItRestsThreeTimesAsLong() {
        sparing.ask();
        work();
        // ten of work and thirty of rest, of which four are over
        now += 4;
        sparing.ask();
        assertThat(delays).containsExactly(0L, 26L);
    }

    @Test
    void askedOftenItIsDoneOnce() {
        sparing.ask();
        sparing.ask();
        work();
        assertThat(given).hasSize(1);
        assertThat(done).containsExactly(1000L);
        work();
        assertThat(done).hasSize(1);
    }

    @Test
    void askedWhileItWorksItIsDoneOnceMore() {
        inside = sparing::ask;
        sparing.ask();
        work();
        inside = () -> {};
        assertThat(given).hasSize(2);
        work();
        assertThat(done).hasSize(2);
    }

    @Test
    void whoeverWaitsHasItWithoutARest() {
        sparing.ask();
        work();
        sparing.ask();
        sparing.settle();
        assertThat(done).containsExactly(1000L, 1010L);
        // and it is not done again for that
        work();
        assertThat(done).hasSize(2);
        sparing.settle();
        assertThat(done).hasSize(2);
    }

    @Test
    void whatFailsIsDoneWhenItIsAskedForAgain() {
        inside = () -> {
            throw new IllegalStateException("not now");
        };
        sparing.ask();
        work();
        inside = () -> {};
        now += 100;
        sparing.ask();
        work();
        assertThat(done).hasSize(2);
    }
}
