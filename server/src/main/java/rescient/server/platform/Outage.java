package rescient.server.platform;

import java.sql.SQLException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/** The database cannot be reached. */
public final class Outage {
    static final String SENTENCE =
            "The database cannot be reached at the moment; nothing was changed. What you typed is still here.";

    private static final int MOST_CAUSES = 20;
    /** SQL states of connections that fail or are ended by the database. */
    private static final String CONNECTION = "08";

    private static final String SHUT_DOWN = "57P";
    /** What the pool says of a connection that broke while it was used. */
    private static final String CLOSED = "Connection is closed";

    private Outage() {}

    /** Whether this, or what caused it, is one. */
    public static boolean isOne(Throwable problem) {
        Throwable cause = problem;
        for (int i = 0; cause != null && i < MOST_CAUSES; i++) {
            boolean away = cause instanceof CannotCreateTransactionException
                    || cause instanceof DataAccessResourceFailureException
                    || cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLRecoverableException
                    || cause instanceof SQLException sql
                            && (isConnection(sql.getSQLState()) || CLOSED.equals(sql.getMessage()));
            if (away) {
                return true;
            }
            cause = cause.getCause();
        }
        return false;
    }

    private static boolean isConnection(String state) {
        return state != null && (state.startsWith(CONNECTION) || state.startsWith(SHUT_DOWN));
    }
}
