package rescient.core.company;

/**
 * What becomes of one fact, which keeps its key.
 *
 * @param before null if it is new
 * @param after null if it goes
 */
public record FactEdit<F extends Fact>(F before, F after) {
    public FactEdit {
        if (before == null && after == null) {
            throw new IllegalArgumentException("Nothing becomes of nothing");
        }
    }

    public static <F extends Fact> FactEdit<F> added(F fact) {
        return new FactEdit<>(null, fact);
    }

    public static <F extends Fact> FactEdit<F> gone(F fact) {
        return new FactEdit<>(fact, null);
    }
}
