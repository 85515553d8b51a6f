package rescient.core.company;

/** What is asked for does not fit the company; says why in the words of the job, and what of it is wrong. */
public final class UnfitException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String field;

    /** @param field what of it is wrong, by its name */
    public UnfitException(String sentence, String field) {
        super(sentence);
        this.field = field;
    }

    public String field() {
        return field;
    }
}
