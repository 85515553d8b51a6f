package rescient.server.commands;

import rescient.server.platform.JobProblem;

/** Somebody else's word that a command may need; asked when it has been worked out and before anything is kept. */
public interface Approval {
    /** @throws JobProblem if it is needed and was not given: nothing of the command is kept */
    void ask(Turn turn, Command<?> command, Outcome<?> outcome);
}
