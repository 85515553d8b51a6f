package rescient.dataset.sheets;

/** What came is no table that can be read; says why, in a sentence. */
public final class UnreadableSheetException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public UnreadableSheetException(String sentence) {
        super(sentence);
    }

    public UnreadableSheetException(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
