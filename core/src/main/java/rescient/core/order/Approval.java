package rescient.core.order;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;

/** Whose approval a document still needs: every limit at or below its value asks its role, the lowest first. */
public final class Approval {
    private Approval() {}

    /**
     * From a value on, a role is asked.
     *
     * @param fromValue in the company's currency
     */
    public record Limit(BigDecimal fromValue, String role) {}

    /**
     * Somebody has approved.
     *
     * @param role as whom
     * @param value what the document came to then
     */
    public record Given(String role, String name, BigDecimal value) {}

    /**
     * The role that is asked next, or null if none is any more. An approval holds for what it was given for: of a document
     * that has become worth more it asks again.
     *
     * @param value of the document; null: nobody knows, so that every limit asks
     */
    public static String next(List<Limit> limits, BigDecimal value, List<Given> given) {
        return limits.stream()
                .filter(limit -> value == null || limit.fromValue().compareTo(value) <= 0)
                .sorted(Comparator.comparing(Limit::fromValue))
                .map(Limit::role)
                .filter(role -> given.stream()
                        .noneMatch(one -> one.role().equals(role)
                                && value != null
                                && one.value() != null
                                && one.value().compareTo(value) >= 0))
                .findFirst()
                .orElse(null);
    }

    /**
     * The same of a document that somebody has to look at whatever it is worth.
     *
     * @param otherwise who is asked where no limit asks anybody
     */
    public static String next(List<Limit> limits, BigDecimal value, List<Given> given, String otherwise) {
        boolean anybody = limits.stream().anyMatch(limit -> limit.fromValue().compareTo(value) <= 0);
        return next(anybody ? limits : List.of(new Limit(BigDecimal.ZERO, otherwise)), value, given);
    }

    /**
     * Whether somebody may approve: with four eyes nobody approves what they made themselves.
     *
     * @param maker who made the document, or null
     */
    public static boolean may(String name, String maker, boolean fourEyes) {
        return !fourEyes || !name.equals(maker);
    }
}
