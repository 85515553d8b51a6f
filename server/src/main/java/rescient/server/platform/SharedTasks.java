package rescient.server.platform;

/** Begins a {@link SharedTask}: kept in the database with the transaction, done soon after. */
public interface SharedTasks {
    /** @param about what it is about; nothing is begun twice about the same */
    void begin(String task, long about);
}
