package rescient.server.platform;

import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Does something again and again that nobody waits for, but so that it takes a part of the time at most: after it took long it
 * rests long. The last wish is always fulfilled, and whoever waits all the same has it at once.
 */
public final class Sparing {
    private static final Logger LOG = LoggerFactory.getLogger(Sparing.class);

    private final Runnable work;
    private final int share;
    private final ScheduledExecutorService worker;
    private final LongSupplier clock;
    private boolean asked;
    /** Until when it rests. */
    private long rests;

    /**
     * @param name of its thread
     * @param share of the time, one part in so many is worked
     */
    public Sparing(String name, int share, Runnable work) {
        this(share, work, Executors.newSingleThreadScheduledExecutor(GivingWay.threads(name)), System::nanoTime);
    }

    /** @param clock nanoseconds since some moment */
    Sparing(int share, Runnable work, ScheduledExecutorService worker, LongSupplier clock) {
        this.share = share;
        this.work = work;
        this.worker = worker;
        this.clock = clock;
        this.rests = clock.getAsLong();
    }

    /** It is to be done, now or when it has rested; asked again before that, it is done once. */
    public synchronized void ask() {
        if (!asked) {
            asked = true;
            worker.schedule(this::run, Math.max(0, rests - clock.getAsLong()), TimeUnit.NANOSECONDS);
        }
    }

    /** Waits until what was asked for is done, without a rest. */
    public void settle() {
        try {
            worker.submit(this::run).get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException e) {
            throw new IllegalStateException(e);
        }
    }

    private void run() {
        synchronized (this) {
            if (!asked) {
                return;
            }
            asked = false;
        }
        long begun = clock.getAsLong();
        try {
            work.run();
        } catch (RuntimeException e) {
            LOG.error("What was to be done in the background was not", e);
        }
        synchronized (this) {
            long ended = clock.getAsLong();
            rests = ended + (share - 1) * (ended - begun);
        }
    }

    /** Nothing more is done. */
    public void stop() {
        worker.shutdownNow();
    }
}
