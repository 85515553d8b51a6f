package rescient.server.commands;

import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Commands that decide on the plan, one after the other, each in a transaction of its own. */
@Component
class CommandQueue {
    private final TransactionTemplate transaction;
    /** Those who wait hold no connection that the plan needs. */
    private final ReentrantLock turn = new ReentrantLock(true);

    CommandQueue(TransactionTemplate transaction) {
        this.transaction = transaction;
    }

    /** Does it all or not at all, when nobody else is at it. */
    <T> T take(Supplier<T> command) {
        turn.lock();
        try {
            return transaction.execute(status -> command.get());
        } finally {
            turn.unlock();
        }
    }
}
