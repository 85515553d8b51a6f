package rescient.core.base;

/** The input cannot be planned; the message says which value stands in the way and what would be right. */
public final class PlanningException extends RuntimeException {
    public PlanningException(String message) {
        super(message);
    }
}
