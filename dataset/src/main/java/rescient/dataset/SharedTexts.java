package rescient.dataset;

/** Texts that come again, as codes and dates do, are the same object: a large dataset needs a third of the memory. */
final class SharedTexts {
    private static final int KNOWN = 1 << 14;
    private static final int LONGEST = 40;

    /** By their hash; whoever comes later takes the place of another. */
    private final String[] known = new String[KNOWN];

    String of(String text) {
        if (text.length() > LONGEST) {
            return text;
        }
        int hash = text.hashCode();
        int place = (hash ^ hash >>> 16) & (KNOWN - 1);
        String there = known[place];
        if (text.equals(there)) {
            return there;
        }
        known[place] = text;
        return text;
    }
}
