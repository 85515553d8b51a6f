package rescient.server.platform;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** What somebody will ask for soon is begun here, one after the other, beside the requests. */
@Component
public class Precompute implements DisposableBean {
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> {
        Thread thread = new Thread(r, "ahead");
        thread.setDaemon(true);
        return thread;
    });

    public void begin(Runnable work) {
        worker.execute(work);
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
