package rescient.core.company;

import java.util.Set;

/** The line of a customer order that an order is made for: it hangs on the line, and is planned like any other. */
public record MadeFor(String number, String line) {
    private static final Set<Source> HANGING = Set.of(Source.MAKE, Source.ASSEMBLE);

    /** Whether orders of this kind hang on a line; what is bought for one alone is an {@link Earmark}. */
    public static boolean hangs(Source kind) {
        return HANGING.contains(kind);
    }

    /** Null if no line is named, or orders of this kind do not hang on one. */
    public static MadeFor of(Source kind, String number, String line) {
        return hangs(kind) && number != null && line != null ? new MadeFor(number, line) : null;
    }
}
