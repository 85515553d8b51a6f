package rescient.server.planning;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells open browsers, by server-sent events, that there is a new plan. Each is told by itself and of each kind of news the
 * latest only, so one that does not read holds up nobody; after a while it is dropped.
 */
@Component
class PlanNews implements SmartLifecycle {
    private static final long NO_TIMEOUT = 0;
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    /** How many may listen at once; whoever comes later takes the place of the one that has listened longest. */
    private static final int MOST = 200;

    private final List<Listener> listeners = new CopyOnWriteArrayList<>();
    private final ExecutorService tellers = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "plan-news");
        thread.setDaemon(true);
        return thread;
    });
    private final Duration patience;
    private final LongSupplier clock;
    private volatile boolean running;
    private volatile String trouble = "";

    @Autowired
    PlanNews() {
        this(PATIENCE, System::nanoTime);
    }

    /**
     * @param patience how long one may not read before it is dropped
     * @param clock nanoseconds since some moment
     */
    PlanNews(Duration patience, LongSupplier clock) {
        this.patience = patience;
        this.clock = clock;
    }

    /** @param number of a plan, else 0 */
    private record Item(String text, MediaType type, long number) {
        Item(String text, MediaType type) {
            this(text, type, 0);
        }
    }

    /** A browser, with what it has not been told yet. */
    private final class Listener {
        final SseEmitter to;
        private final ConcurrentMap<String, Item> untold = new ConcurrentHashMap<>();
        private boolean telling;
        private long since;

        Listener(SseEmitter to) {
            this.to = to;
        }

        synchronized void tell(String kind, Item item) {
            // a plan that came while somebody connected is not forgotten for the one that was there before
            untold.merge(kind, item, (before, next) -> before.number > next.number ? before : next);
            if (!telling) {
                telling = true;
                since = clock.getAsLong();
                tellers.execute(this::tellAll);
            }
        }

        private void tellAll() {
            try {
                while (true) {
                    String kind = next();
                    if (kind == null) {
                        return;
                    }
                    Item item = untold.remove(kind);
                    to.send(
                            kind.isEmpty()
                                    ? SseEmitter.event().comment(item.text)
                                    : SseEmitter.event().name(kind).data(item.text, item.type));
                }
            } catch (IOException | RuntimeException e) {
                listeners.remove(this);
            }
        }

        private synchronized String next() {
            since = clock.getAsLong();
            String kind = untold.keySet().stream().findFirst().orElse(null);
            telling = kind != null;
            return kind;
        }

        synchronized boolean doesNotRead() {
            return telling && clock.getAsLong() - since > patience.toNanos();
        }
    }

    /** @param version is asked when nothing can be told past the listener any more */
    SseEmitter listen(LongSupplier version) {
        return listen(new SseEmitter(NO_TIMEOUT), version);
    }

    SseEmitter listen(SseEmitter emitter, LongSupplier version) {
        Listener listener = new Listener(emitter);
        listeners.add(listener);
        emitter.onCompletion(() -> listeners.remove(listener));
        emitter.onError(e -> listeners.remove(listener));
        listener.tell("plan", number(version.getAsLong()));
        if (!trouble.isEmpty()) {
            listener.tell("trouble", new Item(trouble, MediaType.TEXT_PLAIN));
        }
        if (listeners.size() > MOST) {
            drop(listeners.get(0));
        }
        return emitter;
    }

    private static Item number(long version) {
        return new Item(Long.toString(version), MediaType.TEXT_PLAIN, version);
    }

    void tell(long version) {
        listeners.forEach(l -> l.tell("plan", number(version)));
    }

    /** Tells who is working on what, as JSON. */
    void people(String everybody) {
        listeners.forEach(l -> l.tell("people", new Item(everybody, MediaType.APPLICATION_JSON)));
    }

    /** Tells what keeps everybody from working, or that nothing does any more: an empty text. */
    void trouble(String what) {
        if (!what.equals(trouble)) {
            trouble = what;
            listeners.forEach(l -> l.tell("trouble", new Item(what, MediaType.TEXT_PLAIN)));
        }
    }

    /** Keeps connections open through proxies, and finds those that are gone or do not read. */
    @Scheduled(fixedRate = 10, initialDelay = 10, timeUnit = TimeUnit.SECONDS)
    void stillHere() {
        listeners.stream().filter(Listener::doesNotRead).forEach(this::drop);
        listeners.forEach(l -> l.tell("", new Item("still here", MediaType.TEXT_PLAIN)));
    }

    private void drop(Listener listener) {
        listeners.remove(listener);
        // what it does not read keeps its teller; ending it waits for nobody
        tellers.execute(() -> listener.to.completeWithError(new IOException("It does not read")));
    }

    int listeners() {
        return listeners.size();
    }

    @Override
    public void start() {
        running = true;
    }

    /** Open connections would hold up the server's end, so they are ended before it waits for requests. */
    @Override
    public void stop() {
        running = false;
        listeners.forEach(l -> l.to.complete());
        tellers.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
