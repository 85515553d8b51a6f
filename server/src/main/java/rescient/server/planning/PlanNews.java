package rescient.server.planning;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells open browsers, by server-sent events, that there is a new plan. */
@Component
class PlanNews implements SmartLifecycle {
    private static final long NO_TIMEOUT = 0;

    private final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();
    private volatile boolean running;

    /** @param version is asked when nothing can be told past the listener any more */
    SseEmitter listen(LongSupplier version) {
        return listen(new SseEmitter(NO_TIMEOUT), version);
    }

    SseEmitter listen(SseEmitter listener, LongSupplier version) {
        listeners.add(listener);
        listener.onCompletion(() -> listeners.remove(listener));
        listener.onError(e -> listeners.remove(listener));
        send(listener, SseEmitter.event().name("plan").data(Long.toString(version.getAsLong())));
        return listener;
    }

    void tell(long version) {
        listeners.forEach(l -> send(l, SseEmitter.event().name("plan").data(Long.toString(version))));
    }

    /** Tells who is working on what. */
    void people(Object everybody) {
        listeners.forEach(l -> send(l, SseEmitter.event().name("people").data(everybody, MediaType.APPLICATION_JSON)));
    }

    /** Keeps connections open through proxies, and finds those that are gone. */
    @Scheduled(fixedRate = 20, initialDelay = 20, timeUnit = TimeUnit.SECONDS)
    void stillHere() {
        listeners.forEach(l -> send(l, SseEmitter.event().comment("still here")));
    }

    private void send(SseEmitter listener, SseEmitter.SseEventBuilder event) {
        try {
            listener.send(event);
        } catch (IOException | IllegalStateException e) {
            listeners.remove(listener);
        }
    }

    @Override
    public void start() {
        running = true;
    }

    /** Open connections would hold up the server's end, so they are ended before it waits for requests. */
    @Override
    public void stop() {
        running = false;
        listeners.forEach(SseEmitter::complete);
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
