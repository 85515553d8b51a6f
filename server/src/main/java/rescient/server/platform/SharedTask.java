package rescient.server.platform;

/** Something long that is done once for all servers, by one of them: begun by {@link SharedTasks}. */
public interface SharedTask {
    /** Names it in the database; stays the same for ever. */
    String name();

    /**
     * Does it. If the server dies over it, another does it again from the beginning.
     *
     * @param about what it is about, as whoever began it said
     */
    void run(long about);
}
