package rescient.server.planning;

import java.util.concurrent.ExecutorService;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import rescient.server.platform.GivingWay;

/**
 * Has the rows of a company that was read looked up once, so that the first change of a table waits for nothing: before its
 * first plan is seen, and beside the calculation where rows were put together anew.
 */
@Component
class FactsAhead implements WarmUp, PlanFollower, DisposableBean {
    private final ExecutorService worker = GivingWay.oneThread("facts-ahead");

    @Override
    public void warmUp(PlanVersion version) {
        version.directory().facts().prepare();
    }

    @Override
    public void follow(PlanVersion before, PlanVersion next) {
        worker.execute(next.directory().facts()::prepare);
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
