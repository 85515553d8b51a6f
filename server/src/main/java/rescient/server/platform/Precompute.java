package rescient.server.platform;

import java.util.concurrent.ExecutorService;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** What somebody will ask for soon is begun here, one after the other, beside the requests. */
@Component
public class Precompute implements DisposableBean {
    private final ExecutorService worker = GivingWay.oneThread("ahead");

    public void begin(Runnable work) {
        worker.execute(work);
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
