package rescient.server.platform;

/**
 * What changed the company, in a sentence.
 *
 * @param name who did it, null if nobody did
 */
public record Cause(Kind kind, @Nullable String name, String sentence) {
    /** What it was. */
    public enum Kind {
        /** The company was loaded: nothing of the plan before compares. */
        LOADED,
        DECISION,
        /** A what-if was taken over. */
        WHAT_IF,
        /** Rows came from a file or a spreadsheet. */
        IMPORT,
        TAKEN_BACK,
        RELEASE,
        SETTING,
        /** Another day has come. */
        DAY,
        /** Something was posted on the stock record. */
        POSTING,
        /** An open order did not come on its day. */
        RECEIPT
    }
}
