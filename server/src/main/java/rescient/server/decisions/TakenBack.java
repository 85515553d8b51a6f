package rescient.server.decisions;

import rescient.dataset.FactChange;

/** Puts back what a decision changed besides the company, when it is taken back; called in that transaction. */
public interface TakenBack {
    /** Whose rows these are. */
    String table();

    /** @param change as the decision made it; what is there may be another by now, or gone: what was added since stays */
    void takenBack(FactChange change);
}
