package rescient.server.platform;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadFactory;

/**
 * Threads that do what nobody waits for. They give way to all others where the machine is told to heed priorities, as the
 * launcher tells it.
 */
public final class GivingWay {
    private GivingWay() {}

    /** One thread for one task after the other; it does not keep the server from ending. */
    public static ExecutorService oneThread(String name) {
        return Executors.newSingleThreadExecutor(threads(name));
    }

    static ThreadFactory threads(String name) {
        return work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            return thread;
        };
    }
}
