package rescient.server.platform;

import java.time.Duration;

/** Something that has to be done now and then for all servers on a database, by one of them. */
public interface SharedWork {
    /** Names it in the database; stays the same for ever. */
    String name();

    /** So long after it was done it is done again. */
    Duration every();

    void run();
}
